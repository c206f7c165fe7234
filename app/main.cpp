#include "shell/main_window.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QDir>
#include <QElapsedTimer>

namespace {

/// Where parts are looked for: beside the program as installed, then up the tree from it as built.
wisetick::Shelf shelf() {
    wisetick::Shelf folders{(QApplication::applicationDirPath() + "/../share/wisetick/parts").toStdString()};
    for (QDir folder(QApplication::applicationDirPath()); !folder.isRoot(); folder.cdUp()) {
        if (folder.exists("parts")) {
            folders.push_back(folder.filePath("parts").toStdString());
            break;
        }
    }
    return folders;
}

} // namespace

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QApplication::setApplicationName("Wise Tick");
    QApplication::setApplicationVersion(WISETICK_VERSION);
    QCommandLineParser parser;
    parser.setApplicationDescription("Holds what firmware promises beside what its clock settings give.");
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument("plan", "the plan to open", "[PLAN]");
    parser.addOption({"picture", "Write a picture of the window to FILE and quit.", "FILE"});
    parser.addOption({"dark", "Start with the dark theme."});
    parser.process(application);
    wisetick::app::MainWindow window(shelf());
    if (parser.isSet("dark")) {
        window.setTheme(wisetick::app::darkTheme());
    }
    window.show();
    if (!parser.positionalArguments().isEmpty()) {
        window.openPlan(parser.positionalArguments().front());
    }
    if (parser.isSet("picture")) {
        // until the jobs are played and the ways out are found
        QElapsedTimer timer;
        timer.start();
        while (timer.elapsed() < 800) {
            QApplication::processEvents(QEventLoop::AllEvents, 50);
        }
        return window.grab().save(parser.value("picture")) ? 0 : 1;
    }
    return QApplication::exec();
}
