#include "seek/rate_spans.h"
#include "seek/policy.h"

#include <algorithm>
#include <cstdint>
#include <numeric>

namespace wisetick {

namespace {

/// Whether the span ends before the rate begins.
bool isBelow(const RateSpan& span, const Rational& hertz) {
    return span.high && *span.high < hertz;
}

void halve(RateSpans& spans) {
    std::size_t count = 0;
    for (std::size_t i = 0; i < spans.size(); i += 2) {
        spans[count++] = {spans[i].low, spans[std::min(i + 1, spans.size() - 1)].high};
    }
    spans.resize(count);
}

} // namespace

RateSpans allRates() {
    return {{Rational(0), std::nullopt}};
}

std::size_t firstSpanFrom(const RateSpans& spans, const Rational& hertz) {
    const auto found =
        std::partition_point(spans.begin(), spans.end(), [&](const RateSpan& span) { return isBelow(span, hertz); });
    return static_cast<std::size_t>(found - spans.begin());
}

bool spansContain(const RateSpans& spans, const Rational& hertz) {
    const std::size_t at = firstSpanFrom(spans, hertz);
    return at < spans.size() && spans[at].low <= hertz;
}

RateSpans intersect(const RateSpans& a, const RateSpans& b) {
    RateSpans both;
    if (a.size() > policy::kMuchLonger * b.size()) {
        return intersect(b, a);
    }
    if (b.size() > policy::kMuchLonger * a.size()) { // each of the few is looked up among the many
        for (const RateSpan& span : a) {
            for (std::size_t i = firstSpanFrom(b, span.low); i < b.size() && (!span.high || b[i].low <= *span.high); ++i) {
                const bool isShorter = span.high && (!b[i].high || *span.high <= *b[i].high);
                both.push_back({std::max(span.low, b[i].low), isShorter ? span.high : b[i].high});
            }
        }
        return both;
    }
    both.reserve(std::max(a.size(), b.size()));
    for (std::size_t i = 0, j = 0; i < a.size() && j < b.size();) {
        const Rational& low = std::max(a[i].low, b[j].low);
        const bool isFirstShorter = a[i].high && (!b[j].high || *a[i].high <= *b[j].high);
        const std::optional<Rational>& high = isFirstShorter ? a[i].high : b[j].high;
        if (!high || low <= *high) {
            both.push_back({low, high});
        }
        ++(isFirstShorter ? i : j);
    }
    return both;
}

RateSpans united(RateSpans&& spans, std::size_t most) {
    std::vector<std::uint32_t> order(spans.size()); // spans are heavier to move than their places
    std::iota(order.begin(), order.end(), 0U);
    std::sort(order.begin(), order.end(), [&](std::uint32_t a, std::uint32_t b) { return spans[a].low < spans[b].low; });
    RateSpans joined;
    joined.reserve(spans.size());
    for (const std::uint32_t i : order) {
        if (joined.empty() || isBelow(joined.back(), spans[i].low)) {
            joined.push_back(std::move(spans[i]));
        } else if (auto& last = joined.back().high; last && (!spans[i].high || *spans[i].high > *last)) {
            last = std::move(spans[i].high);
        }
    }
    while (joined.size() > most) {
        halve(joined);
    }
    return joined;
}

void appendScaled(RateSpans& spans, const RateSpans& others, const Rational& factor, const RateSpans& within) {
    if (within.empty()) {
        return;
    }
    const Rational first = within.front().low / factor;
    const auto& last = within.back().high;
    const std::optional<Rational> end = last ? std::optional(*last / factor) : std::nullopt;
    for (std::size_t i = firstSpanFrom(others, first); i < others.size() && (!end || others[i].low <= *end); ++i) {
        spans.push_back({others[i].low * factor, others[i].high ? std::optional(*others[i].high * factor) : std::nullopt});
    }
}

} // namespace wisetick
