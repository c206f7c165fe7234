#include "completion.h"

#include <CLI/CLI.hpp>
#include <fmt/format.h>

#include <algorithm>

namespace wisetick::cli {

namespace {

struct Word {
    std::string word; ///< "--json", "check"
    std::string say;
    bool takesValue = false;
};

/// Up to the end of the first sentence or line: shells show little.
std::string shortened(const std::string& text) {
    std::string line = text.substr(0, text.find_first_of("\n;"));
    return line.size() > 70 ? line.substr(0, 70) : line;
}

std::vector<Word> optionsOf(const CLI::App& app) {
    std::vector<Word> words;
    for (const CLI::Option* option : app.get_options()) {
        for (const std::string& name : option->get_lnames()) {
            words.push_back({"--" + name, shortened(option->get_description()), option->get_expected_max() > 0});
        }
    }
    return words;
}

std::vector<Word> commandsOf(const CLI::App& app) {
    std::vector<Word> words;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
        words.push_back({command->get_name(), shortened(command->get_description())});
    }
    return words;
}

std::string joined(const std::vector<Word>& words) {
    std::string text;
    for (const Word& each : words) {
        text += (text.empty() ? "" : " ") + each.word;
    }
    return text;
}

/// Inside of single quotes, as all three shells read them.
std::string quoted(const std::string& text) {
    std::string out = "'";
    for (const char letter : text) {
        out += letter == '\'' ? std::string("\u2019") : std::string(1, letter);
    }
    return out + "'";
}

std::string bashScript(const CLI::App& app) {
    const std::string name = app.get_name();
    std::string cases;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
        cases += fmt::format("        {}) words=\"{}\" ;;\n", command->get_name(), joined(optionsOf(*command)));
    }
    return fmt::format(R"(# bash completion for {0}
_{1}() {{
    local word=${{COMP_WORDS[COMP_CWORD]}} words="{2} {3}"
    case "${{COMP_WORDS[1]:-}}" in
{4}    esac
    if [[ $word == -* || $COMP_CWORD -eq 1 ]]; then
        mapfile -t COMPREPLY < <(compgen -W "$words" -- "$word")
    fi
    if [[ ${{#COMPREPLY[@]}} -eq 0 ]]; then
        mapfile -t COMPREPLY < <(compgen -f -- "$word")
    fi
}}
complete -o filenames -F _{1} {0}
)",
                       name, "wisetick_cli", joined(commandsOf(app)), joined(optionsOf(app)), cases);
}

std::string zshScript(const CLI::App& app) {
    const auto described = [](const std::vector<Word>& words) {
        std::string list;
        for (const Word& each : words) {
            std::string say = each.say;
            std::replace(say.begin(), say.end(), ':', ',');
            list += "    " + quoted(each.word + ":" + say) + "\n";
        }
        return list;
    };
    std::string cases;
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
        cases += fmt::format("  {})\n  options=(\n{}  ) ;;\n", command->get_name(), described(optionsOf(*command)));
    }
    return fmt::format(R"(#compdef {0}
local -a commands options
commands=(
{1})
options=(
{2})
case ${{words[2]}} in
{3}esac
if (( CURRENT == 2 )); then
  _describe 'command' commands
fi
if [[ ${{words[CURRENT]}} == -* ]]; then
  _describe 'option' options
else
  _files
fi
)",
                       app.get_name(), described(commandsOf(app)), described(optionsOf(app)), cases);
}

std::string fishScript(const CLI::App& app) {
    const std::string name = app.get_name();
    std::string text = "# fish completion for " + name + "\n";
    const auto add = [&](const std::string& when, const Word& option) {
        text += fmt::format("complete -c {} -n {} -l {}{} -d {}\n", name, quoted(when), option.word.substr(2),
                            option.takesValue ? " -r" : "", quoted(option.say));
    };
    for (const Word& command : commandsOf(app)) {
        text += fmt::format("complete -c {} -n '__fish_use_subcommand' -a {} -d {}\n", name, command.word, quoted(command.say));
    }
    for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
        for (const Word& option : optionsOf(*command)) {
            add("__fish_seen_subcommand_from " + command->get_name(), option);
        }
    }
    for (const Word& option : optionsOf(app)) {
        add("true", option);
    }
    return text;
}

} // namespace

std::string completionFor(const CLI::App& app, const std::string& shell) {
    return shell == "bash"   ? bashScript(app)
           : shell == "zsh"  ? zshScript(app)
           : shell == "fish" ? fishScript(app)
                             : std::string();
}

} // namespace wisetick::cli
