#include "handover/handover_view.h"
#include "paint/text.h"
#include "window_fixture.h"

#include <QFile>

namespace wisetick::test {

/// The files that leave the plan, and what comes back from a board, as the window shows them.
class AppHandover : public WindowFixture {
    Q_OBJECT

    HandoverView& view() const { return *window_->find<HandoverView>(); }
    HandoverList& list() const { return *view().list(); }

    /// The view with its files worked out.
    void show() {
        settle();
        QTest::keyClick(window_.get(), Qt::Key_7, Qt::AltModifier);
        QVERIFY(view().isVisible());
        settleFiles();
    }
    void settleFiles() { QTRY_VERIFY(!view().work().isBusy()); }

    void hand(const QString& line) {
        view().entry()->clear();
        type(view().entry(), line);
        settleFiles();
    }

    HandoverState::How howOf(const std::string& path) const {
        for (const HandoverState& state : view().work().states()) {
            if (state.file.path == path) {
                return state.how;
            }
        }
        qFatal("no file %s", path.c_str());
    }

    QByteArray contentOf(const QString& name) const {
        QFile file(folder_->filePath(name));
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }

private slots:
    /// A changed line that is longer than its side is drawn from shortly before what changed; any other from its beginning.
    void longLinesBeginWhereTheyDiffer() {
        const std::string same(100, 'a');
        HandoverList::Beside line{same + "=1", same + "=2"};
        const QString shown = HandoverList::fromWhatDiffers(line, text(*line.planned), 300);
        QVERIFY2(shown.startsWith(QString::fromUtf8("\u2026aaa")) && shown.endsWith("=2"), qPrintable(shown));
        QVERIFY(textWidth(Face::figure, shown) < 300);
        QCOMPARE(HandoverList::fromWhatDiffers(line, text(*line.planned), 3000), text(*line.planned));
        line.isSame = true;
        QCOMPARE(HandoverList::fromWhatDiffers(line, text(*line.planned), 300), text(*line.planned));
        const HandoverList::Beside early{"1" + same, "2" + same};
        QCOMPARE(HandoverList::fromWhatDiffers(early, text(*early.planned), 300), text(*early.planned));
    }

    /// Of a plan that has no file yet it lists what will be written, and Enter says that it must be saved first.
    void aPlanWithoutFileListsItsFiles() {
        document().begin("marram-20");
        show();
        hand("clocks.h as header");
        QCOMPARE(view().work().states().size(), std::size_t{1});
        QVERIFY(howOf("clocks.h") == HandoverState::How::missing);
        list().setFocus();
        QTest::keyClick(&list(), Qt::Key_Return);
        settleFiles();
        QVERIFY2(view().trouble().contains("save the plan first"), qPrintable(view().trouble()));
    }

    /// A file is typed, written with Enter, falls behind with an edit, is written again, and taken out.
    void filesAreKeptInStep() {
        show();
        QVERIFY(view().work().states().empty());
        hand("clocks.h, take B");
        QCOMPARE(view().trouble(), QString());
        QCOMPARE(document().plan().handover.size(), std::size_t{1});
        QVERIFY(howOf("clocks.h") == HandoverState::How::missing);
        QVERIFY(list().spokenRows().front().value.contains("not written yet"));
        list().setFocus();
        QTest::keyClick(&list(), Qt::Key_Return);
        settleFiles();
        QVERIFY(contentOf("clocks.h").contains("#define ORCHARD_SPRAYER_B_CORE_HZ 10000000u"));
        QVERIFY(howOf("clocks.h") == HandoverState::How::asPlanned);
        QVERIFY(list().lines().empty());
        document().edit("slower", changing([](Plan& plan) { choiceOf(plan, "B", "core").divide = 2; }));
        settle();
        settleFiles();
        QTRY_VERIFY(howOf("clocks.h") == HandoverState::How::behind);
        const auto& lines = list().lines();
        QVERIFY(std::any_of(lines.begin(), lines.end(), [](const HandoverList::Beside& line) {
            return line.planned && line.planned->find("CORE_HZ 5000000u") != std::string::npos && line.found &&
                   line.found->find("CORE_HZ 10000000u") != std::string::npos;
        }));
        QTest::keyClick(&list(), Qt::Key_Return);
        settleFiles();
        QVERIFY(contentOf("clocks.h").contains("CORE_HZ 5000000u"));
        QTest::keyClick(&list(), Qt::Key_Delete);
        QVERIFY(document().plan().handover.empty());
        document().undo();
        QCOMPARE(document().plan().handover.size(), std::size_t{1});
    }

    /// What a person changed stays until one says so.
    void whatWasChangedByHandStays() {
        show();
        hand("clocks.h, take B");
        list().setFocus();
        QTest::keyClick(&list(), Qt::Key_Return);
        settleFiles();
        QFile file(folder_->filePath("clocks.h"));
        QVERIFY(file.open(QIODevice::Append) && file.write("#define MINE 1\n") > 0);
        file.close();
        view().work().look();
        settleFiles();
        QTRY_VERIFY(howOf("clocks.h") == HandoverState::How::edited);
        QTest::keyClick(&list(), Qt::Key_Return);
        QVERIFY2(view().trouble().contains("changed by hand"), qPrintable(view().trouble()));
        QVERIFY(contentOf("clocks.h").contains("MINE"));
        view().write("clocks.h", OverEdited::yes);
        settleFiles();
        QVERIFY(!contentOf("clocks.h").contains("MINE"));
        QCOMPARE(view().trouble(), QString());
    }

    /// A wrong line says where, and nothing happens.
    void wrongLinesSayWhere() {
        show();
        hand("clocks.h as headr");
        QVERIFY2(view().trouble().contains("did you mean 'header'?"), qPrintable(view().trouble()));
        QCOMPARE(view().entry()->selectedText(), QString("headr"));
        hand("clocks.txt");
        QVERIFY(view().trouble().contains("whose ending tells no form"));
        hand("clocks.h take Z");
        QCOMPARE(view().trouble(), QString("no take 'Z'"));
        QVERIFY(document().plan().handover.empty());
        hand("clocks.h");
        hand("clocks.h as cpp");
        QVERIFY(view().trouble().contains("handed over already"));
    }

    /// Registers that were read: CLK.BUS holds 4 - 1 for bus_a; found as ÷ 5 it moves what hangs on it, and becomes a take.
    void registersAreLaidOverTheTake() {
        show();
        QFile file(folder_->filePath("regs.txt"));
        QVERIFY(file.open(QIODevice::WriteOnly) && file.write("CLK.BUS = 0x0014\n") > 0); // bus_a ÷ 5, bus_b ÷ 2
        file.close();
        QVERIFY(view().work().readFoundFile(folder_->filePath("regs.txt")).empty());
        settleFiles();
        QTRY_VERIFY(!view().work().found().empty());
        bool isFound = false;
        for (const FoundField& field : view().work().found()) {
            if (fieldText(field.planned.field) == "CLK.BUS[2:0]") {
                isFound = field.found == 4U && field.means == "\u00f7 5" && !field.moves.empty();
            }
        }
        QVERIFY(isFound);
        const auto rows = list().spokenRows();
        QVERIFY(std::any_of(rows.begin(), rows.end(), [](const SpokenRow& row) {
            return row.name == "CLK.BUS[2:0]" && row.value == "planned 0x3, found 0x4";
        }));
        const std::size_t takes = document().plan().takes.size();
        QCOMPARE(document().edit("found", view().work().takeOfFound("found")), QString());
        QCOMPARE(document().plan().takes.size(), takes + 1);
        QCOMPARE(document().figuresOfTake("found").findLine("bus_a")->hertz->nominal, Rational(32000000)); // 160 MHz ÷ 5
        // a file that is none says so
        QVERIFY(file.open(QIODevice::WriteOnly) && file.write("NOTHING = 1\n") > 0);
        file.close();
        QVERIFY(!view().work().readFoundFile(folder_->filePath("regs.txt")).empty());
    }

    /// Keys go through all files; the mark of the step is the worst of them.
    void keysGoThroughTheFiles() {
        show();
        document().edit("nothing broken", changing([](Plan& plan) {
                            std::erase_if(plan.promises, [](const Promise& each) { return each.line.name == "modem"; });
                        }));
        for (const char* line : {"a.h, take B", "b.hpp, take B", "c.rs, take B"}) {
            hand(line);
        }
        list().setFocus();
        QCOMPARE(list().selected(), QString("a.h"));
        QTest::keyClick(&list(), Qt::Key_Down);
        QTest::keyClick(&list(), Qt::Key_Down);
        QTest::keyClick(&list(), Qt::Key_Down);
        QCOMPARE(list().selected(), QString("c.rs"));
        QTest::mouseClick(list().viewport(), Qt::LeftButton, Qt::NoModifier, list().fileRect(1).center().toPoint());
        QCOMPARE(list().selected(), QString("b.hpp"));
        QVERIFY(view().work().worst() == State::strained); // not written yet
        QTest::keyClick(window_.get(), Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);
        settleFiles();
        QTRY_VERIFY(view().work().worst() == State::kept);
    }
};

} // namespace wisetick::test

using wisetick::test::AppHandover;
QTEST_MAIN(AppHandover)
#include "app_handover.moc"
