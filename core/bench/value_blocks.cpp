#include "bench/value_blocks.h"

#include <algorithm>

namespace wisetick {

ValueBlocks::ValueBlocks(const ValueTrack& track) : track_(track) {
    std::vector<std::pair<float, float>> level;
    level.reserve(track.values.size());
    double sum = 0;
    for (std::size_t i = 0; i < track.values.size(); ++i) {
        sum += i == 0 ? 0 : track.values[i - 1] * static_cast<double>(track.ticks[i] - track.ticks[i - 1]);
        sums_.push_back(sum);
        const auto value = static_cast<float>(track.values[i]);
        level.emplace_back(value, value);
    }
    while (level.size() > 1) {
        std::vector<std::pair<float, float>> next;
        next.reserve(level.size() / 2 + 1);
        for (std::size_t i = 0; i < level.size(); i += 2) {
            const auto& right = level[std::min(i + 1, level.size() - 1)];
            next.emplace_back(std::min(level[i].first, right.first), std::max(level[i].second, right.second));
        }
        levels_.push_back(std::move(level));
        level = std::move(next);
    }
    levels_.push_back(std::move(level));
}

std::size_t ValueBlocks::placeAt(std::int64_t tick) const {
    const auto behind = std::upper_bound(track_.ticks.begin(), track_.ticks.end(), tick);
    return behind == track_.ticks.begin() ? 0 : static_cast<std::size_t>(behind - track_.ticks.begin()) - 1;
}

double ValueBlocks::at(std::int64_t tick) const {
    return empty() ? 0 : track_.values[placeAt(tick)];
}

double ValueBlocks::sumTo(std::int64_t tick) const {
    if (empty()) {
        return 0;
    }
    const std::size_t place = placeAt(tick);
    return sums_[place] + track_.values[place] * static_cast<double>(std::max(tick, track_.ticks.front()) - track_.ticks[place]);
}

ValueSpan ValueBlocks::span(std::int64_t from, std::int64_t to) const {
    if (empty() || to <= from) {
        return {};
    }
    std::size_t first = placeAt(from);
    std::size_t last = placeAt(to - 1) + 1;
    ValueSpan span{track_.values[first], track_.values[first], 0};
    const auto take = [&](const std::pair<float, float>& each) {
        span.least = std::min(span.least, static_cast<double>(each.first));
        span.most = std::max(span.most, static_cast<double>(each.second));
    };
    for (std::size_t level = 0; first < last && level < levels_.size(); ++level) { // halves of the tree that lie inside
        if (first % 2 == 1) {
            take(levels_[level][first++]);
        }
        if (last % 2 == 1 && last > first) {
            take(levels_[level][--last]);
        }
        first /= 2;
        last /= 2;
    }
    span.mean = (sumTo(to) - sumTo(from)) / static_cast<double>(to - std::max(from, track_.ticks.front()));
    return span;
}

} // namespace wisetick
