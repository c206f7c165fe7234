#include "files/part_reader.h"
#include "plan/job_line.h"
#include "plan/promise_line.h"
#include "support.h"

#include <QProcess>
#include <QRegularExpression>

using namespace wisetick;
using namespace wisetick::test;

namespace {

QString document(const char* name) {
    return QString::fromStdString(fileText(sourceDir() + "/" + name));
}

/// The command of an example, split as a shell splits it.
QStringList argumentsOf(const QString& line) {
    QStringList arguments = QProcess::splitCommand(line);
    arguments.removeFirst(); // the program's name
    return arguments;
}

} // namespace

/// What the documents show is what the program does.
class CliDocuments : public QObject {
    Q_OBJECT

private slots:
    void examples_data() {
        QTest::addColumn<QString>("block");
        QStringList names{"README.md",     "docs/calculations.md", "docs/shelf.md",
                          "docs/sleep.md", "docs/rhythm.md",       "docs/seek.md"};
        for (const QString& page : QDir(QString::fromStdString(sourceDir()) + "/docs/promises").entryList({"*.md"})) {
            names << "docs/promises/" + page;
        }
        for (const QString& name : names) {
            const QRegularExpression fence("```(?:console)?\\n\\$ (wisetick-cli .*?)```",
                                           QRegularExpression::DotMatchesEverythingOption);
            auto matches = fence.globalMatch(document(qPrintable(name)));
            for (int count = 1; matches.hasNext(); ++count) {
                QTest::addRow("%s %d", qPrintable(name), count) << matches.next().captured(1);
            }
        }
    }
    void examples() {
        QFETCH(QString, block);
        QStringList shown = block.split('\n', Qt::SkipEmptyParts);
        QStringList arguments = argumentsOf(shown.takeFirst());
        if (arguments.first() == "rhythm" || arguments.first() == "seek") {
            arguments += {"--within", "300"}; // what they say is meant here, however slow the machine
        }
        QProcess process;
        process.setWorkingDirectory(QString::fromStdString(sourceDir()));
        process.start(qEnvironmentVariable("WISETICK_CLI"), arguments);
        QVERIFY(process.waitForFinished(300000));
        const QStringList got = QString::fromUtf8(process.readAllStandardOutput()).split('\n');
        // every line that is shown stands in the output, in this order
        qsizetype from = 0;
        for (const QString& line : shown) {
            if (line.trimmed() == QString::fromUtf8("\u2026")) {
                continue;
            }
            const qsizetype at = got.indexOf(line, from);
            QVERIFY2(at >= 0, qPrintable("not in the output: " + line + "\n" + got.join('\n')));
            from = at + 1;
        }
        QVERIFY(!shown.isEmpty());
    }

    void jobLinesAreRead() {
        const QRegularExpression row("^\\| `([^`]+)` \\|", QRegularExpression::MultilineOption);
        int count = 0;
        auto rows = row.globalMatch(document("docs/rhythm.md"));
        while (rows.hasNext()) {
            const std::string line = rows.next().captured(1).toStdString();
            const auto job = readJobLine(line);
            QVERIFY2(job.has_value(), line.c_str());
            QVERIFY(readJobLine(printJobLine(*job)) == *job);
            ++count;
        }
        QVERIFY(count >= 8);
    }

    void promiseLinesOfTheGrammarAreRead() {
        const Part marram = readPart(marramText(), "part").part.value();
        const Part gorse = readPart(fileText(sourceDir() + "/parts/gorse-12.part.toml"), "part").part.value();
        const QRegularExpression cell("^\\| (`.*`) \\|", QRegularExpression::MultilineOption);
        const QRegularExpression code("`([^`]+)`");
        int count = 0;
        auto rows = cell.globalMatch(document("docs/promise-lines.md"));
        while (rows.hasNext()) {
            auto lines = code.globalMatch(rows.next().captured(1));
            while (lines.hasNext()) {
                const std::string line = lines.next().captured(1).toStdString();
                const bool isOfGorse = line.find("sound plays") != std::string::npos; // the other has no such port
                const auto read = readPromiseLine(line, isOfGorse ? &gorse : &marram);
                QVERIFY2(read.has_value(), (line + ": " + (read ? "" : sayText(read.error()))).c_str());
                ++count;
            }
        }
        QVERIFY(count >= 36);
    }

    void documentsLinkToWhatIsThere() {
        const QRegularExpression link("\\]\\(([^)#:]+)[^)]*\\)");
        for (const char* name :
             {"README.md", "docs/promise-lines.md", "docs/plan-files.md", "docs/part-files.md", "docs/architecture.md"}) {
            const QString folder = QString(name).contains('/') ? "/docs/" : "/";
            auto links = link.globalMatch(document(name));
            while (links.hasNext()) {
                const QString target = links.next().captured(1);
                QVERIFY2(QFileInfo::exists(QString::fromStdString(sourceDir()) + folder + target),
                         qPrintable(QString(name) + " links to " + target));
            }
        }
    }
};

QTEST_GUILESS_MAIN(CliDocuments)
#include "cli_documents.moc"
