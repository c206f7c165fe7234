#include "derive/derive.h"
#include "files/part_reader.h"
#include "files/plan_writer.h"
#include "plan/take_edits.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// The lines that differ, as "-old" and "+new", in order; a longest common subsequence.
std::string changedLines(const std::string& before, const std::string& after) {
    const auto split = [](const std::string& text) {
        std::vector<std::string> all;
        std::istringstream stream(text);
        for (std::string line; std::getline(stream, line);) {
            all.push_back(line);
        }
        return all;
    };
    const auto a = split(before);
    const auto b = split(after);
    std::vector<std::vector<int>> common(a.size() + 1, std::vector<int>(b.size() + 1));
    for (std::size_t i = a.size(); i-- > 0;) {
        for (std::size_t j = b.size(); j-- > 0;) {
            common[i][j] = a[i] == b[j] ? common[i + 1][j + 1] + 1 : std::max(common[i + 1][j], common[i][j + 1]);
        }
    }
    std::string text;
    std::size_t i = 0;
    std::size_t j = 0;
    while (i < a.size() || j < b.size()) {
        if (i < a.size() && j < b.size() && a[i] == b[j]) {
            ++i;
            ++j;
        } else if (i < a.size() && (j == b.size() || common[i + 1][j] >= common[i][j + 1])) {
            text += "-" + a[i++] + "\n";
        } else {
            text += "+" + b[j++] + "\n";
        }
    }
    return text;
}

/// A job of any kind with the name j and the number.
Job randomJob(Random& random, int number) {
    Job job;
    job.name = "j" + std::to_string(number);
    job.every = random.whole(1, 50);
    job.isRandom = random.coin();
    if (!job.isRandom && random.coin()) {
        job.jitter = Rational(1, random.whole(1, 9));
    }
    if (random.coin()) {
        job.cycles = random.whole(1, 1000);
    } else {
        job.lasts = Rational(random.whole(1, 1000), 1000);
    }
    job.mode = random.coin() ? "idle" : "";
    (random.coin() ? job.draws : job.brings) = Rational(random.whole(0, 1000), 100000);
    job.uses = {"uart1"};
    return job;
}

} // namespace

class CorePlanFiles : public QObject {
    Q_OBJECT

    Part part_ = readPart(marramText(), "marram").part.value();
    std::string text_ = orchardText();

    Plan planOf(const std::string& text) const {
        const PlanFile file = readPlan(text, "plan", &part_);
        if (!file.plan) {
            qFatal("%s", lines(file.diagnostics).c_str());
        }
        return *file.plan;
    }

    static Promise promise(const std::string& text) { return {text, readPromiseLine(text).value()}; }

private slots:
    void readsTheExample() {
        const Plan plan = planOf(text_);
        QCOMPARE(plan.name, std::string("Orchard sprayer"));
        QCOMPARE(plan.promises.size(), std::size_t{10});
        QCOMPARE(plan.jobs.size(), std::size_t{3});
        QCOMPARE(plan.takes.size(), std::size_t{2});
        QCOMPARE(plan.board.battery->capacity, Rational(18720));
        QCOMPARE(plan.board.fitted[0].tolerance->total(), exact("40/1000000"));
        QCOMPARE(*findChoice(plan.takes[0], "vco")->multiply, Rational(120));
    }

    void saysWhereTheFaultIs_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* name, const char* what, const char* by, const char* say) {
            QTest::newRow(name) << std::string(what) << std::string(by) << std::string(say);
        };
        row("a word of a promise", "uart1 talks 921600 within", "uart1 talks 921600 witin",
            "f:44:34: error: 'witin'; expected 'within 1.5 %', 'exactly', 'as 8N1', 'on one wire', 'also in idle', 'in take "
            "van' or 'while report'; did you mean 'within'?\n");
        row("a line that the part lacks", "[take.choices.bus_a]", "[take.choices.bus_c]",
            "f:113:1: error: no line, source or peripheral 'bus_c'; expected 'xtm', 'rcf', 'xtw', 'rcs', 'ref', 'vco', 'pll_a', "
            "'pll_b', 'core', 'bus_a', 'bus_b', 'timers' or one of 21 more; did you mean 'bus_a'?\n"
            "f:114:10: error: 'divide' for 'bus_c', which has no divider; expected a line with a divider\n");
        row("a multiplier on a divider", "[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\nmultiply = 4",
            "f:114:12: error: 'multiply' for 'bus_a', which has no multiplier; expected a line with a multiplier\n");
        row("a tier", "tier = \"fast\"", "tier = \"fats\"",
            "f:93:8: error: no tier 'fats'; expected 'fast' or 'low'; did you mean 'fast'?\n");
        row("a mode", "rests_in = \"deep\"", "rests_in = \"depp\"",
            "f:94:12: error: no mode 'depp'; expected 'run', 'idle', 'snooze', 'deep' or 'off'; did you mean 'deep'?\n");
        row("an rc fitted", "[board.fitted.xtw]", "[board.fitted.rcs]",
            "f:19:1: error: no crystal or clock input 'rcs'; expected 'xtm' or 'xtw'\n");
        row("a voltage in mA", "voltage = \"3.6 V\"", "voltage = \"3.6 mA\"",
            "f:34:16: error: 'mA' makes it a current; expected a voltage such as '3.3 V'\n");
        row("a range out of order", "min = \"3.2 V\"", "min = \"3.5 V\"",
            "f:8:10: error: a range out of order; expected min, nominal, max rising\n");
        row("both lasts and cycles", "cycles = 180000", "cycles = 180000\nlasts = \"1 ms\"",
            "f:78:1: error: both 'lasts' and 'cycles'; expected one of them: how long the job takes, in time or in core "
            "cycles\n");
        row("a job's take", "take = \"B\"", "take = \"C\"", "f:89:8: error: no take 'C'; expected 'A' or 'B'\n");
        row("the active take", "active = \"A\"", "active = \"Z\"", "f:5:10: error: no take 'Z'; expected 'A' or 'B'\n");
        row("two promises of a name", "log: uart2", "modem: uart2",
            "f:47:7: error: the promise 'modem' again; expected a name of its own\n");
        row("a lock", "locks = [\"pll_b.divide\"]", "locks = [\"pll_b.devide\"]",
            "f:95:9: error: no control 'devide'; expected 'from', 'divide', 'multiply' or 'on'; did you mean 'divide'?\n");
        row("a negative period", "every = \"20 s\"", "every = \"-20 s\"",
            "f:80:9: error: the text '-20 s'; expected a time above 0\n");
    }
    void saysWhereTheFaultIs() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const PlanFile file = readPlan(replaced(text_, what, by), "f", &part_);
        QVERIFY(!file.plan.has_value());
        QCOMPARE(lines(file.diagnostics), say);
    }

    void standsEveryTruncation() {
        for (std::size_t length = 0; length < text_.size(); length += 3) {
            const PlanFile file = readPlan(text_.substr(0, length), "f", &part_);
            QVERIFY(file.plan.has_value() != hasErrors(file.diagnostics));
        }
    }

    void writingAndReadingAreInverse() {
        const Plan plan = planOf(text_);
        const std::string written = writePlan(plan);
        QVERIFY(planOf(written) == plan);
        QCOMPARE(writePlan(planOf(written)), written);
    }

    void savingWithoutAChangeChangesNothing() {
        const Plan plan = planOf(text_);
        QCOMPARE(savePlan(plan, text_), text_);
    }

    /// One edit changes the lines that it concerns and no others.
    void oneEditChangesItsLines_data() {
        QTest::addColumn<QString>("edit");
        QTest::addColumn<std::string>("changed");
        const auto row = [](const char* edit, const char* changed) {
            QTest::newRow(edit) << QString(edit) << std::string(changed);
        };
        row("divide", "-divide = 4\n+divide = 2\n");
        row("fraction", "-multiply = 120\n+multiply = \"98 617/2048\"\n");
        row("from of a new line", "+[take.choices.timers]\n+from = \"rcf\"\n+\n");
        row("another control", "+from = \"xtm\"\n"); // core has divide only after this
        row("remove a control", "-from = \"xtm\"\n");
        row("remove a choice", "-[take.choices.vco]\n-multiply = 120\n-\n");
        row("supply", "-supply = { min = \"3.2 V\", nominal = \"3.3 V\", max = \"3.4 V\" }\n+supply = { min = \"3 V\", nominal = "
                      "\"3.3 V\", max = \"3.4 V\" }\n");
        row("value with a comment behind it", "-draws = { always = \"4 uA\" } # level shifter and pull-ups\n+draws = { always = "
                                              "\"5 \u00B5A\" } # level shifter and pull-ups\n");
        row("new promise", "+[[promise]]\n+say = \"log2: uart3 talks 57600\"\n+\n");
        row("promise text", "-say = \"modem: uart1 talks 921600 within 1.5 %\"\n+say = \"modem: uart1 talks 460800\"\n");
        row("remove a promise with its comment",
            "-# Broken on purpose: bus A at 40 MHz has no whole divisor near 5.425. Bus B at 80 MHz has one.\n-say = \"modem: "
            "uart1 talks 921600 within 1.5 %\"\n-\n-[[promise]]\n");
        row("rename a take", "-take = \"B\"\n+take = \"slow\"\n-name = \"B\"\n+name = \"slow\"\n");
        row("lock", "-locks = [\"pll_b.divide\"]\n+locks = [\"pll_b.divide\", \"ref\"]\n");
        row("pin", "+[take.pinned.tick]\n+prescaler = 4\n+counts = 20000\n+\n");
        row("new job", "+[[job]]\n+name = \"blow\"\n+every = \"2 h\"\n+lasts = \"10 s\"\n+\n");
        row("battery away", "-[board.battery]\n-capacity = \"5200 mAh\"\n-voltage = \"3.6 V\"\n-resistance = \"300 "
                            "mohm\"\n-usable = [[\"-10 C\", \"81 %\"], [\"25 C\", \"95 %\"], [\"60 C\", \"90 %\"]]\n"
                            "-fades = \"2 %/year\"\n-\n");
        row("another active take", "-active = \"A\"\n+active = \"B\"\n");
        row("note", "+note = \"for the east slope\"\n");
    }
    void oneEditChangesItsLines() {
        QFETCH(QString, edit);
        QFETCH(std::string, changed);
        Plan plan = planOf(text_);
        Take& take = plan.takes[0];
        const auto choice = [&](const std::string& id) -> Choice& {
            for (Choice& each : take.choices) {
                if (each.id == id) {
                    return each;
                }
            }
            take.choices.push_back({id, {}, {}, {}, {}});
            return take.choices.back();
        };
        const std::map<QString, std::function<void()>> edits{
            {"divide", [&] { choice("bus_a").divide = 2; }},
            {"fraction", [&] { choice("vco").multiply = exact("201321/2048"); }},
            {"from of a new line", [&] { choice("timers").from = "rcf"; }},
            {"another control", [&] { choice("bus_b").from = "xtm"; }},
            {"remove a control", [&] { choice("ref").from.reset(); }},
            {"remove a choice", [&] { take.choices.erase(take.choices.begin() + 1); }},
            {"supply", [&] { plan.board.supply->min = 3; }},
            {"value with a comment behind it", [&] { plan.board.alwaysDraws = exact("5/1000000"); }},
            {"new promise", [&] { plan.promises.push_back(promise("log2: uart3 talks 57600")); }},
            {"promise text", [&] { plan.promises[1] = promise("modem: uart1 talks 460800"); }},
            {"remove a promise with its comment", [&] { plan.promises.erase(plan.promises.begin() + 1); }},
            {"rename a take",
             [&] {
                 plan.takes[1].name = "slow";
                 plan.jobs[2].take = "slow";
             }},
            {"lock", [&] { take.locks.push_back("ref"); }},
            {"pin",
             [&] {
                 take.pinned.push_back({"tick", {{"prescaler", 4}, {"counts", 20000}}});
             }},
            {"new job",
             [&] {
                 Job blow;
                 blow.name = "blow";
                 blow.every = 7200;
                 blow.lasts = 10;
                 plan.jobs.push_back(blow);
             }},
            {"battery away", [&] { plan.board.battery.reset(); }},
            {"another active take", [&] { plan.active = "B"; }},
            {"note", [&] { plan.note = "for the east slope"; }},
        };
        edits.at(edit)();
        const std::string saved = savePlan(plan, text_);
        QCOMPARE(changedLines(text_, saved), changed);
        QVERIFY(readPlan(saved, "f", nullptr).plan == plan);
    }

    void movedPromisesTakeTheirCommentsAlong() {
        Plan plan = planOf(text_);
        std::swap(plan.promises[1], plan.promises[2]);
        const std::string saved = savePlan(plan, text_);
        QVERIFY(planOf(saved) == plan);
        const std::size_t comment = saved.find("# Broken on purpose");
        QVERIFY(comment > saved.find("log: uart2"));
        QCOMPARE(saved.substr(comment).find("say = \"modem"), saved.substr(comment).find("say = "));
        QCOMPARE(saved.size(), text_.size());
    }

    /// Other ways to write the same TOML are edited where they stand.
    void keepsTheWritersOwnStyle_data() {
        QTest::addColumn<std::string>("choices");
        QTest::addColumn<std::string>("changed");
        QTest::newRow("inline tables")
            << std::string("[take.choices]\nref = { from = \"xtm\", divide = 5 } # five\nvco = { multiply = 120 }\n")
            << std::string("-ref = { from = \"xtm\", divide = 5 } # five\n+ref = { from = \"xtm\", divide = 4 } # five\n");
        QTest::newRow("dotted keys") << std::string(
                                            "choices.ref.from = \"xtm\"\nchoices.ref.divide = 5\nchoices.vco.multiply = 120\n")
                                     << std::string("-choices.ref.divide = 5\n+choices.ref.divide = 4\n");
        QTest::newRow("spaces and quotes")
            << std::string("  [ take . choices . \"ref\" ]\n  from='xtm'\n  divide   =   5\n[take.choices.vco]\nmultiply = 120\n")
            << std::string("-  divide   =   5\n+  divide   =   4\n");
    }
    void keepsTheWritersOwnStyle() {
        QFETCH(std::string, choices);
        QFETCH(std::string, changed);
        const std::string text = "format = \"wisetick-plan/1\"\npart = \"marram-20\"\n\n[[take]]\nname = \"A\"\n" + choices;
        Plan plan = planOf(text);
        plan.takes[0].choices[0].divide = 4;
        QCOMPARE(changedLines(text, savePlan(plan, text)), changed);
    }

    void headersInsideTextsAreNoHeaders() {
        const std::string text = "format = \"wisetick-plan/1\"\npart = \"marram-20\"\nnote = \"\"\"\n[[take]]\n# not a "
                                 "comment\n\"\"\"\n\n[[take]]\nname = \"A\"\n";
        Plan plan = planOf(text);
        plan.takes[0].tier = "low";
        QCOMPARE(changedLines(text, savePlan(plan, text)), std::string("+tier = \"low\"\n"));
    }

    /// Random edits: what is saved is read back as the plan, and saving again changes nothing.
    void whatIsSavedIsThePlan() {
        Random random;
        std::string text = text_;
        Plan plan = planOf(text);
        for (int i = 0; i < 300; ++i) {
            Take& take = plan.takes[static_cast<std::size_t>(random.whole(0, static_cast<std::int64_t>(plan.takes.size()) - 1))];
            switch (random.whole(0, 7)) {
            case 0:
                if (!take.choices.empty()) {
                    Choice& choice = take.choices[static_cast<std::size_t>(
                        random.whole(0, static_cast<std::int64_t>(take.choices.size()) - 1))];
                    choice.on = random.coin();
                }
                break;
            case 1: take.choices.push_back({"line" + std::to_string(i), "xtm", random.whole(1, 99), {}, {}}); break;
            case 2:
                if (!take.choices.empty()) {
                    take.choices.erase(take.choices.begin());
                }
                break;
            case 3:
                plan.promises.push_back(
                    promise("p" + std::to_string(i) + ": uart1 talks " + std::to_string(random.whole(1, 100000))));
                break;
            case 4:
                if (plan.promises.size() > 1) {
                    std::swap(plan.promises.front(), plan.promises.back());
                }
                break;
            case 5:
                if (!plan.promises.empty()) {
                    plan.promises.erase(plan.promises.begin() +
                                        random.whole(0, static_cast<std::int64_t>(plan.promises.size()) - 1));
                }
                break;
            case 6: plan.jobs.push_back(randomJob(random, i)); break;
            default:
                if (plan.jobs.size() > 1 && plan.jobs.front().name != "feed") { // the one that feeds stays
                    plan.jobs.erase(plan.jobs.begin());
                }
            }
            const std::string saved = savePlan(plan, text);
            QVERIFY2(readPlan(saved, "f", nullptr).plan == plan, saved.c_str());
            QCOMPARE(savePlan(plan, saved), saved);
            QVERIFY2(saved.find("# A sprayer in an orchard") == 0, "comments were lost");
            text = saved;
        }
    }

    void anUnreadableTextIsReplaced() {
        const Plan plan = planOf(text_);
        QCOMPARE(savePlan(plan, "not = = toml"), writePlan(plan));
    }

    void findsItsPart() {
        const LoadedPlan loaded = orchard();
        QCOMPARE(loaded.part->id, std::string("marram-20"));
        const LoadedPlan none = loadPlan(sourceDir() + "/examples/orchard-sprayer.plan.toml", {});
        QVERIFY(!none.plan.has_value() || !none.part.has_value());
        QVERIFY(sayText(none.diagnostics.at(0)).find("no part 'marram-20'") == 0);
        const LoadedPlan missing = loadPlan("/nowhere/x.plan.toml", {});
        QCOMPARE(lines(missing.diagnostics),
                 std::string("/nowhere/x.plan.toml: error: there is no such file; expected a readable file\n"));
    }

    /// Every way that a promise of the largest example has taken can be pinned, saved and read again.
    void pinnedWaysOfEveryKindAreSaved() {
        const std::string path = sourceDir() + "/examples/spindle-balancer.plan.toml";
        const LoadedPlan loaded = loadPlan(path, {sourceDir() + "/parts"});
        QVERIFY(loaded.plan && loaded.part);
        const Figures figures = derive(*loaded.part, *loaded.plan, "full");
        Plan pinned = *loaded.plan;
        std::size_t count = 0;
        for (const PromiseFigure& figure : figures.promises) {
            if (!figure.settings.empty()) {
                PinnedWay way{figure.name, {}};
                for (const Setting& setting : figure.settings) {
                    way.settings.emplace_back(setting.name, setting.value);
                }
                pinned.takes[0].pinned.push_back(std::move(way));
                ++count;
            }
        }
        QVERIFY(count > 25);
        // the alarm "report" counts on the calendar of "day"
        const auto isCalendar = [](const std::string& name) { return name == "day" || name == "report"; };
        std::erase_if(pinned.takes[0].pinned, [&](const PinnedWay& way) { return isCalendar(way.promise); });
        pinned.takes[0].pinned.push_back({"day", {{"first", 128}, {"second", 256}, {"calibration", -32}}});
        const std::string written = savePlan(pinned, fileText(path));
        const PlanFile again = readPlan(written, "again", &*loaded.part);
        QVERIFY2(again.plan.has_value(), lines(again.diagnostics).c_str());
        QVERIFY(*again.plan == pinned);
        const Figures after = derive(*loaded.part, *again.plan, "full");
        for (std::size_t i = 0; i < after.promises.size(); ++i) {
            const bool isAsBefore = after.promises[i].state == figures.promises[i].state &&
                                    after.promises[i].settings == figures.promises[i].settings;
            QVERIFY2(isCalendar(after.promises[i].name) || isAsBefore,
                     after.promises[i].name.c_str()); // those were set otherwise
        }
    }

    /// A file whose lines end with CR LF keeps doing so, in new lines too.
    void linesEndAsTheyDid() {
        std::string text = orchardText();
        for (std::size_t at = text.find('\n'); at != std::string::npos; at = text.find('\n', at + 2)) {
            text.insert(at, "\r");
        }
        const PartFile part = readPart(marramText(), "part");
        const PlanFile file = readPlan(text, "plan", &*part.part);
        QVERIFY2(file.plan.has_value(), lines(file.diagnostics).c_str());
        QCOMPARE(savePlan(*file.plan, text), text);
        Plan plan = *file.plan;
        QCOMPARE(addTake(plan, "more"), std::string());
        const std::string saved = savePlan(plan, text);
        QVERIFY(saved != text);
        for (std::size_t at = saved.find('\n'); at != std::string::npos; at = saved.find('\n', at + 1)) {
            QVERIFY2(at > 0 && saved[at - 1] == '\r', saved.substr(at > 60 ? at - 60 : 0, 80).c_str());
        }
        const PlanFile back = readPlan(saved, "plan", &*part.part);
        QVERIFY(back.plan && *back.plan == plan);
    }
};

QTEST_APPLESS_MAIN(CorePlanFiles)
#include "core_plan_files.moc"
