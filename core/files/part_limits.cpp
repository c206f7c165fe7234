#include "files/part_limits.h"

#include "base/nearest_name.h"

#include <algorithm>

namespace wisetick {

namespace {

ControlCase readControlCase(const PartContext& context, TableReader& reader) {
    ControlCase result;
    std::tie(result.line, result.control) = readControl(context, reader);
    const toml::node* is = reader.node("is", Need::required);
    const toml::array* several = is == nullptr ? nullptr : is->as_array();
    const auto take = [&](const toml::node& node) {
        if (const auto value = readNodeFactor(node, context.reporter, reader.at("is"))) {
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

Limit readLimit(const PartContext& context, const toml::table& table, const std::string& path) {
    TableReader reader(table, context.reporter, path);
    Limit limit;
    limit.tier = resolveTier(context, reader);
    limit.min = reader.quantity("min", Unit::hertz);
    limit.max = reader.quantity("max", Unit::hertz);
    limit.supplyBelow = reader.quantity("supply_below", Unit::volt);
    const auto at = reader.quantity("at", Unit::hertz);
    const auto within = reader.quantity("within", Unit::ratio);
    if (at.has_value() != within.has_value() || (at && (limit.min || limit.max))) {
        context.reporter.error(reader.place(), "'at' and 'within' that do not stand together, alone",
                               "{ at = \"48 MHz\", within = \"0.25 %\" }");
    } else if (at) {
        limit.min = *at * (1 - std::min(*within, Rational(1)));
        limit.max = *at * (1 + *within);
        limit.isTolerance = true;
    }
    if (const toml::table* when = reader.table("when")) {
        TableReader inner(*when, context.reporter, reader.pathOf("when"));
        limit.when = readControlCase(context, inner);
        inner.finish();
    }
    limit.ref = reader.text("ref").value_or("");
    reader.text("note");
    if (!limit.min && !limit.max && !reader.has("min") && !reader.has("max") && !reader.has("at") && !reader.has("within")) {
        context.reporter.error(reader.place(), "a limit without 'min' and 'max'", "at least one of them");
    }
    checkOrder(reader, "max", limit.min, limit.max);
    reader.finish();
    return limit;
}

} // namespace

std::pair<std::size_t, std::string> readControl(const PartContext& context, TableReader& reader) {
    const std::string control = reader.text("control", Need::required).value_or("");
    const std::size_t dot = control.find('.');
    const std::string id = control.substr(0, dot);
    const std::string factor = dot == std::string::npos ? "" : control.substr(dot + 1);
    const std::vector<std::string> known = idsOf(context.part.lines);
    const auto found = std::find(known.begin(), known.end(), id);
    if (!control.empty() && (found == known.end() || (factor != "divide" && factor != "multiply"))) {
        reader.error("control", "no control '" + control + "'", "a line's factor such as 'bus_a.divide'", didYouMean(id, known));
    }
    return {static_cast<std::size_t>(found - known.begin()), factor};
}

std::vector<Limit> readLimits(const PartContext& context, TableReader& reader) {
    std::vector<Limit> limits;
    for (const toml::table* limit : reader.tables("limit")) {
        limits.push_back(readLimit(context, *limit, reader.pathOf("limit")));
    }
    return limits;
}

} // namespace wisetick
