#include "derive/derive.h"
#include "files/part_reader.h"
#include "promise/adc.h"

#include "quantity/quantity_print.h"
#include "support.h"

#include <cmath>

using namespace wisetick;
using namespace wisetick::test;

namespace {

AdcKind converter() {
    AdcKind adc;
    adc.divide = FactorSet::list({1, 2, 4});
    adc.sample = FactorSet::list({3, 9, 21});
    adc.conversion = {{12, 13}, {8, 9}};
    adc.resistance = 1000;
    adc.capacitance = exact("5e-12");
    adc.channels = 8;
    return adc;
}

const AdcClockSpan kSpan{Rational(1000000), Rational(4000000)};

TakesAsk askOf(const std::string& line) {
    return readPromiseLine("adc0 takes " + line)->ask.get<TakesAsk>();
}

std::string settingsText(const PromiseFigure& figure) {
    std::string text;
    for (const Setting& setting : figure.settings) {
        text += (text.empty() ? "" : " ") + setting.name + " " + setting.value.toString();
    }
    return text;
}

} // namespace

/// Converters: the divided clock, sampling long enough, samples of each channel.
class CoreAdc : public QObject {
    Q_OBJECT

private slots:
    void handCheckedRows_data() {
        QTest::addColumn<std::string>("ask");
        QTest::addColumn<std::string>("state");
        QTest::addColumn<std::string>("settings");
        QTest::addColumn<std::string>("got");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* ask, const char* state, const char* settings, const char* got, const char* why) {
            QTest::newRow(ask) << std::string(ask) << std::string(state) << std::string(settings) << std::string(got)
                               << std::string(why);
        };
        // 8 MHz ÷ 4 ÷ (3 + 13); ÷ 1 would be over the converter's 4 MHz
        row("100 k samples/s", "kept", "divide 4 sample 3 bits 12", "125000", "");
        row("125 k samples/s", "kept", "divide 4 sample 3 bits 12", "125000", "");
        row("125001 samples/s", "kept", "divide 2 sample 3 bits 12", "250000", "");
        row("300 k samples/s", "broken", "divide 2 sample 3 bits 12", "250000",
            "250 k samples/s, asked at least 300 k samples/s");
        row("150 k samples/s at 8 bit", "kept", "divide 4 sample 3 bits 8", "500000/3", "");
        row("50 k samples/s over 2 channels", "kept", "divide 4 sample 3 bits 12", "62500", "");
        // 101 kohm × 5 pF × 14 ln 2 = 4.9006 µs: 9.8 cycles at 2 MHz, so 21
        row("50 k samples/s from 100 kohm", "kept", "divide 4 sample 21 bits 12", "1000000/17", "");
        // 8 bit need 10 ln 2 only: 3.5004 µs, 7.0008 cycles at 2 MHz
        row("50 k samples/s at 8 bit from 100 kohm", "kept", "divide 4 sample 9 bits 8", "1000000/9", "");
        row("1 k samples/s from 1 Mohm", "broken", "divide 4 sample 21 bits 12", "1000000/17",
            "samples for 10.5 \u00b5s, and needs 48.568823 \u00b5s through 1 M\u03a9");
        row("1 k samples/s at 10 bit", "broken", "", "", "this converter has no 10 bit");
        row("1 k samples/s over 9 channels", "broken", "", "", "this converter has 8 channels, asked 9 channels");
    }
    void handCheckedRows() {
        QFETCH(std::string, ask);
        QFETCH(std::string, state);
        QFETCH(std::string, settings);
        QFETCH(std::string, got);
        QFETCH(std::string, why);
        const PromiseFigure figure = judgeAdc({}, converter(), askOf(ask), clockAt("8000000"), kSpan);
        QCOMPARE(figure.why, why);
        QCOMPARE(stateName(figure.state), state);
        QCOMPARE(settingsText(figure), settings);
        QVERIFY(got.empty() ? !figure.got.has_value() : figure.got->nominal == exact(got));
    }

    /// A single scan: its start-up, then every channel; of those in time the shortest.
    void singleScans() {
        AdcKind adc = converter();
        adc.start = exact("4.5e-6");
        // 3 x (3 + 13) cycles of 4 MHz are 12 us, and 4.5 us of start
        const PromiseFigure figure = judgeAdc({}, adc, askOf("once in at most 20 us over 3 channels"), clockAt("8000000"), kSpan);
        QCOMPARE(figure.state, State::kept);
        QCOMPARE(settingsText(figure), std::string("divide 2 sample 3 bits 12 single 1"));
        QCOMPARE(figure.got->nominal, exact("16.5e-6"));
        QCOMPARE(figure.unit, Unit::second);
        const PromiseFigure late = judgeAdc({}, adc, askOf("once in at most 16 us over 3 channels"), clockAt("8000000"), kSpan);
        QCOMPARE(late.why, std::string("16.5 \u00b5s, asked at most 16 \u00b5s"));
        // a clock that is 5 % slow takes 12.63 us for the scan
        const PromiseFigure slow =
            judgeAdc({}, adc, askOf("once in at most 17 us over 3 channels"), clockAt("8000000", "-1/20", "0"), kSpan);
        QCOMPARE(slow.state, State::strained);
        QCOMPARE(slow.got->max, exact("4.5e-6") + Rational(48, 3800000));
        adc.start = std::nullopt;
        QCOMPARE(judgeAdc({}, adc, askOf("once in at most 12 us over 3 channels"), clockAt("8000000"), kSpan).state, State::kept);
    }

    /// At the fastest clock the sampling is shortest, at the slowest the rate is lowest.
    void cornersCount() {
        const TakesAsk ask = askOf("58 k samples/s from 100 kohm");
        QCOMPARE(judgeAdc({}, converter(), ask, clockAt("8000000"), kSpan).state, State::kept); // 58.8 k
        const AdcClockSpan wide{Rational(1000000), Rational(4200000)};
        const PromiseFigure slow = judgeAdc({}, converter(), ask, clockAt("8000000", "-1/20", "1/20"), wide);
        QCOMPARE(slow.state, State::kept); // ÷ 2 instead: 117.6 k
        QCOMPARE(slow.settings[0].value, Rational(2));
        // that clock is as fast as 4.2 MHz: more than the slack of 0.1 % above 4.1
        const AdcClockSpan tooLow{Rational(1000000), Rational(4100000), Rational(1, 1000)};
        const PromiseFigure fast = judgeAdc({}, converter(), ask, clockAt("8000000", "-1/20", "1/20"), tooLow);
        QCOMPARE(fast.state, State::strained);
        QVERIFY2(fast.why == "its clock is as fast as 4.2 MHz, and the converter takes at most 4.1 MHz" ||
                     fast.why.find("asked at least 58 k samples/s") != std::string::npos,
                 fast.why.c_str());
        AdcKind tight = converter();
        tight.sample = FactorSet::list({10});
        // 10 cycles of 2 MHz are 5 µs of the 4.9006 needed; 5 % faster they are 4.76
        const PromiseFigure strained =
            judgeAdc({}, tight, askOf("10 k samples/s from 100 kohm"), clockAt("8000000", "-1/20", "1/20"), kSpan);
        QCOMPARE(strained.state, State::strained);
        QVERIFY2(strained.why.find("in the worst case, and needs 4.900551 \u00b5s") != std::string::npos, strained.why.c_str());
        Clock vague = clockAt("8000000");
        vague.unknown = "unknown: tolerance of rc";
        const PromiseFigure unknown = judgeAdc({}, converter(), askOf("100 k samples/s"), vague, kSpan);
        QCOMPARE(unknown.state, State::strained);
        QCOMPARE(unknown.why, std::string("unknown: tolerance of rc"));
    }

    void aClockOutsideTheConverterIsSaid() {
        const PromiseFigure figure = judgeAdc({}, converter(), askOf("1 k samples/s"), clockAt("500000"), kSpan);
        QCOMPARE(figure.why, std::string("no divider of 500 kHz is within the converter's 1 MHz to 4 MHz"));
        const PromiseFigure pinned =
            judgeAdc({}, converter(), askOf("1 k samples/s"), clockAt("8000000"), kSpan, {{"divide", Rational(1)}});
        QCOMPARE(pinned.why, std::string("the pinned way is not one that this converter has here"));
    }

    void samplingTimeIsRoundedUp() {
        Random random;
        for (int i = 0; i < 1000; ++i) {
            AdcKind adc = converter();
            TakesAsk ask;
            ask.ohm = Rational(random.whole(1, 1000000));
            const std::int64_t bits = random.whole(4, 16);
            const double exactly = (ask.ohm->toDouble() + 1000) * 5e-12 * static_cast<double>(bits + 2) * std::log(2.0);
            const double given = leastSampleTime(adc, ask, bits).toDouble();
            QVERIFY(given >= exactly * (1 - 1e-12) && given <= exactly + 1.001e-12);
        }
    }

    /// No way that the converter has is better: all dividers and samplings tried.
    void noBetterWayExists() {
        Random random;
        int kept = 0;
        for (int i = 0; i < 600; ++i) {
            AdcKind adc = converter();
            adc.divide = FactorSet::range(1, random.whole(1, 12));
            adc.sample = FactorSet::list({random.whole(1, 10), random.whole(2, 40), random.whole(3, 200)});
            TakesAsk ask;
            ask.samplesPerSecond = Rational(random.whole(1, 400) * 1000);
            ask.ohm = random.coin() ? std::optional(Rational(random.whole(1, 100000))) : std::nullopt;
            const Clock clock = clockAt(std::to_string(random.whole(1, 40) * 1000000), "-1/100", "1/50");
            const PromiseFigure best = judgeAdc({}, adc, ask, clock, kSpan);
            const Rational least = leastSampleTime(adc, ask, 12);
            std::optional<Rational> nearest; // the least rate that keeps the promise with a sampling no longer than needed
            for (std::int64_t d = 0; d < *adc.divide.size().toInt64(); ++d) {
                const Rational divide = adc.divide.at(d);
                const Rational nominal = clock.hertz.nominal / divide;
                if (nominal < 1000000 || nominal > 4000000) {
                    continue;
                }
                std::optional<Rational> shortest;
                for (std::int64_t s = 0; s < *adc.sample.size().toInt64(); ++s) {
                    if (!shortest && adc.sample.at(s) / (clock.hertz.max / divide) >= least) {
                        shortest = adc.sample.at(s);
                    }
                }
                const bool isInside = clock.hertz.min / divide >= 1000000 && clock.hertz.max / divide <= 4000000;
                if (isInside && shortest && clock.hertz.min / divide / (*shortest + 13) >= ask.samplesPerSecond) {
                    const Rational rate = nominal / (*shortest + 13);
                    nearest = nearest ? std::min(*nearest, rate) : rate;
                }
            }
            QCOMPARE(best.state == State::kept, nearest.has_value());
            if (nearest) {
                QCOMPARE(best.got->nominal, *nearest);
                ++kept;
            }
        }
        QVERIFY(kept > 100);
    }

    /// 86 + 13 cycles of 10 MHz are 9.9 µs; a timer of 10 µs on an RC of its own, ± 2 %, can come again after 9.804. On one RC
    /// both move together.
    void aTriggerWaitsForTheScan() {
        const auto judged = [](const char* clock) {
            const std::string text =
                std::string(
                    "format = \"wisetick-part/1\"\nid = \"two\"\nname = \"Two\"\nsupply = { min = \"2 V\", max = \"3 V\" }\n"
                    "core = \"core\"\n"
                    "[[source]]\nid = \"fine\"\nkind = \"rc\"\nrate = \"10 MHz\"\ntolerance = [{ by = \"0.1 %\" }]\n"
                    "[[source]]\nid = \"rough\"\nkind = \"rc\"\nrate = \"10 MHz\"\ntolerance = [{ by = \"2 %\" }]\n"
                    "[[line]]\nid = \"core\"\nfrom = \"fine\"\n"
                    "[[peripheral]]\nid = \"adc\"\nkind = \"adc\"\nclock = \"fine\"\nsample = 86\nconversion = { 12 = 13 }\n"
                    "[[peripheral]]\nid = \"timer\"\nkind = \"timer\"\nbits = 16\nclock = \"") +
                clock + "\"\n[[mode]]\nid = \"run\"\nruns = true\n";
            const PartFile part = readPart(text, "part");
            if (!part.part) {
                qFatal("%s", lines(part.diagnostics).c_str());
            }
            Plan plan = freshPlan(*part.part);
            plan.board.supply = Bounds::exactly(Rational(5, 2));
            plan.board.temperature = Bounds::exactly(25);
            for (const char* say : {"adc takes 100 k samples/s, triggered by timer", "timer fires every 10 us exactly"}) {
                plan.promises.push_back({say, readPromiseLine(say, &*part.part).value()});
            }
            return derive(*part.part, plan, "A").promises[0];
        };
        QCOMPARE(stateName(judged("rough").state), std::string("strained"));
        QCOMPARE(judged("rough").why,
                 std::string("a scan takes up to \u22489.9099 \u00b5s, and timer comes again after \u22489.8039 \u00b5s"));
        QCOMPARE(stateName(judged("fine").state), std::string("kept"));
    }
};

QTEST_APPLESS_MAIN(CoreAdc)
#include "core_adc.moc"
