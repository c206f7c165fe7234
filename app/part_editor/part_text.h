#pragma once

#include "base/diagnostic.h"
#include "paint/theme.h"

#include <Qsci/qsciscintilla.h>

class QsciLexerProperties;

namespace wisetick::app {

/// The text of a part file, coloured, with its faults underlined where they stand.
class PartText : public QsciScintilla {
    Q_OBJECT

public:
    explicit PartText(QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
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
    /// Whether a mark of that severity stands at a place.
    bool isMarked(int line, int column, Severity severity) const;

protected:
    void changeEvent(QEvent* event) override;

private:
    void setFonts();

    Theme theme_ = lightTheme();
    QsciLexerProperties* lexer_;
};

} // namespace wisetick::app
