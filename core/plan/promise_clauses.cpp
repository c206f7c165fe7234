#include "plan/promise_clauses.h"

#include "base/nearest_name.h"

#include <algorithm>
#include <map>

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

void addTolerance(std::vector<Clause>& clauses, Tolerance& tolerance) {
    clauses.push_back(
        quantityClause({"within"}, Unit::ratio, "within 1.5 %", false, [&](const Rational& value) { tolerance.within = value; }));
    Clause exactly;
    exactly.opens = {"exactly"};
    exactly.example = "exactly";
    exactly.setQuantity = [&](const Rational&) { tolerance.exactly = true; };
    clauses.push_back(std::move(exactly));
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
    static const std::vector<std::string> list{"runs", "talks", "fires", "bites", "takes", "clocks", "waits", "lasts"};
    return list;
}

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
        for (Clause& clause : clauses) {
            clause.group = "rate";
        }
        addTolerance(clauses, ask.tolerance);
    } else if (verb == "talks") {
        TalksAsk& ask = line.ask.emplace<TalksAsk>();
        clauses.push_back(
            quantityClause({}, Unit::bitsPerSecond, "115200", true, [&](const Rational& value) { ask.bitsPerSecond = value; }));
        clauses.back().known = {"9600", "19200", "38400", "57600", "115200", "230400", "460800", "921600", "1000000"};
        addTolerance(clauses, ask.tolerance);
        clauses.push_back(wordClause({"as"}, "as 8N1", false, [&ask](const Word& word) -> std::optional<TextError> {
            const auto frame = readFrame(word.text);
            if (!frame) {
                return errorAt(word, quoted(word.text), "a frame such as '8N1', '7E1' or '9N2'");
            }
            ask.frame = *frame;
            return std::nullopt;
        }));
        clauses.back().known = {"8N1", "8E1", "8O1", "7E1", "7O1", "8N2", "9N1"};
    } else if (verb == "talks on a bus") {
        BusAsk& ask = line.ask.emplace<BusAsk>();
        clauses.push_back(quantityClause({}, Unit::hertz, "400 kHz", true, [&](const Rational& value) { ask.hertz = value; }));
        clauses.back().known = {"100 kHz", "400 kHz", "1 MHz"};
        clauses.push_back(
            quantityClause({"with"}, Unit::second, "with 120 ns rise", false, [&](const Rational& value) { ask.rise = value; }));
        clauses.back().closes = "rise";
        clauses.push_back(
            quantityClause({"with"}, Unit::second, "with 20 ns fall", false, [&](const Rational& value) { ask.fall = value; }));
        clauses.back().closes = "fall";
    } else if (verb == "takes") {
        TakesAsk& ask = line.ask.emplace<TakesAsk>();
        clauses.push_back(quantityClause({}, Unit::samples, "50 k samples/s", true,
                                         [&](const Rational& value) { ask.samplesPerSecond = value; }));
        clauses.push_back(
            quantityClause({"at"}, Unit::bit, "at 12 bit", false, [&](const Rational& value) { ask.bits = value; }));
        clauses.push_back(
            quantityClause({"from"}, Unit::ohm, "from 10 kohm", false, [&](const Rational& value) { ask.ohm = value; }));
        clauses.push_back(quantityClause({"over"}, Unit::channel, "over 4 channels", false,
                                         [&](const Rational& value) { ask.channels = value; }));
    } else if (verb == "clocks") {
        ClocksAsk& ask = line.ask.emplace<ClocksAsk>();
        clauses.push_back(quantityClause({"at", "most"}, Unit::hertz, "at most 100 MHz", true,
                                         [&](const Rational& value) { ask.hertz = value; }));
    } else if (verb == "waits") {
        WaitsAsk& ask = line.ask.emplace<WaitsAsk>();
        clauses.push_back(quantityClause({"at", "least"}, Unit::second, "at least 100 us", false, [&](const Rational& value) {
            ask.time = value;
            ask.isAtLeast = true;
        }));
        clauses.push_back(quantityClause({}, Unit::second, "100 us", true, [&](const Rational& value) { ask.time = value; }));
        for (Clause& clause : clauses) {
            clause.group = "time";
        }
        addTolerance(clauses, ask.tolerance);
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
        clauses.push_back(modeClause({"from"}, "from deep", true, part, [&ask](const Word& word) { ask.mode = word.text; }));
        clauses.push_back(quantityClause({"in", "at", "most"}, Unit::second, "in at most 120 us", true,
                                         [&](const Rational& value) { ask.limit = value; }));
        clauses.push_back(wordClause({"by"}, "by rtc", false, [&ask](const Word& word) -> std::optional<TextError> {
            ask.by = word.text;
            return std::nullopt;
        }));
        clauses.back().known = part == nullptr ? std::vector<std::string>() : wakeSources(*part);
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
    if (verb == "talks") {
        std::vector<std::string> ids = peripheralsOfKind(part, "uart");
        const std::vector<std::string> buses = peripheralsOfKind(part, "i2c");
        ids.insert(ids.end(), buses.begin(), buses.end());
        return ids;
    }
    static const std::map<std::string, std::string> kinds{
        {"fires", "timer"}, {"bites", "watchdog"}, {"takes", "adc"}, {"clocks", "spi"}, {"waits", "delay-loop"}};
    const auto kind = kinds.find(verb);
    return kind == kinds.end() ? std::vector<std::string>{"battery"} : peripheralsOfKind(part, kind->second);
}

std::optional<TextError> checkSubject(const std::string& verb, const Word& subject, const Part* part) {
    if (verb == "lasts") {
        return subject.text == "battery" ? std::nullopt
                                         : std::optional(errorAt(subject, quoted(subject.text), "'battery lasts 240 days'"));
    }
    static const std::map<std::string, std::string> nouns{
        {"runs", "source or line"}, {"talks", "uart or i2c"}, {"fires", "timer"},     {"bites", "watchdog"},
        {"takes", "adc"},           {"clocks", "spi"},        {"waits", "delay-loop"}};
    return part == nullptr ? std::nullopt : checkKnown(nouns.at(verb), subject, subjectsOf(verb, *part));
}

} // namespace wisetick
