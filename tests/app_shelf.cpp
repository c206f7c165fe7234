#include "board/board_view.h"
#include "board/shelf_view.h"
#include "window_fixture.h"

namespace wisetick::test {

/// The parts shelf by keyboard and mouse.
class AppShelf : public WindowFixture {
    Q_OBJECT

private slots:
    /// What is needed is typed, the part that has it comes first, Enter begins a plan on it.
    void aPartIsFoundByNeed() {
        QTest::keyClick(window_.get(), Qt::Key_N, Qt::ControlModifier);
        ShelfView* shelf = window_->find<ShelfView>();
        QVERIFY(shelf != nullptr && shelf->needs()->hasFocus());
        QCOMPARE(shelf->list()->rows().front().name, QString("Cordgrass 60"));
        QVERIFY(!shelf->list()->rows().front().mark.has_value()); // nothing is needed yet
        QTest::keyClicks(shelf->needs(), "deep <= 400 nA, supply 1.8 V");
        const auto& rows = shelf->list()->rows();
        QCOMPARE(rows[0].name, QString("Samphire 5"));
        QCOMPARE(rows[0].mark, std::optional(State::kept));
        QCOMPARE(rows[2].name, QString("deep <= 400 nA"));
        QCOMPARE(rows[2].detail, QString("deep draws 340 nA"));
        const auto other = std::find_if(rows.begin(), rows.end(), [](const ShelfRow& row) { return row.name == "Marram 20"; });
        QCOMPARE(other->mark, std::optional(State::broken));
        QTest::keyClick(shelf->needs(), Qt::Key_Return);
        QCOMPARE(document().part().id, std::string("samphire-5"));
        QCOMPARE(document().plan().name, std::string("New plan"));
        QVERIFY(window_->find<BoardView>() != nullptr && window_->find<BoardView>()->hasFocus()); // first comes what is fitted
    }

    void anExampleIsOpenedFromTheShelf() {
        QTest::keyClick(window_.get(), Qt::Key_N, Qt::ControlModifier);
        ShelfView* shelf = window_->find<ShelfView>();
        QTest::keyClicks(shelf->needs(), "option words");
        QCOMPARE(shelf->list()->rows().front().name, QString("Sedge 8"));
        QTest::keyClick(shelf->needs(), Qt::Key_Down);
        QTest::keyClick(shelf->needs(), Qt::Key_Return);
        QCOMPARE(document().plan().name, std::string("Hive scale"));
        QVERIFY(window_->find<ClocksView>()->hasFocus());
    }

    void theShelfByMouse() {
        QTest::keyClick(window_.get(), Qt::Key_N, Qt::ControlModifier);
        ShelfList* list = window_->find<ShelfView>()->list();
        const auto row = std::find_if(list->rows().begin(), list->rows().end(),
                                      [](const ShelfRow& each) { return each.name == "River gauge"; });
        const auto index = static_cast<std::size_t>(row - list->rows().begin());
        const QRectF rect = list->rowRect(index);
        QTest::mouseClick(list->viewport(), Qt::LeftButton, {}, QPoint(60, static_cast<int>(rect.center().y())));
        QCOMPARE(list->selected(), index);
        QCOMPARE(document().plan().name, std::string("Orchard sprayer")); // selecting opens nothing
        QTest::mouseClick(list->viewport(), Qt::LeftButton, {},
                          QPoint(static_cast<int>(rect.right()) - 20, static_cast<int>(rect.center().y())));
        QCOMPARE(document().plan().name, std::string("River gauge"));
    }

    void whatNoPartCanHaveIsSaid() {
        QTest::keyClick(window_.get(), Qt::Key_N, Qt::ControlModifier);
        ShelfView* shelf = window_->find<ShelfView>();
        QTest::keyClicks(shelf->needs(), "2 uatr");
        QVERIFY(shelf->trouble().contains("did you mean 'uart'?"));
        QVERIFY(!shelf->list()->rows().empty()); // what was found before stays
        QTest::keyClick(shelf->needs(), Qt::Key_Escape);
        QVERIFY(window_->find<BoardView>()->hasFocus());
    }
};

} // namespace wisetick::test

using wisetick::test::AppShelf;
QTEST_MAIN(AppShelf)
#include "app_shelf.moc"
