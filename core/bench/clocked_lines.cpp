#include "bench/clocked_lines.h"

namespace wisetick {

namespace {

/// The level of a line as time goes on.
class Follower {
public:
    explicit Follower(const EdgeList& edges) : walk_(edges, 0) { hasEdge_ = walk_.next(edge_); }

    /// Just before a tick.
    LogicLevel before(std::int64_t tick) {
        while (hasEdge_ && edge_.tick < tick) {
            level_ = edge_.level;
            hasEdge_ = walk_.next(edge_);
        }
        return level_;
    }

private:
    EdgeList::Walk walk_;
    Edge edge_;
    bool hasEdge_ = false;
    LogicLevel level_ = LogicLevel::unknown;
};

/// Where a line falls last before a tick; -1: nowhere.
class LastFall {
public:
    explicit LastFall(const Track* track) : walk_(track == nullptr ? none_ : track->edges, 0) { hasEdge_ = walk_.next(edge_); }

    std::int64_t before(std::int64_t tick) {
        while (hasEdge_ && edge_.tick <= tick) {
            fall_ = edge_.level == LogicLevel::low ? edge_.tick : -1;
            hasEdge_ = walk_.next(edge_);
        }
        return fall_;
    }

private:
    EdgeList none_;
    EdgeList::Walk walk_;
    Edge edge_;
    bool hasEdge_ = false;
    std::int64_t fall_ = -1;
};

} // namespace

std::vector<ClockedWord> readClocked(const Capture&, const Track& clock, const Track& data, const ClockedForm& form) {
    std::vector<ClockedWord> words;
    const LogicLevel wanted = form.samplesRising ? LogicLevel::high : LogicLevel::low;
    Follower line(data.edges);
    LastFall select(form.select);
    std::int64_t selected = -1;
    ClockedWord word;
    const auto finish = [&] {
        if (word.bits > 0) {
            words.push_back(word);
        }
        word = {};
    };
    EdgeList::Walk walk(clock.edges, 1); // what stands at the beginning is no edge
    Edge edge;
    while (walk.next(edge)) {
        if (edge.level != wanted) {
            continue;
        }
        if (form.select != nullptr) {
            const std::int64_t now = select.before(edge.tick);
            if (now != selected) {
                finish();
                selected = now;
            }
            if (now < 0) {
                continue;
            }
        }
        // what changes at the very tick of the edge was there as it was before
        const auto bit = static_cast<std::uint64_t>(line.before(edge.tick) == LogicLevel::high);
        word.tick = word.bits == 0 ? edge.tick : word.tick;
        word.value = form.isLowestFirst ? word.value | (bit << static_cast<unsigned>(word.bits)) : (word.value << 1U) | bit;
        if (++word.bits == form.bits) {
            finish();
        }
    }
    finish();
    return words;
}

std::vector<TwoWireByte> readTwoWire(const Capture&, const Track& clock, const Track& data) {
    std::vector<TwoWireByte> bytes;
    EdgeList::Walk clockWalk(clock.edges, 0);
    EdgeList::Walk dataWalk(data.edges, 0);
    Edge clockEdge;
    Edge dataEdge;
    bool hasClock = clockWalk.next(clockEdge);
    bool hasData = dataWalk.next(dataEdge);
    LogicLevel clockLevel = LogicLevel::unknown;
    LogicLevel dataLevel = LogicLevel::unknown;
    bool isOpen = false; ///< between a start and a stop
    bool isFirst = false;
    TwoWireByte byte;
    int bits = 0;
    while (hasClock || hasData) {
        if (hasData && (!hasClock || dataEdge.tick < clockEdge.tick)) {
            const bool wasKnown = dataLevel == LogicLevel::low || dataLevel == LogicLevel::high;
            if (clockLevel == LogicLevel::high && wasKnown && dataEdge.level == LogicLevel::low) {
                isOpen = true;
                isFirst = true;
                bits = 0;
            } else if (clockLevel == LogicLevel::high && wasKnown && dataEdge.level == LogicLevel::high) {
                isOpen = false;
                if (!bytes.empty()) {
                    bytes.back().ends = true;
                }
            }
            dataLevel = dataEdge.level;
            hasData = dataWalk.next(dataEdge);
            continue;
        }
        if (clockEdge.level == LogicLevel::high && clockLevel == LogicLevel::low && isOpen) {
            const bool isHigh = dataLevel == LogicLevel::high;
            if (bits == 0) {
                byte = {clockEdge.tick, 0, false, isFirst, false};
            }
            if (bits < 8) {
                byte.value = static_cast<std::uint8_t>((static_cast<unsigned>(byte.value) << 1U) | static_cast<unsigned>(isHigh));
                ++bits;
            } else {
                byte.isAcknowledged = !isHigh;
                bytes.push_back(byte);
                bits = 0;
                isFirst = false;
            }
        }
        clockLevel = clockEdge.level;
        hasClock = clockWalk.next(clockEdge);
    }
    return bytes;
}

} // namespace wisetick
