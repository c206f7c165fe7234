#include "board/board_view.h"
#include "board/shelf_view.h"
#include "desk/desk_view.h"
#include "paint/painted_texts.h"
#include "paint/painted_view.h"
#include "promises/promises_column.h"
#include "rhythm/rhythm_view.h"
#include "seek/found_list.h"
#include "seek/seek_chips.h"
#include "seek/seek_panel.h"
#include "shell/ripple_panel.h"
#include "sleep/sleep_view.h"
#include "takes/takes_view.h"
#include "window_fixture.h"

#include <QAccessible>
#include <QElapsedTimer>
#include <QRegularExpression>
#include <QSet>

namespace wisetick::test {

/// A list that counts how often its rows are made.
class CountedRows : public PaintedView {
public:
    CountedRows() : PaintedView("counted") {}
    std::vector<SpokenRow> spokenRows() override {
        ++made;
        std::vector<SpokenRow> rows;
        for (int i = 0; i < count; ++i) {
            rows.push_back({QString("row %1").arg(i), "value", QRect(0, i, 10, 1), i == selected});
        }
        return rows;
    }
    using PaintedView::setStale;

    int made = 0;
    int count = 2000;
    int selected = 3;

protected:
    void layOut() override {}
};

/// The words of two letters or more, and numbers, in the texts.
QSet<QString> wordsIn(const QStringList& texts) {
    static const QRegularExpression word("[\\p{L}\\p{N}]{2,}");
    QSet<QString> words;
    for (const QString& text : texts) {
        for (auto each = word.globalMatch(text); each.hasNext();) {
            words << each.next().captured().toLower();
        }
    }
    return words;
}

void addSpoken(QAccessibleInterface* of, QStringList& texts) {
    if (of == nullptr || !of->isValid() || of->state().invisible) {
        return;
    }
    for (const QAccessible::Text which : {QAccessible::Name, QAccessible::Value, QAccessible::Description}) {
        texts << of->text(which);
    }
    if (QAccessibleTextInterface* text = of->textInterface()) {
        texts << text->text(0, text->characterCount());
    }
    for (int i = 0; i < of->childCount(); ++i) {
        addSpoken(of->child(i), texts);
    }
}

/// What assistive technology is told of the widget and of all that is in it: names, descriptions, values and texts.
QStringList spokenTexts(QWidget& widget) {
    QStringList texts;
    addSpoken(QAccessible::queryAccessibleInterface(&widget), texts);
    return texts;
}

/// The painted words that are not spoken; of a word that was cut its beginning counts.
QStringList unspokenWords(const QStringList& painted, const QSet<QString>& spoken) {
    QStringList missing;
    for (const QString& text : painted) {
        for (const QString& word : wordsIn({text})) {
            const bool isCut = text.contains(word + "\u2026", Qt::CaseInsensitive);
            const bool isSpoken =
                isCut ? std::any_of(spoken.begin(), spoken.end(), [&](const QString& each) { return each.startsWith(word); })
                      : spoken.contains(word);
            if (!isSpoken) {
                missing << word + " of '" + text + "'";
            }
        }
    }
    return missing;
}

/// What assistive technology is told of the painted views.
class AppAccessible : public WindowFixture {
    Q_OBJECT

    static QAccessibleInterface* rowsOf(QWidget* widget) {
        QAccessibleInterface* rows = QAccessible::queryAccessibleInterface(widget);
        return rows != nullptr && rows->role() == QAccessible::List ? rows : nullptr;
    }

    /// The one row that says that it is selected; nullptr where none or several do.
    static QAccessibleInterface* selectedRow(QWidget* widget) {
        QAccessibleInterface* found = nullptr;
        QAccessibleInterface* rows = rowsOf(widget);
        for (int i = 0; i < rows->childCount(); ++i) {
            QAccessibleInterface* row = rows->child(i);
            if (row->role() == QAccessible::ListItem && row->state().selected) {
                if (found != nullptr) {
                    return nullptr;
                }
                found = row;
            }
        }
        return found;
    }

    static int rowCount(QWidget* widget) {
        QAccessibleInterface* rows = rowsOf(widget);
        int count = 0;
        while (count < rows->childCount() && rows->child(count)->role() == QAccessible::ListItem) {
            ++count;
        }
        return count;
    }

    /// Every row has a name and a place, knows its parent, and is found again at its place where it is seen.
    static void checkRows(QWidget* widget) {
        QAccessibleInterface* rows = rowsOf(widget);
        QVERIFY2(rows != nullptr, widget->metaObject()->className());
        QVERIFY2(!rows->text(QAccessible::Name).isEmpty(), widget->metaObject()->className());
        for (int i = 0; i < rowCount(widget); ++i) {
            QAccessibleInterface* row = rows->child(i);
            const QString which = QString("%1 of %2").arg(i).arg(widget->metaObject()->className());
            QVERIFY2(row->isValid() && row->parent()->object() == widget, qPrintable(which));
            QVERIFY2(!row->text(QAccessible::Name).isEmpty() || !row->text(QAccessible::Value).isEmpty(), qPrintable(which));
            QCOMPARE(rows->indexOfChild(row), i);
            QVERIFY2(row->state().selectable, qPrintable(which));
            if (!row->state().offscreen && row->rect().height() > 0) {
                const QPoint middle = row->rect().center();
                QVERIFY2(rows->childAt(middle.x(), middle.y()) == row, qPrintable(which));
            }
        }
    }

private slots:
    void rowsOfClocks() {
        auto* clocks = window_->find<ClocksView>();
        checkRows(clocks);
        clocks->select("bus_a");
        QAccessibleInterface* row = selectedRow(clocks);
        QVERIFY(row != nullptr);
        QCOMPARE(row->text(QAccessible::Name), QString("bus A"));
        QVERIFY2(row->text(QAccessible::Value).contains("40 MHz"), qPrintable(row->text(QAccessible::Value)));
        QTest::keyClick(clocks, Qt::Key_Down);
        QVERIFY(selectedRow(clocks) != row);
        clocks->setFocus();
        QVERIFY(rowsOf(clocks)->focusChild() == selectedRow(clocks));
    }

    void rowsOfPromises() {
        auto* cards = window_->promises()->cards();
        checkRows(cards);
        QCOMPARE(rowCount(cards), 10);
        cards->select("modem");
        QCOMPARE(selectedRow(cards)->text(QAccessible::Name), QString("modem"));
        QVERIFY(selectedRow(cards)->text(QAccessible::Value).startsWith("broken, asked uart1 talks 921600"));
        QTest::keyClick(cards, Qt::Key_Delete);
        QCOMPARE(rowCount(cards), 9);
        QCOMPARE(selectedRow(cards)->text(QAccessible::Name), QString("log"));
    }

    void rowsOfTheBoard() {
        window_->showView("board");
        auto* board = window_->find<BoardView>();
        checkRows(board);
        board->select(1);
        QCOMPARE(selectedRow(board)->text(QAccessible::Name), QString("Supply and temperature, supply, nominal"));
        QVERIFY(selectedRow(board)->text(QAccessible::Value).startsWith("3.3 V"));
    }

    void rowsOfTheShelf() {
        window_->showView("shelf");
        auto* shelf = window_->find<ShelfView>();
        checkRows(shelf->list());
        QVERIFY(rowCount(shelf->list()) > 5);
        QVERIFY(selectedRow(shelf->list()) != nullptr);
    }

    void rowsOfTheDesk() {
        window_->promises()->cards()->select("tick");
        window_->showView("promises");
        auto* desk = window_->find<DeskView>();
        checkRows(desk);
        QTest::keyClick(desk, Qt::Key_Down);
        QCOMPARE(selectedRow(desk)->text(QAccessible::Name), QString("way 2"));
    }

    void cellsOfSleep() {
        window_->showView("sleep");
        auto* sleep = window_->find<SleepView>();
        checkRows(sleep);
        sleep->select("deep");
        QVERIFY(selectedRow(sleep)->text(QAccessible::Name).startsWith("deep, "));
        QVERIFY(!selectedRow(sleep)->text(QAccessible::Value).isEmpty());
    }

    void lanesOfTheRhythm() {
        settle();
        window_->showView("rhythm");
        auto* rhythm = window_->find<RhythmView>();
        checkRows(rhythm);
        QVERIFY(rowCount(rhythm) > 3); // pictures follow the jobs
        rhythm->selectLane(1);
        QCOMPARE(selectedRow(rhythm)->text(QAccessible::Name), QString("moisture"));
        QCOMPARE(selectedRow(rhythm)->text(QAccessible::Value), QString("every 20 s for 180000 cycles, from 5 s"));
    }

    void rowsOfTheRipple() {
        auto* ripple = window_->ripplePanel();
        QCOMPARE(rowCount(ripple), 0);
        typeControl("bus_a", "8");
        QVERIFY(rowCount(ripple) > 0);
        checkRows(ripple);
        QVERIFY(rowsOf(ripple)->child(0)->text(QAccessible::Value).contains("now"));
    }

    void rowsOfSeek() {
        window_->goTo(at("seek"));
        auto* seek = window_->find<SeekPanel>();
        seek->asked()->enterLine("usb = 48 MHz");
        QTRY_VERIFY_WITH_TIMEOUT(!seek->isBusy() && !seek->list()->entries().empty(), 20000);
        checkRows(seek->list());
        QCOMPARE(selectedRow(seek->list())->text(QAccessible::Name), QString("take 1"));
        QTest::keyClick(seek->list(), Qt::Key_Down);
        QCOMPARE(selectedRow(seek->list())->text(QAccessible::Name), QString("take 2"));
        checkRows(seek->asked()->chips());
    }

    void rowsOfTakes() {
        window_->showView("takes");
        auto* table = window_->find<TakesView>();
        QTRY_VERIFY(!table->isBusy() && !table->rows().empty());
        checkRows(table);
        QVERIFY(rowsOf(table)->child(0)->text(QAccessible::Value).startsWith("A "));
    }

    /// In every view: what takes the focus has a name, what can be pressed says what it does, and no two of them that are seen at
    /// once are called alike.
    void whatTakesTheFocusHasAName() {
        settle();
        for (const char* view :
             {"board", "shelf", "clocks", "promises", "sleep", "rhythm", "bench", "handover", "takes", "welcome"}) {
            window_->showView(view);
            QTRY_VERIFY(!window_->isBusy());
            QStringList names;
            for (QWidget* each : window_->findChildren<QWidget*>()) {
                const bool isReached = each->isVisible() && each->isEnabled() && (each->focusPolicy() & Qt::TabFocus) != 0;
                if (!isReached || each->focusProxy() != nullptr) {
                    continue;
                }
                QAccessibleInterface* spoken = QAccessible::queryAccessibleInterface(each);
                QVERIFY(spoken != nullptr);
                const QString name = spoken->text(QAccessible::Name);
                const QString said = QString("%1: a %2 has no name").arg(view, each->metaObject()->className());
                QVERIFY2(!name.isEmpty(), qPrintable(said));
                const QString kind = name + "/" + QString::number(spoken->role());
                QVERIFY2(!names.contains(kind), qPrintable(QString("%1: two are called %2").arg(view, name)));
                names << kind;
            }
            QVERIFY2(names.size() >= 6, view);
        }
    }

    /// A reader that walks over a long list asks each row for all it has; the rows are not made anew for each.
    void rowsAreMadeOnceForAWalk() {
        CountedRows list;
        QAccessibleInterface* rows = rowsOf(&list);
        QCOMPARE(rowCount(&list), 2000);
        QElapsedTimer walk;
        walk.start();
        for (int i = 0; i < 2000; ++i) {
            QCOMPARE(rows->child(i)->text(QAccessible::Name), QString("row %1").arg(i));
            QCOMPARE(rows->child(i)->state().selected, i == 3);
        }
        QVERIFY2(list.made <= 3 + walk.elapsed() / 40, qPrintable(QString::number(list.made)));
        list.selected = 4;
        list.count = 10;
        list.setStale();
        QVERIFY(rows->child(4)->state().selected && !rows->child(3)->state().selected);
        QVERIFY(!rows->child(10)->isValid() || rows->child(10)->role() != QAccessible::ListItem);
    }

    /// Every word that a view paints is told to a reader too.
    void theTreeReadsLikeTheScreen() {
        settle();
        for (const char* view :
             {"board", "shelf", "clocks", "promises", "sleep", "rhythm", "bench", "handover", "takes", "welcome"}) {
            window_->showView(view);
            QTRY_VERIFY(!window_->isBusy());
            QSet<QString> spoken = wordsIn(spokenTexts(*window_));
            spoken.unite(wordsIn({"100 kHz MHz 1 GHz 100 \u00b5A mA"})); // marks of axes: each row tells its own figure
            const QStringList painted = paintedTexts(*window_);
            QVERIFY2(painted.size() > 30, view);
            const QStringList missing = unspokenWords(painted, spoken);
            QVERIFY2(missing.isEmpty(), qPrintable(QString(view) + ": " + missing.join(" | ")));
        }
    }

    /// What is asked of a row that is gone is answered.
    void aRowThatIsGone() {
        auto* cards = window_->promises()->cards();
        QAccessibleInterface* last = rowsOf(cards)->child(rowCount(cards) - 1);
        QVERIFY(last->isValid());
        cards->select("life");
        QTest::keyClick(cards, Qt::Key_Delete);
        QVERIFY(!last->isValid());
        QCOMPARE(last->text(QAccessible::Name), QString());
        QVERIFY(last->state().invalid);
    }
};

} // namespace wisetick::test

using wisetick::test::AppAccessible;
QTEST_MAIN(AppAccessible)
#include "app_accessible.moc"
