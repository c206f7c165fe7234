#include "shell/main_window.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "part_editor/part_editor.h"
#include "plan/board_edits.h"
#include "promises/promises_column.h"
#include "shell/doc_index.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/ripple_panel.h"
#include "shell/toast.h"
#include "shell/tour.h"
#include "shell/trail_button.h"
#include "shell/views.h"
#include "shell/window_server.h"
#include "workings/workings_panel.h"

#include <QAction>
#include <QApplication>
#include <QCloseEvent>
#include <QDateTime>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMessageBox>
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
const QString kPlanEnding = "plan.toml";
const QString kPlanFile = "." + kPlanEnding;
constexpr int kNarrowestView = 440; ///< px
constexpr int kRememberAfter = 100; ///< ms: writing it can wait until the plan is on screen

} // namespace

MainWindow::MainWindow(Shelf shelf, const QString& path, QWidget* parent, const std::function<void()>& awaitFonts)
    : QMainWindow(parent), document_(shelf), shelf_(std::move(shelf)) {
    speakRows();
    const Diagnostics opened = path.isEmpty() ? Diagnostics() : document_.open(path);
    if (awaitFonts) {
        awaitFonts();
    }
    setWindowTitle("Wise Tick");
    setAcceptDrops(true);
    resize(1280, 800);
    for (ViewKind& kind : viewKinds()) {
        places_.push_back({std::move(kind), nullptr, nullptr});
    }
    head_ = new Head(document_);
    makeTrail();
    promises_ = new PromisesColumn(document_);
    makeFaults();
    makeMenus();
    notice_ = new Notice;
    toast_ = new Toast(this);
    tour_ = new Tour(*this);
    ripple_ = new RipplePanel(document_);
    workings_ = new WorkingsPanel(document_);
    stack_ = new QStackedWidget;
    buildLayout(makeViewHead());
    shown_ = &placeOf(kFirstView);
    stack_->setCurrentWidget(viewAt(*shown_).widget());
    addCommands();
    addViewCommands();
    applyKeys();
    sayView();
    connectViews();
    connectDocument();
    setTheme(settings_.theme());
    if (!path.isEmpty()) {
        showOpened(path, opened);
    }
}

MainWindow::~MainWindow() = default;

/// One step a view that has a key, in their order.
void MainWindow::makeTrail() {
    trailKeys_ = new ElidedLabel(tr("Ctrl+Shift+P all commands"));
    trailKeys_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    trail_ = new QWidget;
    trail_->setAutoFillBackground(true);
    auto* layout = new QHBoxLayout(trail_);
    layout->setContentsMargins(12, 4, 12, 4);
    for (Place& place : places_) {
        if (place.kind.key > 0) {
            place.step = new TrailButton(place.kind.title);
            connect(place.step, &QPushButton::clicked, this, [this, name = place.kind.name] { showView(name); });
            layout->addWidget(place.step);
        }
    }
    layout->addWidget(trailKeys_, 1);
}

QWidget* MainWindow::makeViewHead() {
    viewTitle_ = new QLabel;
    viewTitle_->setObjectName("viewTitle");
    viewHint_ = new ElidedLabel;
    viewHint_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred); // what a view's links leave
    tools_ = new QWidget;
    new QHBoxLayout(tools_);
    tools_->layout()->setContentsMargins(0, 0, 0, 0);
    auto* viewHead = new QWidget;
    auto* layout = new QHBoxLayout(viewHead);
    layout->setContentsMargins(16, 10, 16, 4);
    layout->addWidget(viewTitle_);
    layout->addWidget(viewHint_, 1);
    layout->addWidget(tools_);
    return viewHead;
}

void MainWindow::makeFaults() {
    faults_ = new QListWidget;
    faults_->setFrameShape(QFrame::NoFrame);
    faults_->setWordWrap(true);
    faults_->setSpacing(6);
    faults_->setResizeMode(QListView::Adjust);
    faults_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    faults_->setAccessibleName(tr("Faults of the file"));
    faults_->hide();
}

void MainWindow::buildLayout(QWidget* viewHead) {
    middle_ = column({notice_, faults_, viewHead}, stack_, ripple_);
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
    upper_ = splitterOf(Qt::Horizontal, {middle_, right_});
    upper_->setStretchFactor(0, 1);
    upper_->setStretchFactor(1, 0);
    upper_->setSizes({640, 350});
    middle_->setMinimumWidth(kNarrowestView);
    work_ = splitterOf(Qt::Vertical, {upper_});
    columns_ = splitterOf(Qt::Horizontal, {promises_, work_});
    columns_->setStretchFactor(0, 0);
    columns_->setStretchFactor(1, 1);
    columns_->setSizes({290, 990});
    setCentralWidget(column({head_, trail_}, columns_));
}

void MainWindow::connectViews() {
    connect(head_, &Head::causeWanted, this, &MainWindow::goTo);
    connect(head_, &Head::takeWanted, this, &MainWindow::openTakes);
    connect(ripple_, &RipplePanel::targetWanted, this, &MainWindow::goTo);
    connect(workings_, &WorkingsPanel::targetWanted, this, &MainWindow::goTo);
    connect(workings_, &WorkingsPanel::seekWanted, this,
            [this](const QString& promise) { goTo(Target::seek(promise.toStdString())); });
    connect(promises_->cards(), &PromiseCards::selectionChanged, this, [this](const QString& name) {
        workings_->show(name.isEmpty() ? Target() : Target::promise(name.toStdString()));
        for (Place& place : places_) {
            if (place.view != nullptr) {
                place.view->followPromise(name);
            }
        }
    });
}

void MainWindow::connectDocument() {
    connect(&document_, &Document::changed, this, &MainWindow::refresh);
    connect(&document_, &Document::changedOnDisk, this, &MainWindow::tellChangedOnDisk);
    connect(&document_, &Document::troubled, this, [this](const QString& what) { notice_->tell("trouble", what); });
    connect(&document_, &Document::replaced, this, [this] {
        for (const char* topic : {"disk", "left", "faults", "trouble", "saving"}) {
            notice_->withdraw(topic); // they are about what was open
        }
    });
}

void MainWindow::tellFault(const QString& why) {
    document_.autosave();
    notice_->tell(
        "fault",
        tr("A fault of this program: %1. What is not saved is written aside; save it elsewhere (Ctrl+Shift+S), or undo the last "
           "edit (Ctrl+Z).")
            .arg(why));
}

void MainWindow::tellChangedOnDisk() {
    notice_->tell("disk", tr("%1 was changed by another program.").arg(QFileInfo(document_.path()).fileName()),
                  {{tr("Take it"), [this] { showFaults(document_.reload()); }}, {tr("Keep mine"), [] {}}});
}

void MainWindow::setRecoveryFolder(const QString& folder) {
    recovery_ = folder;
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
    MainWindow* other = showing(path);
    if (other != nullptr && other != this) {
        other->comeForward();
        return false;
    }
    if (other == nullptr && WindowServer::raiseElsewhere(path)) {
        tellDone(tr("%1 is open in another window, which was raised").arg(QFileInfo(path).fileName()));
        return false;
    }
    return showOpened(path, document_.open(path));
}

bool MainWindow::showOpened(const QString& path, const Diagnostics& diagnostics) {
    showFaults(diagnostics);
    if (hasErrors(diagnostics)) {
        return false;
    }
    holdPlan();
    if (shown_->kind.name == kWelcome) {
        showView(kFirstView);
    }
    QTimer::singleShot(kRememberAfter, this, [this, whole = QFileInfo(path).absoluteFilePath()] {
        if (leavesNoTrace_) {
            return;
        }
        QStringList recent = recentPlans();
        recent.removeAll(whole);
        recent.prepend(whole);
        QSettings().setValue(kRecent, recent.mid(0, 10));
    });
    offerRecovery();
    View& first = viewAt(placeOf(kFirstView));
    first.widget()->setFocus();
    const QString worst = text(document_.figures().vitals.worstPromise);
    isQuiet_ = !worst.isEmpty(); // what is explained is the worst promise
    first.open(Target::line(document_.figures().lines[document_.part().core].id));
    isQuiet_ = false;
    if (!worst.isEmpty()) {
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
    const QString page = shown_->view->helpPage(focus);
    return !page.isEmpty() ? page : (focus == workings_ ? "calculations.md" : "window.md");
}

void MainWindow::goTo(const Target& target) {
    for (const PromiseFigure& promise : document_.figures().promises) {
        if (target == Target::promise(promise.name) || (target.is(Target::Room::peripheral) && target == promise.subject)) {
            promises_->cards()->select(text(promise.name));
            return;
        }
    }
    for (Place& place : places_) {
        if (place.kind.opens(document_, target)) {
            if (shown_ != &place) {
                showView(place.kind.name);
            }
            place.view->open(target); // and what is selected is shown
            if (target.is(Target::Room::seek)) {
                return;
            }
        }
    }
    explain(target);
}

void MainWindow::refresh() {
    for (Place& place : places_) {
        if (place.step != nullptr) {
            place.step->setState(document_.isOpen() ? std::optional(place.kind.state(document_)) : std::nullopt);
        }
    }
    undo_->setEnabled(document_.canUndo());
    redo_->setEnabled(document_.canRedo());
    keep_->setEnabled(!document_.moved().empty());
    save_->setEnabled(document_.isModified());
    showBesides();
    for (QAction* each : ofPlan_) {
        each->setEnabled(document_.isOpen());
    }
    setWindowModified(document_.isModified());
    setWindowTitle(document_.isOpen() ? text(document_.plan().name) + "[*] \u2014 Wise Tick" : QString("Wise Tick"));
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
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText}) {
        palette.setColor(QPalette::Disabled, role, theme.muted);
    }
    palette.setColor(QPalette::Disabled, QPalette::Light, theme.paper); // else it is etched
    palette.setColor(QPalette::Mid, theme.railEdge);                    // of menus
    setPalette(palette);
    QApplication::setPalette(palette); // for what is a window of its own: questions, and menus of fields and texts
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
    toast_->setTheme(theme);
    head_->setTheme(theme);
    promises_->setTheme(theme);
    for (Place& place : places_) {
        if (place.step != nullptr) {
            place.step->setTheme(theme);
        }
        if (place.view != nullptr) {
            place.view->setTheme(theme);
        }
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
    TrailButton* stop = nullptr;
    for (Place& place : places_) {
        if (place.step != nullptr) {
            const bool isCurrent = shown_ == &place || shown_->kind.step == place.kind.name;
            place.step->setCurrent(isCurrent);
            stop = isCurrent || stop == nullptr ? place.step : stop;
        }
    }
    stop->setFocusPolicy(Qt::TabFocus); // the first where none is shown, as beside the welcome
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
    const QFileInfo file(document_.path());
    QFileDialog dialog(this, tr("Save as"), file.path(), tr("Plans (*.plan.toml)"));
    dialog.setAcceptMode(QFileDialog::AcceptSave);
    dialog.setDefaultSuffix(kPlanEnding); // before it asks whether to save over what is there
    const QString name =
        document_.path().isEmpty() ? text(document_.plan().name).toLower().simplified().replace(' ', '-') : file.fileName();
    dialog.selectFile(name.endsWith(kPlanFile) ? name : name + kPlanFile);
    if (dialog.exec() != QDialog::Accepted) {
        return false;
    }
    const QString path = dialog.selectedFiles().value(0);
    if (document_.plan().name == freshPlan(document_.part()).name) {
        nameAfter(path);
    }
    return saveTo(path, true); // the dialog asked already
}

/// A plan that nobody named has the name of its file.
void MainWindow::nameAfter(const QString& path) {
    QString name = QFileInfo(path).fileName();
    name.chop(name.endsWith(kPlanFile) ? kPlanFile.size() : 0);
    name = name.replace('-', ' ').replace('_', ' ').simplified();
    name = name.left(1).toUpper() + name.mid(1);
    if (!name.isEmpty()) {
        document_.edit(tr("named %1").arg(name), [name](Plan& plan) { return renamePlan(plan, name.toStdString()); });
    }
}

bool MainWindow::saveTo(const QString& path, bool overwrites) {
    const Saved saved = document_.save(path, overwrites);
    switch (saved.how) {
    case Saved::How::done: notice_->withdraw("disk"); break;
    case Saved::How::refused:
        notice_->tell("saving",
                      saved.why +
                          tr("\nNothing is lost: the plan stays open. Save it elsewhere with Ctrl+Shift+S, or try again."));
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
        holdPlan(); // it may have another file now
        tellDone(tr("Saved %1").arg(QFileInfo(path).fileName()));
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
    keepState();
    lock_.release();
    event->accept();
}

void MainWindow::changeEvent(QEvent* event) {
    if (event->type() == QEvent::ApplicationPaletteChange && settings_.look == Settings::Look::asDesktop) {
        setTheme(desktopTheme());
    } else if (event->type() == QEvent::FontChange) {
        styleTitles();
    }
    QMainWindow::changeEvent(event);
}

} // namespace wisetick::app
