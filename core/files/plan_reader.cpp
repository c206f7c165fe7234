#include "files/plan_reader.h"

#include "base/text.h"
#include "files/choice_table.h"
#include "files/plan_battery.h"
#include "files/toml_reader.h"
#include "plan/plan_check.h"
#include "plan/setting_names.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

class PlanReader {
public:
    PlanReader(const toml::table& root, Reporter& reporter, const Part* part)
        : root_(root, reporter, ""), reporter_(reporter), part_(part) {}

    Plan read() {
        if (!checkFormat(root_, "wisetick-plan")) {
            return {};
        }
        plan_.name = root_.text("name").value_or("");
        plan_.part = root_.text("part", Need::required).value_or("");
        plan_.active = root_.text("active").value_or("");
        plan_.note = root_.text("note").value_or("");
        if (const toml::table* board = root_.table("board")) {
            TableReader reader(*board, reporter_, "board");
            readBoard(reader);
        }
        readPromises();
        readTakes();
        readJobs();
        readHandover();
        readCaptures();
        root_.finish();
        checkWhole();
        return std::move(plan_);
    }

private:
    std::optional<Bounds> readSpan(TableReader& outer, const std::string& key, Unit unit) {
        const toml::table* table = outer.table(key);
        if (table == nullptr) {
            return std::nullopt;
        }
        TableReader reader(*table, reporter_, outer.pathOf(key));
        const Sign sign = unit == Unit::celsius ? Sign::any : Sign::positive;
        const auto nominal = reader.quantity("nominal", unit, Need::required, sign);
        const auto low = reader.quantity("min", unit, Need::optional, sign);
        const auto high = reader.quantity("max", unit, Need::optional, sign);
        reader.finish();
        if (!nominal) {
            return std::nullopt;
        }
        return Bounds{low.value_or(*nominal), *nominal, high.value_or(*nominal)};
    }

    void readBoard(TableReader& reader) {
        Board& board = plan_.board;
        board.supply = readSpan(reader, "supply", Unit::volt);
        board.temperature = readSpan(reader, "temperature", Unit::celsius);
        for (const std::string& assumed : reader.texts("assumed")) {
            const bool isSaid = (assumed == "supply" && board.supply) || (assumed == "temperature" && board.temperature);
            if (!isSaid) {
                reader.error("assumed", "'" + assumed + "'", phrase("supply or temperature, where it is told above"));
                continue;
            }
            board.assumed.push_back(assumed);
        }
        if (const toml::table* draws = reader.table("draws")) {
            TableReader inner(*draws, reporter_, "board.draws");
            board.alwaysDraws = inner.quantity("always", Unit::ampere, Need::optional, Sign::notNegative);
            inner.finish();
        }
        if (const toml::table* fitted = reader.table("fitted")) {
            TableReader inner(*fitted, reporter_, "board.fitted");
            for (const std::string& source : inner.keys()) {
                readFitted(inner, source);
            }
        }
        if (const toml::table* measured = reader.table("measured")) {
            TableReader inner(*measured, reporter_, "board.measured");
            for (const std::string& source : inner.keys()) {
                readMeasured(inner, source);
            }
        }
        if (const toml::table* trimmed = reader.table("trimmed")) {
            TableReader inner(*trimmed, reporter_, "board.trimmed");
            for (const std::string& source : inner.keys()) {
                readTrimmed(inner, source);
            }
        }
        readRoutes(reader);
        readWords(reader, "options", board.options);
        readWords(reader, "signals", board.wiring);
        if (const toml::table* battery = reader.table("battery")) {
            TableReader inner(*battery, reporter_, "board.battery");
            plan_.board.battery = readBattery(inner);
        }
        if (const toml::table* regulator = reader.table("regulator")) {
            TableReader inner(*regulator, reporter_, "board.regulator");
            plan_.board.regulator = readRegulator(inner);
        }
        reader.finish();
    }

    void readTrimmed(TableReader& outer, const std::string& source) {
        const toml::table* table = outer.table(source);
        if (table == nullptr) {
            return;
        }
        TableReader reader(*table, reporter_, outer.pathOf(source));
        Trimmed trimmed;
        trimmed.source = source;
        trimmed.by = reader.text("by", Need::required).value_or("");
        trimmed.every = reader.quantity("every", Unit::second, Need::required).value_or(Rational(1));
        if (const toml::node* drift = reader.node("drift")) { // a temperature in a time
            const auto text = drift->value<std::string>().value_or("");
            const std::size_t slash = text.find('/');
            const auto warmth = readQuantity(text.substr(0, slash), Unit::celsius);
            const auto time = slash == std::string::npos
                                  ? std::nullopt
                                  : std::optional(readQuantity("1 " + text.substr(slash + 1), Unit::second));
            if (warmth && time && *time) {
                trimmed.drift = *warmth / **time;
            } else {
                reader.error("drift", nodeText(*drift), phrase("a temperature in a time, such as \"0.5 C/min\""));
            }
        }
        reader.text("note");
        reader.finish();
        plan_.board.trimmed.push_back(std::move(trimmed));
    }

    /// uart1.tx = "B6", as a dotted key or in quotes.
    void readRoutes(TableReader& outer) {
        const toml::table* table = outer.table("routes");
        if (table == nullptr) {
            return;
        }
        TableReader reader(*table, reporter_, outer.pathOf("routes"));
        for (const std::string& key : reader.keys()) {
            const toml::node* node = reader.node(key);
            const toml::table* inner = node == nullptr ? nullptr : node->as_table();
            if (inner == nullptr) {
                if (const auto pin = reader.text(key)) {
                    plan_.board.routes.emplace_back(key, *pin);
                }
                continue;
            }
            TableReader each(*inner, reporter_, reader.pathOf(key));
            for (const std::string& signal : each.keys()) {
                if (const auto pin = each.text(signal)) {
                    plan_.board.routes.emplace_back(key + "." + signal, *pin);
                }
            }
            each.finish();
        }
        std::sort(plan_.board.routes.begin(), plan_.board.routes.end());
        reader.finish();
    }

    /// A table of texts, in file order.
    void readWords(TableReader& outer, const std::string& key, std::vector<std::pair<std::string, std::string>>& words) {
        if (const toml::table* table = outer.table(key)) {
            TableReader reader(*table, reporter_, outer.pathOf(key));
            for (const std::string& word : reader.keys()) {
                if (const auto value = reader.text(word)) {
                    words.emplace_back(word, *value);
                }
            }
            reader.finish();
        }
    }

    /// One figure for both, or a list of two.
    void readCapacitors(TableReader& reader, Fitted& fitted) {
        const toml::node* node = reader.node("capacitors");
        if (node == nullptr || !node->is_array()) {
            fitted.capacitors = reader.quantity("capacitors", Unit::farad, Need::optional, Sign::notNegative);
            return;
        }
        const toml::array& both = *node->as_array();
        if (both.size() != 2) {
            reader.error("capacitors", phrase("a list of {}", std::to_string(both.size())),
                         phrase("one figure, or the two that are fitted"));
            return;
        }
        const auto place = reader.at("capacitors");
        fitted.capacitors = readNodeQuantity(*both.get(0), reporter_, place, Unit::farad, Sign::notNegative);
        fitted.otherOne = readNodeQuantity(*both.get(1), reporter_, place, Unit::farad, Sign::notNegative);
        if (fitted.otherOne == fitted.capacitors) {
            fitted.otherOne.reset();
        }
    }

    void readFitted(TableReader& outer, const std::string& source) {
        const toml::table* table = outer.table(source);
        if (table == nullptr) {
            return;
        }
        TableReader reader(*table, reporter_, outer.pathOf(source));
        Fitted fitted;
        fitted.source = source;
        fitted.rate = reader.quantity("rate", Unit::hertz, Need::required).value_or(Rational(1));
        fitted.isFedIn = reader.flag("fed_in").value_or(false);
        const toml::node* tolerance = reader.node("tolerance");
        if (tolerance != nullptr && tolerance->is_table()) {
            TableReader budget(*tolerance->as_table(), reporter_, reader.pathOf("tolerance"));
            const auto part = [&](const std::string& key, Unit unit) {
                return budget.quantity(key, unit, Need::optional, Sign::notNegative).value_or(Rational(0));
            };
            fitted.isBudget = true;
            fitted.tolerance =
                ToleranceBudget{part("initial", Unit::ratio), part("temperature", Unit::ratio), part("ageing", Unit::perYear), 0};
            fitted.tolerance->age = Rational(budget.whole("years", 0, 1000).value_or(0)) * 8766 * 3600;
            budget.finish();
        } else if (tolerance != nullptr) {
            if (const auto all =
                    readNodeQuantity(*tolerance, reporter_, reader.at("tolerance"), Unit::ratio, Sign::notNegative)) {
                fitted.tolerance = ToleranceBudget{*all, 0, 0, 0};
            }
        }
        fitted.load = reader.quantity("load", Unit::farad);
        fitted.esr = reader.quantity("esr", Unit::ohm);
        readCapacitors(reader, fitted);
        fitted.stray = reader.quantity("stray", Unit::farad, Need::optional, Sign::notNegative);
        fitted.shunt = reader.quantity("c0", Unit::farad, Need::optional, Sign::notNegative);
        fitted.motional = reader.quantity("c1", Unit::farad, Need::optional, Sign::notNegative);
        if (const toml::table* parabola = reader.table("parabola")) {
            TableReader inner(*parabola, reporter_, reader.pathOf("parabola"));
            const auto coefficient = inner.quantity("coefficient", Unit::ratio, Need::required, Sign::any);
            const auto turnover = inner.quantity("turnover", Unit::celsius, Need::optional, Sign::any);
            inner.finish();
            fitted.parabola = Parabola{coefficient.value_or(Rational(0)), turnover.value_or(Rational(25))};
        }
        reader.text("note");
        reader.finish();
        plan_.board.fitted.push_back(std::move(fitted));
    }

    void readMeasured(TableReader& outer, const std::string& source) {
        const toml::table* table = outer.table(source);
        if (table == nullptr) {
            return;
        }
        TableReader reader(*table, reporter_, outer.pathOf(source));
        Measured measured;
        measured.source = source;
        measured.rate = reader.quantity("rate", Unit::hertz, Need::required).value_or(Rational(1));
        measured.tolerance = reader.quantity("tolerance", Unit::ratio, Need::optional, Sign::notNegative);
        reader.text("note");
        reader.finish();
        plan_.board.measured.push_back(std::move(measured));
    }

    void readPromises() {
        int count = 0;
        for (const toml::table* table : root_.tables("promise")) {
            TableReader reader(*table, reporter_, "promise." + std::to_string(++count));
            const toml::node* say = reader.node("say", Need::required);
            const auto text = say == nullptr ? std::nullopt : reader.text("say");
            if (text) {
                const auto line = readPromiseLine(*text, part_);
                if (line) {
                    plan_.promises.push_back({*text, *line});
                } else {
                    reporter_.errorInText(*say, reader.at("say"), line.error());
                }
            }
            reader.text("note");
            reader.finish();
        }
    }

    void readHandover() {
        int number = 0;
        for (const toml::table* table : root_.tables("handover")) {
            TableReader reader(*table, reporter_, "handover." + std::to_string(++number));
            HandoverFile file;
            file.path = reader.text("file", Need::required).value_or("?");
            file.form = reader.text("as", Need::required).value_or("header");
            file.take = reader.text("take").value_or("");
            file.from = reader.text("from").value_or("");
            file.registers = reader.text("registers").value_or("");
            reader.text("note");
            reader.finish();
            plan_.handover.push_back(std::move(file));
        }
    }

    void readCaptures() {
        int number = 0;
        for (const toml::table* table : root_.tables("capture")) {
            TableReader reader(*table, reporter_, "capture." + std::to_string(++number));
            KeptCapture capture;
            capture.path = reader.text("file", Need::required).value_or("?");
            capture.sum = reader.text("sum").value_or("");
            if (const toml::table* tracks = reader.table("tracks")) {
                TableReader inner(*tracks, reporter_, reader.pathOf("tracks"));
                for (const std::string& promise : inner.keys()) {
                    if (const auto track = inner.text(promise)) {
                        capture.tracks.emplace_back(promise, *track);
                    }
                }
                inner.finish();
            }
            reader.text("note");
            reader.finish();
            plan_.captures.push_back(std::move(capture));
        }
    }

    void readTakes() {
        for (const toml::table* table : root_.tables("take")) {
            const std::string name = (*table)["name"].value_or(std::string("?"));
            TableReader reader(*table, reporter_, "take." + name);
            Take take;
            take.name = reader.text("name", Need::required).value_or("?");
            take.tier = reader.text("tier").value_or("");
            take.restsIn = reader.text("rests_in").value_or("");
            take.locks = reader.texts("locks");
            reader.text("note");
            if (const toml::table* choices = reader.table("choices")) {
                TableReader inner(*choices, reporter_, reader.pathOf("choices"));
                for (const std::string& id : inner.keys()) {
                    if (auto choice = readChoiceTable(inner, id)) {
                        take.choices.push_back(*std::move(choice));
                    }
                }
            }
            if (const toml::table* modes = reader.table("modes")) {
                TableReader inner(*modes, reporter_, reader.pathOf("modes"));
                readModeChoices(inner, take);
            }
            if (const toml::table* pinned = reader.table("pinned")) {
                TableReader inner(*pinned, reporter_, reader.pathOf("pinned"));
                readPinned(inner, take);
            }
            reader.finish();
            plan_.takes.push_back(std::move(take));
        }
        if (plan_.active.empty() && !plan_.takes.empty()) {
            plan_.active = plan_.takes.front().name;
        }
    }

    void readModeChoices(TableReader& reader, Take& take) {
        for (const std::string& id : reader.keys()) {
            const toml::table* table = reader.table(id);
            if (table == nullptr) {
                continue;
            }
            TableReader inner(*table, reporter_, reader.pathOf(id));
            for (const std::string& option : inner.keys()) {
                const std::string value = inner.text(option).value_or("");
                take.modes.push_back({id, option, value});
            }
            inner.finish();
        }
        reader.finish();
    }

    void readPinned(TableReader& pinned, Take& take) {
        const std::vector<std::string> known = settingNames();
        for (const std::string& promise : pinned.keys()) {
            const toml::table* table = pinned.table(promise);
            if (table == nullptr) {
                continue;
            }
            TableReader reader(*table, reporter_, pinned.pathOf(promise));
            PinnedWay way{promise, {}};
            for (const std::string& name : known) {
                const toml::node* node = reader.node(name);
                if (node == nullptr) {
                    continue;
                }
                const auto whole = node->value_exact<std::int64_t>(); // a calibration can be below 0, a compare 0
                if (const auto value = whole ? std::optional(Rational(*whole)) : reader.factor(name)) {
                    way.settings.emplace_back(name, *value);
                }
            }
            reader.finish();
            take.pinned.push_back(std::move(way));
        }
    }

    /// How often it comes: one of every, about and after.
    void readPace(TableReader& reader, Job& job) {
        const int count = int(reader.has("every")) + int(reader.has("about")) + int(reader.has("after"));
        if (count != 1) {
            reporter_.error(reader.place(),
                            count == 0 ? phrase("no 'every', 'about' or 'after'")
                                       : phrase("more than one of 'every', 'about' and 'after'"),
                            phrase("one of them: a period, a mean interval, or the job that it follows"));
        }
        const auto every = reader.quantity("every", Unit::second);
        const auto about = reader.quantity("about", Unit::second);
        job.after = reader.text("after").value_or("");
        job.isRandom = about.has_value();
        job.every = job.after.empty() ? every.value_or(about.value_or(Rational(1))) : Rational(0);
        job.jitter = reader.quantity("jitter", Unit::second, Need::optional, Sign::notNegative).value_or(Rational(0));
    }

    void readJobs() {
        for (const toml::table* table : root_.tables("job")) {
            const std::string name = (*table)["name"].value_or(std::string("?"));
            TableReader reader(*table, reporter_, "job." + name);
            Job job;
            job.name = reader.text("name", Need::required).value_or("?");
            readPace(reader, job);
            job.phase = reader.quantity("phase", Unit::second, Need::optional, Sign::notNegative).value_or(Rational(0));
            const auto saidOrOne = [&](const char* key, const std::optional<Rational>& value) { // a faulty one is there too
                return reader.has(key) ? std::optional(value.value_or(Rational(1))) : std::nullopt;
            };
            job.lasts = saidOrOne("lasts", reader.quantity("lasts", Unit::second));
            job.cycles = saidOrOne("cycles", reader.factor("cycles"));
            job.by = reader.text("by").value_or("");
            job.doneWithin = saidOrOne("done_within", reader.quantity("done_within", Unit::second));
            job.take = reader.text("take").value_or("");
            job.draws = reader.quantity("draws", Unit::ampere, Need::optional, Sign::notNegative).value_or(Rational(0));
            job.brings = reader.quantity("brings", Unit::ampere, Need::optional, Sign::notNegative).value_or(Rational(0));
            job.mode = reader.text("mode").value_or("");
            job.uses = reader.texts("uses");
            reader.text("note");
            reader.finish();
            plan_.jobs.push_back(std::move(job));
        }
    }

    /// What names what, and whether it is there, is the same question for a plan that is being edited.
    void checkWhole() {
        for (Diagnostic& fault : checkPlan(plan_, part_)) {
            reporter_.error(reporter_.placeAt(fault.place.path), std::move(fault.found), std::move(fault.expected),
                            std::move(fault.mend));
        }
    }

    TableReader root_;
    Reporter& reporter_;
    const Part* part_;
    Plan plan_;
};

} // namespace

PlanFile readPlan(std::string_view text, const std::string& file, const Part* part) {
    Reporter reporter(file, KeyPlaces::kept);
    PlanFile result;
    if (const auto root = parseToml(text, reporter)) {
        Plan plan = PlanReader(*root, reporter, part).read();
        if (!hasErrors(reporter.diagnostics())) {
            result.plan = std::move(plan);
        }
    }
    result.diagnostics = reporter.diagnostics();
    std::stable_sort(result.diagnostics.begin(), result.diagnostics.end(), [](const Diagnostic& a, const Diagnostic& b) {
        return std::pair(a.place.line, a.place.column) < std::pair(b.place.line, b.place.column);
    });
    result.places = reporter.places();
    return result;
}

PlanPart readPlanPart(std::string_view text, const std::string& file) {
    Reporter reporter(file);
    PlanPart result;
    if (const auto root = parseToml(text, reporter)) {
        TableReader reader(*root, reporter, "");
        if (checkFormat(reader, "wisetick-plan")) {
            result.part = reader.text("part", Need::required);
            result.place = reader.place("part");
            result.name = (*root)["name"].value_or(std::string());
        }
    }
    result.diagnostics = reporter.diagnostics();
    return result;
}

} // namespace wisetick
