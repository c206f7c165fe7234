#include "derive/figures.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

std::string WaitFigure::text() const {
    return (say.empty() ? phrase("wait states of {}", line) : say) + ": " + std::to_string(waits);
}

const PromiseFigure* Figures::findPromise(const std::string& name) const {
    const auto found =
        std::find_if(promises.begin(), promises.end(), [&](const PromiseFigure& promise) { return promise.name == name; });
    return found == promises.end() ? nullptr : &*found;
}

const LineFigure* Figures::findLine(const std::string& id) const {
    const auto found = std::find_if(lines.begin(), lines.end(), [&](const LineFigure& line) { return line.id == id; });
    return found == lines.end() ? nullptr : &*found;
}

} // namespace wisetick
