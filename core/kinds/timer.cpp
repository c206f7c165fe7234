#include "promise/timer.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "kinds/kind_pieces.h"
#include "promise/pwm.h"
#include "promise/stamps.h"

#include <fmt/format.h>

namespace wisetick {

namespace {

constexpr int kMostChannels = 64;

void firesClauses(ClauseList& list, FiresAsk& ask, const std::string&) {
    list.needed("every", Unit::second, "every 1 ms", ask.period);
    list.tolerance(ask.tolerance);
    list.flag("repeated", ask.isRepeated);
    list.flag("chained", ask.isChained);
    list.quantity("late", Unit::cycle, "late 12 cycles", ask.late);
    list.quantity("handled in", Unit::cycle, "handled in 400 cycles", ask.handled);
    list.flag("by alarm", ask.isAlarm);
}

std::string printFires(const FiresAsk& ask) {
    return "fires every " + printReadable(ask.period, Unit::second) + saidTolerance(ask.tolerance) +
           (ask.isAlarm ? ", by alarm" : "") + (ask.isRepeated ? ", repeated" : "") + (ask.isChained ? ", chained" : "") +
           cycles(", late ", ask.late) + cycles(", handled in ", ask.handled);
}

void drivesClauses(ClauseList& list, DrivesAsk& ask, const std::string&) {
    list.needed("", Unit::hertz, "20 kHz", ask.hertz);
    Clause& duty = list.needed("at", Unit::ratio, "at 35 % duty", ask.duty);
    duty.closes = "duty";
    duty.most = 1;
    duty.mayBeZero = true;
    list.quantity("steps under", Unit::ratio, "steps under 0.1 %", ask.stepUnder);
    list.quantity("dead", Unit::second, "dead 500 ns", ask.dead);
    list.flag("inside", ask.isInside);
    list.flag("centred", ask.isCentred);
    list.tolerance(ask.tolerance);
}

std::string printDrives(const DrivesAsk& ask) {
    return "drives " + printReadable(ask.hertz, Unit::hertz) + saidTolerance(ask.tolerance) + " at " +
           printReadable(ask.duty, Unit::ratio) + " duty" + said(", steps under ", ask.stepUnder, Unit::ratio) +
           said(", dead ", ask.dead, Unit::second) + (ask.isInside ? ", inside" : "") + (ask.isCentred ? ", centred" : "");
}

/// "wraps after at least 1 h, resolves 1 us", or either alone.
void stampsClauses(ClauseList& list, StampsAsk& ask, const std::string& verb) {
    list.quantity("after at least", Unit::second, "after at least 1 h", ask.wrapsAfter);
    list.quantity("resolves", Unit::second, "resolves 1 us", ask.resolves);
    list.at(verb == "resolves" ? 1 : 0).isRequired = true;
    if (verb == "resolves") { // the verb itself is the opening
        list.at(1).opens.clear();
        list.at(1).example = "1 us";
        list.at(0).opens.insert(list.at(0).opens.begin(), "wraps");
        list.at(0).example = "wraps after at least 1 h";
    }
}

std::string printStamps(const StampsAsk& ask) {
    return ask.wrapsAfter
               ? said("wraps after at least ", ask.wrapsAfter, Unit::second) + said(", resolves ", ask.resolves, Unit::second)
               : said("resolves ", ask.resolves, Unit::second);
}

void waitsClauses(ClauseList& list, WaitsAsk& ask, const std::string&) {
    list.quantity("at least", Unit::second, "at least 100 us", [&](const Rational& value) {
        ask.time = value;
        ask.isAtLeast = true;
    });
    list.needed("", Unit::second, "100 us", ask.time);
    list.group("time");
    list.tolerance(ask.tolerance);
}

std::string printWaits(const WaitsAsk& ask) {
    return (ask.isAtLeast ? "waits at least " : "waits ") + printReadable(ask.time, Unit::second) + saidTolerance(ask.tolerance);
}

TimerStyle readStyle(TableReader& reader) {
    const std::vector<std::string> styles{"reload", "preload", "free-running"};
    const std::string style = reader.text("style").value_or("reload");
    const auto known = std::find(styles.begin(), styles.end(), style);
    if (known == styles.end()) {
        reader.error("style", phrase("no style '{}'", style), listNames(styles), didYouMean(style, styles));
        return TimerStyle::reload;
    }
    return static_cast<TimerStyle>(known - styles.begin());
}

std::vector<std::string> readTimer(PartContext& context, TableReader& reader, Peripheral& peripheral) {
    TimerKind timer;
    timer.bits = static_cast<int>(reader.whole("bits", 4, 48, Need::required).value_or(16));
    timer.prescaler = readPrescaler(reader);
    timer.style = readStyle(reader);
    const Rational most = Rational(std::int64_t{1} << timer.bits);
    const bool isFree = timer.style == TimerStyle::freeRunning;
    if (isFree && reader.has("counts")) {
        reader.error("counts", phrase("counts of a free-running timer"), phrase("none: it always counts 2^bits"));
    }
    timer.counts =
        reader.has("counts") ? readWholeSet(reader, "counts") : (isFree ? FactorSet::one(most) : FactorSet::range(1, most));
    timer.channels = reader.texts("channels");
    if (const toml::node* centred = reader.node("centred"); centred != nullptr && centred->is_string()) {
        timer.canBeCentred = centred->value_or(std::string()) == "choice";
        if (!timer.canBeCentred) {
            reader.error("centred", nodeText(*centred), phrase("true, false, or \"choice\" where it is a setting"));
        }
    } else {
        timer.isCentred = reader.flag("centred").value_or(false);
    }
    timer.complements = reader.whole("complements", 0, 64).value_or(0);
    if (timer.complements > static_cast<std::int64_t>(timer.channels.size())) {
        reader.error("complements", phrase("{} complements of {} channels", timer.complements, timer.channels.size()),
                     phrase("no more than there are channels"));
    }
    timer.dead = readWholeSet(reader, "dead");
    timer.post = readWholeSet(reader, "post");
    if (const toml::table* chained = reader.table("chained")) {
        TableReader inner(*chained, context.reporter, reader.pathOf("chained"));
        const bool isCascade = inner.has("counts");
        if (const auto with = inner.text("with"); with && reader.pathOf("chained") == "peripheral." + *with + ".chained") {
            inner.error("with", phrase("'{}' chained with itself", *with), phrase("the id of another timer"));
        }
        TimerChain chain{inner.text("with", Need::required).value_or(""), 32, {}};
        if (isCascade) {
            chain.counts = readWholeSet(inner, "counts", Need::required);
        } else {
            chain.bits = static_cast<int>(inner.whole("bits", timer.bits + 1, 62, Need::required).value_or(32));
        }
        timer.chain = std::move(chain);
        inner.finish();
    }
    if (!timer.counts.empty() && timer.counts.most() > most) {
        reader.error("counts", phrase("counts up to {}", timer.counts.most().toString()),
                     phrase("at most 2^{} = {}", timer.bits, most.toString()));
    }
    std::vector<std::string> controls{"prescaler", "counts"};
    for (const auto& [name, has] : {std::pair("post", !timer.post.empty()), std::pair("dead", !timer.dead.empty()),
                                    std::pair("centred", timer.canBeCentred), std::pair("chain", timer.chain.has_value()),
                                    std::pair("chained_counts", timer.chain && !timer.chain->counts.empty())}) {
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

void timerWidths(const PeripheralKind& kind, const OnWidth& width) {
    const auto& timer = kind.get<TimerKind>();
    width("prescaler", timer.prescaler);
    width("counts", timer.counts);
    width("dead", timer.dead);
    if (timer.canBeCentred) {
        width("centred", FactorSet::range(0, 1));
    }
}

std::vector<std::string> timerSettings() {
    std::vector<std::string> names{"prescaler", "counts"};
    for (int channel = 1; channel <= kMostChannels; ++channel) {
        names.push_back("compare" + std::to_string(channel));
    }
    names.insert(names.end(), {"post", "chain", "chained_counts", "repeats", "dead"});
    return names;
}

/// What a timer is asked: to fire again and again, or to wait once.
template <class A, auto looksFurther>
Meeting onTimer() {
    return meetingRow<A, TimerKind,
                      [](const auto& met, PromiseFigure figure) {
                          const TimerGoal goal = TimerGoal(met.ask()).with(met.context().part.interruptCycles());
                          return judgeTimer(std::move(figure), met.kind(), goal, met.clock(), met.pinned(), met.detail(),
                                            met.core());
                      },
                      [](const auto& met, std::size_t most) {
                          return timerWays(met.kind(), met.ask(), met.clock(), met.pinned(), most, met.core());
                      },
                      [](const auto& met) { return timerRates(met.kind(), met.ask()); }, looksFurther, kToleranceAsAsked>();
}

/// What firing leans on beside its clock: the core's cycles, and the timer that counts on.
bool firingLooksFurther(const FiresAsk& ask, const Take&) {
    return ask.isChained || ask.late || ask.handled;
}

bool isAlarm(const MeetingScene& scene) {
    return scene.ask.get<FiresAsk>().isAlarm;
}

/// The alarm is the calendar's; a plain timer has none.
Meeting timerFires() {
    static const Meeting plain = onTimer<FiresAsk, firingLooksFurther>();
    Meeting meeting = plain;
    meeting.judge = [](const MeetingScene& scene, PromiseFigure figure) {
        return isAlarm(scene) ? cannotDoThat(scene, std::move(figure)) : plain.judge(scene, std::move(figure));
    };
    meeting.ways = [](const MeetingScene& scene, std::size_t most) {
        return isAlarm(scene) ? std::vector<Way>() : plain.ways(scene, most);
    };
    meeting.rates = [](const MeetingScene& scene) { return isAlarm(scene) ? RateWindows::none() : plain.rates(scene); };
    return meeting;
}

/// The timer with the direction of counting that is asked, where that is a setting.
TimerKind countingAs(const TimerKind& timer, const DrivesAsk& ask) {
    TimerKind counting = timer;
    counting.isCentred = timer.canBeCentred ? ask.isCentred : timer.isCentred;
    return counting;
}

/// The setting that says so.
void addDirection(const TimerKind& timer, const DrivesAsk& ask, std::vector<Setting>& settings) {
    if (timer.canBeCentred && !settings.empty()) {
        settings.push_back({"centred", ask.isCentred ? 1 : 0});
    }
}

Meeting timerDrives() {
    return meetingRow<DrivesAsk, TimerKind,
                      [](const auto& met, PromiseFigure figure) {
                          const TimerKind timer = countingAs(met.kind(), met.ask());
                          if (met.ask().isCentred && !timer.isCentred) {
                              figure.why =
                                  phrase("it counts in one direction only, so that no pulse stands in the middle of its period");
                              return figure;
                          }
                          figure = judgePwm(std::move(figure), {timer, met.scene.subject.channel, met.context().part.slack},
                                            met.ask(), met.clock(), met.pinned(), met.detail());
                          addDirection(met.kind(), met.ask(), figure.settings);
                          return figure;
                      },
                      [](const auto& met, std::size_t most) {
                          const TimerKind timer = countingAs(met.kind(), met.ask());
                          std::vector<Way> ways;
                          if (!met.ask().isCentred || timer.isCentred) {
                              ways = pwmWays({timer, met.scene.subject.channel, met.context().part.slack}, met.ask(), met.clock(),
                                             met.pinned(), most);
                          }
                          for (Way& way : ways) {
                              addDirection(met.kind(), met.ask(), way.settings);
                          }
                          return ways;
                      },
                      [](const auto& met) {
                          const TimerKind timer = countingAs(met.kind(), met.ask());
                          return met.ask().isCentred && !timer.isCentred ? RateWindows::none() : pwmRates(timer, met.ask());
                      },
                      kOwnClockAlone, kToleranceAsAsked>();
}

Meeting timerStamps() {
    return meetingRow<StampsAsk, TimerKind,
                      [](const auto& met, PromiseFigure figure) {
                          return judgeStamps(std::move(figure), met.kind(), met.ask(), met.clock(), met.pinned(), met.detail());
                      },
                      [](const auto& met, std::size_t most) {
                          return stampWays(met.kind(), met.ask(), met.clock(), met.pinned(), most);
                      },
                      [](const auto& met) { return stampRates(met.kind(), met.ask()); }, kOwnClockAlone, kToleranceAsAsked>();
}

const std::vector<Meeting>& timerMeetings() {
    static const std::vector<Meeting> rows{timerFires(), onTimer<WaitsAsk, kOwnClockAlone>(), timerDrives(), timerStamps()};
    return rows;
}

} // namespace

const AskRow& FiresAsk::row() {
    static const AskRow row = askRow<FiresAsk, firesClauses, printFires>({"fires"}, AskedOf::peripheral);
    return row;
}

const AskRow& DrivesAsk::row() {
    static const AskRow row = askRow<DrivesAsk, drivesClauses, printDrives>({"drives"}, AskedOf::channel);
    return row;
}

const AskRow& StampsAsk::row() {
    static const AskRow row = askRow<StampsAsk, stampsClauses, printStamps>({"wraps", "resolves"}, AskedOf::peripheral);
    return row;
}

const AskRow& WaitsAsk::row() {
    static const AskRow row = askRow<WaitsAsk, waitsClauses, printWaits>({"waits"}, AskedOf::peripheral);
    return row;
}

const KindRow& TimerKind::row() {
    static const KindRow row{.name = "timer",
                             .schema = R"({
        "bits": {"type": "integer"},
        "prescaler": {"$ref": "#/$defs/factors"},
        "counts": {"$ref": "#/$defs/factors"},
        "style": {"enum": ["reload", "preload", "free-running"]},
        "channels": {"$ref": "#/$defs/texts"},
        "centred": {"anyOf": [{"type": "boolean"}, {"const": "choice"}]},
        "complements": {"type": "integer"},
        "dead": {"$ref": "#/$defs/factors"},
        "post": {"$ref": "#/$defs/factors"},
        "chained": {"type": "object",
            "properties": {"with": {"type": "string"}, "bits": {"type": "integer", "minimum": 5}, "counts": {"$ref": "#/$defs/factors"}},
            "additionalProperties": false, "required": ["with"]}
    })",
                             .settings = timerSettings(),
                             .alsoCounted = {},
                             .isTick = true,
                             .read = readTimer,
                             .widths = timerWidths,
                             .limits = noLimits,
                             .channels = [](const PeripheralKind& kind) { return kind.get<TimerKind>().channels; },
                             .chainedWith =
                                 [](const PeripheralKind& kind) {
                                     const auto& timer = kind.get<TimerKind>();
                                     return timer.chain ? timer.chain->with : std::string();
                                 },
                             .wakeCounter =
                                 [](const PeripheralKind& kind) {
                                     const auto& timer = kind.get<TimerKind>();
                                     return std::optional(WakeCounter{timer.prescaler, timer.counts, false});
                                 },
                             .meetings = timerMeetings};
    return row;
}

} // namespace wisetick
