#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>
#include <vector>

namespace wisetick {

/// What a digital signal shows: x and z of IEEE 1364 too.
enum class LogicLevel : std::uint8_t { low, high, unknown, floating };

/// A change of level, at a tick of its capture.
struct Edge {
    std::int64_t tick = 0;
    LogicLevel level = LogicLevel::low; ///< from then on
    bool operator==(const Edge&) const = default;
};

/// The changes of a signal in order of time, each packed into as few bytes as it needs to say by how much its distance from the
/// one before differs from that of the edge of its kind before it: one byte where a signal repeats, about two else, so that a
/// hundred million of them find room. What is asked for by place costs O(log n) plus a block.
class EdgeList {
public:
    /// `tick` must not be before the last one; an edge to the level that is there already is none.
    void add(std::int64_t tick, LogicLevel level) {
        if (size_ > 0 && level == lastLevel_) {
            return;
        }
        append(tick, level);
    }
    std::size_t size() const { return size_; }
    bool empty() const { return size_ == 0; }
    /// The edge at a place < size().
    Edge at(std::size_t place) const;
    /// How many edges there are before a tick.
    std::size_t countBefore(std::int64_t tick) const;
    /// The level at a tick; unknown before the first edge.
    LogicLevel levelAt(std::int64_t tick) const;
    /// Bytes that it takes.
    std::size_t bytes() const;

    /// The last two distances of a block; a rising edge comes as far behind a falling one as the time before.
    struct Distances {
        std::int64_t last = 0;
        std::int64_t lastButOne = 0;
    };

    /// Walks over the edges from a place on.
    class Walk {
    public:
        Walk(const EdgeList& list, std::size_t from);
        /// The next edge; false where there is none.
        bool next(Edge& edge);

    private:
        void enter(std::size_t block);

        const EdgeList& list_;
        std::size_t place_ = 0;
        std::int64_t tick_ = 0;
        Distances before_;
        const std::uint8_t* at_ = nullptr;
    };

private:
    static constexpr std::size_t kBlock = 256;       ///< edges
    static constexpr std::size_t kMostBytes = 10;    ///< of one edge
    static constexpr std::size_t kChunk = 1U << 16U; ///< bytes

    struct Block {
        std::int64_t tick = 0; ///< of the edge before its first one
        const std::uint8_t* bytes = nullptr;
    };

    void append(std::int64_t tick, LogicLevel level);
    void beginBlock();

    std::vector<std::unique_ptr<std::uint8_t[]>> chunks_;
    std::vector<Block> blocks_;
    std::uint8_t* end_ = nullptr; ///< where the next edge goes
    std::size_t left_ = 0;        ///< bytes of the chunk
    std::size_t size_ = 0;
    std::int64_t lastTick_ = 0;
    Distances lastDistances_;
    LogicLevel lastLevel_ = LogicLevel::unknown;
};

} // namespace wisetick
