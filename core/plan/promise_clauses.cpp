#include "plan/promise_clauses.h"

#include "base/nearest_name.h"

#include <algorithm>
#include <array>

namespace wisetick {

namespace {

std::vector<std::string> peripheralsOfKind(const Part& part, const std::string& kind) {
    std::vector<std::string> ids;
    for (const Peripheral& peripheral : part.peripherals) {
        if (kindName(peripheral.kind) == kind) {
            ids.push_back(peripheral.id);
        }
    }
    return ids;
}

std::vector<std::string> sleepModes(const Part& part) {
    std::vector<std::string> ids;
    for (const Mode& mode : part.modes) {
        if (!mode.runs) {
            ids.push_back(mode.id);
        }
    }
    return ids;
}

/// All that can wake some mode of the part.
std::vector<std::string> wakeSources(const Part& part) {
    std::vector<std::string> ids;
    for (const Mode& mode : part.modes) {
        for (const std::string& id : mode.wakesBy) {
            if (std::find(ids.begin(), ids.end(), id) == ids.end()) {
                ids.push_back(id);
            }
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

Clause wordClause(std::vector<std::string> opens, const std::string& example, bool isRequired,
                  std::function<std::optional<TextError>(const Word&)> set) {
    Clause clause;
    clause.opens = std::move(opens);
    clause.takes = Clause::Takes::word;
    clause.isRequired = isRequired;
    clause.example = example;
    clause.setWord = std::move(set);
    return clause;
}

/// A clause that names a sleep mode; any name does where there is no part to know them.
Clause modeClause(std::vector<std::string> opens, const std::string& example, bool isRequired, const Part* part,
                  const std::function<void(const Word&)>& set) {
    const std::vector<std::string> modes = part == nullptr ? std::vector<std::string>() : sleepModes(*part);
    const auto check = [=](const Word& word) -> std::optional<TextError> {
        set(word);
        return part == nullptr ? std::nullopt : checkKnown("sleep mode", word, modes);
    };
    Clause clause = wordClause(std::move(opens), example, isRequired, check);
    clause.known = modes;
    return clause;
}

Clause flagClause(std::vector<std::string> opens, bool& flag) {
    Clause clause;
    clause.opens = std::move(opens);
    clause.example = opening(clause);
    clause.setQuantity = [&flag](const Rational&) { flag = true; };
    return clause;
}

/// Gathers the clauses of one verb.
class ClauseList {
public:
    explicit ClauseList(const Part* part) : part_(part) {}

    const Part* part() const { return part_; }

    /// A quantity that goes into a place of the ask; `example` is the whole clause.
    template <class Place>
    Clause& quantity(const std::string& opens, Unit unit, const std::string& example, Place& place) {
        return add(quantityClause(wordsOf(opens), unit, example, false, [&place](const Rational& value) { place = value; }));
    }
    template <class Place>
    Clause& needed(const std::string& opens, Unit unit, const std::string& example, Place& place) {
        Clause& clause = quantity(opens, unit, example, place);
        clause.isRequired = true;
        return clause;
    }
    void flag(const std::string& opens, bool& place) { add(flagClause(wordsOf(opens), place)); }
    void tolerance(Tolerance& tolerance) {
        quantity("within", Unit::ratio, "within 1.5 %", tolerance.within);
        flag("exactly", tolerance.exactly);
    }
    Clause& add(Clause clause) {
        clauses_.push_back(std::move(clause));
        return clauses_.back();
    }
    std::vector<Clause> take() { return std::move(clauses_); }
    /// All clauses so far are ways to say one thing.
    void group(const std::string& name) {
        for (Clause& clause : clauses_) {
            clause.group = name;
        }
    }

private:
    static std::vector<std::string> wordsOf(const std::string& text) {
        std::vector<std::string> words;
        for (std::size_t start = 0; start < text.size();) {
            const std::size_t end = std::min(text.find(' ', start), text.size());
            words.push_back(text.substr(start, end - start));
            start = end + 1;
        }
        return words;
    }

    const Part* part_;
    std::vector<Clause> clauses_;
};

void clausesFor(ClauseList& list, RunsAsk& ask) {
    const auto set = [&ask](RunsAsk::Bound bound) {
        return [&ask, bound](const Rational& value) {
            ask.bound = bound;
            ask.hertz = value;
        };
    };
    list.add(quantityClause({"at", "least"}, Unit::hertz, "at least 60 MHz", false, set(RunsAsk::Bound::atLeast)));
    list.add(quantityClause({"at", "most"}, Unit::hertz, "at most 50 MHz", false, set(RunsAsk::Bound::atMost)));
    list.add(quantityClause({"at"}, Unit::hertz, "at 160 MHz", true, set(RunsAsk::Bound::at)));
    list.group("rate");
    list.tolerance(ask.tolerance);
}

void clausesFor(ClauseList& list, TalksAsk& ask) {
    list.needed("", Unit::bitsPerSecond, "115200", ask.bitsPerSecond).known = {"9600",   "19200",  "38400",  "57600",  "115200",
                                                                               "230400", "460800", "921600", "1000000"};
    list.tolerance(ask.tolerance);
    list.add(wordClause({"as"}, "as 8N1", false,
                        [&ask](const Word& word) -> std::optional<TextError> {
                            const auto frame = readFrame(word.text);
                            if (!frame) {
                                return errorAt(word, quoted(word.text), "a frame such as '8N1', '7E1' or '9N2'");
                            }
                            ask.frame = *frame;
                            return std::nullopt;
                        }))
        .known = {"8N1", "8E1", "8O1", "7E1", "7O1", "8N2", "9N1"};
    list.flag("on one wire", ask.isOneWire);
}

void clausesFor(ClauseList& list, BusAsk& ask) {
    list.needed("", Unit::hertz, "400 kHz", ask.hertz).known = {"100 kHz", "400 kHz", "1 MHz"};
    list.quantity("with", Unit::second, "with 120 ns rise", ask.rise).closes = "rise";
    list.quantity("with", Unit::second, "with 20 ns fall", ask.fall).closes = "fall";
    list.quantity("pulled by", Unit::ohm, "pulled by 2.2 kohm", ask.pull).needs = "into";
    list.quantity("into", Unit::farad, "into 100 pF", ask.load).needs = "pulled by";
}

void clausesFor(ClauseList& list, CanAsk& ask) {
    list.needed("", Unit::bitsPerSecond, "500 kbit/s", ask.bitsPerSecond).known = {"125 kbit/s", "250 kbit/s", "500 kbit/s",
                                                                                   "1 Mbit/s"};
    Clause& dataSample = list.quantity("data sample at", Unit::ratio, "data sample at 75 %", ask.dataSample);
    dataSample.most = 1;
    dataSample.needs = "data";
    list.quantity("data", Unit::bitsPerSecond, "data 2 Mbit/s", ask.data);
    list.quantity("sample at", Unit::ratio, "sample at 80 %", ask.sample).most = 1;
    list.quantity("over", Unit::metre, "over 20 m", ask.cable);
    list.quantity("with node delay", Unit::second, "with node delay 210 ns", ask.nodeDelay);
    list.quantity("jump", Unit::count, "jump 4", ask.jump);
    list.tolerance(ask.tolerance);
}

void clausesFor(ClauseList& list, HoldsAsk& ask) {
    list.quantity("", Unit::count, "28 filters", ask.filters).closes = "filters";
    list.quantity("", Unit::count, "8 long-filters", ask.longFilters).closes = "long-filters";
    list.quantity("", Unit::count, "32 received", ask.received).closes = "received";
    list.quantity("", Unit::count, "16 sent", ask.sent).closes = "sent";
    list.quantity("of", Unit::byte, "of 64 byte", ask.payload);
}

void clausesFor(ClauseList& list, FiresAsk& ask) {
    list.needed("every", Unit::second, "every 1 ms", ask.period);
    list.tolerance(ask.tolerance);
    list.flag("repeated", ask.isRepeated);
    list.flag("chained", ask.isChained);
    list.quantity("late", Unit::cycle, "late 12 cycles", ask.late);
    list.quantity("handled in", Unit::cycle, "handled in 400 cycles", ask.handled);
    list.flag("by alarm", ask.isAlarm);
}

void clausesFor(ClauseList& list, DrivesAsk& ask) {
    list.needed("", Unit::hertz, "20 kHz", ask.hertz);
    Clause& duty = list.needed("at", Unit::ratio, "at 35 % duty", ask.duty);
    duty.closes = "duty";
    duty.most = 1;
    list.quantity("steps under", Unit::ratio, "steps under 0.1 %", ask.stepUnder);
    list.quantity("dead", Unit::second, "dead 500 ns", ask.dead);
    list.flag("inside", ask.isInside);
    list.tolerance(ask.tolerance);
}

void clausesFor(ClauseList& list, StampsAsk& ask) {
    list.quantity("after at least", Unit::second, "after at least 1 h", ask.wrapsAfter);
    list.quantity("resolves", Unit::second, "resolves 1 us", ask.resolves);
}

void clausesFor(ClauseList& list, WaitsAsk& ask) {
    list.add(quantityClause({"at", "least"}, Unit::second, "at least 100 us", false, [&](const Rational& value) {
        ask.time = value;
        ask.isAtLeast = true;
    }));
    list.needed("", Unit::second, "100 us", ask.time);
    list.group("time");
    list.tolerance(ask.tolerance);
}

void clausesFor(ClauseList& list, BitesAsk& ask) {
    list.needed("after", Unit::second, "after 2 s", ask.after);
    list.quantity("fed every", Unit::second, "fed every 1.8 s", ask.fedEvery);
    list.quantity("at latest", Unit::second, "at latest 3 s", ask.atLatest);
    list.quantity("opens after", Unit::second, "opens after 0.5 s", ask.opensAfter);
    list.quantity("warns", Unit::second, "warns 1 ms before", ask.warnsBefore).closes = "before";
    list.tolerance(ask.tolerance);
}

void clausesFor(ClauseList& list, DriftsAsk& ask) {
    list.needed("at most", Unit::drift, "at most 2 s/day", ask.limit);
}

void clausesFor(ClauseList& list, TakesAsk& ask) {
    list.quantity("once in at most", Unit::second, "once in at most 20 us", ask.onceIn);
    list.needed("", Unit::samples, "50 k samples/s", ask.samplesPerSecond);
    list.group("pace");
    list.quantity("at", Unit::bit, "at 12 bit", ask.bits);
    list.quantity("from", Unit::ohm, "from 10 kohm", ask.ohm);
    list.quantity("over", Unit::channel, "over 4 channels", ask.channels);
    list.quantity("oversampled", Unit::count, "oversampled 16 times", ask.oversampled).closes = "times";
    const std::vector<std::string> timers =
        list.part() == nullptr ? std::vector<std::string>() : peripheralsOfKind(*list.part(), "timer");
    const bool isChecked = list.part() != nullptr;
    list.add(wordClause({"triggered", "by"}, "triggered by timer2", false,
                        [&ask, timers, isChecked](const Word& word) -> std::optional<TextError> {
                            ask.trigger = word.text;
                            return isChecked ? checkKnown("timer", word, timers) : std::nullopt;
                        }))
        .known = timers;
}

void clausesFor(ClauseList& list, ClocksAsk& ask) {
    list.needed("at most", Unit::hertz, "at most 100 MHz", ask.hertz);
    list.quantity("of", Unit::byte, "of 16 MiB", ask.size);
    list.quantity("after", Unit::count, "after 8 dummies", ask.dummy).closes = "dummies";
    list.quantity("valid after", Unit::second, "valid after 6 ns", ask.valid);
    list.quantity("reading", Unit::byte, "reading 256 byte", ask.reading).needs = "in at most";
    list.quantity("in at most", Unit::second, "in at most 5 us", ask.within).needs = "reading";
}

void clausesFor(ClauseList& list, WakesAsk& ask) {
    list.add(modeClause({"from"}, "from deep", true, list.part(), [&ask](const Word& word) { ask.mode = word.text; }));
    list.needed("in at most", Unit::second, "in at most 120 us", ask.limit);
    list.add(wordClause({"by"}, "by rtc", false,
                        [&ask](const Word& word) -> std::optional<TextError> {
                            ask.by = word.text;
                            return std::nullopt;
                        }))
        .known = list.part() == nullptr ? std::vector<std::string>() : wakeSources(*list.part());
    list.quantity("every", Unit::second, "every 10 min", ask.every);
}

void clausesFor(ClauseList& list, AverageAsk& ask) {
    list.needed("under", Unit::ampere, "under 1 mA", ask.limit);
}

void clausesFor(ClauseList& list, LastsAsk& ask) {
    list.needed("", Unit::second, "240 days", ask.least);
}

/// What a verb means to the grammar: the kinds of peripheral that stand before it, and the ask that it begins.
struct Verb {
    std::string_view word;
    std::array<std::string_view, 3> kinds; ///< empty: none
    std::string_view noun;
    void (*begin)(ClauseList&, PromiseLine&);
};

template <class A>
void begin(ClauseList& list, PromiseLine& line) {
    clausesFor(list, line.ask.emplace<A>());
}

/// In the order in which they are named to the user. "talks" stands for several: what it means depends on the subject.
constexpr std::array kVerbs{Verb{"runs", {}, "source or line", begin<RunsAsk>},
                            Verb{"talks", {"uart", "can", "i2c"}, "uart, can or i2c", begin<TalksAsk>},
                            Verb{"talks on can", {"can"}, "can", begin<CanAsk>},
                            Verb{"talks on a bus", {"i2c"}, "i2c", begin<BusAsk>},
                            Verb{"fires", {"timer", "rtc"}, "timer or rtc", begin<FiresAsk>},
                            Verb{"drives", {"timer"}, "channel of a timer", begin<DrivesAsk>},
                            Verb{"waits", {"timer", "delay-loop"}, "timer or delay-loop", begin<WaitsAsk>},
                            Verb{"wraps", {"timer"}, "timer", begin<StampsAsk>},
                            Verb{"resolves", {"timer"}, "timer", begin<StampsAsk>},
                            Verb{"bites", {"watchdog"}, "watchdog", begin<BitesAsk>},
                            Verb{"drifts", {"rtc"}, "rtc", begin<DriftsAsk>},
                            Verb{"takes", {"adc"}, "adc", begin<TakesAsk>},
                            Verb{"clocks", {"spi"}, "spi", begin<ClocksAsk>},
                            Verb{"holds", {"can"}, "can", begin<HoldsAsk>},
                            Verb{"lasts", {}, "battery", begin<LastsAsk>},
                            Verb{"wakes", {}, {}, begin<WakesAsk>},
                            Verb{"average", {}, {}, begin<AverageAsk>}};

const Verb& verbOf(const std::string& word) {
    const auto found = std::find_if(kVerbs.begin(), kVerbs.end(), [&](const Verb& verb) { return verb.word == word; });
    return found == kVerbs.end() ? kVerbs.front() : *found;
}

std::vector<std::string> channelsOf(const Part& part) {
    std::vector<std::string> ids;
    for (const Peripheral& peripheral : part.peripherals) {
        if (const auto* timer = std::get_if<TimerKind>(&peripheral.kind)) {
            for (std::size_t channel = 1; channel <= timer->channels.size(); ++channel) {
                ids.push_back(peripheral.id + "." + std::to_string(channel));
            }
        }
    }
    return ids;
}

} // namespace

std::string opening(const Clause& clause) {
    std::string text;
    for (const std::string& word : clause.opens) {
        text += (text.empty() ? "" : " ") + word;
    }
    return text;
}

TextError errorAt(const Word& word, std::string found, std::string expected, std::string mend) {
    return {word.position, word.text.size(), std::move(found), std::move(expected), std::move(mend)};
}

std::string quoted(std::string_view text) {
    return "'" + std::string(text) + "'";
}

const std::vector<std::string>& subjectVerbs() {
    static const std::vector<std::string> list = [] {
        std::vector<std::string> words;
        for (const Verb& verb : kVerbs) {
            if (!verb.noun.empty() && verb.word.find(' ') == std::string_view::npos) {
                words.emplace_back(verb.word);
            }
        }
        return words;
    }();
    return list;
}

std::vector<Clause> clausesOf(const std::string& verb, PromiseLine& line, const Part* part) {
    ClauseList list(part);
    verbOf(verb).begin(list, line);
    std::vector<Clause> clauses = list.take();
    if (verb == "wraps" || verb == "resolves") {
        clauses[verb == "wraps" ? 0 : 1].isRequired = true;
    }
    if (verb == "resolves") { // the verb itself is the opening
        clauses[1].opens.clear();
        clauses[1].example = "1 us";
        clauses[0].opens.insert(clauses[0].opens.begin(), "wraps");
        clauses[0].example = "wraps after at least 1 h";
    }
    if (mayAskAlsoIn(line.ask)) {
        clauses.push_back(modeClause({"also", "in"}, "also in idle", false, part,
                                     [&line](const Word& word) { line.alsoIn.emplace_back(word.text); }));
        clauses.back().mayRepeat = true;
    }
    return clauses;
}

std::vector<std::string> subjectsOf(const std::string& verb, const Part& part) {
    if (verb == "runs") {
        return nodeIds(part);
    }
    if (verb == "drives") {
        return channelsOf(part);
    }
    if (verb == "lasts") {
        return {"battery"};
    }
    std::vector<std::string> ids;
    for (const std::string_view kind : verbOf(verb).kinds) {
        const std::vector<std::string> more =
            kind.empty() ? std::vector<std::string>() : peripheralsOfKind(part, std::string(kind));
        ids.insert(ids.end(), more.begin(), more.end());
    }
    return ids;
}

std::optional<TextError> checkSubject(const std::string& verb, const Word& subject, const Part* part) {
    if (verb == "lasts") {
        return subject.text == "battery" ? std::nullopt
                                         : std::optional(errorAt(subject, quoted(subject.text), "'battery lasts 240 days'"));
    }
    return part == nullptr ? std::nullopt : checkKnown(std::string(verbOf(verb).noun), subject, subjectsOf(verb, *part));
}

} // namespace wisetick
