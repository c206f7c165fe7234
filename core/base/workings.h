#pragma once

#include "base/target.h"
#include "base/text.h"

#include <string>
#include <vector>

namespace wisetick {

/// Where a number in a step comes from: what it is called, its text as shown, and where to go for it: a line, promise, job, mode,
/// or a path into a file. `ref` is the datasheet place that the part file gives, if any.
struct Origin {
    Text name;
    Text value;
    Target target;
    std::string ref;

    bool operator==(const Origin&) const = default;
};

/// One step of the arithmetic behind a figure.
struct Step {
    Text what;                   ///< "divisor asked for"
    Text formula;                ///< in symbols: "f ÷ (oversample × rate)"
    Text numbers;                ///< with its numbers: "40 MHz ÷ (8 × 921600)"
    Text result;                 ///< "5.425 ≈"
    std::vector<Origin> origins; ///< where each number comes from
    bool isEquation = true;      ///< whether the numbers come to the result; bounds do not

    bool operator==(const Step&) const = default;
};

using Workings = std::vector<Step>;

} // namespace wisetick
