#include "evaluate/what_if.h"

#include <algorithm>
#include <stdexcept>

namespace wisetick {

namespace {

Choice& choiceIn(Take& take, const std::string& id) {
    const auto found = std::find_if(take.choices.begin(), take.choices.end(), [&](const Choice& each) { return each.id == id; });
    if (found != take.choices.end()) {
        return *found;
    }
    take.choices.push_back({id, {}, {}, {}, {}});
    return take.choices.back();
}

} // namespace

Plan afterFailure(const Part& part, const Plan& plan, const std::string& takeName, const std::string& source) {
    Plan failed = plan;
    const auto take =
        std::find_if(failed.takes.begin(), failed.takes.end(), [&](const Take& each) { return each.name == takeName; });
    if (take == failed.takes.end()) {
        throw std::invalid_argument("no take '" + takeName + "'");
    }
    const auto node = part.findNode(source);
    if (!node || !part.isSource(*node)) {
        return failed;
    }
    choiceIn(*take, source).on = false;
    if (const auto& fallback = part.sources[*node].failsTo) {
        choiceIn(*take, fallback->first).from = fallback->second;
    }
    return failed;
}

} // namespace wisetick
