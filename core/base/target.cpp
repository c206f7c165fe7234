#include "base/target.h"

#include <algorithm>
#include <array>

namespace wisetick {

namespace {

constexpr std::array<std::string_view, 14> kRooms{"",       "line", "peripheral", "promise", "mode",  "job",  "take",
                                                  "rhythm", "part", "plan",       "way",     "fails", "step", "seek"};

} // namespace

std::string targetText(const Target& target) {
    std::string text(kRooms.at(static_cast<std::size_t>(target.room)));
    return target.name.empty() ? text : text + "/" + target.name;
}

std::optional<Target> readTarget(std::string_view text) {
    const std::size_t slash = std::min(text.find('/'), text.size());
    const auto room = std::find(kRooms.begin(), kRooms.end(), text.substr(0, slash));
    if (room == kRooms.end() || (room == kRooms.begin() && !text.empty())) {
        return std::nullopt;
    }
    const std::string_view name = slash < text.size() ? text.substr(slash + 1) : std::string_view();
    return Target{static_cast<Target::Room>(room - kRooms.begin()), std::string(name)};
}

} // namespace wisetick
