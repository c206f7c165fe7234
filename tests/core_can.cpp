#include "promise/can.h"
#include "promise/can_filter.h"
#include "promise/message_memory.h"

#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

CanKind port() {
    CanKind can;
    can.nominal = {FactorSet::range(1, 512), FactorSet::range(2, 256), FactorSet::range(2, 128), FactorSet::range(1, 128)};
    can.data = CanPhase{FactorSet::range(1, 32), FactorSet::range(1, 32), FactorSet::range(1, 16), FactorSet::range(1, 16)};
    can.delay = FactorSet::range(1, 127);
    can.nodeDelay = powerOfTen(-9) * 200;
    can.messageWords = 640;
    return can;
}

CanAsk askOf(const std::string& line) {
    const auto read = readPromiseLine("can0 talks " + line);
    return read->ask.get<CanAsk>();
}

std::string settingsText(const std::vector<Setting>& settings) {
    std::string text;
    for (const Setting& setting : settings) {
        text += (text.empty() ? "" : " ") + setting.value.toString();
    }
    return text;
}

Rational ppm(std::int64_t count) {
    return Rational(count, 1000000);
}

/// The larger |error| of both phases at the corners.
Rational worstOf(const CanAsk& ask, const Clock& clock, const CanBit& slow, const std::optional<CanBit>& fast) {
    const auto errorOf = [&](const CanBit& bit, const Rational& rate) {
        return largestMagnitude(relativeError(clock.hertz * (1 / Rational(bit.prescaler * bit.quanta())), rate));
    };
    const Rational slowWorst = errorOf(slow, ask.bitsPerSecond);
    return fast ? std::max(slowWorst, errorOf(*fast, *ask.data)) : slowWorst;
}

/// The state of a pair, straight from the formulas, in exact fractions.
State stateOf(const CanKind& can, const CanAsk& ask, const Clock& clock, const CanBit& slow, const std::optional<CanBit>& fast,
              Rational& worst) {
    const auto errorOf = [&](const CanBit& bit, const Rational& rate) {
        return relativeError(clock.hertz * (1 / Rational(bit.prescaler * bit.quanta())), rate);
    };
    const Bounds slowError = errorOf(slow, ask.bitsPerSecond);
    worst = worstOf(ask, clock, slow, fast);
    Rational nominal = abs(slowError.nominal);
    if (fast) {
        nominal = std::max(nominal, abs(errorOf(*fast, *ask.data).nominal));
    }
    const auto holds = [&](const Rational& off, const Rational& hertz) {
        const Rational node = ask.nodeDelay.value_or(can.nodeDelay.value_or(Rational(0)));
        const Rational there = 2 * (node + ask.cable.value_or(Rational(0)) * Rational(5, 1000000000));
        const Rational propagation = std::max(Rational(1), (there * hertz / slow.prescaler).ceil());
        const Rational ps1 = slow.seg1 - propagation;
        if (ps1 < 1) {
            return false;
        }
        const Rational ps2 = slow.seg2;
        const Rational nbt = slow.quanta();
        const auto jump = can.nominal.sjw.atMost(std::min(ps1, ps2));
        if (!jump) {
            return false;
        }
        bool isGood = off <= *jump / (20 * nbt) && off <= std::min(ps1, ps2) / (2 * (13 * nbt - ps2));
        if (fast) {
            const Rational dbt = fast->quanta();
            const Rational ps2d = fast->seg2;
            const auto dataJump = can.data->sjw.atMost(std::min(Rational(fast->seg1), ps2d));
            if (!dataJump) {
                return false;
            }
            const Rational ratio(fast->prescaler, slow.prescaler);
            isGood = isGood && off <= *dataJump / (20 * dbt) &&
                     off <= std::min(ps1, ps2) / (2 * ((6 * dbt - ps2d) * ratio + 7 * nbt)) &&
                     off <= (*dataJump - std::max(Rational(0), 1 / ratio - 1)) / (2 * ((2 * nbt - ps2) / ratio + ps2d + 4 * dbt));
        }
        return isGood;
    };
    if (holds(worst, clock.hertz.max)) {
        return State::kept;
    }
    return holds(nominal, clock.hertz.nominal) ? State::strained : State::broken;
}

} // namespace

/// The bits of CAN and CAN FD.
class CoreCan : public QObject {
    Q_OBJECT

private slots:
    void handCheckedRows_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("clock");
        QTest::addColumn<int>("off"); // ppm of the source
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("settings"); // prescaler, seg1, seg2, sjw; data likewise; delay
        QTest::addColumn<std::string>("error");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, const char* clock, int off, const char* state, const char* settings,
                            const char* error, const char* why) {
            QTest::addRow("%s of %s", ask, clock) << std::string(ask) << std::string(clock) << off << std::string(state)
                                                  << std::string(settings) << std::string(error) << std::string(why);
        };
        // 40 MHz: 80 quanta of 25 ns; 200 ns of node there and back are 16 quanta; 80 % is the 64th quantum
        row("500 kbit/s", "40000000", 50, "kept", "1 63 16 16", "0", "");
        // 87.5 % of 80 is the 70th
        row("500 kbit/s, sample at 87.5 %", "40000000", 50, "kept", "1 69 10 10", "0", "");
        // 20 m: 2 x (200 + 100) ns are 24 quanta, and 63 - 24 leaves more than 16
        row("500 kbit/s, over 20 m", "40000000", 50, "kept", "1 63 16 16", "0", "");
        // data: 20 quanta of 25 ns, 80 % is the 16th; the compensation is 16 clock periods
        row("500 kbit/s, data 2 Mbit/s", "40000000", 50, "kept", "1 63 16 16 1 15 4 4 16", "0", "");
        row("500 kbit/s, data 2 Mbit/s, data sample at 70 %", "40000000", 50, "kept", "1 63 16 16 1 13 6 6 14", "0", "");
        row("1 Mbit/s, jump 2", "40000000", 50, "kept", "1 31 8 2", "0", "");
        // 16 MHz hold no 300 kbit/s: 53 quanta are the nearest, +0.629 %, within the jump's 11 / 1060
        row("300 kbit/s", "16000000", 50, "kept", "1 41 11 11", "1/159", "");
        row("300 kbit/s exactly", "16000000", 50, "broken", "1 41 11 11", "1/159",
            "the nearest rate is \u2248301.89 kbit/s, \u2248+0.6289 %, asked exactly");
        // an RC of 2 %: 16 / 1600 is 1 % at the most
        row("500 kbit/s", "40000000", 20000, "strained", "1 63 16 16", "0",
            "off by 2 % in the worst case, and the bus allows each node \u00b10.78125 % (min(PS1, PS2) \u00f7 (2 (13 NBT \u2212 "
            "PS2)))");
        // 10 km: there and back takes 100.4 us of a bit of 2 us
        row("500 kbit/s, over 10 km", "40000000", 50, "broken", "1 63 16 1", "0",
            "there and back through 10 km of cable takes 4016 quanta, and no bit of 2 \u00b5s has room for them before its "
            "sample point");
        // slower than the slowest bit: 512 x 385 quanta of 40 MHz are 203 bit/s
        row("100 bit/s", "40000000", 50, "broken", "512 256 128 128", "", "");
        // faster than the fastest: 5 quanta
        row("20 Mbit/s", "40000000", 50, "broken", "1 2 2 1", "", "");
        row("500 kbit/s, data 250 kbit/s", "40000000", 50, "broken", "", "", "the data phase is slower than the nominal one");
    }
    void handCheckedRows() {
        QFETCH(std::string, ask);
        QFETCH(std::string, clock);
        QFETCH(int, off);
        QFETCH(std::string, state);
        QFETCH(std::string, settings);
        QFETCH(std::string, error);
        QFETCH(std::string, why);
        const PromiseFigure figure =
            judgeCan({}, port(), askOf(ask), clockAt(clock, (-ppm(off)).toString(), ppm(off).toString()));
        if (!why.empty() || state == "kept") {
            QCOMPARE(figure.why, why);
        }
        QVERIFY(state == "kept" || !figure.why.empty());
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(settingsText(figure.settings), settings);
        QVERIFY(error.empty() || figure.error->nominal == exact(error));
    }

    /// The five conditions at a pair worked out by hand: NBT 80, PS1 63 - 16, PS2 16, DBT 20, PS2_D 4, all of one prescaler.
    void conditionsByHand() {
        CanTiming timing;
        timing.nominal = {1, 63, 16};
        timing.data = CanBit{1, 15, 4};
        timing.propagation = 16;
        timing.jump = 16;
        timing.dataJump = 4;
        const auto conditions = canConditions(timing);
        // 16/(20*80) = 1/100; 16/(2(1040-16)) = 1/128; 4/400; 16/(2((120-4)+560)) = 16/1352; 4/(2((160-16)+4+80)) = 4/456
        const std::vector<std::string> byHand{"1/100", "1/128", "1/100", "16/1352", "4/456"};
        QCOMPARE(conditions.size(), byHand.size());
        for (std::size_t i = 0; i < byHand.size(); ++i) {
            QCOMPARE(conditions[i].allowed, exact(byHand[i]));
        }
        QCOMPARE(canTolerance(timing), exact("1/128"));
        // a data phase of another prescaler: (4 - (2/1 - 1)) / (2 ((2 NBT - PS2) 2 + 4 + 80))
        timing.nominal = {2, 31, 8};
        timing.propagation = 8;
        timing.jump = 8;
        QCOMPARE(canConditions(timing)[4].allowed, Rational(3, 2 * ((80 - 8) * 2 + 4 + 80)));
    }

    void theLongestCableStillHolds() {
        const Clock clock = clockAt("40000000", "-1/20000", "1/20000");
        const PromiseFigure figure = judgeCan({}, port(), askOf("500 kbit/s, over 20 m"), clock);
        const CanAsk ask = askOf("500 kbit/s, over 20 m");
        const CanTiming timing = canTimingOf(port(), ask, clock, figure.settings);
        const auto longest = longestCable(port(), ask, clock, timing);
        QVERIFY(longest.has_value());
        CanAsk longer = ask;
        longer.cable = *longest;
        Rational worst;
        QCOMPARE(stateOf(port(), longer, clock, timing.nominal, std::nullopt, worst), State::kept);
        longer.cable = *longest + 3; // one more quantum there and back is 2.5 m
        QVERIFY(stateOf(port(), longer, clock, timing.nominal, std::nullopt, worst) != State::kept);
    }

    void whatIsUnknownIsSaid() {
        CanKind can = port();
        can.nodeDelay.reset();
        const PromiseFigure figure = judgeCan({}, can, askOf("500 kbit/s, over 20 m"), clockAt("40000000"));
        QCOMPARE(stateName(figure.state), std::string("strained"));
        QCOMPARE(figure.why, std::string("unknown: the nodes' own delay; say 'with node delay 200 ns'"));
        QCOMPARE(judgeCan({}, can, askOf("500 kbit/s, over 20 m, with node delay 200 ns"), clockAt("40000000")).state,
                 State::kept);
        can.data.reset();
        QCOMPARE(judgeCan({}, can, askOf("500 kbit/s, data 2 Mbit/s"), clockAt("40000000")).why,
                 std::string("this port has no data phase: it is not CAN FD"));
        Clock clock = clockAt("40000000");
        clock.unknown = "unknown: the tolerance of xtm";
        QCOMPARE(judgeCan({}, port(), askOf("500 kbit/s"), clock).why, clock.unknown);
    }

    void aPinIsHeld() {
        const PromiseFigure figure = judgeCan({}, port(), askOf("500 kbit/s"), clockAt("40000000"), {{"prescaler", 4}});
        QCOMPARE(settingsText(figure.settings), std::string("4 15 4 4"));
        QCOMPARE(judgeCan({}, port(), askOf("500 kbit/s"), clockAt("40000000"), {{"prescaler", 600}}).why,
                 std::string("the pinned way is not one that this port has"));
    }

    /// Against every pair of bits that small ports can have, with the conditions in the test's own words.
    void noBetterBitExists() {
        Random random;
        for (int round = 0; round < 60; ++round) {
            CanKind can;
            can.nominal = {FactorSet::range(1, random.whole(1, 4)), FactorSet::range(random.whole(1, 3), random.whole(6, 14)),
                           FactorSet::range(random.whole(1, 2), random.whole(3, 6)), FactorSet::range(1, random.whole(1, 6))};
            if (random.coin()) {
                can.data = CanPhase{FactorSet::range(1, random.whole(1, 2)), FactorSet::range(1, random.whole(4, 6)),
                                    FactorSet::range(1, random.whole(2, 3)), FactorSet::range(1, random.whole(1, 4))};
            }
            can.nodeDelay = powerOfTen(-9) * random.whole(0, 300);
            const Clock clock =
                clockAt("8000000", (-ppm(random.whole(0, 8000))).toString(), ppm(random.whole(0, 8000)).toString());
            CanAsk ask;
            ask.bitsPerSecond = random.pick(std::vector<std::int64_t>{125000, 250000, 500000, 333000, 410000, 800000});
            ask.sample = Rational(random.whole(50, 95), 100);
            if (can.data) {
                ask.data = random.pick(std::vector<std::int64_t>{1000000, 2000000, 800000, 900000});
            }
            if (random.coin()) {
                ask.cable = random.whole(1, 80);
            }
            const PromiseFigure figure = judgeCan({}, can, ask, clock);
            if (figure.settings.empty()) {
                continue;
            }
            const CanTiming timing = canTimingOf(can, ask, clock, figure.settings);
            Rational bestWorst;
            const State bestState = stateOf(can, ask, clock, timing.nominal, timing.data, bestWorst);
            QCOMPARE(stateName(figure.state), stateName(bestState));
            const Rational bestDistance = abs(timing.nominal.samplePoint() - *ask.sample);
            forEachBit(can.nominal, [&](const CanBit& slow) {
                const auto against = [&](const std::optional<CanBit>& fast) {
                    Rational worst = worstOf(ask, clock, slow, fast);
                    if (bestState == State::kept && worst > bestWorst) {
                        return; // neither a better state nor a lesser error
                    }
                    const State state = stateOf(can, ask, clock, slow, fast, worst);
                    const bool isBetterState = state != bestState && worseState(state, bestState) == bestState;
                    const bool isNearer = state == bestState && state != State::broken && worst < bestWorst;
                    const bool isAtSample = state == bestState && state != State::broken && worst == bestWorst &&
                                            abs(slow.samplePoint() - *ask.sample) < bestDistance;
                    QVERIFY2(!isBetterState && !isNearer && !isAtSample,
                             (settingsText(figure.settings) + " " + stateName(bestState) + " against " +
                              std::to_string(slow.prescaler) + " " + std::to_string(slow.seg1) + " " + std::to_string(slow.seg2) +
                              " " + stateName(state))
                                 .c_str());
                };
                if (ask.data) {
                    forEachBit(*can.data, [&](const CanBit& fast) { against(fast); });
                } else {
                    against(std::nullopt);
                }
            });
            if (QTest::currentTestFailed()) {
                return;
            }
        }
    }

    void waysAreRanked() {
        const auto ways = canWays(port(), askOf("500 kbit/s, data 2 Mbit/s"), clockAt("40000000"));
        QCOMPARE(ways.size(), std::size_t{36}); // divisions of 40 MHz near both rates, in pairs
        QCOMPARE(settingsText(ways[0].settings), std::string("1 63 16 16 1 15 4 4 16"));
        for (std::size_t i = 1; i < ways.size(); ++i) {
            QVERIFY(worseState(ways[i - 1].state, ways[i].state) == ways[i].state);
        }
    }

    void messageMemory_data() {
        QTest::addColumn<std::string>("line");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("words");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* line, const char* state, const char* words, const char* why) {
            QTest::addRow("%s", line) << std::string(line) << std::string(state) << std::string(words) << std::string(why);
        };
        row("holds 28 filters, 8 long-filters, 16 received, 8 sent, of 64 byte", "kept", "476", ""); // 28 + 16 + 24 x 18
        row("holds 28 filters, 8 long-filters, 32 received", "kept", "172", "");                     // 44 + 32 x 4
        row("holds 32 received, 4 sent, of 64 byte", "broken", "648", "takes 648 words, the memory has 640");
        row("holds 35 received, of 64 byte", "kept", "630", "");
        row("holds 640 filters", "kept", "640", "");
        row("holds 641 filters", "broken", "641", "takes 641 words, the memory has 640");
        row("holds 4 received, of 13 byte", "broken", "24",
            "no message has 13 byte: up to 8 byte, or 12, 16, 20, 24, 32, 48 or 64");
        row("holds 4 received, of 1 byte", "kept", "12", "");
    }
    void messageMemory() {
        QFETCH(std::string, line);
        QFETCH(std::string, state);
        QFETCH(std::string, words);
        QFETCH(std::string, why);
        const auto ask = readPromiseLine("can0 " + line)->ask.get<HoldsAsk>();
        const PromiseFigure figure = judgeMessageMemory({}, port(), ask);
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(figure.asked->toString(), words);
        QCOMPARE(figure.why, why);
        Rational next;
        for (const MessageMap::Part& part : messageMap(port(), ask).parts) { // without gaps, one after the other
            QCOMPARE(part.first, next);
            next += part.words();
        }
        QCOMPARE(next.toString(), words);
        CanKind plain = port();
        plain.data.reset();
        plain.messageWords = 0;
        QVERIFY(judgeMessageMemory({}, plain, ask).state != State::kept);
    }

    void filtersOnIds() {
        const auto read = [](const char* text) { return readCanFilter(text).value(); };
        QVERIFY(read("0x100..0x17f").lets(0x100) && read("0x100..0x17f").lets(0x17f) && !read("0x100..0x17f").lets(0x180));
        QVERIFY(read("256,0x200").lets(256) && read("256,0x200").lets(512) && !read("256,0x200").lets(300));
        QVERIFY(read("0x200&0x7f0").lets(0x20f) && !read("0x200&0x7f0").lets(0x210));
        QVERIFY(read("0x10000..0x1fffffff").lets(0x1fffffff));
        QVERIFY(read("0x123").lets(0x123) && !read("0x123").lets(0x122)); // one alone
        QCOMPARE(*idsLetIn({read("0x100..0x17f"), read("0x200&0x7f0"), read("0x100,0x201")}), 144U);
        QCOMPARE(*idsLetIn({read("0..0x7ff")}), 2048U);
        QVERIFY(!idsLetIn({read("0x10000..0x1fffffff")}));
        for (const auto& [text, position, length] :
             {std::tuple("0x1g", 0U, 4U), std::tuple("0x1g..0x20", 0U, 4U), std::tuple("0x100..0x20000000", 7U, 10U),
              std::tuple("0x20..0x10", 0U, 10U), std::tuple("..5", 0U, 0U), std::tuple("-1,5", 0U, 2U), std::tuple("", 0U, 0U)}) {
            const auto filter = readCanFilter(text);
            QVERIFY2(!filter && filter.error().position == position && filter.error().length == length, text);
        }
    }

private:
    template <class Visit>
    static void forEachBit(const CanPhase& phase, const Visit& visit) {
        for (std::int64_t p = 0; p < phase.prescaler.size().toInt64().value(); ++p) {
            for (std::int64_t a = 0; a < phase.seg1.size().toInt64().value(); ++a) {
                for (std::int64_t b = 0; b < phase.seg2.size().toInt64().value(); ++b) {
                    visit(CanBit{*phase.prescaler.at(p).toInt64(), *phase.seg1.at(a).toInt64(), *phase.seg2.at(b).toInt64()});
                }
            }
        }
    }
};

QTEST_APPLESS_MAIN(CoreCan)
#include "core_can.moc"
