#include "promise/timer.h"

#include "base/text.h"
#include "promise/counter_search.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// The timer as one promise uses it: chained or not, its counts behind one post-scaler.
class Counter {
public:
    Counter(const TimerKind& timer, const TimerGoal& goal, const Clock& clock, const Clock* core)
        : timer_(timer), goal_(goal), clock_(clock) {
        if (goal.late && core != nullptr) {
            late_ = inverse(core->hertz * core->speed, *goal.late);
        }
        isKnown_ = clock.unknown.empty() && (!goal.late || core == nullptr || core->unknown.empty());
    }

    const TimerGoal& goal() const { return goal_; }
    const Clock& clock() const { return clock_; }
    bool isKnown() const { return isKnown_; }
    const Bounds& late() const { return late_; }

    CounterReach reach() const {
        const bool isJoined = goal_.isChained && timer_.chain && timer_.chain->counts.empty();
        return {timer_.prescaler,
                isJoined ? FactorSet::range(1, Rational(std::int64_t{1} << timer_.chain->bits)) : timer_.counts};
    }

    bool isCascade() const { return goal_.isChained && timer_.chain && !timer_.chain->counts.empty(); }

    /// What multiplies the period of the counter: the post-scaler, or in a cascade what the other one counts.
    std::vector<Rational> posts(const std::vector<Setting>& pinned) const {
        if (isCascade()) {
            return cascadeCounts(pinnedValue(pinned, "chained_counts"));
        }
        const Rational* held = pinnedValue(pinned, "post");
        if (timer_.post.empty()) {
            return {1};
        }
        if (held != nullptr) {
            return timer_.post.contains(*held) ? std::vector{*held} : std::vector<Rational>();
        }
        std::vector<Rational> all;
        for (std::int64_t i = 0; i < timer_.post.size().toInt64().value_or(0) && i < 256; ++i) {
            all.push_back(timer_.post.at(i));
        }
        return all;
    }

    Rational mostPost() const {
        return isCascade() ? timer_.chain->counts.most() : (timer_.post.empty() ? Rational(1) : timer_.post.most());
    }

    Way judgedWay(const CounterSetting& setting, const Rational& post, const Rational& repeats) const {
        std::vector<Setting> settings{{"prescaler", setting.prescaler}, {"counts", setting.counts}};
        if (!timer_.post.empty() && !isCascade()) {
            settings.push_back({"post", post});
        }
        if (goal_.isChained) {
            settings.push_back({"chain", 1});
        }
        if (isCascade()) {
            settings.push_back({"chained_counts", post});
        }
        if (goal_.isRepeated) {
            settings.push_back({"repeats", repeats});
        }
        const Bounds got = (inverse(clock_.hertz, setting.product() * post) + late_) * repeats;
        Way way = wayThatGives(std::move(settings), got, goal_.period);
        const Judgement judgement =
            goal_.isAtLeast ? judgeAtLeast(got, goal_.period, isKnown_) : judgeTolerance(way.error, goal_.tolerance, isKnown_);
        return judgedAs(std::move(way), judgement);
    }

    /// The range of products that a state admits.
    struct Range {
        Rational low;
        Rational high;
    };

    /// Ranges to search, best state first: all worst cases inside, the nominal inside, anything.
    std::vector<Range> rangesByState(const CounterReach& reach, const Rational& post, const Rational& repeats) const {
        std::vector<Range> ranges;
        const Bounds& hertz = clock_.hertz;
        const auto low = [&](const Rational& share, const Rational& rate, const Rational& late) {
            return (goal_.period * share / repeats - late) * rate / post;
        };
        if (goal_.isAtLeast) {
            if (isKnown_) {
                ranges.push_back({low(1, hertz.max, late_.min), reach.most()});
            }
            ranges.push_back({low(1, hertz.nominal, late_.nominal), reach.most()});
        } else if (goal_.tolerance.within) {
            const Rational tolerance = *goal_.tolerance.within;
            if (isKnown_) {
                ranges.push_back({low(1 - tolerance, hertz.max, late_.min), low(1 + tolerance, hertz.min, late_.max)});
            }
            ranges.push_back(
                {low(1 - tolerance, hertz.nominal, late_.nominal), low(1 + tolerance, hertz.nominal, late_.nominal)});
        } else {
            const Rational nominal = low(1, hertz.nominal, late_.nominal);
            ranges.push_back({nominal, nominal});
        }
        ranges.push_back({reach.least(), reach.most()});
        return ranges;
    }

    /// The product whose worst-case |error| is least: where the errors at the slowest and at the fastest clock balance.
    Rational balancedProduct(const Rational& post, const Rational& repeats) const {
        const Bounds& hertz = clock_.hertz;
        return (2 * goal_.period / repeats - late_.min - late_.max) * hertz.min * hertz.max / (hertz.min + hertz.max) / post;
    }

    /// The product that gives the period at the nominal clock.
    Rational wantedProduct(const Rational& repeats = 1) const {
        return (goal_.period / repeats - late_.nominal) * clock_.hertz.nominal;
    }

private:
    /// Those that divide the clock periods wanted, where these are whole: with one of them the rest is exact too, if anything is.
    /// Then the fewest that reach and those that follow, which leave the finest steps; and the ends.
    std::vector<Rational> cascadeCounts(const Rational* held) const {
        constexpr std::int64_t kMostLookedAt = 1 << 17;
        constexpr std::size_t kMostDivisors = 128;
        constexpr int kNext = 16;
        const FactorSet& counts = timer_.chain->counts;
        if (held != nullptr) {
            return counts.contains(*held) ? std::vector{*held} : std::vector<Rational>();
        }
        std::vector<Rational> list{counts.least(), counts.most()};
        const Rational wanted = wantedProduct();
        if (wanted.sign() <= 0) {
            return list;
        }
        const std::int64_t size = std::min(counts.size().toInt64().value_or(0), kMostLookedAt);
        for (std::int64_t i = 0; wanted.isWhole() && i < size && list.size() < kMostDivisors; ++i) {
            if ((wanted / counts.at(i)).isWhole()) {
                list.push_back(counts.at(i));
            }
        }
        auto next = counts.atLeast((wanted / (timer_.prescaler.most() * timer_.counts.most())).ceil());
        for (int i = 0; i < kNext && next; ++i) {
            list.push_back(*next);
            next = counts.atLeast(*next + 1);
        }
        std::sort(list.begin(), list.end());
        list.erase(std::unique(list.begin(), list.end()), list.end());
        return list;
    }

    const TimerKind& timer_;
    const TimerGoal& goal_;
    const Clock& clock_;
    Bounds late_ = Bounds::exactly(0);
    bool isKnown_ = true;
};

/// Of those that wait at least so long the shorter one is better: there the error is one-sided.
bool isBetterTimerWay(const Way& a, const Way& b) {
    const int order = compareWays(a, b);
    if (order != 0) {
        return order < 0;
    }
    for (const char* fewer : {"repeats", "post", "chained_counts"}) {
        if (settingOf(a, fewer) != settingOf(b, fewer)) {
            return settingOf(a, fewer) < settingOf(b, fewer);
        }
    }
    const Rational countsA = settingOf(a, "counts");
    const Rational countsB = settingOf(b, "counts");
    return countsA != countsB ? countsA > countsB : settingOf(a, "prescaler") < settingOf(b, "prescaler");
}

void keepBetter(std::optional<Way>& best, Way way) {
    if (!best || isBetterTimerWay(way, *best)) {
        best = std::move(way);
    }
}

/// The best way of so many repeats.
std::optional<Way> bestOfRepeats(const Counter& counter, const CounterReach& reach, const std::vector<Rational>& posts,
                                 const Rational& repeats) {
    std::optional<Way> best;
    for (const Rational& post : posts) {
        const Rational target = counter.balancedProduct(post, repeats);
        for (const Counter::Range& range : counter.rangesByState(reach, post, repeats)) {
            const NearestSettings near = nearestSettings(reach, range.low, target, range.high);
            for (const auto& setting : {near.below, near.above}) {
                if (setting) {
                    keepBetter(best, counter.judgedWay(*setting, post, repeats));
                }
            }
            if (near.below || near.above) {
                break;
            }
        }
    }
    return best;
}

/// The repeats to look at: from the fewest that reach on, and where the reach has a gap between two prescalers from the fewest
/// that reach below it too.
std::vector<std::int64_t> repeatsOf(const Counter& counter, const CounterReach& reach, const std::vector<Rational>& posts,
                                    const std::vector<Setting>& pinned, std::int64_t tried) {
    if (!counter.goal().isRepeated) {
        return {1};
    }
    if (const Rational* held = pinnedValue(pinned, "repeats")) {
        return {held->toInt64().value_or(1)};
    }
    std::vector<std::int64_t> list;
    const auto add = [&](const Rational& most) {
        const Rational longest = most * posts.back() / counter.clock().hertz.nominal + counter.late().nominal;
        const std::int64_t fewest = std::max<std::int64_t>((counter.goal().period / longest).ceil().toInt64().value_or(1), 1);
        for (std::int64_t repeats = fewest; repeats < fewest + tried; ++repeats) {
            list.push_back(repeats);
        }
    };
    add(reach.most());
    const std::int64_t size = reach.prescaler.size().toInt64().value_or(0);
    constexpr std::int64_t kMostPrescalers = 256;
    for (std::int64_t i = size - 2; i >= 0 && size <= kMostPrescalers && !counter.goal().isAtLeast; --i) {
        const Rational most = reach.prescaler.at(i) * reach.counts.most();
        if (most + reach.prescaler.at(i) < reach.prescaler.at(i + 1) * reach.counts.least()) {
            add(most);
        }
    }
    std::sort(list.begin(), list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
    return list;
}

std::optional<Way> bestWay(const TimerKind& timer, const Counter& counter, const std::vector<Setting>& pinned) {
    if (counter.goal().isChained && !timer.chain) {
        return std::nullopt;
    }
    const auto reach = pinnedReach(counter.reach(), pinned);
    const std::vector<Rational> posts = counter.posts(pinned);
    if (!reach || posts.empty()) {
        return std::nullopt;
    }
    std::optional<Way> best;
    for (const std::int64_t repeats : repeatsOf(counter, *reach, posts, pinned, repeatsTried(timer))) {
        if (auto way = bestOfRepeats(counter, *reach, posts, repeats)) {
            keepBetter(best, std::move(*way));
        }
        const bool isExact = best && best->error.nominal.isZero() && !counter.goal().tolerance.within && !counter.goal().late;
        if (isExact || (best && counter.goal().isAtLeast)) {
            break; // more repeats can't be nearer, and all exact ones are off alike at the corners
        }
    }
    return best;
}

std::string wholeOrNear(const Rational& value) {
    const std::string exact = exactDecimal(value);
    return exact.empty() ? "\u2248" + roundedDecimal(value, 7) : exact;
}

/// Makes the steps of one promise on a timer.
class TimerWorkings {
public:
    TimerWorkings(PromiseFigure& figure, const TimerKind& timer, const Counter& counter, const Way& way, const Clock* core)
        : figure_(figure), timer_(timer), counter_(counter), goal_(counter.goal()), clock_(counter.clock()), way_(way),
          core_(core), subject_(figure.subject.name) {}

    void add() {
        figure_.workings = {clockStep(clock_, subject_), askedStep(figure_)};
        addWanted();
        addTaken();
        addErrorSteps(figure_, clock_);
        addPreload();
        addLoad();
        addReach();
    }

private:
    Rational product() const { return settingOf(way_, "prescaler") * settingOf(way_, "counts"); }
    Rational post() const { return std::max({settingOf(way_, "post"), settingOf(way_, "chained_counts"), Rational(1)}); }
    /// What multiplies the counter's period, in words; empty where nothing does.
    Text postName() const { return counter_.isCascade() ? phrase("chained counts") : (timer_.post.empty() ? "" : "post-scaler"); }
    Rational repeats() const { return std::max(settingOf(way_, "repeats"), Rational(1)); }

    void addStep(Text what, Text formula, Text numbers, Text result) {
        figure_.workings.push_back({std::move(what),
                                    std::move(formula),
                                    std::move(numbers),
                                    std::move(result),
                                    {partOrigin(figure_), clockOrigin(clock_, clock_.hertz.nominal), askedOrigin(figure_)}});
    }

    void addWanted() {
        const std::string rate = printQuantity(clock_.hertz.nominal, Unit::hertz);
        const std::string period = printQuantity(goal_.period, Unit::second);
        if (goal_.isRepeated) {
            addStep(
                phrase("repeats"),
                phrase("fewest that reach, or one of the next {} that comes nearer", std::to_string(repeatsTried(timer_) - 1)),
                period + " \u00f7 " + repeats().toString(), printQuantity(goal_.period / repeats(), Unit::second));
        }
        if (goal_.late && core_ != nullptr) {
            addStep(phrase("late"), phrase("cycles \u00f7 core{}, in each period", speedName()),
                    printQuantity(*goal_.late, Unit::cycle) + " \u00f7 " + coreText(),
                    printQuantity(counter_.late().nominal, Unit::second));
            figure_.workings.back().origins.push_back(clockOrigin(*core_, core_->hertz.nominal));
        }
        const std::string before = goal_.isRepeated || goal_.late ? "(" : "";
        const std::string repeated = goal_.isRepeated ? period + " \u00f7 " + repeats().toString() : period;
        const std::string late = goal_.late ? " \u2212 " + printQuantity(counter_.late().nominal, Unit::second) : "";
        addStep(phrase("clock periods wanted"),
                before.empty() ? phrase("asked \u00d7 f") : phrase("(asked \u00f7 repeats \u2212 late) \u00d7 f"),
                before + repeated + late + (before.empty() ? "" : ")") + " \u00d7 " + rate,
                wholeOrNear(counter_.wantedProduct(repeats())));
    }

    void addTaken() {
        const Text factors = settingOf(way_, "prescaler").toString() + " \u00d7 " + settingOf(way_, "counts").toString() +
                             (postName().empty() ? "" : " \u00d7 " + post().toString());
        const Text names = phrase("prescaler \u00d7 counts{}", postName().empty() ? "" : " \u00d7 " + postName());
        addStep(phrase("{} taken", names), phrase("nearest product, then most counts"), factors, (product() * post()).toString());
        const Bounds one = inverse(clock_.hertz, product() * post()) + counter_.late();
        addStep(goal_.isRepeated ? phrase("one of them") : phrase("period"),
                names + " \u00f7 f" + (goal_.late ? phrase(" + late") : ""),
                factors + " \u00f7 " + printQuantity(clock_.hertz.nominal, Unit::hertz),
                printQuantity(one.nominal, Unit::second));
        if (goal_.isRepeated) {
            addStep(phrase("sum"), phrase("repeats \u00d7 one of them"),
                    repeats().toString() + " \u00d7 " + printQuantity(one.nominal, Unit::second),
                    printQuantity(way_.got.nominal, Unit::second));
        }
        if (!way_.error.nominal.isZero() && !goal_.isOnce) {
            const Rational off = way_.got.nominal - goal_.period;
            addStep(phrase("adds up to"), phrase("(got \u2212 asked) \u00d7 periods in an hour"),
                    phrase("{}{} each time", printQuantity(abs(off), Unit::second),
                           off.sign() > 0 ? phrase(" late") : phrase(" early")),
                    phrase("{}{} an hour", printQuantity(abs(way_.error.nominal) * 3600, Unit::second),
                           off.sign() > 0 ? phrase(" late") : phrase(" early")));
        }
    }

    void addPreload() {
        if (timer_.style != TimerStyle::preload) {
            return;
        }
        const Rational overflow = Rational(
            std::int64_t{1} << (goal_.isChained && timer_.chain && !counter_.isCascade() ? timer_.chain->bits : timer_.bits));
        const Rational preload = overflow - settingOf(way_, "counts");
        addStep(phrase("preload"), phrase("2^bits \u2212 counts"),
                overflow.toString() + " \u2212 " + settingOf(way_, "counts").toString(), preload.toString());
        if (timer_.bits > 8) {
            const std::int64_t value = preload.toInt64().value_or(0);
            addStep(phrase("its bytes"), phrase("high, low"), hexByte(value >> 8) + ", " + hexByte(value & 0xff),
                    std::to_string(value >> 8) + ", " + std::to_string(value & 0xff));
        }
    }

    static std::string hexByte(std::int64_t value) {
        constexpr const char* kTickDigits = "0123456789ABCDEF";
        std::string text;
        for (std::int64_t rest = value; rest > 0 || text.size() < 2; rest /= 16) {
            text.insert(text.begin(), kTickDigits[rest % 16]);
        }
        return "0x" + text;
    }

    Text speedName() const { return core_->speed == 1 ? "" : phrase(" \u00d7 speed of its waits"); }
    Text coreText() const {
        return printQuantity(core_->hertz.nominal, Unit::hertz) +
               (core_->speed == 1 ? "" : " \u00d7 " + printQuantity(core_->speed, Unit::ratio));
    }

    /// What the interrupt takes of the core.
    void addLoad() {
        if (!goal_.handled || core_ == nullptr) {
            return;
        }
        const Rational one = goal_.period / repeats();
        const Rational load = *goal_.handled / (one * core_->hertz.nominal * core_->speed);
        addStep(phrase("load of the core"),
                phrase("cycles, with entry and exit as far as the part tells them \u00f7 (period \u00d7 core{})", speedName()),
                printQuantity(*goal_.handled, Unit::cycle) + " \u00f7 (" + printQuantity(one, Unit::second) + " \u00d7 " +
                    coreText() + ")",
                printQuantity(load, Unit::ratio, 4));
        figure_.workings.back().origins.push_back(clockOrigin(*core_, core_->hertz.nominal));
    }

    void addReach() {
        const CounterReach reach = counter_.reach();
        const Rational most = counter_.mostPost();
        addStep(phrase("reach"),
                phrase("least and most prescaler \u00d7 counts{} \u00f7 f", postName().empty() ? "" : " \u00d7 " + postName()),
                {}, printRange(reach.least() / clock_.hertz.nominal, reach.most() * most / clock_.hertz.nominal, Unit::second));
    }

    PromiseFigure& figure_;
    const TimerKind& timer_;
    const Counter& counter_;
    const TimerGoal& goal_;
    const Clock& clock_;
    const Way& way_;
    const Clock* core_;
    std::string subject_;
};

/// Whether even the longest count is shorter than what is asked.
bool isOutOfReach(const Counter& counter) {
    const Rational most = counter.reach().most() * counter.mostPost();
    return !counter.goal().isRepeated && counter.wantedProduct() > most;
}

Text whyOf(const PromiseFigure& figure, const Counter& counter) {
    const TimerGoal& goal = counter.goal();
    if (figure.state == State::kept) {
        return {};
    }
    Text why = toleranceWhy(figure, toleranceText(goal.tolerance), counter.clock());
    if (goal.isAtLeast) {
        why = figure.state == State::strained && !counter.isKnown()
                  ? counter.clock().unknown
                  : phrase("{}{}, asked at least {}",
                           printQuantity(figure.state == State::broken ? figure.got->nominal : figure.got->min, Unit::second),
                           figure.state == State::broken ? "" : phrase(" in the worst case"),
                           printQuantity(goal.period, Unit::second));
    }
    if (figure.isOutOfReach) {
        return phrase("beyond this timer's reach; {}", why);
    }
    if (counter.wantedProduct() > mostProduct()) {
        return phrase("longer than 2^62 periods of its clock, which is as far as is counted here; {}", why);
    }
    if (counter.wantedProduct() < counter.reach().least()) {
        return phrase("shorter than this timer can count; {}", why);
    }
    return why;
}

/// How much of the slowest core the handler takes: more than all of it can't be, more than 70 % leaves too little for the rest.
void judgeLoad(PromiseFigure& figure, const TimerGoal& goal, const Clock* core) {
    if (!goal.handled || core == nullptr) {
        return;
    }
    const Rational* repeats = pinnedValue(figure.settings, "repeats");
    const Rational one = goal.period / (repeats == nullptr ? Rational(1) : *repeats);
    const Rational load = *goal.handled / (one * core->hertz.min * core->speed);
    const State state = load > 1 ? State::broken : (load > Rational(7, 10) ? State::strained : State::kept);
    if (state == State::kept || worseState(figure.state, state) == figure.state) {
        return;
    }
    figure.state = state;
    figure.why = phrase("its handler takes {} of the core at its slowest", printQuantity(load, Unit::ratio, 4));
}

} // namespace

std::int64_t repeatsTried(const TimerKind& timer) {
    return timer.prescaler.size() > 256 ? 4 : 64;
}

std::vector<Way> timerWays(const TimerKind& timer, const TimerGoal& goal, const Clock& clock, const std::vector<Setting>& pinned,
                           std::size_t most, const Clock* core) {
    const Counter counter(timer, goal, clock, core);
    const auto reach = pinnedReach(counter.reach(), pinned);
    if (!reach || (goal.isChained && !timer.chain)) {
        return {};
    }
    // without room for an error the best way is next to one of the targets, where the list has it anyway
    const bool isListed = !goal.tolerance.within && !goal.isAtLeast && !goal.isRepeated;
    const auto best = isListed ? std::nullopt : bestWay(timer, counter, pinned);
    const Rational repeats = best && goal.isRepeated ? settingOf(*best, "repeats") : Rational(1);
    std::vector<Way> ways;
    for (const Rational& post : counter.posts(pinned)) {
        for (const Rational& target : {counter.wantedProduct(repeats) / post, counter.balancedProduct(post, repeats)}) {
            for (const CounterSetting& setting : settingsByPrescaler(*reach, target, most)) {
                Way way = counter.judgedWay(setting, post, repeats);
                ways.push_back(std::move(way));
            }
        }
    }
    if (best) {
        ways.push_back(*best);
    }
    std::sort(ways.begin(), ways.end(), isBetterTimerWay);
    ways.erase(std::unique(ways.begin(), ways.end()), ways.end());
    ways.resize(std::min(most, ways.size()));
    return ways;
}

PromiseFigure judgeTimer(PromiseFigure figure, const TimerKind& timer, const TimerGoal& goal, const Clock& clock,
                         const std::vector<Setting>& pinned, Detail detail, const Clock* core) {
    const Counter counter(timer, goal, clock, core);
    figure.unit = Unit::second;
    figure.asked = goal.period;
    figure.isWorstKnown = counter.isKnown();
    const auto best = bestWay(timer, counter, pinned);
    if (!best) {
        figure.state = State::broken;
        figure.why = goal.isChained && !timer.chain ? phrase("this timer can't be chained with another")
                                                    : phrase("the pinned way is not one that this timer has");
        return figure;
    }
    takeWay(figure, *best);
    figure.isOutOfReach = figure.state != State::kept && isOutOfReach(counter);
    figure.why = whyOf(figure, counter);
    judgeLoad(figure, goal, core);
    if (detail == Detail::workings) {
        TimerWorkings(figure, timer, counter, *best, core).add();
    }
    return figure;
}

TimerKind wakeUpTimer(const RtcKind& rtc) {
    TimerKind timer;
    timer.bits = 48;
    timer.prescaler = rtc.prescaler;
    timer.counts = rtc.counts;
    return timer;
}

RateWindows timerRates(const TimerKind& timer, const TimerGoal& goal) {
    RateWindows windows;
    if (goal.isChained && !timer.chain) {
        return windows;
    }
    const Counter counter(timer, goal, {}, nullptr);
    const CounterReach reach = counter.reach();
    const std::vector<Rational> posts = counter.posts({});
    if (goal.isAtLeast) {
        windows.combs.push_back({0, reach.most() * posts.back() / goal.period});
        return windows;
    }
    const Rational longest = goal.period * (1 + goal.tolerance.within.value_or(Rational(0)));
    if (goal.late || goal.isRepeated || counter.isCascade()) { // shorter by any of what is late, or made up of any number
        windows.combs.push_back({reach.least() * posts.front() / longest, std::nullopt});
        windows.isTight = false;
        return windows;
    }
    const ProductSets products = productSets(reach.prescaler, reach.counts);
    windows.isTight = products.isTight;
    for (const Rational& post : posts) {
        for (const FactorSet& set : products.sets) {
            windows.combs.push_back(combOfTimes(scaled(set, post), goal.period, goal.tolerance));
        }
    }
    return windows;
}

} // namespace wisetick
