#pragma once

#include "base/text.h"
#include "seek/found_take.h"
#include "seek/policy.h"

namespace wisetick {

/// What a search came to.
struct SeekResult {
    std::vector<FoundTake> found;
    bool isCancelled = false;
    Text cut;               ///< where the search had to end early; empty: it went through everything
    std::int64_t steps = 0; ///< settings of single controls that were looked at
    double settings = 0;    ///< how many takes there are within what may change: a power of ten
    bool isComplete() const { return !isCancelled && cut.empty(); }
};

/// How a search is watched and ended.
struct SeekControl {
    std::function<bool()> goOn;                                 ///< asked often; false cancels
    std::function<void(const std::vector<FoundTake>&)> onFound; ///< the best so far, whenever they change
    std::function<void(const SeekProgress&)> onProgress;        ///< told as often as goOn is asked
    std::int64_t mostSteps = policy::kMostSteps;                ///< then it is cut
    std::int64_t mostMemory = policy::kMostMemory;              ///< bytes, about; then too
};

/// The effort that a control allows, in no more than so many steps.
Effort effortFor(const SeekControl& control, std::int64_t mostSteps);

/// Whether more lines stand in series than are searched: it goes as deep as they do.
bool isTooDeep(const Part& part);

/// The best takes for a question, best first: fewest of the soft wishes and promises broken, then fewest strained, then what
/// shall be as high or low as possible, then |error| ÷ tolerance from the greatest on, then the preferences, then the part's
/// order. Every hard wish and promise, every limit of what is on and every rule is kept. Of takes with equal rates where it
/// matters only the best is given. What is off stays as it stands. Throws std::invalid_argument if there is no such take.
SeekResult seek(const Part& part, const Plan& plan, const std::string& take, const Question& question,
                const SeekControl& control = {});

/// The settings that give the same rates as one found take where it matters, best first, the found one itself among them.
SeekResult unfold(const Part& part, const Plan& plan, const std::string& take, const Question& question, const FoundTake& found,
                  std::size_t most, const SeekControl& control = {});

} // namespace wisetick
