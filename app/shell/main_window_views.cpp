// The views in the middle of the window: made when they are first shown.

#include "shell/main_window.h"

#include "board/board_view.h"
#include "board/shelf_view.h"
#include "clocks/clocks_view.h"
#include "desk/desk_view.h"
#include "promises/promises_column.h"
#include "rhythm/rhythm_view.h"
#include "sleep/sleep_view.h"
#include "workings/workings_panel.h"

#include <QLabel>
#include <QLineEdit>
#include <QStackedWidget>

#include <map>

namespace wisetick::app {

/// The view of that name, made where it was not shown yet.
QWidget* MainWindow::viewNamed(const QString& name) {
    if (name == "board" && board_ == nullptr) {
        board_ = new BoardView(document_);
        board_->setTheme(theme_);
        views_->addWidget(board_);
    }
    if (name == "promises" && desk_ == nullptr) {
        desk_ = new DeskView(document_);
        desk_->setTheme(theme_);
        desk_->show(promises_->cards()->selected());
        views_->addWidget(desk_);
    }
    if (name == "shelf" && shelfView_ == nullptr) {
        shelfView_ = new ShelfView(shelf_, examples_.toStdString());
        shelfView_->setTheme(theme_);
        views_->addWidget(shelfView_);
        connect(shelfView_, &ShelfView::beginWanted, this, &MainWindow::beginPlan);
        connect(shelfView_, &ShelfView::openWanted, this, [this](const QString& path) {
            if (mayLeave() && openPlan(path)) {
                showView("clocks");
            }
        });
        connect(shelfView_, &ShelfView::left, this, [this] { showView(document_.isOpen() ? "board" : "clocks"); });
    }
    if (name == "sleep" && sleep_ == nullptr) {
        sleep_ = new SleepView(document_);
        sleep_->setTheme(theme_);
        views_->addWidget(sleep_);
        connect(sleep_, &SleepView::targetWanted, this, [this](const QString& target) {
            if (target.startsWith("promise/")) {
                promises_->cards()->select(target.section('/', 1));
            } else {
                workings_->show(target);
            }
        });
    }
    if (name == "rhythm" && rhythm_ == nullptr) {
        rhythm_ = new RhythmView(document_);
        rhythm_->setTheme(theme_);
        views_->addWidget(rhythm_);
        connect(rhythm_, &RhythmView::targetWanted, workings_, &WorkingsPanel::show);
    }
    const std::map<QString, QWidget*> views{
        {"board", board_}, {"shelf", shelfView_}, {"promises", desk_}, {"sleep", sleep_}, {"rhythm", rhythm_}};
    const auto view = views.find(name);
    return view == views.end() ? clocks_ : view->second;
}

bool MainWindow::isShown(const QWidget* view) const {
    return view != nullptr && views_->currentWidget() == view;
}

void MainWindow::showView(const QString& name) {
    QWidget* view = viewNamed(name);
    if (view == shelfView_ && !isShown(view)) {
        shelfView_->readAgain();
    }
    views_->setCurrentWidget(view);
    view->setFocus();
    if (view != clocks_) {
        hideSeek(); // it lies over the clocks
    }
    const std::map<QWidget*, QString> titles{{board_, tr("Board")},
                                             {shelfView_, tr("Parts shelf")},
                                             {desk_, tr("Promises")},
                                             {sleep_, tr("Sleep")},
                                             {rhythm_, tr("Rhythm")}};
    const auto title = titles.find(view);
    viewTitle_->setText(title == titles.end() ? tr("Clocks") : title->second);
    find_->setVisible(isShown(clocks_));
    sayView();
    styleTitles();
    if (view == sleep_ && document_.isOpen()) {
        workings_->show("mode/" + sleep_->selected());
    } else if (view == rhythm_ && document_.isOpen()) {
        workings_->show(document_.plan().board.battery ? "rhythm/life" : "rhythm/average");
    }
}

void MainWindow::sayView() {
    if (isShown(board_)) {
        viewHint_->setText(tr("what stands there, and what follows; Enter edits a row"));
        return;
    }
    if (isShown(shelfView_)) {
        viewHint_->setText(tr("type what is needed; Enter begins a plan on the selected part"));
        return;
    }
    if (isShown(desk_)) {
        viewHint_->setText(tr("the desk of the selected promise: what its setting does, and every other way"));
        return;
    }
    if (isShown(sleep_)) {
        viewHint_->setText(tr("what goes on in each mode, and what may wake it; Enter rests there"));
        return;
    }
    if (isShown(rhythm_)) {
        viewHint_->setText(tr("each lane a job; what it draws is played below; + and \u2212 zoom"));
        return;
    }
    QStringList said;
    if (clocks_->hidesOff()) {
        said << tr("what is off is hidden");
    }
    if (showsFeeding_) {
        said << tr("only what feeds %1").arg(promises_->cards()->selected());
    }
    if (!clocks_->ghost().isEmpty()) {
        said << tr("hollow: take %1").arg(clocks_->ghost());
    } else if (clocks_->hasGhost()) {
        said << tr("hollow: the found take");
    }
    if (!clocks_->markedRows().empty()) {
        said << tr("between broken lines: what collides");
    }
    viewHint_->setText(said.isEmpty() ? tr("the needle stands at its rate, the rail is where it may stand")
                                      : said.join(QString::fromUtf8(" \u00b7 ")));
}

} // namespace wisetick::app
