#include "seek/question.h"

#include "base/text.h"
#include "base/trimmed.h"
#include "quantity/quantity_read.h"
#include "quantity/span_read.h"

#include <algorithm>

namespace wisetick {

namespace {

tl::expected<Rational, TextError> rateAt(std::string_view text, std::string_view whole) {
    const std::string_view word = trimmed(text);
    const auto position = static_cast<std::size_t>(word.data() - whole.data());
    auto rate = readQuantity(word, Unit::hertz);
    if (!rate) {
        rate.error().position += position;
    } else if (rate->sign() <= 0) {
        return tl::unexpected(TextError{position, word.size(), "'" + std::string(word) + "'", phrase("a rate above 0"), {}});
    }
    return rate;
}

} // namespace

const std::vector<Rational>& stockCrystals() {
    static const std::vector<Rational> rates = [] {
        std::vector<Rational> list;
        for (const std::int64_t hertz :
             {1000000,  1843200,  2000000,  2457600,  3276800,  3579545,  3686400,  4000000,  4194304,  4433619,
              4915200,  5000000,  6000000,  6144000,  7372800,  8000000,  8192000,  9216000,  9830400,  10000000,
              11059200, 11289600, 12000000, 12288000, 13000000, 13560000, 14318180, 14745600, 16000000, 16384000,
              18432000, 19200000, 19660800, 20000000, 22118400, 22579200, 24000000, 24576000, 25000000, 26000000,
              27000000, 27120000, 28636360, 29491200, 30000000, 32000000, 32768000, 33333000, 36000000, 36864000,
              37400000, 38400000, 40000000, 44000000, 48000000, 49152000, 50000000, 52000000, 54000000, 60000000}) {
            list.emplace_back(hertz);
        }
        return list;
    }();
    return rates;
}

std::vector<Rational> stockRatesFor(const Source& source) {
    std::vector<Rational> rates;
    for (const Rational& rate : stockCrystals()) {
        if ((!source.rangeMin || rate >= *source.rangeMin) && (!source.rangeMax || rate <= *source.rangeMax)) {
            rates.push_back(rate);
        }
    }
    return rates;
}

tl::expected<std::vector<Rational>, TextError> readCrystalRates(std::string_view text, const Source& source) {
    if (trimmed(text) == "stock") {
        return stockRatesFor(source);
    }
    if (text.find(" to ") != std::string_view::npos) {
        const auto span = readSpan(text, Unit::hertz);
        if (!span) {
            return tl::unexpected(span.error());
        }
        const auto [low, high] = *span;
        if (low.sign() <= 0 || high.sign() <= 0) {
            return tl::unexpected(TextError{0, text.size(), "'" + std::string(text) + "'", phrase("rates above 0"), {}});
        }
        std::vector<Rational> rates{low, high};
        for (const Rational& rate : stockCrystals()) {
            if (rate > low && rate < high) {
                rates.push_back(rate);
            }
        }
        std::sort(rates.begin(), rates.end());
        rates.erase(std::unique(rates.begin(), rates.end()), rates.end());
        return rates;
    }
    std::vector<Rational> rates;
    std::size_t start = 0;
    while (start <= text.size()) {
        const std::size_t end = std::min(text.find(',', start), text.size());
        const auto rate = rateAt(text.substr(start, end - start), text);
        if (!rate) {
            return tl::unexpected(rate.error());
        }
        rates.push_back(*rate);
        start = end + 1;
    }
    std::sort(rates.begin(), rates.end());
    rates.erase(std::unique(rates.begin(), rates.end()), rates.end());
    return rates;
}

} // namespace wisetick
