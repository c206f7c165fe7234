#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "files/plan_reader.h"
#include "files/shelf.h"
#include "long_lists.h"
#include "quantity/quantity_read.h"
#include "support.h"

#include <atomic>
#include <cstdlib>
#include <new>

namespace {

std::atomic<std::int64_t> taken{0}; // pieces of memory since the program began

} // namespace

// NOLINTBEGIN(misc-definitions-in-headers): each is asked for all over
void* operator new(std::size_t size) {
    ++taken;
    if (void* piece = std::malloc(size == 0 ? 1 : size)) {
        return piece;
    }
    throw std::bad_alloc();
}
void* operator new(std::size_t size, const std::nothrow_t&) noexcept {
    ++taken;
    return std::malloc(size == 0 ? 1 : size);
}
void operator delete(void* piece) noexcept {
    std::free(piece);
}
void operator delete(void* piece, std::size_t) noexcept {
    std::free(piece);
}
// NOLINTEND(misc-definitions-in-headers)

using namespace wisetick;
using namespace wisetick::test;

/// Five times as much of one thing takes at most six times as much work. Counted is how often memory is asked for: that does not
/// depend on the machine, and every figure, text and step of a working asks for some.
class CoreCurves : public QObject {
    Q_OBJECT

    static std::int64_t workOf(const LongList& list, bool hasWorkings) {
        const std::int64_t before = taken;
        const PartFile part = readPart(list.part, "part");
        const PlanFile plan = part.part ? readPlan(list.plan, "plan", &*part.part) : PlanFile();
        if (!part.part || !plan.plan) {
            qFatal("%s", lines(part.part ? plan.diagnostics : part.diagnostics).c_str());
        }
        Figures figures = evaluate(*part.part, *plan.plan, "A");
        if (hasWorkings) {
            addWorkings(*part.part, *plan.plan, figures);
        }
        return taken - before;
    }

private slots:
    void workGrowsAsTheListDoes_data() {
        QTest::addColumn<std::function<LongList(int)>>("make");
        QTest::addColumn<int>("few");
        QTest::newRow("ports") << std::function<LongList(int)>(manyPorts) << 200;
        QTest::newRow("promises on one timer") << std::function<LongList(int)>(manyOnOneTimer) << 100;
        QTest::newRow("lines in series") << std::function<LongList(int)>([](int count) { return inSeries(count); }) << 200;
        QTest::newRow("muxes in series") << std::function<LongList(int)>([](int count) { return inSeries(count, true); }) << 200;
        QTest::newRow("jobs that follow one another") << std::function<LongList(int)>(followingJobs) << 200;
        QTest::newRow("takes") << std::function<LongList(int)>(manyTakes) << 200;
    }

    void workGrowsAsTheListDoes() {
        QFETCH(std::function<LongList(int)>, make);
        QFETCH(int, few);
        workOf(make(few), true); // what is made once is there then
        for (const bool hasWorkings : {false, true}) {
            const std::int64_t less = workOf(make(few), hasWorkings);
            const std::int64_t more = workOf(make(few * 5), hasWorkings);
            QVERIFY2(less > few, qPrintable(QString::number(less)));
            QVERIFY2(more <= 6 * less, qPrintable(QString("%1 for %2, %3 for five times that").arg(less).arg(few).arg(more)));
        }
    }

    /// Sums of many fractions without a common denominator are told, and near what they are.
    void periodsWithoutACommonOneHaveAnAverage() {
        const LongList list = jobsOfPrimes(60);
        const PartFile part = readPart(list.part, "part");
        const PlanFile plan = readPlan(list.plan, "plan", &*part.part);
        QVERIFY2(plan.plan.has_value(), lines(plan.diagnostics).c_str());
        const Figures figures = evaluate(*part.part, *plan.plan, "A");
        QVERIFY2(figures.rhythm && figures.rhythm->average, figures.rhythm ? figures.rhythm->unknown.c_str() : "none");
        QCOMPARE(figures.rhythm->unknown, std::string("unknown: draw of rc")); // which this part does not tell, and nothing else
        double share = 0; // of the time in which a job runs: 10 us each period
        for (const Job& job : plan.plan->jobs) {
            share += 10e-6 / job.every.toDouble();
        }
        // at rest 2 uA, in a job 5 mA; waking takes no time here
        const double average = 2e-6 + share * (5e-3 - 2e-6);
        QVERIFY2(qAbs(figures.rhythm->average->nominal.toDouble() / average - 1) < 1e-3,
                 qPrintable(QString("%1 A, by hand %2 A").arg(figures.rhythm->average->nominal.toDouble()).arg(average)));
        QVERIFY(figures.rhythm->average->max >= figures.rhythm->average->nominal);
    }

    /// Times of many digits that no ticks hold together cost no more than the ones they are near to, and come to the same.
    void timesOfManyDigitsArePlayedAsSoon() {
        LoadedPlan hive = loadPlan(sourceDir() + "/examples/hive-scale.plan.toml", {sourceDir() + "/parts"});
        QVERIFY(hive.plan && hive.plan->jobs.size() >= 2);
        const auto played = [&](const Rational& every, const Rational& lasts, std::int64_t& asked) {
            Plan plan = *hive.plan;
            plan.jobs[0].cycles.reset();
            plan.jobs[0].lasts = lasts;
            plan.jobs[1].every = every;
            const std::int64_t before = taken;
            const Figures figures = evaluate(*hive.part, plan, plan.active);
            asked = taken - before;
            return figures.rhythm && figures.rhythm->average ? figures.rhythm->average->nominal.toDouble() : 0;
        };
        std::int64_t plainly = 0;
        std::int64_t oddly = 0;
        const double plain = played(200, Rational(1, 40), plainly);
        const double odd = played(*readQuantity("3.3333333333333333 min", Unit::second),
                                  Rational(1, 40) * Rational(1000000000000000003, 1000000000000000009), oddly);
        QVERIFY2(plain > 0 && qAbs(odd / plain - 1) < 1e-3, qPrintable(QString("%1 A and %2 A").arg(plain).arg(odd)));
        QVERIFY2(oddly < 40 * plainly, qPrintable(QString("%1 against %2").arg(oddly).arg(plainly)));
    }

    void longFractionsAreShortenedToTheirSide() {
        Rational sum = 0;
        double plain = 0;
        for (int prime : {59, 61, 67, 71, 73, 79, 83, 89, 97, 101, 103, 107, 109, 113, 127, 131, 137, 139, 149, 151}) {
            sum += Rational(1, prime);
            plain += 1.0 / prime;
        }
        for (const Rounding rounding : {Rounding::down, Rounding::nearest, Rounding::up}) {
            const Rational near = shortened(sum, rounding);
            QVERIFY(near.denominator() < sum.denominator());
            QVERIFY(qAbs(near.toDouble() / plain - 1) < 1e-15);
            QVERIFY(rounding != Rounding::down || near <= sum);
            QVERIFY(rounding != Rounding::up || near >= sum);
        }
        QCOMPARE(shortened(Rational(1, 3), Rounding::up), Rational(1, 3)); // short enough as it is
        QCOMPARE(roundDown(Rational(123456), 4), Rational(123400));
        QCOMPARE(roundDown(Rational(1, 3), 3), Rational(333, 1000));
    }
};

Q_DECLARE_METATYPE(std::function<wisetick::test::LongList(int)>)

QTEST_APPLESS_MAIN(CoreCurves)
#include "core_curves.moc"
