#include "command_options.h"

#include "bench_command.h"
#include "handover_command.h"
#include "lsp_command.h"
#include "part_commands.h"
#include "review_commands.h"
#include "seek_command.h"

#include <CLI/CLI.hpp>

#include <cstdlib>
#include <iostream>

namespace wisetick::cli {

namespace {

constexpr double kLeastWithin = 0.01; // s, of a search
constexpr double kMostWithin = 86400;
constexpr double kRhythmWithin = 5;

/// What is wrong with a time to search, in seconds.
std::string checkWithin(const std::string& text) {
    const double seconds = std::strtod(text.c_str(), nullptr);
    return seconds >= kLeastWithin && seconds <= kMostWithin ? std::string()
                                                             : text + " is no such time; expected 0.01 to 86400 seconds";
}

/// Options live as long as what runs with them.
template <class Options>
using Kept = std::shared_ptr<Options>;

Kept<PlanOptions> addPlanOptions(CLI::App& app) {
    auto options = std::make_shared<PlanOptions>();
    app.add_option("PLAN", options->plan, "the plan file")->required();
    app.add_option("--take", options->take, "the take that is meant; else the plan's active one");
    app.add_flag("--json", options->isJson, "one JSON object; exact figures are strings (docs/json.md)");
    return options;
}

Kept<std::string> addText(CLI::App& app, const std::string& name, const std::string& say, bool isRequired = false) {
    auto text = std::make_shared<std::string>();
    app.add_option(name, *text, say)->required(isRequired);
    return text;
}

Kept<std::vector<std::string>> addTexts(CLI::App& app, const std::string& name, const std::string& say, bool isRequired = false) {
    auto texts = std::make_shared<std::vector<std::string>>();
    app.add_option(name, *texts, say)->required(isRequired);
    return texts;
}

Kept<bool> addFlag(CLI::App& app, const std::string& name, const std::string& say) {
    auto flag = std::make_shared<bool>(false);
    app.add_flag(name, *flag, say);
    return flag;
}

Run derive(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    return [=](const Console& console) { return runDerive(console, *plan); };
}

Run check(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto check = std::make_shared<CheckOptions>();
    app.add_flag("--strict", check->isStrict, "exit 1 for strained ones too: the nominal holds, a worst case does not");
    app.add_flag("--all-takes", check->areAllTakes, "the takes that nothing names too, each with all that can be asked there");
    app.add_option("--as", check->form, "text, sarif (OASIS SARIF 2.1.0) or junit; text without");
    app.add_flag("--watch", check->isWatching, "again whenever the plan or its part changes, until it is stopped");
    return [=](const Console& console) { return runCheck(console, *plan, *check); };
}

Run promise(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto line = addText(app, "LINE", "the promise, such as \"tick: timer1 fires every 1 ms exactly\"", true);
    const auto wantsRates =
        addFlag(app, "--rates", "also the rates of its clock, half to twice as fast, with which it could be kept");
    return [=](const Console& console) { return runPromise(console, *plan, *line, *wantsRates); };
}

Run board(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto isRouted = addFlag(app, "--route-all", "finds pins for all signals at once, or says which can't stand together");
    return [=](const Console& console) { return runBoard(console, *plan, *isRouted); };
}

Run fails(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto source = addText(app, "SOURCE", "the source", true);
    return [=](const Console& console) { return runFails(console, *plan, *source); };
}

Run way(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto from = addText(app, "--from", "the take that is left; else reset");
    return [=](const Console& console) { return runWay(console, *plan, *from); };
}

Run sleep(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto mode = addText(app, "MODE", "a sleep mode of the part");
    return [=](const Console& console) { return runSleep(console, *plan, *mode); };
}

Run rhythm(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto hasChance = addFlag(app, "--chance", "play a thousand times and show how far average and life differ");
    const auto race = addText(app, "--race", "a job: the charge that it takes by the core's rate");
    auto within = std::make_shared<double>(kRhythmWithin);
    app.add_option("--within", *within, "seconds, then what would move the battery most is left out; 5 without")
        ->check(checkWithin);
    return [=](const Console& console) { return runRhythm(console, *plan, *hasChance, *race, *within); };
}

Run emit(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto emit = std::make_shared<EmitOptions>();
    app.add_option("--as", emit->form, "header, prototypes, c, cpp, rust, dts, csv or json; header without");
    app.add_flag("--even-broken", emit->isEvenBroken, "what is broken too; else it is left out, and an #error in C");
    app.add_option("--from", emit->from, "the take that is left; else reset");
    app.add_option("--registers", emit->registers,
                   "how your own header names a register, such as \"{block}->{register}\"; else by the part's addresses");
    return [=](const Console& console) { return runEmit(console, *plan, *emit); };
}

Run handover(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto handover = std::make_shared<HandoverOptions>();
    app.add_flag("--check", handover->isChecked, "exit 1 where a file is not as planned, or leaves something out");
    app.add_flag("--write", handover->isWritten, "writes what differs, each file whole or not at all");
    app.add_flag("--diff", handover->showsDiff, "what differs, line by line");
    app.add_flag("--over-edited", handover->isOverEdited, "with --write: files that somebody changed by hand, or made, too");
    return [=](const Console& console) { return runHandover(console, *plan, *handover); };
}

Run report(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto report = std::make_shared<ReportOptions>();
    app.add_option("--as", report->form, "html (one file that needs no other) or markdown; html without");
    app.add_option("--since", report->since, "an older plan: what moved since");
    return [=](const Console& console) { return runReport(console, *plan, *report); };
}

Run found(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto found = std::make_shared<FoundOptions>();
    app.add_option("FILE", found->file, "registers as a debugger gave them: NAME = value, address and values, Intel HEX, SREC")
        ->required();
    app.add_option("--at", found->address, "the file is a memory's bytes, the first of them at this address");
    app.add_option("--as-take", found->asTake, "adds what was found to the plan as a take of that name");
    return [=](const Console& console) { return runFound(console, *plan, *found); };
}

Run filter(CLI::App& app) {
    const auto filters = addTexts(app, "FILTER", "a range 0x100..0x17f, a pair 0x100,0x200, or a mask 0x100&0x7f0", true);
    const auto ids = addTexts(app, "--id", "an id to try");
    return [=](const Console& console) { return runFilter(console, *filters, *ids); };
}

Run compare(CLI::App& app) {
    const auto plan = std::make_shared<PlanOptions>();
    app.add_option("PLAN", plan->plan, "the plan file")->required();
    const auto takes = addTexts(app, "TAKE", "the takes, else all; or another plan's file: what moved from the first to it");
    app.add_option("--take", plan->take, "of two plans: the take that is compared; else the active one of each");
    app.add_flag("--json", plan->isJson, "one JSON object");
    return [=](const Console& console) { return runCompare(console, *plan, *takes); };
}

Run seek(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto sought = std::make_shared<SeekOptions>();
    app.add_option("WISH", sought->wishes,
                   "such as \"core = 160 MHz\", \"usb = 48 MHz within 0.25 %\", \"bus_a as high as "
                   "possible up to 32 MHz, if possible\"");
    const auto wanted = std::make_shared<std::vector<std::string>>();
    app.add_option("--want", *wanted, "the same")->allow_extra_args(false);
    app.add_option("--keep-promises-but", sought->keptBut, "all promises but these, by name between commas");
    const CLI::Option* keep =
        app.add_option("--keep-promises", sought->kept, "promises to be kept, by name between commas; else all")->expected(0, 1);
    app.add_option("--lift", sought->lifted, "what shall not hold: \"limits of LINE\", \"lock on LOCK\", \"rule SAY\"")
        ->allow_extra_args(false);
    app.add_option("--if-possible", sought->ifPossible, "promises to be kept if possible");
    app.add_option("--may-change", sought->mayChange,
                   "lines, sources or peripherals that may change, with all above them; else everything that is not locked")
        ->allow_extra_args(false);
    app.add_option("--prefer", sought->prefers, "what decides between equals: changes, current, core, oscillator, wake-up");
    app.add_option("--which-crystal", sought->crystal,
                   "a source whose crystal may be another one: \"xtm\", \"xtm: 8 MHz, 12 MHz\", \"xtm: 8 MHz to 30 MHz\"");
    app.add_option("--top", sought->top, "how many takes; 20 without")->check(CLI::Range(1, 1000));
    app.add_option("--choose", sought->choose, "the take that is shown in full and written; the best without");
    app.add_option("--unfold", sought->unfold, "the take whose equals in every rate that matters are listed");
    app.add_flag("--all-conflicts", sought->allConflicts, "where nothing fits, every set of wishes that collides");
    app.add_option("--within", sought->within, "seconds, then the search is stopped and says so; 20 without")->check(checkWithin);
    app.add_option("--write", sought->write, "write the plan with the take added to this file");
    app.add_option("--as", sought->name, "the name of the added take");
    return [=](const Console& console) {
        sought->keepsPromises = keep->count() > 0;
        sought->wishes.insert(sought->wishes.end(), wanted->begin(), wanted->end());
        return runSeek(console, *plan, *sought);
    };
}

Run shelf(CLI::App& app) {
    const auto needs = addText(app, "NEEDS", "such as \"core >= 100 MHz, 2 uart, can fd, sleep <= 2 uA, 3 pll\"");
    const auto isJson = addFlag(app, "--json", "one JSON object");
    return [=](const Console& console) { return runShelf(console, *needs, *isJson); };
}

Run newPart(CLI::App& app) {
    const auto id = addText(app, "ID", "its id, which is also its file's name: ID.part.toml", true);
    const auto like = std::make_shared<std::string>("small");
    app.add_option("--like", *like, "small, or middle: with registers, keys, templates, tiers and pins to choose from");
    const auto fromSvd =
        addText(app, "--from-svd", "a CMSIS-SVD file: its registers and fields, a peripheral for each of its own");
    return [=](const Console& console) { return runNewPart(console, *id, *like, *fromSvd); };
}

Run bench(CLI::App& app) {
    const auto plan = addPlanOptions(app);
    const auto options = std::make_shared<BenchOptions>();
    app.add_option("CAPTURE", options->capture,
                   "a value change dump (IEEE 1364) or a table (.csv), its tracks called like promises")
        ->required();
    app.add_option("--sample", options->sample, "the time between two rows of a table that tells no times, such as '41.7 ns'");
    app.add_flag("--explain", options->isExplained, "what explains it: settings, clocks and cycles that are not as planned");
    LineWishes& lines = options->lines;
    app.add_option("--between", lines.between, "two tracks: delays from one to the other, and how long both are low between")
        ->expected(2);
    app.add_option("--words", lines.words, "clock and data of a clocked line, and its select line where there is one")
        ->expected(2, 3);
    app.add_option("--bits", lines.wordBits, "of a word; 8 without")->check(CLI::Range(1, 64));
    app.add_flag("--falling", lines.fallsClock, "data is taken at falling edges of the clock");
    app.add_option("--two-wire", lines.twoWire, "clock and data of a two-wire bus (I2C)")->expected(2);
    return [=](const Console& console) { return runBench(console, *plan, *options); };
}

Run lint(CLI::App& app) {
    const auto options = std::make_shared<LintOptions>();
    app.add_option("PART", options->parts, "part files")->required();
    app.add_flag("--unknown", options->isUnknown,
                 "what they do not tell, what most hangs on it first, and what can't be written");
    app.add_flag("--json", options->isJson, "one JSON object");
    return [=](const Console& console) { return runLint(console, *options); };
}

Run lsp(CLI::App& app) {
    const auto isSaid = std::make_shared<bool>(false); // many editors say so; there is no other way
    app.add_flag("--stdio", *isSaid, "speak over standard input and output, as it does anyway");
    return [isSaid](const Console& console) { return runLsp(console, std::cin); };
}

} // namespace

const std::vector<Command>& commands() {
    static const std::vector<Command> list{
        {"derive", "Show every figure that follows from a plan", derive},
        {"check", "Judge every promise and limit; exit 1 if one is broken", check},
        {"promise", "Try one promise line on a plan, without changing the file", promise},
        {"board", "Crystals with their capacitors and margins, pins and who takes them, option words", board},
        {"fails", "What still holds when a source fails; exit 1 if something breaks", fails},
        {"way", "The order in which to write the clock fields, every state on the way within its limits", way},
        {"sleep", "The sleep modes, or one of them: what it keeps, draws, and how it wakes", sleep},
        {"rhythm", "The jobs: where the charge goes, and what would move the battery most", rhythm},
        {"emit", "The register fields of a take: constants, functions in order, or a table", emit},
        {"handover", "The files that the plan hands over: as planned, or behind; written where that is asked", handover},
        {"report", "The plan from beginning to end, for people: HTML or Markdown", report},
        {"found", "Registers read from a board against a take: what differs, and what that does to the promises", found},
        {"bench", "A capture from a board against the plan; exit 1 if a promise is measured broken", bench},
        {"filter", "Try CAN filters on ids; exit 1 if an id is kept out", filter},
        {"compare", "Put the takes of a plan beside one another, differences first", compare},
        {"seek", "Find takes that keep wishes and promises all at once; exit 1 if none does", seek},
        {"shelf", "The parts there are, and which has what is needed; exit 1 if none has", shelf},
        {"new-part", "Print a small commented part to begin your own with", newPart},
        {"lint", "Look for faults and suspicious entries in part files", lint},
        {"lsp", "Speak with an editor: the Language Server Protocol 3.17 for plans and parts, over standard input and output",
         lsp}};
    return list;
}

} // namespace wisetick::cli
