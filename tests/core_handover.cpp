#include "files/plan_writer.h"
#include "handover/handover_files.h"
#include "plan/take_edits.h"
#include "small_part.h"

#include <QTemporaryDir>

#include <filesystem>
#include <fstream>

using namespace wisetick;
using namespace wisetick::test;

namespace {

using How = HandoverState::How;

/// The small part with a divider that has a field, and a plan that hands over what `files` say.
Edited withHandover(const std::string& files) {
    const std::string line =
        "\n[[line]]\nid = \"half\"\nfrom = \"core\"\ndivide = [1, 2, 4]\nfields = { divide = \"CLK.HALF[1:0]\" }\n"
        "holds = { divide = \"log2 n\" }\n";
    return readBoth(smallPart("", line),
                    smallPlan(said("half runs at 4 MHz"), "", "rests_in = \"deep\"\nchoices.half = { divide = 2 }\n") + files);
}

std::string handoverOf(const std::string& file, const std::string& form) {
    return "\n[[handover]]\nfile = \"" + file + "\"\nas = \"" + form + "\"\n";
}

void write(const std::filesystem::path& path, const std::string& content) {
    std::ofstream(path) << content;
}

std::string read(const std::filesystem::path& path) {
    std::ostringstream content;
    content << std::ifstream(path).rdbuf();
    return content.str();
}

std::vector<HandoverState> statesOf(const Edited& edited, const QTemporaryDir& folder) {
    return handoverStates(edited.part, edited.plan, folder.path().toStdString());
}

} // namespace

/// Files that are made from a plan, and how they stand to it.
class CoreHandover : public QObject {
    Q_OBJECT

private slots:
    void differencesAreTheLeast() {
        std::string text;
        for (const DiffLine& line : diffOf("a\nb\nc\nd\n", "a\nc\nx\nd\n")) { // b goes, x comes
            text += (line.side == DiffLine::Side::both ? " " : (line.side == DiffLine::Side::found ? "-" : "+")) + line.text +
                    std::to_string(line.foundLine) + std::to_string(line.plannedLine) + " ";
        }
        QCOMPARE(text, std::string(" a11 -b20  c32 +x03  d44 "));
        QVERIFY(diffOf("", "").empty());
    }

    /// A stamp stands wherever a form can say something beside, and its sum is that of everything else.
    void everyFormIsStamped() {
        const Edited edited = withHandover("");
        const Figures figures = figuresOf(edited);
        for (const std::string& form : handoverForms()) {
            const std::string text = emitFields(edited.part, edited.plan, figures, *readEmitForm(form));
            const std::string marked = stamped(text, form, "Plain");
            QVERIFY2(isAsStamped(marked) == true, form.c_str());
            QVERIFY2(!isAsStamped(text), form.c_str());
            std::string changed = marked;
            changed[changed.size() - 3] ^= 1;
            QVERIFY2(isAsStamped(changed) == false, form.c_str());
            if (form == "json") {
                QVERIFY(nlohmann::json::parse(marked)["made"].get<std::string>().find("wisetick-sum") == 0);
            }
        }
    }

    /// Missing, written, as planned; the plan goes on and it is behind; written again.
    void filesFollowThePlan() {
        QTemporaryDir folder;
        Edited edited = withHandover(handoverOf("out/clocks.h", "header") + handoverOf("clocks.csv", "csv"));
        std::vector<HandoverState> states = statesOf(edited, folder);
        QVERIFY(states[0].how == How::missing && states[1].how == How::missing);
        QCOMPARE(writeHandover(states).written, (std::vector<std::string>{"out/clocks.h", "clocks.csv"}));
        states = statesOf(edited, folder);
        QVERIFY(states[0].how == How::asPlanned && states[1].how == How::asPlanned);
        const auto before = std::filesystem::last_write_time(states[0].path);
        QVERIFY(writeHandover(states).written.empty());
        QVERIFY(std::filesystem::last_write_time(states[0].path) == before); // untouched
        choiceOf(edited.plan.takes[0], "half").divide = 4;
        edited.plan.promises.clear();
        states = statesOf(edited, folder);
        QVERIFY(states[1].how == How::behind);
        QCOMPARE(states[1].behind, std::size_t{1}); // the one field of the table
        QCOMPARE(handoverSaid(states[1]), std::string("1 line behind the plan"));
        QCOMPARE(writeHandover(states).trouble, std::string());
        QVERIFY(statesOf(edited, folder)[0].how == How::asPlanned);
    }

    /// What a person changed, or made, is never written over unless that is said; and nothing else is written then either.
    void whatAPersonChangedStays() {
        QTemporaryDir folder;
        const Edited edited = withHandover(handoverOf("a.h", "header") + handoverOf("b.h", "cpp") + handoverOf("c.h", "rust"));
        QCOMPARE(writeHandover(statesOf(edited, folder)).trouble, std::string());
        std::vector<HandoverState> states = statesOf(edited, folder);
        const std::string mine = states[0].found + "#define MINE 1\n";
        write(states[0].path, mine);
        write(states[1].path, "// my own file\n");
        std::filesystem::remove(states[2].path);
        states = statesOf(edited, folder);
        QVERIFY(states[0].how == How::edited && states[1].how == How::foreign && states[2].how == How::missing);
        QCOMPARE(handoverSaid(states[0]), std::string("changed by hand, 1 line from the plan"));
        const HandoverWritten refused = writeHandover(states);
        QVERIFY(refused.written.empty());
        QVERIFY2(refused.trouble.find("a.h: changed by hand") == 0, refused.trouble.c_str());
        QCOMPARE(read(states[0].path), mine);
        QVERIFY(!std::filesystem::exists(states[2].path));
        QCOMPARE(writeHandover(states, OverEdited::yes).written.size(), std::size_t{3});
        for (const HandoverState& state : statesOf(edited, folder)) {
            QVERIFY(state.how == How::asPlanned);
        }
    }

    /// The example's own files: those of take fast are in step, the one of take bus is behind on purpose.
    void theExampleIsInStep() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/lagoon-buoy.plan.toml", {sourceDir() + "/parts"});
        for (const HandoverState& state : handoverStates(*loaded.part, *loaded.plan, sourceDir() + "/examples")) {
            const bool isBehind = state.file.take == "bus";
            QVERIFY2(state.how == (isBehind ? How::behind : How::asPlanned),
                     (state.file.path + ": " + handoverSaid(state)).c_str());
            QVERIFY(state.left.empty());
        }
    }

    /// What is left out is said with the file that lacks it.
    void whatIsLeftOutIsSaid() {
        QTemporaryDir folder;
        Edited edited = withHandover(handoverOf("a.h", "header"));
        choiceOf(edited.plan.takes[0], "half").divide = 4;
        edited.part.lines[1].fields.clear();
        const std::vector<HandoverState> states = statesOf(edited, folder);
        QCOMPARE(states[0].left.size(), std::size_t{1});
        QVERIFY2(states[0].left[0].what == "half", states[0].left[0].why.c_str());
    }

    /// It is part of the plan: saved and read again, checked, and followed by edits of takes.
    void thePlanKeepsThem() {
        Edited edited = withHandover(
            "\n[[take]]\nname = \"B\"\n\n[[handover]]\nfile = \"../fw/clocks.c\"\nas = \"c\"\ntake = \"B\"\nfrom = \"A\"\n"
            "registers = \"{block}->{register}\"\n");
        QCOMPARE(edited.plan.handover.size(), std::size_t{1});
        const PlanFile again = readPlan(writePlan(edited.plan), "again", &edited.part);
        QVERIFY2(again.plan && *again.plan == edited.plan, lines(again.diagnostics).c_str());
        QCOMPARE(renameTake(edited.plan, "B", "bus"), std::string());
        QCOMPARE(edited.plan.handover[0].take, std::string("bus"));
        QCOMPARE(deleteTake(edited.plan, "bus"),
                 std::string("the handover file '../fw/clocks.c' is made from take 'bus'; take it out first"));
        const std::string text = smallPlan("", "") + handoverOf("a.h", "headr") + handoverOf("a.h", "c") + "take = \"Z\"\n";
        const std::string faults = lines(readPlan(text, "p", &edited.part).diagnostics);
        for (const char* fault : {"no form 'headr'", "did you mean 'header'?", "the file 'a.h' again", "no take 'Z'", "p:19:"}) {
            QVERIFY2(faults.find(fault) != std::string::npos, (fault + ("\n" + faults)).c_str());
        }
        // one more is put into the text without touching the rest
        const std::string old = writePlan(edited.plan);
        Plan more = edited.plan;
        more.handover.push_back({"b.csv", "csv", {}, {}, {}});
        QCOMPARE(savePlan(more, old), old + "\n[[handover]]\nfile = \"b.csv\"\nas = \"csv\"\n");
    }
};

QTEST_APPLESS_MAIN(CoreHandover)
#include "core_handover.moc"
