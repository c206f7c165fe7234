#include "shell/main_window.h"

#include "clocks/clocks_view.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/ripple_panel.h"
#include "takes/takes_window.h"
#include "workings/workings_panel.h"

#include <QAction>
#include <QApplication>
#include <QClipboard>
#include <QCloseEvent>
#include <QDateTime>
#include <QDropEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMessageBox>
#include <QMimeData>
#include <QPainter>
#include <QSettings>
#include <QSignalBlocker>
#include <QSplitter>
#include <QTimer>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

QString text(const std::string& value) {
    return QString::fromStdString(value);
}

QWidget* column(std::initializer_list<QWidget*> fixed, QWidget* growing, QWidget* below = nullptr) {
    auto* widget = new QWidget;
    widget->setAutoFillBackground(true);
    auto* layout = new QVBoxLayout(widget);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    for (QWidget* each : fixed) {
        layout->addWidget(each);
    }
    layout->addWidget(growing, 1);
    if (below != nullptr) {
        layout->addWidget(below);
    }
    return widget;
}

const QString kRecent = "recent";
constexpr int kRememberAfter = 100; ///< ms: writing it can wait until the plan is on screen

const Theme& desktopTheme() {
    return QApplication::palette().color(QPalette::Window).lightness() < 128 ? darkTheme() : lightTheme();
}

} // namespace

MainWindow::MainWindow(Shelf shelf, const QString& path, QWidget* parent)
    : QMainWindow(parent), document_(shelf), shelf_(std::move(shelf)) {
    const Diagnostics opened = path.isEmpty() ? Diagnostics() : document_.open(path);
    setWindowTitle("Wise Tick");
    setAcceptDrops(true);
    resize(1280, 800);
    head_ = new Head(document_);
    trailClocks_ = new QLabel(tr("Clocks"));
    trailKeys_ = new QLabel(tr("Ctrl+Shift+P all commands"));
    trail_ = new QWidget;
    trail_->setAutoFillBackground(true);
    auto* trailLayout = new QHBoxLayout(trail_);
    trailLayout->setContentsMargins(12, 4, 12, 4);
    trailMark_ = new QLabel;
    trailLayout->addWidget(trailMark_);
    trailLayout->addWidget(trailClocks_);
    trailLayout->addStretch();
    trailLayout->addWidget(trailKeys_);
    promises_ = new PromisesColumn(document_);
    viewTitle_ = new QLabel(tr("Clocks"));
    viewHint_ = new QLabel;
    find_ = new QLineEdit;
    find_->setPlaceholderText(tr("find a clock"));
    find_->setAccessibleName(tr("Find a clock"));
    find_->setMaximumWidth(180);
    auto* viewHead = new QWidget;
    auto* viewHeadLayout = new QHBoxLayout(viewHead);
    viewHeadLayout->setContentsMargins(16, 10, 16, 4);
    viewHeadLayout->addWidget(viewTitle_);
    viewHeadLayout->addWidget(viewHint_, 1);
    viewHeadLayout->addWidget(find_);
    faults_ = new QListWidget;
    faults_->setFrameShape(QFrame::NoFrame);
    faults_->setWordWrap(true);
    faults_->setSpacing(6);
    faults_->setResizeMode(QListView::Adjust);
    faults_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    faults_->setAccessibleName(tr("Faults of the file"));
    faults_->hide();
    notice_ = new Notice;
    clocks_ = new ClocksView(document_);
    ripple_ = new RipplePanel(document_);
    middle_ = column({notice_, faults_, viewHead}, clocks_, ripple_);
    workings_ = new WorkingsPanel(document_);
    workingsTitle_ = new QLabel(tr("Workings"));
    workingsTitle_->setContentsMargins(12, 12, 12, 4);
    right_ = column({workingsTitle_}, workings_);
    workings_->document()->setDocumentMargin(12);
    auto* splitter = new QSplitter;
    splitter->setHandleWidth(1);
    splitter->setChildrenCollapsible(false);
    splitter->addWidget(promises_);
    splitter->addWidget(middle_);
    splitter->addWidget(right_);
    splitter->setStretchFactor(0, 0);
    splitter->setStretchFactor(1, 1);
    splitter->setStretchFactor(2, 0);
    splitter->setSizes({290, 640, 350});
    setCentralWidget(column({head_, trail_}, splitter));
    addCommands();
    addClockCommands();
    sayView();
    connect(find_, &QLineEdit::textChanged, clocks_, &ClocksView::find);
    connect(find_, &QLineEdit::returnPressed, this, [this] { clocks_->setFocus(); });
    connect(head_, &Head::causeWanted, this, &MainWindow::goTo);
    connect(ripple_, &RipplePanel::targetWanted, this, &MainWindow::goTo);
    connect(workings_, &WorkingsPanel::targetWanted, this, &MainWindow::goTo);
    connect(clocks_, &ClocksView::selectionChanged, this, [this](const QString& id) { workings_->show("line/" + id); });
    connect(promises_->cards(), &PromiseCards::selectionChanged, this, [this](const QString& name) {
        workings_->show("promise/" + name);
        if (showsFeeding_) {
            clocks_->showWhatFeeds(name);
            sayView();
        }
    });
    connect(&document_, &Document::changed, this, &MainWindow::refresh);
    connect(&document_, &Document::changedOnDisk, this, [this] {
        notice_->tell(tr("%1 was changed by another program.").arg(QFileInfo(document_.path()).fileName()),
                      {{tr("Take it"), [this] { showFaults(document_.reload()); }}, {tr("Keep mine"), [] {}}});
    });
    setTheme(desktopTheme());
    if (!path.isEmpty()) {
        showOpened(path, opened);
    }
}

QAction* MainWindow::addCommand(const QString& name, const QKeySequence& keys, const std::function<void()>& run) {
    auto* action = new QAction(name, this);
    action->setShortcut(keys);
    connect(action, &QAction::triggered, this, run);
    addAction(action);
    return action;
}

void MainWindow::addCommands() {
    addCommand(tr("New plan"), QKeySequence("Ctrl+N"), [this] { choosePart(); });
    addCommand(tr("Open a recent plan"), QKeySequence("Ctrl+R"), [this] { chooseRecent(); });
    addCommand(tr("Help on what has the focus"), QKeySequence("F1"), [this] {
        Help help(documents_, helpPage(), theme_, this);
        help.exec();
    });
    addCommand(tr("Open a plan"), QKeySequence::Open, [this] { chooseAndOpen(); });
    save_ = addCommand(tr("Save"), QKeySequence::Save, [this] { save(); });
    saveAs_ = addCommand(tr("Save as"), QKeySequence("Ctrl+Shift+S"), [this] { saveAs(); });
    undo_ = addCommand(tr("Undo"), QKeySequence("Ctrl+Z"), [this] { document_.undo(); });
    redo_ = addCommand(tr("Redo"), QKeySequence("Ctrl+Shift+Z"), [this] { document_.redo(); });
    keep_ = addCommand(tr("Keep"), QKeySequence("Ctrl+Return"), [this] { document_.keep(); });
    addCommand(tr("Type a promise"), QKeySequence("Ctrl+L"), [this] {
        promises_->entry()->setFocus();
        promises_->entry()->selectAll();
    });
    addCommand(tr("Go to Clocks"), QKeySequence("Alt+2"), [this] { clocks_->setFocus(); });
    addCommand(tr("Go to the promises"), QKeySequence("Ctrl+Shift+L"), [this] { promises_->cards()->setFocus(); });
    addCommand(tr("Go to the workings"), QKeySequence("Ctrl+Shift+W"), [this] { workings_->setFocus(); });
    addCommand(tr("Go to the vitals"), QKeySequence("Ctrl+Shift+H"), [this] { head_->setFocus(); });
    addCommand(tr("Light or dark"), QKeySequence("Ctrl+Shift+D"), [this] {
        followsDesktop_ = false; // the user's choice holds from here on
        setTheme(theme_.isDark ? lightTheme() : darkTheme());
    });
    addCommand(tr("All commands"), QKeySequence("Ctrl+Shift+P"), [this] {
        CommandPalette palette(actions(), theme_, this);
        palette.exec();
    });
    addCommand(tr("Quit"), QKeySequence("Ctrl+Q"), [this] { close(); });
}

void MainWindow::addClockCommands() {
    addCommand(tr("Find a clock"), QKeySequence("Ctrl+F"), [this] {
        find_->setFocus();
        find_->selectAll();
    });
    addCommand(tr("Lock or free the clock"), QKeySequence("Ctrl+B"), [this] { clocks_->toggleLock(); });
    addCommand(tr("Fold or unfold the branch"), QKeySequence("Ctrl+Shift+B"), [this] { clocks_->foldBranch(); });
    addCommand(tr("Hide or show what is off"), QKeySequence("Ctrl+Shift+O"), [this] {
        clocks_->hideOff(!clocks_->hidesOff());
        sayView();
    });
    addCommand(tr("Only what feeds the promise, or all"), QKeySequence("Ctrl+Shift+F"), [this] {
        showsFeeding_ = !showsFeeding_;
        clocks_->showWhatFeeds(showsFeeding_ ? promises_->cards()->selected() : QString());
        sayView();
    });
    addCommand(tr("Fit the axis"), QKeySequence("Ctrl+0"), [this] { clocks_->fit(); });
    addCommand(tr("Needles of the next take as ghosts"), QKeySequence("Ctrl+Shift+G"), [this] {
        // none, then each other take in turn
        QStringList takes{QString()};
        for (const Take& take : document_.isOpen() ? document_.plan().takes : std::vector<Take>()) {
            if (take.name != document_.plan().active) {
                takes << text(take.name);
            }
        }
        clocks_->showGhost(takes[(takes.indexOf(clocks_->ghost()) + 1) % takes.size()]);
        sayView();
    });
    addCommand(tr("Takes: compare, add, copy, rename, delete"), QKeySequence("Ctrl+T"), [this] {
        if (document_.isOpen()) {
            TakesWindow takes(document_, theme_, this);
            takes.exec();
        }
    });
    addCommand(tr("The order of writing, from reset"), QKeySequence("Ctrl+Shift+R"), [this] { workings_->show("way/reset"); });
    addCommand(tr("Next take"), QKeySequence("Ctrl+Shift+T"), [this] {
        if (!document_.isOpen()) {
            return;
        }
        const auto& takes = document_.plan().takes;
        const auto active =
            std::find_if(takes.begin(), takes.end(), [&](const Take& each) { return each.name == document_.plan().active; });
        const std::string next = active + 1 == takes.end() ? takes.front().name : (active + 1)->name;
        document_.edit(tr("take %1 active").arg(text(next)), [next](Plan& plan) { plan.active = next; });
    });
    addCommand(tr("Copy the clocks as a picture"), QKeySequence("Ctrl+Shift+C"),
               [this] { QApplication::clipboard()->setPixmap(clocks_->picture()); });
    addCommand(tr("Copy the clocks as SVG"), QKeySequence("Ctrl+Alt+C"), [this] {
        const QByteArray svg = clocks_->svg();
        auto* copied = new QMimeData;
        copied->setData("image/svg+xml", svg);
        copied->setText(QString::fromUtf8(svg));
        QApplication::clipboard()->setMimeData(copied);
    });
}

void MainWindow::sayView() {
    QStringList said;
    if (clocks_->hidesOff()) {
        said << tr("what is off is hidden");
    }
    if (showsFeeding_) {
        said << tr("only what feeds %1").arg(promises_->cards()->selected());
    }
    if (!clocks_->ghost().isEmpty()) {
        said << tr("hollow: take %1").arg(clocks_->ghost());
    }
    viewHint_->setText(said.isEmpty() ? tr("the needle stands at its rate, the rail is where it may stand")
                                      : said.join(QString::fromUtf8(" \u00b7 ")));
}

bool MainWindow::openPlan(const QString& path) {
    return showOpened(path, document_.open(path));
}

bool MainWindow::showOpened(const QString& path, const Diagnostics& diagnostics) {
    showFaults(diagnostics);
    if (hasErrors(diagnostics)) {
        return false;
    }
    QTimer::singleShot(kRememberAfter, this, [whole = QFileInfo(path).absoluteFilePath()] {
        QStringList recent = recentPlans();
        recent.removeAll(whole);
        recent.prepend(whole);
        QSettings().setValue(kRecent, recent.mid(0, 10));
    });
    offerRecovery();
    const QString core = text(document_.figures().lines[document_.part().core].id);
    const QString worst = text(document_.figures().vitals.worstPromise);
    clocks_->setFocus();
    if (worst.isEmpty()) {
        clocks_->select(core);
    } else {
        const QSignalBlocker quiet(clocks_); // what is shown is the worst promise
        clocks_->select(core);
        promises_->cards()->select(worst);
    }
    return true;
}

void MainWindow::showFaults(const Diagnostics& diagnostics) {
    faults_->clear();
    for (const Diagnostic& diagnostic : diagnostics) {
        faults_->addItem(text(diagnosticText(diagnostic)));
    }
    faults_->setVisible(!diagnostics.empty());
    if (diagnostics.empty()) {
        return;
    }
    fitFaults();
    QTimer::singleShot(0, this, &MainWindow::fitFaults); // when the widths are known
    const QString file = QFileInfo(text(diagnostics.front().place.file)).fileName();
    notice_->tell(
        (diagnostics.size() == 1 ? tr("%1 has a fault.").arg(file) : tr("%1 has %2 faults.").arg(file).arg(diagnostics.size())) +
            (document_.isOpen() ? tr(" What was open stays.") : QString()),
        {{tr("Close the list"), [this] { faults_->hide(); }}});
}

/// As high as its faults, up to a third of the window.
void MainWindow::fitFaults() {
    int height = 4;
    for (int row = 0; row < faults_->count(); ++row) {
        height += faults_->visualItemRect(faults_->item(row)).height() + 2 * faults_->spacing();
    }
    faults_->setFixedHeight(std::min(height, this->height() / 3));
}

void MainWindow::resizeEvent(QResizeEvent* event) {
    QMainWindow::resizeEvent(event);
    fitFaults();
}

void MainWindow::offerRecovery() {
    if (document_.hasAutosave()) {
        const QDateTime when = QFileInfo(document_.autosavePath()).lastModified();
        notice_->tell(tr("There are changes of %1 that were never saved.").arg(when.toString("yyyy-MM-dd hh:mm")),
                      {{tr("Take them"), [this] { showFaults(document_.recover()); }},
                       {tr("Forget them"), [this] { document_.forgetAutosave(); }}});
    }
}

QStringList MainWindow::recentPlans() {
    return QSettings().value(kRecent).toStringList();
}

void MainWindow::chooseRecent() {
    QList<QAction*> actions;
    QObject owner;
    for (const QString& path : recentPlans()) {
        auto* action = new QAction(path, &owner);
        connect(action, &QAction::triggered, this, [this, path] {
            if (mayLeave()) {
                openPlan(path);
            }
        });
        actions << action;
    }
    CommandPalette palette(actions, theme_, this);
    palette.exec();
}

void MainWindow::choosePart() {
    QList<QAction*> actions;
    QObject owner;
    for (const std::string& id : partsOnShelf(shelf_)) {
        auto* action = new QAction(tr("on %1").arg(text(id)), &owner);
        connect(action, &QAction::triggered, this, [this, id] {
            if (mayLeave()) {
                showFaults(document_.begin(text(id)));
                clocks_->setFocus();
            }
        });
        actions << action;
    }
    CommandPalette palette(actions, theme_, this);
    palette.exec();
}

QString MainWindow::helpPage() const {
    const QWidget* focus = focusWidget();
    if (focus != nullptr && (focus == promises_ || promises_->isAncestorOf(focus))) {
        return "promise-lines.md";
    }
    return focus == workings_ ? "calculations.md" : "window.md";
}

void MainWindow::goTo(const QString& target) {
    const QString name = target.section('/', 1);
    if (target.startsWith("line/") && document_.figures().findLine(name.toStdString()) != nullptr) {
        clocks_->select(name); // and what is selected is shown
        return;
    }
    for (const PromiseFigure& promise : document_.figures().promises) {
        if (target == "promise/" + text(promise.name) || (target.startsWith("peripheral/") && target == text(promise.subject))) {
            promises_->cards()->select(text(promise.name));
            return;
        }
    }
    workings_->show(target);
}

void MainWindow::refresh() {
    State worst = State::kept;
    for (const LineFigure& line : document_.figures().lines) {
        worst = worseState(worst, line.state);
    }
    QPixmap mark(QSize(14, 14) * devicePixelRatioF());
    mark.setDevicePixelRatio(devicePixelRatioF());
    mark.fill(Qt::transparent);
    QPainter painter(&mark);
    drawMark(painter, QRectF(1, 1, 12, 12), worst, theme_);
    trailMark_->setPixmap(mark);
    trailMark_->setAccessibleName(text(stateName(worst)));
    undo_->setEnabled(document_.canUndo());
    redo_->setEnabled(document_.canRedo());
    keep_->setEnabled(!document_.moved().empty());
    save_->setEnabled(document_.isModified());
    saveAs_->setEnabled(document_.isOpen());
    setWindowModified(document_.isModified());
    setWindowTitle(document_.isOpen() ? text(document_.plan().name) + "[*] \u2013 Wise Tick" : QString("Wise Tick"));
}

void MainWindow::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = this->palette();
    palette.setColor(QPalette::Window, theme.paper);
    palette.setColor(QPalette::WindowText, theme.ink);
    palette.setColor(QPalette::Base, theme.isDark ? theme.paper : QColor("#FFFFFF"));
    palette.setColor(QPalette::AlternateBase, theme.panel);
    palette.setColor(QPalette::Text, theme.ink);
    palette.setColor(QPalette::PlaceholderText, theme.muted);
    palette.setColor(QPalette::Button, theme.panel);
    palette.setColor(QPalette::ButtonText, theme.ink);
    palette.setColor(QPalette::Highlight, theme.kept);
    palette.setColor(QPalette::HighlightedText, theme.isDark ? theme.head : QColor("#FFFFFF"));
    palette.setColor(QPalette::Link, theme.thread);
    setPalette(palette);
    for (SlimScrollBar* each : findChildren<SlimScrollBar*>()) {
        each->setTheme(theme);
    }
    QPalette panel = palette;
    panel.setColor(QPalette::Window, theme.panel);
    panel.setColor(QPalette::Base, theme.panel);
    trail_->setPalette(panel);
    right_->setPalette(panel);
    middle_->setPalette(palette);
    faults_->setPalette(panel);
    notice_->setTheme(theme);
    head_->setTheme(theme);
    promises_->setTheme(theme);
    clocks_->setTheme(theme);
    ripple_->setTheme(theme);
    workings_->setTheme(theme);
    styleTitles();
    refresh();
}

void MainWindow::styleTitles() {
    for (QLabel* title : {viewTitle_, workingsTitle_, trailClocks_}) {
        title->setFont(faceFont(Face::title));
    }
    for (QLabel* hint : {viewHint_, trailKeys_}) {
        hint->setFont(faceFont(Face::small));
        QPalette muted = hint->palette();
        muted.setColor(QPalette::WindowText, theme_.muted);
        hint->setPalette(muted);
    }
}

void MainWindow::chooseAndOpen() {
    if (!mayLeave()) {
        return;
    }
    const QString path =
        QFileDialog::getOpenFileName(this, tr("Open a plan"), QFileInfo(document_.path()).path(), tr("Plans (*.plan.toml)"));
    if (!path.isEmpty()) {
        openPlan(path);
    }
}

bool MainWindow::save() {
    if (document_.path().isEmpty()) {
        return saveAs();
    }
    const QString trouble = document_.save(document_.path());
    if (!trouble.isEmpty()) {
        QMessageBox::warning(this, tr("Save"),
                             trouble + tr("\nNothing is lost: the plan stays open. Save it elsewhere with Ctrl+Shift+S."));
    }
    return trouble.isEmpty();
}

bool MainWindow::saveAs() {
    const QString path = QFileDialog::getSaveFileName(this, tr("Save as"), document_.path(), tr("Plans (*.plan.toml)"));
    if (path.isEmpty()) {
        return false;
    }
    const QString trouble = document_.save(path);
    if (!trouble.isEmpty()) {
        QMessageBox::warning(this, tr("Save as"), trouble);
    }
    return trouble.isEmpty();
}

bool MainWindow::mayLeave() {
    if (!document_.isModified()) {
        return true;
    }
    const auto answer = QMessageBox::question(this, tr("Unsaved changes"),
                                              tr("%1 has changes that are not saved.").arg(text(document_.plan().name)),
                                              QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, QMessageBox::Save);
    if (answer == QMessageBox::Discard) {
        document_.forgetAutosave();
    }
    return answer == QMessageBox::Discard || (answer == QMessageBox::Save && save());
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (!mayLeave()) {
        event->ignore();
        return;
    }
    document_.forgetAutosave(); // saved, or meant to be given up
    event->accept();
}

void MainWindow::changeEvent(QEvent* event) {
    if (event->type() == QEvent::ApplicationPaletteChange && followsDesktop_) {
        setTheme(desktopTheme());
    } else if (event->type() == QEvent::FontChange) {
        styleTitles();
    }
    QMainWindow::changeEvent(event);
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    const QList<QUrl> urls = event->mimeData()->urls();
    if (urls.size() == 1 && urls.front().toLocalFile().endsWith(".plan.toml")) {
        event->acceptProposedAction();
    }
}

void MainWindow::dropEvent(QDropEvent* event) {
    if (mayLeave()) {
        openPlan(event->mimeData()->urls().front().toLocalFile());
    }
}

} // namespace wisetick::app
