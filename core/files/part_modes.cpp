#include "files/part_modes.h"

#include "base/text.h"
#include "files/part_draws.h"
#include "files/part_registers.h"

#include "base/nearest_name.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Reads one mode.
class ModeReader {
public:
    explicit ModeReader(PartContext& context) : context_(context) {}

    void readMode(TableReader& reader, Mode& mode) {
        mode.name = reader.text("name").value_or(mode.id);
        mode.ref = reader.text("ref").value_or("");
        mode.runs = reader.flag("runs").value_or(false);
        const toml::table none;
        const toml::table* keeps = reader.table("keeps");
        TableReader inner(keeps == nullptr ? none : *keeps, context_.reporter, reader.pathOf("keeps"));
        mode.sources = readKept(inner, "sources", context_.part.sources, mode.runs);
        for (const std::string& id : inner.texts("on_request")) {
            if (const auto source = sourceOf(inner, "on_request", id)) {
                mode.requested.push_back(*source);
            }
        }
        mode.lines = readKept(inner, "lines", context_.part.lines, mode.runs);
        mode.peripherals = readKept(inner, "peripherals", context_.part.peripherals, mode.runs);
        mode.memory = inner.texts("memory");
        mode.keepsPins = inner.flag("pins").value_or(mode.runs);
        mode.keepsDebug = inner.flag("debug");
        inner.finish();
        mode.wakesBy = reader.texts("wakes_by");
        readWakesOn(reader, mode);
        mode.draws = readDraw(context_, reader, "draws");
        for (const toml::table* stage : reader.tables("stages")) {
            mode.stages.push_back(readStage(*stage, reader.pathOf("stages"), mode.stages));
        }
        mode.before = readOrder(reader, "before");
        mode.after = readOrder(reader, "after");
        const toml::node* enter = reader.node("enter");
        const toml::array* writes = enter == nullptr ? nullptr : enter->as_array();
        if (enter != nullptr && writes == nullptr) {
            reader.error("enter", nodeText(*enter), phrase("a list of writes such as \"POWER.REST[2:0] = 2\""));
        }
        for (std::size_t i = 0; writes != nullptr && i < writes->size(); ++i) {
            if (auto write = readWrite(context_, reader, *writes->get(i), "enter")) {
                mode.enter.push_back(std::move(*write));
            }
        }
        for (const toml::table* option : reader.tables("options")) {
            mode.options.push_back(readOption(*option, reader.pathOf("options"), mode));
        }
    }

private:
    std::optional<std::size_t> sourceOf(TableReader& reader, const std::string& key, const std::string& id) {
        const std::vector<std::string> known = idsOf(context_.part.sources);
        const auto found = std::find(known.begin(), known.end(), id);
        if (found == known.end() || id == kNoClock) {
            reader.error(key, phrase("no source '{}'", id), listNames(known), didYouMean(id, known));
            return std::nullopt;
        }
        return static_cast<std::size_t>(found - known.begin());
    }

    /// One source, or { from, field, codes, keeps }: several of which one is chosen.
    void readWakesOn(TableReader& reader, Mode& mode) {
        const toml::node* node = reader.node("wakes_on");
        const toml::table* table = node == nullptr ? nullptr : node->as_table();
        if (node == nullptr || table == nullptr) {
            const auto id = node == nullptr ? std::nullopt : reader.text("wakes_on");
            mode.wakesOn = id ? sourceOf(reader, "wakes_on", *id) : std::nullopt;
            return;
        }
        TableReader inner(*table, context_.reporter, reader.pathOf("wakes_on"));
        ModeOption option;
        option.id = "wakes_on";
        option.isWakeClock = true;
        option.field = readOneField(context_, inner, "field", FieldUse::shared);
        for (const std::string& id : inner.texts("from", Need::required)) {
            if (const auto source = sourceOf(reader, "wakes_on", id)) {
                ModeOption::Value value{id, {}, {}, {}, static_cast<std::int64_t>(option.values.size()), {}};
                value.keeps = option.values.empty() ? std::vector<NodeIndex>() : std::vector<NodeIndex>{*source};
                option.values.push_back(std::move(value));
            }
        }
        readCodes(inner, option);
        inner.finish();
        if (option.values.size() < 2) {
            inner.error("from", phrase("a choice of one source"), phrase("two or more, the first one at reset"));
            return;
        }
        mode.wakesOn = context_.part.findNode(option.values.front().id);
        mode.options.push_back(std::move(option));
    }

    /// The codes of a field, in the order of the values; 0, 1, 2, … without.
    void readCodes(TableReader& reader, ModeOption& option) {
        const toml::node* codes = reader.node("codes");
        const toml::array* list = codes == nullptr ? nullptr : codes->as_array();
        if (codes != nullptr && (list == nullptr || list->size() != option.values.size())) {
            reader.error("codes", nodeText(*codes), phrase("one whole number for each value"));
            return;
        }
        for (std::size_t i = 0; i < option.values.size(); ++i) {
            const auto code = list == nullptr ? std::nullopt : list->get(i)->value_exact<std::int64_t>();
            option.values[i].code = code.value_or(static_cast<std::int64_t>(i));
        }
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
                reader.error(key, phrase("no '{}'", id), listNames(known), didYouMean(id, known));
            } else {
                kept.some.push_back(static_cast<std::size_t>(found - known.begin()));
            }
        }
        return kept;
    }

    WakeStage readStage(const toml::table& table, const std::string& path, const std::vector<WakeStage>& earlier) {
        TableReader reader(table, context_.reporter, path);
        WakeStage stage;
        stage.say = reader.text("say", Need::required).value_or("");
        stage.lasts = {reader.quantity("typ", Unit::second, Need::optional, Sign::notNegative),
                       reader.quantity("max", Unit::second, Need::optional, Sign::notNegative)};
        stage.draws = readDraw(context_, reader, "draws");
        stage.cycles = reader.factor("cycles");
        stage.tier = resolveTier(context_, reader);
        if (stage.cycles && (stage.lasts.typ || stage.lasts.max)) {
            reader.error("cycles", phrase("'cycles' beside a time"), phrase("one of them"));
        }
        stage.beside = reader.text("beside").value_or("");
        stage.ref = reader.text("ref").value_or("");
        reader.finish();
        std::vector<std::string> known;
        for (const WakeStage& each : earlier) {
            known.push_back(each.say);
        }
        if (!stage.beside.empty() && std::find(known.begin(), known.end(), stage.beside) == known.end()) {
            reader.error("beside", phrase("no earlier stage '{}'", stage.beside), listNames(known),
                         didYouMean(stage.beside, known));
        }
        return stage;
    }

    ModeOption readOption(const toml::table& table, const std::string& path, const Mode& mode) {
        TableReader reader(table, context_.reporter, path);
        ModeOption option;
        option.id = reader.id("id").value_or("?");
        const std::vector<std::string> values = reader.texts("values", Need::required);
        for (const std::string& value : values) {
            option.values.push_back({value, {}, {}, {}, 0, {}});
        }
        if (option.values.empty()) {
            option.values.push_back({"?", {}, {}, {}, 0, {}});
        }
        option.field = readOneField(context_, reader, "field", FieldUse::shared);
        readCodes(reader, option);
        const std::string reset = reader.text("reset", Need::required).value_or("");
        const auto known = std::find(values.begin(), values.end(), reset);
        if (known == values.end() && !reset.empty()) {
            reader.error("reset", phrase("no value '{}'", reset), listNames(values), didYouMean(reset, values));
        }
        option.reset = known == values.end() ? 0 : static_cast<std::size_t>(known - values.begin());
        if (const toml::table* adds = reader.table("adds")) {
            TableReader each(*adds, context_.reporter, reader.pathOf("adds"));
            for (ModeOption::Value& value : option.values) {
                if (const toml::table* added = each.table(value.id)) {
                    readAdded(*added, each.pathOf(value.id), mode, value);
                }
            }
            each.finish();
        }
        reader.finish();
        return option;
    }

    void readAdded(const toml::table& table, const std::string& path, const Mode& mode, ModeOption::Value& value) {
        TableReader reader(table, context_.reporter, path);
        value.draws = readAddedDraw(context_, reader, "draws");
        for (const std::string& id : reader.texts("keeps")) {
            if (const auto node = resolveNode(context_, reader, "keeps", id)) {
                value.keeps.push_back(*node);
            }
        }
        if (const toml::table* stage = reader.table("stage")) {
            value.stage = readStage(*stage, reader.pathOf("stage"), mode.stages);
        }
        value.loses = reader.texts("loses");
        for (const std::string& lost : value.loses) {
            if (std::find(mode.memory.begin(), mode.memory.end(), lost) == mode.memory.end()) {
                reader.error("loses", phrase("no memory '{}' in this mode", lost), listNames(mode.memory));
            }
        }
        reader.finish();
    }

    std::vector<OrderStep> readOrder(TableReader& reader, const std::string& key) {
        std::vector<OrderStep> steps;
        const toml::node* node = reader.node(key);
        const toml::array* array = node == nullptr ? nullptr : node->as_array();
        if (node != nullptr && array == nullptr) {
            reader.error(key, nodeText(*node), phrase("a list of steps"));
        }
        for (std::size_t i = 0; array != nullptr && i < array->size(); ++i) {
            const toml::node& element = *array->get(i);
            if (const auto say = element.value_exact<std::string>()) {
                steps.push_back({*say, {}});
            } else if (const toml::table* table = element.as_table()) {
                TableReader inner(*table, context_.reporter, reader.pathOf(key));
                steps.push_back({inner.text("say", Need::required).value_or(""), inner.text("when").value_or("")});
                inner.finish();
            } else {
                context_.reporter.error(context_.reporter.placeOf(element, reader.at(key)), nodeText(element),
                                        phrase("a text, or {{ say, when }}"));
            }
        }
        return steps;
    }

    PartContext& context_;
};

} // namespace

void readMode(PartContext& context, TableReader& reader, Mode& mode) {
    ModeReader(context).readMode(reader, mode);
}

} // namespace wisetick
