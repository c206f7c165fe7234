#include "derive/workings_of.h"
#include "evaluate/takes_that_count.h"
#include "handover/report.h"
#include "quantity/quantity_print.h"
#include "small_part.h"

#include <QXmlStreamReader>

#include <set>

using namespace wisetick;
using namespace wisetick::test;

namespace {

std::vector<Figures> takesOf(const Part& part, const Plan& plan) {
    std::vector<Figures> takes;
    for (const std::string& name : takesThatCount(plan)) {
        Figures figures = evaluate(part, plan, name);
        addWorkings(part, plan, figures);
        takes.push_back(takes.empty() ? figures : ownOf(plan, figures, takes.front(), false));
    }
    return takes;
}

/// What is in a page: its ids, its links within it, its texts; and what is wrong with it as XML.
struct Page {
    std::set<QString> ids;
    std::set<QString> links;
    QStringList elsewhere; ///< what it would need from other places
    QString text;
    QString fault;
};

Page pageOf(const std::string& html) {
    Page page;
    QXmlStreamReader xml(QString::fromStdString(html));
    while (!xml.atEnd()) {
        xml.readNext();
        if (xml.isStartElement()) {
            const auto attributes = xml.attributes();
            if (attributes.hasAttribute("id") && !page.ids.insert(attributes.value("id").toString()).second) {
                page.fault = "twice: " + attributes.value("id").toString();
            }
            const QString link = attributes.value("href").toString();
            if (link.startsWith('#')) {
                page.links.insert(link.mid(1));
            } else if (!link.isEmpty() || attributes.hasAttribute("src")) {
                page.elsewhere << link + attributes.value("src").toString();
            }
        } else if (xml.isCharacters()) {
            page.text += xml.text().toString() + "\n";
        }
    }
    page.fault += xml.hasError() ? xml.errorString() + " in line " + QString::number(xml.lineNumber()) : QString();
    return page;
}

} // namespace

/// A plan for people to read.
class CoreReport : public QObject {
    Q_OBJECT

private slots:
    void everyExampleIsWhole_data() {
        QTest::addColumn<std::string>("name");
        for (const char* name : {"orchard-sprayer", "lagoon-buoy", "river-gauge", "hive-scale", "spindle-balancer", "door-sensor",
                                 "field-tractor"}) {
            QTest::newRow(name) << std::string(name);
        }
    }
    /// One file that needs no other: every link within it goes somewhere, every promise, line and finding is there.
    void everyExampleIsWhole() {
        QFETCH(std::string, name);
        const LoadedPlan loaded = loadPlan(sourceDir() + "/examples/" + name + ".plan.toml", {sourceDir() + "/parts"});
        const std::vector<Figures> takes = takesOf(*loaded.part, *loaded.plan);
        const std::vector<ReportBlock> blocks = reportOf(*loaded.part, *loaded.plan, takes);
        const std::string html = reportHtml(blocks, {{"clocks", "<svg xmlns=\"http://www.w3.org/2000/svg\"/>"}});
        const Page page = pageOf(html);
        QCOMPARE(page.fault, QString());
        QCOMPARE(page.elsewhere, QStringList());
        for (const QString& link : page.links) {
            QVERIFY2(page.ids.contains(link), qPrintable(link));
        }
        const std::string markdown = reportMarkdown(blocks);
        for (const Figures& figures : takes) {
            for (const PromiseFigure& promise : figures.promises) {
                const bool isThere = promise.state != State::elsewhere;
                QVERIFY(!isThere || page.text.contains(QString::fromStdString(promise.text + ".")));
                QVERIFY(!isThere || markdown.find(promise.text) != std::string::npos);
                for (const Step& step : isThere ? promise.workings : Workings()) {
                    QVERIFY2(page.text.contains(QString::fromStdString(step.result)), step.result.c_str());
                }
            }
            for (const Diagnostic& finding : figures.findings) {
                QVERIFY2(page.text.contains(QString::fromStdString(sayText(finding))), sayText(finding).c_str());
            }
        }
        for (const LineFigure& line : takes.front().lines) {
            QVERIFY(!line.isOn || !line.hertz ||
                    page.text.contains(QString::fromStdString(printQuantity(line.hertz->nominal, Unit::hertz))));
        }
        QVERIFY(html.find("<svg") != std::string::npos);
    }

    /// Names that would be markup are none, and a bar does not end a cell of a table.
    void oddNamesAreText() {
        const Edited edited = editedOrchard("name = \"Orchard sprayer\"", "name = \"<b> & \\\"x\\\" | y\"");
        const std::vector<ReportBlock> blocks = reportOf(edited.part, edited.plan, takesOf(edited.part, edited.plan));
        const Page page = pageOf(reportHtml(blocks));
        QCOMPARE(page.fault, QString());
        QVERIFY(page.text.contains("<b> & \"x\" | y"));
        ReportBlock table{ReportBlock::Kind::table, {}, 0, {}, {}, {{"a"}, {"1 | 2"}}, {true}};
        QCOMPARE(reportMarkdown({table}), std::string("| a |\n| ---: |\n| 1 \\| 2 |\n\n"));
    }

    /// What moved stands there with what it was: the core at half its rate.
    void whatMovedIsSaid() {
        const Edited before = editedOrchard();
        const Edited after = editedOrchard("from = \"pll_a\"", "from = \"pll_a\"\ndivide = 2");
        const Figures old = evaluate(before.part, before.plan, "A");
        const std::string text = reportMarkdown(reportOf(after.part, after.plan, takesOf(after.part, after.plan), &old));
        QVERIFY2(text.find("## What moved\n") != std::string::npos &&
                     text.find("| core | 160 MHz | 80 MHz |") != std::string::npos,
                 text.substr(0, 2000).c_str());
        QVERIFY(
            reportMarkdown(reportOf(before.part, before.plan, takesOf(before.part, before.plan), &old)).find("Nothing moved.") !=
            std::string::npos);
    }
};

QTEST_GUILESS_MAIN(CoreReport)
#include "core_report.moc"
