#include "plan/promise_line.h"

#include "base/nearest_name.h"
#include "plan/promise_clauses.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <algorithm>

namespace wisetick {

namespace {

const std::string kEndsEarly = "the line ends";

bool isName(std::string_view text) {
    const auto isLetter = [](char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); };
    return !text.empty() && isLetter(text.front()) && std::all_of(text.begin(), text.end(), [&](char c) {
        return isLetter(c) || (c >= '0' && c <= '9') || c == '_' || c == '-' || c == '.';
    });
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
        std::vector<Clause> clauses = clausesOf(*askMeant(verb, line.subject, text_, part_), verb, line, part_);
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

    /// What may stand at the end of the text.
    Completion complete() {
        PromiseLine line;
        if (readName(line)) {
            return {};
        }
        const Word first = takeWord();
        if (isAtEnd()) {
            return whichBegin(first.position, firstWords());
        }
        std::string verb(first.text);
        if (!isLone(verb)) {
            const Word second = takeWord();
            if (isAtEnd()) {
                return whichBegin(second.position, verbsOf(first));
            }
            verb = second.text;
        }
        const AskRow* ask = askMeant(verb, std::string(first.text), text_, part_);
        if (ask == nullptr) {
            return {};
        }
        std::vector<Clause> clauses = clausesOf(*ask, verb, line, part_);
        while (true) {
            skipBlanks();
            const std::size_t start = position_;
            Clause* clause = matchClause(clauses);
            if (clause == nullptr || (isAtEnd() && !clause->opens.empty())) {
                position_ = start;
                return whichBegin(start, clauseTexts(clauses));
            }
            clause->isSeen = true;
            skipBlanks();
            const std::size_t operand = position_;
            if (clause->takes == Clause::Takes::word) {
                takeWord();
            } else if (clause->takes == Clause::Takes::quantity) {
                position_ += quantityLength(text_.substr(operand));
                if (!clause->closes.empty()) {
                    takeWord();
                }
            }
            if (isAtEnd() && clause->takes != Clause::Takes::nothing) {
                return whichBegin(operand, operandTexts(*clause));
            }
            if (position_ == operand && clause->takes != Clause::Takes::nothing) {
                clause->isSeen = false; // no operand stands here, but perhaps a longer opening: "at l"
                position_ = start;
                return whichBegin(start, clauseTexts(clauses));
            }
        }
    }

private:
    bool isAtEnd() const { return position_ == text_.size(); }

    static bool isLone(std::string_view verb) {
        const std::vector<std::string> verbs = loneVerbs();
        return std::find(verbs.begin(), verbs.end(), verb) != verbs.end();
    }

    /// Those of the texts that go on with what stands at `start`, and are more than that.
    Completion whichBegin(std::size_t start, const std::vector<std::string>& texts) const {
        const std::string_view typed = text_.substr(start);
        Completion completion{start, {}};
        for (const std::string& text : texts) {
            if (text.size() > typed.size() && text.compare(0, typed.size(), typed) == 0) {
                completion.texts.push_back(text);
            }
        }
        return completion;
    }

    /// Peripherals and their channels first, then lines, then what has no subject.
    std::vector<std::string> firstWords() const {
        std::vector<std::string> words;
        for (const bool areNodes : {false, true}) {
            for (const AskRow* row : askRows()) {
                const bool isHere = (row->of == AskedOf::node || row->of == AskedOf::battery) == areNodes;
                for (std::string& word : isHere ? subjectsOf(row->verbs.front(), *part_) : std::vector<std::string>()) {
                    if (std::find(words.begin(), words.end(), word) == words.end()) {
                        words.push_back(std::move(word));
                    }
                }
            }
        }
        for (const AskRow* row : askRows()) {
            if (row->of == AskedOf::nothing) {
                PromiseLine line;
                words.push_back(row->verbs.front() + " " + opening(clausesOf(*row, row->verbs.front(), line, part_).front()));
            }
        }
        return words;
    }

    std::vector<std::string> verbsOf(const Word& subject) const {
        std::vector<std::string> verbs;
        for (const std::string& verb : subjectVerbs()) {
            if (!checkSubject(verb, subject, part_)) {
                verbs.push_back(verb);
            }
        }
        return verbs;
    }

    /// The clauses that may still follow, whole; those that the verb needs come first.
    std::vector<std::string> clauseTexts(const std::vector<Clause>& clauses) const {
        std::vector<std::string> texts;
        for (const bool isRequired : {true, false}) {
            for (const Clause& clause : clauses) {
                if (clause.isRequired != isRequired || clause.isSeen || isTooEarly(clause, clauses)) {
                    continue;
                }
                for (const std::string& operand : operandTexts(clause)) {
                    const std::string before = opening(clause);
                    texts.push_back(before + (before.empty() || operand.empty() ? "" : " ") + operand);
                }
            }
        }
        std::erase_if(texts, [&](const std::string& text) {
            const auto line = LineReader(std::string(text_.substr(0, position_)) + text, part_).read();
            return !line && line.error().found != kEndsEarly;
        });
        return texts;
    }

    /// Whether it means nothing yet: what it needs is not said. Two that need each other may come in either order.
    static bool isTooEarly(const Clause& clause, const std::vector<Clause>& clauses) {
        return !clause.needs.empty() && std::none_of(clauses.begin(), clauses.end(), [&](const Clause& other) {
            return opening(other) == clause.needs && (other.isSeen || other.needs == opening(clause));
        });
    }

    /// What may follow a clause's opening words: names, or the figure of the example.
    static std::vector<std::string> operandTexts(const Clause& clause) {
        if (!clause.known.empty()) {
            return clause.known;
        }
        const std::size_t before = clause.opens.empty() ? 0 : opening(clause).size() + 1;
        return {before < clause.example.size() ? clause.example.substr(before) : std::string()};
    }

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
        if (isLone(first.text)) {
            verb = first.text;
            return std::nullopt;
        }
        const Word second = takeWord();
        const std::vector<std::string> known = subjectVerbs();
        if (std::find(known.begin(), known.end(), second.text) == known.end()) {
            return errorAt(second, second.text.empty() ? "no verb" : "unknown verb " + quoted(second.text), listNames(known),
                           didYouMean(second.text, known));
        }
        verb = second.text;
        line.subject = first.text;
        return checkSubject(verb, first, part_);
    }

    /// The clause whose opening words stand here; the longest opening wins because it is listed first.
    Clause* matchClause(std::vector<Clause>& clauses) {
        for (Clause& clause : clauses) {
            const std::size_t start = position_;
            const bool isMatch = std::all_of(clause.opens.begin(), clause.opens.end(),
                                             [&](const std::string& word) { return takeWord().text == word; });
            if (isMatch && (!clause.opens.empty() || quantityLength(text_.substr(position_)) > 0) && closesHere(clause)) {
                return &clause;
            }
            position_ = start;
        }
        return nullptr;
    }

    /// Whether the word that ends the clause stands behind its quantity, where it has one.
    bool closesHere(const Clause& clause) {
        if (clause.closes.empty()) {
            return true;
        }
        const std::size_t start = position_;
        skipBlanks();
        position_ += quantityLength(text_.substr(position_));
        const bool isMatch = takeWord().text == clause.closes;
        position_ = start;
        return isMatch;
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
            const bool isKnown = std::find(firstWords.begin(), firstWords.end(), opener.text) != firstWords.end();
            return errorAt(opener, quoted(opener.text), listNames(known),
                           isKnown ? std::string() : didYouMean(opener.text, firstWords));
        }
        if (clause->isSeen && !clause->mayRepeat) {
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
        if (value->sign() < 0 || (value->isZero() && !clause.mayBeZero)) {
            return TextError{start,
                             length,
                             quoted(text_.substr(start, length)),
                             unitNoun(clause.unit) + (clause.mayBeZero ? " of 0 or more" : " above 0"),
                             {}};
        }
        const std::string_view typed = text_.substr(start, length);
        if (unitIsWhole(clause.unit) && !value->isWhole()) {
            return TextError{start, length, quoted(typed), "a whole number", {}};
        }
        if (clause.most && *value > *clause.most) {
            return TextError{start, length, quoted(typed), "at most " + printReadable(*clause.most, clause.unit), {}};
        }
        position_ = start + length;
        if (!clause.closes.empty()) {
            takeWord();
        }
        clause.setQuantity(*value);
        return std::nullopt;
    }

    std::optional<TextError> checkComplete(const std::vector<Clause>& clauses) {
        const auto isSeen = [&](const std::vector<std::string>& opens) {
            return std::any_of(clauses.begin(), clauses.end(),
                               [&](const Clause& each) { return each.isSeen && each.opens == opens; });
        };
        const Word end{text_.substr(text_.size()), text_.size()};
        const auto saidOf = [&](const std::string& group) {
            return std::count_if(clauses.begin(), clauses.end(),
                                 [&](const Clause& each) { return each.isSeen && each.group == group; });
        };
        for (const Clause& clause : clauses) {
            if (!clause.group.empty() && saidOf(clause.group) > 1) {
                return errorAt(end, "more than one " + clause.group,
                               clause.group == "rate" ? "one of 'at', 'at least' and 'at most'" : "one of them");
            }
        }
        if (isSeen({"within"}) && isSeen({"exactly"})) {
            return errorAt(end, "both 'within' and 'exactly'", "one of them");
        }
        if ((isSeen({"at", "least"}) || isSeen({"at", "most"})) && (isSeen({"within"}) || isSeen({"exactly"}))) {
            return errorAt(end, "a tolerance beside 'at least' or 'at most'", "a bound alone, or 'at' with a tolerance");
        }
        for (const Clause& clause : clauses) {
            const auto other =
                std::find_if(clauses.begin(), clauses.end(), [&](const Clause& each) { return opening(each) == clause.needs; });
            if (clause.isSeen && !clause.needs.empty() && other != clauses.end() && !other->isSeen) {
                return errorAt(end, kEndsEarly, "'" + other->example + "' beside '" + opening(clause) + "'");
            }
        }
        for (const Clause& clause : clauses) {
            if (clause.isRequired && !clause.isSeen && (clause.group.empty() || saidOf(clause.group) == 0)) {
                return errorAt(end, kEndsEarly, "'" + clause.example + "'");
            }
        }
        const bool isEmpty = std::none_of(clauses.begin(), clauses.end(), [](const Clause& each) { return each.isSeen; });
        if (isEmpty && !clauses.empty()) {
            return errorAt(end, kEndsEarly, "'" + clauses.front().example + "'");
        }
        return std::nullopt;
    }

    std::string_view text_;
    const Part* part_;
    std::size_t position_ = 0;
};

} // namespace

tl::expected<PromiseLine, TextError> readPromiseLine(std::string_view text, const Part* part) {
    return LineReader(text, part).read();
}

Completion completePromiseLine(std::string_view text, const Part& part) {
    return LineReader(text, &part).complete();
}

} // namespace wisetick
