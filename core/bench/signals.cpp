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
    return ask.is<ClocksAsk>() || ask.is<PlaysAsk>() || ask.is<RunsAsk>();
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
        signal.factors = signal.peripheral ? factorsOf(figure.settings) : std::vector<Setting>();
        predicted.push_back(std::move(signal));
    }
    return predicted;
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
