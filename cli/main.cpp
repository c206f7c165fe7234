#include "commands.h"
#include "seek_command.h"

#include <CLI/CLI.hpp>

#include <cstdlib>
#include <iostream>
#include <unistd.h>

namespace {

namespace fs = std::filesystem;
using namespace wisetick;

/// Where parts are looked for: what the user names, then beside the program as installed, then up the tree from it
/// as built.
Shelf shelfFor(const std::vector<std::string>& named) {
    Shelf shelf(named.begin(), named.end());
    if (const char* variable = std::getenv("WISETICK_PARTS")) {
        shelf.emplace_back(variable);
    }
    std::error_code error;
    const fs::path program = fs::read_symlink("/proc/self/exe", error);
    shelf.push_back(program.parent_path().parent_path() / "share" / "wisetick" / "parts");
    for (fs::path folder = program.parent_path(); folder.has_relative_path(); folder = folder.parent_path()) {
        if (fs::is_directory(folder / "parts", error)) {
            shelf.push_back(folder / "parts");
            break;
        }
    }
    return shelf;
}

bool wantsColour() {
    const char* term = std::getenv("TERM");
    return isatty(STDOUT_FILENO) != 0 && std::getenv("NO_COLOR") == nullptr && term != nullptr && std::string(term) != "dumb";
}

const char* const kHelp = R"(Checks what a firmware plan promises against what its part and settings give.

A plan (*.plan.toml) says what was asked: board, promises, jobs, and takes, which are sets of clock settings.
A part (*.part.toml) says what the microcontroller offers. Both are text, made for version control.

  wisetick-cli check PLAN                    does every promise hold, at every corner?
  wisetick-cli derive PLAN                   all figures: lines, promises, modes, rhythm, fields
  wisetick-cli promise PLAN "uart1 talks 921600 within 1.5 %"    try one line, with its arithmetic
  wisetick-cli seek PLAN "core = 160 MHz" "usb = 48 MHz" --keep-promises    takes that keep it all
  wisetick-cli board PLAN                    crystals, pins and option words
  wisetick-cli fails PLAN SOURCE             what still holds when a source fails
  wisetick-cli way PLAN [--from TAKE]        the order in which to write the clock fields
  wisetick-cli emit PLAN --as header|c|csv|json    the register fields, to compile or to copy
  wisetick-cli filter 0x100..0x17f --id 0x123      which ids a CAN filter lets in
  wisetick-cli compare PLAN [TAKE...]        takes beside one another, differences first
  wisetick-cli shelf "core >= 100 MHz, 2 uart, sleep <= 2 uA"    which part has what is needed
  wisetick-cli new-part ID                   the text of a part to begin your own with
  wisetick-cli lint PART...                  faults and suspicions of part files

Exit codes: 0 all holds, 1 a promise is broken or a limit overstepped, 2 bad input.)";

int run(int argc, char** argv) {
    CLI::App app{kHelp, "wisetick-cli"};
    app.set_version_flag("--version", "wisetick-cli " WISETICK_VERSION);
    app.require_subcommand(1);
    std::vector<std::string> partFolders;
    app.add_option("--parts", partFolders, "a folder in which parts are looked for first (also: WISETICK_PARTS)")
        ->allow_extra_args(false);

    cli::PlanOptions options;
    const auto addPlanOptions = [&](CLI::App* command) {
        command->add_option("PLAN", options.plan, "the plan file")->required();
        command->add_option("--take", options.take, "the take that is meant; else the plan's active one");
        command->add_flag("--json", options.isJson, "one JSON object; exact figures are strings (docs/json.md)");
    };
    CLI::App* derive = app.add_subcommand("derive", "Show every figure that follows from a plan");
    addPlanOptions(derive);
    CLI::App* check = app.add_subcommand("check", "Judge every promise and limit; exit 1 if one is broken");
    addPlanOptions(check);
    bool isStrict = false;
    check->add_flag("--strict", isStrict, "exit 1 for strained ones too: the nominal holds, a worst case does not");
    CLI::App* promise = app.add_subcommand("promise", "Try one promise line on a plan, without changing the file");
    addPlanOptions(promise);
    std::string line;
    promise->add_option("LINE", line, "the promise, such as \"tick: timer1 fires every 1 ms exactly\"")->required();
    bool wantsRates = false;
    promise->add_flag("--rates", wantsRates, "also the rates of its clock, half to twice as fast, with which it could be kept");
    CLI::App* board =
        app.add_subcommand("board", "Crystals with their capacitors and margins, pins and who takes them, option words");
    addPlanOptions(board);
    CLI::App* fails = app.add_subcommand("fails", "What still holds when a source fails; exit 1 if something breaks");
    addPlanOptions(fails);
    std::string source;
    fails->add_option("SOURCE", source, "the source")->required();
    CLI::App* way =
        app.add_subcommand("way", "The order in which to write the clock fields, every state on the way within its limits");
    addPlanOptions(way);
    std::string from;
    way->add_option("--from", from, "the take that is left; else reset");
    CLI::App* sleep = app.add_subcommand("sleep", "The sleep modes, or one of them: what it keeps, draws, and how it wakes");
    addPlanOptions(sleep);
    std::string mode;
    sleep->add_option("MODE", mode, "a sleep mode of the part");
    CLI::App* rhythm = app.add_subcommand("rhythm", "The jobs: where the charge goes, and what would move the battery most");
    addPlanOptions(rhythm);
    bool hasChance = false;
    rhythm->add_flag("--chance", hasChance, "play a thousand times and show how far average and life differ");
    std::string race;
    rhythm->add_option("--race", race, "a job: the charge that it takes by the core's rate");
    CLI::App* emit = app.add_subcommand("emit", "The register fields of a take: constants, functions in order, or a table");
    addPlanOptions(emit);
    std::string form = "header";
    emit->add_option("--as", form, "header, c, csv or json; header without");
    CLI::App* filter = app.add_subcommand("filter", "Try CAN filters on ids; exit 1 if an id is kept out");
    std::vector<std::string> filters;
    filter->add_option("FILTER", filters, "a range 0x100..0x17f, a pair 0x100,0x200, or a mask 0x100&0x7f0")->required();
    std::vector<std::string> ids;
    filter->add_option("--id", ids, "an id to try");
    CLI::App* compare = app.add_subcommand("compare", "Put the takes of a plan beside one another, differences first");
    compare->add_option("PLAN", options.plan, "the plan file")->required();
    std::vector<std::string> takes;
    compare->add_option("TAKE", takes, "the takes; else all");
    compare->add_flag("--json", options.isJson, "one JSON object");
    CLI::App* seek = app.add_subcommand("seek", "Find takes that keep wishes and promises all at once; exit 1 if none does");
    addPlanOptions(seek);
    cli::SeekOptions sought;
    seek->add_option("WISH", sought.wishes,
                     "such as \"core = 160 MHz\", \"usb = 48 MHz within 0.25 %\", \"bus_a as high as "
                     "possible up to 32 MHz, if possible\"");
    std::vector<std::string> wanted;
    seek->add_option("--want", wanted, "the same")->allow_extra_args(false);
    CLI::Option* keep =
        seek->add_option("--keep-promises", sought.kept, "promises to be kept, by name between commas; else all")->expected(0, 1);
    seek->add_option("--lift", sought.lifted, "what shall not hold: \"limits of LINE\", \"lock on LOCK\", \"rule SAY\"")
        ->allow_extra_args(false);
    seek->add_option("--if-possible", sought.ifPossible, "promises to be kept if possible");
    seek->add_option("--may-change", sought.mayChange,
                     "lines, sources or peripherals that may change, with all above them; else everything that is not locked")
        ->allow_extra_args(false);
    seek->add_option("--prefer", sought.prefers, "what decides between equals: changes, current, core, oscillator, wake-up");
    seek->add_option("--which-crystal", sought.crystal,
                     "a source whose crystal may be another one: \"xtm\", \"xtm: 8 MHz, 12 MHz\", \"xtm: 8 MHz to 30 MHz\"");
    seek->add_option("--top", sought.top, "how many takes; 20 without")->check(CLI::Range(1, 1000));
    seek->add_option("--choose", sought.choose, "the take that is shown in full and written; the best without");
    seek->add_option("--unfold", sought.unfold, "the take whose equals in every rate that matters are listed");
    seek->add_flag("--all-conflicts", sought.allConflicts, "where nothing fits, every set of wishes that collides");
    seek->add_option("--within", sought.within, "seconds, then the search is stopped and says so; 20 without")
        ->check(CLI::PositiveNumber);
    seek->add_option("--write", sought.write, "write the plan with the take added to this file");
    seek->add_option("--as", sought.name, "the name of the added take");
    CLI::App* shelf = app.add_subcommand("shelf", "The parts there are, and which has what is needed; exit 1 if none has");
    std::string needs;
    shelf->add_option("NEEDS", needs, "such as \"core >= 100 MHz, 2 uart, can fd, sleep <= 2 uA, 3 pll\"");
    bool isShelfJson = false;
    shelf->add_flag("--json", isShelfJson, "one JSON object");
    CLI::App* newPart = app.add_subcommand("new-part", "Print a small commented part to begin your own with");
    std::string partId;
    newPart->add_option("ID", partId, "its id, which is also its file's name: ID.part.toml")->required();
    CLI::App* lint = app.add_subcommand("lint", "Look for faults and suspicious entries in part files");
    std::vector<std::string> parts;
    bool isLintJson = false;
    lint->add_option("PART", parts, "part files")->required();
    lint->add_flag("--json", isLintJson, "one JSON object");

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& error) {
        return app.exit(error) == 0 ? cli::kHolds : cli::kBadInput;
    }
    const cli::Console console{shelfFor(partFolders), {wantsColour()}, std::cout, std::cerr};
    if (*derive) {
        return cli::runDerive(console, options);
    }
    if (*filter) {
        return cli::runFilter(console, filters, ids);
    }
    if (*emit) {
        return cli::runEmit(console, options, form);
    }
    if (*check) {
        return cli::runCheck(console, options, isStrict);
    }
    if (*promise) {
        return cli::runPromise(console, options, line, wantsRates);
    }
    if (*sleep) {
        return cli::runSleep(console, options, mode);
    }
    if (*rhythm) {
        return cli::runRhythm(console, options, hasChance, race);
    }
    if (*board) {
        return cli::runBoard(console, options);
    }
    if (*fails) {
        return cli::runFails(console, options, source);
    }
    if (*way) {
        return cli::runWay(console, options, from);
    }
    if (*compare) {
        return cli::runCompare(console, options, takes);
    }
    if (*seek) {
        sought.keepsPromises = keep->count() > 0;
        sought.wishes.insert(sought.wishes.end(), wanted.begin(), wanted.end());
        return cli::runSeek(console, options, sought);
    }
    if (*shelf) {
        return cli::runShelf(console, needs, isShelfJson);
    }
    if (*newPart) {
        return cli::runNewPart(console, partId);
    }
    return cli::runLint(console, parts, isLintJson);
}

} // namespace

int main(int argc, char** argv) {
    try {
        return run(argc, argv);
    } catch (const std::exception& error) {
        std::cerr << "wisetick-cli: a fault of this program: " << error.what() << "\n";
        return cli::kBadInput;
    }
}
