#include "files/part_expects.h"

#include "base/nearest_name.h"
#include "files/choice_table.h"
#include "plan/promise_line.h"
#include "plan/setting_names.h"

#include <algorithm>

namespace wisetick {

namespace {

class ExpectReader {
public:
    ExpectReader(const PartContext& context, const toml::table& table, std::size_t number)
        : context_(context), reader_(table, context.reporter, "expect." + std::to_string(number)) {}

    std::optional<Expect> read() {
        const std::size_t before = context_.reporter.diagnostics().size();
        expect_.path = reader_.path();
        expect_.say = reader_.text("say", Need::required).value_or("");
        expect_.ref = reader_.text("ref").value_or("");
        readBoard();
        readTake();
        const bool hasRates = eachOf("rates", [&](TableReader& inner, const std::string& id) {
            const auto figure = figureIn(inner, id, Unit::hertz);
            if (resolveNode(context_, inner, id, id) && figure) {
                expect_.rates.emplace_back(id, *figure);
            }
        });
        const bool hasFields = eachOf("fields", [&](TableReader& inner, const std::string& name) {
            const auto held = inner.whole(name, 0, INT64_MAX);
            const auto field = fieldIn(inner, name);
            if (held && field) {
                expect_.fields.emplace_back(*field, *held);
            }
        });
        const bool hasWaits = eachOf("waits", [&](TableReader& inner, const std::string& id) {
            const auto waits = inner.whole(id, 0, INT64_MAX);
            if (resolveNode(context_, inner, id, id) && waits) {
                expect_.waits.emplace_back(id, *waits);
            }
        });
        const bool hasDraws = readModes("draws", Unit::ampere, expect_.draws);
        const bool hasWakes = readModes("wakes", Unit::second, expect_.wakes);
        const auto promises = reader_.tables("promises");
        for (const toml::table* each : promises) {
            readPromise(*each);
        }
        reader_.finish();
        if (!hasRates && !hasFields && !hasWaits && !hasDraws && !hasWakes && promises.empty()) {
            context_.reporter.error(reader_.place(), phrase("an example of which nothing follows"),
                                    phrase("'rates', 'fields', 'waits', 'draws', 'wakes' or 'promises'"));
        }
        return context_.reporter.diagnostics().size() == before ? std::optional(std::move(expect_)) : std::nullopt;
    }

private:
    /// Goes through the keys of a table; false where there is none.
    template <class Read>
    bool eachOf(const char* key, Read read) {
        const toml::table* table = reader_.table(key);
        if (table == nullptr) {
            return false;
        }
        TableReader inner(*table, context_.reporter, reader_.pathOf(key));
        for (const std::string& name : inner.keys()) {
            read(inner, name);
        }
        inner.finish();
        return true;
    }

    static std::optional<PrintedFigure> figureIn(TableReader& reader, const std::string& key, Unit unit) {
        const auto text = reader.text(key);
        if (!text) {
            return std::nullopt;
        }
        auto figure = readPrintedFigure(*text, unit);
        if (!figure) {
            reader.reporter().errorInText(*reader.node(key), reader.at(key), figure.error());
            return std::nullopt;
        }
        return *std::move(figure);
    }

    static std::optional<Field> fieldIn(TableReader& reader, const std::string& name) {
        const auto field = readField(name);
        if (!field) {
            reader.error(name, "'" + name + "'", phrase("a field such as \"CLK.DIV[3:0]\""));
        }
        return field;
    }

    void readBoard() {
        Board& board = expect_.board;
        if (const auto supply = reader_.quantity("supply", Unit::volt)) {
            board.supply = Bounds::exactly(*supply);
        } else if (context_.part.supplyMin && context_.part.supplyMax) {
            board.supply = Bounds::exactly(*context_.part.supplyMax);
        }
        board.temperature =
            Bounds::exactly(reader_.quantity("temperature", Unit::celsius, Need::optional, Sign::any).value_or(Rational(25)));
        eachOf("fitted", [&](TableReader& inner, const std::string& id) {
            const auto rate = inner.quantity(id, Unit::hertz);
            const auto node = resolveNode(context_, inner, id, id);
            if (node && !context_.part.isSource(*node)) {
                inner.error(id, phrase("'{}', a line", id), phrase("a crystal or a clock input"));
            } else if (node && rate) {
                Fitted fitted;
                fitted.source = id;
                fitted.rate = *rate;
                fitted.tolerance = ToleranceBudget{0, 0, 0, 0};
                board.fitted.push_back(std::move(fitted));
            }
        });
    }

    void readTake() {
        Take& take = expect_.take;
        take.name = "expected";
        if (const auto tier = resolveTier(context_, reader_)) {
            take.tier = context_.part.tiers[*tier].id;
        }
        take.restsIn = reader_.text("rests_in").value_or("");
        eachOf("choices", [&](TableReader& inner, const std::string& id) {
            const bool isThere = context_.part.findPeripheral(id).has_value() || resolveNode(context_, inner, id, id);
            const auto choice = readChoiceTable(inner, id);
            if (isThere && choice) {
                take.choices.push_back(*choice);
            }
        });
    }

    bool readModes(const char* key, Unit unit, std::vector<Expect::OfMode>& list) {
        return eachOf(key, [&](TableReader& inner, const std::string& id) {
            if (!context_.part.findMode(id)) {
                std::vector<std::string> known;
                for (const Mode& mode : context_.part.modes) {
                    known.push_back(mode.id);
                }
                inner.error(id, "'" + id + "'", phrase("a mode: {}", listNames(known)), didYouMean(id, known));
                return;
            }
            Expect::OfMode mode{id, {}, {}};
            if (inner.raw()[id].is_table()) {
                TableReader both(*inner.table(id), context_.reporter, inner.pathOf(id));
                mode.typ = figureIn(both, "typ", unit);
                mode.max = figureIn(both, "max", unit);
                both.finish();
            } else {
                mode.typ = figureIn(inner, id, unit);
            }
            list.push_back(std::move(mode));
        });
    }

    void readPromise(const toml::table& table) {
        TableReader reader(table, context_.reporter, reader_.pathOf("promises"));
        Expect::Kept kept;
        kept.line = reader.text("say", Need::required).value_or("");
        if (!kept.line.empty()) {
            const auto promise = readPromiseLine(kept.line, &context_.part);
            if (!promise) {
                context_.reporter.errorInText(*reader.node("say"), reader.at("say"), promise.error());
            } else {
                kept.promise = *promise;
            }
        }
        kept.got = reader.text("got").value_or("");
        kept.error = figureIn(reader, "error", Unit::ratio);
        if (const toml::table* settings = reader.table("settings")) {
            TableReader inner(*settings, context_.reporter, reader.pathOf("settings"));
            const std::vector<std::string> known = settingNames();
            for (const std::string& name : inner.keys()) {
                const auto value = inner.factor(name);
                if (std::find(known.begin(), known.end(), name) == known.end()) {
                    inner.error(name, "'" + name + "'", phrase("a setting: {}", listNames(known)), didYouMean(name, known));
                } else if (value) {
                    kept.settings.emplace_back(name, *value);
                }
            }
            inner.finish();
        }
        reader.finish();
        expect_.promises.push_back(std::move(kept));
    }

    const PartContext& context_;
    TableReader reader_;
    Expect expect_;
};

} // namespace

std::optional<Expect> readExpect(const PartContext& context, const toml::table& table, std::size_t number) {
    return ExpectReader(context, table, number).read();
}

} // namespace wisetick
