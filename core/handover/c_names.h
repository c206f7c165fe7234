#pragma once

#include "derive/figures.h"

#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wisetick {

enum class Letters { small, capital };

/// A name as code has it: letters, digits and '_', of one size; one that would begin with a digit begins with '_'.
std::string codeName(std::string_view text, Letters letters);

/// What names of a plan's take begin with: "lagoon_buoy_fast_".
std::string codePrefix(const Figures& figures, Letters letters);

/// Comments may not end early, nor go on in the next line.
std::string commentText(std::string text);

/// Without what would end a text in quotes.
std::string inQuotes(std::string text);

/// "Lagoon buoy, take fast, on Gorse 12", for a comment.
std::string codeTitle(const Part& part, const Figures& figures);

/// A promise and what was got, for a comment: "net: can talks 250 kbit/s: got 250 kbit/s, exact, at worst −25 ppm … +25 ppm".
std::string promiseRemark(const PromiseFigure& promise);

/// A rate of a take as code names it.
struct RateConstant {
    std::string name;  ///< without the prefix: "core", "modem"
    Rational hertz;    ///< or bit/s
    std::string about; ///< "core: from f_p ÷ 1"
};

/// The rates of all lines and sources that are on, then of the promises of ports that have one; each name once.
std::vector<RateConstant> rateConstants(const Part& part, const Plan& plan, const Figures& figures);

} // namespace wisetick
