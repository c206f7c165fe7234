#include "part/part.h"

#include <algorithm>

namespace wisetick {

namespace {

template <class Things>
std::optional<std::size_t> findById(const Things& things, const std::string& id) {
    const auto found = std::find_if(things.begin(), things.end(), [&](const auto& thing) { return thing.id == id; });
    return found == things.end() ? std::nullopt : std::optional(static_cast<std::size_t>(found - things.begin()));
}

} // namespace

WakeCounter WakeCounter::forPeriod(const Rational& hertz, const Rational& period) const {
    const bool isInReach = period * hertz <= prescaler.most() * counts.most();
    if (secondCounts.empty() || isInReach) {
        return *this;
    }
    for (std::int64_t i = 0; i < first.count(); ++i) { // the calendar's dividers must make just 1 Hz of it
        const Rational rest = hertz / first.at(i);
        if (second.contains(rest)) {
            return {FactorSet::one(hertz), secondCounts, isForWaking};
        }
    }
    return *this;
}

std::string kindName(const PeripheralKind& kind) {
    return kind.row() == nullptr ? std::string() : kind.row()->name;
}

const KindRow* findKindRow(const std::string& name) {
    const auto& rows = kindRows();
    const auto found = std::find_if(rows.begin(), rows.end(), [&](const KindRow* row) { return row->name == name; });
    return found == rows.end() ? nullptr : *found;
}

bool KeptSet::contains(std::size_t index) const {
    return all || std::find(some.begin(), some.end(), index) != some.end();
}

void Part::indexIds() {
    sourceIds.index(sources);
    lineIds.index(lines);
    peripheralIds.index(peripherals);
}

std::optional<NodeIndex> Part::findNode(const std::string& nodeId) const {
    if (const auto source = sourceIds.find(sources, nodeId)) {
        return source;
    }
    const auto line = lineIds.find(lines, nodeId);
    return line ? std::optional(nodeOfLine(*line)) : std::nullopt;
}

std::optional<std::size_t> Part::findPeripheral(const std::string& peripheralId) const {
    return peripheralIds.find(peripherals, peripheralId);
}

std::optional<std::size_t> Part::findMode(const std::string& modeId) const {
    return findById(modes, modeId);
}

std::optional<std::size_t> Part::findTier(const std::string& tierId) const {
    return findById(tiers, tierId);
}

const Register* Part::findRegister(const std::string& registerName) const {
    const auto found =
        std::find_if(registers.begin(), registers.end(), [&](const Register& each) { return each.name == registerName; });
    return found == registers.end() ? nullptr : &*found;
}

std::optional<std::uint64_t> Part::addressOf(const std::string& registerName) const {
    const Register* found = findRegister(registerName);
    return found == nullptr ? std::nullopt : found->address;
}

std::size_t Part::runMode() const {
    const auto found = std::find_if(modes.begin(), modes.end(), [](const Mode& mode) { return mode.runs; });
    return static_cast<std::size_t>(found - modes.begin());
}

const Draw* drawIn(const std::optional<Draw>& draw, std::optional<std::size_t> tier) {
    if (!draw || draw->inTiers.empty()) {
        return draw ? &*draw : nullptr;
    }
    const auto found =
        std::find_if(draw->inTiers.begin(), draw->inTiers.end(), [&](const Draw& each) { return each.tier == tier; });
    return found == draw->inTiers.end() ? nullptr : &*found;
}

std::vector<PartSignal> signalsOf(const Part& part) {
    std::vector<PartSignal> list;
    for (std::size_t i = 0; i < part.lines.size(); ++i) {
        for (const Signal& signal : part.lines[i].signalPins) {
            list.push_back({part.lines[i].id, &signal, true, part.nodeOfLine(i)});
        }
    }
    for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
        for (const Signal& signal : part.peripherals[i].signalPins) {
            list.push_back({part.peripherals[i].id, &signal, false, i});
        }
    }
    return list;
}

std::vector<std::string> nodeIds(const Part& part) {
    std::vector<std::string> ids = idsOf(part.sources);
    std::erase(ids, kNoClock);
    for (const Line& line : part.lines) {
        ids.push_back(line.id);
    }
    return ids;
}

} // namespace wisetick
