#include "handover_command.h"

#include "files/plan_writer.h"
#include "files/whole_file.h"
#include "handover/figures_json.h"
#include "handover/found.h"
#include "handover/handover_files.h"
#include "loading.h"
#include "quantity/quantity_read.h"
#include "text_table.h"

#include <fmt/format.h>

#include <algorithm>
#include <filesystem>

namespace wisetick::cli {

namespace {

using How = HandoverState::How;

constexpr std::size_t kAround = 3; ///< lines shown before and behind what differs

/// The lines [from, to) as one piece of a unified difference; `found` and `planned`: how many lines stand before it.
std::string hunkText(const std::vector<DiffLine>& lines, std::size_t from, std::size_t to, std::size_t found,
                     std::size_t planned) {
    std::size_t ofFound = 0;
    std::size_t ofPlanned = 0;
    std::string text;
    for (std::size_t i = from; i < to; ++i) {
        const DiffLine::Side side = lines[i].side;
        ofFound += side == DiffLine::Side::planned ? 0 : 1;
        ofPlanned += side == DiffLine::Side::found ? 0 : 1;
        text += (side == DiffLine::Side::both ? " " : side == DiffLine::Side::found ? "-" : "+") + lines[i].text + "\n";
    }
    return fmt::format("@@ -{},{} +{},{} @@\n", found + (ofFound > 0 ? 1 : 0), ofFound, planned + (ofPlanned > 0 ? 1 : 0),
                       ofPlanned) +
           text;
}

/// What differs, with a few lines around it, as a unified difference; '-' as it stands there, '+' as the plan would write it.
std::string diffText(const HandoverState& state) {
    const std::vector<DiffLine> lines = diffOf(state.found, state.planned);
    std::string text;
    std::size_t found = 0;
    std::size_t planned = 0;
    std::optional<std::size_t> begin; ///< of the piece that is gathered
    std::pair<std::size_t, std::size_t> before;
    for (std::size_t i = 0; i <= lines.size(); ++i) {
        const auto from = lines.begin() + static_cast<std::ptrdiff_t>(i > kAround ? i - kAround : 0);
        const auto to = lines.begin() + static_cast<std::ptrdiff_t>(std::min(lines.size(), i + kAround + 1));
        const bool isNear =
            i < lines.size() && std::any_of(from, to, [](const DiffLine& line) { return line.side != DiffLine::Side::both; });
        if (isNear && !begin) {
            begin = i;
            before = {found, planned};
        } else if (!isNear && begin) {
            text += hunkText(lines, *begin, i, before.first, before.second);
            begin.reset();
        }
        if (i < lines.size()) {
            found += lines[i].side == DiffLine::Side::planned ? 0 : 1;
            planned += lines[i].side == DiffLine::Side::found ? 0 : 1;
        }
    }
    return text.empty() ? text : "--- " + state.file.path + "\n+++ as planned\n" + text;
}

nlohmann::ordered_json stateJson(const HandoverState& state) {
    const char* const names[] = {"as planned", "behind", "missing", "edited", "foreign", "unreadable", "refused"};
    nlohmann::ordered_json left = nlohmann::ordered_json::array();
    for (const LeftOut& each : state.left) {
        left.push_back({{"what", each.what}, {"why", each.why}});
    }
    return {{"file", state.file.path}, {"as", state.file.form},      {"how", names[static_cast<int>(state.how)]},
            {"behind", state.behind},  {"say", handoverSaid(state)}, {"left_out", std::move(left)}};
}

void report(const Console& console, const std::vector<HandoverState>& states, bool showsDiff) {
    TextTable table({Align::left, Align::left, Align::left});
    for (const HandoverState& state : states) {
        const std::string& take = state.file.take;
        table.add({state.file.path, state.file.form + (take.empty() ? "" : ", take " + take), handoverSaid(state)});
        for (const LeftOut& each : state.left) {
            table.add({"", "", leftOutText(each)});
        }
    }
    console.out << (states.empty() ? std::string("  the plan hands nothing over: add a [[handover]] with file and as\n")
                                   : table.text(console.style.columns));
    for (const HandoverState& state : showsDiff ? states : std::vector<HandoverState>()) {
        console.out << diffText(state);
    }
}

/// "core 132 MHz → 66 MHz, modem broken" of what a difference moves, the promises first.
std::string movesText(const std::vector<Moved>& moves) {
    constexpr std::size_t kMostNamed = 4;
    std::vector<std::string> said;
    for (const bool arePromises : {true, false}) {
        for (const Moved& each : moves) {
            if (each.target.is(Target::Room::promise) == arePromises) {
                said.push_back(arePromises ? each.name + " " + stateName(each.after)
                                           : each.name + " " + each.was + " \u2192 " + each.is);
            }
        }
    }
    std::string text;
    for (std::size_t i = 0; i < std::min(said.size(), kMostNamed); ++i) {
        text += (i == 0 ? "" : ", ") + said[i];
    }
    return said.size() > kMostNamed ? text + " and " + std::to_string(said.size() - kMostNamed) + " more" : text;
}

State stateOf(const FoundField& field) {
    const bool isWorse = std::any_of(field.moves.begin(), field.moves.end(), [](const Moved& each) {
        return each.after == State::broken && each.before != State::broken;
    });
    return !field.found || field.isSame() ? State::kept : (isWorse ? State::broken : State::strained);
}

std::string foundReport(const std::vector<FoundField>& fields, const Style& style) {
    TextTable table({Align::left, Align::left, Align::right, Align::right, Align::left});
    table.add({"", "", "plan", "found", ""});
    std::size_t same = 0;
    std::size_t unread = 0;
    for (const FoundField& field : fields) {
        same += field.isSame() ? 1 : 0;
        unread += field.found ? 0 : 1;
        if (!field.found || field.isSame()) {
            continue;
        }
        FieldValue there = field.planned;
        there.held = static_cast<std::int64_t>(*field.found);
        const std::string moves = movesText(field.moves);
        table.add({style.mark(stateOf(field)), fieldText(field.planned.field), hexText(field.planned), hexText(there),
                   field.planned.control + (field.means.empty() ? "" : " " + field.means) + " instead of " +
                       field.planned.setting + (moves.empty() ? "" : ": " + moves)});
    }
    const std::size_t differing = fields.size() - same - unread;
    return (differing == 0 ? std::string() : table.text(style.columns)) + "  " + std::to_string(fields.size() - unread) + " of " +
           std::to_string(fields.size()) + " fields found: " + std::to_string(same) + " as planned, " +
           std::to_string(differing) + (differing == 1 ? " differs\n" : " differ\n");
}

nlohmann::ordered_json foundFieldsJson(const std::vector<FoundField>& fields) {
    nlohmann::ordered_json list = nlohmann::ordered_json::array();
    for (const FoundField& field : fields) {
        list.push_back({{"field", fieldText(field.planned.field)},
                        {"control", field.planned.control},
                        {"planned", field.planned.held},
                        {"found", field.found ? nlohmann::ordered_json(*field.found) : nlohmann::ordered_json(nullptr)},
                        {"same", field.isSame()},
                        {"means", field.means},
                        {"moved", rippleJson(field.moves)["moved"]}});
    }
    return list;
}

/// What the file holds; nothing where it can't be read, which is reported.
std::optional<FoundRegisters> readFoundFile(const Console& console, const Part& part, const FoundOptions& options, bool isJson) {
    Diagnostics faults;
    const auto text = readTextFile(options.file, faults);
    if (!text) {
        reportBadInput(console, faults, isJson);
        return std::nullopt;
    }
    if (options.address.empty()) {
        FoundRegisters found = readFound(part, *text, options.file);
        if (hasErrors(found.diagnostics)) {
            reportBadInput(console, found.diagnostics, isJson);
            return std::nullopt;
        }
        return found;
    }
    char* end = nullptr;
    const std::uint64_t address = std::strtoull(options.address.c_str(), &end, 0);
    if (end == options.address.c_str() || *end != '\0') {
        reportBadInput(console, {{Severity::error, {}, "'" + options.address + "'", "an address such as 0x50000000", {}}},
                       isJson);
        return std::nullopt;
    }
    return readFoundMemory(part, *text, address);
}

} // namespace

int runHandover(const Console& console, const PlanOptions& options, const HandoverOptions& handover) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const std::filesystem::path folder = std::filesystem::path(options.plan).parent_path();
    const Plan plan = withActive(loaded->plan, loaded->active); // the files say themselves which take they are of
    std::vector<HandoverState> states = handoverStates(loaded->part, plan, folder);
    std::string trouble;
    if (handover.isWritten) {
        const HandoverWritten done = writeHandover(states, handover.isOverEdited ? OverEdited::yes : OverEdited::no);
        trouble = done.trouble;
        states = handoverStates(loaded->part, plan, folder);
    }
    if (options.isJson) {
        nlohmann::ordered_json list = nlohmann::ordered_json::array();
        for (const HandoverState& state : states) {
            list.push_back(stateJson(state));
        }
        console.out << nlohmann::ordered_json{{"files", std::move(list)}}.dump(2, ' ', false, kAnyBytes) << "\n";
    } else {
        report(console, states, handover.showsDiff);
    }
    if (!trouble.empty()) {
        console.err << "error: " << trouble << "\n";
        return kBadInput;
    }
    const bool isInStep = std::all_of(states.begin(), states.end(), [](const HandoverState& state) {
        return state.how == How::asPlanned && state.left.empty();
    });
    return isInStep || !(handover.isChecked || handover.isWritten) ? kHolds : kBroken;
}

int runFound(const Console& console, const PlanOptions& options, const FoundOptions& foundOptions) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const auto found = readFoundFile(console, loaded->part, foundOptions, options.isJson);
    if (!found) {
        return kBadInput;
    }
    const std::vector<FoundField> fields = foundFields(loaded->part, loaded->plan, loaded->take, *found);
    if (!foundOptions.asTake.empty()) {
        Plan plan = withActive(loaded->plan, loaded->active); // as it is written
        std::string trouble = addDecodedTake(loaded->part, plan, *found, loaded->take, foundOptions.asTake);
        if (trouble.empty()) {
            const auto before = textToEdit(options, *loaded);
            const auto text = before ? textToSave(plan, *before, loaded->part) : before;
            if (!text) {
                return reportBadInput(console, text.error(), options.isJson);
            }
            trouble = writeWholeFile(options.plan, *text);
        }
        if (!trouble.empty()) {
            return reportBadInput(
                console,
                {{Severity::error, {options.plan, 0, 0, {}}, trouble, "another name, or a plan that can be written", {}}},
                options.isJson);
        }
    }
    if (options.isJson) {
        console.out << nlohmann::ordered_json{{"take", loaded->take},
                                              {"fields", foundFieldsJson(fields)},
                                              {"elsewhere", found->elsewhere}}
                           .dump(2, ' ', false, kAnyBytes)
                    << "\n";
    } else {
        console.out << foundReport(fields, console.style);
    }
    const bool isSame =
        std::all_of(fields.begin(), fields.end(), [](const FoundField& field) { return !field.found || field.isSame(); });
    return isSame ? kHolds : kBroken;
}

} // namespace wisetick::cli
