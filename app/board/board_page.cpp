#include "board/board_page.h"

#include "board/board_rows.h"
#include "board/board_view.h"
#include "board/pins_picture.h"
#include "derive/pins.h"
#include "paint/find_line.h"
#include "paint/text.h"
#include "picture/report_picture.h"
#include "plan/board_edits.h"

namespace wisetick::app {

namespace {

class BoardPage : public View {
public:
    BoardPage(Document& document, ViewHost& host)
        : View(document, host), view_(new BoardView(document)), find_(new FindLine(tr("find on the board"), view_)) {
        find_->setObjectName("findOnBoard");
        connect(find_, &QLineEdit::textChanged, view_, &BoardView::find);
        connect(view_, &BoardView::targetWanted, this, [this](const Target& target) { host_.explain(target); });
    }

    QWidget* widget() override { return view_; }
    QWidget* tool() override { return find_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override {
        return message_.isEmpty() ? tr("what stands there, and what follows; Enter edits a row, ← and → move a signal")
                                  : message_;
    }

    /// Finds pins for all signals at once, or says which can't stand together.
    void routeAllSignals() {
        if (!document_.isOpen()) {
            return;
        }
        const Routing routing = routeAll(document_.part(), document_.plan());
        if (!routing.isPossible()) {
            QStringList names;
            for (const std::string& signal : routing.conflict) {
                names << text(signal);
            }
            message_ = tr("%1 can't stand together; without any one of them the others can").arg(names.join(", "));
        } else if (routing.places.empty()) {
            message_ = tr("no signal in use has a choice of pins");
        } else {
            document_.edit(tr("all signals routed"),
                           [places = routing.places](Plan& plan) { return routeSignals(plan, places); });
            message_ = tr("all %n signals stand on pins of their own", nullptr, static_cast<int>(routing.places.size()));
        }
        emit hintChanged();
    }

    ReportPictures reportPictures(const Theme& theme) override {
        const auto pins = document_.isOpen() ? pinsPicture(document_.figures(), kReportWidth - 2 * kReportSide) : std::nullopt;
        return pins ? ReportPictures{{"pins", stacked({*pins}, theme)}} : ReportPictures();
    }

    Target subject() override {
        return view_->selected() < view_->rows().size() ? view_->rows()[view_->selected()].about : Target();
    }

    void entered() override {
        message_.clear();
        emit hintChanged();
    }
    QString helpPage(const QWidget* focus) const override {
        return focus != nullptr && (focus == view_ || view_->isAncestorOf(focus)) ? "plan-files.md" : QString();
    }

private:
    BoardView* view_;
    FindLine* find_;
    QString message_; ///< what came of routing; empty: nothing to say
};

State worstOf(const Document& document) {
    return document.isOpen() ? worstOfBoard(document.part(), document.plan(), document.figures()) : State::pending;
}

} // namespace

ViewKind boardKind() {
    ViewKind kind;
    kind.name = "board";
    kind.title = QObject::tr("Board");
    kind.key = 1;
    kind.state = worstOf;
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.commands = {{QObject::tr("Route all signals"), QKeySequence("Ctrl+Shift+U"),
                      [](View& view) { static_cast<BoardPage&>(view).routeAllSignals(); }, true}};
    kind.make = [](Document& document, ViewHost& host) -> View* { return new BoardPage(document, host); };
    return kind;
}

} // namespace wisetick::app
