#include "files/part_clocks.h"

#include "base/text.h"
#include "files/part_draws.h"
#include "files/part_limits.h"
#include "files/part_pins.h"

#include "base/nearest_name.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <tuple>

namespace wisetick {

namespace {

/// Reads the clock tables of a part.
class ClockReader {
public:
    explicit ClockReader(PartContext& context) : context_(context) {}

    void readLine(TableReader& reader, Line& line) {
        line.name = reader.text("name").value_or(line.id);
        line.ref = reader.text("ref").value_or("");
        line.from = readInputs(context_, reader, "from");
        line.divide = readFactorSet(reader, "divide");
        line.multiply = readFactorSet(reader, "multiply");
        line.factor = reader.factor("factor").value_or(Rational(1));
        readFollows(reader, line);
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, context_.reporter, reader.pathOf("reset"));
            line.resetFrom = readResetFrom(context_, inner, line.from);
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
        readFields(reader, controls, namesOf(context_, line.from), line.fields, line.holds, context_.book);
        checkCodes(reader, "from", namesOf(context_, line.from), line.holds);
        checkCodes(reader, "divide", line.divide, line.holds);
        checkCodes(reader, "multiply", line.multiply, line.holds);
        line.limits = readLimits(context_, reader);
        for (Limit& limit : line.limits) {
            limit.ref = limit.ref.empty() ? line.ref : limit.ref;
        }
        readChange(reader, line);
        line.rippleOver = reader.quantity("ripple_over", Unit::second);
        if (const auto ripple = reader.quantity("ripple", Unit::ratio, Need::optional, Sign::notNegative)) {
            line.ripple = *ripple;
            if (*ripple >= 1) {
                reader.error("ripple", phrase("a ripple of 100 % or more"), "less");
            }
        }
        readPins(context_, reader, line.pins, line.signalPins);
        line.startup = readDuration(reader, "startup");
        line.draws = readDraw(context_, reader, "draws");
    }

    /// Parents before children; a loop is reported with its whole path.
    void sortLines(const std::vector<const toml::table*>& tables) {
        enum class Mark { white, grey, black };
        std::vector<Mark> marks(context_.part.lines.size(), Mark::white);
        for (std::size_t root = 0; root < context_.part.lines.size(); ++root) {
            // depth first without recursion: the files of others may be thousands of lines deep
            std::vector<std::pair<std::size_t, std::size_t>> path;
            if (marks[root] == Mark::white) {
                path.emplace_back(root, 0);
                marks[root] = Mark::grey;
            }
            while (!path.empty()) {
                auto& [line, next] = path.back();
                if (next == context_.part.lines[line].from.size()) {
                    marks[line] = Mark::black;
                    context_.part.order.push_back(line);
                    path.pop_back();
                    continue;
                }
                const NodeIndex parent = context_.part.lines[line].from[next++];
                if (context_.part.isSource(parent)) {
                    continue;
                }
                const std::size_t parentLine = parent - context_.part.sources.size();
                if (marks[parentLine] == Mark::grey) {
                    reportLoop(path, parentLine, *tables[parentLine]);
                    return;
                }
                if (marks[parentLine] == Mark::white) {
                    marks[parentLine] = Mark::grey;
                    path.emplace_back(parentLine, 0);
                }
            }
        }
    }

private:
    static Rational readResetFactor(TableReader& reset, const std::string& key, const FactorSet& set) {
        if (set.empty()) {
            if (reset.has(key)) {
                reset.factor(key);
                reset.error(key, phrase("a reset value for '{}'", key), phrase("a line that has this control"));
            }
            return 1;
        }
        const Rational value = reset.factor(key).value_or(set.least());
        if (!set.contains(value)) {
            Text near;
            for (const Rational& each : set.nearest(value)) {
                near += (near.empty() ? "" : phrase(" or ")) + printFactor(each);
            }
            reset.error(key, phrase("{} = {}, which the control cannot be set to", key, printFactor(value)), near);
        }
        return value;
    }

    /// What a change of the line's settings has to heed.
    void readChange(TableReader& reader, Line& line) {
        line.ready = readOneField(context_, reader, "ready", FieldUse::own);
        line.shows = readOneField(context_, reader, "shows", FieldUse::own);
        if (line.shows && line.from.size() < 2) {
            reader.error("shows", phrase("a field that shows the input of a line without a mux"), phrase("no 'shows'"));
        }
        if (const toml::table* table = reader.table("through")) {
            TableReader inner(*table, context_.reporter, reader.pathOf("through"));
            const auto above = inner.quantity("above", Unit::hertz, Need::required);
            const auto divide = inner.factor("divide", Need::required);
            const auto lasts = inner.quantity("for", Unit::second, Need::required);
            inner.finish();
            if (divide && !line.divide.contains(*divide)) {
                inner.error("divide", phrase("a divider of {}, which the line can't be set to", printFactor(*divide)),
                            phrase("one of its settings"));
            } else if (above && divide && lasts) {
                line.through = Line::Through{*above, *divide, *lasts};
            }
        }
        if (const toml::node* node = reader.node("written_while")) {
            const toml::table* table = node->as_table();
            if (node->value_or(std::string()) == "off") {
                line.writtenWhileOff = context_.part.findNode(line.id);
            } else if (table != nullptr) {
                TableReader inner(*table, context_.reporter, reader.pathOf("written_while"));
                const auto off = inner.text("off", Need::required);
                line.writtenWhileOff = off ? resolveNode(context_, inner, "off", *off) : std::nullopt;
                inner.finish();
            } else {
                reader.error("written_while", nodeText(*node),
                             phrase("\"off\", or {{ off = \"ID\" }} where it hangs on another line"));
            }
        }
    }

    void readFollows(TableReader& reader, Line& line) {
        const toml::table* table = reader.table("follows");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, context_.reporter, reader.pathOf("follows"));
        Follows follows;
        std::tie(follows.line, follows.control) = readControl(context_, inner);
        follows.otherwise = inner.factor("otherwise").value_or(Rational(1));
        if (const toml::table* when = inner.table("when", Need::required)) {
            TableReader cases(*when, context_.reporter, inner.pathOf("when"));
            for (const std::string& key : cases.keys()) {
                const auto value = readFactor(key);
                const auto factor = cases.factor(key);
                if (!value) {
                    cases.error(key, "'" + key + "'", phrase("a value of the control, such as 6"));
                } else if (factor) {
                    follows.when.emplace_back(*value, *factor);
                }
            }
        }
        inner.finish();
        line.follows = follows;
    }

    void reportLoop(const std::vector<std::pair<std::size_t, std::size_t>>& path, std::size_t start, const toml::table& table) {
        std::string text = context_.part.lines[start].id;
        bool isInside = false;
        std::string between;
        for (const auto& [line, next] : path) {
            if (isInside) {
                between = " \u2192 " + context_.part.lines[line].id + between;
            }
            isInside = isInside || line == start;
        }
        text += between + " \u2192 " + context_.part.lines[start].id;
        const TableReader reader(table, context_.reporter, "line." + context_.part.lines[start].id);
        context_.reporter.error(reader.place("from"), phrase("a loop between lines: {}", text),
                                phrase("lines that end at a source"));
    }

    PartContext& context_;
};

} // namespace

void readLine(PartContext& context, TableReader& reader, Line& line) {
    ClockReader(context).readLine(reader, line);
}

void sortLines(PartContext& context, const std::vector<const toml::table*>& tables) {
    ClockReader(context).sortLines(tables);
}

} // namespace wisetick
