#include "derive/derive.h"
#include "derive/desk.h"
#include "derive/workings_of.h"
#include "evaluate/needs.h"
#include "files/plan_writer.h"
#include "handover/emit.h"
#include "kinds/rows.h"
#include "outside/quadrature.h"
#include "part/lint.h"
#include "plan/setting_names.h"
#include "plan/take_edits.h"
#include "seek_support.h"

#include <filesystem>
#include <stdexcept>

namespace fs = std::filesystem;
using namespace wisetick;
using namespace wisetick::test;

namespace {

const char* const kEncoder = R"(
[[peripheral]]
id = "enc1"
kind = "quadrature"
clock = "bus_a"
filter = [1, 2, 4, 8, 16, 32, 64]
gate = "ENC.ON[0]"
fields = { filter = "ENC.CTL[2:0]" }
holds = { filter = "log2 n" }
pins = ["W30", "W31"]
draws = "20 uA"
)";

std::string encoderText() {
    return marramText() + kEncoder;
}

Part partOf(const std::string& text) {
    PartFile file = readPart(text, "part");
    if (!file.part) {
        qFatal("%s", lines(file.diagnostics).c_str());
    }
    return *file.part;
}

/// The example with nothing but one promise, on the part with the encoder.
Plan planWith(const Part& part, const std::string& promise) {
    PlanFile file = readPlan(orchardText(), "plan", &part);
    if (!file.plan) {
        qFatal("%s", lines(file.diagnostics).c_str());
    }
    Plan plan = *file.plan;
    plan.jobs.clear();
    plan.promises = {{promise, readPromiseLine(promise, &part).value()}};
    for (Take& take : plan.takes) {
        take.pinned.clear();
    }
    return plan;
}

} // namespace

/// Kinds of peripherals are rows: one that the program does not bring is added with its own files alone.
class CoreKinds : public QObject {
    Q_OBJECT

private slots:
    void initTestCase() { addKind(QuadratureKind::row()); }

    void rowsAreWholeAndNamedOnce() {
        QVERIFY_THROWS_EXCEPTION(std::invalid_argument, addKind(QuadratureKind::row())); // it is there
        const auto whole = [] {
            KindRow row = QuadratureKind::row();
            row.name = "gadget";
            return row;
        };
        std::vector<KindRow> lacking(6, whole());
        lacking[0].read = nullptr;
        lacking[1].widths = nullptr;
        lacking[2].meetings = nullptr;
        lacking[3].wakeCounter = nullptr;
        lacking[4].schema.clear();
        lacking[5].name.clear();
        for (const KindRow& row : lacking) {
            QVERIFY_THROWS_EXCEPTION(std::invalid_argument, addKind(row));
        }
        QVERIFY(findKindRow("gadget") == nullptr);
    }

    /// bus_a runs at 40 MHz: 40 MHz ÷ (4 × 64) = 156.25 kHz ≥ 50 kHz, and 64 ÷ 40 MHz = 1.6 µs ≥ 300 ns.
    void itsPromiseIsReadJudgedAndPrinted() {
        const Part part = partOf(encoderText());
        const Plan plan = planWith(part, "enc1 follows 50 kHz, rejects 300 ns");
        QCOMPARE(printPromiseLine(plan.promises[0].line), plan.promises[0].text);
        const Figures figures = derive(part, plan, "A");
        QCOMPARE(figures.findLine("bus_a")->hertz->nominal, Rational(40000000));
        const PromiseFigure& figure = figures.promises[0];
        QVERIFY2(figure.state == State::kept, figure.why.c_str());
        QCOMPARE(figure.got->nominal, Rational(156250));
        QCOMPARE(figure.settings.size(), std::size_t(1));
        QCOMPARE(figure.settings[0].value, Rational(64));
        QCOMPARE(figure.fields.back().held, std::int64_t(6));
        QVERIFY(!promiseWorkings(part, plan, figures, 0).empty());
        // 400 kHz asks for 25 at most, 500 ns for 20 at least
        const Plan narrow = planWith(part, "enc1 follows 400 kHz, rejects 500 ns");
        QVERIFY(derive(part, narrow, "A").promises[0].state == State::broken);
    }

    void itsWaysAreListedAndPinned() {
        const Part part = partOf(encoderText());
        Plan plan = planWith(part, "enc1 follows 50 kHz, rejects 300 ns");
        const Desk desk = deskOf(part, plan, derive(part, plan, "A"), 0, 9);
        std::string filters;
        for (const Way& way : desk.ways) {
            filters += settingOf(way, "filter").toString() + stateName(way.state).substr(0, 1) + " ";
        }
        QCOMPARE(filters, std::string("64k 32k 16k 8b 4b 2b 1b ")); // 300 ns are 12 periods
        QCOMPARE(pinWay(plan, "A", {"enc1", {{"filter", 16}}}), std::string());
        QCOMPARE(derive(part, plan, "A").promises[0].got->nominal, Rational(625000));
        const PlanFile again = readPlan(writePlan(plan), "plan", &part);
        QVERIFY2(again.plan && *again.plan == plan, lines(again.diagnostics).c_str());
        const auto names = settingNames();
        QVERIFY(std::find(names.begin(), names.end(), "filter") != names.end());
    }

    void itsWordsAreOfferedAndChecked() {
        const Part part = partOf(encoderText());
        const auto subjects = completePromiseLine("enc", part).texts;
        QCOMPARE(subjects, std::vector<std::string>{"enc1"});
        QCOMPARE(completePromiseLine("enc1 ", part).texts, std::vector<std::string>{"follows"});
        const auto clauses = completePromiseLine("enc1 follows 50 kHz, ", part).texts;
        QVERIFY(std::find(clauses.begin(), clauses.end(), "rejects 300 ns") != clauses.end());
        const auto wrong = readPromiseLine("timer1 follows 50 kHz", &part);
        QCOMPARE(wrong.error().found, std::string("no quadrature 'timer1' on this part"));
        QCOMPARE(readPromiseLine("enc1 fires every 1 ms", &part).error().found,
                 std::string("no timer or rtc 'enc1' on this part"));
    }

    /// 400 kHz and 500 ns: the clock must lie between filter × 1.6 MHz and filter × 2 MHz. With 700 ns there is no such clock.
    void seekFindsAClockForItOrProvesThatThereIsNone() {
        const Part part = partOf(encoderText());
        const Plan plan = planWith(part, "enc1 follows 400 kHz, rejects 500 ns");
        Question question = asking(part, {"core = 160 MHz"});
        question.promises = {{0, false}};
        question.mayChange = {"bus_a"};
        const SeekResult result = seek(part, plan, "A", question);
        QVERIFY2(result.isComplete(), result.cut.c_str());
        QVERIFY(!result.found.empty());
        for (const FoundTake& found : result.found) {
            const Plan taken = withFound(plan, found);
            const Figures figures = derive(part, taken, taken.active);
            const Rational hertz = figures.findLine("bus_a")->hertz->nominal;
            const Rational filter = figures.promises[0].settings[0].value;
            QVERIFY(figures.promises[0].state != State::broken);
            QVERIFY(hertz >= filter * 1600000 && hertz <= filter * 2000000);
        }
        const SeekResult none = seek(part, planWith(part, "enc1 follows 400 kHz, rejects 700 ns"), "A", question);
        QVERIFY(none.isComplete() && none.found.empty());
    }

    void whatElseAsksTheRow() {
        const Part part = partOf(encoderText());
        const Plan plan = planWith(part, "enc1 follows 50 kHz");
        const Figures figures = derive(part, plan, "A");
        const auto needs = readNeeds("1 quadrature, 2 quadrature");
        QVERIFY(needs.has_value());
        const std::vector<NeedFigure> fits = judgeNeeds(part, *needs);
        QVERIFY(fits[0].fit == Fit::yes && fits[1].fit == Fit::no);
        QVERIFY(emitFields(part, plan, figures, EmitForm::header).find("ENC1_FILTER") != std::string::npos);
        // 128 is beyond three bits of log2 n? 2^7 needs the code 7, which fits; 256 does not
        const Part wide = partOf(replaced(encoderText(), "32, 64]", "64, 128, 256]"));
        QVERIFY(lines(lintPart(wide)).find("filter = 256 needs 8") != std::string::npos);
        QVERIFY(lines(lintPart(part)).find("filter") == std::string::npos);
    }

    void whatIsWrongInThePartIsSaid() {
        QVERIFY(lines(readPart(replaced(encoderText(), "filter = [1, 2", "filters = [1, 2"), "part").diagnostics)
                    .find("unknown key 'filters'") != std::string::npos);
        QVERIFY(
            lines(readPart(replaced(encoderText(), "\"quadrature\"", "\"quadratur\""), "part").diagnostics).find("quadrature") !=
            std::string::npos);
    }

    /// Nothing of the program knows of it: these two files are all that it needs.
    void itNeededItsOwnFilesAlone() {
        std::vector<std::string> files;
        for (const char* folder : {"core", "cli", "app", "tests", "docs", "parts"}) {
            for (const auto& entry : fs::recursive_directory_iterator(fs::path(sourceDir()) / folder)) {
                const std::string extension = entry.path().extension().string();
                const bool isText = extension == ".cpp" || extension == ".h" || extension == ".md" || extension == ".toml";
                if (isText && fileText(entry.path().string()).find("QuadratureKind") != std::string::npos &&
                    entry.path().filename() != "core_kinds.cpp") {
                    files.push_back(fs::relative(entry.path(), sourceDir()).string());
                }
            }
        }
        std::sort(files.begin(), files.end());
        QCOMPARE(files, (std::vector<std::string>{"tests/outside/quadrature.cpp", "tests/outside/quadrature.h"}));
    }
};

QTEST_APPLESS_MAIN(CoreKinds)
#include "core_kinds.moc"
