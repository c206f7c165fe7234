#include "sleep_report.h"

#include "handover/figures_json.h"
#include "quantity/quantity_print.h"
#include "text_table.h"

#include <algorithm>

namespace wisetick::cli {

namespace {

std::string time(const Rational& value) {
    return printQuantity(value, Unit::second);
}

std::string ampere(const Rational& value) {
    return printQuantity(value, Unit::ampere);
}

std::string listOr(const std::vector<std::string>& names, const std::string& none) {
    std::string text;
    for (const std::string& name : names) {
        text += (text.empty() ? "" : ", ") + name;
    }
    return text.empty() ? none : text;
}

std::string stepsText(const std::vector<SleepStep>& steps, const Style& style) {
    TextTable table({Align::right, Align::left, Align::left, Align::left});
    for (std::size_t i = 0; i < steps.size(); ++i) {
        std::string fields;
        for (const FieldValue& field : steps[i].fields) {
            fields += (fields.empty() ? "" : ", ") + fieldText(field.field) + " = " + hexText(field);
        }
        table.add({std::to_string(i + 1), (steps[i].isTrouble ? "! " : "") + steps[i].say, fields, style.muted(steps[i].why)});
    }
    return table.text(style.columns);
}

std::string bestText(const std::vector<BestRest>& best, const Style& style) {
    std::string text;
    for (const BestRest& each : best) {
        text += (text.empty() ? "" : ", ") + each.mode + (each.from.isZero() ? "" : " from " + time(each.from) + " on");
    }
    TextTable line({Align::left});
    line.add({text});
    return line.text(style.columns);
}

} // namespace

std::string modesReport(const Part& part, const Plan& plan, const Figures& figures, const Style& style) {
    TextTable table({Align::left, Align::right, Align::right, Align::right, Align::right, Align::left});
    table.add({"mode", "draws", "at most", "first instruction", "restored", "promises without a clock"});
    for (const ModeFigure& mode : figures.modes) {
        table.add({mode.id, ampere(mode.ampere.nominal), ampere(mode.ampere.max),
                   mode.wakeUp ? time(mode.wakeUp->firstInstruction.max) : "", mode.wakeUp ? time(mode.wakeUp->restored.max) : "",
                   listOr(mode.withoutClock, "none")});
    }
    const std::vector<RestCost> costs = restCosts(part, figures);
    const std::vector<BestRest> best = bestRests(costs);
    TextTable jobs({Align::left, Align::right, Align::left});
    for (const JobRest& rest : jobRests(part, plan, figures, best)) {
        jobs.add({rest.job, time(rest.rest), rest.mode});
    }
    return style.heading("Modes") + "\n" + table.text(style.columns) +
           style.section("Which mode takes the least, by the length of a rest", bestText(best, style)) +
           style.section("Between two runs of a job, if it were alone", jobs.text(style.columns));
}

std::string sleepReport(const Part& part, const Plan& plan, const Figures& figures, const std::string& id, const Style& style) {
    const auto index = *part.findMode(id);
    const Mode& mode = part.modes[index];
    const ModeFigure& figure = figures.modes[index];
    TextTable keeps({Align::left, Align::left});
    keeps.add({"sources", listOr(figure.sources, "none")});
    keeps.add({"lines", listOr(figure.lines, "none")});
    keeps.add({"peripherals", listOr(figure.peripherals, "none")});
    keeps.add({"memory", listOr(figure.memory, "none")});
    keeps.add({"pins", mode.keepsPins ? "hold" : "are let go"});
    keeps.add({"debugger", mode.keepsDebug ? (*mode.keepsDebug ? "stays" : "is lost") : "not told"});
    keeps.add({"woken by", listOr(mode.wakesBy, "nothing")});
    for (const auto& [option, value] : figure.options) {
        keeps.add({option, value});
    }
    keeps.add({"without a clock", listOr(figure.withoutClock, "none")});
    std::string text = style.heading(id) + "\n" + keeps.text(style.columns);
    if (figure.wakeUp) {
        TextTable wake({Align::left, Align::right, Align::right, Align::right});
        wake.add({"", "begins", "typically over", "at the latest"});
        for (const WakePiece& piece : figure.wakeUp->pieces) {
            wake.add({(piece.isStage ? "" : "start ") + piece.say, time(piece.startTyp), time(piece.endTyp), time(piece.endMax)});
        }
        wake.add(
            {"first instruction", "", time(figure.wakeUp->firstInstruction.nominal), time(figure.wakeUp->firstInstruction.max)});
        wake.add({"all promises hold", "", time(figure.wakeUp->restored.nominal), time(figure.wakeUp->restored.max)});
        text += style.section("Waking", wake.text(style.columns));
    }
    TextTable sooner({Align::left, Align::left, Align::left});
    for (const WayOut& way : waysToWakeSooner(part, plan, figures.take, index)) {
        sooner.add({way.say, way.got, style.muted(way.breaks.empty() ? "breaks nothing" : "breaks " + listOr(way.breaks, ""))});
    }
    text += style.section("Waking sooner", sooner.text(style.columns));
    TextTable draws({Align::left, Align::right, Align::right, Align::left});
    for (const Contribution& each : figure.current.contributions) {
        draws.add({each.name, each.typ.empty() ? "unknown" : ampere(each.typ[figures.grid.nominal]),
                   each.max.empty() ? "unknown" : "up to " + ampere(*std::max_element(each.max.begin(), each.max.end())),
                   style.muted(each.formula)});
    }
    draws.add({"all", ampere(figure.ampere.nominal), "up to " + ampere(figure.ampere.max)});
    text += style.section("Draws", draws.text(style.columns));
    const SleepOrder order = sleepOrder(part, plan, figures, id);
    text += style.section("Before it rests", stepsText(order.before, style));
    text += style.section("After it wakes", stepsText(order.after, style));
    for (const Promise& promise : plan.promises) {
        const auto* wakes = promise.line.ask.as<WakesAsk>();
        if (wakes == nullptr || wakes->mode != id || !wakes->every) {
            continue;
        }
        TextTable timers({Align::left, Align::left, Align::left, Align::right, Align::left, Align::left, Align::left});
        for (const WakeTimer& timer : wakeTimers(part, plan, figures, id, *wakes->every)) {
            std::string settings;
            for (const Setting& setting : timer.settings) {
                settings += (settings.empty() ? "" : ", ") + setting.name + " " + printFactor(setting.value);
            }
            timers.add({timer.peripheral, "on " + timer.clock, settings, time(timer.got.nominal), printError(timer.error.nominal),
                        printError(timer.error.min) + " \u2026 " + printError(timer.error.max), style.muted(timer.why)});
        }
        text += style.section("Woken every " + time(*wakes->every), timers.text(style.columns));
    }
    return text;
}

namespace {

/// By how much the longest rest grows where what times the jobs is slow.
std::string restText(const RhythmFigure& rhythm) {
    const Rational longest = *rhythm.longestRest + (rhythm.restTiming.stretch.max - 1) * rhythm.restGrows;
    return rhythm.restTiming.by.empty()
               ? "timed from outside"
               : "up to " + printQuantity(longest, Unit::second, 4) + ", timed by " + rhythm.restTiming.by;
}

/// How long what the core has to do waits and takes at most.
std::string latenciesText(const RhythmFigure& rhythm, const Style& style) {
    TextTable table({Align::left, Align::left, Align::right, Align::right, Align::right, Align::left});
    table.add({"", "", "takes", "done after", "limit", ""});
    for (const LatencyFigure& latency : rhythm.latencies) {
        table.add({style.mark(latency.state), (latency.isHandler ? "handler of " : "job ") + latency.name, time(latency.takes),
                   latency.longest ? time(*latency.longest) : "no bound", latency.limit ? time(*latency.limit) : "",
                   style.muted(latency.why)});
    }
    return rhythm.latencies.empty() ? std::string() : style.section("Done at the latest", table.text(style.columns));
}

} // namespace

std::string rhythmReport(const Part& part, const Figures& figures, const std::vector<BatteryMove>& moves,
                         const std::optional<ChanceFigure>& chance, const Style& style) {
    const RhythmFigure& rhythm = *figures.rhythm;
    TextTable table({Align::left, Align::right, Align::left});
    const auto add = [&](const std::string& what, const std::optional<Bounds>& bounds, Unit unit, const std::string& more) {
        if (bounds) {
            table.add({what, printQuantity(bounds->nominal, unit), more});
        }
    };
    add("average", rhythm.average, Unit::ampere, rhythm.average ? "up to " + ampere(rhythm.average->max) : "");
    add("peak", rhythm.peak, Unit::ampere, rhythm.peak ? "up to " + ampere(rhythm.peak->max) : "");
    add("battery at the peak", rhythm.atPeak, Unit::volt,
        rhythm.atPeak ? "down to " + printQuantity(rhythm.atPeak->min, Unit::volt) : "");
    if (rhythm.brings) {
        table.add({"brought", ampere(*rhythm.brings), "on average"});
    }
    add("life", rhythm.life, Unit::second, rhythm.life ? "at worst " + time(rhythm.life->min) : "");
    table.add({"jobs", printQuantity(rhythm.load, Unit::ratio), "of the time at the slowest core"});
    table.add({"played", time(rhythm.span),
               std::to_string(rhythm.events) + " runs, " + std::to_string(rhythm.wakeUps) + " wake-ups" +
                   (rhythm.isByChance ? ", one play of many" : "")});
    if (rhythm.longestRest) {
        table.add({"longest rest", time(*rhythm.longestRest), restText(rhythm)});
    }
    if (!rhythm.unknown.empty()) {
        table.add({"unknown", "", rhythm.unknown});
    }
    std::string text = style.heading("Rhythm") + "\n" + table.text(style.columns);
    TextTable shares({Align::left, Align::right, Align::right, Align::left});
    for (const RhythmFigure::Share& share : rhythm.shares) {
        std::string pieces;
        for (std::size_t i = 0; i < std::min<std::size_t>(share.pieces.size(), 4); ++i) {
            pieces += (pieces.empty() ? "" : ", ") + share.pieces[i].name + " " + ampere(share.pieces[i].ampere);
        }
        shares.add({share.name, printQuantity(share.chargeShare, Unit::ratio, 4), ampere(share.ampere), style.muted(pieces)});
    }
    text += style.section("Where the charge goes", shares.text(style.columns));
    text += latenciesText(rhythm, style);
    TextTable far({Align::left, Align::right, Align::left, Align::right});
    for (std::size_t i = 0; i < std::min<std::size_t>(moves.size(), 12); ++i) {
        const BatteryMove& move = moves[i];
        const auto print = [&](const Rational& value) { return move.life ? time(value) : ampere(value); };
        const Bounds ends = move.life ? *move.life : Bounds{move.average.max, move.average.nominal, move.average.min};
        far.add({move.say, print(ends.min), "\u2026", print(ends.max)});
    }
    text += style.section(std::string("A tenth worse \u2026 a tenth better: ") + (rhythm.life ? "the life" : "the average"),
                          far.text(style.columns));
    if (chance) {
        const auto picoampere = [](double value) { return ampere(quantised(value, powerOfTen(-12))); };
        TextTable band({Align::left, Align::right, Align::right, Align::right});
        band.add({"", "5 % below", "middle", "5 % above"});
        band.add(
            {"average", picoampere(chance->average.low), picoampere(chance->average.middle), picoampere(chance->average.high)});
        if (chance->life) {
            const auto seconds = [](double value) { return time(quantised(value, powerOfTen(-3))); };
            band.add({"life", seconds(chance->life->low), seconds(chance->life->middle), seconds(chance->life->high)});
        }
        text += style.section(std::to_string(chance->seeds) + " plays of " + std::to_string(chance->runs) + " runs",
                              band.text(style.columns));
    }
    const std::vector<BestRest> best = bestRests(restCosts(part, figures));
    return text + style.section("Which mode takes the least, by the length of a rest", bestText(best, style));
}

std::string raceReport(const std::vector<RacePoint>& race, const std::string& job, const Style& style) {
    if (race.empty()) {
        return "\nThe job '" + job + "' has no cycles of its own, so the core's rate does not change what it takes.\n";
    }
    const auto least =
        std::min_element(race.begin(), race.end(), [](const RacePoint& a, const RacePoint& b) { return a.coulomb < b.coulomb; });
    TextTable table({Align::right, Align::right, Align::left});
    for (std::size_t i = 0; i < race.size(); i += 12) {
        table.add({printQuantity(race[i].hertz, Unit::hertz, 4), printQuantity(race[i].coulomb, Unit::coulomb, 4), ""});
    }
    table.add({printQuantity(least->hertz, Unit::hertz, 4), printQuantity(least->coulomb, Unit::coulomb, 4), "the least"});
    return style.section("Charge of each period of '" + job + "' by the core's rate", table.text(style.columns));
}

nlohmann::ordered_json sleepJson(const Part& part, const Plan& plan, const Figures& figures, const std::string& mode) {
    using Json = nlohmann::ordered_json;
    Json json{{"modes", figuresJson(figures)["modes"]}, {"best_rests", Json::array()}, {"jobs", Json::array()}};
    const std::vector<BestRest> best = bestRests(restCosts(part, figures));
    for (const BestRest& each : best) {
        json["best_rests"].push_back({{"from", each.from.toString()}, {"mode", each.mode}});
    }
    for (const JobRest& each : jobRests(part, plan, figures, best)) {
        json["jobs"].push_back({{"job", each.job}, {"rest", each.rest.toString()}, {"mode", each.mode}});
    }
    if (mode.empty()) {
        return json;
    }
    const SleepOrder order = sleepOrder(part, plan, figures, mode);
    for (const auto& [key, steps] : {std::pair("before", &order.before), std::pair("after", &order.after)}) {
        json[key] = Json::array();
        for (const SleepStep& step : *steps) {
            json[key].push_back({{"say", step.say}, {"why", step.why}, {"trouble", step.isTrouble}});
        }
    }
    json["sooner"] = Json::array();
    for (const WayOut& way : waysToWakeSooner(part, plan, figures.take, *part.findMode(mode))) {
        json["sooner"].push_back({{"say", way.say}, {"got", way.got}, {"breaks", way.breaks}});
    }
    return json;
}

nlohmann::ordered_json rhythmJson(const Figures& figures, const std::vector<BatteryMove>& moves,
                                  const std::optional<ChanceFigure>& chance, const std::vector<RacePoint>& race) {
    using Json = nlohmann::ordered_json;
    Json json{{"rhythm", figuresJson(figures)["rhythm"]}, {"moves", Json::array()}};
    for (const BatteryMove& move : moves) {
        Json each{{"say", move.say}, {"average", {move.average.max.toString(), move.average.min.toString()}}, {"life", nullptr}};
        if (move.life) {
            each["life"] = {move.life->min.toString(), move.life->max.toString()};
        }
        json["moves"].push_back(std::move(each));
    }
    if (chance) {
        const auto band = [](const ChanceBand& values) { return Json{values.low, values.middle, values.high}; };
        json["chance"] = {
            {"seeds", chance->seeds}, {"runs", chance->runs}, {"average", band(chance->average)}, {"life", nullptr}};
        if (chance->life) {
            json["chance"]["life"] = band(*chance->life);
        }
    }
    for (const RacePoint& point : race) {
        json["race"].push_back({{"hertz", point.hertz.toString()}, {"coulomb", point.coulomb.toString()}});
    }
    return json;
}

} // namespace wisetick::cli
