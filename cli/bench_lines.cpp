#include "bench_lines.h"

#include "base/nearest_name.h"
#include "bench/line_reading.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick::cli {

namespace {

constexpr std::size_t kMostWords = 200;

/// The tracks of a wish, or what is wrong with it.
std::string tracksOf(const Capture& capture, const std::vector<std::string>& names, std::vector<const Track*>& tracks) {
    for (const std::string& name : names) {
        const Track* track = capture.findTrack(name);
        if (track == nullptr) {
            std::vector<std::string> known;
            for (const Track& each : capture.tracks) {
                known.push_back(each.name);
            }
            const std::string mend = didYouMean(name, known);
            return "no track '" + name + "'; " + (mend.empty() ? "there are " + listNames(known) : mend);
        }
        tracks.push_back(track);
    }
    return {};
}

std::string piecesText(const LineRead& read) {
    std::string text;
    for (std::size_t i = 0; i < std::min(read.pieces.size(), kMostWords); ++i) {
        text += " " + read.pieces[i].text;
    }
    return text + (read.pieces.size() > kMostWords ? " \u2026" : "");
}

} // namespace

std::string linesText(const Capture& capture, const LineWishes& wishes, std::string& text) {
    std::vector<const Track*> between;
    std::vector<const Track*> words;
    std::vector<const Track*> twoWire;
    for (const auto& [names, tracks] :
         {std::pair(&wishes.between, &between), {&wishes.words, &words}, {&wishes.twoWire, &twoWire}}) {
        if (const std::string why = tracksOf(capture, *names, *tracks); !why.empty()) {
            return why;
        }
    }
    using As = LineReading::As;
    if (between.size() == 2) {
        text += fmt::format("\nbetween {} and {}\n", between[0]->name, between[1]->name);
        for (const auto& [what, span] : readLine(capture, {As::deadTime, between[0]->name, between[1]->name, {}, 8}).spans) {
            text += fmt::format("  {:<20}{}\n", what, span);
        }
    }
    const auto add = [&](const LineReading& reading) {
        const LineRead read = readLine(capture, reading);
        const std::size_t split = std::min(read.said.find(';'), read.said.size());
        text += fmt::format("\n{} on {}{}:{}\n", read.said.substr(0, split), reading.track, read.said.substr(split),
                            piecesText(read));
    };
    if (words.size() >= 2) {
        add({wishes.fallsClock ? As::fallingWords : As::risingWords, words[1]->name, words[0]->name,
             words.size() > 2 ? words[2]->name : std::string(), wishes.wordBits});
    }
    if (twoWire.size() == 2) {
        add({As::twoWire, twoWire[1]->name, twoWire[0]->name, {}, 8});
    }
    return {};
}

} // namespace wisetick::cli
