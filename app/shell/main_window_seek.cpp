// Seek in the window: opened over the clocks, and what it shows in them.

#include "shell/main_window.h"

#include "clocks/clocks_view.h"
#include "promises/promises_column.h"
#include "seek/seek_panel.h"
#include "shell/ripple_panel.h"
#include "workings/workings_panel.h"

#include <QAction>
#include <QSplitter>
#include <QStackedWidget>

namespace wisetick::app {

void MainWindow::addSeekCommands() {
    addCommand(tr("Seek takes that keep wishes"), QKeySequence("Ctrl+K"), [this] { openSeek(); });
    addCommand(tr("Wish for the selected clock as it is, in Seek"), QKeySequence("Ctrl+Shift+K"), [this] {
        if (document_.isOpen()) {
            const QString line = clocks_->selected();
            openSeek();
            seek_->asked()->wishAsItIs(line);
        }
    });
    connect(clocks_, &ClocksView::rateWanted, this, [this](const QString& line, const Rational& hertz) {
        showSeek(); // the row keeps the keys: what is near is offered there
        seek_->asked()->wish(line, hertz);
    });
    connect(clocks_, &ClocksView::seekWanted, this, [this] {
        showSeek();
        seek_->focusFound();
    });
    connect(clocks_, &ClocksView::left, this, [this] {
        if (seek_ != nullptr && seek_->isVisible()) {
            seek_->end();
        }
    });
}

void MainWindow::openSeek() {
    if (!document_.isOpen()) {
        return;
    }
    if (!isShown(clocks_)) {
        showView("clocks");
    }
    showSeek();
    seek_->asked()->focusEntry();
}

void MainWindow::showSeek() {
    if (seek_ == nullptr) {
        seek_ = new SeekPanel(document_);
        seek_->setTheme(theme_);
        seek_->hide();
        work_->addWidget(seek_);
        work_->setStretchFactor(0, 1);
        work_->setStretchFactor(1, 0);
        connect(seek_, &SeekPanel::closed, this, [this] {
            seek_->hide();
            ripple_->show();
            clocks_->setFocus();
        });
        connect(seek_, &SeekPanel::ghostWanted, this, [this](const Figures* figures) {
            clocks_->showGhost(figures);
            sayView();
        });
        connect(seek_, &SeekPanel::rowsMarked, this, [this](const std::set<NodeIndex>& nodes) {
            clocks_->markRows(nodes);
            sayView();
        });
    }
    if (seek_->isVisible()) {
        return;
    }
    ripple_->hide(); // what moved is told when something was taken
    seek_->show();
    const int height = work_->height();
    const int own = std::max(seek_->minimumSizeHint().height(), height / 2);
    work_->setSizes({height - own, own});
    seek_->begin();
}

void MainWindow::hideSeek() {
    if (seek_ != nullptr && seek_->isVisible()) {
        seek_->end();
    }
}

} // namespace wisetick::app
