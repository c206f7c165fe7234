#include "promise/adc.h"

#include "base/text.h"
#include "kinds/kind_pieces.h"
#include "quantity/quantity_read.h"

namespace wisetick {

namespace {

void takesClauses(ClauseList& list, TakesAsk& ask, const std::string&) {
    list.quantity("once in at most", Unit::second, "once in at most 20 us", ask.onceIn);
    list.needed("", Unit::samples, "50 k samples/s", ask.samplesPerSecond);
    list.group("pace");
    list.quantity("at", Unit::bit, "at 12 bit", ask.bits);
    list.quantity("from", Unit::ohm, "from 10 kohm", ask.ohm).mayBeZero = true;
    list.quantity("over", Unit::channel, "over 4 channels", ask.channels);
    list.quantity("oversampled", Unit::count, "oversampled 16 times", ask.oversampled).closes = "times";
    const bool isChecked = list.part() != nullptr;
    const std::vector<std::string> timers = isChecked ? peripheralsOfKind(*list.part(), "timer") : std::vector<std::string>();
    list.word("triggered by", "triggered by timer2",
              [&ask, timers, isChecked](const Word& word) -> std::optional<TextError> {
                  ask.trigger = word.text;
                  return isChecked ? checkKnown("timer", word, timers) : std::nullopt;
              })
        .known = timers;
}

std::string printTakes(const TakesAsk& ask) {
    return (ask.onceIn ? said("takes once in at most ", ask.onceIn, Unit::second)
                       : "takes " + printReadable(ask.samplesPerSecond, Unit::samples)) +
           said(" at ", ask.bits, Unit::bit) + said(" from ", ask.ohm, Unit::ohm) +
           (ask.channels == Rational(1) ? " over 1 channel" : said(" over ", ask.channels, Unit::channel)) +
           said(", oversampled ", ask.oversampled, Unit::count, " times") +
           (ask.trigger.empty() ? "" : ", triggered by " + ask.trigger);
}

/// The cycles of a conversion by its bits, most bits first.
std::vector<std::pair<std::int64_t, Rational>> readConversion(PartContext& context, TableReader& reader) {
    std::vector<std::pair<std::int64_t, Rational>> conversion;
    const toml::table* table = reader.table("conversion", Need::required);
    if (table == nullptr) {
        return conversion;
    }
    TableReader cycles(*table, context.reporter, reader.pathOf("conversion"));
    for (const std::string& key : cycles.keys()) {
        const auto bits = readFactor(key);
        const auto count = cycles.factor(key);
        if (!bits || !bits->isWhole() || *bits < 1 || *bits > 32) {
            cycles.error(key, phrase("'{}' bits", key), phrase("a whole number from 1 to 32"));
        } else if (count) {
            conversion.emplace_back(*bits->toInt64(), *count);
        }
    }
    std::sort(conversion.begin(), conversion.end(), [](const auto& a, const auto& b) { return a.first > b.first; });
    return conversion;
}

std::vector<std::string> readAdc(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    AdcKind adc;
    adc.divide = reader.has("divide") ? readWholeSet(reader, "divide") : FactorSet::one(1);
    adc.limits = readLimits(context, reader);
    adc.sample = readFactorSet(reader, "sample", Need::required);
    adc.channels = reader.whole("channels", 1, 4096).value_or(1);
    adc.oversample = readWholeSet(reader, "oversample");
    adc.start = reader.quantity("start", Unit::second);
    adc.conversion = readConversion(context, reader);
    if (const toml::table* input = reader.table("input")) {
        TableReader inner(*input, context.reporter, reader.pathOf("input"));
        adc.resistance = inner.quantity("resistance", Unit::ohm);
        adc.capacitance = inner.quantity("capacitance", Unit::farad);
        inner.finish();
    }
    peripheral.kind = std::move(adc);
    return {"divide", "sample", "bits", "oversample", "single"};
}

void adcWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& adc = kind.get<AdcKind>();
    width("divide", adc.divide);
    width("sample", adc.sample);
}

AdcClockSpan clockSpan(const PromiseContext& context, const AdcKind& adc) {
    const LimitSpan span = limitSpan(context.part, context.plan.board, adc.limits, context.controls, context.lines);
    return {span.min, span.max, context.part.slack};
}

const std::vector<Meeting>& adcMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<TakesAsk, AdcKind,
                   [](const auto& met, PromiseFigure figure) {
                       return judgeAdc(std::move(figure), met.kind(), met.ask(), met.clock(),
                                       clockSpan(met.context(), met.kind()), met.pinned(), met.detail());
                   },
                   [](const auto& met, std::size_t) {
                       return adcWays(met.kind(), met.ask(), met.clock(), clockSpan(met.context(), met.kind()), met.pinned());
                   },
                   [](const auto& met) { return adcRates(met.kind(), met.ask(), clockSpan(met.context(), met.kind())); },
                   [](const TakesAsk& ask, const Take&) { return !ask.trigger.empty(); }, kToleranceAsAsked>()};
    return rows;
}

} // namespace

const AskRow& TakesAsk::row() {
    static const AskRow row = askRow<TakesAsk, takesClauses, printTakes>({"takes"}, AskedOf::peripheral);
    return row;
}

const KindRow& AdcKind::row() {
    static const KindRow row{.name = "adc",
                             .schema = R"({
        "divide": {"$ref": "#/$defs/factors"},
        "limit": {"anyOf": [{"$ref": "#/$defs/limit"}, {"type": "array", "items": {"$ref": "#/$defs/limit"}}]},
        "sample": {"$ref": "#/$defs/factors"},
        "channels": {"type": "integer", "minimum": 1},
        "oversample": {"$ref": "#/$defs/factors"},
        "start": {"type": "string"},
        "conversion": {"type": "object", "additionalProperties": {"$ref": "#/$defs/factor"}},
        "input": {"type": "object", "properties": {"resistance": {"type": "string"}, "capacitance": {"type": "string"}},
            "additionalProperties": false}
    })",
                             .settings = {"divide", "sample", "bits", "oversample", "single"},
                             .alsoCounted = {},
                             .movesData = true,
                             .read = readAdc,
                             .widths = adcWidths,
                             .limits = [](const PeripheralKind& kind) { return kind.get<AdcKind>().limits; },
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter = noWakeCounter,
                             .meetings = adcMeetings};
    return row;
}

} // namespace wisetick
