#include "handover/handover_files.h"

#include "base/text.h"
#include "evaluate/evaluate.h"
#include "files/text_file.h"
#include "files/whole_file.h"

#include <boost/crc.hpp>
#include <dtl/dtl.hpp>
#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <system_error>

namespace wisetick {

namespace {

constexpr const char* kStamp = "wisetick-sum";

std::vector<std::string> linesOf(const std::string& text) {
    std::vector<std::string> lines;
    for (std::size_t at = 0; at < text.size();) {
        const std::size_t end = std::min(text.find('\n', at), text.size());
        lines.push_back(text.substr(at, end - at));
        at = end + 1;
    }
    return lines;
}

std::string sumOf(const std::string& text) {
    boost::crc_32_type sum;
    sum.process_bytes(text.data(), text.size());
    return fmt::format("{:08x}", sum.checksum());
}

/// The text without its stamp, and the sum that the stamp names; an empty sum where there is none.
std::pair<std::string, std::string> withoutStamp(const std::string& text) {
    const std::size_t mark = text.find(kStamp);
    if (mark == std::string::npos) {
        return {text, {}};
    }
    const std::size_t begin = text.rfind('\n', mark) == std::string::npos ? 0 : text.rfind('\n', mark) + 1;
    const std::size_t end = text.find('\n', mark) == std::string::npos ? text.size() : text.find('\n', mark) + 1;
    const std::size_t sum = text.find_first_of("0123456789abcdef", mark + std::string_view(kStamp).size());
    const std::string rest = text.substr(0, begin) + text.substr(end);
    return {rest, sum == std::string::npos || sum + 8 > end ? "?" : text.substr(sum, 8)};
}

/// How many lines differ: of a change both sides count once.
std::size_t differing(const std::vector<DiffLine>& lines) {
    const auto count = [&](DiffLine::Side side) {
        return static_cast<std::size_t>(
            std::count_if(lines.begin(), lines.end(), [&](const DiffLine& line) { return line.side == side; }));
    };
    return std::max(count(DiffLine::Side::found), count(DiffLine::Side::planned));
}

HandoverState::How howItStands(HandoverState& state) {
    std::error_code error;
    if (std::filesystem::status(state.path, error).type() == std::filesystem::file_type::not_found) {
        return HandoverState::How::missing;
    }
    Diagnostics faults;
    const auto text = readTextFile(state.path, faults);
    if (!text) {
        state.why = faults.empty() ? phrase("it can't be read") : faults.front().found;
        return HandoverState::How::unreadable;
    }
    state.found = *text;
    if (state.found == state.planned) {
        return HandoverState::How::asPlanned;
    }
    state.behind = differing(diffOf(withoutStamp(state.found).first, withoutStamp(state.planned).first));
    const auto isWhole = isAsStamped(state.found);
    return !isWhole ? HandoverState::How::foreign : (*isWhole ? HandoverState::How::behind : HandoverState::How::edited);
}

} // namespace

std::vector<DiffLine> diffOf(const Text& found, const std::string& planned) {
    const std::vector<std::string> left = linesOf(found);
    const std::vector<std::string> right = linesOf(planned);
    dtl::Diff<std::string> diff(left, right);
    diff.onHuge();
    diff.compose();
    std::vector<DiffLine> lines;
    std::size_t inFound = 0;
    std::size_t inPlanned = 0;
    for (const auto& [text, info] : diff.getSes().getSequence()) {
        DiffLine line;
        line.text = text;
        line.side = info.type == dtl::SES_COMMON
                        ? DiffLine::Side::both
                        : (info.type == dtl::SES_DELETE ? DiffLine::Side::found : DiffLine::Side::planned);
        line.foundLine = line.side == DiffLine::Side::planned ? 0 : ++inFound;
        line.plannedLine = line.side == DiffLine::Side::found ? 0 : ++inPlanned;
        lines.push_back(std::move(line));
    }
    return lines;
}

Text handoverSaid(const HandoverState& state) {
    using How = HandoverState::How;
    const std::string lines = std::to_string(state.behind);
    switch (state.how) {
    case How::asPlanned: return phrase("as planned");
    case How::behind:
        return state.behind == 0   ? phrase("its stamp is behind the plan")
               : state.behind == 1 ? phrase("1 line behind the plan")
                                   : phrase("{} lines behind the plan", lines);
    case How::missing: return phrase("not written yet");
    case How::edited:
        return state.behind == 1 ? phrase("changed by hand, 1 line from the plan")
                                 : phrase("changed by hand, {} lines from the plan", lines);
    case How::foreign: return phrase("a file that was not made here");
    case How::unreadable: return phrase("can't be read: {}", state.why);
    case How::refused: return phrase("can't be made: {}", state.why);
    }
    return {};
}

Text stamped(const std::string& text, const std::string& form, const std::string& planName) {
    const Text say = phrase("{} {}: made from {}; change that, not this file", std::string(kStamp), sumOf(text), planName);
    if (form == "json") {
        const std::size_t open = text.find('\n') == std::string::npos ? text.size() : text.find('\n') + 1;
        return text.substr(0, open) + "  \"made\": \"" + say + "\",\n" + text.substr(open);
    }
    if (form == "csv") {
        return "# " + say + "\n" + text;
    }
    const bool isSlashed = form == "cpp" || form == "rust";
    return (isSlashed ? "// " + say : "/* " + say + " */") + "\n" + text;
}

std::optional<bool> isAsStamped(const std::string& text) {
    const auto [rest, sum] = withoutStamp(text);
    return sum.empty() ? std::nullopt : std::optional(sum == sumOf(rest));
}

std::vector<HandoverState> handoverStates(const Part& part, const Plan& plan, const std::filesystem::path& folder) {
    std::vector<HandoverState> states;
    std::map<std::string, Figures> byTake;
    std::map<std::pair<std::string, std::string>, RegisterProgram> byWay; ///< by take, and where it comes from
    for (const HandoverFile& file : plan.handover) {
        HandoverState state;
        state.file = file;
        state.path = folder / file.path;
        const std::string take = file.take.empty() ? plan.active : file.take;
        const auto form = readEmitForm(file.form);
        if (!form || findTake(plan, take) == nullptr) {
            state.how = HandoverState::How::refused;
            state.why = form ? phrase("no take '{}'", take) : phrase("no form '{}'", file.form);
            states.push_back(std::move(state));
            continue;
        }
        const auto figures =
            byTake.contains(take) ? byTake.find(take) : byTake.emplace(take, evaluatePromises(part, plan, take)).first;
        EmitStyle style;
        style.registers = file.registers;
        style.from = file.from.empty() ? std::nullopt : std::optional(file.from);
        const auto way = std::pair(take, file.from);
        if (!byWay.contains(way)) {
            byWay[way] = registerProgram(part, plan, figures->second, style.broken, style.from);
        }
        state.planned = stamped(emitFields(part, plan, figures->second, *form, style, &byWay[way]), file.form, plan.name);
        state.left = byWay[way].left;
        state.how = howItStands(state);
        states.push_back(std::move(state));
    }
    return states;
}

HandoverWritten writeHandover(const std::vector<HandoverState>& states, OverEdited over) {
    using How = HandoverState::How;
    HandoverWritten result;
    for (const HandoverState& state : states) {
        const bool isTheirs = state.how == How::edited || state.how == How::foreign;
        if (state.how == How::refused || state.how == How::unreadable || (isTheirs && over == OverEdited::no)) {
            result.trouble = state.file.path + ": " + handoverSaid(state) +
                             (isTheirs ? phrase("; it is not written over unless you say so") : "");
            return result;
        }
    }
    for (const HandoverState& state : states) {
        if (state.how == How::asPlanned) {
            continue;
        }
        std::error_code error;
        std::filesystem::create_directories(state.path.parent_path(), error);
        const Text why = writeWholeFile(state.path, state.planned);
        if (!why.empty()) {
            result.trouble = state.file.path + ": " + why;
            return result;
        }
        result.written.push_back(state.file.path);
    }
    return result;
}

} // namespace wisetick
