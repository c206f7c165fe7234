#include "seek/best_takes.h"

#include <algorithm>

namespace wisetick {

std::strong_ordering compareWholes(const Whole& a, const Whole& b, const std::vector<Preference>& prefers) {
    if (const auto order = compareScores(a.score, b.score, prefers); order != std::strong_ordering::equal) {
        return order;
    }
    if (a.tier != b.tier) {
        return a.tier <=> b.tier;
    }
    for (std::size_t node = 0; node < a.settings.size(); ++node) {
        const Whole::Settings& left = a.settings[node];
        const Whole::Settings& right = b.settings[node];
        if (left.from != right.from) {
            return left.from <=> right.from;
        }
        if (left.divide != right.divide) {
            return left.divide <=> right.divide;
        }
        if (left.multiply != right.multiply) {
            return left.multiply <=> right.multiply;
        }
    }
    return std::strong_ordering::equal;
}

bool BestTakes::mayEnter(const Score& score) const {
    return takes_.size() < most_ || compareScores(score, takes_.back().score, prefers_) != std::strong_ordering::greater;
}

bool BestTakes::mayEnter(const BranchSolver::Bound& bound, const Space& space) const {
    if (takes_.size() < most_) {
        return true;
    }
    const auto order = compareKeeping(bound.score, takes_.back().score);
    if (order == std::strong_ordering::greater || bound.beyond.empty()) {
        return order != std::strong_ordering::greater;
    }
    // up to the extremes both are alike, or the bound is less
    const Score& last = takes_.back().score;
    if (bound.score.broken != last.broken || bound.score.strained != last.strained || bound.score.strays != last.strays) {
        return true;
    }
    for (std::size_t slot = 0; slot < last.extremes.size(); ++slot) {
        const Rational& best = bound.score.extremes[slot];
        const bool isBeyond = std::any_of(bound.beyond.begin(), bound.beyond.end(),
                                          [&](std::size_t wish) { return space.extremeOf[wish] == slot; });
        if (best != last.extremes[slot] || isBeyond) {
            return best < last.extremes[slot];
        }
    }
    return true;
}

bool BestTakes::offer(Whole whole) {
    const auto isLess = [&](const Whole& a, const Whole& b) {
        return compareWholes(a, b, prefers_) == std::strong_ordering::less;
    };
    const auto same = std::find_if(takes_.begin(), takes_.end(), [&](const Whole& each) {
        return isFolded_ ? each.rates == whole.rates : (each.tier == whole.tier && each.settings == whole.settings);
    });
    if (same != takes_.end()) {
        if (!isLess(whole, *same)) {
            return false;
        }
        takes_.erase(same);
    } else if (takes_.size() >= most_ && !isLess(whole, takes_.back())) {
        return false;
    }
    takes_.insert(std::upper_bound(takes_.begin(), takes_.end(), whole, isLess), std::move(whole));
    if (takes_.size() > most_) {
        takes_.pop_back();
    }
    return true;
}

Rational offOf(const SpaceNode& source) {
    return source.isSpreadKnown ? std::max(1 - source.low, source.high - 1) : Rational(1);
}

} // namespace wisetick
