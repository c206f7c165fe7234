#pragma once

#include "promise/rate_windows.h"

#include <cstddef>
#include <vector>

namespace wisetick {

/// Where a rate may stand, Hz: intervals that ascend and do not touch, ends included; only the last may have no upper end. A
/// search works with supersets of them: what lies outside is out for certain.
using RateSpans = std::vector<RateSpan>;

/// Any rate from 0 on.
RateSpans allRates();

bool spansContain(const RateSpans& spans, const Rational& hertz);

/// The index of the first span that ends at or above `hertz`; the size where none does.
std::size_t firstSpanFrom(const RateSpans& spans, const Rational& hertz);

RateSpans intersect(const RateSpans& a, const RateSpans& b);

/// Sorted and joined; where there are more than `most`, neighbours are joined over their gaps until there are not.
RateSpans united(RateSpans&& spans, std::size_t most);

/// Every span times a factor > 0, as far as it meets the hull of `within`.
void appendScaled(RateSpans& spans, const RateSpans& others, const Rational& factor, const RateSpans& within);

} // namespace wisetick
