#include "bench/line_reading.h"

#include "base/text.h"
#include "bench/clocked_lines.h"
#include "bench/measure.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

LineRead readWords(const Capture& capture, const LineReading& reading, const Track& data, const Track& clock) {
    const Track* select = reading.select.empty() ? nullptr : capture.findTrack(reading.select);
    const ClockedForm form{reading.as == LineReading::As::risingWords, reading.bits, false, select};
    LineRead read;
    for (const ClockedWord& word : readClocked(capture, clock, data, form)) {
        if (!read.pieces.empty()) {
            read.pieces.back().to = word.tick;
        }
        std::string text = fmt::format("{:0{}x}", word.value, (form.bits + 3) / 4);
        text += word.bits < form.bits ? fmt::format("/{}", word.bits) : "";
        read.pieces.push_back({word.tick, capture.end, std::move(text)});
    }
    read.said = phrase("{} words of {} bits", read.pieces.size(), form.bits);
    return read;
}

LineRead readBytes(const Capture& capture, const Track& data, const Track& clock) {
    LineRead read;
    for (const TwoWireByte& byte : readTwoWire(capture, clock, data)) {
        if (!read.pieces.empty()) {
            read.pieces.back().to = byte.tick;
        }
        std::string text = byte.begins ? fmt::format("[{:02x} {}", byte.value >> 1U, (byte.value & 1U) != 0 ? "reads" : "writes")
                                       : fmt::format("{:02x}", byte.value);
        text += byte.isAcknowledged ? "" : "!";
        text += byte.ends ? "]" : "";
        read.pieces.push_back({byte.tick, capture.end, std::move(text)});
    }
    read.said = phrase("{} bytes; ! is not acknowledged", read.pieces.size());
    return read;
}

Text spanSaid(const MeasuredFigure& figure) {
    if (!figure.value) {
        return figure.why;
    }
    return phrase("{} to {}, {} times{}", printQuantity(figure.value->min, Unit::second),
                  printQuantity(figure.value->max, Unit::second), std::to_string(figure.count),
                  figure.why.empty() ? "" : "; " + figure.why);
}

LineRead readSpans(const Capture& capture, const Track& one, const Track& other) {
    LineRead read;
    read.spans = {{phrase("rising to rising"), spanSaid(measureDelay(capture, one, other, true))},
                  {phrase("falling to falling"), spanSaid(measureDelay(capture, one, other, false))},
                  {phrase("both low"), spanSaid(measureDeadTime(capture, one, other))}};
    read.said = phrase("both low for {}", read.spans.back().second);
    return read;
}

/// What stands before the last "_" of a name.
std::string stemOf(const std::string& name) {
    return name.substr(0, name.rfind('_'));
}

} // namespace

LineRead readLine(const Capture& capture, const LineReading& reading) {
    const Track* track = capture.findTrack(reading.track);
    const Track* with = capture.findTrack(reading.with);
    if (track == nullptr || with == nullptr) {
        LineRead nothing;
        nothing.said = phrase("no track '{}'", track == nullptr ? reading.track : reading.with);
        return nothing;
    }
    switch (reading.as) {
    case LineReading::As::twoWire: return readBytes(capture, *track, *with);
    case LineReading::As::deadTime: return readSpans(capture, *track, *with);
    default: return readWords(capture, reading, *track, *with);
    }
}

Text readingSaid(const LineReading& reading) {
    const Text select = reading.select.empty() ? "" : phrase(", selected by {}", reading.select);
    switch (reading.as) {
    case LineReading::As::risingWords: return phrase("words at the rise of {}{}", reading.with, select);
    case LineReading::As::fallingWords: return phrase("words at the fall of {}{}", reading.with, select);
    case LineReading::As::twoWire: return phrase("two-wire bytes with the clock {}", reading.with);
    default: return phrase("dead time and delay to {}", reading.with);
    }
}

std::vector<LineReading> lineReadings(const Capture& capture, const Track& track) {
    using As = LineReading::As;
    std::vector<const Track*> others;
    for (const Track& each : capture.tracks) {
        if (&each != &track) {
            others.push_back(&each);
        }
    }
    const std::string stem = stemOf(track.name);
    const auto isNear = [&](const Track* each) { return stem != track.name && stemOf(each->name) == stem; };
    std::stable_partition(others.begin(), others.end(), [&](const Track* each) { return isNear(each) || each->name == stem; });
    std::stable_partition(others.begin(), others.end(),
                          [&](const Track* each) { return each->name == stem && stem != track.name; });
    const auto select = std::find_if(others.begin(), others.end(), [&](const Track* each) {
        return isNear(each) && (each->name.ends_with("_select") || each->name.ends_with("_cs"));
    });
    std::vector<LineReading> readings;
    for (const Track* each : others) {
        const std::string chosen = select != others.end() && *select != each ? (*select)->name : std::string();
        readings.push_back({As::risingWords, track.name, each->name, chosen, 8});
        readings.push_back({As::fallingWords, track.name, each->name, chosen, 8});
        readings.push_back({As::twoWire, track.name, each->name, {}, 8});
        readings.push_back({As::deadTime, track.name, each->name, {}, 8});
    }
    return readings;
}

} // namespace wisetick
