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

std::optional<NodeIndex> Part::findNode(const std::string& nodeId) const {
    if (const auto source = findById(sources, nodeId)) {
        return source;
    }
    const auto line = findById(lines, nodeId);
    return line ? std::optional(nodeOfLine(*line)) : std::nullopt;
}

std::optional<std::size_t> Part::findPeripheral(const std::string& peripheralId) const {
    return findById(peripherals, peripheralId);
}

std::optional<std::size_t> Part::findMode(const std::string& modeId) const {
    return findById(modes, modeId);
}

std::optional<std::size_t> Part::findTier(const std::string& tierId) const {
    return findById(tiers, tierId);
}

std::size_t Part::runMode() const {
    const auto found = std::find_if(modes.begin(), modes.end(), [](const Mode& mode) { return mode.runs; });
    return static_cast<std::size_t>(found - modes.begin());
}

std::vector<std::string> nodeIds(const Part& part) {
    std::vector<std::string> ids = idsOf(part.sources);
    for (const Line& line : part.lines) {
        ids.push_back(line.id);
    }
    return ids;
}

} // namespace wisetick
