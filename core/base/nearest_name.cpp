#include "base/nearest_name.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Optimal string alignment distance.
std::size_t editDistance(std::string_view a, std::string_view b) {
    const std::size_t width = b.size() + 1;
    std::vector<std::size_t> cells((a.size() + 1) * width);
    const auto at = [&](std::size_t i, std::size_t j) -> std::size_t& { return cells[i * width + j]; };
    for (std::size_t i = 0; i <= a.size(); ++i) {
        for (std::size_t j = 0; j <= b.size(); ++j) {
            if (i == 0 || j == 0) {
                at(i, j) = i + j;
                continue;
            }
            const std::size_t replace = at(i - 1, j - 1) + (a[i - 1] == b[j - 1] ? 0U : 1U);
            at(i, j) = std::min({at(i - 1, j) + 1, at(i, j - 1) + 1, replace});
            if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1]) {
                at(i, j) = std::min(at(i, j), at(i - 2, j - 2) + 1);
            }
        }
    }
    return at(a.size(), b.size());
}

constexpr std::size_t kLongestTypo = 64; // longer words are no typos of an id; keeps the cost bounded

} // namespace

std::optional<std::string> nearestName(std::string_view typed, const std::vector<std::string>& known) {
    if (typed.empty() || typed.size() > kLongestTypo) {
        return std::nullopt;
    }
    std::optional<std::string> best;
    std::size_t bestDistance = 0;
    for (const std::string& name : known) {
        if (name.size() > kLongestTypo) {
            continue;
        }
        const std::size_t distance = editDistance(typed, name);
        const std::size_t allowed = std::max<std::size_t>(1, std::max(typed.size(), name.size()) / 3);
        if (distance <= allowed && distance < name.size() && (!best || distance < bestDistance)) {
            best = name;
            bestDistance = distance;
        }
    }
    return best;
}

Text didYouMean(std::string_view typed, const std::vector<std::string>& known) {
    const auto nearest = nearestName(typed, known);
    return nearest ? phrase("did you mean '{}'?", *nearest) : Text();
}

Text listNames(const std::vector<std::string>& names) {
    if (names.empty()) {
        return "nothing";
    }
    constexpr std::size_t kAllNamed = 24; // more than that is no help any more
    constexpr std::size_t kFirstNamed = 12;
    const bool isAll = names.size() <= kAllNamed;
    const std::size_t named = isAll ? names.size() : kFirstNamed;
    Text text;
    for (std::size_t i = 0; i < named; ++i) {
        if (i > 0) {
            text += i + 1 == names.size() ? phrase(" or ") : ", ";
        }
        text += "'" + names[i] + "'";
    }
    return isAll ? text : phrase("{} or one of {} more", text, std::to_string(names.size() - named));
}

} // namespace wisetick
