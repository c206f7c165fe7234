#include "seek/score.h"

#include <algorithm>
#include <array>
#include <functional>
#include <utility>

namespace wisetick {

namespace {

constexpr std::array<std::pair<Preference, const char*>, 5> kNames{{{Preference::changes, "changes"},
                                                                    {Preference::current, "current"},
                                                                    {Preference::core, "core"},
                                                                    {Preference::oscillator, "oscillator"},
                                                                    {Preference::wakeUp, "wake-up"}}};

/// Two lists that descend, as one that descends.
void mergeInto(Amounts& list, const Amounts& other) {
    if (other.empty()) {
        return;
    }
    const auto middle = static_cast<std::ptrdiff_t>(list.size());
    list.insert(list.end(), other.begin(), other.end());
    std::inplace_merge(list.begin(), list.begin() + middle, list.end(),
                       [](const Rational& a, const Rational& b) { return a > b; });
}

/// From the greatest on; what is missing counts as 0.
std::strong_ordering compareLists(const Amounts& a, const Amounts& b) {
    for (std::size_t i = 0; i < std::min(a.size(), b.size()); ++i) {
        if (const auto order = a[i] <=> b[i]; order != std::strong_ordering::equal) {
            return order;
        }
    }
    return a.size() <=> b.size();
}

std::strong_ordering compareExtremes(const Amounts& a, const Amounts& b) {
    static const Rational kNoScore;
    for (std::size_t i = 0; i < std::max(a.size(), b.size()); ++i) {
        const auto order = (i < a.size() ? a[i] : kNoScore) <=> (i < b.size() ? b[i] : kNoScore);
        if (order != std::strong_ordering::equal) {
            return order;
        }
    }
    return std::strong_ordering::equal;
}

} // namespace

std::string preferenceName(Preference preference) {
    const auto found = std::find_if(kNames.begin(), kNames.end(), [&](const auto& each) { return each.first == preference; });
    return found->second;
}

std::optional<Preference> readPreference(std::string_view name) {
    const auto found = std::find_if(kNames.begin(), kNames.end(), [&](const auto& each) { return each.second == name; });
    return found == kNames.end() ? std::nullopt : std::optional(found->first);
}

std::vector<std::string> preferenceNames() {
    std::vector<std::string> names;
    for (const auto& [preference, name] : kNames) {
        names.emplace_back(name);
    }
    return names;
}

void Score::addTo(Amounts& list, const Rational& amount) {
    if (!amount.isZero()) {
        list.insert(std::upper_bound(list.begin(), list.end(), amount, std::greater<>()), amount);
    }
}

Score& Score::operator+=(const Score& other) {
    broken += other.broken;
    strained += other.strained;
    mergeInto(strays, other.strays);
    if (extremes.size() < other.extremes.size()) {
        extremes.resize(other.extremes.size());
    }
    for (std::size_t i = 0; i < other.extremes.size(); ++i) {
        extremes[i] += other.extremes[i];
    }
    mergeInto(ratios, other.ratios);
    changes += other.changes;
    picoampere += other.picoampere;
    core += other.core;
    mergeInto(oscillators, other.oscillators);
    wakeUp += other.wakeUp;
    return *this;
}

std::strong_ordering compareKeeping(const Score& a, const Score& b) {
    if (a.broken != b.broken) {
        return a.broken <=> b.broken;
    }
    if (a.strained != b.strained) {
        return a.strained <=> b.strained;
    }
    if (const auto order = compareLists(a.strays, b.strays); order != std::strong_ordering::equal) {
        return order;
    }
    if (const auto order = compareExtremes(a.extremes, b.extremes); order != std::strong_ordering::equal) {
        return order;
    }
    return compareLists(a.ratios, b.ratios);
}

std::strong_ordering compareScores(const Score& a, const Score& b, const std::vector<Preference>& prefers) {
    if (const auto order = compareKeeping(a, b); order != std::strong_ordering::equal) {
        return order;
    }
    for (const Preference preference : prefers) {
        std::strong_ordering order = std::strong_ordering::equal;
        switch (preference) {
        case Preference::changes: order = a.changes <=> b.changes; break;
        case Preference::current: order = a.picoampere <=> b.picoampere; break;
        case Preference::core: order = a.core <=> b.core; break;
        case Preference::oscillator: order = compareLists(a.oscillators, b.oscillators); break;
        case Preference::wakeUp: order = a.wakeUp <=> b.wakeUp; break;
        }
        if (order != std::strong_ordering::equal) {
            return order;
        }
    }
    return std::strong_ordering::equal;
}

} // namespace wisetick
