#include "promises/promises_column.h"
#include "shell/head.h"
#include "takes/takes_view.h"
#include "window_fixture.h"

#include <QListWidget>
#include <QTimer>

namespace wisetick::test {

/// Which take must keep what, as the window shows it.
class AppScope : public WindowFixture {
    Q_OBJECT

    Head* head() const { return window_->findChild<Head*>(); }

    /// Until the other takes are worked out too.
    void settleTakes() {
        settle();
        QTRY_VERIFY(!document().isPlaying() && !head()->takesHeld().isBusy() && !head()->takesHeld().list().empty());
    }

    const TakeHolds& holds(const std::string& take) const {
        const auto& list = head()->takesHeld().list();
        const auto found = std::find_if(list.begin(), list.end(), [&](const TakeHolds& each) { return each.take == take; });
        if (found == list.end()) {
            qFatal("no take %s", take.c_str());
        }
        return *found;
    }

private slots:
    /// Four takes: the active one is broken on purpose, the others keep what they are asked.
    void theHeadSaysWhatEachTakeHolds() {
        openExample("lagoon-buoy");
        settleTakes();
        QCOMPARE(head()->takesHeld().list().size(), std::size_t{4});
        QVERIFY(holds("slow").state == State::broken);
        for (const char* take : {"fast", "bus", "creep"}) {
            QVERIFY2(holds(take).doesCount && holds(take).broken == 0 && holds(take).asked > 0, take);
        }
        QVERIFY(head()->accessibleDescription().contains("take bus " + QString::fromStdString(holdsSaid(holds("bus")))));
    }

    /// A promise more, asked in a take that is not active, changes the state of that take alone.
    void anEditShowsInTheTakeItIsAbout() {
        openExample("lagoon-buoy");
        settleTakes();
        const std::size_t before = holds("bus").asked;
        const std::size_t inSlow = holds("slow").asked;
        type(window_->promises()->entry(), "tight: core runs at 1 MHz within 1 %, in take bus");
        QCOMPARE(window_->promises()->trouble(), QString());
        settleTakes();
        QTRY_COMPARE(holds("bus").asked, before + 1);
        QVERIFY(holds("bus").state == State::broken && holds("bus").broken == 1);
        QCOMPARE(holds("slow").asked, inSlow);
        QVERIFY(document().canUndo());
        document().undo();
        settleTakes();
        QTRY_VERIFY(holds("bus").broken == 0);
    }

    /// A click on a take in the head opens the takes with that one selected, beside one another by what each must keep.
    void aClickOnATakeOpensTheTakes() {
        openExample("lagoon-buoy");
        settleTakes();
        window_->resize(1280, 800);
        TakesView* takes = nullptr;
        // the marks stand in the plan's order behind the facts: looked for from the left
        for (int x = 200; x < 560 && takes == nullptr; x += 4) {
            QTest::mouseClick(head(), Qt::LeftButton, Qt::NoModifier, QPoint(x, head()->height() - 10));
            takes = window_->find<TakesView>();
        }
        QVERIFY(takes != nullptr && takes->isVisible());
        QCOMPARE(takes->selected(), QString("slow"));
        QTRY_VERIFY(!takes->isBusy() && !takes->rows().empty());
        const auto& rows = takes->rows();
        QCOMPARE(rows.front().name, std::string("must keep"));
        const auto net = std::find_if(rows.begin(), rows.end(), [](const ComparedRow& row) { return row.name == "net"; });
        QVERIFY(net != rows.end());
        QCOMPARE(std::count(net->values.begin(), net->values.end(), "not asked"), 3); // it is asked in bus alone
    }

    /// Rows of the clocks say what is on for the sake of this take alone.
    void clocksSayWhatThisTakeAloneWants() {
        openExample("lagoon-buoy");
        settle();
        auto* clocks = window_->findChild<ClocksView*>();
        QVERIFY(clocks != nullptr);
        const auto saidOf = [&](const std::string& id) {
            const QString name = QString::fromStdString(document().figures().lines[*document().part().findNode(id)].name);
            for (const SpokenRow& row : clocks->spokenRows()) {
                if (row.name == name) {
                    return row.value;
                }
            }
            return QString("no row");
        };
        QVERIFY2(saidOf("bus_e").endsWith("only in slow"), qPrintable(saidOf("bus_e")));
        QVERIFY2(!saidOf("core").contains("only"), qPrintable(saidOf("core")));
    }
};

} // namespace wisetick::test

using wisetick::test::AppScope;
QTEST_MAIN(AppScope)
#include "app_scope.moc"
