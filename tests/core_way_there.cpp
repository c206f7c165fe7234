#include "evaluate/evaluate.h"
#include "files/shelf.h"
#include "handover/register_program.h"
#include "plan/take_edits.h"
#include "support.h"

#include <cmath>
#include <map>
#include <random>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// The middle-class part as its datasheet tells it, in words and numbers of its own: registers that are written, sources that
/// take their time, and all that must not happen on the way.
class GorseWorld {
public:
    /// `share`: how much of the longest start-up each source takes this time.
    GorseWorld(std::mt19937& random, double volt) : random_(random), volt_(volt) {
        regs_["OSC.QUICK"] = 0x100; // the quick RC runs
        regs_["POWER.GRADE"] = 0;
        readyAt_["rq"] = 0;
    }

    bool usesBusE = true; ///< something is on it, in the take that is left or in the one that is reached
    bool usesBusO = true;

    const std::string& fault() const { return fault_; }
    double seconds() const { return now_; }

    void run(const RegisterAct& act) {
        switch (act.kind) {
        case RegisterAct::Kind::modify: store(act.reg, (regs_[act.reg] & ~act.mask) | act.value, act.say); break;
        case RegisterAct::Kind::store: store(act.reg, act.value, act.say); break;
        case RegisterAct::Kind::load: break;
        case RegisterAct::Kind::until: until(act); break;
        case RegisterAct::Kind::wait: pass(act.seconds->toDouble()); break;
        case RegisterAct::Kind::awaitInterrupt:
        case RegisterAct::Kind::note: break;
        }
    }

    /// Whether a store leaves its register otherwise than it is.
    bool wouldChange(const RegisterAct& act) const {
        const auto held = regs_.find(act.reg);
        return ((held == regs_.end() ? 0 : held->second) & act.mask) != act.value;
    }

    double core() const {
        return rateOf(bits("CLK.CORE", 1, 0) == 0 ? "rq" : (bits("CLK.CORE", 1, 0) == 1 ? "xh" : "f_p")) / coreDivide();
    }
    double busE() const { return core() / busDivide(bits("CLK.DIV", 6, 4)); }
    double busO() const { return core() / busDivide(bits("CLK.DIV", 10, 8)); }
    double loop(char which) const {
        const std::string name = std::string("LOOP.") + which;
        const double fraction = bits(name + "R", 11, 11) == 1 ? static_cast<double>(bits(name + "F", 10, 0)) / 2048 : 0;
        return reference(which) * (static_cast<double>(bits(name + "M", 8, 0)) + 1 + fraction);
    }
    bool isOn(const std::string& source) const { return readyAt_.contains(source); }
    std::uint64_t grade() const { return bits("POWER.GRADE", 1, 0); }

private:
    std::uint64_t bits(const std::string& reg, int msb, int lsb) const {
        const auto found = regs_.find(reg);
        return found == regs_.end() ? 0 : (found->second >> lsb) & ((std::uint64_t{1} << (msb - lsb + 1)) - 1);
    }

    void fail(const std::string& what) { fault_ = fault_.empty() ? what : fault_; }

    bool runs(const std::string& source) const {
        const auto found = readyAt_.find(source);
        return found != readyAt_.end() && found->second <= now_;
    }

    double loopSource() const {
        switch (bits("LOOP.SOURCE", 1, 0)) {
        case 1: return rateOf("rq");
        case 2: return rateOf("xh");
        case 3: return rateOf("ru");
        default: return 0;
        }
    }
    double reference(char which) const {
        return loopSource() / static_cast<double>(bits(std::string("LOOP.") + which + "R", 4, 0) + 1);
    }

    double rateOf(const std::string& what) const {
        if (what == "f_p") {
            constexpr double kOutput[] = {2, 3, 4, 6, 8, 12, 16, 0};
            const bool isLetOut = bits("LOOP.ON", 0, 0) == 1 && runs("f");
            return isLetOut ? loop('F') / kOutput[bits("LOOP.FD", 2, 0)] : 0;
        }
        const std::map<std::string, double> rates{{"rq", 14e6}, {"xh", 16e6}, {"ru", 48e6}};
        return runs(what) ? rates.at(what) : 0;
    }

    double coreDivide() const {
        const std::map<std::uint64_t, double> codes{{0, 1}, {3, 2}, {4, 4}, {5, 8}, {6, 32}, {7, 64}, {9, 128}};
        const auto found = codes.find(bits("CLK.DIV", 3, 0));
        return found == codes.end() ? std::nan("") : found->second;
    }
    static double busDivide(std::uint64_t code) {
        const std::map<std::uint64_t, double> codes{{0, 1}, {1, 2}, {4, 3}, {6, 6}};
        const auto found = codes.find(code);
        return found == codes.end() ? std::nan("") : found->second;
    }

    void pass(double seconds) { now_ += seconds; }

    void until(const RegisterAct& act) {
        const double longest = act.seconds ? act.seconds->toDouble() : 10;
        const double from = now_;
        while ((shown(act.reg) & act.mask) != act.value) {
            now_ += 1e-7;
            if (now_ - from > longest * 1.0001 + 1e-6) {
                fail("waited in vain: " + act.say);
                return;
            }
            if (now_ - from > 1e-4) { // seconds of a watch crystal need no steps of a tenth of a microsecond
                now_ += (now_ - from) * 1e-3;
            }
        }
    }

    /// A register with the bits that the part sets itself.
    std::uint64_t shown(const std::string& reg) const {
        std::uint64_t value = regs_.contains(reg) ? regs_.at(reg) : 0;
        const auto ready = [&](const std::string& where, const std::string& what, int bit) {
            value |= reg == where && runs(what) ? std::uint64_t{1} << bit : 0;
        };
        ready("OSC.MAIN", "xh", 8);
        ready("OSC.QUICK", "rq", 9);
        ready("OSC.PORT", "ru", 1);
        ready("BACKUP.OSC", "xs", 1);
        ready("OSC.SLOW", "rs", 1);
        ready("OSC.LOOPS", "f", 1);
        ready("OSC.LOOPS", "g", 3);
        value |= reg == "POWER.STATE" && gradeAt_ <= now_ ? 4 : 0;
        value = reg == "CLK.CORE" ? (value & ~std::uint64_t{0xC}) | (bits("CLK.CORE", 1, 0) << 2) : value;
        return value;
    }

    void store(const std::string& reg, std::uint64_t value, const std::string& say) {
        const bool isLocked = reg == "POWER.GRADE" || reg == "POWER.REST" || reg.rfind("BACKUP.", 0) == 0;
        if (isLocked && !isOpen_) {
            fail(reg + " is written without its key: " + say);
            return;
        }
        isOpen_ = reg == "POWER.KEY" && value == 0x6B39; // any other write locks it again
        const std::map<std::string, std::uint64_t> before = regs_;
        const double was = core();
        const std::uint64_t wasGrade = grade();
        regs_[reg] = value;
        standStill(before, say);
        startAndStop();
        if (wasGrade != grade()) {
            gradeAt_ = grade() < wasGrade ? now_ + lasting(25e-6, 40e-6) : now_; // raised: it takes its time
        }
        judge(was, say);
    }

    /// Settings of a multiplier are taken only while it is off.
    void standStill(const std::map<std::string, std::uint64_t>& before, const std::string& say) {
        for (const char which : {'F', 'G'}) {
            if (!isOn(which == 'F' ? "f" : "g")) {
                continue;
            }
            for (const char* part : {"M", "F", "R"}) {
                const std::string reg = std::string("LOOP.") + which + part;
                const auto old = before.find(reg);
                if ((old == before.end() ? 0 : old->second) != (regs_.contains(reg) ? regs_.at(reg) : 0)) {
                    fail(reg + " is written while it runs: " + say);
                }
            }
        }
    }

    double lasting(double typical, double longest) { return std::uniform_real_distribution<double>(typical, longest)(random_); }

    void startAndStop() {
        const auto follow = [&](const std::string& source, bool isStarted, double typical, double longest) {
            if (isStarted && !isOn(source)) {
                readyAt_[source] = now_ + lasting(typical, longest);
            } else if (!isStarted) {
                readyAt_.erase(source);
            }
        };
        follow("xh", bits("OSC.MAIN", 0, 0) == 1, 1.4e-3, 3.6e-3);
        follow("rq", bits("OSC.QUICK", 8, 8) == 1, 2.5e-6, 4e-6);
        follow("ru", bits("OSC.PORT", 0, 0) == 1, 4e-6, 7e-6);
        follow("xs", bits("BACKUP.OSC", 0, 0) == 1, 1.6, 3.5);
        follow("rs", bits("OSC.SLOW", 0, 0) == 1, 70e-6, 120e-6);
        follow("f", bits("OSC.LOOPS", 0, 0) == 1, 80e-6, 190e-6);
        follow("g", bits("OSC.LOOPS", 2, 2) == 1, 80e-6, 190e-6);
    }

    static bool isAbove(double rate, double limit) { return rate > limit * 1.001001; }

    void judge(double was, const std::string& say) {
        const double rate = core();
        if (!(rate > 0)) {
            fail("the core has no clock: " + say);
            return;
        }
        constexpr double kMost[] = {132e6, 60e6, 3e6, 0};
        const double most = kMost[grade()];
        if (isAbove(rate, most) || (usesBusE && isAbove(busE(), 66e6)) || (usesBusO && isAbove(busO(), 132e6))) {
            fail("a limit is overstepped: " + say);
        }
        if (rate > was && gradeAt_ > now_) {
            fail("a rate goes up before its grade is there: " + say);
        }
        judgeWaits(rate, say);
        if (was < 70e6 && rate > 70e6 && (bits("CLK.DIV", 3, 0) == 3 || slowSince_ < 0 || now_ - slowSince_ < 1.5e-6 * 0.999)) {
            fail("the core jumps above 70 MHz: " + say);
        }
        slowSince_ = bits("CLK.DIV", 3, 0) == 3 ? (slowSince_ < 0 || was != rate ? now_ : slowSince_) : -1;
        for (const char which : {'F', 'G'}) {
            judgeLoop(which, say);
        }
    }

    void judgeWaits(double rate, const std::string& say) {
        const bool isHigh = volt_ >= 2.7;
        std::vector<double> steps;
        if (grade() == 0) {
            steps = isHigh ? std::vector<double>{27, 54, 81, 108, 132} : std::vector<double>{22, 44, 66, 88, 110, 132};
        } else if (grade() == 1) {
            steps = isHigh ? std::vector<double>{24, 48, 60} : std::vector<double>{18, 36, 54, 60};
        } else {
            steps = {3};
        }
        std::size_t needed = 0;
        while (needed < steps.size() && isAbove(rate, steps[needed] * 1e6)) {
            ++needed;
        }
        if (bits("MEM.WAIT", 3, 0) < needed) {
            fail("too few wait states: " + say);
        }
    }

    void judgeLoop(char which, const std::string& say) {
        if (!isOn(which == 'F' ? "f" : "g")) {
            return;
        }
        const double ref = reference(which);
        const std::string name = std::string("LOOP.") + which + "R";
        const std::uint64_t range = ref < 1.8e6 ? 0 : (ref < 3.6e6 ? 1 : (ref < 7.2e6 ? 2 : 3));
        const double vco = loop(which);
        const bool isTall = bits(name, 10, 10) == 0;
        if (ref < 0.899e6 || isAbove(ref, 14.4e6)) {
            fail("a multiplier is badly fed: " + say);
        } else if (bits(name, 9, 8) != range || isTall != (ref >= 1.8e6)) {
            fail("the range or the band of a multiplier is wrong: " + say);
        } else if (vco < (isTall ? 209.7e6 : 139.8e6) || isAbove(vco, isTall ? 792e6 : 360e6) ||
                   (grade() == 1 && isAbove(vco, 400e6))) {
            fail("a multiplier is out of its band: " + say);
        }
    }

    std::mt19937& random_;
    double volt_;
    std::map<std::string, std::uint64_t> regs_;
    std::map<std::string, double> readyAt_; ///< s; of what is on
    double now_ = 0;
    double gradeAt_ = 0;
    double slowSince_ = -1; ///< s, since when the core's divider stands at 2 at this rate
    bool isOpen_ = false;
    std::string fault_;
};

class Choices {
public:
    Choices(const Part& part, std::mt19937& random) : part_(part), random_(random) {}

    /// A take with the core anywhere and the buses divided at random; most are not allowed.
    Take any(const std::string& name) {
        Take take;
        take.name = name;
        take.tier = oneOf<std::string>({"full", "half", "creep"});
        if (oneOf<int>({0, 1, 2}) == 0) { // few of those made blindly get the core above 70 MHz
            take.tier = "full";
            set(take, "core").from = "f_p";
            set(take, "bus_e").divide = 2;
            set(take, "loop_src").from = "xh";
            set(take, "f_ref").divide = oneOf<Rational>({2, 4, 5, 8});
            set(take, "f").multiply = number(20, 132);
            set(take, "f_p").divide = oneOf<Rational>({2, 3, 4});
            return take;
        }
        const std::string core = oneOf<std::string>({"rq", "xh", "f_p"});
        set(take, "core").from = core;
        set(take, "core").divide = oneOf<Rational>({1, 1, 1, 2, 4, 8, 32});
        set(take, "bus_e").divide = oneOf<Rational>({1, 2, 3, 6});
        set(take, "bus_o").divide = oneOf<Rational>({1, 2, 3, 6});
        if (core == "f_p") {
            set(take, "loop_src").from = oneOf<std::string>({"rq", "xh", "ru"});
            set(take, "f_ref").divide = number(1, 20);
            set(take, "f").multiply =
                oneOf<int>({0, 1}) == 0 ? number(6, 400) : Rational(number(6 * 2048, 200 * 2048).toInt64().value(), 2048);
            set(take, "f_p").divide = oneOf<Rational>({2, 3, 4, 6, 8});
        }
        return take;
    }

    template <class Value>
    Value oneOf(std::vector<Value> values) {
        return values[std::uniform_int_distribution<std::size_t>(0, values.size() - 1)(random_)];
    }

private:
    Rational number(std::int64_t from, std::int64_t to) {
        return Rational(std::uniform_int_distribution<std::int64_t>(from, to)(random_));
    }
    Choice& set(Take& take, const std::string& id) { return choiceOf(take, id); }

    const Part& part_;
    std::mt19937& random_;
};

} // namespace

/// The register programs of random takes of the middle-class part, run on its datasheet.
class CoreWayThere : public QObject {
    Q_OBJECT

    static LoadedPlan buoy() { return loadPlan(sourceDir() + "/examples/lagoon-buoy.plan.toml", {sourceDir() + "/parts"}); }

    static void play(GorseWorld& world, const RegisterProgram& program) {
        for (const RegisterRoutine& routine : program.routines) {
            for (const RegisterAct& act : routine.isStart ? routine.acts : std::vector<RegisterAct>()) {
                world.run(act);
            }
        }
    }

    /// What is wrong with where the world stands; empty where it is as the figures say.
    static std::string differs(const GorseWorld& world, const Figures& figures) {
        const auto isNear = [](double a, const Rational& b) { return std::abs(a - b.toDouble()) <= 1e-6 * b.toDouble(); };
        const auto rate = [&](const char* id) { return figures.findLine(id)->hertz->nominal; };
        const auto isRight = [&](const char* id, double now) { return !figures.findLine(id)->isOn || isNear(now, rate(id)); };
        if (!isRight("core", world.core()) || !isRight("bus_e", world.busE()) || !isRight("bus_o", world.busO())) {
            return "rates differ: core " + std::to_string(world.core()) + " instead of " + rate("core").toString();
        }
        const LineFigure& f = *figures.findLine("f");
        if (f.isOn && !isNear(world.loop('F'), f.hertz->nominal)) {
            return "f is not as it shall be";
        }
        for (const char* id : {"xh", "rq", "ru", "xs", "rs", "f", "g"}) {
            if (world.isOn(id) != figures.findLine(id)->isOn) {
                return std::string(id) + (world.isOn(id) ? " is still on" : " is off");
            }
        }
        return world.grade() == (figures.tier == "full" ? 0U : (figures.tier == "half" ? 1U : 2U)) ? std::string()
                                                                                                   : "another grade";
    }

    static std::string saidOf(const RegisterProgram& program) {
        std::string text;
        for (const RegisterRoutine& routine : program.routines) {
            for (const RegisterAct& act : routine.isStart ? routine.acts : std::vector<RegisterAct>()) {
                text += routine.name + ": " + act.reg + " " + std::to_string(act.value) + " of " + std::to_string(act.mask) +
                        "  " + act.say + "\n";
            }
        }
        return text;
    }

private slots:
    /// From reset to a random take and from there to a second one: nothing that the datasheet forbids happens on the way,
    /// whatever the sources take of their start-up times, and the registers then stand as the figures say.
    void randomTakesAreReached() {
        const LoadedPlan loaded = buoy();
        const Part& part = *loaded.part;
        std::mt19937 random(20);
        Plan plan = freshPlan(part);
        plan.board = loaded.plan->board;
        for (const char* line : {"bus_e runs at least 1 Hz", "bus_o runs at least 1 Hz, in take A"}) { // so that they are in use
            plan.promises.push_back({line, readPromiseLine(line, &part).value()});
        }
        int reached = 0;
        int refused = 0;
        int fast = 0;
        for (int tried = 0; tried < 20000 && reached < 150; ++tried) {
            const double volt = std::uniform_int_distribution<int>(0, 1)(random) == 0 ? 3.0 : 2.4;
            plan.board.supply = Bounds::exactly(Rational(static_cast<std::int64_t>(volt * 10), 10));
            Choices choices(part, random);
            plan.takes = {choices.any("A"), choices.any("B")};
            plan.active = "A";
            const Figures a = derive(part, plan, "A");
            const Figures b = derive(part, plan, "B");
            if (hasErrors(a.findings) || hasErrors(b.findings)) {
                continue;
            }
            GorseWorld world(random, volt);
            world.usesBusE = a.findLine("bus_e")->isOn;
            world.usesBusO = a.findLine("bus_o")->isOn;
            const RegisterProgram there = registerProgram(part, plan, a, Broken::written);
            if (!there.left.empty()) { // it says so itself
                qInfo("%s", leftOutText(there.left.front()).c_str());
                ++refused;
                continue;
            }
            play(world, there);
            const std::string where = "seed 20, try " + std::to_string(tried) + "\n";
            QVERIFY2(world.fault().empty(), (where + world.fault() + "\n" + saidOf(there)).c_str());
            QVERIFY2(differs(world, a).empty(), (where + differs(world, a) + "\n" + saidOf(there)).c_str());
            fast += world.core() > 70e6 ? 1 : 0;
            const RegisterProgram on = registerProgram(part, plan, b, Broken::written, "A");
            if (on.left.empty()) {
                play(world, on);
                QVERIFY2(world.fault().empty(), (where + world.fault() + "\nfrom A to B:\n" + saidOf(on)).c_str());
                QVERIFY2(differs(world, b).empty(), (where + differs(world, b) + "\nfrom A to B:\n" + saidOf(on)).c_str());
            } else {
                qInfo("%s", (where + leftOutText(on.left.front())).c_str());
                ++refused;
            }
            ++reached;
        }
        qInfo("%d takes reached, %d refused, %d above 70 MHz", reached, refused, fast);
        QVERIFY(reached >= 100);
        QVERIFY(fast >= 10);
        QVERIFY(10 * refused <= reached);
    }

    /// The takes of the example, each from reset and from each other one.
    void takesOfTheExampleAreReached() {
        const LoadedPlan loaded = buoy();
        std::mt19937 random(4);
        for (const Take& from : loaded.plan->takes) {
            for (const Take& to : loaded.plan->takes) {
                GorseWorld world(random, 3.0);
                const Figures first = evaluate(*loaded.part, *loaded.plan, from.name);
                play(world, registerProgram(*loaded.part, *loaded.plan, first, Broken::written));
                QVERIFY2(world.fault().empty(), (from.name + ": " + world.fault()).c_str());
                QVERIFY2(differs(world, first).empty(), (from.name + ": " + differs(world, first)).c_str());
                if (from.name != to.name) {
                    const Figures second = evaluate(*loaded.part, *loaded.plan, to.name);
                    const RegisterProgram on = registerProgram(*loaded.part, *loaded.plan, second, Broken::written, from.name);
                    play(world, on);
                    QVERIFY2(world.fault().empty(),
                             (from.name + " to " + to.name + ": " + world.fault() + "\n" + saidOf(on)).c_str());
                    QVERIFY2(differs(world, second).empty(),
                             (from.name + " to " + to.name + ": " + differs(world, second)).c_str());
                }
            }
        }
    }

    /// The world itself sees what it is there to see.
    void theWorldFindsFaults() {
        const LoadedPlan loaded = buoy();
        std::mt19937 random(1);
        const Figures fast = evaluate(*loaded.part, *loaded.plan, "fast");
        const RegisterProgram program = registerProgram(*loaded.part, *loaded.plan, fast, Broken::written);
        const auto without = [&](const std::function<bool(const RegisterAct&)>& isLeftOut) {
            GorseWorld world(random, 3.0);
            for (const RegisterRoutine& routine : program.routines) {
                for (const RegisterAct& act : routine.isStart ? routine.acts : std::vector<RegisterAct>()) {
                    if (!isLeftOut(act)) {
                        world.run(act);
                    }
                }
            }
            return world.fault();
        };
        QCOMPARE(without([](const RegisterAct&) { return false; }), std::string());
        QVERIFY(without([](const RegisterAct& act) { return act.reg == "POWER.KEY"; }).find("without its key") !=
                std::string::npos);
        QVERIFY(without([](const RegisterAct& act) { return act.kind == RegisterAct::Kind::until; }) != std::string());
        QVERIFY(without([](const RegisterAct& act) { return act.kind == RegisterAct::Kind::wait; }).find("jumps above 70 MHz") !=
                std::string::npos);
        QVERIFY(without([](const RegisterAct& act) { return act.reg == "MEM.WAIT"; }).find("wait states") != std::string::npos);
    }

    /// Each act of the way dropped, with a bit of its value turned over, and swapped with the next one: all that changes a
    /// register of the clocks is noticed, on the way or at its end. Swapped acts that may stand in either order are counted
    /// apart.
    void mutantsAreCaught() {
        const LoadedPlan loaded = buoy();
        std::mt19937 random(7);
        int dropped = 0;
        int turned = 0;
        int swapped = 0;
        int free = 0;
        for (const char* name : {"fast", "bus"}) {
            const Take& take = *findTake(*loaded.plan, name);
            const Figures figures = evaluate(*loaded.part, *loaded.plan, take.name);
            std::vector<RegisterAct> acts;
            for (const RegisterRoutine& routine :
                 registerProgram(*loaded.part, *loaded.plan, figures, Broken::written).routines) {
                if (routine.isStart) {
                    acts.insert(acts.end(), routine.acts.begin(), routine.acts.end());
                }
            }
            const auto isCaught = [&](const std::vector<RegisterAct>& mutant) {
                GorseWorld world(random, 3.0);
                for (const RegisterAct& act : mutant) {
                    world.run(act);
                }
                return !world.fault().empty() || !differs(world, figures).empty();
            };
            QVERIFY(!isCaught(acts));
            GorseWorld before(random, 3.0);
            for (std::size_t i = 0; i < acts.size(); ++i) {
                const bool isOfClocks = acts[i].reg.rfind("LOOP.", 0) == 0 || acts[i].reg == "CLK.CORE" ||
                                        acts[i].reg == "CLK.DIV" || acts[i].reg == "MEM.WAIT" || acts[i].reg == "POWER.GRADE" ||
                                        acts[i].reg == "OSC.LOOPS" || acts[i].reg == "OSC.MAIN" || acts[i].reg == "OSC.QUICK" ||
                                        acts[i].reg == "BACKUP.OSC";
                const bool isStore = acts[i].kind == RegisterAct::Kind::modify && isOfClocks;
                const bool doesChange = isStore && before.wouldChange(acts[i]);
                before.run(acts[i]);
                const std::string where = take.name + ": " + acts[i].say;
                if (doesChange) {
                    std::vector<RegisterAct> mutant = acts;
                    mutant.erase(mutant.begin() + static_cast<std::ptrdiff_t>(i));
                    QVERIFY2(isCaught(mutant), ("dropped, " + where).c_str());
                    ++dropped;
                }
                const bool isLast =
                    std::none_of(acts.begin() + static_cast<std::ptrdiff_t>(i) + 1, acts.end(), [&](const RegisterAct& later) {
                        return later.reg == acts[i].reg && (later.mask & acts[i].mask) != 0;
                    });
                // a wait state more than needed does no harm, and neither does a fraction that is not let in, or one of 0 that is
                if (isStore && isLast && acts[i].reg != "MEM.WAIT" && acts[i].reg != "LOOP.FF" && acts[i].mask != 0x800) {
                    std::vector<RegisterAct> mutant = acts;
                    mutant[i].value ^= mutant[i].mask & (~mutant[i].mask + 1); // its lowest bit
                    QVERIFY2(isCaught(mutant), ("turned over, " + where).c_str());
                    ++turned;
                }
                if (i + 1 < acts.size() && acts[i].reg == "POWER.KEY") { // the key behind what it opens
                    std::vector<RegisterAct> mutant = acts;
                    std::swap(mutant[i], mutant[i + 1]);
                    QVERIFY2(isCaught(mutant), ("swapped, " + where).c_str());
                    ++swapped;
                } else if (i + 1 < acts.size() && isStore) {
                    std::vector<RegisterAct> mutant = acts;
                    std::swap(mutant[i], mutant[i + 1]);
                    (isCaught(mutant) ? swapped : free) += 1;
                }
            }
        }
        qInfo("caught: %d dropped, %d turned over, %d swapped; %d may stand in either order", dropped, turned, swapped, free);
        QVERIFY(dropped >= 15 && turned >= 10 && swapped >= 10);
    }
};

QTEST_APPLESS_MAIN(CoreWayThere)
#include "core_way_there.moc"
