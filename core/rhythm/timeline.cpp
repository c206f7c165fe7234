#include "rhythm/timeline.h"

#include <algorithm>

namespace wisetick {

namespace {

using Integer = Rational::Integer;

/// Adds the part of [from, to) that lies in the measured window.
class Window {
public:
    Window(const Rational& start, const Rational& end) : start_(start), end_(end) {}

    bool contains(const Rational& time) const { return time >= start_ && time < end_; }
    const Rational& end() const { return end_; }

    void add(Rational& total, const Rational& from, const Rational& to) const {
        const Rational& low = std::max(from, start_);
        const Rational& high = std::min(to, end_);
        if (low < high) {
            total += high - low;
        }
    }

private:
    Rational start_;
    Rational end_;
};

/// The state of one play.
class Player {
public:
    Player(const std::vector<TimelineJob>& jobs, const std::vector<TimelineTake>& takes, bool mayRest, const Window& window)
        : jobs_(jobs), takes_(takes), mayRest_(mayRest), window_(window) {
        totals_.jobs.resize(jobs.size());
        totals_.stages.resize(takes.size());
        totals_.restoring.resize(takes.size());
        totals_.waiting.resize(takes.size());
        for (const TimelineJob& job : jobs) {
            next_.push_back(job.phase - (job.phase / job.every).floor() * job.every);
        }
    }

    TimelineTotals play() {
        while (now_ < window_.end()) {
            const std::size_t job = nextJob();
            const Rational release = next_[job];
            if (release > now_) {
                pass(release, jobs_[job].take);
            }
            run(job);
        }
        return totals_;
    }

private:
    std::size_t nextJob() const {
        std::size_t best = 0;
        for (std::size_t i = 1; i < next_.size(); ++i) {
            if (next_[i] < next_[best]) {
                best = i;
            }
        }
        return best;
    }

    void spend(Rational& total, const Rational& time) {
        window_.add(total, now_, now_ + time);
        now_ += time;
    }

    /// The gap until a release, at rest or waiting; then the wake-up into the job's take.
    void pass(const Rational& release, std::size_t take) {
        const Rational gap = release - now_;
        if (!mayRest_ || gap <= takes_[take].leastRest) {
            spend(totals_.waiting[take_], gap);
            return;
        }
        if (window_.contains(release)) {
            ++totals_.wakeUps;
        }
        if (window_.contains(now_)) { // one that began before may still show how the play began
            totals_.longestRest = std::max(totals_.longestRest, gap);
        }
        spend(totals_.resting, gap);
        spend(totals_.stages[take], takes_[take].stages);
        spend(totals_.restoring[take], takes_[take].restore);
        take_ = take;
    }

    void run(std::size_t job) {
        const std::size_t take = jobs_[job].take;
        if (take != take_) {
            spend(totals_.restoring[take], takes_[take].changeFrom[take_]);
            take_ = take;
        }
        if (window_.contains(now_)) {
            ++totals_.runs;
        }
        spend(totals_.jobs[job], jobs_[job].lasts);
        next_[job] += jobs_[job].every;
    }

    const std::vector<TimelineJob>& jobs_;
    const std::vector<TimelineTake>& takes_;
    bool mayRest_;
    Window window_;
    TimelineTotals totals_;
    std::vector<Rational> next_;
    Rational now_;
    std::size_t take_ = 0;
};

} // namespace

Timeline::Timeline(std::vector<TimelineJob> jobs, std::vector<TimelineTake> takes, bool mayRest)
    : jobs_(std::move(jobs)), takes_(std::move(takes)), mayRest_(mayRest) {}

TimelineTotals Timeline::play(const Rational& span) const {
    return Player(jobs_, takes_, mayRest_, Window(span, span * 2)).play();
}

std::optional<Rational> hyperperiod(const std::vector<TimelineJob>& jobs) {
    try {
        // lcm(a/b, c/d) = lcm(a, c) / gcd(b, d) for fractions in lowest terms
        Integer numerator = 1;
        Integer denominator = 0;
        for (const TimelineJob& job : jobs) {
            numerator = boost::multiprecision::lcm(numerator, job.every.numerator());
            denominator = boost::multiprecision::gcd(denominator, job.every.denominator());
        }
        return denominator == 0 ? std::nullopt : std::optional(Rational::ratio(numerator, denominator));
    } catch (const std::exception&) {
        return std::nullopt;
    }
}

} // namespace wisetick
