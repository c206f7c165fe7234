#include "files/part_pieces.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

constexpr std::int64_t kMostPowers = 62;

std::vector<Rational> readFactorList(const toml::array& array, TableReader& reader, const std::string& key) {
    std::vector<Rational> values;
    for (const toml::node& element : array) {
        if (const auto value = readNodeFactor(element, reader.reporter(), reader.at(key))) {
            values.push_back(*value);
        }
    }
    if (array.empty()) {
        reader.error(key, phrase("an empty list"), phrase("at least one factor"));
    }
    return values;
}

FactorSet readPowers(TableReader& range) {
    const auto base = range.whole("powers_of", 2, 1000, Need::required);
    const auto from = range.whole("from", 0, kMostPowers, Need::required);
    const auto to = range.whole("to", 0, kMostPowers, Need::required);
    if (!base || !from || !to) {
        return {};
    }
    std::vector<Rational> values;
    Rational power = 1;
    for (std::int64_t exponent = 0; exponent <= *to; ++exponent) {
        if (exponent >= *from) {
            values.push_back(power);
        }
        power *= *base;
    }
    if (values.empty()) {
        range.error("to", phrase("an empty range"), phrase("'to' not below 'from'"));
        return {};
    }
    return FactorSet::list(values);
}

/// { mantissa, times_powers_of, exponent }: every product m × b^e.
FactorSet readProducts(TableReader& range) {
    const FactorSet mantissa = readWholeSet(range, "mantissa", Need::required, Zero::allowed);
    const FactorSet exponent = readWholeSet(range, "exponent", Need::required, Zero::allowed);
    const auto base = range.whole("times_powers_of", 2, 1000, Need::required);
    if (mantissa.empty() || exponent.empty() || !base || mantissa.count() * exponent.count() > 65536 ||
        exponent.most() > kMostPowers) {
        range.know("mantissa");
        return {};
    }
    std::vector<Rational> values;
    for (std::int64_t e = 0; e < exponent.count(); ++e) {
        Rational power = 1;
        for (Rational i; i < exponent.at(e); i += 1) {
            power *= *base;
        }
        for (std::int64_t m = 0; m < mantissa.count(); ++m) {
            if (const Rational value = mantissa.at(m) * power; value.sign() > 0) {
                values.push_back(value);
            }
        }
    }
    return FactorSet::list(std::move(values));
}

FactorSet readRange(TableReader& range, Zero zero) {
    if (range.has("powers_of")) {
        return readPowers(range);
    }
    if (range.has("mantissa")) {
        return readProducts(range);
    }
    if (zero == Zero::allowed && range.raw()["from"].value_exact<std::int64_t>() == 0) {
        range.know("from");
        const auto to = range.factor("to", Need::required);
        const auto by = range.factor("step");
        return to && (*to / by.value_or(Rational(1))).isWhole() ? FactorSet::range(0, *to, by.value_or(Rational(1)))
                                                                : FactorSet();
    }
    const auto from = range.factor("from", Need::required);
    const auto to = range.factor("to", Need::required);
    const auto bits = range.whole("fraction_bits", 1, 32);
    auto step = range.factor("step");
    if (!from || !to) {
        return {};
    }
    if (bits) {
        if (step) {
            range.error("step", phrase("both 'step' and 'fraction_bits'"), phrase("one of them"));
        }
        step = Rational(1, std::int64_t{1} << *bits);
    }
    const Rational by = step.value_or(Rational(1));
    if (*to < *from) {
        range.error("to", phrase("an empty range, {} to {}", printFactor(*from), printFactor(*to)),
                    phrase("'to' not below 'from'"));
        return {};
    }
    if (!((*to - *from) / by).isWhole()) {
        range.error("to", phrase("a range that its steps of {} do not end on", printFactor(by)),
                    phrase("'to' a whole number of steps from 'from'"));
        return {};
    }
    return FactorSet::range(*from, *to, by);
}

} // namespace

Duration readDuration(TableReader& reader, const std::string& key) {
    const toml::node* node = reader.node(key);
    if (node == nullptr) {
        return {};
    }
    if (const toml::table* table = node->as_table()) {
        TableReader inner(*table, reader.reporter(), reader.pathOf(key));
        Duration duration{inner.quantity("typ", Unit::second, Need::optional, Sign::notNegative),
                          inner.quantity("max", Unit::second, Need::optional, Sign::notNegative)};
        inner.text("ref");
        inner.finish();
        if (duration.typ && duration.max && *duration.max < *duration.typ) {
            inner.error("max", phrase("a longest time below the typical one"), phrase("max not below typ"));
        }
        return duration;
    }
    const auto both = readNodeQuantity(*node, reader.reporter(), reader.at(key), Unit::second, Sign::notNegative);
    return {both, both};
}

FactorSet readFactorSet(TableReader& reader, const std::string& key, Need need, Zero zero) {
    const toml::node* node = reader.node(key, need);
    if (node == nullptr) {
        return {};
    }
    if (const toml::array* array = node->as_array()) {
        const std::vector<Rational> values = readFactorList(*array, reader, key);
        return values.empty() ? FactorSet() : FactorSet::list(values);
    }
    if (const toml::table* table = node->as_table()) {
        TableReader range(*table, reader.reporter(), reader.pathOf(key));
        FactorSet set = readRange(range, zero);
        range.finish();
        return set;
    }
    const auto single = readNodeFactor(*node, reader.reporter(), reader.at(key));
    return single ? FactorSet::one(*single) : FactorSet();
}

FactorSet readWholeSet(TableReader& reader, const std::string& key, Need need, Zero zero) {
    const FactorSet set = readFactorSet(reader, key, need, zero);
    const bool isBad = !set.empty() && (!set.least().isWhole() || (set.isRange() && !set.step().isWhole()) ||
                                        set.most() > Rational(std::int64_t{1} << 48));
    if (isBad || (!set.isRange() && !set.empty() && set.size() > 4096)) {
        reader.error(key, phrase("values that are not whole or beyond 2^48"), phrase("whole numbers"));
        return {};
    }
    for (std::int64_t i = 0; !set.isRange() && i < *set.size().toInt64(); ++i) {
        if (!set.empty() && !set.at(i).isWhole()) {
            reader.error(key, printFactor(set.at(i)), phrase("whole numbers"));
            return {};
        }
    }
    return set;
}

FactorSet readPrescaler(TableReader& reader) {
    return reader.has("prescaler") ? readWholeSet(reader, "prescaler") : FactorSet::one(1);
}

} // namespace wisetick
