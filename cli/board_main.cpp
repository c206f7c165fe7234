// A board of the batch that plays a take: what a logic analyser would see on its pins, as a value change dump.

#include "base/nearest_name.h"
#include "bench/csv_capture.h"
#include "bench/explain.h"
#include "bench/sim_board.h"
#include "bench/vcd.h"
#include "board_serve.h"
#include "evaluate/evaluate.h"
#include "files/whole_file.h"
#include "loading.h"
#include "plan/take_edits.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <CLI/CLI.hpp>

#include <algorithm>
#include <atomic>
#include <csignal>
#include <iostream>

namespace {

using namespace wisetick;

const char* const kHelp =
    R"(Plays a take of a plan as one board of the batch: its sources drawn inside their tolerances, its settings read
from the register fields of the take. What its pins do is written as a value change dump (IEEE 1364).

  wisetick-board PLAN --vcd board.vcd                          as planned, seed 1, for 2 s
  wisetick-board PLAN --seed 7 --for 500ms --vcd board.vcd     another board
  wisetick-board PLAN --slips                                  what such a board may have set otherwise
  wisetick-board PLAN --slip "timer1: counts 40001 instead of 40000" --vcd board.vcd
  wisetick-board PLAN --late "blink 4652" --vcd board.vcd      firmware that takes more cycles each time
  wisetick-board PLAN --rest idle --vcd board.vcd              it rests in another mode than planned
  wisetick-board PLAN --scpi 5025                              an instrument on this machine that measures the board
  wisetick-board PLAN --pty                                    a terminal that talks at the board's own rate
  wisetick-board PLAN --job "sample 12 ms" --vcd board.vcd     a job that lasts otherwise

`wisetick-cli bench PLAN board.vcd --explain` lays it over the plan.)";

struct BoardOptions {
    std::string plan;
    std::string take;
    std::uint64_t seed = 1;
    std::string length = "2 s";
    std::string tick = "10 ns";
    std::string slip;
    std::string late;
    std::string rest;
    std::string job;
    std::string vcd;
    std::string csv;
    std::optional<int> scpi;
    bool hasTerminal = false;
    std::string port;
    bool areSlipsListed = false;
    std::vector<std::string> parts;
};

std::optional<Rational> secondsOf(const std::string& text, const std::string& option) {
    const auto read = readQuantity(text, Unit::second);
    if (!read || *read <= Rational(0)) {
        std::cerr << "error: --" << option << " '" << text << "'; expected a time such as '500 ms'\n";
        return std::nullopt;
    }
    return *read;
}

const Slip* slipNamed(const std::vector<Slip>& slips, const std::string& text) {
    const auto found = std::find_if(slips.begin(), slips.end(), [&](const Slip& each) { return each.say == text; });
    if (found != slips.end()) {
        return &*found;
    }
    std::vector<std::string> names;
    for (const Slip& each : slips) {
        names.push_back(each.say);
    }
    const std::string mend = didYouMean(text, names);
    std::cerr << "error: no slip '" << text << "'; --slips lists them" << (mend.empty() ? "" : "; " + mend) << "\n";
    return nullptr;
}

/// "blink 4652": the promise, and how many cycles.
bool readLate(const std::string& text, BoardRun& run) {
    const std::size_t blank = text.rfind(' ');
    const auto cycles = readFactor(blank == std::string::npos ? std::string() : text.substr(blank + 1));
    if (!cycles) {
        std::cerr << "error: --late '" << text << "'; expected a promise and cycles of the core, such as 'blink 4652'\n";
        return false;
    }
    run.lateOf = text.substr(0, blank);
    run.lateCycles = *cycles;
    return true;
}

/// The figures that the board's current follows, where its rests or jobs are otherwise than planned; nothing where that is bad.
std::optional<Figures> otherJobs(const cli::Loaded& loaded, const BoardOptions& options) {
    Plan plan = loaded.plan;
    if (!options.rest.empty()) {
        if (!loaded.part.findMode(options.rest)) {
            std::cerr << "error: no mode '" << options.rest << "'; the part has " << listNames(idsOf(loaded.part.modes)) << "\n";
            return std::nullopt;
        }
        restIn(plan, loaded.take, options.rest);
    }
    if (!options.job.empty()) {
        const std::size_t blank = options.job.find(' ');
        const std::string name = options.job.substr(0, blank);
        const auto lasts = readQuantity(blank == std::string::npos ? std::string() : options.job.substr(blank + 1), Unit::second);
        const auto job = std::find_if(plan.jobs.begin(), plan.jobs.end(), [&](const Job& each) { return each.name == name; });
        if (!lasts || job == plan.jobs.end()) {
            std::cerr << "error: --job '" << options.job << "'; expected a job of the plan and a time, such as 'sample 12 ms'\n";
            return std::nullopt;
        }
        job->lasts = *lasts;
        job->cycles.reset();
    }
    return evaluate(loaded.part, plan, loaded.take);
}

std::atomic<bool> isTold = false; ///< to stop

/// Shows what was recorded as an instrument and as a terminal, until the program is told to stop.
int serve(const BoardOptions& options, const cli::Loaded& loaded, const Figures& figures,
          const std::vector<BenchSignal>& predicted, const DrawnBoard& board, const BoardRun& run,
          std::shared_ptr<const Capture> capture) {
    cli::BoardService service;
    service.scpiPort = options.scpi;
    service.hasTerminal = options.hasTerminal;
    service.terminalText = run.text;
    if (options.hasTerminal) {
        const auto port = std::find_if(predicted.begin(), predicted.end(), [&](const BenchSignal& each) {
            return each.shape == BenchSignal::Shape::frames &&
                   (options.port.empty() || each.name == options.port || each.subject == options.port);
        });
        if (port == predicted.end()) {
            std::cerr << "error: "
                      << (options.port.empty() ? "no promise talks in this take" : "no promise '" + options.port + "' talks")
                      << "; --pty needs one\n";
            return cli::kBadInput;
        }
        // what its registers and its own source make of it: measured on a line that is long enough
        BoardRun longer = run;
        longer.hasCurrent = false;
        const std::vector<BenchSignal> one{*port};
        const Capture line = playBoard(loaded.part, loaded.plan, figures, one, board, longer);
        const auto measured = measureSignals(line, loaded.plan, one);
        if (measured.empty() || measured.front().isSilent) {
            std::cerr << "error: nothing can be heard of " << port->name << "; a shorter --tick, or a longer --for\n";
            return cli::kBadInput;
        }
        service.frame = port->frame;
        service.bitsPerSecond = 1 / measured.front().cycle.nominal;
        std::cerr << port->name << " of this board talks " << printQuantity(service.bitsPerSecond, Unit::bitsPerSecond) << "\n";
    }
    std::signal(SIGINT, [](int) { isTold = true; });
    std::signal(SIGTERM, [](int) { isTold = true; });
    return cli::serveBoard(std::move(capture), service, std::cout, std::cerr, isTold);
}

int play(const BoardOptions& options) {
    const cli::Console console{cli::shelfFor(options.parts), {false, 120U}, std::cout, std::cerr};
    const auto loaded = cli::load(console, {options.plan, options.take, false});
    const auto length = secondsOf(options.length, "for");
    const auto tick = secondsOf(options.tick, "tick");
    if (!loaded || !length || !tick) {
        return cli::kBadInput;
    }
    const Figures figures = evaluate(loaded->part, loaded->plan, loaded->take);
    const std::vector<BenchSignal> predicted = benchSignals(loaded->part, loaded->plan, figures);
    const std::vector<Slip> slips = slipsOf(loaded->part, loaded->plan, figures, predicted);
    if (options.areSlipsListed) {
        for (const Slip& each : slips) {
            std::cout << each.say << "\n";
        }
        return cli::kHolds;
    }
    BoardRun run;
    run.seconds = *length;
    run.tick = *tick;
    run.slip = options.slip.empty() ? nullptr : slipNamed(slips, options.slip);
    if ((!options.slip.empty() && run.slip == nullptr) || (!options.late.empty() && !readLate(options.late, run))) {
        return cli::kBadInput;
    }
    std::optional<Figures> jobs;
    if (!options.rest.empty() || !options.job.empty()) {
        jobs = otherJobs(*loaded, options);
        if (!jobs) {
            return cli::kBadInput;
        }
        run.jobs = &*jobs;
    }
    const DrawnBoard board = drawBoard(loaded->part, figures, options.seed);
    Capture capture = playBoard(loaded->part, loaded->plan, figures, predicted, board, run);
    cli::printDiagnostics(std::cerr, capture.diagnostics);
    for (std::size_t i = 0; i < loaded->part.sources.size(); ++i) {
        if (figures.lines[i].isOn) {
            std::cerr << loaded->part.sources[i].id
                      << " of this board: " << printError(quantised(board.off[i], Rational(1, 1000000000))) << "\n";
        }
    }
    if (!options.csv.empty()) {
        const std::string why = writeWholeFile(options.csv, writeCsv(capture));
        if (!why.empty()) {
            std::cerr << "error: " << options.csv << ": " << why << "\n";
            return cli::kBadInput;
        }
        if (options.vcd.empty() && !options.scpi && !options.hasTerminal) {
            return cli::kHolds;
        }
    }
    if (options.scpi || options.hasTerminal) {
        return serve(options, *loaded, figures, predicted, board, run, std::make_shared<const Capture>(std::move(capture)));
    }
    if (options.vcd.empty()) {
        writeVcd(capture, [](std::string_view piece) { std::cout << piece; });
        return std::cout.flush() ? cli::kHolds : cli::kBadInput;
    }
    std::string text;
    writeVcd(capture, [&](std::string_view piece) { text += piece; });
    const std::string why = writeWholeFile(options.vcd, text);
    if (!why.empty()) {
        std::cerr << "error: " << options.vcd << ": " << why << "\n";
        return cli::kBadInput;
    }
    return cli::kHolds;
}

int run(int argc, char** argv) {
    CLI::App app{kHelp, "wisetick-board"};
    app.set_version_flag("--version", "wisetick-board " WISETICK_VERSION);
    BoardOptions options;
    app.add_option("PLAN", options.plan, "the plan file")->required();
    app.add_option("--take", options.take, "the take that it plays; else the plan's active one");
    app.add_option("--seed", options.seed, "which board of the batch");
    app.add_option("--for", options.length, "how long, such as '500 ms'; 2 s without");
    app.add_option("--tick", options.tick, "of the capture, such as '20 ns'; 10 ns without");
    app.add_option("--slip", options.slip, "what is set otherwise, as --slips says it");
    app.add_option("--late", options.late, "a promise whose firmware takes more cycles of the core each time, and how many");
    app.add_option("--rest", options.rest, "the mode that it rests in instead of the planned one");
    app.add_option("--job", options.job, "a job and how long it lasts in fact, such as 'sample 12 ms'");
    app.add_option("--vcd", options.vcd, "the file that is written; without, it goes to the output");
    app.add_option("--csv", options.csv, "the same as a table");
    app.add_option("--scpi", options.scpi, "answers as an instrument on this port of this machine, 0 for a free one")
        ->check(CLI::Range(0, 65535));
    app.add_flag("--pty", options.hasTerminal, "talks on a pseudo-terminal at its own rate");
    app.add_option("--port", options.port, "the promise whose port --pty is; else the first that talks");
    app.add_flag("--slips", options.areSlipsListed, "lists what may be set otherwise, and plays nothing");
    app.add_option("--parts", options.parts, "a folder in which parts are looked for first");
    CLI11_PARSE(app, argc, argv);
    return play(options);
}

} // namespace

int main(int argc, char** argv) {
    try {
        return run(argc, argv);
    } catch (const std::exception& error) {
        std::cerr << "wisetick-board: a fault of this program: " << error.what() << "\n";
        return wisetick::cli::kBadInput;
    }
}
