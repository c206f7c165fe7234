#include "files/part_sources.h"

#include "base/text.h"
#include "files/part_draws.h"

#include "base/nearest_name.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Reads where clocks begin, and the tiers that they are limited by.
class SourceReader {
public:
    explicit SourceReader(PartContext& context) : context_(context) {}

    void readTier(TableReader& reader, Tier& tier) {
        tier.supplyMin = reader.quantity("supply_min", Unit::volt);
        tier.supplyMax = reader.quantity("supply_max", Unit::volt);
        tier.field = readOneField(context_, reader, "field", FieldUse::shared);
        tier.code = context_.book.readCode(reader, "code", tier.field, std::int64_t{1} << 48).value_or(0);
        tier.ref = reader.text("ref").value_or("");
        tier.ready = readOneField(context_, reader, "ready", FieldUse::shared);
        tier.startup = readDuration(reader, "startup");
    }

    void readSource(TableReader& reader, Source& source) {
        source.name = reader.text("name").value_or(source.id);
        source.ref = reader.text("ref").value_or("");
        const std::vector<std::string> kinds{"crystal", "rc", "clock-in"};
        const std::string kind = reader.text("kind", Need::required).value_or("rc");
        const auto found = std::find(kinds.begin(), kinds.end(), kind);
        if (found == kinds.end()) {
            reader.error("kind", phrase("no kind of source '{}'", kind), listNames(kinds), didYouMean(kind, kinds));
        } else {
            source.kind = static_cast<SourceKind>(found - kinds.begin());
        }
        if (found == kinds.end()) { // what the kind would need can't be told
            reader.know("rate");
            reader.know("rates");
            reader.know("rate_field");
            reader.know("codes");
            reader.know("reset");
            reader.know("range");
        } else if (source.kind == SourceKind::rc) {
            readRates(reader, source);
        } else {
            readRange(reader, source);
        }
        readTolerance(reader, source);
        source.startup = readDuration(reader, "startup");
        source.draws = readDraw(context_, reader, "draws");
        source.pins = reader.texts("pins");
        source.gm = reader.quantity("gm", Unit::siemens);
        source.field = readOneField(context_, reader, "field", FieldUse::own);
        source.ready = readOneField(context_, reader, "ready", FieldUse::own);
        readFailure(reader, source);
        readTrim(reader, source);
        readDrives(reader, source);
        readFedIn(reader, source);
    }

private:
    /// { line, from }: a mux is put on another input; { source, field }: all that it feeds is put on another source.
    void readFailure(TableReader& reader, Source& source) {
        const toml::table* table = reader.table("fails_to");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, context_.reporter, reader.pathOf("fails_to"));
        source.failsField = readOneField(context_, inner, "field", FieldUse::own);
        if (const auto other = inner.text("source")) {
            source.failsToSource = *other;
        } else {
            source.failsTo = {inner.text("line", Need::required).value_or(""), inner.text("from", Need::required).value_or("")};
        }
        inner.finish();
    }

    void readTrim(TableReader& reader, Source& source) {
        const toml::table* table = reader.table("trim");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, context_.reporter, reader.pathOf("trim"));
        Trim trim;
        trim.field = readOneField(context_, inner, "field", FieldUse::own);
        trim.from = inner.whole("from", -(1LL << 32), 1LL << 32, Need::required).value_or(0);
        trim.to = inner.whole("to", -(1LL << 32), 1LL << 32, Need::required).value_or(0);
        trim.reset = inner.whole("reset", trim.from, std::max(trim.from, trim.to), Need::required).value_or(0);
        trim.step = inner.quantity("step", Unit::ratio, Need::required).value_or(Rational(0));
        trim.left = inner.quantity("left", Unit::ratio, Need::required, Sign::notNegative).value_or(Rational(0));
        trim.perCelsius = inner.quantity("per_celsius", Unit::ratio, Need::optional, Sign::notNegative);
        inner.finish();
        if (trim.to < trim.from) {
            inner.error("to", phrase("an empty range"), phrase("'to' not below 'from'"));
        }
        if (source.kind != SourceKind::rc) {
            reader.error("trim", phrase("a trim of what is no rc"), phrase("kind = \"rc\""));
        }
        source.trim = trim;
    }

    void readDrives(TableReader& reader, Source& source) {
        const toml::table* table = reader.table("drive");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, context_.reporter, reader.pathOf("drive"));
        source.driveField = readOneField(context_, inner, "field", FieldUse::own);
        for (const toml::table* each : inner.tables("levels")) {
            TableReader level(*each, context_.reporter, inner.pathOf("levels"));
            Drive drive;
            drive.id = level.id("id").value_or("?");
            drive.code = context_.book.readCode(level, "code", source.driveField, 1LL << 32)
                             .value_or(static_cast<std::int64_t>(source.drives.size()));
            drive.gm = level.quantity("gm", Unit::siemens);
            drive.draws = readDraw(context_, level, "draws");
            level.finish();
            source.drives.push_back(std::move(drive));
        }
        const auto reset = inner.text("reset");
        inner.finish();
        const std::vector<std::string> known = idsOf(source.drives);
        const auto found = reset ? std::find(known.begin(), known.end(), *reset) : known.begin();
        if (source.drives.size() < 2) {
            inner.error("levels", phrase("a drive without a choice"), phrase("two levels or more"));
        } else if (found == known.end()) {
            inner.error("reset", phrase("no level '{}'", *reset), listNames(known), didYouMean(*reset, known));
        } else {
            source.resetDrive = static_cast<std::size_t>(found - known.begin());
        }
    }

    void readFedIn(TableReader& reader, Source& source) {
        const toml::table* table = reader.table("fed_in");
        if (table == nullptr) {
            return;
        }
        TableReader inner(*table, context_.reporter, reader.pathOf("fed_in"));
        FedIn fedIn;
        fedIn.field = readOneField(context_, inner, "field", FieldUse::own);
        fedIn.max = inner.quantity("max", Unit::hertz);
        fedIn.pins = inner.texts("pins");
        inner.finish();
        source.fedIn = std::move(fedIn);
    }

    /// One rate, or several with the field that chooses among them.
    void readRates(TableReader& reader, Source& source) {
        const toml::node* several = reader.node("rates");
        const toml::array* array = several == nullptr ? nullptr : several->as_array();
        if (several == nullptr) {
            if (const auto rate = reader.quantity("rate", Unit::hertz, Need::required)) {
                source.rates.push_back(*rate);
            }
            for (const char* key : {"rate_field", "codes", "reset"}) {
                reader.know(key);
                if (reader.has(key)) {
                    reader.error(key, phrase("'{}' without 'rates'", std::string(key)), phrase("a list of rates to choose from"));
                }
            }
            return;
        }
        if (reader.has("rate")) {
            reader.quantity("rate", Unit::hertz);
            reader.error("rate", phrase("both 'rate' and 'rates'"), phrase("one of them"));
        }
        if (array == nullptr || array->size() < 2) {
            reader.error("rates", nodeText(*several), phrase("two rates or more, such as [\"5 MHz\", \"10 MHz\"]"));
            return;
        }
        for (const toml::node& each : *array) {
            if (const auto rate = readNodeQuantity(each, context_.reporter, reader.at("rates"), Unit::hertz)) {
                if (!source.rates.empty() && *rate <= source.rates.back()) {
                    reader.error("rates", phrase("rates that do not rise"), phrase("each rate above the one before"));
                }
                source.rates.push_back(*rate);
            }
        }
        source.rateField = readOneField(context_, reader, "rate_field", FieldUse::own);
        const toml::node* codes = reader.node("codes");
        const toml::array* list = codes == nullptr ? nullptr : codes->as_array();
        for (std::size_t i = 0; i < source.rates.size(); ++i) {
            const auto code = list != nullptr && i < list->size() ? list->get(i)->value_exact<std::int64_t>() : std::nullopt;
            source.codes.push_back(code.value_or(static_cast<std::int64_t>(i)));
        }
        if (codes != nullptr && (list == nullptr || list->size() != source.rates.size())) {
            reader.error("codes", nodeText(*codes), phrase("one whole number for each of the rates"));
        }
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, context_.reporter, reader.pathOf("reset"));
            const auto rate = inner.quantity("rate", Unit::hertz, Need::required);
            const auto found = std::find(source.rates.begin(), source.rates.end(), rate.value_or(Rational(0)));
            if (rate && found == source.rates.end()) {
                inner.error("rate", phrase("{}, which is none of the rates", printQuantity(*rate, Unit::hertz)),
                            phrase("one of 'rates'"));
            } else if (rate) {
                source.resetRate = static_cast<std::size_t>(found - source.rates.begin());
            }
            inner.finish();
        }
    }

    void readRange(TableReader& reader, Source& source) {
        const toml::node* node = reader.node("range", source.kind == SourceKind::crystal ? Need::required : Need::optional);
        const toml::array* pair = node == nullptr ? nullptr : node->as_array();
        if (node == nullptr) {
            return;
        }
        if (pair == nullptr || pair->size() != 2) {
            reader.error("range", nodeText(*node), phrase("two rates such as [\"6 MHz\", \"30 MHz\"]"));
            return;
        }
        source.rangeMin = readNodeQuantity(*pair->get(0), context_.reporter, reader.at("range"), Unit::hertz);
        source.rangeMax = readNodeQuantity(*pair->get(1), context_.reporter, reader.at("range"), Unit::hertz);
        checkOrder(reader, "range", source.rangeMin, source.rangeMax);
    }

    void readTolerance(TableReader& reader, Source& source) {
        const toml::node* node = reader.node("tolerance");
        if (node == nullptr) {
            return;
        }
        if (node->is_string()) {
            if (const auto both =
                    readNodeQuantity(*node, context_.reporter, reader.at("tolerance"), Unit::ratio, Sign::notNegative)) {
                source.tolerance.push_back({std::nullopt, std::nullopt, -*both, *both});
            }
            return;
        }
        for (const toml::table* table : reader.tables("tolerance")) {
            TableReader inner(*table, context_.reporter, reader.pathOf("tolerance"));
            ToleranceStep step;
            if (const auto temp = readPair(inner, "temp", Unit::celsius, Need::optional)) {
                step.fromCelsius = temp->first;
                step.toCelsius = temp->second;
            }
            step.with = inner.text("with").value_or("");
            step.field = readOneField(context_, inner, "field", FieldUse::shared);
            if (!step.with.empty() && !context_.part.findNode(step.with) && !context_.part.findPeripheral(step.with)) {
                inner.error("with", phrase("no line or peripheral '{}'", step.with), phrase("what must be on for it"));
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
            reader.error(key, nodeText(*node), phrase("a pair of {}s", unitNoun(unit)));
            return std::nullopt;
        }
        const auto low = readNodeQuantity(*pair->get(0), context_.reporter, reader.at(key), unit, Sign::any);
        const auto high = readNodeQuantity(*pair->get(1), context_.reporter, reader.at(key), unit, Sign::any);
        checkOrder(reader, key, low, high);
        return low && high ? std::optional(std::pair(*low, *high)) : std::nullopt;
    }

    std::optional<std::pair<Rational, Rational>> readDeviation(TableReader& reader) {
        const toml::node* node = reader.node("by", Need::required);
        if (node != nullptr && node->is_string()) {
            const auto both = readNodeQuantity(*node, context_.reporter, reader.at("by"), Unit::ratio, Sign::notNegative);
            return both ? std::optional(std::pair(-*both, *both)) : std::nullopt;
        }
        const auto by = node == nullptr ? std::nullopt : readPair(reader, "by", Unit::ratio, Need::required);
        if (by && (by->first.sign() > 0 || by->second.sign() < 0 || by->first <= -1)) {
            reader.error("by", phrase("deviations that do not enclose 0"), phrase("a pair such as [\"-20 %\", \"25 %\"]"));
            return std::nullopt;
        }
        return by;
    }

    PartContext& context_;
};

} // namespace

void readTier(PartContext& context, TableReader& reader, Tier& tier) {
    SourceReader(context).readTier(reader, tier);
}

void readSource(PartContext& context, TableReader& reader, Source& source) {
    SourceReader(context).readSource(reader, source);
}

} // namespace wisetick
