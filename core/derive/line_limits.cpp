#include "derive/line_limits.h"

#include "derive/demand.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

void add(Diagnostics& findings, Severity severity, const std::string& path, const std::string& found,
         const std::string& expected = {}) {
    findings.push_back({severity, {{}, 0, 0, path}, found, expected, {}});
}

void add(Diagnostics& findings, Severity severity, const Target& about, const std::string& found,
         const std::string& expected = {}) {
    findings.push_back({severity, placeOf(about), found, expected, {}});
}

std::string hertzText(const Rational& hertz) {
    return printQuantity(hertz, Unit::hertz);
}

std::string tierText(const Part& part, const Controls& controls) {
    return controls.tier ? " in tier " + part.tiers[*controls.tier].id : "";
}

/// Under what the ends of a rail hold, in words, and whether they are ends of a tolerance.
struct Rail {
    std::string minWhere;
    std::string maxWhere;
    bool isMinTolerance = false;
    bool isMaxTolerance = false;
};

/// What a control is set to; of a mux the place of its input.
Rational valueOf(const LineControls& line, const std::string& control) {
    return control == "from" ? Rational(static_cast<std::int64_t>(line.from))
                             : (control == "multiply" ? line.multiply : line.divide);
}

/// Whether another line is on and runs within these rates; without a rate it runs in none.
bool isMet(const RateCase& rate, const std::vector<LineFigure>& lines) {
    const auto& hertz = lines[rate.node].hertz;
    return lines[rate.node].isOn && hertz && (!rate.least || hertz->nominal >= *rate.least) &&
           (!rate.below || hertz->nominal < *rate.below);
}

bool holds(const Limit& limit, const Board& board, const Controls& controls, const std::vector<LineFigure>& lines) {
    if (limit.tier && limit.tier != controls.tier) {
        return false;
    }
    if (limit.supplyBelow && board.supply && board.supply->min >= *limit.supplyBelow) {
        return false;
    }
    if (limit.whileRate && !isMet(*limit.whileRate, lines)) {
        return false;
    }
    if (!limit.when) {
        return true;
    }
    const Rational value = valueOf(controls.lines[limit.when->line], limit.when->control);
    return std::find(limit.when->is.begin(), limit.when->is.end(), value) != limit.when->is.end();
}

/// " in tier fast", " below 2.7 V", " with bus_a \u00f7 4", " while f_ref is at least 1.8 MHz".
std::string whereText(const Part& part, const Limit& limit, const Controls& controls) {
    std::string text = limit.tier ? " in tier " + part.tiers[*limit.tier].id : "";
    if (limit.supplyBelow) {
        text += " below " + printQuantity(*limit.supplyBelow, Unit::volt);
    }
    if (limit.when && limit.when->control == "from") {
        const Line& line = part.lines[limit.when->line];
        text += " with " + line.id + " from " + part.nodeId(line.from[controls.lines[limit.when->line].from]);
    } else if (limit.when) {
        const LineControls& line = controls.lines[limit.when->line];
        const bool isMultiplier = limit.when->control == "multiply";
        text += " with " + part.lines[limit.when->line].id + (isMultiplier ? " \u00d7 " : " \u00f7 ") +
                printFactor(isMultiplier ? line.multiply : line.divide);
    }
    if (limit.whileRate) {
        const RateCase& rate = *limit.whileRate;
        text += " while " + part.nodeId(rate.node) + " is ";
        text += rate.least ? "at least " + hertzText(*rate.least) : "";
        text += rate.least && rate.below ? " and " : "";
        text += rate.below ? "below " + hertzText(*rate.below) : "";
    }
    return text;
}

/// The tightest of the limits that hold now.
Rail applyLimits(const Part& part, const Board& board, const std::vector<Limit>& limits, const Controls& controls,
                 const std::vector<LineFigure>& lines, LimitSpan& span) {
    Rail rail;
    for (const Limit& limit : limits) {
        if (!holds(limit, board, controls, lines)) {
            continue;
        }
        const std::string where = whereText(part, limit, controls);
        if (limit.min && (!span.min || *limit.min > *span.min)) {
            span.min = limit.min;
            rail.minWhere = where;
            rail.isMinTolerance = limit.isTolerance;
        }
        if (limit.max && (!span.max || *limit.max < *span.max)) {
            span.max = limit.max;
            rail.maxWhere = where;
            rail.isMaxTolerance = limit.isTolerance;
        }
    }
    return rail;
}

/// Against one end of the rail; `isOver` for the upper one.
void judgeEnd(const Rational& slack, LineFigure& figure, const Rational& limit, bool isOver, const std::string& tier) {
    const Bounds& hertz = *figure.hertz;
    const Rational room = isOver ? 1 - hertz.nominal / limit : hertz.nominal / limit - 1;
    const Rational worstRoom = isOver ? 1 - hertz.max / limit : hertz.min / limit - 1;
    if (!figure.margin || room < *figure.margin) {
        figure.margin = room;
    }
    const std::string side = isOver ? "over its " : "under its ";
    if (room.sign() < 0) {
        figure.state = State::broken;
        figure.stateWhy = hertzText(hertz.nominal) + ", " + side + hertzText(limit) + tier;
    } else if (worstRoom < -slack && figure.state == State::kept) {
        figure.state = State::strained;
        figure.stateWhy = hertzText(isOver ? hertz.max : hertz.min) + " in the worst case, " + side + hertzText(limit) + tier;
    }
}

/// The source that a line comes from in the end.
NodeIndex sourceOf(const std::vector<LineFigure>& lines, NodeIndex node) {
    while (lines[node].parent) {
        node = *lines[node].parent;
    }
    return node;
}

/// Two clocks of one source move together, and their ratio is exact; of two sources each may be at its own corner.
void judgeRule(const Rule& rule, const Rational& slack, const std::vector<LineFigure>& lines, Diagnostics& findings) {
    const LineFigure& left = lines[rule.left];
    const LineFigure& right = lines[rule.right];
    if (!left.isOn || !right.isOn || !left.hertz || !right.hertz) {
        return;
    }
    const auto isBroken = [&](const Rational& high, const Rational& low, const Rational& most, const Rational& least) {
        return (rule.relation != Rule::Relation::atLeast && high > most) ||
               (rule.relation != Rule::Relation::atMost && low < least);
    };
    const Rational bound = rule.times * right.hertz->nominal;
    if (isBroken(left.hertz->nominal, left.hertz->nominal, bound, bound)) {
        add(findings, Severity::error, Target::line(left.id),
            left.id + " at " + hertzText(left.hertz->nominal) + " against " + right.id + " at " + hertzText(right.hertz->nominal),
            rule.say);
        return;
    }
    const bool areApart = sourceOf(lines, rule.left) != sourceOf(lines, rule.right);
    if (areApart && isBroken(left.hertz->max, left.hertz->min, rule.times * right.hertz->min * (1 + slack),
                             rule.times * right.hertz->max * (1 - slack))) {
        add(findings, Severity::warning, Target::line(left.id),
            left.id + " at " + printRange(left.hertz->min, left.hertz->max, Unit::hertz) + " against " + right.id + " at " +
                printRange(right.hertz->min, right.hertz->max, Unit::hertz) + ", from two sources",
            rule.say);
    }
}

/// Hz, the fastest of a line as far as it is known.
const Rational& fastestOf(const LineFigure& line) {
    return line.unknown.empty() ? line.hertz->max : line.hertz->nominal;
}

bool holdsNow(const WaitTable& table, const Board& board, const Controls& controls) {
    return (!table.tier || table.tier == controls.tier) && holdsAtSupply(table, board);
}

/// The first step that is not exceeded, at the fastest by more than the slack; the end where there is none.
/// `factor`: were the line faster by that.
std::vector<WaitStep>::const_iterator waitStepOf(const Part& part, const WaitTable& table, const LineFigure& line,
                                                 const Rational& factor = 1) {
    return std::find_if(table.steps.begin(), table.steps.end(), [&](const WaitStep& each) {
        return line.hertz->nominal * factor <= each.hertz && fastestOf(line) * factor <= each.hertz * (1 + part.slack);
    });
}

/// The least speed of the waits that hold, with the lines faster by a factor each.
template <class FactorOf>
Rational leastSpeed(const Part& part, const Board& board, const Controls& controls, const std::vector<LineFigure>& lines,
                    FactorOf factorOf) {
    Rational least = 1;
    for (const WaitTable& table : part.waits) {
        const LineFigure& line = lines[table.line];
        if (!table.isWait() || !holdsNow(table, board, controls) || !line.hertz || table.steps.empty()) {
            continue;
        }
        const auto step = waitStepOf(part, table, line, factorOf(table.line));
        const WaitStep& taken = step == table.steps.end() ? table.steps.back() : *step;
        least = std::min(least, taken.speed.value_or(Rational(1)));
    }
    return least;
}

} // namespace

LimitSpan limitSpan(const Part& part, const Board& board, const std::vector<Limit>& limits, const Controls& controls,
                    const std::vector<LineFigure>& lines) {
    LimitSpan span;
    applyLimits(part, board, limits, controls, lines, span);
    return span;
}

Workings limitWorkings(const Part& part, const Board& board, const Line& line, const Controls& controls,
                       const std::vector<LineFigure>& lines) {
    Workings steps;
    const auto shown = [](const std::optional<Rational>& end) { return end ? hertzText(*end) : std::string("none"); };
    for (const Limit& limit : line.limits) {
        if (holds(limit, board, controls, lines)) {
            const std::string where = whereText(part, limit, controls);
            steps.push_back({"limit",
                             where.empty() ? "always" : where.substr(1),
                             {},
                             "least " + shown(limit.min) + ", most " + shown(limit.max),
                             {{line.id, {}, Target::part("line." + line.id + ".limit"), limit.ref}}});
        }
    }
    return steps;
}

void judgeLimits(const Part& part, const Board& board, const Controls& controls, std::vector<LineFigure>& lines,
                 Diagnostics& findings) {
    for (NodeIndex node = 0; node < lines.size(); ++node) {
        LineFigure& figure = lines[node];
        LimitSpan span;
        const Rail rail =
            part.isSource(node) ? Rail() : applyLimits(part, board, part.lineAt(node).limits, controls, lines, span);
        figure.limitMin = span.min;
        figure.limitMax = span.max;
        if (!figure.isOn) {
            continue;
        }
        if (!figure.hertz) {
            figure.state = State::broken;
            figure.stateWhy = figure.why;
            // said once, where it begins
            if (!figure.parent || lines[*figure.parent].hertz) {
                add(findings, Severity::error, Target::line(figure.id), "no rate: " + figure.why);
            }
            continue;
        }
        if (figure.isSource && !figure.unknown.empty()) {
            add(findings, Severity::warning, Target::line(figure.id), figure.unknown,
                "a tolerance in the plan's board or in the part");
        }
        if (figure.limitMin) {
            judgeEnd(rail.isMinTolerance ? Rational(0) : part.slack, figure, *figure.limitMin, false, rail.minWhere);
        }
        if (figure.limitMax) {
            judgeEnd(rail.isMaxTolerance ? Rational(0) : part.slack, figure, *figure.limitMax, true, rail.maxWhere);
        }
        if (figure.state != State::kept) {
            add(findings, figure.state == State::broken ? Severity::error : Severity::warning, Target::line(figure.id),
                figure.id + " runs at " + figure.stateWhy);
        }
    }
}

void judgeBoard(const Part& part, const Plan& plan, const Controls& controls, const std::vector<LineFigure>& lines,
                Diagnostics& findings) {
    const auto volt = [](const Rational& value) { return printQuantity(value, Unit::volt); };
    if (const auto& supply = plan.board.supply) {
        if ((part.supplyMin && supply->min < *part.supplyMin) || (part.supplyMax && supply->max > *part.supplyMax)) {
            add(findings, Severity::error, "board.supply", "a supply of " + volt(supply->min) + " \u2026 " + volt(supply->max),
                volt(part.supplyMin.value_or(Rational(0))) + " \u2026 " + volt(part.supplyMax.value_or(supply->max)) +
                    ", which the part takes");
        }
        if (controls.tier) {
            const Tier& tier = part.tiers[*controls.tier];
            if (tier.supplyMin && supply->min < *tier.supplyMin) {
                add(findings, Severity::error, "tier/" + tier.id, "tier " + tier.id + " at a supply down to " + volt(supply->min),
                    "at least " + volt(*tier.supplyMin));
            }
            if (tier.supplyMax && supply->max > *tier.supplyMax) {
                add(findings, Severity::error, "tier/" + tier.id, "tier " + tier.id + " at a supply up to " + volt(supply->max),
                    "at most " + volt(*tier.supplyMax));
            }
        }
    } else {
        add(findings, Severity::warning, "board.supply", "unknown: supply", "[board] supply, to judge what the tier needs");
    }
    if (!plan.board.temperature) {
        add(findings, Severity::warning, "board.temperature", "unknown: temperature, 25 \u00b0C alone is taken",
            "[board] temperature");
    }
    const auto& warmth = plan.board.temperature;
    if (warmth && ((part.coldest && warmth->min < *part.coldest) || (part.hottest && warmth->max > *part.hottest))) {
        add(findings, Severity::error, "board.temperature", printRange(warmth->min, warmth->max, Unit::celsius),
            printRange(part.coldest.value_or(warmth->min), part.hottest.value_or(warmth->max), Unit::celsius) +
                ", in which the part may be used");
    }
    for (const Fitted& fitted : plan.board.fitted) {
        const auto node = part.findNode(fitted.source);
        if (!node || !part.isSource(*node)) {
            continue;
        }
        const Source& source = part.sources[*node];
        if (fitted.isFedIn && source.fedIn) {
            if (source.fedIn->max && fitted.rate > *source.fedIn->max) {
                add(findings, Severity::error, "board.fitted." + fitted.source + ".rate",
                    hertzText(fitted.rate) + " fed in for " + fitted.source, "at most " + hertzText(*source.fedIn->max));
            }
            continue;
        }
        if ((source.rangeMin && fitted.rate < *source.rangeMin) || (source.rangeMax && fitted.rate > *source.rangeMax)) {
            add(findings, Severity::error, "board.fitted." + fitted.source + ".rate",
                hertzText(fitted.rate) + " fitted for " + fitted.source,
                printRange(source.rangeMin.value_or(fitted.rate), source.rangeMax.value_or(fitted.rate), Unit::hertz));
        }
    }
    for (const Rule& rule : part.rules) {
        judgeRule(rule, part.slack, lines, findings);
    }
}

Rational executionSpeed(const Part& part, const Board& board, const Controls& controls, const std::vector<LineFigure>& lines) {
    return leastSpeed(part, board, controls, lines, [](NodeIndex) { return Rational(1); });
}

Rational executionSpeedAt(const Part& part, const Board& board, const Controls& controls, const std::vector<LineFigure>& lines,
                          const Rational& hertz) {
    const auto& core = lines[part.core].hertz;
    if (!core) {
        return 1;
    }
    return leastSpeed(part, board, controls, lines, [&](NodeIndex node) {
        const std::vector<NodeIndex> chain = chainOf(part, controls, node);
        const bool hangs = std::find(chain.begin(), chain.end(), part.core) != chain.end();
        return hangs ? hertz / core->nominal : Rational(1);
    });
}

Rational executionSpeed(const std::vector<WaitFigure>& waits) {
    Rational least = 1;
    for (const WaitFigure& wait : waits) {
        least = std::min(least, wait.speed.value_or(Rational(1)));
    }
    return least;
}

bool holdsAtSupply(const WaitTable& table, const Board& board) {
    const bool isKnown = board.supply.has_value(); // else the lowest is taken
    return (!table.supplyBelow || !isKnown || board.supply->min < *table.supplyBelow) &&
           (!table.supplyAtLeast || (isKnown && board.supply->min >= *table.supplyAtLeast));
}

namespace {

/// A table told from below: the last step that is reached.
WaitFigure boundFromRate(const WaitTable& table, const LineFigure& line, const Rational& slack, Diagnostics& findings) {
    const Rational& hertz = line.hertz->nominal;
    auto above = std::find_if(table.steps.begin(), table.steps.end(), [&](const WaitStep& each) { return hertz < each.hertz; });
    if (above == table.steps.begin()) {
        add(findings, Severity::error, Target::line(line.id), line.id + " at " + hertzText(hertz) + " has no " + table.say,
            "at least " + hertzText(table.steps.front().hertz));
        ++above;
    }
    const auto step = std::prev(above);
    const bool isKnown = line.unknown.empty();
    const bool isSlower = isKnown && step != table.steps.begin() && line.hertz->min < step->hertz * (1 - slack);
    const bool isFaster = isKnown && above != table.steps.end() && line.hertz->max >= above->hertz * (1 + slack);
    if (isSlower || isFaster) {
        add(findings, Severity::warning, Target::line(line.id),
            line.id + " at " + hertzText(isSlower ? line.hertz->min : line.hertz->max) + " in the worst case is in another " +
                table.say,
            isSlower ? "at least " + hertzText(step->hertz) : "below " + hertzText(above->hertz));
    }
    WaitFigure figure{line.id, step->waits, std::nullopt, step->speed, {}, table.say};
    figure.workings.push_back(
        {table.say,
         "the last step that is reached",
         hertzText(hertz) + " \u2265 " + hertzText(step->hertz),
         std::to_string(step->waits),
         {{line.id, hertzText(hertz), Target::line(line.id), {}}, {table.say, {}, Target::part("bound"), table.ref}}});
    return figure;
}

/// The first step that is not exceeded; nothing where all are.
std::optional<WaitFigure> stepUpTo(const Part& part, const Controls& controls, const WaitTable& table, const LineFigure& line,
                                   Diagnostics& findings) {
    const Rational& hertz = line.hertz->nominal;
    const Rational& fastest = fastestOf(line);
    const std::string what = table.isWait() ? "wait states" : table.say;
    auto step = waitStepOf(part, table, line);
    if (step == table.steps.end() && !table.steps.empty() && hertz <= table.steps.back().hertz) {
        step = std::prev(table.steps.end());
        add(findings, Severity::warning, Target::line(line.id),
            line.id + " at " + hertzText(fastest) + " in the worst case is beyond the " + what,
            "at most " + hertzText(step->hertz) + tierText(part, controls));
    }
    if (step == table.steps.end()) {
        add(findings, Severity::error, Target::line(line.id), line.id + " at " + hertzText(hertz) + " is beyond the " + what,
            "at most " + hertzText(table.steps.back().hertz) + tierText(part, controls));
        return std::nullopt;
    }
    WaitFigure figure{line.id, step->waits, std::nullopt, step->speed, {}, table.say};
    const Origin place{table.isWait() ? "wait" : table.say, {}, Target::part(table.isWait() ? "wait" : "bound"), table.ref};
    figure.workings.push_back({what,
                               "the first step that is not exceeded, by more than the slack at the fastest",
                               hertzText(hertz) + " \u2264 " + hertzText(step->hertz),
                               std::to_string(step->waits),
                               {{line.id, hertzText(hertz), Target::line(line.id), {}}, place}});
    if (step->speed) {
        figure.workings.push_back({"speed",
                                   "rate \u00d7 share of it that the waits leave",
                                   hertzText(hertz) + " \u00d7 " + printQuantity(*step->speed, Unit::ratio),
                                   "as fast as " + hertzText(hertz * *step->speed) + " without waiting",
                                   {{line.id, hertzText(hertz), Target::line(line.id), {}}, place}});
    }
    return figure;
}

} // namespace

std::vector<WaitFigure> waitStates(const Part& part, const Board& board, const Controls& controls,
                                   const std::vector<LineFigure>& lines, Diagnostics& findings) {
    std::vector<WaitFigure> figures;
    for (const WaitTable& table : part.waits) {
        const LineFigure& line = lines[table.line];
        if (!holdsNow(table, board, controls) || !line.hertz || !line.isOn || table.steps.empty()) {
            continue;
        }
        auto figure = table.isFromRate ? std::optional(boundFromRate(table, line, part.slack, findings))
                                       : stepUpTo(part, controls, table, line, findings);
        if (!figure) {
            continue;
        }
        if (table.field) {
            figure->field = FieldValue{table.isWait() ? "wait" : line.id + "." + table.say, *table.field,
                                       std::to_string(figure->waits), "holds n", figure->waits};
        }
        figures.push_back(std::move(*figure));
    }
    return figures;
}

} // namespace wisetick
