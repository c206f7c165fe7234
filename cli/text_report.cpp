#include "text_report.h"

#include "base/nearest_name.h"

#include "derive/said.h"
#include "quantity/quantity_print.h"
#include "text_table.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick::cli {

namespace {

std::string headLine(const Figures& figures) {
    std::string text = figures.plan + " \u00b7 " + figures.part + " \u00b7 take " + figures.take;
    return figures.tier.empty() ? text : text + " \u00b7 tier " + figures.tier;
}

std::string limitText(const LineFigure& line) {
    if (line.limitMin && line.limitMax) {
        return printRange(*line.limitMin, *line.limitMax, Unit::hertz);
    }
    if (line.limitMin) {
        return "least " + printQuantity(*line.limitMin, Unit::hertz);
    }
    return line.limitMax ? "most " + printQuantity(*line.limitMax, Unit::hertz) : "";
}

std::string spreadText(const LineFigure& line) {
    if (!line.hertz) {
        return "";
    }
    if (!line.unknown.empty()) {
        return line.unknown;
    }
    const Bounds error = relativeError(*line.hertz, line.hertz->nominal);
    if (-error.min == error.max) {
        return printTolerance(error.max);
    }
    return printError(error.min) + " " + printError(error.max);
}

std::string linesTable(const Figures& figures, const Style& style) {
    TextTable table({Align::left, Align::left, Align::right, Align::left, Align::left, Align::left});
    for (const LineFigure& line : figures.lines) {
        if (line.isNone) {
            continue;
        }
        const std::string rate = line.hertz ? printQuantity(line.hertz->nominal, Unit::hertz) : "\u2013";
        const std::string remark =
            !line.isOn ? style.muted("off") : (line.state == State::kept ? "" : style.mark(line.state) + ": " + line.stateWhy);
        table.add({line.id, style.muted(line.control), rate, spreadText(line), style.muted(limitText(line)), remark});
    }
    return table.text(style.columns);
}

std::string promisesTable(const Figures& figures, const Style& style) {
    TextTable table({Align::left, Align::left, Align::left, Align::right, Align::right, Align::left});
    for (const PromiseFigure& promise : figures.promises) {
        table.add(
            {style.mark(promise.state), promise.name, promise.asks, gotSaid(promise), errorSaid(promise), cornersSaid(promise)});
    }
    return table.text(style.columns);
}

std::string modesTable(const Figures& figures, const Style& style) {
    TextTable table({Align::left, Align::right, Align::left, Align::left, Align::left});
    for (const ModeFigure& mode : figures.modes) {
        std::string wake;
        std::string restored;
        if (mode.wakeUp) {
            wake = "first instruction " +
                   printRange(mode.wakeUp->firstInstruction.nominal, mode.wakeUp->firstInstruction.max, Unit::second);
            restored = "all again " + printRange(mode.wakeUp->restored.nominal, mode.wakeUp->restored.max, Unit::second);
            if (!mode.wakeUp->unknown.empty()) {
                restored += ", " + mode.wakeUp->unknown;
            }
        }
        table.add({mode.id, printQuantity(mode.ampere.nominal, Unit::ampere),
                   style.muted("up to " + printQuantity(mode.ampere.max, Unit::ampere)), wake, restored});
    }
    return table.text(style.columns);
}

std::string rhythmTable(const RhythmFigure& rhythm, const Style& style) {
    TextTable table({Align::left, Align::right, Align::left});
    if (rhythm.average) {
        table.add({"average", printQuantity(rhythm.average->nominal, Unit::ampere),
                   "up to " + printQuantity(rhythm.average->max, Unit::ampere)});
    }
    if (rhythm.life) {
        table.add({"battery", printQuantity(rhythm.life->nominal, Unit::second),
                   "at worst " + printQuantity(rhythm.life->min, Unit::second)});
    }
    if (rhythm.longestRest) {
        table.add({"longest rest", printQuantity(*rhythm.longestRest, Unit::second),
                   fmt::format("{} wake-ups in {}", rhythm.wakeUps, printQuantity(rhythm.span, Unit::second))});
    }
    if (!rhythm.unknown.empty()) {
        table.add({"unknown", "", rhythm.unknown});
    }
    for (const RhythmFigure::Share& share : rhythm.shares) {
        table.add({style.muted(share.name), printQuantity(share.ampere, Unit::ampere),
                   style.muted(printQuantity(share.chargeShare, Unit::ratio) + " of the charge")});
    }
    return table.text(style.columns);
}

void addFields(TextTable& table, const std::vector<FieldValue>& fields, const Style& style) {
    for (const FieldValue& field : fields) {
        table.add({fieldText(field.field), hexText(field), std::to_string(field.held),
                   style.muted(field.control + " = " + field.setting + ", " + field.holdsAs)});
    }
}

std::string fieldsTable(const Figures& figures, const Style& style) {
    TextTable table({Align::left, Align::right, Align::right, Align::left});
    if (figures.tierField) {
        addFields(table, {*figures.tierField}, style);
    }
    for (const LineFigure& line : figures.lines) {
        if (line.isNone) {
            continue;
        }
        addFields(table, line.fields, style);
    }
    for (const WaitFigure& wait : figures.waits) {
        if (wait.field) {
            addFields(table, {*wait.field}, style);
        }
    }
    for (const PromiseFigure& promise : figures.promises) {
        addFields(table, promise.fields, style);
    }
    return table.text(style.columns);
}

std::string findingsText(const Diagnostics& findings) {
    std::string text;
    for (const Diagnostic& finding : findings) {
        text += diagnosticText(finding) + "\n";
    }
    return text;
}

std::string counted(std::ptrdiff_t count, const std::string& what) {
    return fmt::format("{} {}", count, what);
}

} // namespace

std::string Style::mark(State state) const {
    struct Shown {
        const char* shape;
        const char* colour;
    };
    const Shown shown = state == State::kept       ? Shown{"\u25cf", "36"}
                        : state == State::strained ? Shown{"\u25d0", "33"}
                        : state == State::broken   ? Shown{"\u25cb", "31"}
                                                   : Shown{"\u2026", "2"};
    const std::string text = std::string(shown.shape) + " " + stateName(state);
    return hasColour ? std::string("\x1b[") + shown.colour + "m" + text + "\x1b[0m" : text;
}

std::string Style::heading(const std::string& text) const {
    return hasColour ? "\x1b[1m" + text + "\x1b[0m" : text;
}

std::string Style::muted(const std::string& text) const {
    return hasColour && !text.empty() ? "\x1b[2m" + text + "\x1b[0m" : text;
}

std::string Style::section(const std::string& title, const std::string& body) const {
    return body.empty() ? "" : "\n" + heading(title) + "\n" + body;
}

std::string deriveReport(const Figures& figures, const Style& style) {
    std::string text = style.heading(headLine(figures)) + "\n";
    text += style.section("Lines", linesTable(figures, style));
    text += style.section("Promises", promisesTable(figures, style));
    text += style.section("Modes", modesTable(figures, style));
    text += style.section("Rhythm", figures.rhythm ? rhythmTable(*figures.rhythm, style) : "");
    text += style.section("Fields", fieldsTable(figures, style));
    text += style.section("Findings", findingsText(figures.findings));
    return text;
}

namespace {

bool isAskedAnything(const Figures& figures) {
    return std::any_of(figures.promises.begin(), figures.promises.end(),
                       [](const PromiseFigure& promise) { return promise.state != State::elsewhere; });
}

/// The promises of all takes, each where it is asked.
std::string promisesOfTakes(const std::vector<Figures>& takes, const Style& style) {
    if (std::none_of(takes.begin() + 1, takes.end(), isAskedAnything)) {
        return promisesTable(takes.front(), style);
    }
    TextTable table({Align::left, Align::left, Align::left, Align::left, Align::right, Align::right, Align::left});
    for (std::size_t i = 0; i < takes.front().promises.size(); ++i) {
        for (const Figures& figures : takes) {
            const PromiseFigure& promise = figures.promises[i];
            if (promise.state != State::elsewhere) {
                table.add({style.mark(promise.state), promise.name, figures.take, promise.asks, gotSaid(promise),
                           errorSaid(promise), cornersSaid(promise)});
            }
        }
    }
    return table.text(style.columns);
}

/// "slow holds 6, fast holds 5": which takes hold what.
std::string holdersLine(const std::vector<Figures>& takes) {
    std::string text;
    for (const Figures& figures : takes) {
        const auto asked = std::count_if(figures.promises.begin(), figures.promises.end(),
                                         [](const PromiseFigure& promise) { return promise.state != State::elsewhere; });
        text += (text.empty() ? "  asked in take " : ", ") + figures.take + ": " + std::to_string(asked);
    }
    return std::none_of(takes.begin() + 1, takes.end(), isAskedAnything) ? std::string() : text + "\n";
}

} // namespace

std::string checkReport(const std::vector<Figures>& takes, const std::map<std::string, Place>& places, const Style& style) {
    std::string text = style.heading(headLine(takes.front())) + "\n" + holdersLine(takes) + "\n" + promisesOfTakes(takes, style);
    std::string reasons;
    std::map<State, std::ptrdiff_t> counts;
    std::ptrdiff_t errors = 0;
    for (const Figures& figures : takes) {
        const std::string where = &figures == &takes.front() ? "" : "in take " + figures.take + ": ";
        for (std::size_t i = 0; i < figures.promises.size(); ++i) {
            const PromiseFigure& promise = figures.promises[i];
            ++counts[promise.state];
            if (promise.state == State::kept || promise.state == State::elsewhere) {
                continue;
            }
            const Severity severity = promise.state == State::broken ? Severity::error : Severity::warning;
            const Diagnostic reason{severity,
                                    {{}, 0, 0, "promise." + std::to_string(i + 1) + ".say"},
                                    where + promise.name + " is " + stateName(promise.state) + ": " + promise.why,
                                    {},
                                    {}};
            reasons += diagnosticText(located(reason, places, figures.take)) + "\n";
        }
        for (Diagnostic finding : figures.findings) {
            errors += finding.severity == Severity::error ? 1 : 0;
            finding = located(finding, places, figures.take);
            finding.found = where + finding.found;
            reasons += diagnosticText(finding) + "\n";
        }
    }
    text += reasons.empty() ? "" : "\n" + reasons;
    return text + "\n" + counted(counts[State::broken], "broken") + ", " + counted(counts[State::strained], "strained") + ", " +
           counted(counts[State::kept], "kept") + "; " + counted(errors, errors == 1 ? "fault" : "faults") +
           " in lines and board\n";
}

std::string promiseReport(const PromiseFigure& promise, const std::vector<Way>& ways, const std::vector<BringUpAction>& actions,
                          const Style& style) {
    std::string text = style.mark(promise.state) + "  " + style.heading(promise.text) + "\n";
    text += promise.why.empty() ? "" : "  " + promise.why + "\n";
    text += promise.note.empty() ? "" : "  " + promise.note + "\n";
    TextTable steps({Align::left, Align::left, Align::left});
    for (const Step& step : promise.workings) {
        steps.add({style.muted(step.what), step.numbers.empty() ? step.formula : step.numbers, step.result});
    }
    text += style.section("Workings", steps.text(style.columns));
    TextTable table({Align::left, Align::left, Align::right, Align::right, Align::left});
    for (const Way& way : ways) {
        std::string settings;
        for (const Setting& setting : way.settings) {
            settings += (settings.empty() ? "" : ", ") + setting.name + " " + printFactor(setting.value);
        }
        const std::string worst =
            way.error.min == way.error.max ? "" : printError(way.error.min) + " \u2026 " + printError(way.error.max);
        table.add({style.mark(way.state), settings, printQuantity(way.got.nominal, promise.unit), printError(way.error.nominal),
                   worst});
    }
    text += style.section("Ways", table.text(style.columns));
    TextTable fields({Align::left, Align::right, Align::right, Align::left});
    addFields(fields, promise.fields, style);
    text += style.section("Fields", fields.text(style.columns));
    TextTable order({Align::right, Align::left, Align::left});
    for (std::size_t i = 0; i < actions.size(); ++i) {
        const BringUpAction& action = actions[i];
        order.add({std::to_string(i + 1),
                   action.field ? fieldText(action.field->field) + " = " + hexText(*action.field) : std::string(),
                   action.say + (action.isForgotten ? " (often forgotten)" : "")});
    }
    return text + style.section("To bring it up", order.text(style.columns));
}

std::string ratesReport(const Desk& desk, const Style& style) {
    constexpr std::size_t kMost = 12;
    if (!desk.clock) {
        return "\n" + desk.why + "\n";
    }
    const Rational now = desk.clock->hertz.nominal;
    const std::vector<RateSpan> spans = desk.rates.spans(now / 2, now * 2, kMost + 1);
    TextTable table({Align::right, Align::left, Align::left});
    for (std::size_t i = 0; i < std::min(kMost, spans.size()); ++i) {
        const RateSpan& span = spans[i];
        const bool isNow = now >= span.low && now <= *span.high;
        table.add({printQuantity(span.low, Unit::hertz),
                   span.low == span.high ? "" : "\u2026 " + printQuantity(*span.high, Unit::hertz),
                   isNow ? desk.clock->id + " is here" : ""});
    }
    if (spans.empty()) {
        return "\nNo rate of " + desk.clock->id + " from half to twice what it is can keep it.\n";
    }
    return style.section("Rates of " + desk.clock->id + " that could keep it", table.text(style.columns)) +
           (spans.size() > kMost ? "\n  and more" : "") +
           (desk.rates.isTight ? "" : "\n  outside of these none can, inside of them most can") + "\n";
}

std::string routingReport(const Routing& routing, const Figures& figures, const Style& style) {
    if (!routing.isPossible()) {
        std::string names;
        for (const std::string& signal : routing.conflict) {
            names += (names.empty() ? "" : ", ") + signal;
        }
        return style.section("no routing", "  " + names + " can't stand together on " + listNames(routing.pins) +
                                               "; without any one of them the others can\n");
    }
    TextTable table({Align::left, Align::left, Align::left});
    for (const auto& place : routing.places) {
        const auto& [signal, pin] = place;
        const auto now = std::find_if(figures.routes.begin(), figures.routes.end(),
                                      [&](const RouteFigure& route) { return route.signal == place.first; });
        table.add({signal, pin, now->pin == pin ? "as it is" : "instead of " + now->pin});
    }
    return style.section("a routing of all signals", table.text(style.columns));
}

std::string boardReport(const Figures& figures, const BoardExtras& extras, const Style& style) {
    const auto farad = [](const std::optional<Rational>& value) {
        return value ? printQuantity(*value, Unit::farad) : std::string("unknown");
    };
    TextTable crystals({Align::left, Align::left, Align::left});
    for (const CrystalFigure& crystal : figures.crystals) {
        crystals.add({crystal.source, "capacitors wanted", farad(crystal.wanted)});
        std::string near;
        for (const Rational& value : crystal.e12) {
            near += (near.empty() ? "" : ", ") + printQuantity(value, Unit::farad);
        }
        crystals.add({"", "nearest of E12", near.empty() ? "unknown" : near});
        crystals.add({"", "load that is there", farad(crystal.load)});
        crystals.add({"", "rate shifted by it", crystal.shift ? printError(*crystal.shift) : "unknown"});
        crystals.add(
            {"", "start-up margin", crystal.margin ? fmt::format("{:.1f}, wished 5 or more", *crystal.margin) : "unknown"});
    }
    TextTable pins({Align::left, Align::left, Align::left});
    for (const PinFigure& pin : figures.pins) {
        std::string users;
        for (const std::string& user : pin.users) {
            users += (users.empty() ? "" : ", ") + user;
        }
        if (!pin.users.empty() || pin.isDebug) {
            pins.add(
                {pin.pin, users.empty() ? "debugger" : users, pin.why.empty() ? "" : style.mark(State::broken) + " " + pin.why});
        }
    }
    TextTable routes({Align::left, Align::left, Align::left, Align::left});
    for (const RouteFigure& route : figures.routes) {
        std::string places;
        for (const std::string& pin : route.places) {
            places += (places.empty() ? "" : ", ") + pin;
        }
        routes.add({route.signal, route.pin.empty() ? "not in use" : route.pin,
                    route.pin.empty() ? "" : (route.isChosen ? "chosen" : "the first that is free"),
                    style.muted("of " + places)});
    }
    const auto fieldSaid = [](const std::optional<FieldValue>& value) {
        return value ? fieldText(value->field) + " = " + hexText(*value) : std::string();
    };
    TextTable speeds({Align::left, Align::left, Align::right, Align::left, Align::left});
    for (const PinSpeedFigure& pin : extras.speeds) {
        const std::string drive = pin.drive ? ", " + printQuantity(*pin.drive, Unit::ampere) : "";
        speeds.add({pin.pin, pin.user, "up to " + printQuantity(pin.hertz, Unit::hertz),
                    pin.why.empty() ? "as fast as " + pin.speed + drive : style.mark(State::broken) + " " + pin.why,
                    style.muted(fieldSaid(pin.field))});
    }
    TextTable trims({Align::left, Align::left, Align::left, Align::left});
    for (const TrimFigure& trim : extras.trims) {
        trims.add({trim.source, "code " + std::to_string(trim.code) + (trim.isInReach ? "" : ", the end of its range"),
                   printQuantity(trim.hertz, Unit::hertz) + ", " + printError(trim.error()), style.muted(fieldSaid(trim.field))});
    }
    TextTable options({Align::left, Align::left, Align::left});
    for (const OptionFigure& option : figures.options) {
        options.add({option.id, option.value + (option.isGiven ? "" : ", as unprogrammed"),
                     option.why.empty() ? option.does + (option.value == option.safe ? "" : "; safe: " + option.safe)
                                        : style.mark(option.state) + "  " + option.why});
    }
    std::string text = crystals.empty() ? "" : style.section("crystals", crystals.text(style.columns));
    text += trims.empty() ? "" : style.section("trimmed on this board", trims.text(style.columns));
    text += pins.empty() ? "" : style.section("pins", pins.text(style.columns));
    text += speeds.empty() ? "" : style.section("how fast pins must turn", speeds.text(style.columns));
    text += routes.empty() ? "" : style.section("routes", routes.text(style.columns));
    text += options.empty() ? "" : style.section("option words", options.text(style.columns));
    return text.empty() ? "  the part and the plan say nothing of crystals, pins or option words\n" : text;
}

std::string movedReport(const std::vector<Moved>& moved, const Style& style) {
    TextTable table({Align::left, Align::left, Align::left});
    for (const Moved& each : moved) {
        table.add({each.name, style.mark(each.after),
                   (each.was.empty() ? "new" : each.was) + " \u2192 " + (each.is.empty() ? "gone" : each.is)});
    }
    return moved.empty() ? "  nothing moved\n" : style.section("what moved", table.text(style.columns));
}

std::string failsReport(const std::string& source, const std::vector<Moved>& moved, const Style& style) {
    TextTable table({Align::left, Align::left, Align::left});
    for (const Moved& each : moved) {
        table.add({each.name, style.mark(each.after),
                   (each.was.empty() ? "new" : each.was) + " \u2192 " + (each.is.empty() ? "gone" : each.is)});
    }
    return moved.empty() ? "  nothing moves when " + source + " fails\n"
                         : style.section("when " + source + " fails", table.text(style.columns));
}

std::string shelfReport(const std::vector<std::pair<std::string, std::vector<NeedFigure>>>& parts, const Style& style) {
    std::string text;
    for (const auto& [name, figures] : parts) {
        const Fit fit = fitOf(figures);
        TextTable table({Align::left, Align::left, Align::left});
        for (const NeedFigure& figure : figures) {
            table.add({figure.fit == Fit::yes ? "has" : (figure.fit == Fit::no ? "lacks" : "unknown"), figure.need, figure.why});
        }
        const std::string heading =
            figures.empty() ? name : name + (fit == Fit::yes ? " fits" : (fit == Fit::no ? " does not fit" : " may fit"));
        text += style.section(heading, table.text(style.columns));
    }
    return text;
}

std::string shelfReport(const std::vector<ShelvedPart>& parts, const Style& style) {
    TextTable table({Align::left, Align::left});
    for (const ShelvedPart& shelved : parts) {
        table.add({shelved.id, shelved.file.part ? shelved.file.part->note : "can't be read"});
    }
    return table.text(style.columns);
}

std::string wayReport(const WritingOrder& way, const std::string& from, const std::string& to, const Style& style) {
    TextTable table({Align::right, Align::left, Align::left, Align::right, Align::left});
    int number = 0;
    for (const ClockWrite& step : way.steps) {
        std::string fields;
        for (const FieldValue& field : step.fields) {
            fields += (fields.empty() ? "" : ", ") + fieldText(field.field) + " = " + hexText(field);
        }
        std::string wait;
        if (step.wait) {
            wait = step.wait->max ? "up to " + printQuantity(*step.wait->max, Unit::second) : "unknown wait";
        }
        if (step.until) {
            wait += (wait.empty() ? "" : ", ") + std::string("until ") + fieldText(*step.until) + " = 1";
        }
        if (step.shown) {
            wait += (wait.empty() ? "" : ", ") + std::string("then ") + fieldText(step.shown->field) + " shows " +
                    hexText(*step.shown);
        }
        table.add({std::to_string(++number), step.say, fields, step.core ? printQuantity(*step.core, Unit::hertz) : "", wait});
    }
    std::string text =
        style.section((from.empty() ? "from reset" : "from take " + from) + " to take " + to, table.text(style.columns));
    if (way.wait.max && !way.wait.max->isZero()) {
        text += "  waits: " + printRange(way.wait.typ.value_or(*way.wait.max), *way.wait.max, Unit::second) + "\n";
    }
    return way.trouble.empty() ? text : text + "  the way ends here: " + way.trouble + "\n";
}

std::string compareReport(const std::vector<std::string>& takes, const std::vector<ComparedRow>& rows, const Style& style) {
    std::string text;
    for (const bool differs : {true, false}) {
        TextTable table(std::vector<Align>(takes.size() + 1, Align::left));
        std::vector<std::string> head{""};
        for (const std::string& take : takes) {
            head.push_back("take " + take);
        }
        table.add(std::move(head));
        bool isEmpty = true;
        for (const ComparedRow& row : rows) {
            if (row.differs != differs) {
                continue;
            }
            isEmpty = false;
            std::vector<std::string> cells{row.name};
            for (std::size_t i = 0; i < row.values.size(); ++i) {
                cells.push_back(row.states[i] && *row.states[i] != State::kept ? row.values[i] + " " + style.mark(*row.states[i])
                                                                               : row.values[i]);
            }
            table.add(std::move(cells));
        }
        text += isEmpty ? "" : style.section(differs ? "differences" : "the same in all", table.text(style.columns));
    }
    return text;
}

} // namespace wisetick::cli
