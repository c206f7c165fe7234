#include "takes/takes_page.h"

#include "evaluate/takes_that_count.h"
#include "paint/tool_links.h"
#include "takes/takes_view.h"

namespace wisetick::app {

namespace {

class TakesPage : public View {
public:
    TakesPage(Document& document, ViewHost& host)
        : View(document, host), view_(new TakesView(document)),
          links_(new ToolLinks(tr("What can be done with the selected take"))) {
        connect(view_, &TakesView::targetWanted, this, [this](const Target& target) {
            if (!target.isNothing()) {
                host_.explain(target);
            }
        });
        connect(view_, &TakesView::hintChanged, this, [this] {
            styleLinks();
            emit hintChanged();
        });
        styleLinks();
    }

    QWidget* widget() override { return view_; }
    QWidget* tool() override { return links_; }
    void setTheme(const Theme& theme) override {
        theme_ = theme;
        view_->setTheme(theme);
        styleLinks();
    }
    QString hint() const override {
        return document_.isOpen() ? tr("%n takes", nullptr, static_cast<int>(document_.plan().takes.size())) : QString();
    }
    bool isBusy() const override { return view_->isBusy(); }
    void entered() override { view_->follow(); }
    QString helpPage(const QWidget*) const override { return "window.md"; }
    TakesView& view() { return *view_; }

private:
    void styleLinks() {
        const auto link = [this](const QString& name, void (TakesView::*run)()) {
            return ToolLinks::Link{name, [this, run] {
                                       view_->setFocus(); // which what is run may give on
                                       (view_->*run)();
                                   }};
        };
        links_->setLinks(
            {link(tr("make active"), &TakesView::activate), link(tr("add"), &TakesView::addTake),
             link(tr("copy"), &TakesView::copyTake), link(tr("rename"), &TakesView::renameTake),
             link(tr("delete"), &TakesView::deleteTake),
             link(view_->showsDifferencesOnly() ? tr("show all") : tr("only what differs"), &TakesView::switchDifferences)},
            theme_);
    }

    Theme theme_ = lightTheme();
    TakesView* view_;
    ToolLinks* links_;
};

} // namespace

ViewKind takesKind() {
    ViewKind kind;
    kind.name = "takes";
    kind.title = QObject::tr("Takes");
    kind.key = 8;
    kind.state = [](const Document& document) { return holdsOf(document.figures(), true).state; };
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new TakesPage(document, host); };
    return kind;
}

} // namespace wisetick::app
