#include "rhythm/timeline.h"

#include "rhythm/period_sums.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <memory>
#include <queue>
#include <random>

namespace wisetick {

namespace {

__extension__ using Wide = __int128;

/// A job and a take in ticks.
template <class Time>
struct TickJob {
    Time every{};
    Time phase{};
    Time lasts{};
    Time jitter{};
    std::size_t take = 0;
    bool isRandom = false;
    bool isFollower = false;
    std::vector<std::size_t> followers = {};
};

template <class Time>
struct TickTake {
    Time stages{};
    Time restore{};
    std::vector<Time> changeFrom = {};
    Time leastRest{};
};

template <class Time>
double asDouble(const Time& time) {
    if constexpr (std::is_same_v<Time, Rational>) {
        return time.toDouble();
    } else {
        return static_cast<double>(time);
    }
}

/// The state of one play. What goes on is told to the sink: doing, which, from, to.
template <class Time, class Sink>
class Player {
public:
    Player(const std::vector<TickJob<Time>>& jobs, const std::vector<TickTake<Time>>& takes, bool mayRest, std::uint64_t seed,
           Sink& sink)
        : jobs_(jobs), takes_(takes), mayRest_(mayRest), seed_(seed), chance_(jobs.size()), sink_(sink) {
        for (std::size_t i = 0; i < jobs.size(); ++i) {
            if (!jobs[i].isFollower) {
                nominal_.push_back(jobs[i].isRandom ? interval(i) : jobs[i].phase);
                due_.push({late(i), i});
            } else {
                nominal_.push_back(Time{});
            }
        }
    }

    void playTo(const Time& end, const GoOn& goOn) {
        constexpr int kRunsBetweenLooks = 256; // some milliseconds, of the slowest numbers
        for (int runs = 1; now_ < end && !due_.empty(); ++runs) {
            if (runs % kRunsBetweenLooks == 0) {
                orStop(goOn);
            }
            const auto [release, job] = due_.top();
            due_.pop();
            if (release > now_) {
                pass(release, jobs_[job].take);
            }
            run(job);
        }
        if (now_ < end) { // no job is left to come
            spend(mayRest_ ? Doing::resting : Doing::waiting, mayRest_ ? 0 : take_, end - now_);
        }
    }

    /// Counts the times from `by` later on, so that they stay small.
    void rebase(const Time& by) {
        now_ -= by;
        for (Time& nominal : nominal_) {
            nominal -= by;
        }
        std::priority_queue<Due, std::vector<Due>, std::greater<>> due;
        for (; !due_.empty(); due_.pop()) {
            due.push({Time(due_.top().first - by), due_.top().second});
        }
        due_ = std::move(due);
    }

    /// By how much what is due first is late; below 0 where it is still to come.
    Time late() const { return due_.empty() ? Time{} : Time(now_ - due_.top().first); }

    /// How it stands: what comes is the same wherever this is the same.
    std::vector<Time> state() const {
        std::vector<Time> list{now_, Time(static_cast<std::int64_t>(take_))};
        for (auto due = due_; !due.empty(); due.pop()) { // of equals the first job is on top
            list.push_back(due.top().first);
            list.push_back(Time(static_cast<std::int64_t>(due.top().second)));
        }
        return list;
    }

    bool playOne() {
        const auto [release, job] = due_.top();
        due_.pop();
        if (release > now_) {
            pass(release, jobs_[job].take);
        }
        run(job);
        return !due_.empty();
    }

private:
    using Due = std::pair<Time, std::size_t>;

    double share(std::size_t job) {
        if (!chance_[job]) { // each job has its own, so that what one does leaves the others as they were
            chance_[job] = std::make_unique<std::mt19937_64>(seed_ * 0x9E3779B97F4A7C15ull + job);
        }
        return (static_cast<double>((*chance_[job])() >> 11) + 0.5) * 0x1p-53;
    }

    Time interval(std::size_t index) {
        const TickJob<Time>& job = jobs_[index];
        if constexpr (!std::is_same_v<Time, Rational>) {
            if (job.isRandom) {
                return static_cast<Time>(-std::log(share(index)) * static_cast<double>(job.every));
            }
        }
        return job.every; // what comes by chance is never played in fractions
    }

    /// The release of a job as late as chance makes it.
    Time late(std::size_t index) {
        const TickJob<Time>& job = jobs_[index];
        if constexpr (!std::is_same_v<Time, Rational>) {
            if (job.jitter > 0) {
                return nominal_[index] + static_cast<Time>(share(index) * static_cast<double>(job.jitter));
            }
        }
        return nominal_[index];
    }

    void spend(Doing doing, std::size_t which, const Time& time) {
        sink_.spent(doing, which, now_, now_ + time);
        now_ += time;
    }

    /// The gap until a release, at rest or waiting; then the wake-up into the job's take.
    void pass(const Time& release, std::size_t take) {
        const Time gap = release - now_;
        if (!mayRest_ || gap <= takes_[take].leastRest) {
            spend(Doing::waiting, take_, gap);
            return;
        }
        sink_.rested(now_, release);
        spend(Doing::resting, 0, gap);
        spend(Doing::stages, take, takes_[take].stages);
        spend(Doing::restoring, take, takes_[take].restore);
        take_ = take;
    }

    void run(std::size_t index) {
        const TickJob<Time>& job = jobs_[index];
        if (job.take != take_) {
            spend(Doing::restoring, job.take, takes_[job.take].changeFrom[take_]);
            take_ = job.take;
        }
        sink_.began(index, now_);
        spend(Doing::job, index, job.lasts);
        if (!job.isFollower) {
            nominal_[index] += interval(index);
            due_.push({late(index), index});
        }
        for (const std::size_t follower : job.followers) {
            due_.push({now_, follower});
        }
    }

    const std::vector<TickJob<Time>>& jobs_;
    const std::vector<TickTake<Time>>& takes_;
    bool mayRest_;
    std::uint64_t seed_;
    std::vector<std::unique_ptr<std::mt19937_64>> chance_; ///< by job; those that leave nothing to chance have none
    Sink& sink_;
    std::vector<Time> nominal_;
    std::priority_queue<Due, std::vector<Due>, std::greater<>> due_;
    Time now_{};
    std::size_t take_ = 0;
};

/// Writes down what lies in a window.
template <class Time>
struct StretchSink {
    Time start;
    Time end;
    double ticks;
    std::vector<Stretch> stretches = {};

    void spent(Doing doing, std::size_t which, const Time& from, const Time& to) {
        const Time& low = std::max(from, start);
        const Time& high = std::min(to, end);
        if (low < high) {
            stretches.push_back({doing, static_cast<std::uint16_t>(which), asDouble<Time>(low - start) / ticks,
                                 asDouble<Time>(high - start) / ticks});
        }
    }
    void rested(const Time&, const Time&) {}
    void began(std::size_t, const Time&) {}
};

/// Adds up all times by slot.
struct SlotSink {
    std::size_t takes;
    std::vector<std::int64_t> slots;

    void spent(Doing doing, std::size_t which, std::int64_t from, std::int64_t to) {
        const std::size_t slot = doing == Doing::resting ? 0
                                 : doing == Doing::job   ? 1 + 3 * takes + which
                                                         : 1 + (static_cast<std::size_t>(doing) - 1) * takes + which;
        slots[slot] += to - from;
        slots.back() += to - from;
    }
    void rested(std::int64_t, std::int64_t) {}
    void began(std::size_t, std::int64_t) {}
};

/// All times of a play as whole ticks, `perSecond` of them a second.
template <class Time>
struct Ticked {
    std::vector<TickJob<Time>> jobs;
    std::vector<TickTake<Time>> takes;
    Rational perSecond = 1;

    Time ticks(const Rational& seconds) const {
        if constexpr (std::is_same_v<Time, Rational>) {
            return seconds;
        } else {
            return static_cast<Time>((seconds * perSecond).rounded().toWide().value());
        }
    }
    /// A gap is longer than the time if and only if it is longer than so many ticks.
    Time ticksBelow(const Rational& seconds) const {
        if constexpr (std::is_same_v<Time, Rational>) {
            return seconds;
        } else {
            const Rational most = Rational::wide(Rational::Wide{1} << (sizeof(Time) * 8 - 3)); // longer than any gap of a play
            return static_cast<Time>(std::min((seconds * perSecond).floor(), most).toWide().value());
        }
    }
    Rational seconds(const Time& time) const {
        if constexpr (std::is_same_v<Time, Rational>) {
            return time;
        } else {
            return Rational::wide(time) / perSecond;
        }
    }

    Ticked(const std::vector<TimelineJob>& list, const std::vector<TimelineTake>& takeList, const Rational& rate)
        : perSecond(rate) {
        for (const TimelineJob& job : list) {
            TickJob<Time> ticked;
            ticked.isFollower = job.after.has_value();
            ticked.every = ticks(job.every);
            if constexpr (!std::is_same_v<Time, Rational>) {
                ticked.every = std::max(ticked.every, Time(1));
            }
            ticked.phase = ticked.isFollower ? Time{} : ticks(job.phase - (job.phase / job.every).floor() * job.every);
            ticked.lasts = ticks(job.lasts);
            ticked.jitter = ticks(job.jitter);
            ticked.take = job.take;
            ticked.isRandom = job.isRandom;
            jobs.push_back(std::move(ticked));
        }
        for (std::size_t i = 0; i < list.size(); ++i) {
            if (list[i].after) {
                jobs[*list[i].after].followers.push_back(i);
            }
        }
        for (const TimelineTake& take : takeList) {
            TickTake<Time> ticked{ticks(take.stages), ticks(take.restore), {}, ticksBelow(take.leastRest)};
            for (const Rational& change : take.changeFrom) {
                ticked.changeFrom.push_back(ticks(change));
            }
            takes.push_back(std::move(ticked));
        }
    }
};

/// The least number of ticks a second in which all times of an exact play are whole.
std::optional<Rational> commonTicks(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes,
                                    const Rational& span) {
    try {
        Rational common = span.denominator();
        const auto add = [&](const Rational& time) { common = commonMultiple(common, time.denominator()); };
        for (const TimelineJob& job : jobs) {
            add(job.every);
            add(job.phase);
            add(job.lasts);
        }
        for (const TimelineTake& take : takes) {
            add(take.stages);
            add(take.restore);
            for (const Rational& change : take.changeFrom) {
                add(change);
            }
        }
        return common;
    } catch (const std::exception&) {
        return std::nullopt;
    }
}

/// The longest time that a play over the span can come to: its end and one more of everything.
Rational horizonOf(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, const Rational& span) {
    Rational longest = span * 2;
    for (const TimelineJob& job : jobs) {
        longest += job.every + job.lasts + job.jitter;
    }
    for (const TimelineTake& take : takes) {
        longest += take.stages + take.restore;
        for (const Rational& change : take.changeFrom) {
            longest += change;
        }
    }
    return longest;
}

/// How many runs there are in a span.
Rational playedRuns(const std::vector<TimelineJob>& jobs, const Rational& span) {
    const std::vector<std::size_t> roots = rootsOf(jobs);
    Rational runs;
    for (const std::size_t root : roots) {
        runs += (span / jobs[root].every).ceil();
    }
    return runs;
}

/// Ticks a second for times that no number of ticks holds, such as an interval of 3.3333333333333333 min beside others: span,
/// intervals and phases are whole wherever that fits, so that what comes together comes together, and the others are as near as a
/// 2^-90th of the horizon. None where even the span is not.
std::optional<Rational> nearTicks(const std::vector<TimelineJob>& jobs, const Rational& span, const Rational& horizon) {
    const Rational most = Rational::wide(Rational::Wide{1} << 110) / horizon.ceil();
    Rational common = span.denominator();
    const auto add = [&](const Rational& time) {
        try {
            const Rational next = commonMultiple(common, time.denominator());
            common = next <= most ? next : common;
        } catch (const std::exception&) {
            return; // it is not whole
        }
    };
    for (const TimelineJob& job : jobs) {
        add(job.every);
        add(job.phase);
    }
    if (common > most) {
        return std::nullopt;
    }
    const Rational fine = Rational::wide(Rational::Wide{1} << 90) / horizon.ceil();
    return common * std::max(Rational(1), (fine / common).floor());
}

/// Plays exactly in the narrowest numbers that hold every time, or by chance in nanoseconds, and hands the ticked play to `use`.
/// What no whole numbers hold is played in fractions where it is short, and else in ticks that are near.
template <class Use>
void withTicks(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, const Rational& span, bool hasChance,
               Use use) {
    const Rational horizon = horizonOf(jobs, takes, span);
    const Rational narrow = Rational(std::int64_t{1} << 62);
    if (hasChance) {
        Rational rate = powerOfTen(9);
        while (horizon * rate >= narrow) {
            rate /= 10;
        }
        use(Ticked<std::int64_t>(jobs, takes, rate));
        return;
    }
    const auto common = commonTicks(jobs, takes, span);
    const Rational ticks = common ? horizon.ceil() * *common : Rational(-1);
    if (common && ticks < narrow) {
        use(Ticked<std::int64_t>(jobs, takes, *common));
    } else if (common && ticks < Rational::wide(Rational::Wide{1} << 124)) {
        use(Ticked<Wide>(jobs, takes, *common));
    } else {
        constexpr std::int64_t kMostExact = 500; // runs; in fractions a run takes a tenth of a millisecond and more
        const auto near = playedRuns(jobs, span) > kMostExact ? nearTicks(jobs, span, horizon) : std::nullopt;
        if (near) {
            use(Ticked<Wide>(jobs, takes, *near));
        } else {
            use(Ticked<Rational>(jobs, takes, 1));
        }
    }
}

} // namespace

Timeline::Timeline(std::vector<TimelineJob> jobs, std::vector<TimelineTake> takes, bool mayRest, GoOn goOn)
    : jobs_(std::move(jobs)), takes_(std::move(takes)), mayRest_(mayRest), goOn_(std::move(goOn)) {}

bool Timeline::hasChance() const {
    return std::any_of(jobs_.begin(), jobs_.end(), [](const TimelineJob& job) { return job.isRandom || !job.jitter.isZero(); });
}

namespace {

/// The periods from `from` up to `to`, which come again and again.
struct Cycle {
    std::size_t from = 1;
    std::size_t to = 2;
    bool isSettled = true;
};

/// Plays period after period until one ends as an earlier one did.
template <class Time>
Cycle playCycle(Player<Time, PeriodSink<Time>>& player, PeriodSink<Time>& sink, bool canSettle, const GoOn& goOn) {
    constexpr std::size_t kMostPeriods = PeriodSink<Time>::kMostPeriods;
    constexpr std::int64_t kMostRunsPlayed = std::is_same_v<Time, Rational> ? 20000 : 400000; // fractions are slow
    constexpr int kNeverIdle = 4;
    std::vector<std::vector<Time>> states;
    std::int64_t runs = 0;
    int busy = 0; // periods in a row without any idle time, each with more that is late
    Time late{};
    for (std::size_t period = 0;; ++period) {
        player.playTo(sink.width, goOn);
        runs += sink.at(period).runs;
        player.rebase(sink.width);
        sink.rebase();
        if (!canSettle) {
            if (period == 1) {
                return {};
            }
            continue;
        }
        std::vector<Time> state = player.state();
        const auto same = std::find(states.begin(), states.end(), state);
        if (same != states.end()) {
            return {static_cast<std::size_t>(same - states.begin()) + 1, period + 1, true};
        }
        // without idle time the next period is like this one, and what is late grows: it never settles
        busy = !sink.at(period).hasIdle() && player.late() > late ? busy + 1 : 0;
        late = player.late();
        if (period > 0 && (period + 1 >= kMostPeriods || runs > kMostRunsPlayed || busy >= kNeverIdle)) {
            return {period, period + 1, false};
        }
        states.push_back(std::move(state));
    }
}

} // namespace

TimelineTotals Timeline::play(const Rational& span, std::uint64_t seed) const {
    Rational load;
    const std::vector<std::size_t> roots = rootsOf(jobs_);
    for (std::size_t i = 0; i < jobs_.size(); ++i) {
        orStop(goOn_);
        load = shortened(load + jobs_[i].lasts / jobs_[roots[i]].every, Rounding::up);
    }
    orStop(goOn_);
    const bool canSettle = !hasChance() && load <= 1;
    TimelineTotals totals;
    withTicks(jobs_, takes_, span, hasChance(), [&]<class Time>(const Ticked<Time>& ticked) {
        PeriodSink<Time> sink{ticked.ticks(span), jobs_.size(), takes_.size()};
        orStop(goOn_);
        Player<Time, PeriodSink<Time>> player(ticked.jobs, ticked.takes, mayRest_, seed, sink);
        orStop(goOn_);
        const Cycle cycle = playCycle(player, sink, canSettle, goOn_);
        orStop(goOn_);
        PeriodSums<Time> sums(jobs_.size(), takes_.size());
        for (std::size_t period = cycle.from; period < cycle.to; ++period) {
            sums.add(sink.at(period));
        }
        const auto seconds = [&](const std::vector<Time>& times) {
            std::vector<Rational> list;
            for (const Time& time : times) {
                list.push_back(ticked.seconds(time));
            }
            return list;
        };
        orStop(goOn_);
        totals = {span * static_cast<std::int64_t>(cycle.from),
                  span * static_cast<std::int64_t>(cycle.to - cycle.from),
                  cycle.isSettled || load > 1,
                  seconds(sums.jobs),
                  seconds(sums.stages),
                  seconds(sums.restoring),
                  seconds(sums.waiting),
                  ticked.seconds(sums.resting),
                  ticked.seconds(sums.longestRest),
                  sums.wakeUps,
                  sums.runs,
                  {}};
        for (const auto& interval : sums.intervals) {
            totals.intervals.push_back(
                interval ? std::optional(std::pair(ticked.seconds(interval->first), ticked.seconds(interval->second)))
                         : std::nullopt);
        }
    });
    return totals;
}

std::vector<Stretch> Timeline::stretches(const Rational& from, const Rational& span, std::uint64_t seed) const {
    std::vector<Stretch> list;
    withTicks(jobs_, takes_, from + span, hasChance(), [&]<class Time>(const Ticked<Time>& ticked) {
        const Time start = ticked.ticks(from);
        const double perSecond = std::is_same_v<Time, Rational> ? 1 : ticked.perSecond.toDouble();
        StretchSink<Time> sink{start, Time(start + ticked.ticks(span)), perSecond};
        Player<Time, StretchSink<Time>>(ticked.jobs, ticked.takes, mayRest_, seed, sink).playTo(sink.end, goOn_);
        list = std::move(sink.stretches);
    });
    return list;
}

std::vector<double> Timeline::chanceTotals(std::int64_t runs, std::uint64_t seed) const {
    Rational slowest = 1;
    for (const TimelineJob& job : jobs_) {
        slowest = std::max(slowest, job.every);
    }
    std::vector<double> seconds;
    withTicks(jobs_, takes_, slowest * runs, true, [&]<class Time>(const Ticked<Time>& ticked) {
        if constexpr (std::is_same_v<Time, std::int64_t>) {
            SlotSink sink{takes_.size(), std::vector<std::int64_t>(2 + 3 * takes_.size() + jobs_.size())};
            Player<Time, SlotSink> player(ticked.jobs, ticked.takes, mayRest_, seed, sink);
            for (std::int64_t i = 0; i < runs && player.playOne(); ++i) {
            }
            for (const std::int64_t time : sink.slots) {
                seconds.push_back(static_cast<double>(time) / ticked.perSecond.toDouble());
            }
        }
    });
    return seconds;
}

std::optional<Rational> hyperperiod(const std::vector<TimelineJob>& jobs) {
    try {
        // lcm(a/b, c/d) = lcm(a, c) / gcd(b, d) for fractions in lowest terms
        Rational numerator = 1;
        Rational denominator = 0;
        for (const TimelineJob& job : jobs) {
            if (!job.after) {
                numerator = commonMultiple(numerator, job.every.numerator());
                denominator = commonDivisor(denominator, job.every.denominator());
            }
        }
        return denominator.isZero() ? std::nullopt : std::optional(numerator / denominator);
    } catch (const std::exception&) {
        return std::nullopt;
    }
}

std::vector<std::size_t> rootsOf(const std::vector<TimelineJob>& jobs) {
    constexpr std::size_t kUnknown = static_cast<std::size_t>(-1);
    std::vector<std::size_t> roots(jobs.size(), kUnknown);
    std::vector<std::size_t> followed;
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        followed.clear();
        std::size_t at = i;
        while (roots[at] == kUnknown && jobs[at].after && followed.size() < jobs.size()) {
            followed.push_back(at);
            at = *jobs[at].after;
        }
        const std::size_t root = roots[at] == kUnknown ? at : roots[at];
        roots[at] = root;
        for (const std::size_t each : followed) {
            roots[each] = root;
        }
    }
    return roots;
}

} // namespace wisetick
