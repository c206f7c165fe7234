#include "window_fixture.h"

#include <QFile>

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
