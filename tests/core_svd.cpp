#include "files/part_from_svd.h"
#include "files/part_reader.h"
#include "files/part_skeleton.h"
#include "files/svd.h"
#include "part/lint.h"
#include "part/unknown_facts.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

std::string dataFolder() {
    return sourceDir() + "/tests/data";
}

RegisterNames thicket() {
    const RegisterFile file = readSvd(fileText(dataFolder() + "/thicket-3.svd"), "thicket-3.svd");
    if (!file.names) {
        qFatal("%s", lines(file.diagnostics).c_str());
    }
    return *file.names;
}

std::string svdWith(const std::string& registers) {
    return "<device><name>T</name><peripherals><peripheral><name>P</name><baseAddress>0x100</baseAddress>\n<registers>" +
           registers + "</registers></peripheral></peripherals></device>";
}

/// A part over the description, with `more` at its end.
PartFile partOver(const std::string& more, const std::string& description = "thicket-3.svd") {
    return readPart("format = \"wisetick-part/1\"\nid = \"try\"\nname = \"Try\"\nregisters = \"" + description +
                        "\"\ncore = \"core\"\n"
                        "[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"8 MHz\"\nfield = \"CLOCK.MAIN.RC\"\n"
                        "ready = \"CLOCK.MAIN[8]\"\n"
                        "[[source]]\nid = \"xt\"\nkind = \"crystal\"\nrange = [\"4 MHz\", \"8 MHz\"]\nfield = \"CLOCK.MAIN.XT\"\n"
                        "[[line]]\nid = \"core\"\nfrom = [\"rc\", \"xt\"]\n"
                        "fields = { from = \"CLOCK.MAIN.SOURCE\" }\nholds = { from = { rc = \"QUICK\", xt = \"CRYSTAL\" } }\n"
                        "[[mode]]\nid = \"run\"\nruns = true\n" +
                        more,
                    "p", dataFolder());
}

std::string faultsOver(const std::string& more) {
    return lines(partOver(more).diagnostics);
}

const Register& registerOf(const RegisterNames& names, const std::string& name) {
    const DescribedRegister* found = names.find(name);
    if (found == nullptr) {
        qFatal("no %s", name.c_str());
    }
    return found->facts;
}

} // namespace

/// Register descriptions: read as their standard says, named in parts, and parts begun from them.
class CoreSvd : public QObject {
    Q_OBJECT

private slots:
    void addressesAndFieldsAreThoseOfTheFile() {
        const RegisterNames names = thicket();
        QCOMPARE(names.device, std::string("THICKET3"));
        QCOMPARE(names.about, std::string("An invented part, \"small\", with a few registers"));
        QCOMPARE(names.peripherals.size(), std::size_t{3});
        QCOMPARE(*registerOf(names, "CLOCK.MAIN").address, 0x40020004U);
        QCOMPARE(*registerOf(names, "CLOCK.MAIN").reset, 0x101U);
        QCOMPARE(*registerOf(names, "CLOCK.GATE_B").address, 0x40020014U);       // base + 0x10 + 1 × 4
        QCOMPARE(*registerOf(names, "CLOCK.LOOP1_FACTOR").address, 0x40020122U); // base + 0x100 + 1 × 0x20 + 2
        QCOMPARE(registerOf(names, "CLOCK.LOOP1_FACTOR").width, 16);
        QCOMPARE(*findField(names, "CLOCK.MAIN.READY"), (Field{"CLOCK.MAIN", 9, 8}));    // [9:8]
        QCOMPARE(*findField(names, "CLOCK.MAIN.XT"), (Field{"CLOCK.MAIN", 1, 1}));       // lsb and msb
        QCOMPARE(*findField(names, "CLOCK.MAIN.DIVIDE"), (Field{"CLOCK.MAIN", 23, 20})); // offset and width
        QCOMPARE(*findField(names, "CLOCK.GATE_C.ON3"), (Field{"CLOCK.GATE_C", 7, 6}));  // 3 × 2 bits further up
        QVERIFY(!findField(names, "CLOCK.MAIN.NOTHING"));
        QCOMPARE(*findCode(names, {"CLOCK.MAIN", 17, 16}, "CRYSTAL"), 2);
    }

    void whatIsDerivedStandsAtItsOwnPlace() {
        const RegisterNames names = thicket();
        QCOMPARE(*registerOf(names, "UART2.RATE").address, 0x40030404U); // 1073939456 is 0x40030400
        QCOMPARE(registerOf(names, "UART2.FLAG").width, 8);
        QCOMPARE(names.peripherals[2].about, std::string("serial line"));
    }

    void accessIsWhatReadingAndWritingDo() {
        const RegisterNames names = thicket();
        QCOMPARE(registerOf(names, "UART1.FLAG").access, Access::writeOneToClear);
        QCOMPARE(registerOf(names, "UART1.SENT").access, Access::writeOnly);
        QCOMPARE(registerOf(names, "UART1.RECEIVED").access, Access::readToClear);
        QCOMPARE(registerOf(names, "CLOCK.MAIN").access, Access::readWrite);
    }

    void faultsSayWhere() {
        QVERIFY(lines(readSvd("<device><name>x</nam", "d.svd").diagnostics).find("d.svd:1:") == 0);
        QVERIFY(lines(readSvd("<part/>", "d.svd").diagnostics).find("no <device>") != std::string::npos);
        const std::string wide = lines(readSvd(svdWith("<register><name>R</name><size>8</size><addressOffset>0</addressOffset>"
                                                       "<fields><field><name>F</name><bitRange>[8:4]</bitRange></field></fields>"
                                                       "</register>"),
                                               "d.svd")
                                           .diagnostics);
        QVERIFY2(wide.find("d.svd:2:") == 0 && wide.find("'F' at bits 8 to 4") != std::string::npos, wide.c_str());
        const std::string number = lines(
            readSvd(svdWith("<register><name>R</name><addressOffset>four</addressOffset></register>"), "d.svd").diagnostics);
        QVERIFY2(number.find("<addressOffset>four</addressOffset>") != std::string::npos, number.c_str());
        const std::string lost = lines(
            readSvd(svdWith("<register derivedFrom=\"Q\"><name>R</name><addressOffset>0</addressOffset></register>"), "d.svd")
                .diagnostics);
        QVERIFY2(lost.find("derivedFrom=\"Q\"") != std::string::npos, lost.c_str());
        // a loop of derived ones ends
        const std::string loop = "<device><name>T</name><peripherals>"
                                 "<peripheral derivedFrom=\"B\"><name>A</name><baseAddress>0</baseAddress></peripheral>"
                                 "<peripheral derivedFrom=\"A\"><name>B</name><baseAddress>0</baseAddress></peripheral>"
                                 "</peripherals></device>";
        QVERIFY(lines(readSvd(loop, "d.svd").diagnostics).find("without registers") != std::string::npos);
    }

    void namesStandForFieldsAndCodes() {
        const PartFile file = partOver("");
        QVERIFY2(file.part, lines(file.diagnostics).c_str());
        QCOMPARE(*file.part->sources[0].field, (Field{"CLOCK.MAIN", 0, 0}));
        QCOMPARE(file.part->lines[0].fields.at("from"), (Field{"CLOCK.MAIN", 17, 16}));
        QCOMPARE(*heldFor(file.part->lines[0].holds.at("from"), std::string("xt")), 2);
        QCOMPARE(*file.part->addressOf("CLOCK.MAIN"), 0x40020004U);
        QCOMPARE(file.part->registers.size(), std::size_t{1}); // those that the part names, no others
    }

    void whatTheDescriptionLacksIsAFault() {
        const std::string field = faultsOver("[[tier]]\nid = \"a\"\nfield = \"CLOCK.MAIN.DIVIED\"\n");
        QVERIFY2(field.find("no field 'CLOCK.MAIN.DIVIED' in thicket-3.svd") != std::string::npos &&
                     field.find("did you mean 'CLOCK.MAIN.DIVIDE'?") != std::string::npos,
                 field.c_str());
        const std::string reg = faultsOver("[[tier]]\nid = \"a\"\nfield = \"CLOCK.MIAN[3]\"\n");
        QVERIFY2(reg.find("no register 'CLOCK.MIAN'") != std::string::npos, reg.c_str());
        const std::string code = faultsOver("[[tier]]\nid = \"a\"\nfield = \"CLOCK.MAIN.SOURCE\"\ncode = \"QUIK\"\n");
        QVERIFY2(code.find("no code 'QUIK'") != std::string::npos && code.find("'QUICK'?") != std::string::npos, code.c_str());
        const std::string wide = faultsOver("[[tier]]\nid = \"a\"\nfield = \"UART1.FLAG[8]\"\n");
        QVERIFY2(wide.find("has 8 bits") != std::string::npos, wide.c_str());
        const std::string gone = lines(partOver("", "gone.svd").diagnostics);
        QVERIFY2(gone.find("'gone.svd': there is no such file") != std::string::npos, gone.c_str());
        QCOMPARE(faultsOver("[[register]]\nname = \"OWN.KEY\"\n[[tier]]\nid = \"a\"\nfield = \"OWN.KEY[3:0]\"\n"), std::string());
    }

    void aRegisterOfThePartAddsToItsDescription() {
        const PartFile file =
            partOver("[[sequence]]\nid = \"open\"\nwrites = [\"UART1.SENT = 3\", \"CLOCK.MAIN.SOURCE = CRYSTAL\"]\n"
                     "[[register]]\nname = [\"UART1.FLAG\", \"CLOCK.GATE_A\"]\nneeds = \"open\"\n");
        QVERIFY2(file.part, lines(file.diagnostics).c_str());
        const Register* flag = file.part->findRegister("UART1.FLAG");
        QVERIFY(flag != nullptr && flag->access == Access::writeOneToClear && flag->width == 8);
        QCOMPARE(*flag->address, 0x40030001U);
        QCOMPARE(flag->needs, std::string("open"));
        QCOMPARE(file.part->sequences[0].writes[0].field, (Field{"UART1.SENT", 7, 0}));
        QCOMPARE(file.part->sequences[0].writes[1].field, (Field{"CLOCK.MAIN", 17, 16}));
        QCOMPARE(file.part->sequences[0].writes[1].code, 2);
    }

    void bitsThatCutAFieldAreSuspicious() {
        const PartFile file =
            partOver("[[tier]]\nid = \"a\"\nfield = \"CLOCK.MAIN[21:20]\"\n[[tier]]\nid = \"b\"\n"
                     "field = \"CLOCK.MAIN[31:30]\"\naccept = { \"other bits\" = \"they come with the next revision\" }\n");
        QVERIFY2(file.part, lines(file.diagnostics).c_str());
        const std::string said = lines(lintPart(*file.part, file.accepted, file.suspicions));
        QVERIFY2(said.find("CLOCK.MAIN[21:20] cuts DIVIDE[23:20] of thicket-3.svd") != std::string::npos, said.c_str());
        QVERIFY2(said.find("CLOCK.MAIN[8] cuts READY[9:8]") != std::string::npos, said.c_str());
        QVERIFY2(said.find("[31:30]") == std::string::npos, said.c_str());
    }

    void aPartBegunFromItReads() {
        const std::string text = partFromSvd("thicket-3", thicket());
        const PartFile file = readPart(text, "p", dataFolder());
        QVERIFY2(file.part, lines(file.diagnostics).c_str());
        QCOMPARE(file.part->peripherals.size(), std::size_t{3});
        QCOMPARE(file.part->peripherals[1].id, std::string("uart1"));
        for (const char* line : {"kind = \"other\"    # or \"uart\"\n", "#   .MAIN.SOURCE [17:16]; QUICK = 0, CRYSTAL = 2\n",
                                 "# .FLAG, 8 bits, w1c\n", "# registers as those of UART1\n"}) {
            QVERIFY2(text.find(line) != std::string::npos, (line + ("\n" + text)).c_str());
        }
    }

    void skeletonsAreWhole() {
        for (const std::string& like : partSkeletons()) {
            const PartFile file = readPart(partSkeleton("mine-7", like), "p");
            QVERIFY2(file.part, lines(file.diagnostics).c_str());
            QCOMPARE(lines(lintPart(*file.part, file.accepted)), std::string());
            QCOMPARE(file.part->id, std::string("mine-7"));
            QCOMPARE(unwritableFacts(*file.part).size(),
                     like == "middle" ? std::size_t{0} : std::size_t{1}); // "deep" has no way in
        }
    }

    /// Counted by hand in the part above: of rc without a tolerance, itself, core and two more lines, one of them a mux, and a
    /// timer.
    void whatMostHangsOnComesFirst() {
        const PartFile file =
            readPart("format = \"wisetick-part/1\"\nid = \"try\"\nname = \"Try\"\ncore = \"core\"\n"
                     "supply = { min = \"2 V\", max = \"3 V\" }\n"
                     "[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"8 MHz\"\nstartup = \"1 us\"\n"
                     "[[source]]\nid = \"rs\"\nkind = \"rc\"\nrate = \"32 kHz\"\nstartup = \"1 us\"\ndraws = \"1 uA\"\n"
                     "[[line]]\nid = \"core\"\nfrom = \"rc\"\n"
                     "[[line]]\nid = \"bus\"\nfrom = \"core\"\ndivide = [1, 2]\n"
                     "[[line]]\nid = \"slow\"\nfrom = [\"rs\", \"bus\"]\n"
                     "[[peripheral]]\nid = \"t\"\nkind = \"timer\"\nclock = \"slow\"\nbits = 16\ndraws = \"1 uA\"\n"
                     "[[mode]]\nid = \"run\"\nruns = true\ndraws = \"1 mA\"\n",
                     "p");
        QVERIFY2(file.part, lines(file.diagnostics).c_str());
        const std::vector<UnknownFact> facts = unknownFacts(*file.part);
        QCOMPARE(facts.size(), std::size_t{3});
        QCOMPARE(facts[0].say, std::string("the tolerance of rc"));
        QCOMPARE(facts[0].hangs, (std::vector<std::string>{"rc", "core", "bus", "slow", "t"}));
        QCOMPARE(facts[1].say, std::string("what rc draws"));
        QCOMPARE(facts[2].say, std::string("the tolerance of rs"));
        QCOMPARE(facts[2].hangs, (std::vector<std::string>{"rs", "slow", "t"}));
        const std::vector<UnknownFact> unwritable = unwritableFacts(*file.part);
        std::string said;
        for (const UnknownFact& fact : unwritable) {
            said += fact.path + ": " + fact.say + "\n";
        }
        QCOMPARE(said, std::string("line.bus: the field of its divider\nline.slow: the field of its mux\n"
                                   "peripheral.t: the fields of counts\n"));
    }
};

QTEST_GUILESS_MAIN(CoreSvd)
#include "core_svd.moc"
