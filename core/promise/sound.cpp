#include "promise/sound.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

constexpr std::int64_t kChannels = 2; ///< left and right

/// The shortest frame that holds the bits of both channels and whose clock is a whole part of the master clock; nothing where the
/// part tells no frames, or none is long enough.
std::optional<Rational> frameFor(const SoundKind& sound, const PlaysAsk& ask, const std::vector<Setting>& pinned) {
    const Rational needed = ask.bits.value_or(Rational(0)) * kChannels;
    const Rational* held = pinnedValue(pinned, "frame");
    for (std::int64_t i = 0; i < sound.frame.size().toInt64().value_or(0); ++i) {
        const Rational& frame = sound.frame.at(i);
        if (frame >= needed && (Rational(sound.times) / frame).isWhole() && (held == nullptr || *held == frame)) {
            return frame;
        }
    }
    return std::nullopt;
}

bool lacksFrame(const SoundKind& sound, const PlaysAsk& ask, const std::vector<Setting>& pinned) {
    return ask.bits && !frameFor(sound, ask, pinned);
}

Way judgedWay(const SoundKind& sound, const Rational& divide, const PlaysAsk& ask, const Clock& clock,
              const std::vector<Setting>& pinned) {
    std::vector<Setting> settings{{"divide", divide}};
    if (const auto frame = frameFor(sound, ask, pinned)) {
        settings.push_back({"frame", *frame});
    }
    Way way = wayThatGives(std::move(settings), clock.hertz * (1 / (divide * sound.times)), ask.hertz);
    Judgement judgement = judgeTolerance(way.error, ask.tolerance, clock.unknown.empty());
    if (lacksFrame(sound, ask, pinned)) {
        judgement = {State::broken, std::nullopt};
    }
    return judgedAs(std::move(way), judgement);
}

bool isBetterSoundWay(const Way& a, const Way& b) {
    const int order = compareWays(a, b);
    return order != 0 ? order < 0 : settingOf(a, "divide") > settingOf(b, "divide");
}

} // namespace

std::vector<Way> soundWays(const SoundKind& sound, const PlaysAsk& ask, const Clock& clock, const std::vector<Setting>& pinned) {
    std::vector<Way> ways;
    if (const Rational* held = pinnedValue(pinned, "divide")) {
        if (sound.divide.contains(*held)) {
            ways.push_back(judgedWay(sound, *held, ask, clock, pinned));
        }
        return ways;
    }
    for (const Rational& divide : sound.divide.nearest(clock.hertz.nominal / (ask.hertz * sound.times))) {
        ways.push_back(judgedWay(sound, divide, ask, clock, pinned));
    }
    std::stable_sort(ways.begin(), ways.end(), isBetterSoundWay);
    return ways;
}

PromiseFigure judgeSound(PromiseFigure figure, const SoundKind& sound, const PlaysAsk& ask, const Clock& clock,
                         const std::vector<Setting>& pinned, Detail detail) {
    figure.unit = Unit::hertz;
    figure.asked = ask.hertz;
    figure.isWorstKnown = clock.unknown.empty();
    const std::vector<Way> ways = soundWays(sound, ask, clock, pinned);
    if (ways.empty()) {
        figure.state = State::broken;
        figure.why = phrase("the pinned way is not one that this port has");
        return figure;
    }
    takeWay(figure, ways.front());
    figure.why = lacksFrame(sound, ask, pinned)
                     ? phrase("no frame of this port holds 2 \u00d7 {}", printQuantity(*ask.bits, Unit::bit))
                     : toleranceWhy(figure, toleranceText(ask.tolerance), clock);
    if (detail == Detail::workings) {
        const Rational divide = settingOf(ways.front(), "divide");
        const Rational master = clock.hertz.nominal / divide;
        const std::string f = printQuantity(clock.hertz.nominal, Unit::hertz);
        figure.workings = {clockStep(clock, figure.subject.name), askedStep(figure)};
        figure.workings.push_back({phrase("master clock"),
                                   phrase("f \u00f7 divide"),
                                   f + " \u00f7 " + printFactor(divide),
                                   printQuantity(master, Unit::hertz),
                                   {clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
        if (const auto frame = frameFor(sound, ask, pinned)) {
            figure.workings.push_back({phrase("clock of bits"),
                                       phrase("master clock \u00f7 (master clocks a frame \u00f7 bits of a frame)"),
                                       printQuantity(master, Unit::hertz) + " \u00f7 (" + std::to_string(sound.times) +
                                           " \u00f7 " + printFactor(*frame) + ")",
                                       printQuantity(master * *frame / sound.times, Unit::hertz),
                                       {partOrigin(figure)}});
        }
        figure.workings.push_back({phrase("rate of frames"),
                                   phrase("f \u00f7 (master clocks a frame \u00d7 divide)"),
                                   f + " \u00f7 (" + std::to_string(sound.times) + " \u00d7 " + printFactor(divide) + ")",
                                   printQuantity(figure.got->nominal, Unit::hertz),
                                   {clockOrigin(clock, clock.hertz.nominal), partOrigin(figure)}});
        addErrorSteps(figure, clock);
    }
    return figure;
}

RateWindows soundRates(const SoundKind& sound, const PlaysAsk& ask) {
    return lacksFrame(sound, ask, {}) ? RateWindows::none()
                                      : RateWindows{{combOfRates(sound.divide, ask.hertz * sound.times, ask.tolerance)}, true};
}

} // namespace wisetick
