// What helps while a part's text is typed.

#include "language/said.h"
#include "paint/tip.h"
#include "part_editor/part_text.h"
#include "workshop/mends.h"
#include "workshop/part_edits.h"
#include "workshop/text_ids.h"

#include <QKeyEvent>
#include <QToolTip>

#include <algorithm>
#include <utility>

namespace wisetick::app {

namespace {

constexpr int kOffers = 1;          ///< the number of the list, for the text's widget
constexpr int kRestFor = 500;       ///< ms, until a key is explained
constexpr int kMostExplained = 600; ///< letters

} // namespace

void PartText::connectHelp() {
    SendScintilla(SCI_SETMOUSEDWELLTIME, static_cast<unsigned long>(kRestFor));
    connect(this, &QsciScintillaBase::SCN_DWELLSTART, this, [this](int position, int x, int y) {
        int line = 0;
        int column = 0;
        lineIndexFromPosition(position, &line, &column);
        const QString meaning = position < 0 ? QString() : meaningAt(line, column);
        if (!meaning.isEmpty()) {
            QToolTip::showText(viewport()->mapToGlobal(QPoint(x, y)), tipText(meaning), this);
        }
    });
    connect(this, &QsciScintillaBase::SCN_CHARADDED, this, [this](int sign) {
        if (sign == '"') {
            complete();
        }
    });
    connect(this, &QsciScintilla::userListActivated, this, [this](int, const QString& chosen) {
        const auto offer =
            std::find_if(offered_.begin(), offered_.end(), [&](const TextOffer& each) { return app::text(each.text) == chosen; });
        if (offer != offered_.end()) {
            int line = 0;
            int column = 0;
            getCursorPosition(&line, &column);
            beginUndoAction();
            setSelection(line, columnAt(line, offer->from), line, columnAt(line, offer->to));
            replaceSelectedText(chosen);
            endUndoAction();
        }
    });
}

int PartText::byteAt(int line, int column) const {
    return static_cast<int>(text(line).left(column).toUtf8().size());
}

int PartText::columnAt(int line, int byte) const {
    return static_cast<int>(QString::fromUtf8(text(line).toUtf8().left(byte)).size());
}

std::vector<TextOffer> PartText::offers() const {
    int line = 0;
    int column = 0;
    getCursorPosition(&line, &column);
    const std::string content = text().toStdString();
    const TextSurroundings around{part_, nullptr, &help_, registers_ ? &*registers_ : nullptr};
    return offersAt(content, readWords(content), line, byteAt(line, column), around);
}

bool PartText::complete() {
    offered_ = offers();
    QStringList list;
    for (const TextOffer& offer : offered_) {
        list << app::text(offer.text);
    }
    if (list.isEmpty()) {
        return false;
    }
    SendScintilla(SCI_AUTOCSETSEPARATOR, static_cast<unsigned long>('\n')); // names may have blanks
    showUserList(kOffers, list);
    return true;
}

QString PartText::meaningAt(int line, int column) const {
    const TextWords words = readWords(text().toStdString());
    const TextWord* word = words.at(line, byteAt(line, column));
    if (word == nullptr) {
        return {};
    }
    if (word->kind == TextWord::Kind::key) {
        const std::string& table = words.entries[word->entry].table;
        std::string meaning = help_.meaningOf(table == "template" ? "peripheral" : table, word->text);
        meaning = meaning.empty() ? help_.meaningOf("line", word->text) : meaning;
        const QString said = QString::fromStdString(meaning).remove('`');
        return said.isEmpty() ? QString() : QString("%1: %2").arg(app::text(word->text), said.left(kMostExplained));
    }
    const std::vector<TextPlace> made = madeAt(words, idIn(*word, byteAt(line, column)));
    return made.empty() || made.front().line == line ? QString() : tr("made in line %1 (F12)").arg(made.front().line + 1);
}

QString PartText::idUnderCursor() const {
    int line = 0;
    int column = 0;
    getCursorPosition(&line, &column);
    const TextWords words = readWords(text().toStdString());
    const TextWord* word = words.at(line, byteAt(line, column));
    const std::string id = word == nullptr ? std::string() : idIn(*word, byteAt(line, column));
    return id.empty() || madeAt(words, id).empty() ? QString() : QString::fromStdString(id);
}

bool PartText::goToMade() {
    const QString id = idUnderCursor();
    if (!id.isEmpty()) {
        showId(id);
    }
    return !id.isEmpty();
}

QString PartText::rename(const QString& name) {
    const std::string content = text().toStdString();
    const TextWords words = readWords(content);
    const std::string id = idUnderCursor().toStdString();
    const std::string next = name.trimmed().toStdString();
    const std::vector<TextPlace> made = madeAt(words, id);
    if (id.empty() || made.empty()) {
        return tr("No id stands here.");
    }
    if (made.front().to - made.front().from != static_cast<int>(id.size())) {
        return tr("%1 is one of several that a pattern makes: change that in the text.").arg(app::text(id));
    }
    if (!canBeId(next)) {
        return tr("'%1' is no id: a small letter, then small letters, digits, '_' and '-'.").arg(name);
    }
    if (!madeAt(words, next).empty()) {
        return tr("There is a '%1' already.").arg(name);
    }
    int line = 0;
    int column = 0;
    getCursorPosition(&line, &column);
    takeText(QString::fromStdString(withIdRenamed(content, id, next)));
    renamed_.emplace_back(id, next);
    setCursorPosition(line, column);
    return {};
}

std::vector<std::pair<std::string, std::string>> PartText::takeRenamed() {
    const TextWords words = readWords(text().toStdString());
    std::erase_if(renamed_,
                  [&](const auto& each) { return !madeAt(words, each.first).empty() || madeAt(words, each.second).empty(); });
    return std::exchange(renamed_, {}); // what was taken back is none
}

bool PartText::mend() {
    int line = 0;
    int column = 0;
    getCursorPosition(&line, &column);
    for (const Diagnostic& diagnostic : marked_) {
        const auto range = rangeOf(diagnostic);
        const QString meant = QString::fromStdString(wordMeant(diagnostic.mend));
        if (!range || range->line != line || meant.isEmpty()) {
            continue;
        }
        const QString there = text(line).mid(range->from, range->to - range->from);
        const bool isQuoted = there.startsWith('"');
        if (there == (isQuoted ? "\"" + meant + "\"" : meant)) {
            continue; // it is written already, and not read yet
        }
        beginUndoAction();
        setSelection(line, range->from, line, range->to);
        replaceSelectedText(isQuoted ? "\"" + meant + "\"" : meant);
        endUndoAction();
        return true;
    }
    return false;
}

void PartText::keyPressEvent(QKeyEvent* event) {
    const bool isControl = event->modifiers() == Qt::ControlModifier;
    if (isControl && event->key() == Qt::Key_Space) {
        complete();
    } else if (isControl && event->key() == Qt::Key_Period) {
        mend();
    } else if (event->key() == Qt::Key_F12 && event->modifiers() == Qt::NoModifier) {
        goToMade();
    } else if (event->key() == Qt::Key_F2 && event->modifiers() == Qt::NoModifier) {
        if (const QString id = idUnderCursor(); !id.isEmpty()) {
            emit renameWanted(id);
        }
    } else {
        QsciScintilla::keyPressEvent(event);
    }
}

} // namespace wisetick::app
