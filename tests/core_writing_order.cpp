#include "derive/derive.h"
#include "derive/writing_order.h"
#include "evaluate/evaluate.h"
#include "evaluate/sleep_order.h"
#include "files/shelf.h"
#include "handover/figures_json.h"
#include "support.h"

#include <cmath>
#include <functional>
#include <map>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// The registers of the example's part as they are written, decoded by hand: what the hardware would do.
class Registers {
public:
    Registers() {
        at_ = {{"CLK.START[0]", 0},  {"CLK.START[1]", 1},   {"CLK.START[2]", 0},  {"CLK.START[3]", 0},
               {"CLK.START[4]", 0},  {"CLK.REF[4:0]", 1},   {"CLK.REF[8]", 0},    {"CLK.MULT[6:0]", 40},
               {"CLK.POST[3:0]", 1}, {"CLK.POST[11:8]", 1}, {"CLK.CORE[9:8]", 0}, {"CLK.CORE[2:0]", 0},
               {"CLK.BUS[2:0]", 0},  {"CLK.BUS[5:4]", 0},   {"MEM.WAIT[3:0]", 0}, {"CLK.TIMERS[1:0]", 0}};
    }

    void write(const FieldValue& field) { at_[fieldText(field.field)] = field.held; }

    std::int64_t of(const std::string& field) const { return at_.at(field); }
    bool pllRuns() const { return of("CLK.START[4]") == 1; }
    double source(std::int64_t code) const {
        return code == 0 ? (of("CLK.START[1]") == 1 ? 10e6 : 0) : (of("CLK.START[0]") == 1 ? 20e6 : 0);
    }
    double ref() const { return source(of("CLK.REF[8]")) / static_cast<double>(of("CLK.REF[4:0]") + 1); }
    double vco() const { return pllRuns() ? ref() * static_cast<double>(of("CLK.MULT[6:0]")) : 0; }
    double core() const {
        const std::int64_t from = of("CLK.CORE[9:8]");
        const double input = from == 2 ? vco() / static_cast<double>(of("CLK.POST[3:0]") + 1) : source(from);
        return input / static_cast<double>(std::int64_t{1} << of("CLK.CORE[2:0]"));
    }
    double busA() const { return core() / static_cast<double>(of("CLK.BUS[2:0]") + 1); }
    double busB() const { return core() / static_cast<double>(of("CLK.BUS[5:4]") + 1); }

    /// What is wrong; empty where nothing is.
    std::string fault() const {
        if (core() <= 0) {
            return "the core has no clock";
        }
        if (core() > 160.0001e6 || busA() > 50e6 || busB() > 100e6) {
            return "a limit is overstepped";
        }
        if (core() > 32e6 * static_cast<double>(of("MEM.WAIT[3:0]") + 1) * 1.0001) {
            return "too few wait states";
        }
        if (pllRuns() && (ref() < 3e6 || ref() > 6e6 || vco() < 160e6 || vco() > 500e6)) {
            return "the multiplier is badly fed";
        }
        return {};
    }

private:
    std::map<std::string, std::int64_t> at_;
};

std::vector<std::string> says(const WritingOrder& way) {
    std::vector<std::string> list;
    for (const ClockWrite& step : way.steps) {
        list.push_back(step.say);
    }
    return list;
}

std::ptrdiff_t place(const WritingOrder& way, const std::string& say) {
    const std::vector<std::string> list = says(way);
    return std::find(list.begin(), list.end(), say) - list.begin();
}

/// The example with more takes: copies of A with other settings.
Edited withTakes() {
    Edited edited = editedOrchard();
    const auto add = [&](const std::string& name, const std::function<void(Take&)>& change) {
        Take take = edited.plan.takes[0];
        take.name = name;
        change(take);
        edited.plan.takes.push_back(std::move(take));
    };
    const auto set = [](Take& take, const std::string& id) -> Choice& {
        return *std::find_if(take.choices.begin(), take.choices.end(), [&](const Choice& each) { return each.id == id; });
    };
    add("slower", [&](Take& take) { set(take, "vco").multiply = 80; });
    add("reference", [&](Take& take) {
        set(take, "ref").divide = 4;
        set(take, "vco").multiply = 96;
    });
    add("buses", [&](Take& take) {
        set(take, "core").from = "xtm";
        set(take, "bus_a").divide = 1;
        set(take, "bus_b").divide = 1;
    });
    return edited;
}

} // namespace

/// The order in which clock fields are written.
class CoreWritingOrder : public QObject {
    Q_OBJECT

private slots:
    void fromReset() {
        const Edited edited = editedOrchard();
        const WritingOrder way = writingOrder(edited.part, edited.plan, std::nullopt, "A");
        QCOMPARE(way.trouble, std::string());
        QVERIFY(place(way, "start xtm") < place(way, "start xtw"));
        QVERIFY(place(way, "start xtw") < place(way, "wait for xtm")); // they start side by side
        QVERIFY(place(way, "wait for xtm") < place(way, "ref from xtm"));
        QVERIFY(place(way, "core from pll_a") < place(way, "wait for xtw")); // nobody on the way needs that one
        QVERIFY(place(way, "vco \u00d7 120") < place(way, "start vco and wait until it is locked"));
        QVERIFY(place(way, "start vco and wait until it is locked") < place(way, "core from pll_a"));
        QVERIFY(place(way, "bus_a \u00f7 4") < place(way, "core from pll_a")); // the divider before the mux
        QCOMPARE(place(way, "wait states of core: 4") + 1, place(way, "core from pll_a"));
        QCOMPARE(says(way).back(), std::string("stop rcf"));
        QCOMPARE(way.steps.back().core, std::optional<Rational>(160000000));
        // the watch crystal is the last to be there, 1.5 s after it was started; crystal and lock take 3.1 ms beside it
        QCOMPARE(way.wait.max, std::optional<Rational>(exact("3/2")));
        QCOMPARE(way.wait.typ, std::optional<Rational>(exact("2/5")));
        const auto wait = [&](const std::string& say) { return *way.steps[static_cast<std::size_t>(place(way, say))].wait->max; };
        QCOMPARE(wait("wait for rcs"), exact("90e-6"));
        QCOMPARE(wait("wait for xtm"), exact("3e-3") - exact("90e-6"));
        QCOMPARE(wait("wait for xtw"), exact("3/2") - exact("31e-4"));
    }

    /// Down again: the rate first, then the waits, then the multiplier and the crystal.
    void fromOneTakeToAnother() {
        const Edited edited = editedOrchard();
        const WritingOrder way = writingOrder(edited.part, edited.plan, "A", "B");
        QCOMPARE(way.trouble, std::string());
        QVERIFY(place(way, "core from rcf") < place(way, "wait states of core: 0"));
        QVERIFY(place(way, "wait states of core: 0") < place(way, "stop vco"));
        QVERIFY(place(way, "stop vco") < place(way, "stop xtm"));
        QVERIFY(place(way, "core from rcf") < place(way, "bus_a \u00f7 1")); // \u00f7 1 at 160 MHz would overstep
    }

    void theCoreStepsAsideWhileItsMultiplierIsSet() {
        const Edited edited = withTakes();
        const WritingOrder way = writingOrder(edited.part, edited.plan, "A", "slower");
        QCOMPARE(says(way), std::vector<std::string>({"core from xtm in the meantime", "wait states of core: 0", "stop vco",
                                                      "vco \u00d7 80", "start vco and wait until it is locked",
                                                      "wait states of core: 3", "core from pll_a"}));
    }

    /// Every way between every two takes, written into the registers field by field: no moment is against the datasheet,
    /// and the end is the goal.
    void noMomentOversteps() {
        const Edited edited = withTakes();
        int count = 0;
        std::vector<std::optional<std::string>> starts{std::nullopt};
        for (const Take& take : edited.plan.takes) {
            starts.emplace_back(take.name);
        }
        for (const auto& start : starts) {
            for (const Take& goal : edited.plan.takes) {
                Registers registers;
                if (start) { // to the start first
                    for (const ClockWrite& step : writingOrder(edited.part, edited.plan, std::nullopt, *start).steps) {
                        std::for_each(step.fields.begin(), step.fields.end(),
                                      [&](const FieldValue& field) { registers.write(field); });
                    }
                }
                const WritingOrder way = writingOrder(edited.part, edited.plan, start, goal.name);
                QCOMPARE(way.trouble, std::string());
                for (const ClockWrite& step : way.steps) {
                    std::for_each(step.fields.begin(), step.fields.end(),
                                  [&](const FieldValue& field) { registers.write(field); });
                    const std::string where = start.value_or("reset") + " to " + goal.name + ", " + step.say + ": ";
                    QVERIFY2(registers.fault().empty(), (where + registers.fault()).c_str());
                    QVERIFY2(std::abs(registers.core() / step.core->toDouble() - 1) < 1e-9, where.c_str());
                    ++count;
                }
                const Figures figures = derive(edited.part, edited.plan, goal.name);
                QVERIFY(std::abs(registers.core() / figures.findLine("core")->hertz->nominal.toDouble() - 1) < 1e-9);
                QVERIFY(std::abs(registers.busA() / figures.findLine("bus_a")->hertz->nominal.toDouble() - 1) < 1e-9);
            }
        }
        QVERIFY(count > 100);
    }

    /// Random settings, each within its limits: between any two of them there is a way, and no moment of it oversteps.
    void randomTakesAreReached() {
        Edited edited = editedOrchard();
        Random random;
        const auto within = [&](const std::string& name) {
            const Figures figures = derive(edited.part, edited.plan, name);
            return std::none_of(figures.lines.begin(), figures.lines.end(),
                                [](const LineFigure& line) { return line.state == State::broken; }) &&
                   std::none_of(figures.findings.begin(), figures.findings.end(), [](const Diagnostic& finding) {
                       return finding.severity == Severity::error && finding.place.path.rfind("line/", 0) == 0;
                   });
        };
        std::vector<std::string> takes;
        for (int i = 0; takes.size() < 24 && i < 4000; ++i) {
            Take take = edited.plan.takes[0];
            take.name = "random " + std::to_string(i);
            for (Choice& choice : take.choices) {
                const auto node = edited.part.findNode(choice.id);
                if (!node || edited.part.isSource(*node) || random.coin()) {
                    continue;
                }
                const Line& line = edited.part.lineAt(*node);
                const auto any = [&](const FactorSet& set) { return set.at(random.whole(0, set.size().toInt64().value() - 1)); };
                choice.divide = line.divide.empty() ? std::nullopt : std::optional(any(line.divide));
                choice.multiply = line.multiply.empty() ? std::nullopt : std::optional(any(line.multiply));
                if (line.from.size() > 1) {
                    choice.from = edited.part.nodeId(
                        line.from[static_cast<std::size_t>(random.whole(0, static_cast<std::int64_t>(line.from.size()) - 1))]);
                }
            }
            edited.plan.takes.push_back(take);
            if (within(take.name)) {
                takes.push_back(take.name);
            } else {
                edited.plan.takes.pop_back();
            }
        }
        QVERIFY(takes.size() >= 8);
        for (std::size_t i = 0; i + 1 < takes.size(); ++i) {
            Registers registers;
            const auto follow = [&](const WritingOrder& way, const std::string& where) {
                QVERIFY2(way.trouble.empty(), (where + way.trouble).c_str());
                for (const ClockWrite& step : way.steps) {
                    std::for_each(step.fields.begin(), step.fields.end(),
                                  [&](const FieldValue& field) { registers.write(field); });
                    QVERIFY2(registers.fault().empty(), (where + step.say + ": " + registers.fault()).c_str());
                }
            };
            follow(writingOrder(edited.part, edited.plan, std::nullopt, takes[i]), "reset to " + takes[i] + ": ");
            follow(writingOrder(edited.part, edited.plan, takes[i], takes[i + 1]), takes[i] + " to " + takes[i + 1] + ": ");
            const Figures goal = derive(edited.part, edited.plan, takes[i + 1]);
            QVERIFY(std::abs(registers.core() / goal.findLine("core")->hertz->nominal.toDouble() - 1) < 1e-9);
        }
    }

    /// Every shipped plan is reached from reset and from each take to each other.
    void theShippedPlansAreReached() {
        int count = 0;
        for (const ShelvedPlan& shelved : plansIn(sourceDir() + "/examples")) {
            const LoadedPlan loaded = loadPlan(shelved.path, {sourceDir() + "/parts"});
            for (const Take& goal : loaded.plan->takes) {
                QCOMPARE(writingOrder(*loaded.part, *loaded.plan, std::nullopt, goal.name).trouble, std::string());
                for (const Take& from : loaded.plan->takes) {
                    QCOMPARE(writingOrder(*loaded.part, *loaded.plan, from.name, goal.name).trouble, std::string());
                    ++count;
                }
            }
        }
        QVERIFY(count >= 16);
    }

    /// Gates are let in last, when every rule allows what stands behind them: here the network's reference waits for a fast bus.
    void gatesWaitForTheirRules() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/spindle-balancer.plan.toml", {sourceDir() + "/parts"});
        const WritingOrder way = writingOrder(*loaded.part, *loaded.plan, std::nullopt, "full");
        QVERIFY(place(way, "sys from p1a") < place(way, "let in link_ref"));
        QVERIFY(place(way, "let in link_ref") < static_cast<std::ptrdiff_t>(way.steps.size()));
        const ClockWrite& step = way.steps[static_cast<std::size_t>(place(way, "let in link_ref"))];
        QCOMPARE(fieldText(step.fields[0].field), std::string("LINK.WIRE[31]"));
        const WritingOrder back = writingOrder(*loaded.part, *loaded.plan, "full", "waiting");
        QVERIFY(place(back, "shut off link_ref") < place(back, "sys from rch"));
    }

    /// A mux goes to a multiplier only once that runs: here the peripherals may not outrun the core on the way.
    void muxesWaitForTheirInput() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/river-gauge.plan.toml", {sourceDir() + "/parts"});
        const WritingOrder way = writingOrder(*loaded.part, *loaded.plan, std::nullopt, "A");
        QVERIFY(place(way, "mesh \u00d7 244") < place(way, "start mesh and wait until it is locked"));
        QVERIFY(place(way, "start mesh and wait until it is locked") < place(way, "core from mesh"));
        QVERIFY(place(way, "core from mesh") < place(way, "side from mesh"));
    }

    /// Woken, the core runs from the RC and the peripherals still hang on the meshed oscillator that stands still: they are put
    /// aside before it starts, or they would outrun the core. Played on the bits alone.
    void whatWouldOutrunTheCoreStandsAside() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/river-gauge.plan.toml", {sourceDir() + "/parts"});
        const SleepOrder order = sleepOrder(*loaded.part, *loaded.plan, evaluate(*loaded.part, *loaded.plan, "A"), "doze");
        bool isMeshOn = false;     // CKA.RUN[3]
        bool isSideOnMesh = true;  // CKB.SIDE[0] = 0
        bool isCoreOnMesh = false; // CKB.CORE[1:0] = 1, the RC
        for (const SleepStep& step : order.after) {
            QVERIFY2(step.say.find("can't be brought back") == std::string::npos, step.say.c_str());
            for (const FieldValue& value : step.fields) {
                const std::string field = fieldText(value.field);
                isMeshOn = field == "CKA.RUN[3]" ? value.held == 1 : isMeshOn;
                isSideOnMesh = field == "CKB.SIDE[0]" ? value.held == 0 : isSideOnMesh;
                isCoreOnMesh = field == "CKB.CORE[1:0]" ? value.held == 0 : isCoreOnMesh;
            }
            QVERIFY2(!isCoreOnMesh || isMeshOn, step.say.c_str());
            QVERIFY2(!isMeshOn || !isSideOnMesh || isCoreOnMesh, step.say.c_str()); // 8 MHz beside a core of 2 MHz
        }
        QVERIFY(isMeshOn && isSideOnMesh && isCoreOnMesh);
    }

    void nothingToDoIsNoStep() {
        const Edited edited = editedOrchard();
        QVERIFY(writingOrder(edited.part, edited.plan, "A", "A").steps.empty());
    }

    /// A goal that itself oversteps can't be reached; the way says where it ends.
    void aGoalOutsideItsLimits() {
        const Edited edited = editedOrchard("[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 2");
        const WritingOrder way = writingOrder(edited.part, edited.plan, std::nullopt, "A");
        QCOMPARE(way.trouble, std::string("core from pll_a: bus_a runs at 80 MHz, over its 50 MHz in tier fast"));
        QCOMPARE(way.steps.back().core, std::optional<Rational>(10000000)); // it stays where it is safe
    }

    /// A bus that is too fast now and stays so does not keep the other one from being set; to go faster still is refused.
    void aFaultThatStaysIsInNobodysWay() {
        Edited edited = editedOrchard("[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 3");
        Take other = edited.plan.takes[0];
        other.name = "other timers";
        choiceOf(other, "timers").from = "rcf";
        Take faster = edited.plan.takes[0];
        faster.name = "faster";
        choiceOf(faster, "bus_a").divide = 2;
        edited.plan.takes.push_back(other);
        edited.plan.takes.push_back(faster);
        const WritingOrder way = writingOrder(edited.part, edited.plan, "A", "other timers");
        QCOMPARE(std::string(way.trouble), std::string());
        const auto step = static_cast<std::size_t>(place(way, "timers from rcf"));
        QVERIFY(step < way.steps.size());
        QCOMPARE(fieldText(way.steps[step].fields[0].field), std::string("CLK.TIMERS[1:0]"));
        QCOMPARE(way.steps[step].fields[0].held, std::int64_t{1});
        QCOMPARE(std::string(writingOrder(edited.part, edited.plan, "A", "faster").trouble),
                 std::string("bus_a \u00f7 2: bus_a runs at 80 MHz, over its 50 MHz in tier fast"));
    }

    void anUnknownTakeThrows() {
        const Edited edited = editedOrchard();
        QVERIFY_THROWS_EXCEPTION(std::invalid_argument, writingOrder(edited.part, edited.plan, std::nullopt, "Z"));
        QVERIFY_THROWS_EXCEPTION(std::invalid_argument, writingOrder(edited.part, edited.plan, "Z", "A"));
    }

    void theJsonHoldsTheSteps() {
        const Edited edited = editedOrchard();
        const auto json = writingOrderJson(writingOrder(edited.part, edited.plan, std::nullopt, "A"));
        QCOMPARE(json["steps"][0]["say"].get<std::string>(), std::string("start xtm"));
        QVERIFY(!json["steps"][0].contains("wait_max"));
        QCOMPARE(json["steps"][0]["fields"][0]["hex"].get<std::string>(), std::string("0x1"));
        QCOMPARE(json["wait_max"].get<std::string>(), std::string("3/2"));
        QVERIFY(json["trouble"].is_null());
    }
};

QTEST_APPLESS_MAIN(CoreWritingOrder)
#include "core_writing_order.moc"
