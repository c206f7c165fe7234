#include "derive/derive.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "handover/emit.h"
#include "handover/figures_json.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A part with a run mode and a slow RC; `more` follows.
std::string partWith(const std::string& more) {
    return "format = \"wisetick-part/1\"\nid = \"try\"\nname = \"Try\"\ncore = \"core\"\n"
           "[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"8 MHz\"\n"
           "[[line]]\nid = \"core\"\nfrom = \"rc\"\n"
           "[[mode]]\nid = \"run\"\nruns = true\n" +
           more;
}

Part readWhole(const std::string& text) {
    const PartFile file = readPart(text, "p");
    if (!file.part) {
        qFatal("%s", lines(file.diagnostics).c_str());
    }
    return *file.part;
}

std::string faults(const std::string& more) {
    return lines(readPart(partWith(more), "p").diagnostics);
}

const Peripheral& named(const Part& part, const std::string& id) {
    const auto index = part.findPeripheral(id);
    if (!index) {
        qFatal("no %s", id.c_str());
    }
    return part.peripherals[*index];
}

} // namespace

/// Things made from templates are the same as things written out.
class CoreTemplates : public QObject {
    Q_OBJECT

private slots:
    /// The large part, written out line by line and through templates: every figure of its example is the same, in both takes,
    /// and so are the fields that are written.
    void theLargePartIsTheSameWrittenOut() {
        const std::string shortText = fileText(sourceDir() + "/parts/cordgrass-60.part.toml");
        const std::string longText = fileText(sourceDir() + "/tests/data/cordgrass-60-written-out.part.toml");
        QVERIFY(3 * std::count(shortText.begin(), shortText.end(), '\n') <= std::count(longText.begin(), longText.end(), '\n'));
        const Part made = readWhole(shortText);
        const Part written = readWhole(longText);
        const PlanFile file = readPlan(fileText(sourceDir() + "/examples/spindle-balancer.plan.toml"), "spindle", &written);
        QVERIFY2(file.plan, lines(file.diagnostics).c_str());
        QVERIFY(file.plan->takes.size() >= 2);
        for (const Take& take : file.plan->takes) {
            const Figures a = derive(written, *file.plan, take.name);
            const Figures b = derive(made, *file.plan, take.name);
            QCOMPARE(figuresJson(b).dump(1), figuresJson(a).dump(1));
        }
        // and all that nothing of the example uses
        QCOMPARE(idsOf(made.lines), idsOf(written.lines));
        QCOMPARE(idsOf(made.peripherals), idsOf(written.peripherals));
        for (std::size_t i = 0; i < made.peripherals.size(); ++i) {
            const Peripheral& a = written.peripherals[i];
            const Peripheral& b = made.peripherals[i];
            QVERIFY2(a.fields == b.fields && a.holds == b.holds && a.gate == b.gate, b.id.c_str());
            QVERIFY2(a.clock == b.clock && a.pins == b.pins && a.interrupts == b.interrupts, b.id.c_str());
            QVERIFY2(a.draws == b.draws && a.wakesFrom == b.wakesFrom && a.name == b.name && a.ref == b.ref, b.id.c_str());
            QCOMPARE(b.bringUp.size(), a.bringUp.size());
        }
        for (std::size_t i = 0; i < made.lines.size(); ++i) {
            const Line& a = written.lines[i];
            const Line& b = made.lines[i];
            QVERIFY2(a.from == b.from && a.divide == b.divide && a.multiply == b.multiply && a.fields == b.fields, b.id.c_str());
            QVERIFY2(a.holds == b.holds && a.limits.size() == b.limits.size() && a.name == b.name && a.ref == b.ref,
                     b.id.c_str());
        }
    }

    void severalAreMadeOfOne() {
        const Part part = readWhole(partWith("[[template]]\nid = \"count\"\nkind = \"timer\"\nclock = \"core\"\nbits = "
                                             "16\nprescaler = [1, 8]\ngate = \"ON.{bank}[{n + 3}]\"\n"
                                             "fields = { prescaler = \"T{n}.STEP[0]\", counts = \"T{n:A}.TOP[15:0]\" }\nholds = "
                                             "{ prescaler = \"in order\", counts = \"n-1\" }\n"
                                             "[[peripheral]]\nids = \"t{1..3}\"\nlike = \"count\"\nwith = { bank = [\"A\", "
                                             "\"A\", \"B\"] }\nchannels = [\"P{n * 2 - 1}\", \"P{n * 2}\"]\n"));
        QCOMPARE(idsOf(part.peripherals), (std::vector<std::string>{"t1", "t2", "t3"}));
        QCOMPARE(fieldText(*named(part, "t1").gate), std::string("ON.A[4]"));
        QCOMPARE(fieldText(*named(part, "t3").gate), std::string("ON.B[6]"));
        QCOMPARE(fieldText(named(part, "t2").fields.at("counts")), std::string("TB.TOP[15:0]"));
        const auto channels = named(part, "t2").kind.get<TimerKind>().channels;
        QCOMPARE(channels, (std::vector<std::string>{"P3", "P4"}));
        QCOMPARE(heldFor(named(part, "t1").holds.at("prescaler"), Rational(8)), std::optional<std::int64_t>(1));
    }

    /// One key of a table is overridden, the others stay; a key is left out; a template is like another.
    void whatIsSaidLaterHolds() {
        const Part part = readWhole(partWith(
            "[[template]]\nid = \"a\"\nkind = \"timer\"\nclock = \"core\"\nbits = 8\nprescaler = [1, 2]\ngate = \"ON.A[0]\"\n"
            "fields = { prescaler = \"{id}.STEP[0]\", counts = \"{id}.TOP[7:0]\" }\nholds = { prescaler = \"in order\", counts = "
            "\"n-1\" }\n"
            "[[template]]\nid = \"b\"\nlike = \"a\"\nbits = 12\nfields = { counts = \"{id}.TOP[11:0]\" }\n"
            "[[peripheral]]\nid = \"x7\"\nlike = \"b\"\nwithout = [\"gate\"]\nholds = { counts = \"4096-n\" }\n"));
        const Peripheral& made = named(part, "x7");
        QCOMPARE(made.kind.get<TimerKind>().bits, 12);
        QVERIFY(!made.gate);
        QCOMPARE(fieldText(made.fields.at("counts")), std::string("x7.TOP[11:0]"));
        QCOMPARE(fieldText(made.fields.at("prescaler")), std::string("x7.STEP[0]"));
        QCOMPARE(heldFor(made.holds.at("counts"), Rational(96)), std::optional<std::int64_t>(4000));
    }

    /// A value of `with` that is no text stands for itself; a list of tables makes one thing each, in order.
    void rowsAndValues() {
        const Part part = readWhole(partWith(
            "[[template]]\nid = \"k\"\nfrom = \"{inputs}\"\ndivide = { from = 1, to = 4 }\n"
            "[[line]]\nref = \"9\"\neach = [\n  { id = \"p\", like = \"k\", with = { inputs = [\"rc\", \"core\"] } },\n"
            "  { ids = \"{q,r}_clk\", like = \"k\", with = { inputs = [[\"core\"], [\"rc\"]] }, name = \"clock {n:A}\" },\n"
            "  { id = \"s\", from = \"p\", ref = \"10\" },\n]\n"));
        QCOMPARE(idsOf(part.lines), (std::vector<std::string>{"core", "p", "q_clk", "r_clk", "s"}));
        QCOMPARE(part.lines[1].from, (std::vector<NodeIndex>{0, 1}));
        QCOMPARE(part.lines[2].from, (std::vector<NodeIndex>{1}));
        QCOMPARE(part.lines[3].name, std::string("clock R"));
        QCOMPARE(part.lines[3].ref, std::string("9"));
        QCOMPARE(part.lines[4].ref, std::string("10"));
    }

    void saysWhatIsWrong_data() {
        QTest::addColumn<std::string>("more");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* name, const std::string& more, const std::string& say) {
            QTest::newRow(name) << more << say;
        };
        row("no such template",
            "[[line]]\nid = \"a\"\nlike = \"kernel\"\n[[template]]\nid = \"kernal\"\nfrom = \"rc\"\n[[line]]\nid = \"b\"\nlike = "
            "\"kernal\"\n",
            "p:17:8: error: no template 'kernel'; expected 'kernal'; did you mean 'kernal'? (used in line 15)");
        row("like itself",
            "[[template]]\nid = \"a\"\nlike = \"b\"\n[[template]]\nid = \"b\"\nlike = \"a\"\n[[line]]\nid = \"x\"\nlike = "
            "\"a\"\n",
            "error: the template 'a', which is like itself; expected templates that end (used in line 21)");
        row("a list of another length", "[[line]]\nids = \"x{1..3}\"\nwith = { f = [\"rc\", \"core\"] }\nfrom = \"{f}\"\n",
            "p:17:14: error: a list of 2; expected one for each of the 3 ids (used in line 15)");
        row("an unknown name", "[[line]]\nids = \"x{1..2}\"\nfrom = \"rc\"\nname = \"line {m}\"\n",
            "p:18:8: error: no 'm' in braces; expected one of 'i', 'id' or 'n', or a sum of them");
        row("a template that nothing is like", "[[template]]\nid = \"a\"\nfrom = \"rc\"\n",
            "p:15:1: error: the template 'a', which nothing is like");
        row("no id", "[[template]]\nfrom = \"rc\"\n", "a template without an id");
        row("a brace that stays open", "[[line]]\nids = \"x{1..2}\"\nfrom = \"rc\"\nname = \"line {n\"\n",
            "a '{' that is not closed");
    }
    void saysWhatIsWrong() {
        QFETCH(std::string, more);
        QFETCH(std::string, say);
        const std::string got = faults(more);
        QVERIFY2(got.find(say) != std::string::npos, got.c_str());
    }

    /// What is wrong in a template is told where it stands there and where it is used, once for all that are made of it.
    void oneFaultOfATemplateIsOneMessage() {
        const std::string got =
            faults("[[template]]\nid = \"t\"\nkind = \"timer\"\nclock = \"core\"\nbits = \"many\"\n"
                   "[[peripheral]]\nids = \"t{1..5}\"\nlike = \"t\"\n[[peripheral]]\nid = \"u\"\nlike = \"t\"\n");
        QCOMPARE(got, std::string(
                          "p:19:8: error: the text 'many'; expected a whole number from 4 to 48 (used in line 20 and 1 more)\n"));
    }
};

QTEST_GUILESS_MAIN(CoreTemplates)
#include "core_templates.moc"
