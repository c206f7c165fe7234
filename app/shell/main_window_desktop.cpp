// What a desktop expects of a window: menus, settings, several windows, what was open last, files that are dropped, help.

#include "shell/main_window.h"

#include "paint/text.h"
#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/ripple_panel.h"
#include "shell/settings_window.h"
#include "shell/toast.h"
#include "shell/tour.h"
#include "shell/views.h"

#include <QAction>
#include <QApplication>
#include <QDir>
#include <QDropEvent>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenuBar>
#include <QMimeData>
#include <QSettings>
#include <QSplitter>
#include <QTimer>

namespace wisetick::app {

namespace {

const QString kOpenLast = "window/open";
bool isQuitting = false; ///< what is open is kept as a whole, not window by window

QList<MainWindow*> allWindows() {
    QList<MainWindow*> all;
    for (QWidget* each : QApplication::topLevelWidgets()) {
        if (auto* window = qobject_cast<MainWindow*>(each); window != nullptr && window->isVisible()) {
            all << window;
        }
    }
    return all;
}

/// The plans that are open in windows, but one.
QStringList openPlans(const MainWindow* without) {
    QStringList paths;
    for (MainWindow* each : allWindows()) {
        if (each != without && !each->document().path().isEmpty()) {
            paths << QFileInfo(each->document().path()).absoluteFilePath();
        }
    }
    return paths;
}

/// Whether those keys are the window's although a line has the focus: a line knows keys of its own, such as Ctrl+K for
/// deleting what is right of the cursor. What all lines have, and undoing what was typed, stays with the line.
bool isCommandFor(const QKeyEvent& keys, const QLineEdit& line) {
    for (const QKeySequence::StandardKey own :
         {QKeySequence::Cut, QKeySequence::Copy, QKeySequence::Paste, QKeySequence::SelectAll}) {
        if (keys.matches(own)) {
            return false;
        }
    }
    if ((keys.matches(QKeySequence::Undo) && line.isUndoAvailable()) ||
        (keys.matches(QKeySequence::Redo) && line.isRedoAvailable())) {
        return false;
    }
    const QKeySequence pressed(keys.keyCombination());
    const QList<QAction*> commands = line.window()->actions();
    return std::any_of(commands.begin(), commands.end(), [&](const QAction* each) { return each->shortcut() == pressed; });
}

} // namespace

void MainWindow::makeMenus() {
    const QStringList titles{tr("&File"), tr("&Edit"), tr("&View"), tr("&Plan"), tr("&Help")};
    for (std::size_t i = 0; i < menus_.size(); ++i) {
        menus_[i] = menuBar()->addMenu(titles[static_cast<int>(i)]);
        menus_[i]->setAttribute(Qt::WA_WindowPropagation); // of the theme of the window
        connect(menus_[i], &QMenu::aboutToHide, this, &MainWindow::hideMenus);
    }
    menuBar()->installEventFilter(this);
    qApp->installEventFilter(this);
}

void MainWindow::openMenus() {
    menuBar()->show();
    menuBar()->setFocus(Qt::MenuBarFocusReason);
    menuBar()->setActiveAction(menus_.front()->menuAction());
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event) {
    if (watched == menuBar() && event->type() == QEvent::FocusOut) {
        hideMenus();
    }
    auto* line = event->type() == QEvent::ShortcutOverride ? qobject_cast<QLineEdit*>(watched) : nullptr;
    if (line != nullptr && isAncestorOf(line) && isCommandFor(*static_cast<QKeyEvent*>(event), *line)) {
        event->ignore(); // the line would take it for itself
        return true;
    }
    return QMainWindow::eventFilter(watched, event);
}

/// Where they were shown for a moment only.
void MainWindow::hideMenus() {
    QTimer::singleShot(0, this, [this] { // a neighbour may open at once
        if (!settings_.hasMenuBar && QApplication::activePopupWidget() == nullptr && !menuBar()->hasFocus()) {
            menuBar()->hide();
        }
    });
}

void MainWindow::showPalette() {
    auto* palette = new CommandPalette(actions(), theme_, this);
    palette->addDocuments([this]() -> const DocIndex& { return docs(); },
                          [this](const DocPlace& at) { showHelp(at.page, at.heading == at.title ? QString() : at.heading); });
    palette->open();
}

/// What was done, the newest first; where the plan stands is where the list begins.
void MainWindow::showHistory() {
    const QStringList history = document_.isOpen() ? document_.history() : QStringList();
    QList<QAction*> actions;
    int current = 0;
    for (int i = static_cast<int>(history.size()) - 1; i >= 0; --i) {
        const auto entry = static_cast<std::size_t>(i);
        const bool isHere = entry == document_.present();
        current = isHere ? static_cast<int>(actions.size()) : current;
        actions << new QAction(isHere                        ? tr("%1 \u2190 here").arg(history[i])
                               : entry > document_.present() ? tr("%1 (taken back)").arg(history[i])
                                                             : history[i]);
        connect(actions.back(), &QAction::triggered, this, [this, entry] { document_.goTo(entry); });
    }
    auto* list = new CommandPalette(actions, theme_, this);
    list->setAccessibleName(tr("All that was done"));
    list->setWords(tr("Type a part of what was done"),
                   actions.isEmpty() ? tr("nothing was done yet") : tr("nothing has these letters"));
    for (QAction* action : std::as_const(actions)) {
        action->setParent(list);
    }
    list->open(current);
}

const DocIndex& MainWindow::docs() {
    if (docs_ == nullptr) {
        docs_ = std::make_unique<DocIndex>(documents_);
    }
    return *docs_;
}

void MainWindow::showHelp(const QString& page, const QString& heading) {
    if (help_ == nullptr) {
        help_ = new Help(documents_, page, theme_, this);
    }
    if (help_->page() != page || !heading.isEmpty()) {
        help_->showPage(page, heading);
    }
    help_->show();
    help_->raise();
    help_->activateWindow();
}

void MainWindow::showSettings() {
    auto* window = new SettingsWindow(settings_, actions(), this);
    window->setAttribute(Qt::WA_DeleteOnClose);
    connect(window, &SettingsWindow::changed, this, &MainWindow::applySettings);
    window->show();
}

void MainWindow::applySettings(const Settings& settings) {
    static const QFont desktop = QApplication::font(); // as it was at the start
    const Settings before = settings_;
    settings_ = settings;
    if (settings.fontPoints != before.fontPoints) {
        QFont font = desktop;
        font.setPointSizeF(settings.fontPoints > 0 ? settings.fontPoints : desktop.pointSizeF());
        QApplication::setFont(font);
    }
    menuBar()->setVisible(settings.hasMenuBar);
    head_->setDigits(settings.digits);
    document_.setAsideAfter(settings.asideAfter * 1000);
    toast_->setMotion(settings.hasMotion);
    applyKeys();
    setTheme(settings.theme());
    if (remembers_) {
        settings.write();
    }
}

void MainWindow::applyKeys() {
    for (const auto& [action, keys] : ownKeys_) {
        const auto other = settings_.keys.find(action->objectName());
        action->setShortcut(other == settings_.keys.end() ? keys : QKeySequence(*other, QKeySequence::PortableText));
    }
}

void MainWindow::beginTour() {
    const QString example = examples_ + "/orchard-sprayer.plan.toml";
    if (QFileInfo(document_.path()).canonicalFilePath() != QFileInfo(example).canonicalFilePath() || !document_.isOpen()) {
        takePlan(example);
    }
    if (document_.isOpen()) {
        showView(kFirstView);
        tour_->begin();
    }
}

void MainWindow::tellDone(const QString& what) {
    toast_->tell(what);
}

MainWindow* MainWindow::showing(const QString& path) {
    const QString wanted = QFileInfo(path).canonicalFilePath();
    for (MainWindow* each : allWindows()) {
        if (!wanted.isEmpty() && each->document_.isOpen() && QFileInfo(each->document_.path()).canonicalFilePath() == wanted) {
            return each;
        }
    }
    return nullptr;
}

MainWindow* MainWindow::another(const QString& path) {
    auto* window = new MainWindow(shelf_, path);
    window->setAttribute(Qt::WA_DeleteOnClose);
    window->setDocuments(documents_);
    window->setExamples(examples_);
    window->setOwnParts(ownParts_);
    window->setRecoveryFolder(recovery_);
    window->applySettings(settings_);
    window->remembers_ = remembers_;
    window->resize(size());
    window->show();
    if (path.isEmpty()) {
        window->showView(kWelcome);
    }
    return window;
}

void MainWindow::comeForward() {
    setWindowState(windowState() & ~Qt::WindowMinimized);
    show();
    raise();
    activateWindow();
}

/// Says beside the file that it is open here; where somebody else said so, the user is told.
void MainWindow::holdPlan() {
    const auto holder = leavesNoTrace_ ? std::nullopt : lock_.take(document_.path());
    if (holder) {
        const QString where = holder->process != 0 ? tr("in another window") : tr("on %1").arg(holder->machine);
        notice_->tell("held", tr("%1 is open %2 too: what is saved there and what is saved here write over one another.")
                                  .arg(QFileInfo(document_.path()).fileName(), where));
    } else {
        notice_->withdraw("held");
    }
}

void MainWindow::remember() {
    remembers_ = true;
    restoreKept();
}

QStringList MainWindow::openLast() {
    QStringList paths = QSettings().value(kOpenLast).toStringList();
    paths.removeIf([](const QString& path) { return !QFileInfo::exists(path); });
    return paths;
}

void MainWindow::keepState() {
    if (!remembers_) {
        return;
    }
    QSettings kept;
    kept.setValue("window/geometry", saveGeometry());
    kept.setValue("window/columns", columns_->saveState());
    kept.setValue("window/upper", upper_->saveState());
    kept.setValue("window/ripple", ripple_->mostRows());
    kept.setValue("window/view", shown_->kind.name);
    if (!isQuitting) {
        const QStringList others = openPlans(this);
        kept.setValue(kOpenLast, !others.isEmpty() || document_.path().isEmpty()
                                     ? others
                                     : QStringList{QFileInfo(document_.path()).absoluteFilePath()});
    }
}

void MainWindow::restoreKept() {
    const QSettings kept;
    applySettings(Settings::read());
    restoreGeometry(kept.value("window/geometry").toByteArray());
    columns_->restoreState(kept.value("window/columns").toByteArray());
    upper_->restoreState(kept.value("window/upper").toByteArray());
    ripple_->setMostRows(kept.value("window/ripple", ripple_->mostRows()).toInt());
    const QString view = kept.value("window/view").toString();
    if (document_.isOpen() && !view.isEmpty() && view != kWelcome) {
        showView(view);
    }
}

/// All windows; what is open is kept as a whole, unless one of them stays.
void MainWindow::quit() {
    if (remembers_) {
        QSettings().setValue(kOpenLast, openPlans(nullptr));
    }
    isQuitting = true;
    QApplication::closeAllWindows();
    const bool areGone = allWindows().isEmpty();
    isQuitting = false;
    if (!areGone && remembers_) {
        QSettings().setValue(kOpenLast, openPlans(nullptr));
    }
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    const QList<QUrl> urls = event->mimeData()->urls();
    const QString path = urls.size() == 1 ? urls.front().toLocalFile() : QString();
    const bool isTaken = std::any_of(places_.begin(), places_.end(), [&](const Place& place) {
        return document_.isOpen() && std::any_of(place.kind.endings.begin(), place.kind.endings.end(),
                                                 [&](const QString& ending) { return path.endsWith(ending); });
    });
    if (path.endsWith(".plan.toml") || path.endsWith(".part.toml") || isTaken) {
        event->acceptProposedAction();
    }
}

void MainWindow::dropEvent(QDropEvent* event) {
    const QString path = event->mimeData()->urls().front().toLocalFile();
    if (path.endsWith(".plan.toml")) {
        if (mayLeave()) {
            openPlan(path);
        }
        return;
    }
    if (path.endsWith(".part.toml")) {
        editPart(path);
        return;
    }
    for (Place& place : places_) {
        const auto& endings = place.kind.endings;
        if (std::any_of(endings.begin(), endings.end(), [&](const QString& ending) { return path.endsWith(ending); })) {
            showView(place.kind.name);
            place.view->takeFile(path);
        }
    }
}

} // namespace wisetick::app
