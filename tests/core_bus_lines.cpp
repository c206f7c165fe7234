#include "bench/can_frames.h"
#include "bench/clocked_lines.h"
#include "bench/explain.h"
#include "bench/line_reading.h"
#include "bench/measure.h"
#include "bench/sim_board.h"
#include "evaluate/evaluate.h"
#include "support.h"

#include <QTest>

#include <cmath>

#include <random>

using namespace wisetick;
using namespace wisetick::test;

namespace {

QString hexByte(char byte) {
    return QString::asprintf("%02x", static_cast<unsigned>(static_cast<unsigned char>(byte)));
}

std::string binary(std::uint64_t value, int width) {
    std::string text;
    for (int i = width - 1; i >= 0; --i) {
        text += ((value >> i) & 1) != 0 ? '1' : '0';
    }
    return text;
}

/// The remainder by long division, as one does it on paper: bits as letters, the divisor with its highest bit.
std::string divided(std::string bits, const std::string& divisor) {
    bits += std::string(divisor.size() - 1, '0');
    for (std::size_t i = 0; i + divisor.size() <= bits.size(); ++i) {
        if (bits[i] == '1') {
            for (std::size_t k = 0; k < divisor.size(); ++k) {
                bits[i + k] = bits[i + k] == divisor[k] ? '0' : '1';
            }
        }
    }
    return bits.substr(bits.size() - divisor.size() + 1);
}

std::string stuffed(const std::string& bits, int& count) {
    std::string out;
    for (std::size_t i = 0; i < bits.size(); ++i) {
        const std::size_t size = out.size();
        if (size >= 5 && out.find_first_not_of(out[size - 1], size - 5) == std::string::npos) {
            out += out[size - 1] == '1' ? '0' : '1';
            ++count;
        }
        out += bits[i];
    }
    return out;
}

/// The bits of a frame written a second way, from the standard's figures: letters, upper case where they are fast.
std::string paperFrame(const CanFrame& frame) {
    const int id = frame.isLong ? 29 : 11;
    const std::string all = binary(frame.id, id);
    std::string head = "0" + all.substr(0, 11);
    if (frame.isLong) {
        head += "11" + all.substr(11);
    }
    if (!frame.isFd) {
        head += frame.isRemote ? "1" : "0";
        head += frame.isLong ? "00" : "00"; // short: extension and reserved; long: both reserved
    } else {
        head += frame.isLong ? "01" : "001";
        head += "0";
        head += frame.isFast ? "1" : "0";
        head += frame.isPassive ? "1" : "0";
    }
    std::string body = binary(frame.length, 4);
    for (const std::uint8_t byte : frame.bytes) {
        body += binary(byte, 8);
    }
    int count = 0;
    std::string line;
    if (!frame.isFd) {
        const std::string sum = divided(head + body, "1100010110011001");
        line = stuffed(head + body + sum + "-", count); // the delimiter stands where a stuff bit would
        line.pop_back();
    } else {
        line = stuffed(head + body, count);
        static const std::vector<std::string> gray{"0000", "0011", "0110", "0101", "1100", "1111", "1010", "1001"};
        const std::string& counted = gray[static_cast<std::size_t>(count % 8)];
        // beginning with a one in front: what is divided has it so many places before the first bit
        const std::string divisor = frame.bytes.size() <= 16 ? "110110100001011011" : "1100000010100010011001";
        std::string covered = line + counted;
        covered[0] = covered[0] == '1' ? '0' : '1'; // the initial one lies over the start bit
        const std::string field = counted + divided(covered, divisor);
        for (std::size_t i = 0; i < field.size(); ++i) {
            if (i % 4 == 0) {
                line += line.back() == '1' ? '0' : '1';
            }
            line += field[i];
        }
    }
    return line + "1" + "0" + "1" + "1111111";
}

std::string lettersOf(const std::vector<CanBusBit>& bits) {
    std::string text;
    for (const CanBusBit& bit : bits) {
        text += bit.isRecessive ? '1' : '0';
    }
    return text;
}

CanFrame randomFrame(std::mt19937_64& random) {
    CanFrame frame;
    frame.isLong = random() % 2 == 0;
    frame.id = static_cast<std::uint32_t>(random() % (frame.isLong ? 1U << 29U : 1U << 11U));
    frame.id = random() % 4 == 0 ? 0 : random() % 5 == 0 ? (frame.isLong ? 0x1FFFFFFF : 0x7EF) : frame.id;
    frame.isFd = random() % 2 == 0;
    frame.isRemote = !frame.isFd && random() % 5 == 0;
    frame.isFast = frame.isFd && random() % 2 == 0;
    frame.isPassive = frame.isFd && random() % 8 == 0;
    frame.length = static_cast<std::uint8_t>(random() % (frame.isFd ? 16 : 9));
    for (std::size_t i = 0; !frame.isRemote && i < canBytes(frame.length, frame.isFd); ++i) {
        frame.bytes.push_back(static_cast<std::uint8_t>(random() % 3 == 0 ? (random() % 2) * 255 : random()));
    }
    return frame;
}

/// Frames on a line: slow and fast bits of so many ticks; the bit at whose sample point the rate changes lasts as a sender lays
/// it.
Track lineOf(const std::vector<CanFrame>& frames, double slow, double fast, double sample, double dataSample, std::int64_t& end,
             std::size_t flipped = std::string::npos) {
    Track track{"bus", {}};
    track.edges.add(0, LogicLevel::high);
    double at = 20 * slow;
    std::size_t place = 0;
    for (const CanFrame& frame : frames) {
        bool isFast = false;
        for (const CanBusBit& bit : canBits(frame)) {
            const bool isRecessive = bit.isRecessive != (place++ == flipped);
            track.edges.add(static_cast<std::int64_t>(std::ceil(at)), isRecessive ? LogicLevel::high : LogicLevel::low);
            if (bit.endsSwitch) {
                at += isFast ? dataSample * fast + (1 - sample) * slow : sample * slow + (1 - dataSample) * fast;
                isFast = !isFast;
            } else {
                at += isFast ? fast : slow;
            }
        }
        at += 3 * slow;
    }
    end = static_cast<std::int64_t>(at + 30 * slow);
    return track;
}

} // namespace

class CoreBusLines : public QObject {
    Q_OBJECT

private slots:
    /// The three polynomials over "123456789", as the public catalogue of checksums has them.
    void checksumsOfTheCatalogue() {
        std::vector<bool> bits;
        for (const char letter : std::string("123456789")) {
            for (int i = 7; i >= 0; --i) {
                bits.push_back(((letter >> i) & 1) != 0);
            }
        }
        QCOMPARE(canChecksum(bits, 15, 0x4599, 0), 0x059EU);
        QCOMPARE(canChecksum(bits, 17, 0x1685B, 0), 0x04F03U);
        QCOMPARE(canChecksum(bits, 21, 0x102899, 0), 0x0ED841U);
    }

    void lengthCodes() {
        for (const auto& [bytes, code] :
             std::vector<std::pair<std::size_t, int>>{{0, 0}, {8, 8}, {9, 9}, {12, 9}, {13, 10}, {33, 14}, {64, 15}}) {
            QCOMPARE(int{canLengthCode(bytes)}, code);
        }
        QCOMPARE(canBytes(15, false), std::size_t{8});
        QCOMPARE(canBytes(14, true), std::size_t{48});
    }

    /// The writer against one that works on paper: letters, long division, a search for five alike.
    void framesAreWrittenAsOnPaper() {
        std::mt19937_64 random(11);
        for (int i = 0; i < 2000; ++i) {
            const CanFrame frame = randomFrame(random);
            QCOMPARE(lettersOf(canBits(frame)), paperFrame(frame));
        }
    }

    /// What is read is what was sent: at bit rates off by up to 0.4 %, and with the capture's ticks.
    void framesAreReadAsSent() {
        std::mt19937_64 random(5);
        for (int i = 0; i < 400; ++i) {
            std::vector<CanFrame> sent;
            for (int k = 0; k < 5; ++k) {
                sent.push_back(randomFrame(random));
            }
            const double off = 1 + 0.004 * (static_cast<double>(random() % 2001) / 1000 - 1);
            Capture capture;
            capture.tick = Rational(1, 100'000'000);
            const Track track = lineOf(sent, 200 * off, 50 * off, 0.8, 0.75, capture.end);
            const CanRates timing{500'000, Rational(4, 5), 2'000'000, Rational(3, 4)};
            const std::vector<CanRead> read = readCan(capture, track, timing);
            QCOMPARE(read.size(), sent.size());
            for (std::size_t k = 0; k < sent.size(); ++k) {
                QCOMPARE(read[k].fault, std::string());
                QCOMPARE(canText(read[k]), canText({0, 0, sent[k], {}, true, 0}));
                QVERIFY(read[k].frame == sent[k] && read[k].isAcknowledged);
            }
            const MeasuredFigure bit = measureCanBit(capture, track, timing);
            QVERIFY2(bit.value, bit.why.c_str());
            const double truth = 2e-6 * off;
            QVERIFY2(bit.value->min.toDouble() <= truth && truth <= bit.value->max.toDouble(),
                     qPrintable(QString("%1 %2 %3").arg(bit.value->min.toDouble()).arg(truth).arg(bit.value->max.toDouble())));
            QVERIFY((bit.value->max / bit.value->min).toDouble() < 1.005);
        }
    }

    /// A bit that was turned over is found, wherever it stands between the start bit and the acknowledgement; the next frame is
    /// read all the same.
    void turnedBitsAreFound() {
        std::mt19937_64 random(8);
        int found = 0;
        int all = 0;
        for (int i = 0; i < 1500; ++i) {
            const CanFrame frame = randomFrame(random);
            const std::size_t bits = canBits(frame).size();
            const std::size_t flipped = 1 + random() % (bits - 12); // not the start, nor what another node says
            Capture capture;
            capture.tick = Rational(1, 100'000'000);
            // so long a rest behind it that whatever a broken length makes of it is over
            std::vector<CanFrame> sent{frame};
            const Track track = lineOf(sent, 200, 50, 0.8, 0.75, capture.end, flipped);
            capture.end += 200 * 800;
            const auto read = readCan(capture, track, {500'000, Rational(4, 5), 2'000'000, Rational(3, 4)});
            ++all;
            const bool isSame = !read.empty() && read.front().fault.empty() && read.front().frame == frame;
            QVERIFY2(!isSame || frame.isFd, qPrintable(QString::fromStdString(canText(read.front()))));
            found += read.empty() || !read.front().fault.empty() ? 1 : 0;
        }
        QVERIFY2(found >= all - 3, qPrintable(QString("%1 of %2").arg(found).arg(all)));
    }

    /// A capture that begins in the middle of a frame does not make one of what is left of it.
    void theMiddleOfAFrameIsNone() {
        std::mt19937_64 random(3);
        std::int64_t end = 0;
        const CanFrame first{0x155, false, false, false, false, false, 8, {0, 255, 3, 85, 85, 1, 2, 3}};
        const CanFrame second{0x7FF, false, false, false, false, false, 1, {7}};
        const Track whole = lineOf({first, second}, 200, 50, 0.8, 0.75, end);
        for (std::int64_t from = 4000; from < 4000 + 100 * 200; from += 130) {
            Track track{"bus", {}};
            track.edges.add(0, whole.edges.levelAt(from));
            EdgeList::Walk walk(whole.edges, whole.edges.countBefore(from + 1));
            for (Edge edge; walk.next(edge);) {
                track.edges.add(edge.tick - from, edge.level);
            }
            Capture capture;
            capture.tick = Rational(1, 100'000'000);
            capture.end = end - from;
            const auto read = readCan(capture, track, {500'000, Rational(4, 5), 0, Rational(3, 4)});
            QVERIFY(!read.empty());
            QVERIFY2(read.size() == 1, qPrintable(QString("from %1: %2").arg(from).arg(read.size())));
            QVERIFY(read.front().frame == second);
        }
    }

    /// Two lines of a half bridge: 5 and 7 ticks between them, then an overlap that is told.
    void deadTime() {
        Capture capture;
        capture.tick = Rational(1, 10'000'000);
        Track high{"high", {}};
        Track low{"low", {}};
        high.edges.add(0, LogicLevel::low);
        low.edges.add(0, LogicLevel::low);
        for (std::int64_t i = 0; i < 50; ++i) {
            const std::int64_t at = 100 + i * 100;
            high.edges.add(at, LogicLevel::high);
            high.edges.add(at + 40, LogicLevel::low);
            low.edges.add(at + 45, LogicLevel::high);
            low.edges.add(at + 93, LogicLevel::low);
        }
        const MeasuredFigure dead = measureDeadTime(capture, high, low);
        QVERIFY2(dead.value && dead.why.empty(), dead.why.c_str());
        QCOMPARE(dead.count, std::int64_t{99}); // fifty behind one, forty-nine behind the other
        QCOMPARE(dead.value->min, Rational(4, 10'000'000));
        QCOMPARE(dead.value->max, Rational(8, 10'000'000));
        QCOMPARE(dead.value->nominal, Rational(50 * 5 + 49 * 7, 99) / 10'000'000);
        high.edges.add(5200, LogicLevel::high);
        low.edges.add(5230, LogicLevel::high);
        QVERIFY(QString::fromStdString(measureDeadTime(capture, high, low).why).contains("both are high at once"));
        QVERIFY(!measureDeadTime(capture, high, Track{"none", {}}).value);
    }

    /// Jitter is what the periods spread more than two looks can make; bursts are parted by rests.
    void jitterAndBursts() {
        Capture capture;
        capture.tick = Rational(1, 1'000'000);
        capture.end = 100'000;
        Track track{"tick", {}};
        track.edges.add(0, LogicLevel::low);
        std::int64_t at = 10;
        for (int burst = 0; burst < 3; ++burst) {
            for (int i = 0; i < 4; ++i) {
                track.edges.add(at, LogicLevel::high);
                track.edges.add(at + 3, LogicLevel::low);
                at += i % 2 == 0 ? 10 : 15;
            }
            at += 1000;
        }
        const std::vector<Burst> bursts = measureBursts(track, 500);
        QCOMPARE(bursts.size(), std::size_t{3});
        QVERIFY((bursts[0] == Burst{10, 48, 8}));
        const TrackFigures first = measureTrack(capture, track, 0, 48);
        QVERIFY(first.jitter);
        QCOMPARE(first.jitter->nominal, Rational(5, 1'000'000));
        QCOMPARE(first.jitter->min, Rational(3, 1'000'000));
        Track even{"even", {}};
        even.edges.add(0, LogicLevel::low);
        for (int i = 1; i < 200; ++i) { // a period of ten ticks and a third: the looks alone make it spread
            even.edges.add(static_cast<std::int64_t>(std::ceil(i * 31.0 / 3)), LogicLevel::high);
            even.edges.add(static_cast<std::int64_t>(std::ceil(i * 31.0 / 3)) + 2, LogicLevel::low);
        }
        QVERIFY(measureTrack(capture, even, 0, capture.end).jitter->min.isZero());
    }

    /// Words on a clocked line: both edges, both orders, words of 3 to 32 bits, with and without a select line.
    void clockedWords() {
        std::mt19937_64 random(21);
        for (int i = 0; i < 300; ++i) {
            ClockedForm form;
            form.samplesRising = random() % 2 == 0;
            form.isLowestFirst = random() % 2 == 0;
            form.bits = 3 + static_cast<int>(random() % 30);
            const bool isSelected = random() % 2 == 0;
            Track clock{"clock", {}};
            Track data{"data", {}};
            Track select{"select", {}};
            const LogicLevel rest = form.samplesRising ? LogicLevel::low : LogicLevel::high;
            const LogicLevel active = form.samplesRising ? LogicLevel::high : LogicLevel::low;
            clock.edges.add(0, rest);
            data.edges.add(0, LogicLevel::low);
            select.edges.add(0, LogicLevel::high);
            std::vector<std::uint64_t> sent;
            std::int64_t at = 100;
            for (int k = 0; k < 6; ++k) {
                if (isSelected && k % 2 == 0) {
                    select.edges.add(at - 20, LogicLevel::low);
                }
                const std::uint64_t word = random() & ((std::uint64_t{1} << form.bits) - 1);
                sent.push_back(word);
                for (int b = 0; b < form.bits; ++b) {
                    const int place = form.isLowestFirst ? b : form.bits - 1 - b;
                    data.edges.add(at, ((word >> place) & 1) != 0 ? LogicLevel::high : LogicLevel::low);
                    clock.edges.add(at + 5, active);
                    clock.edges.add(at + 10, rest);
                    at += 10;
                }
                if (isSelected && k % 2 == 1) {
                    select.edges.add(at + 10, LogicLevel::high);
                    for (int pulse = 0; pulse < 3; ++pulse) { // for somebody else
                        at += 40;
                        clock.edges.add(at + 5, active);
                        clock.edges.add(at + 10, rest);
                    }
                }
                at += 60;
            }
            form.select = isSelected ? &select : nullptr;
            const std::vector<ClockedWord> read = readClocked({}, clock, data, form);
            QCOMPARE(read.size(), sent.size());
            for (std::size_t k = 0; k < sent.size(); ++k) {
                QCOMPARE(read[k].value, sent[k]);
                QCOMPARE(read[k].bits, form.bits);
            }
        }
    }

    /// A board's port and two-wire bus send the text, byte after byte, and what is offered first for their data lines reads it.
    void boardsSendWhatIsRead() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/spindle-balancer.plan.toml", {sourceDir() + "/parts"});
        const Figures figures = evaluate(*loaded.part, *loaded.plan, loaded.plan->active);
        const auto predicted = benchSignals(*loaded.part, *loaded.plan, figures);
        BoardRun run;
        run.seconds = Rational(1, 100);
        run.tick = Rational(1, 1'000'000'000);
        run.text = "two lines";
        const Capture capture =
            playBoard(*loaded.part, *loaded.plan, figures, predicted, drawBoard(*loaded.part, figures, 3), run);

        // its clock is as fast as the plan says, with what the board's rise leaves open, and kept
        bool isMeasured = false;
        for (const MeasuredSignal& each : measureSignals(capture, *loaded.plan, predicted)) {
            const BenchSignal& signal = predicted[each.signal];
            if (signal.name == "heat-sensor") {
                isMeasured = true;
                QVERIFY(each.cycle.max >= signal.cycle.min && each.cycle.min <= signal.cycle.max);
                QVERIFY(each.state == State::kept);
            }
        }
        QVERIFY(isMeasured);

        const Track* port = capture.findTrack("bits_data");
        QVERIFY(port != nullptr);
        const auto offered = lineReadings(capture, *port);
        QCOMPARE(readingSaid(offered.front()), std::string("words at the rise of bits, selected by bits_select"));
        const LineRead words = readLine(capture, offered.front());
        QVERIFY(words.pieces.size() > 1000);
        for (std::size_t i = 0; i + 1 < words.pieces.size(); ++i) {
            QCOMPARE(QString::fromStdString(words.pieces[i].text), hexByte(run.text[i % run.text.size()]));
        }

        const Track* bus = capture.findTrack("heat-sensor_data");
        QVERIFY(bus != nullptr);
        const auto twoWire = lineReadings(capture, *bus);
        const auto as = std::find_if(twoWire.begin(), twoWire.end(),
                                     [](const LineReading& each) { return each.as == LineReading::As::twoWire; });
        QCOMPARE(as->with, std::string("heat-sensor"));
        const LineRead bytes = readLine(capture, *as);
        QVERIFY(bytes.pieces.size() > 200);
        QCOMPARE(bytes.pieces[0].text, std::string("[50 writes"));
        for (std::size_t i = 1; i < bytes.pieces.size(); ++i) {
            QCOMPARE(QString::fromStdString(bytes.pieces[i].text), hexByte(run.text[(i - 1) % run.text.size()]));
            QVERIFY(bytes.pieces[i].from == bytes.pieces[i - 1].to);
        }
        LineReading gone = *as;
        gone.with = "nowhere";
        QCOMPARE(readLine(capture, gone).said, std::string("no track 'nowhere'"));
    }

    /// A line that would have more edges than it may have stops, and that is said.
    void linesThatStopSaySo() {
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/orchard-sprayer.plan.toml", {sourceDir() + "/parts"});
        const Figures figures = evaluate(*loaded.part, *loaded.plan, loaded.plan->active);
        const auto predicted = benchSignals(*loaded.part, *loaded.plan, figures);
        const auto stopped = [&](std::int64_t most) {
            BoardRun run;
            run.seconds = Rational(1, 10);
            run.mostEdges = most;
            const Capture capture =
                playBoard(*loaded.part, *loaded.plan, figures, predicted, drawBoard(*loaded.part, figures, 3), run);
            return std::count_if(capture.diagnostics.begin(), capture.diagnostics.end(),
                                 [](const Diagnostic& each) { return each.found.find("is played for") != std::string::npos; });
        };
        QCOMPARE(stopped(4'000'000), std::ptrdiff_t{0});
        QVERIFY(stopped(1000) > 0);
    }

    /// A two-wire bus: an address that is answered, a register, a start anew, a byte that is read and not acknowledged, a stop.
    void twoWires() {
        Track clock{"clock", {}};
        Track data{"data", {}};
        std::int64_t at = 100;
        clock.edges.add(0, LogicLevel::high);
        data.edges.add(0, LogicLevel::high);
        const auto start = [&] {
            data.edges.add(at, LogicLevel::high);
            clock.edges.add(at + 10, LogicLevel::high);
            data.edges.add(at + 20, LogicLevel::low);
            clock.edges.add(at + 30, LogicLevel::low);
            at += 40;
        };
        const auto bit = [&](bool isHigh) {
            data.edges.add(at, isHigh ? LogicLevel::high : LogicLevel::low);
            clock.edges.add(at + 10, LogicLevel::high);
            clock.edges.add(at + 20, LogicLevel::low);
            at += 30;
        };
        const auto byte = [&](unsigned value, bool isAcknowledged) {
            for (int i = 7; i >= 0; --i) {
                bit(((value >> i) & 1U) != 0);
            }
            bit(!isAcknowledged);
        };
        start();
        byte(0x90, true);
        byte(0x01, true);
        start();
        byte(0x91, true);
        byte(0xA5, false);
        data.edges.add(at, LogicLevel::low);
        clock.edges.add(at + 10, LogicLevel::high);
        data.edges.add(at + 20, LogicLevel::high);
        const std::vector<TwoWireByte> read = readTwoWire({}, clock, data);
        QCOMPARE(read.size(), std::size_t{4});
        QVERIFY(read[0].begins && read[0].value == 0x90 && read[0].isAcknowledged && !read[0].ends);
        QVERIFY(!read[1].begins && read[1].value == 0x01 && read[1].isAcknowledged);
        QVERIFY(read[2].begins && read[2].value == 0x91);
        QVERIFY(!read[3].begins && read[3].value == 0xA5 && !read[3].isAcknowledged && read[3].ends);
    }
};

QTEST_GUILESS_MAIN(CoreBusLines)
#include "core_bus_lines.moc"
