#include "cli_support.h"

#include <QRegularExpression>

using namespace wisetick::test;

class CliCommands : public CliFixture {
    Q_OBJECT

private slots:
    void checkSaysWhatIsBroken() {
        const Run check = run({"check", kOrchard});
        QCOMPARE(check.exitCode, 1);
        QVERIFY2(check.out.contains("examples/orchard-sprayer.plan.toml:44:7: error: modem is broken: the nearest is 1 Mbit/s, "
                                    "\u2248+8.507 %, asked within \u00b11.5 %\n"),
                 qPrintable(check.out));
        QVERIFY(check.out.contains("examples/orchard-sprayer.plan.toml:60:7: warning: feed is strained: bites after ≈5.5993 s"));
        QVERIFY(check.out.endsWith("1 broken, 1 strained, 8 kept; 0 faults in lines and board\n"));
        QVERIFY(!check.out.contains('\x1b')); // no colour where no terminal reads
        QVERIFY(check.err.isEmpty());
    }

    void exitCodes_data() {
        QTest::addColumn<QStringList>("arguments");
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::addColumn<int>("exitCode");
        const std::string modem = "modem: uart1 talks 921600 within 1.5 %";
        QTest::newRow("a promise broken") << QStringList{"check"} << modem << modem << 1;
        QTest::newRow("only strained") << QStringList{"check"} << modem << std::string("modem: uart1 talks 9600") << 0;
        QTest::newRow("only strained, strictly")
            << QStringList{"check", "--strict"} << modem << std::string("modem: uart1 talks 9600") << 1;
        QTest::newRow("derive judges nothing") << QStringList{"derive"} << modem << modem << 0;
        QTest::newRow("another take") << QStringList{"check", "--take", "B"} << modem << modem << 1;
        QTest::newRow("no such take") << QStringList{"check", "--take", "Z"} << modem << modem << 2;
        QTest::newRow("a syntax error") << QStringList{"check"} << std::string("active = \"A\"")
                                        << std::string("active = = \"A\"") << 2;
        QTest::newRow("an unknown key") << QStringList{"derive", "--json"} << std::string("rests_in") << std::string("rest_in")
                                        << 2;
    }
    void exitCodes() {
        QFETCH(QStringList, arguments);
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        QFETCH(int, exitCode);
        QCOMPARE(run(QStringList{arguments[0], editedPlan(what, by)} + arguments.mid(1)).exitCode, exitCode);
    }

    /// Bus A at 53.3 MHz is over its 50 MHz, with every promise kept or strained.
    void aLimitOversteppedIsBroken() {
        const QString path = editedPlan("modem: uart1 talks 921600 within 1.5 %", "modem: uart1 talks 9600");
        write(path,
              replaced(fileText(path.toStdString()), "[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 3"));
        const Run over = run({"check", path});
        QCOMPARE(over.exitCode, 1);
        QVERIFY2(over.out.contains("edited.plan.toml:113:1: error: bus_a runs at \u224853.333 MHz, over its 50 MHz in tier fast"),
                 qPrintable(over.out));
        QVERIFY(over.out.contains("0 broken"));
    }

    /// A rate that nothing could count is an error at its place, not a fault of the program.
    void farNumbersAreErrorsWithAPlace() {
        const QString path = editedPlan("modem: uart1 talks 921600 within 1.5 %", "core runs at 1e-68 Hz");
        const Run checked = run({"check", path});
        QCOMPARE(checked.exitCode, 2);
        QVERIFY2(checked.err.contains("edited.plan.toml:44:21: error: '1e-68 Hz' is far from anything"),
                 qPrintable(checked.err + checked.out));
    }

    void faultsHaveTheirPlace() {
        const QString path = editedPlan("active = \"A\"", "active = = \"A\"");
        const Run broken = run({"check", path});
        QCOMPARE(broken.exitCode, 2);
        QCOMPARE(broken.err,
                 path + ":5:10: error: Error while parsing value: could not determine value type; expected TOML 1.0\n");
        QVERIFY(broken.out.isEmpty());
        const Run json = run({"check", path, "--json"});
        QCOMPARE(json.json()["findings"].toArray()[0].toObject()["file"].toString(), path + ":5:10");
        QCOMPARE(run({"check", "nowhere.plan.toml"}).err,
                 QString("nowhere.plan.toml: error: there is no such file; expected a readable file\n"));
    }

    void deriveShowsEveryFigure() {
        const Run derive = run({"derive", kOrchard});
        QCOMPARE(derive.exitCode, 0);
        for (const char* line : {"  core     from pll_a \u00f7 1     160 MHz  \u00b140 ppm      most 160 MHz\n",
                                 "  TMR1.TOP[15:0]         0x9C3F       39999  timer1.counts = 40000, holds n \u2212 1\n",
                                 "  average                        \u2248292.49 \u00b5A  up to \u2248363.33 \u00b5A\n"}) {
            QVERIFY2(derive.out.contains(QString::fromUtf8(line)), qPrintable(derive.out));
        }
    }

    void deriveAsJson() {
        const Run derive = run({"derive", kOrchard, "--json"});
        QCOMPARE(derive.exitCode, 0);
        QCOMPARE(derive.json()["lines"].toObject()["bus_a"].toObject()["hz"].toString(), QString("40000000"));
        QCOMPARE(derive.json()["promises"].toObject()["modem"].toObject()["error"].toString(), QString("49/576"));
        QVERIFY(derive.json()["findings"].toArray().isEmpty());
    }

    void promiseTriesOneLine() {
        const Run kept = run({"promise", kOrchard, "timer2 fires every 250 us"});
        QCOMPARE(kept.exitCode, 0);
        QVERIFY2(kept.out.startsWith("\u25cf kept  timer2 fires every 250 \u00b5s\n"), qPrintable(kept.out));
        QVERIFY(kept.out.contains("prescaler 1, counts 20000"));
        const Run broken = run({"promise", kOrchard, "modem: uart1 talks 921600 within 1 %"});
        QCOMPARE(broken.exitCode, 1);
        const Run wrong = run({"promise", kOrchard, "uart1 talks 9600 witin 3 %"});
        QCOMPARE(wrong.exitCode, 2);
        QCOMPARE(wrong.err, QString("  uart1 talks 9600 witin 3 %\n                   ^^^^^\nerror: 'witin'; expected 'within "
                                    "1.5 %', 'exactly', 'as 8N1', 'on one wire', 'also in idle', 'in take van' or 'while "
                                    "report'; did you mean 'within'?\n"));
        const Run json = run({"promise", kOrchard, "timer2 fires every 250 us", "--json"});
        QCOMPARE(json.json()["ways"].toArray()[0].toObject()["settings"].toObject()["counts"].toString(), QString("20000"));
        QCOMPARE(json.json()["name"].toString(), QString("timer2"));
    }

    void promiseShowsTheOrderOfBringingUp() {
        const Run kept = run({"promise", kOrchard, "timer3.1 drives 20 kHz at 35 % duty"});
        QCOMPARE(kept.exitCode, 0);
        QVERIFY2(kept.out.contains("To bring it up\n") && kept.out.contains("let channel 1 out to its pin (often forgotten)"),
                 qPrintable(kept.out));
        const QJsonArray steps =
            run({"promise", kOrchard, "timer3.1 drives 20 kHz at 35 % duty", "--json"}).json()["bring_up"].toArray();
        QCOMPARE(steps.size(), 7);
        QCOMPARE(steps[0].toObject()["field"].toObject()["field"].toString(), QString("ON.B[2]"));
        QCOMPARE(steps[3].toObject()["forgotten"].toBool(), true);
    }

    /// The take that is meant is the one that runs, with all jobs that name no other: the same as where the file has it as the
    /// active one. On the slow RC oscillator the modem's report costs less, so the budget differs from take A's.
    void theTakeThatIsMeantRuns() {
        QTemporaryDir folder;
        const QString path = folder.filePath("plan.toml");
        const QString text = QString::fromStdString(fileText(sourceDir() + "/examples/orchard-sprayer.plan.toml"));
        const auto put = [&](const QString& is) {
            QFile file(path);
            QVERIFY(file.open(QFile::WriteOnly));
            file.write(is.toUtf8());
        };
        for (const QStringList& command : {QStringList{"check"}, QStringList{"derive", "--json"}, QStringList{"rhythm", "--json"},
                                           QStringList{"promise", "average under 200 uA"},
                                           QStringList{"seek", "core = 5 MHz", "--keep-promises", "budget", "--json"}}) {
            QStringList words = command;
            words.insert(1, path);
            put(text);
            const QString usual = run(words).out;
            const QString meant = run(words + QStringList{"--take", "B"}).out;
            put(QString(text).replace("active = \"A\"", "active = \"B\""));
            QCOMPARE(meant, run(words).out);
            QVERIFY2(meant != usual, qPrintable(command.front() + usual));
        }
        put(text);
        const QString compared = run({"compare", path}).out;
        QVERIFY2(compared.contains("\u2248190.64 \u00b5A") && compared.contains("\u2248292.49 \u00b5A"), qPrintable(compared));
        // what is written keeps the file's own active take
        QCOMPARE(run({"seek", path, "core = 5 MHz", "--take", "B", "--write", path, "--as", "slower"}).exitCode, 0);
        const QString written = QString::fromStdString(fileText(path.toStdString()));
        QVERIFY(written.contains("active = \"A\"") && written.contains("name = \"slower\""));
    }

    /// What is emitted of a take is what the plan hands over of it: not what jobs of the active take need.
    void emittedIsHandedOver() {
        QTemporaryDir folder;
        const QString path = folder.filePath("plan.toml");
        const QString said = "modem: uart1 talks 921600 within 1.5 %";
        QString text = QString::fromStdString(fileText(sourceDir() + "/examples/orchard-sprayer.plan.toml"));
        QVERIFY(text.contains(said));
        text.replace(said, "modem: uart1 talks 115200, while report"); // a job of take A
        QFile file(path);
        QVERIFY(file.open(QFile::WriteOnly));
        file.write((text + "\n[[handover]]\nfile = \"b.csv\"\nas = \"csv\"\ntake = \"B\"\n").toUtf8());
        file.close();
        run({"handover", path, "--write"});
        const QString handed = QString::fromStdString(fileText(folder.filePath("b.csv").toStdString()));
        const QString emitted = run({"emit", path, "--as", "csv", "--take", "B"}).out;
        QVERIFY(emitted.contains("TMR1") && !emitted.contains("UART1"));
        QVERIFY2(handed.endsWith(emitted), qPrintable(handed + "\n---\n" + emitted));
    }

    void fieldsAreEmitted() {
        const Run header = run({"emit", kOrchard}); // its broken promise is left out, which is said
        QCOMPARE(header.exitCode, 1);
        QVERIFY(header.out.contains("#error \"left out: modem, broken: the nearest is 1 Mbit/s"));
        QVERIFY(header.err.startsWith("left out: modem, broken: the nearest is 1 Mbit/s"));
        QVERIFY(!header.out.contains("UART1_DIVISOR") && header.out.contains("#define ORCHARD_SPRAYER_A_UART2_DIVISOR"));
        QVERIFY(!run({"emit", kOrchard, "--as", "c"}).out.contains("orchard_sprayer_a_modem"));
        QCOMPARE(run({"emit", kOrchard, "--as", "json"}).json()["left_out"].toArray().size(), 1);
        const Run all = run({"emit", kOrchard, "--even-broken"});
        QCOMPARE(all.exitCode, 0);
        QVERIFY(all.out.contains("#define ORCHARD_SPRAYER_A_UART1_DIVISOR 0x004u"));
        QVERIFY(run({"emit", kOrchard, "--as", "c", "--even-broken"}).out.contains("int orchard_sprayer_a_modem(void)\n{"));
        QVERIFY(run({"emit", kOrchard, "--as", "csv", "--take", "B"}).out.startsWith("name,register,msb,lsb,value,"));
        QVERIFY(!run({"emit", kOrchard, "--as", "json"}).json()["fields"].toArray().isEmpty());
        const Run wrong = run({"emit", kOrchard, "--as", "jsn"});
        QCOMPARE(wrong.exitCode, 2);
        QCOMPARE(
            wrong.err,
            QString("error: no form 'jsn'; expected 'header', 'prototypes', 'c', 'cpp', 'rust', 'dts', 'csv' or 'json'; did you "
                    "mean 'json'?\n"));
        QCOMPARE(run({"emit", "nowhere.plan.toml"}).exitCode, 2);
        QVERIFY(run({"emit", kOrchard, "--as", "c", "--from", "B", "--even-broken"})
                    .out.contains("orchard_sprayer_a_clocks_from_b(void)"));
        QCOMPARE(run({"emit", kOrchard, "--as", "c", "--from", "Z"}).exitCode, 2);
        QVERIFY(run({"emit", kOrchard, "--as", "c", "--registers", "{block}->{register}"})
                    .out.contains("#define WT_CLK_CORE CLK->CORE"));
    }

    /// Tables within 120 columns; what is said of a place in a file (FILE:LINE:COLUMN: …) is one line however long.
    void tablesFit() {
        for (const char* example : {"orchard-sprayer", "spindle-balancer", "lagoon-buoy"}) {
            const QString plan = "examples/" + QString(example) + ".plan.toml";
            const QString mode = example == QString("lagoon-buoy") ? "deep" : "idle";
            for (const QStringList& command :
                 {QStringList{"check", plan}, QStringList{"derive", plan}, QStringList{"compare", plan},
                  QStringList{"sleep", plan, mode}, QStringList{"way", plan}}) {
                const QString out = run(command).out;
                QVERIFY(out.count('\n') > 3);
                for (const QString& line : out.split('\n')) {
                    QVERIFY2(line.size() <= 120 || line.contains(": warning: ") || line.contains(": error: ") ||
                                 line.contains(": note: "),
                             qPrintable(command.join(' ') + ": " + line));
                }
            }
        }
        const QString plan = "examples/lagoon-buoy.plan.toml";
        const QString asked = "uart5 talks 9600 within 1 %, also in deep, in take slow";
        QVERIFY(!run({"check", plan}).out.contains(asked));
        QVERIFY(run({"check", plan, "--wide"}).out.contains(asked));
        QVERIFY(run({"--wide", "check", plan}).out.contains(asked));
    }

    /// A line that names a take or a job that the plan has not is bad input, with the place of the word.
    void aPromiseMustHaveItsScope() {
        const Run wrong = run({"promise", "examples/lagoon-buoy.plan.toml", "uart1 talks 9600, in take nowhere"});
        QCOMPARE(wrong.exitCode, 2);
        QCOMPARE(wrong.err, QString("  uart1 talks 9600, in take nowhere\n"
                                    "                            ^^^^^^^\n"
                                    "error: there is no take 'nowhere' in which it could be asked\n"));
        QCOMPARE(run({"promise", "examples/lagoon-buoy.plan.toml", "uart1 talks 9600, while report"}).exitCode, 0);
    }

    /// The options of the program are taken behind the command too.
    void partsBehindTheCommand() {
        const Run there = run({"check", kOrchard, "--parts", "parts"});
        QVERIFY(there.exitCode != 2);
        QCOMPARE(there.out, run({"--parts", "parts", "check", kOrchard}).out);
    }

    void sleepShowsModesAndOrder() {
        const Run all = run({"sleep", kOrchard});
        QCOMPARE(all.exitCode, 0);
        QVERIFY(all.out.contains("run, idle from 150 ns on, snooze from 1.243 ms on, deep from 1.2505 ms on, "));
        const Run deep = run({"sleep", kOrchard, "deep", "--wide"});
        QCOMPARE(deep.exitCode, 0);
        QVERIFY(deep.out.contains("feed wdog, it goes on: it bites after ≈5.5993 s at the fastest"));
        QVERIFY(deep.out.contains("ref from rcf"));
        const Run wrong = run({"sleep", kOrchard, "deeper"});
        QCOMPARE(wrong.exitCode, 2);
        QVERIFY(wrong.err.contains("no mode 'deeper'"));
        const QJsonObject json = run({"sleep", kOrchard, "deep", "--json"}).json();
        QCOMPARE(json["modes"].toObject().size(), 5);
        QCOMPARE(json["best_rests"].toArray().size(), 5);
        QCOMPARE(json["jobs"].toArray()[0].toObject()["rest"].toString(), QString("2978/5"));
        QVERIFY(json["before"].toArray().size() == 7 && !json["after"].toArray().isEmpty());
        QVERIFY(!json["sooner"].toArray().isEmpty());
    }

    void seekFindsAndProves() {
        const QString plan = "benchmarks/seek/one-pll.plan.toml";
        const Run found = run({"seek", plan, "core = 160 MHz", "--want", "usb = 48 MHz", "--keep-promises", "--unfold", "1"});
        QCOMPARE(found.exitCode, 0);
        QVERIFY(found.out.contains("core   from pll_a"));
        QVERIFY(found.out.contains("none is better."));
        QVERIFY(found.out.contains("equal to take 1 in every rate that matters"));
        const QJsonObject json =
            run({"seek", plan, "core at most 160 MHz", "--keep-promises", "modem", "--top", "3", "--json"}).json();
        const QJsonArray takes = json["found"].toArray();
        QCOMPARE(takes.size(), 3);
        QVERIFY(json["complete"].toBool());
        QCOMPARE(takes[0].toObject()["rates"].toObject()["core"].toString(), QString("730000000/33"));
        QCOMPARE(takes[0].toObject()["shares"].toArray()[0].toString(), QString("725/85536"));
        QCOMPARE(takes[0].toObject()["promises"].toObject()["modem"].toObject()["got"].toString(), QString("91250000/99"));

        const Run none = run({"seek", plan, "core = 150 MHz", "usb = 48 MHz", "--all-conflicts"});
        QCOMPARE(none.exitCode, 1);
        QVERIFY(none.out.startsWith("nothing fits"));
        QVERIFY(none.out.contains("vco can't make both core and usb."));
        QVERIFY(none.out.contains("There is no other set of wishes and promises that collides."));
        const QJsonObject refusal = run({"seek", plan, "core = 150 MHz", "usb = 48 MHz", "--json"}).json()["refusal"].toObject();
        QCOMPARE(refusal["conflicts"].toArray()[0].toObject()["members"].toArray()[0].toString(), QString("core = 150 MHz"));
        QCOMPARE(refusal["nearest"].toArray().size(), 2);
    }

    void seekLiftsWhatIsNamed() {
        const QStringList asked{"seek", kOrchard, "bus_a = 80 MHz", "core = 160 MHz"};
        const Run none = run(asked);
        QCOMPARE(none.exitCode, 1);
        QVERIFY(none.out.contains("the limits of bus_a"));
        const Run lifted = run(asked + QStringList{"--lift", "limits of bus_a", "--lift", "lock on pll_b.divide"});
        QCOMPARE(lifted.exitCode, 0);
        QVERIFY2(lifted.out.contains("bus_a"), qPrintable(lifted.out));
    }

    void seekSaysWhatIsWrong_data() {
        QTest::addColumn<QStringList>("arguments");
        QTest::addColumn<QString>("says");
        QTest::newRow("nothing") << QStringList{} << "nothing is wished";
        QTest::newRow("line") << QStringList{"cor = 1 MHz"} << "did you mean 'core'?";
        QTest::newRow("zero") << QStringList{"core = 0 MHz"} << "expected a rate above 0";
        QTest::newRow("promise") << QStringList{"core = 1 MHz", "--keep-promises", "modm"} << "no promise 'modm'";
        QTest::newRow("scope") << QStringList{"core = 1 MHz", "--may-change", "cores"} << "did you mean 'core'?";
        QTest::newRow("preference") << QStringList{"core = 1 MHz", "--prefer", "curent"} << "did you mean 'current'?";
        QTest::newRow("crystal") << QStringList{"core = 1 MHz", "--which-crystal", "rcf"} << "nothing is fitted for 'rcf'";
        QTest::newRow("lift") << QStringList{"core = 1 MHz", "--lift", "limits of cor"} << "did you mean 'limits of core'?";
        QTest::newRow("rates") << QStringList{"core = 1 MHz", "--which-crystal", "xtm: 8 apples"} << "^";
    }
    void seekSaysWhatIsWrong() {
        QFETCH(QStringList, arguments);
        QFETCH(QString, says);
        const Run wrong = run(QStringList{"seek", "benchmarks/seek/one-pll.plan.toml"} + arguments);
        QCOMPARE(wrong.exitCode, 2);
        QVERIFY2(wrong.err.contains(says), qPrintable(wrong.err));
        QVERIFY(wrong.out.isEmpty());
    }

    /// A crystal that the part can't have is no setting: takes are found with it, and each says what it leaves.
    void seekSaysWhatNoTakeMends() {
        const QTemporaryDir folder;
        QFile read(QString::fromStdString(sourceDir()) + "/examples/orchard-sprayer.plan.toml");
        QVERIFY(read.open(QFile::ReadOnly));
        QFile plan(folder.filePath("fast.plan.toml"));
        QVERIFY(plan.open(QFile::WriteOnly));
        plan.write(read.readAll().replace("rate = \"20 MHz\"", "rate = \"40 MHz\""));
        plan.close();
        const QStringList asked{"seek", plan.fileName(), "core = 96 MHz"};
        const Run found = run(asked);
        QCOMPARE(found.exitCode, 0);
        QVERIFY2(found.out.contains("faults that it leaves\n  40 MHz fitted for xtm; expected 6 MHz \u2026 30 MHz\n"),
                 qPrintable(found.out));
        const QJsonObject first = run(asked + QStringList{"--json"}).json()["found"].toArray()[0].toObject();
        QCOMPARE(first["faults"].toArray(), QJsonArray{"40 MHz fitted for xtm; expected 6 MHz \u2026 30 MHz"});
        QVERIFY(!run({"seek", kOrchard, "core = 96 MHz"}).out.contains("faults that it leaves"));
    }

    void seekWritesTheTake() {
        QTemporaryDir folder;
        const QString path = folder.filePath("found.plan.toml");
        const QString plan = "benchmarks/seek/one-pll.plan.toml";
        const Run found = run({"seek", plan, "core = 160 MHz", "usb = 48 MHz", "--which-crystal", "xtm: 12 MHz", "--write", path,
                               "--as", "wished"});
        QCOMPARE(found.exitCode, 0);
        QVERIFY(found.out.contains("Take wished is added in "));
        const QJsonObject derived = run({"derive", path, "--take", "wished", "--json"}).json();
        QCOMPARE(derived["lines"].toObject()["core"].toObject()["hz"].toString(), QString("160000000"));
        QCOMPARE(run({"seek", path, "core = 8 MHz", "--write", path, "--as", "wished"}).exitCode, 2);
    }

    void rhythmShowsWhereTheChargeGoes() {
        const Run plain = run({"rhythm", kOrchard, "--race", "moisture"});
        QCOMPARE(plain.exitCode, 0);
        QVERIFY(plain.out.contains("the least"));
        const Run wrong = run({"rhythm", kOrchard, "--race", "nobody"});
        QCOMPARE(wrong.exitCode, 2);
        QVERIFY(wrong.err.contains("no job 'nobody'"));
        const QJsonObject json = run({"rhythm", kOrchard, "--chance", "--race", "moisture", "--json"}).json();
        QVERIFY(json["moves"].toArray().size() >= 10);
        QCOMPARE(json["race"].toArray().size(), 97);
        QCOMPARE(json["chance"].toObject()["seeds"].toInt(), 1000);
        QCOMPARE(json["rhythm"].toObject()["wake_ups"].toInt(), 1086);
    }

    /// The watch crystal clocks the rtc, and that ends the rest that a promise wakes from.
    void aFailureBreaksWhatNeedsIt() {
        const Run fails = run({"fails", kOrchard, "xtw"});
        QCOMPARE(fails.exitCode, 1);
        QVERIFY2(QRegularExpression("nap +\\S+ broken").match(fails.out).hasMatch(), qPrintable(fails.out));
        QCOMPARE(run({"fails", kOrchard, "nobody"}).exitCode, 2);
    }

    void filtersAreTriedOnIds() {
        const Run tried = run({"filter", "0x100..0x17f", "0x200&0x7f0", "--id", "0x123"});
        QCOMPARE(tried.exitCode, 0);
        QCOMPARE(tried.out, QString("0x123  let in by 0x100..0x17f\n144 of 2048 ids are let in\n"));
        QCOMPARE(run({"filter", "1,2", "--id", "3"}).exitCode, 1);
        QCOMPARE(run({"filter", "1,2", "--id", "many"}).exitCode, 2);
        const Run wrong = run({"filter", "0x100..0x1zz"});
        QCOMPARE(wrong.exitCode, 2);
        QVERIFY(wrong.err.startsWith("  0x100..0x1zz\n         ^^^^^\nerror: '0x1zz'; expected an id"));
    }

    void wayShowsTheOrderOfWriting() {
        const Run way = run({"way", kOrchard});
        QCOMPARE(way.exitCode, 0);
        QVERIFY(way.out.contains("from reset to take A") && way.out.contains("MEM.WAIT[3:0] = 0x4"));
        QVERIFY(way.out.indexOf("MEM.WAIT[3:0]") < way.out.indexOf("core from pll_a"));
        QVERIFY(run({"way", kOrchard, "--from", "A", "--take", "B"}).out.contains("from take A to take B"));
        QCOMPARE(run({"way", kOrchard, "--from", "Z"}).exitCode, 2);
        const QString over = editedPlan("[take.choices.bus_a]\ndivide = 4", "[take.choices.bus_a]\ndivide = 2");
        const Run ends = run({"way", over});
        QCOMPARE(ends.exitCode, 1);
        QVERIFY(ends.out.contains("the way ends here: core from pll_a: bus_a runs at 80 MHz, over its 50 MHz"));
        const QJsonObject json = run({"derive", kOrchard, "--json"}).json()["ways_there"].toObject();
        QVERIFY(json.contains("reset") && json.contains("take B"));
    }

    void compareShowsDifferencesFirst() {
        const Run compare = run({"compare", kOrchard});
        QCOMPARE(compare.exitCode, 0);
        const qsizetype differences = compare.out.indexOf("differences");
        const qsizetype same = compare.out.indexOf("the same in all");
        QVERIFY(differences >= 0 && differences < compare.out.indexOf("vco") && compare.out.indexOf("vco") < same);
        QVERIFY(compare.out.contains("link") && compare.out.contains("vco is switched off in take B"));
        QVERIFY(!run({"compare", kOrchard, "A"}).out.contains("differences"));
        const Run json = run({"compare", kOrchard, "B", "A", "--json"});
        QCOMPARE(json.json()["takes"].toArray().first().toString(), QString("B"));
        const Run wrong = run({"compare", kOrchard, "C"});
        QCOMPARE(wrong.exitCode, 2);
        QVERIFY(wrong.err.contains("no take 'C'; expected 'A' or 'B'"));
    }

    void lintReadsParts() {
        QCOMPARE(run({"lint", "parts/marram-20.part.toml"}).out, QString("no faults, nothing suspicious\n"));
        const QString path = folder_.filePath("x.part.toml");
        write(path, replaced(marramText(), "CLK.REF[4:0]", "CLK.REF[3:0]"));
        const Run suspicious = run({"lint", path});
        QCOMPARE(suspicious.exitCode, 1);
        QVERIFY2(suspicious.out.contains("the field CLK.REF[3:0] holds up to 15, but divide = 32 needs 31"),
                 qPrintable(suspicious.out));
        write(path, replaced(marramText(), "kind = \"crystal\"", "kind = \"cristal\""));
        const Run faulty = run({"lint", path, "--json"});
        QCOMPARE(faulty.exitCode, 2);
        QCOMPARE(faulty.json()["findings"].toArray()[0].toObject()["say"].toString(),
                 QString("no kind of source 'cristal'; expected 'crystal', 'rc' or 'clock-in'; did you mean 'crystal'?"));
    }

    void theShelfIsSearchedByNeed() {
        const Run fits = run({"shelf", "3 pll"});
        QCOMPARE(fits.exitCode, 0);
        QVERIFY(fits.out.indexOf("cordgrass-60 fits") < fits.out.indexOf("marram-20 does not fit"));
        QCOMPARE(run({"shelf", "4 pll"}).exitCode, 1); // none has that many
        const Run all = run({"shelf"});
        QCOMPARE(all.exitCode, 0);
        QVERIFY(all.out.contains("  sedge-8       An invented 8-bit part"));
        const Run wrong = run({"shelf", "can fd, 2 uatr"});
        QCOMPARE(wrong.exitCode, 2);
        QVERIFY2(wrong.err.contains("  can fd, 2 uatr\n            ^^^^\n"), qPrintable(wrong.err));
        const QJsonObject first = run({"shelf", "3 pll", "--json"}).json()["parts"].toArray()[0].toObject();
        QCOMPARE(first["part"].toString(), QString("cordgrass-60"));
        QCOMPARE(first["needs"].toArray()[0].toObject()["why"].toString(), QString("vco1, vco2, vco3"));
        QCOMPARE(run({"shelf", "2 uatr", "--json"}).json()["error"].toObject()["position"].toInt(), 2);
    }

    /// What new-part prints is a part that a plan can stand on.
    void aNewPartIsPrinted() {
        const Run printed = run({"new-part", "dune-3"});
        QCOMPARE(printed.exitCode, 0);
        write(folder_.filePath("dune-3.part.toml"), printed.out.toStdString());
        write(folder_.filePath("dune.plan.toml"),
              "format = \"wisetick-plan/1\"\npart = \"dune-3\"\n[[promise]]\nsay = \"core runs "
              "at 8 MHz\"\n[[take]]\nname = \"A\"\n");
        QCOMPARE(run({"check", folder_.filePath("dune.plan.toml")}).exitCode, 0);
        QCOMPARE(run({"new-part", "Dune 3"}).exitCode, 2);
    }

    void helpTeaches() {
        const Run help = run({"--help"});
        QCOMPARE(help.exitCode, 0);
        for (const char* word : {"check PLAN", "derive PLAN", "promise PLAN \"uart1 talks 921600 within 1.5 %\"", "Exit codes"}) {
            QVERIFY2(help.out.contains(word), word);
        }
        for (const char* command : {"derive", "check", "promise", "board", "fails", "way", "sleep", "rhythm", "emit", "filter",
                                    "compare", "seek", "shelf", "new-part", "lint"}) {
            QVERIFY2(help.out.contains(QByteArray("  ") + command + " "), command);
            const Run own = run({command, "--help"});
            QCOMPARE(own.exitCode, 0);
            QVERIFY2(own.out.contains(QByteArray("wisetick-cli ") + command) && own.out != help.out, command);
        }
        QCOMPARE(run({"seek", "-h"}).out, run({"seek", "--help"}).out);
        QCOMPARE(run({"--help", "seek"}).out, run({"seek", "--help"}).out);
        QVERIFY(run({"--parts", "seek", "--help"}).out.contains("  lint "));
        QVERIFY(run({"--version"}).out.startsWith("wisetick-cli "));
        QCOMPARE(run({}).exitCode, 2);
        QCOMPARE(run({"frobnicate"}).exitCode, 2);
        QCOMPARE(run({"check", "--frobnicate"}).exitCode, 2);
        QCOMPARE(run({"check"}).exitCode, 2);
    }

    /// A part that is not shipped, lying beside its plan under a path of its own.
    void aPartOfOnesOwnNeedsNoCode() {
        QDir(folder_.path()).mkdir("parts");
        write(folder_.filePath("parts/reed.part.toml"), R"(format = "wisetick-part/1"
id = "reed"
core = "cpu"
[[source]]
id = "hum"
kind = "rc"
rate = "7.5 MHz"
tolerance = { by = ["-3 %", "5 %"] }
startup = "2 us"
draws = "80 uA"
[[line]]
id = "first"
from = "hum"
divide = [1, 5, 6]
[[line]]
id = "second"
from = ["hum", "first"]
[[line]]
id = "cpu"
from = ["first", "second"]
divide = { from = 1, to = 3, step = "1/2" }
[[peripheral]]
id = "port"
kind = "uart"
clock = ["second", "cpu"]
modes = [{ oversample = 13, divisor = { from = 2, to = 99 } }]
draws = "1 uA"
[[mode]]
id = "go"
runs = true
draws = { typ = "400 uA", max = "600 uA" }
)");
        const QString path = folder_.filePath("reed.plan.toml");
        write(path, R"(format = "wisetick-plan/1"
part = "parts/reed.part.toml"
[board]
supply = { nominal = "3 V" }
temperature = { nominal = "20 C" }
[[promise]]
say = "cpu runs at 1 MHz exactly"
[[promise]]
say = "port talks 28846 within 6 %"
[[promise]]
say = "average under 1 mA"
[[take]]
name = "A"
[take.choices.first]
divide = 5
[take.choices.second]
from = "first"
[take.choices.cpu]
from = "second"
divide = "1.5"
)");
        const Run check = run({"check", path, "--json"});
        QVERIFY2(check.exitCode == 0, qPrintable(check.out + check.err));
        const QJsonObject lines = check.json()["lines"].toObject();
        QCOMPARE(lines["second"].toObject()["hz"].toString(), QString("1500000"));
        QCOMPARE(lines["cpu"].toObject()["hz"].toString(), QString("1000000"));
        // 1.5 MHz ÷ (13 × 4) = 28 846.15…, from 3 % below to 5 % above
        const QJsonObject port = check.json()["promises"].toObject()["port"].toObject();
        QCOMPARE(port["got"].toString(), QString("375000/13"));
        QCOMPARE(port["error"].toString(), QString("1/187499"));
        QCOMPARE(port["state"].toString(), QString("strained")); // over 13 its own receiver stands only 23/510, less than 6 %
    }
};

QTEST_GUILESS_MAIN(CliCommands)
#include "cli_commands.moc"
