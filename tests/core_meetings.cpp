#include "derive/desk.h"
#include "derive/meetings.h"
#include "evaluate/evaluate.h"
#include "plan/promise_edits.h"
#include "support.h"

#include <set>

using namespace wisetick;
using namespace wisetick::test;

/// Where kinds of peripherals and asks meet: one row a pair, every entry of it said.
class CoreMeetings : public QObject {
    Q_OBJECT

    static Plan with(const Plan& plan, const Part& part, const std::string& text) {
        Plan changed = plan;
        changed.promises.clear();
        const auto line = readPromiseLine(text, &part);
        if (!line || !addPromise(changed, {text, *line}).empty()) {
            qFatal("%s", line ? text.c_str() : sayText(line.error()).c_str());
        }
        return changed;
    }

private slots:
    void everyEntryIsThere() {
        std::set<const AskRow*> asks;
        for (const KindRow* kind : kindRows()) {
            QVERIFY(!kind->name.empty() && !kind->schema.empty() && kind->read != nullptr && kind->widths != nullptr);
            QVERIFY(kind->limits != nullptr && kind->channels != nullptr && kind->chainedWith != nullptr);
            QVERIFY(kind->wakeCounter != nullptr);
            QVERIFY(!kind->meetings().empty() || kind->name == "other" || kind->name == "sound"); // which are asked nothing
            std::set<const AskRow*> own;
            for (const Meeting& meeting : kind->meetings()) {
                QVERIFY(meeting.judge != nullptr && meeting.ways != nullptr && meeting.rates != nullptr);
                QVERIFY(meeting.looksFurther != nullptr && meeting.tolerance != nullptr);
                QVERIFY2(own.insert(meeting.ask).second, kind->name.c_str());
            }
            asks.insert(own.begin(), own.end());
        }
        QCOMPARE(kindRows().size(), std::size_t(11));
        // all but those on a line, a mode and the rhythm: runs, wakes, average, lasts
        QCOMPARE(asks.size(), askRows().size() - 4);
        QCOMPARE(askRows().size(), std::size_t(17));
    }

    void aPairWithoutARowIsRefused() {
        const LoadedPlan loaded = orchard();
        FiresAsk fires;
        fires.period = 1;
        const auto uart = loaded.part->findPeripheral("uart1");
        QVERIFY(meetingOf(fires, loaded.part->peripherals[*uart].kind) == nullptr);
        const Plan plan = with(*loaded.plan, *loaded.part, "timer1 fires every 1 s, by alarm");
        const Figures figures = derive(*loaded.part, plan, "A");
        QCOMPARE(figures.promises[0].state, State::broken);
        QCOMPARE(figures.promises[0].why, std::string("timer1 is a timer and can't do that"));
        const Desk desk = deskOf(*loaded.part, plan, figures, 0, 9);
        QVERIFY(desk.ways.empty());
        QVERIFY(!desk.rates.contains(desk.clock->hertz.nominal));
    }

    /// What is kept lies within its rates, also where a pair has nothing to choose.
    void whatIsKeptLiesWithinItsRates() {
        const LoadedPlan loaded = orchard();
        for (const char* text : {"rtc fires every 1 s within 1 %", "timer2 waits 1 ms within 1 %", "uart2 talks 115200"}) {
            const Plan plan = with(*loaded.plan, *loaded.part, text);
            const Figures figures = derive(*loaded.part, plan, "A");
            QVERIFY2(figures.promises[0].state == State::kept, (text + (": " + figures.promises[0].why)).c_str());
            const Desk desk = deskOf(*loaded.part, plan, figures, 0, 9);
            QVERIFY2(desk.rates.contains(desk.clock->hertz.nominal), text);
        }
    }
};

QTEST_APPLESS_MAIN(CoreMeetings)
#include "core_meetings.moc"
