#include "desk/desk_page.h"

#include "desk/desk_view.h"
#include "desk/pictures.h"
#include "picture/report_picture.h"

namespace wisetick::app {

namespace {

constexpr std::size_t kReportWays = 24;

class DeskPage : public View {
public:
    DeskPage(Document& document, ViewHost& host) : View(document, host), view_(new DeskView(document)) {
        view_->show(host.selectedPromise());
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return tr("the desk of the selected promise: what its setting does, and every other way"); }
    void followPromise(const QString& name) override { view_->show(name); }
    Target subject() override {
        const QString promise = host_.selectedPromise();
        return promise.isEmpty() ? Target() : Target::promise(promise.toStdString());
    }
    QString helpPage(const QWidget*) const override { return "calculations.md"; }
    void pinOrFree() { view_->pinOrFree(); }
    ReportPictures reportPictures(const Theme& theme) override {
        ReportPictures pictures;
        const auto& promises = document_.figures().promises;
        for (std::size_t i = 0; document_.isOpen() && i < promises.size(); ++i) {
            if (promises[i].state != State::elsewhere) {
                const Desk desk = deskOf(document_.part(), document_.plan(), document_.figures(), i, kReportWays);
                const DeskScene scene{document_.part(),
                                      document_.plan(),
                                      document_.figures(),
                                      promises[i],
                                      document_.plan().promises[i].line,
                                      desk};
                std::vector<Picture> drawn = deskPictures(scene);
                if (!drawn.empty()) {
                    pictures["promise/" + promises[i].name] = stacked(std::move(drawn), theme);
                }
            }
        }
        return pictures;
    }

private:
    DeskView* view_;
};

} // namespace

ViewKind deskKind() {
    ViewKind kind;
    kind.name = "promises";
    kind.title = QObject::tr("Promises");
    kind.key = 3;
    kind.state = [](const Document& document) { return worstPromise(document, [](const Ask&) { return true; }); };
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new DeskPage(document, host); };
    kind.commands = {{QObject::tr("Pin the selected way, or free it"), QKeySequence("Ctrl+P"),
                      [](View& view) { static_cast<DeskPage&>(view).pinOrFree(); }, true}};
    return kind;
}

} // namespace wisetick::app
