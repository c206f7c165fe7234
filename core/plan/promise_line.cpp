#include "plan/promise_line.h"

#include "base/nearest_name.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <algorithm>
#include <functional>

namespace wisetick {

namespace {

struct Word {
    std::string_view text;
    std::size_t position = 0;
};

/// A clause after the verb: its opening words, then nothing, a quantity, or one word.
struct Clause {
    enum class Takes { nothing, quantity, word };

    std::vector<std::string> opens; ///< "fed", "every"; empty: the bare figure that the verb itself takes
    Takes takes = Takes::nothing;
    Unit unit = Unit::ratio;
    bool isRequired = false;
    std::string example;
    std::function<void(const Rational&)> setQuantity;
    std::function<std::optional<TextError>(const Word&)> setWord;
    bool isSeen = false;
};

std::string opening(const Clause& clause) {
    std::string text;
    for (const std::string& word : clause.opens) {
        text += (text.empty() ? "" : " ") + word;
    }
    return text;
}

TextError errorAt(const Word& word, std::string found, std::string expected, std::string mend = {}) {
    return {word.position, word.text.size(), std::move(found), std::move(expected), std::move(mend)};
}

std::string quoted(std::string_view text) {
    return "'" + std::string(text) + "'";
}

bool isName(std::string_view text) {
    const auto isLetter = [](char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); };
    return !text.empty() && isLetter(text.front()) && std::all_of(text.begin(), text.end(), [&](char c) {
        return isLetter(c) || (c >= '0' && c <= '9') || c == '_' || c == '-' || c == '.';
    });
}

const std::vector<std::string>& verbs() {
    static const std::vector<std::string> list{"runs", "talks", "fires", "bites", "lasts", "wakes", "average"};
    return list;
}

using WordCheck = std::function<std::optional<TextError>(const Word&)>;

/// A check that the word is one of the known ids; passes everything where there is no part to know them.
WordCheck oneOf(const Part* part, std::string noun, std::function<std::vector<std::string>(const Part&)> known) {
    return [part, noun = std::move(noun), known = std::move(known)](const Word& word) -> std::optional<TextError> {
        if (part == nullptr) {
            return std::nullopt;
        }
        const std::vector<std::string> names = known(*part);
        if (std::find(names.begin(), names.end(), word.text) != names.end()) {
            return std::nullopt;
        }
        return errorAt(word, "no " + noun + " " + quoted(word.text) + " on this part", listNames(names),
                       didYouMean(word.text, names));
    };
}

std::vector<std::string> peripheralsOfKind(const Part& part, const std::string& kind) {
    std::vector<std::string> ids;
    for (const Peripheral& peripheral : part.peripherals) {
        if (kindName(peripheral.kind) == kind) {
            ids.push_back(peripheral.id);
        }
    }
    return ids;
}

WordCheck peripheralOf(const Part* part, const std::string& kind) {
    return oneOf(part, kind, [kind](const Part& known) { return peripheralsOfKind(known, kind); });
}

WordCheck sleepModeOf(const Part* part) {
    return oneOf(part, "sleep mode", [](const Part& known) {
        std::vector<std::string> ids;
        for (const Mode& mode : known.modes) {
            if (!mode.runs) {
                ids.push_back(mode.id);
            }
        }
        return ids;
    });
}

std::optional<UartFrame> readFrame(std::string_view text) {
    if (text.size() != 3 || text[0] < '5' || text[0] > '9' || std::string_view("NEO").find(text[1]) == std::string_view::npos ||
        (text[2] != '1' && text[2] != '2')) {
        return std::nullopt;
    }
    return UartFrame{text[0] - '0', text[1], text[2] - '0'};
}

Clause quantityClause(std::vector<std::string> opens, Unit unit, const std::string& example, bool isRequired,
                      std::function<void(const Rational&)> set) {
    Clause clause;
    clause.opens = std::move(opens);
    clause.takes = Clause::Takes::quantity;
    clause.unit = unit;
    clause.isRequired = isRequired;
    clause.example = example;
    clause.setQuantity = std::move(set);
    return clause;
}

Clause wordClause(std::vector<std::string> opens, const std::string& example, bool isRequired, WordCheck set) {
    Clause clause;
    clause.opens = std::move(opens);
    clause.takes = Clause::Takes::word;
    clause.isRequired = isRequired;
    clause.example = example;
    clause.setWord = std::move(set);
    return clause;
}

void addTolerance(std::vector<Clause>& clauses, Tolerance& tolerance) {
    clauses.push_back(
        quantityClause({"within"}, Unit::ratio, "within 1.5 %", false, [&](const Rational& value) { tolerance.within = value; }));
    Clause exactly;
    exactly.opens = {"exactly"};
    exactly.example = "exactly";
    exactly.setQuantity = [&](const Rational&) { tolerance.exactly = true; };
    clauses.push_back(std::move(exactly));
}

/// The clauses of one verb; they write into the promise line that is being read.
std::vector<Clause> clausesOf(const std::string& verb, PromiseLine& line, const Part* part) {
    std::vector<Clause> clauses;
    if (verb == "runs") {
        RunsAsk& ask = line.ask.emplace<RunsAsk>();
        const auto set = [&ask](RunsAsk::Bound bound) {
            return [&ask, bound](const Rational& value) {
                ask.bound = bound;
                ask.hertz = value;
            };
        };
        clauses.push_back(quantityClause({"at", "least"}, Unit::hertz, "at least 60 MHz", false, set(RunsAsk::Bound::atLeast)));
        clauses.push_back(quantityClause({"at", "most"}, Unit::hertz, "at most 50 MHz", false, set(RunsAsk::Bound::atMost)));
        clauses.push_back(quantityClause({"at"}, Unit::hertz, "at 160 MHz", true, set(RunsAsk::Bound::at)));
        addTolerance(clauses, ask.tolerance);
    } else if (verb == "talks") {
        TalksAsk& ask = line.ask.emplace<TalksAsk>();
        clauses.push_back(
            quantityClause({}, Unit::bitsPerSecond, "115200", true, [&](const Rational& value) { ask.bitsPerSecond = value; }));
        addTolerance(clauses, ask.tolerance);
        clauses.push_back(wordClause({"as"}, "as 8N1", false, [&ask](const Word& word) -> std::optional<TextError> {
            const auto frame = readFrame(word.text);
            if (!frame) {
                return errorAt(word, quoted(word.text), "a frame such as '8N1', '7E1' or '9N2'");
            }
            ask.frame = *frame;
            return std::nullopt;
        }));
    } else if (verb == "fires") {
        FiresAsk& ask = line.ask.emplace<FiresAsk>();
        clauses.push_back(
            quantityClause({"every"}, Unit::second, "every 1 ms", true, [&](const Rational& value) { ask.period = value; }));
        addTolerance(clauses, ask.tolerance);
    } else if (verb == "bites") {
        BitesAsk& ask = line.ask.emplace<BitesAsk>();
        clauses.push_back(
            quantityClause({"after"}, Unit::second, "after 2 s", true, [&](const Rational& value) { ask.after = value; }));
        clauses.push_back(quantityClause({"fed", "every"}, Unit::second, "fed every 1.8 s", false,
                                         [&](const Rational& value) { ask.fedEvery = value; }));
        clauses.push_back(quantityClause({"at", "latest"}, Unit::second, "at latest 3 s", false,
                                         [&](const Rational& value) { ask.atLatest = value; }));
        clauses.push_back(quantityClause({"opens", "after"}, Unit::second, "opens after 0.5 s", false,
                                         [&](const Rational& value) { ask.opensAfter = value; }));
        addTolerance(clauses, ask.tolerance);
    } else if (verb == "wakes") {
        WakesAsk& ask = line.ask.emplace<WakesAsk>();
        clauses.push_back(wordClause({"from"}, "from deep", true, [&ask, check = sleepModeOf(part)](const Word& word) {
            ask.mode = word.text;
            return check(word);
        }));
        clauses.push_back(quantityClause({"in", "at", "most"}, Unit::second, "in at most 120 us", true,
                                         [&](const Rational& value) { ask.limit = value; }));
        clauses.push_back(wordClause({"by"}, "by rtc", false, [&ask](const Word& word) -> std::optional<TextError> {
            ask.by = word.text;
            return std::nullopt;
        }));
        clauses.push_back(
            quantityClause({"every"}, Unit::second, "every 10 min", false, [&](const Rational& value) { ask.every = value; }));
    } else if (verb == "average") {
        AverageAsk& ask = line.ask.emplace<AverageAsk>();
        clauses.push_back(
            quantityClause({"under"}, Unit::ampere, "under 1 mA", true, [&](const Rational& value) { ask.limit = value; }));
    } else {
        LastsAsk& ask = line.ask.emplace<LastsAsk>();
        clauses.push_back(quantityClause({}, Unit::second, "240 days", true, [&](const Rational& value) { ask.least = value; }));
    }
    if (verb != "wakes" && verb != "average" && verb != "lasts") {
        clauses.push_back(wordClause({"also", "in"}, "also in idle", false, [&line, check = sleepModeOf(part)](const Word& word) {
            line.alsoIn.emplace_back(word.text);
            return check(word);
        }));
    }
    return clauses;
}

/// Which ids may stand before the verb.
WordCheck subjectCheck(const std::string& verb, const Part* part) {
    if (verb == "runs") {
        return oneOf(part, "source or line", [](const Part& known) { return nodeIds(known); });
    }
    if (verb == "talks") {
        return peripheralOf(part, "uart");
    }
    if (verb == "fires") {
        return peripheralOf(part, "timer");
    }
    if (verb == "bites") {
        return peripheralOf(part, "watchdog");
    }
    return [](const Word& word) -> std::optional<TextError> {
        return word.text == "battery" ? std::nullopt
                                      : std::optional(errorAt(word, quoted(word.text), "'battery lasts 240 days'"));
    };
}

/// Reads one line from left to right.
class LineReader {
public:
    LineReader(std::string_view text, const Part* part) : text_(text), part_(part) {}

    tl::expected<PromiseLine, TextError> read() {
        PromiseLine line;
        if (auto error = readName(line)) {
            return tl::unexpected(*error);
        }
        std::string verb;
        if (auto error = readSubjectAndVerb(line, verb)) {
            return tl::unexpected(*error);
        }
        std::vector<Clause> clauses = clausesOf(verb, line, part_);
        skipBlanks();
        while (position_ < text_.size()) {
            if (auto error = readClause(clauses)) {
                return tl::unexpected(*error);
            }
            skipBlanks();
        }
        if (auto error = checkComplete(clauses)) {
            return tl::unexpected(*error);
        }
        return line;
    }

private:
    void skipBlanks() {
        while (position_ < text_.size() && (text_[position_] == ' ' || text_[position_] == '\t' || text_[position_] == ',')) {
            ++position_;
        }
    }

    /// The next word without taking it; empty at the end.
    Word peekWord() {
        skipBlanks();
        const std::size_t end = std::min(text_.find_first_of(" \t,", position_), text_.size());
        return {text_.substr(position_, end - position_), position_};
    }

    Word takeWord() {
        const Word word = peekWord();
        position_ += word.text.size();
        return word;
    }

    std::optional<TextError> readName(PromiseLine& line) {
        const std::size_t colon = text_.find(':');
        if (colon == std::string_view::npos) {
            return std::nullopt;
        }
        skipBlanks();
        std::string_view name = text_.substr(position_, colon - std::min(colon, position_));
        while (!name.empty() && name.back() == ' ') {
            name.remove_suffix(1);
        }
        if (!isName(name)) {
            return errorAt({name, position_}, "the name " + quoted(name), "one word that begins with a letter, such as 'modem'");
        }
        line.name = name;
        position_ = colon + 1;
        return std::nullopt;
    }

    std::optional<TextError> readSubjectAndVerb(PromiseLine& line, std::string& verb) {
        const Word first = takeWord();
        if (first.text.empty()) {
            return errorAt(first, "nothing", "a promise such as 'uart1 talks 115200' or 'timer2 fires every 1 ms'");
        }
        if (first.text == "wakes" || first.text == "average") {
            verb = first.text;
            return std::nullopt;
        }
        const Word second = takeWord();
        if (second.text.empty() || std::find(verbs().begin(), verbs().end() - 2, second.text) == verbs().end() - 2) {
            const std::vector<std::string> known(verbs().begin(), verbs().end() - 2);
            return errorAt(second, second.text.empty() ? "no verb" : "unknown verb " + quoted(second.text), listNames(known),
                           didYouMean(second.text, known));
        }
        verb = second.text;
        line.subject = first.text;
        return subjectCheck(verb, part_)(first);
    }

    /// The clause whose opening words stand here; the longest opening wins because it is listed first.
    Clause* matchClause(std::vector<Clause>& clauses) {
        for (Clause& clause : clauses) {
            const std::size_t start = position_;
            const bool isMatch = std::all_of(clause.opens.begin(), clause.opens.end(),
                                             [&](const std::string& word) { return takeWord().text == word; });
            if (isMatch && (!clause.opens.empty() || quantityLength(text_.substr(position_)) > 0)) {
                return &clause;
            }
            position_ = start;
        }
        return nullptr;
    }

    std::optional<TextError> readClause(std::vector<Clause>& clauses) {
        const Word opener = peekWord();
        Clause* clause = matchClause(clauses);
        if (clause == nullptr) {
            std::vector<std::string> known;
            std::vector<std::string> firstWords;
            for (const Clause& each : clauses) {
                if (!each.isSeen) {
                    known.push_back(each.example);
                    firstWords.push_back(each.opens.empty() ? each.example : each.opens.front());
                }
            }
            return errorAt(opener, quoted(opener.text), listNames(known), didYouMean(opener.text, firstWords));
        }
        if (clause->isSeen && clause->opens != std::vector<std::string>{"also", "in"}) {
            return errorAt(opener,
                           (clause->opens.empty() ? quoted(opener.text) : "'" + opening(*clause) + "'") + " for the second time",
                           "each thing said once");
        }
        clause->isSeen = true;
        return readOperand(*clause);
    }

    std::optional<TextError> readOperand(const Clause& clause) {
        skipBlanks();
        switch (clause.takes) {
        case Clause::Takes::nothing: clause.setQuantity(1); return std::nullopt;
        case Clause::Takes::word: {
            const Word word = takeWord();
            if (word.text.empty()) {
                return errorAt(word, "nothing after '" + opening(clause) + "'", "'" + clause.example + "'");
            }
            return clause.setWord(word);
        }
        case Clause::Takes::quantity: break;
        }
        const std::size_t start = position_;
        std::size_t length = quantityLength(text_.substr(start));
        if (length == 0) {
            length = peekWord().text.size();
        }
        const auto value = readQuantity(text_.substr(start, length), clause.unit);
        if (!value) {
            TextError error = value.error();
            error.position += start;
            return error;
        }
        if (value->sign() <= 0) {
            return TextError{start, length, quoted(text_.substr(start, length)), unitNoun(clause.unit) + " above 0", {}};
        }
        position_ = start + length;
        clause.setQuantity(*value);
        return std::nullopt;
    }

    std::optional<TextError> checkComplete(const std::vector<Clause>& clauses) {
        const auto isSeen = [&](const std::vector<std::string>& opens) {
            return std::any_of(clauses.begin(), clauses.end(),
                               [&](const Clause& each) { return each.isSeen && each.opens == opens; });
        };
        const Word end{text_.substr(text_.size()), text_.size()};
        const int bounds = static_cast<int>(isSeen({"at"})) + static_cast<int>(isSeen({"at", "least"})) +
                           static_cast<int>(isSeen({"at", "most"}));
        if (bounds > 1) {
            return errorAt(end, "more than one rate", "one of 'at', 'at least' and 'at most'");
        }
        if (isSeen({"within"}) && isSeen({"exactly"})) {
            return errorAt(end, "both 'within' and 'exactly'", "one of them");
        }
        if ((isSeen({"at", "least"}) || isSeen({"at", "most"})) && (isSeen({"within"}) || isSeen({"exactly"}))) {
            return errorAt(end, "a tolerance beside 'at least' or 'at most'", "a bound alone, or 'at' with a tolerance");
        }
        for (const Clause& clause : clauses) {
            if (clause.isRequired && !clause.isSeen && bounds == 0) {
                return errorAt(end, "the line ends", "'" + clause.example + "'");
            }
        }
        return std::nullopt;
    }

    std::string_view text_;
    const Part* part_;
    std::size_t position_ = 0;
};

std::string toleranceText(const Tolerance& tolerance) {
    if (tolerance.exactly) {
        return " exactly";
    }
    return tolerance.within ? " within " + printReadable(*tolerance.within, Unit::ratio) : "";
}

struct ClausePrinter {
    std::string operator()(const RunsAsk& ask) const {
        const char* bound =
            ask.bound == RunsAsk::Bound::at ? "at " : (ask.bound == RunsAsk::Bound::atLeast ? "at least " : "at most ");
        return "runs " + (bound + printReadable(ask.hertz, Unit::hertz)) + toleranceText(ask.tolerance);
    }
    std::string operator()(const TalksAsk& ask) const {
        const std::string rate =
            ask.bitsPerSecond.isWhole() ? ask.bitsPerSecond.toString() : printReadable(ask.bitsPerSecond, Unit::bitsPerSecond);
        return "talks " + rate + toleranceText(ask.tolerance) + (ask.frame == UartFrame{} ? "" : " as " + printFrame(ask.frame));
    }
    std::string operator()(const FiresAsk& ask) const {
        return "fires every " + printReadable(ask.period, Unit::second) + toleranceText(ask.tolerance);
    }
    std::string operator()(const BitesAsk& ask) const {
        std::string text = "bites after " + printReadable(ask.after, Unit::second) + toleranceText(ask.tolerance);
        const auto add = [&](const char* words, const std::optional<Rational>& value) {
            if (value) {
                text += words + printReadable(*value, Unit::second);
            }
        };
        add(", fed every ", ask.fedEvery);
        add(", at latest ", ask.atLatest);
        add(", opens after ", ask.opensAfter);
        return text;
    }
    std::string operator()(const WakesAsk& ask) const {
        return "wakes from " + ask.mode + " in at most " + printReadable(ask.limit, Unit::second) +
               (ask.by.empty() ? "" : " by " + ask.by) + (ask.every ? " every " + printReadable(*ask.every, Unit::second) : "");
    }
    std::string operator()(const AverageAsk& ask) const { return "average under " + printReadable(ask.limit, Unit::ampere); }
    std::string operator()(const LastsAsk& ask) const { return "lasts " + printReadable(ask.least, Unit::second); }
};

} // namespace

tl::expected<PromiseLine, TextError> readPromiseLine(std::string_view text, const Part* part) {
    return LineReader(text, part).read();
}

std::string printFrame(const UartFrame& frame) {
    return std::to_string(frame.dataBits) + frame.parity + std::to_string(frame.stopBits);
}

std::string printPromiseLine(const PromiseLine& line) {
    std::string text = line.name.empty() ? "" : line.name + ": ";
    text += line.subject.empty() ? "" : line.subject + " ";
    text += std::visit(ClausePrinter{}, line.ask);
    for (const std::string& mode : line.alsoIn) {
        text += ", also in " + mode;
    }
    return text;
}

} // namespace wisetick
