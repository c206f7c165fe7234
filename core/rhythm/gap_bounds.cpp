#include "rhythm/gap_bounds.h"

#include <algorithm>
#include <limits>

namespace wisetick {

namespace {

constexpr double kNever = std::numeric_limits<double>::infinity();
/// Of a due time: what sums of doubles may be off.
constexpr double kRounding = 1e-12;

struct Event {
    Rational due;
    double at = 0; ///< due
    std::size_t job = 0;
};

/// What the runs of a job and of those that follow it take.
struct Work {
    Rational least;
    double most = 0;
};

std::vector<Event> eventsOf(const std::vector<TimelineJob>& jobs, const Rational& until) {
    std::vector<Event> events;
    for (std::size_t i = 0; i < jobs.size(); ++i) {
        if (jobs[i].after) {
            continue;
        }
        const Rational first = jobs[i].phase - (jobs[i].phase / jobs[i].every).floor() * jobs[i].every;
        for (Rational due = first; due < until; due += jobs[i].every) {
            events.push_back({due, due.toDouble(), i});
        }
    }
    std::stable_sort(events.begin(), events.end(), [](const Event& a, const Event& b) { return a.due < b.due; });
    return events;
}

std::vector<Work> worksOf(const PlayedCorners& played) {
    std::vector<Work> works(played.typicalJobs.size());
    const std::vector<std::size_t> roots = rootsOf(played.typicalJobs);
    for (std::size_t i = 0; i < works.size(); ++i) {
        const std::size_t root = roots[i];
        const TimelineTake& take = played.longestTakes[played.longestJobs[i].take];
        Rational change;
        for (const Rational& from : take.changeFrom) {
            change = std::max(change, from);
        }
        works[root].least += played.typicalJobs[i].lasts;
        works[root].most += (played.longestJobs[i].lasts + change).toDouble();
    }
    return works;
}

/// The runs since the last sure rest: of each kind of sum the run that gives the least gap after it.
class Cluster {
public:
    Cluster(double slowest, double fastest) : slowest_(slowest), fastest_(fastest) {}

    void begin() {
        most_ = kNever;
        least_ = kNever;
    }
    /// The gap before a run that is due then, at most and at least.
    double most(double due) const { return due * slowest_ - typicalWork_ + most_; }
    double least(double due) const { return due * fastest_ - longestWork_ + least_; }
    std::size_t run() const { return run_; }

    /// `surely`: the waking that it surely has; `maybe`: that it has at most.
    void add(std::size_t run, double due, double surely, double maybe, double typical, double longest) {
        const double most = typicalWork_ - due * slowest_ - surely;
        if (most < most_) {
            most_ = most;
            run_ = run;
        }
        least_ = std::min(least_, longestWork_ - due * fastest_ - maybe);
        typicalWork_ += typical;
        longestWork_ += longest;
    }

private:
    double slowest_;
    double fastest_;
    double typicalWork_ = 0;
    double longestWork_ = 0;
    double most_ = kNever;
    double least_ = kNever;
    std::size_t run_ = 0; ///< the one that most_ is of
};

} // namespace

bool GapBounds::isSure() const {
    return std::all_of(unsure.begin(), unsure.end(), [](std::int64_t number) { return number == 0; });
}

GapBounds gapBounds(const PlayedCorners& played, const Rational& span, const Bounds& stretch) {
    GapBounds bounds;
    bounds.span = span;
    bounds.unsure.resize(played.typicalTakes.size());
    const std::vector<Event> events = eventsOf(played.typicalJobs, 2 * span);
    const std::vector<Work> works = worksOf(played);
    double pays = 0;
    for (const TimelineTake& take : played.typicalTakes) {
        pays = std::max(pays, take.leastRest.toDouble());
    }
    std::vector<Rational> wakes;
    std::vector<double> longestWakes;
    for (std::size_t i = 0; i < played.typicalTakes.size(); ++i) {
        wakes.push_back(played.typicalTakes[i].stages + played.typicalTakes[i].restore);
        longestWakes.push_back((played.longestTakes[i].stages + played.longestTakes[i].restore).toDouble());
    }
    Cluster cluster(stretch.max.toDouble(), stretch.min.toDouble());
    double longest = -kNever;
    std::size_t from = 0; // the run that gives the longest rest, and the one that it ends with
    std::size_t to = 0;
    std::size_t head = 0;
    Rational longestCluster; // between its first due and its last
    bool isFromHead = false;
    for (std::size_t i = 0; i < events.size(); ++i) {
        const Event& event = events[i];
        const std::size_t take = played.typicalJobs[event.job].take;
        const double most = i == 0 ? kNever : cluster.most(event.at);
        const double least = i == 0 ? kNever : cluster.least(event.at);
        const double rounding = kRounding * event.at;
        const bool isCounted = event.due >= span;
        if (isCounted && most > pays + rounding && most > longest) {
            longest = most;
            from = cluster.run();
            to = i;
            isFromHead = from == head;
        }
        double surely = 0;
        double maybe = 0;
        if (least > pays + rounding) {
            cluster.begin();
            head = i;
            surely = wakes[take].toDouble();
            maybe = longestWakes[take];
        } else if (const bool isSurelyWaited = least >= -rounding && most <= pays + rounding;
                   most > rounding && !isSurelyWaited) {
            bounds.unsure[take] += isCounted ? 1 : 0;
            maybe = longestWakes[take];
        }
        longestCluster = std::max(longestCluster, event.due - events[head].due);
        cluster.add(i, event.at, surely, maybe, works[event.job].least.toDouble(), works[event.job].most);
    }
    bounds.slides = std::max(1 - stretch.min, stretch.max - 1) * longestCluster;
    if (to > from) {
        Rational rest = (events[to].due - events[from].due) * stretch.max;
        for (std::size_t i = from; i < to; ++i) {
            rest -= works[events[i].job].least;
        }
        bounds.longestRest = isFromHead ? rest - wakes[played.typicalJobs[events[from].job].take] : rest;
    }
    return bounds;
}

} // namespace wisetick
