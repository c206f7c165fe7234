#include "bench_command.h"
#include "handover/figures_json.h"

#include "bench/bench_said.h"
#include "bench/capture_file.h"
#include "bench/current.h"
#include "evaluate/evaluate.h"
#include "loading.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"
#include "text_table.h"

#include <fmt/format.h>

#include <cmath>

namespace wisetick::cli {

namespace {

constexpr std::size_t kMostExplanations = 5;
constexpr int kDigits = 3;

nlohmann::ordered_json boundsJson(const Bounds& bounds) {
    return {{"min", bounds.min.toDouble()}, {"nominal", bounds.nominal.toDouble()}, {"max", bounds.max.toDouble()}};
}

nlohmann::ordered_json explanationJson(const Part& part, const Explanation& explanation) {
    nlohmann::ordered_json sources = nlohmann::ordered_json::array();
    for (const SourceReading& reading : explanation.sources) {
        sources.push_back({{"source", part.nodeId(reading.source)}, {"least", reading.least}, {"most", reading.most}});
    }
    return {{"say", explanation.say},
            {"same", explanation.same},
            {"explains_all", explanation.explainsAll()},
            {"left_over", explanation.leftOver},
            {"sources", std::move(sources)}};
}

std::string explanationText(const Part& part, const std::vector<Explanation>& list) {
    if (list.empty()) {
        return {};
    }
    std::string text = list.front().explainsAll() ? "\nWhat explains it:\n" : "\nNothing here explains it. What leaves least:\n";
    for (const Explanation& each : list) {
        const std::string sources = sourcesSaid(part, each);
        text += std::string("  ") + (each.explainsAll() ? "\u25CF " : "\u25CB ") + each.say;
        text += each.explainsAll() ? (sources.empty() ? "" : "; " + sources) : ", " + leftSaid(each);
        text += "\n";
        for (const std::string& same : each.same) {
            text += "      or, showing the same: " + same + "\n";
        }
    }
    return text;
}

std::string amount(double value, Unit unit, const Rational& finest = Rational(1, 1'000'000'000'000)) {
    return printQuantity(quantised(value, finest), unit, kDigits);
}

nlohmann::ordered_json currentJson(const CurrentFigures& current, const std::vector<CurrentReason>& reasons) {
    nlohmann::ordered_json json{{"track", current.track},
                                {"seconds", current.seconds},
                                {"average", current.average},
                                {"uncertain", current.open},
                                {"as_often_as_planned", current.projected},
                                {"not_seen", current.unseen},
                                {"floor", current.floor},
                                {"has_rest", current.hasRest},
                                {"peak", current.peak},
                                {"levels", nlohmann::ordered_json::array()}};
    for (const CurrentLevel& level : current.levels) {
        json["levels"].push_back({{"ampere", level.ampere},
                                  {"share", level.share},
                                  {"visits", level.visits},
                                  {"state", level.name},
                                  {"predicted", level.predicted}});
    }
    json["wakes"] = nlohmann::ordered_json::array();
    for (const CurrentWake& wake : current.wakes) {
        json["wakes"].push_back({{"jobs", wake.name},
                                 {"count", wake.count},
                                 {"coulomb", wake.coulomb},
                                 {"seconds", wake.seconds},
                                 {"to_first", wake.toFirst},
                                 {"to_last", wake.toLast},
                                 {"predicted", wake.predicted}});
    }
    for (const CurrentReason& reason : reasons) {
        json["explanations"].push_back({{"say", reason.say}, {"left_over", reason.leftOver}});
    }
    return json;
}

/// What the supply drew: its average against the plan's, what it stays at, and its wakes.
std::string currentText(const Plan& plan, const Figures& figures, const CurrentFigures& current) {
    TextTable table({Align::left, Align::right, Align::right, Align::left});
    table.add({"current", "measured", "predicted", ""});
    const auto& average = figures.rhythm ? figures.rhythm->average : std::nullopt;
    table.add({"average", amount(current.average, Unit::ampere) + " \u00b1" + amount(current.open, Unit::ampere),
               average ? printQuantity(average->nominal, Unit::ampere, kDigits) + " to " +
                             printQuantity(average->max, Unit::ampere, kDigits)
                       : "",
               current.projected == current.average ? stateName(currentState(plan, current)) : ""});
    if (!current.hasRest) {
        table.add({"as often as planned", "unknown", "",
                   stateName(currentState(plan, current)) + ", no rest seen: a planned wake may be as long as the capture"});
    } else if (current.projected > 0 && current.projected != current.average) {
        std::string unseen;
        for (const std::string& each : current.unseen) {
            unseen += (unseen.empty() ? ", not seen: " : "; ") + each;
        }
        table.add({"as often as planned", unseen.empty() ? amount(current.projected, Unit::ampere) : "unknown", "",
                   stateName(currentState(plan, current)) + unseen});
    }
    for (const CurrentLevel& level : current.levels) {
        table.add({"stays at", amount(level.ampere, Unit::ampere),
                   level.name.empty() ? "" : amount(level.predicted, Unit::ampere),
                   amount(level.share, Unit::ratio) + " of the time" + (level.name.empty() ? "" : ", " + level.name)});
    }
    for (const CurrentWake& wake : current.wakes) {
        table.add({std::to_string(wake.count) + " wakes",
                   amount(wake.coulomb, Unit::coulomb) + " in " + amount(wake.seconds, Unit::second),
                   wake.predicted > 0
                       ? amount(wake.predicted, Unit::coulomb) + " in " + amount(wake.predictedSeconds, Unit::second)
                       : "",
                   (wake.name.empty() ? "" : wake.name + ", ") + amount(wake.toFirst, Unit::second) + " to the first stage, " +
                       amount(wake.toLast, Unit::second) + " to the last"});
    }
    return "\n" + table.text(120);
}

std::string reasonsText(const std::vector<CurrentReason>& reasons) {
    std::string text = reasons.empty() ? "" : "\nThe current:\n";
    for (const CurrentReason& each : reasons) {
        if (&each - reasons.data() < static_cast<std::ptrdiff_t>(kMostExplanations)) {
            text += "  " + std::string(each.leftOver == 0 ? "\u25CF " : "\u25CB ") + each.say;
            text += each.leftOver == 0 ? "\n" : ", leaves " + printError(quantised(each.leftOver, Rational(1, 1000))) + "\n";
        }
    }
    return text;
}

} // namespace

int runBench(const Console& console, const PlanOptions& options, const BenchOptions& bench) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    std::optional<Rational> sample;
    if (!bench.sample.empty()) {
        const auto read = readQuantity(bench.sample, Unit::second);
        if (!read || *read <= Rational(0)) {
            console.err << "error: --sample '" << bench.sample << "'; expected a time such as '41.7 ns'\n";
            return kBadInput;
        }
        sample = *read;
    }
    const ReadCapture read = readCaptureFile(bench.capture, sample);
    if (!read.why.empty()) {
        return reportBadInput(console, {{Severity::error, {bench.capture, 0, 0, {}}, read.why, "a capture", {}}}, options.isJson);
    }
    const Capture& capture = read.capture;
    const ValueTrack* supply = findCurrent(capture);
    if (capture.tracks.empty() && supply == nullptr) {
        return reportBadInput(console, capture.diagnostics, options.isJson);
    }
    std::string lines;
    if (const std::string why = linesText(capture, bench.lines, lines); !why.empty()) {
        console.err << "error: " << why << "\n";
        return kBadInput;
    }
    const Figures figures = evaluate(loaded->part, loaded->plan, loaded->take);
    const std::vector<BenchSignal> predicted = benchSignals(loaded->part, loaded->plan, figures);
    const std::vector<MeasuredSignal> measured = measureSignals(capture, loaded->plan, predicted);
    const auto slips = bench.isExplained ? slipsOf(loaded->part, loaded->plan, figures, predicted) : std::vector<Slip>();
    const auto explained = bench.isExplained ? explain(loaded->part, figures, predicted, slips, measured, kMostExplanations)
                                             : std::vector<Explanation>();
    std::optional<CurrentFigures> current;
    std::vector<CurrentReason> reasons;
    if (supply != nullptr) {
        current = measureCurrent(capture, *supply);
        compareCurrent(figures, *current);
        reasons = explainCurrent(loaded->part, loaded->plan, figures, *current);
    }
    bool isBroken = current && currentState(loaded->plan, *current) == State::broken;
    TextTable table({Align::left, Align::left, Align::right, Align::right, Align::right, Align::left});
    table.add({"promise", "track", "measured", "predicted", "off", ""});
    nlohmann::ordered_json list = nlohmann::ordered_json::array();
    for (const MeasuredSignal& each : measured) {
        const BenchSignal& signal = predicted[each.signal];
        isBroken = isBroken || each.state == State::broken;
        const ShownCycle was = shownCycle(signal, signal.cycle);
        const std::string planned = printQuantity(was.value.nominal, was.unit);
        if (each.isSilent) {
            table.add({signal.name, each.track, "never changes", planned, "", stateName(each.state)});
        } else {
            const ShownCycle now = shownCycle(signal, each.cycle);
            table.add({signal.name, each.track, measuredSaid(now), planned, offSaid(signal, each), stateName(each.state)});
        }
        const std::string more = moreSaid(signal, each);
        if (!more.empty()) {
            table.add({"", "", more, "", "", ""});
        }
        if (!each.text.empty()) {
            table.add(
                {"", "\u2018" + each.text.substr(0, 60) + (each.text.size() > 60 ? "\u2026" : "") + "\u2019", "", "", "", ""});
        }
        nlohmann::ordered_json json{{"promise", signal.name}, {"track", each.track}, {"state", stateName(each.state)}};
        json["measured"] = each.isSilent ? nlohmann::ordered_json() : boundsJson(shownCycle(signal, each.cycle).value);
        json["predicted"] = boundsJson(was.value);
        json["count"] = each.count;
        if (each.duty) {
            json["high"] = boundsJson(*each.duty);
        }
        if (each.jitter) {
            json["jitter"] = boundsJson(*each.jitter);
        }
        list.push_back(std::move(json));
    }
    if (options.isJson) {
        nlohmann::ordered_json json{
            {"capture", bench.capture}, {"seconds", capture.length().toDouble()}, {"measured", std::move(list)}};
        if (current) {
            json["current"] = currentJson(*current, reasons);
        }
        for (const Explanation& each : explained) {
            json["explanations"].push_back(explanationJson(loaded->part, each));
        }
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
    } else {
        console.out << (read.form.empty() ? std::string() : "understood as " + read.form + "\n")
                    << fmt::format("{}: {}, a tick of {}, {} signals\n", bench.capture,
                                   printQuantity(capture.length(), Unit::second, kDigits),
                                   printQuantity(capture.tick, Unit::second), capture.tracks.size())
                    << table.text(console.style.columns) << lines << (current ? currentText(loaded->plan, figures, *current) : "")
                    << explanationText(loaded->part, explained) << (bench.isExplained ? reasonsText(reasons) : "");
    }
    printDiagnostics(console.err, capture.diagnostics);
    if (measured.empty() && !current && lines.empty()) {
        console.err << "error: no track is called like a promise or its peripheral: "
                    << (predicted.empty() ? "no promise of this take shows on a pin"
                                          : "expected such as '" + predicted.front().name + "'")
                    << "\n";
        return kBadInput;
    }
    return isBroken ? kBroken : kHolds;
}

} // namespace wisetick::cli
