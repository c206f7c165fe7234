#include "part_editor/part_editor.h"

#include "clocks/clocks_view.h"
#include "derive/lint_reset.h"
#include "evaluate/lint_expects.h"
#include "files/part_skeleton.h"
#include "files/plan_writer.h"
#include "files/register_table.h"
#include "files/whole_file.h"
#include "language/said.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "part/lint.h"
#include "part_editor/fields_page.h"
#include "part_editor/part_outline.h"
#include "part_editor/part_side.h"
#include "part_editor/part_tree.h"
#include "part_editor/paste_panel.h"
#include "part_editor/tab_button.h"
#include "part_editor/wrapped_rows.h"

#include "quantity/quantity_print.h"
#include "workshop/part_edits.h"
#include "workshop/row_line.h"

#include <QAbstractButton>
#include <QApplication>
#include <QButtonGroup>
#include <QClipboard>
#include <QCloseEvent>
#include <QDir>
#include <QFileInfo>
#include <QHeaderView>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QMenu>
#include <QMessageBox>
#include <QMimeData>
#include <QPainter>
#include <QSplitter>
#include <QStackedWidget>
#include <QTableWidget>
#include <QTimer>
#include <QTreeWidget>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

constexpr int kStillFor = 120; ///< ms without a key until the text is read
const char* const kNewId = "my-part";

QString string(const std::string& value) {
    return QString::fromStdString(value);
}

} // namespace

PartEditor::PartEditor(QString ownParts, Plan plan, const Theme& theme, QWidget* parent)
    : QWidget(parent, Qt::Window), ownParts_(std::move(ownParts)), plan_(std::move(plan)), theme_(theme), document_(Shelf()) {
    resize(1280, 800);
    setAutoFillBackground(true);
    clocks_ = new ClocksView(document_);
    modes_ = new QTreeWidget;
    unknown_ = new QTreeWidget;
    for (QTreeWidget* list : {modes_, unknown_}) {
        list->setFrameShape(QFrame::NoFrame);
        list->setRootIsDecorated(false);
        list->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
        list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        new WrappedRows(list);
    }
    modes_->setAccessibleName(tr("Modes of the part"));
    unknown_->setAccessibleName(tr("What the part does not tell"));
    pages_ = new QStackedWidget;
    pages_->addWidget(clocks_);
    pages_->addWidget(makeTreePage());
    fields_ = new FieldsPage;
    pages_->addWidget(fields_);
    pages_->addWidget(modes_);
    pages_->addWidget(unknown_);
    side_ = new PartSide;
    auto* splitter = new QSplitter;
    splitter->setHandleWidth(1);
    splitter->setChildrenCollapsible(false);
    splitter->addWidget(makeText());
    splitter->addWidget(pages_);
    splitter->addWidget(side_);
    splitter->setSizes({460, 480, 340});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(makeHead());
    layout->addWidget(splitter, 1);
    soon_ = new QTimer(this);
    soon_->setSingleShot(true);
    soon_->setInterval(kStillFor);
    connectAll();
    setTheme(theme);
    showTab(Tab::text);
}

/// The part's name and how it stands, and the tabs below.
QWidget* PartEditor::makeHead() {
    title_ = new QLabel;
    status_ = new QLabel;
    for (QLabel* label : {title_, status_}) {
        label->setTextFormat(Qt::PlainText);
    }
    head_ = new QWidget;
    head_->setAutoFillBackground(true);
    auto* lines = new QVBoxLayout(head_);
    lines->setContentsMargins(16, 5, 16, 5);
    lines->setSpacing(0);
    lines->addWidget(title_);
    lines->addWidget(status_);
    tabs_ = new QWidget;
    tabs_->setAutoFillBackground(true);
    tabGroup_ = new QButtonGroup(this);
    auto* row = new QHBoxLayout(tabs_);
    row->setContentsMargins(8, 2, 16, 2);
    const QStringList names{tr("Text and clocks"), tr("Tree"), tr("Fields"), tr("Modes"), tr("Unknown")};
    for (int i = 0; i < names.size(); ++i) {
        auto* button = new TabButton(names[i]);
        button->setShortcut(QKeySequence(QString("Alt+%1").arg(i + 1)));
        tabGroup_->addButton(button, i);
        row->addWidget(button);
    }
    hint_ = new QLabel(tr("every change here is a change of the text, and back: Ctrl+Z"));
    row->addStretch(1);
    row->addWidget(hint_);
    auto* both = new QWidget;
    auto* layout = new QVBoxLayout(both);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head_);
    layout->addWidget(tabs_);
    return both;
}

QWidget* PartEditor::makeText() {
    text_ = new PartText;
    faults_ = new QListWidget;
    faults_->setFrameShape(QFrame::NoFrame);
    faults_->setWordWrap(true);
    faults_->setSpacing(3);
    faults_->setResizeMode(QListView::Adjust);
    faults_->setAccessibleName(tr("Faults of the part"));
    faults_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    faults_->setFixedHeight(120);
    left_ = new QWidget;
    left_->setAutoFillBackground(true);
    auto* column = new QVBoxLayout(left_);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(text_, 1);
    column->addWidget(faults_);
    return left_;
}

QWidget* PartEditor::makeTreePage() {
    tree_ = new PartTree;
    paste_ = new PastePanel;
    paste_->hide();
    auto* page = new QSplitter(Qt::Vertical);
    page->setHandleWidth(1);
    page->setChildrenCollapsible(false);
    page->addWidget(tree_);
    page->addWidget(paste_);
    page->setSizes({500, 260});
    return page;
}

void PartEditor::connectAll() {
    connect(tabGroup_, &QButtonGroup::idClicked, this,
            [this](int id) { // in the text Tab indents: the keys of the tabs lead out of it
                showTab(static_cast<Tab>(id));
                QWidget* const takers[] = {text_, tree_, fields_->search(), modes_, unknown_};
                takers[id]->setFocus();
            });
    connect(soon_, &QTimer::timeout, this, &PartEditor::check);
    connect(text_, &QsciScintilla::textChanged, this, [this] { soon_->start(); });
    connect(text_, &QsciScintilla::modificationChanged, this, &PartEditor::setTitle);
    connect(text_, &QsciScintilla::cursorPositionChanged, this, &PartEditor::follow);
    connect(text_, &PartText::renameWanted, this, [this](const QString& id) {
        const QString name =
            QInputDialog::getText(this, tr("Call it otherwise"), tr("%1 is called").arg(id), QLineEdit::Normal, id);
        const QString trouble = name.isEmpty() || name == id ? QString() : text_->rename(name);
        if (!trouble.isEmpty()) {
            status_->setText(trouble);
        }
    });
    connect(faults_, &QListWidget::itemActivated, this, [this](const QListWidgetItem* item) {
        if (const auto range = text_->rangeOf(diagnostics_[static_cast<std::size_t>(faults_->row(item))])) {
            text_->goTo(*range);
        }
    });
    connect(faults_, &QListWidget::itemClicked, faults_, &QListWidget::itemActivated);
    connect(tree_, &PartTree::selectionMoved, this, &PartEditor::select);
    connect(tree_, &PartTree::insertWanted, this, &PartEditor::askInsert);
    connect(tree_, &PartTree::removeWanted, this, &PartEditor::remove);
    tree_->setLines([this](const QString& id) { return string(rowLine(text_->text().toStdString(), id.toStdString())); },
                    [this](const QString& id, const QString& line) {
                        const auto next = withRowLine(text_->text().toStdString(), id.toStdString(), line.toStdString());
                        return next ? QString() : string(sayText(next.error()));
                    });
    connect(tree_, &PartTree::lineTyped, this, [this](const QString& id, const QString& line) {
        if (const auto next = withRowLine(text_->text().toStdString(), id.toStdString(), line.toStdString())) {
            edit(string(*next));
        }
    });
    connect(tree_, &PartTree::lineRefused, this, [this](const QString& why) {
        if (why.isEmpty()) {
            sayHow();
        } else {
            status_->setText(why);
        }
    });
    connect(side_, &PartSide::valueTyped, this, [this](const QString& id, const QString& key, const QString& value) {
        const auto content = withProperty(text_->text().toStdString(), id.toStdString(), key.toStdString(), value.toStdString());
        if (content) {
            edit(string(*content));
        }
    });
    const auto putField = [this](const QString& field) {
        text_->insertHere("\"" + field + "\"");
        text_->setFocus();
    };
    connect(side_, &PartSide::fieldWanted, this, putField);
    connect(fields_, &FieldsPage::fieldWanted, this, putField);
    connect(fields_, &FieldsPage::thingWanted, this, &PartEditor::select);
    connect(paste_, &PastePanel::taken, this, &PartEditor::edit);
    connect(paste_, &PastePanel::closed, paste_, &QWidget::hide);
    for (QTreeWidget* list : {modes_, unknown_}) {
        connect(list, &QTreeWidget::currentItemChanged, this, [this](const QTreeWidgetItem* item) {
            if (item != nullptr) {
                select(item->data(0, Qt::UserRole).toString());
            }
        });
    }
}

void PartEditor::showTab(Tab tab) {
    pages_->setCurrentIndex(static_cast<int>(tab));
    tabGroup_->button(static_cast<int>(tab))->setChecked(true);
}

PartEditor::Tab PartEditor::tab() const {
    return static_cast<Tab>(pages_->currentIndex());
}

/// What was typed a moment ago counts.
void PartEditor::settleText() {
    if (soon_->isActive()) {
        check();
    }
}

void PartEditor::edit(const QString& content) {
    text_->takeText(content);
    check();
}

/// Where the cursor is, the tree and the side are.
void PartEditor::follow() {
    if (isFollowing_) {
        return;
    }
    int line = 0;
    int column = 0;
    text_->getCursorPosition(&line, &column);
    const QString id = text_->idAt(line);
    if (!id.isEmpty() && id != selected_) {
        isFollowing_ = true;
        selected_ = id;
        tree_->select(id);
        side_->show(text_->text(), id, part_ ? &*part_ : nullptr);
        isFollowing_ = false;
    }
}

void PartEditor::select(const QString& id) {
    if (isFollowing_ || id.isEmpty()) {
        return;
    }
    isFollowing_ = true;
    selected_ = id;
    text_->showId(id);
    tree_->select(id);
    side_->show(text_->text(), id, part_ ? &*part_ : nullptr);
    if (part_ && part_->findNode(id.toStdString())) {
        clocks_->select(id);
    }
    isFollowing_ = false;
}

/// "uart1", "uart2", …: the first that nothing is called.
QString PartEditor::freeId(const QString& like) const {
    QString stem = like;
    while (!stem.isEmpty() && stem.back().isDigit()) {
        stem.chop(1);
    }
    const TextWords words = readWords(text_->text().toStdString());
    for (int number = 1;; ++number) {
        const QString id = stem + QString::number(number);
        if (madeAt(words, id.toStdString()).empty()) {
            return id;
        }
    }
}

void PartEditor::askInsert(const QString& below) {
    QMenu menu(this);
    menu.addAction(tr("A source"), this, [this, below] { insert("source", below); });
    menu.addAction(below.isEmpty() ? tr("A line") : tr("A line from %1").arg(below), this,
                   [this, below] { insert("line", below); });
    if (part_ && part_->findPeripheral(below.toStdString())) {
        menu.addAction(tr("A peripheral like %1").arg(below), this, [this, below] { insert("peripheral", below); });
    } else {
        menu.addAction(tr("A peripheral"), this, [this, below] { insert("peripheral", below); });
    }
    menu.setActiveAction(menu.actions().front());
    menu.exec(tree_->viewport()->mapToGlobal(tree_->visualItemRect(tree_->currentItem()).bottomLeft()));
}

void PartEditor::insert(const QString& kind, const QString& below) {
    settleText();
    const std::string content = text_->text().toStdString();
    const bool isPeripheral = part_ && part_->findPeripheral(below.toStdString()).has_value();
    const QString id = freeId(kind == "source" ? "rc" : (kind == "line" ? "line" : (isPeripheral ? below : QString("timer"))));
    std::optional<std::string> next;
    if (kind == "peripheral" && isPeripheral) {
        next = likeAnother(content, below.toStdString(), id.toStdString());
    }
    if (!next) {
        const QString node = part_ && part_->findNode(below.toStdString()) ? below : QString("core");
        const QString table = kind == "source" ? QString("[[source]]\nid = \"%1\"\nkind = \"rc\"\nrate = \"8 MHz\"\n").arg(id)
                              : kind == "line"
                                  ? QString("[[line]]\nid = \"%1\"\nfrom = \"%2\"\ndivide = [1, 2, 4]\n").arg(id, node)
                                  : QString("[[peripheral]]\nid = \"%1\"\nkind = \"timer\"\nclock = \"%2\"\nbits = 16\nprescaler "
                                            "= { from = 1, to = 65536 }\n")
                                        .arg(id, node);
        next = withTable(content, {}, table.toStdString());
    }
    edit(string(*next));
    select(id);
}

void PartEditor::remove(const QString& id) {
    const auto next = withoutThing(text_->text().toStdString(), id.toStdString());
    if (next) {
        selected_.clear();
        edit(string(*next));
    } else {
        status_->setText(tr("%1 is one of several that a pattern makes: change that in the text.").arg(id));
    }
}

void PartEditor::showOutline() {
    PartOutline outline(text_->text(), theme_, this);
    if (outline.exec() == QDialog::Accepted && outline.line() >= 0) {
        text_->setCursorPosition(outline.line(), 0);
        text_->SendScintilla(QsciScintillaBase::SCI_CHOOSECARETX); // the arrows go on from there
        text_->ensureLineVisible(outline.line());
        text_->setFocus();
    }
}

void PartEditor::pasteTable() {
    settleText();
    const QMimeData* clipboard = QApplication::clipboard()->mimeData();
    if (!part_) {
        status_->setText(tr("A table is matched to what the part has: mend its errors first."));
    } else if (clipboard == nullptr || !paste_->paste(clipboard, text_->text(), *part_)) {
        status_->setText(tr("The clipboard holds no table."));
    } else {
        showTab(Tab::tree);
        status_->setText(tr("Each row of the table says what it would change, or why it stays out."));
        paste_->show();
        paste_->table()->setFocus();
    }
}

/// Where the files that the text names stand: beside the part; of a new one, where it will be saved.
QString PartEditor::folder() const {
    return path_.isEmpty() ? ownParts_ : QFileInfo(path_).path();
}

/// The description of the registers that the text names; it must stand beside the part.
void PartEditor::readRegisters() {
    const QString name = text_->registersNamed();
    if (name == registersRead_) {
        fields_->show(text_->registers(), owned_);
        return;
    }
    registersRead_ = name;
    Diagnostics ignored; // told among the faults
    const auto content = !name.isEmpty() && standsWithin((folder() + "/" + name).toStdString(), folder().toStdString())
                             ? readTextFile((folder() + "/" + name).toStdString(), ignored)
                             : std::nullopt;
    text_->setRegisters(content ? readRegisterFile(*content, name.toStdString()).names : std::nullopt);
    side_->setRegisters(text_->registers());
    fields_->show(text_->registers(), owned_);
}

QString PartEditor::openFile(const QString& path, Origin origin) {
    Diagnostics diagnostics;
    const auto content = readTextFile(path.toStdString(), diagnostics);
    if (!content) {
        return string(diagnosticText(diagnostics.front()));
    }
    path_ = path;
    origin_ = origin;
    text_->setText(string(*content));
    text_->setModified(false);
    setTitle();
    check();
    return {};
}

void PartEditor::begin() {
    path_.clear();
    origin_ = Origin::own;
    text_->setText(string(partSkeleton(kNewId)));
    text_->setModified(true); // it is nowhere yet
    setTitle();
    check();
}

QString PartEditor::status() const {
    return status_->text();
}

void PartEditor::setTitle() {
    const QString name = path_.isEmpty() ? tr("New part") : QFileInfo(path_).fileName();
    title_->setText(name);
    setWindowTitle(name + "[*] \u2014 Wise Tick");
    setWindowModified(text_->isModified());
}

/// The plan that stands on the part, if it still does; else a fresh one on which every crystal has its least rate.
Plan PartEditor::planFor(const Part& part) const {
    if (plan_.part == part.id && readPlan(writePlan(plan_), {}, &part).plan) {
        return plan_;
    }
    Plan fresh = freshPlan(part);
    for (const Source& source : part.sources) {
        if (source.kind != SourceKind::rc && source.rangeMin) {
            Fitted fitted;
            fitted.source = source.id;
            fitted.rate = *source.rangeMin;
            fresh.board.fitted.push_back(std::move(fitted));
        }
    }
    return fresh;
}

/// Reads the text as it stands; without faults the clocks follow.
void PartEditor::check() {
    soon_->stop();
    PartFile file = readPart(text_->text().toStdString(), QFileInfo(path_).fileName().toStdString(), folder().toStdString());
    diagnostics_ = file.diagnostics;
    part_ = std::move(file.part);
    if (part_) {
        owned_ = std::move(file.fields);
        for (const Diagnostics& suspicions :
             {lintPart(*part_, file.accepted, file.suspicions), lintReset(*part_), lintExpects(*part_, file.expects)}) {
            diagnostics_.insert(diagnostics_.end(), suspicions.begin(), suspicions.end());
        }
        const QString selected = clocks_->selected();
        if (!document_.isOpen() || document_.part().id != part_->id || !document_.takePart(*part_).empty()) {
            document_.show(*part_, planFor(*part_));
        }
        const bool isThere = part_->findNode(selected.toStdString()).has_value();
        clocks_->select(isThere ? selected : string(part_->nodeId(part_->core)));
    }
    text_->mark(diagnostics_);
    text_->setPart(part_ ? &*part_ : nullptr);
    list(diagnostics_);
    readRegisters();
    if (part_) {
        isFollowing_ = true;
        tree_->show(*part_);
        isFollowing_ = false;
        showModes();
        showUnknown();
        if (paste_->isVisible()) {
            paste_->follow(text_->text(), *part_);
        }
    }
    side_->show(text_->text(), selected_, part_ ? &*part_ : nullptr);
    sayHow();
}

/// The line above the text.
void PartEditor::sayHow() {
    const QString counts = part_ ? tr("%1 lines, %2 peripherals, unknown: %3")
                                       .arg(part_->lines.size())
                                       .arg(part_->peripherals.size())
                                       .arg(unknown_->topLevelItemCount())
                                 : QString();
    status_->setText((!part_                 ? tr("The clocks show the last state without errors.")
                      : diagnostics_.empty() ? tr("No faults, nothing suspicious: the clocks follow.")
                                             : tr("No errors: the clocks follow.")) +
                     (counts.isEmpty() ? QString() : "  \u00b7  " + counts));
}

void PartEditor::list(const Diagnostics& diagnostics) {
    faults_->clear();
    for (const Diagnostic& diagnostic : diagnostics) {
        const auto range = text_->rangeOf(diagnostic);
        const Text said = diagnostic.found + (diagnostic.expected.empty() ? "" : "; expected " + diagnostic.expected) +
                          (diagnostic.mend.empty() ? "" : "; " + diagnostic.mend);
        auto* item = new QListWidgetItem((range ? tr("line %1: ").arg(range->line + 1) : QString()) + string(said), faults_);
        item->setForeground(diagnostic.severity == Severity::error ? theme_.broken : theme_.strained);
    }
    faults_->setVisible(!diagnostics.empty());
}

QString PartEditor::save() {
    check();
    const QString id = part_ ? string(part_->id) : QString();
    QString path = path_;
    if (path.isEmpty() || origin_ == Origin::shipped || !QFileInfo(path).isWritable()) {
        if (id.isEmpty()) {
            return tr("A new part needs an id and no errors before it has a file.");
        }
        path = QDir(ownParts_).filePath(id + ".part.toml");
        if (QFileInfo::exists(path)) {
            return tr("There is a part '%1' of your own already: give this one another id.").arg(id);
        }
        QDir().mkpath(ownParts_);
    }
    if (const Text why = writeWholeFile(path.toStdString(), text_->text().toStdString()); !why.empty()) {
        return string(why);
    }
    path_ = path;
    origin_ = Origin::own;
    text_->setModified(false);
    setTitle();
    emit saved(path);
    return {};
}

void PartEditor::keyPressEvent(QKeyEvent* event) {
    if (event->matches(QKeySequence::Save)) {
        const QString trouble = save();
        if (!trouble.isEmpty()) {
            status_->setText(trouble);
        }
    } else if (event->key() == Qt::Key_V && event->modifiers() == (Qt::ControlModifier | Qt::ShiftModifier)) {
        pasteTable();
    } else if (event->key() == Qt::Key_G && event->modifiers() == Qt::ControlModifier) {
        showOutline();
    } else if (event->matches(QKeySequence::Close)) {
        close();
    } else {
        QWidget::keyPressEvent(event);
    }
}

void PartEditor::changeEvent(QEvent* event) {
    QWidget::changeEvent(event);
    if (event->type() == QEvent::FontChange && soon_ != nullptr) {
        setTheme(theme_); // titles have fonts of their own
    }
}

void PartEditor::closeEvent(QCloseEvent* event) {
    if (!text_->isModified()) {
        return;
    }
    const auto answer = QMessageBox::question(this, tr("Part"), tr("The part has changes that are not saved."),
                                              QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel, QMessageBox::Save);
    if (answer == QMessageBox::Cancel || (answer == QMessageBox::Save && !save().isEmpty())) {
        event->ignore();
    }
}

} // namespace wisetick::app
