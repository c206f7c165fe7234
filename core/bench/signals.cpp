#include "bench/signals.h"

#include "derive/controls.h"
#include "derive/demand.h"

#include <algorithm>
#include <array>

namespace wisetick {

namespace {

/// Settings by whose product a peripheral divides its clock.
constexpr std::array kFactors{"prescaler", "counts", "repeats", "oversample", "divisor", "divide", "frame"};

std::vector<Setting> factorsOf(const std::vector<Setting>& settings) {
    std::vector<Setting> factors;
    for (const Setting& setting : settings) {
        if (std::find(kFactors.begin(), kFactors.end(), setting.name) != kFactors.end()) {
            factors.push_back(setting);
        }
    }
    return factors;
}

/// Shape and cycle, by what is asked; false where it shows on no pin, or not by a rate.
bool shapeOf(const Ask& ask, const Bounds& got, BenchSignal& signal) {
    using Shape = BenchSignal::Shape;
    if (const auto* fires = ask.as<FiresAsk>()) {
        signal.shape = Shape::toggles;
        signal.cycle = got;
        signal.isByTheCore = true;
        return !fires->late;
    }
    if (ask.is<WaitsAsk>()) {
        signal.shape = Shape::toggles;
        signal.cycle = got;
        signal.isByTheCore = true;
        return true;
    }
    if (got.min.isZero() || got.min < Rational(0)) {
        return false;
    }
    signal.cycle = inverse(got);
    if (const auto* drives = ask.as<DrivesAsk>()) {
        signal.shape = Shape::pulses;
        signal.duty = drives->duty;
        return !drives->isInside && drives->duty > Rational(0) && drives->duty < Rational(1);
    }
    if (const auto* talks = ask.as<TalksAsk>()) {
        signal.shape = Shape::frames;
        signal.frame = talks->frame;
        return true;
    }
    if (const auto* can = ask.as<CanAsk>()) {
        signal.shape = Shape::bus;
        signal.can.bitsPerSecond = can->bitsPerSecond;
        signal.can.dataBitsPerSecond = can->data.value_or(Rational(0));
        return true;
    }
    return ask.is<ClocksAsk>() || ask.is<BusAsk>() || ask.is<PlaysAsk>() || ask.is<RunsAsk>();
}

/// Where the bits of a bus are sampled, and what their lengths are made of.
void setBus(const std::vector<Setting>& settings, BenchSignal& signal) {
    const auto share = [&](const std::string& first, const std::string& second, Rational& sample) {
        const Rational* before = pinnedValue(settings, first);
        const Rational* after = pinnedValue(settings, second);
        if (before != nullptr && after != nullptr) {
            sample = (1 + *before) / (1 + *before + *after);
        }
    };
    share("seg1", "seg2", signal.can.sample);
    share("data_seg1", "data_seg2", signal.can.dataSample);
    for (const Setting& setting : settings) {
        if (setting.name == "seg1" || setting.name == "seg2") {
            signal.summed.push_back(setting);
        }
    }
}

/// The setting of a channel's compare register: "timer8.1" has "compare1".
std::optional<Setting> compareOf(const std::vector<Setting>& settings, const std::string& subject) {
    const std::size_t dot = subject.rfind('.');
    for (const Setting& setting : settings) {
        if (dot != std::string::npos && setting.name == "compare" + subject.substr(dot + 1)) {
            return setting;
        }
    }
    return std::nullopt;
}

} // namespace

std::vector<BenchSignal> benchSignals(const Part& part, const Plan& plan, const Figures& figures) {
    std::vector<BenchSignal> predicted;
    const Take* take = findTake(plan, figures.take);
    if (take == nullptr) {
        return predicted;
    }
    Diagnostics ignored;
    const Controls controls = resolveControls(part, *take, ignored);
    for (std::size_t i = 0; i < figures.promises.size(); ++i) {
        const PromiseFigure& figure = figures.promises[i];
        const PromiseLine& line = plan.promises[i].line;
        BenchSignal signal;
        if (figure.state == State::elsewhere || !figure.got || !shapeOf(line.ask, *figure.got, signal)) {
            continue;
        }
        signal.promise = i;
        signal.name = figure.name;
        signal.subject = line.subject;
        signal.peripheral = part.findPeripheral(peripheralOf(line.subject));
        const auto clock = signal.peripheral ? clockOf(part, controls, *signal.peripheral) : part.findNode(line.subject);
        const auto& hertz = clock ? figures.lines[*clock].hertz : std::nullopt;
        if (!hertz) {
            continue;
        }
        signal.clock = *clock;
        signal.source = chainOf(part, controls, *clock).back();
        signal.hertz = hertz->nominal;
        // of a two-wire bus the lines' own rise is part of a cycle: it is no product of its settings
        const bool isProduct = signal.peripheral && !line.ask.is<BusAsk>();
        signal.factors = isProduct ? factorsOf(figure.settings) : std::vector<Setting>();
        if (signal.shape == BenchSignal::Shape::bus) {
            setBus(figure.settings, signal);
        } else if (signal.shape == BenchSignal::Shape::pulses) {
            signal.compare = compareOf(figure.settings, signal.subject);
        }
        predicted.push_back(std::move(signal));
    }
    return predicted;
}

Rational BenchSignal::product(const std::function<Rational(const Setting&)>& valueOf) const {
    Rational product = 1;
    for (const Setting& factor : factors) {
        product *= valueOf(factor);
    }
    if (!summed.empty()) {
        Rational sum = 1;
        for (const Setting& each : summed) {
            sum += valueOf(each);
        }
        product *= sum;
    }
    return product;
}

bool isTrackOf(const std::string& track, const BenchSignal& signal) {
    for (const std::string& name : {signal.name, signal.subject}) {
        const bool endsSo = track.size() > name.size() && track.ends_with(name) && track[track.size() - name.size() - 1] == '.';
        if (!name.empty() && (track == name || endsSo)) {
            return true;
        }
    }
    return false;
}

} // namespace wisetick
