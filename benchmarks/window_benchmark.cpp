// How long the window takes to paint and to follow an edit, at 1280 × 800, offscreen. Quote medians.
// A plan of 100 promises on a part of 120 lines is made up here.

#include "bench/bench_view.h"
#include "clocks/clocks_view.h"
#include "plan/job_edits.h"
#include "plan/take_edits.h"
#include "promises/promises_column.h"
#include "seek/asked_column.h"
#include "seek/found_list.h"
#include "seek/seek_chips.h"
#include "seek/seek_panel.h"
#include "shell/command_palette.h"
#include "shell/main_window.h"

#include <QAction>
#include <QApplication>
#include <QFile>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QScrollBar>
#include <QTemporaryDir>

#include <benchmark/benchmark.h>

#include <chrono>
#include <cmath>
#include <iostream>
#include <memory>

namespace {

using namespace wisetick::app;

QByteArray largePart() {
    QByteArray text = "format = \"wisetick-part/1\"\nid = \"large\"\ncore = \"line0\"\n[[source]]\nid = \"osc\"\nkind = "
                      "\"rc\"\nrate = \"400 MHz\"\n"
                      "tolerance = \"1 %\"\nstartup = \"1 us\"\ndraws = \"1 mA\"\n[[mode]]\nid = \"run\"\nruns = true\ndraws = { "
                      "typ = \"1 mA\", max = \"2 mA\" }\n";
    for (int i = 0; i < 120; ++i) {
        const QByteArray from = i == 0 ? QByteArray("osc") : "line" + QByteArray::number((i - 1) / 3);
        text += "[[line]]\nid = \"line" + QByteArray::number(i) + "\"\nfrom = \"" + from +
                "\"\ndivide = { from = 1, to = 16 }\nlimit = { max = \"400 MHz\" }\n";
    }
    for (int i = 0; i < 60; ++i) {
        text += "[[peripheral]]\nid = \"timer" + QByteArray::number(i) +
                "\"\nkind = \"timer\"\nbits = 16\nprescaler = { from = 1, to = 65536 }\nclock = \"line" +
                QByteArray::number(i * 2) + "\"\ndraws = \"10 uA\"\n";
    }
    return text;
}

QByteArray largePlan() {
    QByteArray text = "format = \"wisetick-plan/1\"\nname = \"Large\"\npart = \"large\"\n[board]\nsupply = { nominal = \"3 V\" "
                      "}\ntemperature = { nominal = \"25 C\" }\n";
    for (int i = 0; i < 100; ++i) {
        text += i < 60 ? "[[promise]]\nsay = \"p" + QByteArray::number(i) + ": timer" + QByteArray::number(i) +
                             " fires every 1 ms within 1.5 %\"\n"
                       : "[[promise]]\nsay = \"p" + QByteArray::number(i) + ": line" + QByteArray::number(i) +
                             " runs at most 400 MHz\"\n";
    }
    return text + "[[take]]\nname = \"A\"\n[take.choices.line1]\ndivide = 2\n[take.choices.line2]\ndivide = "
                  "3\n[take.choices.line3]\ndivide = 5\n";
}

MainWindow& window() {
    static QTemporaryDir folder;
    static MainWindow* const shown = [] {
        for (const auto& [name, text] : {std::pair{"large.part.toml", largePart()}, std::pair{"large.plan.toml", largePlan()}}) {
            QFile file(folder.filePath(name));
            if (!file.open(QIODevice::WriteOnly) || file.write(text) < 0) {
                std::cerr << "can't write " << name << "\n";
            }
        }
        auto* made = new MainWindow(wisetick::Shelf{}); // outlives the application
        made->leaveNoTrace();
        made->resize(1280, 800);
        made->show();
        if (!made->openPlan(folder.filePath("large.plan.toml"))) {
            std::cerr << "the large plan can't be read\n";
            std::abort();
        }
        QApplication::processEvents();
        return made;
    }();
    return *shown;
}

void paintClocks(benchmark::State& state) {
    QWidget* viewport = window().find<ClocksView>()->viewport();
    for (auto _ : state) {
        viewport->repaint();
    }
}

void scrollPromises(benchmark::State& state) {
    PromiseCards* cards = window().promises()->cards();
    int place = 0;
    for (auto _ : state) {
        place = (place + 24) % std::max(1, cards->verticalScrollBar()->maximum());
        cards->verticalScrollBar()->setValue(place);
        cards->viewport()->repaint();
    }
}

/// An edit until lines, promises and ripple are painted; the jobs are played after it.
void editToPainted(benchmark::State& state) {
    MainWindow& shown = window();
    int divide = 2;
    for (auto _ : state) {
        divide = divide == 2 ? 4 : 2;
        shown.document().edit("line1", [divide](wisetick::Plan& plan) { return setDivide(plan, plan.active, "line1", divide); });
        shown.repaint();
    }
}

/// One snap of a dragged needle until everything that it moves is painted, on the large plan.
void dragToPainted(benchmark::State& state) {
    MainWindow& shown = window();
    int divide = 2;
    for (auto _ : state) {
        divide = divide == 2 ? 4 : 2;
        shown.document().preview([divide](wisetick::Plan& plan) { return setDivide(plan, plan.active, "line1", divide); });
        shown.repaint();
    }
    shown.document().endPreview();
}

/// The same in the shipped example.
void editOfTheExample(benchmark::State& state) {
    const std::string source = WISETICK_SOURCE_DIR;
    static MainWindow& shown = *new MainWindow(wisetick::Shelf{source + "/parts"}); // outlives the application
    shown.leaveNoTrace();
    shown.resize(1280, 800);
    shown.show();
    shown.openPlan(QString::fromStdString(source + "/examples/orchard-sprayer.plan.toml"));
    int divide = 4;
    for (auto _ : state) {
        divide = divide == 4 ? 5 : 4;
        shown.document().edit("bus_a", [divide](wisetick::Plan& plan) { return setDivide(plan, plan.active, "bus_a", divide); });
        shown.repaint();
    }
}

/// An edit of a lane until it is painted, with twenty jobs that take long to be played; the play follows beside it.
void laneEditToPainted(benchmark::State& state) {
    const std::string source = WISETICK_SOURCE_DIR;
    static MainWindow& shown = *new MainWindow(wisetick::Shelf{source + "/parts"}); // outlives the application
    shown.leaveNoTrace();
    shown.resize(1280, 800);
    shown.show();
    shown.openPlan(QString::fromStdString(source + "/examples/orchard-sprayer.plan.toml"));
    shown.document().edit("twenty jobs", [](wisetick::Plan& plan) {
        plan.jobs.clear();
        for (int i = 0; i < 20; ++i) {
            wisetick::Job job;
            job.name = "job" + std::to_string(i);
            job.every = i == 19 ? 20000 : std::vector<int>{1, 2, 4, 5, 8, 10, 16, 20, 25, 40}[static_cast<std::size_t>(i % 10)];
            job.lasts = wisetick::Rational(1 + i, 10000);
            plan.jobs.push_back(std::move(job));
        }
        return std::string();
    });
    shown.showView("rhythm");
    while (!shown.document().figures().rhythm) {
        QApplication::processEvents();
    }
    shown.repaint();
    int phase = 1;
    for (auto _ : state) {
        phase = 3 - phase;
        shown.document().edit("phase", [phase](wisetick::Plan& plan) { return setJobPhase(plan, plan.jobs[3].name, phase); });
        shown.repaint();
    }
}

/// The largest example with Seek open.
MainWindow& seeking() {
    static MainWindow* const shown = [] {
        const std::string source = WISETICK_SOURCE_DIR;
        auto* made = new MainWindow(wisetick::Shelf{source + "/parts"}); // outlives the application
        made->resize(1280, 800);
        made->show();
        made->openPlan(QString::fromStdString(source + "/examples/spindle-balancer.plan.toml"));
        while (!made->document().figures().rhythm) {
            QApplication::processEvents();
        }
        return made;
    }();
    shown->goTo(wisetick::Target::seek());
    return *shown;
}

/// A hundred million edges on the bench, from all of them down to a few: each paints the whole view.
void paintHundredMillionEdges(benchmark::State& state) {
    static const auto capture = [] {
        auto made = std::make_shared<wisetick::Capture>();
        made->name = "many";
        made->tick = wisetick::Rational(1, 1'000'000'000);
        wisetick::Track track{"beat", {}};
        std::int64_t at = 0;
        for (std::int64_t i = 0; i < 100'000'000; ++i) { // 1 ms with some jitter
            at += 1'000'000 + (i * 7919) % 211;
            track.edges.add(at, i % 2 == 0 ? wisetick::LogicLevel::high : wisetick::LogicLevel::low);
        }
        made->end = at;
        made->tracks.push_back(std::move(track));
        return std::shared_ptr<const wisetick::Capture>(std::move(made));
    }();
    MainWindow& shown = seeking();
    shown.find<SeekPanel>()->end();
    shown.showView("bench");
    auto* view = shown.find<BenchView>();
    if (view->work().capture() != capture.get()) {
        view->work().layCapture("many", capture);
        while (view->work().isBusy() || view->work().capture() != capture.get()) {
            QApplication::processEvents();
        }
    }
    const double whole = capture->length().toDouble();
    const double length = whole / std::pow(10, static_cast<double>(state.range(0)));
    double from = 0;
    for (auto _ : state) {
        from = from + length / 7 > whole - length ? 0 : from + length / 7;
        view->showTime(from, from + length);
        view->viewport()->repaint();
    }
    state.counters["edges_shown"] = 1e8 / std::pow(10, static_cast<double>(state.range(0)));
}

/// A key into the line of a wish until it is painted, while a search of some seconds runs beside it; with what it tells
/// meanwhile.
void keyWhileSeeking(benchmark::State& state) {
    MainWindow& shown = seeking();
    double longest = 0;
    for (auto _ : state) {
        if (!shown.find<SeekPanel>()->isBusy()) {
            state.PauseTiming();
            shown.find<SeekPanel>()->end();
            shown.goTo(wisetick::Target::seek());
            state.ResumeTiming();
        }
        const auto start = std::chrono::steady_clock::now();
        QApplication::processEvents();
        QKeyEvent press(QEvent::KeyPress, Qt::Key_A, {}, "a");
        QApplication::sendEvent(shown.find<SeekPanel>()->asked()->entry(), &press);
        shown.find<SeekPanel>()->repaint();
        longest = std::max(longest, std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count());
    }
    shown.find<SeekPanel>()->asked()->entry()->clear();
    state.counters["longest_ms"] = longest * 1000;
}

/// The list of all commands from its keys until it is painted, and a letter typed into it until what it finds is.
void openPalette(benchmark::State& state) {
    MainWindow& shown = window();
    QAction* opens = nullptr;
    for (QAction* each : shown.actions()) {
        opens = each->shortcut() == QKeySequence("Ctrl+Shift+P") ? each : opens;
    }
    for (auto _ : state) {
        opens->trigger();
        auto* palette = shown.findChildren<CommandPalette*>().back();
        palette->repaint();
        palette->list()->viewport()->repaint();
        state.PauseTiming();
        delete palette;
        state.ResumeTiming();
    }
}

/// A tag that is pressed: the old search is told to stop, the new one begins, all is painted.
void askAnew(benchmark::State& state) {
    MainWindow& shown = seeking();
    for (auto _ : state) {
        emit shown.find<SeekPanel>()->asked()->chips()->pressed(1, 0);
        shown.repaint();
        state.PauseTiming(); // as if by hand
        const auto start = std::chrono::steady_clock::now();
        while (std::chrono::steady_clock::now() - start < std::chrono::milliseconds(200)) {
            QApplication::processEvents();
        }
        state.ResumeTiming();
    }
    shown.find<SeekPanel>()->end();
}

/// Another found take selected: its needles, its changes and its mark are painted.
void selectFound(benchmark::State& state) {
    MainWindow& shown = seeking();
    while (shown.find<SeekPanel>()->isBusy()) {
        QApplication::processEvents();
    }
    FoundList* list = shown.find<SeekPanel>()->list();
    std::size_t entry = 0;
    for (auto _ : state) {
        entry = (entry + 1) % std::max<std::size_t>(1, list->entries().size());
        list->select(entry);
        shown.repaint();
    }
    shown.find<SeekPanel>()->end();
}

BENCHMARK(paintHundredMillionEdges)->Unit(benchmark::kMillisecond)->Arg(0)->Arg(2)->Arg(4)->Arg(6);
BENCHMARK(keyWhileSeeking)->Unit(benchmark::kMillisecond);
BENCHMARK(openPalette)->Unit(benchmark::kMillisecond);
BENCHMARK(askAnew)->Unit(benchmark::kMillisecond)->Iterations(20);
BENCHMARK(selectFound)->Unit(benchmark::kMillisecond);
BENCHMARK(laneEditToPainted)->Unit(benchmark::kMillisecond);
BENCHMARK(editOfTheExample)->Unit(benchmark::kMillisecond);
BENCHMARK(paintClocks)->Unit(benchmark::kMillisecond);
BENCHMARK(scrollPromises)->Unit(benchmark::kMillisecond);
BENCHMARK(dragToPainted)->Unit(benchmark::kMillisecond);
BENCHMARK(editToPainted)->Unit(benchmark::kMillisecond);

} // namespace

int main(int argc, char** argv) {
    qputenv("QT_QPA_PLATFORM", "offscreen");
    QApplication application(argc, argv);
    benchmark::Initialize(&argc, argv);
    benchmark::RunSpecifiedBenchmarks();
    return 0;
}
