#include "plan/take_edits.h"
#include "promises/promises_column.h"
#include "shell/head.h"
#include "shell/help.h"
#include "takes/takes_view.h"
#include "window_fixture.h"

#include <QHelpEvent>
#include <QLabel>
#include <QListWidget>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTextLayout>
#include <QToolTip>

namespace wisetick::test {

/// What explains: the documents in the window, and what is said of a thing under the mouse.
class AppHelp : public WindowFixture {
    Q_OBJECT

    /// What is said where the mouse rests.
    QString tipAt(QWidget* widget, const QPoint& place) {
        QHelpEvent asks(QEvent::ToolTip, place, widget->mapToGlobal(place));
        QApplication::sendEvent(widget, &asks);
        return QToolTip::text();
    }

private slots:
    /// Contents, all pages searched, links followed, and back.
    void theDocumentsAreSearched() {
        Help help(QString::fromStdString(sourceDir()) + "/docs", "window.md", lightTheme(), nullptr);
        QVERIFY(help.contents()->count() > 15);
        help.search()->setText("least common multiple");
        const int found = help.contents()->count();
        QVERIFY(found >= 1 && found < 60);
        help.search()->setText("no such words anywhere");
        QCOMPARE(help.contents()->item(0)->text(), QString("no page has these words"));
        help.search()->setText("dead time");
        help.contents()->setCurrentRow(0);
        QVERIFY(help.shown().contains("dead time", Qt::CaseInsensitive));
        QVERIFY(help.page() != "window.md");
        auto* page = help.findChild<QTextBrowser*>();
        QVERIFY(!page->extraSelections().isEmpty());
        for (const auto& mark : page->extraSelections()) {
            const QString marked = mark.cursor.selectedText().toLower();
            QVERIFY2(marked == "dead" || marked == "time", qPrintable(marked));
        }
        help.showPage("sleep.md");
        help.show();
        bool hasTable = false;
        for (QTextBlock block = page->document()->begin(); block.isValid(); block = block.next()) {
            if (block.text().contains("first instruction   restored")) { // columns of an output stay columns
                hasTable = true;
                QCOMPARE(block.layout()->lineCount(), 1);
            }
        }
        QVERIFY(hasTable);
        help.goBack();
        help.goBack();
        QCOMPARE(help.page(), QString("window.md"));
        help.search()->clear();
        QVERIFY(page->extraSelections().isEmpty());
        QCOMPARE(help.contents()->currentItem()->text(), QString("The window")); // where one is
        help.show();
        help.activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&help));
        page->setFocus();
        QTest::keyClicks(page, "f"); // letters are looked for, wherever one is
        QTest::keyClicks(help.search(), "eed");
        QVERIFY(help.search()->hasFocus());
        QCOMPARE(help.search()->text(), QString("feed"));
    }

    /// The whole of a promise's line, which its card may cut, and why it is not kept.
    void aCardSaysItsWholeLine() {
        settle(); // the feeds are played
        PromiseCards* cards = window_->promises()->cards();
        cards->select("feed");
        const std::vector<SpokenRow> rows = cards->spokenRows();
        const auto feed = std::find_if(rows.begin(), rows.end(), [](const SpokenRow& each) { return each.name == "feed"; });
        QVERIFY(feed != rows.end());
        const auto& figure = *document().figures().findPromise("feed");
        const QString said = tipAt(cards->viewport(), feed->place.center());
        QVERIFY(said.contains(QString::fromStdString(figure.text).toHtmlEscaped()));
        QVERIFY2(!figure.why.empty(), qPrintable(said));
        QVERIFY(said.contains(QString::fromStdString(figure.why).toHtmlEscaped()));
        tipAt(cards->viewport(), QPoint(5, cards->viewport()->height() - 2));
        QTRY_VERIFY(QToolTip::text().isEmpty());
    }

    /// Names out of a file that look like markup are shown as they are.
    void namesAreNoMarkup() {
        settle();
        const QString name = "<h1>big</h1>";
        QCOMPARE(document().edit("named", changing([&](Plan& plan) { plan.name = name.toStdString(); })), QString());
        QCOMPARE(document().edit("take", [](Plan& plan) { return renameTake(plan, "A", "<b>A</b>"); }), QString());
        for (const char* view : {"board", "clocks", "promises", "sleep", "rhythm", "bench", "handover", "takes"}) {
            window_->showView(view);
        }
        QTRY_VERIFY(!window_->isBusy());
        Head* head = window_->findChild<Head*>();
        QTRY_VERIFY(!head->takesHeld().isBusy() && !head->takesHeld().list().empty());
        const QString said = tipAt(head, QPoint(30, 10));
        QVERIFY2(said.contains("&lt;b&gt;A&lt;/b&gt;") && !said.contains("<b>"), qPrintable(said));
        for (QLabel* label : window_->findChildren<QLabel*>()) {
            const bool isGuessed = label->textFormat() == Qt::AutoText && Qt::mightBeRichText(label->text());
            QVERIFY2(!isGuessed || label->inherits("QTipLabel"), qPrintable(label->text()));
        }
    }
};

} // namespace wisetick::test

using wisetick::test::AppHelp;
QTEST_MAIN(AppHelp)
#include "app_help.moc"
