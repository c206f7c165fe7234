#include "commands.h"

#include "base/nearest_name.h"
#include "derive/bring_up.h"
#include "derive/derive.h"
#include "derive/desk.h"
#include "derive/pins.h"
#include "derive/workings_of.h"
#include "derive/writing_order.h"
#include "evaluate/evaluate.h"
#include "evaluate/ripple.h"
#include "evaluate/what_if.h"
#include "handover/emit.h"
#include "handover/figures_json.h"
#include "loading.h"
#include "plan/promise_edits.h"
#include "promise/can_filter.h"
#include "sleep_report.h"

#include <algorithm>
#include <chrono>

namespace wisetick::cli {

namespace {

/// Puts the promise into the plan: over the one of the same name, else at the end. Its place is returned, or what the plan lacks.
tl::expected<std::size_t, TextError> placePromise(Plan& plan, const std::string& text, const PromiseLine& line) {
    if (const std::string why = putPromise(plan, {text, line}); !why.empty()) {
        const std::string name = why.substr(why.find('\'') + 1, why.rfind('\'') - why.find('\'') - 1);
        return tl::unexpected(TextError{std::min(text.rfind(name), text.size()), name.size(), why, {}, {}});
    }
    const auto isMeant = [&](const Promise& each) { return !line.name.empty() && each.line.name == line.name; };
    const auto place = std::find_if(plan.promises.begin(), plan.promises.end(), isMeant);
    return static_cast<std::size_t>((place == plan.promises.end() ? place - 1 : place) - plan.promises.begin());
}

} // namespace

int runDerive(const Console& console, const PlanOptions& options) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const Figures figures = evaluated(*loaded, options.isJson);
    if (!options.isJson) {
        console.out << deriveReport(figures, console.style);
        return kHolds;
    }
    nlohmann::ordered_json json = figuresJson(figures);
    json["ways_there"]["reset"] = writingOrderJson(writingOrder(loaded->part, loaded->plan, std::nullopt, loaded->take));
    for (const Take& take : loaded->plan.takes) {
        if (take.name != loaded->take) {
            json["ways_there"]["take " + take.name] =
                writingOrderJson(writingOrder(loaded->part, loaded->plan, take.name, loaded->take));
        }
    }
    console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
    return kHolds;
}

int runPromise(const Console& console, const PlanOptions& options, const std::string& line, bool wantsRates) {
    auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const auto read = readPromiseLine(line, &loaded->part);
    const auto place = read ? placePromise(loaded->plan, line, *read) : tl::unexpected(read.error());
    if (!place) {
        reportWord(console, line, place.error());
        if (options.isJson) {
            console.out << wordErrorJson(place.error()).dump(2, ' ', false, kAnyBytes) << "\n";
        }
        return kBadInput;
    }
    const std::size_t index = *place;
    const Figures figures = evaluated(*loaded, true);
    const std::vector<Way> ways = waysOf(loaded->part, loaded->plan, loaded->take, index, 8, &*figures.rhythm);
    const PromiseFigure& promise = figures.promises[index];
    if (options.isJson) {
        nlohmann::ordered_json json = promiseJson(promise);
        json["name"] = promise.name;
        json["bring_up"] = bringUpJson(bringUp(loaded->part, loaded->plan, promise, index));
        json["ways"] = nlohmann::ordered_json::array();
        for (const Way& way : ways) {
            json["ways"].push_back(wayJson(way));
        }
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
    } else {
        console.out << promiseReport(promise, ways, bringUp(loaded->part, loaded->plan, promise, index), console.style);
        if (wantsRates) {
            console.out << ratesReport(deskOf(loaded->part, loaded->plan, figures, index, 1), console.style);
        }
    }
    return promise.state == State::broken ? kBroken : kHolds;
}

int runSleep(const Console& console, const PlanOptions& options, const std::string& mode) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const Figures figures = evaluated(*loaded, options.isJson);
    if (!mode.empty() && !loaded->part.findMode(mode)) {
        const std::vector<std::string> known = idsOf(loaded->part.modes);
        console.err << "no mode '" << mode << "'; expected " << listNames(known) << "\n";
        return kBadInput;
    }
    if (options.isJson) {
        console.out << sleepJson(loaded->part, loaded->plan, figures, mode).dump(2, ' ', false, kAnyBytes) << "\n";
        return kHolds;
    }
    console.out << (mode.empty() ? modesReport(loaded->part, loaded->plan, figures, console.style)
                                 : sleepReport(loaded->part, loaded->plan, figures, mode, console.style));
    return kHolds;
}

int runRhythm(const Console& console, const PlanOptions& options, bool hasChance, const std::string& race, double within) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const Figures figures = evaluated(*loaded, options.isJson);
    const auto isJob = [&](const Job& job) { return job.name == race; };
    if (!race.empty() && std::none_of(loaded->plan.jobs.begin(), loaded->plan.jobs.end(), isJob)) {
        console.err << "no job '" << race << "' in this plan\n";
        return kBadInput;
    }
    const auto end = std::chrono::steady_clock::now() + std::chrono::duration<double>(within);
    bool isCut = false;
    const auto goOn = [&] {
        isCut = isCut || std::chrono::steady_clock::now() > end;
        return !isCut;
    };
    const std::vector<BatteryMove> moves = batteryMoves(loaded->part, loaded->plan, figures, goOn);
    std::optional<ChanceFigure> chance;
    if (hasChance) {
        const auto ready =
            chancePlayOf(loaded->part, loaded->plan, figures.take, derivedTakes(loaded->part, loaded->plan, figures));
        if (ready) {
            chance = playByChance(*ready, loaded->part, loaded->plan, figures, {}, [](std::int64_t) { return true; });
        }
    }
    const std::vector<RacePoint> points =
        race.empty() ? std::vector<RacePoint>() : raceToSleep(loaded->part, loaded->plan, figures, race);
    if (options.isJson) {
        nlohmann::ordered_json json = rhythmJson(figures, moves, chance, points);
        json["moves_cut"] = isCut;
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
        return kHolds;
    }
    console.out << rhythmReport(loaded->part, figures, moves, chance, console.style);
    if (isCut) {
        console.out << "\nWhat would move the battery most was left out: it takes longer than " << within
                    << " s (--within SECONDS).\n";
    }
    if (!race.empty()) {
        console.out << raceReport(points, race, console.style);
    }
    return kHolds;
}

int runBoard(const Console& console, const PlanOptions& options, bool isRouted) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const Figures figures = evaluated(*loaded, options.isJson);
    const BoardExtras extras{pinSpeeds(loaded->part, loaded->plan, figures),
                             trimFigures(loaded->part, loaded->plan, loaded->take)};
    if (options.isJson) {
        const nlohmann::ordered_json all = figuresJson(figures);
        nlohmann::ordered_json json{
            {"pins", all["pins"]}, {"routes", all["routes"]}, {"options", all["options"]}, {"crystals", all["crystals"]}};
        json["speeds"] = pinSpeedsJson(extras.speeds);
        json["trims"] = trimsJson(extras.trims);
        if (isRouted) {
            json["routing"] = routingJson(routeAll(loaded->part, loaded->plan));
        }
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
    } else {
        console.out << boardReport(figures, extras, console.style);
        console.out << (isRouted ? routingReport(routeAll(loaded->part, loaded->plan), figures, console.style) : "");
    }
    if (isRouted) {
        return routeAll(loaded->part, loaded->plan).isPossible() ? kHolds : kBroken;
    }
    const bool collides =
        std::any_of(figures.pins.begin(), figures.pins.end(), [](const PinFigure& pin) { return !pin.why.empty(); });
    return collides ? kBroken : kHolds;
}

int runFails(const Console& console, const PlanOptions& options, const std::string& source) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const std::vector<std::string> sources = idsOf(loaded->part.sources);
    if (std::find(sources.begin(), sources.end(), source) == sources.end()) {
        return reportBadInput(console,
                              {{Severity::error,
                                {options.plan, 0, 0, {}},
                                "no source '" + source + "'",
                                listNames(sources),
                                didYouMean(source, sources)}},
                              options.isJson);
    }
    const Figures before = evaluate(loaded->part, loaded->plan, loaded->take);
    const Figures after = evaluate(loaded->part, afterFailure(loaded->part, loaded->plan, loaded->take, source), loaded->take);
    const std::vector<Moved> moved = ripple(before, after);
    console.out << (options.isJson ? rippleJson(moved).dump(2, ' ', false, kAnyBytes) + "\n"
                                   : failsReport(source, moved, console.style));
    const auto isWorse = [](const Moved& each) { return each.after == State::broken && each.before != State::broken; };
    return std::any_of(moved.begin(), moved.end(), isWorse) ? kBroken : kHolds;
}

int runShelf(const Console& console, const std::string& text, bool isJson) {
    const auto needs = readNeeds(text);
    if (!needs) {
        reportWord(console, text, needs.error());
        if (isJson) {
            console.out << wordErrorJson(needs.error()).dump(2, ' ', false, kAnyBytes) << "\n";
        }
        return kBadInput;
    }
    const std::vector<ShelvedPart> all = readShelf(console.shelf);
    if (needs->empty() && !isJson) {
        console.out << shelfReport(all, console.style);
        return kHolds;
    }
    std::vector<std::pair<std::string, std::vector<NeedFigure>>> parts;
    for (const ShelvedPart& shelved : all) {
        printDiagnostics(console.err, shelved.file.diagnostics);
        if (shelved.file.part) {
            parts.emplace_back(shelved.id, judgeNeeds(*shelved.file.part, *needs));
        }
    }
    std::stable_sort(parts.begin(), parts.end(), [](const auto& a, const auto& b) { return fitOf(a.second) < fitOf(b.second); });
    if (isJson) {
        console.out << shelfJson(parts).dump(2, ' ', false, kAnyBytes) << "\n";
    } else {
        console.out << shelfReport(parts, console.style);
    }
    return !parts.empty() && fitOf(parts.front().second) != Fit::no ? kHolds : kBroken;
}

int runWay(const Console& console, const PlanOptions& options, const std::string& from) {
    const auto loaded = load(console, options);
    if (!loaded || (!from.empty() && !load(console, {options.plan, from, options.isJson}))) {
        return kBadInput;
    }
    const WritingOrder way =
        writingOrder(loaded->part, loaded->plan, from.empty() ? std::nullopt : std::optional(from), loaded->take);
    const auto left = clocksLeftOut(loaded->part, loaded->plan, derive(loaded->part, loaded->plan, loaded->take), way,
                                    from.empty() ? std::nullopt : std::optional(from));
    if (options.isJson) {
        nlohmann::ordered_json json = writingOrderJson(way);
        json["left_out"] = nlohmann::ordered_json::array();
        for (const LeftOut& each : left) {
            json["left_out"].push_back({{"what", each.what}, {"why", each.why}});
        }
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
    } else {
        console.out << wayReport(way, from, loaded->take, console.style);
        for (const LeftOut& each : left) {
            if (each.why != way.trouble) { // the report ends with that
                console.out << "  " << leftOutText(each) << "\n";
            }
        }
    }
    return left.empty() ? kHolds : kBroken;
}

int runEmit(const Console& console, const PlanOptions& options, const EmitOptions& emit) {
    const auto wanted = readEmitForm(emit.form);
    if (!wanted) {
        const std::string mend = didYouMean(emit.form, emitForms());
        console.err << "error: no form '" + emit.form + "'; expected " + listNames(emitForms()) +
                           (mend.empty() ? "" : "; " + mend)
                    << "\n";
        return kBadInput;
    }
    const auto loaded = load(console, options);
    if (!loaded || (!emit.from.empty() && !load(console, {options.plan, emit.from, options.isJson}))) {
        return kBadInput;
    }
    const Plan plan = withActive(loaded->plan, loaded->active); // as a file of the handover has it
    const Figures figures = evaluatePromises(loaded->part, plan, loaded->take);
    EmitStyle style{emit.isEvenBroken ? Broken::written : Broken::leftOut, {}, emit.registers};
    if (!emit.from.empty()) {
        style.from = emit.from;
    }
    const RegisterProgram program = registerProgram(loaded->part, plan, figures, Broken::leftOut, style.from);
    console.out << emitFields(loaded->part, plan, figures, *wanted, style, &program);
    for (const LeftOut& each : program.left) {
        console.err << (emit.isEvenBroken ? "broken: " + each.what + ", " + each.why : leftOutText(each)) << "\n";
    }
    return program.left.empty() || emit.isEvenBroken ? kHolds : kBroken;
}

int runFilter(const Console& console, const std::vector<std::string>& filters, const std::vector<std::string>& ids) {
    std::vector<CanFilter> read;
    for (const std::string& text : filters) {
        const auto filter = readCanFilter(text);
        if (!filter) {
            reportWord(console, text, filter.error());
            return kBadInput;
        }
        read.push_back(*filter);
    }
    bool areAllLetIn = true;
    for (const std::string& text : ids) {
        const auto id = readCanId(text);
        if (!id) {
            console.err << "error: '" << text << "'; expected an id such as '0x123', up to 0x1fffffff\n";
            return kBadInput;
        }
        const auto by = std::find_if(read.begin(), read.end(), [&](const CanFilter& filter) { return filter.lets(*id); });
        areAllLetIn = areAllLetIn && by != read.end();
        console.out << text
                    << (by == read.end() ? "  kept out" : "  let in by " + filters[static_cast<std::size_t>(by - read.begin())])
                    << "\n";
    }
    if (const auto count = idsLetIn(read)) {
        console.out << *count << " of 2048 ids are let in\n";
    }
    return areAllLetIn ? kHolds : kBroken;
}

} // namespace wisetick::cli
