#include "derive/workings_of.h"

#include "base/text.h"
#include "derive/trim_code.h"

#include "derive/crystal.h"
#include "derive/demand.h"
#include "derive/line_limits.h"
#include "derive/promises.h"
#include "quantity/quantity_print.h"

#include <numeric>

namespace wisetick {

namespace {

std::string share(const Rational& value) {
    return printQuantity(value, Unit::ratio);
}

std::string signedShare(const Rational& value) {
    return (value.sign() < 0 ? "\u2212" : "+") + share(abs(value));
}

/// The steps of a source: its rate with what it strays, and for a crystal what adds up to that.
class SourceWorkings {
public:
    SourceWorkings(const Source& source, const Board& board, const LineFigure& figure)
        : source_(source), board_(board), figure_(figure) {}

    Workings work() {
        if (findMeasured(board_, source_.id) != nullptr) {
            addRate(phrase("measured on this board"), Target::plan("board.measured." + source_.id));
            addTrimCode();
        } else if (source_.kind == SourceKind::rc) {
            addRate(source_.rates.size() > 1 ? phrase("one of {} that it can be set to", std::to_string(source_.rates.size()))
                                             : "internal",
                    Target::part("source." + source_.id));
            addTrim();
        } else if (const Fitted* fitted = findFitted(board_, source_.id)) {
            const std::string path = "board.fitted." + source_.id;
            addRate("fitted", Target::plan(path + ".rate"));
            addCrystal(*fitted, path);
            addBudget(*fitted, path);
        }
        return std::move(steps_);
    }

private:
    /// The code that brings it from what was measured to its rate.
    void addTrimCode() {
        const Rational rated = source_.rates.empty() ? Rational(0) : source_.rates.front();
        const auto figure = source_.rates.size() == 1 ? trimFigure(source_, board_, rated) : std::nullopt;
        if (figure) {
            const Measured& measured = *findMeasured(board_, source_.id);
            steps_.push_back(
                {phrase("trim code"),
                 phrase("reset + (rate it shall have \u00f7 measured \u2212 1) \u00f7 step, a whole one within its range"),
                 std::to_string(source_.trim->reset) + " + (" + printQuantity(rated, Unit::hertz) + " \u00f7 " +
                     printQuantity(measured.rate, Unit::hertz) + " \u2212 1) \u00f7 " + share(source_.trim->step),
                 std::to_string(figure->code) + ": " + printQuantity(figure->hertz, Unit::hertz) + ", " +
                     printError(figure->error()),
                 {{"trim", {}, Target::part("source." + source_.id + ".trim"), source_.ref}}});
            steps_.back().isEquation = false;
        }
    }

    /// How what is left of its deviation adds up, where it is trimmed now and then.
    void addTrim() {
        const auto found = std::find_if(board_.trimmed.begin(), board_.trimmed.end(),
                                        [&](const Trimmed& each) { return each.source == source_.id; });
        if (found == board_.trimmed.end() || !source_.trim) {
            return;
        }
        const Trim& trim = *source_.trim;
        const bool isKnown = trim.perCelsius && found->drift;
        const std::string moves =
            isKnown ? share(*trim.perCelsius) + "/\u00b0C \u00d7 " + printQuantity(*found->drift * found->every, Unit::celsius)
                    : phrase("all that it can be apart, as what it moves with the temperature is not told");
        steps_.push_back({phrase("trimmed"),
                          phrase("what a step leaves + what it moves until the next time, and the error of {}", found->by),
                          phrase("{} + {}, every {}", share(trim.left), moves, printQuantity(found->every, Unit::second)),
                          printRange(figure_.hertz->min, figure_.hertz->max, Unit::hertz),
                          {{"trimmed", {}, Target::plan("board.trimmed." + source_.id), source_.ref}}});
        steps_.back().isEquation = false;
    }

    void addRate(const std::string& how, const Target& target) {
        const std::string rate = printQuantity(figure_.hertz->nominal, Unit::hertz);
        steps_.push_back({phrase("rate"), how, rate, figure_.unknown, {{source_.id, rate, target, source_.ref}}});
        addBounds(steps_.back());
    }

    void addBounds(Step& step) const {
        const Bounds& hertz = *figure_.hertz;
        if (figure_.unknown.empty()) {
            step.result = signedShare(hertz.min / hertz.nominal - 1) + " \u2026 " + signedShare(hertz.max / hertz.nominal - 1) +
                          ": " + printRange(hertz.min, hertz.max, Unit::hertz);
            step.isEquation = false;
        }
    }

    /// What the load moves, and what the temperature adds to the tolerance.
    void addCrystal(const Fitted& fitted, const std::string& path) {
        if (const auto shift = loadShift(fitted); shift && !shift->isZero()) {
            const std::string cut = printQuantity(fitted.rate, Unit::hertz);
            Step& rate = steps_.back();
            rate.formula = phrase("fitted, moved by its load");
            rate.numbers = cut + " \u00d7 (1 " + (shift->sign() < 0 ? "\u2212 " : "+ ") + share(abs(*shift)) + ")";
            rate.origins.front().value = cut;
            steps_.push_back({phrase("load"),
                              "C1 \u00f7 2 \u00d7 (1 \u00f7 (C0 + C) \u2212 1 \u00f7 (C0 + C_L))",
                              phrase("{} instead of {}", printQuantity(*actualLoad(fitted), Unit::farad),
                                     printQuantity(*fitted.load, Unit::farad)),
                              printError(*shift),
                              {{"load", {}, Target::plan(path + ".capacitors"), {}}}});
        }
        if (const Rational bend = parabolaOver(fitted, board_); !bend.isZero()) {
            steps_.push_back({phrase("temperature"),
                              phrase("coefficient \u00d7 (T \u2212 turnover)\u00b2, at the farthest temperature"),
                              phrase("{} from {}", printError(fitted.parabola->coefficient),
                                     printQuantity(fitted.parabola->turnover, Unit::celsius)),
                              printError(bend),
                              {{"parabola", {}, Target::plan(path + ".parabola"), {}}}});
        }
    }

    void addBudget(const Fitted& fitted, const std::string& path) {
        if (!fitted.tolerance || !fitted.isBudget) {
            return;
        }
        const ToleranceBudget& budget = *fitted.tolerance;
        steps_.push_back({phrase("tolerance"),
                          phrase("initial + temperature + ageing \u00d7 years"),
                          share(budget.initial) + " + " + share(budget.temperature) + " + " + share(budget.ageing * budget.age),
                          "\u00b1" + share(budget.total()),
                          {{"tolerance", {}, Target::plan(path + ".tolerance"), {}}}});
    }

    const Source& source_;
    const Board& board_;
    const LineFigure& figure_;
    Workings steps_;
};

Workings derivedWorkings(const Line& line, const LineFigure& figure, const LineFigure& parent) {
    Text numbers = printQuantity(parent.hertz->nominal, Unit::hertz);
    if (figure.multiply != 1) {
        numbers += " \u00d7 " + printFactor(figure.multiply);
    }
    if (figure.divide != 1) {
        numbers += " \u00f7 " + printFactor(figure.divide);
    }
    const Rational rest = figure.factor / (figure.multiply / figure.divide);
    if (rest != 1) {
        numbers += " \u00d7 " + printFactor(rest);
    }
    Workings steps{{phrase("rate"),
                    phrase("{} \u00d7 multiply \u00f7 divide", parent.id),
                    numbers,
                    printQuantity(figure.hertz->nominal, Unit::hertz),
                    {{parent.id, printQuantity(parent.hertz->nominal, Unit::hertz), Target::line(parent.id), {}},
                     {line.id, figure.control, Target::line(line.id), line.ref}}}};
    if (figure.unknown.empty()) {
        const Bounds steady = *parent.hertz * figure.factor;
        steps.push_back(
            {phrase("bounds"),
             phrase("the source's, in proportion"),
             {},
             printRange(steady.min, steady.max, Unit::hertz),
             {{parent.id, printRange(parent.hertz->min, parent.hertz->max, Unit::hertz), Target::line(parent.id), {}}}});
    }
    if (!line.ripple.isZero()) {
        steps.push_back({phrase("ripple"),
                         phrase("its own, beyond the source's bounds"),
                         "\u00b1" + share(line.ripple),
                         printRange(figure.hertz->min, figure.hertz->max, Unit::hertz),
                         {{line.id, share(line.ripple), Target::part("line." + line.id + ".ripple"), line.ref}},
                         false});
    }
    return steps;
}

/// The workings of one take: what all of them lean on is found once.
class WorkingsMaker {
public:
    WorkingsMaker(const Part& part, const Plan& plan, const Figures& figures)
        : part_(part), plan_(plan), figures_(figures), take_(findTake(plan, figures.take)) {
        if (take_ != nullptr) {
            Diagnostics ignored;
            controls_ = resolveControls(part, *take_, ignored);
        }
    }

    Workings ofLine(NodeIndex node) const {
        const LineFigure& figure = figures_.lines[node];
        Workings steps;
        if (figure.hertz) {
            steps = part_.isSource(node) ? SourceWorkings(part_.sources[node], plan_.board, figure).work()
                                         : derivedWorkings(part_.lineAt(node), figure, figures_.lines[*figure.parent]);
        }
        if (take_ != nullptr && !part_.isSource(node) && !part_.lineAt(node).limits.empty()) {
            const Workings limits = limitWorkings(part_, plan_.board, part_.lineAt(node), controls_, figures_.lines);
            steps.insert(steps.end(), limits.begin(), limits.end());
        }
        return steps;
    }

    /// Of these promises, by their places in the plan. What was played or woken has its workings already.
    std::vector<Workings> ofPromises(const std::vector<std::size_t>& places) const {
        std::vector<Workings> all;
        std::vector<std::size_t> judged;
        for (const std::size_t place : places) {
            all.push_back(figures_.promises[place].workings);
            if (take_ != nullptr && all.back().empty()) {
                judged.push_back(place);
            }
        }
        if (judged.empty()) {
            return all;
        }
        const Demand demand = demandOf(part_, plan_, *take_, controls_);
        const RhythmFigure* played = figures_.rhythm ? &*figures_.rhythm : nullptr;
        std::vector<Workings> made = judgedWorkings(
            {part_, plan_, *take_, controls_, demand, figures_.lines, played, Detail::workings}, figures_.promises, judged);
        for (std::size_t i = 0, next = 0; i < places.size() && next < judged.size(); ++i) {
            if (places[i] != judged[next]) {
                continue;
            }
            all[i] = std::move(made[next++]);
            addLatencies(figures_.promises[places[i]].name, all[i]);
        }
        return all;
    }

private:
    /// How long its handler waits and takes.
    void addLatencies(const std::string& promise, Workings& workings) const {
        if (!figures_.rhythm) {
            return;
        }
        for (const LatencyFigure& latency : figures_.rhythm->latencies) {
            if (latency.target == Target::promise(promise)) {
                workings.insert(workings.end(), latency.workings.begin(), latency.workings.end());
            }
        }
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    const Take* take_;
    Controls controls_;
};

} // namespace

Workings lineWorkings(const Part& part, const Plan& plan, const Figures& figures, NodeIndex node) {
    return WorkingsMaker(part, plan, figures).ofLine(node);
}

Workings promiseWorkings(const Part& part, const Plan& plan, const Figures& figures, std::size_t promise) {
    return WorkingsMaker(part, plan, figures).ofPromises({promise}).front();
}

void addWorkings(const Part& part, const Plan& plan, Figures& figures) {
    const WorkingsMaker maker(part, plan, figures);
    std::vector<std::size_t> places(figures.promises.size());
    std::iota(places.begin(), places.end(), std::size_t{0});
    std::vector<Workings> ofPromises = maker.ofPromises(places);
    for (NodeIndex node = 0; node < figures.lines.size(); ++node) {
        figures.lines[node].workings = maker.ofLine(node);
    }
    for (const std::size_t place : places) {
        figures.promises[place].workings = std::move(ofPromises[place]);
    }
}

} // namespace wisetick
