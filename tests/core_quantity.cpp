#include "base/nearest_name.h"
#include "quantity/quantity_print.h"
#include "quantity/span_read.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

Q_DECLARE_METATYPE(wisetick::Unit)

class CoreQuantity : public QObject {
    Q_OBJECT

private slots:
    /// Two ends; a first one without unit has that of the second.
    void spans() {
        const auto ends = [](const char* text, Unit unit) {
            const auto read = readSpan(text, unit);
            return read ? read->first.toString() + " " + read->second.toString()
                        : std::to_string(read.error().position) + ": " + sayText(read.error());
        };
        QCOMPARE(ends("3 V to 3.6 V", Unit::volt), std::string("3 18/5"));
        QCOMPARE(ends("3 to 3.6 V", Unit::volt), std::string("3 18/5"));
        QCOMPARE(ends("900 mV \u2026 3.6 V", Unit::volt), std::string("9/10 18/5"));
        QCOMPARE(ends("-20 ... -5 C", Unit::celsius), std::string("-20 -5"));
        QCOMPARE(ends("1e3 to 2e3 Hz", Unit::hertz), std::string("1000 2000"));
        QCOMPARE(ends("3.3 V", Unit::volt), std::string("33/10 33/10"));
        QCOMPARE(ends("-20 to 70", Unit::celsius), std::string("7: '70' has no unit; expected a temperature such as '25 C'"));
        QCOMPARE(ends("-20", Unit::celsius), std::string("0: '-20' has no unit; expected a temperature such as '25 C'"));
        QCOMPARE(ends("cold to 70 C", Unit::celsius), std::string("0: 'cold'; expected a temperature such as '25 C'"));
    }
    void reads_data() {
        QTest::addColumn<std::string>("text");
        QTest::addColumn<Unit>("unit");
        QTest::addColumn<std::string>("value");
        const auto row = [](const char* text, Unit unit, const char* value) {
            QTest::newRow(text) << std::string(text) << unit << std::string(value);
        };
        row("16 MHz", Unit::hertz, "16000000");
        row("16MHz", Unit::hertz, "16000000");
        row("32.768k", Unit::hertz, "32768");
        row("48M", Unit::hertz, "48000000");
        row("160/3 MHz", Unit::hertz, "160000000/3");
        row("1e6 Hz", Unit::hertz, "1000000");
        row("2.5e-3 s", Unit::second, "1/400");
        row("1_000_000", Unit::hertz, "1000000");
        row("115200", Unit::bitsPerSecond, "115200");
        row("500 kbit/s", Unit::bitsPerSecond, "500000");
        row("9600 baud", Unit::bitsPerSecond, "9600");
        row("1.5 %", Unit::ratio, "3/200");
        row("30 ppm", Unit::ratio, "3/100000");
        row("-20 %", Unit::ratio, "-1/5");
        row("\u221220 %", Unit::ratio, "-1/5");
        row("10 min", Unit::second, "600");
        row("120 us", Unit::second, "3/25000");
        row("120 \u00B5s", Unit::second, "3/25000");
        row("120 \u03BCs", Unit::second, "3/25000");
        row("240 days", Unit::second, "20736000");
        row("2 years", Unit::second, "63115200");
        row("2.2 uA", Unit::ampere, "11/5000000");
        row("2.2 \u00B5A", Unit::ampere, "11/5000000");
        row("5200 mAh", Unit::coulomb, "18720");
        row("-10 C", Unit::celsius, "-10");
        row("25 \u00B0C", Unit::celsius, "25");
        row("60 ohm", Unit::ohm, "60");
        row("300 mohm", Unit::ohm, "3/10");
        row("1.2 Mohm", Unit::ohm, "1200000");
        row("10 pF", Unit::farad, "1/100000000000");
        row("7 mA/V", Unit::siemens, "7/1000");
        row("3 ppm/year", Unit::perYear, "1/10519200000000"); // 3e-6 ÷ 31557600 s
        row("0", Unit::second, "0");
        row("  3.3 V  ", Unit::volt, "33/10");
    }
    void reads() {
        QFETCH(std::string, text);
        QFETCH(Unit, unit);
        QFETCH(std::string, value);
        const auto read = readQuantity(text, unit);
        QVERIFY2(read.has_value(), read ? "" : sayText(read.error()).c_str());
        QCOMPARE(read->toString(), value);
    }

    void saysWhereAndWhat_data() {
        QTest::addColumn<std::string>("text");
        QTest::addColumn<Unit>("unit");
        QTest::addColumn<int>("position");
        QTest::addColumn<int>("length");
        QTest::addColumn<std::string>("say");
        const auto row = [](const char* text, Unit unit, int position, int length, const char* say) {
            QTest::newRow(text) << std::string(text) << unit << position << length << std::string(say);
        };
        row("16 MV", Unit::hertz, 3, 2, "unknown unit 'MV'; expected a rate such as '16 MHz'");
        row("16 mV", Unit::hertz, 3, 2, "'mV' makes it a voltage; expected a rate such as '16 MHz'");
        row("16 Mhz", Unit::hertz, 3, 3, "unknown unit 'Mhz'; expected a rate such as '16 MHz'; did you mean 'MHz'?");
        row("10 m", Unit::second, 3, 1, "'m' makes it a length; expected a time such as '1.8 s or 120 us'");
        row("1.5", Unit::ratio, 0, 3, "'1.5' has no unit; expected a ratio such as '1.5 % or 30 ppm'");
        row("", Unit::hertz, 0, 0, "nothing; expected a rate such as '16 MHz'");
        row("fast", Unit::hertz, 0, 4, "'fast'; expected a rate such as '16 MHz'");
        row("1/0 Hz", Unit::hertz, 0, 6, "'1/0 Hz'; expected a rate such as '16 MHz'");
        row("\u224853.333 MHz", Unit::hertz, 0, 13,
            "a rounded figure; expected an exact one; leave the \u2248 out if the figure is meant as it stands");
        row("1e99 Hz", Unit::hertz, 0, 7, "the number in '1e99 Hz' is too large; expected at most 256 bits");
        row("1.2.3 Hz", Unit::hertz, 3, 5, "unknown unit '.3 Hz'; expected a rate such as '16 MHz'");
    }
    void saysWhereAndWhat() {
        QFETCH(std::string, text);
        QFETCH(Unit, unit);
        QFETCH(int, position);
        QFETCH(int, length);
        QFETCH(std::string, say);
        const auto read = readQuantity(text, unit);
        QVERIFY(!read.has_value());
        QCOMPARE(sayText(read.error()), say);
        QCOMPARE(static_cast<int>(read.error().position), position);
        QCOMPARE(static_cast<int>(read.error().length), length);
    }

    void aHugeNumberIsAnError() {
        const std::string digits(200, '9');
        QVERIFY(sayText(readQuantity(digits + " Hz", Unit::hertz).error()).find("too large") != std::string::npos);
        QVERIFY(!readQuantity("1." + digits + " Hz", Unit::hertz));
        QVERIFY(!readFactor(digits));
    }

    void readsFactors_data() {
        QTest::addColumn<std::string>("text");
        QTest::addColumn<std::string>("value");
        QTest::newRow("whole") << std::string("5") << std::string("5");
        QTest::newRow("half") << std::string("2.5") << std::string("5/2");
        QTest::newRow("fraction") << std::string("1/2") << std::string("1/2");
        QTest::newRow("mixed") << std::string("2 11/16") << std::string("43/16");
        QTest::newRow("sum") << std::string("98 + 1234/4096") << std::string("201321/2048");
        QTest::newRow("nothing") << std::string("") << std::string();
        QTest::newRow("improper") << std::string("2 17/16") << std::string();
        QTest::newRow("three parts") << std::string("1 + 1/2 + 1/4") << std::string();
        QTest::newRow("unit") << std::string("5 Hz") << std::string();
    }
    void readsFactors() {
        QFETCH(std::string, text);
        QFETCH(std::string, value);
        const auto read = readFactor(text);
        QCOMPARE(read ? read->toString() : std::string(), value);
    }

    void prints_data() {
        QTest::addColumn<std::string>("value");
        QTest::addColumn<Unit>("unit");
        QTest::addColumn<std::string>("text");
        const auto row = [](const char* value, Unit unit, const char* text) {
            QTest::newRow(text) << std::string(value) << unit << std::string(text);
        };
        row("0", Unit::hertz, "0 Hz");
        row("32768", Unit::hertz, "32.768 kHz");
        row("160000000", Unit::hertz, "160 MHz");
        row("160000000/3", Unit::hertz, "\u224853.333 MHz");
        row("36864000", Unit::hertz, "36.864 MHz");
        row("4999999/5000", Unit::hertz, "999.9998 Hz");
        row("99999999999/100000", Unit::hertz, "\u22481.0000 MHz");
        row("115200", Unit::bitsPerSecond, "115.2 kbit/s");
        row("1/1000", Unit::second, "1 ms");
        row("1/3", Unit::second, "\u2248333.33 ms");
        row("90", Unit::second, "90 s");
        row("600", Unit::second, "10 min");
        row("20736000", Unit::second, "240 days");
        row("17971200/7", Unit::second, "\u224829.714 days");
        row("3/200", Unit::ratio, "1.5 %");
        row("3/100000", Unit::ratio, "30 ppm");
        row("1/400", Unit::ratio, "0.25 %");
        row("18720", Unit::coulomb, "5200 mAh");
        row("11/5000000", Unit::ampere, "2.2 \u00B5A");
        row("1/10519200000000", Unit::perYear, "3 ppm/year");
    }
    void prints() {
        QFETCH(std::string, value);
        QFETCH(Unit, unit);
        QFETCH(std::string, text);
        QCOMPARE(printQuantity(exact(value), unit), text);
    }

    void printsErrors_data() {
        QTest::addColumn<std::string>("error");
        QTest::addColumn<std::string>("text");
        QTest::newRow("0") << std::string("0") << std::string("exact");
        QTest::newRow("percent") << std::string("49/576") << std::string("\u2248+8.507 %");
        QTest::newRow("negative") << std::string("-1/50") << std::string("\u22122 %");
        QTest::newRow("ppm") << std::string("1/25000") << std::string("+40 ppm");
    }
    void printsErrors() {
        QFETCH(std::string, error);
        QFETCH(std::string, text);
        QCOMPARE(printError(exact(error)), text);
    }

    /// What is printed as exact reads back to the very value; what is not is marked and near.
    void printingAndReadingAreInverse() {
        Random random;
        for (int i = 0; i < 5000; ++i) {
            const Unit unit = random.pick(allUnits());
            const std::int64_t span = std::int64_t{1} << random.whole(1, 40);
            const Rational value = Rational(random.whole(-span, span), random.whole(1, random.coin() ? 1 : 1000)) *
                                   powerOfTen(static_cast<int>(random.whole(-12, 3)));
            const std::string text = printQuantity(value, unit);
            const bool isRounded = text.rfind("\u2248", 0) == 0;
            const auto read = readQuantity(isRounded ? text.substr(3) : text, unit);
            QVERIFY2(read.has_value(), text.c_str());
            if (isRounded) {
                QVERIFY2(abs(*read / value - 1) <= Rational(1, 10000), text.c_str());
            } else {
                QCOMPARE(read->toString(), value.toString());
            }
            const auto again = readQuantity(printReadable(value, unit), unit);
            QVERIFY2(again.has_value(), printReadable(value, unit).c_str());
            QCOMPARE(again->toString(), value.toString());
        }
    }

    /// Where no decimal ends: a fraction, in the largest unit that leaves it the least denominator.
    void fractionsAreReadable() {
        QCOMPARE(printReadable(Rational(160000000, 3), Unit::hertz), std::string("160/3 MHz"));
        QCOMPARE(printReadable(Rational(4000000, 3), Unit::hertz), std::string("4/3 MHz"));
        QCOMPARE(printReadable(Rational(1000, 3), Unit::hertz), std::string("1/3 kHz"));
        QCOMPARE(printReadable(Rational(12345678, 7), Unit::hertz), std::string("12345678/7 Hz"));
        QCOMPARE(printReadable(Rational(1, 3), Unit::second), std::string("1/3 s"));
        QCOMPARE(printReadable(Rational(3600, 7), Unit::second), std::string("3600/7 s"));
        QCOMPARE(printReadable(Rational(1, 3000), Unit::second), std::string("1/3 ms"));
        QCOMPARE(printReadable(Rational(53333333, 1000000), Unit::hertz), std::string("53.333333 Hz")); // one ends
    }

    void factorsPrintAndReadBack() {
        Random random;
        for (int i = 0; i < 2000; ++i) {
            const Rational factor(random.whole(1, 100000), std::int64_t{1} << random.whole(0, 16));
            QCOMPARE(readFactor(printFactor(factor)).value().toString(), factor.toString());
        }
    }

    void findsTheNearestName() {
        const std::vector<std::string> known{"divide", "multiply", "from"};
        QCOMPARE(didYouMean("dividr", known), std::string("did you mean 'divide'?"));
        QCOMPARE(didYouMean("form", known), std::string("did you mean 'from'?"));
        QCOMPARE(didYouMean("temperature", known), std::string());
        QCOMPARE(listNames(known), std::string("'divide', 'multiply' or 'from'"));
    }
};

QTEST_APPLESS_MAIN(CoreQuantity)
#include "core_quantity.moc"
