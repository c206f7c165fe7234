#include "files/part_reader.h"

#include "base/nearest_name.h"
#include "files/part_pieces.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

/// Ids that promise lines and takes use as words of their own.
const std::set<std::string>& reservedWords() {
    static const std::set<std::string> words{"battery", "wakes", "average", "tier", "all"};
    return words;
}

/// Reads a part in two rounds: first all ids, so that what refers to them may stand before them, then all tables.
class PartReader {
public:
    PartReader(const toml::table& root, Reporter& reporter) : root_(root, reporter, ""), reporter_(reporter) {}

    Part read() {
        if (!checkFormat(root_, "wisetick-part")) {
            return {};
        }
        readHead();
        collectIds();
        eachOf("tier", tiers_, [&](TableReader& reader, std::size_t index) { readTier(reader, part_.tiers[index]); });
        eachOf("source", sources_, [&](TableReader& reader, std::size_t index) { readSource(reader, part_.sources[index]); });
        eachOf("line", lines_, [&](TableReader& reader, std::size_t index) { readLine(reader, part_.lines[index]); });
        eachOf("peripheral", peripherals_,
               [&](TableReader& reader, std::size_t index) { readPeripheral(reader, part_.peripherals[index]); });
        eachOf("mode", modes_, [&](TableReader& reader, std::size_t index) { readMode(reader, part_.modes[index]); });
        for (const toml::table* table : root_.tables("rule")) {
            readRule(*table);
        }
        for (const toml::table* table : root_.tables("wait")) {
            readWait(*table);
        }
        readCore();
        root_.finish();
        checkModes();
        book_.reportOverlaps(reporter_);
        if (!hasErrors(reporter_.diagnostics())) {
            sortLines();
        }
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
            read(reader, i);
            reader.finish();
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
        if (const toml::table* supply = root_.table("supply")) {
            TableReader reader(*supply, reporter_, "supply");
            part_.supplyMin = reader.quantity("min", Unit::volt, Need::required);
            part_.supplyMax = reader.quantity("max", Unit::volt, Need::required);
            reader.text("ref");
            reader.finish();
            checkOrder(reader, "max", part_.supplyMin, part_.supplyMax);
        }
    }

    static void checkOrder(TableReader& reader, const std::string& key, const std::optional<Rational>& low, const std::optional<Rational>& high) {
        if (low && high && *high < *low) {
            reader.error(key, "an empty range", "the upper end not below the lower");
        }
    }

    template <class Thing>
    Tables collect(const std::string& kind, std::vector<Thing>& things, std::map<std::string, Place>& taken) {
        Tables tables = root_.tables(kind);
        for (const toml::table* table : tables) {
            TableReader reader(*table, reporter_, kind);
            Thing thing;
            if (const auto id = reader.id("id")) {
                thing.id = *id;
                const auto [first, isNew] = taken.emplace(*id, reader.place("id"));
                if (!isNew) {
                    reader.error("id", "the id '" + *id + "' again", fmt::format("an id of its own (it stands in line {} already)", first->second.line));
                }
                if (reservedWords().contains(*id)) {
                    reader.error("id", "the id '" + *id + "', a word of promise lines", "another id");
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
        lines_ = collect("line", part_.lines, clockIds);
        peripherals_ = collect("peripheral", part_.peripherals, clockIds);
        modes_ = collect("mode", part_.modes, clockIds);
    }

    std::optional<NodeIndex> resolveNode(TableReader& reader, const std::string& key, const std::string& id) {
        const auto node = part_.findNode(id);
        if (!node) {
            reader.error(key, "no source or line '" + id + "'", listNames(nodeIds(part_)), didYouMean(id, nodeIds(part_)));
        }
        return node;
    }

    std::optional<std::size_t> resolveTier(TableReader& reader) {
        const auto id = reader.text("tier");
        if (!id) {
            return std::nullopt;
        }
        const auto tier = part_.findTier(*id);
        if (!tier) {
            reader.error("tier", "no tier '" + *id + "'", listNames(idsOf(part_.tiers)), didYouMean(*id, idsOf(part_.tiers)));
        }
        return tier;
    }

    void readTier(TableReader& reader, Tier& tier) {
        tier.supplyMin = reader.quantity("supply_min", Unit::volt);
        tier.supplyMax = reader.quantity("supply_max", Unit::volt);
        tier.field = readOneField(reader, "field", tier.id, FieldUse::shared);
        tier.code = reader.whole("code", 0, std::int64_t{1} << 48).value_or(0);
        tier.ref = reader.text("ref").value_or("");
    }

    enum class FieldUse { own, shared };

    std::optional<Field> readOneField(TableReader& reader, const std::string& key, const std::string& owner, FieldUse use) {
        const toml::node* node = reader.node(key);
        const auto field = node == nullptr ? std::nullopt : readFieldText(*node, reporter_, reader.pathOf(key));
        if (field && use == FieldUse::own) {
            book_.add(*field, reader.place(key), owner);
        }
        return field;
    }

    void readSource(TableReader& reader, Source& source) {
        source.name = reader.text("name").value_or(source.id);
        source.ref = reader.text("ref").value_or("");
        const std::vector<std::string> kinds{"crystal", "rc", "clock-in"};
        const std::string kind = reader.text("kind", Need::required).value_or("rc");
        const auto found = std::find(kinds.begin(), kinds.end(), kind);
        if (found == kinds.end()) {
            reader.error("kind", "no kind of source '" + kind + "'", listNames(kinds), didYouMean(kind, kinds));
        } else {
            source.kind = static_cast<SourceKind>(found - kinds.begin());
        }
        if (source.kind == SourceKind::rc) {
            source.rate = reader.quantity("rate", Unit::hertz, Need::required);
        } else {
            readRange(reader, source);
        }
        readTolerance(reader, source);
        source.startup = readDuration(reader, "startup");
        source.draws = readDraw(reader, "draws");
        source.pins = reader.texts("pins");
        source.gm = reader.quantity("gm", Unit::siemens);
        source.field = readOneField(reader, "field", source.id, FieldUse::own);
    }

    void readRange(TableReader& reader, Source& source) {
        const toml::node* node = reader.node("range", Need::required);
        const toml::array* pair = node == nullptr ? nullptr : node->as_array();
        if (node == nullptr) {
            return;
        }
        if (pair == nullptr || pair->size() != 2) {
            reader.error("range", nodeText(*node), "two rates such as [\"6 MHz\", \"30 MHz\"]");
            return;
        }
        source.rangeMin = readNodeQuantity(*pair->get(0), reporter_, reader.pathOf("range"), Unit::hertz);
        source.rangeMax = readNodeQuantity(*pair->get(1), reporter_, reader.pathOf("range"), Unit::hertz);
        checkOrder(reader, "range", source.rangeMin, source.rangeMax);
    }

    void readTolerance(TableReader& reader, Source& source) {
        const toml::node* node = reader.node("tolerance");
        if (node == nullptr) {
            return;
        }
        if (node->is_string()) {
            if (const auto both = readNodeQuantity(*node, reporter_, reader.pathOf("tolerance"), Unit::ratio, Sign::notNegative)) {
                source.tolerance.push_back({std::nullopt, std::nullopt, -*both, *both});
            }
            return;
        }
        for (const toml::table* table : reader.tables("tolerance")) {
            TableReader inner(*table, reporter_, reader.pathOf("tolerance"));
            ToleranceStep step;
            if (const auto temp = readPair(inner, "temp", Unit::celsius, Need::optional)) {
                step.fromCelsius = temp->first;
                step.toCelsius = temp->second;
            }
            if (const auto by = readDeviation(inner)) {
                step.low = by->first;
                step.high = by->second;
                source.tolerance.push_back(step);
            }
            inner.text("ref");
            inner.finish();
        }
    }

    std::optional<std::pair<Rational, Rational>> readPair(TableReader& reader, const std::string& key, Unit unit, Need need) {
        const toml::node* node = reader.node(key, need);
        if (node == nullptr) {
            return std::nullopt;
        }
        const toml::array* pair = node->as_array();
        if (pair == nullptr || pair->size() != 2) {
            reader.error(key, nodeText(*node), "a pair of " + unitNoun(unit) + "s");
            return std::nullopt;
        }
        const auto low = readNodeQuantity(*pair->get(0), reporter_, reader.pathOf(key), unit, Sign::any);
        const auto high = readNodeQuantity(*pair->get(1), reporter_, reader.pathOf(key), unit, Sign::any);
        checkOrder(reader, key, low, high);
        return low && high ? std::optional(std::pair(*low, *high)) : std::nullopt;
    }

    std::optional<std::pair<Rational, Rational>> readDeviation(TableReader& reader) {
        const toml::node* node = reader.node("by", Need::required);
        if (node != nullptr && node->is_string()) {
            const auto both = readNodeQuantity(*node, reporter_, reader.pathOf("by"), Unit::ratio, Sign::notNegative);
            return both ? std::optional(std::pair(-*both, *both)) : std::nullopt;
        }
        const auto by = node == nullptr ? std::nullopt : readPair(reader, "by", Unit::ratio, Need::required);
        if (by && (by->first.sign() > 0 || by->second.sign() < 0 || by->first <= -1)) {
            reader.error("by", "deviations that do not enclose 0", "a pair such as [\"-20 %\", \"25 %\"]");
            return std::nullopt;
        }
        return by;
    }

    std::vector<NodeIndex> readInputs(TableReader& reader, const std::string& key) {
        std::vector<NodeIndex> inputs;
        for (const std::string& id : reader.texts(key, Need::required)) {
            const auto node = resolveNode(reader, key, id);
            if (node && std::find(inputs.begin(), inputs.end(), *node) != inputs.end()) {
                reader.error(key, "'" + id + "' twice", "each input once");
            } else if (node) {
                inputs.push_back(*node);
            }
        }
        return inputs;
    }

    std::vector<std::string> namesOf(const std::vector<NodeIndex>& inputs) const {
        std::vector<std::string> names;
        for (const NodeIndex input : inputs) {
            names.push_back(part_.nodeId(input));
        }
        return names;
    }

    std::size_t readResetFrom(TableReader& reset, const std::vector<NodeIndex>& inputs) {
        const auto id = reset.text("from");
        if (!id) {
            return 0;
        }
        const std::vector<std::string> names = namesOf(inputs);
        const auto found = std::find(names.begin(), names.end(), *id);
        if (found == names.end()) {
            reset.error("from", "no input '" + *id + "'", listNames(names), didYouMean(*id, names));
            return 0;
        }
        return static_cast<std::size_t>(found - names.begin());
    }

    static Rational readResetFactor(TableReader& reset, const std::string& key, const FactorSet& set) {
        if (set.empty()) {
            if (reset.has(key)) {
                reset.factor(key);
                reset.error(key, "a reset value for '" + key + "'", "a line that has this control");
            }
            return 1;
        }
        const Rational value = reset.factor(key).value_or(set.least());
        if (!set.contains(value)) {
            std::string near;
            for (const Rational& each : set.nearest(value)) {
                near += (near.empty() ? "" : " or ") + printFactor(each);
            }
            reset.error(key, key + " = " + printFactor(value) + ", which the control cannot be set to", near);
        }
        return value;
    }

    void readLine(TableReader& reader, Line& line) {
        line.name = reader.text("name").value_or(line.id);
        line.ref = reader.text("ref").value_or("");
        line.from = readInputs(reader, "from");
        line.divide = readFactorSet(reader, "divide");
        line.multiply = readFactorSet(reader, "multiply");
        line.factor = reader.factor("factor").value_or(Rational(1));
        readFollows(reader, line);
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, reporter_, reader.pathOf("reset"));
            line.resetFrom = readResetFrom(inner, line.from);
            line.resetDivide = readResetFactor(inner, "divide", line.divide);
            line.resetMultiply = readResetFactor(inner, "multiply", line.multiply);
            inner.finish();
        } else {
            line.resetDivide = line.divide.empty() ? Rational(1) : line.divide.least();
            line.resetMultiply = line.multiply.empty() ? Rational(1) : line.multiply.least();
        }
        std::vector<std::string> controls{"on"};
        if (line.from.size() > 1) {
            controls.emplace_back("from");
        }
        if (!line.divide.empty()) {
            controls.emplace_back("divide");
        }
        if (!line.multiply.empty()) {
            controls.emplace_back("multiply");
        }
        readFields(reader, controls, namesOf(line.from), line.fields, line.holds, book_);
        for (const toml::table* limit : reader.tables("limit")) {
            line.limits.push_back(readLimit(*limit, reader.pathOf("limit")));
        }
        line.startup = readDuration(reader, "startup");
        line.draws = readDraw(reader, "draws");
    }

    Limit readLimit(const toml::table& table, const std::string& path) {
        TableReader reader(table, reporter_, path);
        Limit limit;
        limit.tier = resolveTier(reader);
        limit.min = reader.quantity("min", Unit::hertz);
        limit.max = reader.quantity("max", Unit::hertz);
        limit.ref = reader.text("ref").value_or("");
        reader.text("note");
        if (!reader.has("min") && !reader.has("max")) {
            reporter_.error(reader.place(), "a limit without 'min' and 'max'", "at least one of them");
        }
        checkOrder(reader, "max", limit.min, limit.max);
        reader.finish();
        return limit;
    }

    void readFollows(TableReader& reader, Line& line) {
        const toml::table* table = reader.table("follows");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, reporter_, reader.pathOf("follows"));
        Follows follows;
        const std::string control = inner.text("control", Need::required).value_or("");
        const std::size_t dot = control.find('.');
        const std::string id = control.substr(0, dot);
        follows.control = dot == std::string::npos ? "" : control.substr(dot + 1);
        const std::vector<std::string> known = idsOf(part_.lines);
        const auto found = std::find(known.begin(), known.end(), id);
        if (!control.empty() && (found == known.end() || (follows.control != "divide" && follows.control != "multiply"))) {
            inner.error("control", "no control '" + control + "'", "a line's factor such as 'bus_a.divide'", didYouMean(id, known));
        }
        follows.line = static_cast<std::size_t>(found - known.begin());
        follows.otherwise = inner.factor("otherwise").value_or(Rational(1));
        if (const toml::table* when = inner.table("when", Need::required)) {
            TableReader cases(*when, reporter_, inner.pathOf("when"));
            for (const std::string& key : cases.keys()) {
                const auto value = readFactor(key);
                const auto factor = cases.factor(key);
                if (!value) {
                    cases.error(key, "'" + key + "'", "a value of the control, such as 6");
                } else if (factor) {
                    follows.when.emplace_back(*value, *factor);
                }
            }
        }
        inner.finish();
        line.follows = follows;
    }

    void readPeripheral(TableReader& reader, Peripheral& peripheral) {
        peripheral.name = reader.text("name").value_or(peripheral.id);
        peripheral.ref = reader.text("ref").value_or("");
        peripheral.clock = readInputs(reader, "clock");
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, reporter_, reader.pathOf("reset"));
            peripheral.resetFrom = readResetFrom(inner, peripheral.clock);
            inner.finish();
        }
        std::vector<std::string> controls = readKind(reader, peripheral);
        if (peripheral.clock.size() > 1) {
            controls.emplace_back("from");
        }
        readFields(reader, controls, namesOf(peripheral.clock), peripheral.fields, peripheral.holds, book_);
        peripheral.gate = readOneField(reader, "gate", peripheral.id, FieldUse::own);
        peripheral.interrupts = reader.texts("interrupts");
        if (const toml::table* wakes = reader.table("wakes_from")) {
            TableReader inner(*wakes, reporter_, reader.pathOf("wakes_from"));
            for (const std::string& mode : inner.keys()) {
                if (!part_.findMode(mode)) {
                    inner.error(mode, "no mode '" + mode + "'", listNames(idsOf(part_.modes)), didYouMean(mode, idsOf(part_.modes)));
                }
                peripheral.wakesFrom[mode] = inner.text(mode).value_or("");
            }
        }
        peripheral.draws = readDraw(reader, "draws");
    }

    /// Reads what the kind needs; returns the names of its controls.
    std::vector<std::string> readKind(TableReader& reader, Peripheral& peripheral) {
        using Read = std::vector<std::string> (PartReader::*)(TableReader&, Peripheral&);
        static const std::map<std::string, Read> readers{{"uart", &PartReader::readUart},
                                                         {"timer", &PartReader::readTimer},
                                                         {"watchdog", &PartReader::readWatchdog},
                                                         {"rtc", &PartReader::readRtc}};
        const auto kind = reader.text("kind", Need::required);
        if (!kind) {
            return {};
        }
        const auto found = readers.find(*kind);
        if (found == readers.end()) {
            std::vector<std::string> known;
            for (const auto& [name, read] : readers) {
                known.push_back(name);
            }
            reader.error("kind", "no kind of peripheral '" + *kind + "'", listNames(known), didYouMean(*kind, known));
            for (const std::string& key : reader.keys()) { // what the kind would need can't be told
                reader.know(key);
            }
            return {};
        }
        return (this->*found->second)(reader, peripheral);
    }

    std::vector<std::string> readUart(TableReader& reader, Peripheral& peripheral) {
        UartKind uart;
        reader.node("modes", Need::required);
        for (const toml::table* table : reader.tables("modes")) {
            TableReader inner(*table, reporter_, reader.pathOf("modes"));
            UartMode mode;
            mode.oversample = inner.whole("oversample", 1, 1024, Need::required).value_or(16);
            mode.divisor = readFactorSet(inner, "divisor", Need::required);
            inner.finish();
            uart.modes.push_back(std::move(mode));
        }
        peripheral.kind = std::move(uart);
        return {"oversample", "divisor"};
    }

    std::vector<std::string> readTimer(TableReader& reader, Peripheral& peripheral) {
        TimerKind timer;
        timer.bits = static_cast<int>(reader.whole("bits", 4, 48, Need::required).value_or(16));
        timer.prescaler = readPrescaler(reader);
        const std::string style = reader.text("style").value_or("reload");
        if (style != "reload" && style != "preload") {
            reader.error("style", "no style '" + style + "'", "'reload' or 'preload'", didYouMean(style, {"reload", "preload"}));
        }
        timer.style = style == "preload" ? TimerStyle::preload : TimerStyle::reload;
        const Rational most = Rational(std::int64_t{1} << timer.bits);
        timer.counts = reader.has("counts") ? readWholeSet(reader, "counts") : FactorSet::range(1, most);
        if (!timer.counts.empty() && timer.counts.most() > most) {
            reader.error("counts", "counts up to " + timer.counts.most().toString(), fmt::format("at most 2^{} = {}", timer.bits, most.toString()));
        }
        peripheral.kind = std::move(timer);
        return {"prescaler", "counts"};
    }

    std::vector<std::string> readWatchdog(TableReader& reader, Peripheral& peripheral) {
        WatchdogKind watchdog;
        watchdog.prescaler = readPrescaler(reader);
        watchdog.counts = readWholeSet(reader, "counts", Need::required);
        watchdog.hasWindow = reader.flag("window").value_or(false);
        std::vector<std::string> controls{"prescaler", "counts"};
        if (watchdog.hasWindow) {
            controls.emplace_back("window");
        }
        peripheral.kind = std::move(watchdog);
        return controls;
    }

    std::vector<std::string> readRtc(TableReader& reader, Peripheral& peripheral) {
        RtcKind rtc;
        rtc.prescaler = readPrescaler(reader);
        rtc.counts = readWholeSet(reader, "counts", Need::required);
        peripheral.kind = std::move(rtc);
        return {"prescaler", "counts"};
    }

    FactorSet readPrescaler(TableReader& reader) {
        return reader.has("prescaler") ? readWholeSet(reader, "prescaler") : FactorSet::one(1);
    }

    static FactorSet readWholeSet(TableReader& reader, const std::string& key, Need need = Need::optional) {
        const FactorSet set = readFactorSet(reader, key, need);
        const bool isBad = !set.empty() && (!set.least().isWhole() || (set.isRange() && !set.step().isWhole()) ||
                                            set.most() > Rational(std::int64_t{1} << 48));
        if (isBad || (!set.isRange() && !set.empty() && set.size() > 4096)) {
            reader.error(key, "values that are not whole or beyond 2^48", "whole numbers");
            return {};
        }
        for (std::int64_t i = 0; !set.isRange() && i < *set.size().toInt64(); ++i) {
            if (!set.empty() && !set.at(i).isWhole()) {
                reader.error(key, printFactor(set.at(i)), "whole numbers");
                return {};
            }
        }
        return set;
    }

    template <class Things>
    KeptSet readKept(TableReader& reader, const std::string& key, const Things& things, bool all) {
        KeptSet kept;
        kept.all = all && !reader.has(key);
        const std::vector<std::string> known = idsOf(things);
        for (const std::string& id : reader.texts(key)) {
            const auto found = std::find(known.begin(), known.end(), id);
            if (id == "all") {
                kept.all = true;
            } else if (found == known.end()) {
                reader.error(key, "no '" + id + "'", listNames(known), didYouMean(id, known));
            } else {
                kept.some.push_back(static_cast<std::size_t>(found - known.begin()));
            }
        }
        return kept;
    }

    void readMode(TableReader& reader, Mode& mode) {
        mode.name = reader.text("name").value_or(mode.id);
        mode.ref = reader.text("ref").value_or("");
        mode.runs = reader.flag("runs").value_or(false);
        const toml::table none;
        const toml::table* keeps = reader.table("keeps");
        TableReader inner(keeps == nullptr ? none : *keeps, reporter_, reader.pathOf("keeps"));
        mode.sources = readKept(inner, "sources", part_.sources, mode.runs);
        mode.lines = readKept(inner, "lines", part_.lines, mode.runs);
        mode.peripherals = readKept(inner, "peripherals", part_.peripherals, mode.runs);
        mode.memory = inner.texts("memory");
        mode.keepsPins = inner.flag("pins").value_or(mode.runs);
        inner.finish();
        mode.wakesBy = reader.texts("wakes_by");
        if (const auto id = reader.text("wakes_on")) {
            const std::vector<std::string> known = idsOf(part_.sources);
            const auto found = std::find(known.begin(), known.end(), *id);
            if (found == known.end()) {
                reader.error("wakes_on", "no source '" + *id + "'", listNames(known), didYouMean(*id, known));
            } else {
                mode.wakesOn = static_cast<std::size_t>(found - known.begin());
            }
        }
        mode.draws = readDraw(reader, "draws");
        for (const toml::table* stage : reader.tables("stages")) {
            mode.stages.push_back(readStage(*stage, reader.pathOf("stages"), mode.stages));
        }
        mode.before = readOrder(reader, "before");
        mode.after = readOrder(reader, "after");
    }

    WakeStage readStage(const toml::table& table, const std::string& path, const std::vector<WakeStage>& earlier) {
        TableReader reader(table, reporter_, path);
        WakeStage stage;
        stage.say = reader.text("say", Need::required).value_or("");
        stage.lasts = {reader.quantity("typ", Unit::second, Need::optional, Sign::notNegative),
                       reader.quantity("max", Unit::second, Need::optional, Sign::notNegative)};
        stage.draws = readDraw(reader, "draws");
        stage.beside = reader.text("beside").value_or("");
        stage.ref = reader.text("ref").value_or("");
        reader.finish();
        std::vector<std::string> known;
        for (const WakeStage& each : earlier) {
            known.push_back(each.say);
        }
        if (!stage.beside.empty() && std::find(known.begin(), known.end(), stage.beside) == known.end()) {
            reader.error("beside", "no earlier stage '" + stage.beside + "'", listNames(known), didYouMean(stage.beside, known));
        }
        return stage;
    }

    std::vector<OrderStep> readOrder(TableReader& reader, const std::string& key) {
        std::vector<OrderStep> steps;
        const toml::node* node = reader.node(key);
        const toml::array* array = node == nullptr ? nullptr : node->as_array();
        if (node != nullptr && array == nullptr) {
            reader.error(key, nodeText(*node), "a list of steps");
        }
        for (std::size_t i = 0; array != nullptr && i < array->size(); ++i) {
            const toml::node& element = *array->get(i);
            if (const auto say = element.value_exact<std::string>()) {
                steps.push_back({*say, {}});
            } else if (const toml::table* table = element.as_table()) {
                TableReader inner(*table, reporter_, reader.pathOf(key));
                steps.push_back({inner.text("say", Need::required).value_or(""), inner.text("when").value_or("")});
                inner.finish();
            } else {
                reporter_.error(reporter_.placeOf(element.source(), reader.pathOf(key)), nodeText(element), "a text, or { say, when }");
            }
        }
        return steps;
    }

    void readRule(const toml::table& table) {
        TableReader reader(table, reporter_, "rule");
        Rule rule;
        rule.say = reader.text("say", Need::required).value_or("");
        rule.ref = reader.text("ref").value_or("");
        const auto left = reader.text("left", Need::required);
        const auto leftNode = left ? resolveNode(reader, "left", *left) : std::nullopt;
        std::optional<NodeIndex> rightNode;
        if (const toml::table* atMost = reader.table("at_most", Need::required)) {
            TableReader inner(*atMost, reporter_, reader.pathOf("at_most"));
            const auto right = inner.text("line", Need::required);
            rightNode = right ? resolveNode(inner, "line", *right) : std::nullopt;
            rule.times = inner.factor("times").value_or(Rational(1));
            inner.finish();
        }
        reader.finish();
        if (leftNode && rightNode) {
            rule.left = *leftNode;
            rule.right = *rightNode;
            part_.rules.push_back(std::move(rule));
        }
    }

    void readWait(const toml::table& table) {
        TableReader reader(table, reporter_, "wait");
        WaitTable wait;
        const auto line = reader.text("line", Need::required);
        const auto node = line ? resolveNode(reader, "line", *line) : std::nullopt;
        wait.line = node.value_or(0);
        wait.tier = resolveTier(reader);
        wait.field = readOneField(reader, "field", "wait", FieldUse::shared);
        wait.ref = reader.text("ref").value_or("");
        const toml::node* steps = reader.node("steps", Need::required);
        const toml::array* array = steps == nullptr ? nullptr : steps->as_array();
        for (std::size_t i = 0; array != nullptr && i < array->size(); ++i) {
            const toml::array* pair = array->get(i)->as_array();
            const auto waits = pair != nullptr && pair->size() == 2 ? pair->get(1)->value_exact<std::int64_t>() : std::nullopt;
            if (!waits || *waits < 0) {
                reader.error("steps", nodeText(*array->get(i)), "a pair such as [\"64 MHz\", 1]");
                continue;
            }
            const auto rate = readNodeQuantity(*pair->get(0), reporter_, reader.pathOf("steps"), Unit::hertz);
            if (rate && !wait.steps.empty() && *rate <= wait.steps.back().first) {
                reader.error("steps", "rates that do not rise", "each rate above the one before");
            } else if (rate) {
                wait.steps.emplace_back(*rate, *waits);
            }
        }
        if (steps != nullptr && (array == nullptr || array->empty())) {
            reader.error("steps", nodeText(*steps), "pairs such as [\"64 MHz\", 1]");
        }
        reader.finish();
        if (node) {
            part_.waits.push_back(std::move(wait));
        }
    }

    void readCore() {
        const auto id = root_.text("core");
        const auto node = id ? resolveNode(root_, "core", *id) : part_.findNode("core");
        if (!id && !node) {
            root_.error("core", "no word of which line clocks the core", "core = \"ID\"");
        }
        part_.core = node.value_or(0);
    }

    void checkModes() {
        const auto runs = std::count_if(part_.modes.begin(), part_.modes.end(), [](const Mode& mode) { return mode.runs; });
        if (runs != 1) {
            reporter_.error(root_.place("mode"), fmt::format("{} modes with 'runs = true'", runs), "one mode in which the core runs");
        }
    }

    /// Parents before children; a loop is reported with its whole path.
    void sortLines() {
        enum class Mark { white, grey, black };
        std::vector<Mark> marks(part_.lines.size(), Mark::white);
        for (std::size_t root = 0; root < part_.lines.size(); ++root) {
            // depth first without recursion: the files of others may be thousands of lines deep
            std::vector<std::pair<std::size_t, std::size_t>> path;
            if (marks[root] == Mark::white) {
                path.emplace_back(root, 0);
                marks[root] = Mark::grey;
            }
            while (!path.empty()) {
                auto& [line, next] = path.back();
                if (next == part_.lines[line].from.size()) {
                    marks[line] = Mark::black;
                    part_.order.push_back(line);
                    path.pop_back();
                    continue;
                }
                const NodeIndex parent = part_.lines[line].from[next++];
                if (part_.isSource(parent)) {
                    continue;
                }
                const std::size_t parentLine = parent - part_.sources.size();
                if (marks[parentLine] == Mark::grey) {
                    reportLoop(path, parentLine);
                    return;
                }
                if (marks[parentLine] == Mark::white) {
                    marks[parentLine] = Mark::grey;
                    path.emplace_back(parentLine, 0);
                }
            }
        }
    }

    void reportLoop(const std::vector<std::pair<std::size_t, std::size_t>>& path, std::size_t start) {
        std::string text = part_.lines[start].id;
        bool isInside = false;
        std::string between;
        for (const auto& [line, next] : path) {
            if (isInside) {
                between = " \u2192 " + part_.lines[line].id + between;
            }
            isInside = isInside || line == start;
        }
        text += between + " \u2192 " + part_.lines[start].id;
        const TableReader reader(*lines_[start], reporter_, "line." + part_.lines[start].id);
        reporter_.error(reader.place("from"), "a loop between lines: " + text, "lines that end at a source");
    }

    TableReader root_;
    Reporter& reporter_;
    Part part_;
    FieldBook book_;
    Tables tiers_;
    Tables sources_;
    Tables lines_;
    Tables peripherals_;
    Tables modes_;
};

} // namespace

PartFile readPart(std::string_view text, const std::string& file) {
    Reporter reporter(file);
    PartFile result;
    if (const auto root = parseToml(text, file, reporter)) {
        Part part = PartReader(*root, reporter).read();
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
