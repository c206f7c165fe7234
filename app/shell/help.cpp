#include "shell/help.h"

#include "paint/controls.h"
#include "paint/text.h"

#include <QAction>
#include <QDesktopServices>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QGuiApplication>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QRegularExpression>
#include <QScrollBar>
#include <QSplitter>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTextDocument>
#include <QUrl>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

constexpr int kMostFound = 60;
constexpr int kMostMarked = 500;
constexpr int kPictureWide = 600;

} // namespace

Help::Help(const QString& folder, const QString& page, const Theme& theme, QWidget* parent)
    : QDialog(parent), folder_(folder), theme_(theme), index_(folder), search_(new QLineEdit), contents_(new QListWidget),
      browser_(new QTextBrowser) {
    setAttribute(Qt::WA_WindowPropagation);
    setWindowTitle(tr("Help"));
    resize(1000, 680);
    search_->setPlaceholderText(tr("Find in all pages"));
    search_->setAccessibleName(tr("Find in all pages"));
    search_->installEventFilter(this);
    contents_->setFrameShape(QFrame::NoFrame);
    contents_->setAccessibleName(tr("Contents"));
    contents_->setFont(faceFont(Face::word));
    contents_->setWordWrap(true);
    browser_->setFrameShape(QFrame::NoFrame);
    browser_->setAccessibleName(tr("Page"));
    for (QAbstractScrollArea* area :
         {static_cast<QAbstractScrollArea*>(contents_), static_cast<QAbstractScrollArea*>(browser_)}) {
        auto* bar = new SlimScrollBar(Qt::Vertical);
        bar->setTheme(theme);
        area->setVerticalScrollBar(bar);
    }
    browser_->setOpenLinks(false);
    browser_->document()->setDocumentMargin(20);
    browser_->setFont(faceFont(Face::word));
    auto* left = new QWidget;
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(12, 12, 4, 4);
    column->addWidget(search_);
    column->addWidget(contents_, 1);
    auto* splitter = new QSplitter;
    splitter->setHandleWidth(1);
    splitter->addWidget(left);
    splitter->addWidget(browser_);
    splitter->setStretchFactor(1, 1);
    splitter->setSizes({280, 720});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(splitter);
    connect(browser_, &QTextBrowser::anchorClicked, this, &Help::follow);
    connect(search_, &QLineEdit::textChanged, this, &Help::list);
    connect(contents_, &QListWidget::currentRowChanged, this, &Help::openRow);
    auto* back = new QAction(this);
    back->setShortcut(QKeySequence::Back);
    connect(back, &QAction::triggered, this, &Help::goBack);
    addAction(back);
    contents_->installEventFilter(this);
    browser_->installEventFilter(this);
    list();
    load(page, {});
    browser_->setFocus();
}

QString Help::shown() const {
    return browser_->toPlainText();
}

/// All pages while nothing is looked for, else where the words stand.
void Help::list() {
    const QString words = search_->text().trimmed();
    listed_ = words.isEmpty() ? index_.pages() : index_.find(words, kMostFound);
    const QSignalBlocker quiet(contents_);
    contents_->clear();
    for (const DocPlace& at : std::as_const(listed_)) {
        const QString where = at.heading == at.title ? at.title : tr("%1: %2").arg(at.title, at.heading);
        contents_->addItem(words.isEmpty() ? at.title : where + (at.line == at.heading ? QString() : "\n" + at.line.left(90)));
    }
    if (listed_.isEmpty()) {
        contents_->addItem(tr("no page has these words"));
        contents_->item(0)->setFlags(Qt::NoItemFlags);
    }
    showWhere();
    markWords();
}

/// In the contents, the page that is read.
void Help::showWhere() {
    if (search_->text().trimmed().isEmpty()) {
        const auto page = std::find_if(listed_.begin(), listed_.end(), [&](const DocPlace& each) { return each.page == page_; });
        const QSignalBlocker quiet(contents_);
        contents_->setCurrentRow(page != listed_.end() ? static_cast<int>(page - listed_.begin()) : -1);
    }
}

/// In the page, the words that are looked for.
void Help::markWords() {
    QList<QTextEdit::ExtraSelection> marks;
    const QString words = search_->text().trimmed();
    for (const QString& word : words.split(' ', Qt::SkipEmptyParts)) {
        for (QTextCursor at = browser_->document()->find(word); !at.isNull() && word.size() > 1 && marks.size() < kMostMarked;
             at = browser_->document()->find(word, at)) {
            QTextEdit::ExtraSelection mark;
            mark.cursor = at;
            mark.format.setBackground(theme_.selected);
            mark.format.setFontUnderline(true);
            marks << mark;
        }
    }
    browser_->setExtraSelections(marks);
}

void Help::openRow(int row) {
    if (row >= 0 && row < listed_.size()) {
        const DocPlace& at = listed_[row];
        showPage(at.page, at.heading == at.title ? QString() : at.heading);
    }
}

void Help::showPage(const QString& page, const QString& heading) {
    if (!page_.isEmpty()) {
        before_ << std::pair(page_, QString());
    }
    load(page, heading);
}

void Help::goBack() {
    if (!before_.isEmpty()) {
        const auto [page, heading] = before_.takeLast();
        load(page, heading);
    }
}

void Help::load(const QString& page, const QString& heading) {
    page_ = page;
    QFile file(folder_ + "/" + page);
    if (!file.open(QIODevice::ReadOnly)) {
        browser_->setPlainText(tr("The page %1 is not installed here.").arg(file.fileName()));
        return;
    }
    QTextDocument text;
    text.setMarkdown(QString::fromUtf8(file.readAll()));
    browser_->setSearchPaths({QFileInfo(file).absolutePath()}); // of the pictures
    static const QRegularExpression pictures("<img src=\"([^\"]*)\"");
    // links in the colour of the theme, tables without boxes in boxes, pictures as wide as the page
    browser_->setHtml(text.toHtml()
                          .replace(QGuiApplication::palette().color(QPalette::Link).name(), theme_.thread.name())
                          .replace("<table border=\"1\"", "<table border=\"0\" cellpadding=\"4\"")
                          .replace(pictures, QString("<img width=\"%1\" src=\"\\1\"").arg(kPictureWide)));
    for (QTextBlock block = browser_->document()->begin(); block.isValid(); block = block.next()) {
        const auto first = block.begin();
        const bool isOutput =
            !first.atEnd() && first.fragment().charFormat().fontFixedPitch() && first.fragment().length() == block.length() - 1;
        if (isOutput) { // its columns stay columns
            QTextBlockFormat format = block.blockFormat();
            format.setNonBreakableLines(true);
            QTextCursor(block).setBlockFormat(format);
        }
    }
    showWhere();
    markWords();
    for (QTextBlock block = browser_->document()->begin(); !heading.isEmpty() && block.isValid(); block = block.next()) {
        if (block.blockFormat().headingLevel() > 0 && block.text().simplified() == heading) {
            browser_->verticalScrollBar()->setValue(browser_->verticalScrollBar()->maximum());
            browser_->setTextCursor(QTextCursor(block)); // and up to it, so that it stands at the top
            browser_->ensureCursorVisible();
            return;
        }
    }
}

void Help::follow(const QUrl& link) {
    if (!link.scheme().isEmpty() && link.scheme() != "file") {
        QDesktopServices::openUrl(link);
        return;
    }
    const QString path = link.path();
    const QString page = path.isEmpty() ? page_ : QDir::cleanPath(QFileInfo(page_).path() + "/" + path);
    // "#how-it-is-measured" is the heading of these words
    QString heading;
    const QString anchor = link.fragment();
    for (const QString& each : index_.headingsOf(page)) {
        static const QRegularExpression others("[^a-z0-9 -]");
        heading = each.toLower().remove(others).replace(' ', '-') == anchor ? each : heading;
    }
    showPage(page, heading);
}

bool Help::eventFilter(QObject* watched, QEvent* event) {
    if (watched == search_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Down || key == Qt::Key_Return || key == Qt::Key_Enter) {
            contents_->setFocus();
            contents_->setCurrentRow(0);
            return true; // Enter would close the dialog
        }
    } else if (event->type() == QEvent::KeyPress) {
        const auto* key = static_cast<QKeyEvent*>(event);
        const bool isTyped = !key->text().isEmpty() && key->text().front().isLetterOrNumber() &&
                             !(key->modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier));
        if (isTyped) { // letters are looked for, wherever one is
            search_->setFocus();
            search_->setText(key->text());
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace wisetick::app
