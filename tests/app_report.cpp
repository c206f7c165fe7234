#include "window_fixture.h"

#include "paint/text.h"
#include "shell/report_pages.h"

#include <QFile>
#include <QPdfWriter>
#include <QPrinter>
#include <QProcess>
#include <QStandardPaths>

namespace wisetick::test {

/// The plan for people, written from the window.
class AppReport : public WindowFixture {
    Q_OBJECT

    QByteArray written(const QString& name) {
        const QString path = folder_->filePath(name);
        const QString why = window_->writeReport(path);
        if (!why.isEmpty()) {
            qFatal("%s", qPrintable(why));
        }
        QFile file(path);
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }

private slots:
    /// HTML with the picture of the clocks in it, whatever view is shown; a promise, its arithmetic and its field are there.
    void htmlHoldsThePicture() {
        settle();
        window_->showView("board");
        const QByteArray html = written("report.html");
        QVERIFY(html.startsWith("<!DOCTYPE html>"));
        QVERIFY(html.contains("<svg ") && !html.contains("<?xml"));
        QVERIFY(html.contains("modem: uart1 talks 921600 within 1.5 %") && html.contains("40 MHz \u00f7 (8 \u00d7 921600)"));
        QVERIFY(!html.contains("src=\"http") && !html.contains("href=\"http"));
    }

    /// Pictures of the clocks, of the desk of every promise that has one, of each mode, the rests, the rhythm and the pins: each
    /// above what is said of it, none of them twice, and light also where the window is dark.
    void everyPictureIsThere() {
        settle();
        const QByteArray light = written("light.html");
        window_->setTheme(darkTheme());
        QCOMPARE(written("dark.html"), light);
        std::size_t expected = 3; // clocks, rests, rhythm
        for (const ModeFigure& mode : document().figures().modes) {
            QVERIFY2(light.contains("<figcaption>mode " + QByteArray::fromStdString(mode.id)), mode.id.c_str());
            ++expected;
        }
        QVERIFY(light.contains("<figcaption>the pins in use") && light.contains("<figcaption>the jobs over time"));
        ++expected;
        for (const PromiseFigure& promise : document().figures().promises) {
            expected += light.contains("<figcaption>" + text(promise.text).toHtmlEscaped().toUtf8()) ? 1 : 0;
        }
        QVERIFY2(expected >= 12, qPrintable(QString::number(expected)));
        QCOMPARE(static_cast<std::size_t>(light.count("<svg ")), expected);
    }

    /// What is written while the jobs are still being played holds them all the same.
    void nothingIsMissingInAHurry() {
        document().edit("faster", changing([](Plan& plan) { plan.jobs.front().every /= 2; }));
        QVERIFY(document().isPlaying());
        const QByteArray hurried = written("hurry.html");
        QVERIFY(hurried.contains("<figcaption>the jobs over time"));
        settle();
        QCOMPARE(hurried, written("ease.html"));
    }

    /// The title stands alone, the contents behind it say where each chapter begins, and what is long takes as many pages as it
    /// needs: a chapter behind 300 rows is told by the page that it is on.
    void contentsSayThePages() {
        ReportBlock table{ReportBlock::Kind::table, {}, 0, {}, {}, {{"a", "b"}}, {false, true}};
        for (int i = 0; i < 300; ++i) {
            table.rows.push_back({"row", std::to_string(i)});
        }
        const auto heading = [](const std::string& text, int level) {
            return ReportBlock{ReportBlock::Kind::heading, text, level, text, {}, {}, {}};
        };
        ReportPages pages(
            {heading("Plan", 1), heading("first", 2), heading("long", 2), table, heading("below", 3), heading("last", 2)}, {});
        QPdfWriter writer(folder_->filePath("pages.pdf"));
        writer.setResolution(ReportPages::kDotsPerInch);
        pages.print(writer);
        QCOMPARE(pages.pageOf("first"), 3);
        QCOMPARE(pages.pageOf("long"), 4);
        QVERIFY2(pages.pageOf("below") > 7, qPrintable(QString::number(pages.pageOf("below")))); // under 75 rows a page
        QCOMPARE(pages.pageOf("last"), pages.pageOf("below") + 1);
        QCOMPARE(pages.pageOf("last"), pages.pageCount());
        const QStringList contents = pages.contents();
        QCOMPARE(contents, QStringList({"first 3", "long 4", "below " + QString::number(pages.pageOf("below")),
                                        "last " + QString::number(pages.pageCount())}));
    }

    /// Wherever a table begins and ends on a page: no head is said without a row below it, and no page is empty.
    void headsStandAboveRows() {
        const QString reader = QStandardPaths::findExecutable("pdftotext");
        if (reader.isEmpty()) {
            QSKIP("pdftotext is not there");
        }
        std::vector<ReportBlock> blocks{{ReportBlock::Kind::heading, "Plan", 1, "plan", {}, {}, {}}};
        for (std::size_t i = 0; i < 300; ++i) { // so that all places of a page are come by
            if (i % 10 == 0) {
                blocks.push_back({ReportBlock::Kind::heading, "rows", 2, "rows", {}, {}, {}});
            }
            ReportBlock table{ReportBlock::Kind::table, {}, 0, {}, {}, {{"head", "b"}}, {false, true}};
            table.rows.resize(3 + i % 7 + i / 60, {"row", std::to_string(i)});
            table.rows.front() = {"head", "b"};
            blocks.push_back(table);
        }
        ReportPages pages(blocks, {});
        const QString path = folder_->filePath("heads.pdf");
        QPdfWriter writer(path);
        writer.setResolution(ReportPages::kDotsPerInch);
        pages.print(writer);
        QProcess read;
        read.start(reader, {"-layout", path, "-"});
        QVERIFY(read.waitForFinished());
        const QStringList all = QString::fromUtf8(read.readAllStandardOutput()).split('\f', Qt::SkipEmptyParts);
        QCOMPARE(all.size(), pages.pageCount());
        for (qsizetype i = 2; i < all.size(); ++i) {
            const QStringList lines = all[i].split('\n', Qt::SkipEmptyParts);
            QVERIFY2(lines.size() > 1, qPrintable(QString("page %1 is empty").arg(i + 1)));
            for (qsizetype at = 0; at < lines.size(); ++at) {
                const bool isHead = lines[at].contains("head");
                QVERIFY2(!isHead || lines.value(at + 1).contains("row"),
                         qPrintable(QString("page %1:\n%2").arg(i + 1).arg(all[i])));
                QVERIFY2(!isHead || lines[at].count("head") == 1, qPrintable(all[i]));
            }
        }
    }

    /// A printer gets the same pages as a PDF does.
    void paperGetsThePages() {
        settle();
        QPrinter printer;
        printer.setOutputFormat(QPrinter::PdfFormat);
        printer.setResolution(ReportPages::kDotsPerInch);
        printer.setPageSize(QPageSize(QPageSize::A4));
        printer.setOutputFileName(folder_->filePath("printed.pdf"));
        window_->printReport(printer);
        QFile printed(folder_->filePath("printed.pdf"));
        QVERIFY(printed.open(QIODevice::ReadOnly));
        const QByteArray pdf = written("report.pdf");
        const auto countOf = [](const QByteArray& bytes) { return bytes.count("/Type /Page\n") + bytes.count("/Type /Page "); };
        QVERIFY(countOf(pdf) > 3);
        QCOMPARE(countOf(printed.readAll()), countOf(pdf));
    }

    /// A PDF begins and ends as one, and has more than a page.
    void pdfHasPages() {
        settle();
        const QByteArray pdf = written("report.pdf");
        QVERIFY(pdf.startsWith("%PDF-1.") && pdf.trimmed().endsWith("%%EOF"));
        QVERIFY2(pdf.count("/Type /Page\n") + pdf.count("/Type /Page ") > 3,
                 qPrintable(QString::number(pdf.count("/Type /Page"))));
    }

    void markdownIsText() {
        settle();
        const QByteArray text = written("report.md");
        QVERIFY(text.startsWith("# Orchard sprayer\n") && text.contains("## Promises\n") && text.contains("| --- |"));
    }

    /// A folder that is not there: said, and nothing is left behind.
    void whatCantBeWrittenIsSaid() {
        settle();
        const QString path = folder_->filePath("no such folder/report.html");
        QVERIFY(!window_->writeReport(path).isEmpty());
        QVERIFY(!QFile::exists(path));
    }
};

} // namespace wisetick::test

using wisetick::test::AppReport;
QTEST_MAIN(AppReport)
#include "app_report.moc"
