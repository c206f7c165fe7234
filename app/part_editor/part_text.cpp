#include "part_editor/part_text.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "workshop/text_ids.h"

#include <Qsci/qscilexerproperties.h>

#include <QEvent>
#include <QRegularExpression>

namespace wisetick::app {

namespace {

constexpr int kErrorMark = 8; // numbers below are the lexer's
constexpr int kWarningMark = 9;
constexpr int kNumbers = 0; ///< the margin of line numbers

} // namespace

PartText::PartText(QWidget* parent) : QsciScintilla(parent) {
    setAccessibleName(tr("Text of the part"));
    setFrameShape(QFrame::NoFrame);
    setUtf8(true);
    setEolMode(EolUnix);
    setIndentationsUseTabs(false);
    setTabWidth(2);
    setAutoIndent(true);
    setBraceMatching(SloppyBraceMatch);
    setMarginType(kNumbers, NumberMargin);
    setMarginWidth(1, 0);
    setFolding(NoFoldStyle);
    setCaretLineVisible(true);
    SendScintilla(SCI_SETMARGINLEFT, 0UL, 6L); // between numbers and text
    setCornerWidget(new QWidget);
    setScrollWidth(1);
    setScrollWidthTracking(true);
    replaceVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    replaceHorizontalScrollBar(new SlimScrollBar(Qt::Horizontal));
    lexer_ = new QsciLexerProperties(this);
    setLexer(lexer_);
    indicatorDefine(SquiggleIndicator, kErrorMark);
    indicatorDefine(SquiggleIndicator, kWarningMark);
    setFonts();
    setTheme(theme_);
    connectHelp();
}

void PartText::setFonts() {
    QFont font = faceFont(Face::figure);
    lexer_->setDefaultFont(font);
    lexer_->setFont(font, -1);
    setMarginsFont(font);
    setMarginWidth(kNumbers, "000000");
}

void PartText::setTheme(const Theme& theme) {
    theme_ = theme;
    lexer_->setDefaultPaper(theme.panel);
    lexer_->setPaper(theme.panel, -1);
    lexer_->setColor(theme.ink, -1);
    lexer_->setColor(theme.ink, QsciLexerProperties::Default);
    lexer_->setColor(theme.muted, QsciLexerProperties::Comment);
    lexer_->setColor(theme.thread, QsciLexerProperties::Section);
    lexer_->setColor(theme.muted, QsciLexerProperties::Assignment);
    lexer_->setColor(theme.kept, QsciLexerProperties::Key);
    setMarginsBackgroundColor(theme.paper);
    setMarginsForegroundColor(theme.muted);
    setCaretForegroundColor(theme.ink);
    setCaretLineBackgroundColor(theme.selected);
    setSelectionBackgroundColor(theme.kept);
    setSelectionForegroundColor(theme.isDark ? theme.head : QColor("#FFFFFF"));
    setMatchedBraceForegroundColor(theme.thread);
    setMatchedBraceBackgroundColor(theme.selected);
    setUnmatchedBraceForegroundColor(theme.broken);
    setUnmatchedBraceBackgroundColor(theme.panel);
    setIndicatorForegroundColor(theme.broken, kErrorMark);
    setIndicatorForegroundColor(theme.strained, kWarningMark);
    for (QScrollBar* bar : {verticalScrollBar(), horizontalScrollBar()}) {
        static_cast<SlimScrollBar*>(bar)->setTheme(theme);
    }
}

void PartText::changeEvent(QEvent* event) {
    QsciScintilla::changeEvent(event);
    if (event->type() == QEvent::FontChange) {
        setFonts();
    }
}

std::optional<PartText::Range> PartText::rangeOf(const Diagnostic& diagnostic) const {
    const Place& place = diagnostic.place;
    if (place.line > 0) {
        const int line = std::min(place.line - 1, lines() - 1);
        const QString content = text(line).trimmed().isEmpty() ? QString() : text(line).section('\n', 0, 0);
        const int length = static_cast<int>(content.size());
        const int from = std::clamp(place.column - 1, 0, std::max(0, length - 1));
        // the word or text that begins there
        static const QRegularExpression word("\"[^\"]*\"?|[A-Za-z0-9_.-]+|\\[+[^\\]]*\\]*|\\{[^}]*\\}?");
        const auto match =
            word.match(content, from, QRegularExpression::NormalMatch, QRegularExpression::AnchorAtOffsetMatchOption);
        return Range{line, from, match.hasMatch() ? static_cast<int>(match.capturedEnd()) : std::min(length, from + 1)};
    }
    // "line.bus_a", "peripheral.uart1", "line/bus_a": the line of that entry's id
    const QStringList path = QString::fromStdString(place.path).split(QRegularExpression("[./]"));
    const QRegularExpression entry("^id\\s*=\\s*\"" + QRegularExpression::escape(path.value(1)) + "\"");
    for (int line = 0; path.size() > 1 && line < lines(); ++line) {
        const auto match = entry.match(text(line));
        if (match.hasMatch()) {
            return Range{line, 0, static_cast<int>(match.capturedEnd())};
        }
    }
    return std::nullopt;
}

void PartText::mark(const Diagnostics& diagnostics) {
    marked_ = diagnostics;
    const int last = lines() - 1;
    for (const int indicator : {kErrorMark, kWarningMark}) {
        clearIndicatorRange(0, 0, last, static_cast<int>(text(last).size()), indicator);
    }
    for (const Diagnostic& diagnostic : diagnostics) {
        if (const auto range = rangeOf(diagnostic)) {
            fillIndicatorRange(range->line, range->from, range->line, range->to,
                               diagnostic.severity == Severity::error ? kErrorMark : kWarningMark);
        }
    }
}

void PartText::goTo(const Range& range) {
    setCursorPosition(range.line, range.from);
    ensureLineVisible(range.line);
    setFocus();
}

void PartText::takeText(const QString& content) {
    const QByteArray before = text().toUtf8();
    const QByteArray after = content.toUtf8();
    if (before == after) {
        return;
    }
    qsizetype same = 0; // bytes at the beginning, then at the end; never within a character
    const qsizetype shorter = std::min(before.size(), after.size());
    while (same < shorter && before[same] == after[same]) {
        ++same;
    }
    const auto isInside = [](char byte) { return (static_cast<unsigned char>(byte) & 0xC0U) == 0x80; };
    while (same > 0 && ((same < before.size() && isInside(before[same])) || (same < after.size() && isInside(after[same])))) {
        --same;
    }
    qsizetype end = 0;
    while (end < shorter - same && before[before.size() - 1 - end] == after[after.size() - 1 - end]) {
        ++end;
    }
    while (end > 0 && isInside(before[before.size() - end])) {
        --end;
    }
    beginUndoAction();
    SendScintilla(SCI_SETTARGETRANGE, static_cast<unsigned long>(same), static_cast<long>(before.size() - end));
    const QByteArray put = after.mid(same, after.size() - end - same);
    SendScintilla(SCI_REPLACETARGET, static_cast<unsigned long>(put.size()), put.constData());
    endUndoAction();
}

void PartText::insertHere(const QString& words) {
    beginUndoAction();
    replaceSelectedText(words);
    if (!hasSelectedText()) {
        insert(words);
        int line = 0;
        int column = 0;
        getCursorPosition(&line, &column);
        setCursorPosition(line, column + static_cast<int>(words.size()));
    }
    endUndoAction();
}

QString PartText::idAt(int line) const {
    const TextWords words = readWords(text().toStdString());
    const std::size_t entry = words.entryAt(line);
    QString id;
    for (const TextWord& word : words.words) {
        const bool isId =
            word.entry == entry && word.kind == TextWord::Kind::text && !word.keys.empty() && word.keys.back() == "id";
        if (isId && word.keys.size() == 1) {
            id = QString::fromStdString(word.text);
        } else if (isId && word.keys.front() == "each" && word.line == line) {
            return QString::fromStdString(word.text);
        }
    }
    return id;
}

void PartText::showId(const QString& id) {
    const std::vector<TextPlace> made = madeAt(readWords(text().toStdString()), id.toStdString());
    if (!made.empty()) {
        setCursorPosition(made.front().line,
                          static_cast<int>(QString::fromUtf8(text(made.front().line).toUtf8().left(made.front().from)).size()));
        constexpr int kAbove = 4; // lines of what stands before it
        setFirstVisibleLine(std::max(made.front().line - kAbove, 0));
    }
}

QString PartText::registersNamed() const {
    for (const TextWord& word : readWords(text().toStdString()).words) {
        if (word.entry == 0 && word.kind == TextWord::Kind::text && word.keys == std::vector<std::string>{"registers"}) {
            return QString::fromStdString(word.text);
        }
    }
    return {};
}

bool PartText::isMarked(int line, int column, Severity severity) const {
    const int position = positionFromLineIndex(line, column);
    const int mark = severity == Severity::error ? kErrorMark : kWarningMark;
    return SendScintilla(SCI_INDICATORVALUEAT, static_cast<unsigned long>(mark), static_cast<long>(position)) != 0;
}

} // namespace wisetick::app
