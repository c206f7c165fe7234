#include "desk/desk_page.h"

#include "desk/desk_view.h"

namespace wisetick::app {

namespace {

class DeskPage : public View {
public:
    DeskPage(Document& document, ViewHost& host) : View(document, host), view_(new DeskView(document)) {
        view_->show(host.selectedPromise());
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return tr("the desk of the selected promise: what its setting does, and every other way"); }
    void followPromise(const QString& name) override { view_->show(name); }
    QString helpPage(const QWidget*) const override { return "calculations.md"; }
    void pinOrFree() { view_->pinOrFree(); }

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
