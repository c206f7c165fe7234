#include "derive/field_values.h"
#include "files/part_reader.h"
#include "handover/found.h"
#include "small_part.h"

#include <fstream>
#include <random>
#include <regex>
#include <set>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A divider and a mux in one register at 0x5000_0200, a promise on the divided line.
Edited withRegisters() {
    const std::string more =
        "\n[[register]]\nname = \"CLK.CORE\"\naddress = 0x50000200\n"
        "\n[[source]]\nid = \"slow\"\nkind = \"rc\"\nrate = \"1 MHz\"\ntolerance = [{ by = [\"0 %\", \"0 %\"] }]\n"
        "\n[[line]]\nid = \"half\"\nfrom = [\"core\", \"slow\"]\ndivide = [1, 2, 4]\n"
        "fields = { divide = \"CLK.CORE[1:0]\", from = \"CLK.CORE[8]\" }\nholds = { divide = \"log2 n\", from = \"in order\" }\n";
    return readBoth(smallPart("", more), smallPlan(said("right: half runs at 4 MHz"), "", "choices.half = { divide = 2 }\n"));
}

std::uint64_t coreOf(const std::string& text) {
    const Edited edited = withRegisters();
    const FoundRegisters found = readFound(edited.part, text, "regs");
    if (!found.diagnostics.empty() || !found.registers.contains("CLK.CORE")) {
        qFatal("%s", lines(found.diagnostics).c_str());
    }
    return found.registers.at("CLK.CORE").value;
}

std::string faultOf(const std::string& text) {
    return lines(readFound(withRegisters().part, text, "regs").diagnostics);
}

/// Registers as the fields of a line hold them; what no field covers is random.
void encode(const std::vector<FieldValue>& fields, FoundRegisters& found) {
    for (const FieldValue& value : fields) {
        FoundRegister& held = found.registers[value.field.reg];
        const std::uint64_t mask = (~std::uint64_t{0} >> (64 - value.field.ownWidth())) << value.field.lsb;
        held.value = (held.value & ~mask) | (static_cast<std::uint64_t>(value.held) << value.field.lsb);
        held.known |= mask;
    }
}

} // namespace

/// Registers read from a board, and what they mean.
class CoreFound : public QObject {
    Q_OBJECT

private slots:
    /// The same word, 0x103, as tools write it. Sums by hand: 02+04+50 = 0x56 → AA, 04+02+03+01 = 0x0A → F6,
    /// 09+50+02+03+01 = 0x5F → A0.
    void everyFormIsRead() {
        QCOMPARE(coreOf("CLK.CORE = 0x103\n"), 0x103U);
        QCOMPARE(coreOf("# a terminal\nCLK.CORE: 259 // decimal\n"), 0x103U);
        QCOMPARE(coreOf("CLK.CORE 0x0000_0103u"), 0x103U);
        QCOMPARE(coreOf("0x50000200 = 0x103"), 0x103U);
        QCOMPARE(coreOf("0x500001fc <clk+12>:\t0x00000007\t0x00000103\n"), 0x103U);
        QCOMPARE(coreOf(":020000045000AA\n:0402000003010000F6\n:00000001FF\n"), 0x103U);
        QCOMPARE(coreOf("S00600004844521B\r\nS3095000020003010000A0\r\nS70500000000FA\r\n"), 0x103U);
        const FoundRegisters memory =
            readFoundMemory(withRegisters().part, std::string("\x07\x00\x00\x00\x03\x01\x00\x00", 8), 0x500001FC);
        QCOMPARE(memory.registers.at("CLK.CORE").value, 0x103U);
        QCOMPARE(memory.elsewhere, std::size_t{4});
    }

    void faultsSayTheirLine() {
        QVERIFY2(faultOf("\nCLK.CROE = 3\n").find("regs:2:1: error: no register 'CLK.CROE' in this part") == 0,
                 faultOf("\nCLK.CROE = 3\n").c_str());
        QVERIFY(faultOf("CLK.CROE = 3").find("did you mean 'CLK.CORE'?") != std::string::npos);
        QVERIFY(faultOf("CLK.CORE = three").find("'three'") != std::string::npos);
        QVERIFY(faultOf("CLK.CORE").find("NAME = value") != std::string::npos);
        QVERIFY(faultOf("CLK.CORE = 0x100000000").find("32 bits") != std::string::npos);
        QVERIFY(faultOf(":0402000003010000F7").find("length or sum") != std::string::npos);
        QVERIFY(faultOf("S3095000020003010000A1").find("length or sum") != std::string::npos);
    }

    /// 0x102: from slow, ÷ 4. The promise was on 4 MHz and is on 250 kHz then; each difference alone is on another rate.
    void differencesSayWhatTheyDo() {
        Edited edited = withRegisters();
        const FoundRegisters found = readFound(edited.part, "CLK.CORE = 0x102", "regs");
        const std::vector<FoundField> fields = foundFields(edited.part, edited.plan, "A", found);
        QCOMPARE(fields.size(), std::size_t{2});
        std::string text;
        for (const FoundField& field : fields) {
            text += field.planned.control + " " + std::to_string(*field.found) + " " + field.means + ":";
            for (const Moved& moved : field.moves) {
                text += " " + moved.name + " " + moved.is;
            }
            text += "; ";
        }
        QVERIFY2(text.find("half.from 1 from slow:") != std::string::npos && text.find("half 500 kHz") != std::string::npos,
                 text.c_str());
        QVERIFY2(text.find("half.divide 2 \u00f7 4:") != std::string::npos && text.find("half 2 MHz") != std::string::npos,
                 text.c_str());
        QCOMPARE(addDecodedTake(edited.part, edited.plan, found, "A", "A"), std::string("there is a take 'A' already"));
        QCOMPARE(addDecodedTake(edited.part, edited.plan, found, "A", "found"), std::string());
        const Figures figures = evaluate(edited.part, edited.plan, "found");
        QCOMPARE(figures.findLine("half")->hertz->nominal, Rational(250000)); // 1 MHz ÷ 4
        QCOMPARE(figures.findPromise("right")->state, State::broken);
    }

    /// What is no code of anything, such as a register full of ones, is unknown too.
    void whatHoldsNoCodeIsUnknown() {
        for (const char* name : {"cordgrass-60", "gorse-12", "marram-20", "samphire-5", "sedge-8"}) {
            const Part part = readPart(fileText(sourceDir() + "/parts/" + name + ".part.toml"), name).part.value();
            FoundRegisters found;
            for (const Line& line : part.lines) {
                for (const auto& [control, field] : line.fields) {
                    for (const Field& piece : field.pieces()) {
                        found.registers[piece.reg] = {~std::uint64_t{0}, ~std::uint64_t{0}};
                    }
                }
            }
            const DecodedTake decoded = decodedTake(part, found, "x");
            for (const Choice& choice : decoded.take.choices) {
                const auto node = part.findNode(choice.id);
                QVERIFY(!choice.divide || part.lineAt(*node).divide.contains(*choice.divide));
                QVERIFY(!choice.multiply || part.lineAt(*node).multiply.contains(*choice.multiply));
            }
        }
    }

    /// What was not read is unknown, and says nothing.
    /// Every register that the text of a part names before a "[": a board's dump of it is read without a word.
    void everyRegisterOfThePartIsKnown() {
        for (const char* name : {"cordgrass-60", "gorse-12", "marram-20", "samphire-5", "sedge-8"}) {
            const std::string path = sourceDir() + "/parts/" + name + ".part.toml";
            std::ifstream file(path);
            const std::string text{std::istreambuf_iterator<char>(file), {}};
            const Part part = *readPart(text, path).part;
            const std::regex field("\"([A-Z][A-Z0-9_]*(?:\\.[A-Z0-9_]+)?)\\[[0-9]+(?::[0-9]+)?\\]");
            std::set<std::string> names;
            for (auto it = std::sregex_iterator(text.begin(), text.end(), field); it != std::sregex_iterator(); ++it) {
                names.insert((*it)[1]);
            }
            QVERIFY2(names.size() > 5, name);
            for (const std::string& reg : names) {
                const FoundRegisters found = readFound(part, reg + " = 0x0\n", "board.txt");
                QVERIFY2(found.diagnostics.empty(), (std::string(name) + ": " + reg).c_str());
            }
        }
    }

    void whatWasNotReadIsUnknown() {
        const Edited edited = withRegisters();
        const FoundRegisters none = readFound(edited.part, "", "regs");
        for (const FoundField& field : foundFields(edited.part, edited.plan, "A", none)) {
            QVERIFY(!field.found && field.moves.empty());
        }
        QCOMPARE(decodedTake(edited.part, none, "x").unknown, (std::vector<std::string>{"half.from", "half.divide"}));
        // one byte of four: bits 1 to 0 are known, bit 8 is not
        const FoundRegisters some = readFoundMemory(edited.part, "\x01", 0x50000200);
        QCOMPARE(decodedTake(edited.part, some, "x").unknown, (std::vector<std::string>{"half.from"}));
    }

    /// Decoding is the inverse of writing, for every control that has a field, of every shipped part, at random settings.
    void decodingUndoesWriting_data() {
        QTest::addColumn<std::string>("name");
        for (const char* name : {"cordgrass-60", "gorse-12", "marram-20", "samphire-5", "sedge-8"}) {
            QTest::newRow(name) << std::string(name);
        }
    }
    void decodingUndoesWriting() {
        QFETCH(std::string, name);
        const PartFile file = readPart(fileText(sourceDir() + "/parts/" + name + ".part.toml"), name);
        QVERIFY2(file.part, lines(file.diagnostics).c_str());
        const Part& part = *file.part;
        std::mt19937 random(21);
        const auto below = [&](std::int64_t count) { return std::uniform_int_distribution<std::int64_t>(0, count - 1)(random); };
        std::size_t compared = 0;
        for (int round = 0; round < 40; ++round) {
            Diagnostics ignored;
            Take take{"A", {}, {}, {}, {}, {}};
            Controls controls = resolveControls(part, take, ignored);
            FoundRegisters found;
            for (std::size_t i = 0; i < part.lines.size(); ++i) {
                const Line& line = part.lines[i];
                LineControls& set = controls.lines[i];
                set.from = static_cast<std::size_t>(below(static_cast<std::int64_t>(line.from.size())));
                set.divide = line.divide.empty() ? Rational(1) : line.divide.at(below(*line.divide.size().toInt64()));
                set.multiply = line.multiply.empty() ? Rational(1) : line.multiply.at(below(*line.multiply.size().toInt64()));
                encode(lineFields(part, controls, i), found);
            }
            const DecodedTake decoded = decodedTake(part, found, "found");
            for (std::size_t i = 0; i < part.lines.size(); ++i) {
                const Line& line = part.lines[i];
                const auto choice = std::find_if(decoded.take.choices.begin(), decoded.take.choices.end(),
                                                 [&](const Choice& each) { return each.id == line.id; });
                const auto isWritten = [&](const std::string& control) {
                    const std::vector<FieldValue> fields = lineFields(part, controls, i);
                    return std::any_of(fields.begin(), fields.end(), [&](const FieldValue& value) {
                        return value.control == line.id + "." + control ||
                               value.control.rfind(line.id + "." + control + ".", 0) == 0;
                    });
                };
                const std::string where = line.id + " in round " + std::to_string(round);
                if (isWritten("from")) {
                    QVERIFY2(choice != decoded.take.choices.end() &&
                                 choice->from == part.nodeId(line.from[controls.lines[i].from]),
                             where.c_str());
                    ++compared;
                }
                if (isWritten("divide") && line.divide.least() != line.divide.most()) {
                    QVERIFY2(choice != decoded.take.choices.end() && choice->divide == controls.lines[i].divide, where.c_str());
                    ++compared;
                }
                if (isWritten("multiply") && line.multiply.least() != line.multiply.most()) {
                    QVERIFY2(choice != decoded.take.choices.end() && choice->multiply == controls.lines[i].multiply,
                             where.c_str());
                    ++compared;
                }
            }
        }
        QVERIFY(compared > 100);
    }
};

QTEST_APPLESS_MAIN(CoreFound)
#include "core_found.moc"
