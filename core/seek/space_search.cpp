#include "seek/space_search.h"

namespace wisetick {

namespace {

/// Goes through all tiers that the take may have.
void searchTiers(const Space& space, const InForce& inForce, const Aim& aim, Effort& effort, BestTakes& best,
                 const std::function<void()>& onFound) {
    for (const std::size_t tier : space.tiers) {
        const bool isOther = !mayChangeTier(space, inForce) && space.present.tier && *space.present.tier != tier;
        if (!isOther && !effort.isOver() && !(aim.onlyFits && !best.takes().empty())) {
            RouteSearch(space, inForce, tier, aim, effort, best, onFound).run();
        }
    }
}

} // namespace

std::vector<Whole> bestTakes(const Space& space, const InForce& inForce, Effort& effort, bool isFolded, std::size_t most,
                             const std::function<void(const std::vector<Whole>&)>& onFound, const std::optional<Whole>& known) {
    BestTakes best(most, isFolded, space.question.prefers);
    if (known) {
        best.offer(*known);
    }
    const Aim aim{most, isFolded, false};
    searchTiers(space, inForce, aim, effort, best, [&] {
        if (onFound) {
            onFound(best.takes());
        }
    });
    return best.takes();
}

std::optional<Whole> anyTake(const Space& space, const InForce& inForce, Effort& effort, const std::vector<Made>& made) {
    BestTakes best(1, true, space.question.prefers);
    const Aim aim{1, true, true, made};
    searchTiers(space, inForce, aim, effort, best, {});
    return best.takes().empty() ? std::nullopt : std::optional(best.takes().front());
}

} // namespace wisetick
