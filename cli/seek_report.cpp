#include "seek_report.h"

#include "derive/said.h"
#include "handover/figures_json.h"
#include "quantity/quantity_print.h"
#include "seek/conflict_words.h"
#include "seek/found_figures.h"
#include "text_table.h"

#include <fmt/format.h>

namespace wisetick::cli {

namespace {

std::string hertz(const Rational& rate) {
    return printQuantity(rate, Unit::hertz);
}

std::string changesText(const FoundTake& found, const Style& style) {
    TextTable table({Align::left, Align::left});
    for (const auto& [id, control] : found.changes) {
        table.add({id, control});
    }
    return found.changes.empty() ? "  nothing: the take as it is\n" : table.text(style.columns);
}

std::string wishesText(const Part& part, const Question& question, const Figures& figures, const Style& style) {
    TextTable table({Align::left, Align::left, Align::right, Align::right});
    for (const Wish& wish : question.wishes) {
        const LineFigure& line = figures.lines[*part.findNode(wish.line)];
        const WishStanding standing = standingIn(part, figures, wish);
        const bool hasError = wish.kind == Wish::Kind::at && line.hertz;
        table.add({style.mark(standing.state), printWish(wish), line.hertz && line.isOn ? hertz(line.hertz->nominal) : "off",
                   hasError ? printError(line.hertz->nominal / wish.hertz - 1) : ""});
    }
    return table.text(style.columns);
}

std::string promisesText(const Figures& figures, const Style& style) {
    TextTable table({Align::left, Align::left, Align::right, Align::right});
    for (const PromiseFigure& promise : figures.promises) {
        table.add({style.mark(promise.state), promise.name, gotSaid(promise), errorSaid(promise)});
    }
    return table.text(style.columns);
}

std::string faultsText(const Figures& figures) {
    std::string text;
    for (const Text& fault : faultsLeft(figures)) {
        text += "  " + std::string(fault) + "\n";
    }
    return text;
}

} // namespace

std::string foundReport(const Part& part, const Plan& plan, const Question& question, const SeekResult& result,
                        std::size_t chosen, const Style& style) {
    std::vector<Align> columns{Align::right, Align::left, Align::right, Align::right, Align::right, Align::right};
    std::vector<std::string> head{"", "", "worst", "in run", "wakes in", "changes"};
    for (const auto& [id, rate] : result.found.front().rates) {
        columns.push_back(Align::right);
        head.push_back(id);
    }
    TextTable table(columns);
    table.add(head);
    std::optional<FoundFigures> shown;
    for (std::size_t i = 0; i < result.found.size(); ++i) {
        const FoundTake& found = result.found[i];
        FoundFigures each = figuresOfFound(part, plan, found, i + 1 == chosen);
        std::vector<std::string> row{std::to_string(i + 1),
                                     sayStates(found.score),
                                     sayWorst(found.score),
                                     each.ampere ? printQuantity(*each.ampere, Unit::ampere) : "",
                                     each.wakeUp ? printQuantity(*each.wakeUp, Unit::second) : "",
                                     std::to_string(found.changes.size())};
        for (const auto& [id, rate] : found.rates) {
            row.push_back(hertz(rate));
        }
        table.add(std::move(row));
        if (i + 1 == chosen) {
            shown = std::move(each);
        }
    }
    std::string text = style.heading("found takes, best first") + "\n" + table.text(style.columns);
    if (shown) {
        const FoundTake& found = result.found[chosen - 1];
        const std::string rank = "take " + std::to_string(chosen);
        text += style.section(rank + ": wishes", wishesText(part, question, shown->figures, style));
        text += style.section(rank + ": promises", promisesText(shown->figures, style));
        text += style.section(rank + ": faults that it leaves", faultsText(shown->figures));
        if (found.crystal) {
            text +=
                style.section(rank + ": to be fitted", "  " + found.crystal->source + " of " + hertz(found.crystal->rate) + "\n");
        }
        text += style.section(rank + ": what it changes", changesText(found, style));
    }
    return text + "\n" + sayEnd(result) + "\n";
}

std::string unfoldedReport(const SeekResult& same, std::size_t rank, const Style& style) {
    std::string text;
    for (std::size_t i = 0; i < same.found.size(); ++i) {
        std::string line;
        for (const auto& [id, control] : same.found[i].changes) {
            line += (line.empty() ? "" : "; ") + id + " " + control;
        }
        text += fmt::format("  {:>3}  {}\n", i + 1, line.empty() ? "as it is" : line);
    }
    const std::string title = "equal to take " + std::to_string(rank) + " in every rate that matters";
    return style.section(title, text) + (same.isComplete() ? "" : "  There may be more.\n");
}

std::string refusalReport(const Space& space, const Refusal& refusal, const Style& style) {
    std::string text = style.heading("nothing fits") + "\n";
    const char* between = "";
    for (const Conflict& conflict : refusal.conflicts) {
        text += between;
        for (const Demanded& each : conflict) {
            text += "  \u2022 " + sayDemanded(space, each) + "\n";
        }
        text += "  " + explain(space, conflict) + "\n";
        between = "\n";
    }
    if (refusal.conflicts.empty()) {
        text += "  what collides was not found in the time given\n";
    } else if (refusal.areAll) {
        text += "\n  There is no other set of wishes and promises that collides.\n";
    } else if (!refusal.isSmallest) {
        text += "\n  There may be a smaller set.\n";
    }
    TextTable nearest({Align::left, Align::right, Align::right, Align::left});
    for (const Nearest& each : refusal.nearest) {
        nearest.add({printWish(space.question.wishes[each.wish]), each.hertz ? hertz(*each.hertz) : "not at all",
                     each.error ? printError(*each.error) : "", each.isAlone ? "alone" : ""});
    }
    text += style.section("the nearest of each wish if all others stay", nearest.text(style.columns));
    std::string lifts;
    for (const Demanded& each : refusal.lifts) {
        lifts += "  " + sayDemanded(space, each) + "\n";
    }
    text += style.section("lifted alone it would help", lifts);
    return text;
}

nlohmann::ordered_json foundJson(const Part& part, const Plan& plan, const Question& question, const SeekResult& result) {
    nlohmann::ordered_json json;
    for (const Wish& wish : question.wishes) {
        json["question"]["wishes"].push_back(printWish(wish));
    }
    const std::vector<std::string> names = promiseNames(plan);
    for (const SoughtPromise& promise : question.promises) {
        json["question"]["promises"].push_back({{"name", names[promise.index]}, {"soft", promise.isSoft}});
    }
    for (const Preference preference : question.prefers) {
        json["question"]["prefer"].push_back(preferenceName(preference));
    }
    json["found"] = nlohmann::ordered_json::array();
    for (const FoundTake& found : result.found) {
        const FoundFigures each = figuresOfFound(part, plan, found, true);
        nlohmann::ordered_json entry{{"broken", found.score.broken}, {"strained", found.score.strained}};
        entry["shares"] = nlohmann::ordered_json::array();
        for (const Rational& ratio : found.score.ratios) {
            entry["shares"].push_back(ratio.toString());
        }
        for (const auto& [id, rate] : found.rates) {
            entry["rates"][id] = rate.toString();
        }
        entry["wishes"] = nlohmann::ordered_json::array();
        for (const Wish& wish : question.wishes) {
            const LineFigure& line = each.figures.lines[*part.findNode(wish.line)];
            nlohmann::ordered_json got{{"wish", printWish(wish)},
                                       {"state", stateName(standingIn(part, each.figures, wish).state)}};
            got["hertz"] = line.hertz ? nlohmann::ordered_json(line.hertz->nominal.toString()) : nlohmann::ordered_json();
            if (wish.kind == Wish::Kind::at && line.hertz) {
                got["error"] = (line.hertz->nominal / wish.hertz - 1).toString();
            }
            entry["wishes"].push_back(std::move(got));
        }
        entry["promises"] = nlohmann::ordered_json::object();
        for (const PromiseFigure& promise : each.figures.promises) {
            entry["promises"][promise.name] = promiseJson(promise);
        }
        entry["faults"] = faultsLeft(each.figures);
        entry["current"] = each.ampere ? nlohmann::ordered_json(each.ampere->toString()) : nlohmann::ordered_json();
        entry["wake_up"] = each.wakeUp ? nlohmann::ordered_json(each.wakeUp->toString()) : nlohmann::ordered_json();
        if (found.crystal) {
            entry["crystal"] = {{"source", found.crystal->source}, {"rate", found.crystal->rate.toString()}};
        }
        entry["changes"] = nlohmann::ordered_json::array();
        for (const auto& [id, control] : found.changes) {
            entry["changes"].push_back({{"id", id}, {"to", control}});
        }
        json["found"].push_back(std::move(entry));
    }
    json["complete"] = result.isComplete();
    json["cut"] = result.isComplete() ? nlohmann::ordered_json()
                                      : nlohmann::ordered_json(result.cut.empty() ? "before its end" : std::string(result.cut));
    json["steps"] = result.steps;
    json["takes_log10"] = result.settings;
    return json;
}

nlohmann::ordered_json refusalJson(const Space& space, const Refusal& refusal) {
    nlohmann::ordered_json json{{"conflicts", nlohmann::ordered_json::array()}};
    for (const Conflict& conflict : refusal.conflicts) {
        nlohmann::ordered_json members = nlohmann::ordered_json::array();
        for (const Demanded& each : conflict) {
            members.push_back(sayDemanded(space, each));
        }
        json["conflicts"].push_back({{"members", std::move(members)}, {"say", explain(space, conflict)}});
    }
    json["smallest"] = refusal.isSmallest;
    json["all"] = refusal.areAll;
    json["nearest"] = nlohmann::ordered_json::array();
    for (const Nearest& each : refusal.nearest) {
        nlohmann::ordered_json got{{"wish", printWish(space.question.wishes[each.wish])}};
        got["hertz"] = each.hertz ? nlohmann::ordered_json(each.hertz->toString()) : nlohmann::ordered_json();
        got["error"] = each.error ? nlohmann::ordered_json(each.error->toString()) : nlohmann::ordered_json();
        got["alone"] = each.isAlone;
        json["nearest"].push_back(std::move(got));
    }
    json["lifts"] = nlohmann::ordered_json::array();
    for (const Demanded& each : refusal.lifts) {
        json["lifts"].push_back(sayDemanded(space, each));
    }
    return json;
}

} // namespace wisetick::cli
