#include "bench/scpi_board.h"

#include "bench/current.h"
#include "bench/measure.h"
#include "bench/vcd.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cctype>
#include <charconv>

namespace wisetick {

namespace {

constexpr std::size_t kMostErrors = 20;
constexpr std::array<std::string_view, 5> kFunctions{"FREQuency", "PERiod", "PWIDth", "PDUTycycle", "CURRent"};

std::string_view stripped(std::string_view text) {
    while (!text.empty() && std::isspace(static_cast<unsigned char>(text.front())) != 0) {
        text.remove_prefix(1);
    }
    while (!text.empty() && std::isspace(static_cast<unsigned char>(text.back())) != 0) {
        text.remove_suffix(1);
    }
    return text;
}

char upper(char letter) {
    return static_cast<char>(std::toupper(static_cast<unsigned char>(letter)));
}

bool isSame(std::string_view a, std::string_view b) {
    return a.size() == b.size() && std::equal(a.begin(), a.end(), b.begin(), [](char x, char y) { return upper(x) == upper(y); });
}

/// One word of a header, short or long.
bool isWord(std::string_view text, std::string_view pattern) {
    std::string brief;
    for (const char letter : pattern) {
        if (std::islower(static_cast<unsigned char>(letter)) == 0) {
            brief += letter;
        }
    }
    return isSame(text, pattern) || isSame(text, brief);
}

std::vector<std::string_view> parts(std::string_view text, char by) {
    std::vector<std::string_view> list;
    std::size_t from = 0;
    while (from <= text.size()) {
        const std::size_t to = std::min(text.find(by, from), text.size());
        list.push_back(text.substr(from, to - from));
        from = to + 1;
    }
    return list;
}

/// Commands of a line; a ';' within quotes parts nothing.
std::vector<std::string> commandsOf(std::string_view line) {
    std::vector<std::string> commands(1);
    bool isQuoted = false;
    for (const char letter : line) {
        isQuoted = isQuoted != (letter == '"');
        if (letter == ';' && !isQuoted) {
            commands.emplace_back();
        } else {
            commands.back() += letter;
        }
    }
    return commands;
}

std::string number(double value) {
    return fmt::format("{:.12E}", value);
}

} // namespace

bool isHeader(std::string_view text, std::string_view pattern) {
    if (!text.empty() && text.front() == ':') {
        text.remove_prefix(1);
    }
    const bool isQuery = pattern.ends_with('?');
    if (isQuery != text.ends_with('?')) {
        return false;
    }
    pattern.remove_suffix(isQuery ? 1 : 0);
    text.remove_suffix(isQuery ? 1 : 0);
    std::string_view optional;
    if (const std::size_t bracket = pattern.find('['); bracket != std::string_view::npos) {
        optional = pattern.substr(bracket + 2, pattern.size() - bracket - 3); // "[:NEXT]"
        pattern = pattern.substr(0, bracket);
    }
    std::vector<std::string_view> wanted = parts(pattern, ':');
    const std::vector<std::string_view> got = parts(text, ':');
    if (!optional.empty() && got.size() == wanted.size() + 1) {
        wanted.push_back(optional);
    }
    return got.size() == wanted.size() && std::equal(got.begin(), got.end(), wanted.begin(), isWord);
}

std::string definiteBlock(std::string_view bytes) {
    const std::string size = std::to_string(bytes.size());
    return "#" + std::to_string(size.size()) + size + std::string(bytes);
}

std::optional<std::string> blockContent(std::string_view answer) {
    if (answer.size() < 2 || answer[0] != '#' || answer[1] < '1' || answer[1] > '9') {
        return std::nullopt;
    }
    const auto digits = static_cast<std::size_t>(answer[1] - '0');
    if (answer.size() < 2 + digits) {
        return std::nullopt;
    }
    std::size_t size = 0;
    const char* end = answer.data() + 2 + digits;
    const auto [at, error] = std::from_chars(answer.data() + 2, end, size);
    if (error != std::errc() || at != end || answer.size() < 2 + digits + size) {
        return std::nullopt;
    }
    return std::string(answer.substr(2 + digits, size));
}

ScpiBoard::ScpiBoard(std::shared_ptr<const Capture> capture) : capture_(std::move(capture)) {}

std::vector<std::string> ScpiBoard::channels() const {
    std::vector<std::string> names;
    for (const Track& track : capture_->tracks) {
        names.push_back(track.name);
    }
    for (const ValueTrack& track : capture_->values) {
        names.push_back(track.name);
    }
    return names;
}

void ScpiBoard::fault(int number, const std::string& text) {
    events_ |= number <= -400 ? 4 : number <= -300 ? 8 : number <= -200 ? 16 : 32; // IEEE 488.2, 11.5.1
    if (errors_.size() >= kMostErrors) {
        errors_.back() = {-350, "Queue overflow"};
        return;
    }
    errors_.emplace_back(number, text);
}

std::string ScpiBoard::nextError() {
    if (errors_.empty()) {
        return "0,\"No error\"";
    }
    const auto [number, text] = errors_.front();
    errors_.pop_front();
    return fmt::format("{},\"{}\"", number, text);
}

std::string ScpiBoard::common(std::string_view header, std::string_view parameters) {
    if (isSame(header, "*IDN?")) {
        return "Wise Tick,simulated board," + capture_->name.substr(capture_->name.find_last_of(' ') + 1) + ",1";
    }
    if (isSame(header, "*OPC?")) {
        return "1";
    }
    if (isSame(header, "*TST?")) {
        return "0";
    }
    if (isSame(header, "*ESR?")) {
        return std::to_string(std::exchange(events_, 0));
    }
    if (isSame(header, "*ESE?")) {
        return std::to_string(enabled_);
    }
    if (isSame(header, "*STB?")) {
        return std::to_string((errors_.empty() ? 0 : 4) | ((events_ & enabled_) != 0 ? 32 : 0));
    }
    if (isSame(header, "*ESE")) {
        int value = -1;
        std::from_chars(parameters.data(), parameters.data() + parameters.size(), value);
        if (value < 0 || value > 255) {
            fault(parameters.empty() ? -109 : -222, parameters.empty() ? "Missing parameter" : "Data out of range");
        } else {
            enabled_ = value;
        }
        return {};
    }
    if (isSame(header, "*CLS")) {
        errors_.clear();
        events_ = 0;
    } else if (isSame(header, "*RST")) {
        configured_.reset();
        isRead_ = false;
    } else if (isSame(header, "*OPC")) {
        events_ |= 1;
    } else if (!isSame(header, "*WAI")) {
        fault(-113, "Undefined header;" + std::string(header));
    }
    return {};
}

/// "(@3)" or "\"tick\"": the first channel where none is told.
std::optional<std::size_t> ScpiBoard::channelOf(std::string_view parameters) {
    const std::vector<std::string> names = channels();
    const std::string_view text = stripped(parameters);
    if (text.empty()) {
        return names.empty() ? std::nullopt : std::optional<std::size_t>(0);
    }
    if (text.size() > 2 && text.front() == '"' && text.back() == '"') {
        const auto found = std::find(names.begin(), names.end(), text.substr(1, text.size() - 2));
        return found == names.end() ? std::nullopt : std::optional(static_cast<std::size_t>(found - names.begin()));
    }
    std::size_t channel = 0;
    if (text.size() > 3 && text.starts_with("(@") && text.back() == ')') {
        const char* end = text.data() + text.size() - 1;
        const auto [at, error] = std::from_chars(text.data() + 2, end, channel);
        channel = error == std::errc() && at == end ? channel : 0;
    }
    return channel >= 1 && channel <= names.size() ? std::optional(channel - 1) : std::nullopt;
}

std::optional<ScpiBoard::Wanted> ScpiBoard::wantedBy(std::string_view function, std::string_view parameters) {
    for (const std::string_view known : kFunctions) {
        if (isWord(function, known)) {
            auto channel = channelOf(parameters);
            if (known == "CURRent" && stripped(parameters).empty() && !capture_->values.empty()) {
                channel = capture_->tracks.size();
            }
            const bool isCurrent = known == "CURRent";
            if (!channel || (*channel >= capture_->tracks.size()) != isCurrent) {
                fault(-224, "Illegal parameter value");
                return std::nullopt;
            }
            return Wanted{std::string(known), *channel};
        }
    }
    fault(-113, "Undefined header;" + std::string(function));
    return std::nullopt;
}

/// 9.91E37 says "not a number" (SCPI-99, 7.2.1.4).
std::string ScpiBoard::measured(const Wanted& wanted) {
    const std::string none = "9.91E37";
    if (wanted.function == "CURRent") {
        const CurrentFigures figures = measureCurrent(*capture_, capture_->values[wanted.channel - capture_->tracks.size()]);
        return number(figures.average);
    }
    const TrackFigures figures = measureTrack(*capture_, capture_->tracks[wanted.channel], 0, capture_->end);
    const MeasuredFigure& figure = wanted.function == "FREQuency" ? figures.rate
                                   : wanted.function == "PERiod"  ? figures.period
                                   : wanted.function == "PWIDth"  ? figures.high
                                                                  : figures.duty;
    if (!figure.value) {
        return none;
    }
    return number(figure.value->nominal.toDouble() * (wanted.function == "PDUTycycle" ? 100 : 1));
}

std::string ScpiBoard::traceData(std::string_view parameters) {
    const auto channel = channelOf(parameters);
    if (!channel) {
        fault(-224, "Illegal parameter value");
        return {};
    }
    Capture one;
    one.tick = capture_->tick;
    one.end = capture_->end;
    if (*channel < capture_->tracks.size()) {
        const Track& track = capture_->tracks[*channel];
        one.tracks.push_back({track.name, {}});
        EdgeList::Walk walk(track.edges, 0);
        for (Edge edge; walk.next(edge);) {
            one.tracks.back().edges.add(edge.tick, edge.level);
        }
    } else {
        one.values.push_back(capture_->values[*channel - capture_->tracks.size()]);
    }
    std::string text;
    writeVcd(one, [&](std::string_view piece) { text += piece; });
    return definiteBlock(text);
}

std::string ScpiBoard::one(std::string_view command) {
    const std::string_view whole = stripped(command);
    if (whole.empty()) {
        return {};
    }
    const std::size_t blank = std::min(whole.find_first_of(" \t"), whole.size());
    const std::string_view header = whole.substr(0, blank);
    const std::string_view parameters = stripped(whole.substr(blank));
    if (header.front() == '*') {
        return common(header, parameters);
    }
    if (isHeader(header, "SYSTem:ERRor[:NEXT]?")) {
        return nextError();
    }
    if (isHeader(header, "SYSTem:VERSion?")) {
        return "1999.0";
    }
    if (isHeader(header, "TRACe:CATalog?")) {
        std::string list;
        for (const std::string& name : channels()) {
            list += (list.empty() ? "\"" : ",\"") + name + "\"";
        }
        return list.empty() ? "\"\"" : list;
    }
    if (isHeader(header, "TRACe:DATA?")) {
        return traceData(parameters);
    }
    if (isHeader(header, "READ?") || isHeader(header, "FETCh?")) {
        const bool isFetch = isHeader(header, "FETCh?");
        if (!configured_ || (isFetch && !isRead_)) {
            fault(isFetch ? -230 : -221, isFetch ? "Data corrupt or stale" : "Settings conflict");
            return {};
        }
        isRead_ = true;
        return measured(*configured_);
    }
    if (isHeader(header, "CONFigure?")) {
        return configured_ ? fmt::format("\"{} (@{})\"", configured_->function, configured_->channel + 1) : "\"\"";
    }
    const std::string_view bare = header.front() == ':' ? header.substr(1) : header;
    const std::vector<std::string_view> words = parts(bare, ':');
    const bool isQuery = bare.ends_with('?');
    if (words.size() == 2) {
        const std::string_view function = isQuery ? words[1].substr(0, words[1].size() - 1) : words[1];
        const bool isMeasure = isQuery && isWord(words[0], "MEASure");
        const bool isConfigure = !isQuery && isWord(words[0], "CONFigure");
        if (isMeasure || isConfigure) {
            const auto wanted = wantedBy(function, parameters);
            if (wanted) {
                configured_ = wanted;
                isRead_ = isMeasure;
            }
            return wanted && isMeasure ? measured(*wanted) : std::string();
        }
    }
    fault(-113, "Undefined header;" + std::string(header));
    return {};
}

std::string ScpiBoard::answer(std::string_view line) {
    std::string all;
    for (const std::string& command : commandsOf(line)) {
        const std::string each = one(command);
        all += (all.empty() || each.empty() ? "" : ";") + each;
    }
    return all;
}

} // namespace wisetick
