#pragma once

#include "base/text.h"
#include "plan/ask_row.h"
#include "quantity/unit.h"

#include <functional>

namespace wisetick {

/// A word of a promise line and where it stands in the text.
struct Word {
    std::string_view text;
    std::size_t position = 0;
};

/// A clause after the verb: its opening words, then nothing, a quantity, or one word.
struct Clause {
    enum class Takes { nothing, quantity, word };

    std::vector<std::string> opens; ///< "fed", "every"; empty: the bare figure that the verb itself takes
    std::string closes = {};        ///< the word behind its quantity, "rise"; mostly none
    Takes takes = Takes::nothing;
    Unit unit = Unit::ratio;
    bool isRequired = false;
    bool mayRepeat = false;
    bool mayBeZero = false;            ///< of its quantity; most must be above 0
    std::string needs = {};            ///< the opening of a clause without which this one means nothing
    std::optional<Rational> most = {}; ///< of its quantity
    std::string group = {};            ///< "rate": of the clauses of one group just one is said
    std::string example;               ///< the whole clause, "fed every 1.8 s"
    std::function<void(const Rational&)> setQuantity;
    std::function<std::optional<TextError>(const Word&)> setWord;
    std::vector<std::string> known; ///< of a word: what the part has
    bool isSeen = false;
};

/// "fed every".
std::string opening(const Clause& clause);

TextError errorAt(const Word& word, Text found, Text expected, Text mend = {});
std::string quoted(std::string_view text);

/// Gathers the clauses of an ask; they write into places of it.
class ClauseList {
public:
    explicit ClauseList(const Part* part) : part_(part) {}

    /// nullptr where a line is read without one.
    const Part* part() const { return part_; }

    /// A quantity that goes into a place of the ask; `example` is the whole clause.
    template <class Place>
    Clause& quantity(const std::string& opens, Unit unit, const std::string& example, Place& place) {
        return quantity(opens, unit, example, [&place](const Rational& value) { place = value; });
    }
    Clause& quantity(const std::string& opens, Unit unit, const std::string& example, std::function<void(const Rational&)> set);
    template <class Place>
    Clause& needed(const std::string& opens, Unit unit, const std::string& example, Place& place) {
        Clause& clause = quantity(opens, unit, example, place);
        clause.isRequired = true;
        return clause;
    }
    /// One word.
    Clause& word(const std::string& opens, const std::string& example, std::function<std::optional<TextError>(const Word&)> set);
    /// The name of a sleep mode; any name does where there is no part to know them.
    Clause& mode(const std::string& opens, const std::string& example, const std::function<void(const Word&)>& set);
    void flag(const std::string& opens, bool& place);
    void tolerance(Tolerance& tolerance);
    /// All clauses so far are ways to say one thing.
    void group(const std::string& name);
    Clause& at(std::size_t index) { return clauses_[index]; }
    std::vector<Clause> take() { return std::move(clauses_); }

private:
    Clause& add(Clause clause);

    const Part* part_;
    std::vector<Clause> clauses_;
};

/// Why the word is none of the names; nothing where it is one.
std::optional<TextError> checkKnown(const std::string& noun, const Word& word, const std::vector<std::string>& names);

/// The ids of the part's peripherals of that kind.
std::vector<std::string> peripheralsOfKind(const Part& part, const std::string& kind);

/// The verbs that follow a subject.
std::vector<std::string> subjectVerbs();

/// The verbs that stand without one: "wakes", "average".
std::vector<std::string> loneVerbs();

/// The ask that a verb means behind this subject, in this line; nullptr of an unknown verb.
const AskRow* askMeant(const std::string& verb, const std::string& subject, std::string_view line, const Part* part);

/// The clauses of an ask, which begins in the line; they write into it. The line must outlive them.
std::vector<Clause> clausesOf(const AskRow& ask, const std::string& verb, PromiseLine& line, const Part* part);

/// What may stand before a verb on this part.
std::vector<std::string> subjectsOf(const std::string& verb, const Part& part);

/// Why this subject can't stand before this verb; nothing where it can, or where there is no part to know.
std::optional<TextError> checkSubject(const std::string& verb, const Word& subject, const Part* part);

} // namespace wisetick
