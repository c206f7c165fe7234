#include "promise/can_search.h"

#include <algorithm>
#include <tuple>

namespace wisetick {

namespace {

__extension__ using Wide = __int128;

} // namespace

/// A deviation that conditions are compared with, quickly where it fits 64 bits.
class CanDeviation {
public:
    explicit CanDeviation(Rational value) : value_(std::move(value)) {
        const auto num = value_.numerator().toInt64();
        const auto den = value_.denominator().toInt64();
        isSmall_ = num && den;
        if (isSmall_) {
            num_ = *num;
            den_ = *den;
        }
    }

    const Rational& value() const { return value_; }
    bool isWithin(const CanFraction& allowed) const {
        return isSmall_ ? static_cast<Wide>(num_) * allowed.den <= static_cast<Wide>(allowed.num) * den_
                        : value_ <= allowed.value();
    }

private:
    Rational value_;
    bool isSmall_ = false;
    std::int64_t num_ = 0;
    std::int64_t den_ = 1;
};

namespace {

/// An oscillator this far from its rate can keep no CAN bus: the widest condition is SJW ÷ (20 NBT) with SJW half a bit.
const Rational kMostError = Rational(1, 40);

/// All the cuts of a bit that the phase allows, nearest to the sample point first; of equals the later sample.
std::vector<CanBit> cutsOf(const CanAskedPhase& phase, std::int64_t prescaler, std::int64_t quanta,
                           const std::vector<Setting>& pinned) {
    std::vector<CanBit> cuts;
    const Rational* seg1Held = pinnedValue(pinned, phase.prefix + "seg1");
    const Rational* seg2Held = pinnedValue(pinned, phase.prefix + "seg2");
    const bool isPlain =
        phase.set.seg1.isRange() && phase.set.seg1.step() == 1 && phase.set.seg2.isRange() && phase.set.seg2.step() == 1;
    const auto add = [&](std::int64_t seg1) {
        const std::int64_t seg2 = quanta - 1 - seg1;
        const bool isHeld = (seg1Held == nullptr || *seg1Held == seg1) && (seg2Held == nullptr || *seg2Held == seg2);
        if (isHeld && (isPlain || (phase.set.seg1.contains(seg1) && phase.set.seg2.contains(seg2)))) {
            cuts.push_back({prescaler, seg1, seg2});
        }
    };
    const std::int64_t least = std::max(*phase.set.seg1.least().toInt64(), quanta - 1 - *phase.set.seg2.most().toInt64());
    const std::int64_t most = std::min(*phase.set.seg1.most().toInt64(), quanta - 1 - *phase.set.seg2.least().toInt64());
    // outward from the sample point: 1 + seg1 = sample × quanta
    const Rational ideal = phase.sample * quanta - 1;
    const Rational whole = ideal.floor();
    const bool isUpperNearer = ideal - whole >= Rational(1, 2);
    std::int64_t below = std::clamp(whole, Rational(-1), Rational(quanta)).toInt64().value_or(0);
    std::int64_t above = below + 1;
    while (below >= least || above <= most) {
        for (const bool isAbove : {isUpperNearer, !isUpperNearer}) {
            std::int64_t& next = isAbove ? above : below;
            if (next >= least && next <= most) {
                add(next);
            }
            next += isAbove ? 1 : -1;
        }
    }
    return cuts;
}

/// The divisions that come near the rate; at least the nearest one, least error first, then nearest to the sample point.
std::vector<CanDivision> divisionsOf(const CanAskedPhase& phase, const Clock& clock, const std::vector<Setting>& pinned) {
    std::vector<CanDivision> divisions;
    std::optional<CanDivision> nearest;
    const Rational* held = pinnedValue(pinned, phase.prefix + "prescaler");
    const Rational least = 1 + phase.set.seg1.least() + phase.set.seg2.least();
    const Rational most = 1 + phase.set.seg1.most() + phase.set.seg2.most();
    // prescalers beyond these only come out farther from the rate; one on either side stays for the nearest
    const FactorSet& prescalers = phase.set.prescaler;
    const bool isHeld = held != nullptr && prescalers.contains(*held);
    const Rational first =
        isHeld ? *held : prescalers.atMost(clock.hertz.nominal / (phase.rate * (most + 1))).value_or(prescalers.least());
    const Rational last =
        isHeld ? *held : prescalers.atLeast(clock.hertz.nominal / (phase.rate * least)).value_or(prescalers.most());
    for (std::optional<Rational> next = first; next && *next <= last; next = prescalers.atLeast(*next + 1)) {
        const Rational prescaler = *next;
        if (held != nullptr && *held != prescaler) {
            continue;
        }
        const Rational exact = clock.hertz.nominal / (prescaler * phase.rate);
        for (const Rational& quanta : {exact.floor(), exact.ceil()}) {
            const Rational count = std::clamp(quanta, least, most);
            const bool isInside = count == quanta;
            CanDivision division{
                *prescaler.toInt64(), *count.toInt64(), clock.hertz * (1 / (prescaler * count)), {}, {}, {}, {}, {}};
            division.error = relativeError(division.got, phase.rate);
            division.nominal = abs(division.error.nominal);
            division.worst = clock.unknown.empty() ? largestMagnitude(division.error) : division.nominal;
            if (isInside && division.nominal <= kMostError) {
                const bool isNew = divisions.empty() || divisions.back().prescaler != division.prescaler ||
                                   divisions.back().quanta != division.quanta;
                division.cuts = isNew ? cutsOf(phase, division.prescaler, division.quanta, pinned) : std::vector<CanBit>();
                if (!division.cuts.empty()) {
                    division.distance = abs(division.cuts.front().samplePoint() - phase.sample);
                    divisions.push_back(std::move(division));
                }
            } else if (!nearest || division.worst < nearest->worst) {
                division.cuts = cutsOf(phase, division.prescaler, division.quanta, pinned);
                if (!division.cuts.empty()) {
                    division.distance = abs(division.cuts.front().samplePoint() - phase.sample);
                    nearest = std::move(division);
                }
            }
            if (exact.isWhole()) {
                break;
            }
        }
    }
    if (divisions.empty() && nearest) {
        divisions.push_back(std::move(*nearest));
    }
    std::sort(divisions.begin(), divisions.end(), [](const CanDivision& a, const CanDivision& b) {
        return std::tie(a.worst, a.nominal, a.distance, b.quanta) < std::tie(b.worst, b.nominal, b.distance, a.quanta);
    });
    return divisions;
}

} // namespace

Rational canDefaultSample() {
    return Rational(4, 5);
}

std::int64_t canJump(const FactorSet& set, const std::optional<Rational>& asked, std::int64_t most) {
    if (asked) {
        return *asked <= most && set.contains(*asked) ? asked->toInt64().value_or(0) : 0;
    }
    const auto widest = set.atMost(most);
    return widest ? widest->toInt64().value_or(0) : 0;
}

bool CanCandidate::operator<(const CanCandidate& other) const {
    if (state != other.state) {
        return worseState(state, other.state) == other.state;
    }
    return std::tie(worst, nominal, distance, dataDistance, other.isSamePrescaler, other.quanta, timing.nominal.prescaler) <
           std::tie(other.worst, other.nominal, other.distance, other.dataDistance, isSamePrescaler, quanta,
                    other.timing.nominal.prescaler);
}

CanSearch::CanSearch(const CanKind& can, const CanAsk& ask, const Clock& clock, const std::vector<Setting>& pinned)
    : can_(can), ask_(ask),
      clock_(clock), slowPhase_{can.nominal, ask.bitsPerSecond, ask.sample.value_or(canDefaultSample()), ""},
      nodeDelay_(canNodeDelay(can, ask)), slow_(divisionsOf(slowPhase_, clock, pinned)) {
    if (ask.data && can.data) {
        fastPhase_.emplace(CanAskedPhase{*can.data, *ask.data, ask.dataSample.value_or(slowPhase_.sample), "data_"});
        fast_ = divisionsOf(*fastPhase_, clock, pinned);
    }
    const Rational* jump = pinnedValue(pinned, "sjw");
    jump_ = jump != nullptr ? std::optional(*jump) : ask.jump;
    const Rational* dataJump = pinnedValue(pinned, "data_sjw");
    dataJump_ = dataJump != nullptr ? std::optional(*dataJump) : std::nullopt;
}

std::optional<CanCandidate> CanSearch::best() const {
    std::optional<CanCandidate> found;
    for (const State state : {State::kept, State::strained, State::broken}) {
        for (const CanDivision& slow : slow_) {
            if (found && slow.worst > found->worst) {
                break;
            }
            if (fastPhase_) {
                for (const CanDivision& fast : fast_) {
                    if (found && std::max(slow.worst, fast.worst) > found->worst) {
                        break;
                    }
                    keep(found, slow, &fast, state);
                }
            } else {
                keep(found, slow, nullptr, state);
            }
        }
        if (found) {
            return found;
        }
    }
    return found;
}

std::vector<CanCandidate> CanSearch::all() const {
    std::vector<CanCandidate> list;
    const auto add = [&](const CanDivision& slow, const CanDivision* fast) {
        for (const State state : {State::kept, State::strained, State::broken}) {
            if (auto candidate = candidateOf(slow, fast, state)) {
                list.push_back(std::move(*candidate));
                return;
            }
        }
    };
    for (const CanDivision& slow : slow_) {
        if (fastPhase_) {
            for (const CanDivision& fast : fast_) {
                add(slow, &fast);
            }
        } else {
            add(slow, nullptr);
        }
    }
    return list;
}

void CanSearch::keep(std::optional<CanCandidate>& found, const CanDivision& slow, const CanDivision* fast, State state) const {
    if (found && slow.worst == found->worst && slow.nominal == found->nominal && slow.distance > found->distance) {
        return; // all its cuts are farther from the sample point
    }
    if (auto candidate = candidateOf(slow, fast, state); candidate && (!found || *candidate < *found)) {
        found = std::move(candidate);
    }
}

bool CanSearch::isToleranceMet(const Rational& error) const {
    return (!ask_.tolerance.exactly || error.isZero()) && (!ask_.tolerance.within || error <= *ask_.tolerance.within);
}

/// The pair of cuts of these divisions that is nearest to the sample points and at least in that state.
std::optional<CanCandidate> CanSearch::candidateOf(const CanDivision& slow, const CanDivision* fast, State state) const {
    CanCandidate candidate;
    candidate.state = state;
    candidate.worst = fast == nullptr ? slow.worst : std::max(slow.worst, fast->worst);
    candidate.nominal = fast == nullptr ? slow.nominal : std::max(slow.nominal, fast->nominal);
    const bool isKept = state == State::kept;
    if (isKept && !clock_.unknown.empty()) {
        return std::nullopt;
    }
    // `exactly` judges the setting alone; the bounds still count against the bus's conditions
    const bool isMet = isToleranceMet(isKept && !ask_.tolerance.exactly ? candidate.worst : candidate.nominal);
    if (state != State::broken && !isMet) {
        return std::nullopt;
    }
    if (!nodeDelay_ && isKept) {
        return std::nullopt; // how long a bit goes through the nodes is unknown
    }
    const CanDeviation deviation(isKept ? candidate.worst : candidate.nominal);
    const Rational& hertz = isKept ? clock_.hertz.max : clock_.hertz.nominal;
    candidate.timing.propagation = propagationQuanta(can_, ask_, hertz, slow.prescaler);
    for (const CanBit& bit : slow.cuts) {
        candidate.timing.nominal = bit;
        const std::int64_t phase1 = bit.seg1 - candidate.timing.propagation;
        candidate.timing.jump =
            canJump(can_.nominal.sjw, jump_, std::max<std::int64_t>(std::min(phase1, bit.seg2), state == State::broken ? 1 : 0));
        if (candidate.timing.jump == 0) {
            continue;
        }
        const bool isGood = phase1 >= 1 && deviation.isWithin(jumpCondition(bit, candidate.timing.jump)) &&
                            deviation.isWithin(errorFlagCondition(candidate.timing));
        if (state != State::broken && !isGood) {
            continue;
        }
        candidate.distance = abs(bit.samplePoint() - slowPhase_.sample);
        candidate.slow = &slow;
        candidate.quanta = slow.quanta;
        if (fast == nullptr) {
            return candidate;
        }
        if (cutData(candidate, *fast, state, deviation)) {
            return candidate;
        }
    }
    return std::nullopt;
}

bool CanSearch::cutData(CanCandidate& candidate, const CanDivision& fast, State state, const CanDeviation& deviation) const {
    const Rational& hertz = state == State::kept ? clock_.hertz.max : clock_.hertz.nominal;
    for (const CanBit& bit : fast.cuts) {
        candidate.timing.data = bit;
        candidate.timing.dataJump = canJump(can_.data->sjw, dataJump_, std::min(bit.seg1, bit.seg2));
        if (candidate.timing.dataJump == 0) {
            continue;
        }
        const bool isGood = (!nodeDelay_ || canHearsItself(can_, bit, *nodeDelay_, hertz)) &&
                            deviation.isWithin(jumpCondition(bit, candidate.timing.dataJump)) &&
                            deviation.isWithin(arbitrationToDataCondition(candidate.timing)) &&
                            deviation.isWithin(dataToArbitrationCondition(candidate.timing));
        if (state == State::broken || isGood) {
            candidate.dataDistance = abs(bit.samplePoint() - fastPhase_->sample);
            candidate.isSamePrescaler = bit.prescaler == candidate.timing.nominal.prescaler;
            candidate.quanta += fast.quanta;
            candidate.fast = &fast;
            return true;
        }
    }
    return false;
}

} // namespace wisetick
