#pragma once

#include "support.h"

#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTemporaryDir>

namespace wisetick::test {

struct Run {
    int exitCode = -1;
    QString out;
    QString err;
    QJsonObject json() const { return QJsonDocument::fromJson(out.toUtf8()).object(); }
};

/// ms that a program may take; many times what it needs, as other tests run beside it.
inline const int kProgramPatience = kIsSanitized ? 240'000 : 60'000;

/// Runs the real program.
inline Run run(const QStringList& arguments, const QString& folder = QString::fromStdString(sourceDir())) {
    QProcess process;
    process.setWorkingDirectory(folder);
    process.start(qEnvironmentVariable("WISETICK_CLI"), arguments);
    if (!process.waitForFinished(kProgramPatience)) {
        qFatal("the program did not finish: %s", qPrintable(process.errorString()));
    }
    return {process.exitStatus() == QProcess::NormalExit ? process.exitCode() : -1,
            QString::fromUtf8(process.readAllStandardOutput()), QString::fromUtf8(process.readAllStandardError())};
}

inline const QString kOrchard = "examples/orchard-sprayer.plan.toml";

/// A test of the command line with a folder of its own.
class CliFixture : public QObject {
protected:
    QTemporaryDir folder_;

    /// The example beside its part, with an edit.
    QString editedPlan(const std::string& what, const std::string& by) {
        const QString path = folder_.filePath("edited.plan.toml");
        write(path, replaced(orchardText(), what, by));
        write(folder_.filePath("marram-20.part.toml"), marramText());
        return path;
    }

    static void write(const QString& path, const std::string& text) {
        QFile file(path);
        if (!file.open(QIODevice::WriteOnly) || file.write(text.data(), static_cast<qint64>(text.size())) < 0) {
            qFatal("can't write %s", qPrintable(path));
        }
    }
};

} // namespace wisetick::test
