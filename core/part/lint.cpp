#include "part/lint.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

class Linter {
public:
    Linter(const Part& part, const std::vector<Accepted>& accepted, const std::vector<Suspicion>& seen)
        : part_(part), accepted_(accepted), seen_(seen), isUsed_(accepted.size()) {}

    Diagnostics lint() {
        for (const Source& source : part_.sources) {
            lintSource(source);
        }
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            lintLine(i);
        }
        for (const WaitTable& table : part_.waits) {
            lintWait(table);
        }
        lintRules();
        for (const Peripheral& peripheral : part_.peripherals) {
            lintPeripheral(peripheral);
        }
        for (const Mode& mode : part_.modes) {
            lintMode(mode);
        }
        for (const Suspicion& each : seen_) {
            warn(each.what, each.path, each.found, each.expected);
        }
        for (std::size_t i = 0; i < accepted_.size(); ++i) {
            if (!isUsed_[i]) {
                Diagnostic finding{Severity::warning, accepted_[i].place,
                                   phrase("'{}' is accepted, and there is no such thing", accepted_[i].what),
                                   phrase("what is said in the suspicion"), phrase("take it out")};
                finding.place.path = accepted_[i].path;
                findings_.push_back(std::move(finding));
            }
        }
        return std::move(findings_);
    }

private:
    /// `what`: the word by which the part file can accept it.
    void warn(const Text& what, const std::string& path, const Text& found, const Text& expected) {
        bool isMeantSo = false;
        for (std::size_t i = 0; i < accepted_.size(); ++i) {
            if (accepted_[i].path == path && accepted_[i].what == what) {
                isUsed_[i] = true;
                isMeantSo = true;
            }
        }
        if (!isMeantSo) {
            findings_.push_back(
                {Severity::warning, {{}, 0, 0, path}, found, expected, phrase("or accept = {{ \"{}\" = \"why\" }}", what)});
        }
    }

    /// Rules on the same two rates that leave no ratio between them, two by two.
    void lintRules() {
        for (std::size_t i = 0; i < part_.rules.size(); ++i) {
            const Rule& rule = part_.rules[i];
            if (rule.left == rule.right && !allows(rule, 1)) {
                warn(phrase("contradiction"), "rule." + std::to_string(i), phrase("a rule that no setting keeps: '{}'", rule.say),
                     phrase("two different lines, or 1 among what it allows"));
            }
            for (std::size_t j = 0; j < i; ++j) {
                const Rule& other = part_.rules[j];
                const bool isSame = rule.left == other.left && rule.right == other.right;
                const bool isTurned = rule.left == other.right && rule.right == other.left && !other.times.isZero();
                if ((isSame && contradict(rule, other)) || (isTurned && contradict(rule, turned(other)))) {
                    warn(phrase("contradiction"), "rule." + std::to_string(i),
                         phrase("rules that no setting keeps together: '{}' and '{}'", other.say, rule.say),
                         phrase("rules that leave a ratio between {} and {}", part_.nodeId(rule.left), part_.nodeId(rule.right)));
                }
            }
        }
    }

    /// Whether left = ratio × right keeps the rule.
    static bool allows(const Rule& rule, const Rational& ratio) {
        return rule.relation == Rule::Relation::atMost    ? ratio <= rule.times
               : rule.relation == Rule::Relation::atLeast ? ratio >= rule.times
                                                          : ratio == rule.times;
    }

    /// Of two rules on the same ratio: what the one allows at least is more than the other does at most.
    static bool contradict(const Rule& a, const Rule& b) {
        const auto isAbove = [](const Rule& low, const Rule& high) {
            return low.relation != Rule::Relation::atMost && high.relation != Rule::Relation::atLeast && low.times > high.times;
        };
        return isAbove(a, b) || isAbove(b, a);
    }

    /// The same rule told of right ÷ left.
    static Rule turned(Rule rule) {
        std::swap(rule.left, rule.right);
        rule.times = 1 / rule.times;
        rule.relation = rule.relation == Rule::Relation::atMost    ? Rule::Relation::atLeast
                        : rule.relation == Rule::Relation::atLeast ? Rule::Relation::atMost
                                                                   : Rule::Relation::equals;
        return rule;
    }

    void lintSource(const Source& source) {
        const std::string path = "source." + source.id;
        if (source.kind == SourceKind::none) {
            return;
        }
        if (source.kind == SourceKind::rc && source.tolerance.empty()) {
            warn(phrase("no tolerance"), path,
                 phrase("the RC '{}' has no tolerance, so nothing can be said of its corners", source.id),
                 phrase("tolerance = [{{ temp, by }}]"));
        }
        if (source.kind != SourceKind::clockIn && !source.startup.max) {
            warn(phrase("no start-up"), path, phrase("the source '{}' has no longest start-up time", source.id),
                 phrase("startup = {{ typ, max }}"));
        }
        if (source.kind != SourceKind::clockIn && !source.draws && source.drives.empty()) {
            warn(phrase("no draw"), path, phrase("the source '{}' does not say what it draws", source.id),
                 phrase("draws = {{ typ, max }}"));
        }
    }

    void lintWidth(const std::string& path, const std::string& control, const FactorSet& set,
                   const std::map<std::string, Field>& fields, const std::map<std::string, Holds>& holds) {
        const auto field = fields.find(control);
        const auto form = holds.find(control);
        if (set.empty() || field == fields.end() || form == holds.end() || !form->second.others.empty()) {
            return; // what leans on other controls is known only with these
        }
        std::vector<Rational> ends{set.least()};
        if (set.most() != set.least()) {
            ends.push_back(set.most());
        }
        for (const Rational& value : ends) {
            const auto held = heldFor(form->second, value);
            if (!held) {
                warn(phrase("no code"), path,
                     phrase("{} = {} has no code for its field {}", control, printFactor(value), fieldText(field->second)),
                     phrase("a code for each value"));
            } else if (Rational(*held) > field->second.most()) {
                warn(phrase("narrow field"), path,
                     phrase("the field {} holds up to {}, but {} = {} needs {}", fieldText(field->second),
                            field->second.most().toString(), control, printFactor(value), std::to_string(*held)),
                     phrase("a wider field or a smaller range"));
            }
        }
    }

    bool feedsSomething(NodeIndex node) const {
        const auto isInput = [&](const auto& thing, const auto& inputs) {
            return std::find((thing.*inputs).begin(), (thing.*inputs).end(), node) != (thing.*inputs).end();
        };
        return node == part_.core ||
               std::any_of(part_.lines.begin(), part_.lines.end(),
                           [&](const Line& line) { return isInput(line, &Line::from); }) ||
               std::any_of(part_.peripherals.begin(), part_.peripherals.end(),
                           [&](const Peripheral& each) { return isInput(each, &Peripheral::clock); });
    }

    void lintLine(std::size_t index) {
        const Line& line = part_.lines[index];
        const std::string path = "line." + line.id;
        lintWidth(path, "divide", line.divide, line.fields, line.holds);
        lintWidth(path, "multiply", line.multiply, line.fields, line.holds);
        if (!line.multiply.empty() && !line.startup.max) {
            warn(phrase("no start-up"), path, phrase("the multiplier '{}' has no longest lock time", line.id),
                 phrase("startup = {{ typ, max }}"));
        }
        if (!line.multiply.empty() && !line.draws) {
            warn(phrase("no draw"), path, phrase("the multiplier '{}' does not say what it draws", line.id),
                 phrase("draws = {{ base, per_mhz }}"));
        }
        // a line about which promises can be made needs no reader of its own, but a bare copy does
        const bool isCopy = line.divide.empty() && line.multiply.empty() && line.from.size() == 1 && !line.follows &&
                            line.limits.empty() && line.pins.empty() && line.signalPins.empty() && !line.draws &&
                            !line.fields.contains("on");
        if (isCopy && !feedsSomething(part_.nodeOfLine(index))) {
            warn(phrase("idle line"), path, phrase("the line '{}' changes nothing and feeds nothing", line.id),
                 phrase("a control, a limit, or a reader"));
        }
    }

    void lintPeripheral(const Peripheral& peripheral) {
        const std::string path = "peripheral." + peripheral.id;
        if (!peripheral.draws) {
            warn(phrase("no draw"), path, phrase("the peripheral '{}' does not say what it draws", peripheral.id),
                 phrase("draws = {{ per_mhz }}"));
        }
        peripheral.kind.row()->widths(peripheral.kind, [&](const std::string& control, const FactorSet& set) {
            lintWidth(path, control, set, peripheral.fields, peripheral.holds);
        });
    }

    /// Rates that the limit allows but no step of the waits covers.
    void lintWait(const WaitTable& table) {
        if (part_.isSource(table.line) || table.steps.empty() || table.isFromRate) {
            return;
        }
        for (const Limit& limit : part_.lineAt(table.line).limits) {
            if (limit.max && limit.tier == table.tier && *limit.max > table.steps.back().hertz) {
                warn(phrase("short table"), "line." + part_.nodeId(table.line),
                     phrase("{}{}' end at {}, its limit is {}",
                            table.isWait() ? phrase("the waits of '") : phrase("the {} of '", table.say),
                            part_.nodeId(table.line), printQuantity(table.steps.back().hertz, Unit::hertz),
                            printQuantity(*limit.max, Unit::hertz)),
                     phrase("a step for every rate that is allowed"));
            }
        }
    }

    void lintMode(const Mode& mode) {
        const std::string path = "mode." + mode.id;
        if (!mode.draws) {
            warn(phrase("no draw"), path, phrase("the mode '{}' does not say what it draws", mode.id),
                 phrase("draws = {{ typ, max }}"));
        }
        for (std::size_t i = 0; !mode.runs && i < part_.peripherals.size(); ++i) {
            const Peripheral& peripheral = part_.peripherals[i];
            if (mode.peripherals.contains(i) && !peripheral.clock.empty() &&
                std::none_of(peripheral.clock.begin(), peripheral.clock.end(),
                             [&](NodeIndex clock) { return isKept(mode, clock); })) {
                warn(phrase("no clock"), path, phrase("'{}' keeps '{}' but none of its clocks", mode.id, peripheral.id),
                     phrase("keeps.sources or keeps.lines with one of them"));
            }
        }
        for (const WakeStage& stage : mode.stages) {
            if ((!stage.lasts.max && !stage.cycles) || !stage.draws) {
                warn(phrase("unknown stage"), path,
                     phrase("the stage '{}' of '{}' lacks its longest time or its draw", stage.say, mode.id),
                     phrase("typ, max and draws"));
            }
        }
    }

    /// Whether a mode can keep this clock alive: it is kept, and for a line also one of its inputs.
    bool isKept(const Mode& mode, NodeIndex node) const {
        if (part_.isSource(node)) {
            return mode.sources.contains(node) ||
                   std::find(mode.requested.begin(), mode.requested.end(), node) != mode.requested.end();
        }
        const Line& line = part_.lineAt(node);
        return mode.lines.contains(node - part_.sources.size()) &&
               std::any_of(line.from.begin(), line.from.end(), [&](NodeIndex input) { return isKept(mode, input); });
    }

    const Part& part_;
    const std::vector<Accepted>& accepted_;
    const std::vector<Suspicion>& seen_;
    std::vector<bool> isUsed_;
    Diagnostics findings_;
};

} // namespace

Diagnostics lintPart(const Part& part, const std::vector<Accepted>& accepted, const std::vector<Suspicion>& seen) {
    return Linter(part, accepted, seen).lint();
}

} // namespace wisetick
