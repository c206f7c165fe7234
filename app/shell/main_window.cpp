#include "shell/main_window.h"

#include "board/board_view.h"
#include "board/shelf_view.h"
#include "clocks/clocks_view.h"
#include "desk/desk_view.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "part_editor/part_editor.h"
#include "promises/promises_column.h"
#include "rhythm/rhythm_view.h"
#include "seek/seek_panel.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/ripple_panel.h"
#include "shell/trail_button.h"
#include "sleep/sleep_view.h"
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
#include <QPushButton>
#include <QSettings>
#include <QSignalBlocker>
#include <QSplitter>
#include <QStackedWidget>
#include <QTimer>
#include <QVBoxLayout>

#include <map>

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
    trailBoard_ = new TrailButton(tr("Board"));
    trailClocks_ = new TrailButton(tr("Clocks"));
    trailPromises_ = new TrailButton(tr("Promises"));
    trailSleep_ = new TrailButton(tr("Sleep"));
    trailRhythm_ = new TrailButton(tr("Rhythm"));
    trailKeys_ = new QLabel(tr("Ctrl+Shift+P all commands"));
    trail_ = new QWidget;
    trail_->setAutoFillBackground(true);
    auto* trailLayout = new QHBoxLayout(trail_);
    trailLayout->setContentsMargins(12, 4, 12, 4);
    for (TrailButton* step : {trailBoard_, trailClocks_, trailPromises_, trailSleep_, trailRhythm_}) {
        trailLayout->addWidget(step);
    }
    connect(trailBoard_, &QPushButton::clicked, this, [this] { showView("board"); });
    connect(trailClocks_, &QPushButton::clicked, this, [this] { showView("clocks"); });
    connect(trailPromises_, &QPushButton::clicked, this, [this] { showView("promises"); });
    connect(trailSleep_, &QPushButton::clicked, this, [this] { showView("sleep"); });
    connect(trailRhythm_, &QPushButton::clicked, this, [this] { showView("rhythm"); });
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
    views_ = new QStackedWidget;
    views_->addWidget(clocks_);
    middle_ = column({notice_, faults_, viewHead}, views_, ripple_);
    workings_ = new WorkingsPanel(document_);
    workingsTitle_ = new QLabel(tr("Workings"));
    workingsTitle_->setContentsMargins(12, 12, 12, 4);
    right_ = column({workingsTitle_}, workings_);
    workings_->document()->setDocumentMargin(12);
    const auto splitterOf = [](Qt::Orientation orientation, const QList<QWidget*>& widgets) {
        auto* splitter = new QSplitter(orientation);
        splitter->setHandleWidth(1);
        splitter->setChildrenCollapsible(false);
        for (QWidget* widget : widgets) {
            splitter->addWidget(widget);
        }
        return splitter;
    };
    QSplitter* upper = splitterOf(Qt::Horizontal, {middle_, right_});
    upper->setStretchFactor(0, 1);
    upper->setStretchFactor(1, 0);
    upper->setSizes({640, 350});
    work_ = splitterOf(Qt::Vertical, {upper});
    QSplitter* splitter = splitterOf(Qt::Horizontal, {promises_, work_});
    splitter->setStretchFactor(0, 0);
    splitter->setStretchFactor(1, 1);
    splitter->setSizes({290, 990});
    setCentralWidget(column({head_, trail_}, splitter));
    addCommands();
    addClockCommands();
    addSeekCommands();
    sayView();
    connect(find_, &QLineEdit::textChanged, clocks_, &ClocksView::find);
    connect(find_, &QLineEdit::returnPressed, this, [this] { clocks_->setFocus(); });
    connect(head_, &Head::causeWanted, this, &MainWindow::goTo);
    connect(ripple_, &RipplePanel::targetWanted, this, &MainWindow::goTo);
    connect(workings_, &WorkingsPanel::targetWanted, this, &MainWindow::goTo);
    connect(workings_, &WorkingsPanel::seekWanted, this, [this](const QString& promise) {
        openSeek();
        seek_->asked()->keepPromise(promise);
    });
    connect(clocks_, &ClocksView::selectionChanged, this, [this](const QString& id) { workings_->show("line/" + id); });
    connect(promises_->cards(), &PromiseCards::selectionChanged, this, [this](const QString& name) {
        workings_->show("promise/" + name);
        if (desk_ != nullptr) {
            desk_->show(name);
        }
        if (showsFeeding_) {
            clocks_->showWhatFeeds(name);
            sayView();
        }
    });
    connectDocument();
    setTheme(desktopTheme());
    if (!path.isEmpty()) {
        showOpened(path, opened);
    }
}

void MainWindow::connectDocument() {
    connect(&document_, &Document::changed, this, &MainWindow::refresh);
    connect(&document_, &Document::changedOnDisk, this, &MainWindow::tellChangedOnDisk);
    connect(&document_, &Document::troubled, this, [this](const QString& what) { notice_->tell("trouble", what); });
    connect(&document_, &Document::replaced, this, [this] {
        for (const char* topic : {"disk", "left", "faults"}) {
            notice_->withdraw(topic); // they are about what was open
        }
    });
}

void MainWindow::tellChangedOnDisk() {
    notice_->tell("disk", tr("%1 was changed by another program.").arg(QFileInfo(document_.path()).fileName()),
                  {{tr("Take it"), [this] { showFaults(document_.reload()); }}, {tr("Keep mine"), [] {}}});
}

void MainWindow::setRecoveryFolder(const QString& folder) {
    document_.setRecoveryFolder(folder);
    if (!document_.isOpen()) {
        offerRecovery();
    }
}

void MainWindow::beginPlan(const QString& partId) {
    if (mayLeave()) {
        const Diagnostics diagnostics = document_.begin(partId);
        showFaults(diagnostics);
        if (!hasErrors(diagnostics)) {
            showView("board"); // first comes what is fitted
        }
    }
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
        "faults",
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

/// Each that was left is asked about for itself; until somebody answers, it stays.
void MainWindow::offerRecovery() {
    for (const Recovery::Left& left : document_.left()) {
        const QString when = left.when.toString("yyyy-MM-dd hh:mm");
        notice_->tell("left/" + left.path,
                      document_.isOpen() ? tr("There are changes of %1 that were never saved.").arg(when)
                                         : tr("There is a plan of %1 that was never saved.").arg(when),
                      {{tr("Take them"),
                        [this, path = left.path] {
                            const bool wasOpen = document_.isOpen();
                            showFaults(document_.recover(path));
                            if (!wasOpen && document_.isOpen()) {
                                showView("board");
                            }
                        }},
                       {tr("Forget them"), [path = left.path] { Recovery::forget(path); }}});
    }
}

QStringList MainWindow::recentPlans() {
    return QSettings().value(kRecent).toStringList();
}

QString MainWindow::helpPage() const {
    const QWidget* focus = focusWidget();
    if (focus != nullptr && (focus == promises_ || promises_->isAncestorOf(focus))) {
        return "promise-lines.md";
    }
    if (focus != nullptr && seek_ != nullptr && seek_->isAncestorOf(focus)) {
        return "seek.md";
    }
    if (focus != nullptr && focus == board_) {
        return "plan-files.md";
    }
    if (isShown(shelfView_)) {
        return "shelf.md";
    }
    if (isShown(sleep_)) {
        return "sleep.md";
    }
    if (isShown(rhythm_)) {
        return "rhythm.md";
    }
    return focus == workings_ || isShown(desk_) ? "calculations.md" : "window.md";
}

void MainWindow::goTo(const QString& target) {
    const QString name = target.section('/', 1);
    if (target.startsWith("line/") && document_.figures().findLine(name.toStdString()) != nullptr) {
        if (views_->currentWidget() != clocks_) {
            showView("clocks");
        }
        clocks_->select(name); // and what is selected is shown
        return;
    }
    for (const PromiseFigure& promise : document_.figures().promises) {
        if (target == "promise/" + text(promise.name) || (target.startsWith("peripheral/") && target == text(promise.subject))) {
            promises_->cards()->select(text(promise.name));
            return;
        }
    }
    if (target.startsWith("mode/") && document_.isOpen()) {
        if (!isShown(sleep_)) {
            showView("sleep");
        }
        sleep_->select(name);
    } else if (target.startsWith("rhythm/") || target.startsWith("job/")) {
        if (!isShown(rhythm_)) {
            showView("rhythm");
        }
        const auto& jobs = document_.isOpen() ? document_.plan().jobs : std::vector<Job>();
        for (std::size_t i = 0; i < jobs.size(); ++i) {
            if (target == "job/" + text(jobs[i].name)) {
                rhythm_->selectLane(i);
            }
        }
    }
    workings_->show(target);
}

/// The worst state of the promises of one kind.
template <class A>
State MainWindow::stateOf() const {
    State worst = State::kept;
    const auto& promises = document_.isOpen() ? document_.plan().promises : std::vector<Promise>();
    for (std::size_t i = 0; i < promises.size() && i < document_.figures().promises.size(); ++i) {
        if (std::holds_alternative<A>(promises[i].line.ask)) {
            worst = worseState(worst, document_.figures().promises[i].state);
        }
    }
    return worst;
}

void MainWindow::refresh() {
    State worst = State::kept;
    for (const LineFigure& line : document_.figures().lines) {
        worst = worseState(worst, line.state);
    }
    State board = State::kept;
    for (const PinFigure& pin : document_.figures().pins) {
        board = pin.why.empty() ? board : State::broken;
    }
    trailBoard_->setState(board);
    trailClocks_->setState(worst);
    State promises = State::kept;
    for (const PromiseFigure& promise : document_.figures().promises) {
        promises = worseState(promises, promise.state);
    }
    trailPromises_->setState(promises);
    trailSleep_->setState(stateOf<WakesAsk>());
    trailRhythm_->setState(worseState(stateOf<AverageAsk>(), stateOf<LastsAsk>()));
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
    trailBoard_->setTheme(theme);
    trailClocks_->setTheme(theme);
    trailPromises_->setTheme(theme);
    trailSleep_->setTheme(theme);
    trailRhythm_->setTheme(theme);
    clocks_->setTheme(theme);
    if (board_ != nullptr) {
        board_->setTheme(theme);
    }
    if (desk_ != nullptr) {
        desk_->setTheme(theme);
    }
    if (shelfView_ != nullptr) {
        shelfView_->setTheme(theme);
    }
    if (sleep_ != nullptr) {
        sleep_->setTheme(theme);
    }
    if (rhythm_ != nullptr) {
        rhythm_->setTheme(theme);
    }
    if (seek_ != nullptr) {
        seek_->setTheme(theme);
    }
    ripple_->setTheme(theme);
    workings_->setTheme(theme);
    styleTitles();
    refresh();
}

void MainWindow::styleTitles() {
    for (QLabel* title : {viewTitle_, workingsTitle_}) {
        title->setFont(faceFont(Face::title));
    }
    trailBoard_->setCurrent(isShown(board_) || isShown(shelfView_));
    trailPromises_->setCurrent(isShown(desk_));
    trailSleep_->setCurrent(isShown(sleep_));
    trailRhythm_->setCurrent(isShown(rhythm_));
    trailClocks_->setCurrent(isShown(clocks_));
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
    return document_.path().isEmpty() ? saveAs() : saveTo(document_.path(), false);
}

bool MainWindow::saveAs() {
    const QString path = QFileDialog::getSaveFileName(this, tr("Save as"), document_.path(), tr("Plans (*.plan.toml)"));
    return !path.isEmpty() && saveTo(path, true); // the dialog asked already
}

bool MainWindow::saveTo(const QString& path, bool overwrites) {
    const Saved saved = document_.save(path, overwrites);
    switch (saved.how) {
    case Saved::How::done: notice_->withdraw("disk"); break;
    case Saved::How::refused:
        notice_->tell("saving",
                      saved.why + tr("\nNothing is lost: the plan stays open. Save it elsewhere with Ctrl+Shift+S, or try again."));
        break;
    case Saved::How::changedOnDisk:
        notice_->tell("disk", saved.why + tr(" It was not saved over."),
                      {{tr("Take that file"), [this] { showFaults(document_.reload()); }},
                       {tr("Save over it"), [this, path] { saveTo(path, true); }},
                       {tr("Save elsewhere"), [this] { saveAs(); }}});
        break;
    }
    if (saved.isDone()) {
        notice_->withdraw("saving");
    }
    return saved.isDone();
}

bool MainWindow::mayLeave() {
    if (!document_.isModified()) {
        return true;
    }
    const auto answer = QMessageBox::question(this, tr("Unsaved changes"),
                                              tr("%1 has changes that are not saved.").arg(text(document_.plan().name)),
                                              QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, QMessageBox::Save);
    if (answer == QMessageBox::Discard) {
        document_.giveUp();
    }
    return answer == QMessageBox::Discard || (answer == QMessageBox::Save && save());
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (!mayLeave()) {
        event->ignore();
        return;
    }
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
