#include "derive/lint_reset.h"
#include "files/part_reader.h"
#include "files/part_skeleton.h"
#include "part/lint.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A part typed in by hand: two muxes in series, a divider with gaps, a lopsided RC, halves, a preload timer.
const std::string kSedge = R"(format = "wisetick-part/1"
id = "sedge"
core = "cpu"

[[source]]
id = "hum"
kind = "rc"
rate = "7.5 MHz"
tolerance = { by = ["-3 %", "5 %"] }
startup = "2 us"
draws = "80 uA"

[[source]]
id = "ext"
kind = "clock-in"
range = ["1 MHz", "20 MHz"]

[[line]]
id = "pick"
from = ["hum", "ext"]

[[line]]
id = "cpu"
from = ["pick", "hum"]
divide = [1, 3, 12]
limit = { max = "12 MHz" }

[[line]]
id = "half"
from = "cpu"
divide = { from = "1.5", to = "4.5", step = "1/2" }

[[peripheral]]
id = "beat"
kind = "timer"
clock = "half"
bits = 8
style = "preload"
prescaler = [1, 8, 64]
draws = "1 uA"

[[mode]]
id = "go"
runs = true
draws = "500 uA"
)";

} // namespace

class CorePartReader : public QObject {
    Q_OBJECT

private slots:
    void readsTheShippedParts() {
        const PartFile file = readPart(marramText(), "marram");
        QCOMPARE(lines(file.diagnostics), std::string());
        const Part& part = *file.part;
        QCOMPARE(part.sources.size(), std::size_t{4});
        QCOMPARE(part.lines.size(), std::size_t{11});
        QCOMPARE(part.peripherals.size(), std::size_t{18});
        QCOMPARE(part.nodeId(part.core), std::string("core"));
        QCOMPARE(part.sources[3].tolerance[0].high, exact("1/4"));
        QCOMPARE(lines(lintPart(part)), std::string());
    }

    /// What no reader forbids and yet is hardly meant.
    void lintsWhatIsHardlyMeant_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* name, const char* what, const char* by, const char* say) {
            QTest::newRow(name) << std::string(what) << std::string(by) << std::string(say);
        };
        row("waits that end too soon", ", [\"160 MHz\", 4, \"78 %\"]]", "]",
            "the waits of 'core' end at 128 MHz, its limit is 160 MHz; expected a step for every rate that is allowed");
        row("a peripheral kept without its clock", "\"uart1\", \"wdog\", \"rtc\"]", "\"uart2\", \"wdog\", \"rtc\"]",
            "'snooze' keeps 'uart2' but none of its clocks; expected keeps.sources or keeps.lines with one of them");
        row("a segment wider than its field", "seg1 = { from = 2, to = 256 }", "seg1 = { from = 2, to = 512 }",
            "the field CAN0.SLOW[15:8] holds up to 255, but seg1 = 512 needs 511; expected a wider field or a smaller range");
    }
    void lintsWhatIsHardlyMeant() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const PartFile file = readPart(replaced(marramText(), what, by), "p");
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        const std::string found = lines(lintPart(*file.part));
        QVERIFY2(found.find(say) != std::string::npos, found.c_str());
    }

    /// What a new part begins with has no fault and nothing suspicious, under any id.
    void theSkeletonIsClean() {
        for (const std::string& id : {std::string("my-part"), std::string("a"), std::string("dune-3_b")}) {
            const PartFile file = readPart(partSkeleton(id), "new");
            QCOMPARE(lines(file.diagnostics), std::string());
            QCOMPARE(file.part->id, id);
            QCOMPARE(lines(lintPart(*file.part)), std::string());
            QCOMPARE(lines(lintReset(*file.part)), std::string());
        }
    }

    void readsAPartTypedByHand() {
        const PartFile file = readPart(kSedge, "sedge");
        QCOMPARE(lines(file.diagnostics), std::string());
        const Part& part = *file.part;
        QCOMPARE(part.nodeId(part.core), std::string("cpu"));
        QVERIFY(part.lines[1].divide.contains(3));
        QVERIFY(!part.lines[1].divide.contains(2));
        QVERIFY(part.lines[2].divide.contains(exact("5/2")));
        QCOMPARE(part.peripherals[0].kind.get<TimerKind>().counts.most(), Rational(256));
    }

    /// One fault each: where it is and what would mend it.
    /// Every value that a control can take has a code of its own, and nothing else has one.
    void codesAreWhole_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        QTest::newRow("one is missing") << std::string("sample = { 3 = 0, ") << std::string("sample = { ")
                                        << std::string("sample can be 3, and has no code for it; expected a code for each value");
        QTest::newRow("an input is missing")
            << std::string("bus_b = 1, rcf = 2 }, one_wire") << std::string("bus_b = 1 }, one_wire")
            << std::string("from can be rcf, and has no code for it");
        QTest::newRow("one is doubled") << std::string("bus_b = 1, rcf = 2 }, one_wire")
                                        << std::string("bus_b = 1, rcf = 1 }, one_wire")
                                        << std::string("the code 1 for from = bus_b and rcf; expected codes that differ");
        QTest::newRow("one too many") << std::string("prescaler = { 4096 = 0,")
                                      << std::string("prescaler = { 2048 = 7, 4096 = 0,")
                                      << std::string("a code for prescaler = 2048, which it can't be; expected '4096', '8192'");
        QTest::newRow("a mode of a port") << std::string("oversample = { 16 = 0, 8 = 1 }")
                                          << std::string("oversample = { 16 = 0 }")
                                          << std::string("oversample can be 8, and has no code for it");
        QTest::newRow("no power of two") << std::string("holds = { divide = \"n-1\" }")
                                         << std::string("holds = { divide = \"log2 n\" }")
                                         << std::string("divide can be 3, and has no code for it");
    }
    void codesAreWhole() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const PartFile file = readPart(replaced(marramText(), what, by), "p");
        QVERIFY(!file.part.has_value());
        QVERIFY2(lines(file.diagnostics).find(say) != std::string::npos, lines(file.diagnostics).c_str());
    }

    void saysWhereTheFaultIs_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* name, const char* what, const char* by, const char* say) {
            QTest::newRow(name) << std::string(what) << std::string(by) << std::string(say);
        };
        row("a key mistyped", "divide = [1, 3, 12]", "dividr = [1, 3, 12]",
            "p:25:1: error: unknown key 'dividr'; expected 'accept', 'divide', 'draws', 'factor', 'fields', 'follows', 'from', "
            "'holds', "
            "'id', 'limit', 'multiply', 'name', 'note', 'pins', 'ready', 'ref', 'reset', 'ripple', 'ripple_over', 'shows', "
            "'startup', 'through' or 'written_while'; did you mean 'divide'?\n");
        row("a unit of another kind", "rate = \"7.5 MHz\"", "rate = \"7.5 ms\"",
            "p:8:13: error: 'ms' makes it a time; expected a rate such as '16 MHz'\n");
        row("an input that is not there", "from = [\"pick\", \"hum\"]", "from = [\"pikc\", \"hum\"]",
            "p:24:8: error: no source or line 'pikc'; expected 'hum', 'ext', 'pick', 'cpu' or 'half'; did you mean 'pick'?\n");
        row("an id twice", "id = \"beat\"", "id = \"pick\"",
            "p:34:6: error: the id 'pick' again; expected an id of its own (it stands in line 19 already)\n");
        row("a loop", "from = [\"hum\", \"ext\"]", "from = [\"hum\", \"half\"]",
            "p:20:8: error: a loop between lines: pick \u2192 cpu \u2192 half \u2192 pick; expected lines that end at a "
            "source\n");
        row("an empty range", "{ from = \"1.5\", to = \"4.5\", step = \"1/2\" }",
            "{ from = \"4.5\", to = \"1.5\", step = \"1/2\" }",
            "p:31:31: error: an empty range, 4.5 to 1.5; expected 'to' not below 'from'\n");
        row("a number without quotes", "draws = \"80 uA\"", "draws = 80",
            "p:11:9: error: the number 80; expected a current in quotes such as \"2.2 uA\"\n");
        row("an unknown kind", "kind = \"timer\"", "kind = \"tiner\"",
            "p:35:8: error: no kind of peripheral 'tiner'; expected 'uart', 'timer', 'watchdog', 'rtc', 'adc', 'spi', 'i2c', "
            "'can', 'delay-loop', 'other' or 'sound'; did you mean 'timer'?\n");
        row("a newer format", "wisetick-part/1", "wisetick-part/7",
            "p:1:10: error: the format 'wisetick-part/7' is newer than this program knows; expected \"wisetick-part/1\"; open it "
            "with a newer Wise Tick\n");
        row("another file type", "wisetick-part/1", "wisetick-plan/1",
            "p:1:10: error: the format 'wisetick-plan/1'; expected \"wisetick-part/1\"\n");
        row("a syntax error", "bits = 8", "bits = = 8",
            "p:37:8: error: Error while parsing value: could not determine value type; expected TOML 1.0\n");
        row("a head without a name", "[[mode]]\nid = \"go\"", "[[=]]\nid = \"go\"",
            "p:42:3: error: Error while parsing key: expected bare key starting character or string delimiter, saw '='; expected "
            "TOML 1.0\n");
        row("a unit beyond its quotes", "draws = \"80 uA\"", "draws = 80 \u00b5A",
            "p:11:12: error: Error while parsing key-value pair: expected a comment or whitespace, saw '\u00b5'; expected TOML "
            "1.0\n");
        row("no run mode", "runs = true", "runs = false",
            "p:42:1: error: 0 modes with 'runs = true'; expected one mode in which the core runs\n");
        row("a bad id", "id = \"beat\"", "id = \"Beat\"",
            "p:34:6: error: the id 'Beat'; expected a small letter, then small letters, digits, '_' or '-'\n");
        row("an id that is a word", "id = \"beat\"", "id = \"battery\"",
            "p:34:6: error: the id 'battery', a word of promise lines; expected another id\n");
        row("a core that is not there", "core = \"cpu\"", "core = \"cup\"",
            "p:3:8: error: no source or line 'cup'; expected 'hum', 'ext', 'pick', 'cpu' or 'half'; did you mean 'cpu'?\n");
        row("codes of nothing", "rate = \"7.5 MHz\"", "rate = \"7.5 MHz\"\ncodes = [1]",
            "p:9:9: error: 'codes' without 'rates'; expected a list of rates to choose from\n");
        row("rates that fall", "rate = \"7.5 MHz\"", "rates = [\"7.5 MHz\", \"5 MHz\"]",
            "p:8:9: error: rates that do not rise; expected each rate above the one before\n");
        row("one rate as a list", "rate = \"7.5 MHz\"", "rates = [\"7.5 MHz\"]",
            "p:8:9: error: a list; expected two rates or more, such as [\"5 MHz\", \"10 MHz\"]\n");
        row("codes that are too few", "rate = \"7.5 MHz\"", "rates = [\"5 MHz\", \"7.5 MHz\"]\ncodes = [1]",
            "p:9:9: error: a list; expected one whole number for each of the rates\n");
        row("a reset that is none of the rates", "rate = \"7.5 MHz\"",
            "rates = [\"5 MHz\", \"7.5 MHz\"]\nreset = { rate = \"6 MHz\" }",
            "p:9:18: error: 6 MHz, which is none of the rates; expected one of 'rates'\n");
        row("a rate without its tolerance", "limit = { max = \"12 MHz\" }", "limit = { at = \"12 MHz\" }",
            "p:26:9: error: 'at' and 'within' that do not stand together, alone; expected { at = \"48 MHz\", within = \"0.25 %\" "
            "}\n");
        row("a limit on a control that is not there", "limit = { max = \"12 MHz\" }",
            "limit = { max = \"12 MHz\", when = { control = \"cup.divide\", is = 3 } }",
            "p:26:46: error: no control 'cup.divide'; expected a line's factor such as 'bus_a.divide'; did you mean 'cpu'?\n");
        row("a ripple beyond all", "limit = { max = \"12 MHz\" }", "ripple = \"100 %\"",
            "p:26:10: error: a ripple of 100 % or more; expected less\n");
        row("a rule without a relation", "[[mode]]\nid = \"go\"", "[[rule]]\nsay = \"x\"\nleft = \"cpu\"\n[[mode]]\nid = \"go\"",
            "p:42:1: error: a rule that compares nothing; expected one of 'at_most', 'at_least' and 'equals'\n");
        row("a negative limit", "max = \"12 MHz\"", "max = \"-12 MHz\"",
            "p:26:17: error: the text '-12 MHz'; expected a rate above 0\n");
        row("a range that steps past its end", "step = \"1/2\"", "step = \"2/7\"",
            "p:31:31: error: a range that its steps of 2/7 do not end on; expected 'to' a whole number of steps from 'from'\n");
        row("a style mistyped", "style = \"preload\"", "style = \"free-runing\"",
            "p:38:9: error: no style 'free-runing'; expected 'reload', 'preload' or 'free-running'; did you mean "
            "'free-running'?\n");
        row("counts beyond the bits", "bits = 8", "bits = 8\ncounts = { from = 1, to = 512 }",
            "p:38:10: error: counts up to 512; expected at most 2^8 = 256\n");
        row("a factor beyond all reason", "divide = [1, 3, 12]", "divide = [1, 3, \"1e60\"]",
            "p:25:17: error: the text '1e60'; expected a factor of at most 2^48, in steps of at least 2^-48\n");
        row("a field without its rule", "prescaler = [1, 8, 64]", "prescaler = [1, 8, 64]\nfields = { prescaler = \"T.P[1:0]\" }",
            "p:40:10: error: no word of what the field of 'prescaler' holds; expected holds.prescaler, such as \"n\", \"n-1\" or "
            "a table of codes\n");
        row("fields that overlap", "prescaler = [1, 8, 64]",
            "prescaler = [1, 8, 64]\nfields = { prescaler = \"T.P[3:0]\", counts = \"T.P[8:3]\" }\nholds = { prescaler = \"n\", "
            "counts = \"n\" }",
            "p:40:45: error: the field T.P[8:3] of peripheral.beat counts overlaps T.P[3:0] of peripheral.beat prescaler; "
            "expected fields that do not share bits (the other stands in "
            "line 40)\n");
        row("a gate among another's bits", "prescaler = [1, 8, 64]",
            "prescaler = [1, 8, 64]\ngate = \"T.P[2]\"\nfields = { prescaler = \"T.P[3:0]\" }\nholds = { prescaler = \"n\" }",
            "p:40:8: error: the field T.P[2] of peripheral.beat gate overlaps T.P[3:0] of peripheral.beat prescaler; expected "
            "fields that do not share bits (the other stands in line 41)\n");
    }
    void saysWhereTheFaultIs() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const PartFile file = readPart(replaced(kSedge, what, by), "p");
        QVERIFY(!file.part.has_value());
        QCOMPARE(lines(file.diagnostics), say);
    }

    /// What timers, calendars and orders of bringing up can be told, with one fault each; the place and a word of what is wrong.
    void saysWhatIsWrongOfAPeripheral_data() {
        QTest::addColumn<std::string>("more");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* more, const char* say) { QTest::newRow(more) << std::string(more) << std::string(say); };
        row("post = { from = 1, to = 8, step = \"1/2\" }", "expected whole numbers");
        row("chained = { bits = 16 }", "no 'with' in peripheral.beat.chained");
        row("chained = { with = \"other\", bits = 8 }", "expected a whole number from 9 to 62");
        row("bring_up = \"gate\"", "bring_up that is no list; expected a list of controls and of { say = \u2026 } tables");
        row("bring_up = [\"gat\"]",
            "no control 'gat'; expected 'prescaler', 'counts', 'gate' or 'interrupts'; did you mean 'gate'?");
        row("bring_up = [{ field = \"T.CTL[0]\" }]", "no 'say' in peripheral.beat.bring_up");
        row("bring_up = [{ say = \"start\", field = \"T.CTL[0]\", code = 2 }]", "code 2; expected at most 1");
        row("bring_up = [{ say = \"start\", feild = \"T.CTL[0]\" }]", "unknown key 'feild'");
        row("bring_up = [1]", "a step that is neither text nor table");
        row("bring_up = [{ control = \"interupts\", verbs = [\"fires\"] }]", "no control 'interupts'");
    }
    void saysWhatIsWrongOfAPeripheral() {
        QFETCH(std::string, more);
        QFETCH(std::string, say);
        const PartFile file = readPart(replaced(kSedge, "prescaler = [1, 8, 64]", "prescaler = [1, 8, 64]\n" + more), "p");
        QVERIFY(!file.part.has_value());
        const std::string found = lines(file.diagnostics);
        QVERIFY2(found.find(say) != std::string::npos, found.c_str());
        QVERIFY2(found.rfind("p:", 0) == 0, found.c_str());
    }

    /// The same, said well, is read as it stands.
    void readsWhatAPeripheralTells() {
        const PartFile file = readPart(
            replaced(kSedge, "prescaler = [1, 8, 64]",
                     "prescaler = [1, 8, 64]\nchannels = [\"A1\", \"\"]\ncentred = true\ndead = { from = 1, to = 63 }\npost = { "
                     "from = 1, "
                     "to = 16 }\nchained = { with = \"other\", bits = 16 }\nbring_up = [\"counts\", { say = \"start\", field = "
                     "\"T.CTL[0]\", forgotten = true, channel = 2, verbs = [\"drives\"] }]"),
            "p");
        QCOMPARE(lines(file.diagnostics), std::string());
        const Peripheral& peripheral = file.part->peripherals[0];
        const auto& timer = peripheral.kind.get<TimerKind>();
        QCOMPARE(timer.channels.size(), std::size_t{2});
        QVERIFY(timer.isCentred && timer.dead.most() == 63 && timer.post.most() == 16);
        QCOMPARE(timer.chain->with, std::string("other"));
        QCOMPARE(timer.chain->bits, 16);
        QCOMPARE(peripheral.bringUp.size(), std::size_t{2});
        QCOMPARE(peripheral.bringUp[0].control, std::string("counts"));
        const BringUpStep& start = peripheral.bringUp[1];
        QVERIFY(start.say == "start" && start.isForgotten && start.channel == 2 && start.code == 1);
        QCOMPARE(fieldText(*start.field), std::string("T.CTL[0]"));
        QVERIFY(start.verbs == std::vector<std::string>{"drives"});
    }

    void reportsAllFaultsNotTheFirst() {
        std::string text = replaced(kSedge, "rate = \"7.5 MHz\"", "rate = \"7.5 ms\"");
        text = replaced(text, "kind = \"timer\"", "kind = \"tiner\"");
        text = replaced(text, "divide = [1, 3, 12]", "divide = []");
        const PartFile file = readPart(text, "p");
        QCOMPARE(file.diagnostics.size(), std::size_t{3});
        QCOMPARE(file.diagnostics[0].place.line, 8);
        QCOMPARE(file.diagnostics[1].place.line, 25);
        QCOMPARE(file.diagnostics[2].place.line, 35);
    }

    /// Every prefix of a good file is either refused with a place or, where it ends between tables, read.
    void standsEveryTruncation() {
        for (std::size_t length = 0; length < kSedge.size(); ++length) {
            const PartFile file = readPart(kSedge.substr(0, length), "p");
            QVERIFY(file.part.has_value() != hasErrors(file.diagnostics));
            for (const Diagnostic& diagnostic : file.diagnostics) {
                QVERIFY(diagnostic.place.file == "p");
            }
        }
    }

    void standsWrongTypesEverywhere() {
        const std::vector<std::string> values{"1",          "true", "\"x\"", "[]",          "{}", "[[1, 2], [3]]",
                                              "1979-05-27", "-1",   "1e300", "\"1e60 MHz\""};
        std::istringstream stream(marramText());
        std::vector<std::string> all;
        for (std::string line; std::getline(stream, line);) {
            all.push_back(line);
        }
        Random random;
        for (int i = 0; i < 300; ++i) {
            const auto at = static_cast<std::size_t>(random.whole(0, static_cast<std::int64_t>(all.size()) - 1));
            const std::size_t equals = all[at].find(" = ");
            if (equals == std::string::npos) {
                continue;
            }
            std::string text;
            for (std::size_t j = 0; j < all.size(); ++j) {
                text += (j == at ? all[j].substr(0, equals + 3) + random.pick(values) : all[j]) + "\n";
            }
            const PartFile file = readPart(text, "p");
            QVERIFY(file.part.has_value() != hasErrors(file.diagnostics));
        }
    }

    void standsAThousandLines() {
        std::string text = kSedge;
        for (int i = 0; i < 1000; ++i) {
            text += "[[line]]\nid = \"l" + std::to_string(i) + "\"\nfrom = \"" +
                    (i == 999 ? std::string("cpu") : "l" + std::to_string(i + 1)) + "\"\n";
        }
        const PartFile file = readPart(text, "p");
        QCOMPARE(lines(file.diagnostics), std::string());
        QCOMPARE(file.part->order.size(), std::size_t{1003});
    }

    /// What is suspicious on purpose is said beside it, and then nothing is; what is said in vain is.
    void whatIsMeantSoIsAccepted() {
        const std::string bare = replaced(kSedge, "draws = \"1 uA\"\n", "");
        const PartFile file =
            readPart(replaced(bare, "id = \"beat\"", "id = \"beat\"\naccept = { \"no draw\" = \"not told\" }"), "p");
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        QCOMPARE(lines(lintPart(*file.part, file.accepted)), std::string());
        QCOMPARE(file.accepted.front().why, std::string("not told"));
        QVERIFY(file.places.at("peripheral.beat").line > 1);
        const PartFile vain =
            readPart(replaced(kSedge, "id = \"beat\"", "id = \"beat\"\naccept = { \"no draw\" = \"not told\" }"), "p");
        const std::string said = lines(lintPart(*vain.part, vain.accepted));
        QVERIFY2(said.find("'no draw' is accepted, and there is no such thing") != std::string::npos, said.c_str());
    }

    void lintFindsWhatIsSuspicious_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* name, const char* what, const char* by, const char* say) {
            QTest::newRow(name) << std::string(what) << std::string(by) << std::string(say);
        };
        row("nothing", "id = \"beat\"", "id = \"beat\"", "");
        row("a narrow field", "divide = [1, 3, 12]",
            "divide = [1, 3, 12]\nfields = { divide = \"C.D[2:0]\" }\nholds = { divide = \"n-1\" }",
            "line.cpu: warning: the field C.D[2:0] holds up to 7, but divide = 12 needs 11; expected a wider field or a smaller "
            "range; or accept = { \"narrow field\" = \"why\" }\n");
        row("an rc without tolerance", "tolerance = { by = [\"-3 %\", \"5 %\"] }\n", "",
            "source.hum: warning: the RC 'hum' has no tolerance, so nothing can be said of its corners; expected tolerance = [{ "
            "temp, by }]; or accept = { \"no tolerance\" = \"why\" }\n");
        row("a draw not given", "draws = \"1 uA\"\n", "",
            "peripheral.beat: warning: the peripheral 'beat' does not say what it draws; expected draws = { per_mhz }; or accept "
            "= { \"no draw\" "
            "= \"why\" }\n");
    }
    void lintFindsWhatIsSuspicious() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(std::string, say);
        const PartFile file = readPart(replaced(kSedge, what, by), "p");
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        QCOMPARE(lines(lintPart(*file.part)), say);
    }

    void fieldsHoldTheirForms_data() {
        QTest::addColumn<std::string>("form");
        QTest::addColumn<std::string>("factor");
        QTest::addColumn<int>("held"); // -1: none
        QTest::addColumn<std::string>("says");
        const auto row = [](const char* form, const char* factor, int held, const char* says) {
            QTest::addRow("%s of %s", form, factor) << std::string(form) << std::string(factor) << held << std::string(says);
        };
        row("n", "3", 3, "holds n");
        row("n-1", "3", 2, "holds n \u2212 1");
        row("n - 1", "0", -1, "holds n \u2212 1");
        row("16*n", "43/16", 43, "holds 16 \u00d7 n");
        row("16*n-16", "2", 16, "holds 16 \u00d7 n \u2212 16");
        row("65536-n", "65536", 0, "holds 65536 \u2212 n");
        row("65536-n", "1000", 64536, "holds 65536 \u2212 n");
        row("log2 n", "64", 6, "holds log2 n");
        row("log2 n", "48", -1, "holds log2 n");
        row("n/2-1", "2", 0, "holds 1/2 \u00d7 n \u2212 1");
        row("n/2-1", "3", -1, "holds 1/2 \u00d7 n \u2212 1");
        row("n+3", "2", 5, "holds n + 3");
    }
    void fieldsHoldTheirForms() {
        QFETCH(std::string, form);
        QFETCH(std::string, factor);
        QFETCH(int, held);
        QFETCH(std::string, says);
        const auto holds = readHolds(form);
        QVERIFY(holds.has_value());
        QCOMPARE(holdsText(*holds), says);
        QCOMPARE(heldFor(*holds, exact(factor)).value_or(-1), static_cast<std::int64_t>(held));
    }

    void formsThatAreNoneAreRefused() {
        for (const char* form : {"", "1", "n*n", "n-", "2n-n", "log n", "n--1", "99999999999999999999*n", "-"}) {
            QVERIFY2(!readHolds(form).has_value(), form);
        }
    }

    void fieldValuesAreShownAsWritten() {
        const FieldValue value{"ref.divide", {"CLK.REF", 12, 8}, "5", "holds n \u2212 1", 4};
        QCOMPARE(fieldText(value.field), std::string("CLK.REF[12:8]"));
        QCOMPARE(hexText(value), std::string("0x04"));
        QCOMPARE(inPlaceText(value), std::string("0x00000400"));
        QCOMPARE(inPlaceText({"x", {"W", 40, 36}, "", "", 31}), std::string("0x000001F000000000"));
    }
};

QTEST_APPLESS_MAIN(CorePartReader)
#include "core_part_reader.moc"
