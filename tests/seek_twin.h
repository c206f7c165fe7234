#pragma once

#include "derive/derive.h"
#include "derive/line_limits.h"
#include "derive/line_rates.h"
#include "derive/promises.h"
#include "promise/line_rate.h"
#include "seek/seek.h"
#include "support.h"

#include <algorithm>
#include <functional>
#include <set>

namespace wisetick::test {

/// A take as a slow search finds it: every control of the part set in every way, each way derived and judged.
struct TwinTake {
    std::vector<std::size_t> controls; ///< tier, then of each control the place of its value: the canonical order
    std::string settings;
    std::string rates;
    int broken = 0;
    int strained = 0;
    std::vector<Rational> strays; ///< greatest first
    std::vector<Rational> extremes;
    std::vector<Rational> ratios;                 ///< greatest first
    std::vector<std::vector<Rational>> preferred; ///< by preference, the less the better
    std::vector<NodeIndex> makers;                ///< by wish: the multiplier above its line, else the source
};

/// All controls of a take in the part's order, as text.
inline std::string settingsText(const Part& part, const Plan& plan, const std::string& take) {
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *findTake(plan, take), ignored);
    std::string text = controls.tier ? part.tiers[*controls.tier].id : "";
    for (std::size_t i = 0; i < part.sources.size(); ++i) {
        text += " " + part.sources[i].id + "@" + std::to_string(controls.sourceRates[i]);
    }
    for (std::size_t i = 0; i < part.lines.size(); ++i) {
        const LineControls& line = controls.lines[i];
        text += " " + part.lines[i].id + ":" + std::to_string(line.from) + "/" + line.divide.toString() + "*" +
                line.multiply.toString();
    }
    for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
        text += " " + part.peripherals[i].id + ":" + std::to_string(controls.peripheralFrom[i]);
    }
    return text;
}

/// Finds what seek finds, by looking at everything.
class Twin {
public:
    /// `wishes` and `promises`: which of the question's are in force; all where they are left out.
    Twin(const Part& part, const Plan& plan, const Question& question, std::vector<bool> wishes = {},
         std::vector<bool> promises = {})
        : part_(part), plan_(plan), question_(question), wishes_(std::move(wishes)), promises_(std::move(promises)) {
        wishes_.resize(question.wishes.size(), wishes_.empty());
        promises_.resize(question.promises.size(), promises_.empty());
        for (std::size_t i = 0; i < question.wishes.size(); ++i) {
            if (wishes_[i]) {
                choiceOf(plan_, plan_.active, question.wishes[i].line).on = true;
            }
        }
        Diagnostics ignored;
        present_ = resolveControls(part_, take(), ignored);
        findWays();
        listControls();
    }

    double size() const {
        double product = 1;
        for (const Control& control : controls_) {
            product *= static_cast<double>(control.count);
        }
        return product;
    }

    /// Whether any take keeps what is in force.
    bool isKept() {
        std::vector<std::size_t> at(controls_.size());
        walk(0, at);
        return !takes_.empty();
    }

    /// All takes, best first, that have these rates where it matters.
    std::vector<TwinTake> findEquals(const std::string& rates) {
        find();
        std::vector<TwinTake> same;
        std::copy_if(all_.begin(), all_.end(), std::back_inserter(same),
                     [&](const TwinTake& take) { return take.rates == rates; });
        return same;
    }

    std::vector<TwinTake> find() {
        std::vector<std::size_t> at(controls_.size());
        walk(0, at);
        std::sort(takes_.begin(), takes_.end(), isBetter);
        all_ = takes_;
        std::vector<TwinTake> best;
        for (TwinTake& take : takes_) {
            const bool isNew =
                std::none_of(best.begin(), best.end(), [&](const TwinTake& other) { return other.rates == take.rates; });
            if (isNew && best.size() < question_.most) {
                best.push_back(std::move(take));
            }
        }
        return best;
    }

    /// What makes the lines of these wishes in one take or another, all of them by the same; the wishes in force.
    std::set<NodeIndex> makersOf(const std::vector<std::size_t>& wishes) {
        find();
        std::set<NodeIndex> makers;
        for (const TwinTake& take : all_) {
            const NodeIndex maker = take.makers[wishes.front()];
            if (std::all_of(wishes.begin(), wishes.end(), [&](std::size_t wish) { return take.makers[wish] == maker; })) {
                makers.insert(maker);
            }
        }
        return makers;
    }

    static bool isBetter(const TwinTake& a, const TwinTake& b) {
        if (a.broken != b.broken) {
            return a.broken < b.broken;
        }
        if (a.strained != b.strained) {
            return a.strained < b.strained;
        }
        if (a.strays != b.strays) {
            return a.strays < b.strays;
        }
        if (a.extremes != b.extremes) {
            return a.extremes < b.extremes;
        }
        if (a.ratios != b.ratios) { // both descend; a missing one is 0
            return a.ratios < b.ratios;
        }
        return a.preferred != b.preferred ? a.preferred < b.preferred : a.controls < b.controls;
    }

private:
    struct Control {
        std::size_t count = 1;
        std::function<void(Plan&, Take&, std::size_t)> set;
        NodeIndex node = 0; ///< that must be on for it to change; beyond the nodes: a peripheral, or the tier
        std::size_t now = 0;
        bool isTier = false;
    };

    const Take& take() const { return *findTake(plan_, plan_.active); }

    bool isFree(const std::string& id, const std::string& control) const {
        return std::none_of(take().locks.begin(), take().locks.end(),
                            [&](const std::string& lock) { return lock == id || lock == id + "." + control; });
    }

    /// What is not on a way to something that is asked keeps its input.
    void findWays() {
        mayTurn_.assign(part_.nodeCount() + part_.peripherals.size(), false);
        const auto open = [&](const auto& self, std::size_t node) -> void {
            mayTurn_[node] = true;
            if (node >= part_.nodeCount()) {
                for (const NodeIndex input : part_.peripherals[node - part_.nodeCount()].clock) {
                    self(self, input);
                }
            } else if (!part_.isSource(node)) {
                for (const NodeIndex input : part_.lineAt(node).from) {
                    self(self, input);
                }
            }
        };
        for (const Wish& wish : question_.wishes) {
            open(open, *part_.findNode(wish.line));
        }
        for (const SoughtPromise& sought : question_.promises) {
            const std::string& subject = plan_.promises[sought.index].line.subject;
            const auto peripheral = part_.findPeripheral(subject);
            open(open, peripheral ? part_.nodeCount() + *peripheral : *part_.findNode(subject));
        }
        inScope_.assign(mayTurn_.size(), question_.mayChange.empty());
        for (const std::string& id : question_.mayChange) {
            const auto reach = [&](const auto& self, std::size_t node) -> void {
                inScope_[node] = true;
                const std::vector<NodeIndex> inputs =
                    node >= part_.nodeCount() ? part_.peripherals[node - part_.nodeCount()].clock
                                              : (part_.isSource(node) ? std::vector<NodeIndex>() : part_.lineAt(node).from);
                for (const NodeIndex input : inputs) {
                    self(self, input);
                }
            };
            const auto peripheral = part_.findPeripheral(id);
            reach(reach, peripheral ? part_.nodeCount() + *peripheral : *part_.findNode(id));
        }
        if (question_.crystal) {
            mayTurn_[*part_.findNode(question_.crystal->source)] = true;
        }
        // a multiplier that is on none stays as it is, with what is above it
        stays_.assign(part_.nodeCount(), false);
        const auto stay = [&](const auto& self, NodeIndex node) -> void {
            if (!mayTurn_[node]) {
                stays_[node] = true;
                for (const NodeIndex input : part_.isSource(node) ? std::vector<NodeIndex>() : part_.lineAt(node).from) {
                    self(self, input);
                }
            }
        };
        for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
            if (part_.isSource(node) || !part_.lineAt(node).multiply.empty()) {
                stay(stay, node);
            }
        }
    }

    void add(Control control, bool isFree) {
        if (control.count > 1 && isFree) {
            controls_.push_back(std::move(control));
        }
    }

    void addFactor(const std::string& id, NodeIndex node, const FactorSet& set, const Rational& now, bool isMultiply) {
        std::vector<Rational> values;
        for (std::int64_t i = 0; i < set.size().toInt64().value_or(0); ++i) {
            values.push_back(set.at(i));
        }
        const auto place = static_cast<std::size_t>(std::find(values.begin(), values.end(), now) - values.begin());
        add({values.size(),
             [id, values, isMultiply](Plan&, Take& take, std::size_t i) {
                 (isMultiply ? choiceOf(take, id).multiply : choiceOf(take, id).divide) = values[i];
             },
             node, place, false},
            !stays_[node] && inScope_[node] && isFree(id, isMultiply ? "multiply" : "divide"));
    }

    void listControls() {
        add({part_.tiers.size(), [this](Plan&, Take& take, std::size_t i) { take.tier = part_.tiers[i].id; }, 0,
             present_.tier.value_or(0), true},
            question_.mayChange.empty() && isFree("tier", ""));
        for (NodeIndex i = 0; i < part_.sources.size(); ++i) {
            const Source& source = part_.sources[i];
            if (question_.crystal && question_.crystal->source == source.id) {
                const std::vector<Rational>& rates = question_.crystal->rates;
                const auto now = std::find(rates.begin(), rates.end(), findFitted(plan_.board, source.id)->rate);
                controls_.push_back({rates.size(),
                                     [this, &source](Plan& plan, Take&, std::size_t at) {
                                         for (Fitted& fitted : plan.board.fitted) {
                                             if (fitted.source == source.id) {
                                                 fitted.rate = question_.crystal->rates[at];
                                             }
                                         }
                                     },
                                     i, static_cast<std::size_t>(now - rates.begin()), false});
                continue;
            }
            add({source.rates.size(),
                 [&source](Plan&, Take& take, std::size_t at) { choiceOf(take, source.id).rate = source.rates[at]; }, i,
                 present_.sourceRates[i], false},
                !stays_[i] && inScope_[i] && isFree(source.id, "rate"));
        }
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            const Line& line = part_.lines[i];
            const NodeIndex node = part_.nodeOfLine(i);
            const LineControls& now = present_.lines[i];
            add({line.from.size(),
                 [this, &line](Plan&, Take& take, std::size_t at) { choiceOf(take, line.id).from = part_.nodeId(line.from[at]); },
                 node, now.from, false},
                mayTurn_[node] && inScope_[node] && isFree(line.id, "from"));
            addFactor(line.id, node, line.divide, now.divide, false);
            addFactor(line.id, node, line.multiply, now.multiply, true);
        }
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            const Peripheral& peripheral = part_.peripherals[i];
            add({peripheral.clock.size(),
                 [this, &peripheral](Plan&, Take& take, std::size_t at) {
                     choiceOf(take, peripheral.id).from = part_.nodeId(peripheral.clock[at]);
                 },
                 part_.nodeCount() + i, present_.peripheralFrom[i], false},
                mayTurn_[part_.nodeCount() + i] && inScope_[part_.nodeCount() + i] && isFree(peripheral.id, "from"));
        }
    }

    void walk(std::size_t control, std::vector<std::size_t>& at) {
        if (control == controls_.size()) {
            look(at);
            return;
        }
        for (at[control] = 0; at[control] < controls_[control].count; ++at[control]) {
            walk(control + 1, at);
        }
    }

    void look(const std::vector<std::size_t>& at) {
        Plan plan = plan_;
        Take& changed =
            *std::find_if(plan.takes.begin(), plan.takes.end(), [&](const Take& each) { return each.name == plan.active; });
        int changes = 0;
        for (std::size_t i = 0; i < controls_.size(); ++i) {
            if (at[i] != controls_[i].now) {
                controls_[i].set(plan, changed, at[i]);
                ++changes;
            }
        }
        Diagnostics findings;
        const Controls controls = resolveControls(part_, changed, findings);
        const Demand demand = demandOf(part_, plan, changed, controls);
        for (std::size_t i = 0; i < controls_.size(); ++i) {
            const Control& control = controls_[i];
            const bool isOn =
                control.isTier || (control.node < part_.nodeCount() ? demand.nodes[control.node]
                                                                    : demand.peripherals[control.node - part_.nodeCount()]);
            if (!isOn && at[i] != control.now) {
                return; // what is off stays as it stands
            }
        }
        std::vector<LineFigure> lines = lineRates(part_, plan.board, controls, &demand);
        for (NodeIndex node = 0; node < lines.size(); ++node) {
            lines[node].isOn = demand.nodes[node];
        }
        judgeLimits(part_, plan.board, controls, lines, findings);
        Diagnostics board;
        judgeBoard(part_, plan, controls, lines, board);
        waitStates(part_, plan.board, controls, lines, board);
        const bool isRefused = std::any_of(board.begin(), board.end(), [](const Diagnostic& finding) {
            // what is fitted, how warm it is and what feeds it is as it is in every take
            return finding.severity == Severity::error && finding.place.path.rfind("board.", 0) != 0;
        });
        if (isRefused) {
            return;
        }
        TwinTake found;
        for (const LineFigure& line : lines) {
            if (line.isOn && (!line.hertz || line.state == State::broken)) {
                return;
            }
            found.strained += line.isOn && line.state == State::strained ? 1 : 0;
        }
        if (!judgeWishes(lines, found) || !judgeThePromises(plan, changed, controls, demand, lines, found)) {
            return;
        }
        std::sort(found.strays.begin(), found.strays.end(), std::greater<>());
        std::sort(found.ratios.begin(), found.ratios.end(), [](const Rational& a, const Rational& b) { return a > b; });
        found.settings = settingsText(part_, plan, plan.active);
        found.controls = at;
        addPreferences(plan, lines, controls, demand, changes, found);
        addRates(lines, controls, found);
        addMakers(controls, found);
        takes_.push_back(std::move(found));
    }

    bool judgeWishes(const std::vector<LineFigure>& lines, TwinTake& found) const {
        for (std::size_t i = 0; i < question_.wishes.size(); ++i) {
            const Wish& wish = question_.wishes[i];
            if (!wishes_[i]) {
                continue;
            }
            const LineFigure& line = lines[*part_.findNode(wish.line)];
            if (!line.isOn || !line.hertz) {
                if (!wish.isSoft) {
                    return false;
                }
                ++found.broken;
                continue;
            }
            const Rational& hertz = line.hertz->nominal;
            State state = State::kept;
            Rational ratio;
            if (wish.kind == Wish::Kind::at) {
                const Rational miss = abs(hertz / wish.hertz - 1);
                const RunsAsk ask{RunsAsk::Bound::at, wish.hertz, wish.tolerance};
                state = judgeLineRate({}, ask, {line.id, *line.hertz, line.unknown}, Detail::result).state;
                ratio = miss / wish.tolerance.within.value_or(Rational(1, 1000000));
            } else if ((wish.low && hertz < *wish.low) || (wish.high && hertz > *wish.high)) {
                state = State::broken;
                ratio = wish.low && hertz < *wish.low ? 1 - hertz / *wish.low : hertz / *wish.high - 1;
            } else if ((wish.low && line.hertz->min < *wish.low - *wish.low * part_.slack) ||
                       (wish.high && line.hertz->max > *wish.high + *wish.high * part_.slack)) {
                state = State::strained;
            }
            if (!count(state, wish.isSoft, ratio, found)) {
                return false;
            }
            if (wish.kind == Wish::Kind::at && wish.tolerance.within) { // that every error within the tolerance strains
                const Rational& within = *wish.tolerance.within;
                const Rational low = line.hertz->min / hertz;
                const Rational high = line.hertz->max / hertz;
                const Rational off = std::max(1 - low, high - 1);
                const bool isForced = within < 1 && off > 2 * within / (1 - within);
                if (!line.unknown.empty()) {
                    found.strays.emplace_back(1000000);
                } else if (isForced) {
                    found.strays.push_back(off / within);
                }
            }
            if (wish.kind == Wish::Kind::highest) {
                found.extremes.push_back(-hertz);
            } else if (wish.kind == Wish::Kind::lowest) {
                found.extremes.push_back(hertz);
            }
        }
        return true;
    }

    static bool count(State state, bool isSoft, const Rational& ratio, TwinTake& found) {
        if (state == State::broken && !isSoft) {
            return false;
        }
        found.broken += state == State::broken ? 1 : 0;
        found.strained += state == State::strained ? 1 : 0;
        if (!ratio.isZero()) {
            found.ratios.push_back(ratio);
        }
        return true;
    }

    bool judgeThePromises(const Plan& plan, const Take& take, const Controls& controls, const Demand& demand,
                          const std::vector<LineFigure>& lines, TwinTake& found) const {
        const std::vector<PromiseFigure> figures =
            judgePromises({part_, plan, take, controls, demand, lines, nullptr, Detail::result});
        for (std::size_t i = 0; i < question_.promises.size(); ++i) {
            const SoughtPromise& sought = question_.promises[i];
            if (!promises_[i]) {
                continue;
            }
            const PromiseFigure& figure = figures[sought.index];
            Rational ratio;
            if (figure.error) {
                const Rational miss = abs(figure.error->nominal);
                const auto tolerance = toleranceOf(part_, plan.promises[sought.index].line);
                ratio = tolerance ? miss / *tolerance : (figure.state == State::broken ? miss * 1000000 : Rational(0));
            } else if (figure.state == State::broken) {
                ratio = 1000000000;
            }
            if (!count(figure.state, sought.isSoft, ratio, found)) {
                return false;
            }
        }
        return true;
    }

    void addPreferences(const Plan& plan, const std::vector<LineFigure>& lines, const Controls&, const Demand&, int changes,
                        TwinTake& found) const {
        const Figures figures = derive(part_, plan, plan.active);
        for (const Preference preference : question_.prefers) {
            std::vector<Rational> value;
            switch (preference) {
            case Preference::changes: value = {changes}; break;
            case Preference::current:
                for (const ModeFigure& mode : figures.modes) {
                    if (mode.runs) {
                        value = {mode.current.typ[figures.grid.nominal]};
                    }
                }
                break;
            case Preference::core: value = {-lines[part_.core].hertz->nominal}; break;
            case Preference::oscillator:
                for (NodeIndex node = part_.sources.size(); node < lines.size(); ++node) {
                    if (lines[node].isOn && !part_.lineAt(node).multiply.empty()) {
                        value.push_back(lines[node].hertz->nominal);
                    }
                }
                std::sort(value.begin(), value.end(), [](const Rational& a, const Rational& b) { return a > b; });
                break;
            case Preference::wakeUp: {
                Rational slowest;
                for (const ModeFigure& mode : figures.modes) {
                    const std::string& rests = findTake(plan, plan.active)->restsIn;
                    if (mode.wakeUp && (rests.empty() || rests == mode.id)) {
                        slowest = std::max(slowest, mode.wakeUp->restored.max);
                    }
                }
                value = {slowest};
                break;
            }
            }
            found.preferred.push_back(std::move(value));
        }
    }

    void addMakers(const Controls& controls, TwinTake& found) const {
        for (const Wish& wish : question_.wishes) {
            NodeIndex node = *part_.findNode(wish.line);
            while (!part_.isSource(node) && part_.lineAt(node).multiply.empty()) {
                node = part_.lineAt(node).from[controls.lines[node - part_.sources.size()].from];
            }
            found.makers.push_back(node);
        }
    }

    /// What makes two takes two: the rates of the core, of wished lines and of what is promised.
    void addRates(const std::vector<LineFigure>& lines, const Controls& controls, TwinTake& found) const {
        std::map<std::size_t, std::string> rates;
        const auto addNode = [&](NodeIndex node) {
            if (lines[node].isOn) {
                rates[node] = part_.nodeId(node) + "=" + lines[node].hertz->nominal.toString() + " ";
            }
        };
        addNode(part_.core);
        if (question_.crystal) {
            addNode(*part_.findNode(question_.crystal->source));
        }
        for (const Wish& wish : question_.wishes) {
            addNode(*part_.findNode(wish.line));
        }
        for (const SoughtPromise& sought : question_.promises) {
            const std::string& subject = plan_.promises[sought.index].line.subject;
            if (const auto peripheral = part_.findPeripheral(subject)) {
                const auto clock = clockOf(part_, controls, *peripheral);
                rates[part_.nodeCount() + *peripheral] = subject + "=" + lines[*clock].hertz->nominal.toString() + " ";
            } else {
                addNode(*part_.findNode(subject));
            }
        }
        for (const auto& [node, text] : rates) {
            found.rates += text;
        }
    }

    const Part& part_;
    Plan plan_;
    const Question& question_;
    std::vector<bool> wishes_;
    std::vector<bool> promises_;
    Controls present_;
    std::vector<Control> controls_;
    std::vector<bool> mayTurn_; ///< by node, then by peripheral
    std::vector<bool> inScope_; ///< the same
    std::vector<bool> stays_;   ///< by node
    std::vector<TwinTake> takes_;
    std::vector<TwinTake> all_;
};

/// One line for each take: what it sets, what it gives, how well.
inline std::string textOf(const std::vector<TwinTake>& takes) {
    std::string text;
    for (const TwinTake& take : takes) {
        text += take.settings + " | " + take.rates + "| " + std::to_string(take.broken) + " " + std::to_string(take.strained);
        for (const Rational& ratio : take.ratios) {
            text += " " + ratio.toString();
        }
        text += "\n";
    }
    return text;
}

inline std::string textOf(const Part& part, const Plan& plan, const std::vector<FoundTake>& takes) {
    std::string text;
    for (const FoundTake& take : takes) {
        text += settingsText(part, withFound(plan, take), plan.active) + " | ";
        for (const auto& [id, hertz] : take.rates) {
            text += id + "=" + hertz.toString() + " ";
        }
        text += "| " + std::to_string(take.score.broken) + " " + std::to_string(take.score.strained);
        for (const Rational& ratio : take.score.ratios) {
            text += " " + ratio.toString();
        }
        text += "\n";
    }
    return text;
}

} // namespace wisetick::test
