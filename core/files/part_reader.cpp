#include "files/part_reader.h"

#include "base/nearest_name.h"
#include "files/part_clocks.h"
#include "files/part_modes.h"
#include "files/part_peripherals.h"

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
    PartReader(const toml::table& root, Reporter& reporter)
        : root_(root, reporter, ""), reporter_(reporter), context_{part_, reporter, {}} {}

    Part read() {
        if (!checkFormat(root_, "wisetick-part")) {
            return {};
        }
        readHead();
        collectIds();
        eachOf("tier", tiers_, [&](TableReader& reader, std::size_t index) { readTier(context_, reader, part_.tiers[index]); });
        eachOf("source", sources_,
               [&](TableReader& reader, std::size_t index) { readSource(context_, reader, part_.sources[index]); });
        eachOf("line", lines_, [&](TableReader& reader, std::size_t index) { readLine(context_, reader, part_.lines[index]); });
        eachOf("peripheral", peripherals_,
               [&](TableReader& reader, std::size_t index) { readPeripheral(context_, reader, part_.peripherals[index]); });
        eachOf("mode", modes_, [&](TableReader& reader, std::size_t index) { readMode(context_, reader, part_.modes[index]); });
        for (const toml::table* table : root_.tables("rule")) {
            readRule(context_, *table);
        }
        for (const toml::table* table : root_.tables("wait")) {
            readWait(context_, *table);
        }
        readCore();
        root_.finish();
        checkModes();
        context_.book.reportOverlaps(reporter_);
        if (!hasErrors(reporter_.diagnostics())) {
            sortLines(context_, lines_);
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
                    reader.error("id", "the id '" + *id + "' again",
                                 fmt::format("an id of its own (it stands in line {} already)", first->second.line));
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

    void readCore() {
        const auto id = root_.text("core");
        const auto node = id ? resolveNode(context_, root_, "core", *id) : part_.findNode("core");
        if (!id && !node) {
            root_.error("core", "no word of which line clocks the core", "core = \"ID\"");
        }
        part_.core = node.value_or(0);
    }

    void checkModes() {
        const auto runs = std::count_if(part_.modes.begin(), part_.modes.end(), [](const Mode& mode) { return mode.runs; });
        if (runs != 1) {
            reporter_.error(root_.place("mode"), fmt::format("{} modes with 'runs = true'", runs),
                            "one mode in which the core runs");
        }
    }

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
