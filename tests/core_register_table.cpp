#include "files/register_table.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

std::string saidOf(const RegisterFile& file) {
    std::string said;
    for (const DescribedRegister& reg : file.names ? file.names->registers : std::vector<DescribedRegister>()) {
        said += reg.facts.name + (reg.facts.address ? "@" + std::to_string(*reg.facts.address) : "");
        for (const DescribedField& field : reg.fields) {
            said += " " + field.name + "[" + std::to_string(field.msb) + ":" + std::to_string(field.lsb) + "]";
        }
        said += "\n";
    }
    return said + lines(file.diagnostics);
}

} // namespace

/// Registers told by a table, or by a header.
class CoreRegisterTable : public QObject {
    Q_OBJECT

private slots:
    void tablesAreRead_data() {
        QTest::addColumn<std::string>("text");
        QTest::newRow("commas") << std::string(
            "register,address,field,bits,access,reset,about\nCLK.BUS,0x40,,,rw,0x3,\"buses, both\"\n"
            "CLK.BUS,,DIVA,2:0,,,divider\nCLK.BUS,,BUSY,4,ro,,\n\nPWR.REST,128,MODE,1:0,,,\n");
        QTest::newRow("semicolons, other order") << std::string("field;bits;register;address\r\n;;CLK.BUS;0x40\r\nDIVA;2:0;CLK."
                                                                "BUS;\r\nBUSY;4;CLK.BUS;\r\nMODE;1:0;PWR.REST;0x80\r\n");
    }
    void tablesAreRead() {
        QFETCH(std::string, text);
        QCOMPARE(saidOf(readRegisterFile(text, "t.csv")),
                 std::string("CLK.BUS@64 DIVA[2:0] BUSY[4:4]\nPWR.REST@128 MODE[1:0]\n"));
    }

    void faultsHaveTheirRow() {
        const auto why = [](const std::string& text) { return saidOf(readRegisterTable(text, "t.csv")); };
        QVERIFY(why("register,adress\nA.B,1\n").find("t.csv:1:1: error: a column 'adress'") != std::string::npos);
        QVERIFY(why("register,adress\nA.B,1\n").find("did you mean 'address'?") != std::string::npos);
        QVERIFY(why("name\nA\n").find("no column 'register'") != std::string::npos);
        QVERIFY(why("register,field,bits\nA.B,F,x\n").find("t.csv:2:1: error: 'x' as bits of F") != std::string::npos);
        QVERIFY(why("register,address\nA.B,many\n").find("'many' as address") != std::string::npos);
        QVERIFY(why("register,access\nA.B,rx\n").find("'rx' as access") != std::string::npos);
        QVERIFY(why("register\nA*B\n").find("the register 'A*B'") != std::string::npos);
        QVERIFY(why("register\n").find("no register") != std::string::npos);
    }

    void headersAreRead() {
        const char* const header = "/* registers */\n#define CLK_BUS_ADDR 0x40000040UL // the buses\n#define CLK_BUS_DIVA_Pos "
                                   "0\n#define CLK_BUS_DIVA_Msk (0x7UL << 0)\n"
                                   "#define CLK_BUS_BUSY_SHIFT (4)\n#define CLK_BUS_BUSY_MASK 0x1\n  #define CLK_BUS_WIDE_Pos "
                                   "8\n#define CLK_BUS_WIDE_Msk 0x0000FF00\n"
                                   "#define CLK_BUS2_ADDRESS 0x40000044\n#define CLK_BUS2_ON_Pos 3\n#define CLK_BUS2_ON_Msk (1u "
                                   "<< 3)\n#define NAME \"text\"\n#define CALL(x) (x)\n#define OTHER_Pos 3\n";
        QCOMPARE(saidOf(readRegisterFile(header, "clk.h")),
                 std::string("CLK.BUS@1073741888 DIVA[2:0] BUSY[4:4] WIDE[15:8]\nCLK.BUS2@1073741892 ON[3:3]\n"));
        QVERIFY(saidOf(readDefines("int x;\n", "clk.h")).find("no register") != std::string::npos);
    }

    /// A part that names such a file has its fields by name.
    void partsNameThem() {
        QTemporaryDir folder;
        QFile table(folder.filePath("t.csv"));
        QVERIFY(table.open(QFile::WriteOnly));
        table.write("register,field,bits\nCLK.BUS,DIVA,2:0\n");
        table.close();
        const std::string part = "format = \"wisetick-part/1\"\nid = \"t\"\nregisters = \"t.csv\"\ncore = "
                                 "\"core\"\n[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"8 MHz\"\n"
                                 "[[line]]\nid = \"core\"\nfrom = \"rc\"\ndivide = [1, 2, 4]\nfields = { divide = "
                                 "\"CLK.BUS.DIVA\" }\nholds = { divide = \"in order\" }\n[[mode]]\nid = \"run\"\nruns = true\n";
        const PartFile file = readPart(part, "part", folder.path().toStdString());
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        QCOMPARE(fieldText(file.part->lines[0].fields.at("divide")), std::string("CLK.BUS[2:0]"));
        const PartFile wrong = readPart(replaced(part, "CLK.BUS.DIVA", "CLK.BUS.DIVB"), "part", folder.path().toStdString());
        QVERIFY(!wrong.part.has_value());
    }

    /// Any damage is a fault or a description, and no end.
    void damageIsTold() {
        Random random;
        for (int i = 0; i < 2000; ++i) {
            std::string text = i % 2 == 0
                                   ? "register,address,field,bits\nCLK.BUS,0x40,DIVA,2:0\n"
                                   : "#define CLK_BUS_ADDR 0x40\n#define CLK_BUS_DIVA_Pos 1\n#define CLK_BUS_DIVA_Msk 0x3\n";
            for (int damage = 0; damage < 3; ++damage) {
                text[static_cast<std::size_t>(random.whole(0, std::ssize(text) - 1))] = static_cast<char>(random.whole(0, 255));
            }
            const RegisterFile file = readRegisterFile(text, i % 2 == 0 ? "t.csv" : "t.h");
            QVERIFY(file.names.has_value() != !file.diagnostics.empty() || file.names.has_value());
            for (const DescribedRegister& reg : file.names ? file.names->registers : std::vector<DescribedRegister>()) {
                for (const DescribedField& field : reg.fields) {
                    QVERIFY(field.lsb >= 0 && field.lsb <= field.msb && field.msb < 64);
                }
            }
        }
    }
};

QTEST_APPLESS_MAIN(CoreRegisterTable)
#include "core_register_table.moc"
