#pragma once

#include "plan/promise_line.h"
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

TextError errorAt(const Word& word, std::string found, std::string expected, std::string mend = {});
std::string quoted(std::string_view text);

/// The verbs that follow a subject.
const std::vector<std::string>& subjectVerbs();

/// The clauses of a verb ("talks on a bus" for what an i2c talks, "talks on can"); they write into the promise line that is being
/// read. The line must outlive them.
std::vector<Clause> clausesOf(const std::string& verb, PromiseLine& line, const Part* part);

/// What may stand before a verb on this part.
std::vector<std::string> subjectsOf(const std::string& verb, const Part& part);

/// Why this subject can't stand before this verb; nothing where it can, or where there is no part to know.
std::optional<TextError> checkSubject(const std::string& verb, const Word& subject, const Part* part);

} // namespace wisetick
