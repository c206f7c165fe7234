#include "plan/promise_clauses.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

std::vector<std::string> sleepModes(const Part& part) {
    std::vector<std::string> ids;
    for (const Mode& mode : part.modes) {
        if (!mode.runs) {
            ids.push_back(mode.id);
        }
    }
    return ids;
}

std::vector<std::string> wordsOf(const std::string& text) {
    std::vector<std::string> words;
    for (std::size_t start = 0; start < text.size();) {
        const std::size_t end = std::min(text.find(' ', start), text.size());
        words.push_back(text.substr(start, end - start));
        start = end + 1;
    }
    return words;
}

bool has(const std::vector<std::string>& list, const std::string& text) {
    return std::find(list.begin(), list.end(), text) != list.end();
}

/// The asks that share a verb.
std::vector<const AskRow*> asksOfVerb(const std::string& verb) {
    std::vector<const AskRow*> rows;
    for (const AskRow* row : askRows()) {
        if (has(row->verbs, verb)) {
            rows.push_back(row);
        }
    }
    return rows;
}

/// The kinds that can be asked one of these, in the order of the asks.
std::vector<const KindRow*> kindsAsked(const std::vector<const AskRow*>& asks) {
    std::vector<const KindRow*> kinds;
    for (const AskRow* ask : asks) {
        for (const KindRow* kind : kindRows()) {
            if (canBeAsked(*kind, *ask) && std::find(kinds.begin(), kinds.end(), kind) == kinds.end()) {
                kinds.push_back(kind);
            }
        }
    }
    return kinds;
}

/// What stands before a verb, for a message: "uart, can or i2c".
std::string nounOf(const std::vector<const AskRow*>& asks) {
    const AskedOf of = asks.empty() ? AskedOf::nothing : asks.front()->of;
    if (of == AskedOf::node) {
        return "source or line";
    }
    std::string text;
    const std::vector<const KindRow*> kinds = kindsAsked(asks);
    for (std::size_t i = 0; i < kinds.size(); ++i) {
        text += (i == 0 ? "" : (i + 1 == kinds.size() ? " or " : ", ")) + kinds[i]->name;
    }
    return of == AskedOf::channel ? "channel of a " + text : text;
}

std::vector<std::string> verbsWhere(bool hasSubject) {
    std::vector<std::string> words;
    for (const AskRow* row : askRows()) {
        for (const std::string& verb : row->verbs) {
            if ((row->of != AskedOf::nothing) == hasSubject && !has(words, verb)) {
                words.push_back(verb);
            }
        }
    }
    return words;
}

} // namespace

Clause& ClauseList::add(Clause clause) {
    clauses_.push_back(std::move(clause));
    return clauses_.back();
}

Clause& ClauseList::quantity(const std::string& opens, Unit unit, const std::string& example,
                             std::function<void(const Rational&)> set) {
    Clause clause;
    clause.opens = wordsOf(opens);
    clause.takes = Clause::Takes::quantity;
    clause.unit = unit;
    clause.example = example;
    clause.setQuantity = std::move(set);
    return add(std::move(clause));
}

Clause& ClauseList::word(const std::string& opens, const std::string& example,
                         std::function<std::optional<TextError>(const Word&)> set) {
    Clause clause;
    clause.opens = wordsOf(opens);
    clause.takes = Clause::Takes::word;
    clause.example = example;
    clause.setWord = std::move(set);
    return add(std::move(clause));
}

Clause& ClauseList::mode(const std::string& opens, const std::string& example, const std::function<void(const Word&)>& set) {
    const std::vector<std::string> modes = part_ == nullptr ? std::vector<std::string>() : sleepModes(*part_);
    const bool isChecked = part_ != nullptr;
    Clause& clause = word(opens, example, [=](const Word& each) -> std::optional<TextError> {
        set(each);
        return isChecked ? checkKnown("sleep mode", each, modes) : std::nullopt;
    });
    clause.known = modes;
    return clause;
}

void ClauseList::flag(const std::string& opens, bool& place) {
    Clause clause;
    clause.opens = wordsOf(opens);
    clause.example = opens;
    clause.setQuantity = [&place](const Rational&) { place = true; };
    add(std::move(clause));
}

void ClauseList::tolerance(Tolerance& tolerance) {
    quantity("within", Unit::ratio, "within 1.5 %", tolerance.within);
    flag("exactly", tolerance.exactly);
}

void ClauseList::group(const std::string& name) {
    for (Clause& clause : clauses_) {
        clause.group = name;
    }
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

std::optional<TextError> checkKnown(const std::string& noun, const Word& word, const std::vector<std::string>& names) {
    if (std::find(names.begin(), names.end(), word.text) != names.end()) {
        return std::nullopt;
    }
    return errorAt(word, "no " + noun + " " + quoted(word.text) + " on this part", listNames(names),
                   didYouMean(word.text, names));
}

std::string opening(const Clause& clause) {
    std::string text;
    for (const std::string& word : clause.opens) {
        text += (text.empty() ? "" : " ") + word;
    }
    return text;
}

TextError errorAt(const Word& word, Text found, Text expected, Text mend) {
    return {word.position, word.text.size(), std::move(found), std::move(expected), std::move(mend)};
}

std::string quoted(std::string_view text) {
    return "'" + std::string(text) + "'";
}

std::vector<std::string> subjectVerbs() {
    return verbsWhere(true);
}

std::vector<std::string> loneVerbs() {
    return verbsWhere(false);
}

const AskRow* askMeant(const std::string& verb, const std::string& subject, std::string_view line, const Part* part) {
    const std::vector<const AskRow*> rows = asksOfVerb(verb);
    const auto peripheral = part == nullptr ? std::nullopt : part->findPeripheral(peripheralOf(subject));
    const KindRow* kind = peripheral ? part->peripherals[*peripheral].kind.row() : nullptr;
    const auto isMeant = [&](const AskRow* row) {
        return kind != nullptr ? canBeAsked(*kind, *row) : row->isMeant(subject, line);
    };
    const auto found = std::find_if(rows.begin(), rows.end(), isMeant);
    return found != rows.end() ? *found : (rows.empty() ? nullptr : rows.front());
}

std::vector<Clause> clausesOf(const AskRow& ask, const std::string& verb, PromiseLine& line, const Part* part) {
    ClauseList list(part);
    ask.begin(list, line, verb);
    if (ask.leansOnClock) {
        list.mode("also in", "also in idle", [&line](const Word& word) { line.alsoIn.emplace_back(word.text); }).mayRepeat = true;
    }
    list.word("in take", "in take van",
              [&line](const Word& word) -> std::optional<TextError> {
                  line.inTakes.emplace_back(word.text);
                  return std::nullopt;
              })
        .mayRepeat = true;
    list.word("while", "while report", [&line](const Word& word) -> std::optional<TextError> {
        line.whileJob = word.text;
        return std::nullopt;
    });
    return list.take();
}

std::vector<std::string> subjectsOf(const std::string& verb, const Part& part) {
    const std::vector<const AskRow*> asks = asksOfVerb(verb);
    switch (asks.empty() ? AskedOf::nothing : asks.front()->of) {
    case AskedOf::node: return nodeIds(part);
    case AskedOf::battery: return {"battery"};
    case AskedOf::nothing: return {};
    case AskedOf::peripheral:
    case AskedOf::channel: break;
    }
    std::vector<std::string> ids;
    for (const KindRow* kind : kindsAsked(asks)) {
        for (const Peripheral& peripheral : part.peripherals) {
            if (peripheral.kind.row() != kind) {
                continue;
            }
            if (asks.front()->of == AskedOf::peripheral) {
                ids.push_back(peripheral.id);
                continue;
            }
            const std::size_t channels = kind->channels(peripheral.kind).size();
            for (std::size_t channel = 1; channel <= channels; ++channel) {
                ids.push_back(peripheral.id + "." + std::to_string(channel));
            }
        }
    }
    return ids;
}

namespace {

/// Whether these asks can be asked of it, found without listing all of which they can.
bool isSubject(const std::vector<const AskRow*>& asks, const std::string& id, const Part& part) {
    if (asks.empty()) {
        return false;
    }
    if (asks.front()->of == AskedOf::node) {
        return id != kNoClock && part.findNode(id).has_value();
    }
    const auto place = asks.front()->of == AskedOf::peripheral ? part.findPeripheral(id) : std::nullopt;
    const auto kinds = place ? kindsAsked(asks) : decltype(kindsAsked(asks))();
    return place && std::find(kinds.begin(), kinds.end(), part.peripherals[*place].kind.row()) != kinds.end();
}

} // namespace

std::optional<TextError> checkSubject(const std::string& verb, const Word& subject, const Part* part) {
    const std::vector<const AskRow*> asks = asksOfVerb(verb);
    if (!asks.empty() && asks.front()->of == AskedOf::battery) {
        return subject.text == "battery" ? std::nullopt
                                         : std::optional(errorAt(subject, quoted(subject.text), "'battery lasts 240 days'"));
    }
    if (part == nullptr || isSubject(asks, std::string(subject.text), *part)) {
        return std::nullopt;
    }
    return checkKnown(nounOf(asks), subject, subjectsOf(verb, *part));
}

} // namespace wisetick
