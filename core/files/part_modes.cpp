#include "files/part_modes.h"

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
        mode.lines = readKept(inner, "lines", context_.part.lines, mode.runs);
        mode.peripherals = readKept(inner, "peripherals", context_.part.peripherals, mode.runs);
        mode.memory = inner.texts("memory");
        mode.keepsPins = inner.flag("pins").value_or(mode.runs);
        mode.keepsDebug = inner.flag("debug");
        inner.finish();
        mode.wakesBy = reader.texts("wakes_by");
        if (const auto id = reader.text("wakes_on")) {
            const std::vector<std::string> known = idsOf(context_.part.sources);
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
        for (const toml::table* option : reader.tables("options")) {
            mode.options.push_back(readOption(*option, reader.pathOf("options"), mode));
        }
    }

private:
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

    WakeStage readStage(const toml::table& table, const std::string& path, const std::vector<WakeStage>& earlier) {
        TableReader reader(table, context_.reporter, path);
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

    ModeOption readOption(const toml::table& table, const std::string& path, const Mode& mode) {
        TableReader reader(table, context_.reporter, path);
        ModeOption option;
        option.id = reader.id("id").value_or("?");
        const std::vector<std::string> values = reader.texts("values", Need::required);
        for (const std::string& value : values) {
            option.values.push_back({value, {}, {}, {}});
        }
        if (option.values.empty()) {
            option.values.push_back({"?", {}, {}, {}});
        }
        const std::string reset = reader.text("reset", Need::required).value_or("");
        const auto known = std::find(values.begin(), values.end(), reset);
        if (known == values.end() && !reset.empty()) {
            reader.error("reset", "no value '" + reset + "'", listNames(values), didYouMean(reset, values));
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
        value.draws = reader.quantity("draws", Unit::ampere, Need::optional, Sign::any).value_or(Rational(0));
        if (const toml::table* stage = reader.table("stage")) {
            value.stage = readStage(*stage, reader.pathOf("stage"), mode.stages);
        }
        value.loses = reader.texts("loses");
        for (const std::string& lost : value.loses) {
            if (std::find(mode.memory.begin(), mode.memory.end(), lost) == mode.memory.end()) {
                reader.error("loses", "no memory '" + lost + "' in this mode", listNames(mode.memory));
            }
        }
        reader.finish();
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
                TableReader inner(*table, context_.reporter, reader.pathOf(key));
                steps.push_back({inner.text("say", Need::required).value_or(""), inner.text("when").value_or("")});
                inner.finish();
            } else {
                context_.reporter.error(context_.reporter.placeOf(element.source(), reader.at(key)), nodeText(element),
                                        "a text, or { say, when }");
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
