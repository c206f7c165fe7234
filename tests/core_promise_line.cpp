#include "files/part_reader.h"
#include "plan/plan.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

std::string withCaret(const std::string& line, const TextError& error) {
    return line.substr(0, error.position) + "|" + line.substr(error.position, error.length) + "|" +
           line.substr(std::min(line.size(), error.position + error.length));
}

} // namespace

class CorePromiseLine : public QObject {
    Q_OBJECT

    Part part_ = readPart(marramText(), "marram-20.part.toml").part.value();

private slots:
    void linesAreCompletedWhereTheCursorIs_data() {
        QTest::addColumn<std::string>("before");
        QTest::addColumn<std::size_t>("position");
        QTest::addColumn<QStringList>("texts");
        const auto row = [](const char* before, std::size_t position, const QStringList& texts) {
            QTest::addRow("%s", before) << std::string(before) << position << texts;
        };
        row("uart", 0, {"uart1", "uart2", "uart3"});
        row("modem: uart1", 7, {});
        row("modem: gu", 7, {"guard"});
        row("wa", 0, {"wakes from"});
        row("uart1 ", 6, {"talks"});
        row("usb ", 4, {"runs"});
        row("battery l", 8, {"lasts"});
        row("uart1 talks 11", 12, {"115200"});
        row("uart1 talks 9600 w", 17, {"within 1.5 %", "while report"});
        row("uart1 talks 9600 within 2 % ", 28,
            {"as 8N1", "as 8E1", "as 8O1", "as 7E1", "as 7O1", "as 8N2", "as 9N1", "on one wire", "also in idle",
             "also in snooze", "also in deep", "also in off", "in take van", "while report"});
        row("uart1 talks 9600 as 8", 20, {"8N1", "8E1", "8O1", "8N2"});
        row("bus_b runs at ", 14, {"160 MHz"});
        row("bus_b runs at l", 11, {"at least 60 MHz"});
        row("bus_b runs at least 60 MHz ", 27,
            {"also in idle", "also in snooze", "also in deep", "also in off", "in take van",
             "while report"}); // a bound has no tolerance
        row("wdog bites after 2 s, fed", 22, {"fed every 1.8 s", "fed by blink"});
        row("wakes from ", 11, {"idle", "snooze", "deep", "off"});
        row("nap: wakes from deep in at most 4 ms by r", 40, {"rtc"});
        row("uart1 sings ", 0, {});
        row("uart1 talks many ", 0, {});
        row("1x: uart1 ", 0, {});
    }
    void linesAreCompletedWhereTheCursorIs() {
        QFETCH(std::string, before);
        QFETCH(std::size_t, position);
        QFETCH(QStringList, texts);
        const LoadedPlan loaded = orchard();
        const Completion completion = completePromiseLine(before, *loaded.part);
        QStringList got;
        for (const std::string& text : completion.texts) {
            got << QString::fromStdString(text);
        }
        QCOMPARE(got, texts);
        if (!texts.isEmpty()) {
            QCOMPARE(completion.position, position);
        }
    }

    /// Taking what is offered, word by word, always ends in a line that can be read.
    void whatIsOfferedLeadsToALine() {
        const LoadedPlan loaded = orchard();
        Random random;
        for (int round = 0; round < 300; ++round) {
            std::string line;
            for (int word = 0; word < 16; ++word) {
                const Completion completion = completePromiseLine(line, *loaded.part);
                if (completion.texts.empty()) {
                    break;
                }
                line = line.substr(0, completion.position) + random.pick(completion.texts) + " ";
            }
            const auto read = readPromiseLine(line, &*loaded.part);
            QVERIFY2(read.has_value(), (line + ": " + (read ? "" : sayText(read.error()))).c_str());
        }
    }

    /// What is typed, and the canonical form that is printed for it.
    void readsAndPrints_data() {
        QTest::addColumn<std::string>("typed");
        QTest::addColumn<std::string>("printed");
        const auto row = [](const char* typed, const char* printed) {
            QTest::newRow(typed) << std::string(typed) << std::string(printed);
        };
        row("core runs at 160 MHz", "core runs at 160 MHz");
        row("core runs at 160M exactly", "core runs at 160 MHz exactly");
        row("usb runs within 0.25 % at 48 MHz", "usb runs at 48 MHz within 0.25 %");
        row("bus_b runs at least 60 MHz", "bus_b runs at least 60 MHz");
        row("bus_a runs at most 50000 kHz", "bus_a runs at most 50 MHz");
        row("modem: uart1 talks 921600 within 1.5 %", "modem: uart1 talks 921600 within 1.5 %");
        row("  uart1   talks 115.2k , as 8E1 ", "uart1 talks 115200 as 8E1");
        row("uart1 talks as 7N2 9600 baud", "uart1 talks 9600 as 7N2");
        row("tick: timer2 fires every 1 ms exactly", "tick: timer2 fires every 1 ms exactly");
        row("sensor: i2c1 talks 400k, with 20 ns fall with 120 ns rise",
            "sensor: i2c1 talks 400 kHz with 120 ns rise with 20 ns fall");
        row("adc0 takes from 10 kohm 50 k samples/s, at 12 bits", "adc0 takes 50 k samples/s at 12 bit from 10 k\u03A9");
        row("adc0 takes 5000 samples/s over 1 channel", "adc0 takes 5 k samples/s over 1 channel");
        row("map: qspi0 clocks at most 100M", "map: qspi0 clocks at most 100 MHz");
        row("pause waits within 2 % 100 us", "pause waits 100 \u00B5s within 2 %");
        row("pause waits at least 0.1 ms", "pause waits at least 100 \u00B5s");
        row("bus: can0 talks 500 kbit/s, data 2 Mbit/s, sample at 80 %, over 20 m",
            "bus: can0 talks 500 kbit/s, data 2 Mbit/s, sample at 80 %, over 20 m");
        row("can0 talks 0.5 Mbit/s data sample at 75 % data 2M with node delay 0.2 us jump 4",
            "can0 talks 500 kbit/s, data 2 Mbit/s, data sample at 75 %, with node delay 200 ns, jump 4");
        row("can0 holds 16 sent 28 filters of 64 bytes", "can0 holds 28 filters, 16 sent, of 64 byte");
        row("pump: timer3.1 drives at 35 % duty 20k, steps under 0.1 %, dead 500 ns inside",
            "pump: timer3.1 drives 20 kHz at 35 % duty, steps under 0.1 %, dead 500 ns, inside");
        row("timer5 wraps after at least 1 h resolves 1 us", "timer5 wraps after at least 60 min, resolves 1 \u00B5s");
        row("timer5 resolves 1 us", "timer5 resolves 1 \u00B5s");
        row("timer5 resolves 1 us wraps after at least 2 h", "timer5 wraps after at least 2 h, resolves 1 \u00B5s");
        row("timer6 fires every 30 s repeated late 1 cycle handled in 400 cycles",
            "timer6 fires every 30 s, repeated, late 1 cycle, handled in 400 cycles");
        row("rtc drifts at most 20 ppm", "rtc drifts at most 1.728 s/day");
        row("rtc fires every 10 s", "rtc fires every 10 s");
        row("adc0 takes 50 k samples/s oversampled 16 times triggered by timer2",
            "adc0 takes 50 k samples/s, oversampled 16 times, triggered by timer2");
        row("qspi0 clocks at most 100 MHz of 16 MiB after 8 dummies reading 256 byte in at most 5 us",
            "qspi0 clocks at most 100 MHz, of 16 MiB, after 8 dummies, reading 256 byte in at most 5 \u00B5s");
        row("qspi0 clocks valid after 6 ns at most 100 MHz", "qspi0 clocks at most 100 MHz, valid after 6 ns");
        row("i2c1 talks 400 kHz into 100 pF pulled by 2.2 kohm", "i2c1 talks 400 kHz, pulled by 2.2 k\u03A9 into 100 pF");
        row("guard bites after 10 ms warns 1 ms before", "guard bites after 10 ms, warns 1 ms before");
        row("timer6 fires every 1/3 s", "timer6 fires every 1/3 s");
        row("feed: wdog bites after 2 s, fed every 1.8 s", "feed: wdog bites after 2 s, fed every 1.8 s");
        row("wdog bites at latest 3 s after 2 s within 10 %", "wdog bites after 2 s within 10 %, at latest 3 s");
        row("guard bites after 100 ms opens after 20 ms fed every 60 ms",
            "guard bites after 100 ms, fed every 60 ms, opens after 20 ms");
        row("nap: wakes from deep in at most 120 us by rtc every 10 min",
            "nap: wakes from deep in at most 120 \u00B5s by rtc every 10 min");
        row("wakes in at most 5 us from snooze", "wakes from snooze in at most 5 \u00B5s");
        row("budget: average under 1 mA", "budget: average under 1 mA");
        row("life: battery lasts 240 days", "life: battery lasts 240 days");
        row("uart1 talks 9600 also in idle, also in snooze", "uart1 talks 9600, also in idle, also in snooze");
    }
    void readsAndPrints() {
        QFETCH(std::string, typed);
        QFETCH(std::string, printed);
        const auto line = readPromiseLine(typed, &part_);
        QVERIFY2(line.has_value(), line ? "" : sayText(line.error()).c_str());
        QCOMPARE(printPromiseLine(*line), printed);
        QVERIFY(readPromiseLine(printed, &part_) == line);
    }

    /// The bars stand around the word that the error points to.
    void pointsAtTheWord_data() {
        QTest::addColumn<std::string>("marked");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* marked, const char* say) {
            QTest::newRow(marked) << std::string(marked) << std::string(say);
        };
        row("||", "nothing; expected a promise such as 'uart1 talks 115200' or 'timer2 fires every 1 ms'");
        row("|uart9| talks 9600", "no uart, can or i2c 'uart9' on this part; expected 'uart1', 'uart2', 'uart3', 'can0' or "
                                  "'i2c1'; did you mean 'uart1'?");
        row("|timer1| talks 9600",
            "no uart, can or i2c 'timer1' on this part; expected 'uart1', 'uart2', 'uart3', 'can0' or 'i2c1'");
        row("uart1 |talk| 9600",
            "unknown verb 'talk'; expected 'runs', 'talks', 'fires', 'drives', 'waits', 'wraps', 'resolves', "
            "'bites', 'drifts', 'takes', 'clocks', 'plays', 'holds' or 'lasts'; did you mean 'talks'?");
        row("adc0 takes 50 k samples/s at 12 |Hz|", "'Hz' makes it a rate; expected a number of bits such as '12 bit'");
        row("adc0 takes at 12 bit||", "the line ends; expected '50 k samples/s'");
        row("qspi0 clocks||", "the line ends; expected 'at most 100 MHz'");
        row("i2c1 talks 400 kHz |with| 120 ns raise",
            "'with'; expected 'with 120 ns rise', 'with 20 ns fall', 'pulled by 2.2 "
            "kohm', 'into 100 pF', 'as smbus', 'also in idle', 'in take van' or 'while report'");
        row("pause waits 100 us at least 20 us||", "more than one time; expected one of them");
        row("uart1||", "no verb; expected 'runs', 'talks', 'fires', 'drives', 'waits', 'wraps', 'resolves', 'bites', 'drifts', "
                       "'takes', 'clocks', 'plays', 'holds' or 'lasts'");
        row("uart1 talks||", "the line ends; expected '115200'");
        row("uart1 talks 9600 |witin| 3 %", "'witin'; expected 'within 1.5 %', 'exactly', 'as 8N1', 'on one wire', 'also in "
                                            "idle', 'in take van' or 'while report'; did you mean 'within'?");
        row("uart1 talks 9600 within 3 |ms|", "'ms' makes it a time; expected a ratio such as '1.5 % or 30 ppm'");
        row("uart1 talks 9600 within |3|", "'3' has no unit; expected a ratio such as '1.5 % or 30 ppm'");
        row("uart1 talks 9600 within 3 % exactly||", "both 'within' and 'exactly'; expected one of them");
        row("uart1 talks 9600 |19200|", "'19200' for the second time; expected each thing said once");
        row("uart1 talks 9600 as |8X1|", "'8X1'; expected a frame such as '8N1', '7E1' or '9N2'");
        row("uart1 talks |0|", "'0'; expected a bit rate above 0");
        row("uart1 talks |-5|", "'-5'; expected a bit rate above 0");
        row("timer1 fires every 1 |MHz|", "'MHz' makes it a rate; expected a time such as '1.8 s or 120 us'");
        row("core runs at 5 MHz at least 3 MHz||", "more than one rate; expected one of 'at', 'at least' and 'at most'");
        row("core runs at least 3 MHz within 1 %||",
            "a tolerance beside 'at least' or 'at most'; expected a bound alone, or 'at' with a tolerance");
        row("wakes from |deeep| in at most 1 ms",
            "no sleep mode 'deeep' on this part; expected 'idle', 'snooze', 'deep' or 'off'; did you mean 'deep'?");
        row("wakes from |run| in at most 1 ms", "no sleep mode 'run' on this part; expected 'idle', 'snooze', 'deep' or 'off'");
        row("timer3.1 drives 20 kHz at |-1 %| duty", "'-1 %'; expected a ratio of 0 or more");
        row("timer3.1 drives 20 kHz at |101 %| duty", "'101 %'; expected at most 100 %");
        row("|timer3| drives 20 kHz at 50 % duty", "no channel of a timer 'timer3' on this part; expected 'timer1.1', "
                                                   "'timer1.2', 'timer3.1', 'timer3.2' or 'timer3.3'; did "
                                                   "you mean 'timer3.1'?");
        row("can0 holds |1.5| filters", "'1.5'; expected a whole number");
        row("can0 holds||", "the line ends; expected '28 filters'");
        row("can0 talks 500 kbit/s, data sample at 75 %||", "the line ends; expected 'data 2 Mbit/s' beside 'data sample at'");
        row("i2c1 talks 400 kHz pulled by 2.2 kohm||", "the line ends; expected 'into 100 pF' beside 'pulled by'");
        row("can0 talks 500 kbit/s over 20 |ms|", "'ms' makes it a time; expected a length such as '20 m'");
        row("adc0 takes 50 k samples/s triggered by |uart1|",
            "no timer 'uart1' on this part; expected 'timer1', 'timer2', 'timer3', 'timer4', 'timer5' or 'timer6'");
        row("timer5 wraps||", "the line ends; expected 'after at least 1 h'");
        row("wakes from||", "nothing after 'from'; expected 'from deep'");
        row("|2fast|: core runs at 1 MHz", "the name '2fast'; expected one word that begins with a letter, such as 'modem'");
        row("|two words|: core runs at 1 MHz",
            "the name 'two words'; expected one word that begins with a letter, such as 'modem'");
        row("|cell| lasts 3 years", "'cell'; expected 'battery lasts 240 days'");
        row("uart1 talks |99999999999999999999999999999999999999999999999999999999999999999999999999999999|",
            "the number in '99999999999999999999999999999999999999999999999999999999999999999999999999999999' is too large; "
            "expected at most 256 bits");
    }
    void pointsAtTheWord() {
        QFETCH(std::string, marked);
        QFETCH(std::string, say);
        std::string typed = marked;
        typed.erase(std::remove(typed.begin(), typed.end(), '|'), typed.end());
        const auto line = readPromiseLine(typed, &part_);
        QVERIFY(!line.has_value());
        QCOMPARE(sayText(line.error()), say);
        QCOMPARE(withCaret(typed, line.error()), marked);
    }

    void withoutAPartAnyIdWillDo() {
        QVERIFY(readPromiseLine("uart9 talks 9600").has_value());
        QVERIFY(readPromiseLine("wakes from nowhere in at most 1 s").has_value());
    }

    void everyPrefixIsReadOrRefused() {
        const std::string line =
            "feed: wdog bites after 2 s within 10 %, fed every 1.8 s, at latest 3 s, opens after 0.5 s, also in idle";
        for (std::size_t length = 0; length <= line.size(); ++length) {
            const auto read = readPromiseLine(line.substr(0, length), &part_);
            if (!read) {
                QVERIFY(read.error().position + read.error().length <= length);
            }
        }
    }

    void printingAndReadingAreInverse() {
        Random random;
        const auto time = [&] {
            return Rational(random.whole(1, 1000000), random.whole(1, 1000)) * powerOfTen(static_cast<int>(random.whole(-9, 2)));
        };
        const auto tolerance = [&] {
            Tolerance result;
            const std::int64_t choice = random.whole(0, 2);
            result.exactly = choice == 1;
            if (choice == 2) {
                result.within = Rational(random.whole(1, 100000), 1000000);
            }
            return result;
        };
        const auto maybe = [&]() -> std::optional<Rational> { return random.coin() ? std::optional(time()) : std::nullopt; };
        for (int i = 0; i < 16000; ++i) { // a thousand of each kind
            PromiseLine line;
            line.name = random.coin() ? "name" + std::to_string(i) : "";
            const auto some = [&]() -> std::optional<Rational> {
                return random.coin() ? std::optional(Rational(random.whole(1, 64))) : std::nullopt;
            };
            const auto share = [&]() -> std::optional<Rational> {
                return random.coin() ? std::optional(Rational(random.whole(1, 1000), 1000)) : std::nullopt;
            };
            switch (i % 16) {
            case 0: {
                const auto bound = static_cast<RunsAsk::Bound>(random.whole(0, 2));
                line.subject = "core";
                line.ask = RunsAsk{bound, 1 / time(), bound == RunsAsk::Bound::at ? tolerance() : Tolerance()};
                break;
            }
            case 1:
                line.subject = "uart1";
                line.ask = TalksAsk{1 / time(),
                                    {static_cast<int>(random.whole(5, 9)), random.coin() ? 'N' : 'E', random.coin() ? 1 : 2},
                                    tolerance(),
                                    random.coin()};
                break;
            case 2:
                line.subject = random.coin() ? "timer2" : "rtc";
                line.ask = FiresAsk{time(), tolerance(), random.coin(), random.coin(), some(), some(), random.coin()};
                break;
            case 3:
                line.subject = "wdog";
                line.ask = BitesAsk{time(), maybe(), maybe(), maybe(), tolerance(), maybe()};
                break;
            case 4: line.ask = WakesAsk{"deep", time(), random.coin() ? "rtc" : "", maybe()}; break;
            case 5: line.ask = AverageAsk{time()}; break;
            case 6: {
                line.subject = "can0";
                const auto data = maybe();
                line.ask =
                    CanAsk{1 / time(), data, share(), data ? share() : std::nullopt, maybe(), maybe(), some(), tolerance()};
                break;
            }
            case 7: {
                line.subject = "i2c1";
                const bool isPulled = random.coin();
                const auto pull = isPulled ? std::optional(1 / time()) : std::nullopt;
                line.ask = BusAsk{1 / time(), maybe(), maybe(), pull, isPulled ? std::optional(time()) : std::nullopt};
                break;
            }
            case 8:
                line.subject = "adc0";
                line.ask = TakesAsk{1 / time(), std::nullopt, some(), maybe(), some(), some(), random.coin() ? "timer1" : ""};
                if (random.coin()) {
                    line.ask.change<TakesAsk>().onceIn = time();
                    line.ask.change<TakesAsk>().samplesPerSecond = 0;
                }
                break;
            case 9: {
                line.subject = "qspi0";
                const auto reading = some();
                line.ask =
                    ClocksAsk{1 / time(), some(), some(), reading, reading ? std::optional(time()) : std::nullopt, maybe()};
                break;
            }
            case 10: {
                const bool isAtLeast = random.coin();
                line.subject = random.coin() ? "pause" : "timer1";
                line.ask = WaitsAsk{time(), isAtLeast, isAtLeast ? Tolerance() : tolerance()};
                break;
            }
            case 11:
                line.subject = "timer3.2";
                line.ask = DrivesAsk{1 / time(), share().value_or(Rational(1)), share(), maybe(), random.coin(), random.coin(),
                                     tolerance()};
                break;
            case 12: {
                line.subject = "timer5";
                const auto wraps = maybe();
                line.ask = StampsAsk{wraps, wraps ? maybe() : std::optional(time())};
                break;
            }
            case 13:
                line.subject = "rtc";
                line.ask = DriftsAsk{Rational(random.whole(1, 100000), 1000000)};
                break;
            case 14:
                line.subject = "can0";
                line.ask = HoldsAsk{random.whole(0, 64), random.whole(0, 64), random.whole(0, 64), random.whole(1, 64),
                                    random.coin() ? Rational(8) : Rational(64)};
                break;
            default: line.subject = "battery"; line.ask = LastsAsk{time()};
            }
            if (mayAskAlsoIn(line.ask) && random.coin()) {
                line.alsoIn = {"idle"};
            }
            const std::string text = printPromiseLine(line);
            const auto read = readPromiseLine(text, &part_);
            QVERIFY2(read.has_value(), text.c_str());
            QVERIFY2(*read == line, text.c_str());
            const auto alone = readPromiseLine(text); // as a plan without its part is read
            QVERIFY2(alone.has_value() && *alone == line, text.c_str());
        }
    }

    void unnamedPromisesAreCalledAfterTheirSubject() {
        Plan plan;
        for (const char* text : {"uart1 talks 9600", "uart1-2: uart2 talks 9600", "uart1 talks 19200",
                                 "wakes from deep in at most 1 s", "average under 1 A", "battery lasts 1 h"}) {
            plan.promises.push_back({text, readPromiseLine(text).value()});
        }
        const std::vector<std::string> expected{"uart1", "uart1-2", "uart1-3", "wakes", "average", "battery"};
        QVERIFY(promiseNames(plan) == expected);
    }
};

QTEST_APPLESS_MAIN(CorePromiseLine)
#include "core_promise_line.moc"
