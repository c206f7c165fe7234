#include "board/board_rows.h"
#include "clocks/clocks_filter.h"
#include "document/document.h"
#include "evaluate/evaluate.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "plan/take_edits.h"
#include "shell/trail_button.h"
#include "support.h"

#include <QApplication>
#include <QSignalSpy>
#include <QTemporaryDir>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

namespace {

/// The ids of the lines that a filter leaves.
QStringList idsShown(const Figures& figures, const ClocksFilter& filter) {
    const std::vector<bool> shown = shownNodes(figures, filter);
    QStringList ids;
    for (std::size_t node = 0; node < shown.size(); ++node) {
        if (shown[node]) {
            ids << QString::fromStdString(figures.lines[node].id);
        }
    }
    return ids;
}

void divideBy(Document& document, const char* line, std::int64_t divide) {
    document.edit(line, [=](Plan& plan) { return setDivide(plan, plan.active, line, divide); });
}

} // namespace

/// The pieces of the window on their own.
class AppParts : public QObject {
    Q_OBJECT

    Edited edited_ = editedOrchard();
    Figures figures_ = evaluate(edited_.part, edited_.plan, "A");

    NodeIndex node(const char* id) { return *edited_.part.findNode(id); }

private slots:
    void filtersCombine() {
        ClocksFilter filter;
        QCOMPARE(idsShown(figures_, filter).size(), static_cast<qsizetype>(figures_.lines.size()));
        filter.find = "PLL";
        QCOMPARE(idsShown(figures_, filter), QStringList({"xtm", "ref", "vco", "pll_a", "pll_b"})); // by id and name, in any case
        filter.hidesOff = true;
        filter.find = "can";
        QVERIFY(!idsShown(figures_, filter).contains("can_clk")); // it is off; what would feed it is on
        QVERIFY(idsShown(figures_, filter).contains("bus_b"));
        filter = {};
        filter.feeding = node("timers");
        QCOMPARE(idsShown(figures_, filter), QStringList({"xtm", "ref", "vco", "pll_a", "core", "bus_b", "timers"}));
        filter.folded = {node("core")};
        QCOMPARE(idsShown(figures_, filter), QStringList({"xtm", "ref", "vco", "pll_a", "core"}));
        filter = {};
        filter.folded = {node("xtm")};
        QCOMPARE(idsShown(figures_, filter).first(), QString("xtm")); // what is folded stays itself
        QVERIFY(!idsShown(figures_, filter).contains("core") && idsShown(figures_, filter).contains("rcs"));
    }

    /// Every fact of the board, typed as it is shown, is the same fact: nothing is lost by opening a row and pressing Enter.
    void boardRowsReadWhatTheyShow() {
        const std::vector<BoardRow> rows = boardRows(edited_.part, edited_.plan, figures_);
        int count = 0;
        for (const BoardRow& row : rows) {
            if (!row.read || row.value.isEmpty()) {
                continue;
            }
            Plan plan = edited_.plan;
            QCOMPARE((*row.read(row.value))(plan), std::string());
            if (row.group != "Pins") { // the order of signals may change
                QVERIFY2(plan == edited_.plan, qPrintable(row.group + ", " + row.name));
            }
            ++count;
        }
        QVERIFY(count > 20);
    }

    /// What may be empty can be emptied, and what is emptied shows as empty.
    void boardRowsCanBeEmptied() {
        for (const BoardRow& row : boardRows(edited_.part, edited_.plan, figures_)) {
            Plan plan = edited_.plan;
            if (!row.read || row.value.isEmpty() || !row.read("")) {
                continue; // it is needed
            }
            QCOMPARE((*row.read(""))(plan), std::string());
            const std::vector<BoardRow> after = boardRows(edited_.part, plan, derive(edited_.part, plan, "A"));
            const auto same = std::find_if(after.begin(), after.end(), [&](const BoardRow& each) {
                return each.group == row.group && each.name == row.name;
            });
            // the row is gone with what it belonged to, or empty, or back at nothing
            QVERIFY2(same == after.end() || same->value.isEmpty() || same->value.startsWith('0'),
                     qPrintable(row.group + ", " + row.name));
        }
    }

    void boardRowsFollowThePart() {
        const std::vector<BoardRow> rows = boardRows(edited_.part, edited_.plan, figures_);
        QStringList groups;
        for (const BoardRow& row : rows) {
            if (groups.isEmpty() || groups.last() != row.group) {
                groups << row.group;
            }
        }
        QCOMPARE(groups, QStringList({"Supply and temperature", "main crystal", "watch crystal", "fast internal RC",
                                      "slow internal RC", "Battery", "Option words", "Pins", "Plan"}));
    }

    /// A preview changes figures and ripple, never plan, history or what is saved.
    void previewsLeaveThePlanAlone() {
        Document document({sourceDir() + "/parts"});
        QVERIFY(document.begin("marram-20").empty());
        QTRY_VERIFY(document.figures().rhythm.has_value());
        document.keep();
        const Plan before = document.plan();
        document.preview([](Plan& plan) { return setDivide(plan, "A", "core", 8); });
        QVERIFY(document.isPreviewing());
        QCOMPARE(document.figures().findLine("core")->divide, Rational(8));
        QVERIFY(!document.moved().empty());
        QVERIFY(document.plan() == before && !document.canUndo());
        document.endPreview();
        QCOMPARE(document.figures().findLine("core")->divide, Rational(1));
        QVERIFY(document.moved().empty());
        document.preview([](Plan& plan) { return setDivide(plan, "A", "core", 4); });
        divideBy(document, "core", 2); // an edit in the middle of a preview counts
        QVERIFY(!document.isPreviewing());
        QCOMPARE(document.figures().findLine("core")->divide, Rational(2));
        QVERIFY(document.canUndo());
    }

    void historyHasNoLimit() {
        Document document({sourceDir() + "/parts"});
        QVERIFY(document.begin("marram-20").empty());
        for (int i = 0; i < 200; ++i) {
            divideBy(document, "bus_a", 1 + (i % 7));
        }
        divideBy(document, "bus_a", document.figures().findLine("bus_a")->divide.toInt64().value()); // no change, no entry
        int undone = 0;
        while (document.canUndo()) {
            document.undo();
            ++undone;
        }
        QCOMPARE(undone, 200);
        QCOMPARE(document.figures().findLine("bus_a")->divide, Rational(1));
        int redone = 0;
        while (document.canRedo()) {
            document.redo();
            ++redone;
        }
        QCOMPARE(redone, 200);
        document.undo();
        divideBy(document, "bus_b", 2); // a new edit ends what could be redone
        QVERIFY(!document.canRedo());
    }

    /// An edit made before the jobs were played is rippled against the plan as it was kept.
    void theRippleStartsFromWhatWasKept() {
        Document document({sourceDir() + "/parts"});
        QTemporaryDir folder;
        const QString path = folder.filePath("orchard.plan.toml");
        QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/examples/orchard-sprayer.plan.toml", path));
        QVERIFY(document.open(path).empty());
        divideBy(document, "bus_a", 8); // at once
        QTRY_VERIFY(document.figures().rhythm.has_value());
        QVERIFY(std::any_of(document.moved().begin(), document.moved().end(),
                            [](const Moved& each) { return each.target == at("promise/budget"); }));
        document.undo();
        QTRY_VERIFY(document.figures().rhythm.has_value());
        QVERIFY(document.moved().empty());
    }

    void theJobsOfManyQuickEditsArePlayedOnce() {
        Document document({sourceDir() + "/parts"});
        QVERIFY(document.begin("marram-20").empty());
        QTRY_VERIFY(document.figures().rhythm.has_value());
        QSignalSpy changes(&document, &Document::changed);
        for (int i = 0; i < 10; ++i) {
            divideBy(document, "bus_a", 2 + i % 2);
        }
        QVERIFY(!document.figures().rhythm.has_value()); // shown as still to be played
        QTRY_VERIFY(document.figures().rhythm.has_value());
        QCOMPARE(changes.size(), 11); // one for each edit, one for the jobs
    }

    void scrollBarsAreDraggedAndPaged() {
        SlimScrollBar bar(Qt::Vertical);
        bar.resize(10, 200);
        bar.setRange(0, 300);
        bar.setPageStep(100);
        bar.show();
        QTest::mousePress(&bar, Qt::LeftButton, Qt::NoModifier, QPoint(5, 10)); // on the handle, which is 50 high
        QTest::mouseMove(&bar, QPoint(5, 85));
        QTest::mouseRelease(&bar, Qt::LeftButton, Qt::NoModifier, QPoint(5, 85));
        QVERIFY(std::abs(bar.value() - 150) <= 4); // 75 of 150 pixels is half the way
        bar.setValue(0);
        QTest::mouseClick(&bar, Qt::LeftButton, Qt::NoModifier, QPoint(5, 190)); // below the handle: a page
        QCOMPARE(bar.value(), 100);
        QTest::mouseClick(&bar, Qt::LeftButton, Qt::NoModifier, QPoint(5, 3));
        QCOMPARE(bar.value(), 0);
        const QImage with = bar.grab().toImage();
        bar.setRange(0, 0);
        QVERIFY(bar.grab().toImage() != with); // nothing to scroll, no handle
    }

    void buttonsShowTheirState() {
        PillButton button("Keep");
        button.setTheme(lightTheme(), true);
        button.resize(button.sizeHint());
        button.show();
        QSignalSpy clicks(&button, &QPushButton::clicked);
        QTest::mouseClick(&button, Qt::LeftButton);
        button.setFocus();
        QTest::keyClick(&button, Qt::Key_Space);
        QCOMPARE(clicks.size(), 2);
        const QImage filled = button.grab().toImage();
        button.setEnabled(false);
        QVERIFY(button.grab().toImage() != filled);
        QVERIFY(button.sizeHint().width() > static_cast<int>(textWidth(Face::word, "Keep")) + 20);
    }

    void stepsOfTheTrailKeepTheirPlace() {
        TrailButton step("Clocks");
        const QSize size = step.sizeHint();
        step.resize(size);
        const QImage quiet = step.grab().toImage();
        step.setCurrent(true);
        QCOMPARE(step.sizeHint(), size); // nothing moves when the view changes
        QVERIFY(step.grab().toImage() != quiet);
        step.setState(State::broken);
        QCOMPARE(step.accessibleDescription(), QString("broken"));
    }

    void facesFollowTheApplicationsFont() {
        const QFont before = QApplication::font();
        const qreal height = lineHeight(Face::word);
        const qreal width = textWidth(Face::bold, "160 MHz");
        QFont larger = before;
        larger.setPointSizeF(before.pointSizeF() * 1.5);
        QApplication::setFont(larger);
        QVERIFY(lineHeight(Face::word) > height * 1.3);
        QVERIFY(textWidth(Face::bold, "160 MHz") > width * 1.3);
        QApplication::setFont(before);
        QCOMPARE(lineHeight(Face::word), height);
        QVERIFY(lineHeight(Face::small) < height);
    }
};

QTEST_MAIN(AppParts)
#include "app_parts.moc"
