#include "derive/crystal.h"
#include "derive/workings_of.h"
#include "evaluate/sleep_order.h"
#include "evaluate/ways_out.h"
#include "files/plan_writer.h"
#include "handover/left_out.h"
#include "promise/calendar.h"
#include "promise/can.h"
#include "promise/i2c.h"
#include "promise/pwm.h"
#include "promise/spi.h"
#include "promise/timer.h"
#include "promise/uart.h"
#include "small_part.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

std::string settings(const PromiseFigure& figure) {
    std::string text;
    for (const Setting& setting : figure.settings) {
        text += (text.empty() ? "" : " ") + setting.value.toString();
    }
    return text;
}

Rational nano(const std::string& value) {
    return exact(value) / 1000000000;
}

const char* const kCrystal =
    "\n[[source]]\nid = \"xt\"\nkind = \"crystal\"\nrange = [\"4 MHz\", \"32 MHz\"]\ngm = \"5 mA/V\"\n"
    "\n[[line]]\nid = \"bus\"\nfrom = \"xt\"\n"
    "\n[[peripheral]]\nid = \"timer1\"\nkind = \"timer\"\nclock = \"bus\"\nbits = 16\nprescaler = [1, 8]\n";

/// A plan on the small part with a crystal of 16 MHz and what else stands there for it.
Edited withCrystal(const std::string& promise, const std::string& more, const std::string& measured = {}) {
    std::string plan = smallPlan(said(promise), {}, "rests_in = \"\"\n");
    plan = replaced(plan, "rests_in = \"\"\n", "");
    return readBoth(
        smallPart("wakes_by = [\"any\"]\n", kCrystal),
        replaced(plan, "\n[[promise]]",
                 "\n[board.fitted.xt]\nrate = \"16 MHz\"\ntolerance = \"20 ppm\"\n" + more + measured + "\n[[promise]]"));
}

} // namespace

/// What holds at the corners of boards, buses and parts, each figure by hand.
class CoreCorners : public QObject {
    Q_OBJECT

private slots:
    /// Cut for 18 pF, and 12 pF twice with 4 pF stray make 10 pF: 14 fF ÷ 2 × (1 ÷ 15 pF − 1 ÷ 23 pF) = +162.3 ppm. The rate
    /// moves by that, and its bounds stay ±20 ppm.
    void aLoadMovesTheRate() {
        const std::string load = "load = \"18 pF\"\nstray = \"4 pF\"\nc0 = \"5 pF\"\nc1 = \"14 fF\"\n";
        const Edited edited = withCrystal("bus runs at 16 MHz within 0.02 %", load + "capacitors = \"12 pF\"\n");
        const Figures figures = figuresOf(edited);
        const Rational shift = exact("0.007") * (Rational(1, 15) - Rational(1, 23));
        const Bounds& hertz = *figures.findLine("xt")->hertz;
        QCOMPARE(hertz.nominal, 16000000 * (1 + shift));
        QCOMPARE(hertz.min, hertz.nominal * (1 - exact("20e-6")));
        QCOMPARE(hertz.max, hertz.nominal * (1 + exact("20e-6")));
        QCOMPARE(figures.promises[0].state, State::kept); // 162.3 + 20 of 200 ppm
        const Workings workings = lineWorkings(edited.part, edited.plan, figures, *edited.part.findNode("xt"));
        QVERIFY2(workings.front().numbers.starts_with("16 MHz \u00d7 (1 + "), workings.front().numbers.c_str());
        QVERIFY(!workings.front().isEquation);
        // two that differ, in series: 10 × 15 ÷ 25 + 4 = 10 pF
        const Edited unequal = withCrystal("bus runs at 16 MHz within 0.02 %", load + "capacitors = [\"10 pF\", \"15 pF\"]\n");
        QCOMPARE(*actualLoad(unequal.plan.board.fitted.front()), exact("10e-12"));
        QCOMPARE(figuresOf(unequal).findLine("xt")->hertz->nominal, hertz.nominal);
        const std::string written = writePlan(unequal.plan);
        QVERIFY2(written.find("capacitors = [\"10 pF\", \"15 pF\"]") != std::string::npos, written.c_str());
        QVERIFY(*readPlan(written, "plan", &unequal.part).plan == unequal.plan);
    }

    /// What was measured of a crystal stands before what it was sold as.
    void aCrystalIsMeasured() {
        const Edited edited = withCrystal("timer1 fires every 1 ms within 50 ppm", "",
                                          "\n[board.measured.xt]\nrate = \"16000320 Hz\"\ntolerance = \"5 ppm\"\n");
        const Figures figures = figuresOf(edited);
        QCOMPARE(figures.findLine("xt")->hertz->nominal, Rational(16000320));
        QCOMPARE(figures.findLine("xt")->hertz->max, 16000320 * (1 + exact("5e-6")));
        QCOMPARE(figures.promises[0].error->nominal, Rational(16000) / 16000320 * 1000 - 1);
    }

    /// Worst cases that a better crystal alone mends: of ±20 ppm a promise within 12 ppm asks ±10 ppm.
    void aBetterCrystalIsAWayOut() {
        const Edited edited = withCrystal("timer1 fires every 1 ms within 12 ppm", "");
        QCOMPARE(figuresOf(edited).promises[0].state, State::strained);
        const auto ways = waysOut(edited.part, edited.plan, "A", 0);
        QVERIFY(!ways.empty());
        QCOMPARE(ways.front().say, std::string("xt within 10 ppm"));
        QCOMPARE(ways.front().state, State::kept);
        Plan mended = edited.plan;
        QCOMPARE(takeWayOut(mended, "A", ways.front()), std::string());
        QCOMPARE(evaluate(edited.part, mended, "A").promises[0].state, State::kept);
        QCOMPARE(mended.board.fitted.front().tolerance->total(), exact("10e-6"));
    }

    /// From 10.48 Hz by 10 a second is off by 10.48 ÷ 10 − 1 = 4.8 % (4147 s a day), by 11 by −4.727 % (4084 s).
    void theLeastDriftNotTheNearestProduct() {
        RtcKind rtc;
        rtc.first = FactorSet::one(1);
        rtc.second = FactorSet::range(1, 32);
        const PromiseFigure figure = judgeCalendar({}, rtc, asked<DriftsAsk>("rtc drifts at most 4100 s/day"), clockAt("10.48"));
        QCOMPARE(figure.state, State::kept);
        QCOMPARE(settings(figure), std::string("1 11"));
    }

    /// 1 MHz with 8 bits and prescalers 1 and 32768 makes 1 to 256 µs or 32.768 ms and more: 20 ms are 80 × 250 µs.
    void repeatsBelowAGap() {
        TimerKind timer;
        timer.bits = 8;
        timer.prescaler = FactorSet::list({1, 32768});
        timer.counts = FactorSet::range(1, 256);
        const PromiseFigure figure =
            judgeTimer({}, timer, asked<FiresAsk>("t fires every 20 ms exactly, repeated"), clockAt("1000000"));
        QCOMPARE(figure.state, State::kept);
        QCOMPARE(settings(figure), std::string("1 250 80"));
    }

    /// A wait happens once: nothing adds up in an hour.
    void aWaitDoesNotAddUp() {
        TimerKind timer;
        timer.bits = 8;
        timer.prescaler = FactorSet::list({1, 8});
        timer.counts = FactorSet::range(1, 256);
        const PromiseFigure figure = judgeTimer({}, timer, asked<WaitsAsk>("t waits at least 33 us"), clockAt("32768"));
        for (const Step& step : figure.workings) {
            QVERIFY(step.what != "adds up to");
        }
        QCOMPARE(figure.got->nominal, Rational(2, 32768));
    }

    void alwaysOffAndAlwaysOn() {
        TimerKind timer;
        timer.bits = 8;
        timer.prescaler = FactorSet::one(1);
        timer.counts = FactorSet::range(1, 256);
        timer.channels = {"p"};
        const auto judged = [&](const std::string& duty) {
            return judgePwm({}, {timer, 1}, asked<DrivesAsk>("t.1 drives 10 kHz at " + duty + " duty"), clockAt("1000000"));
        };
        QCOMPARE(settings(judged("0 %")), std::string("1 100 0"));
        QCOMPARE(judged("0 %").state, State::kept);
        QCOMPARE(judged("100 %").state, State::kept);
        QCOMPARE(judged("0.1 %").state, State::broken);
        QVERIFY(readPromiseLine("t.1 drives 10 kHz at 0 % duty").has_value());
        QVERIFY(readPromiseLine("adc0 takes 1 k samples/s from 0 ohm").has_value());
        QCOMPARE(readPromiseLine("adc0 takes 0 samples/s").error().expected, std::string("a rate of samples above 0"));
    }

    void otherBuses() {
        I2cKind bus;
        bus.prescaler = FactorSet::range(1, 16);
        bus.low = FactorSet::range(1, 4096);
        bus.high = FactorSet::range(1, 4096);
        const auto judged = [&](const std::string& line, const std::string& hertz = "80000000") {
            return judgeI2c({}, bus, asked<BusAsk>(line), clockAt(hertz));
        };
        // 15 kHz of 12 wanted: half of that would do for an ordinary bus
        bus.low = FactorSet::range(4096, 8192);
        bus.high = FactorSet::range(4096, 8192);
        bus.prescaler = FactorSet::one(1);
        QCOMPARE(judged("i talks 16 kHz", "75000000").state, State::kept);             // 75 MHz ÷ 8192 = 9.155 kHz
        QCOMPARE(judged("i talks 16 kHz, as smbus", "75000000").state, State::broken); // slower than 10 kHz
        QVERIFY(judged("i talks 16 kHz, as smbus", "75000000").why.find("the management bus asks at least 10 kHz") !=
                std::string::npos);
        bus.prescaler = FactorSet::range(1, 16);
        bus.low = bus.high = FactorSet::range(1, 256);
        QCOMPARE(judged("i talks 3.4 MHz", "100000000").state, State::kept); // low 160 ns at least, high 60
        QCOMPARE(judged("i talks 3.4 MHz, pulled by 1 kohm into 150 pF", "100000000").state, State::broken);
        QCOMPARE(judged("i talks 4 MHz").why, std::string("the bus has no grade above 3.4 MHz"));
    }

    /// 100 MHz by 3: the shorter half is 10 ns, the longer 20. Valid after 12 ns: the shorter half is too short, and without a
    /// shift the clock is made slower: ÷ 4, 20 ns.
    void oddDividersHaveUnequalHalves() {
        SpiKind spi;
        spi.divide = FactorSet::range(1, 8);
        const auto judged = [&](const std::string& more) {
            return judgeSpi({}, spi, asked<ClocksAsk>("q clocks at most 40 MHz" + more), clockAt("100000000"), {});
        };
        QCOMPARE(settings(judged(", valid after 9 ns")), std::string("3"));
        QCOMPARE(settings(judged(", valid after 12 ns")), std::string("4"));
        QCOMPARE(settings(judged(", valid after 9 ns, over 0.2 m")), std::string("4")); // 2.8 ns there and back
        spi.setup = nano("2");
        QCOMPARE(settings(judged(", valid after 9 ns")), std::string("4"));
        spi.setup.reset();
        // with a shift of half a clock: 10 + 15 ns are late enough, but after the longer half and the shift, 20 + 15 ns, the next
        // data are there after 30: 5 ns too late, unless the device holds them
        spi.shift = FactorSet::one(Rational(1, 2));
        QCOMPARE(settings(judged(", valid after 12 ns")), std::string("4")); // an even one needs no shift
        QCOMPARE(settings(judged(", valid after 12 ns, held 5 ns")), std::string("3 1/2"));
        spi.hold = nano("1");
        QCOMPARE(settings(judged(", valid after 12 ns, held 5 ns")), std::string("4"));
    }

    void largeMemoriesHaveLongAddresses() {
        SpiKind spi;
        QCOMPARE(readClocks(spi, asked<ClocksAsk>("q clocks at most 1 MHz, of 16 MiB, reading 4 byte in at most 1 s")),
                 Rational(8 + 24 + 32));
        QCOMPARE(readClocks(spi, asked<ClocksAsk>("q clocks at most 1 MHz, of 64 MiB, reading 4 byte in at most 1 s")),
                 Rational(8 + 32 + 32));
    }

    /// 57600 bit/s is 17.361 µs a bit; a receiver over 16 ticks may begin 7/16 of it late: 7.595 µs. At 1 % off 9.5 % less.
    void aReceiverMayBeginLate() {
        const UartFrame frame;
        QCOMPARE(latestStart(frame, 16, 0), Rational(7, 16));
        QCOMPARE(latestStart(frame, 16, exact("0.01")), Rational(7, 16) - exact("0.095"));
        QVERIFY(latestStart(frame, 16, 0) / 57600 < exact("9e-6"));
        QCOMPARE(latestStart(frame, 1, 0), Rational(1, 2));
    }

    /// At 8 Mbit/s from 80 MHz a bit has 10 quanta; sampled after 8 of them are 100 ns, and its own bit comes back after 230.
    void aSenderHearsItself() {
        CanKind can;
        can.nominal = {FactorSet::range(1, 32), FactorSet::range(1, 128), FactorSet::range(1, 64), FactorSet::range(1, 32)};
        can.data = {FactorSet::range(1, 8), FactorSet::range(1, 32), FactorSet::range(1, 16), FactorSet::range(1, 8)};
        can.nodeDelay = nano("230");
        const auto judged = [&](const std::string& data) {
            return judgeCan({}, can, asked<CanAsk>("can0 talks 500 kbit/s, data " + data), clockAt("80000000"));
        };
        const PromiseFigure deaf = judged("8 Mbit/s");
        QCOMPARE(deaf.state, State::broken);
        QVERIFY2(deaf.why.find("hears them only after the node delay of 230 ns; this port has no delay compensation") !=
                     std::string::npos,
                 deaf.why.c_str());
        QCOMPARE(judged("2 Mbit/s").state, State::kept); // sampled after 400 ns
        can.delay = FactorSet::range(0, 127);
        QCOMPARE(judged("8 Mbit/s").state, State::kept);
        can.data->prescaler =
            FactorSet::one(4); // with which it may not compensate: a bit of 5 quanta at 4 Mbit/s, sampled after 200 ns
        QCOMPARE(judged("4 Mbit/s").state, State::broken);
        can.delayPrescaler = FactorSet::range(1, 4);
        QCOMPARE(judged("4 Mbit/s").state, State::kept);
        can.nodeDelay.reset();
        QCOMPARE(judged("4 Mbit/s").state, State::strained);
        QVERIFY(judged("4 Mbit/s").why.starts_with("unknown: the nodes' own delay"));
    }

    /// A timer that goes on in a mode and ends it can do so every so often, unless it fires for something else.
    void timersWakeToo() {
        const std::string part = smallPart(
            "keeps = { sources = [\"rc\"], lines = [\"core\"], peripherals = [\"timer1\"] }\nwakes_by = [\"timer1\"]\n",
            "\n[[peripheral]]\nid = \"timer1\"\nkind = \"timer\"\nclock = \"core\"\nbits = 16\nprescaler = [1, 8, 64, 1024]\n");
        const std::string wake = "wake: wakes from deep in at most 10 ms by timer1 every 1 s";
        const Figures figures = figuresOf(readBoth(part, smallPlan(said(wake), {})));
        QCOMPARE(figures.promises[0].state, State::kept);
        QCOMPARE(settings(figures.promises[0]), std::string("1024 7812")); // 7812.5 wanted
        const Figures taken = figuresOf(readBoth(part, smallPlan(said(wake) + said("timer1 fires every 1 ms exactly"), {})));
        QCOMPARE(taken.promises[0].why, std::string("timer1 fires for timer1, every 1 ms: it can't wake every 1 s too"));
        QCOMPARE(taken.promises[0].state, State::broken);
    }

    /// Both want the one prescaler and count: the one that loses says what it would be alone.
    void aLoserSaysWhatItWouldBe() {
        const Edited edited =
            readBoth(smallPart("wakes_by = [\"any\"]\n",
                               "\n[[peripheral]]\nid = \"timer1\"\nkind = \"timer\"\nclock = \"core\"\nbits = 16\n"
                               "prescaler = [1, 8]\n"),
                     smallPlan(said("timer1 fires every 1 ms exactly") + said("timer1 fires every 3 ms exactly"), {}));
        const Figures figures = figuresOf(edited);
        QVERIFY2(figures.promises[1].why.find("alone it would be kept with prescaler 1, counts 24000") != std::string::npos,
                 figures.promises[1].why.c_str());
    }

    /// A line that strays by 1 % and takes it back within 1 ms: an edge is off by up to 10 µs. Over 1 s that is 10 ppm, over 100
    /// µs 1 %.
    void rippleComesBack() {
        const std::string over = "ripple_over = \"1 ms\"\n";
        const auto judged = [&](const std::string& line, const std::string& key) {
            const std::string more = "\n[[line]]\nid = \"bus\"\nfrom = \"rc\"\nripple = \"1 %\"\n" + key +
                                     "\n[[peripheral]]\nid = \"timer1\"\nkind = \"timer\"\nclock = \"bus\"\nbits = 16\n"
                                     "prescaler = [1, 1024]\n";
            return figuresOf(readBoth(smallPart("wakes_by = [\"any\"]\n", more), smallPlan(said(line), {}))).promises[0];
        };
        const PromiseFigure second = judged("timer1 fires every 1.024 s within 0.01 %", over);
        QCOMPARE(second.state, State::kept);
        QCOMPARE(second.error->max, 1 / (1 - exact("1e-5") / exact("1.024")) - 1);
        QCOMPARE(judged("timer1 fires every 1.024 s within 0.01 %", "").state,
                 State::strained); // not told: it may stray for ever
        QCOMPARE(judged("timer1 fires every 100 us within 0.5 %", over).state, State::strained);
        QCOMPARE(judged("timer1 fires every 100 us within 0.5 %", over).error->max, 1 / (1 - exact("0.01")) - 1);
    }

    /// 48-bit counters behind a prescaler of 2^16 could count longer than is looked at.
    void veryLongCountsAreSaid() {
        TimerKind timer;
        timer.bits = 48;
        timer.prescaler = FactorSet::list({1, 65536});
        timer.counts = FactorSet::range(1, Rational(std::int64_t{1} << 48));
        const PromiseFigure figure =
            judgeTimer({}, timer, asked<FiresAsk>("t fires every 200000 day within 1 %"), clockAt("1000000000"));
        QCOMPARE(figure.state, State::broken); // 1.7e19 periods
        QVERIFY2(figure.why.starts_with("longer than 2^62 periods of its clock"), figure.why.c_str());
    }

    /// A line outside its limits, a control without a field, a promise that is broken: each is named.
    void whatIsLeftOutIsNamed() {
        const Edited edited = editedOrchard();
        const Figures figures = figuresOf(edited);
        const auto promises = promisesLeftOut(figures);
        QCOMPARE(promises.size(), std::size_t{1});
        QCOMPARE(promises.front().what, std::string("modem"));
        const WritingOrder way = writingOrder(edited.part, edited.plan, std::nullopt, "A");
        QVERIFY(clocksLeftOut(edited.part, edited.plan, figures, way, std::nullopt).empty());
        Edited slow = editedOrchard();
        for (Line& line : slow.part.lines) {
            if (line.id == "core") {
                line.limits.push_back(Limit{});
                line.limits.back().min = Rational(1000000000);
            }
        }
        const Figures under = derive(slow.part, slow.plan, "A");
        const auto left = clocksLeftOut(slow.part, slow.plan, under, way, std::nullopt);
        QVERIFY(!left.empty());
        QCOMPARE(left.front().what, std::string("core"));
    }
};

QTEST_APPLESS_MAIN(CoreCorners)
#include "core_corners.moc"
