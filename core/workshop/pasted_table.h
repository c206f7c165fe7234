#pragma once

#include "base/text.h"
#include "part/part.h"
#include "workshop/pasted_cells.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// What a column of the table is.
struct PastedColumn {
    enum class Means { nothing, name, typ, max, min, unit, tier };
    Means means = Means::nothing;
    std::string unit = {};                   ///< of its figures, from the head: "uA/MHz"; empty: in the cells or another column
    std::optional<std::string> celsius = {}; ///< the figures hold at that temperature: "85 C"
    bool operator==(const PastedColumn&) const = default;
};

/// What the columns mean, guessed from their head and what stands in them; and how many rows are the head.
struct PastedMeaning {
    std::vector<PastedColumn> columns;
    std::size_t headRows = 0;
};
PastedMeaning guessMeaning(const PastedCells& cells, const Part& part);

/// "peripheral, module, …": the words by which a column is told, for people; "typ", "max", …
std::string meansName(PastedColumn::Means means);

/// What a figure is of a thing.
enum class PastedFact { draws, startup, limit, wakes };
/// "draws", "start-up", "limit", "waking".
std::string factName(PastedFact fact);

/// One row, and what it would change.
struct PastedRow {
    std::size_t row = 0; ///< in the cells
    std::string id;      ///< of the thing that it is about; empty where that is not clear
    std::string key;     ///< "draws"
    std::string before;  ///< as typed in the part; empty where nothing stands there
    std::string after;
    Text unclear; ///< why it stays out; empty: it is taken
};

/// What each row of the table would change in the part's text. Things are found by their id or name, whatever blanks, signs and
/// capitals; figures get the `ref` where it is not empty. What is not clear stays out and says why. `fact`: what the figures are
/// where their units leave that open (amperes are draws, seconds start-ups, hertz limits).
std::vector<PastedRow> pastedRows(const PastedCells& cells, const PastedMeaning& meaning, const std::string& text,
                                  const Part& part, const std::string& ref, std::optional<PastedFact> fact = std::nullopt);

/// The text with all rows that are clear.
std::string withPasted(const std::string& text, const std::vector<PastedRow>& rows);

} // namespace wisetick
