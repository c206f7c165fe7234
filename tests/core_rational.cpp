#include "quantity/factor_set.h"
#include "support.h"

#include <boost/multiprecision/cpp_int.hpp>
#include <boost/rational.hpp>

#include <thread>

using namespace wisetick;
using namespace wisetick::test;

class CoreRational : public QObject {
    Q_OBJECT

private slots:
    void reducesAndPrints_data() {
        QTest::addColumn<qlonglong>("numerator");
        QTest::addColumn<qlonglong>("denominator");
        QTest::addColumn<std::string>("text");
        QTest::newRow("whole") << 12LL << 4LL << std::string("3");
        QTest::newRow("fraction") << 10LL << 4LL << std::string("5/2");
        QTest::newRow("negative denominator") << 10LL << -4LL << std::string("-5/2");
        QTest::newRow("zero") << 0LL << -7LL << std::string("0");
        QTest::newRow("least") << std::numeric_limits<qlonglong>::min() << 1LL << std::string("-9223372036854775808");
        QTest::newRow("least over least") << std::numeric_limits<qlonglong>::min() << std::numeric_limits<qlonglong>::min()
                                          << std::string("1");
    }
    void reducesAndPrints() {
        QFETCH(qlonglong, numerator);
        QFETCH(qlonglong, denominator);
        QFETCH(std::string, text);
        QCOMPARE(Rational(numerator, denominator).toString(), text);
    }

    void rounds_data() {
        QTest::addColumn<std::string>("value");
        QTest::addColumn<std::string>("floor");
        QTest::addColumn<std::string>("ceil");
        QTest::addColumn<std::string>("rounded");
        QTest::newRow("half to even below") << std::string("5/2") << std::string("2") << std::string("3") << std::string("2");
        QTest::newRow("half to even above") << std::string("7/2") << std::string("3") << std::string("4") << std::string("4");
        QTest::newRow("negative half") << std::string("-5/2") << std::string("-3") << std::string("-2") << std::string("-2");
        QTest::newRow("just over half") << std::string("501/200") << std::string("2") << std::string("3") << std::string("3");
        QTest::newRow("whole") << std::string("-4") << std::string("-4") << std::string("-4") << std::string("-4");
        QTest::newRow("beyond 64 bits") << std::string("36893488147419103233/2") << std::string("18446744073709551616")
                                        << std::string("18446744073709551617") << std::string("18446744073709551616");
    }
    void rounds() {
        QFETCH(std::string, value);
        QFETCH(std::string, floor);
        QFETCH(std::string, ceil);
        QFETCH(std::string, rounded);
        QCOMPARE(exact(value).floor().toString(), floor);
        QCOMPARE(exact(value).ceil().toString(), ceil);
        QCOMPARE(exact(value).rounded().toString(), rounded);
    }

    /// The 64-bit fast path against the library's own fractions over 512-bit integers.
    void agreesWithWideFractions() {
        using Wide = boost::multiprecision::int512_t;
        using Twin = boost::rational<Wide>;
        Random random;
        const auto number = [&] {
            const std::int64_t span = std::int64_t{1} << random.whole(1, 62);
            return random.whole(-span, span);
        };
        for (int i = 0; i < 20000; ++i) {
            const std::int64_t a = number();
            const std::int64_t b = std::max<std::int64_t>(1, number());
            const std::int64_t c = number();
            const std::int64_t d = std::max<std::int64_t>(1, number());
            const Rational left(a, b);
            const Rational right(c, d);
            const Twin twinLeft{Wide(a), Wide(b)};
            const Twin twinRight{Wide(c), Wide(d)};
            const auto text = [](const Twin& twin) {
                return twin.denominator() == 1 ? twin.numerator().str() : twin.numerator().str() + "/" + twin.denominator().str();
            };
            QCOMPARE((left + right).toString(), text(twinLeft + twinRight));
            QCOMPARE((left - right).toString(), text(twinLeft - twinRight));
            QCOMPARE((left * right).toString(), text(twinLeft * twinRight));
            if (!right.isZero()) {
                QCOMPARE((left / right).toString(), text(twinLeft / twinRight));
            }
            QCOMPARE(left < right, twinLeft < twinRight);
            QCOMPARE(left == right, twinLeft == twinRight);
        }
    }

    void comesBackFromBeyond64Bits() {
        const Rational large = exact("340282366920938463463374607431768211456"); // 2^128
        QCOMPARE((large / exact("170141183460469231731687303715884105728")).toString(), std::string("2"));
        QVERIFY(large / exact("170141183460469231731687303715884105728") == Rational(2));
        QCOMPARE((large - large).toString(), std::string("0"));
        QVERIFY(large > Rational(1));
        QVERIFY(-large < Rational(1));
    }

    /// Copies of one that does not fit 64 bits stand on the same figure; each may change or go without the others.
    void largeOnesAreShared() {
        const std::string text = "340282366920938463463374607431768211457/3";
        const Rational large = exact("340282366920938463463374607431768211457") / 3;
        Rational copy = large;
        Rational moved = std::move(copy);
        std::vector<Rational> many(3, moved);
        many.push_back(many.front()); // while it grows
        moved += 1;
        QCOMPARE(moved.toString(), std::string("340282366920938463463374607431768211460/3"));
        moved = Rational(7);
        QVERIFY(moved == 7 && moved.isWhole() && moved.sign() == 1 && !moved.isZero());
        many[0] = many[1];
        Rational& same = many[1];
        many[1] = same;
        std::swap(many[2], moved);
        QVERIFY(many[2] == 7);
        for (const Rational& each : {many[0], many[1], many[3], moved, large}) {
            QCOMPARE(each.toString(), text);
            QVERIFY(each == large && !(each < large) && each > 7 && !each.isWhole() && !each.isZero() && (-each).sign() == -1);
        }
        std::vector<std::thread> threads;
        for (int i = 0; i < 2; ++i) {
            threads.emplace_back([&] {
                for (int round = 0; round < 10000; ++round) {
                    Rational own = many[3];
                    own = large;
                }
            });
        }
        for (std::thread& thread : threads) {
            thread.join();
        }
        QCOMPARE(many[3].toString(), text);
    }

    void overflowIsAnErrorNeverAWrap() {
        Rational value = 3;
        bool isCaught = false;
        try {
            for (int i = 0; i < 20; ++i) {
                value *= value;
            }
        } catch (const RationalOverflow&) {
            isCaught = true;
        }
        QVERIFY(isCaught);
        QVERIFY_EXCEPTION_THROWN(Rational(1) / Rational(0), std::domain_error);
        QVERIFY_EXCEPTION_THROWN(Rational(1, 0), std::domain_error);
    }

    void quantisesPhysicalReals() {
        QCOMPARE(quantised(1.23456789e-6, powerOfTen(-12)), exact("1234568/1000000000000"));
        QVERIFY_EXCEPTION_THROWN(quantised(std::numeric_limits<double>::infinity(), powerOfTen(-12)), RationalOverflow);
        QVERIFY_EXCEPTION_THROWN(quantised(std::nan(""), powerOfTen(-12)), RationalOverflow);
    }

    void factorSetsFindNeighbours_data() {
        QTest::addColumn<std::string>("value");
        QTest::addColumn<std::string>("inSteps"); // 1 to 3 in halves
        QTest::addColumn<std::string>("inList");  // 1, 2, 4, 8
        QTest::newRow("below") << std::string("1/4") << std::string("1") << std::string("1");
        QTest::newRow("member") << std::string("2") << std::string("2") << std::string("2");
        QTest::newRow("between") << std::string("11/4") << std::string("5/2 3") << std::string("2 4");
        QTest::newRow("above") << std::string("99") << std::string("3") << std::string("8");
    }
    void factorSetsFindNeighbours() {
        QFETCH(std::string, value);
        QFETCH(std::string, inSteps);
        QFETCH(std::string, inList);
        const auto text = [&](const FactorSet& set) {
            std::string all;
            for (const Rational& each : set.nearest(exact(value))) {
                all += (all.empty() ? "" : " ") + each.toString();
                if (!set.contains(each)) {
                    all += "?";
                }
            }
            return all;
        };
        QCOMPARE(text(FactorSet::range(1, 3, Rational(1, 2))), inSteps);
        QCOMPARE(text(FactorSet::list({8, 1, 2, 4, 2})), inList);
    }
};

QTEST_APPLESS_MAIN(CoreRational)
#include "core_rational.moc"
