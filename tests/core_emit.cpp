#include "derive/bring_up.h"
#include "evaluate/evaluate.h"
#include "handover/emit.h"

#include "support.h"

#include <QProcess>
#include <QStandardPaths>
#include <QTemporaryDir>

#include <nlohmann/json.hpp>

#include <cctype>
#include <filesystem>
#include <map>
#include <set>

using namespace wisetick;
using namespace wisetick::test;

namespace {

LoadedPlan shipped(const std::string& name) {
    return loadPlan(sourceDir() + "/examples/" + name + ".plan.toml", {sourceDir() + "/parts"});
}

std::size_t indexOf(const Figures& figures, const std::string& name) {
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        if (figures.promises[i].name == name) {
            return i;
        }
    }
    return figures.promises.size();
}

/// The steps of one promise line on a part with a fresh plan, one a line: "say (FIELD = value)".
std::string stepsOf(const std::string& partName, const std::string& line) {
    const PartFile file = readPart(fileText(sourceDir() + "/parts/" + partName + ".part.toml"), partName);
    Plan plan = freshPlan(*file.part);
    plan.promises.push_back({line, readPromiseLine(line, &*file.part).value()});
    const Figures figures = derive(*file.part, plan, plan.active);
    std::string text;
    for (const BringUpAction& action : bringUp(*file.part, plan, figures.promises[0], 0)) {
        text += action.say +
                (action.field ? " (" + fieldText(action.field->field) + " = " + std::to_string(action.field->held) + ")" : "") +
                (action.isForgotten ? " !" : "") + "\n";
    }
    return text;
}

const EmitStyle kEven{Broken::written, {}, {}};

/// What the functions of a take are called first: plan and take in small letters, everything else as '_'.
std::string lowerPrefix(const Figures& figures) {
    std::string prefix = figures.plan + "_" + figures.take + "_";
    for (char& c : prefix) {
        c = std::isalnum(static_cast<unsigned char>(c)) != 0 ? static_cast<char>(std::tolower(static_cast<unsigned char>(c)))
                                                             : '_';
    }
    return prefix;
}

std::string underscored(std::string reg) {
    std::replace(reg.begin(), reg.end(), '.', '_');
    return reg;
}

bool isPlain(const Part& part, const FieldValue& value) {
    const Register* known = part.findRegister(value.field.reg);
    return known == nullptr || known->access == Access::readWrite;
}

/// Every field that some act of the program sets in full.
std::set<std::string> writtenFields(const Part& part, const Plan& plan, const Figures& figures) {
    std::set<std::string> written;
    for (const RegisterRoutine& routine : registerProgram(part, plan, figures, Broken::written).routines) {
        for (const RegisterAct& act : routine.acts) {
            const bool doesSet = act.kind == RegisterAct::Kind::modify || act.kind == RegisterAct::Kind::store;
            for (const EmittedField& field :
                 doesSet ? emittedFields(part, plan, figures, Broken::written) : std::vector<EmittedField>()) {
                const Field& at = field.value.field;
                const std::uint64_t mask = static_cast<std::uint64_t>(at.most().toWide().value()) << at.lsb;
                if (at.reg == act.reg && (act.mask & mask) == mask) {
                    written.insert(fieldText(at));
                }
            }
        }
    }
    return written;
}

/// A header of one's own, with a struct for each block.
std::string registersHeader(const Part& part, const Plan& plan, const Figures& figures) {
    std::map<std::string, std::map<std::string, int>> blocks;
    std::string plain;
    for (const RegisterRoutine& routine : registerProgram(part, plan, figures, Broken::written).routines) {
        for (const RegisterAct& act : routine.acts) {
            const Register* known = part.findRegister(act.reg);
            const std::size_t dot = act.reg.find('.');
            if (!act.reg.empty()) {
                int& bits = blocks[dot == std::string::npos ? "" : act.reg.substr(0, dot)]
                                  [dot == std::string::npos ? act.reg : underscored(act.reg.substr(dot + 1))];
                bits = std::max(bits, known != nullptr ? known->width : (act.mask >> 32 != 0 ? 64 : 32));
            }
        }
    }
    std::string text = "void my_wait(unsigned long long ns, unsigned long long hz);\nvoid my_rest(void);\n";
    for (const auto& [name, bits] : blocks[""]) {
        text += "extern volatile uint" + std::to_string(bits) + "_t " + name + ";\n";
    }
    blocks.erase("");
    for (const auto& [block, registers] : blocks) {
        text += "struct " + block + "_type {";
        for (const auto& [name, bits] : registers) {
            text += " volatile uint" + std::to_string(bits) + "_t " + name + ";";
        }
        text += " };\nextern struct " + block + "_type *const " + block + ";\n";
    }
    return text;
}

/// Runs a command in a folder; its output where it fails.
std::string run(const QString& folder, const QString& program, const QStringList& arguments, QString* output = nullptr) {
    QProcess process;
    process.setWorkingDirectory(folder);
    process.start(program, arguments);
    if (!process.waitForFinished(120000) || process.exitCode() != 0) {
        return (program + ": " + process.errorString() + "\n" + process.readAllStandardError()).toStdString();
    }
    if (output != nullptr) {
        *output = process.readAllStandardOutput();
    }
    return {};
}

void write(const QString& path, const std::string& content) {
    std::ofstream(path.toStdString()) << content;
}

} // namespace

/// Fields as code, and the order in which they are written.
class CoreEmit : public QObject {
    Q_OBJECT

private slots:
    void thePartTellsTheOrder() {
        QCOMPARE(stepsOf("marram-20", "timer3.1 drives 1 kHz within 1 % at 50 % duty"),
                 std::string("let its clock in (ON.B[2] = 1)\n"
                             "prescaler 1 (TMR3.STEP[15:0] = 0)\n"
                             "counts 10000 (TMR3.TOP[15:0] = 9999)\n"
                             "load step and top together (TMR3.CTL[1] = 1) !\n"
                             "compare1 5000 (TMR3.MATCH1[15:0] = 5000)\n"
                             "let channel 1 out to its pin (TMR3.OUT[0] = 1) !\n"
                             "start the counter (TMR3.CTL[0] = 1)\n"));
        QCOMPARE(stepsOf("marram-20", "timer2 fires every 1 ms within 1 %"),
                 std::string("let its clock in (ON.B[1] = 1)\n"
                             "prescaler 1 (TMR2.STEP[15:0] = 0)\n"
                             "counts 9999 (TMR2.TOP[15:0] = 9998)\n"
                             "load step and top together (TMR2.CTL[1] = 1) !\n"
                             "clear its flag (TMR2.FLAG[0] = 1) !\n"
                             "its own interrupt enable (TMR2.IE[0] = 1)\n"
                             "the enable of its group (IRQ.GROUP1[1] = 1)\n"
                             "interrupts of the core\n"
                             "start the counter (TMR2.CTL[0] = 1)\n"));
    }

    void withoutAnOrderTheUsualOneIsTaken() {
        QCOMPARE(stepsOf("sedge-8", "timer0 fires every 1 ms within 5 %").find("prescaler"), std::size_t{0}); // it has no gate
        const std::string steps = stepsOf("marram-20", "i2c1 talks 100 kHz");
        QVERIFY2(steps.rfind("let its clock in", 0) == 0, steps.c_str());
        QVERIFY2(steps.find("prescaler") < steps.find("low") && steps.find("high") != std::string::npos, steps.c_str());
        QVERIFY(stepsOf("marram-20", "core runs at 1 MHz").empty());
    }

    /// A chained pair writes the low half into its own field and the high one into the other's.
    void aChainedCountIsSplit() {
        const PartFile file = readPart(marramText(), "marram");
        Plan plan = freshPlan(*file.part);
        plan.promises.push_back({"", readPromiseLine("timer1 fires every 60 s exactly, chained", &*file.part).value()});
        const Figures figures = derive(*file.part, plan, plan.active);
        QCOMPARE(stateName(figures.promises[0].state), std::string("kept"));
        std::int64_t low = -1;
        std::int64_t high = -1;
        bool isOtherLetIn = false;
        for (const FieldValue& value : figures.promises[0].fields) {
            QVERIFY(Rational(value.held) <= value.field.most());
            low = value.control == "timer1.counts" ? value.held : low;
            high = value.control == "timer2.counts" ? value.held : high;
            isOtherLetIn = isOtherLetIn || value.control == "timer2.gate";
        }
        Rational counts;
        for (const Setting& setting : figures.promises[0].settings) {
            counts = setting.name == "counts" ? setting.value : counts;
        }
        QCOMPARE(Rational(high * 65536 + low + 1), counts);
        QVERIFY(isOtherLetIn);
        // the other timer can't keep a promise of its own then, and both say so
        plan.promises.push_back({"", readPromiseLine("timer2 fires every 1 ms within 1 %", &*file.part).value()});
        const Figures both = derive(*file.part, plan, plan.active);
        QCOMPARE(both.promises[0].why, std::string("timer2 needs timer2 too"));
        QCOMPARE(both.promises[1].why, std::string("timer1 needs timer2 too"));
    }

    /// In a cascade each timer counts for itself: what the fields of both hold, each one less than its count, makes the period.
    void aCascadeIsAProduct() {
        const std::string joined = "chained = { with = \"timer2\", bits = 32 }";
        const std::string cascade = "chained = { with = \"timer2\", counts = { from = 1, to = 65536 } }";
        const PartFile file = readPart(replaced(marramText(), joined, cascade), "marram");
        QCOMPARE(lines(file.diagnostics), std::string());
        Plan plan = freshPlan(*file.part);
        plan.promises.push_back({"", readPromiseLine("timer1 fires every 60 s exactly, chained", &*file.part).value()});
        const Figures figures = derive(*file.part, plan, plan.active);
        QCOMPARE(stateName(figures.promises[0].state), std::string("kept"));
        Rational cycles = 1;
        int factors = 0;
        for (const FieldValue& value : figures.promises[0].fields) {
            const std::string& control = value.control;
            if (control == "timer1.prescaler" || control == "timer1.counts" || control == "timer2.counts") {
                cycles = cycles * Rational(value.held + 1);
                ++factors;
            }
            // the other one takes every period of the first
            QVERIFY(control != "timer2.prescaler" || value.held == 0);
        }
        QCOMPARE(factors, 3);
        const LineFigure* clock = figures.findLine("timers");
        QVERIFY(clock != nullptr);
        QCOMPARE(cycles, clock->hertz->nominal * 60);
    }

    void formsAreNamed() {
        QVERIFY(readEmitForm("c") == EmitForm::source);
        QVERIFY(readEmitForm("csv") == EmitForm::table);
        QVERIFY(!readEmitForm("xml"));
    }

    /// The header and the functions of every example and take, compiled strictly as C99, C11 and C++17; the functions run, and
    /// the registers then hold what the figures say.
    void everyExampleCompilesAndRuns_data() {
        QTest::addColumn<std::string>("name");
        for (const auto& entry : std::filesystem::directory_iterator(sourceDir() + "/examples")) {
            if (!entry.path().string().ends_with(".plan.toml")) {
                continue; // what an example hands over, or a window's lock
            }
            const std::string file = entry.path().filename().string();
            const std::string name = file.substr(0, file.find('.'));
            QTest::newRow(name.c_str()) << name;
        }
    }
    void everyExampleCompilesAndRuns() {
        QFETCH(std::string, name);
        const LoadedPlan loaded = shipped(name);
        std::size_t checked = 0;
        for (const Take& take : loaded.plan->takes) {
            const Figures figures = evaluate(*loaded.part, *loaded.plan, take.name);
            QTemporaryDir folder;
            const auto emitted = [&](EmitForm form) { return emitFields(*loaded.part, *loaded.plan, figures, form, kEven); };
            write(folder.filePath("fields.h"), emitted(EmitForm::header));
            write(folder.filePath("start.h"), emitted(EmitForm::prototypes));
            const std::string code = emitted(EmitForm::source);
            write(folder.filePath("start.c"), code);
            const std::string prefix = lowerPrefix(figures);
            std::string prints = "#define WISETICK_ON_HOST\n#include \"start.h\"\n#include \"start.c\"\n#include \"fields.h\"\n"
                                 "#include <stdio.h>\n\nint main(void)\n{\n    int failed = " +
                                 prefix + "all();\n";
            const auto mode = loaded.part->findMode(take.restsIn);
            const bool rests = mode && !loaded.part->modes[*mode].runs;
            QCOMPARE(code.find("int " + prefix + "after_rest(void)") != std::string::npos, rests);
            // after a rest all stands as the take wants it again
            prints += rests ? "    failed += " + prefix + "rest() + " + prefix + "after_rest();\n" : "";
            std::vector<EmittedField> expected;
            const std::set<std::string> written = writtenFields(*loaded.part, *loaded.plan, figures);
            for (const EmittedField& field : emittedFields(*loaded.part, *loaded.plan, figures, Broken::written)) {
                // what is cleared by a 1 does not hold what was written, and a step may be one that ends by itself
                const bool holds = field.value.control.find(".step") == std::string::npos && isPlain(*loaded.part, field.value);
                if (written.contains(fieldText(field.value.field)) && holds) {
                    const std::string reg = "WT_" + underscored(field.value.field.reg);
                    prints += "    printf(\"%llu %llu\\n\", (unsigned long long)((" + reg + " & " + field.name + "_MASK) >> " +
                              field.name + "_SHIFT), (unsigned long long)" + field.name + ");\n";
                    expected.push_back(field);
                }
            }
            write(folder.filePath("main.c"), prints + "    return failed;\n}\n");
            const QStringList strict{"-Wall", "-Wextra", "-Wconversion", "-Wmissing-declarations", "-Werror"};
            for (const QString& standard : {QString("-std=c99"), QString("-std=c11")}) {
                QCOMPARE(run(folder.path(), "gcc",
                             QStringList{standard, "-pedantic", "-Wmissing-prototypes"} + strict +
                                 QStringList{"-o", "main", "main.c"}),
                         std::string());
            }
            QCOMPARE(run(folder.path(), "g++", QStringList{"-std=c++17", "-x", "c++"} + strict + QStringList{"-c", "main.c"}),
                     std::string());
            // for the part itself: registers by a pattern, and what must be defined
            write(folder.filePath("registers.h"), registersHeader(*loaded.part, *loaded.plan, figures));
            write(folder.filePath("target.c"), emitFields(*loaded.part, *loaded.plan, figures, EmitForm::source,
                                                          {Broken::written, {}, "{block}->{register}"}));
            QCOMPARE(run(folder.path(), "gcc",
                         QStringList{"-std=c11", "-Wmissing-prototypes", "-DWISETICK_WAIT_NS(ns,hz)=my_wait(ns,hz)",
                                     "-DWISETICK_REST()=my_rest()"} +
                             strict + QStringList{"-c", "target.c"}),
                     std::string());
            QString output;
            QCOMPARE(run(folder.path(), folder.filePath("main"), {}, &output), std::string());
            const QStringList rows = output.split('\n', Qt::SkipEmptyParts);
            QCOMPARE(static_cast<std::size_t>(rows.size()), expected.size());
            checked += expected.size();
            for (std::size_t i = 0; i < expected.size(); ++i) {
                const QStringList numbers = rows[static_cast<qsizetype>(i)].split(' ');
                QVERIFY2(numbers[0] == numbers[1] && numbers[1].toLongLong() == expected[i].value.held,
                         (expected[i].name + ": " + rows[static_cast<qsizetype>(i)].toStdString()).c_str());
            }
        }
        QVERIFY(checked > 5 * loaded.plan->takes.size());
    }

    /// The constants of C++ and of Rust, and the device tree, pass their own compilers.
    void constantsCompileElsewhere() {
        const LoadedPlan loaded = shipped("lagoon-buoy");
        for (const Take& take : loaded.plan->takes) {
            const Figures figures = evaluate(*loaded.part, *loaded.plan, take.name);
            const auto emitted = [&](EmitForm form) { return emitFields(*loaded.part, *loaded.plan, figures, form, kEven); };
            QTemporaryDir folder;
            const std::string constants = emitted(EmitForm::constants);
            write(folder.filePath("clocks.h"), constants);
            std::string space = lowerPrefix(figures);
            space.pop_back();
            const std::string core = figures.lines[loaded.part->core].hertz->nominal.toString();
            write(folder.filePath("main.cpp"),
                  "#include \"clocks.h\"\nstatic_assert(" + space + "::core_hz == " + core + ");\nint main() { return 0; }\n");
            QCOMPARE(run(folder.path(), "g++", {"-std=c++17", "-Wall", "-Wextra", "-Wconversion", "-Werror", "-c", "main.cpp"}),
                     std::string());
            write(folder.filePath("clocks.dts"), emitted(EmitForm::devicetree));
            if (!QStandardPaths::findExecutable("dtc").isEmpty()) {
                QCOMPARE(run(folder.path(), "dtc", {"-I", "dts", "-O", "dtb", "-o", "clocks.dtb", "clocks.dts"}), std::string());
                QString again;
                QCOMPARE(run(folder.path(), "dtc", {"-I", "dtb", "-O", "dts", "clocks.dtb"}, &again), std::string());
                QVERIFY2(again.contains("fixed-factor-clock"), qPrintable(again));
            }
            write(folder.filePath("clocks.rs"), emitted(EmitForm::rust));
            if (!QStandardPaths::findExecutable("rustc").isEmpty()) {
                QCOMPARE(run(folder.path(), "rustc", {"--crate-type", "lib", "--emit", "metadata", "clocks.rs"}), std::string());
            }
        }
    }

    /// What the firmware believes is held against the rates: where it differs it does not compile, in no standard.
    void beliefsAreChecked() {
        const LoadedPlan loaded = orchard();
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "A");
        QTemporaryDir folder;
        write(folder.filePath("fields.h"), emitFields(*loaded.part, *loaded.plan, figures, EmitForm::header, kEven));
        write(folder.filePath("main.c"), "#include \"fields.h\"\nint main(void) { return 0; }\n");
        for (const char* standard : {"-std=c99", "-std=c11"}) {
            const auto compile = [&](const char* rate) {
                return run(folder.path(), "gcc",
                           {standard, "-Werror", QString("-DORCHARD_SPRAYER_A_EXPECTED_CORE_HZ=") + rate, "-c", "main.c"});
            };
            QCOMPARE(compile("160000000"), std::string()); // 160 MHz by the example's own promise
            QVERIFY(!compile("159000000").empty());
        }
    }

    /// Off the host a wait that nobody defined is an error, never nothing.
    void aWaitMustBeDefined() {
        const LoadedPlan loaded = orchard();
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "A");
        QTemporaryDir folder;
        write(folder.filePath("registers.h"), "");
        write(folder.filePath("main.c"), emitFields(*loaded.part, *loaded.plan, figures, EmitForm::source, kEven));
        const std::string said = run(folder.path(), "gcc", {"-std=c11", "-fsyntax-only", "main.c"});
        QVERIFY2(said.find("define WISETICK_WAIT_NS(ns, core_hz)") != std::string::npos, said.c_str());
    }

    /// A broken promise, and with it the whole file, does not compile unless it is asked for.
    void whatIsBrokenDoesNotCompile() {
        const LoadedPlan loaded = orchard();
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "A");
        QTemporaryDir folder;
        write(folder.filePath("start.c"), emitFields(*loaded.part, *loaded.plan, figures, EmitForm::source));
        const std::string said = run(folder.path(), "gcc", {"-std=c11", "-DWISETICK_ON_HOST", "-fsyntax-only", "start.c"});
        QVERIFY2(said.find("left out: modem, broken") != std::string::npos, said.c_str());
    }

    /// Two takes in one firmware share no name.
    void twoTakesDoNotClash() {
        const LoadedPlan loaded = shipped("lagoon-buoy");
        QTemporaryDir folder;
        std::string main = "#define WISETICK_ON_HOST\n";
        for (const Take& take : loaded.plan->takes) {
            const Figures figures = evaluate(*loaded.part, *loaded.plan, take.name);
            write(folder.filePath(QString::fromStdString(take.name) + ".c"),
                  emitFields(*loaded.part, *loaded.plan, figures, EmitForm::source, kEven));
            write(folder.filePath(QString::fromStdString(take.name) + ".h"),
                  emitFields(*loaded.part, *loaded.plan, figures, EmitForm::header, kEven));
            main += "#include \"" + take.name + ".h\"\n#include \"" + take.name + ".c\"\n";
        }
        write(folder.filePath("main.c"), main + "int main(void) { return 0; }\n");
        QCOMPARE(run(folder.path(), "gcc", {"-std=c11", "-Wall", "-Wextra", "-Werror", "-o", "main", "main.c"}), std::string());
    }

    /// An interrupt is enabled where a promise fires or wakes, and nowhere else; a flag that is cleared by a 1 is written whole.
    void interruptsOnlyWhereTheyAreWanted() {
        const LoadedPlan loaded = shipped("lagoon-buoy");
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "slow");
        const RegisterProgram program = registerProgram(*loaded.part, *loaded.plan, figures, Broken::written);
        int enables = 0;
        for (const RegisterRoutine& routine : program.routines) {
            for (const RegisterAct& act : routine.acts) {
                const bool isEnable = act.reg.size() > 3 && act.reg.substr(act.reg.size() - 3) == ".IE";
                enables += isEnable ? 1 : 0;
                QVERIFY2(!isEnable || routine.name == "tick", routine.name.c_str());
                QVERIFY(act.reg != "TIMER6.FLAG" || (act.kind == RegisterAct::Kind::store && act.value == 1));
            }
        }
        QCOMPARE(enables, 1);
    }

    /// The watch crystal takes 3.5 s at most: nothing waits for it but what hangs on it.
    void aSlowCrystalHoldsNobodyUp() {
        const LoadedPlan loaded = shipped("lagoon-buoy");
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "fast");
        const RegisterProgram program = registerProgram(*loaded.part, *loaded.plan, figures, Broken::written);
        std::vector<std::string> names;
        for (const RegisterRoutine& routine : program.routines) {
            names.push_back(routine.name);
            for (const RegisterAct& act : routine.acts) {
                QVERIFY2(routine.name == "late_clocks" || act.reg != "BACKUP.OSC" || act.kind != RegisterAct::Kind::until,
                         routine.name.c_str());
            }
        }
        QCOMPARE(names, (std::vector<std::string>{"clocks", "modem", "lamp", "late_clocks", "day", "rest", "after_rest"}));
    }

    void tableAndJsonSayTheSame() {
        const LoadedPlan loaded = orchard();
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "A");
        const auto fields = emittedFields(*loaded.part, *loaded.plan, figures, Broken::written);
        const std::string table = emitFields(*loaded.part, *loaded.plan, figures, EmitForm::table, kEven);
        QCOMPARE(static_cast<std::size_t>(std::count(table.begin(), table.end(), '\n')), fields.size() + 1);
        QVERIFY2(table.find("MODEM") == std::string::npos &&
                     table.find("ORCHARD_SPRAYER_A_UART1_DIVISOR,UART1.RATE,11,0,4,") != std::string::npos,
                 table.c_str());
        const auto json = nlohmann::json::parse(emitFields(*loaded.part, *loaded.plan, figures, EmitForm::json, kEven));
        QCOMPARE(json["fields"].size(), fields.size());
        QCOMPARE(json["take"].get<std::string>(), std::string("A"));
        const std::size_t modem = indexOf(figures, "modem");
        QVERIFY(modem < figures.promises.size());
        const std::string header = emitFields(*loaded.part, *loaded.plan, figures, EmitForm::header, kEven);
        QVERIFY(header.find("/* " + figures.promises[modem].text + ": got ") != std::string::npos);
    }

    /// What is got stands in a remark as it does in every table: no error in percent of none, 20 ppm of 86 400 s at the corners.
    void remarksSayWhatTablesSay() {
        const LoadedPlan loaded = shipped("lagoon-buoy");
        QVERIFY(loaded.plan && loaded.part);
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "bus");
        for (const EmitForm form : {EmitForm::header, EmitForm::source}) {
            const std::string code = emitFields(*loaded.part, *loaded.plan, figures, form, kEven);
            QVERIFY(code.find("in take creep: got 0 s/day, at worst 0 s/day \u2026 1.728 s/day */") != std::string::npos);
        }
    }

    /// Names that are no names of C, and comments that would end too early.
    void oddNamesStayCode() {
        const auto loaded = editedOrchard("name = \"Orchard sprayer\"", "name = \"1 */ #odd \u00e4\"");
        const Figures figures = evaluate(loaded.part, loaded.plan, "A");
        QTemporaryDir folder;
        write(folder.filePath("fields.h"), emitFields(loaded.part, loaded.plan, figures, EmitForm::header, kEven));
        write(folder.filePath("main.c"), "#include \"fields.h\"\nint main(void) { return 0; }\n");
        QCOMPARE(run(folder.path(), "gcc", {"-std=c11", "-Wall", "-Werror", "-o", "main", "main.c"}), std::string());
    }
};

QTEST_APPLESS_MAIN(CoreEmit)
#include "core_emit.moc"
