// The views in the middle of the window: made when they are first shown, and what they want of it.

#include "shell/main_window.h"

#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/ripple_panel.h"
#include "shell/trail_button.h"
#include "shell/views.h"
#include "workings/workings_panel.h"

#include <QAction>
#include <QCoreApplication>
#include <QLabel>
#include <QLayout>
#include <QMenu>
#include <QSplitter>
#include <QStackedWidget>

#include <algorithm>

namespace wisetick::app {

MainWindow::Place& MainWindow::placeOf(const QString& name) {
    const auto named = [&](const QString& wanted) {
        return std::find_if(places_.begin(), places_.end(), [&](const Place& place) { return place.kind.name == wanted; });
    };
    const auto found = named(name);
    return found != places_.end() ? *found : *named(kFirstView);
}

/// The view of a place, made where it was not shown yet.
View& MainWindow::viewAt(Place& place) {
    if (place.view == nullptr) {
        place.view = place.kind.make(document_, *this);
        place.view->setParent(this);
        place.view->setTheme(theme_);
        stack_->addWidget(place.view->widget());
        if (QWidget* tool = place.view->tool()) {
            tool->hide(); // of all that stand there, that of the view that is shown is seen
            tools_->layout()->addWidget(tool);
        }
        orderTabs();
        connect(place.view, &View::hintChanged, this, &MainWindow::sayView);
    }
    return *place.view;
}

/// Tab goes as one reads: promises, trail, the view with its tool, what stands below it, workings, vitals. A view that is made
/// later stands last in Qt's own order.
void MainWindow::orderTabs() {
    const auto steps = trail_->findChildren<TrailButton*>();
    std::vector<Qt::FocusPolicy> policies;
    for (TrailButton* step : steps) { // each may be the one that is shown some day; what takes no focus is given no place
        policies.push_back(step->focusPolicy());
        step->setFocusPolicy(Qt::TabFocus);
    }
    const QWidgetList panels{promises_, trail_, tools_, stack_, ripple_, below_, right_, head_};
    std::vector<QWidgetList> found(static_cast<std::size_t>(panels.size()));
    for (QWidget* each = nextInFocusChain(); each != nullptr && each != this; each = each->nextInFocusChain()) {
        for (qsizetype i = 0; i < panels.size() && (each->focusPolicy() & Qt::TabFocus) != 0; ++i) {
            if (panels[i] != nullptr && (panels[i] == each || panels[i]->isAncestorOf(each))) {
                found[static_cast<std::size_t>(i)] << each;
            }
        }
    }
    QWidget* before = nullptr;
    for (const QWidgetList& panel : found) {
        for (QWidget* each : panel) {
            if (before != nullptr) {
                setTabOrder(before, each);
            }
            before = each;
        }
    }
    for (qsizetype i = 0; i < steps.size(); ++i) {
        steps[i]->setFocusPolicy(policies[static_cast<std::size_t>(i)]);
    }
}

ReportPictures MainWindow::reportPictures() {
    document_.playNow();
    while (document_.isPlaying()) { // the jobs are in the pictures
        QCoreApplication::processEvents(QEventLoop::ExcludeUserInputEvents | QEventLoop::WaitForMoreEvents);
    }
    ReportPictures pictures;
    for (Place& place : places_) {
        pictures.merge(viewAt(place).reportPictures(lightTheme()));
    }
    return pictures;
}

void MainWindow::showView(const QString& name) {
    Place& place = placeOf(name);
    View& view = viewAt(place);
    if (shown_ != &place) {
        shown_->view->left();
        shown_ = &place;
        view.entered();
    }
    stack_->setCurrentWidget(view.widget());
    view.widget()->setFocus();
    sayView();
    styleTitles();
    if (const Target subject = view.subject(); !subject.isNothing()) {
        explain(subject);
    }
}

void MainWindow::sayView() {
    for (Place& place : places_) {
        if (place.step != nullptr) {
            place.step->setState(document_.isOpen() ? std::optional(place.kind.state(document_)) : std::nullopt);
        }
    }
    viewTitle_->setText(shown_->kind.title);
    viewHint_->setText(shown_->view->hint());
    showBesides();
}

/// What stands beside a view, and of the tools that of the one that is shown: while there is a plan to do something with.
void MainWindow::showBesides() {
    promises_->setVisible(document_.isOpen());
    right_->setVisible(document_.isOpen());
    ripple_->setVisible(document_.isOpen() && (below_ == nullptr || below_->isHidden()));
    QWidget* tool = document_.isOpen() ? shown_->view->tool() : nullptr;
    for (const Place& place : places_) {
        if (QWidget* each = place.view != nullptr ? place.view->tool() : nullptr) {
            each->setVisible(each == tool);
        }
    }
    tools_->setVisible(tool != nullptr);
}

bool MainWindow::isBusy() const {
    return workings_->isBusy() || std::any_of(places_.begin(), places_.end(),
                                              [](const Place& place) { return place.view != nullptr && place.view->isBusy(); });
}

void MainWindow::addViewCommands() {
    for (Place& place : places_) {
        if (place.kind.key > 0) {
            addCommand(Menu::view, tr("Go to %1").arg(place.kind.title), QKeySequence(QString("Alt+%1").arg(place.kind.key)),
                       [this, name = place.kind.name] { showView(name); });
        }
        QMenu* menu = menus_[static_cast<std::size_t>(Menu::plan)];
        QMenu* own = place.kind.commands.size() > 1 ? menu->addMenu(place.kind.title) : nullptr;
        if (own != nullptr) {
            own->setAttribute(Qt::WA_WindowPropagation); // of the theme of the window
        }
        for (const ViewCommand& command : place.kind.commands) {
            const auto act = [this, &place, run = command.run, enters = command.enters] {
                if (enters && shown_ != &place) {
                    showView(place.kind.name);
                } else if (enters && !place.view->widget()->isAncestorOf(focusWidget())) {
                    place.view->widget()->setFocus();
                }
                run(viewAt(place));
            };
            QAction* action = addPlanCommand(Menu::plan, command.name, command.keys, act);
            if (own != nullptr) { // a view's commands stand together
                menu->removeAction(action);
                own->addAction(action);
                action->setProperty(kGroup, place.kind.title);
            }
        }
    }
}

void MainWindow::explain(const Target& target) {
    if (!isQuiet_) {
        workings_->show(target);
    }
}

QString MainWindow::selectedPromise() const {
    return promises_->cards()->selected();
}

void MainWindow::takePlan(const QString& path) {
    if (mayLeave() && openPlan(path)) {
        showView(kFirstView);
    }
}

void MainWindow::showBelow(QWidget* panel) {
    if (panel == nullptr) {
        if (below_ != nullptr) {
            below_->hide();
        }
        ripple_->show();
        return;
    }
    below_ = panel;
    if (work_->indexOf(panel) < 0) {
        work_->addWidget(panel);
        work_->setStretchFactor(0, 1);
        work_->setStretchFactor(1, 0);
        orderTabs();
    }
    ripple_->hide(); // what moved is told when something was taken
    panel->show();
    const int height = work_->height();
    const int own = std::max(panel->minimumSizeHint().height(), height / 2);
    work_->setSizes({height - own, own});
}

} // namespace wisetick::app
