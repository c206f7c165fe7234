#include "files/part_limits.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

/// The input of a mux that is named.
std::optional<Rational> inputPlace(const PartContext& context, TableReader& reader, std::size_t line, const toml::node& node) {
    const std::vector<std::string> inputs = namesOf(context, context.part.lines[line].from);
    const auto name = node.value_exact<std::string>();
    const auto found = name ? std::find(inputs.begin(), inputs.end(), *name) : inputs.end();
    if (found == inputs.end()) {
        reader.error("is", nodeText(node), inputs.empty() ? phrase("a line with a mux") : listNames(inputs),
                     name ? didYouMean(*name, inputs) : std::string());
        return std::nullopt;
    }
    return Rational(static_cast<std::int64_t>(found - inputs.begin()));
}

ControlCase readControlCase(const PartContext& context, TableReader& reader) {
    ControlCase result;
    std::tie(result.line, result.control) = readControl(context, reader, MuxControl::allowed);
    const toml::node* is = reader.node("is", Need::required);
    const toml::array* several = is == nullptr ? nullptr : is->as_array();
    const auto take = [&](const toml::node& node) {
        if (result.line >= context.part.lines.size()) {
            return;
        }
        const auto value = result.control == "from" ? inputPlace(context, reader, result.line, node)
                                                    : readNodeFactor(node, context.reporter, reader.at("is"));
        if (value) {
            result.is.push_back(*value);
        }
    };
    if (several != nullptr) {
        for (const toml::node& each : *several) {
            take(each);
        }
    } else if (is != nullptr) {
        take(*is);
    }
    return result;
}

RateCase readRateCase(const PartContext& context, TableReader& reader) {
    RateCase result;
    const auto line = reader.text("line", Need::required);
    result.node = line ? resolveNode(context, reader, "line", *line).value_or(0) : 0;
    result.least = reader.quantity("least", Unit::hertz);
    result.below = reader.quantity("below", Unit::hertz);
    if (!result.least && !result.below) {
        context.reporter.error(reader.place(), phrase("a rate without 'least' and 'below'"), phrase("at least one of them"));
    }
    checkOrder(reader, "below", result.least, result.below);
    return result;
}

/// A rate, or one for each of several tiers: { low = "96 MHz", fast = "160 MHz" }.
struct RateByTier {
    std::optional<Rational> always;
    std::vector<std::pair<std::size_t, Rational>> tiers;
};

RateByTier readRateByTier(const PartContext& context, TableReader& reader, const char* key) {
    RateByTier rate;
    const toml::node* node = reader.node(key);
    const toml::table* table = node == nullptr ? nullptr : node->as_table();
    if (table == nullptr) {
        rate.always = reader.quantity(key, Unit::hertz);
        return rate;
    }
    TableReader inner(*table, context.reporter, reader.pathOf(key));
    for (std::size_t tier = 0; tier < context.part.tiers.size(); ++tier) {
        if (const auto hertz = inner.quantity(context.part.tiers[tier].id, Unit::hertz)) {
            rate.tiers.emplace_back(tier, *hertz);
        }
    }
    inner.finish();
    return rate;
}

/// One limit for each tier that either end is told for.
void addByTier(TableReader& reader, const Limit& common, const RateByTier& min, const RateByTier& max,
               std::vector<Limit>& limits) {
    if (min.tiers.empty() && max.tiers.empty()) {
        limits.push_back(common);
        return;
    }
    if (common.tier) {
        reader.error("tier", phrase("a tier beside rates by tier"), phrase("one of them"));
    }
    std::vector<std::size_t> tiers;
    for (const RateByTier* each : {&min, &max}) {
        for (const auto& [tier, hertz] : each->tiers) {
            if (std::find(tiers.begin(), tiers.end(), tier) == tiers.end()) {
                tiers.push_back(tier);
            }
        }
    }
    std::sort(tiers.begin(), tiers.end());
    for (const std::size_t tier : tiers) {
        Limit limit = common;
        limit.tier = tier;
        const auto take = [&](const RateByTier& rate, std::optional<Rational>& end) {
            const auto found =
                std::find_if(rate.tiers.begin(), rate.tiers.end(), [&](const auto& each) { return each.first == tier; });
            end = found == rate.tiers.end() ? rate.always : std::optional(found->second);
        };
        take(min, limit.min);
        take(max, limit.max);
        checkOrder(reader, "max", limit.min, limit.max);
        limits.push_back(std::move(limit));
    }
}

void readLimit(const PartContext& context, const toml::table& table, const std::string& path, std::vector<Limit>& limits) {
    TableReader reader(table, context.reporter, path);
    Limit limit;
    limit.tier = resolveTier(context, reader);
    const RateByTier min = readRateByTier(context, reader, "min");
    const RateByTier max = readRateByTier(context, reader, "max");
    limit.min = min.always;
    limit.max = max.always;
    limit.supplyBelow = reader.quantity("supply_below", Unit::volt);
    const auto at = reader.quantity("at", Unit::hertz);
    const auto within = reader.quantity("within", Unit::ratio);
    if (at.has_value() != within.has_value() || (at && (limit.min || limit.max))) {
        context.reporter.error(reader.place(), phrase("'at' and 'within' that do not stand together, alone"),
                               phrase("{{ at = \"48 MHz\", within = \"0.25 %\" }}"));
    } else if (at) {
        limit.min = *at * (1 - std::min(*within, Rational(1)));
        limit.max = *at * (1 + *within);
        limit.isTolerance = true;
    }
    if (const toml::table* when = reader.table("when")) {
        TableReader inner(*when, context.reporter, reader.pathOf("when"));
        if (inner.has("line")) {
            limit.whileRate = readRateCase(context, inner);
        } else {
            limit.when = readControlCase(context, inner);
        }
        inner.finish();
    }
    limit.ref = reader.text("ref").value_or("");
    reader.text("note");
    if (!limit.min && !limit.max && !reader.has("min") && !reader.has("max") && !reader.has("at") && !reader.has("within")) {
        context.reporter.error(reader.place(), phrase("a limit without 'min' and 'max'"), phrase("at least one of them"));
    }
    checkOrder(reader, "max", limit.min, limit.max);
    reader.finish();
    addByTier(reader, limit, min, max, limits);
}

} // namespace

std::pair<std::size_t, std::string> readControl(const PartContext& context, TableReader& reader, MuxControl mux) {
    const std::string control = reader.text("control", Need::required).value_or("");
    const std::size_t dot = control.find('.');
    const std::string id = control.substr(0, dot);
    const std::string factor = dot == std::string::npos ? "" : control.substr(dot + 1);
    const std::vector<std::string> known = idsOf(context.part.lines);
    const auto found = std::find(known.begin(), known.end(), id);
    if (!control.empty() && (found == known.end() ||
                             (factor != "divide" && factor != "multiply" && (factor != "from" || mux == MuxControl::refused)))) {
        reader.error("control", phrase("no control '{}'", control), phrase("a line's factor such as 'bus_a.divide'"),
                     didYouMean(id, known));
    }
    return {static_cast<std::size_t>(found - known.begin()), factor};
}

std::vector<Limit> readLimits(const PartContext& context, TableReader& reader) {
    std::vector<Limit> limits;
    for (const toml::table* limit : reader.tables("limit")) {
        readLimit(context, *limit, reader.pathOf("limit"), limits);
    }
    return limits;
}

} // namespace wisetick
