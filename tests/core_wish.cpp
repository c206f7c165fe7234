#include "seek/question.h"
#include "support.h"

using namespace wisetick;
using namespace wisetick::test;

/// Wishes and crystals as they are typed.
class WishTest : public QObject {
    Q_OBJECT

private slots:
    void wishesAreRead_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<QString>("canonical");
        QTest::newRow("equal") << "core=160MHz"
                               << "core = 160 MHz";
        QTest::newRow("runs at") << " core runs at 160 MHz exactly"
                                 << "core = 160 MHz";
        QTest::newRow("within") << "usb = 48 MHz within 0.25 %"
                                << "usb = 48 MHz within 0.25 %";
        QTest::newRow("plus minus") << "usb = 48 MHz within \u00b12500 ppm"
                                    << "usb = 48 MHz within 0.25 %";
        QTest::newRow("least") << "core >= 100 MHz"
                               << "core at least 100 MHz";
        QTest::newRow("least sign") << "core \u2265 100 MHz"
                                    << "core at least 100 MHz";
        QTest::newRow("most") << "core runs at most 64 MHz"
                              << "core at most 64 MHz";
        QTest::newRow("between") << "core between 60 MHz and 64 MHz"
                                 << "core between 60 MHz and 64 MHz";
        QTest::newRow("highest") << "core as high as possible"
                                 << "core as high as possible";
        QTest::newRow("up to") << "core as  high as possible up to 64 MHz"
                               << "core as high as possible up to 64 MHz";
        QTest::newRow("lowest") << "core as low as possible down to 1 MHz"
                                << "core as low as possible down to 1 MHz";
        QTest::newRow("soft") << "core = 160 MHz, if possible"
                              << "core = 160 MHz, if possible";
    }
    void wishesAreRead() {
        QFETCH(QString, text);
        QFETCH(QString, canonical);
        const LoadedPlan loaded = orchard();
        const Part& part = *loaded.part;
        const auto wish = readWish(text.toStdString(), &part);
        QVERIFY2(wish, wish ? "" : sayText(wish.error()).c_str());
        QCOMPARE(printWish(*wish), canonical.toStdString());
        QCOMPARE(*readWish(printWish(*wish), &part), *wish);
    }

    void badWishesSayWhere_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<int>("position");
        QTest::addColumn<QString>("say");
        QTest::newRow("empty")
            << "" << 0
            << "nothing; expected a wish such as 'core = 160 MHz', 'core at least 100 MHz' or 'core as high as "
               "possible'";
        QTest::newRow("no verb")
            << "core" << 4
            << "nothing after 'core'; expected '= RATE', 'within', 'at least', 'at most', 'between', 'as high "
               "as possible' or 'as low as possible'";
        QTest::newRow("zero") << "core = 0 MHz" << 7 << "'0 MHz'; expected a rate above 0";
        QTest::newRow("no rate") << "core = fast" << 7 << "'fast'; expected a rate, as '160 MHz'";
        QTest::newRow("turned") << "core between 64 MHz and 60 MHz" << 0
                                << "64 MHz is above 60 MHz; expected the lower rate first";
        QTest::newRow("no and") << "core between 60 MHz" << 19 << "nothing more; expected 'and' and the higher rate";
        QTest::newRow("more") << "core = 1 MHz please" << 13 << "'please'; expected nothing more, or 'if possible'";
        QTest::newRow("peripheral") << "uart1 = 1 MHz" << 0
                                    << "'uart1' is a peripheral; expected a source or line; state a promise about it";
    }
    void badWishesSayWhere() {
        QFETCH(QString, text);
        QFETCH(int, position);
        QFETCH(QString, say);
        const LoadedPlan loaded = orchard();
        const auto wish = readWish(text.toStdString(), &*loaded.part);
        QVERIFY(!wish);
        QCOMPARE(static_cast<int>(wish.error().position), position);
        QCOMPARE(sayText(wish.error()), say.toStdString());
    }
    void unknownLinesAreMended() {
        const LoadedPlan loaded = orchard();
        const auto wish = readWish("cor = 1 MHz", &*loaded.part);
        QVERIFY(!wish);
        QCOMPARE(wish.error().mend, std::string("did you mean 'core'?"));
    }
    void everyBeginningOfAWishIsAnswered() {
        const std::string text = "core between 60 MHz and 64 MHz, if possible";
        for (std::size_t length = 0; length <= text.size(); ++length) {
            const auto wish = readWish(text.substr(0, length));
            QVERIFY(wish || wish.error().position <= length);
        }
    }

    void crystalsAreRead() {
        const LoadedPlan loaded = orchard();
        const Source& source = loaded.part->sources[0]; // 6 to 30 MHz
        QCOMPARE(readCrystalRates("12 MHz, 8 MHz,12 MHz", source).value(), (std::vector<Rational>{8000000, 12000000}));
        const auto range = readCrystalRates("8 MHz to 10 MHz", source).value();
        QCOMPARE(range.front(), Rational(8000000));
        QCOMPARE(range.back(), Rational(10000000));
        QVERIFY(std::find(range.begin(), range.end(), Rational(9216000)) != range.end());
        const std::vector<Rational> stock = readCrystalRates("stock", source).value();
        QVERIFY(stock.size() > 10);
        for (const Rational& rate : stock) {
            QVERIFY(rate >= 6000000 && rate <= 30000000);
        }
        QCOMPARE(readCrystalRates("8 MHz, 9 bananas", source).error().position, std::size_t(9));
        QVERIFY(!readCrystalRates("0 MHz", source));
    }

    void wishesAreCompleted_data() {
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QStringList>("offered"); // the first of them, as whole lines
        QTest::newRow("a line") << "us" << QStringList{"usb"};
        QTest::newRow("lines") << "bus" << QStringList{"bus_a", "bus_b"};
        QTest::newRow("what of it") << "usb " << QStringList{"usb = ", "usb at least "};
        QTest::newRow("a verb") << "usb as h" << QStringList{"usb as high as possible"};
        QTest::newRow("a rate is typed") << "usb = 4" << QStringList{};
        QTest::newRow("what may follow") << "usb = 48 MHz"
                                         << QStringList{"usb = 48 MHz within 0.1 %", "usb = 48 MHz, if possible"};
        QTest::newRow("after a tolerance") << "usb = 48 MHz within 1 %" << QStringList{"usb = 48 MHz within 1 %, if possible"};
        QTest::newRow("after an extreme") << "usb as high as possible" << QStringList{"usb as high as possible, if possible"};
        QTest::newRow("no such line") << "usd = " << QStringList{};
        QTest::newRow("all is said") << "usb = 48 MHz, if possible" << QStringList{};
    }
    void wishesAreCompleted() {
        QFETCH(QString, typed);
        QFETCH(QStringList, offered);
        const LoadedPlan loaded = orchard();
        const std::string before = typed.toStdString();
        const Completion completion = completeWish(before, *loaded.part);
        QStringList lines;
        for (const std::string& each : completion.texts) {
            lines << QString::fromStdString(before.substr(0, completion.position) + each);
        }
        QCOMPARE(lines.mid(0, offered.size()), offered);
        QVERIFY(!offered.isEmpty() || lines.isEmpty());
    }
};

QTEST_APPLESS_MAIN(WishTest)
#include "core_wish.moc"
