#include "part_editor/part_editor.h"

#include "clocks/clocks_view.h"
#include "derive/lint_reset.h"
#include "files/part_skeleton.h"
#include "files/plan_writer.h"
#include "files/whole_file.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "part/lint.h"

#include <QCloseEvent>
#include <QDir>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QMessageBox>
#include <QSplitter>
#include <QTimer>
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
    resize(1180, 760);
    setAutoFillBackground(true);
    status_ = new QLabel;
    status_->setTextFormat(Qt::PlainText);
    status_->setContentsMargins(12, 8, 12, 8);
    text_ = new PartText;
    faults_ = new QListWidget;
    faults_->setFrameShape(QFrame::NoFrame);
    faults_->setWordWrap(true);
    faults_->setSpacing(3);
    faults_->setResizeMode(QListView::Adjust);
    faults_->setAccessibleName(tr("Faults of the part"));
    faults_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    faults_->setFixedHeight(120);
    clocks_ = new ClocksView(document_);
    left_ = new QWidget;
    left_->setAutoFillBackground(true);
    auto* column = new QVBoxLayout(left_);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(status_);
    column->addWidget(text_, 1);
    column->addWidget(faults_);
    auto* splitter = new QSplitter;
    splitter->setHandleWidth(1);
    splitter->setChildrenCollapsible(false);
    splitter->addWidget(left_);
    splitter->addWidget(clocks_);
    splitter->setSizes({600, 580});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(splitter);
    soon_ = new QTimer(this);
    soon_->setSingleShot(true);
    soon_->setInterval(kStillFor);
    connect(soon_, &QTimer::timeout, this, &PartEditor::check);
    connect(text_, &QsciScintilla::textChanged, this, [this] { soon_->start(); });
    connect(text_, &QsciScintilla::modificationChanged, this, &PartEditor::setTitle);
    connect(faults_, &QListWidget::itemActivated, this, [this](const QListWidgetItem* item) {
        if (const auto range = text_->rangeOf(diagnostics_[static_cast<std::size_t>(faults_->row(item))])) {
            text_->goTo(*range);
        }
    });
    connect(faults_, &QListWidget::itemClicked, faults_, &QListWidget::itemActivated);
    setTheme(theme);
}

void PartEditor::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = this->palette();
    palette.setColor(QPalette::Window, theme.panel);
    palette.setColor(QPalette::WindowText, theme.ink);
    palette.setColor(QPalette::Base, theme.panel);
    palette.setColor(QPalette::Text, theme.ink);
    palette.setColor(QPalette::Highlight, theme.selected);
    palette.setColor(QPalette::HighlightedText, theme.ink);
    setPalette(palette);
    left_->setPalette(palette);
    faults_->setPalette(palette);
    status_->setFont(faceFont(Face::small));
    static_cast<SlimScrollBar*>(faults_->verticalScrollBar())->setTheme(theme);
    text_->setTheme(theme);
    clocks_->setTheme(theme);
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
    setWindowTitle(name + "[*] \u2013 Wise Tick");
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
    PartFile file =
        readPart(text_->text().toStdString(), QFileInfo(path_).fileName().toStdString(), QFileInfo(path_).path().toStdString());
    diagnostics_ = file.diagnostics;
    part_ = std::move(file.part);
    if (part_) {
        for (const Diagnostics& suspicions : {lintPart(*part_, file.accepted, file.suspicions), lintReset(*part_)}) {
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
    list(diagnostics_);
    status_->setText(!part_                 ? tr("The clocks show the last state without errors.")
                     : diagnostics_.empty() ? tr("No faults, nothing suspicious: the clocks follow.")
                                            : tr("No errors: the clocks follow."));
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
    } else if (event->matches(QKeySequence::Close)) {
        close();
    } else {
        QWidget::keyPressEvent(event);
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
