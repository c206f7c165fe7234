#include "promise/watchdog.h"

#include "base/text.h"
#include "derive/demand.h"
#include "kinds/kind_pieces.h"

namespace wisetick {

namespace {

void bitesClauses(ClauseList& list, BitesAsk& ask, const std::string&) {
    list.needed("after", Unit::second, "after 2 s", ask.after);
    list.quantity("fed every", Unit::second, "fed every 1.8 s", ask.fedEvery);
    list.quantity("to", Unit::second, "to 1.9 s",
                  [&ask](const Rational& value) {
                      const Rational first = ask.fedEvery.value_or(value);
                      ask.fedLeast = std::min(first, value);
                      ask.fedEvery = std::max(first, value);
                  })
        .needs = "fed every";
    list.word("fed by", "fed by blink", [&ask](const Word& word) -> std::optional<TextError> {
        ask.fedBy = word.text;
        return std::nullopt;
    });
    list.quantity("at latest", Unit::second, "at latest 3 s", ask.atLatest);
    list.quantity("opens after", Unit::second, "opens after 0.5 s", ask.opensAfter);
    list.quantity("warns", Unit::second, "warns 1 ms before", ask.warnsBefore).closes = "before";
    list.tolerance(ask.tolerance);
}

std::string printBites(const BitesAsk& ask) {
    return "bites after " + printReadable(ask.after, Unit::second) + saidTolerance(ask.tolerance) +
           (ask.fedLeast ? said(", fed every ", ask.fedLeast, Unit::second) + said(" to ", ask.fedEvery, Unit::second)
                         : said(", fed every ", ask.fedEvery, Unit::second)) +
           (ask.fedBy.empty() ? "" : ", fed by " + ask.fedBy) + said(", at latest ", ask.atLatest, Unit::second) +
           said(", opens after ", ask.opensAfter, Unit::second) + said(", warns ", ask.warnsBefore, Unit::second, " before");
}

std::vector<std::string> readWatchdog(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    WatchdogKind watchdog;
    watchdog.prescaler = readPrescaler(reader);
    watchdog.counts = readWholeSet(reader, "counts", Need::required);
    watchdog.hasWindow = reader.flag("window").value_or(false);
    watchdog.early = readWholeSet(reader, "early");
    if (const toml::table* feed = reader.table("feed")) {
        TableReader inner(*feed, context.reporter, reader.pathOf("feed"));
        watchdog.feedRestartsPrescaler = inner.flag("restarts_prescaler").value_or(true);
        watchdog.feedSync = inner.factor("sync").value_or(Rational(0));
        inner.finish();
    }
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

void watchdogWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& watchdog = kind.get<WatchdogKind>();
    width("prescaler", watchdog.prescaler);
    width("counts", watchdog.counts);
}

/// What is timed by something, beside the watchdog's clock. From its own source both move together, unless one of them strays by
/// itself.
WatchdogSpan spanOf(const MeetingScene& scene, Text what, Target about, const JobTiming& timing) {
    WatchdogSpan span;
    span.what = std::move(what);
    span.about = std::move(about);
    span.stretch = timing.stretch;
    span.unknown = timing.unknown;
    const auto node = scene.context.part.findNode(scene.subject.clock.id);
    const Bounds own = inverse(scene.subject.clock.hertz, scene.subject.clock.hertz.nominal);
    span.isOneSource = timing.source && node && own == timing.stretch &&
                       chainOf(scene.context.part, scene.context.controls, *node).back() == *timing.source;
    if (span.isOneSource) {
        span.unknown.clear(); // whatever it is, it is the same for both
    }
    return span;
}

/// The time between two feeds as the play of a job gives it.
std::vector<WatchdogSpan> feedsOf(const MeetingScene& scene) {
    const auto& ask = scene.ask.get<BitesAsk>();
    std::vector<WatchdogSpan> feeds;
    const RhythmFigure* played = scene.context.played;
    if (ask.fedBy.empty() || played == nullptr) {
        return feeds;
    }
    const auto runs =
        std::find_if(played->runs.begin(), played->runs.end(), [&](const JobRuns& each) { return each.job == ask.fedBy; });
    WatchdogSpan span = spanOf(scene, phrase("fed by {}", ask.fedBy), Target::job(ask.fedBy),
                               runs == played->runs.end() ? JobTiming() : runs->timing);
    if (runs != played->runs.end() && runs->interval) {
        span.longest = runs->interval->max;
        span.played = runs->interval->nominal;
        span.shortest = runs->interval->min;
        span.grows = runs->every.value_or(Rational(0));
    } else {
        span.unknown = phrase("unknown: how long it is at most between two runs of {}{}", ask.fedBy,
                              runs == played->runs.end() || runs->why.empty() ? "" : ", " + runs->why);
        span.longest = runs == played->runs.end() ? Rational(0) : runs->every.value_or(Rational(0));
        span.shortest = 0;
    }
    feeds.push_back(std::move(span));
    return feeds;
}

WatchdogLife lifeOf(const MeetingScene& scene) {
    const PromiseContext& context = scene.context;
    WatchdogLife life;
    life.feeds = feedsOf(scene);
    life.mode = context.take.restsIn;
    if (const auto mode = context.part.findMode(life.mode)) {
        life.runs = peripheralLivesIn(context.part, context.controls, context.part.modes[*mode], scene.subject.index);
        if (life.runs && context.played != nullptr && context.played->longestRest) {
            life.rest = spanOf(scene, phrase("rest in {}", life.mode), Target::mode(life.mode), context.played->restTiming);
            life.rest->longest = *context.played->longestRest;
            life.rest->shortest = life.rest->longest;
            life.rest->grows = context.played->restGrows;
        }
    }
    return life;
}

const std::vector<Meeting>& watchdogMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<BitesAsk, WatchdogKind,
                   [](const auto& met, PromiseFigure figure) {
                       figure = judgeWatchdog(std::move(figure), met.kind(), met.ask(), met.clock(), lifeOf(met.scene),
                                              met.pinned(), met.detail());
                       const bool isPlayed = met.context().played != nullptr || met.detail() == Detail::verdict;
                       if (!met.ask().fedBy.empty() && !isPlayed && figure.state != State::broken) {
                           figure.state = State::pending; // the feeds are still to come
                           figure.why.clear();
                       }
                       return figure;
                   },
                   [](const auto& met, std::size_t most) {
                       return watchdogWays(met.kind(), met.ask(), met.clock(), lifeOf(met.scene), met.pinned(), most);
                   },
                   [](const auto& met) { return watchdogRates(met.kind(), met.ask(), lifeOf(met.scene)); },
                   [](const BitesAsk& ask, const Take& take) { return !take.restsIn.empty() || !ask.fedBy.empty(); },
                   kToleranceAsAsked>()};
    return rows;
}

} // namespace

const AskRow& BitesAsk::row() {
    static const AskRow row = askRow<BitesAsk, bitesClauses, printBites>({"bites"}, AskedOf::peripheral);
    return row;
}

const KindRow& WatchdogKind::row() {
    static const KindRow row{.name = "watchdog",
                             .schema = R"({
        "prescaler": {"$ref": "#/$defs/factors"},
        "counts": {"$ref": "#/$defs/factors"},
        "window": {"type": "boolean"},
        "early": {"$ref": "#/$defs/factors"},
        "feed": {"type": "object",
            "properties": {"restarts_prescaler": {"type": "boolean"}, "sync": {"$ref": "#/$defs/factor"}},
            "additionalProperties": false}
    })",
                             .settings = {"prescaler", "counts", "window", "early"},
                             .alsoCounted = {},
                             .read = readWatchdog,
                             .widths = watchdogWidths,
                             .limits = noLimits,
                             .channels = noChannels,
                             .chainedWith = noChain,
                             .wakeCounter = noWakeCounter,
                             .meetings = watchdogMeetings};
    return row;
}

} // namespace wisetick
