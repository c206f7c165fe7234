#include "bench/bench_said.h"
#include "bench/csv_capture.h"
#include "bench/explain.h"
#include "bench/sim_board.h"
#include "bench/uart_frames.h"
#include "bench/vcd.h"
#include "evaluate/evaluate.h"
#include "support.h"

#include <map>
#include <set>

using namespace wisetick;
using namespace wisetick::test;

namespace {

Capture readAll(const std::string& text, std::size_t piece = std::string::npos) {
    VcdReader reader("capture.vcd");
    for (std::size_t at = 0; at < text.size(); at += std::min(piece, text.size())) {
        reader.feed(std::string_view(text).substr(at, piece));
    }
    return reader.finish();
}

std::string edgesText(const Track& track) {
    std::string text;
    EdgeList::Walk walk(track.edges, 0);
    for (Edge edge; walk.next(edge);) {
        text += std::to_string(edge.tick) + "01xz"[static_cast<int>(edge.level)] + " ";
    }
    return text;
}

std::string written(const Capture& capture) {
    std::string text;
    writeVcd(capture, [&](std::string_view piece) { text += piece; });
    return text;
}

/// A dump after the standard's own words: scopes, a vector that is shorter than its variable, x, z, a real, a comment.
const std::string kDump =
    "$date today $end\n$version by hand $end\n$timescale 10 ns $end\n"
    "$scope module top $end\n$var wire 1 ! clk $end\n$scope module port $end\n$var reg 4 \" data [3:0] $end\n$upscope $end\n"
    "$var real 64 amps supply $end\n$upscope $end\n$enddefinitions $end\n"
    "#0\n$dumpvars\n0!\nbx \"\nr0.5 amps\n$end\n#5\n1!\nb10 \"\n$comment 1! is no change here $end\n#12\n0!\nr1.25e-3 "
    "amps\n#20\nz!\nb1111 \"\n#25\n";

/// A plan, its figures, its signals and what may be set otherwise.
struct Bench {
    LoadedPlan loaded;
    Figures figures;
    std::vector<BenchSignal> predicted;
    std::vector<Slip> slips;
};

const Bench& benchOf(const std::string& name) {
    static std::map<std::string, Bench> all;
    if (!all.contains(name)) {
        Bench bench;
        bench.loaded = loadPlan(sourceDir() + "/examples/" + name + ".plan.toml", {sourceDir() + "/parts"});
        bench.figures = evaluate(*bench.loaded.part, *bench.loaded.plan, bench.loaded.plan->active);
        bench.predicted = benchSignals(*bench.loaded.part, *bench.loaded.plan, bench.figures);
        bench.slips = slipsOf(*bench.loaded.part, *bench.loaded.plan, bench.figures, bench.predicted);
        all.emplace(name, std::move(bench));
    }
    return all.at(name);
}

const std::vector<std::string> kExamples{"door-sensor",     "field-tractor", "hive-scale",      "lagoon-buoy",
                                         "orchard-sprayer", "river-gauge",   "spindle-balancer"};

std::vector<MeasuredSignal> playAndMeasure(const Bench& bench, const DrawnBoard& board, const BoardRun& run) {
    BoardRun stopped = run;
    stopped.mostEdges = 200'000; // many worlds, each in little time
    const Capture capture = playBoard(*bench.loaded.part, *bench.loaded.plan, bench.figures, bench.predicted, board, stopped);
    return measureSignals(capture, *bench.loaded.plan, bench.predicted);
}

std::string firstSaid(const std::vector<Explanation>& list) {
    return list.empty() ? "nothing measured" : list.front().say + " (left " + std::to_string(list.front().leftOver) + ")";
}

/// Whether the slip is what an explanation says, or shows exactly so.
bool names(const Explanation& explanation, const Slip& slip) {
    return explanation.say == slip.say ||
           std::find(explanation.same.begin(), explanation.same.end(), slip.say) != explanation.same.end();
}

} // namespace

/// Captures, what is measured of them, and what explains it.
class CoreBench : public QObject {
    Q_OBJECT

private slots:
    /// A packed list against a plain one: places, counts and levels, over short and very long distances.
    void edgesAreKept() {
        std::mt19937_64 random(5);
        EdgeList list;
        std::vector<Edge> plain;
        std::int64_t tick = 0;
        for (int i = 0; i < 20000; ++i) {
            tick += static_cast<std::int64_t>(random() >> (random() % 40 + 20));
            const auto level = static_cast<LogicLevel>(random() % 4);
            if (plain.empty() || plain.back().level != level) {
                plain.push_back({tick, level});
            }
            list.add(tick, level);
        }
        QCOMPARE(list.size(), plain.size());
        for (std::size_t i = 0; i < plain.size(); i += 37) {
            QVERIFY(list.at(i) == plain[i]);
            const auto before =
                static_cast<std::size_t>(std::lower_bound(plain.begin(), plain.end(), plain[i].tick,
                                                          [](const Edge& a, std::int64_t b) { return a.tick < b; }) -
                                         plain.begin());
            QCOMPARE(list.countBefore(plain[i].tick), before);
            const auto upTo = std::upper_bound(plain.begin(), plain.end(), plain[i].tick,
                                               [](std::int64_t a, const Edge& b) { return a < b.tick; });
            QVERIFY(list.levelAt(plain[i].tick) == (upTo - 1)->level);
        }
    }

    void dumpsAreRead() {
        const Capture capture = readAll(kDump);
        QCOMPARE(lines(capture.diagnostics), std::string());
        QCOMPARE(capture.tick, Rational(1, 100000000));
        QCOMPARE(capture.end, 25);
        QCOMPARE(capture.tracks.size(), std::size_t{5});
        QCOMPARE(capture.tracks[0].name, std::string("top.clk"));
        QCOMPARE(edgesText(capture.tracks[0]), std::string("00 51 120 20z "));
        QCOMPARE(capture.tracks[1].name, std::string("top.port.data[3]"));
        QCOMPARE(edgesText(capture.tracks[1]), std::string("0x 50 201 "));
        QCOMPARE(capture.tracks[3].name, std::string("top.port.data[1]"));
        QCOMPARE(edgesText(capture.tracks[3]), std::string("0x 51 "));
        QCOMPARE(edgesText(capture.tracks[4]), std::string("0x 50 201 "));
        QCOMPARE(capture.values[0].name, std::string("top.supply"));
        QCOMPARE(capture.values[0].ticks, (std::vector<std::int64_t>{0, 12}));
        QCOMPARE(capture.values[0].values, (std::vector<double>{0.5, 0.00125}));
    }

    /// In pieces of any length, and written and read again, it is the same.
    void piecesMakeTheWhole() {
        const std::string whole = written(readAll(kDump));
        for (std::size_t piece = 1; piece < 40; ++piece) {
            QCOMPARE(written(readAll(kDump, piece)), whole);
        }
        QCOMPARE(written(readAll(whole)), whole);
    }

    /// What is good of a damaged file is kept, and where it broke is said.
    void damageIsSaid() {
        const Capture odd = readAll(replaced(kDump, "#12\n0!", "#12\n0?\nq!\n#3"));
        QCOMPARE(odd.diagnostics.size(), std::size_t{3});
        QCOMPARE(odd.diagnostics[0].place.line, 23);
        QVERIFY2(lines(odd.diagnostics).find("the identifier '?'") != std::string::npos, lines(odd.diagnostics).c_str());
        QCOMPARE(edgesText(odd.tracks[0]), std::string("00 51 20z "));
        QVERIFY(lines(readAll("0!\n").diagnostics).find("a declaration such as") != std::string::npos);
        QVERIFY(lines(readAll("$timescale 3 ns $end $enddefinitions $end").diagnostics).find("1, 10 or 100") !=
                std::string::npos);
        QVERIFY(lines(readAll("$timescale 1 ns $end").diagnostics).find("ends before its signals") != std::string::npos);
    }

    /// Tables as programs and people write them: what separates, decimals, header, times and their unit are found out.
    void tablesAreRead() {
        const auto read = [](const std::string& text, std::size_t piece = 7) {
            CsvReader reader("table.csv");
            for (std::size_t at = 0; at < text.size(); at += piece) {
                reader.feed(std::string_view(text).substr(at, piece));
            }
            Capture capture = reader.finish();
            return std::pair(std::move(capture), reader.form().value_or(CsvForm()));
        };
        const auto [plain, form] = read("time [s],tick,amps [A]\n0,0,0.5\n0.001,1,0.5\n0.003,0,0.25\n0.004,0,0.25\n");
        QCOMPARE(form.text(), std::string("separated by ',', decimals with '.', a header, times in column 1"));
        QCOMPARE(plain.tick, Rational(1, 1000)); // all times are whole milliseconds
        QCOMPARE(plain.end, 4);
        QCOMPARE(plain.tracks[0].name, std::string("tick"));
        QCOMPARE(edgesText(plain.tracks[0]), std::string("00 11 30 "));
        QCOMPARE(plain.values[0].unit, std::string("A"));
        QCOMPARE(plain.values[0].values, (std::vector<double>{0.5, 0.25}));
        const auto [european, its] = read("Time (ms);tick\n0,5;0\n1,0;1\n1,5;1\n2,0;1\n2,5;0\n");
        QCOMPARE(its.text(), std::string("separated by ';', decimals with ',', a header, times in column 1"));
        QCOMPARE(european.tick, Rational(1, 2000));
        QCOMPARE(european.sample, Rational(1, 2000)); // even rows, some without a change: samples
        QCOMPARE(edgesText(european.tracks[0]), std::string("10 21 50 "));
        const auto [bare, without] = read("0\t0\n0.1\t1\n0.35\t0\n");
        QCOMPARE(without.text(), std::string("separated by tabs, decimals with '.', no header, times in column 1"));
        QCOMPARE(bare.tracks[0].name, std::string("column 2"));
        CsvReader sampled("samples.csv");
        sampled.setSample(Rational(1, 1000000));
        sampled.feed("a,b\n0,1\n1,1\n0,0\n");
        const Capture samples = sampled.finish();
        QCOMPARE(samples.tick, Rational(1, 1000000));
        QCOMPARE(edgesText(samples.tracks[0]), std::string("00 11 20 "));
        QVERIFY(lines(read("a,b\n0,1\n1,1\n0,0\n").first.diagnostics).find("no column of times") != std::string::npos);
        const auto odd = read("time,x\n0,0\n1,1,1\n2,oops\n1,0\n3,0\n").first;
        QCOMPARE(odd.diagnostics.size(), std::size_t{3});
        QCOMPARE(odd.diagnostics[1].place.line, 4);
        QCOMPARE(edgesText(odd.tracks[0]), std::string("00 "));
    }

    /// A board written as a table and as a dump is measured alike.
    void tablesAndDumpsSayTheSame() {
        const Bench& bench = benchOf("orchard-sprayer");
        BoardRun run;
        run.seconds = Rational(1, 20);
        const Capture capture = playBoard(*bench.loaded.part, *bench.loaded.plan, bench.figures, bench.predicted,
                                          drawBoard(*bench.loaded.part, bench.figures, 3), run);
        CsvReader table("board.csv");
        table.feed(writeCsv(capture));
        const auto byTable = measureSignals(table.finish(), *bench.loaded.plan, bench.predicted);
        const auto byDump = measureSignals(readAll(written(capture)), *bench.loaded.plan, bench.predicted);
        QCOMPARE(byTable.size(), byDump.size());
        QVERIFY(byDump.size() >= 3);
        for (std::size_t i = 0; i < byDump.size(); ++i) {
            QCOMPARE(byTable[i].cycle.nominal, byDump[i].cycle.nominal);
            QCOMPARE(byTable[i].text, byDump[i].text);
        }
    }

    /// 5 rising edges at 100, 300, … 900 of a tick of 10 ns, high for 50: 2 us by hand, ±2 × 10 ns ÷ 4, a quarter high.
    void periodsAreMeasured() {
        Capture capture;
        capture.tick = Rational(1, 100000000);
        capture.end = 1000;
        Track track{"x", {}};
        track.edges.add(0, LogicLevel::low);
        for (int i = 0; i < 5; ++i) {
            track.edges.add(100 + 200 * i, LogicLevel::high);
            track.edges.add(150 + 200 * i, LogicLevel::low);
        }
        const TrackFigures figures = measureTrack(capture, track, 0, capture.end);
        QCOMPARE(figures.period.count, 4);
        QCOMPARE(figures.period.value->nominal, Rational(2, 1000000));
        QCOMPARE(figures.period.value->max - figures.period.value->nominal, Rational(5, 1000000000));
        QCOMPARE(figures.rate.value->nominal, Rational(500000));
        QCOMPARE(figures.duty.value->nominal, Rational(1, 4));
        QCOMPARE(figures.high.value->nominal, Rational(1, 2000000));
        QCOMPARE(figures.edges, 10);
        // x in the middle: the longer clean stretch is what counts
        track.edges.add(1100, LogicLevel::unknown);
        capture.end = 1200;
        QVERIFY(!measureTrack(capture, track, 0, capture.end).isWhole);
        QCOMPARE(measureTrack(capture, track, 0, capture.end).period.count, 4);
    }

    /// Frames set edge by edge by hand, with rests of any length between: the text, and a bit rate that holds the true one.
    void framesAreRead() {
        std::mt19937_64 random(7);
        for (const char parity : {'N', 'E', 'O'}) {
            for (int round = 0; round < 50; ++round) {
                const UartFrame frame{parity == 'N' ? 8 : 7, parity, round % 2 + 1};
                const double bit = 8 + static_cast<double>(random() % 100000) / 100;
                Capture capture;
                capture.tick = Rational(1, 10000000);
                Track track{"tx", {}};
                track.edges.add(0, LogicLevel::high);
                double at = 3 * bit;
                const std::string said = "Bench 7\r\n";
                for (const char c : said) {
                    std::vector<int> bits{0};
                    int ones = 0;
                    for (int i = 0; i < frame.dataBits; ++i) {
                        bits.push_back((c >> i) & 1);
                        ones += bits.back();
                    }
                    if (parity != 'N') {
                        bits.push_back(parity == 'E' ? ones % 2 : 1 - ones % 2);
                    }
                    for (const int each : bits) {
                        track.edges.add(static_cast<std::int64_t>(std::ceil(at)), each == 1 ? LogicLevel::high : LogicLevel::low);
                        at += bit;
                    }
                    track.edges.add(static_cast<std::int64_t>(std::ceil(at)), LogicLevel::high);
                    at += bit * frame.stopBits + static_cast<double>(random() % 3) * bit * 0.37;
                }
                capture.end = static_cast<std::int64_t>(at + 20 * bit);
                const MeasuredFigure rate = measureBitRate(capture, track, frame);
                QVERIFY2(rate.value.has_value(), rate.why.c_str());
                const double truth = 1e7 / bit;
                QVERIFY2(rate.value->min.toDouble() <= truth && truth <= rate.value->max.toDouble(),
                         qPrintable(QString("%1 of %2").arg(rate.value->nominal.toDouble()).arg(truth)));
                const std::vector<UartRead> frames = readUart(capture, track, rate.value->nominal, frame);
                QCOMPARE(textOf(frames), std::string("Bench 7\\r\\n"));
                QVERIFY(std::all_of(frames.begin(), frames.end(),
                                    [](const UartRead& each) { return each.isParityRight && each.isStopSeen; }));
            }
        }
    }

    /// However short a capture is, what it can't tell is left out; nothing is divided by a time of 0.
    void shortCapturesTellLess() {
        for (const std::string& name : kExamples) {
            const Bench& bench = benchOf(name);
            std::size_t before = 0;
            for (const int nanoseconds : {3, 20, 50, 200, 500, 1000, 2000, 5000, 20000, 2000000}) {
                BoardRun run;
                run.seconds = Rational(nanoseconds, 1'000'000'000);
                run.tick = Rational(1, 1'000'000'000);
                const DrawnBoard board = drawBoard(*bench.loaded.part, bench.figures, 3);
                const Capture capture =
                    playBoard(*bench.loaded.part, *bench.loaded.plan, bench.figures, bench.predicted, board, run);
                for (const Track& track : capture.tracks) { // inside of the run, one behind the other
                    for (std::size_t i = 0; i < track.edges.size(); ++i) {
                        const std::int64_t tick = track.edges.at(i).tick;
                        QVERIFY2(tick <= capture.end && tick >= 0, track.name.c_str());
                        QVERIFY2(i == 0 || tick > track.edges.at(i - 1).tick, track.name.c_str());
                    }
                }
                const auto measured = measureSignals(capture, *bench.loaded.plan, bench.predicted);
                for (const MeasuredSignal& each : measured) {
                    const BenchSignal& signal = bench.predicted[each.signal];
                    QVERIFY2(!each.isSilent, signal.name.c_str()); // a line that sends may rest for so long
                    QVERIFY(each.cycle.min > Rational(0));
                    QVERIFY(each.isSilent || !measuredSaid(shownCycle(signal, each.cycle)).empty());
                }
                (void)explain(*bench.loaded.part, bench.figures, bench.predicted, bench.slips, measured, 5);
                QVERIFY(measured.size() >= before);
                before = measured.size();
            }
        }
    }

    /// A board as planned, of any tolerance: what is measured holds what was played, and nothing is called wrong.
    void correctBoardsAreNeverCalledWrong() {
        int measuredSignals = 0;
        for (const std::string& name : kExamples) {
            const Bench& bench = benchOf(name);
            for (std::uint64_t seed = 1; seed <= static_cast<std::uint64_t>(worldCountOf(4)); ++seed) {
                const DrawnBoard board = drawBoard(*bench.loaded.part, bench.figures, seed);
                BoardRun run;
                run.seconds = Rational(1, 5);
                const std::vector<MeasuredSignal> measured = playAndMeasure(bench, board, run);
                for (const MeasuredSignal& each : measured) {
                    const BenchSignal& signal = bench.predicted[each.signal];
                    const double off = board.off[signal.source];
                    const double slow = signal.cycle.nominal.toDouble() / (1 + std::min(off, off + board.drift[signal.source]));
                    const double fast = signal.cycle.nominal.toDouble() / (1 + std::max(off, off + board.drift[signal.source]));
                    QVERIFY2(each.cycle.min.toDouble() <= slow * (1 + 1e-12) && fast * (1 - 1e-12) <= each.cycle.max.toDouble(),
                             (name + ": " + signal.name).c_str());
                    ++measuredSignals;
                }
                const auto list = explain(*bench.loaded.part, bench.figures, bench.predicted, bench.slips, measured, 5);
                if (!measured.empty()) {
                    QVERIFY2(list.front().say == "as planned" && list.front().explainsAll(),
                             (name + ", seed " + std::to_string(seed) + ": " + firstSaid(list)).c_str());
                }
            }
        }
        QVERIFY2(measuredSignals > 100, qPrintable(QString::number(measuredSignals)));
    }

    /// A board that makes one slip of its part's own, drawn at random: where it can be told from a board as planned, it is named
    /// first.
    void slipsAreNamed() {
        int told = 0;
        int named = 0;
        std::set<std::string> kinds;
        std::string others;
        for (const std::string& name : kExamples) {
            const Bench& bench = benchOf(name);
            std::mt19937_64 random(11);
            for (int round = 0; round < worldCountOf(8) && !bench.slips.empty(); ++round) {
                const Slip& slip = bench.slips[random() % bench.slips.size()];
                BoardRun run;
                run.seconds = 1;
                run.slip = &slip;
                const auto measured = playAndMeasure(bench, drawBoard(*bench.loaded.part, bench.figures, random()), run);
                const auto list = explain(*bench.loaded.part, bench.figures, bench.predicted, bench.slips, measured, 5);
                if (measured.empty() || (list.front().say == "as planned" && list.front().explainsAll())) {
                    continue; // it does not show: inside of the tolerances, or on no pin that is looked at
                }
                ++told;
                kinds.insert(name + slip.id + slip.setting);
                if (names(list.front(), slip)) {
                    ++named;
                } else {
                    others += name + ": " + slip.say + " is called " + firstSaid(list) + "\n";
                }
            }
        }
        qInfo("%d of %d slips that show were named first", named, told);
        QVERIFY2(told > 25, qPrintable(QString::number(told)));
        QVERIFY2(named * 100 >= told * 95,
                 qPrintable(QString("%1 of %2\n").arg(named).arg(told) + QString::fromStdString(others)));
    }

    /// Firmware that takes some cycles more each time: how many is told, and holds the true number.
    void lateFirmwareIsNamed() {
        int told = 0;
        int named = 0;
        std::string others;
        for (const std::string& name : kExamples) {
            const Bench& bench = benchOf(name);
            std::mt19937_64 random(13);
            for (int round = 0; round < worldCountOf(8) && !bench.predicted.empty(); ++round) {
                const BenchSignal& signal = bench.predicted[random() % bench.predicted.size()];
                if (!signal.isByTheCore || signal.cycle.nominal > Rational(1, 10)) {
                    continue;
                }
                BoardRun run;
                run.seconds = 1;
                run.lateOf = signal.name;
                run.lateCycles = Rational(static_cast<std::int64_t>(random() % 3000 + 3));
                const auto measured = playAndMeasure(bench, drawBoard(*bench.loaded.part, bench.figures, random()), run);
                const auto list = explain(*bench.loaded.part, bench.figures, bench.predicted, bench.slips, measured, 5);
                if (list.front().say == "as planned" && list.front().explainsAll()) {
                    continue; // inside of the tolerance of its source
                }
                ++told;
                const Explanation& first = list.front();
                const bool isIt = first.lateOf == signal.name && first.cycles && first.cycles->min <= run.lateCycles &&
                                  run.lateCycles <= first.cycles->max;
                named += isIt ? 1 : 0;
                others +=
                    isIt ? ""
                         : name + ": " + signal.name + " " + run.lateCycles.toString() + " is called " + firstSaid(list) + "\n";
            }
        }
        qInfo("%d of %d late firmwares were named first", named, told);
        QVERIFY2(told >= 8, qPrintable(QString::number(told)));
        QVERIFY2(named * 100 >= told * 95,
                 qPrintable(QString("%1 of %2\n").arg(named).arg(told) + QString::fromStdString(others)));
    }

private:
    static int worldCountOf(int usual) { return usual * std::max(qEnvironmentVariableIntValue("WISETICK_WORLDS"), 1); }
};

QTEST_GUILESS_MAIN(CoreBench)
#include "core_bench.moc"
