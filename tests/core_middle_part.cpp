#include "derive/derive.h"
#include "derive/pins.h"
#include "derive/writing_order.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "plan/promise_edits.h"
#include "support.h"

#include <set>

using namespace wisetick;
using namespace wisetick::test;

namespace {

const Part& gorse() {
    static const Part part = [] {
        const PartFile file = readPart(fileText(sourceDir() + "/parts/gorse-12.part.toml"), "gorse");
        if (!file.part) {
            qFatal("%s", lines(file.diagnostics).c_str());
        }
        return *file.part;
    }();
    return part;
}

/// A plan on it at 3 V and from 25 to 85 °C, with a crystal of 16 MHz; `choices` are of its one take A, `more` goes before that.
Plan planOf(const std::string& choices, const std::string& more = {}, const std::string& tier = "full",
            const std::string& crystal = "16 MHz") {
    const std::string text =
        "format = \"wisetick-plan/1\"\nname = \"try\"\npart = \"gorse-12\"\nactive = \"A\"\n[board]\n"
        "supply = { nominal = \"3 V\" }\ntemperature = { min = \"25 C\", nominal = \"25 C\", max = \"85 C\" }\n"
        "[board.fitted.xh]\nrate = \"" +
        crystal + "\"\ntolerance = \"20 ppm\"\n[board.fitted.xs]\nrate = \"32.768 kHz\"\ntolerance = \"20 ppm\"\n" + more +
        "\n[[take]]\nname = \"A\"\nrests_in = \"deep\"\ntier = \"" + tier + "\"\n" + choices;
    const PlanFile file = readPlan(text, "p", &gorse());
    if (!file.plan) {
        qFatal("%s", lines(file.diagnostics).c_str());
    }
    return *file.plan;
}

std::string choice(const std::string& id, const std::string& keys) {
    return "[take.choices." + id + "]\n" + keys + "\n";
}

std::string ask(const std::string& line) {
    return "[[promise]]\nsay = \"" + line + "\"\n";
}

/// f runs from xh ÷ divide × multiply, and feeds the core by its p output ÷ 2.
std::string loopOf(const std::string& divide, const std::string& multiply) {
    return choice("loop_src", "from = \"xh\"") + choice("f_ref", "divide = " + divide) + choice("f", "multiply = " + multiply) +
           choice("f_p", "divide = 16") + choice("core", "from = \"f_p\"") + choice("bus_e", "divide = 2");
}

/// What of the fields of a promise or line stands in that field; −1: it is not written.
std::int64_t heldIn(const std::vector<FieldValue>& fields, const std::string& field) {
    const auto found =
        std::find_if(fields.begin(), fields.end(), [&](const FieldValue& each) { return fieldText(each.field) == field; });
    return found == fields.end() ? -1 : found->held;
}

const WaitFigure* waitNamed(const Figures& figures, const std::string& say) {
    const auto found =
        std::find_if(figures.waits.begin(), figures.waits.end(), [&](const WaitFigure& each) { return each.say == say; });
    return found == figures.waits.end() ? nullptr : &*found;
}

const ModeFigure& modeNamed(const Figures& figures, const std::string& id) {
    return *std::find_if(figures.modes.begin(), figures.modes.end(), [&](const ModeFigure& each) { return each.id == id; });
}

} // namespace

/// What a part of the middle class says, against what its datasheet makes of it by hand.
class CoreMiddlePart : public QObject {
    Q_OBJECT

private slots:
    /// 66.5: whole part 66 − 1 = 65, fraction 1/2 of 2^11 = 1024, and the bit that lets it in. 66 needs neither.
    void aFactorInPieces() {
        for (const auto& [multiply, whole, fraction, enable] :
             {std::tuple("\"66 + 1024/2048\"", 65, 1024, 1), std::tuple("66", 65, 0, 0),
              std::tuple("\"399 + 2047/2048\"", 398, 2047, 1)}) {
            const Figures figures = derive(gorse(), planOf(loopOf("8", multiply)), "A");
            const auto& fields = figures.findLine("f")->fields;
            QCOMPARE(heldIn(fields, "LOOP.FM[8:0]"), std::int64_t{whole});
            QCOMPARE(heldIn(fields, "LOOP.FF[10:0]"), std::int64_t{fraction});
            QCOMPARE(heldIn(fields, "LOOP.FR[11]"), std::int64_t{enable});
        }
    }

    /// 14 MHz × 1 ms = 14000 counts: 65536 − 14000 = 51536 = 0xC950, the high byte 0xC9, the low one 0x50.
    void aCounterOfTwoBytes() {
        const Figures figures = derive(gorse(), planOf("", ask("timer8 fires every 1 ms")), "A");
        QCOMPARE(stateName(figures.promises[0].state), std::string("kept"));
        QCOMPARE(heldIn(figures.promises[0].fields, "T8HIGH[7:0]"), std::int64_t{0xC9});
        QCOMPARE(heldIn(figures.promises[0].fields, "T8LOW[7:0]"), std::int64_t{0x50});
    }

    /// Dead times are m × 4^e with m up to 63. 3 µs at 16 MHz are 48 counts: m = 48, e = 0. 5 µs are 80 = 20 × 4. 20 µs are 320:
    /// 80 × 4 has no m, so 20 × 16.
    void aDeadTimeOfMantissaAndExponent() {
        for (const auto& [dead, mantissa, exponent] :
             {std::tuple("3 us", 48, 0), std::tuple("5 us", 20, 1), std::tuple("20 us", 20, 2)}) {
            const Figures figures = derive(gorse(),
                                           planOf(choice("core", "from = \"xh\""),
                                                  ask(std::string("timer1.1 drives 1 kHz at 50 % duty, inside, dead ") + dead)),
                                           "A");
            QCOMPARE(heldIn(figures.promises[0].fields, "TIMER1.DEAD[5:0]"), std::int64_t{mantissa});
            QCOMPARE(heldIn(figures.promises[0].fields, "TIMER1.DEAD[7:6]"), std::int64_t{exponent});
        }
    }

    /// A mux on no clock: the line is off, and a promise on it says so.
    void noClock() {
        const Figures figures = derive(gorse(), planOf("", ask("adc takes 1 k samples/s at 12 bit from 1 kohm")), "A");
        QVERIFY(!figures.findLine("out")->isOn && !figures.findLine("loop_src")->isOn);
        QCOMPARE(figures.promises[0].state, State::broken);
        QVERIFY2(figures.promises[0].why.find("none is switched off") != std::string::npos, figures.promises[0].why.c_str());
        const Figures fed =
            derive(gorse(), planOf(choice("adc", "from = \"core\""), ask("adc takes 1 k samples/s at 12 bit from 1 kohm")), "A");
        QCOMPARE(fed.promises[0].state, State::kept);
        QCOMPARE(heldIn(fed.promises[0].fields, "PORT.B[3:2]"), std::int64_t{2});
    }

    /// Below 1.8 MHz of reference the deep band: 140 to 360 MHz; from there on the tall one: 210 to 792.
    void limitsByAnotherRate() {
        const auto stateOf = [](const std::string& divide, const std::string& multiply) {
            return derive(gorse(), planOf(loopOf(divide, multiply)), "A").findLine("f")->state;
        };
        QCOMPARE(stateOf("16", "200"), State::kept);   // 1 MHz, 200 MHz
        QCOMPARE(stateOf("16", "370"), State::broken); // 370 MHz, beyond the deep band
        QCOMPARE(stateOf("8", "100"), State::broken);  // 2 MHz, 200 MHz: under the tall band
        QCOMPARE(stateOf("8", "370"), State::kept);    // 740 MHz
        const Figures figures = derive(gorse(), planOf(loopOf("16", "370")), "A");
        QVERIFY2(figures.findLine("f")->stateWhy.find("over its 360 MHz while f_ref is below 1.8 MHz") != std::string::npos,
                 figures.findLine("f")->stateWhy.c_str());
        QCOMPARE(derive(gorse(), planOf(loopOf("16", "370"), {}, "half"), "A").findLine("f")->state, State::broken);
    }

    /// The code of the input range follows the reference: 0 below 1.8 MHz, 1 below 3.6, 2 below 7.2, 3 from there on.
    void fieldsBoundToARate() {
        for (const auto& [crystal, divide, range, band] :
             {std::tuple("16 MHz", "16", 0, 1), std::tuple("18 MHz", "10", 1, 0), std::tuple("18 MHz", "5", 2, 0),
              std::tuple("16 MHz", "4", 2, 0), std::tuple("14.4 MHz", "2", 3, 0), std::tuple("14.4 MHz", "1", 3, 0)}) {
            const Figures figures = derive(gorse(), planOf(loopOf(divide, "100"), {}, "full", crystal), "A");
            const WaitFigure* found = waitNamed(figures, "input range of f");
            QVERIFY(found != nullptr && waitNamed(figures, "input range of g") == nullptr); // g is off
            QCOMPARE(found->waits, std::int64_t{range});
            QCOMPARE(fieldText(found->field->field), std::string("LOOP.FR[9:8]"));
            QCOMPARE(waitNamed(figures, "band of f")->waits, std::int64_t{band});
        }
    }

    /// 48 MHz in half: 1 wait state from 2.7 V on (24 and 48 MHz), below it 2 (18, 36, 54 MHz).
    void waitsByTierAndSupply() {
        Plan plan = planOf(choice("core", "from = \"xh\""), {}, "half", "24 MHz");
        const auto waits = [&](const char* supply) {
            plan.board.supply = Bounds::exactly(exact(supply));
            return derive(gorse(), plan, "A").waits.front().waits;
        };
        QCOMPARE(waits("2.7"), std::int64_t{0});
        QCOMPARE(waits("2.6"), std::int64_t{1});
        plan.board.supply.reset(); // unknown: as at the lowest
        QCOMPARE(derive(gorse(), plan, "A").waits.front().waits, std::int64_t{1});
    }

    /// full: 1.2 mA + 14 × 151 µA = 3.314 mA; half: 0.68 + 14 × 0.129 = 2.486; creep at 1.75 MHz: 0.05 + 1.75 × 0.094 = 0.2145;
    /// rq 95 µA on top.
    void drawsByTier() {
        for (const auto& [tier, divide, ampere] :
             {std::tuple("full", "1", "3.409e-3"), std::tuple("half", "1", "2.581e-3"), std::tuple("creep", "8", "309.5e-6")}) {
            const Figures figures = derive(gorse(), planOf(choice("core", std::string("divide = ") + divide), {}, tier), "A");
            QCOMPARE(modeNamed(figures, "run").ampere.nominal, exact(ampere));
        }
    }

    /// uart5 on the watch crystal draws 1.5 µA/MHz of bus e: 14 × 1.5 = 21 µA in run; in deep bus e stands.
    void drawsOfAnotherClock() {
        const auto drawn = [](const Figures& figures, const std::string& mode) {
            for (const Contribution& each : modeNamed(figures, mode).current.contributions) {
                if (each.name == "uart5") {
                    return each.typ.front();
                }
            }
            return Rational(-1);
        };
        const Figures figures =
            derive(gorse(), planOf(choice("uart5", "from = \"xs\""), ask("uart5 talks 9600 within 1 %")), "A");
        QCOMPARE(drawn(figures, "run"), exact("21e-6"));
        QCOMPARE(drawn(figures, "deep"), Rational(0));
        // 128 × 32768 ÷ 437 = 9597.95; 436 would be 9619.96
        QCOMPARE(heldIn(figures.promises[0].fields, "UART5.RATE[18:0]"), std::int64_t{437});
        QCOMPARE(figures.promises[0].got->nominal, Rational(128 * 32768, 437));
    }

    /// 430 µA while it converts, as soon as a promise makes it do so.
    void drawsWhileConverting() {
        const std::string on = choice("adc", "from = \"core\"\non = true");
        const auto run = [&](const std::string& promise) {
            return modeNamed(derive(gorse(), planOf(on, promise), "A"), "run").ampere.nominal;
        };
        QCOMPARE(run(ask("adc takes 1 k samples/s at 12 bit from 1 kohm")) - run({}), exact("430e-6"));
    }

    /// Memory b costs 0.3 µA at 25 °C and 2.4 µA at 85 °C; the base of deep is 1.9 and 15 µA there, 4 and 44 at most.
    void anOptionOverTemperature() {
        const auto deep = [](const std::string& modes) { return modeNamed(derive(gorse(), planOf(modes), "A"), "deep").ampere; };
        const Bounds off = deep({});
        const Bounds on = deep("[take.modes.deep]\nmemory_b = \"on\"\n");
        QCOMPARE(off.nominal, exact("1.9e-6"));
        QCOMPARE(on.nominal - off.nominal, exact("0.3e-6"));
        QCOMPARE(on.max - off.max, exact("2.4e-6"));
    }

    /// Woken on the crystal that is kept, nothing has to start again; woken on rq, the crystal takes 1.4 to 3.6 ms.
    void theClockAfterWakingIsChosen() {
        const std::string core = choice("core", "from = \"xh\"");
        const auto restored = [&](const std::string& modes) {
            return modeNamed(derive(gorse(), planOf(core + modes), "A"), "deep").wakeUp->restored;
        };
        QCOMPARE(restored({}).max, exact("3.6102e-3"));
        QCOMPARE(restored("[take.modes.deep]\nwakes_on = \"xh\"\n").max, exact("10.2e-6"));
        QCOMPARE(modeNamed(derive(gorse(), planOf(core), "A"), "idle").wakeUp->firstInstruction.nominal, Rational(11, 16000000));
    }

    /// 1.3 % by itself; 0.04 % while usb is on, and then its bit is set.
    void aToleranceThatLeansOnAnother() {
        const auto at = [](const std::string& choices) {
            return derive(gorse(), planOf(choices + choice("u48", "on = true")), "A");
        };
        const Figures off = at({});
        const Figures on = at(choice("usb", "on = true"));
        QCOMPARE(off.findLine("ru")->hertz->max, Rational(48000000) * exact("1.013"));
        QCOMPARE(on.findLine("ru")->hertz->max, Rational(48000000) * exact("1.0004"));
        QCOMPARE(heldIn(off.findLine("ru")->fields, "OSC.PORT[4]"), std::int64_t{0});
        QCOMPARE(heldIn(on.findLine("ru")->fields, "OSC.PORT[4]"), std::int64_t{1});
    }

    /// Every 10 min at 0.1 °C/min: 1 °C. Where the part tells 100 ppm/°C: 0.2 % left + 0.01 % + 20 ppm of the crystal. Where it
    /// does not tell, all that it can be apart: 1.7 + 2.4 % from 25 to 85 °C.
    void anRcTrimmedNowAndThen() {
        const Plan plan = planOf("", "[board.trimmed.rq]\nby = \"xs\"\nevery = \"10 min\"\ndrift = \"0.1 C/min\"\n");
        QCOMPARE(*plan.board.trimmed[0].drift * 600, Rational(1));
        const Bounds unknown = *derive(gorse(), plan, "A").findLine("rq")->hertz;
        QCOMPARE(unknown.max, Rational(14000000) * exact("1.00002") * (1 + exact("0.002") + exact("0.041")));
        Part part = gorse();
        part.sources[*part.findNode("rq")].trim->perCelsius = exact("1e-4");
        const Bounds told = *derive(part, plan, "A").findLine("rq")->hertz;
        QCOMPARE(told.max, Rational(14000000) * exact("1.00002") * exact("1.0021"));
        QCOMPARE(told.min, Rational(14000000) * exact("0.99998") * exact("0.9979"));
    }

    /// A crystal of its own range, or a clock that is fed in: up to 45 MHz, on one pin only, with its bit.
    void aClockFedIn() {
        const auto figuresWith = [](const std::string& rate, bool isFedIn) {
            Plan plan = planOf(choice("core", "from = \"xh\""), {}, "full", rate);
            plan.board.fitted[0].isFedIn = isFedIn;
            return derive(gorse(), plan, "A");
        };
        QVERIFY(hasErrors(figuresWith("40 MHz", false).findings));
        const Figures fed = figuresWith("40 MHz", true);
        QVERIFY2(!hasErrors(fed.findings), lines(fed.findings).c_str());
        QVERIFY(hasErrors(figuresWith("46 MHz", true).findings));
        QCOMPARE(heldIn(fed.findLine("xh")->fields, "OSC.MAIN[1]"), std::int64_t{1});
        const auto uses = [](const Figures& figures, const std::string& pin) {
            return std::any_of(figures.pins.begin(), figures.pins.end(),
                               [&](const PinFigure& each) { return each.pin == pin && !each.users.empty(); });
        };
        QVERIFY(uses(fed, "A1") && !uses(fed, "A2"));
        QVERIFY(uses(figuresWith("16 MHz", false), "A2"));
    }

    /// The harder drive has its own transconductance, draw and code.
    void aCrystalDrivenHarder() {
        const Figures figures = derive(gorse(), planOf(choice("xs", "drive = \"hard\"\non = true")), "A");
        QCOMPARE(heldIn(figures.findLine("xs")->fields, "BACKUP.OSC[3:2]"), std::int64_t{2});
        const auto& drawn = modeNamed(figures, "deep").current.contributions;
        const auto xs = std::find_if(drawn.begin(), drawn.end(), [](const Contribution& each) { return each.name == "xs"; });
        QVERIFY(xs != drawn.end());
        QCOMPARE(xs->typ.front(), exact("460e-9"));
        QCOMPARE(xs->max.front(), exact("920e-9"));
    }

    /// From reset to 132 MHz: the key before each write that needs it, ready bits with the longest wait, all pieces of the
    /// factor, and the divider at 2 for 1.5 µs before the core goes above 70 MHz.
    void theWayThere() {
        const Plan plan =
            planOf(choice("loop_src", "from = \"xh\"") + choice("f_ref", "divide = 4") + choice("f", "multiply = 66") +
                   choice("f_p", "divide = 2") + choice("core", "from = \"f_p\"") + choice("bus_e", "divide = 2"));
        const WritingOrder way = writingOrder(gorse(), plan, std::nullopt, "A");
        QCOMPARE(way.trouble, std::string());
        const auto place = [&](const std::string& say) {
            const auto found =
                std::find_if(way.steps.begin(), way.steps.end(), [&](const ClockWrite& step) { return step.say == say; });
            return static_cast<std::ptrdiff_t>(found - way.steps.begin());
        };
        const auto count = static_cast<std::ptrdiff_t>(way.steps.size());
        for (const char* say : {"tier full", "f × 66", "core ÷ 2 on the way", "core from f_p", "core ÷ 1"}) {
            QVERIFY2(place(say) < count, say);
        }
        const ClockWrite& tier = way.steps[static_cast<std::size_t>(place("tier full"))];
        QCOMPARE(fieldText(tier.fields.front().field), std::string("POWER.KEY[31:0]"));
        QCOMPARE(tier.fields.front().held, std::int64_t{0x6B39});
        QCOMPARE(fieldText(*tier.until), std::string("POWER.STATE[2]"));
        QCOMPARE(tier.wait->max, std::optional(exact("40e-6")));
        QCOMPARE(way.steps[static_cast<std::size_t>(place("f × 66"))].fields.size(), std::size_t{3});
        const auto slow = place("core ÷ 2 on the way");
        QVERIFY(slow < place("core from f_p") && place("core from f_p") < place("core ÷ 1"));
        const ClockWrite& turned = way.steps[static_cast<std::size_t>(place("core from f_p"))];
        QCOMPARE(turned.core, std::optional(Rational(66000000)));
        QCOMPARE(turned.wait->max, std::optional(exact("1.5e-6")));
        QCOMPARE(fieldText(turned.shown->field), std::string("CLK.CORE[3:2]"));
        QCOMPARE(turned.shown->held, std::int64_t{2});
        // to 66 MHz the core may go at once
        const Plan calm = planOf(choice("loop_src", "from = \"xh\"") + choice("f_ref", "divide = 4") +
                                 choice("f", "multiply = 66") + choice("f_p", "divide = 4") + choice("core", "from = \"f_p\""));
        for (const ClockWrite& step : writingOrder(gorse(), calm, std::nullopt, "A").steps) {
            QVERIFY2(step.say.find("on the way") == std::string::npos, step.say.c_str());
        }
    }

    /// 1 h is beyond 16 bits of 32768 Hz ÷ 32, 64 s; in seconds it is 3600, with the calendar making 1 Hz.
    void aWakeUpCounterOfSeconds() {
        const Figures figures = derive(gorse(),
                                       planOf("", ask("wakes from deep in at most 10 ms by calendar every 1 h") +
                                                      ask("calendar fires every 10 s within 1 %")),
                                       "A");
        QCOMPARE(figures.promises[0].state, State::kept);
        QCOMPARE(figures.promises[0].settings, (std::vector<Setting>{{"prescaler", 32768}, {"counts", 3600}}));
        QCOMPARE(figures.promises[1].state, State::kept);
        QVERIFY(figures.promises[1].settings.front().value <= 32);
    }

    /// 50 bit/s from 16 MHz need 320000 clocks a bit, beyond 16 × 4095: only behind the prescaler.
    void aPrescalerBeforeAUart() {
        const Figures figures = derive(gorse(), planOf(choice("core", "from = \"xh\""), ask("uart1 talks 50 within 1 %")), "A");
        QCOMPARE(figures.promises[0].state, State::kept);
        const auto settings = figures.promises[0].settings;
        const auto value = [&](const std::string& name) {
            return std::find_if(settings.begin(), settings.end(), [&](const Setting& each) { return each.name == name; })->value;
        };
        QVERIFY(value("prescaler") > 1);
        QCOMPARE(figures.promises[0].got->nominal,
                 Rational(16000000) / (value("oversample") * value("prescaler") * value("divisor")));
    }

    /// A watchdog that counts down from START to 31: 20 counts of bus e ÷ 1024 ÷ 4 are START = 51.
    void aWatchdogThatCountsDown() {
        const Figures figures =
            derive(gorse(), planOf("", ask("dog2 bites after 40 ms, fed every 20 ms, opens after 10 ms")), "A");
        const auto& promise = figures.promises[0];
        const auto setting = [&](const std::string& name) {
            const auto found = std::find_if(promise.settings.begin(), promise.settings.end(),
                                            [&](const Setting& each) { return each.name == name; });
            return found == promise.settings.end() ? std::int64_t{-1} : *found->value.toInt64();
        };
        QCOMPARE(heldIn(promise.fields, "DOG2.START[5:0]"), setting("counts") + 31);
        // it may be fed once the count is below WINDOW: after `window` counts from START
        QCOMPARE(heldIn(promise.fields, "DOG2.WINDOW[5:0]"), setting("counts") + 31 - setting("window") + 1);
    }

    /// What the plan says of the board and the take is read as it was written, and written as it was read.
    void plansKeepTheirWords() {
        Plan plan =
            planOf(choice("xs", "drive = \"hard\"") + "[take.modes.deep]\nwakes_on = \"xh\"\n",
                   "[board.trimmed.rq]\nby = \"xs\"\nevery = \"10 min\"\ndrift = \"0.5 C/min\"\n[board.routes]\n\"uart1.tx\" = "
                   "\"B6\"\nuart1.rx = \"B7\"\n" +
                       ask("uart1 talks 9600, in take A"));
        plan.board.fitted[0].isFedIn = true;
        QCOMPARE(plan.board.routes, (std::vector<std::pair<std::string, std::string>>{{"uart1.rx", "B7"}, {"uart1.tx", "B6"}}));
        const std::string written = writePlan(plan);
        const PlanFile again = readPlan(written, "p", &gorse());
        QVERIFY2(again.plan, lines(again.diagnostics).c_str());
        QVERIFY(*again.plan == plan);
        QCOMPARE(writePlan(*again.plan), written);
        const PlanFile faulty =
            readPlan("format = \"wisetick-plan/1\"\nname = \"x\"\npart = \"gorse-12\"\n[board.routes]\n\"uart1.tx\" = "
                     "\"D5\"\n\"uart9.tx\" = \"A9\"\n[take.choices.rq]\n[[take]]\nname = \"A\"\n",
                     "p", &gorse());
        QVERIFY(!faulty.plan);
        const PlanFile wrong =
            readPlan("format = \"wisetick-plan/1\"\nname = \"x\"\npart = \"gorse-12\"\n[board.routes]\n\"uart1.tx\" = "
                     "\"D5\"\n\"uart1.tz\" = \"A9\"\n[[take]]\nname = \"A\"\n[take.choices.xs]\ndrive = \"wild\"\n",
                     "p", &gorse());
        const std::string said = lines(wrong.diagnostics);
        QVERIFY2(said.find("no pin for 'uart1.tx' 'D5'; expected 'A9', 'B6' or 'C4'") != std::string::npos, said.c_str());
        QVERIFY2(said.find("did you mean 'uart1.tx'?") != std::string::npos, said.c_str());
        QVERIFY2(said.find("no drive of 'xs' 'wild'; expected 'soft', 'even' or 'hard'") != std::string::npos, said.c_str());
    }

    // ---- scope ------------------------------------------------------------------------------------------------

    /// What is asked in another take is not asked here, and switches nothing on here; while a job runs, what it asks is on then.
    void scopeOfPromises() {
        const std::string text = ask("uart1 talks 9600, in take B") + ask("uart2 talks 9600, while report") +
                                 ask("core runs at 14 MHz") +
                                 "[[job]]\nname = \"report\"\nevery = \"1 s\"\nlasts = \"10 ms\"\ntake = \"A\"\n";
        const Plan plan = planOf("[[take]]\nname = \"B\"\ntier = \"full\"\nrests_in = \"deep\"\n", text);
        const Figures a = derive(gorse(), plan, "A");
        const Figures b = derive(gorse(), plan, "B");
        QCOMPARE(stateName(a.promises[0].state), std::string("elsewhere"));
        QCOMPARE(stateName(a.promises[1].state), std::string("kept"));
        QCOMPARE(stateName(b.promises[0].state), std::string("kept"));
        QCOMPARE(stateName(b.promises[1].state), std::string("elsewhere"));
        const auto drawsUart = [](const Figures& figures, const std::string& id) {
            const auto& list = modeNamed(figures, "run").peripherals;
            return std::find(list.begin(), list.end(), id) != list.end();
        };
        QVERIFY(!drawsUart(a, "uart1") && drawsUart(b, "uart1"));
        QVERIFY(!drawsUart(a, "uart2")); // only while the job runs
        QCOMPARE(takesThatCount(plan), (std::vector<std::string>{"A", "B"}));
        // its draw counts while the job runs: uart2 2.1 µA/MHz × 14 MHz for 10 ms of 1 s
        const Figures with = evaluate(gorse(), plan, "A");
        Plan without = plan;
        without.promises.erase(without.promises.begin() + 1);
        const Figures bare = evaluate(gorse(), without, "A");
        const Rational more = with.rhythm->average->nominal - bare.rhythm->average->nominal;
        QVERIFY(abs(more - exact("29.4e-6") / 100) < exact("1e-9"));
    }

    void scopeIsChecked() {
        const PlanFile file =
            readPlan("format = \"wisetick-plan/1\"\nname = \"x\"\npart = \"gorse-12\"\n" +
                         ask("core runs at 14 MHz, in take van") + ask("uart1 talks 9600, while reprot") +
                         "[[job]]\nname = \"report\"\nevery = \"1 s\"\nlasts = \"1 ms\"\n[[take]]\nname = \"A\"\n",
                     "p", &gorse());
        const std::string got = lines(file.diagnostics);
        QVERIFY2(got.find("no take 'van'") != std::string::npos, got.c_str());
        QVERIFY2(got.find("no job 'reprot'; expected 'report'; did you mean 'report'?") != std::string::npos, got.c_str());
    }

    /// A promise that is put in or written over may name no take and no job that the plan has not.
    void aScopeMustBeThere() {
        Plan plan = planOf("", ask("core runs at 14 MHz"));
        const Plan before = plan;
        const auto promise = [](const std::string& text) { return Promise{text, *readPromiseLine(text, &gorse())}; };
        QCOMPARE(addPromise(plan, promise("uart1 talks 9600, while report")),
                 std::string("there is no job 'report' while which it could be asked"));
        QCOMPARE(replacePromise(plan, 0, promise("core runs at 14 MHz, in take van")),
                 std::string("there is no take 'van' in which it could be asked"));
        QVERIFY(plan == before);
        QCOMPARE(addPromise(plan, promise("uart1 talks 9600, in take A")), std::string());
        QCOMPARE(plan.promises.size(), std::size_t{2});
    }

    // ---- pins -------------------------------------------------------------------------------------------------

    /// uart2 would stand on A2 and A3, which the crystals take.
    void theFirstFreePinIsTaken() {
        const Figures figures =
            derive(gorse(), planOf(choice("core", "from = \"xh\"") + choice("xs", "on = true"), ask("uart2 talks 9600")), "A");
        const auto pinOf = [&](const std::string& signal) {
            const auto found = std::find_if(figures.routes.begin(), figures.routes.end(),
                                            [&](const RouteFigure& each) { return each.signal == signal; });
            return found->pin;
        };
        QCOMPARE(pinOf("uart2.tx"), std::string("D5"));
        QCOMPARE(pinOf("uart2.rx"), std::string("D6"));
        QCOMPARE(pinOf("uart1.tx"), std::string());
        QVERIFY(std::all_of(figures.pins.begin(), figures.pins.end(), [](const PinFigure& pin) { return pin.why.empty(); }));
    }

    /// Against trying every assignment: the same answer; what can't stand together can't, and without any one of it can.
    void routingsAgreeWithTryingAll() {
        Random random;
        int impossible = 0;
        for (int round = 0; round < 400; ++round) {
            Part part = gorse();
            for (Line& line : part.lines) {
                line.signalPins.clear();
            }
            for (Peripheral& each : part.peripherals) {
                each.signalPins.clear();
            }
            Peripheral& uart = part.peripherals[*part.findPeripheral("uart1")];
            const std::int64_t count = random.whole(1, 6);
            for (std::int64_t i = 0; i < count; ++i) {
                Signal signal{"s" + std::to_string(i), {}};
                for (std::int64_t k = random.whole(1, 3); k > 0; --k) {
                    const std::string pin = "P" + std::to_string(random.whole(1, 5));
                    if (std::find(signal.places.begin(), signal.places.end(), pin) == signal.places.end()) {
                        signal.places.push_back(pin);
                    }
                }
                uart.signalPins.push_back(signal);
            }
            const Plan plan = planOf("", ask("uart1 talks 9600"));
            const Routing routing = routeAll(part, plan);
            std::vector<std::vector<std::string>> places;
            for (const Signal& signal : uart.signalPins) {
                places.push_back(signal.places);
            }
            QCOMPARE(routing.isPossible(), canStand(places));
            if (routing.isPossible()) {
                std::set<std::string> taken;
                for (std::size_t i = 0; i < places.size(); ++i) {
                    QCOMPARE(routing.places[i].first, "uart1." + uart.signalPins[i].name);
                    const std::string& pin = routing.places[i].second;
                    QVERIFY(std::find(places[i].begin(), places[i].end(), pin) != places[i].end());
                    QVERIFY(taken.insert(pin).second);
                }
                continue;
            }
            ++impossible;
            std::vector<std::vector<std::string>> conflict;
            for (const Signal& signal : uart.signalPins) {
                if (std::find(routing.conflict.begin(), routing.conflict.end(), "uart1." + signal.name) !=
                    routing.conflict.end()) {
                    conflict.push_back(signal.places);
                }
            }
            QVERIFY(!canStand(conflict));
            for (std::size_t i = 0; i < conflict.size(); ++i) {
                auto fewer = conflict;
                fewer.erase(fewer.begin() + static_cast<std::ptrdiff_t>(i));
                QVERIFY(canStand(fewer));
            }
        }
        QVERIFY(impossible > 20);
    }

private:
    /// Every assignment tried.
    static bool canStand(const std::vector<std::vector<std::string>>& places, std::size_t from = 0,
                         std::set<std::string> taken = {}) {
        if (from == places.size()) {
            return true;
        }
        return std::any_of(places[from].begin(), places[from].end(), [&](const std::string& pin) {
            std::set<std::string> more = taken;
            return more.insert(pin).second && canStand(places, from + 1, more);
        });
    }
};

QTEST_GUILESS_MAIN(CoreMiddlePart)
#include "core_middle_part.moc"
