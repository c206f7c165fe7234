#include "files/part_reader.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "files/part_clocks.h"
#include "files/part_expects.h"
#include "files/part_modes.h"
#include "files/part_peripherals.h"
#include "files/part_pins.h"
#include "files/part_registers.h"
#include "files/part_rules.h"
#include "files/part_sources.h"
#include "files/part_templates.h"
#include "files/register_table.h"
#include "files/text_file.h"
#include "part/typical_only.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

/// Ids that promise lines and takes use as words of their own.
const std::set<std::string>& reservedWords() {
    static const std::set<std::string> words{"battery", "wakes", "average", "tier", "all", "none"};
    return words;
}

/// Reads a part in two rounds: first all ids, so that what refers to them may stand before them, then all tables.
class PartReader {
public:
    PartReader(const toml::table& root, Reporter& reporter, const RegisterNames* names)
        : root_(root, reporter, ""), reporter_(reporter), context_{part_, reporter, FieldBook(names)} {}

    Part read() {
        if (!checkFormat(root_, "wisetick-part")) {
            return {};
        }
        readHead();
        root_.text("registers"); // it was read before
        collectIds();
        readRegisters(context_, root_);
        eachOf("tier", tiers_, [&](TableReader& reader, std::size_t index) { readTier(context_, reader, part_.tiers[index]); });
        eachOf("source", sources_,
               [&](TableReader& reader, std::size_t index) { readSource(context_, reader, part_.sources[index]); });
        eachOf("line", lines_, [&](TableReader& reader, std::size_t index) { readLine(context_, reader, part_.lines[index]); });
        eachOf("peripheral", peripherals_,
               [&](TableReader& reader, std::size_t index) { readPeripheral(context_, reader, part_.peripherals[index]); });
        eachOf("mode", modes_, [&](TableReader& reader, std::size_t index) { readMode(context_, reader, part_.modes[index]); });
        for (const toml::table* table : root_.tables("rule")) {
            const std::size_t before = part_.rules.size();
            readRule(context_, *table);
            if (part_.rules.size() > before) {
                places_.emplace("rule." + std::to_string(before), TableReader(*table, reporter_, "rule").place());
            }
        }
        for (const toml::table* table : root_.tables("wait")) {
            readWait(context_, *table);
        }
        for (const toml::table* table : root_.tables("bound")) {
            readBound(context_, *table);
        }
        readCore();
        readPins();
        for (const toml::table* table : root_.tables("option")) {
            readOption(*table);
        }
        for (const toml::table* table : root_.tables("expect")) {
            readExpects(*table);
        }
        if (typicalFactor_) {
            boundTypical(part_, *typicalFactor_);
        }
        checkFailures();
        root_.finish();
        checkModes();
        context_.book.reportOverlaps(reporter_);
        context_.book.completeRegisters(part_);
        if (!hasErrors(reporter_.diagnostics())) {
            sortLines(context_, lines_);
        }
        part_.indexIds();
        return std::move(part_);
    }

private:
    using Tables = std::vector<const toml::table*>;

    template <class Read>
    void eachOf(const std::string& kind, const Tables& tables, Read read) {
        for (std::size_t i = 0; i < tables.size(); ++i) {
            TableReader reader(*tables[i], reporter_, kind + "." + idAt(*tables[i]));
            reader.know("id");
            reader.text("note");
            readAccepted(reader);
            read(reader, i);
            reader.finish();
        }
    }

    /// accept = { "no draw" = "the datasheet tells none" }: what is suspicious here on purpose, and why.
    void readAccepted(TableReader& reader) {
        places_.emplace(reader.path(), reader.place());
        const toml::table* table = reader.table("accept");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, reporter_, reader.pathOf("accept"));
        for (const std::string& what : inner.keys()) {
            if (const auto why = inner.text(what)) {
                accepted_.push_back({reader.path(), what, *why, inner.place(what)});
            }
        }
        inner.finish();
    }

    void readExpects(const toml::table& table) {
        ++expectCount_;
        places_.emplace("expect." + std::to_string(expectCount_), TableReader(table, reporter_, "expect").place());
        if (auto expect = readExpect(context_, table, expectCount_)) {
            expects_.push_back(*std::move(expect));
        }
    }

    static std::string idAt(const toml::table& table) { return table["id"].value_or(std::string("?")); }

    void readHead() {
        part_.id = root_.id("id").value_or("");
        part_.name = root_.text("name").value_or(part_.id);
        part_.note = root_.text("note").value_or("");
        root_.text("ref");
        if (const auto slack = root_.quantity("slack", Unit::ratio, Need::optional, Sign::notNegative)) {
            part_.slack = *slack;
        }
        typicalFactor_ = root_.factor("typ_only");
        if (typicalFactor_ && *typicalFactor_ < Rational(1)) {
            reporter_.error(root_.place("typ_only"), printFactor(*typicalFactor_),
                            phrase("1 or more: how many times the typical figure the largest is taken as"));
        }
        if (const toml::table* interrupt = root_.table("interrupt")) {
            TableReader reader(*interrupt, reporter_, "interrupt");
            part_.interruptEntry = reader.factor("entry");
            part_.interruptExit = reader.factor("exit");
            reader.text("ref");
            reader.finish();
        }
        if (const toml::table* supply = root_.table("supply")) {
            TableReader reader(*supply, reporter_, "supply");
            part_.supplyMin = reader.quantity("min", Unit::volt, Need::required);
            part_.supplyMax = reader.quantity("max", Unit::volt, Need::required);
            reader.text("ref");
            reader.finish();
            checkOrder(reader, "max", part_.supplyMin, part_.supplyMax);
        }
        if (const toml::table* temperature = root_.table("temperature")) {
            TableReader reader(*temperature, reporter_, "temperature");
            part_.coldest = reader.quantity("min", Unit::celsius, Need::required, Sign::any);
            part_.hottest = reader.quantity("max", Unit::celsius, Need::required, Sign::any);
            reader.text("ref");
            reader.finish();
            checkOrder(reader, "max", part_.coldest, part_.hottest);
        }
    }

    template <class Thing>
    Tables collect(const std::string& kind, std::vector<Thing>& things, std::map<std::string, Place>& taken) {
        Tables tables = root_.tables(kind);
        things.reserve(tables.size());
        for (const toml::table* table : tables) {
            TableReader reader(*table, reporter_, kind);
            Thing thing;
            if (const auto id = reader.id("id")) {
                thing.id = *id;
                const auto [first, isNew] = taken.emplace(*id, reader.place("id"));
                if (!isNew) {
                    reader.error("id", phrase("the id '{}' again", *id),
                                 phrase("an id of its own (it stands in line {} already)", first->second.line));
                }
                if (reservedWords().contains(*id)) {
                    reader.error("id", phrase("the id '{}', a word of promise lines", *id), phrase("another id"));
                }
            }
            things.push_back(std::move(thing));
        }
        return tables;
    }

    void collectIds() {
        std::map<std::string, Place> clockIds;
        std::map<std::string, Place> tierIds;
        tiers_ = collect("tier", part_.tiers, tierIds);
        sources_ = collect("source", part_.sources, clockIds);
        addNoClock();
        lines_ = collect("line", part_.lines, clockIds);
        peripherals_ = collect("peripheral", part_.peripherals, clockIds);
        modes_ = collect("mode", part_.modes, clockIds);
        part_.indexIds(); // every input and every clock is looked for by its id from here on
        for (std::size_t i = 0; i < lines_.size(); ++i) {
            part_.lines[i].from = inputsOf(*lines_[i]);
        }
    }

    /// The inputs of a line as far as they are ids, so that what stands before it can name them.
    std::vector<NodeIndex> inputsOf(const toml::table& line) const {
        std::vector<NodeIndex> inputs;
        const auto add = [&](const toml::node& node) {
            if (const auto input = part_.findNode(node.value_or(std::string()))) {
                inputs.push_back(*input);
            }
        };
        if (const toml::node* from = line.get("from")) {
            if (from->is_array()) {
                std::for_each(from->as_array()->begin(), from->as_array()->end(), add);
            } else {
                add(*from);
            }
        }
        return inputs;
    }

    /// The source that is none, where a mux can be put on it.
    void addNoClock() {
        bool isNamed = false;
        const auto look = [&](const char* kind, const char* key) {
            const toml::array* list = root_.raw()[kind].as_array();
            for (std::size_t i = 0; list != nullptr && i < list->size(); ++i) {
                const toml::array* inputs = list->get(i)->is_table() ? (*list->get(i)->as_table())[key].as_array() : nullptr;
                isNamed =
                    isNamed || (inputs != nullptr && std::any_of(inputs->begin(), inputs->end(), [](const toml::node& each) {
                                    return each.value_or(std::string()) == kNoClock;
                                }));
            }
        };
        look("line", "from");
        look("peripheral", "clock");
        if (isNamed) {
            Source none;
            none.id = kNoClock;
            none.name = phrase("no clock");
            none.kind = SourceKind::none;
            part_.sources.push_back(std::move(none));
        }
    }

    /// "A{1..16}" stands for all of them.
    static std::vector<std::string> pinNames(const std::vector<std::string>& texts) {
        std::vector<std::string> pins;
        for (const std::string& text : texts) {
            const std::size_t open = text.find('{');
            const std::size_t dots = text.find("..", open);
            const std::size_t close = text.find('}', dots);
            const auto number = [&](std::size_t from, std::size_t to) {
                const std::string digits = text.substr(from, to - from);
                const bool isNumber =
                    !digits.empty() && digits.size() < 5 && digits.find_first_not_of("0123456789") == std::string::npos;
                return isNumber ? std::stoi(digits) : -1;
            };
            if (open == std::string::npos || dots == std::string::npos || close == std::string::npos ||
                number(open + 1, dots) < 0 || number(dots + 2, close) < number(open + 1, dots)) {
                pins.push_back(text);
                continue;
            }
            for (int n = number(open + 1, dots); n <= number(dots + 2, close); ++n) {
                pins.push_back(text.substr(0, open) + std::to_string(n) + text.substr(close + 1));
            }
        }
        return pins;
    }

    void readPins() {
        if (const toml::table* table = root_.table("pins")) {
            TableReader reader(*table, reporter_, "pins");
            part_.pins = pinNames(reader.texts("all"));
            part_.debugPins = reader.texts("debug");
            readPinSpeeds(context_, reader);
            reader.text("ref");
            reader.finish();
            for (std::size_t i = 0; i < part_.pins.size(); ++i) {
                if (std::find(part_.pins.begin(), part_.pins.begin() + static_cast<std::ptrdiff_t>(i), part_.pins[i]) !=
                    part_.pins.begin() + static_cast<std::ptrdiff_t>(i)) {
                    reader.error("all", phrase("the pin '{}' again", part_.pins[i]), phrase("each pin once"));
                }
            }
            checkPins(reader, "debug", part_.debugPins);
        }
        const auto check = [&](const char* kind, const auto& things, const Tables& tables) {
            for (std::size_t i = 0; i < tables.size(); ++i) {
                const TableReader reader(*tables[i], reporter_, std::string(kind) + "." + things[i].id);
                checkPins(reader, "pins", things[i].pins);
            }
        };
        check("source", part_.sources, sources_);
        check("line", part_.lines, lines_);
        check("peripheral", part_.peripherals, peripherals_);
    }

    /// Pins that the part does not have, where it says which it has.
    void checkPins(const TableReader& reader, const std::string& key, const std::vector<std::string>& pins) {
        for (const std::string& pin : pins) {
            if (!part_.pins.empty() && std::find(part_.pins.begin(), part_.pins.end(), pin) == part_.pins.end()) {
                reporter_.error(reader.place(key), phrase("no pin '{}'", pin), phrase("one of pins.all"),
                                didYouMean(pin, part_.pins));
            }
        }
    }

    void readOption(const toml::table& table) {
        TableReader reader(table, reporter_, "option." + idAt(table));
        OptionWord option;
        option.id = reader.id("id").value_or("");
        option.say = reader.text("say", Need::required).value_or("");
        option.ref = reader.text("ref").value_or("");
        option.field = readOneField(context_, reader, "field", FieldUse::own);
        reader.text("note");
        for (const toml::table* each : reader.tables("value")) {
            TableReader inner(*each, reporter_, reader.pathOf("value"));
            OptionWord::Value value;
            value.id = inner.id("id").value_or("");
            value.say = inner.text("say", Need::required).value_or("");
            value.code = context_.book.readCode(inner, "code", option.field, std::int64_t{1} << 48)
                             .value_or(static_cast<std::int64_t>(option.values.size()));
            value.resetsBelow = inner.quantity("resets_below", Unit::volt);
            inner.finish();
            option.values.push_back(std::move(value));
        }
        if (option.values.size() < 2) {
            reporter_.error(reader.place(), phrase("an option word with no choice"), phrase("two values or more"));
        }
        option.safe = indexOfValue(reader, "safe", option, Need::required);
        option.fresh = indexOfValue(reader, "fresh", option, Need::optional);
        reader.finish();
        part_.options.push_back(std::move(option));
    }

    std::size_t indexOfValue(TableReader& reader, const std::string& key, const OptionWord& option, Need need) {
        const auto id = reader.text(key, need);
        const std::vector<std::string> known = idsOf(option.values);
        const auto found = std::find(known.begin(), known.end(), id.value_or(""));
        if (id && found == known.end()) {
            reader.error(key, phrase("no value '{}'", *id), listNames(known), didYouMean(*id, known));
        }
        return found == known.end() ? 0 : static_cast<std::size_t>(found - known.begin());
    }

    void checkFailures() {
        for (std::size_t i = 0; i < sources_.size(); ++i) {
            const std::string& other = part_.sources[i].failsToSource;
            if (!other.empty()) {
                TableReader reader(*sources_[i], reporter_, "source." + part_.sources[i].id);
                const std::vector<std::string> known = idsOf(part_.sources);
                if (std::find(known.begin(), known.end(), other) == known.end()) {
                    reporter_.error(reader.place("fails_to"), phrase("no source '{}'", other), listNames(known),
                                    didYouMean(other, known));
                }
            }
            if (!part_.sources[i].failsTo) {
                continue;
            }
            const auto& [id, from] = *part_.sources[i].failsTo;
            TableReader reader(*sources_[i], reporter_, "source." + part_.sources[i].id);
            const std::vector<std::string> lines = idsOf(part_.lines);
            const auto line = std::find(lines.begin(), lines.end(), id);
            if (line == lines.end()) {
                reporter_.error(reader.place("fails_to"), phrase("no line '{}'", id), phrase("a line with a mux"),
                                didYouMean(id, lines));
                continue;
            }
            const std::vector<std::string> inputs =
                namesOf(context_, part_.lines[static_cast<std::size_t>(line - lines.begin())].from);
            if (std::find(inputs.begin(), inputs.end(), from) == inputs.end()) {
                reporter_.error(reader.place("fails_to"), phrase("'{}' can't be fed from '{}'", id, from), listNames(inputs),
                                didYouMean(from, inputs));
            }
        }
    }

    void readCore() {
        const auto id = root_.text("core");
        const auto node = id ? resolveNode(context_, root_, "core", *id) : part_.findNode("core");
        if (!id && !node) {
            root_.error("core", phrase("no word of which line clocks the core"), phrase("core = \"ID\""));
        }
        part_.core = node.value_or(0);
    }

    void checkModes() {
        const auto runs = std::count_if(part_.modes.begin(), part_.modes.end(), [](const Mode& mode) { return mode.runs; });
        if (runs != 1) {
            reporter_.error(root_.place("mode"), phrase("{} modes with 'runs = true'", runs),
                            phrase("one mode in which the core runs"));
        }
    }

public:
    std::vector<Suspicion> suspicions() const { return context_.book.suspicions(); }
    std::vector<OwnedField> fields() const {
        std::vector<OwnedField> all;
        context_.book.eachOwned([&](const Field& field, const std::string& table, const std::string& control) {
            const std::string below = table.substr(table.find('.') + 1); // "xs", or "xs.drive" of a table in it
            all.push_back({field, below.substr(0, below.find('.')), control});
        });
        return all;
    }
    std::vector<Accepted> takeAccepted() { return std::move(accepted_); }
    std::vector<Expect> takeExpects() { return std::move(expects_); }
    std::map<std::string, Place> takePlaces() { return std::move(places_); }

private:
    std::vector<Accepted> accepted_;
    std::vector<Expect> expects_;
    std::size_t expectCount_ = 0;
    std::map<std::string, Place> places_;
    std::optional<Rational> typicalFactor_;
    TableReader root_;
    Reporter& reporter_;
    Part part_;
    PartContext context_;
    Tables tiers_;
    Tables sources_;
    Tables lines_;
    Tables peripherals_;
    Tables modes_;
};

/// The description of the part's registers, if it names one: `registers = "FILE.svd"`, beside the part.
std::optional<RegisterNames> readDescription(const toml::table& root, Reporter& reporter, const std::filesystem::path& folder) {
    const toml::node* node = root.get("registers");
    const auto name = node == nullptr ? std::nullopt : node->value_exact<std::string>();
    if (!name) {
        return std::nullopt;
    }
    Diagnostics faults;
    const bool isWithin = standsWithin(folder / *name, folder);
    const auto text = isWithin ? readTextFile(folder / *name, faults) : std::nullopt;
    if (!isWithin) {
        faults.push_back(
            {Severity::error, {}, phrase("it stands outside the part's folder"), phrase("a file beside the part"), {}});
    }
    RegisterFile described = text ? readRegisterFile(*text, *name) : RegisterFile();
    faults.insert(faults.end(), described.diagnostics.begin(), described.diagnostics.end());
    for (const Diagnostic& fault : faults) {
        const Text where = fault.place.line > 0 ? phrase("line {}: ", fault.place.line) : Text();
        reporter.error(reporter.placeOf(*node, std::string("registers")), "'" + *name + "': " + where + fault.found,
                       fault.expected, fault.mend);
    }
    return std::move(described.names);
}

} // namespace

PartFile readPart(std::string_view text, const std::string& file, const std::filesystem::path& folder) {
    Reporter reporter(file);
    PartFile result;
    if (auto root = parseToml(text, reporter)) {
        expandTemplates(*root, reporter);
        const auto names = readDescription(*root, reporter, folder);
        PartReader reader(*root, reporter, names ? &*names : nullptr);
        Part part = reader.read();
        result.accepted = reader.takeAccepted();
        result.suspicions = reader.suspicions();
        result.fields = reader.fields();
        result.expects = reader.takeExpects();
        result.places = reader.takePlaces();
        if (!hasErrors(reporter.diagnostics())) {
            result.part = std::move(part);
        }
    }
    result.diagnostics = reporter.diagnostics();
    std::stable_sort(result.diagnostics.begin(), result.diagnostics.end(), [](const Diagnostic& a, const Diagnostic& b) {
        return std::pair(a.place.line, a.place.column) < std::pair(b.place.line, b.place.column);
    });
    return result;
}

} // namespace wisetick
