#pragma once

#include "base/diagnostic.h"
#include "files/svd.h"
#include "paint/theme.h"
#include "part/part.h"
#include "workshop/key_help.h"
#include "workshop/offers.h"

#include <Qsci/qsciscintilla.h>

class QsciLexerProperties;

namespace wisetick::app {

/// The text of a part file, coloured, with its faults underlined where they stand. Ctrl+Space, and a quotation mark, offer what
/// can stand there; resting on a key says what it means; F12 goes to where an id is made, F2 calls it otherwise, Ctrl+. writes
/// what a wrong word is likely meant to be.
class PartText : public QsciScintilla {
    Q_OBJECT

public:
    explicit PartText(QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    void setHelp(const KeyHelp& help) { help_ = help; }
    /// What the text was when it could be read last; nullptr where it never could.
    void setPart(const Part* part) { part_ = part; }
    void setRegisters(std::optional<RegisterNames> registers) { registers_ = std::move(registers); }
    const std::optional<RegisterNames>& registers() const { return registers_; }
    /// Offers what can stand at the cursor; false where that is nothing.
    bool complete();
    std::vector<TextOffer> offers() const;
    /// What the word there means; empty where nothing is known.
    QString meaningAt(int line, int column) const;
    /// Goes to where the id under the cursor is made; false where there is none.
    bool goToMade();
    /// Calls the id under the cursor otherwise, wherever it is used in this text, as one edit. What is wrong, in words.
    QString rename(const QString& name);
    /// What was called otherwise since this was asked for last, as it still is: the old name and the new one.
    std::vector<std::pair<std::string, std::string>> takeRenamed();
    /// The id under the cursor; empty where there is none.
    QString idUnderCursor() const;
    /// Writes what the wrong word in the cursor's line is likely meant to be; false where nothing is known.
    bool mend();
    /// Underlines the place of each diagnostic that has one: errors and warnings in their own colours.
    void mark(const Diagnostics& diagnostics);
    /// Where a diagnostic stands in the text, as line (from 0), first and behind the last column; the line of an entry's
    /// id for those that name only the entry. Nothing where it can't be told.
    struct Range {
        int line = 0;
        int from = 0;
        int to = 0;
    };
    std::optional<Range> rangeOf(const Diagnostic& diagnostic) const;
    /// Puts the cursor there and shows it.
    void goTo(const Range& range);
    /// Replaces what differs, as one edit.
    void takeText(const QString& content);
    void insertHere(const QString& words);
    /// The thing in whose table or row that line stands; empty where none does.
    QString idAt(int line) const;
    /// Puts the cursor where that id is made, without taking the focus.
    void showId(const QString& id);
    /// The description of registers that the text names; empty where it names none.
    QString registersNamed() const;
    /// Whether a mark of that severity stands at a place.
    bool isMarked(int line, int column, Severity severity) const;

signals:
    /// F2: the id is to be called otherwise.
    void renameWanted(const QString& id);

protected:
    void changeEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void setFonts();
    void connectHelp();
    int byteAt(int line, int column) const;
    int columnAt(int line, int byte) const;

    Theme theme_ = lightTheme();
    QsciLexerProperties* lexer_;
    KeyHelp help_;
    const Part* part_ = nullptr;
    std::optional<RegisterNames> registers_;
    std::vector<TextOffer> offered_;
    Diagnostics marked_;
    std::vector<std::pair<std::string, std::string>> renamed_;
};

} // namespace wisetick::app
