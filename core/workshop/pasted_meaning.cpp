// What the columns of a pasted table mean.

#include "part/field.h"
#include "workshop/pasted_figures.h"
#include "workshop/pasted_table.h"

#include <algorithm>
#include <cctype>

namespace wisetick {

namespace {

using Means = PastedColumn::Means;

/// Whether one of the words stands in it.
bool hasWord(const std::string& head, std::initializer_list<const char*> words) {
    return std::any_of(words.begin(), words.end(), [&](const char* word) { return head.find(word) != std::string::npos; });
}

std::string tierIn(const std::string& head, const Part& part) {
    for (const Tier& tier : part.tiers) {
        for (std::size_t at = head.find(tier.id); at != std::string::npos; at = head.find(tier.id, at + 1)) {
            const auto isApart = [&](std::size_t place) {
                return place >= head.size() || std::isalpha(static_cast<unsigned char>(head[place])) == 0;
            };
            if ((at == 0 || isApart(at - 1)) && isApart(at + tier.id.size())) {
                return tier.id;
            }
        }
    }
    return {};
}

/// The supply of "from 2.7 V on" and "below 2.7 V".
void readSupply(const std::string& head, PastedColumn& column) {
    static const std::vector<std::pair<std::string, bool>> words{{"below ", true},  {"<", true},   {"from ", false},
                                                                 {"\u2265", false}, {">=", false}, {"at least ", false}};
    for (const auto& [word, isBelow] : words) {
        const std::size_t at = head.find(word);
        const std::size_t figure = at == std::string::npos ? at : head.find_first_not_of(' ', at + word.size());
        const std::vector<std::string> said =
            figure == std::string::npos ? std::vector<std::string>() : figuresOf(head.substr(figure), "");
        if (!said.empty() && said.front().ends_with(" V")) {
            (isBelow ? column.supplyBelow : column.supplyAtLeast) = said.front();
            return;
        }
    }
}

/// What is counted in a column.
struct ColumnCounts {
    std::size_t figures = 0;
    std::size_t things = 0;
    std::size_t units = 0;
    std::size_t tiers = 0;
    std::size_t pins = 0;
    std::size_t signals = 0;
    std::size_t fields = 0;
};

class MeaningGuesser {
public:
    MeaningGuesser(const PastedCells& cells, const Part& part) : cells_(cells), part_(part) {}

    PastedMeaning guess() {
        countHead();
        const std::size_t width = cells_.rows.front().size();
        for (std::size_t column = 0; column < width; ++column) {
            meaning_.columns.push_back(guessColumn(column));
            hasTyp_ = hasTyp_ || meaning_.columns.back().means == Means::typ;
        }
        if (!meaning_.has(Means::name) && !meaning_.has(Means::waits) && meaning_.columns.front().means == Means::nothing) {
            meaning_.columns.front() = {};
            meaning_.columns.front().means = Means::name; // nothing is called so, which its rows say then
        }
        return std::move(meaning_);
    }

private:
    /// The head: rows in which nothing is called as a thing of the part, and no cell but begins with a letter or nothing.
    void countHead() {
        while (meaning_.headRows < cells_.rows.size() && meaning_.headRows < 3) {
            const std::vector<std::string>& row = cells_.rows[meaning_.headRows];
            const bool hasFigure = std::any_of(row.begin() + 1, row.end(), [](const std::string& cell) {
                return !numberOfCell(cell).empty() && cell.find("\u00b0") == std::string::npos;
            });
            const bool isThing = std::any_of(row.begin(), row.end(), [&](const std::string& cell) {
                return !thingsCalled(part_, cell).empty() || !signalCalled(part_, cell).peripheral.empty();
            });
            if (hasFigure || isThing) {
                return;
            }
            ++meaning_.headRows;
        }
    }

    ColumnCounts count(std::size_t column) const {
        ColumnCounts counts;
        for (std::size_t row = meaning_.headRows; row < cells_.rows.size(); ++row) {
            const std::string& cell = cells_.rows[row][column];
            counts.figures += numberOfCell(cell).empty() ? 0U : 1U;
            counts.things += thingsCalled(part_, cell).empty() ? 0U : 1U;
            counts.units += unitOfCell(cell).empty() ? 0U : 1U;
            counts.pins += pinsOf(cell).empty() ? 0U : 1U;
            counts.signals += signalCalled(part_, cell).peripheral.empty() ? 0U : 1U;
            counts.fields += readField(cell) ? 1U : 0U;
            counts.tiers += std::any_of(part_.tiers.begin(), part_.tiers.end(),
                                        [&](const Tier& tier) { return plainName(tier.id) == plainName(cell); })
                                ? 1U
                                : 0U;
        }
        return counts;
    }

    PastedColumn guessColumn(std::size_t column) const {
        std::string head;
        for (std::size_t row = 0; row < meaning_.headRows; ++row) {
            head += (head.empty() ? "" : " ") + cells_.rows[row][column];
        }
        const std::string lower = smallLetters(head);
        const ColumnCounts counts = count(column);
        const std::size_t most = (cells_.rows.size() - meaning_.headRows + 1) / 2;
        const auto isMost = [&](std::size_t number) { return number >= most && number > 0; };
        PastedColumn guess;
        if (isMost(counts.things) || (isMost(counts.signals) && counts.pins == 0)) {
            guess.means = Means::name;
            return guess;
        }
        if (isMost(counts.pins) && !isMost(counts.fields)) {
            guess.means = Means::pins;
            return guess;
        }
        if (isMost(counts.fields)) {
            guess.means = Means::field;
            guess.key = hasWord(lower, {"ready", "locked", "stable"}) ? "ready" : (hasWord(lower, {"gate"}) ? "gate" : "field");
            return guess;
        }
        if (isMost(counts.units) && counts.figures == 0) {
            guess.means = Means::unit;
            return guess;
        }
        if (isMost(counts.tiers)) {
            guess.means = Means::tier;
            return guess;
        }
        guess.unit = unitOfHead(head);
        guess.tier = tierIn(lower, part_);
        guess.fact = factOf(lower);
        readSupply(head, guess);
        const bool hasMax = hasWord(lower, {"max", "most"});
        const bool hasTypical = hasWord(lower, {"typ"});
        const std::size_t stroke = head.find('/');
        if (hasWord(lower, {"wait"}) && counts.figures > 0) {
            guess.means = Means::waits;
        } else if (hasWord(lower, {"speed"}) && counts.figures > 0) {
            guess.means = Means::speed;
        } else if (hasMax && hasTypical && stroke != std::string::npos) {
            guess.means = Means::both;
            guess.celsius = celsiusIn(head.substr(0, stroke));
            guess.maxAt = celsiusIn(head.substr(stroke));
        } else if (hasMax || (meaning_.has(Means::waits) && guess.unit.ends_with("Hz"))) {
            guess.means = Means::max;
            guess.celsius = celsiusIn(head);
        } else if (hasWord(lower, {"min", "least"})) {
            guess.means = Means::min;
            guess.celsius = celsiusIn(head);
        } else if (hasTypical || (isMost(counts.figures) && !hasTyp_) || (counts.figures > 0 && !celsiusIn(head).empty()) ||
                   (counts.figures > 0 && guess.fact)) {
            guess.means = Means::typ;
            guess.celsius = celsiusIn(head);
        } else if (lower == "signal" || lower == "function") {
            guess.means = Means::signal;
        }
        return guess;
    }

    static std::optional<PastedFact> factOf(const std::string& head) {
        if (hasWord(head, {"start-up", "startup", "start up"})) {
            return PastedFact::startup;
        }
        if (hasWord(head, {"draw", "current", "consumption"})) {
            return PastedFact::draws;
        }
        if (hasWord(head, {"wake", "wak", "first instruction"})) {
            return PastedFact::wakes;
        }
        if (hasWord(head, {"limit", "max"})) {
            return std::nullopt;
        }
        return head == "rate" || head == "frequency" || head == "range" ? std::optional(PastedFact::rate) : std::nullopt;
    }

    const PastedCells& cells_;
    const Part& part_;
    PastedMeaning meaning_;
    bool hasTyp_ = false;
};

} // namespace

bool PastedMeaning::has(PastedColumn::Means means) const {
    return std::any_of(columns.begin(), columns.end(), [&](const PastedColumn& each) { return each.means == means; });
}

PastedMeaning guessMeaning(const PastedCells& cells, const Part& part) {
    return cells.isEmpty() ? PastedMeaning() : MeaningGuesser(cells, part).guess();
}

std::string meansName(PastedColumn::Means means) {
    switch (means) {
    case Means::nothing: return "";
    case Means::name: return "name";
    case Means::typ: return "typ";
    case Means::max: return "max";
    case Means::min: return "min";
    case Means::both: return "typ / max";
    case Means::unit: return "unit";
    case Means::tier: return "tier";
    case Means::pins: return "pins";
    case Means::signal: return "signal";
    case Means::waits: return "wait states";
    case Means::speed: return "speed";
    case Means::field: return "field";
    }
    return "";
}

std::string factName(PastedFact fact) {
    switch (fact) {
    case PastedFact::draws: return "draws";
    case PastedFact::startup: return "start-up";
    case PastedFact::limit: return "limit";
    case PastedFact::wakes: return "waking";
    case PastedFact::rate: return "rate";
    }
    return "";
}

} // namespace wisetick
