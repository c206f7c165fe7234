#include "derive/line_limits.h"

#include "base/text.h"
#include "derive/demand.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

void add(Diagnostics& findings, Severity severity, const std::string& path, const Text& found, const std::string& expected = {}) {
    findings.push_back({severity, {{}, 0, 0, path}, found, expected, {}});
}

void add(Diagnostics& findings, Severity severity, const Target& about, const Text& found, const std::string& expected = {}) {
    findings.push_back({severity, placeOf(about), found, expected, {}});
}

std::string hertzText(const Rational& hertz) {
    return printQuantity(hertz, Unit::hertz);
}

Text tierText(const Part& part, const Controls& controls) {
    return controls.tier ? phrase(" in tier {}", part.tiers[*controls.tier].id) : "";
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
Text whereText(const Part& part, const Limit& limit, const Controls& controls, bool isAlone = false) {
    Text text;
    const auto add = [&](const Text& behind, const Text& alone) { text += isAlone && text.empty() ? alone : behind; };
    if (limit.tier) {
        const std::string& tier = part.tiers[*limit.tier].id;
        add(phrase(" in tier {}", tier), phrase("in tier {}", tier));
    }
    if (limit.supplyBelow) {
        const std::string supply = printQuantity(*limit.supplyBelow, Unit::volt);
        add(phrase(" below {}", supply), phrase("below {}", supply));
    }
    if (limit.when && limit.when->control == "from") {
        const Line& line = part.lines[limit.when->line];
        const std::string& from = part.nodeId(line.from[controls.lines[limit.when->line].from]);
        add(phrase(" with {} from {}", line.id, from), phrase("with {} from {}", line.id, from));
    } else if (limit.when) {
        const LineControls& line = controls.lines[limit.when->line];
        const bool isMultiplier = limit.when->control == "multiply";
        const std::string set = part.lines[limit.when->line].id + (isMultiplier ? " \u00d7 " : " \u00f7 ") +
                                printFactor(isMultiplier ? line.multiply : line.divide);
        add(phrase(" with {}", set), phrase("with {}", set));
    }
    if (limit.whileRate) {
        const RateCase& rate = *limit.whileRate;
        add(phrase(" while {} is ", part.nodeId(rate.node)), phrase("while {} is ", part.nodeId(rate.node)));
        text += rate.least ? phrase("at least {}", hertzText(*rate.least)) : "";
        text += rate.least && rate.below ? phrase(" and ") : "";
        text += rate.below ? phrase("below {}", hertzText(*rate.below)) : "";
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
        const Text where = whereText(part, limit, controls);
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
    const Text side = isOver ? phrase("over its ") : phrase("under its ");
    if (room.sign() < 0) {
        figure.state = State::broken;
        figure.stateWhy = hertzText(hertz.nominal) + ", " + side + hertzText(limit) + tier;
    } else if (worstRoom < -slack && figure.state == State::kept) {
        figure.state = State::strained;
        figure.stateWhy =
            phrase("{} in the worst case, {}{}{}", hertzText(isOver ? hertz.max : hertz.min), side, hertzText(limit), tier);
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
            phrase("{} at {} against {} at {}", left.id, hertzText(left.hertz->nominal), right.id,
                   hertzText(right.hertz->nominal)),
            rule.say);
        return;
    }
    const bool areApart = sourceOf(lines, rule.left) != sourceOf(lines, rule.right);
    if (areApart && isBroken(left.hertz->max, left.hertz->min, rule.times * right.hertz->min * (1 + slack),
                             rule.times * right.hertz->max * (1 - slack))) {
        add(findings, Severity::warning, Target::line(left.id),
            phrase("{} at {} against {} at {}, from two sources", left.id,
                   printRange(left.hertz->min, left.hertz->max, Unit::hertz), right.id,
                   printRange(right.hertz->min, right.hertz->max, Unit::hertz)),
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
    const auto shown = [](const std::optional<Rational>& end) { return end ? Text(hertzText(*end)) : phrase("none"); };
    for (const Limit& limit : line.limits) {
        if (holds(limit, board, controls, lines)) {
            const Text where = whereText(part, limit, controls, true);
            steps.push_back({phrase("limit"),
                             where.empty() ? phrase("always") : where,
                             {},
                             phrase("least {}, most {}", shown(limit.min), shown(limit.max)),
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
                add(findings, Severity::error, Target::line(figure.id), phrase("no rate: {}", figure.why));
            }
            continue;
        }
        if (figure.isSource && !figure.unknown.empty()) {
            add(findings, Severity::warning, Target::line(figure.id), figure.unknown,
                phrase("a tolerance in the plan's board or in the part"));
        }
        if (figure.limitMin) {
            judgeEnd(rail.isMinTolerance ? Rational(0) : part.slack, figure, *figure.limitMin, false, rail.minWhere);
        }
        if (figure.limitMax) {
            judgeEnd(rail.isMaxTolerance ? Rational(0) : part.slack, figure, *figure.limitMax, true, rail.maxWhere);
        }
        if (figure.state != State::kept) {
            add(findings, figure.state == State::broken ? Severity::error : Severity::warning, Target::line(figure.id),
                phrase("{} runs at {}", figure.id, figure.stateWhy));
        }
    }
}

void judgeBoard(const Part& part, const Plan& plan, const Controls& controls, const std::vector<LineFigure>& lines,
                Diagnostics& findings) {
    const auto volt = [](const Rational& value) { return printQuantity(value, Unit::volt); };
    if (const auto& supply = plan.board.supply) {
        if ((part.supplyMin && supply->min < *part.supplyMin) || (part.supplyMax && supply->max > *part.supplyMax)) {
            add(findings, Severity::error, "board.supply",
                phrase("a supply of {} \u2026 {}", volt(supply->min), volt(supply->max)),
                phrase("{} \u2026 {}, which the part takes", volt(part.supplyMin.value_or(Rational(0))),
                       volt(part.supplyMax.value_or(supply->max))));
        }
        if (controls.tier) {
            const Tier& tier = part.tiers[*controls.tier];
            if (tier.supplyMin && supply->min < *tier.supplyMin) {
                add(findings, Severity::error, "tier/" + tier.id,
                    phrase("tier {} at a supply down to {}", tier.id, volt(supply->min)),
                    phrase("at least {}", volt(*tier.supplyMin)));
            }
            if (tier.supplyMax && supply->max > *tier.supplyMax) {
                add(findings, Severity::error, "tier/" + tier.id,
                    phrase("tier {} at a supply up to {}", tier.id, volt(supply->max)),
                    phrase("at most {}", volt(*tier.supplyMax)));
            }
        }
    } else {
        add(findings, Severity::warning, "board.supply", phrase("unknown: supply"),
            phrase("[board] supply, to judge what the tier needs"));
    }
    if (!plan.board.temperature) {
        add(findings, Severity::warning, "board.temperature", phrase("unknown: temperature, 25 \u00b0C alone is taken"),
            phrase("[board] temperature"));
    }
    const auto& warmth = plan.board.temperature;
    if (warmth && ((part.coldest && warmth->min < *part.coldest) || (part.hottest && warmth->max > *part.hottest))) {
        add(findings, Severity::error, "board.temperature", printRange(warmth->min, warmth->max, Unit::celsius),
            phrase("{}, in which the part may be used",
                   printRange(part.coldest.value_or(warmth->min), part.hottest.value_or(warmth->max), Unit::celsius)));
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
                    phrase("{} fed in for {}", hertzText(fitted.rate), fitted.source),
                    phrase("at most {}", hertzText(*source.fedIn->max)));
            }
            continue;
        }
        if ((source.rangeMin && fitted.rate < *source.rangeMin) || (source.rangeMax && fitted.rate > *source.rangeMax)) {
            add(findings, Severity::error, "board.fitted." + fitted.source + ".rate",
                phrase("{} fitted for {}", hertzText(fitted.rate), fitted.source),
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
        add(findings, Severity::error, Target::line(line.id), phrase("{} at {} has no {}", line.id, hertzText(hertz), table.say),
            phrase("at least {}", hertzText(table.steps.front().hertz)));
        ++above;
    }
    const auto step = std::prev(above);
    const bool isKnown = line.unknown.empty();
    const bool isSlower = isKnown && step != table.steps.begin() && line.hertz->min < step->hertz * (1 - slack);
    const bool isFaster = isKnown && above != table.steps.end() && line.hertz->max >= above->hertz * (1 + slack);
    if (isSlower || isFaster) {
        add(findings, Severity::warning, Target::line(line.id),
            phrase("{} at {} in the worst case is in another {}", line.id,
                   hertzText(isSlower ? line.hertz->min : line.hertz->max), table.say),
            isSlower ? phrase("at least {}", hertzText(step->hertz)) : phrase("below {}", hertzText(above->hertz)));
    }
    WaitFigure figure{line.id, step->waits, std::nullopt, step->speed, {}, table.say};
    figure.workings.push_back(
        {table.say,
         phrase("the last step that is reached"),
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
    const Text what = table.isWait() ? phrase("wait states") : table.say;
    auto step = waitStepOf(part, table, line);
    if (step == table.steps.end() && !table.steps.empty() && hertz <= table.steps.back().hertz) {
        step = std::prev(table.steps.end());
        add(findings, Severity::warning, Target::line(line.id),
            phrase("{} at {} in the worst case is beyond the {}", line.id, hertzText(fastest), what),
            phrase("at most {}{}", hertzText(step->hertz), tierText(part, controls)));
    }
    if (step == table.steps.end()) {
        add(findings, Severity::error, Target::line(line.id),
            phrase("{} at {} is beyond the {}", line.id, hertzText(hertz), what),
            phrase("at most {}{}", hertzText(table.steps.back().hertz), tierText(part, controls)));
        return std::nullopt;
    }
    WaitFigure figure{line.id, step->waits, std::nullopt, step->speed, {}, table.say};
    const Origin place{table.isWait() ? "wait" : table.say, {}, Target::part(table.isWait() ? "wait" : "bound"), table.ref};
    figure.workings.push_back({what,
                               phrase("the first step that is not exceeded, by more than the slack at the fastest"),
                               hertzText(hertz) + " \u2264 " + hertzText(step->hertz),
                               std::to_string(step->waits),
                               {{line.id, hertzText(hertz), Target::line(line.id), {}}, place}});
    if (step->speed) {
        figure.workings.push_back({phrase("speed"),
                                   phrase("rate \u00d7 share of it that the waits leave"),
                                   hertzText(hertz) + " \u00d7 " + printQuantity(*step->speed, Unit::ratio),
                                   phrase("as fast as {} without waiting", hertzText(hertz * *step->speed)),
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
                                       std::to_string(figure->waits), phrase("holds n"), figure->waits};
        }
        figures.push_back(std::move(*figure));
    }
    return figures;
}

} // namespace wisetick
