#include "evaluate/what_if.h"

#include "base/text.h"

#include <stdexcept>

namespace wisetick {

Plan afterFailure(const Part& part, const Plan& plan, const std::string& takeName, const std::string& source) {
    Plan failed = plan;
    if (findTake(plan, takeName) == nullptr) {
        throw std::invalid_argument(phrase("no take '{}'", takeName));
    }
    const auto node = part.findNode(source);
    if (!node || !part.isSource(*node)) {
        return failed;
    }
    choiceOf(failed, takeName, source).on = false;
    if (const auto& fallback = part.sources[*node].failsTo) {
        choiceOf(failed, takeName, fallback->first).from = fallback->second;
    }
    return failed;
}

} // namespace wisetick
