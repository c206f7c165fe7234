#pragma once

#include "seek/branch_solver.h"

namespace wisetick {

/// A whole take as a search finds it.
struct Whole {
    Score score;
    RatesAt rates;        ///< of the nodes that matter, by node
    std::size_t tier = 0; ///< index into the part's tiers
    struct Settings {
        std::size_t from = 0; ///< position of the input; of a source the place of its rate
        Rational divide = 1;
        Rational multiply = 1;
        bool operator==(const Settings&) const = default;
    };
    std::vector<Settings> settings; ///< by node; what is off stays as it stands
    std::vector<bool> isOn;         ///< by node
};

/// What decides between takes: score and preferences; of equals the lower tier index, then the first control that differs, in
/// the part's order.
std::strong_ordering compareWholes(const Whole& a, const Whole& b, const std::vector<Preference>& prefers);

/// The best takes so far: each with other rates where it matters, unless `isFolded` is false. Best first.
class BestTakes {
public:
    BestTakes(std::size_t most, bool isFolded, const std::vector<Preference>& prefers)
        : most_(most), isFolded_(isFolded), prefers_(prefers) {}

    /// Whether a take with that score could still get in.
    bool mayEnter(const Score& score) const;
    /// The same for what no take of a kind can be better than.
    bool mayEnter(const BranchSolver::Bound& bound, const Space& space) const;
    /// True if it got in.
    bool offer(Whole whole);
    const std::vector<Whole>& takes() const { return takes_; }
    bool isFull() const { return takes_.size() >= most_; }

private:
    std::size_t most_;
    bool isFolded_;
    const std::vector<Preference>& prefers_;
    std::vector<Whole> takes_;
};

/// The greatest deviation of a source's rate, as a share.
Rational offOf(const SpaceNode& source);

} // namespace wisetick
