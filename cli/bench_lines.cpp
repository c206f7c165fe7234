#include "bench_lines.h"

#include "base/nearest_name.h"
#include "bench/clocked_lines.h"
#include "bench/measure.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

namespace wisetick::cli {

namespace {

constexpr std::size_t kMostWords = 200;

std::string spanText(const MeasuredFigure& figure) {
    if (!figure.value) {
        return figure.why;
    }
    return printQuantity(figure.value->min, Unit::second) + " to " + printQuantity(figure.value->max, Unit::second) + ", " +
           std::to_string(figure.count) + " times" + (figure.why.empty() ? "" : "; " + figure.why);
}

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

std::string wordsText(const std::vector<ClockedWord>& words, int bits) {
    std::string text;
    for (std::size_t i = 0; i < std::min(words.size(), kMostWords); ++i) {
        text += fmt::format(" {:0{}x}", words[i].value, (bits + 3) / 4);
        text += words[i].bits < bits ? fmt::format("/{}", words[i].bits) : "";
    }
    return text + (words.size() > kMostWords ? " \u2026" : "");
}

std::string bytesText(const std::vector<TwoWireByte>& bytes) {
    std::string text;
    for (std::size_t i = 0; i < std::min(bytes.size(), kMostWords); ++i) {
        const TwoWireByte& byte = bytes[i];
        text += byte.begins ? fmt::format(" [{:02x} {}", byte.value >> 1U, (byte.value & 1U) != 0 ? "reads" : "writes")
                            : fmt::format(" {:02x}", byte.value);
        text += byte.isAcknowledged ? "" : "!";
        text += byte.ends ? "]" : "";
    }
    return text + (bytes.size() > kMostWords ? " \u2026" : "");
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
    if (between.size() == 2) {
        text += fmt::format("\nbetween {} and {}\n  rising to rising    {}\n  falling to falling  {}\n  both low            {}\n",
                            between[0]->name, between[1]->name, spanText(measureDelay(capture, *between[0], *between[1], true)),
                            spanText(measureDelay(capture, *between[0], *between[1], false)),
                            spanText(measureDeadTime(capture, *between[0], *between[1])));
    }
    if (words.size() >= 2) {
        const ClockedForm form{!wishes.fallsClock, wishes.wordBits, false, words.size() > 2 ? words[2] : nullptr};
        const auto read = readClocked(capture, *words[0], *words[1], form);
        text +=
            fmt::format("\n{} words of {} bits on {}:{}\n", read.size(), form.bits, words[1]->name, wordsText(read, form.bits));
    }
    if (twoWire.size() == 2) {
        const auto read = readTwoWire(capture, *twoWire[0], *twoWire[1]);
        text += fmt::format("\n{} bytes on {}; ! is not acknowledged:{}\n", read.size(), twoWire[1]->name, bytesText(read));
    }
    return {};
}

} // namespace wisetick::cli
