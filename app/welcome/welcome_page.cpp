#include "welcome/welcome_page.h"

#include "welcome/welcome_view.h"

namespace wisetick::app {

namespace {

class WelcomePage : public View {
public:
    WelcomePage(Document& document, ViewHost& host) : View(document, host), view_(new WelcomeView) {
        view_->setPicture(host.documents() + "/screenshots/clocks-light.png");
        connect(view_, &WelcomeView::exampleWanted, this,
                [this] { host_.takePlan(host_.examples() + "/orchard-sprayer.plan.toml"); });
        connect(view_, &WelcomeView::tourWanted, this, [this] { host_.beginTour(); });
        connect(view_, &WelcomeView::planWanted, this, [this] { host_.showView("shelf"); });
        connect(view_, &WelcomeView::partWanted, this, [this] { host_.editPart({}); });
        connect(view_, &WelcomeView::openWanted, this, [this](const QString& path) { host_.takePlan(path); });
        view_->setRecent(host.recent());
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return {}; }
    void entered() override { view_->setRecent(host_.recent()); }

private:
    WelcomeView* view_;
};

} // namespace

ViewKind welcomeKind() {
    ViewKind kind;
    kind.name = "welcome";
    kind.title = QObject::tr("Welcome");
    kind.state = [](const Document&) { return State::pending; };
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new WelcomePage(document, host); };
    return kind;
}

} // namespace wisetick::app
