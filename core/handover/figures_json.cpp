#include "handover/figures_json.h"

#include "quantity/quantity_print.h"

namespace wisetick {

namespace {

using Json = nlohmann::ordered_json;

Json exact(const std::optional<Rational>& value) {
    return value ? Json(value->toString()) : Json(nullptr);
}

Json textOrNull(const std::string& text) {
    return text.empty() ? Json(nullptr) : Json(text);
}

Json boundsJson(const std::optional<Bounds>& bounds) {
    if (!bounds) {
        return nullptr;
    }
    return {{"min", bounds->min.toString()}, {"nominal", bounds->nominal.toString()}, {"max", bounds->max.toString()}};
}

Json fieldsJson(const std::vector<FieldValue>& fields) {
    Json list = Json::array();
    for (const FieldValue& field : fields) {
        list.push_back({{"control", field.control},
                        {"field", fieldText(field.field)},
                        {"setting", field.setting},
                        {"holds", field.holdsAs},
                        {"value", field.held},
                        {"hex", hexText(field)},
                        {"in_place", inPlaceText(field)}});
    }
    return list;
}

Json settingsJson(const std::vector<Setting>& settings) {
    Json object = Json::object();
    for (const Setting& setting : settings) {
        object[setting.name] = setting.value.toString();
    }
    return object;
}

Json workingsJson(const Workings& workings) {
    Json list = Json::array();
    for (const Step& step : workings) {
        Json origins = Json::array();
        for (const Origin& origin : step.origins) {
            Json entry{{"name", origin.name}, {"value", origin.value}, {"target", targetText(origin.target)}};
            if (!origin.ref.empty()) {
                entry["ref"] = origin.ref;
            }
            origins.push_back(std::move(entry));
        }
        list.push_back({{"what", step.what},
                        {"formula", step.formula},
                        {"numbers", step.numbers},
                        {"result", step.result},
                        {"from", std::move(origins)}});
    }
    return list;
}

/// The unit of asked and got, as JSON readers see it.
std::string unitName(Unit unit) {
    switch (unit) {
    case Unit::hertz: return "Hz";
    case Unit::bitsPerSecond: return "bit/s";
    case Unit::second: return "s";
    case Unit::ampere: return "A";
    case Unit::samples: return "samples/s";
    default: return "1";
    }
}

Json lineJson(const LineFigure& line) {
    const bool isWorstKnown = line.unknown.empty();
    Json json;
    json["hz"] = line.hertz ? exact(line.hertz->nominal) : Json(nullptr);
    json["min_hz"] = line.hertz && isWorstKnown ? exact(line.hertz->min) : Json(nullptr);
    json["max_hz"] = line.hertz && isWorstKnown ? exact(line.hertz->max) : Json(nullptr);
    json["limit"] =
        line.limitMin || line.limitMax ? Json{{"min_hz", exact(line.limitMin)}, {"max_hz", exact(line.limitMax)}} : Json(nullptr);
    json["state"] = stateName(line.state);
    json["margin"] = exact(line.margin);
    json["why"] = textOrNull(!line.why.empty() ? line.why : (!line.stateWhy.empty() ? line.stateWhy : line.unknown));
    json["on"] = line.isOn;
    json["control"] = textOrNull(line.control);
    json["fields"] = fieldsJson(line.fields);
    json["workings"] = workingsJson(line.workings);
    return json;
}

Json modeJson(const ModeFigure& mode) {
    Json json;
    json["runs"] = mode.runs;
    json["sources"] = mode.sources;
    json["lines"] = mode.lines;
    json["peripherals"] = mode.peripherals;
    json["without_clock"] = mode.withoutClock;
    json["memory"] = mode.memory;
    json["options"] = Json::object();
    for (const auto& [option, value] : mode.options) {
        json["options"][option] = value;
    }
    json["ampere"] = boundsJson(mode.ampere);
    json["unknown"] = textOrNull(mode.current.unknown);
    Json contributors = Json::array();
    for (const Contribution& each : mode.current.contributions) {
        contributors.push_back({{"name", each.name}, {"target", targetText(each.target)}, {"formula", textOrNull(each.formula)}});
    }
    json["contributors"] = std::move(contributors);
    json["wake_up"] = nullptr;
    if (mode.wakeUp) {
        Json pieces = Json::array();
        for (const WakePiece& piece : mode.wakeUp->pieces) {
            pieces.push_back({{"say", piece.say},
                              {"stage", piece.isStage},
                              {"start_typ", piece.startTyp.toString()},
                              {"end_typ", piece.endTyp.toString()},
                              {"start_max", piece.startMax.toString()},
                              {"end_max", piece.endMax.toString()}});
        }
        json["wake_up"] = {{"first_instruction", boundsJson(mode.wakeUp->firstInstruction)},
                           {"restored", boundsJson(mode.wakeUp->restored)},
                           {"unknown", textOrNull(mode.wakeUp->unknown)},
                           {"wrong_until_restored", mode.wrongUntilRestored},
                           {"pieces", std::move(pieces)}};
    }
    return json;
}

Json timingJson(const JobTiming& timing) {
    return {{"by", timing.by.empty() ? Json("outside") : Json(timing.by)},
            {"said", timing.isSaid},
            {"stretch", boundsJson(timing.stretch)},
            {"unknown", textOrNull(timing.unknown)}};
}

/// How the runs of the jobs lie, and how long each waits and takes.
void addRuns(const RhythmFigure& rhythm, Json& json) {
    json["rest_timing"] = timingJson(rhythm.restTiming);
    json["rest_grows"] = rhythm.restGrows.toString();
    json["jobs"] = Json::array();
    for (const JobRuns& runs : rhythm.runs) {
        json["jobs"].push_back({{"job", runs.job}, {"interval", boundsJson(runs.interval)}, {"timing", timingJson(runs.timing)}});
    }
    json["latencies"] = Json::array();
    for (const LatencyFigure& latency : rhythm.latencies) {
        json["latencies"].push_back({{"name", latency.name},
                                     {"target", targetText(latency.target)},
                                     {"handler", latency.isHandler},
                                     {"interval", latency.interval.toString()},
                                     {"takes", latency.takes.toString()},
                                     {"longest", exact(latency.longest)},
                                     {"limit", exact(latency.limit)},
                                     {"state", stateName(latency.state)},
                                     {"why", textOrNull(latency.why)},
                                     {"workings", workingsJson(latency.workings)}});
    }
}

Json rhythmJson(const RhythmFigure& rhythm) {
    Json shares = Json::array();
    for (const RhythmFigure::Share& share : rhythm.shares) {
        Json pieces = Json::array();
        for (const auto& piece : share.pieces) {
            pieces.push_back({{"name", piece.name}, {"target", targetText(piece.target)}, {"ampere", piece.ampere.toString()}});
        }
        shares.push_back({{"name", share.name},
                          {"target", targetText(share.target)},
                          {"time_share", share.timeShare.toString()},
                          {"charge_share", share.chargeShare.toString()},
                          {"ampere", share.ampere.toString()},
                          {"pieces", std::move(pieces)}});
    }
    Json json{{"span", rhythm.span.toString()},
              {"whole", rhythm.isWhole},
              {"by_chance", rhythm.isByChance},
              {"load", rhythm.load.toString()},
              {"runs", rhythm.events},
              {"wake_ups", rhythm.wakeUps},
              {"longest_rest", exact(rhythm.longestRest)},
              {"average", boundsJson(rhythm.average)},
              {"peak", boundsJson(rhythm.peak)},
              {"battery_at_peak", boundsJson(rhythm.atPeak)},
              {"brings", exact(rhythm.brings)},
              {"life", boundsJson(rhythm.life)},
              {"unknown", textOrNull(rhythm.unknown)},
              {"shares", std::move(shares)}};
    addRuns(rhythm, json);
    return json;
}

Json vitalsJson(const Vitals& vitals) {
    return {{"core_hz", exact(vitals.coreHertz)},
            {"worst_promise", textOrNull(vitals.worstPromise)},
            {"worst_wake_up", boundsJson(vitals.worstWakeUp)},
            {"average", boundsJson(vitals.average)},
            {"life", boundsJson(vitals.life)}};
}

} // namespace

Json promiseJson(const PromiseFigure& promise) {
    Json json;
    json["say"] = promise.text;
    json["state"] = stateName(promise.state);
    json["unit"] = unitName(promise.unit);
    json["asked"] = exact(promise.asked);
    json["got"] = promise.got ? exact(promise.got->nominal) : Json(nullptr);
    json["got_min"] = promise.got && promise.isWorstKnown ? exact(promise.got->min) : Json(nullptr);
    json["got_max"] = promise.got && promise.isWorstKnown ? exact(promise.got->max) : Json(nullptr);
    json["error"] = promise.error ? exact(promise.error->nominal) : Json(nullptr);
    json["error_min"] = promise.error && promise.isWorstKnown ? exact(promise.error->min) : Json(nullptr);
    json["error_max"] = promise.error && promise.isWorstKnown ? exact(promise.error->max) : Json(nullptr);
    json["margin"] = exact(promise.margin);
    json["why"] = textOrNull(promise.why);
    json["note"] = textOrNull(promise.note);
    json["pinned"] = promise.isPinned;
    json["settings"] = settingsJson(promise.settings);
    json["fields"] = fieldsJson(promise.fields);
    json["workings"] = workingsJson(promise.workings);
    return json;
}

Json bringUpJson(const std::vector<BringUpAction>& actions) {
    Json list = Json::array();
    for (const BringUpAction& action : actions) {
        Json entry{{"say", action.say}, {"reason", textOrNull(action.reason)}, {"forgotten", action.isForgotten}};
        entry["field"] = action.field ? fieldsJson({*action.field}).front() : Json(nullptr);
        list.push_back(std::move(entry));
    }
    return list;
}

Json wayJson(const Way& way) {
    return {{"settings", settingsJson(way.settings)},
            {"state", stateName(way.state)},
            {"got", way.got.nominal.toString()},
            {"error", way.error.nominal.toString()},
            {"error_min", way.error.min.toString()},
            {"error_max", way.error.max.toString()},
            {"margin", exact(way.margin)}};
}

Json findingsJson(const Diagnostics& diagnostics) {
    Json list = Json::array();
    for (const Diagnostic& diagnostic : diagnostics) {
        Json entry{
            {"severity", severityName(diagnostic.severity)}, {"where", diagnostic.place.path}, {"say", sayText(diagnostic)}};
        if (!diagnostic.place.file.empty()) {
            entry["file"] = placeText(diagnostic.place);
        }
        list.push_back(std::move(entry));
    }
    return list;
}

Json figuresJson(const Figures& figures) {
    Json json;
    json["part"] = figures.part;
    json["plan"] = figures.plan;
    json["take"] = figures.take;
    json["tier"] = textOrNull(figures.tier);
    json["tier_fields"] = figures.tierField ? fieldsJson({*figures.tierField}) : Json::array();
    json["lines"] = Json::object();
    for (const LineFigure& line : figures.lines) {
        if (line.isNone) {
            continue;
        }
        json["lines"][line.id] = lineJson(line);
    }
    json["pins"] = Json::object();
    for (const PinFigure& pin : figures.pins) {
        json["pins"][pin.pin] = {{"users", pin.users}, {"debug", pin.isDebug}, {"why", textOrNull(pin.why)}};
    }
    json["options"] = Json::object();
    for (const OptionFigure& option : figures.options) {
        json["options"][option.id] = {
            {"value", option.value},         {"given", option.isGiven},
            {"safe", option.safe},           {"state", stateName(option.state)},
            {"why", textOrNull(option.why)}, {"fields", option.field ? fieldsJson({*option.field}) : Json::array()}};
    }
    json["crystals"] = Json::object();
    for (const CrystalFigure& crystal : figures.crystals) {
        json["crystals"][crystal.source] = {{"capacitors_wanted", exact(crystal.wanted)},
                                            {"load", exact(crystal.load)},
                                            {"shift", exact(crystal.shift)},
                                            {"start_margin", crystal.margin ? Json(*crystal.margin) : Json(nullptr)}};
    }
    json["routes"] = Json::object();
    for (const RouteFigure& route : figures.routes) {
        json["routes"][route.signal] = {{"pin", textOrNull(route.pin)},
                                        {"places", route.places},
                                        {"chosen", route.isChosen},
                                        {"fields", route.field ? fieldsJson({*route.field}) : Json::array()}};
    }
    json["waits"] = Json::array();
    for (const WaitFigure& wait : figures.waits) {
        json["waits"].push_back({{"line", wait.line},
                                 {"say", textOrNull(wait.say)},
                                 {"waits", wait.waits},
                                 {"fields", wait.field ? fieldsJson({*wait.field}) : Json::array()}});
    }
    json["promises"] = Json::object();
    for (const PromiseFigure& promise : figures.promises) {
        json["promises"][promise.name] = promiseJson(promise);
    }
    json["modes"] = Json::object();
    for (const ModeFigure& mode : figures.modes) {
        json["modes"][mode.id] = modeJson(mode);
    }
    json["rhythm"] = figures.rhythm ? rhythmJson(*figures.rhythm) : Json(nullptr);
    json["findings"] = findingsJson(figures.findings);
    json["vitals"] = vitalsJson(figures.vitals);
    return json;
}

Json rippleJson(const std::vector<Moved>& moved) {
    Json list = Json::array();
    for (const Moved& each : moved) {
        list.push_back({{"name", each.name},
                        {"before", stateName(each.before)},
                        {"after", stateName(each.after)},
                        {"was", textOrNull(each.was)},
                        {"is", textOrNull(each.is)}});
    }
    return Json{{"moved", std::move(list)}};
}

Json routingJson(const Routing& routing) {
    Json json{
        {"possible", routing.isPossible()}, {"places", Json::object()}, {"conflict", routing.conflict}, {"pins", routing.pins}};
    for (const auto& [signal, pin] : routing.places) {
        json["places"][signal] = pin;
    }
    return json;
}

Json writingOrderJson(const WritingOrder& way) {
    Json json{{"steps", Json::array()}};
    for (const ClockWrite& step : way.steps) {
        Json entry{{"say", step.say}, {"fields", fieldsJson(step.fields)}};
        if (step.wait) {
            entry["wait_typ"] = exact(step.wait->typ);
            entry["wait_max"] = exact(step.wait->max);
        }
        entry["until"] = step.until ? Json(fieldText(*step.until)) : Json(nullptr);
        entry["shows"] = step.shown ? fieldsJson({*step.shown}) : Json::array();
        entry["core_hz"] = exact(step.core);
        json["steps"].push_back(std::move(entry));
    }
    json["wait_typ"] = exact(way.wait.typ);
    json["wait_max"] = exact(way.wait.max);
    json["trouble"] = textOrNull(way.trouble);
    return json;
}

Json pinSpeedsJson(const std::vector<PinSpeedFigure>& speeds) {
    Json json = Json::object();
    for (const PinSpeedFigure& pin : speeds) {
        json[pin.pin] = {{"user", pin.user},
                         {"rate", exact(std::optional(pin.hertz))},
                         {"speed", textOrNull(pin.speed)},
                         {"why", textOrNull(pin.why)},
                         {"fields", pin.field ? fieldsJson({*pin.field}) : Json::array()}};
    }
    return json;
}

Json trimsJson(const std::vector<TrimFigure>& trims) {
    Json json = Json::object();
    for (const TrimFigure& trim : trims) {
        json[trim.source] = {{"code", trim.code},
                             {"rate", exact(std::optional(trim.hertz))},
                             {"error", exact(std::optional(trim.error()))},
                             {"in_reach", trim.isInReach},
                             {"fields", trim.field ? fieldsJson({*trim.field}) : Json::array()}};
    }
    return json;
}

Json comparisonJson(const std::vector<std::string>& takes, const std::vector<ComparedRow>& rows) {
    static const std::vector<std::string> kinds{"choice", "promise", "vital"};
    Json json{{"takes", takes}, {"rows", Json::array()}};
    for (const ComparedRow& row : rows) {
        Json states = Json::array();
        for (const auto& state : row.states) {
            states.push_back(state ? Json(stateName(*state)) : Json(nullptr));
        }
        json["rows"].push_back({{"kind", kinds[static_cast<std::size_t>(row.kind)]},
                                {"name", row.name},
                                {"values", row.values},
                                {"states", std::move(states)},
                                {"differs", row.differs}});
    }
    return json;
}

Json shelfJson(const std::vector<std::pair<std::string, std::vector<NeedFigure>>>& parts) {
    const auto word = [](Fit fit) { return fit == Fit::yes ? "yes" : (fit == Fit::no ? "no" : "unknown"); };
    Json json{{"parts", Json::array()}};
    for (const auto& [part, figures] : parts) {
        Json needs = Json::array();
        for (const NeedFigure& figure : figures) {
            needs.push_back({{"need", figure.need}, {"fits", word(figure.fit)}, {"why", figure.why}});
        }
        json["parts"].push_back({{"part", part}, {"fits", word(fitOf(figures))}, {"needs", std::move(needs)}});
    }
    return json;
}

} // namespace wisetick
