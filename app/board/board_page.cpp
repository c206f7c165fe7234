#include "board/board_page.h"

#include "board/board_view.h"

namespace wisetick::app {

namespace {

class BoardPage : public View {
public:
    BoardPage(Document& document, ViewHost& host) : View(document, host), view_(new BoardView(document)) {}

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return tr("what stands there, and what follows; Enter edits a row"); }
    QString helpPage(const QWidget* focus) const override {
        return focus != nullptr && (focus == view_ || view_->isAncestorOf(focus)) ? "plan-files.md" : QString();
    }

private:
    BoardView* view_;
};

State worstPin(const Document& document) {
    State worst = State::kept;
    for (const PinFigure& pin : document.figures().pins) {
        worst = pin.why.empty() ? worst : State::broken;
    }
    return worst;
}

} // namespace

ViewKind boardKind() {
    ViewKind kind;
    kind.name = "board";
    kind.title = QObject::tr("Board");
    kind.key = 1;
    kind.state = worstPin;
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new BoardPage(document, host); };
    return kind;
}

} // namespace wisetick::app
