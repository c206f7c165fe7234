#include "window_fixture.h"

#include <QScrollBar>

#include "board/board_page.h"
#include "board/board_view.h"
#include "clocks/control_text.h"
#include "files/plan_reader.h"
#include "paint/text.h"
#include "plan/board_edits.h"
#include "promises/promises_column.h"
#include "shell/ripple_panel.h"
#include "workings/workings_panel.h"

#include <QClipboard>
#include <QLabel>
#include <QListWidget>
#include <QMimeData>
#include <QScrollBar>

#include <cmath>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// The Board view by keyboard and mouse.
class AppBoard : public WindowFixture {
    Q_OBJECT

private slots:
    /// The row of the board of that group and name, selected.
    std::size_t boardRow(const QString& group, const QString& name) {
        const auto& rows = window_->find<BoardView>()->rows();
        const auto found =
            std::find_if(rows.begin(), rows.end(), [&](const BoardRow& row) { return row.group == group && row.name == name; });
        const auto index = static_cast<std::size_t>(found - rows.begin());
        if (found == rows.end()) {
            qWarning("no row %s", qPrintable(name));
            return 0;
        }
        window_->find<BoardView>()->select(index);
        return index;
    }

    void typeBoard(const QString& group, const QString& name, const QString& typed) {
        boardRow(group, name);
        window_->find<BoardView>()->setFocus();
        QTest::keyClick(window_->find<BoardView>(), Qt::Key_Return);
        QVERIFY(window_->find<BoardView>()->editor()->isVisible());
        window_->find<BoardView>()->editor()->clear();
        type(window_->find<BoardView>()->editor(), typed);
    }

    /// Large letters, a narrow window: what does not fit beside its value goes on in a line below, and rows don't overlap.
    void resultsAreNeverCut() {
        const QFont letters = QApplication::font();
        QFont larger = letters;
        larger.setPointSizeF(letters.pointSizeF() * 1.5);
        QApplication::setFont(larger);
        window_->showView("board");
        window_->resize(1100, 800);
        settle();
        const BoardView& board = *window_->find<BoardView>();
        int wrapped = 0;
        for (std::size_t i = 0; i < board.rows().size(); ++i) {
            const QRectF row = board.rowRect(i);
            const QRectF result = board.resultRect(i);
            const QString& text = board.rows()[i].result;
            QVERIFY(board.rows()[i].curve.empty() ? row.contains(result) : text.isEmpty());
            const QRectF needed = QFontMetricsF(faceFont(Face::small)).boundingRect(result, Qt::TextWordWrap, text);
            QVERIFY2(needed.height() <= result.height() && needed.width() <= result.width(), qPrintable(text));
            QVERIFY(i == 0 || board.rowRect(i - 1).bottom() <= row.top());
            wrapped += needed.height() > 1.5 * lineHeight(Face::small) ? 1 : 0;
        }
        QVERIFY(wrapped > 0);
        QApplication::setFont(letters);
    }

    /// Neither another size of the window nor a press elsewhere loses what was typed; what can't be is left by the press.
    void whatIsTypedIsNotLost() {
        window_->showView("board");
        BoardView& board = *window_->find<BoardView>();
        const std::size_t rate = boardRow("main crystal", "rate");
        board.setFocus();
        QTest::keyClick(&board, Qt::Key_1);
        QTest::keyClicks(board.editor(), "6 M");
        window_->resize(1200, 700);
        settle();
        QVERIFY(board.editor()->isVisible());
        QCOMPARE(board.editor()->text(), QString("16 M"));
        QVERIFY(board.rowRect(rate).toRect().adjusted(0, -2, 0, 2).contains(board.editor()->geometry()));
        const auto press = [&](std::size_t row) {
            QTest::mouseClick(board.viewport(), Qt::LeftButton, Qt::NoModifier,
                              board.rowRect(row).toRect().topLeft() + QPoint(30, 10));
        };
        press(rate + 1);
        QVERIFY(!board.editor()->isVisible());
        QCOMPARE(board.selected(), rate + 1);
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(128000000));
        board.select(rate);
        QTest::keyClick(&board, Qt::Key_S);
        QTest::keyClicks(board.editor(), "ixteen");
        press(rate + 1);
        QVERIFY(board.editor()->isVisible() && !board.trouble().isEmpty());
        QTest::keyClick(board.editor(), Qt::Key_Down);
        QVERIFY(board.editor()->isVisible() && !board.trouble().isEmpty());
        QCOMPARE(board.selected(), rate);
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(128000000));
        board.editor()->setText("20 MHz");
        QTest::keyClick(board.editor(), Qt::Key_Down);
        QVERIFY(!board.editor()->isVisible());
        QCOMPARE(board.selected(), rate + 1);
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(160000000));
        typeBoard("main crystal", "rate", "16 MHz");
        window_->showView("clocks");
        auto& clocks = *window_->find<ClocksView>();
        clocks.select("bus_b");
        QTest::keyClick(&clocks, Qt::Key_Return);
        auto* field = clocks.findChild<QLineEdit*>();
        field->setText("\u00f7 4");
        QTest::mouseClick(clocks.viewport(), Qt::LeftButton, Qt::NoModifier,
                          clocks.spokenRows().at(0).place.topLeft() + QPoint(60, 5));
        QVERIFY(!field->isVisible());
        QCOMPARE(document().figures().findLine("bus_b")->hertz->nominal, Rational(32000000));
        clocks.select("bus_b");
        QTest::keyClick(&clocks, Qt::Key_Return);
        field->setText("four");
        QTest::mouseClick(clocks.viewport(), Qt::LeftButton, Qt::NoModifier,
                          clocks.spokenRows().at(0).place.topLeft() + QPoint(60, 5));
        QVERIFY(field->isVisible());
        QCOMPARE(field->text(), QString("four"));
        QCOMPARE(clocks.selected(), QString("bus_b"));
    }

    /// A board has hundreds of rows: only those that have what is typed are shown, until Escape.
    void rowsOfTheBoardAreFound() {
        window_->showView("board");
        BoardView& board = *window_->find<BoardView>();
        const std::size_t all = board.rows().size();
        QTest::keyClick(window_.get(), Qt::Key_F, Qt::ControlModifier);
        auto* line = window_->findChild<QLineEdit*>("findOnBoard");
        QVERIFY(line->hasFocus());
        QVERIFY(line->width() > line->fontMetrics().horizontalAdvance(line->placeholderText()) + 8); // which is not cut
        QTest::keyClicks(line, "uart1");
        QVERIFY(board.rows().size() > 0 && board.rows().size() < all / 2);
        for (const BoardRow& row : board.rows()) {
            QVERIFY((row.group + " " + row.name + " " + row.value + " " + row.result).contains("uart1"));
        }
        QCOMPARE(board.selected(), std::size_t{0});
        line->setText("no such words");
        QVERIFY(board.rows().empty());
        QTest::keyClick(&board, Qt::Key_Return);
        QTest::keyClick(&board, Qt::Key_Down);
        line->setText("capacity");
        QTest::keyClick(line, Qt::Key_Return);
        QVERIFY(board.hasFocus());
        QTest::keyClick(&board, Qt::Key_Return);
        board.editor()->clear();
        type(board.editor(), "1000 mAh");
        QCOMPARE(document().plan().board.battery->capacity, Rational(3600));
        line->setFocus();
        QTest::keyClick(line, Qt::Key_Escape);
        QVERIFY(line->text().isEmpty() && line->hasFocus());
        QCOMPARE(board.rows().size(), all);
        QCOMPARE(board.rows().at(board.selected()).name, QString("capacity"));
        QTest::keyClick(line, Qt::Key_Escape);
        QVERIFY(board.hasFocus());
        window_->showView("sleep");
        QTest::keyClick(window_.get(), Qt::Key_F, Qt::ControlModifier); // it has nothing to find: the clocks
        QVERIFY(window_->findChild<QLineEdit*>("findClock")->hasFocus());
    }

    /// What is selected stays so when rows above it come and go.
    void theSelectedRowStays() {
        window_->showView("board");
        const BoardView& board = *window_->find<BoardView>();
        const std::size_t before = boardRow("Battery", "capacity");
        document().edit("no crystal", [](Plan& plan) { return unfit(plan, "xtm"); });
        QVERIFY(board.selected() < before);
        QCOMPARE(board.rows()[board.selected()].name, QString("capacity"));
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(board.selected(), before);
    }

    /// The plan's name and note, at the end of the board; undone as any edit.
    void thePlanIsNamed() {
        window_->showView("board");
        typeBoard("Plan", "name", "Orchard two");
        QVERIFY(window_->windowTitle().startsWith("Orchard two"));
        typeBoard("Plan", "note", "for the second field");
        QCOMPARE(document().plan().note, std::string("for the second field"));
        typeBoard("Plan", "name", " ");
        QCOMPARE(window_->find<BoardView>()->trouble(), QString("a plan needs a name"));
        QTest::keyClick(window_->find<BoardView>()->editor(), Qt::Key_Escape);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(window_->windowTitle().startsWith("Orchard sprayer"));
    }

    /// A range as people type it: the unit once, dots for the word; what is wrong is named with its sign.
    void aRangeIsTypedAsPeopleDo() {
        window_->showView("board");
        const QString temperature = "temperature, highest";
        for (const char* typed : {"-20 to 60 C", "-20 C to 60 C", "-20...60 C", "-20 to 60"}) {
            typeBoard("Supply and temperature", temperature, QString::fromUtf8(typed));
            const Bounds& now = *document().plan().board.temperature;
            QCOMPARE(now.min, Rational(-20));
            QCOMPARE(now.max, Rational(60));
            typeBoard("Supply and temperature", temperature, "10 C to 20 C");
        }
        typeBoard("Supply and temperature", "supply, lowest", "3 to 3.4 V"); // both ends into one of them
        QCOMPARE(document().plan().board.supply->min, Rational(3));
        QCOMPARE(document().plan().board.supply->max, Rational(17, 5));
        typeBoard("Supply and temperature", "temperature, lowest", "-20 to 70 s");
        QCOMPARE(window_->find<BoardView>()->trouble().section(';', 0, 0), QString("'s' makes it a time"));
        QTest::keyClick(window_->find<BoardView>()->editor(), Qt::Key_Escape);
    }

    /// Another crystal: its rate is typed on the board, and the clocks follow.
    void theBoardIsEditedWhereItStands() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        QVERIFY(window_->find<BoardView>() != nullptr && window_->find<BoardView>()->hasFocus());
        typeBoard("main crystal", "rate", "16 MHz");
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(128000000));
        QVERIFY(!document().moved().empty());
        typeBoard("main crystal", "capacitors", "22 pF");
        typeBoard("main crystal", "stray", "3 pF");
        const std::size_t row = boardRow("main crystal", "capacitors");
        QVERIFY(window_->find<BoardView>()->rows()[row].result.contains(
            "wanted 14 pF: of E12 12 pF or 15 pF, of E24 13 pF or 15 pF"));
        typeBoard("main crystal", "resistance", "500 ohm");
        QCOMPARE(window_->find<BoardView>()->rows()[boardRow("main crystal", "resistance")].state,
                 std::optional(State::strained));
        typeBoard("Supply and temperature", "supply, lowest", "2.5 V");
        QVERIFY(window_->find<BoardView>()->rows()[boardRow("Supply and temperature", "supply, lowest")].result.contains(
            "allows tier low"));
        typeBoard("Battery", "capacity", "");
        QVERIFY(!document().plan().board.battery.has_value()); // taken away
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(document().plan().board.battery.has_value());
        QTest::keyClick(window_.get(), Qt::Key_2, Qt::AltModifier);
        QVERIFY(window_->find<ClocksView>()->hasFocus());
    }

    /// A bare number is in the unit that stands in the row.
    void aBareNumberTakesTheUnitOfItsRow() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard("main crystal", "rate", "16");
        QCOMPARE(document().figures().findLine("core")->hertz->nominal, Rational(128000000));
        typeBoard("Supply and temperature", "supply, highest", "3.5");
        QCOMPARE(document().plan().board.supply->max, Rational(7, 2));
        typeBoard("Supply and temperature", "temperature, lowest", "-20");
        QCOMPARE(document().plan().board.temperature->min, Rational(-20));
        QVERIFY(!window_->find<BoardView>()->editor()->isVisible());
        typeBoard("main crystal", "C1", "7"); // none stands there
        QVERIFY(window_->find<BoardView>()->editor()->isVisible());
        QTest::keyClick(window_->find<BoardView>()->editor(), Qt::Key_Escape);
    }

    void whatTheBoardCanNotHaveIsSaid_data() {
        QTest::addColumn<QString>("group");
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("why");
        QTest::newRow("another unit") << "main crystal"
                                      << "rate"
                                      << "16 ms"
                                      << "'ms' makes it a time";
        QTest::newRow("a needed one") << "Supply and temperature"
                                      << "supply, nominal"
                                      << ""
                                      << "this is needed; type";
        QTest::newRow("below 0") << "main crystal"
                                 << "resistance"
                                 << "-5 ohm"
                                 << "is below 0";
        QTest::newRow("no such value") << "Option words"
                                       << "brown_out"
                                       << "v9"
                                       << "it is one of v1_7, v2_1, v2_7";
    }
    void whatTheBoardCanNotHaveIsSaid() {
        QFETCH(QString, group);
        QFETCH(QString, name);
        QFETCH(QString, typed);
        QFETCH(QString, why);
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard(group, name, typed);
        QVERIFY2(window_->find<BoardView>()->trouble().contains(why), qPrintable(window_->find<BoardView>()->trouble()));
        QVERIFY(window_->find<BoardView>()->editor()->isVisible()); // the text stays to be mended
        QTest::keyClick(window_->find<BoardView>()->editor(), Qt::Key_Escape);
        QVERIFY(!document().canUndo());
    }

    /// What is found at fault on the board stands at its row, and in the mark of the view.
    void whatIsAtFaultIsMarked_data() {
        QTest::addColumn<QString>("group");
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("why");
        QTest::addColumn<int>("state");
        const auto row = [](const char* what, const char* group, const char* name, const char* typed, const char* why,
                            State state) { QTest::newRow(what) << group << name << typed << why << static_cast<int>(state); };
        row("too fast", "main crystal", "rate", "40 MHz", "40 MHz fitted for xtm; expected 6 MHz \u2026 30 MHz", State::broken);
        row("too much", "Supply and temperature", "supply, highest", "3.9 V",
            "a supply of 3.2 V \u2026 3.9 V; expected 1.8 V \u2026 3.6 V, which the part takes", State::broken);
        row("starts badly", "main crystal", "resistance", "500 ohm", "wished 5 or more", State::strained);
    }
    void whatIsAtFaultIsMarked() {
        QFETCH(QString, group);
        QFETCH(QString, name);
        QFETCH(QString, typed);
        QFETCH(QString, why);
        QFETCH(int, state);
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        QCOMPARE(boardKind().state(document()), State::kept);
        typeBoard(group, name, typed);
        const BoardRow& row = window_->find<BoardView>()->rows()[boardRow(group, name)];
        QVERIFY2(row.result.contains(why), qPrintable(row.result));
        QCOMPARE(static_cast<int>(row.state.value_or(State::elsewhere)), state);
        QCOMPARE(static_cast<int>(boardKind().state(document())), state);
        document().undo();
        QCOMPARE(boardKind().state(document()), State::kept);
    }

    /// A row that is selected shows what follows from it in the workings.
    void aRowShowsItsArithmetic() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        auto* board = window_->find<BoardView>();
        board->select(boardRow("main crystal", "tolerance, initial"));
        QCOMPARE(window_->workings()->target(), Target::line("xtm"));
        board->select(boardRow("Battery", "capacity"));
        QCOMPARE(window_->workings()->target(), Target::rhythm("life"));
        board->select(boardRow("Supply and temperature", "supply, lowest")); // on which everything hangs
        QCOMPARE(window_->workings()->target(), Target::rhythm("life"));
        board->select(boardRow("watch crystal", "rate"));
        window_->workings()->show(Target::promise("modem"));
        QTest::keyClick(window_.get(), Qt::Key_2, Qt::AltModifier);
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier); // entered anew
        QCOMPARE(window_->workings()->target(), Target::line("xtw"));
    }

    void aBoardThatIsTooHotIsMarked() {
        document().begin("gorse-12"); // \u221240 \u00b0C to 105 \u00b0C
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        QCOMPARE(boardKind().state(document()), State::pending);
        document().edit("hot", [](Plan& plan) { return setTemperatureSpan(plan, {-40, 25, 120}); });
        const auto& rows = window_->find<BoardView>()->rows();
        const BoardRow& row = rows[boardRow("Supply and temperature", "temperature, highest")];
        QCOMPARE(row.state, std::optional(State::broken));
        QVERIFY2(row.result.contains("in which the part may be used"), qPrintable(row.result));
        QVERIFY(!rows[boardRow("Supply and temperature", "temperature, lowest")].state.has_value());
        QCOMPARE(boardKind().state(document()), State::broken);
    }

    void pinsAndOptionsOfTheBoard() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard("Pins", "W5", "lamp");
        const std::size_t row = boardRow("Pins", "W5");
        QCOMPARE(window_->find<BoardView>()->rows()[row].result, QString("uart1 and lamp both need pin W5"));
        QCOMPARE(window_->find<BoardView>()->rows()[row].state, std::optional(State::broken));
        typeBoard("Pins", "W15", "lamp"); // the signal moves
        QCOMPARE(window_->find<BoardView>()->rows()[boardRow("Pins", "W5")].result, QString("uart1"));
        typeBoard("Pins", "W15", "");
        QCOMPARE(window_->find<BoardView>()->rows()[boardRow("Pins", "W15")].result, QString("free"));
        typeBoard("Option words", "debug_lock", "locked");
        QVERIFY(window_->find<BoardView>()->rows()[boardRow("Option words", "debug_lock")].result.contains("safe is open"));
        typeBoard("Option words", "debug_lock", "");
        QVERIFY(window_->find<BoardView>()->rows()[boardRow("Option words", "debug_lock")].result.startsWith(
            "as unprogrammed, open"));
        // by mouse: a click on a value opens it
        const std::size_t pin = boardRow("Pins", "W15");
        QTest::mouseClick(window_->find<BoardView>()->viewport(), Qt::LeftButton, Qt::NoModifier,
                          window_->find<BoardView>()->rowRect(pin).center().toPoint().x() > 220
                              ? QPoint(220, static_cast<int>(window_->find<BoardView>()->rowRect(pin).center().y()))
                              : QPoint(200, static_cast<int>(window_->find<BoardView>()->rowRect(pin).center().y())));
        QVERIFY(window_->find<BoardView>()->editor()->isVisible());
        QTest::keyClick(window_->find<BoardView>()->editor(), Qt::Key_Escape);
    }

    void aRateIsTypedWithItsTolerance_data() {
        QTest::addColumn<QString>("typed");
        for (const char* typed :
             {"12 MHz 20 ppm", "12 MHz \u00b120 ppm", "12MHz +-20ppm", "12 MHz +/- 0.002 %", "12 MHz, 20ppm"}) {
            QTest::newRow(typed) << typed;
        }
    }

    void aRateIsTypedWithItsTolerance() {
        QFETCH(QString, typed);
        QVERIFY(document().begin("marram-20").empty());
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard("First: what everything hangs on", "main crystal", "12 MHz");
        BoardView& board = *window_->find<BoardView>();
        const std::size_t first = boardRow("First: what everything hangs on", "main crystal");
        QVERIFY(board.spokenRows().at(first).value.contains("tolerance is not told"));
        typeBoard("First: what everything hangs on", "main crystal", typed);
        QCOMPARE(document().figures().findLine("xtm")->hertz->max, Rational(12000240));
        QCOMPARE(document().figures().findLine("xtm")->hertz->min, Rational(11999760));
        QVERIFY(!board.spokenRows().at(boardRow("First: what everything hangs on", "main crystal")).value.contains("tolerance"));
    }

    void aFreshBoardCanBeFilledIn() {
        QVERIFY(document().begin("marram-20").empty());
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        QCOMPARE(document().plan().board.supply->min, exact("9/5")); // all that the part allows, until it is told
        typeBoard("Supply and temperature", "supply, nominal", "3 V");
        typeBoard("Supply and temperature", "supply, lowest", "2.8 V");
        typeBoard("Supply and temperature", "supply, highest", "3 V");
        QVERIFY(document().plan().board.assumed.empty());
        QCOMPARE(document().plan().board.supply->min, exact("14/5"));
        QCOMPARE(document().plan().board.supply->max, Rational(3));
        typeBoard("main crystal", "rate", "12 MHz");
        typeBoard("main crystal", "tolerance, initial", "20 ppm");
        QCOMPARE(document().figures().findLine("xtm")->hertz->max, Rational(12000240));
        typeBoard("fast internal RC", "measured on this board", "10.1 MHz");
        QCOMPARE(document().figures().findLine("rcf")->hertz->nominal, Rational(10100000));
        typeBoard("Battery", "capacity", "1000 mAh");
        QCOMPARE(document().plan().board.battery->capacity, Rational(3600));
        const QString fresh = folder_->filePath("filled.plan.toml");
        QVERIFY(document().save(fresh).isDone());
        QVERIFY(window_->openPlan(fresh));
        QCOMPARE(document().figures().findLine("rcf")->hertz->nominal, Rational(10100000));
    }

    /// The part tells them in the order of its signals; they are shown by port, and by number within it.
    void pinsStandByPort() {
        openExample("lagoon-buoy");
        window_->showView("board");
        QStringList pins;
        for (const BoardRow& row : window_->find<BoardView>()->rows()) {
            if (!row.pin.isEmpty()) {
                pins << row.name;
            }
        }
        QCOMPARE(pins, QStringList({"A2", "A3", "A4", "A9", "A10", "B6", "B7", "C2", "C4", "C5", "D5", "D6"}));
    }

    /// A signal with a choice of pins moves by arrow keys and by dragging it to a pin, is left to the first free one by clearing,
    /// and all are routed at once.
    void signalsMoveFromPinToPin() {
        openExample("lagoon-buoy");
        window_->showView("board");
        BoardView* board = window_->find<BoardView>();
        const auto rowOf = [&](const QString& name, bool isPin) {
            const auto& rows = board->rows();
            for (std::size_t i = 0; i < rows.size(); ++i) {
                if (rows[i].name == name && rows[i].pin.isEmpty() != isPin) {
                    return i;
                }
            }
            return rows.size();
        };
        const auto pinOf = [&](const std::string& signal) {
            for (const RouteFigure& route : document().figures().routes) {
                if (route.signal == signal) {
                    return route.pin;
                }
            }
            return std::string();
        };
        QCOMPARE(pinOf("uart1.tx"), std::string("A9"));
        board->select(rowOf("uart1.tx", false));
        QTest::keyClick(board, Qt::Key_Right);
        QCOMPARE(pinOf("uart1.tx"), std::string("B6"));
        QVERIFY(document().plan().board.routes ==
                (std::vector<std::pair<std::string, std::string>>{{"uart1.rx", "B7"}, {"uart1.tx", "B6"}}));
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier); // and it is in the file
        const std::string saved = fileText(folder_->filePath("lagoon-buoy.plan.toml").toStdString());
        const PlanFile again = readPlan(saved, "saved", &document().part());
        QVERIFY2(again.plan && again.plan->board.routes == document().plan().board.routes, saved.c_str());
        QTest::keyClick(board, Qt::Key_Left);
        QCOMPARE(pinOf("uart1.tx"), std::string("A9"));
        QTest::keyClick(board, Qt::Key_Left); // there is none before
        QCOMPARE(pinOf("uart1.tx"), std::string("A9"));
        // by mouse, to a pin row; where it may not stand nothing happens
        window_->resize(1280, 1600);
        const auto drag = [&](std::size_t from, std::size_t to) {
            const QPoint begin = board->rowRect(from).center().toPoint() + QPoint(200, 0);
            const QPoint end = board->rowRect(to).center().toPoint();
            QTest::mousePress(board->viewport(), Qt::LeftButton, Qt::NoModifier, begin);
            QTest::mouseMove(board->viewport(), end);
            QMouseEvent move(QEvent::MouseMove, end, board->viewport()->mapToGlobal(end), Qt::NoButton, Qt::LeftButton,
                             Qt::NoModifier);
            QApplication::sendEvent(board->viewport(), &move);
            QTest::mouseRelease(board->viewport(), Qt::LeftButton, Qt::NoModifier, end);
        };
        drag(rowOf("uart1.tx", false), rowOf("C4", true));
        QCOMPARE(pinOf("uart1.tx"), std::string("C4"));
        drag(rowOf("uart1.tx", false), rowOf("D5", true));
        QCOMPARE(pinOf("uart1.tx"), std::string("C4"));
        // two signals on one pin collide; routing all of them parts them
        QVERIFY(document().edit("collide", [](Plan& plan) { return route(plan, "out.out", "B7"); }).isEmpty());
        const auto collides = [&] {
            const auto& pins = document().figures().pins;
            return std::any_of(pins.begin(), pins.end(), [](const PinFigure& pin) { return !pin.why.empty(); });
        };
        QVERIFY(collides());
        QTest::keyClick(window_.get(), Qt::Key_U, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(!collides());
    }

    /// The sum of the tolerance over the board's temperatures: flat for a budget, bent for a tuning fork, in steps for an RC.
    void tolerancesAreDrawnOverTemperature() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        const auto curveOf = [&](const QString& group) {
            for (const BoardRow& row : window_->find<BoardView>()->rows()) {
                if (row.group == group && !row.curve.empty()) {
                    return row.curve;
                }
            }
            return std::vector<DeviationPoint>();
        };
        QVERIFY(curveOf("main crystal").empty()); // the same at all temperatures: a number, no picture
        QCOMPARE(window_->find<BoardView>()->rows()[boardRow("main crystal", "all together")].result,
                 QString::fromUtf8("\u221240 ppm to +40 ppm")); // 10 + 15 + 5 × 3 ppm
        const auto rc = curveOf("fast internal RC");
        QCOMPARE(rc.front().celsius, Rational(-10));
        QCOMPARE(rc.back().celsius, Rational(50));
        QCOMPARE(rc.front().low, exact("-25/1000")); // below 0 °C the wider step
        QCOMPARE(rc.back().low, exact("-1/100"));
        QVERIFY(rc.size() == 4);
        const auto heightBefore = window_->find<BoardView>()->verticalScrollBar()->maximum();
        document().edit("fork", changing([](Plan& plan) { plan.board.fitted[1].parabola = Parabola{exact("-0.034e-6"), 25}; }));
        const auto fork = curveOf("watch crystal");
        QCOMPARE(fork.front().low, exact("-20e-6") - exact("0.034e-6") * 35 * 35);
        QVERIFY(std::any_of(fork.begin(), fork.end(), [](const DeviationPoint& point) { return point.high > exact("19.9e-6"); }));
        QVERIFY(window_->find<BoardView>()->verticalScrollBar()->maximum() > heightBefore); // now it is a picture
    }

    /// A brown-out level above the lowest supply, and one that leaves the tier's limits unguarded.
    void theBrownOutLevelIsJudged() {
        QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
        typeBoard("Option words", "brown_out", "v2_1");
        const auto row = [&] { return window_->find<BoardView>()->rows()[boardRow("Option words", "brown_out")]; };
        QCOMPARE(row().state, std::optional(State::strained));
        QCOMPARE(row().result, QString("between 2.1 V and 2.7 V nothing resets the part, and tier fast is not allowed"));
        typeBoard("Option words", "brown_out", "v2_7");
        QVERIFY(!row().state.has_value());
        typeBoard("Supply and temperature", "supply, lowest", "2.5 V");
        QCOMPARE(row().state, std::optional(State::broken));
        QCOMPARE(row().result, QString("the lowest supply, 2.5 V, is below 2.7 V: the part is held in reset"));
    }
};

QTEST_MAIN(AppBoard)
#include "app_board.moc"
