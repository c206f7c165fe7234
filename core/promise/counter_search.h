#pragma once

#include "promise/promise_figure.h"
#include "quantity/factor_set.h"

#include <optional>
#include <vector>

namespace wisetick {

/// 2^62: larger products of prescaler and counts are not looked at.
Rational mostProduct();

/// prescaler × counts, the factor by which a counter divides its clock.
struct CounterSetting {
    Rational prescaler;
    Rational counts;
    Rational product() const { return prescaler * counts; }
    bool operator==(const CounterSetting&) const = default;
};

/// The values that a prescaler and a counter behind it can take; whole numbers.
struct CounterReach {
    FactorSet prescaler;
    FactorSet counts;
    Rational least() const { return prescaler.least() * counts.least(); }
    Rational most() const { return prescaler.most() * counts.most(); }
};

/// The settings whose product lies in [low, high] nearest to the target: the greatest at or below it and the
/// least at or above it. Of equal products the one with more counts. The target is first brought into
/// [low, high]. Cost: O(prescalers), ended early where both neighbours are met.
struct NearestSettings {
    std::optional<CounterSetting> below;
    std::optional<CounterSetting> above;
};
NearestSettings nearestSettings(const CounterReach& reach, const Rational& low, const Rational& target, const Rational& high);

/// The reach with `prescaler` and `counts` held to their pinned values; nothing if one of them is not in it.
std::optional<CounterReach> pinnedReach(CounterReach reach, const std::vector<Setting>& pinned);

/// For every prescaler the settings just below and above the target, clamped to the counter's ends; of these the `most` nearest
/// on either side of the target, nearest first, of equal products the one with more counts. Cost: O(prescalers).
std::vector<CounterSetting> settingsByPrescaler(const CounterReach& reach, const Rational& target, std::size_t most);

} // namespace wisetick
