#include "promise/adc.h"
#include "promise/can.h"
#include "promise/i2c.h"
#include "promise/spi.h"
#include "promise/uart.h"
#include "world.h"

#include <cmath>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// The levels of one frame: start, data from the lowest bit on, parity, stop.
std::vector<bool> frameBits(const UartFrame& frame, unsigned data) {
    std::vector<bool> bits{false};
    int ones = 0;
    for (int bit = 0; bit < frame.dataBits; ++bit) {
        bits.push_back(((data >> bit) & 1) != 0);
        ones += bits.back() ? 1 : 0;
    }
    if (frame.parity != 'N') {
        bits.push_back((ones % 2 == 1) == (frame.parity == 'E'));
    }
    bits.push_back(true);
    return bits;
}

/// The time of the n-th tick of a receiver whose divisor has a fraction: an edge of its clock, the one at or after n × divisor.
Rational tickAt(std::int64_t number, const Rational& divisor, const Rational& hertz) {
    return (divisor * number).ceil() / hertz;
}

/// Whether a receiver reads a frame whose start bit begins at `begins`, s, after the tick numbered `from`, sent with bits of
/// `bit` s; the line is `after` the frame what is told: idle, or the start bit of the next frame.
bool reads(const UartFrame& frame, unsigned data, const Rational& bit, const Rational& begins, std::int64_t oversample,
           const Rational& divisor, const Rational& hertz, std::int64_t from = 0, bool after = true) {
    const std::vector<bool> bits = frameBits(frame, data);
    // the first tick that sees the line low
    std::int64_t tick = from;
    while (tickAt(tick, divisor, hertz) < begins) {
        ++tick;
    }
    for (std::size_t i = 0; i < bits.size(); ++i) {
        const std::int64_t middle = tick + static_cast<std::int64_t>(i) * oversample + oversample / 2;
        const Rational when = tickAt(middle, divisor, hertz) - begins;
        const auto at = (when / bit).floor().toInt64().value_or(-1);
        const bool isAfter = at >= static_cast<std::int64_t>(bits.size());
        const bool level = at < 0 || (isAfter ? after : bits[static_cast<std::size_t>(at)]);
        if (level != bits[i]) {
            return false;
        }
    }
    return true;
}

/// How far both ends may be off so that they share what the receiver stands: half a bit at the last sample, less a tick where it
/// is late, and less one of the clock's where an uneven divisor moves the ticks by that.
Rational shareOf(const UartFrame& frame, std::int64_t oversample, const Rational& divisor) {
    const Rational samples = static_cast<std::int64_t>(frameBits(frame, 0).size()) - Rational(1, 2); // bits to the last one
    const Rational tick(1, oversample);
    const Rational uneven = divisor.isWhole() || (divisor * oversample).isWhole() ? Rational(0) : tick / divisor;
    const Rational window = (Rational(1, 2) - tick) / (samples + tick) - uneven / samples;
    return window / (2 + window);
}

/// Whether a receiver at `hertz` can be led to misread: a partner off by `share` to the other side, any place of the edge among
/// the ticks of sixteen that an uneven divisor makes, frames on each other's heels.
bool canMisread(const UartFrame& frame, const Rational& share, const Rational& rate, std::int64_t oversample,
                const Rational& divisor, const Rational& hertz) {
    for (const Rational& off : {-share, share}) {
        const Rational bit = 1 / (rate * (1 + off));
        for (std::int64_t tick = 7; tick < 23; ++tick) {
            const Rational last = tickAt(tick, divisor, hertz);
            const Rational next = tickAt(tick + 1, divisor, hertz);
            for (const Rational& begins : {last, last + (next - last) / 1000}) {
                for (const unsigned data : {0x00U, 0x55U, 0xAAU, 0x7FU, 0xFFU}) {
                    if (!reads(frame, data, bit, begins, oversample, divisor, hertz, tick, false)) {
                        return true;
                    }
                }
            }
        }
    }
    return false;
}

} // namespace

/// Ports and buses on boards drawn at random.
class CoreWorldBuses : public QObject {
    Q_OBJECT

private slots:
    /// Bytes sent by a partner that is off by its fair share, to either side, at every phase of the receiver's ticks.
    void receiversReadFrames() {
        Random random;
        int kept = 0;
        int strained = 0;
        for (int i = 0; i < worldCount(600); ++i) {
            UartKind uart;
            const std::int64_t oversample = random.pick(std::vector<std::int64_t>{8, 16});
            uart.modes = {{oversample, random.coin() ? FactorSet::range(1, 4096) : FactorSet::range(1, 4096, Rational(1, 16))}};
            TalksAsk ask;
            ask.bitsPerSecond = random.pick(std::vector<std::int64_t>{9600, 57600, 115200, 250000});
            ask.frame.dataBits = static_cast<int>(random.whole(7, 8));
            ask.frame.parity = random.pick(std::vector<char>{'N', 'E', 'O'});
            const Clock clock = drawnClock(random, Rational(random.whole(500000, 16000000)), random.coin() ? 25000 : 45000);
            const PromiseFigure figure = judgeUart({}, uart, ask, clock, {}, Detail::result);
            if (figure.settings.empty() || figure.state == State::broken) {
                continue;
            }
            const Rational divisor = *pinnedValue(figure.settings, "divisor");
            const Rational fair = shareOf(ask.frame, oversample, divisor);
            const Rational share = fair * Rational(999, 1000);
            kept += figure.state == State::kept ? 1 : 0;
            bool isRead = true;
            for (int board = 0; board < 20 && isRead; ++board) {
                const Rational hertz =
                    board == 0 ? clock.hertz.min : (board == 1 ? clock.hertz.max : drawnRate(random, clock.hertz));
                for (const Rational& off : {-share, share}) {
                    const Rational bit = 1 / (ask.bitsPerSecond * (1 + off));
                    const unsigned data = static_cast<unsigned>(random.whole(0, 255));
                    // a bit's edge anywhere between two ticks, the worst places among them
                    for (const std::int64_t part : {std::int64_t{0}, std::int64_t{1}, random.whole(2, 997), std::int64_t{999}}) {
                        const Rational begins = divisor / hertz * Rational(part, 1000) + tickAt(7, divisor, hertz);
                        isRead = isRead && reads(ask.frame, data, bit, begins, oversample, divisor, hertz) &&
                                 reads(ask.frame, 0x55, bit, begins, oversample, divisor, hertz) &&
                                 reads(ask.frame, 0xAA, bit, begins, oversample, divisor, hertz);
                    }
                }
            }
            const std::string asked = std::to_string(oversample) + " × " + divisor.toString() + " at " +
                                      ask.bitsPerSecond.toString() + " from " + clock.hertz.nominal.toString();
            QVERIFY2(isRead || figure.state != State::kept, ("kept and misread: " + asked).c_str());
            // the window's two sides differ by a tick, its share is that of the smaller: one of both ends must be led astray.
            // (What an uneven divisor moves the ticks by is less than the whole tick of the clock that is taken for it.)
            const Rational perBit = ask.bitsPerSecond * oversample * divisor;
            const Rational off = std::min(clock.hertz.max / perBit - 1, 1 - clock.hertz.min / perBit);
            const bool isFar = divisor.isWhole() && off > fair * Rational(102, 100); // edges are tried to a thousandth of a tick
            if (figure.state == State::strained && isFar) {
                ++strained;
                QVERIFY2(canMisread(ask.frame, fair, ask.bitsPerSecond, oversample, divisor, clock.hertz.min) ||
                             canMisread(ask.frame, fair, ask.bitsPerSecond, oversample, divisor, clock.hertz.max),
                         ("strained (" + figure.why + ") and read by all: " + asked).c_str());
            }
        }
        QVERIFY2(kept > 60 && strained > 10, (std::to_string(kept) + " " + std::to_string(strained)).c_str());
    }

    /// Data come `valid` after the edge that lets them out, there and back along the trace, and go `held` after the next such
    /// edge; the port looks half a clock later, or as its shift says. Of an odd divider either half may be the longer one.
    void portsSampleData() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            SpiKind spi;
            spi.divide = FactorSet::range(1, 16);
            spi.shift = random.coin() ? FactorSet::list({Rational(1, 2)}) : FactorSet();
            spi.setup = Rational(random.whole(0, 4), 1000000000);
            spi.hold = Rational(random.whole(0, 3), 1000000000);
            const Clock clock = drawnClock(random, 200000000, 20000);
            ClocksAsk ask;
            ask.hertz = Rational(random.whole(10, 120)) * 1000000;
            ask.valid = Rational(random.whole(1, 25), 1000000000);
            ask.held = Rational(random.whole(0, 5), 1000000000);
            ask.trace = random.coin() ? std::optional(Rational(random.whole(10, 300), 1000)) : std::nullopt;
            const PromiseFigure figure = judgeSpi({}, spi, ask, clock, {}, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const std::int64_t divide = held(figure, "divide");
            const Rational* shift = pinnedValue(figure.settings, "shift");
            const Rational along = ask.trace.value_or(Rational(0)) * Rational(14, 1000000000);
            const std::string wrong = verdicts.look(
                figure, "clocks at most " + ask.hertz.toString() + ", valid after " + ask.valid->toString(), clock.hertz, random,
                10, [&](const Rational& hertz) {
                    const Rational period = divide / hertz;
                    if (1 / period > ask.hertz) {
                        return false;
                    }
                    // the half between letting out and sampling: cycles of the port's clock, rounded up or down
                    for (const std::int64_t cycles : {divide / 2, divide - divide / 2}) {
                        const Rational half = divide == 1 ? period / 2 : cycles / hertz;
                        const Rational looks = half + (shift == nullptr ? Rational(0) : *shift) * period;
                        if (looks < *ask.valid + along + *spi.setup || period + *ask.held + along < looks + *spi.hold) {
                            return false;
                        }
                    }
                    return true;
                });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 100, std::to_string(verdicts.kept()).c_str()); // a slower clock keeps most
    }

    /// Low and high phases counted, and edges of any length up to what is told.
    void busesClock() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            I2cKind bus;
            bus.prescaler = FactorSet::range(1, 16);
            bus.low = FactorSet::range(1, 256);
            bus.high = FactorSet::range(1, 256);
            bus.fixedLow = random.whole(0, 4);
            bus.fixedHigh = random.whole(0, 4);
            const Clock clock = drawnClock(random, Rational(random.whole(4, 80)) * 1000000, 20000);
            BusAsk ask;
            ask.hertz = random.pick(std::vector<std::int64_t>{50000, 100000, 400000, 1000000});
            const Rational longest = ask.hertz <= 100000 ? Rational(1, 1000000) : Rational(120, 1000000000);
            ask.rise = longest * Rational(random.whole(1, 100), 100);
            ask.fall = Rational(random.whole(5, 120), 1000000000);
            const PromiseFigure figure = judgeI2c({}, bus, ask, clock, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const bool isStandard = ask.hertz <= 100000;
            const bool isFast = !isStandard && ask.hertz <= 400000;
            const Rational nano(1, 1000000000);
            const Rational leastLow = nano * (isStandard ? 4700 : (isFast ? 1300 : 500));
            const Rational leastHigh = nano * (isStandard ? 4000 : (isFast ? 600 : 260));
            const std::string wrong =
                verdicts.look(figure, "talks " + ask.hertz.toString() + " with " + ask.rise->toString() + " rise", clock.hertz,
                              random, 10, [&](const Rational& hertz) {
                                  const Rational low = (held(figure, "prescaler") * held(figure, "low") + bus.fixedLow) / hertz;
                                  const Rational high =
                                      (held(figure, "prescaler") * held(figure, "high") + bus.fixedHigh) / hertz;
                                  bool isGood = low >= leastLow && high >= leastHigh;
                                  for (const Rational& part : {Rational(0), Rational(1), Rational(random.whole(0, 100), 100)}) {
                                      const Rational rate = 1 / (low + high + (*ask.rise + *ask.fall) * part);
                                      isGood = isGood && rate <= ask.hertz && rate >= ask.hertz / 2;
                                  }
                                  return isGood;
                              });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 60, (std::to_string(verdicts.kept()) + " " + std::to_string(verdicts.strained())).c_str());
    }

    /// A capacitor that is charged through two resistors until it is right within a quarter of the least bit, then cycles.
    void convertersTake() {
        Random random;
        Verdicts verdicts;
        for (int i = 0; i < worldCount(500); ++i) {
            AdcKind adc;
            adc.divide = FactorSet::list({1, 2, 4, 8, 16});
            adc.sample = FactorSet::list({2, 4, 8, 16, 32, 64, 128});
            adc.conversion = {{12, Rational(12)}, {8, Rational(8)}};
            adc.resistance = Rational(1000);
            adc.capacitance = Rational(8, 1000000000000);
            adc.channels = 4;
            const Clock clock = drawnClock(random, Rational(random.whole(8, 64)) * 1000000, 20000);
            const AdcClockSpan span{Rational(1000000), Rational(16000000), Rational(1, 1000)};
            TakesAsk ask;
            ask.samplesPerSecond = random.whole(1000, 400000);
            ask.bits = random.coin() ? Rational(12) : Rational(8);
            ask.ohm = random.whole(0, 50000);
            ask.channels = random.whole(1, 4);
            const PromiseFigure figure = judgeAdc({}, adc, ask, clock, span, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const std::string wrong = verdicts.look(
                figure, "takes " + ask.samplesPerSecond.toString(), clock.hertz, random, 10, [&](const Rational& hertz) {
                    const Rational converter = hertz / held(figure, "divide");
                    // to the parts of the slack that a limit leaves
                    if (converter < Rational(999000) || converter > Rational(16016000)) {
                        return false;
                    }
                    const double charging = (held(figure, "sample") / converter).toDouble();
                    const double left = std::exp(-charging / ((ask.ohm->toDouble() + 1000) * 8e-12));
                    std::int64_t cycles = 0;
                    for (std::int64_t channel = 0; channel < *ask.channels->toInt64(); ++channel) {
                        cycles += held(figure, "sample") + (*ask.bits == 12 ? 12 : 8);
                    }
                    const double quarter = std::pow(2.0, -(ask.bits->toDouble() + 2));
                    return left <= quarter * (1 + 1e-9) && converter / cycles >= ask.samplesPerSecond;
                });
            QVERIFY2(wrong.empty(), wrong.c_str());
        }
        QVERIFY2(verdicts.kept() > 60 && verdicts.strained() > 0, std::to_string(verdicts.strained()).c_str());
    }

    /// A node that follows another one by the edges that it sees: bits with at most five alike, then a stuffed one; each edge to
    /// dominant moves its place by up to the jump width. Both are off by what each may be, to opposite sides.
    void nodesHearOneAnother() {
        Random random;
        int kept = 0;
        int strained = 0;
        for (int i = 0; i < worldCount(250); ++i) {
            CanKind can;
            can.nominal = {FactorSet::range(1, 64), FactorSet::range(1, 16), FactorSet::range(1, 8), FactorSet::range(1, 4)};
            can.nodeDelay = Rational(random.whole(50, 250), 1000000000);
            const Clock clock = drawnClock(random, Rational(random.whole(8, 80)) * 1000000, random.coin() ? 3000 : 20000);
            CanAsk ask;
            ask.bitsPerSecond = random.pick(std::vector<std::int64_t>{125000, 250000, 500000, 1000000});
            ask.cable = random.whole(1, 40);
            const PromiseFigure figure = judgeCan({}, can, ask, clock, {}, Detail::result);
            if (figure.settings.empty() || figure.state == State::broken) {
                continue;
            }
            const CanTiming timing = canTimingOf(can, ask, clock, figure.settings);
            const Rational allowed = canTolerance(timing);
            if (figure.state == State::strained) {
                // before and after a sample there is not the same room, and the lesser counts: both ends must be off by more, and
                // by more than the one quantum of 13 bits that the standard's own words round away
                const Rational perBit = ask.bitsPerSecond * timing.nominal.prescaler * timing.nominal.quanta();
                if (std::min(clock.hertz.max / perBit - 1, 1 - clock.hertz.min / perBit) < allowed * Rational(112, 100)) {
                    continue;
                }
                ++strained;
                const std::string wrong = staysTogether(timing, clock.hertz, ask.bitsPerSecond, allowed);
                QVERIFY2(wrong.empty(), (wrong + " (" + figure.why + ")").c_str());
                continue;
            }
            ++kept;
            for (int board = 0; board < 20; ++board) {
                const Rational mine =
                    board == 0 ? clock.hertz.min : (board == 1 ? clock.hertz.max : drawnRate(random, clock.hertz));
                const Rational other = ask.bitsPerSecond * (1 + allowed * (mine < clock.hertz.nominal ? 1 : -1));
                const std::string wrong = follow(random, timing, mine, 1 / other);
                QVERIFY2(wrong.empty(), wrong.c_str());
            }
        }
        QVERIFY2(kept > 60 && strained > 20, (std::to_string(kept) + " " + std::to_string(strained)).c_str());
    }

    /// In the data phase a sender that can't compensate looks at its own bits when they have come back through its own node.
    void sendersHearThemselves() {
        Random random;
        int kept = 0;
        int broken = 0;
        for (int i = 0; i < worldCount(200); ++i) {
            CanKind can;
            can.nominal = {FactorSet::range(1, 32), FactorSet::range(1, 128), FactorSet::range(1, 64), FactorSet::range(1, 32)};
            can.data = {FactorSet::range(1, 8), FactorSet::range(1, 32), FactorSet::range(1, 16), FactorSet::range(1, 8)};
            can.nodeDelay = Rational(random.whole(80, 260), 1000000000);
            can.delay = random.coin() ? FactorSet::range(0, 127) : FactorSet();
            const Clock clock = drawnClock(random, 80000000, 200);
            CanAsk ask;
            ask.bitsPerSecond = 500000;
            ask.data = random.pick(std::vector<std::int64_t>{1000000, 2000000, 4000000, 5000000, 8000000});
            const PromiseFigure figure = judgeCan({}, can, ask, clock, {}, Detail::result);
            if (figure.settings.empty()) {
                continue;
            }
            const std::int64_t prescaler = held(figure, "data_prescaler");
            // a pulse of one bit, looked at after 1 + seg1 quanta; with compensation the look is as late as the pulse
            const bool compensates = pinnedValue(figure.settings, "delay") != nullptr && prescaler <= 2;
            const Rational looks = Rational(prescaler * (1 + held(figure, "data_seg1"))) / clock.hertz.max;
            const bool hears = compensates || looks >= *can.nodeDelay;
            kept += figure.state == State::kept ? 1 : 0;
            broken += hears ? 0 : 1;
            QVERIFY2(hears || figure.state != State::kept, figure.why.c_str());
            QVERIFY2(figure.state != State::broken || !hears || figure.why.find("node delay") == std::string::npos,
                     figure.why.c_str());
        }
        QVERIFY2(kept > 40 && broken > 20, (std::to_string(kept) + " " + std::to_string(broken)).c_str());
    }

private:
    /// What is to be said where a node at either end of `hertz` and one that is off by `allowed` to the other side read one
    /// another all the same: over edges that are ten bits apart, moved by the jump width each, and over the thirteen bits after
    /// the last edge that an error flag leaves, the other's signal as late as the propagation quanta say.
    static std::string staysTogether(const CanTiming& timing, const Bounds& hertz, const Rational& rate,
                                     const Rational& allowed) {
        const std::int64_t quanta = timing.nominal.quanta();
        bool isLost = false;
        for (const Rational& mine : {hertz.min, hertz.max}) {
            const bool isSlow = mine == hertz.min;
            const Rational quantum = timing.nominal.prescaler / mine;
            const Rational bit = 1 / (rate * (isSlow ? 1 + allowed : 1 - allowed));
            Rational late; // where the node's bit begins, against the other's
            for (int edge = 0; edge < 20000 && !isLost; ++edge) {
                late += 10 * (quanta * quantum - bit);
                isLost = late + quantum * (1 + timing.nominal.seg1) >= bit || late + quantum * (1 + timing.nominal.seg1) <= 0;
                const Rational most = timing.jump * quantum;
                late -= std::max(-most, std::min(most, late));
            }
            const Rational looks = quantum * (12 * quanta + 1 + timing.nominal.seg1);
            const Rational arrives = 12 * bit + quantum * timing.propagation;
            isLost = isLost || looks > 13 * bit || looks - quantum < arrives;
        }
        return isLost ? "" : "strained, and nothing is lost from " + hertz.nominal.toString() + " Hz";
    }

    /// What goes wrong when a node with `hertz` follows a stream of bits of `bit` s, which all come to it as late.
    static std::string follow(Random& random, const CanTiming& timing, const Rational& hertz, const Rational& bit) {
        const Rational quantum = timing.nominal.prescaler / hertz;
        const std::int64_t quanta = timing.nominal.quanta();
        // bits with an edge to dominant every ten at the longest: five recessive, then five dominant
        std::vector<bool> bits;
        bool level = true;
        while (bits.size() < 200) {
            const std::int64_t run = random.whole(0, 3) == 0 ? 5 : random.whole(1, 5);
            bits.insert(bits.end(), static_cast<std::size_t>(run), level);
            level = !level;
        }
        const auto levelAt = [&](const Rational& when) {
            const auto index = (when / bit).floor().toInt64().value_or(-1);
            return index < 0 || index >= static_cast<std::int64_t>(bits.size()) || bits[static_cast<std::size_t>(index)];
        };
        // the first edge to dominant lies somewhere in the first quantum of its bit
        std::size_t first = 0;
        while (first < bits.size() && bits[first]) {
            ++first;
        }
        Rational begin = bit * static_cast<std::int64_t>(first) - quantum * Rational(random.whole(0, 99), 100);
        for (std::size_t index = first; index + 1 < bits.size(); ++index) {
            // sync, seg1, sample, seg2; an edge to dominant in it moves the place of the sample once
            Rational sampleAt = begin + quantum * (1 + timing.nominal.seg1);
            Rational endAt = begin + quantum * quanta;
            const bool isSeen = index > first && bits[index - 1] && !bits[index];
            if (isSeen) {
                const Rational edge = bit * static_cast<std::int64_t>(index);
                const Rational late = ((edge - begin) / quantum).floor(); // in which of its quanta it is
                if (late.sign() > 0) {
                    const Rational more = std::min(late, Rational(timing.jump)) * quantum;
                    sampleAt += more;
                    endAt += more;
                } else if (late.sign() < 0) {
                    const Rational less = std::min(-late, Rational(timing.jump)) * quantum;
                    sampleAt -= less;
                    endAt -= less;
                }
            }
            if (levelAt(sampleAt) != bits[index]) {
                return "a bit is read wrong at " + hertz.toString() + " Hz against bits of " + bit.toString() + " s, jump " +
                       std::to_string(timing.jump);
            }
            begin = endAt;
        }
        return {};
    }
};

QTEST_APPLESS_MAIN(CoreWorldBuses)
#include "core_world_buses.moc"
