#include "files/part_rules.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Steps such as ["64 MHz", 1] or ["64 MHz", 1, "92 %"], with rising rates.
std::vector<WaitStep> readSteps(TableReader& reader, const std::string& key) {
    const toml::node* node = reader.node(key, Need::required);
    const toml::array* array = node == nullptr ? nullptr : node->as_array();
    std::vector<WaitStep> steps;
    for (std::size_t i = 0; array != nullptr && i < array->size(); ++i) {
        const toml::array* pair = array->get(i)->as_array();
        const bool isPair = pair != nullptr && (pair->size() == 2 || pair->size() == 3);
        const auto waits = isPair ? pair->get(1)->value_exact<std::int64_t>() : std::nullopt;
        if (!waits || *waits < 0) {
            reader.error(key, nodeText(*array->get(i)),
                         phrase("a pair such as [\"64 MHz\", 1], or with a speed, [\"64 MHz\", 1, \"92 %\"]"));
            continue;
        }
        const auto speed =
            pair->size() == 3 ? readNodeQuantity(*pair->get(2), reader.reporter(), reader.at(key), Unit::ratio) : std::nullopt;
        const auto rate = readNodeQuantity(*pair->get(0), reader.reporter(), reader.at(key), Unit::hertz);
        if (rate && !steps.empty() && *rate <= steps.back().hertz) {
            reader.error(key, phrase("rates that do not rise"), phrase("each rate above the one before"));
        } else if (rate) {
            steps.push_back({*rate, *waits, speed});
        }
    }
    if (node != nullptr && (array == nullptr || array->empty())) {
        reader.error(key, nodeText(*node), phrase("pairs such as [\"64 MHz\", 1]"));
    }
    return steps;
}

/// The parts of a table that each hold under conditions of their own: in a tier, in a range of supply.
void readConditions(const PartContext& context, TableReader& reader, WaitTable& table) {
    table.tier = resolveTier(context, reader);
    table.supplyBelow = reader.quantity("supply_below", Unit::volt);
    table.supplyAtLeast = reader.quantity("supply_at_least", Unit::volt);
}

/// The codes that a field has no room for.
void checkRoom(TableReader& reader, const WaitTable& table) {
    for (const WaitStep& step : table.steps) {
        if (table.field && Rational(step.waits) > table.field->most()) {
            reader.error("field", phrase("{}, which has no room for {}", fieldText(*table.field), std::to_string(step.waits)),
                         phrase("at most {}", table.field->most().toString()));
        }
    }
}

} // namespace

void readRule(PartContext& context, const toml::table& table) {
    TableReader reader(table, context.reporter, "rule");
    Rule rule;
    rule.say = reader.text("say", Need::required).value_or("");
    rule.ref = reader.text("ref").value_or("");
    const auto left = reader.text("left", Need::required);
    const auto leftNode = left ? resolveNode(context, reader, "left", *left) : std::nullopt;
    std::optional<NodeIndex> rightNode;
    int relations = 0;
    for (const auto& [key, relation] :
         {std::pair{"at_most", Rule::Relation::atMost}, std::pair{"at_least", Rule::Relation::atLeast},
          std::pair{"equals", Rule::Relation::equals}}) {
        if (const toml::table* other = reader.table(key)) {
            TableReader inner(*other, context.reporter, reader.pathOf(key));
            const auto right = inner.text("line", Need::required);
            rightNode = right ? resolveNode(context, inner, "line", *right) : std::nullopt;
            rule.times = inner.factor("times").value_or(Rational(1));
            rule.relation = relation;
            inner.finish();
            ++relations;
        }
    }
    if (relations != 1) {
        context.reporter.error(reader.place(),
                               relations == 0 ? phrase("a rule that compares nothing") : phrase("a rule with two relations"),
                               phrase("one of 'at_most', 'at_least' and 'equals'"));
    }
    reader.finish();
    if (leftNode && rightNode) {
        rule.left = *leftNode;
        rule.right = *rightNode;
        context.part.rules.push_back(std::move(rule));
    }
}

void readWait(PartContext& context, const toml::table& table) {
    TableReader reader(table, context.reporter, "wait");
    WaitTable wait;
    const auto line = reader.text("line", Need::required);
    const auto node = line ? resolveNode(context, reader, "line", *line) : std::nullopt;
    wait.line = node.value_or(0);
    wait.field = readOneField(context, reader, "field", FieldUse::shared);
    wait.ref = reader.text("ref").value_or("");
    std::vector<WaitTable> all;
    const std::vector<const toml::table*> cases = reader.tables("cases");
    if (cases.empty()) {
        readConditions(context, reader, wait);
        wait.steps = readSteps(reader, "steps");
        all.push_back(wait);
    }
    for (const toml::table* each : cases) {
        TableReader inner(*each, context.reporter, reader.pathOf("cases"));
        WaitTable one = wait;
        readConditions(context, inner, one);
        one.steps = readSteps(inner, "steps");
        inner.finish();
        all.push_back(std::move(one));
    }
    reader.finish();
    for (WaitTable& each : all) {
        checkRoom(reader, each);
        if (node) {
            context.part.waits.push_back(std::move(each));
        }
    }
}

void readBound(PartContext& context, const toml::table& table) {
    TableReader reader(table, context.reporter, "bound");
    WaitTable bound;
    bound.say = reader.text("say", Need::required).value_or("?");
    const auto line = reader.text("line", Need::required);
    const auto node = line ? resolveNode(context, reader, "line", *line) : std::nullopt;
    bound.line = node.value_or(0);
    bound.field = readOneField(context, reader, "field", FieldUse::own);
    bound.ref = reader.text("ref").value_or("");
    readConditions(context, reader, bound);
    bound.isFromRate = reader.has("from");
    if (bound.isFromRate && reader.has("steps")) {
        reader.know("steps");
        reader.error("from", phrase("both 'steps' and 'from'"), phrase("'steps' up to a rate, or 'from' a rate on"));
    }
    bound.steps = readSteps(reader, bound.isFromRate ? "from" : "steps");
    reader.finish();
    checkRoom(reader, bound);
    if (node) {
        context.part.waits.push_back(std::move(bound));
    }
}

} // namespace wisetick
