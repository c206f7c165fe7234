#include "derive/derive.h"

#include "base/text.h"
#include "derive/crystal.h"
#include "derive/field_values.h"
#include "derive/line_limits.h"
#include "derive/line_rates.h"
#include "derive/modes.h"
#include "derive/pins.h"
#include "derive/promises.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>
#include <stdexcept>

namespace wisetick {

namespace {

const Take& takeNamed(const Plan& plan, const std::string& name) {
    const Take* take = findTake(plan, name);
    if (take == nullptr) {
        throw std::invalid_argument(phrase("no take '{}'", name));
    }
    return *take;
}

/// Each unknown draw once, whatever the number of modes that it is in; and temperatures beyond a table.
void addCurrentFindings(Figures& figures) {
    std::set<std::string> said;
    for (const ModeFigure& mode : figures.modes) {
        for (const Contribution& each : mode.current.contributions) {
            if ((each.typ.empty() || each.max.empty()) && said.insert(each.name).second) {
                const Text what = each.typ.empty() && each.max.empty()
                                      ? "draw"
                                      : (each.typ.empty() ? phrase("typical draw") : phrase("largest draw"));
                figures.findings.push_back({Severity::warning,
                                            placeOf(each.target),
                                            phrase("unknown: {} of {}", what, each.name),
                                            phrase("'draws' in the part file"),
                                            {}});
            }
            if (each.isExtrapolated && said.insert(phrase("table {}", each.name)).second) {
                figures.findings.push_back({Severity::warning,
                                            placeOf(each.target),
                                            phrase("the board's temperatures go beyond the table for {}", each.name),
                                            phrase("its end value is taken there"),
                                            {}});
            }
        }
        if (mode.wakeUp && !mode.wakeUp->unknown.empty() && said.insert(mode.wakeUp->unknown).second) {
            figures.findings.push_back({Severity::warning,
                                        placeOf(Target::mode(mode.id)),
                                        mode.wakeUp->unknown,
                                        phrase("a start-up time in the part file"),
                                        {}});
        }
    }
}

/// A brown-out level above the lowest supply holds the part in reset; one below what the tier needs lets it run where
/// the tier's limits do not hold.
void judgeBrownOut(const Rational& level, const Board& board, const Tier* tier, OptionFigure& figure) {
    const auto volt = [](const Rational& value) { return printQuantity(value, Unit::volt); };
    if (board.supply && level > board.supply->min) {
        figure.state = State::broken;
        figure.why =
            phrase("the lowest supply, {}, is below {}: the part is held in reset", volt(board.supply->min), volt(level));
    } else if (tier != nullptr && tier->supplyMin && level < *tier->supplyMin) {
        figure.state = State::strained;
        figure.why = phrase("between {} and {} nothing resets the part, and tier {} is not allowed", volt(level),
                            volt(*tier->supplyMin), tier->id);
    }
}

std::vector<OptionFigure> optionFigures(const Part& part, const Board& board, const Tier* tier) {
    std::vector<OptionFigure> figures;
    for (const OptionWord& option : part.options) {
        const auto given =
            std::find_if(board.options.begin(), board.options.end(), [&](const auto& each) { return each.first == option.id; });
        const auto named = [&](const OptionWord::Value& each) {
            return given != board.options.end() && each.id == given->second;
        };
        const auto found = std::find_if(option.values.begin(), option.values.end(), named);
        const OptionWord::Value& value = found == option.values.end() ? option.values[option.fresh] : *found;
        OptionFigure figure{
            option.id, option.say, value.id, value.say, option.values[option.safe].id, found != option.values.end(), {}, {}, {}};
        if (value.resetsBelow) {
            judgeBrownOut(*value.resetsBelow, board, tier, figure);
        }
        if (option.field) {
            figure.field = FieldValue{option.id, *option.field, value.id, phrase("holds a code"), value.code};
        }
        figures.push_back(std::move(figure));
    }
    return figures;
}

/// The source with the transconductance of the drive that the take chooses.
Source drivenAs(const Part& part, const Controls& controls, NodeIndex node) {
    Source source = part.sources[node];
    if (!source.drives.empty()) {
        source.gm = source.drives[controls.sourceDrives[node]].gm;
    }
    return source;
}

std::vector<CrystalFigure> crystalFigures(const Part& part, const Board& board, const Controls& controls) {
    std::vector<CrystalFigure> figures;
    for (const Fitted& fitted : board.fitted) {
        const auto node = part.findNode(fitted.source);
        if (!node || !part.isSource(*node) || part.sources[*node].kind != SourceKind::crystal) {
            continue;
        }
        CrystalFigure figure{fitted.source,
                             wantedCapacitors(fitted),
                             {},
                             {},
                             actualLoad(fitted),
                             loadShift(fitted),
                             startMargin(drivenAs(part, controls, *node), fitted)};
        if (figure.wanted) {
            figure.e12 = nearestOfSeries(*figure.wanted, 12);
            figure.e24 = nearestOfSeries(*figure.wanted, 24);
        }
        figures.push_back(std::move(figure));
    }
    return figures;
}

/// What is taken from typical figures, so that nobody takes it as told.
void addTypicalFinding(const Part& part, Figures& figures) {
    constexpr std::size_t kMostNamed = 8;
    if (part.bounded.empty()) {
        return;
    }
    Text list;
    for (std::size_t i = 0; i < std::min(kMostNamed, part.bounded.size()); ++i) {
        list += (list.empty() ? Text() : Text(", ")) + part.bounded[i].say;
    }
    if (part.bounded.size() > kMostNamed) {
        list = phrase("{} and {} more", list, part.bounded.size() - kMostNamed);
    }
    figures.findings.push_back(
        {Severity::note,
         {{}, 0, 0, "typ_only"},
         phrase("taken as {} times the typical figure, as the part does not tell it: {}", printFactor(*part.typicalFactor), list),
         {},
         {}});
}

/// Pins that collide, and crystals that may not start.
void addBoardFindings(Figures& figures) {
    for (const PinFigure& pin : figures.pins) {
        if (!pin.why.empty()) {
            figures.findings.push_back(
                {Severity::error, {{}, 0, 0, "board.signals"}, pin.why, phrase("one user for each pin"), {}});
        }
    }
    for (const OptionFigure& option : figures.options) {
        if (!option.why.empty()) {
            figures.findings.push_back({option.state == State::broken ? Severity::error : Severity::warning,
                                        {{}, 0, 0, "board.options." + option.id},
                                        option.id + ": " + option.why,
                                        phrase("another value, or another supply or tier"),
                                        {}});
        }
    }
    constexpr double kLeastMargin = 5;
    for (const CrystalFigure& crystal : figures.crystals) {
        if (crystal.margin && *crystal.margin < kLeastMargin) {
            figures.findings.push_back(
                {crystal.margin < 1.0 ? Severity::error : Severity::warning,
                 {{}, 0, 0, "board.fitted." + crystal.source},
                 phrase("the start-up margin of {} is {}", crystal.source, fmt::format("{:.2f}", *crystal.margin)),
                 phrase("5 or more: a crystal of less load or less resistance"),
                 {}});
        }
    }
}

/// A value that does not fit its field.
void addFieldFindings(Figures& figures) {
    const auto check = [&](const std::vector<FieldValue>& values, const Target& target) {
        for (const FieldValue& value : values) {
            if (Rational(value.held) > value.field.most()) {
                figures.findings.push_back(
                    {Severity::error,
                     placeOf(target),
                     phrase("{} = {} does not fit {}", value.control, value.setting, fieldText(value.field)),
                     phrase("at most {}", value.field.most().toString()),
                     {}});
            }
        }
    };
    for (const LineFigure& line : figures.lines) {
        check(line.fields, Target::line(line.id));
    }
    for (const PromiseFigure& promise : figures.promises) {
        check(promise.fields, Target::promise(promise.name));
    }
}

bool isWorse(const PromiseFigure& a, const PromiseFigure& b) {
    if (a.state != b.state) {
        return worseState(a.state, b.state) == a.state;
    }
    if (a.margin.has_value() != b.margin.has_value()) {
        return a.margin.has_value(); // no room to tell: exact, or nothing possible; listed after those that can tell
    }
    return a.margin && *a.margin < *b.margin;
}

/// What is asked in other takes can't be missed in a mode of this one.
void dropWhatIsElsewhere(Figures& figures) {
    std::vector<std::string> names;
    for (const PromiseFigure& promise : figures.promises) {
        if (promise.state == State::elsewhere) {
            names.push_back(promise.name);
        }
    }
    const auto isElsewhere = [&](const std::string& name) { return std::find(names.begin(), names.end(), name) != names.end(); };
    for (std::size_t i = 0; i < figures.modes.size() && !names.empty(); ++i) {
        std::erase_if(figures.modes[i].withoutClock, isElsewhere);
        std::erase_if(figures.modes[i].wrongUntilRestored, isElsewhere);
    }
}

} // namespace

Vitals vitalsOf(const Part& part, const Figures& figures) {
    Vitals vitals;
    if (const auto& core = figures.lines[part.core].hertz) {
        vitals.coreHertz = core->nominal;
    }
    const PromiseFigure* worst = nullptr;
    for (const PromiseFigure& promise : figures.promises) {
        if (promise.state != State::pending && promise.state != State::elsewhere &&
            (worst == nullptr || isWorse(promise, *worst))) {
            worst = &promise;
        }
        if (promise.unit == Unit::second && promise.subject.is(Target::Room::mode) && promise.got &&
            (!vitals.worstWakeUp || promise.got->max > vitals.worstWakeUp->max)) {
            vitals.worstWakeUp = promise.got;
            vitals.worstWakeUpMode = promise.subject.name;
        }
    }
    vitals.worstPromise = worst == nullptr ? "" : worst->name;
    if (figures.rhythm) {
        vitals.average = figures.rhythm->average;
        vitals.life = figures.rhythm->life;
    }
    return vitals;
}

Figures derive(const Part& part, const Plan& plan, const std::string& takeName, const RhythmFigure* played, const GoOn& goOn) {
    const Take& take = takeNamed(plan, takeName);
    Figures figures;
    figures.part = part.id;
    figures.plan = plan.name;
    figures.take = take.name;
    figures.grid = temperatureGrid(part, plan.board);
    const Controls controls = resolveControls(part, take, figures.findings);
    figures.tier = controls.tier ? part.tiers[*controls.tier].id : "";
    const Demand demand = demandOf(part, plan, take, controls);
    orStop(goOn);
    figures.lines = lineRates(part, plan.board, controls, &demand);
    for (NodeIndex node = 0; node < figures.lines.size(); ++node) {
        figures.lines[node].isOn = demand.nodes[node];
        if (const auto start = startField(part, node, demand.nodes[node])) {
            figures.lines[node].fields.push_back(*start);
        }
    }
    orStop(goOn);
    figures.tierField = tierField(part, controls);
    judgeLimits(part, plan.board, controls, figures.lines, figures.findings);
    judgeBoard(part, plan, controls, figures.lines, figures.findings);
    figures.waits = waitStates(part, plan.board, controls, figures.lines, figures.findings);
    orStop(goOn);
    figures.promises = judgePromises({part, plan, take, controls, demand, figures.lines, played, Detail::result, goOn});
    try {
        // what only a job uses is on, and draws, while that goes on alone
        const bool hasUses = std::any_of(plan.jobs.begin(), plan.jobs.end(), [](const Job& job) { return !job.uses.empty(); }) ||
                             std::any_of(plan.promises.begin(), plan.promises.end(),
                                         [](const Promise& promise) { return !promise.line.whileJob.empty(); });
        const Demand lasting = hasUses ? demandOf(part, plan, take, controls, {false, nullptr}) : demand;
        figures.modes = modeFigures(part, plan, controls, lasting, figures.lines, figures.grid);
        orStop(goOn);
        dropWhatIsElsewhere(figures);
        judgeWakeUps(part, plan, controls, figures.lines, figures.modes, figures.promises);
    } catch (const RationalOverflow&) {
        figures.modes.clear();
        figures.findings.push_back({Severity::error,
                                    {{}, 0, 0, "mode"},
                                    phrase("the currents of the modes need more than 256 bits"),
                                    phrase("smaller figures in part and plan"),
                                    {}});
    }
    orStop(goOn);
    figures.routes = routeFigures(part, plan);
    figures.pins = pinFigures(part, plan, figures, demand.peripherals);
    figures.options = optionFigures(part, plan.board, controls.tier ? &part.tiers[*controls.tier] : nullptr);
    figures.crystals = crystalFigures(part, plan.board, controls);
    orStop(goOn);
    addBoardFindings(figures);
    addTypicalFinding(part, figures);
    addCurrentFindings(figures);
    orStop(goOn);
    addFieldFindings(figures);
    figures.vitals = vitalsOf(part, figures);
    return figures;
}

std::vector<Way> waysOf(const Part& part, const Plan& plan, const std::string& takeName, std::size_t promise, std::size_t most,
                        const RhythmFigure* played) {
    const Take& take = takeNamed(plan, takeName);
    Diagnostics ignored;
    const Controls controls = resolveControls(part, take, ignored);
    const Demand demand = demandOf(part, plan, take, controls);
    const std::vector<LineFigure> lines = lineRates(part, plan.board, controls, &demand);
    return promiseWays({part, plan, take, controls, demand, lines, played}, promise, most);
}

} // namespace wisetick
