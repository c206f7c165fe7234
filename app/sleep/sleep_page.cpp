#include "sleep/sleep_page.h"

#include "sleep/sleep_view.h"

namespace wisetick::app {

namespace {

class SleepPage : public View {
public:
    SleepPage(Document& document, ViewHost& host) : View(document, host), view_(new SleepView(document)) {
        connect(view_, &SleepView::targetWanted, this, [this](const QString& target) {
            if (target.startsWith("promise/")) {
                host_.goTo(target);
            } else {
                host_.explain(target);
            }
        });
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return tr("what goes on in each mode, and what may wake it; Enter rests there"); }
    bool open(const QString& target) override {
        view_->select(target.section('/', 1));
        return true;
    }
    QString subject() override { return document_.isOpen() ? "mode/" + view_->selected() : QString(); }
    QString helpPage(const QWidget*) const override { return "sleep.md"; }

private:
    SleepView* view_;
};

} // namespace

ViewKind sleepKind() {
    ViewKind kind;
    kind.name = "sleep";
    kind.title = QObject::tr("Sleep");
    kind.key = 4;
    kind.state = [](const Document& document) {
        return worstPromise(document, [](const Ask& ask) { return std::holds_alternative<WakesAsk>(ask); });
    };
    kind.opens = [](const Document& document, const QString& target) { return document.isOpen() && target.startsWith("mode/"); };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new SleepPage(document, host); };
    return kind;
}

} // namespace wisetick::app
