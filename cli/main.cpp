#include "command_options.h"
#include "completion.h"
#include "loading.h"
#include "plain_output.h"

#include "base/nearest_name.h"

#include <CLI/CLI.hpp>

#include <algorithm>
#include <cstdlib>
#include <iostream>
#include <string_view>
#include <unistd.h>

namespace {

using namespace wisetick;

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
  wisetick-cli emit PLAN --as c [--from TAKE]    the take as code or table: header, prototypes, c, cpp, rust, dts, csv, json
  wisetick-cli handover PLAN [--check|--write|--diff]    the files made from the plan, and whether they are in step
  wisetick-cli report PLAN --as html|markdown    the plan from beginning to end, for people
  wisetick-cli found PLAN FILE                   registers read from a board, against the plan
  wisetick-cli bench PLAN CAPTURE [--explain]    what was measured over what was predicted
  wisetick-cli filter 0x100..0x17f --id 0x123      which ids a CAN filter lets in
  wisetick-cli compare PLAN [TAKE...]        takes beside one another, differences first
  wisetick-cli shelf "core >= 100 MHz, 2 uart, sleep <= 2 uA"    which part has what is needed
  wisetick-cli new-part ID [--like middle|--from-svd FILE]    the text of a part to begin your own with
  wisetick-cli lint PART...                  faults and suspicions of part files

Exit codes: 0 all holds, 1 a promise is broken or a limit overstepped, 2 bad input or output that can't be written,
3 a search was cut before it could tell.)";

/// The commands whose names stand on the command line, or all where none does: only these need their options.
std::vector<const cli::Command*> namedCommands(int argc, char** argv) {
    const std::vector<std::string_view> words(argv, argv + argc);
    const auto isThere = [&](std::string_view word) { return std::find(words.begin(), words.end(), word) != words.end(); };
    std::vector<const cli::Command*> all;
    std::vector<const cli::Command*> named;
    for (const cli::Command& command : cli::commands()) {
        all.push_back(&command);
        if (isThere(command.name)) {
            named.push_back(&command);
        }
    }
    return named.empty() || isThere("--completion") || isThere("-h") || isThere("--help") ? all : named;
}

/// What a word that is no command may be meant as; empty where nothing is near.
std::string commandMeant(const std::string& word) {
    std::vector<std::string> names;
    for (const cli::Command& command : cli::commands()) {
        names.emplace_back(command.name);
    }
    return didYouMean(word, names);
}

/// Says what a command line lacks that names no command.
std::string hintFor(int argc, char** argv) {
    const std::vector<std::string> words(argv + 1, argv + argc);
    return words.empty() || words.front().rfind('-', 0) == 0 ? std::string() : commandMeant(words.front());
}

int run(int argc, char** argv) {
    CLI::App app{kHelp, "wisetick-cli"};
    app.set_version_flag("--version", "wisetick-cli " WISETICK_VERSION);
    app.require_subcommand(1);
    std::vector<std::string> partFolders;
    app.add_option("--parts", partFolders, "a folder in which parts are looked for first (also: WISETICK_PARTS)")
        ->allow_extra_args(false);
    bool isWide = false;
    app.add_flag("--wide", isWide, "tables as wide as they are, for a program to read; else within 120 columns");
    std::vector<std::pair<const CLI::App*, cli::Run>> runs;
    for (const cli::Command* command : namedCommands(argc, argv)) {
        CLI::App* options = app.add_subcommand(command->name, command->say);
        options->fallthrough(); // the options of the program are taken behind the command too
        runs.emplace_back(options, command->addOptions(*options));
    }
    if (argc == 3 && std::string_view(argv[1]) == "--completion") { // for packages and shells
        const std::string script = cli::completionFor(app, argv[2]);
        std::cout << script;
        std::cerr << (script.empty() ? "--completion bash, zsh or fish\n" : "");
        return script.empty() ? cli::kBadInput : cli::kHolds;
    }
    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& error) {
        const bool isBad = app.exit(error) != 0;
        const std::string hint = isBad ? hintFor(argc, argv) : std::string();
        std::cerr << (hint.empty() ? "" : "\n" + hint + "\n");
        return isBad ? cli::kBadInput : cli::kHolds;
    }
    const cli::Style style{wantsColour(), isWide ? 0U : 120U};
    const cli::PlainOutput plainOut(std::cout, style.hasColour);
    const cli::PlainOutput plainErr(std::cerr, style.hasColour);
    const cli::Console console{cli::shelfFor(partFolders), style, std::cout, std::cerr};
    const auto chosen = std::find_if(runs.begin(), runs.end(), [](const auto& each) { return each.first->parsed(); });
    const int code = chosen->second(console);
    std::cout.flush();
    if (!std::cout) {
        std::cerr << "wisetick-cli: what was said could not be written (is the disk full?)\n";
        return cli::kBadInput;
    }
    return code;
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
