#include "bench/bench_view.h"
#include "clocks/clocks_view.h"
#include "language/language.h"
#include "paint/menu_style.h"
#include "paint/text.h"
#include "part_editor/fields_page.h"
#include "part_editor/part_editor.h"
#include "seek/seek_panel.h"
#include "shell/application.h"
#include "shell/main_window.h"
#include "shell/views.h"
#include "shell/window_server.h"

#include <QApplication>
#include <QCommandLineParser>
#include <QDir>
#include <QElapsedTimer>
#include <QFontDatabase>
#include <QLineEdit>
#include <QLocale>
#include <QStandardPaths>

#include <fontconfig/fontconfig.h>

#include <algorithm>
#include <cstdlib>
#include <iostream>
#include <memory>
#include <string_view>
#include <thread>

namespace {

/// A folder that ships with the program: beside it as installed, or up the tree from it as built.
QString shipped(const QString& name) {
    const QString installed = QApplication::applicationDirPath() + "/../share/wisetick/" + name;
    if (QDir(installed).exists()) {
        return installed;
    }
    for (QDir folder(QApplication::applicationDirPath()); !folder.isRoot(); folder.cdUp()) {
        if (folder.exists(name) && folder.exists("examples")) {
            return folder.filePath(name);
        }
    }
    return QStandardPaths::locate(QStandardPaths::GenericDataLocation, "wisetick/" + name, QStandardPaths::LocateDirectory);
}

/// Notices the first painting of a widget.
class FirstPaint : public QObject {
public:
    explicit FirstPaint(QWidget* widget) { widget->installEventFilter(this); }
    bool isThere() const { return isThere_; }

protected:
    bool eventFilter(QObject*, QEvent* event) override {
        isThere_ = isThere_ || event->type() == QEvent::Paint;
        return false;
    }

private:
    bool isThere_ = false;
};

/// What only writes a file needs no display.
void useNoDisplayForFiles(int argc, char** argv) {
    const bool writesFile = std::any_of(argv + 1, argv + argc, [](const char* word) {
        return std::string_view(word).starts_with("--report") || std::string_view(word).starts_with("--picture");
    });
    if (writesFile && qEnvironmentVariableIsEmpty("DISPLAY") && qEnvironmentVariableIsEmpty("WAYLAND_DISPLAY") &&
        qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM")) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
    }
}

/// Speaks the language that is asked for, else the chosen one, else that of the desktop. False: that is not here.
bool speaks(const QString& asked, const QString& chosen, bool isQuiet) {
    if (!asked.isEmpty()) {
        return wisetick::app::Language::speak(asked);
    }
    const QString desktop = isQuiet ? QString("en") : QLocale::system().name().section('_', 0, 0);
    if (!wisetick::app::Language::speak(chosen.isEmpty() ? desktop : chosen)) {
        wisetick::app::Language::speak("en");
    }
    return true;
}

} // namespace

int main(int argc, char** argv) {
    useNoDisplayForFiles(argc, argv);
    std::thread fontFiles([] { FcInit(); }); // they are found while the desktop is asked for a place
    wisetick::app::Application application(argc, argv);
    QApplication::setStyle(new wisetick::app::MenuStyle);
    QApplication::setApplicationName("Wise Tick");
    QApplication::setOrganizationName("Wise Tick");
    QApplication::setApplicationVersion(WISETICK_VERSION);
    QCommandLineParser parser;
    parser.setApplicationDescription("Holds what firmware promises beside what its clock settings give.");
    parser.addHelpOption();
    parser.addVersionOption();
    parser.addPositionalArgument("plan", "the plans to open, each in a window of its own", "[PLAN...]");
    parser.addOption({"picture", "Write a picture of the window to FILE and quit.", "FILE"});
    parser.addOption({"report", "Write the plan for people to FILE (.html, .pdf or .md) and quit.", "FILE"});
    parser.addOption({"capture", "Lay this capture (.vcd) on the bench.", "FILE"});
    parser.addOption({"read", "Read this track of the capture with the lines that belong to it.", "TRACK"});
    parser.addOption({"once", "Quit when the window has been painted."});
    parser.addOption({"size", "Size of the window, such as 1280x800.", "SIZE"});
    parser.addOption({"letters", "How large letters are, in points.", "POINTS"});
    parser.addOption({"lang", "Speak this language, such as de; else the one of the desktop, where it is there.", "LANGUAGE"});
    parser.addOption({"dark", "Start with the dark theme."});
    parser.addOption({"select", "Select this first, such as promise/modem or line/core.", "TARGET"});
    parser.addOption(
        {"view", "Start with this view: board, shelf, clocks, promises, sleep, rhythm, bench, handover, takes, welcome or part.",
         "VIEW"});
    parser.addOption({"seek", "Open Seek with this asked, such as \"usb = 48 MHz\"; may be given more than once.", "LINE"});
    parser.process(application);
    // the fonts are found while the plan is read
    std::thread fonts([&fontFiles] {
        fontFiles.join();
        QFontDatabase::families();
    });
    // what writes a file, or is measured, leaves what the user chose alone
    const bool isQuiet = parser.isSet("picture") || parser.isSet("report") || parser.isSet("once");
    const wisetick::app::Settings chosen = isQuiet ? wisetick::app::Settings() : wisetick::app::Settings::read();
    const QString ownParts = chosen.ownParts.isEmpty()
                                 ? QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/parts"
                                 : chosen.ownParts;
    const wisetick::Shelf shelf{ownParts.toStdString(), shipped("parts").toStdString()};
    QString plan = parser.positionalArguments().value(0);
    if (!isQuiet && !plan.isEmpty() && wisetick::app::WindowServer::raiseElsewhere(plan)) {
        std::cerr << plan.toStdString() << " is open already; its window was raised\n";
        fonts.join();
        return 0;
    }
    QStringList others; // that were open too
    if (!isQuiet && parser.positionalArguments().isEmpty() && chosen.reopens) {
        others = wisetick::app::MainWindow::openLast();
        plan = others.isEmpty() ? QString() : others.takeFirst();
    }
    for (const QString& each : parser.positionalArguments().mid(1)) {
        others << each;
    }
    if (!speaks(parser.value("lang"), chosen.language, isQuiet)) {
        std::cerr << "'" << parser.value("lang").toStdString() << "' is no language that is here; there are "
                  << wisetick::app::Language::known().join(", ").toStdString() << "\n";
        fonts.join();
        return 2;
    }
    QApplication::setFont(wisetick::app::faceFont(wisetick::app::Face::word));
    if (parser.isSet("letters")) {
        QFont letters = QApplication::font();
        letters.setPointSizeF(std::clamp(parser.value("letters").toDouble(), 4.0, 40.0));
        QApplication::setFont(letters);
    }
    wisetick::app::MainWindow window(shelf, plan, nullptr, [&fonts] { fonts.join(); });
    window.setDocuments(shipped("docs"));
    window.setExamples(shipped("examples"));
    window.setOwnParts(ownParts);
    window.setRecoveryFolder(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + "/recovery");
    if (parser.isSet("dark")) {
        window.setTheme(wisetick::app::darkTheme());
    }
    const QStringList size = parser.value("size").split('x');
    if (size.size() == 2) {
        window.resize(size[0].toInt(), size[1].toInt());
    }
    std::unique_ptr<wisetick::app::WindowServer> server;
    if (isQuiet) {
        window.leaveNoTrace();
    } else {
        server = std::make_unique<wisetick::app::WindowServer>();
        window.remember();
        if (parser.isSet("dark")) {
            window.setTheme(wisetick::app::darkTheme());
        }
    }
    QObject::connect(&application, &wisetick::app::Application::failed, &window, &wisetick::app::MainWindow::tellFault);
    window.show();
    if (parser.value("view") == "part") {
        window.editPart(window.document().partPath());
    } else if (parser.isSet("view") || plan.isEmpty()) {
        window.showView(parser.isSet("view") ? parser.value("view") : wisetick::app::kWelcome);
    }
    for (const QString& each : std::as_const(others)) {
        if (wisetick::app::MainWindow::showing(each) == nullptr && !wisetick::app::WindowServer::raiseElsewhere(each)) {
            window.another(each);
        }
    }
    const bool isOfThePart = window.partEditor() != nullptr && parser.isSet("select");
    if (isOfThePart && parser.value("select").startsWith("field/")) {
        window.partEditor()->showTab(wisetick::app::PartEditor::Tab::fields);
        window.partEditor()->fieldsPage()->search()->setText(parser.value("select").section('/', 1));
    } else if (isOfThePart && parser.value("select").startsWith("unknown/")) {
        window.partEditor()->showTab(wisetick::app::PartEditor::Tab::unknown);
    } else if (isOfThePart && parser.value("select").startsWith("modes/")) {
        window.partEditor()->showTab(wisetick::app::PartEditor::Tab::modes);
    } else if (isOfThePart) { // a thing of the part, in its tree
        window.partEditor()->showTab(wisetick::app::PartEditor::Tab::tree);
        window.partEditor()->select(parser.value("select").section('/', -1));
    } else if (parser.isSet("select")) {
        if (const auto target = wisetick::readTarget(parser.value("select").toStdString())) {
            window.goTo(*target);
        }
    }
    if (parser.isSet("seek")) {
        window.goTo(wisetick::Target::seek());
        auto* seek = window.find<wisetick::app::SeekPanel>();
        for (const QString& line : seek != nullptr ? parser.values("seek") : QStringList()) {
            seek->asked()->enterLine(line);
        }
    }
    if (parser.isSet("capture")) {
        window.showView("bench");
        wisetick::app::BenchWork& work = window.find<wisetick::app::BenchView>()->work();
        if (parser.isSet("read")) {
            QObject::connect(
                &work, &wisetick::app::BenchWork::changed, &window, [&work, name = parser.value("read").toStdString()] {
                    const wisetick::Track* track = work.capture() == nullptr ? nullptr : work.capture()->findTrack(name);
                    const auto offered =
                        track == nullptr ? std::vector<wisetick::LineReading>() : wisetick::lineReadings(*work.capture(), *track);
                    if (!offered.empty() && work.readOf(name) == nullptr && !work.isBusy()) {
                        work.readAs(offered.front());
                    }
                });
        }
        work.readFile(parser.value("capture"));
    }
    if (parser.isSet("once")) {
        FirstPaint painted(plan.isEmpty() ? static_cast<QWidget*>(&window)
                                          : window.find<wisetick::app::ClocksView>()->viewport());
        while (!painted.isThere()) {
            QApplication::processEvents();
        }
        std::cout.flush();
        std::_Exit(0); // what comes after the first painting is not asked for
    }
    if (parser.isSet("report")) {
        const QString why = window.writeReport(parser.value("report"));
        if (!why.isEmpty()) {
            std::cerr << why.toStdString() << "\n";
        }
        return why.isEmpty() ? 0 : 1;
    }
    if (parser.isSet("picture")) {
        // until the jobs are played and the ways out are found
        QElapsedTimer timer;
        timer.start();
        const auto isPlaying = [&] {
            const bool isRanking = window.partEditor() != nullptr && window.partEditor()->isRanking();
            return window.isBusy() || window.document().isPlaying() || isRanking;
        };
        while (timer.elapsed() < 800 || (isPlaying() && timer.elapsed() < 20000)) {
            QApplication::processEvents(QEventLoop::AllEvents, 50);
        }
        if (window.partEditor() != nullptr && size.size() == 2) {
            window.partEditor()->resize(size[0].toInt(), size[1].toInt());
            QApplication::processEvents();
        }
        QWidget* shown = window.partEditor() != nullptr ? static_cast<QWidget*>(window.partEditor()) : &window;
        return shown->grab().save(parser.value("picture")) ? 0 : 1;
    }
    return QApplication::exec();
}
