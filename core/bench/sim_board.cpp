#include "bench/sim_board.h"

#include "derive/demand.h"
#include "derive/field_values.h"
#include "derive/line_rates.h"
#include "handover/found.h"
#include "quantity/quantity_print.h"
#include "rhythm/trace.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <random>

namespace wisetick {

namespace {

constexpr double kMostDrift = 2e-7;              ///< of a source, while it is looked at
constexpr double kMostShare = 1e-6;              ///< of the time, that a drift moves it by while it is looked at
constexpr double kBusRest = 20;                  ///< of a bus between two frames
constexpr std::int64_t kMostStretches = 200'000; ///< of its jobs
constexpr std::size_t kMostFeeds = 2000;         ///< of a watchdog
constexpr double kFewTicks = 4;                  ///< a cycle of fewer can't be told from noise

/// The first whole number not below a value ≥ 0.
std::int64_t roundedUp(double value) {
    const auto whole = static_cast<std::int64_t>(value);
    return whole + (static_cast<double>(whole) < value ? 1 : 0);
}

/// When a source has counted so many of its periods: it runs at hertz × (1 + off + drift × t ÷ span).
class SourceClock {
public:
    SourceClock(double hertz, double off, double drift, double span)
        : seconds_(1 / (hertz * (1 + off))), bend_(drift / (2 * span * (1 + off))) {}

    /// t + bend × t² = steady, by its series: the bend is under 10⁻⁶, and what is left out under 10⁻¹⁸ of the time.
    /// What comes long after the run is beyond the series, and of no matter.
    double timeOf(double periods) const {
        const double steady = periods * seconds_;
        const double share = std::clamp(bend_ * steady, -kMostShare, kMostShare);
        return steady * (1 - share * (1 - 2 * share));
    }

private:
    double seconds_; ///< of a period at the beginning
    double bend_;
};

class BoardPlayer {
public:
    BoardPlayer(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BenchSignal>& predicted,
                const DrawnBoard& board, const BoardRun& run)
        : part_(part), plan_(plan), figures_(figures), signals_(predicted), board_(board), run_(run) {
        readRegisters();
        capture_.name = "simulated board, seed " + std::to_string(board.seed);
        capture_.tick = run.tick;
        capture_.end = static_cast<std::int64_t>((run.seconds / run.tick).toDouble());
    }

    Capture play() {
        for (const BenchSignal& signal : signals_) {
            playSignal(signal);
        }
        if (run_.hasCurrent) {
            playJobs();
        }
        return std::move(capture_);
    }

private:
    /// The take goes through its register fields: what comes back is what runs.
    void readRegisters() {
        Take take = *findTake(plan_, figures_.take);
        if (run_.slip != nullptr && !run_.slip->choice.id.empty()) {
            setOtherwise(take, run_.slip->choice);
        }
        Diagnostics ignored;
        const Controls planned = resolveControls(part_, take, ignored);
        FoundRegisters registers;
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            putFields(lineFields(part_, planned, i), registers);
        }
        for (std::size_t i = 0; i < part_.sources.size(); ++i) {
            if (const auto field = rateField(part_, planned, i)) {
                putFields({*field}, registers);
            }
        }
        for (const BenchSignal& signal : signals_) {
            if (signal.peripheral) {
                putFields(peripheralFields(part_, planned, *signal.peripheral, settingsOf(signal)), registers);
            }
        }
        Take read = decodedTake(part_, registers, take.name).take;
        for (const Choice& choice : take.choices) { // what has no field
            Choice& set = choiceOf(read, choice.id);
            set.from = set.from ? set.from : choice.from;
            set.divide = set.divide ? set.divide : choice.divide;
            set.multiply = set.multiply ? set.multiply : choice.multiply;
            set.rate = set.rate ? set.rate : choice.rate;
        }
        read.tier = take.tier;
        controls_ = resolveControls(part_, read, ignored);
        lines_ = lineRates(part_, plan_.board, controls_, nullptr, Detail::verdict);
        registers_ = std::move(registers);
    }

    std::vector<Setting> settingsOf(const BenchSignal& signal) const {
        std::vector<Setting> settings = figures_.promises[signal.promise].settings;
        for (Setting& setting : settings) {
            const bool isSlipped = run_.slip != nullptr && signal.peripheral && run_.slip->choice.id.empty() &&
                                   run_.slip->id == part_.peripherals[*signal.peripheral].id &&
                                   run_.slip->setting == setting.name;
            setting.value = isSlipped ? run_.slip->value : setting.value;
        }
        return settings;
    }

    /// Ticks of its clock that a cycle lasts, from the fields; what has none is as it was set.
    Rational ticksOf(const BenchSignal& signal) const {
        if (signal.factors.empty()) {
            return signal.cycle.nominal * signal.hertz;
        }
        const std::vector<Setting> settings = settingsOf(signal);
        const Rational planned = signal.product([](const Setting& each) { return each.value; });
        const Rational held = signal.product([&](const Setting& each) { return heldBy(signal, settings, each); });
        // a counter that goes up and down, and what else a kind counts beside its settings
        return held * (signal.cycle.nominal * signal.hertz / planned);
    }

    /// What the registers say of a setting; of what has no field what was set.
    Rational heldBy(const BenchSignal& signal, const std::vector<Setting>& settings, const Setting& setting) const {
        const Rational* set = pinnedValue(settings, setting.name);
        return foundSetting(part_, registers_, *signal.peripheral, setting.name).value_or(set != nullptr ? *set : setting.value);
    }

    /// The share of its period that it is high.
    double dutyOf(const BenchSignal& signal, double ticks) const {
        const auto counts =
            std::find_if(signal.factors.begin(), signal.factors.end(), [](const Setting& each) { return each.name == "counts"; });
        if (signal.compare && counts != signal.factors.end()) {
            const std::vector<Setting> settings = settingsOf(signal);
            return (heldBy(signal, settings, *signal.compare) / heldBy(signal, settings, *counts)).toDouble();
        }
        if (ticks < 2) {
            return signal.duty.toDouble(); // a clock itself
        }
        return std::clamp(std::round(ticks * signal.duty.toDouble()), 1.0, std::max(1.0, ticks - 1)) / ticks;
    }

    void playSignal(const BenchSignal& signal) {
        const NodeIndex clock =
            signal.peripheral ? clockOf(part_, controls_, *signal.peripheral).value_or(signal.clock) : signal.clock;
        Track track{signal.name, {}};
        track.edges.add(0, isLine(signal) ? LogicLevel::high : LogicLevel::low);
        if (!lines_[clock].hertz || lines_[clock].hertz->nominal.isZero()) {
            capture_.tracks.push_back(std::move(track)); // it has no clock: nothing moves
            return;
        }
        const NodeIndex source = chainOf(part_, controls_, clock).back();
        const double hertz = lines_[clock].hertz->nominal.toDouble();
        const double sourceHertz = figures_.lines[source].hertz->nominal.toDouble();
        const SourceClock runs(sourceHertz, board_.off[source], board_.drift[source], run_.seconds.toDouble());
        const double perTick = sourceHertz / hertz; // periods of the source to a tick of the clock
        double ticks = ticksOf(signal).toDouble();
        if (signal.name == run_.lateOf && lines_[part_.core].hertz) {
            ticks += run_.lateCycles.toDouble() * hertz / lines_[part_.core].hertz->nominal.toDouble();
        }
        const double inCapture = runs.timeOf(ticks * perTick) / capture_.tick.toDouble();
        if (inCapture < kFewTicks) {
            capture_.diagnostics.push_back(
                {Severity::warning,
                 {{}, 0, 0, signal.name},
                 signal.name + " is too fast for a tick of " + printQuantity(capture_.tick, Unit::second),
                 "a shorter tick",
                 {}});
            return;
        }
        const double perSecond = 1 / capture_.tick.toDouble();
        const auto at = [&](double clockTicks) { return roundedUp(runs.timeOf(clockTicks * perTick) * perSecond); };
        if (signal.shape == BenchSignal::Shape::frames) {
            playFrames(signal, ticks, at, track.edges);
        } else if (signal.shape == BenchSignal::Shape::bus) {
            playBus(signal, ticks, at, track.edges);
        } else {
            playCycles(signal, ticks, at, track.edges);
        }
        const std::int64_t last = track.edges.size() > 1 ? track.edges.at(track.edges.size() - 1).tick : capture_.end;
        const bool didStop = static_cast<double>(capture_.end - last) > 100 * inCapture; // no line rests for so long
        capture_.tracks.push_back(std::move(track));
        if (didStop) {
            const std::string stopped = printQuantity(Rational(last) * capture_.tick, Unit::second, 4);
            capture_.diagnostics.push_back({Severity::warning,
                                            {{}, 0, 0, signal.name},
                                            signal.name + " is played for " + stopped + " only",
                                            "a shorter run",
                                            {}});
        }
        playData(signal, ticks, at);
    }

    /// What a port or a two-wire bus sends at its clock: "NAME_data", and of a port "NAME_select". The clock does not stop.
    template <class At>
    void playData(const BenchSignal& signal, double ticks, const At& at) {
        const PeripheralKind* kind = signal.peripheral ? &part_.peripherals[*signal.peripheral].kind : nullptr;
        const bool isPort = kind != nullptr && kind->is<SpiKind>() && signal.shape == BenchSignal::Shape::clock;
        const bool isBus = kind != nullptr && kind->is<I2cKind>() && signal.shape == BenchSignal::Shape::clock;
        if (!isPort && !isBus) {
            return;
        }
        const double high = dutyOf(signal, ticks);
        Track data{signal.name + "_data", {}};
        const auto put = [&](Track& track, double cycles, bool isHigh) {
            const std::int64_t tick = at(cycles * ticks);
            if (tick <= capture_.end) {
                track.edges.add(tick, isHigh ? LogicLevel::high : LogicLevel::low);
            }
            return tick <= capture_.end;
        };
        data.edges.add(0, LogicLevel::high);
        // a bit is put while the clock is low, and taken at its next rise
        const auto send = [&](double cycles, std::size_t count, unsigned byte) {
            bool isInside = true;
            for (unsigned bit = 0; bit < count && isInside; ++bit) {
                isInside = put(data, cycles + bit, (byte >> (static_cast<unsigned>(count) - 1 - bit) & 1U) != 0);
            }
            return isInside;
        };
        const auto textByte = [&](std::int64_t i) {
            return static_cast<unsigned char>(run_.text[static_cast<std::size_t>(i) % run_.text.size()]);
        };
        if (isPort) {
            Track select{signal.name + "_select", {}};
            select.edges.add(0, LogicLevel::high);
            put(select, 0.25, false);
            for (std::int64_t word = 0; word < run_.mostEdges / 8; ++word) { // the first rise is one cycle in
                if (!send(static_cast<double>(word) * 8 + (1 + high) / 2, 8, textByte(word))) {
                    break;
                }
            }
            capture_.tracks.push_back(std::move(data));
            capture_.tracks.push_back(std::move(select));
            return;
        }
        const double low = (1 + high) / 2; // the middle of the low part before a rise
        put(data, 1 + high / 2, false);    // the start: while the clock is high for the first time
        constexpr unsigned kAddress = 0x50;
        for (std::int64_t byte = 0; byte < run_.mostEdges / 9; ++byte) {
            const unsigned value = byte == 0 ? kAddress << 1U : textByte(byte - 1);
            if (!send(1 + low + static_cast<double>(byte) * 9, 9, value << 1U)) { // the ninth is the acknowledge: low
                break;
            }
        }
        capture_.tracks.push_back(std::move(data));
    }

    template <class At>
    void playCycles(const BenchSignal& signal, double ticks, const At& at, EdgeList& edges) const {
        const bool doesToggle = signal.shape == BenchSignal::Shape::toggles;
        const double high = doesToggle ? 1 : std::min(dutyOf(signal, ticks), 1.0);
        LogicLevel level = LogicLevel::low;
        for (std::int64_t i = 1; i < run_.mostEdges; ++i) {
            const std::int64_t tick = at(static_cast<double>(i) * ticks);
            if (tick > capture_.end) {
                break;
            }
            if (doesToggle) {
                level = level == LogicLevel::low ? LogicLevel::high : LogicLevel::low;
                edges.add(tick, level);
                continue;
            }
            edges.add(tick, LogicLevel::high);
            const std::int64_t falls = at((static_cast<double>(i) + high) * ticks);
            if (falls <= capture_.end) {
                edges.add(std::max(falls, tick), LogicLevel::low);
            }
        }
    }

    /// A byte on a line: the bits at which its level changes, and how many bits it is long. The line rests high.
    struct SentByte {
        std::vector<std::pair<int, LogicLevel>> changes;
        int bits = 0;
    };

    static SentByte sentByte(unsigned char byte, const UartFrame& frame) {
        std::vector<bool> levels{false};
        bool isOdd = false;
        for (int i = 0; i < frame.dataBits; ++i) {
            levels.push_back(((byte >> i) & 1) != 0);
            isOdd = isOdd != levels.back();
        }
        if (frame.parity != 'N') {
            levels.push_back((frame.parity == 'O') != isOdd);
        }
        levels.insert(levels.end(), static_cast<std::size_t>(frame.stopBits), true);
        SentByte sent;
        sent.bits = static_cast<int>(levels.size());
        bool level = true;
        for (int i = 0; i < sent.bits; ++i) {
            if (levels[static_cast<std::size_t>(i)] != level) {
                level = !level;
                sent.changes.emplace_back(i, level ? LogicLevel::high : LogicLevel::low);
            }
        }
        return sent;
    }

    /// The text again and again, a rest of thirty bits between; each bit begins at a whole tick of the port's clock.
    template <class At>
    void playFrames(const BenchSignal& signal, double ticks, const At& at, EdgeList& edges) const {
        std::vector<SentByte> text;
        for (const char each : run_.text) {
            text.push_back(sentByte(static_cast<unsigned char>(each), signal.frame));
        }
        double bits = 20;
        for (std::size_t sent = 0; sent < static_cast<std::size_t>(run_.mostEdges / 10); ++sent) {
            const SentByte& byte = text[sent % text.size()];
            for (const auto& [offset, level] : byte.changes) {
                const std::int64_t tick = at(static_cast<double>(static_cast<std::int64_t>((bits + offset) * ticks)));
                if (tick > capture_.end) {
                    return;
                }
                edges.add(tick, level);
            }
            bits += byte.bits + ((sent + 1) % text.size() == 0 ? 30 : 0);
        }
    }

    /// One frame after the other, of all lengths and kinds that the bus has, a rest of some bits between; a receiver that is not
    /// drawn acknowledges them.
    template <class At>
    void playBus(const BenchSignal& signal, double ticks, const At& at, EdgeList& edges) const {
        const bool isFd = !signal.can.dataBitsPerSecond.isZero();
        const double sample = signal.can.sample.toDouble();
        const double dataSample = signal.can.dataSample.toDouble();
        const double fast = isFd ? ticks * (signal.can.bitsPerSecond / signal.can.dataBitsPerSecond).toDouble() : ticks;
        double now = kBusRest * ticks;
        for (std::uint32_t sent = 0; sent < run_.mostEdges / 100; ++sent) {
            CanFrame frame;
            frame.id = 0x100 + sent % 7;
            frame.isFd = isFd && sent % 2 == 1;
            frame.isFast = frame.isFd;
            frame.length = static_cast<std::uint8_t>(1 + sent % (frame.isFd ? 15 : 8));
            for (std::size_t i = 0; i < canBytes(frame.length, frame.isFd); ++i) {
                frame.bytes.push_back(static_cast<std::uint8_t>(run_.text[(sent + i) % run_.text.size()]));
            }
            bool isFast = false;
            for (const CanBusBit& bit : canBits(frame)) {
                const std::int64_t tick = at(static_cast<double>(static_cast<std::int64_t>(now)));
                if (tick > capture_.end) {
                    return;
                }
                edges.add(tick, bit.isRecessive ? LogicLevel::high : LogicLevel::low);
                if (bit.endsSwitch) {
                    now += isFast ? dataSample * fast + (1 - sample) * ticks : sample * ticks + (1 - dataSample) * fast;
                    isFast = !isFast;
                } else {
                    now += isFast ? fast : ticks;
                }
            }
            now += kBusRest * ticks;
        }
    }

    /// Its jobs as they are played, at the pace of what times them; between typical and largest as the board was drawn.
    void playJobs() {
        const Figures& figures = run_.jobs != nullptr ? *run_.jobs : figures_;
        const auto& rhythm = figures.rhythm;
        if (!rhythm || !rhythm->trace || rhythm->trace->size() == 0) {
            return;
        }
        const Trace& trace = *rhythm->trace;
        const auto paced = rhythm->restTiming.source;
        const SourceClock pace(1, paced ? board_.off[*paced] : 0, paced ? board_.drift[*paced] : 0, run_.seconds.toDouble());
        const auto largest = [&](const TraceState& state) {
            const auto mode = std::find_if(figures.modes.begin(), figures.modes.end(), [&](const ModeFigure& each) {
                return state.doing == Doing::resting ? state.name == "rest in " + each.id : each.runs;
            });
            const Bounds draws = mode != figures.modes.end() ? mode->ampere : Bounds::exactly(1);
            return draws.nominal.isZero() ? 1.0 : (draws.max / draws.nominal).toDouble();
        };
        ValueTrack supply{"supply", "A", {}, {}};
        std::vector<Track> works(trace.states().size());
        for (std::size_t i = 0; i < works.size(); ++i) {
            const std::string& name = trace.states()[i].name;
            works[i].name = "works_" + (name.starts_with("job ") ? name.substr(4) : name);
            works[i].edges.add(0, LogicLevel::low);
        }
        std::map<std::string, std::vector<double>> begins; // of the runs of each job
        std::size_t before = works.size();
        double begun = 0; // as planned
        double real = 0;  // s, on this board: what times the jobs ends its rests, not what goes on between them
        const auto at = [&](double seconds) { return static_cast<std::int64_t>(std::ceil(seconds / capture_.tick.toDouble())); };
        for (std::size_t i = 0; i < static_cast<std::size_t>(kMostStretches); ++i) {
            const std::int64_t tick = at(real);
            if (tick > capture_.end) {
                break;
            }
            const auto [end, state] = trace.stretchAt(i % trace.size());
            const TraceState& is = trace.states()[state];
            const double draws = is.ampere * (1 + board_.draws * (largest(is) - 1));
            if (supply.values.empty() || supply.values.back() != draws) {
                supply.ticks.push_back(tick);
                supply.values.push_back(draws);
            }
            if (before < works.size() && before != state) {
                works[before].edges.add(tick, LogicLevel::low);
            }
            if (is.doing == Doing::job) {
                works[state].edges.add(tick, LogicLevel::high);
                begins[is.name.substr(std::min<std::size_t>(4, is.name.size()))].push_back(real);
            }
            before = is.doing == Doing::job ? state : works.size();
            const std::size_t rounds = i / trace.size();
            const double ends = static_cast<double>(rounds) * trace.span() + end;
            real = is.doing == Doing::resting ? std::max(real, pace.timeOf(ends)) : real + ends - begun;
            begun = ends;
        }
        capture_.values.push_back(std::move(supply));
        for (std::size_t i = 0; i < works.size(); ++i) {
            if (trace.states()[i].doing == Doing::job) {
                capture_.tracks.push_back(std::move(works[i]));
            }
        }
        playWatchdogs(begins);
    }

    /// A watchdog counts from one feeding to the next; where it gets to its end before, it bites, and begins anew.
    void playWatchdogs(const std::map<std::string, std::vector<double>>& begins) {
        for (std::size_t i = 0; i < figures_.promises.size(); ++i) {
            const PromiseFigure& figure = figures_.promises[i];
            const auto* bites = plan_.promises[i].line.ask.as<BitesAsk>();
            if (bites == nullptr || !figure.got || figure.state == State::elsewhere) {
                continue;
            }
            const auto peripheral = part_.findPeripheral(peripheralOf(plan_.promises[i].line.subject));
            const auto clock = peripheral ? clockOf(part_, controls_, *peripheral) : std::nullopt;
            if (!clock || !lines_[*clock].hertz || lines_[*clock].hertz->nominal.isZero()) {
                continue;
            }
            const Take* take = findTake(plan_, figures_.take);
            const auto countsIn = [&](const ModeFigure& mode) {
                const std::string& id = part_.peripherals[*peripheral].id;
                return std::find(mode.peripherals.begin(), mode.peripherals.end(), id) != mode.peripherals.end();
            };
            if (std::any_of(figures_.modes.begin(), figures_.modes.end(), [&](const ModeFigure& mode) {
                    return take != nullptr && mode.id == take->restsIn && !countsIn(mode);
                })) {
                continue; // it stands still at rest: how long it counted can't be seen from here
            }
            const NodeIndex source = chainOf(part_, controls_, *clock).back();
            const double lasts = figure.got->nominal.toDouble() / (1 + board_.off[source]);
            Track track{"bites_" + figure.name, {}};
            track.edges.add(0, LogicLevel::low);
            std::vector<double> fed;
            if (const auto of = begins.find(bites->fedBy); of != begins.end()) {
                fed = of->second;
            } else if (bites->fedEvery) {
                const double every = bites->fedEvery->toDouble();
                for (double time = every; time < run_.seconds.toDouble() && fed.size() < kMostFeeds; time += every) {
                    fed.push_back(time);
                }
            }
            fed.push_back(run_.seconds.toDouble());
            double since = 0;
            for (const double time : fed) {
                for (; time - since > lasts; since += lasts) {
                    const double bitten = (since + lasts) / capture_.tick.toDouble();
                    track.edges.add(static_cast<std::int64_t>(std::ceil(bitten)), LogicLevel::high);
                    track.edges.add(static_cast<std::int64_t>(std::ceil(bitten)) + 1, LogicLevel::low);
                }
                since = time;
            }
            capture_.tracks.push_back(std::move(track));
        }
    }

    static bool isLine(const BenchSignal& signal) {
        return signal.shape == BenchSignal::Shape::frames || signal.shape == BenchSignal::Shape::bus;
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    const std::vector<BenchSignal>& signals_;
    const DrawnBoard& board_;
    const BoardRun& run_;
    Controls controls_;
    std::vector<LineFigure> lines_;
    FoundRegisters registers_;
    Capture capture_;
};

} // namespace

DrawnBoard drawBoard(const Part& part, const Figures& figures, std::uint64_t seed) {
    DrawnBoard board;
    board.seed = seed;
    std::mt19937_64 random(seed);
    const auto share = [&] { return static_cast<double>(random() >> 11U) / static_cast<double>(std::uint64_t{1} << 53U); };
    for (std::size_t i = 0; i < part.sources.size(); ++i) {
        const auto& hertz = figures.lines[i].hertz;
        const double low = hertz ? (hertz->min / hertz->nominal - 1).toDouble() : 0;
        const double high = hertz ? (hertz->max / hertz->nominal - 1).toDouble() : 0;
        const std::uint64_t corner = random() % 10;
        const double begin = corner == 0 ? low : corner == 1 ? high : low + (high - low) * share();
        const double end = std::clamp(begin + (2 * share() - 1) * kMostDrift, low, high);
        board.off.push_back(begin);
        board.drift.push_back(end - begin);
    }
    board.draws = share();
    return board;
}

Capture playBoard(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BenchSignal>& predicted,
                  const DrawnBoard& board, const BoardRun& run) {
    return BoardPlayer(part, plan, figures, predicted, board, run).play();
}

} // namespace wisetick
