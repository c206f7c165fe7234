#include "evaluate/needs.h"

#include "files/shelf.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

Shelf shippedShelf() {
    return {sourceDir() + "/parts"};
}

const Part& shippedPart(const std::string& id) {
    static const std::vector<ShelvedPart> all = readShelf(shippedShelf());
    const auto found = std::find_if(all.begin(), all.end(), [&](const ShelvedPart& each) { return each.id == id; });
    return *found->file.part;
}

std::string fitWord(Fit fit) {
    return fit == Fit::yes ? "yes" : (fit == Fit::no ? "no" : "unknown");
}

} // namespace

/// What is asked of a part, and whether it has it.
class CoreNeeds : public QObject {
    Q_OBJECT

private slots:
    void judgesTheShippedParts_data() {
        QTest::addColumn<std::string>("part");
        QTest::addColumn<std::string>("need");
        QTest::addColumn<std::string>("fit");
        QTest::addColumn<std::string>("why");
        const auto row = [](const char* part, const char* need, const char* fit, const char* why) {
            QTest::addRow("%s: %s", part, need) << std::string(part) << std::string(need) << std::string(fit) << std::string(why);
        };
        row("marram-20", "core >= 100 MHz", "yes", "core up to 160 MHz in tier fast");
        row("marram-20", "core at least 160 MHz", "yes", "core up to 160 MHz in tier fast");
        row("marram-20", "core \u2265 160000001", "no", "core up to 160 MHz in tier fast");
        row("sedge-8", "core >= 9 MHz", "yes", "core up to 18 MHz"); // its lower limits are for low supplies
        row("marram-20", "xtm >= 30 MHz", "yes", "xtm up to 30 MHz");
        row("samphire-5", "rcw >= 8 MHz", "yes", "rcw up to 8 MHz");
        row("marram-20", "vco2 >= 1 MHz", "no", "it has no line 'vco2'");
        row("marram-20", "pll_a >= 1 MHz", "unknown", "it gives no limit of pll_a");
        row("marram-20", "2 uart", "yes", "uart1, uart2, uart3");
        row("marram-20", "2 UARTs", "yes", "uart1, uart2, uart3");
        row("marram-20", "uart >= 4", "no", "it has 3: uart1, uart2, uart3");
        row("cordgrass-60", "10 uart", "yes", "it has 10: uart0, uart1, uart2, uart3, uart4, uart5 \u2026");
        row("cordgrass-60", "3 pll", "yes", "vco1, vco2, vco3");
        row("cordgrass-60", "2 fractional pll", "yes", "vco2, vco3");
        row("cordgrass-60", "3 fractional plls", "no", "it has 2: vco2, vco3");
        row("samphire-5", "pll", "no", "it has no pll"); // locked in frequency only
        row("samphire-5", "multiplier", "yes", "mesh");
        row("samphire-5", "can fd", "no", "it has no can fd");
        row("marram-20", "can fd", "yes", "can0");
        row("marram-20", "memory port", "yes", "qspi0");
        row("marram-20", "4 modes", "yes", "it has 5: run, idle, snooze, deep, off");
        row("marram-20", "pins >= 33", "no", "it has 32: W1, W2, W3, W4, W5, W6 \u2026");
        row("marram-20", "deep <= 13 uA", "yes", "deep draws 13 \u00b5A");
        row("marram-20", "deep <= 12.9 uA", "no", "deep draws 13 \u00b5A");
        row("marram-20", "sleep \u2264 2 uA", "yes", "off draws 700 nA");
        row("samphire-5", "sleep at most 300 nA", "no", "deep draws 340 nA"); // off is woken by a pin only
        row("sedge-8", "deep <= 1 uA", "no", "it has no mode 'deep'");
        row("sedge-8", "supply 5 V", "yes", "runs at 2.2 V \u2026 5.5 V");
        row("sedge-8", "supply <= 1.8 V", "no", "runs at 2.2 V \u2026 5.5 V");
        row("marram-20", "crystal 25 MHz", "yes", "xtm takes 6 MHz \u2026 30 MHz");
        row("marram-20", "crystal 40 MHz", "no", "xtm takes 6 MHz \u2026 30 MHz, xtw takes 32.768 kHz");
        row("marram-20", "crystal", "yes", "xtm, xtw");
        row("marram-20", "32-bit", "yes", "in its note");
        row("marram-20", "MARRAM", "yes", "in its id");
        row("marram-20", "windowed", "yes", "guard");
        row("marram-20", "moon", "no", "nothing of it is called 'moon'");
    }
    void judgesTheShippedParts() {
        QFETCH(std::string, part);
        QFETCH(std::string, need);
        QFETCH(std::string, fit);
        QFETCH(std::string, why);
        const auto needs = readNeeds(need);
        QVERIFY(needs.has_value());
        const auto figures = judgeNeeds(shippedPart(part), *needs);
        QCOMPARE(figures.size(), std::size_t{1});
        QCOMPARE(figures[0].need, need);
        QCOMPARE(figures[0].why, why);
        QCOMPARE(fitWord(figures[0].fit), fit);
    }

    void whatAPartDoesNotSayIsUnknown() {
        Part silent = shippedPart("marram-20");
        silent.pins.clear();
        silent.supplyMin.reset();
        for (Mode& mode : silent.modes) {
            mode.draws.reset();
        }
        const auto figures = judgeNeeds(silent, *readNeeds("pins >= 2, supply 3 V, sleep <= 1 uA"));
        for (const NeedFigure& figure : figures) {
            QCOMPARE(fitWord(figure.fit), std::string("unknown"));
        }
        QCOMPARE(fitWord(fitOf(figures)), std::string("unknown"));
        QCOMPARE(fitWord(fitOf(judgeNeeds(silent, *readNeeds("pins >= 2, 9 uart")))), std::string("no"));
        QCOMPARE(fitWord(fitOf(judgeNeeds(silent, *readNeeds("")))), std::string("yes"));
    }

    void saysWhatCanNotBeRead_data() {
        QTest::addColumn<std::string>("text");
        QTest::addColumn<int>("position");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* text, int position, const char* say) {
            QTest::newRow(text) << std::string(text) << position << std::string(say);
        };
        row("2 uatr", 2,
            "'uatr', which is nothing that a part has; expected 'uart', 'timer', 'watchdog', 'rtc', 'adc', 'spi', 'i2c', 'can', "
            "'delay-loop', 'other', 'sound', 'can fd' or one of 15 more; did you mean 'uart'?");
        row("2 uart, core >= 3 V", 18, "'V' makes it a voltage; expected a rate such as '16 MHz'");
        row("core >=", 7, "'>=' with nothing after it; expected a condition such as 'core >= 100 MHz' or 'sleep <= 2 uA'");
        row("<= 2 uA", 3, "'<=' with nothing before it; expected a condition such as 'core >= 100 MHz' or 'sleep <= 2 uA'");
        row("uart >= some", 8, "'some'; expected a whole number");
    }
    void saysWhatCanNotBeRead() {
        QFETCH(std::string, text);
        QFETCH(int, position);
        QFETCH(std::string, say);
        const auto needs = readNeeds(text);
        QVERIFY(!needs.has_value());
        QCOMPARE(sayText(needs.error()), say);
        QCOMPARE(static_cast<int>(needs.error().position), position);
    }

    void severalStandBetweenCommas() {
        const auto needs = readNeeds(" core >= 100 MHz,2 uart ,, can fd, ");
        QVERIFY(needs.has_value());
        QCOMPARE(needs->size(), std::size_t{3});
        QCOMPARE((*needs)[2], (PartNeed{"can fd", CountNeed{"can fd", 1}}));
        QCOMPARE((*needs)[0], (PartNeed{"core >= 100 MHz", RateNeed{"core", exact("100000000")}}));
    }

    /// No text, however odd, is more than an error.
    void anyTextIsReadOrRefused() {
        Random random;
        const std::vector<std::string> words{"core",   ">=",      "<=",     "2",       "uart",    ",", "1 uA",
                                             "\u2265", "at most", "supply", "crystal", "9999999", " ", "'"};
        for (int i = 0; i < 3000; ++i) {
            std::string text;
            for (std::int64_t n = random.whole(0, 6); n > 0; --n) {
                text += random.pick(words) + (random.coin() ? " " : "");
            }
            const auto needs = readNeeds(text);
            QVERIFY2(needs || needs.error().position + needs.error().length <= text.size(), text.c_str());
            if (needs) {
                QCOMPARE(judgeNeeds(shippedPart("cordgrass-60"), *needs).size(), needs->size());
            }
        }
    }
};

QTEST_APPLESS_MAIN(CoreNeeds)
#include "core_needs.moc"
