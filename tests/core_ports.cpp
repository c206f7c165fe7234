#include "derive/pin_speeds.h"
#include "derive/trim_code.h"
#include "seek/seek.h"
#include "small_part.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// The exact oscillator of the small part, at another rate.
std::string partAt(const std::string& rate, const std::string& more) {
    return replaced(smallPart("", more), "rate = \"8 MHz\"", "rate = \"" + rate + "\"");
}

PromiseFigure judged(const std::string& part, const std::string& line) {
    const Edited edited = readBoth(part, smallPlan(said(line), "", "rests_in = \"run\"\n"));
    return figuresOf(edited).promises.front();
}

std::string settingsOf(const PromiseFigure& figure) {
    std::string text;
    for (const Setting& setting : figure.settings) {
        text += (text.empty() ? "" : ", ") + setting.name + " " + setting.value.toString();
    }
    return text;
}

std::string fieldsOf(const PromiseFigure& figure) {
    std::string text;
    for (const FieldValue& value : figure.fields) {
        text += (text.empty() ? "" : ", ") + fieldText(value.field) + " = " + std::to_string(value.held);
    }
    return text;
}

const std::string kSound =
    "\n[[peripheral]]\nid = \"tone\"\nkind = \"sound\"\nclock = \"core\"\ndivide = { from = 1, to = 64 }\ntimes = 256\n"
    "frame = [32, 64]\nfields = { divide = \"TONE.STEP[5:0]\", frame = \"TONE.FRAME[0]\" }\n"
    "holds = { divide = \"n-1\", frame = \"in order\" }\n";

const std::string kPwm =
    "\n[[peripheral]]\nid = \"timer\"\nkind = \"timer\"\nclock = \"core\"\nbits = 16\nprescaler = 1\n"
    "channels = [\"\"]\ncentred = \"choice\"\nfields = { centred = \"TIMER.WAY[0]\" }\nholds = { centred = \"n\" }\n";

const std::string kPort =
    "\n[[peripheral]]\nid = \"quad\"\nkind = \"spi\"\nclock = \"core\"\ndivide = [1, 2, 4]\nlanes = [1, 2, 4]\n"
    "address = [24, 32]\nsize = { powers_of = 2, from = 20, to = 26 }\n"
    "fields = { lanes = \"QUAD.WAY[1:0]\", address = \"QUAD.WAY[2]\" }\n"
    "holds = { lanes = \"log2 n\", address = \"in order\" }\n";

} // namespace

/// What ports and pins of the middle class are asked, each figure by hand.
class CorePorts : public QObject {
    Q_OBJECT

private slots:
    /// 12.288 MHz ÷ (256 × 1) is 48 kHz; ÷ (256 × 6) is 8 kHz. Of 44.1 kHz the nearest is 48 kHz, +8.844 %.
    void framesOfSound() {
        const std::string part = partAt("12.288 MHz", kSound);
        const PromiseFigure plain = judged(part, "tone plays 48 kHz exactly");
        QCOMPARE(plain.state, State::kept);
        QCOMPARE(settingsOf(plain), std::string("divide 1, frame 32"));
        const PromiseFigure deep = judged(part, "tone plays 48 kHz exactly, at 24 bit"); // 2 × 24 go into 64 only
        QCOMPARE(settingsOf(deep), std::string("divide 1, frame 64"));
        QCOMPARE(fieldsOf(deep), std::string("TONE.STEP[5:0] = 0, TONE.FRAME[0] = 1"));
        QCOMPARE(settingsOf(judged(part, "tone plays 8 kHz exactly")), std::string("divide 6, frame 32"));
        const PromiseFigure other = judged(part, "tone plays 44.1 kHz within 1 %");
        QCOMPARE(other.state, State::broken);
        QCOMPARE(other.got->nominal, Rational(48000));
        QCOMPARE(other.error->nominal, Rational(48000, 44100) - 1);
        const PromiseFigure wide = judged(part, "tone plays 48 kHz exactly, at 40 bit");
        QCOMPARE(wide.state, State::broken);
        QCOMPARE(wide.why, std::string("no frame of this port holds 2 \u00d7 40 bit"));
        // printed and read again it is the same
        const std::string line = "tone plays 44.1 kHz within 1 %, at 24 bit";
        QCOMPARE(printPromiseLine(readPromiseLine(line).value()), line);
    }

    /// 8 MHz ÷ 20 kHz is 400 counts, or 200 up and 200 down.
    void pulsesInTheMiddle() {
        const std::string part = smallPart("", kPwm);
        const PromiseFigure plain = judged(part, "timer.1 drives 20 kHz exactly at 25 % duty");
        QCOMPARE(settingsOf(plain), std::string("prescaler 1, counts 400, compare1 100, centred 0"));
        const PromiseFigure centred = judged(part, "timer.1 drives 20 kHz exactly at 25 % duty, centred");
        QCOMPARE(centred.state, State::kept);
        QCOMPARE(settingsOf(centred), std::string("prescaler 1, counts 200, compare1 50, centred 1"));
        QCOMPARE(fieldsOf(centred), std::string("TIMER.WAY[0] = 1"));
        // 8 MHz ÷ 9 MHz... a timer that counts up alone can't
        const PromiseFigure never = judged(
            replaced(part, "centred = \"choice\"\nfields = { centred = \"TIMER.WAY[0]\" }\nholds = { centred = \"n\" }\n", ""),
            "timer.1 drives 20 kHz exactly at 25 % duty, centred");
        QCOMPARE(never.state, State::broken);
        QVERIFY2(never.why.find("one direction only") != std::string::npos, never.why.c_str());
    }

    /// 256 bytes are 2048 bits: 1024 clocks over two lanes, 512 over four; command and address before them, 8 + 24 or 8 + 32.
    void lanesAndAddresses() {
        const std::string part = smallPart("", kPort);
        const PromiseFigure all = judged(part, "quad clocks at most 8 MHz, of 16 MiB, reading 256 byte in at most 68 us");
        QCOMPARE(all.state, State::kept); // 544 clocks of 125 ns are 68 µs
        QCOMPARE(settingsOf(all), std::string("divide 1, size 16777216, lanes 4, address 24"));
        const PromiseFigure tight = judged(part, "quad clocks at most 8 MHz, of 32 MiB, reading 256 byte in at most 68 us");
        QCOMPARE(tight.state, State::broken); // 552 clocks
        QCOMPARE(settingsOf(tight), std::string("divide 1, size 33554432, lanes 4, address 32"));
        const PromiseFigure two = judged(part, "quad clocks at most 8 MHz, reading 256 byte in at most 132 us, on 2 lanes");
        QCOMPARE(two.state, State::kept); // 8 + 24 + 1024 clocks are 132 µs
        QCOMPARE(fieldsOf(two), std::string("QUAD.WAY[1:0] = 1, QUAD.WAY[2] = 0"));
        QCOMPARE(judged(part, "quad clocks at most 8 MHz, on 8 lanes").state, State::broken);
    }

    /// 14 MHz ÷ 14.28 MHz − 1 is −1.961 %, five steps of 0.4 % down from 32: 14.28 MHz × 0.98 is 13.9944 MHz.
    void aTrimFollowsFromAMeasurement() {
        const std::string trim =
            "trim = { field = \"RC.TRIM[5:0]\", from = 0, to = 63, reset = 32, step = \"0.4 %\", left = \"0.2 %\" }\n";
        const std::string xt = "\n[[source]]\nid = \"xt\"\nkind = \"crystal\"\nrange = [\"4 MHz\", \"8 MHz\"]\n";
        const std::string measured = "\n[board.fitted.xt]\nrate = \"8 MHz\"\ntolerance = \"0 ppm\"\n\n[board.measured.rc]\nrate "
                                     "= \"14.28 MHz\"\ntolerance = \"0.1 %\"\n";
        const std::string partText = replaced(partAt("14 MHz", xt), "kind = \"rc\"\n", "kind = \"rc\"\n" + trim);
        const Edited edited = readBoth(partText, replaced(smallPlan("", ""), "\n[[take]]", measured + "\n[[take]]"));
        const std::vector<TrimFigure> trims = trimFigures(edited.part, edited.plan, "A");
        QCOMPARE(trims.size(), std::size_t{1});
        QCOMPARE(trims[0].code, std::int64_t{27});
        QCOMPARE(trims[0].hertz, Rational(13994400));
        QCOMPARE(trims[0].field->held, std::int64_t{27});
        QVERIFY(trims[0].isInReach);
        // without a trim now and then it runs as it was measured
        QCOMPARE(figuresOf(edited).findLine("rc")->hertz->nominal, Rational(14280000));
        // with one it comes to its rate, by what a step leaves and what it was measured apart
        const Edited kept =
            readBoth(partText, replaced(smallPlan("", ""), "\n[[take]]",
                                        measured + "\n[board.trimmed.rc]\nby = \"xt\"\nevery = \"10 min\"\n\n[[take]]"));
        const Bounds hertz = *figuresOf(kept).findLine("rc")->hertz;
        QCOMPARE(hertz.nominal, Rational(14000000));
        QCOMPARE(hertz.max, Rational(14000000) * (1 + Rational(2, 1000) + Rational(2, 1000))); // left + all that it can be apart
        // codes from 30 on don't reach it: 14.28 MHz × (1 − 2 × 0.4 %)
        const Edited short_ = readBoth(replaced(partText, "from = 0, to = 63", "from = 30, to = 63"),
                                       replaced(smallPlan("", ""), "\n[[take]]", measured + "\n[[take]]"));
        const std::vector<TrimFigure> end = trimFigures(short_.part, short_.plan, "A");
        QVERIFY(end[0].code == 30 && !end[0].isInReach && end[0].hertz == Rational(14280000) * Rational(992, 1000));
    }

    /// Whatever the dividers make of 32769.3 Hz, steps of 1.09 ppm bring it within half a step of a second: 0.545 ppm, 0.047 s a
    /// day.
    void aCalendarFollowsFromAMeasuredCrystal() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/lagoon-buoy.plan.toml", {sourceDir() + "/parts"});
        Plan plan = *loaded.plan;
        plan.promises = {{"", readPromiseLine("day: calendar drifts at most 1 s/day", &*loaded.part).value()}};
        plan.jobs.clear();
        plan.board.measured = {{"xs", Rational(327693, 10), Rational(0)}};
        const PromiseFigure figure = derive(*loaded.part, plan, plan.active).promises[0];
        QCOMPARE(figure.state, State::kept);
        Rational steps;
        Rational product = 1;
        for (const Setting& setting : figure.settings) {
            steps = setting.name == "calibration" ? setting.value : steps;
            product *= setting.name == "first" || setting.name == "second" ? setting.value : Rational(1);
        }
        QVERIFY(steps.sign() < 0); // it is fast, and made slower
        QCOMPARE(figure.got->nominal, abs(Rational(327693, 10) / product - 1 + steps * Rational(109, 100000000)));
        QVERIFY(figure.got->nominal <= Rational(545, 1000000000));
    }

    /// A calendar with one alarm keeps one promise by alarm, one with two keeps two.
    void eachAlarmKeepsOnePromise() {
        const auto states = [](const std::string& alarms) {
            const std::string rtc =
                "\n[[peripheral]]\nid = \"cal\"\nkind = \"rtc\"\nclock = \"slow\"\nprescaler = [1, 16]\n"
                "counts = { from = 1, to = 65536 }\ncalendar = { first = { from = 1, to = 128 }, second = { from = 1, to = "
                "32768 } }\nalarm = [\"1 min\", \"1 h\"]\n" +
                alarms;
            const std::string slow =
                "\n[[source]]\nid = \"slow\"\nkind = \"rc\"\nrate = \"32768 Hz\"\ntolerance = [{ by = [\"0 %\", \"0 %\"] }]\n";
            const Edited edited =
                readBoth(smallPart("", slow + rtc), smallPlan(said("a: cal fires every 60 s exactly, by alarm") +
                                                                  said("b: cal fires every 1 h exactly, by alarm"),
                                                              ""));
            const Figures figures = figuresOf(edited);
            return stateName(figures.promises[0].state) + " " + stateName(figures.promises[1].state) + " " +
                   figures.promises[0].why;
        };
        QCOMPARE(states("alarms = 2\n"), std::string("kept kept "));
        QCOMPARE(states(""), std::string("broken broken 2 promises want an alarm of cal, and it has 1"));
    }

    /// A field that follows from a rate has no code below 2 MHz: 8 MHz ÷ 8 is no take that a search may find, ÷ 4 is.
    void aSearchKeepsToTheRatesOfABound() {
        const std::string more =
            "\n[[line]]\nid = \"ref\"\nfrom = \"core\"\ndivide = [1, 2, 4, 8]\n"
            "\n[[bound]]\nsay = \"range\"\nline = \"ref\"\nfield = \"CLK.RANGE[1:0]\"\nfrom = [[\"2 MHz\", 0], [\"4 MHz\", 1]]\n";
        const Edited edited = readBoth(smallPart("", more), smallPlan("", ""));
        const auto found = [&](const std::string& wish) {
            Question question;
            question.wishes.push_back(readWish(wish, &edited.part).value());
            return seek(edited.part, edited.plan, edited.plan.active, question).found.size();
        };
        QVERIFY(found("ref = 2 MHz") > 0);
        QCOMPARE(found("ref = 1 MHz"), std::size_t{0});
    }

    /// 8 MHz ÷ 1 leaves on B7, at a period of which a slow pin stands 5 MHz; a uart of 1 Mbit/s turns at 500 kHz.
    void pinsAreAsFastAsTheyMust() {
        const std::string pins =
            "\n[pins]\nall = [\"B7\", \"B8\", \"OUT\"]\nspeeds = [{ id = \"slow\", max = \"5 MHz\" }, { id = \"fast\", max = "
            "\"60 MHz\", drive = \"8 mA\" }]\nspeed_register = \"PINS{port}.SPEED\"\nspeed_bits = 2\n";
        const std::string more =
            "\n[[line]]\nid = \"leaves\"\nfrom = \"core\"\npins = [\"B7\"]\n"
            "\n[[peripheral]]\nid = \"uart\"\nkind = \"uart\"\nclock = \"core\"\npins = { tx = [\"B8\", \"OUT\"] }\n"
            "modes = [{ oversample = 8, divisor = { from = 1, to = 64 } }]\n";
        const auto speedsOf = [&](const std::string& table) {
            const Edited edited = readBoth(smallPart("", more + table),
                                           smallPlan(said("leaves runs at 8 MHz") + said("uart talks 1000000 exactly"), ""));
            std::string text;
            for (const PinSpeedFigure& pin : pinSpeeds(edited.part, edited.plan, figuresOf(edited))) {
                text += pin.pin + " " + pin.user + " " + pin.hertz.toString() + " " + pin.speed +
                        (pin.field ? " " + fieldText(pin.field->field) + " = " + std::to_string(pin.field->held) : "") +
                        (pin.why.empty() ? "" : " " + pin.why) + "; ";
            }
            return text;
        };
        QCOMPARE(speedsOf(pins),
                 std::string("B7 leaves 8000000 fast PINSB.SPEED[15:14] = 1; B8 uart 500000 slow PINSB.SPEED[17:16] = 0; "));
        QCOMPARE(speedsOf(replaced(pins, "60 MHz", "6 MHz")),
                 std::string("B7 leaves 8000000  leaves turns B7 at 8 MHz, and no pin is faster than 6 MHz; "
                             "B8 uart 500000 slow PINSB.SPEED[17:16] = 0; "));
        const std::string faults =
            lines(readPart(smallPart("", replaced(pins, "max = \"5 MHz\"", "max = \"70 MHz\"")), "p").diagnostics);
        QVERIFY2(faults.find("the slowest first") != std::string::npos, faults.c_str());
    }
};

QTEST_APPLESS_MAIN(CorePorts)
#include "core_ports.moc"
