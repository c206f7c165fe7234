#include "workshop/pasted_table.h"

#include "part/field.h"
#include "workshop/part_edits.h"
#include "workshop/pasted_figures.h"

#include <algorithm>
#include <map>
#include <utility>

namespace wisetick {

namespace {

using Means = PastedColumn::Means;
const char* const kWaitKey = "wait"; // of the core's wait states, which are a table of their own

std::string quotedFigure(const std::string& figure) {
    return "\"" + figure + "\"";
}

std::string unitOf(const std::string& figure) {
    return figure.substr(figure.find(' ') + 1);
}

/// A figure at a temperature, which may be empty.
using Curve = std::vector<std::pair<std::string, std::string>>;

/// One figure, or the curve over temperature: [["25 C", "2 uA"], …].
std::string curveValue(const Curve& figures) {
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

/// What a row says of one thing of its thing.
struct RowFigures {
    Curve typ;
    Curve max;
    Curve min;
    std::vector<std::string> perTyp; ///< of each MHz
    std::vector<std::string> perMax;
    std::vector<std::string> rates;

    bool isEmpty() const {
        return typ.empty() && max.empty() && min.empty() && perTyp.empty() && perMax.empty() && rates.empty();
    }
};

/// Reads the rows of a table one by one.
class PastedReader {
public:
    PastedReader(const PastedCells& cells, const PastedMeaning& meaning, const std::string& text, const Part& part,
                 std::string ref, std::optional<PastedFact> fact)
        : cells_(cells), meaning_(meaning), text_(text), part_(part), ref_(std::move(ref)), fact_(fact) {}

    std::vector<PastedRow> read() {
        if (meaning_.has(Means::waits)) {
            readWaits();
            return std::move(rows_);
        }
        for (std::size_t i = meaning_.headRows; i < cells_.rows.size(); ++i) {
            index_ = i;
            readOne();
        }
        for (const auto& [what, rows] : said_) {
            for (const std::size_t row : rows.size() > 1 ? rows : std::vector<std::size_t>()) {
                rows_[row].unclear = phrase("several rows say something of {}", rows_[row].id);
            }
        }
        return std::move(rows_);
    }

private:
    PastedRow& add(const std::string& id, const std::string& key) {
        rows_.push_back({index_, id, key, {}, {}, {}});
        return rows_.back();
    }

    /// What the first column of that meaning holds in this row.
    std::string cellOf(Means means) const {
        for (std::size_t column = 0; column < meaning_.columns.size(); ++column) {
            if (meaning_.columns[column].means == means) {
                return cells_.rows[index_][column];
            }
        }
        return {};
    }

    void readOne() {
        std::string name = cellOf(Means::name);
        std::string tier = plainName(cellOf(Means::tier));
        std::vector<std::string> ids = thingsCalled(part_, name);
        for (const Tier& each : part_.tiers) { // "run full"
            const std::string small = smallLetters(name);
            if (ids.empty() && small.ends_with(" " + each.id)) {
                ids = thingsCalled(part_, name.substr(0, name.size() - each.id.size()));
                tier = plainName(each.id);
            }
        }
        if (meaning_.has(Means::pins)) {
            readPins(name, ids);
            return;
        }
        if (ids.size() != 1) {
            add({}, {}).unclear =
                ids.empty() ? phrase("nothing is called '{}'", name) : phrase("several things are called '{}'", name);
            return;
        }
        const std::size_t before = rows_.size();
        readFieldCells(ids.front());
        readFigures(ids.front(), tier);
        if (rows_.size() == before) {
            add(ids.front(), {}).unclear = phrase("no figure stands there");
        }
    }

    void readFieldCells(const std::string& id) {
        for (std::size_t column = 0; column < meaning_.columns.size(); ++column) {
            const std::string& cell = cells_.rows[index_][column];
            if (meaning_.columns[column].means == Means::field && readField(cell)) {
                const std::string& key = meaning_.columns[column].key;
                take(add(id, key), quotedFigure(cell));
            }
        }
    }

    /// What the columns say, each fact apart; those whose head names none by the units of their figures.
    void readFigures(const std::string& id, const std::string& tierSaid) {
        std::map<std::pair<PastedFact, std::string>, RowFigures> all;
        const std::string unitCell = unitOfCell(cellOf(Means::unit));
        for (std::size_t column = 0; column < meaning_.columns.size(); ++column) {
            const PastedColumn& meant = meaning_.columns[column];
            const std::string& cell = cells_.rows[index_][column];
            const std::string unit = meant.unit.empty() ? unitCell : meant.unit;
            const std::string tier = meant.tier.empty() ? tierSaid : meant.tier;
            if (meant.fact == PastedFact::rate && meant.means == Means::typ) {
                readRates(all[{PastedFact::rate, {}}], cell, unit);
                continue;
            }
            const bool isBoth = meant.means == Means::both;
            if (!isBoth && meant.means != Means::typ && meant.means != Means::max && meant.means != Means::min) {
                continue;
            }
            std::vector<std::string> halves = isBoth ? halvesOf(cell) : std::vector<std::string>{cell};
            const std::string last = halves.size() == 2 ? unitOfFigures(figuresOf(halves[1], unit)) : std::string();
            for (std::size_t half = 0; half < halves.size(); ++half) {
                const std::vector<std::string> figures = figuresOf(halves[half], half == 0 && !last.empty() ? last : unit);
                if (figures.empty() && !numberOfCell(halves[half]).empty()) {
                    add(id, {}).unclear = phrase("'{}' has no unit", halves[half]);
                    break;
                }
                if (figures.empty()) {
                    continue;
                }
                const Means side = !isBoth ? meant.means : (half == 0 ? Means::typ : Means::max);
                const std::vector<std::string>& celsius = isBoth && half == 1 ? meant.maxAt : meant.celsius;
                put(all[{factOf(id, meant, figures.front()), tier}], side, figures, celsius);
            }
        }
        for (const auto& [what, figures] : all) {
            if (!figures.isEmpty()) {
                say(id, what.first, what.second, figures);
            }
        }
    }

    static std::string unitOfFigures(const std::vector<std::string>& figures) {
        return figures.empty() ? std::string() : unitOf(figures.front());
    }

    PastedFact factOf(const std::string& id, const PastedColumn& meant, const std::string& figure) const {
        const std::string unit = unitOf(figure);
        const bool isAmpere = unit.ends_with("A") || unit.ends_with("A/MHz");
        const PastedFact byUnit = isAmpere               ? PastedFact::draws
                                  : !unit.ends_with("s") ? PastedFact::limit
                                  : part_.findMode(id)   ? PastedFact::wakes
                                                         : PastedFact::startup;
        return meant.fact.value_or(fact_.value_or(byUnit));
    }

    static void put(RowFigures& figures, Means side, const std::vector<std::string>& said,
                    const std::vector<std::string>& celsius) {
        std::size_t place = 0;
        for (const std::string& figure : said) {
            if (unitOf(figure).ends_with("/MHz")) {
                (side == Means::max ? figures.perMax : figures.perTyp).push_back(figure.substr(0, figure.find('/')));
                continue;
            }
            Curve& curve = side == Means::typ ? figures.typ : (side == Means::max ? figures.max : figures.min);
            const bool isOver = said.size() > 1 || celsius.size() > 1;
            curve.emplace_back(place < celsius.size() && (isOver || !celsius.empty()) ? celsius[place] : "", figure);
            ++place;
        }
    }

    /// "14 MHz", or "5 … 28 MHz".
    static void readRates(RowFigures& figures, const std::string& cell, const std::string& unit) {
        for (const char* mark : {"\u2026", "...", "..", " to ", "\u2013"}) {
            const std::size_t at = cell.find(mark);
            if (at != std::string::npos) {
                const auto to = figuresOf(cell.substr(cell.find_first_not_of(' ', at + std::string(mark).size())), unit);
                const auto from = figuresOf(cell.substr(0, cell.find_last_not_of(' ', at - 1) + 1), unitOfFigures(to));
                if (!from.empty() && !to.empty()) {
                    figures.rates = {from.front(), to.front()};
                }
                return;
            }
        }
        figures.rates = figuresOf(cell, unit);
    }

    /// What stands there now: in the part, or by a row above.
    std::string valueNow(const std::string& id, const std::string& key) const {
        const auto pending = pending_.find({id, key});
        if (pending != pending_.end()) {
            return pending->second;
        }
        for (const TextProperty& property : propertiesOf(text_, id)) {
            if (property.key == key) {
                return property.value.text;
            }
        }
        return {};
    }

    /// The row would change what stands there to that. Of one `part` of it no other row may say anything.
    void take(PastedRow& row, const std::string& value, const std::string& part = {}) {
        row.before = valueNow(row.id, row.key);
        row.after = value;
        if (row.after == row.before) {
            row.unclear = phrase("it stands there already");
            return;
        }
        pending_[{row.id, row.key}] = value;
        said_[{row.id, row.key + " " + part}].push_back(static_cast<std::size_t>(&row - rows_.data()));
    }

    void say(const std::string& id, PastedFact fact, const std::string& tier, const RowFigures& figures) {
        PastedRow& row = add(id, keyOf(fact));
        const bool isMode = part_.findMode(id).has_value();
        const bool isSource = part_.findNode(id) && part_.isSource(*part_.findNode(id));
        for (const Curve* curve : {&figures.typ, &figures.max, &figures.min}) {
            for (const auto& [celsius, figure] : *curve) {
                if (!fits(fact, unitOf(figure))) {
                    row.unclear = phrase("{} is no unit of a {}", unitOf(figure), factName(fact));
                    return;
                }
            }
        }
        if (fact != PastedFact::draws && part_.findPeripheral(id)) {
            row.unclear = phrase("a peripheral has no {}", factName(fact));
            return;
        }
        if ((fact == PastedFact::rate && !isSource) || (fact == PastedFact::wakes && !isMode) ||
            (isMode && (fact == PastedFact::startup || fact == PastedFact::limit))) {
            row.unclear = phrase("{} has no {}", id, factName(fact));
            return;
        }
        const std::string before = originalOf(id, row.key);
        if (fact == PastedFact::rate) {
            const bool isRc = part_.sources[*part_.findNode(id)].kind == SourceKind::rc; // of the others what may be fitted
            row.key = isRc && figures.rates.size() == 1 ? "rate" : "range";
            take(row, row.key == "rate"
                          ? quotedFigure(figures.rates.front())
                          : "[" + quotedFigure(figures.rates.front()) + ", " + quotedFigure(figures.rates.back()) + "]");
        } else if (fact == PastedFact::wakes) {
            sayStages(row, figures);
        } else if (!tier.empty() && fact == PastedFact::draws) {
            sayInTier(row, tier, figures);
        } else if (before.starts_with('[')) {
            row.unclear = phrase("its {} are told in a list, by tier or control", row.key);
        } else if (!tier.empty()) {
            row.unclear = phrase("it holds in tier {} only", tier);
        } else {
            take(row, valueOf(fact, before, figures));
        }
    }

    /// As it stands in the part, whatever rows above say: two rows that say something of the same are told, and not merged.
    std::string originalOf(const std::string& id, const std::string& key) const {
        for (const TextProperty& property : propertiesOf(text_, id)) {
            if (property.key == key) {
                return property.value.text;
            }
        }
        return {};
    }

    static const char* keyOf(PastedFact fact) {
        switch (fact) {
        case PastedFact::draws: return "draws";
        case PastedFact::limit: return "limit";
        case PastedFact::startup: return "startup";
        case PastedFact::wakes: return "stages";
        case PastedFact::rate: return "rate";
        }
        return "";
    }

    static bool fits(PastedFact fact, const std::string& unit) {
        const bool isAmpere = unit.ends_with("A");
        return fact == PastedFact::draws                               ? isAmpere
               : fact == PastedFact::limit || fact == PastedFact::rate ? unit.ends_with("Hz")
                                                                       : unit.ends_with("s");
    }

    std::string valueOf(PastedFact fact, std::string value, const RowFigures& figures) const {
        if (fact == PastedFact::limit) {
            value = figures.min.empty() ? value : withKey(value, "min", curveValue(figures.min));
            const Curve& most = figures.max.empty() ? figures.typ : figures.max;
            value = most.empty() ? value : withKey(value, "max", curveValue(most));
        } else {
            const bool hasSlope = !figures.perTyp.empty() || !figures.perMax.empty();
            if (hasSlope && figures.max.empty() && figures.typ.size() == 1) { // one base, whatever temperature the head names
                value = withKey(value, "base", quotedFigure(figures.typ.front().second));
            } else if (!figures.typ.empty()) {
                value = withKey(value, "typ", curveValue(figures.typ));
            }
            value = figures.max.empty() ? value : withKey(value, "max", curveValue(figures.max));
            value = hasSlope ? withKey(value, "per_mhz", slopeOf(figures)) : value;
        }
        return ref_.empty() ? value : withKey(value, "ref", quotedFigure(ref_));
    }

    /// "31 uA" of each MHz, or with the largest too.
    static std::string slopeOf(const RowFigures& figures) {
        if (figures.perMax.empty()) {
            return quotedFigure(figures.perTyp.front());
        }
        const std::string both =
            figures.perTyp.empty() ? std::string() : withKey({}, "typ", quotedFigure(figures.perTyp.front()));
        return withKey(both, "max", quotedFigure(figures.perMax.front()));
    }

    /// A list by tier gets one more, or that of the tier said again.
    void sayInTier(PastedRow& row, const std::string& tier, const RowFigures& figures) {
        const auto known =
            std::find_if(part_.tiers.begin(), part_.tiers.end(), [&](const Tier& each) { return plainName(each.id) == tier; });
        if (known == part_.tiers.end()) {
            row.unclear = phrase("there is no tier '{}'", tier);
            return;
        }
        const std::string id = quotedFigure(known->id);
        std::string list;
        bool isThere = false;
        for (const std::string& each : elementsOfList(valueNow(row.id, row.key))) {
            std::string element = each;
            for (const auto& [key, value] : keysOfTable(each)) {
                if (key == "tier" && value == id) {
                    element = valueOf(PastedFact::draws, withKey({}, "tier", id), figures);
                    isThere = true;
                }
            }
            list += (list.empty() ? "" : ", ") + element;
        }
        if (!isThere) {
            list += (list.empty() ? "" : ", ") + valueOf(PastedFact::draws, withKey({}, "tier", id), figures);
        }
        take(row, "[" + list + "]", tier);
    }

    /// One stage of waking; where several stand, which of them is meant is not clear.
    void sayStages(PastedRow& row, const RowFigures& figures) {
        const std::vector<std::string> stages = elementsOfList(originalOf(row.id, row.key));
        if (stages.size() > 1 || figures.typ.size() > 1 || figures.max.size() > 1) {
            row.unclear = phrase("the stages of waking from {} are several: which is meant is told by hand", row.id);
            return;
        }
        std::string stage = stages.empty() ? withKey({}, "say", quotedFigure("wake-up")) : stages.front();
        stage = figures.typ.empty() ? stage : withKey(stage, "typ", curveValue(figures.typ));
        stage = figures.max.empty() ? stage : withKey(stage, "max", curveValue(figures.max));
        take(row, "[" + stage + "]");
    }

    /// "uart1 tx | A9, B6"; or "A9 | uart1 tx, timer1 ch1".
    void readPins(const std::string& name, const std::vector<std::string>& ids) {
        const std::vector<std::string> pins = pinsOf(cellOf(Means::pins));
        const std::string signal = plainName(cellOf(Means::signal));
        std::vector<CalledSignal> called;
        if (ids.size() == 1 && part_.findPeripheral(ids.front()) && !signal.empty()) {
            called.push_back({ids.front(), signal});
        } else {
            for (std::size_t from = 0; from <= name.size();) { // several, with commas
                const std::size_t to = std::min(name.find(',', from), name.size());
                called.push_back(signalCalled(part_, std::string_view(name).substr(from, to - from)));
                from = to + 1;
            }
        }
        for (const CalledSignal& each : called) {
            if (each.peripheral.empty() || pins.empty()) {
                add({}, {}).unclear =
                    pins.empty() ? phrase("no pin stands there") : phrase("'{}' is no signal of a peripheral", name);
                continue;
            }
            PastedRow& row = add(each.peripheral, "pins");
            std::string list;
            for (const auto& [key, value] : keysOfTable(valueNow(each.peripheral, "pins"))) {
                for (const std::string& pin : key == each.signal ? elementsOfList(value) : std::vector<std::string>()) {
                    const bool isNew =
                        std::none_of(pins.begin(), pins.end(), [&](const std::string& one) { return quotedFigure(one) == pin; });
                    list += isNew ? (list.empty() ? "" : ", ") + pin : std::string();
                }
            }
            for (const std::string& pin : pins) {
                list += (list.empty() ? "" : ", ") + quotedFigure(pin);
            }
            take(row, withKey(valueNow(each.peripheral, "pins"), each.signal, "[" + list + "]"),
                 each.signal + " on " + pins.front());
        }
    }

    /// Wait states by the core's rate: each column of rates is a case.
    void readWaits() {
        const std::string line = part_.nodeId(part_.core);
        std::string before;
        for (const TextProperty& property : waitPropertiesOf(text_, line)) {
            before = property.key == "cases" || property.key == "steps" ? property.value.text : before;
        }
        std::vector<std::pair<std::string, std::string>> cases; // conditions, and the steps
        for (std::size_t i = meaning_.headRows; i < cells_.rows.size(); ++i) {
            index_ = i;
            PastedRow& row = add(line, kWaitKey);
            const std::string waits = numberOfCell(cellOf(Means::waits));
            const std::vector<std::string> speed = figuresOf(cellOf(Means::speed), "%");
            const std::string tier = tierKey(cellOf(Means::tier));
            bool hasAny = false;
            for (std::size_t column = 0; column < meaning_.columns.size(); ++column) {
                const PastedColumn& meant = meaning_.columns[column];
                const std::vector<std::string> rate = figuresOf(cells_.rows[i][column], meant.unit);
                if (meant.means != Means::max || rate.empty() || !unitOf(rate.front()).ends_with("Hz") || waits.empty()) {
                    continue;
                }
                std::string when = meant.tier.empty() ? tier : "tier = " + quotedFigure(meant.tier);
                const auto also = [&](const char* key, const std::string& value) {
                    when += value.empty() ? "" : (when.empty() ? "" : ", ") + std::string(key) + " = " + quotedFigure(value);
                };
                also("supply_at_least", meant.supplyAtLeast);
                also("supply_below", meant.supplyBelow);
                auto found = std::find_if(cases.begin(), cases.end(), [&](const auto& each) { return each.first == when; });
                if (found == cases.end()) {
                    found = cases.insert(cases.end(), {when, {}});
                }
                found->second += (found->second.empty() ? "[" : ", [") + quotedFigure(rate.front()) + ", " + waits +
                                 (speed.empty() ? "" : ", " + quotedFigure(speed.front())) + "]";
                hasAny = true;
            }
            row.unclear = hasAny ? Text() : phrase("no rate in hertz and wait states stand there");
            std::string list;
            for (const auto& [when, steps] : cases) {
                list += (list.empty() ? "{ " : ", { ") + when + (when.empty() ? "" : ", ") + "steps = [" + steps + "] }";
            }
            row.before = i == meaning_.headRows ? before : rows_[rows_.size() - 2].after;
            row.after = "[" + list + "]";
        }
        if (!rows_.empty() && rows_.back().after == before) {
            for (PastedRow& row : rows_) {
                row.unclear = phrase("it stands there already");
            }
        }
    }

    std::string tierKey(const std::string& cell) const {
        for (const Tier& each : part_.tiers) {
            if (plainName(each.id) == plainName(cell)) {
                return "tier = " + quotedFigure(each.id);
            }
        }
        return {};
    }

    const PastedCells& cells_;
    const PastedMeaning& meaning_;
    const std::string& text_;
    const Part& part_;
    std::string ref_;
    std::optional<PastedFact> fact_;
    std::size_t index_ = 0; ///< of the row that is read
    std::vector<PastedRow> rows_;
    std::map<std::pair<std::string, std::string>, std::string> pending_;           ///< what rows above made of id and key
    std::map<std::pair<std::string, std::string>, std::vector<std::size_t>> said_; ///< which rows change the same
};

} // namespace

namespace {

/// What is told now is not accepted as missing any more.
std::string withoutAccepted(const std::string& text, const std::string& id, const std::string& word) {
    for (const TextProperty& property : word.empty() ? std::vector<TextProperty>() : propertiesOf(text, id)) {
        std::string left;
        bool isThere = false;
        for (const auto& [key, value] :
             property.key == "accept" ? keysOfTable(property.value.text) : std::vector<std::pair<std::string, std::string>>()) {
            isThere = isThere || key == quotedFigure(word);
            left = key == quotedFigure(word) ? left : withKey(left, key, value);
        }
        if (isThere) {
            return withProperty(text, id, "accept", left).value_or(text);
        }
    }
    return text;
}

} // namespace

std::vector<PastedRow> pastedRows(const PastedCells& cells, const PastedMeaning& meaning, const std::string& text,
                                  const Part& part, const std::string& ref, std::optional<PastedFact> fact) {
    return PastedReader(cells, meaning, text, part, ref, fact).read();
}

std::string withPasted(const std::string& text, const std::vector<PastedRow>& rows) {
    std::string next = text;
    std::string waits;
    std::string line;
    for (const PastedRow& row : rows) {
        if (row.unclear.empty() && row.key == kWaitKey) {
            waits = row.after;
            line = row.id;
        } else if (row.unclear.empty()) {
            next = withProperty(next, row.id, row.key, row.after).value_or(next);
            next = withoutAccepted(next, row.id, row.key == "draws" ? "no draw" : (row.key == "startup" ? "no start-up" : ""));
        }
    }
    return waits.empty() ? next : withWaits(next, line, waits);
}

} // namespace wisetick
