#include "evaluate/battery_moves.h"
#include "evaluate/evaluate.h"
#include "rhythm/battery.h"
#include "support.h"

#include <algorithm>

using namespace wisetick;
using namespace wisetick::test;

namespace {

Battery coinCell() {
    Battery cell;
    cell.capacity = 810; // 225 mAh
    cell.voltage = 3;
    cell.resistance = 28;
    cell.curve = {{0, 2}, {Rational(1, 10), Rational(5, 2)}, {1, 3}};
    return cell;
}

Figures evaluated(const Part& part, const Plan& plan) {
    return evaluate(part, plan, plan.active);
}

bool always() {
    return true;
}

} // namespace

/// Batteries, what feeds the part from them, and what would move their life.
class CoreBattery : public QObject {
    Q_OBJECT

private slots:
    void cellsAddUp() {
        Battery cell = coinCell();
        cell.inSeries = 2;
        cell.inParallel = 3;
        QCOMPARE(capacityOf(cell), Rational(2430));
        QCOMPARE(*voltageOf(cell), Rational(6));
        QCOMPARE(*resistanceOf(cell), Rational(56, 3));
        QCOMPARE(*restVoltage(cell, 1), Rational(6));
        cell.voltage.reset();
        cell.resistance.reset();
        QVERIFY(!voltageOf(cell) && !resistanceOf(cell));
    }

    /// 2.5 V at rest are left at 10 %: with 10 mA through 28 Ω the voltage is at 2.22 V there.
    void theEndByVoltage() {
        const Battery cell = coinCell();
        QCOMPARE(*restVoltage(cell, Rational(1, 20)), Rational(9, 4));
        QCOMPARE(*restVoltage(cell, Rational(11, 20)), Rational(11, 4));
        QCOMPARE(leftAtEnd(cell, exact("2.22"), exact("1e-2")), Rational(1, 10));
        QCOMPARE(leftAtEnd(cell, 2, 0), Rational(0));
        QCOMPARE(leftAtEnd(cell, Rational(9, 4), 0), Rational(1, 20));
        QCOMPARE(leftAtEnd(cell, 3, 1), Rational(1));      // never
        QCOMPARE(leftAtEnd(Battery{}, 3, 1), Rational(0)); // its curve is not known
        Random random;
        for (int i = 0; i < 500; ++i) { // where it ends, the voltage under the peak is the end
            const Rational end = 2 + Rational(random.whole(1, 900), 1000);
            const Rational peak(random.whole(0, 100), 10000);
            const Rational left = leftAtEnd(cell, end, peak);
            const Rational under = *restVoltage(cell, left) - peak * 28;
            QVERIFY(left.isZero() || left == Rational(1) || under == end);
            QVERIFY(left < 1 || *restVoltage(cell, 1) - peak * 28 <= end);
        }
    }

    void regulatorsByHand() {
        Board board;
        board.battery = Battery{};
        board.battery->voltage = 12;
        board.supply = Bounds::exactly(3);
        QCOMPARE(*batteryCurrent(board, exact("1e-3")), exact("1e-3"));
        board.regulator = Regulator{Rational(4, 5), exact("2e-6")};
        // 1 mA × 3 V ÷ (12 V × 0.8) + 2 µA
        QCOMPARE(*batteryCurrent(board, exact("1e-3")), exact("314.5e-6"));
        board.regulator->efficiency.reset();
        QCOMPARE(*batteryCurrent(board, exact("1e-3")), exact("1002e-6"));
        board.regulator->efficiency = Rational(4, 5);
        board.battery->voltage.reset();
        QVERIFY(!batteryCurrent(board, 1).has_value());
    }

    /// 810 C, of which 95 % can be used, at 10 µA and 1 % a year.
    void lifeByHand() {
        Board board;
        board.battery = coinCell();
        board.battery->curve.clear();
        board.battery->usable = {{25, Rational(95, 100)}};
        board.battery->fades = Rational(1, 100) / kYear;
        const TemperatureGrid grid{{25}, 0, true, {}};
        const Rational ten = exact("1e-5");
        const auto life = [&](const Drain& drain) {
            RhythmFigure figure;
            Diagnostics findings;
            addLife(board, grid, drain, figure, findings);
            return std::pair(figure, findings);
        };
        const Drain drain{{ten}, {ten * 2}, Bounds::exactly(exact("1e-3")), 0};
        const auto [figure, findings] = life(drain);
        QCOMPARE(figure.life->nominal, Rational(810) * Rational(95, 100) / (ten + Rational(810, 100) / kYear));
        QCOMPARE(figure.life->min, Rational(810) * Rational(95, 100) / (ten * 2 + Rational(810, 100) / kYear));
        QCOMPARE(figure.atPeak->nominal, exact("2.972")); // 3 V - 1 mA × 28 Ω
        QVERIFY(findings.empty());
        // brought as much as is drawn: it lasts as long as can be told
        Drain sunny = drain;
        sunny.brings = exact("1e-3");
        QCOMPARE(life(sunny).first.life->nominal, kLongestLife);
        // nothing draws at all
        QCOMPARE(life({{0}, {0}, Bounds::exactly(0), 0}).first.life->nominal, Rational(95, 100) * kYear * 100);
        // a peak that the cell can't give
        board.battery->endsAt = Rational(5, 2);
        Drain high = drain;
        high.peak = Bounds::exactly(exact("5e-2"));
        const Diagnostics sag = life(high).second;
        QVERIFY2(lines(sag).find("error: at the peak of 50 mA the fresh battery falls to 1.6 V") != std::string::npos,
                 lines(sag).c_str());
        // a regulator without voltages
        board.regulator = Regulator{Rational(4, 5), 0};
        QVERIFY(!life(drain).first.life.has_value());
        QVERIFY(life(drain).first.unknown.find("the regulator needs the voltages") != std::string::npos);
    }

    /// A tenth more capacity is a tenth more life; all others move it the way that their words say.
    void movesGoTheRightWay() {
        const Edited edited = editedOrchard();
        const Figures figures = evaluated(edited.part, edited.plan);
        const std::vector<BatteryMove> moves = batteryMoves(edited.part, edited.plan, figures, always);
        QVERIFY(moves.size() >= 10);
        for (const BatteryMove& move : moves) {
            QVERIFY2(move.life->min <= move.life->nominal && move.life->nominal <= move.life->max, move.say.c_str());
            QCOMPARE(move.life->nominal, figures.rhythm->life->nominal);
        }
        const auto named = [&](const std::string& say) {
            return *std::find_if(moves.begin(), moves.end(), [&](const BatteryMove& move) { return move.say == say; });
        };
        // the modem's 21 mA for 4.4 s of 600 s are 154 µA: a tenth less of them
        const Rational tenth = exact("154e-6") / 10;
        QCOMPARE(named("report draws").average.min, figures.rhythm->average->nominal - tenth);
        QCOMPARE(named("report draws").average.max, figures.rhythm->average->nominal + tenth);
        const Rational fade = Rational(18720) * edited.plan.board.battery->fades;
        const Rational average = figures.rhythm->average->nominal;
        QCOMPARE(named("the battery holds").life->max, Rational(20592) * Rational(95, 100) / (average + fade * Rational(11, 10)));
        QVERIFY(batteryMoves(edited.part, edited.plan, figures, [] { return false; }).empty());
    }

    /// The swept life is that of the plan so changed.
    void sweepsAreWhatThePlanWouldGive() {
        const Edited edited = editedOrchard();
        const Figures figures = evaluated(edited.part, edited.plan);
        const std::vector<SweepPoint> points = sweepInterval(edited.part, edited.plan, figures, "report", always);
        QCOMPARE(points.size(), std::size_t{25});
        QCOMPARE(points.front().at, Rational(75));
        QCOMPARE(points.back().at, Rational(4800));
        QCOMPARE(points[12].typ, figures.rhythm->life->nominal);
        Plan twice = edited.plan;
        twice.jobs[0].every = 1200;
        QCOMPARE(points[16].typ, evaluated(edited.part, twice).rhythm->life->nominal);
        QCOMPARE(points[16].worst, evaluated(edited.part, twice).rhythm->life->min);
        QVERIFY(sweepInterval(edited.part, edited.plan, figures, "nobody", always).empty());
        const std::vector<SweepPoint> warm = sweepTemperature(edited.part, edited.plan, figures, always);
        QCOMPARE(warm.size(), std::size_t{25});
        QCOMPARE(warm.front().at, Rational(-10));
        Plan cold = edited.plan;
        cold.board.temperature = Bounds::exactly(-10);
        QCOMPARE(warm.front().typ, evaluated(edited.part, cold).rhythm->life->nominal);
    }

    /// At the core's own rate the race is the charge of one period, by hand: 180000 cycles at 160 MHz, of which
    /// the memory leaves 78 %, are 1.4423 ms at 16.13587 mA, the rest of 20 s in deep at 18.87 µA, and the charge of a wake-up.
    void theRaceByHand() {
        const Edited edited = editedOrchard();
        const Figures figures = evaluated(edited.part, edited.plan);
        const std::vector<RacePoint> race = raceToSleep(edited.part, edited.plan, figures, "moisture");
        QCOMPARE(race.back().hertz, Rational(160000000));
        const Rational wake = exact("1.2e-3") * exact("9e-6") + exact("0.4e-3") * exact("6e-6") +
                              exact("2e-3") * exact("1.5e-6") + exact("18.87e-6") * exact("10.5e-6") +
                              exact("1.24e-3") * exact("3.30387e-3");
        const Rational awake = exact("1.125e-3") / exact("0.78");
        QCOMPARE(race.back().coulomb,
                 awake * exact("16.13587e-3") + wake + (20 - awake - exact("1.2505e-3")) * exact("18.87e-6"));
        for (std::size_t i = 1; i < race.size(); ++i) {
            QVERIFY(race[i].hertz > race[i - 1].hertz);
        }
        // at its own rate the life is as it was played; slower, the job takes more and the battery lasts less
        const std::vector<SweepPoint> lives = sweepCoreRate(edited.part, edited.plan, figures, "moisture");
        QCOMPARE(lives.size(), race.size());
        QCOMPARE(lives.back().typ, figures.rhythm->life->nominal);
        const Rational slower = figures.rhythm->average->nominal + (race.front().coulomb - race.back().coulomb) / 20;
        QCOMPARE(lives.front().typ,
                 Rational(18720) * Rational(95, 100) / (slower + Rational(18720) * edited.plan.board.battery->fades));
        QVERIFY(sweepCoreRate(edited.part, edited.plan, figures, "report").empty());
        QVERIFY(raceToSleep(edited.part, edited.plan, figures, "report").empty()); // it has a time, no cycles
        QVERIFY(raceToSleep(edited.part, edited.plan, figures, "nobody").empty());
    }
};

QTEST_APPLESS_MAIN(CoreBattery)
#include "core_battery.moc"
