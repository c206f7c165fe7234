#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// The rates that the converter's own clock may have here, Hz; a worst case may be outside by the slack.
struct AdcClockSpan {
    std::optional<Rational> min;
    std::optional<Rational> max;
    Rational slack = {};
    /// Whether a clock is within them at its corners too.
    bool holds(const Bounds& hertz) const {
        return (!min || hertz.min >= *min * (1 - slack)) && (!max || hertz.max <= *max * (1 + slack));
    }
};

/// How long a sampling capacitor must be charged through the source's and its own resistance to be right within a quarter
/// of the least bit: (R + R_in) × C × ln(2^(bits + 2)), s, rounded up to 1 ps. 0 where R, R_in or C is not known.
Rational leastSampleTime(const AdcKind& adc, const TakesAsk& ask, std::int64_t bits);

/// samples/s of each channel = f ÷ divide ÷ (sample + conversion) ÷ channels. For every divider whose clock is within
/// `span`, the shortest sampling that is long enough at the fastest clock (else at the nominal one, else the longest).
/// Best first: state, least error above what was asked, smaller divider.
std::vector<Way> adcWays(const AdcKind& adc, const TakesAsk& ask, const Clock& clock, const AdcClockSpan& span,
                         const std::vector<Setting>& pinned = {});

/// The promise judged by its best way: at least so many samples, each sampled long enough.
PromiseFigure judgeAdc(PromiseFigure figure, const AdcKind& adc, const TakesAsk& ask, const Clock& clock,
                       const AdcClockSpan& span, const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: the converter's own clock between the fewest samples and the shortest
/// sampling, for every number of sampling cycles.
RateWindows adcRates(const AdcKind& adc, const TakesAsk& ask, const AdcClockSpan& span);

} // namespace wisetick
