#pragma once

#include "base/text.h"
#include "part/part.h"
#include "workshop/pasted_cells.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// What a figure is of a thing: its draws, start-up, limit, the stages of waking, its rate.
enum class PastedFact { draws, startup, limit, wakes, rate };
/// "draws", "start-up", "limit", "waking", "rate".
std::string factName(PastedFact fact);

/// What a column of the table is. `both` has typical and largest figures on both sides of a stroke; `signal` is what a
/// peripheral's pins are called; `waits` a number of wait states, beside which the columns of largest rates are; `speed` what
/// those leave; `field` a register field, of the key.
struct PastedColumn {
    enum class Means { nothing, name, typ, max, min, both, unit, tier, pins, signal, waits, speed, field };
    Means means = Means::nothing;
    std::string unit = {};                 ///< of its figures, from the head: "uA/MHz"; empty: in the cells or another column
    std::vector<std::string> celsius = {}; ///< the figures hold at these temperatures, in their order: "85 C"
    std::vector<std::string> maxAt = {};   ///< of `both`: those of the largest
    std::optional<PastedFact> fact = {};   ///< that the head names
    std::string key = {};                  ///< of a field: "field", "ready", "gate"
    std::string tier = {};                 ///< that the head names
    std::string supplyBelow = {};          ///< of waits: "2.7 V"
    std::string supplyAtLeast = {};
    bool operator==(const PastedColumn&) const = default;
};

/// What the columns mean, guessed from their head and what stands in them; and how many rows are the head.
struct PastedMeaning {
    std::vector<PastedColumn> columns;
    std::size_t headRows = 0;

    bool has(PastedColumn::Means means) const;
};
PastedMeaning guessMeaning(const PastedCells& cells, const Part& part);

/// "typ", "max", …: the words by which a column is told.
std::string meansName(PastedColumn::Means means);

/// Something that one row would change.
struct PastedRow {
    std::size_t row = 0; ///< in the cells
    std::string id;      ///< of the thing that it is about; empty where that is not clear
    std::string key;     ///< "draws"
    std::string before;  ///< as typed in the part, with the rows above; empty where nothing stands there
    std::string after;
    Text unclear; ///< why it stays out; empty: it is taken
};

/// What each row of the table would change in the part's text, several things of a row one after the other. Things are found by
/// their id or name, whatever blanks, signs and capitals; figures get the `ref` where it is not empty. Rows that hold in
/// different tiers become a list; pins of one signal are put together; wait states become the cases of the core's `[[wait]]`.
/// What is not clear stays out and says why. `fact`: what figures are whose columns and units leave that open (amperes are draws,
/// seconds start-ups and of modes the waking, hertz limits).
std::vector<PastedRow> pastedRows(const PastedCells& cells, const PastedMeaning& meaning, const std::string& text,
                                  const Part& part, const std::string& ref, std::optional<PastedFact> fact = std::nullopt);

/// The text with all rows that are clear.
std::string withPasted(const std::string& text, const std::vector<PastedRow>& rows);

} // namespace wisetick
