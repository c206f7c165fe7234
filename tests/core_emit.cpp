#include "derive/bring_up.h"
#include "evaluate/evaluate.h"
#include "handover/emit.h"

#include "support.h"

#include <QProcess>
#include <QTemporaryDir>

#include <nlohmann/json.hpp>

#include <filesystem>

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

    /// The header and the functions of every example and take, compiled strictly; the functions run, and the registers then hold
    /// what the figures say.
    void everyExampleCompilesAndRuns_data() {
        QTest::addColumn<std::string>("name");
        for (const auto& entry : std::filesystem::directory_iterator(sourceDir() + "/examples")) {
            const std::string file = entry.path().filename().string();
            const std::string name = file.substr(0, file.find('.'));
            QTest::newRow(name.c_str()) << name;
        }
    }
    void everyExampleCompilesAndRuns() {
        QFETCH(std::string, name);
        const LoadedPlan loaded = shipped(name);
        for (const Take& take : loaded.plan->takes) {
            const Figures figures = evaluate(*loaded.part, *loaded.plan, take.name);
            QTemporaryDir folder;
            write(folder.filePath("fields.h"),
                  emitFields(*loaded.part, *loaded.plan, figures, EmitForm::header, Broken::written));
            const std::string code = emitFields(*loaded.part, *loaded.plan, figures, EmitForm::source, Broken::written);
            write(folder.filePath("start.c"), code);
            std::string prints = "#define WISETICK_ON_HOST\n#include <stdio.h>\n#include \"start.c\"\n#include \"fields.h\"\n"
                                 "int main(void) {\n wisetick_all();\n";
            const auto mode = loaded.part->findMode(take.restsIn);
            const bool rests = mode && !loaded.part->modes[*mode].runs;
            QCOMPARE(code.find("void wisetick_after_rest(void)") != std::string::npos, rests);
            prints += rests ? " wisetick_before_rest();\n wisetick_after_rest();\n" : ""; // all stands as the take wants it again
            std::vector<EmittedField> expected;
            for (const EmittedField& field : emittedFields(*loaded.part, *loaded.plan, figures, Broken::written)) {
                const std::string reg = field.value.field.reg;
                std::ostringstream mask; // only what the functions write: what stays at reset is not
                mask << "0x" << std::hex << std::uppercase
                     << (static_cast<std::uint64_t>(field.value.field.most().toWide().value()) << field.value.field.lsb);
                const bool isWritten = code.find("WISETICK_WRITE(" + reg + ", " + mask.str() + "u") != std::string::npos;
                if (isWritten && field.value.control.find(".step") == std::string::npos) {
                    prints += " printf(\"%llu %llu\\n\", (unsigned long long)((" + reg + " & " + field.name + "_MASK) >> " +
                              field.name + "_SHIFT), (unsigned long long)" + field.name + ");\n";
                    expected.push_back(field);
                }
            }
            write(folder.filePath("main.c"), prints + " return 0;\n}\n");
            QCOMPARE(run(folder.path(), "gcc", {"-std=c11", "-Wall", "-Wextra", "-Werror", "-o", "main", "main.c"}),
                     std::string());
            QString output;
            QCOMPARE(run(folder.path(), folder.filePath("main"), {}, &output), std::string());
            const QStringList rows = output.split('\n', Qt::SkipEmptyParts);
            QCOMPARE(static_cast<std::size_t>(rows.size()), expected.size());
            QVERIFY(expected.size() > 5);
            for (std::size_t i = 0; i < expected.size(); ++i) {
                const QStringList numbers = rows[static_cast<qsizetype>(i)].split(' ');
                QVERIFY2(numbers[0] == numbers[1] && numbers[1].toLongLong() == expected[i].value.held,
                         (expected[i].name + ": " + rows[static_cast<qsizetype>(i)].toStdString()).c_str());
            }
        }
    }

    void tableAndJsonSayTheSame() {
        const LoadedPlan loaded = orchard();
        const Figures figures = evaluate(*loaded.part, *loaded.plan, "A");
        const auto fields = emittedFields(*loaded.part, *loaded.plan, figures, Broken::written);
        const std::string table = emitFields(*loaded.part, *loaded.plan, figures, EmitForm::table, Broken::written);
        QCOMPARE(static_cast<std::size_t>(std::count(table.begin(), table.end(), '\n')), fields.size() + 1);
        QVERIFY2(table.find("MODEM") == std::string::npos &&
                     table.find("WT_UART1_DIVISOR,UART1.RATE,11,0,4,") != std::string::npos,
                 table.c_str());
        const auto json = nlohmann::json::parse(emitFields(*loaded.part, *loaded.plan, figures, EmitForm::json, Broken::written));
        QCOMPARE(json["fields"].size(), fields.size());
        QCOMPARE(json["take"].get<std::string>(), std::string("A"));
        const std::size_t modem = indexOf(figures, "modem");
        QVERIFY(modem < figures.promises.size());
        const std::string header = emitFields(*loaded.part, *loaded.plan, figures, EmitForm::header, Broken::written);
        QVERIFY(header.find("/* " + figures.promises[modem].text + ": got ") != std::string::npos);
    }

    /// Names that are no names of C, and comments that would end too early.
    void oddNamesStayCode() {
        const auto loaded = editedOrchard("name = \"Orchard sprayer\"", "name = \"1 */ #odd \u00e4\"");
        const Figures figures = evaluate(loaded.part, loaded.plan, "A");
        QTemporaryDir folder;
        write(folder.filePath("fields.h"), emitFields(loaded.part, loaded.plan, figures, EmitForm::header, Broken::written));
        write(folder.filePath("main.c"), "#include \"fields.h\"\nint main(void) { return 0; }\n");
        QCOMPARE(run(folder.path(), "gcc", {"-std=c11", "-Wall", "-Werror", "-o", "main", "main.c"}), std::string());
    }
};

QTEST_APPLESS_MAIN(CoreEmit)
#include "core_emit.moc"
