#include "files/part_peripherals.h"

#include "base/nearest_name.h"
#include "files/part_limits.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

/// Reads one peripheral by its kind.
class PeripheralReader {
public:
    explicit PeripheralReader(PartContext& context) : context_(context) {}

    void readPeripheral(TableReader& reader, Peripheral& peripheral) {
        peripheral.name = reader.text("name").value_or(peripheral.id);
        peripheral.ref = reader.text("ref").value_or("");
        peripheral.clock = readInputs(context_, reader, "clock");
        if (const toml::table* reset = reader.table("reset")) {
            TableReader inner(*reset, context_.reporter, reader.pathOf("reset"));
            peripheral.resetFrom = readResetFrom(context_, inner, peripheral.clock);
            inner.finish();
        }
        std::vector<std::string> controls = readKind(reader, peripheral);
        if (peripheral.clock.size() > 1) {
            controls.emplace_back("from");
        }
        readFields(reader, controls, namesOf(context_, peripheral.clock), peripheral.fields, peripheral.holds, context_.book);
        peripheral.gate = readOneField(context_, reader, "gate", FieldUse::own);
        peripheral.interrupts = reader.texts("interrupts");
        controls.insert(controls.end(), {"gate", "interrupts"});
        readBringUp(reader, controls, peripheral);
        peripheral.pins = reader.texts("pins");
        if (const toml::table* wakes = reader.table("wakes_from")) {
            TableReader inner(*wakes, context_.reporter, reader.pathOf("wakes_from"));
            for (const std::string& mode : inner.keys()) {
                if (!context_.part.findMode(mode)) {
                    inner.error(mode, "no mode '" + mode + "'", listNames(idsOf(context_.part.modes)),
                                didYouMean(mode, idsOf(context_.part.modes)));
                }
                peripheral.wakesFrom[mode] = inner.text(mode).value_or("");
            }
        }
        peripheral.draws = readDraw(reader, "draws");
    }

private:
    /// Reads what the kind needs; returns the names of its controls.
    std::vector<std::string> readKind(TableReader& reader, Peripheral& peripheral) {
        using Read = std::vector<std::string> (PeripheralReader::*)(TableReader&, Peripheral&);
        static const std::map<std::string, Read> readers{{"uart", &PeripheralReader::readUart},
                                                         {"timer", &PeripheralReader::readTimer},
                                                         {"watchdog", &PeripheralReader::readWatchdog},
                                                         {"rtc", &PeripheralReader::readRtc},
                                                         {"adc", &PeripheralReader::readAdc},
                                                         {"spi", &PeripheralReader::readSpi},
                                                         {"i2c", &PeripheralReader::readI2c},
                                                         {"can", &PeripheralReader::readCan},
                                                         {"delay-loop", &PeripheralReader::readDelayLoop}};
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
            TableReader inner(*table, context_.reporter, reader.pathOf("modes"));
            UartMode mode;
            mode.oversample = inner.whole("oversample", 1, 1024, Need::required).value_or(16);
            mode.divisor = readFactorSet(inner, "divisor", Need::required);
            inner.finish();
            uart.modes.push_back(std::move(mode));
        }
        uart.hasOneWire = reader.flag("one_wire").value_or(false);
        peripheral.kind = std::move(uart);
        return {"oversample", "divisor", "one_wire"};
    }

    std::vector<std::string> readTimer(TableReader& reader, Peripheral& peripheral) {
        TimerKind timer;
        timer.bits = static_cast<int>(reader.whole("bits", 4, 48, Need::required).value_or(16));
        timer.prescaler = readPrescaler(reader);
        const std::vector<std::string> styles{"reload", "preload", "free-running"};
        const std::string style = reader.text("style").value_or("reload");
        const auto known = std::find(styles.begin(), styles.end(), style);
        if (known == styles.end()) {
            reader.error("style", "no style '" + style + "'", listNames(styles), didYouMean(style, styles));
        } else {
            timer.style = static_cast<TimerStyle>(known - styles.begin());
        }
        const Rational most = Rational(std::int64_t{1} << timer.bits);
        const bool isFree = timer.style == TimerStyle::freeRunning;
        if (isFree && reader.has("counts")) {
            reader.error("counts", "counts of a free-running timer", "none: it always counts 2^bits");
        }
        timer.counts =
            reader.has("counts") ? readWholeSet(reader, "counts") : (isFree ? FactorSet::one(most) : FactorSet::range(1, most));
        timer.channels = reader.texts("channels");
        timer.isCentred = reader.flag("centred").value_or(false);
        timer.dead = readWholeSet(reader, "dead");
        timer.post = readWholeSet(reader, "post");
        if (const toml::table* chain = reader.table("chained")) {
            TableReader inner(*chain, context_.reporter, reader.pathOf("chained"));
            timer.chain = TimerChain{inner.text("with", Need::required).value_or(""),
                                     static_cast<int>(inner.whole("bits", timer.bits + 1, 62, Need::required).value_or(32))};
            inner.finish();
        }
        if (!timer.counts.empty() && timer.counts.most() > most) {
            reader.error("counts", "counts up to " + timer.counts.most().toString(),
                         fmt::format("at most 2^{} = {}", timer.bits, most.toString()));
        }
        std::vector<std::string> controls{"prescaler", "counts"};
        for (const auto& [name, has] : {std::pair("post", !timer.post.empty()), std::pair("dead", !timer.dead.empty()),
                                        std::pair("chain", timer.chain.has_value())}) {
            if (has) {
                controls.emplace_back(name);
            }
        }
        for (std::size_t channel = 1; channel <= timer.channels.size(); ++channel) {
            controls.push_back("compare" + std::to_string(channel));
        }
        peripheral.kind = std::move(timer);
        return controls;
    }

    std::vector<std::string> readWatchdog(TableReader& reader, Peripheral& peripheral) {
        WatchdogKind watchdog;
        watchdog.prescaler = readPrescaler(reader);
        watchdog.counts = readWholeSet(reader, "counts", Need::required);
        watchdog.hasWindow = reader.flag("window").value_or(false);
        watchdog.early = readWholeSet(reader, "early");
        std::vector<std::string> controls{"prescaler", "counts"};
        if (!watchdog.early.empty()) {
            controls.emplace_back("early");
        }
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
        std::vector<std::string> controls{"prescaler", "counts"};
        if (const toml::table* calendar = reader.table("calendar")) {
            TableReader inner(*calendar, context_.reporter, reader.pathOf("calendar"));
            rtc.first = readWholeSet(inner, "first", Need::required);
            rtc.second = readWholeSet(inner, "second", Need::required);
            inner.finish();
            controls.insert(controls.end(), {"first", "second"});
        }
        if (const toml::table* calibration = reader.table("calibration")) {
            TableReader inner(*calibration, context_.reporter, reader.pathOf("calibration"));
            const std::int64_t most = 1 << 20;
            rtc.calibration = Calibration{inner.quantity("step", Unit::ratio, Need::required).value_or(Rational(1, 1000000)),
                                          inner.whole("from", -most, 0, Need::required).value_or(0),
                                          inner.whole("to", 0, most, Need::required).value_or(0)};
            inner.finish();
            controls.emplace_back("calibration");
        }
        const std::vector<std::string> alarms = reader.texts("alarm");
        if (!alarms.empty()) {
            rtc.alarm = readAlarms(reader, alarms);
            controls.emplace_back("alarm");
            if (rtc.first.empty()) {
                reader.error("alarm", "an alarm without a calendar", "a calendar that it can match");
            }
        }
        peripheral.kind = std::move(rtc);
        return controls;
    }

    static FactorSet readAlarms(TableReader& reader, const std::vector<std::string>& texts) {
        std::vector<Rational> periods;
        for (const std::string& text : texts) {
            const auto period = readQuantity(text, Unit::second);
            if (!period || !period->isWhole() || period->sign() <= 0) {
                reader.error("alarm", "'" + text + "'", "times of whole seconds such as '1 min', '1 h' or '1 day'");
            } else {
                periods.push_back(*period);
            }
        }
        return FactorSet::list(std::move(periods));
    }

    std::vector<std::string> readAdc(TableReader& reader, Peripheral& peripheral) {
        AdcKind adc;
        adc.divide = reader.has("divide") ? readWholeSet(reader, "divide") : FactorSet::one(1);
        adc.limits = readLimits(context_, reader);
        adc.sample = readFactorSet(reader, "sample", Need::required);
        adc.channels = reader.whole("channels", 1, 4096).value_or(1);
        adc.oversample = readWholeSet(reader, "oversample");
        adc.start = reader.quantity("start", Unit::second);
        if (const toml::table* conversion = reader.table("conversion", Need::required)) {
            TableReader cycles(*conversion, context_.reporter, reader.pathOf("conversion"));
            for (const std::string& key : cycles.keys()) {
                const auto bits = readFactor(key);
                const auto count = cycles.factor(key);
                if (!bits || !bits->isWhole() || *bits < 1 || *bits > 32) {
                    cycles.error(key, "'" + key + "' bits", "a whole number from 1 to 32");
                } else if (count) {
                    adc.conversion.emplace_back(*bits->toInt64(), *count);
                }
            }
            std::sort(adc.conversion.begin(), adc.conversion.end(),
                      [](const auto& a, const auto& b) { return a.first > b.first; });
        }
        if (const toml::table* input = reader.table("input")) {
            TableReader inner(*input, context_.reporter, reader.pathOf("input"));
            adc.resistance = inner.quantity("resistance", Unit::ohm);
            adc.capacitance = inner.quantity("capacitance", Unit::farad);
            inner.finish();
        }
        peripheral.kind = std::move(adc);
        return {"divide", "sample", "bits", "oversample", "single"};
    }

    std::vector<std::string> readSpi(TableReader& reader, Peripheral& peripheral) {
        SpiKind spi;
        spi.divide = readWholeSet(reader, "divide", Need::required);
        spi.limits = readLimits(context_, reader);
        spi.lanes = reader.whole("lanes", 1, 8).value_or(1);
        spi.shift = readFactorSet(reader, "shift");
        spi.dummy = readWholeSet(reader, "dummy");
        spi.size = readWholeSet(reader, "size");
        peripheral.kind = std::move(spi);
        return {"divide", "shift", "dummy", "size"};
    }

    std::vector<std::string> readI2c(TableReader& reader, Peripheral& peripheral) {
        I2cKind bus;
        bus.prescaler = readPrescaler(reader);
        bus.low = readWholeSet(reader, "low", Need::required);
        bus.high = readWholeSet(reader, "high", Need::required);
        bus.fastest = reader.quantity("fastest", Unit::hertz);
        bus.setup = readWholeSet(reader, "setup");
        bus.hold = readWholeSet(reader, "hold");
        if (const toml::table* fixed = reader.table("fixed")) {
            TableReader inner(*fixed, context_.reporter, reader.pathOf("fixed"));
            bus.fixedLow = inner.factor("low").value_or(Rational(0));
            bus.fixedHigh = inner.factor("high").value_or(Rational(0));
            inner.finish();
        }
        peripheral.kind = std::move(bus);
        return {"prescaler", "low", "high", "setup", "hold"};
    }

    std::vector<std::string> readCan(TableReader& reader, Peripheral& peripheral) {
        CanKind can;
        std::vector<std::string> controls;
        const auto readPhase = [&](const std::string& key, Need need) -> std::optional<CanPhase> {
            const toml::table* table = reader.table(key, need);
            if (table == nullptr) {
                return std::nullopt;
            }
            TableReader inner(*table, context_.reporter, reader.pathOf(key));
            CanPhase phase;
            phase.prescaler = readWholeSet(inner, "prescaler", Need::required);
            phase.seg1 = readWholeSet(inner, "seg1", Need::required);
            phase.seg2 = readWholeSet(inner, "seg2", Need::required);
            phase.sjw = readWholeSet(inner, "sjw", Need::required);
            inner.finish();
            for (const char* control : {"prescaler", "seg1", "seg2", "sjw"}) {
                controls.push_back((key == "data" ? "data_" : "") + std::string(control));
            }
            return phase;
        };
        can.nominal = readPhase("nominal", Need::required).value_or(CanPhase{});
        can.data = readPhase("data", Need::optional);
        can.delay = readWholeSet(reader, "delay");
        can.nodeDelay = reader.quantity("node_delay", Unit::second);
        can.messageWords = reader.whole("message_words", 1, 1 << 20).value_or(0);
        if (const toml::table* costs = reader.table("message_costs")) {
            TableReader inner(*costs, context_.reporter, reader.pathOf("message_costs"));
            can.filterWords = inner.whole("filter", 1, 64).value_or(can.filterWords);
            can.longFilterWords = inner.whole("long_filter", 1, 64).value_or(can.longFilterWords);
            can.headerWords = inner.whole("header", 0, 64).value_or(can.headerWords);
            inner.finish();
        }
        peripheral.kind = std::move(can);
        controls.emplace_back("delay");
        return controls;
    }

    std::vector<std::string> readDelayLoop(TableReader& reader, Peripheral& peripheral) {
        DelayLoopKind loop;
        loop.turn = reader.factor("turn", Need::required).value_or(Rational(1));
        loop.overhead = reader.factor("overhead").value_or(Rational(0));
        loop.turns =
            reader.has("turns") ? readWholeSet(reader, "turns") : FactorSet::range(1, Rational((std::int64_t{1} << 32) - 1));
        peripheral.kind = std::move(loop);
        return {"turns"};
    }

    /// Names of controls, and steps in words with a field of their own.
    void readBringUp(TableReader& reader, const std::vector<std::string>& controls, Peripheral& peripheral) {
        const toml::node* node = reader.node("bring_up");
        const toml::array* steps = node == nullptr ? nullptr : node->as_array();
        if (node != nullptr && steps == nullptr) {
            reader.error("bring_up", "bring_up that is no list", "a list of controls and of { say = … } tables");
            return;
        }
        for (std::size_t i = 0; steps != nullptr && i < steps->size(); ++i) {
            BringUpStep step;
            if (const auto name = (*steps)[i].value<std::string>()) {
                step.control = *name;
            } else if (const toml::table* table = (*steps)[i].as_table()) {
                TableReader inner(*table, context_.reporter, reader.pathOf("bring_up"));
                step.control = inner.text("control").value_or("");
                step.say = inner.text("say", step.control.empty() ? Need::required : Need::optional).value_or("");
                step.channel = inner.whole("channel", 0, 64).value_or(0);
                step.field = readOneField(context_, inner, "field", FieldUse::shared);
                step.code = inner.whole("code", 0, std::int64_t{1} << 32).value_or(1);
                step.isForgotten = inner.flag("forgotten").value_or(false);
                step.verbs = inner.texts("verbs");
                inner.finish();
                if (step.field && step.code > step.field->most()) {
                    inner.error("code", "code " + std::to_string(step.code), "at most " + step.field->most().toString());
                }
            } else {
                reader.error("bring_up", "a step that is neither text nor table", "a control such as 'gate', or { say = … }");
            }
            if (!step.control.empty() && std::find(controls.begin(), controls.end(), step.control) == controls.end()) {
                reader.error("bring_up", "no control '" + step.control + "'", listNames(controls),
                             didYouMean(step.control, controls));
            }
            peripheral.bringUp.push_back(std::move(step));
        }
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

    PartContext& context_;
};

} // namespace

void readPeripheral(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    PeripheralReader(context).readPeripheral(reader, peripheral);
}

} // namespace wisetick
