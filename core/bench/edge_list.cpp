#include "bench/edge_list.h"

#include <algorithm>

namespace wisetick {

namespace {

constexpr std::uint64_t kMore = 0x80; ///< a byte of seven bits that another one follows

/// Small numbers of either sign as small ones without.
std::uint64_t zigzag(std::int64_t value) {
    return (static_cast<std::uint64_t>(value) << 1U) ^ static_cast<std::uint64_t>(value >> 63);
}

std::int64_t unzigzag(std::uint64_t value) {
    return static_cast<std::int64_t>(value >> 1U) ^ -static_cast<std::int64_t>(value & 1U);
}

std::uint64_t unpack(const std::uint8_t*& at) {
    std::uint64_t value = 0;
    unsigned shift = 0;
    while ((*at & kMore) != 0) {
        value |= static_cast<std::uint64_t>(*at++ & 0x7FU) << shift;
        shift += 7;
    }
    return value | static_cast<std::uint64_t>(*at++) << shift;
}

} // namespace

void EdgeList::beginBlock() {
    if (left_ < kBlock * kMostBytes) {
        chunks_.push_back(std::make_unique<std::uint8_t[]>(kChunk));
        end_ = chunks_.back().get();
        left_ = kChunk;
    }
    blocks_.push_back({lastTick_, end_});
    lastDistances_ = {};
}

void EdgeList::append(std::int64_t tick, LogicLevel level) {
    if (size_ % kBlock == 0) {
        beginBlock();
    }
    const std::int64_t distance = tick - lastTick_;
    const std::int64_t more = distance - lastDistances_.lastButOne;
    lastDistances_ = {distance, lastDistances_.last};
    std::uint64_t value = (zigzag(more) << 2U) | static_cast<std::uint64_t>(level);
    const std::uint8_t* begin = end_;
    while (value >= kMore) {
        *end_++ = static_cast<std::uint8_t>(value | kMore);
        value >>= 7U;
    }
    *end_++ = static_cast<std::uint8_t>(value);
    left_ -= static_cast<std::size_t>(end_ - begin);
    lastTick_ = tick;
    lastLevel_ = level;
    ++size_;
}

Edge EdgeList::at(std::size_t place) const {
    Walk walk(*this, place);
    Edge edge;
    walk.next(edge);
    return edge;
}

std::size_t EdgeList::countBefore(std::int64_t tick) const {
    // the blocks whose first edge may be at the tick or behind: what precedes them is looked through
    const auto block = std::lower_bound(blocks_.begin(), blocks_.end(), tick,
                                        [](const Block& each, std::int64_t value) { return each.tick < value; });
    if (block == blocks_.begin()) {
        return 0;
    }
    std::size_t place = static_cast<std::size_t>(block - blocks_.begin() - 1) * kBlock;
    Walk walk(*this, place);
    for (Edge edge; walk.next(edge) && edge.tick < tick;) {
        ++place;
    }
    return place;
}

LogicLevel EdgeList::levelAt(std::int64_t tick) const {
    const std::size_t upTo = countBefore(tick + 1);
    return upTo == 0 ? LogicLevel::unknown : at(upTo - 1).level;
}

std::size_t EdgeList::bytes() const {
    return chunks_.size() * kChunk + blocks_.size() * sizeof(Block);
}

EdgeList::Walk::Walk(const EdgeList& list, std::size_t from) : list_(list), place_(std::min(from, list.size_)) {
    if (place_ < list_.size_) {
        const std::size_t wanted = place_;
        enter(wanted / kBlock);
        place_ = wanted / kBlock * kBlock;
        for (Edge edge; place_ < wanted;) {
            next(edge);
        }
    }
}

void EdgeList::Walk::enter(std::size_t block) {
    tick_ = list_.blocks_[block].tick;
    before_ = {};
    at_ = list_.blocks_[block].bytes;
}

bool EdgeList::Walk::next(Edge& edge) {
    if (place_ >= list_.size_) {
        return false;
    }
    if (place_ % kBlock == 0) {
        enter(place_ / kBlock);
    }
    const std::uint64_t value = unpack(at_);
    const std::int64_t distance = before_.lastButOne + unzigzag(value >> 2U);
    before_ = {distance, before_.last};
    tick_ += distance;
    edge = {tick_, static_cast<LogicLevel>(value & 3U)};
    ++place_;
    return true;
}

} // namespace wisetick
