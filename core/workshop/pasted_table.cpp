#include "workshop/pasted_table.h"

#include "quantity/quantity_read.h"
#include "workshop/part_edits.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <utility>

namespace wisetick {

namespace {

using CellRow = std::vector<std::string>;
using ColumnMeans = PastedColumn::Means;

std::string smallHead(std::string_view text) {
    std::string small(text);
    std::transform(small.begin(), small.end(), small.begin(),
                   [](unsigned char sign) { return static_cast<char>(std::tolower(sign)); });
    return small;
}

/// The number at the beginning of a cell, "3.1" of "3.1 uA" or of "3,1"; empty where none stands there.
std::string numberOfCell(std::string_view cell) {
    std::string number;
    for (std::size_t i = 0; i < cell.size(); ++i) {
        if (std::isdigit(static_cast<unsigned char>(cell[i])) != 0 || cell[i] == '.' ||
            (i == 0 && (cell[i] == '-' || cell[i] == '+'))) {
            number += cell[i];
        } else if (cell[i] == ',' && i + 1 < cell.size() && std::isdigit(static_cast<unsigned char>(cell[i + 1])) != 0) {
            number += '.'; // a comma before decimals
        } else {
            break;
        }
    }
    return number.find_first_of("0123456789") == std::string::npos ? std::string() : number;
}

/// A unit as it is written in part files: "uA/MHz" for "µA/MHz" and "μA / MHz"; empty where it is none.
std::string unitOfCell(std::string_view text) {
    std::string plain;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const std::string_view rest = text.substr(i);
        if (rest.starts_with("\u00b5") || rest.starts_with("\u03bc")) {
            plain += 'u';
            ++i;
        } else if (text[i] != ' ') {
            plain += text[i];
        }
    }
    static constexpr std::array<const char*, 17> kUnits{"uA/MHz", "mA/MHz", "nA/MHz", "uA",  "mA", "nA", "A", "us", "ms",
                                                        "ns",     "s",      "kHz",    "MHz", "Hz", "V",  "C", "GHz"};
    const auto found = std::find_if(kUnits.begin(), kUnits.end(), [&](const char* unit) { return plain == unit; });
    return found == kUnits.end() ? std::string() : *found;
}

/// The unit in the head of a column: what stands in brackets, or the last word.
std::string unitOfHead(const std::string& head) {
    for (const auto& [open, close] : {std::pair('(', ')'), std::pair('[', ']')}) {
        const std::size_t from = head.find(open);
        const std::size_t to = from == std::string::npos ? from : head.find(close, from);
        if (to != std::string::npos) {
            if (const std::string unit = unitOfCell(head.substr(from + 1, to - from - 1)); !unit.empty()) {
                return unit;
            }
        }
    }
    for (std::size_t at = head.find_last_of(" ,"); at != std::string::npos;
         at = at == 0 ? std::string::npos : head.find_last_of(" ,", at - 1)) {
        if (const std::string unit = unitOfCell(head.substr(at + 1)); !unit.empty()) {
            return unit;
        }
    }
    return unitOfCell(head);
}

/// "at 85 °C": "85 C".
std::optional<std::string> celsiusOf(const std::string& head) {
    const std::size_t sign = head.find("\u00b0");
    if (sign == std::string::npos || sign == 0) {
        return std::nullopt;
    }
    std::size_t to = head.find_last_not_of(' ', sign - 1) + 1;
    std::size_t from = to;
    while (from > 0 && (std::isdigit(static_cast<unsigned char>(head[from - 1])) != 0 || head[from - 1] == '-')) {
        --from;
    }
    return from == to ? std::nullopt : std::optional(head.substr(from, to - from) + " C");
}

/// Letters and digits only, small: "UART 1" and "uart_1" are the same.
std::string plainName(const std::string& name) {
    std::string plain;
    for (const char sign : name) {
        if (std::isalnum(static_cast<unsigned char>(sign)) != 0) {
            plain += static_cast<char>(std::tolower(static_cast<unsigned char>(sign)));
        }
    }
    return plain;
}

/// The ids of all things with that name; several where it is not clear.
std::vector<std::string> thingsCalled(const Part& part, const std::string& name) {
    std::vector<std::string> ids;
    const std::string wanted = plainName(name);
    const auto look = [&](const auto& things) {
        for (const auto& thing : things) {
            if (!wanted.empty() && (plainName(thing.id) == wanted || plainName(thing.name) == wanted)) {
                ids.push_back(thing.id);
            }
        }
    };
    look(part.peripherals);
    look(part.modes);
    look(part.sources);
    look(part.lines);
    return ids;
}

bool isModeOf(const Part& part, const std::string& id) {
    return part.findMode(id).has_value();
}

/// What a cell says: a figure with its unit, "3.1 uA/MHz"; empty where it holds none ("-", "n/a").
std::string figureOf(const std::string& cell, const std::string& unit) {
    const std::string number = numberOfCell(cell);
    if (number.empty()) {
        return {};
    }
    const std::size_t digits = cell.find_last_of("0123456789");
    const std::string own = unitOfCell(std::string_view(cell).substr(digits + 1));
    const std::string whole = own.empty() ? unit : own;
    return whole.empty() ? std::string() : number + " " + whole;
}

std::string quotedFigure(const std::string& figure) {
    return "\"" + figure + "\"";
}

/// The figures of one row.
struct RowFigures {
    std::vector<std::pair<std::string, std::string>> typ; ///< temperature (or empty) and figure
    std::vector<std::pair<std::string, std::string>> max;
    std::vector<std::pair<std::string, std::string>> min;
    std::string unit;
};

/// One figure, or the curve over temperature: [["25 C", "2 uA"], …].
std::string pastedValue(const std::vector<std::pair<std::string, std::string>>& figures) {
    if (figures.size() == 1 && figures.front().first.empty()) {
        return quotedFigure(figures.front().second);
    }
    std::string list;
    for (const auto& [celsius, figure] : figures) {
        list +=
            (list.empty() ? "[" : ", [") + quotedFigure(celsius.empty() ? "25 C" : celsius) + ", " + quotedFigure(figure) + "]";
    }
    return "[" + list + "]";
}

std::string perMegahertz(const std::string& figure) {
    return figure.substr(0, figure.find('/')); // "3.1 uA/MHz": "3.1 uA" of each MHz
}

} // namespace

PastedMeaning guessMeaning(const PastedCells& cells, const Part& part) {
    PastedMeaning meaning;
    if (cells.isEmpty()) {
        return meaning;
    }
    const std::size_t width = cells.rows.front().size();
    // the head: rows in which nothing is called as a thing of the part, and no cell but begins with a letter or nothing
    while (meaning.headRows < cells.rows.size()) {
        const CellRow& row = cells.rows[meaning.headRows];
        const bool hasFigure = std::any_of(row.begin() + 1, row.end(), [](const std::string& cell) {
            return !numberOfCell(cell).empty() && cell.find("\u00b0") == std::string::npos;
        });
        const bool isThing =
            std::any_of(row.begin(), row.end(), [&](const std::string& cell) { return !thingsCalled(part, cell).empty(); });
        if (hasFigure || isThing || meaning.headRows >= 3) {
            break;
        }
        ++meaning.headRows;
    }
    bool hasTyp = false;
    for (std::size_t column = 0; column < width; ++column) {
        std::string head;
        for (std::size_t row = 0; row < meaning.headRows; ++row) {
            head += (head.empty() ? "" : " ") + cells.rows[row][column];
        }
        const std::string lower = smallHead(head);
        std::size_t figures = 0;
        std::size_t things = 0;
        std::size_t units = 0;
        std::size_t tiers = 0;
        for (std::size_t row = meaning.headRows; row < cells.rows.size(); ++row) {
            const std::string& cell = cells.rows[row][column];
            figures += numberOfCell(cell).empty() ? 0U : 1U;
            things += thingsCalled(part, cell).empty() ? 0U : 1U;
            units += unitOfCell(cell).empty() ? 0U : 1U;
            tiers += std::any_of(part.tiers.begin(), part.tiers.end(),
                                 [&](const Tier& tier) { return plainName(tier.id) == plainName(cell); })
                         ? 1U
                         : 0U;
        }
        const std::size_t most = (cells.rows.size() - meaning.headRows + 1) / 2;
        PastedColumn guess;
        guess.unit = unitOfHead(head);
        guess.celsius = celsiusOf(head);
        if (things >= most && things > 0) {
            guess = {ColumnMeans::name, {}, {}};
        } else if (units >= most && units > 0 && figures == 0) {
            guess = {ColumnMeans::unit, {}, {}};
        } else if (tiers >= most && tiers > 0) {
            guess = {ColumnMeans::tier, {}, {}};
        } else if (lower.find("max") != std::string::npos) {
            guess.means = ColumnMeans::max;
        } else if (lower.find("min") != std::string::npos) {
            guess.means = ColumnMeans::min;
        } else if (lower.find("typ") != std::string::npos || (figures >= most && figures > 0 && !hasTyp)) {
            guess.means = ColumnMeans::typ;
        } else if (guess.celsius && figures > 0) {
            guess.means = ColumnMeans::typ;
        }
        hasTyp = hasTyp || guess.means == ColumnMeans::typ;
        meaning.columns.push_back(std::move(guess));
    }
    const bool hasName = std::any_of(meaning.columns.begin(), meaning.columns.end(),
                                     [](const PastedColumn& each) { return each.means == ColumnMeans::name; });
    if (!hasName && !meaning.columns.empty() && meaning.columns.front().means == ColumnMeans::nothing) {
        meaning.columns.front() = {ColumnMeans::name, {}, {}}; // nothing is called so, which its rows say then
    }
    return meaning;
}

std::string meansName(PastedColumn::Means means) {
    switch (means) {
    case ColumnMeans::nothing: return "";
    case ColumnMeans::name: return "name";
    case ColumnMeans::typ: return "typ";
    case ColumnMeans::max: return "max";
    case ColumnMeans::min: return "min";
    case ColumnMeans::unit: return "unit";
    case ColumnMeans::tier: return "tier";
    }
    return "";
}

std::string factName(PastedFact fact) {
    switch (fact) {
    case PastedFact::draws: return "draws";
    case PastedFact::startup: return "start-up";
    case PastedFact::limit: return "limit";
    case PastedFact::wakes: return "waking";
    }
    return "";
}

namespace {

/// Reads the rows of a table one by one.
class PastedReader {
public:
    PastedReader(const PastedCells& cells, const PastedMeaning& meaning, const std::string& text, const Part& part,
                 std::string ref, std::optional<PastedFact> fact)
        : cells_(cells), meaning_(meaning), text_(text), part_(part), ref_(std::move(ref)), fact_(fact) {}

    std::vector<PastedRow> read() {
        std::vector<PastedRow> rows;
        for (std::size_t i = meaning_.headRows; i < cells_.rows.size(); ++i) {
            rows.push_back(readOne(i));
        }
        for (PastedRow& row : rows) { // two that say something of the same
            const auto same = std::count_if(rows.begin(), rows.end(), [&](const PastedRow& other) {
                return other.unclear.empty() && other.id == row.id && other.key == row.key;
            });
            if (row.unclear.empty() && same > 1) {
                doubled_.push_back(row.row);
            }
        }
        for (PastedRow& row : rows) {
            if (std::find(doubled_.begin(), doubled_.end(), row.row) != doubled_.end()) {
                row.unclear = phrase("several rows say something of {}", row.id);
            }
        }
        return rows;
    }

private:
    PastedRow readOne(std::size_t index) {
        const CellRow& cells = cells_.rows[index];
        PastedRow row;
        row.row = index;
        std::string name;
        RowFigures figures;
        std::string tier;
        for (std::size_t column = 0; column < cells.size(); ++column) {
            const PastedColumn& meant = meaning_.columns[column];
            name = meant.means == ColumnMeans::name && name.empty() ? cells[column] : name;
            figures.unit = meant.means == ColumnMeans::unit ? unitOfCell(cells[column]) : figures.unit;
            tier = meant.means == ColumnMeans::tier ? cells[column] : tier;
        }
        for (std::size_t column = 0; column < cells.size(); ++column) {
            const PastedColumn& meant = meaning_.columns[column];
            auto* list = meant.means == ColumnMeans::typ   ? &figures.typ
                         : meant.means == ColumnMeans::max ? &figures.max
                         : meant.means == ColumnMeans::min ? &figures.min
                                                           : nullptr;
            const std::string figure =
                list == nullptr ? std::string() : figureOf(cells[column], meant.unit.empty() ? figures.unit : meant.unit);
            if (!figure.empty()) {
                list->emplace_back(meant.celsius.value_or(""), figure);
            } else if (list != nullptr && !numberOfCell(cells[column]).empty()) {
                row.unclear = phrase("'{}' has no unit", cells[column]);
            }
        }
        const std::vector<std::string> ids = thingsCalled(part_, name);
        if (ids.size() != 1) {
            row.unclear = ids.empty() ? phrase("nothing is called '{}'", name) : phrase("several things are called '{}'", name);
            return row;
        }
        row.id = ids.front();
        if (!row.unclear.empty()) {
            return row;
        }
        if (figures.typ.empty() && figures.max.empty() && figures.min.empty()) {
            row.unclear = phrase("no figure stands there");
            return row;
        }
        if (!tier.empty()) {
            row.unclear = phrase("it holds in tier {} only", tier);
            return row;
        }
        say(row, figures);
        return row;
    }

    void say(PastedRow& row, const RowFigures& figures) {
        const auto& any = !figures.typ.empty() ? figures.typ : (!figures.max.empty() ? figures.max : figures.min);
        const std::string& unit = any.front().second.substr(any.front().second.find(' ') + 1);
        const bool isAmpere = unit.ends_with("A") || unit.ends_with("A/MHz");
        const bool isTime = unit.ends_with("s");
        const bool isRate = unit.ends_with("Hz") && !isAmpere;
        const PastedFact fact = fact_.value_or(isAmpere ? PastedFact::draws : (isTime ? PastedFact::startup : PastedFact::limit));
        const bool fits = (fact == PastedFact::draws && isAmpere) ||
                          ((fact == PastedFact::startup || fact == PastedFact::wakes) && isTime) ||
                          (fact == PastedFact::limit && isRate);
        if (!fits) {
            row.unclear = phrase("{} is no unit of a {}", unit, factName(fact));
            return;
        }
        const auto peripheral = part_.findPeripheral(row.id);
        if (fact != PastedFact::draws && peripheral) {
            row.unclear = phrase("a peripheral has no {}", factName(fact));
            return;
        }
        row.key = fact == PastedFact::draws ? "draws" : (fact == PastedFact::limit ? "limit" : "startup");
        for (const TextProperty& property : propertiesOf(text_, row.id)) {
            row.before = property.key == row.key ? property.value.text : row.before;
        }
        if (row.before.starts_with('[')) {
            row.unclear = phrase("its {} are told in a list, by tier or control", row.key);
            return;
        }
        std::string value = row.before;
        const bool isPer = unit.ends_with("/MHz");
        if (isModeOf(part_, row.id) && fact != PastedFact::draws) {
            row.unclear = phrase("the stages of waking from {} are written by hand", row.id);
            return;
        }
        if (fact == PastedFact::limit) {
            value = figures.min.empty() ? value : withKey(value, "min", pastedValue(figures.min));
            const auto& most = figures.max.empty() ? figures.typ : figures.max;
            value = most.empty() ? value : withKey(value, "max", pastedValue(most));
        } else if (isPer) {
            value = withKey(value, "per_mhz", perValue(figures));
        } else {
            value = figures.typ.empty() ? value : withKey(value, "typ", pastedValue(figures.typ));
            value = figures.max.empty() ? value : withKey(value, "max", pastedValue(figures.max));
        }
        if (!ref_.empty()) {
            value = withKey(value, "ref", quotedFigure(ref_));
        }
        row.after = value;
        if (row.after == row.before) {
            row.unclear = phrase("it stands there already");
        }
    }

    /// "31 uA" of each MHz, or with the largest too.
    static std::string perValue(const RowFigures& figures) {
        const auto one = [](const auto& list) { return quotedFigure(perMegahertz(list.front().second)); };
        if (figures.max.empty()) {
            return one(figures.typ);
        }
        std::string both = figures.typ.empty() ? std::string() : withKey({}, "typ", one(figures.typ));
        return withKey(both, "max", one(figures.max));
    }

    const PastedCells& cells_;
    const PastedMeaning& meaning_;
    const std::string& text_;
    const Part& part_;
    std::string ref_;
    std::optional<PastedFact> fact_;
    std::vector<std::size_t> doubled_;
};

} // namespace

std::vector<PastedRow> pastedRows(const PastedCells& cells, const PastedMeaning& meaning, const std::string& text,
                                  const Part& part, const std::string& ref, std::optional<PastedFact> fact) {
    return PastedReader(cells, meaning, text, part, ref, fact).read();
}

std::string withPasted(const std::string& text, const std::vector<PastedRow>& rows) {
    std::string next = text;
    for (const PastedRow& row : rows) {
        if (row.unclear.empty()) {
            next = withProperty(next, row.id, row.key, row.after).value_or(next);
        }
    }
    return next;
}

} // namespace wisetick
