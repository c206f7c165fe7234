#include "support.h"
#include "workshop/key_help.h"
#include "workshop/offers.h"
#include "workshop/text_ids.h"
#include "workshop/text_words.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

const char* const kText = R"(format = "wisetick-part/1"
core = "core" # the line

[[source]]
id = "rc"
rate = "8 MHz"

[[line]]
each = [
  { id = "bus_a", from = "core", divide = [1, 2], fields = { divide = "CLK.A[1:0]" } },
  { id = "bus_b", from = ["core", "rc"], reset.from = "rc" },
]

[[peripheral]]
ids = "uart{1..4}"
like = "port"
clock = ["bus_a", "bus_b"]
note = "bus_a feeds it"
with = { n = 'x y' }
)";

std::string placesSaid(const std::vector<TextPlace>& places) {
    std::string said;
    for (const TextPlace& place : places) {
        said += std::to_string(place.line) + ":" + std::to_string(place.from) + "-" + std::to_string(place.to) + " ";
    }
    return said;
}

std::vector<std::string> textsOf(const std::vector<TextOffer>& offers) {
    std::vector<std::string> texts;
    for (const TextOffer& offer : offers) {
        texts.push_back(offer.text);
    }
    return texts;
}

bool has(const std::vector<std::string>& list, const std::string& text) {
    return std::find(list.begin(), list.end(), text) != list.end();
}

} // namespace

/// What an editor knows of a text that is being typed.
class CoreWorkshop : public QObject {
    Q_OBJECT

private slots:
    void wordsStandUnderTheirKeys() {
        const TextWords words = readWords(kText);
        QCOMPARE(words.entries.size(), std::size_t{4});
        QCOMPARE(words.entries[1].table, std::string("source"));
        QCOMPARE(words.entries[1].id, std::string("rc"));
        QCOMPARE(words.entries[3].id, std::string("uart{1..4}"));
        QCOMPARE(words.entries[1].from, 3);
        QCOMPARE(words.entries[1].to, 6); // without the empty line
        const TextWord* field = words.at(9, 72);
        QVERIFY(field != nullptr);
        QCOMPARE(field->text, std::string("CLK.A[1:0]"));
        QCOMPARE(field->keys, (std::vector<std::string>{"each", "fields", "divide"}));
        const TextWord* reset = words.at(10, 56);
        QVERIFY(reset != nullptr);
        QCOMPARE(reset->text, std::string("rc"));
        QCOMPARE(reset->keys, (std::vector<std::string>{"each", "reset", "from"}));
        QCOMPARE(words.at(18, 14)->text, std::string("x y"));
        QVERIFY(words.at(1, 18) == nullptr); // a remark
        QCOMPARE(words.at(0, 3)->kind, TextWord::Kind::key);
        QCOMPARE(words.entryAt(10), std::size_t{2});
    }

    /// Half a text is what is typed most of the time.
    void whatIsNotClosedEndsAtTheNextHead() {
        const TextWords words = readWords("[[line]]\nid = \"a\nfrom = [\"b\", \n[[line]]\nid = \"c\"\nlimit = { max = \"1 MHz\"");
        QCOMPARE(words.entries.size(), std::size_t{3});
        QCOMPARE(words.entries[1].id, std::string("a"));
        QCOMPARE(words.entries[2].id, std::string("c"));
        QCOMPARE(words.words.back().keys, (std::vector<std::string>{"limit", "max"}));
        readWords(""); // nothing, and no end
        Random random;
        const std::string signs = "[]{}=.,\"'#\\\n\r\t abc\xff";
        for (int i = 0; i < 2000; ++i) {
            std::string text = kText;
            for (int damage = 0; damage < 3; ++damage) {
                text[static_cast<std::size_t>(random.whole(0, std::ssize(text) - 1))] = random.pick(signs);
            }
            const TextWords all = readWords(text);
            const auto count = static_cast<int>(std::count(text.begin(), text.end(), '\n'));
            for (const TextWord& word : all.words) {
                QVERIFY(word.from <= word.to && word.line <= count && word.entry < all.entries.size());
            }
        }
    }

    /// The description that ships beside gorse-12 has the registers and fields that the part names.
    void theDescriptionFitsItsPart() {
        const std::string text = fileText(sourceDir() + "/parts/gorse-12.part.toml");
        const PartFile file =
            readPart(replaced(text, "\nsupply =", "\nregisters = \"gorse-12.svd\"\nsupply ="), "part", sourceDir() + "/parts");
        for (const Diagnostic& diagnostic : file.diagnostics) { // two registers of a timer belong to no block
            QVERIFY2(diagnostic.found.find("'T8HIGH'") != std::string::npos ||
                         diagnostic.found.find("'T8LOW'") != std::string::npos,
                     diagnosticText(diagnostic).c_str());
        }
        QCOMPARE(file.diagnostics.size(), std::size_t{2});
        const RegisterFile described = readSvd(fileText(sourceDir() + "/parts/gorse-12.svd"), "gorse-12.svd");
        QVERIFY(described.names.has_value() && described.diagnostics.empty());
        QVERIFY(findField(*described.names, "OSC.MAIN.XH_ON").has_value());
    }

    void shippedTextsHaveTheirTables() {
        for (const char* name : {"parts/gorse-12.part.toml", "parts/marram-20.part.toml", "examples/lagoon-buoy.plan.toml"}) {
            const std::string text = fileText(sourceDir() + "/" + name);
            const TextWords words = readWords(text);
            std::size_t heads = 0; // lines that begin with a bracket, counted as a reader would by eye
            std::istringstream stream(text);
            for (std::string line; std::getline(stream, line);) {
                heads += line.starts_with("[") ? 1U : 0U;
            }
            QCOMPARE(words.entries.size(), heads + 1);
        }
    }

    /// A source may be called as a kind is.
    void wordsOfTheFormatAreNoIds() {
        const char* const text = "[[source]]\nid = \"rc\"\nkind = \"rc\"\n\n[[line]]\nid = \"core\"\nfrom = [\"rc\"]\n";
        QCOMPARE(withIdRenamed(text, "rc", "rq"),
                 std::string("[[source]]\nid = \"rq\"\nkind = \"rc\"\n\n[[line]]\nid = \"core\"\nfrom = [\"rq\"]\n"));
    }

    void idsAreMadeAndUsed() {
        const TextWords words = readWords(kText);
        QCOMPARE(placesSaid(madeAt(words, "bus_a")), std::string("9:10-15 "));
        QCOMPARE(placesSaid(madeAt(words, "uart3")), std::string("14:7-17 "));
        QCOMPARE(placesSaid(madeAt(words, "none")), std::string());
        QCOMPARE(placesSaid(usesOf(words, "bus_a")), std::string("9:10-15 16:10-15 ")); // not in the note
        QCOMPARE(placesSaid(usesOf(words, "rc")), std::string("4:6-8 10:35-37 10:55-57 "));
        const TextWords plan =
            readWords("[[promise]]\nsay = \"bus: uart1 talks 9600, while uart1_b\"\n\n[[take]]\nname = \"uart1\"\n"
                      "locks = [\"uart1.divisor\"]\n[take.choices.uart1]\nfrom = \"uart1\"\n");
        QCOMPARE(placesSaid(usesOf(plan, "uart1")), std::string("1:12-17 5:10-15 6:14-19 7:8-13 "));
        QCOMPARE(placesSaid(usesOf(plan, "bus")), std::string());  // the name of a promise
        QCOMPARE(idIn(*plan.at(5, 16), 18), std::string("uart1")); // of a control its owner
        QCOMPARE(idIn(*plan.at(1, 14), 14), std::string("uart1"));
        QVERIFY(canBeId("a-1") && !canBeId("A") && !canBeId("") && !canBeId("a b"));
    }

    void keysMeanWhatTheirPageSays() {
        const KeyHelp help(fileText(sourceDir() + "/docs/part-files.md"));
        QVERIFY(help.meaningOf("source", "range").starts_with("of crystals and clock inputs"));
        QVERIFY(help.meaningOf("line", "ripple").find("strays by itself") != std::string::npos);
        QVERIFY(help.meaningOf("tier", "supply_min").find("Which limits hold") != std::string::npos ||
                help.meaningOf("tier", "supply_min").find("supply_max") != std::string::npos);
        QVERIFY(!help.meaningOf("", "slack").empty());
        QVERIFY(!help.meaningOf("line", "like").empty()); // of any table
        QVERIFY(help.meaningOf("line", "nonsense").empty());
        QVERIFY(has(help.keysOf("source"), "tolerance"));
        const KeyHelp plan(fileText(sourceDir() + "/docs/plan-files.md"));
        QVERIFY(!plan.meaningOf("take", "rests_in").empty());
        // every key of the schema is told something
        const auto schema = nlohmann::json::parse(fileText(sourceDir() + "/docs/schema/part.schema.json"));
        QStringList missing;
        for (const char* table : {"source", "line"}) {
            const auto& each = schema["properties"][table]["items"]["properties"];
            for (auto key = each.begin(); key != each.end(); ++key) {
                if (help.meaningOf(table, key.key()).empty()) {
                    missing << QString(table) + "." + key.key().c_str();
                }
            }
        }
        QVERIFY2(missing.size() <= 2, qPrintable(missing.join(", "))); // id and name need no words
    }

    void whatCanStandThereIsOffered() {
        const std::string text = marramText();
        const Part part = readPart(text, "part").part.value();
        const KeyHelp help(fileText(sourceDir() + "/docs/part-files.md"));
        TextSurroundings around{&part, nullptr, &help, nullptr};
        const std::string typed =
            text + "\n[[line]]\nid = \"x\"\nfrom = \"bu\"\ndi\nkind = \"\"\nlike = \"\"\nholds = { divide = \"\" }\n";
        const TextWords words = readWords(typed);
        const int first = static_cast<int>(std::count(text.begin(), text.end(), '\n')) + 1;
        const auto at = [&](int line, int column) { return textsOf(offersAt(typed, words, first + line, column, around)); };
        QVERIFY(has(at(2, 10), "bus_a") && has(at(2, 10), "bus_b") && !has(at(2, 10), "core"));
        QCOMPARE(at(3, 2), std::vector<std::string>{"divide"});
        QVERIFY(has(at(4, 8), "uart") && has(at(4, 8), "timer"));
        QVERIFY(has(at(6, 20), "n-1"));
        QVERIFY(!has(at(3, 0), "from")); // it is there already
        const TextOffer key = offersAt(typed, words, first + 3, 2, around).front();
        QVERIFY(key.from == 0 && key.to == 2 && key.detail.find("what the control can be set to") != std::string::npos);
    }

    void promisesAreOffered() {
        const LoadedPlan loaded = orchard();
        const KeyHelp help(fileText(sourceDir() + "/docs/plan-files.md"));
        const TextSurroundings around{&*loaded.part, &*loaded.plan, &help, nullptr};
        const std::string typed = "[[promise]]\nsay = \"uart1 \"\n[[take]]\nre\n";
        const TextWords words = readWords(typed);
        QVERIFY(has(textsOf(offersAt(typed, words, 1, 13, around)), "talks"));
        QVERIFY(has(textsOf(offersAt(typed, words, 3, 2, around)), "rests_in"));
    }
};

QTEST_APPLESS_MAIN(CoreWorkshop)
#include "core_workshop.moc"
