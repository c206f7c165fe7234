#include "files/part_clocks.h"

#include "files/part_limits.h"

#include "base/nearest_name.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <tuple>

namespace wisetick {

namespace {

/// Reads the clock tables of a part.
class ClockReader {
public:
    explicit ClockReader(PartContext& context) : context_(context) {}

    void readTier(TableReader& reader, Tier& tier) {
        tier.supplyMin = reader.quantity("supply_min", Unit::volt);
        tier.supplyMax = reader.quantity("supply_max", Unit::volt);
        tier.field = readOneField(context_, reader, "field", FieldUse::shared);
        tier.code = reader.whole("code", 0, std::int64_t{1} << 48).value_or(0);
        tier.ref = reader.text("ref").value_or("");
    }

    void readSource(TableReader& reader, Source& source) {
        source.name = reader.text("name").value_or(source.id);
        source.ref = reader.text("ref").value_or("");
        const std::vector<std::string> kinds{"crystal", "rc", "clock-in"};
        const std::string kind = reader.text("kind", Need::required).value_or("rc");
        const auto found = std::find(kinds.begin(), kinds.end(), kind);
        if (found == kinds.end()) {
            reader.error("kind", "no kind of source '" + kind + "'", listNames(kinds), didYouMean(kind, kinds));
        } else {
            source.kind = static_cast<SourceKind>(found - kinds.begin());
        }
        if (found == kinds.end()) { // what the kind would need can't be told
            reader.know("rate");
            reader.know("rates");
            reader.know("rate_field");
            reader.know("codes");
            reader.know("reset");
            reader.know("range");
        } else if (source.kind == SourceKind::rc) {
            readRates(reader, source);
        } else {
            readRange(reader, source);
        }
        readTolerance(reader, source);
        source.startup = readDuration(reader, "startup");
        source.draws = readDraw(reader, "draws");
        source.pins = reader.texts("pins");
        source.gm = reader.quantity("gm", Unit::siemens);
        source.field = readOneField(context_, reader, "field", FieldUse::own);
        if (const toml::table* fails = reader.table("fails_to")) {
            TableReader inner(*fails, context_.reporter, reader.pathOf("fails_to"));
            source.failsTo = {inner.text("line", Need::required).value_or(""), inner.text("from", Need::required).value_or("")};
            inner.finish();
        }
    }

    void readLine(TableReader& reader, Line& line) {
        line.name = reader.text("name").value_or(line.id);
        line.ref = reader.text("ref").value_or("");
        line.from = readInputs(context_, reader, "from");
        line.divide = readFactorSet(reader, "divide");
        line.multiply = readFactorSet(reader, "multiply");
        line.factor = reader.factor("factor").value_or(Rational(1));
        readFollows(reader, line);
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, context_.reporter, reader.pathOf("reset"));
            line.resetFrom = readResetFrom(context_, inner, line.from);
            line.resetDivide = readResetFactor(inner, "divide", line.divide);
            line.resetMultiply = readResetFactor(inner, "multiply", line.multiply);
            inner.finish();
        } else {
            line.resetDivide = line.divide.empty() ? Rational(1) : line.divide.least();
            line.resetMultiply = line.multiply.empty() ? Rational(1) : line.multiply.least();
        }
        std::vector<std::string> controls{"on"};
        if (line.from.size() > 1) {
            controls.emplace_back("from");
        }
        if (!line.divide.empty()) {
            controls.emplace_back("divide");
        }
        if (!line.multiply.empty()) {
            controls.emplace_back("multiply");
        }
        readFields(reader, controls, namesOf(context_, line.from), line.fields, line.holds, context_.book);
        checkCodes(reader, "from", namesOf(context_, line.from), line.holds);
        checkCodes(reader, "divide", line.divide, line.holds);
        checkCodes(reader, "multiply", line.multiply, line.holds);
        line.limits = readLimits(context_, reader);
        line.rippleOver = reader.quantity("ripple_over", Unit::second);
        if (const auto ripple = reader.quantity("ripple", Unit::ratio, Need::optional, Sign::notNegative)) {
            line.ripple = *ripple;
            if (*ripple >= 1) {
                reader.error("ripple", "a ripple of 100 % or more", "less");
            }
        }
        line.pins = reader.texts("pins");
        line.startup = readDuration(reader, "startup");
        line.draws = readDraw(reader, "draws");
    }

    void readRule(const toml::table& table) {
        TableReader reader(table, context_.reporter, "rule");
        Rule rule;
        rule.say = reader.text("say", Need::required).value_or("");
        rule.ref = reader.text("ref").value_or("");
        const auto left = reader.text("left", Need::required);
        const auto leftNode = left ? resolveNode(context_, reader, "left", *left) : std::nullopt;
        std::optional<NodeIndex> rightNode;
        int relations = 0;
        for (const auto& [key, relation] :
             {std::pair{"at_most", Rule::Relation::atMost}, std::pair{"at_least", Rule::Relation::atLeast},
              std::pair{"equals", Rule::Relation::equals}}) {
            if (const toml::table* other = reader.table(key)) {
                TableReader inner(*other, context_.reporter, reader.pathOf(key));
                const auto right = inner.text("line", Need::required);
                rightNode = right ? resolveNode(context_, inner, "line", *right) : std::nullopt;
                rule.times = inner.factor("times").value_or(Rational(1));
                rule.relation = relation;
                inner.finish();
                ++relations;
            }
        }
        if (relations != 1) {
            context_.reporter.error(reader.place(), relations == 0 ? "a rule that compares nothing" : "a rule with two relations",
                                    "one of 'at_most', 'at_least' and 'equals'");
        }
        reader.finish();
        if (leftNode && rightNode) {
            rule.left = *leftNode;
            rule.right = *rightNode;
            context_.part.rules.push_back(std::move(rule));
        }
    }

    void readWait(const toml::table& table) {
        TableReader reader(table, context_.reporter, "wait");
        WaitTable wait;
        const auto line = reader.text("line", Need::required);
        const auto node = line ? resolveNode(context_, reader, "line", *line) : std::nullopt;
        wait.line = node.value_or(0);
        wait.tier = resolveTier(context_, reader);
        wait.field = readOneField(context_, reader, "field", FieldUse::shared);
        wait.ref = reader.text("ref").value_or("");
        const toml::node* steps = reader.node("steps", Need::required);
        const toml::array* array = steps == nullptr ? nullptr : steps->as_array();
        for (std::size_t i = 0; array != nullptr && i < array->size(); ++i) {
            const toml::array* pair = array->get(i)->as_array();
            const bool isPair = pair != nullptr && (pair->size() == 2 || pair->size() == 3);
            const auto waits = isPair ? pair->get(1)->value_exact<std::int64_t>() : std::nullopt;
            if (!waits || *waits < 0) {
                reader.error("steps", nodeText(*array->get(i)),
                             "a pair such as [\"64 MHz\", 1], or with a speed, [\"64 MHz\", 1, \"92 %\"]");
                continue;
            }
            const auto speed = pair->size() == 3
                                   ? readNodeQuantity(*pair->get(2), context_.reporter, reader.at("steps"), Unit::ratio)
                                   : std::nullopt;
            const auto rate = readNodeQuantity(*pair->get(0), context_.reporter, reader.at("steps"), Unit::hertz);
            if (rate && !wait.steps.empty() && *rate <= wait.steps.back().hertz) {
                reader.error("steps", "rates that do not rise", "each rate above the one before");
            } else if (rate) {
                wait.steps.push_back({*rate, *waits, speed});
            }
        }
        if (steps != nullptr && (array == nullptr || array->empty())) {
            reader.error("steps", nodeText(*steps), "pairs such as [\"64 MHz\", 1]");
        }
        reader.finish();
        if (node) {
            context_.part.waits.push_back(std::move(wait));
        }
    }

    /// Parents before children; a loop is reported with its whole path.
    void sortLines(const std::vector<const toml::table*>& tables) {
        enum class Mark { white, grey, black };
        std::vector<Mark> marks(context_.part.lines.size(), Mark::white);
        for (std::size_t root = 0; root < context_.part.lines.size(); ++root) {
            // depth first without recursion: the files of others may be thousands of lines deep
            std::vector<std::pair<std::size_t, std::size_t>> path;
            if (marks[root] == Mark::white) {
                path.emplace_back(root, 0);
                marks[root] = Mark::grey;
            }
            while (!path.empty()) {
                auto& [line, next] = path.back();
                if (next == context_.part.lines[line].from.size()) {
                    marks[line] = Mark::black;
                    context_.part.order.push_back(line);
                    path.pop_back();
                    continue;
                }
                const NodeIndex parent = context_.part.lines[line].from[next++];
                if (context_.part.isSource(parent)) {
                    continue;
                }
                const std::size_t parentLine = parent - context_.part.sources.size();
                if (marks[parentLine] == Mark::grey) {
                    reportLoop(path, parentLine, *tables[parentLine]);
                    return;
                }
                if (marks[parentLine] == Mark::white) {
                    marks[parentLine] = Mark::grey;
                    path.emplace_back(parentLine, 0);
                }
            }
        }
    }

private:
    /// One rate, or several with the field that chooses among them.
    void readRates(TableReader& reader, Source& source) {
        const toml::node* several = reader.node("rates");
        const toml::array* array = several == nullptr ? nullptr : several->as_array();
        if (several == nullptr) {
            if (const auto rate = reader.quantity("rate", Unit::hertz, Need::required)) {
                source.rates.push_back(*rate);
            }
            for (const char* key : {"rate_field", "codes", "reset"}) {
                reader.know(key);
                if (reader.has(key)) {
                    reader.error(key, "'" + std::string(key) + "' without 'rates'", "a list of rates to choose from");
                }
            }
            return;
        }
        if (reader.has("rate")) {
            reader.quantity("rate", Unit::hertz);
            reader.error("rate", "both 'rate' and 'rates'", "one of them");
        }
        if (array == nullptr || array->size() < 2) {
            reader.error("rates", nodeText(*several), "two rates or more, such as [\"5 MHz\", \"10 MHz\"]");
            return;
        }
        for (const toml::node& each : *array) {
            if (const auto rate = readNodeQuantity(each, context_.reporter, reader.at("rates"), Unit::hertz)) {
                if (!source.rates.empty() && *rate <= source.rates.back()) {
                    reader.error("rates", "rates that do not rise", "each rate above the one before");
                }
                source.rates.push_back(*rate);
            }
        }
        source.rateField = readOneField(context_, reader, "rate_field", FieldUse::own);
        const toml::node* codes = reader.node("codes");
        const toml::array* list = codes == nullptr ? nullptr : codes->as_array();
        for (std::size_t i = 0; i < source.rates.size(); ++i) {
            const auto code = list != nullptr && i < list->size() ? list->get(i)->value_exact<std::int64_t>() : std::nullopt;
            source.codes.push_back(code.value_or(static_cast<std::int64_t>(i)));
        }
        if (codes != nullptr && (list == nullptr || list->size() != source.rates.size())) {
            reader.error("codes", nodeText(*codes), "one whole number for each of the rates");
        }
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, context_.reporter, reader.pathOf("reset"));
            const auto rate = inner.quantity("rate", Unit::hertz, Need::required);
            const auto found = std::find(source.rates.begin(), source.rates.end(), rate.value_or(Rational(0)));
            if (rate && found == source.rates.end()) {
                inner.error("rate", printQuantity(*rate, Unit::hertz) + ", which is none of the rates", "one of 'rates'");
            } else if (rate) {
                source.resetRate = static_cast<std::size_t>(found - source.rates.begin());
            }
            inner.finish();
        }
    }

    void readRange(TableReader& reader, Source& source) {
        const toml::node* node = reader.node("range", Need::required);
        const toml::array* pair = node == nullptr ? nullptr : node->as_array();
        if (node == nullptr) {
            return;
        }
        if (pair == nullptr || pair->size() != 2) {
            reader.error("range", nodeText(*node), "two rates such as [\"6 MHz\", \"30 MHz\"]");
            return;
        }
        source.rangeMin = readNodeQuantity(*pair->get(0), context_.reporter, reader.at("range"), Unit::hertz);
        source.rangeMax = readNodeQuantity(*pair->get(1), context_.reporter, reader.at("range"), Unit::hertz);
        checkOrder(reader, "range", source.rangeMin, source.rangeMax);
    }

    void readTolerance(TableReader& reader, Source& source) {
        const toml::node* node = reader.node("tolerance");
        if (node == nullptr) {
            return;
        }
        if (node->is_string()) {
            if (const auto both =
                    readNodeQuantity(*node, context_.reporter, reader.at("tolerance"), Unit::ratio, Sign::notNegative)) {
                source.tolerance.push_back({std::nullopt, std::nullopt, -*both, *both});
            }
            return;
        }
        for (const toml::table* table : reader.tables("tolerance")) {
            TableReader inner(*table, context_.reporter, reader.pathOf("tolerance"));
            ToleranceStep step;
            if (const auto temp = readPair(inner, "temp", Unit::celsius, Need::optional)) {
                step.fromCelsius = temp->first;
                step.toCelsius = temp->second;
            }
            if (const auto by = readDeviation(inner)) {
                step.low = by->first;
                step.high = by->second;
                source.tolerance.push_back(step);
            }
            inner.text("ref");
            inner.finish();
        }
    }

    std::optional<std::pair<Rational, Rational>> readPair(TableReader& reader, const std::string& key, Unit unit, Need need) {
        const toml::node* node = reader.node(key, need);
        if (node == nullptr) {
            return std::nullopt;
        }
        const toml::array* pair = node->as_array();
        if (pair == nullptr || pair->size() != 2) {
            reader.error(key, nodeText(*node), "a pair of " + unitNoun(unit) + "s");
            return std::nullopt;
        }
        const auto low = readNodeQuantity(*pair->get(0), context_.reporter, reader.at(key), unit, Sign::any);
        const auto high = readNodeQuantity(*pair->get(1), context_.reporter, reader.at(key), unit, Sign::any);
        checkOrder(reader, key, low, high);
        return low && high ? std::optional(std::pair(*low, *high)) : std::nullopt;
    }

    std::optional<std::pair<Rational, Rational>> readDeviation(TableReader& reader) {
        const toml::node* node = reader.node("by", Need::required);
        if (node != nullptr && node->is_string()) {
            const auto both = readNodeQuantity(*node, context_.reporter, reader.at("by"), Unit::ratio, Sign::notNegative);
            return both ? std::optional(std::pair(-*both, *both)) : std::nullopt;
        }
        const auto by = node == nullptr ? std::nullopt : readPair(reader, "by", Unit::ratio, Need::required);
        if (by && (by->first.sign() > 0 || by->second.sign() < 0 || by->first <= -1)) {
            reader.error("by", "deviations that do not enclose 0", "a pair such as [\"-20 %\", \"25 %\"]");
            return std::nullopt;
        }
        return by;
    }

    static Rational readResetFactor(TableReader& reset, const std::string& key, const FactorSet& set) {
        if (set.empty()) {
            if (reset.has(key)) {
                reset.factor(key);
                reset.error(key, "a reset value for '" + key + "'", "a line that has this control");
            }
            return 1;
        }
        const Rational value = reset.factor(key).value_or(set.least());
        if (!set.contains(value)) {
            std::string near;
            for (const Rational& each : set.nearest(value)) {
                near += (near.empty() ? "" : " or ") + printFactor(each);
            }
            reset.error(key, key + " = " + printFactor(value) + ", which the control cannot be set to", near);
        }
        return value;
    }

    void readFollows(TableReader& reader, Line& line) {
        const toml::table* table = reader.table("follows");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, context_.reporter, reader.pathOf("follows"));
        Follows follows;
        std::tie(follows.line, follows.control) = readControl(context_, inner);
        follows.otherwise = inner.factor("otherwise").value_or(Rational(1));
        if (const toml::table* when = inner.table("when", Need::required)) {
            TableReader cases(*when, context_.reporter, inner.pathOf("when"));
            for (const std::string& key : cases.keys()) {
                const auto value = readFactor(key);
                const auto factor = cases.factor(key);
                if (!value) {
                    cases.error(key, "'" + key + "'", "a value of the control, such as 6");
                } else if (factor) {
                    follows.when.emplace_back(*value, *factor);
                }
            }
        }
        inner.finish();
        line.follows = follows;
    }

    void reportLoop(const std::vector<std::pair<std::size_t, std::size_t>>& path, std::size_t start, const toml::table& table) {
        std::string text = context_.part.lines[start].id;
        bool isInside = false;
        std::string between;
        for (const auto& [line, next] : path) {
            if (isInside) {
                between = " \u2192 " + context_.part.lines[line].id + between;
            }
            isInside = isInside || line == start;
        }
        text += between + " \u2192 " + context_.part.lines[start].id;
        const TableReader reader(table, context_.reporter, "line." + context_.part.lines[start].id);
        context_.reporter.error(reader.place("from"), "a loop between lines: " + text, "lines that end at a source");
    }

    PartContext& context_;
};

} // namespace

void readTier(PartContext& context, TableReader& reader, Tier& tier) {
    ClockReader(context).readTier(reader, tier);
}

void readSource(PartContext& context, TableReader& reader, Source& source) {
    ClockReader(context).readSource(reader, source);
}

void readLine(PartContext& context, TableReader& reader, Line& line) {
    ClockReader(context).readLine(reader, line);
}

void readRule(PartContext& context, const toml::table& table) {
    ClockReader(context).readRule(table);
}

void readWait(PartContext& context, const toml::table& table) {
    ClockReader(context).readWait(table);
}

void sortLines(PartContext& context, const std::vector<const toml::table*>& tables) {
    ClockReader(context).sortLines(tables);
}

} // namespace wisetick
