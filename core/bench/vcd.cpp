#include "bench/vcd.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <charconv>
#include <limits>
#include <queue>

namespace wisetick {

namespace {

constexpr int kFirstLetter = 33; ///< '!': identifiers are made of the 94 that can be seen
constexpr int kLetters = 94;
constexpr std::size_t kMostVcdFaults = 20;
constexpr std::size_t kLongestWord = 1U << 20U; ///< letters: nothing in such a file is longer

bool isBetweenWords(char c) {
    return c == ' ' || c == '\n' || c == '\t' || c == '\r';
}

std::optional<LogicLevel> levelOf(char value) {
    switch (value) {
    case '0': return LogicLevel::low;
    case '1': return LogicLevel::high;
    case 'x':
    case 'X': return LogicLevel::unknown;
    case 'z':
    case 'Z': return LogicLevel::floating;
    default: return std::nullopt;
    }
}

bool isLetter(char c) {
    return c >= kFirstLetter && c < kFirstLetter + kLetters;
}

/// The place of an identifier of one or two letters.
std::optional<std::size_t> shortPlace(std::string_view id) {
    if (id.empty() || id.size() > 2 || !std::all_of(id.begin(), id.end(), isLetter)) {
        return std::nullopt;
    }
    const auto first = static_cast<std::size_t>(id[0] - kFirstLetter);
    return id.size() == 1 ? first : kLetters + first * kLetters + static_cast<std::size_t>(id[1] - kFirstLetter);
}

/// "10 us" or "10us": 1, 10 or 100 of a unit from s to fs.
std::optional<Rational> timeScaleOf(const std::string& text) {
    std::int64_t number = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), number);
    if (error != std::errc() || (number != 1 && number != 10 && number != 100)) {
        return std::nullopt;
    }
    const std::string_view unit(end, static_cast<std::size_t>(text.data() + text.size() - end));
    Rational scale = number;
    for (const std::string_view name : {"s", "ms", "us", "ns", "ps", "fs"}) {
        if (name == unit) {
            return scale;
        }
        scale /= 1000;
    }
    return std::nullopt;
}

} // namespace

VcdReader::VcdReader(std::string name) {
    capture_.name = std::move(name);
    shortIds_.resize(kLetters + kLetters * kLetters);
}

void VcdReader::fault(const std::string& found, const std::string& expected) {
    if (capture_.diagnostics.size() < kMostVcdFaults) {
        capture_.diagnostics.push_back({Severity::error, {capture_.name, static_cast<int>(line_), 1, {}}, found, expected, {}});
    }
}

void VcdReader::feed(std::string_view text) {
    std::size_t at = 0;
    const auto countLine = [&](char c) { line_ += c == '\n' ? 1 : 0; };
    if (!rest_.empty()) { // the word that the last piece broke off in
        const std::size_t end = static_cast<std::size_t>(std::find_if(text.begin(), text.end(), isBetweenWords) - text.begin());
        rest_.append(text.substr(0, end));
        if (rest_.size() > kLongestWord) {
            fault("a word of more than a million letters", "a value change dump");
            isBroken_ = true;
        }
        if (end == text.size() || isBroken_) {
            return;
        }
        const std::string word = std::move(rest_);
        rest_.clear();
        takeWord(word);
        at = end;
    }
    while (!isBroken_) {
        at = takeQuickly(text, at);
        while (at < text.size() && isBetweenWords(text[at])) {
            countLine(text[at]);
            ++at;
        }
        std::size_t end = at;
        while (end < text.size() && !isBetweenWords(text[end])) {
            ++end;
        }
        if (end == text.size()) {
            rest_ = text.substr(at);
            return;
        }
        takeWord(text.substr(at, end - at));
        at = end;
    }
}

/// Times, and changes of identifiers of one letter, as long as they follow one another: nearly all of most files. Gives where it
/// stopped; whatever is odd is left to be read word by word.
std::size_t VcdReader::takeQuickly(std::string_view text, std::size_t at) {
    constexpr std::size_t kMostDigits = 17;
    while (areDeclared_ && !isSkipping_ && pending_.empty() && at + 3 < text.size()) {
        if (text[at] == '\n') {
            ++line_;
            ++at;
        } else if (text[at] == '#') {
            std::size_t end = at + 1;
            std::int64_t time = 0;
            while (end < text.size() && text[end] >= '0' && text[end] <= '9') {
                time = time * 10 + (text[end] - '0');
                if (++end - at > kMostDigits) {
                    return at;
                }
            }
            if (end == at + 1 || end == text.size() || text[end] != '\n' || time < now_) {
                return at;
            }
            now_ = time;
            capture_.end = time;
            at = end;
        } else if ((text[at] == '0' || text[at] == '1') && text[at + 2] == '\n' && isLetter(text[at + 1])) {
            const std::vector<std::size_t>& among = shortIds_[static_cast<std::size_t>(text[at + 1] - kFirstLetter)];
            if (among.size() != 1 || signals_[among.front()].bits.empty()) {
                return at;
            }
            capture_.tracks[signals_[among.front()].bits.back()].edges.add(now_,
                                                                           text[at] == '1' ? LogicLevel::high : LogicLevel::low);
            at += 2;
        } else {
            return at;
        }
    }
    return at;
}

void VcdReader::takeWord(std::string_view word) {
    if (areDeclared_ && !isSkipping_ && pending_.empty()) { // nearly all of a file
        const char first = word.front();
        if (first == '#') {
            takeTime(word.substr(1));
            return;
        }
        if (levelOf(first)) {
            takeScalar(first, word.substr(1));
            return;
        }
    }
    if (isSkipping_) {
        isSkipping_ = word != "$end";
    } else if (isDeclaring_) {
        if (word == "$end") {
            takeDeclaration();
            words_.clear();
            isDeclaring_ = false;
        } else {
            words_.emplace_back(word);
        }
    } else if (!pending_.empty()) {
        const std::string value = std::move(pending_);
        pending_.clear();
        if (value.front() == 'b' || value.front() == 'B') {
            takeVector(std::string_view(value).substr(1), word);
        } else {
            takeReal(std::string_view(value).substr(1), word);
        }
    } else if (areDeclared_ && word == "$comment") {
        isSkipping_ = true;
    } else if (areDeclared_ && word.front() == '$') {
        // $dumpvars and its like, and their $end: the values between them are changes like any
    } else if (areDeclared_ && (word.front() == 'b' || word.front() == 'B' || word.front() == 'r' || word.front() == 'R')) {
        pending_ = word;
    } else if (word.front() == '$') {
        words_.emplace_back(word);
        isDeclaring_ = true;
    } else {
        fault("'" + std::string(word.substr(0, 40)) + "'",
              areDeclared_ ? "a time such as #120, or a change such as 1!" : "a declaration such as $var wire 1 ! clock $end");
        isBroken_ = !areDeclared_;
    }
}

void VcdReader::takeDeclaration() {
    const std::string& keyword = words_.front();
    if (keyword == "$timescale") {
        std::string text;
        for (std::size_t i = 1; i < words_.size(); ++i) {
            text += words_[i];
        }
        const auto scale = timeScaleOf(text);
        if (scale) {
            capture_.tick = *scale;
        } else {
            fault("a time scale of '" + text + "'", "1, 10 or 100 of s, ms, us, ns, ps or fs");
        }
    } else if (keyword == "$scope" && words_.size() >= 3) {
        scopes_.push_back(words_[2]);
    } else if (keyword == "$upscope" && !scopes_.empty()) {
        scopes_.pop_back();
    } else if (keyword == "$var") {
        declareVariable();
    } else if (keyword == "$enddefinitions") {
        areDeclared_ = true;
        if (capture_.tick.isZero()) {
            fault("no $timescale", "one before the signals; 1 ns is taken");
            capture_.tick = Rational(1, 1000000000);
        }
    }
}

/// $var type width identifier name [3:0] $end
void VcdReader::declareVariable() {
    int width = 0;
    if (words_.size() < 5 || std::from_chars(words_[2].data(), words_[2].data() + words_[2].size(), width).ec != std::errc() ||
        width < 1 || width > 4096) {
        fault("a $var that lacks something", "$var wire 1 ! clock $end");
        return;
    }
    std::string name;
    for (const std::string& scope : scopes_) {
        name += scope + ".";
    }
    name += words_[4];
    Signal signal;
    if (words_[1] == "real" || words_[1] == "realtime") {
        signal.real = capture_.values.size();
        capture_.values.push_back({name, {}, {}, {}});
    } else {
        int high = width - 1;
        int low = 0;
        std::string range = words_.size() > 5 ? words_[5] : std::string();
        if (const std::size_t open = name.rfind('['); range.empty() && open != std::string::npos && width > 1) {
            range = name.substr(open);
            name.resize(open);
        }
        if (const std::size_t colon = range.find(':'); colon != std::string::npos) {
            std::from_chars(range.data() + 1, range.data() + colon, high);
            std::from_chars(range.data() + colon + 1, range.data() + range.size(), low);
        } else if (!range.empty()) {
            name += range; // one bit of a vector
        }
        const int step = high >= low ? -1 : 1;
        for (int bit = 0; bit < width; ++bit) {
            signal.bits.push_back(capture_.tracks.size());
            capture_.tracks.push_back({width == 1 ? name : fmt::format("{}[{}]", name, high + bit * step), {}});
        }
    }
    const std::string& id = words_[3];
    if (const auto place = shortPlace(id)) {
        shortIds_[*place].push_back(signals_.size());
    } else {
        longIds_[id].push_back(signals_.size());
    }
    signals_.push_back(std::move(signal));
}

const std::vector<std::size_t>* VcdReader::signalsOf(std::string_view id) const {
    if (const auto place = shortPlace(id)) {
        return &shortIds_[*place];
    }
    const auto found = longIds_.find(std::string(id));
    return found == longIds_.end() ? nullptr : &found->second;
}

void VcdReader::takeTime(std::string_view digits) {
    std::int64_t time = 0;
    const auto [end, error] = std::from_chars(digits.data(), digits.data() + digits.size(), time);
    constexpr std::int64_t most = std::numeric_limits<std::int64_t>::max() / 16; // what is packed of it finds room in 64 bits
    if (error != std::errc() || end != digits.data() + digits.size() || time < now_ || time > most) {
        fault("the time '#" + std::string(digits.substr(0, 40)) + "'", "a whole number, none before #" + std::to_string(now_));
        return;
    }
    now_ = time;
    capture_.end = time;
}

void VcdReader::takeScalar(char value, std::string_view id) {
    const auto* named = signalsOf(id);
    if (named == nullptr || named->empty()) {
        fault("the identifier '" + std::string(id.substr(0, 40)) + "'", "one of a $var");
        return;
    }
    for (const std::size_t signal : *named) {
        if (!signals_[signal].bits.empty()) {
            capture_.tracks[signals_[signal].bits.back()].edges.add(now_, *levelOf(value));
        }
    }
}

/// Shorter values are filled up at the left with 0, or with x or z where they begin so.
void VcdReader::takeVector(std::string_view value, std::string_view id) {
    const auto* named = signalsOf(id);
    if (named == nullptr || named->empty() || value.empty() ||
        !std::all_of(value.begin(), value.end(), [](char c) { return levelOf(c).has_value(); })) {
        fault("the change 'b" + std::string(value.substr(0, 40)) + " " + std::string(id.substr(0, 40)) + "'",
              "a value of 0, 1, x and z, and the identifier of a $var");
        return;
    }
    const LogicLevel fill = *levelOf(value.front()) == LogicLevel::high ? LogicLevel::low : *levelOf(value.front());
    for (const std::size_t signal : *named) {
        const std::vector<std::size_t>& bits = signals_[signal].bits;
        for (std::size_t i = 0; i < bits.size(); ++i) { // from the lowest bit on
            const LogicLevel level = i < value.size() ? *levelOf(value[value.size() - 1 - i]) : fill;
            capture_.tracks[bits[bits.size() - 1 - i]].edges.add(now_, level);
        }
    }
}

void VcdReader::takeReal(std::string_view value, std::string_view id) {
    const auto* named = signalsOf(id);
    double number = 0;
    const auto [end, error] = std::from_chars(value.data(), value.data() + value.size(), number);
    if (named == nullptr || named->empty() || error != std::errc() || end != value.data() + value.size()) {
        fault("the change 'r" + std::string(value.substr(0, 40)) + " " + std::string(id.substr(0, 40)) + "'",
              "a number, and the identifier of a $var");
        return;
    }
    for (const std::size_t signal : *named) {
        if (signals_[signal].real) {
            ValueTrack& track = capture_.values[*signals_[signal].real];
            track.ticks.push_back(now_);
            track.values.push_back(number);
        }
    }
}

Capture VcdReader::finish() {
    if (!rest_.empty() && !isBroken_) {
        const std::string word = std::move(rest_);
        rest_.clear();
        takeWord(word);
    }
    if (!areDeclared_ && !isBroken_) {
        fault("the file ends before its signals", "$enddefinitions $end, and changes behind it");
    }
    return std::move(capture_);
}

namespace {

std::string idFor(std::size_t number) {
    std::string id;
    do {
        id += static_cast<char>(kFirstLetter + static_cast<int>(number % kLetters));
        number /= kLetters;
    } while (number > 0);
    return id;
}

/// A name as one word, as the format needs it: it says nothing of signs, and '$' begins what it has to say itself.
std::string wordOf(std::string name) {
    for (char& letter : name) {
        const auto code = static_cast<unsigned char>(letter);
        letter = code <= ' ' || code == 0x7F || letter == '$' ? '_' : letter;
    }
    return name.empty() ? "unnamed" : name;
}

/// Names with dots as scopes, each opened and closed.
std::string declaration(const std::string& kind, const std::string& id, const std::string& name) {
    std::vector<std::string> parts;
    std::size_t from = 0;
    for (std::size_t dot = name.find('.'); dot != std::string::npos; dot = name.find('.', from)) {
        parts.push_back(name.substr(from, dot - from));
        from = dot + 1;
    }
    std::string text;
    for (const std::string& part : parts) {
        text += "$scope module " + wordOf(part) + " $end\n";
    }
    text += "$var " + kind + " " + id + " " + wordOf(name.substr(from)) + " $end\n";
    for (std::size_t i = 0; i < parts.size(); ++i) {
        text += "$upscope $end\n";
    }
    return text;
}

/// The longest time scale that a tick is a whole number of, and that number.
std::pair<std::string, std::int64_t> scaleFor(const Rational& tick) {
    Rational scale = 100;
    for (const char* unit : {"s", "ms", "us", "ns", "ps", "fs"}) {
        for (const int number : {100, 10, 1}) {
            if ((tick / scale).isWhole()) {
                return {std::to_string(number) + " " + unit, static_cast<std::int64_t>((tick / scale).toDouble())};
            }
            scale /= 10;
        }
    }
    return {"1 fs", std::max<std::int64_t>(1, static_cast<std::int64_t>((tick / (scale * 10)).rounded().toDouble()))};
}

} // namespace

void writeVcd(const Capture& capture, const std::function<void(std::string_view)>& write) {
    const auto [scale, times] = scaleFor(capture.tick);
    write("$timescale " + scale + " $end\n");
    std::size_t number = 0;
    for (const Track& track : capture.tracks) {
        write(declaration("wire 1", idFor(number++), track.name));
    }
    for (const ValueTrack& track : capture.values) {
        write(declaration("real 64", idFor(number++), track.name));
    }
    write("$enddefinitions $end\n");
    struct Next {
        std::int64_t tick;
        std::size_t which;
        bool operator>(const Next& other) const { return std::pair(tick, which) > std::pair(other.tick, other.which); }
    };
    std::priority_queue<Next, std::vector<Next>, std::greater<>> queue;
    std::vector<EdgeList::Walk> walks;
    std::vector<Edge> edges(capture.tracks.size());
    std::vector<std::size_t> places(capture.values.size());
    for (std::size_t i = 0; i < capture.tracks.size(); ++i) {
        walks.emplace_back(capture.tracks[i].edges, 0);
        if (walks.back().next(edges[i])) {
            queue.push({edges[i].tick, i});
        }
    }
    for (std::size_t i = 0; i < capture.values.size(); ++i) {
        if (!capture.values[i].ticks.empty()) {
            queue.push({capture.values[i].ticks.front(), capture.tracks.size() + i});
        }
    }
    std::int64_t now = -1;
    std::string text;
    while (!queue.empty()) {
        const auto [tick, which] = queue.top();
        queue.pop();
        if (tick != now) {
            text += fmt::format("#{}\n", tick * times);
            now = tick;
        }
        if (which < capture.tracks.size()) {
            text += "01xz"[static_cast<int>(edges[which].level)] + idFor(which) + "\n";
            if (walks[which].next(edges[which])) {
                queue.push({edges[which].tick, which});
            }
        } else {
            const ValueTrack& track = capture.values[which - capture.tracks.size()];
            std::size_t& place = places[which - capture.tracks.size()];
            text += fmt::format("r{:.9g} {}\n", track.values[place], idFor(which));
            if (++place < track.ticks.size()) {
                queue.push({track.ticks[place], which});
            }
        }
        constexpr std::size_t kPiece = 1U << 16U;
        if (text.size() > kPiece) {
            write(text);
            text.clear();
        }
    }
    write(text + (capture.end > now ? fmt::format("#{}\n", capture.end * times) : ""));
}

} // namespace wisetick
