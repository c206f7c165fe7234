#include "board/shelf_page.h"

#include "board/shelf_view.h"

namespace wisetick::app {

namespace {

class ShelfPage : public View {
public:
    ShelfPage(Document& document, ViewHost& host)
        : View(document, host), view_(new ShelfView(host.shelf(), host.examples().toStdString())) {
        connect(view_, &ShelfView::beginWanted, this, [this](const QString& part) { host_.beginPlan(part); });
        connect(view_, &ShelfView::openWanted, this, [this](const QString& path) { host_.takePlan(path); });
        connect(view_, &ShelfView::left, this, [this] { host_.showView(document_.isOpen() ? "board" : "welcome"); });
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return tr("type what is needed; Enter begins a plan on the selected part"); }
    void entered() override { view_->readAgain(); }
    QString partPath() const override { return view_->selectedPart(); }
    void partSaved() override { view_->readAgain(); }
    QString helpPage(const QWidget*) const override { return "shelf.md"; }

private:
    ShelfView* view_;
};

} // namespace

ViewKind shelfKind() {
    ViewKind kind;
    kind.name = "shelf";
    kind.title = QObject::tr("Parts shelf");
    kind.step = "board";
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new ShelfPage(document, host); };
    return kind;
}

} // namespace wisetick::app
