#include "view/view.h"

namespace wisetick::app {

State worstPromise(const Document& document, const std::function<bool(const Ask&)>& isMeant) {
    State worst = State::kept;
    if (!document.isOpen()) {
        return worst;
    }
    const auto& promises = document.plan().promises;
    for (std::size_t i = 0; i < promises.size() && i < document.figures().promises.size(); ++i) {
        if (isMeant(promises[i].line.ask)) {
            worst = worseState(worst, document.figures().promises[i].state);
        }
    }
    return worst;
}

} // namespace wisetick::app
