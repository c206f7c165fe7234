#include "part/unknown_facts.h"

#include "base/text.h"
#include "part/kind_row.h"
#include "part/peripheral_kinds.h"
#include "part/typical_only.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

class UnknownFacts {
public:
    explicit UnknownFacts(const Part& part) : part_(part) { findWhatHangs(); }

    std::vector<UnknownFact> find() {
        lookAtConditions();
        for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
            if (part_.isSource(node) && !part_.isNone(node)) {
                lookAtSource(node);
            } else if (!part_.isSource(node) && !part_.lineAt(node).multiply.empty()) {
                lookAtMultiplier(node);
            }
        }
        for (const Peripheral& each : part_.peripherals) {
            if (!each.draws) {
                add(Lack::draws, "peripheral." + each.id, phrase("what {} draws", each.id), phrase("the current of"), {each.id});
            }
        }
        for (const Mode& mode : part_.modes) {
            lookAtMode(mode);
        }
        lookAtTypical();
        std::stable_sort(facts_.begin(), facts_.end(),
                         [](const UnknownFact& a, const UnknownFact& b) { return a.hangs.size() > b.hangs.size(); });
        return std::move(facts_);
    }

private:
    /// What is fed from each node, by whatever way of its muxes: lines, then peripherals.
    void findWhatHangs() {
        fed_.resize(part_.nodeCount());
        for (auto index = part_.order.rbegin(); index != part_.order.rend(); ++index) { // children before parents
            feed(part_.nodeOfLine(*index));
        }
        for (NodeIndex node = 0; node < part_.sources.size(); ++node) {
            feed(node);
        }
    }

    void feed(NodeIndex node) {
        std::vector<std::string>& fed = fed_[node];
        const auto addOnce = [&](const std::string& id) {
            if (std::find(fed.begin(), fed.end(), id) == fed.end()) {
                fed.push_back(id);
            }
        };
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            const auto& from = part_.lines[i].from;
            if (std::find(from.begin(), from.end(), node) != from.end()) {
                addOnce(part_.lines[i].id);
                std::for_each(fed_[part_.nodeOfLine(i)].begin(), fed_[part_.nodeOfLine(i)].end(), addOnce);
            }
        }
        for (const Peripheral& each : part_.peripherals) {
            if (std::find(each.clock.begin(), each.clock.end(), node) != each.clock.end()) {
                addOnce(each.id);
            }
        }
    }

    std::vector<std::string> withItself(NodeIndex node) const {
        std::vector<std::string> list = fed_[node];
        list.insert(list.begin(), part_.nodeId(node));
        return list;
    }

    void add(Lack lack, std::string path, Text say, Text costs, std::vector<std::string> hangs, std::size_t stage = 0) {
        std::string id = path.substr(path.find('.') + 1);
        facts_.push_back({std::move(path), std::move(say), std::move(costs), std::move(hangs), lack, std::move(id), stage});
    }

    void lookAtConditions() {
        std::vector<std::string> all;
        for (NodeIndex node = 0; node < part_.sources.size(); ++node) {
            const bool isByTemperature =
                std::any_of(part_.sources[node].tolerance.begin(), part_.sources[node].tolerance.end(),
                            [](const ToleranceStep& step) { return step.fromCelsius.has_value() || step.toCelsius.has_value(); });
            if (isByTemperature) {
                const std::vector<std::string> more = withItself(node);
                all.insert(all.end(), more.begin(), more.end());
            }
        }
        if (!part_.coldest && !all.empty()) {
            add(Lack::temperature, "", phrase("the temperatures that it is made for"),
                phrase("whether the board's are allowed, for"), std::move(all));
        }
        if (!part_.supplyMin) {
            std::vector<std::string> limited;
            for (const Line& line : part_.lines) {
                if (!line.limits.empty()) {
                    limited.push_back(line.id);
                }
            }
            add(Lack::supply, "", phrase("its supply"), phrase("whether the board's is allowed, for the limits of"),
                std::move(limited));
        }
    }

    void lookAtSource(NodeIndex node) {
        const Source& source = part_.sources[node];
        const std::string path = "source." + source.id;
        if (source.kind == SourceKind::rc && source.tolerance.empty()) {
            add(Lack::tolerance, path, phrase("the tolerance of {}", source.id), phrase("the corners of"), withItself(node));
        }
        if (source.kind != SourceKind::clockIn) {
            lookAtStart(path, node, source.startup, source.draws.has_value() || !source.drives.empty());
        }
        if (source.kind == SourceKind::crystal && !source.gm &&
            std::none_of(source.drives.begin(), source.drives.end(), [](const Drive& each) { return each.gm.has_value(); })) {
            add(Lack::transconductance, path, phrase("the transconductance of {}", source.id), phrase("the start-up margin of"),
                {source.id});
        }
    }

    void lookAtMultiplier(NodeIndex node) {
        const Line& line = part_.lineAt(node);
        lookAtStart("line." + line.id, node, line.startup, line.draws.has_value());
    }

    void lookAtStart(const std::string& path, NodeIndex node, const Duration& startup, bool doesDrawTell) {
        const std::string& id = part_.nodeId(node);
        if (!startup.max) {
            std::vector<std::string> hangs = withItself(node);
            for (const Mode& mode : part_.modes) {
                const bool isKept =
                    part_.isSource(node) ? mode.sources.contains(node) : mode.lines.contains(node - part_.sources.size());
                if (!mode.runs && !isKept) {
                    hangs.push_back(mode.id);
                }
            }
            add(Lack::startup, path, phrase("the longest start-up of {}", id), phrase("the longest wait and wake-up of"),
                std::move(hangs));
        }
        if (!doesDrawTell) {
            add(Lack::draws, path, phrase("what {} draws", id), phrase("the current while it runs for"), withItself(node));
        }
    }

    void lookAtMode(const Mode& mode) {
        const std::string path = "mode." + mode.id;
        if (!mode.draws) {
            std::vector<std::string> hangs{mode.id};
            for (const Mode& each : part_.modes) {
                if (mode.runs && &each != &mode) { // every wake-up runs through it
                    hangs.push_back(each.id);
                }
            }
            add(Lack::draws, path, phrase("what {} draws", mode.id),
                mode.runs ? phrase("average, life, and the charge of waking from") : phrase("average and life with rests in"),
                std::move(hangs));
        }
        for (std::size_t i = 0; i < mode.stages.size(); ++i) {
            const WakeStage& stage = mode.stages[i];
            if (!stage.lasts.max && !stage.cycles) {
                add(Lack::stageTime, path, phrase("the longest time of '{}'", stage.say), phrase("the longest wake-up from"),
                    {mode.id}, i);
            }
            if (!stage.draws) {
                add(Lack::stageDraws, path, phrase("what is drawn in '{}'", stage.say), phrase("the charge of waking from"),
                    {mode.id}, i);
            }
        }
    }

    /// The largest figures that are not told, and those that are taken from the typical ones.
    void lookAtTypical() {
        for (const TypicalOnly& each : toldTypicallyOnly(part_)) {
            const bool isSaid =
                std::any_of(facts_.begin(), facts_.end(), [&](const UnknownFact& fact) { return fact.say == each.say; });
            if (!isSaid) {
                add(Lack::mostDrawn, each.path, each.say, phrase("the largest current of"), {each.id});
            }
        }
        for (const TypicalOnly& each : part_.bounded) {
            add(Lack::mostDrawn, each.path, each.say,
                phrase("it is taken as {} times the typical figure, by", printFactor(*part_.typicalFactor)), {each.id});
        }
    }

    const Part& part_;
    std::vector<std::vector<std::string>> fed_;
    std::vector<UnknownFact> facts_;
};

bool isChoice(const FactorSet& set) {
    return !set.empty() && set.most() != set.least();
}

/// Whether a control has a field, in whatever pieces.
bool hasField(const std::map<std::string, Field>& fields, const std::string& control) {
    return fields.contains(control) ||
           std::any_of(fields.begin(), fields.end(), [&](const auto& each) { return each.first.rfind(control + ".", 0) == 0; });
}

} // namespace

namespace {

/// A draw that is told, and changes nothing.
Draw nothingDrawn() {
    Draw draw;
    draw.typ = draw.max = TemperatureCurve{{{0, 0}}};
    return draw;
}

void suppose(Duration& duration) {
    duration.typ = duration.typ.value_or(Rational(1, 1000));
    duration.max = duration.typ;
}

void supposeIn(Source& source, const UnknownFact& fact) {
    switch (fact.lack) {
    case Lack::tolerance: source.tolerance = {ToleranceStep{}}; break;
    case Lack::startup: suppose(source.startup); break;
    case Lack::draws: source.draws = nothingDrawn(); break;
    case Lack::transconductance: source.gm = Rational(1); break;
    default: break;
    }
}

void supposeIn(Mode& mode, const UnknownFact& fact) {
    if (fact.lack == Lack::draws) {
        mode.draws = nothingDrawn();
    } else if (fact.lack == Lack::stageTime) {
        suppose(mode.stages[fact.stage].lasts);
    } else if (fact.lack == Lack::stageDraws) {
        mode.stages[fact.stage].draws = nothingDrawn();
    }
}

} // namespace

Part withSupposed(Part part, const UnknownFact& fact) {
    if (fact.lack == Lack::mostDrawn) {
        Part bounded = part;
        boundTypical(bounded, 1);
        const bool isMode = part.findMode(fact.id).has_value();
        for (std::size_t i = 0; i < part.modes.size(); ++i) {
            part.modes[i] = isMode && part.modes[i].id == fact.id ? bounded.modes[i] : part.modes[i];
        }
        if (const auto peripheral = part.findPeripheral(fact.id)) {
            part.peripherals[*peripheral] = bounded.peripherals[*peripheral];
        }
        if (const auto node = part.findNode(fact.id)) {
            (part.isSource(*node) ? part.sources[*node].draws : part.lines[*node - part.sources.size()].draws) =
                part.isSource(*node) ? bounded.sources[*node].draws : bounded.lineAt(*node).draws;
        }
        return part;
    }
    if (fact.lack == Lack::temperature) {
        part.coldest = Rational(-273);
        part.hottest = Rational(1000);
    } else if (fact.lack == Lack::supply) {
        part.supplyMin = Rational(0);
        part.supplyMax = Rational(100);
    }
    if (const auto mode = part.findMode(fact.id)) {
        supposeIn(part.modes[*mode], fact);
    } else if (const auto peripheral = part.findPeripheral(fact.id)) {
        part.peripherals[*peripheral].draws = nothingDrawn();
    } else if (const auto node = part.findNode(fact.id)) {
        if (part.isSource(*node)) {
            supposeIn(part.sources[*node], fact);
        } else if (fact.lack == Lack::startup) {
            suppose(part.lines[*node - part.sources.size()].startup);
        } else {
            part.lines[*node - part.sources.size()].draws = nothingDrawn();
        }
    }
    return part;
}

std::vector<UnknownFact> unknownFacts(const Part& part) {
    return UnknownFacts(part).find();
}

std::vector<UnknownFact> unwritableFacts(const Part& part) {
    std::vector<UnknownFact> facts;
    const auto add = [&](const std::string& path, const Text& say, const std::string& id) {
        const auto same = std::find_if(facts.begin(), facts.end(), [&](const UnknownFact& each) {
            return each.say == say && each.path.substr(0, each.path.find('.')) == path.substr(0, path.find('.'));
        });
        if (same == facts.end()) {
            facts.push_back({path, say, phrase("no code can set it for"), {id}, Lack::writing, id, 0});
        } else if (same->hangs.back() != id) {
            same->hangs.push_back(id);
        }
    };
    for (const Tier& tier : part.tiers) {
        if (!tier.field && part.tiers.size() > 1) {
            add("tier." + tier.id, phrase("the field of the tier"), tier.id);
        }
    }
    for (const Source& source : part.sources) {
        const std::string path = "source." + source.id;
        if (source.rates.size() > 1 && !source.rateField) {
            add(path, phrase("the field of its rate"), source.id);
        }
        if (source.kind == SourceKind::crystal && !source.field) {
            add(path, phrase("the bit that starts it"), source.id);
        }
        if (!source.drives.empty() && !source.driveField) {
            add(path, phrase("the field of its drive"), source.id);
        }
    }
    for (const Line& line : part.lines) {
        const std::string path = "line." + line.id;
        if (line.from.size() > 1 && !hasField(line.fields, "from")) {
            add(path, phrase("the field of its mux"), line.id);
        }
        if (isChoice(line.divide) && !hasField(line.fields, "divide")) {
            add(path, phrase("the field of its divider"), line.id);
        }
        if (isChoice(line.multiply) && !hasField(line.fields, "multiply")) {
            add(path, phrase("the field of its factor"), line.id);
        }
        if (isChoice(line.multiply) && !hasField(line.fields, "on")) {
            add(path, phrase("the bit that starts it"), line.id);
        }
    }
    for (const WaitTable& table : part.waits) {
        const std::string& id = part.nodeId(table.line);
        const Text say = phrase("the field of the {}", table.isWait() ? phrase("wait states") : table.say);
        if (!table.field && table.steps.size() > 1) {
            add((part.isSource(table.line) ? "source." : "line.") + id, say, id);
        }
    }
    for (const Peripheral& each : part.peripherals) {
        const std::string path = "peripheral." + each.id;
        if (each.clock.size() > 1 && !hasField(each.fields, "from")) {
            add(path, phrase("the field of its mux"), each.id);
        }
        std::string missing;
        if (each.kind.is<DelayLoopKind>()) {
            continue; // its turns stand in the program
        }
        each.kind.row()->widths(each.kind, [&](const std::string& control, const FactorSet& set) {
            const bool isNew = ("," + missing + ",").find(", " + control + ",") == std::string::npos;
            missing += isChoice(set) && !hasField(each.fields, control) && isNew ? (missing.empty() ? " " : ", ") + control : "";
        });
        if (!missing.empty()) {
            add(path, phrase("the fields of{}", missing), each.id);
        }
    }
    for (const Mode& mode : part.modes) {
        if (!mode.runs && mode.enter.empty()) {
            add("mode." + mode.id, phrase("what is written to get into it"), mode.id);
        }
        for (const ModeOption& option : mode.options) {
            if (!option.field) {
                add("mode." + mode.id, phrase("the field of its option {}", option.id), mode.id);
            }
        }
    }
    return facts;
}

} // namespace wisetick
