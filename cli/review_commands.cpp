#include "review_commands.h"

#include "base/nearest_name.h"
#include "evaluate/compare.h"
#include "evaluate/evaluate.h"
#include "evaluate/ripple.h"
#include "evaluate/takes_that_count.h"
#include "handover/figures_json.h"
#include "handover/report.h"
#include "handover/review.h"
#include "loading.h"

#include <algorithm>
#include <chrono>
#include <filesystem>
#include <system_error>
#include <thread>

namespace wisetick::cli {

namespace {

namespace fs = std::filesystem;

constexpr std::chrono::milliseconds kLookEvery{200};

int checkOnce(const Console& console, const PlanOptions& options, const CheckOptions& check) {
    auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    std::vector<Figures> takes{evaluated(*loaded, options.isJson)};
    std::vector<std::string> others = options.take.empty() ? takesThatCount(loaded->plan) : std::vector<std::string>();
    for (const Take& take : loaded->plan.takes) {
        if (check.areAllTakes && std::find(others.begin(), others.end(), take.name) == others.end()) {
            others.push_back(take.name);
        }
    }
    for (const std::string& other : others) {
        if (other != takes.front().take) {
            loaded->take = other;
            loaded->plan.active = check.areAllTakes ? other : takes.front().take; // its jobs too, where all is asked there
            takes.push_back(ownOf(loaded->plan, evaluated(*loaded, options.isJson), takes.front(), check.areAllTakes));
        }
    }
    if (options.isJson) {
        nlohmann::ordered_json json = figuresJson(takes.front());
        json["takes"] = nlohmann::ordered_json::object();
        for (std::size_t i = 1; i < takes.size(); ++i) {
            const nlohmann::ordered_json all = figuresJson(takes[i]);
            json["takes"][takes[i].take] = {{"promises", all["promises"]}, {"findings", all["findings"]}};
        }
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
    } else if (check.form == "sarif") {
        console.out << sarifOf(reviewItems(takes, loaded->places), WISETICK_VERSION);
    } else if (check.form == "junit") {
        console.out << junitOf(reviewItems(takes, loaded->places), loaded->plan.name, check.isStrict);
    } else {
        console.out << checkReport(takes, loaded->places, console.style);
    }
    const auto isOfState = [](State state) { return [state](const auto& figure) { return figure.state == state; }; };
    bool isBroken = false;
    bool isStrained = false;
    for (const Figures& figures : takes) {
        isBroken = isBroken || hasErrors(figures.findings) ||
                   std::any_of(figures.promises.begin(), figures.promises.end(), isOfState(State::broken));
        isStrained = isStrained || std::any_of(figures.promises.begin(), figures.promises.end(), isOfState(State::strained)) ||
                     std::any_of(figures.lines.begin(), figures.lines.end(), isOfState(State::strained));
    }
    return isBroken || (check.isStrict && isStrained) ? kBroken : kHolds;
}

/// When the plan, and the part that it stands on, were written last.
std::vector<fs::file_time_type> timesOf(const Console& console, const std::string& plan) {
    std::vector<fs::file_time_type> times;
    std::error_code error;
    const LoadedPlan loaded = loadPlan(plan, console.shelf);
    for (const fs::path& path : {fs::path(plan), loaded.partPath}) {
        times.push_back(path.empty() ? fs::file_time_type() : fs::last_write_time(path, error));
    }
    return times;
}

bool isPlanFile(const std::string& word) {
    std::error_code error;
    return fs::is_regular_file(word, error);
}

/// What moved between the active takes of two plans, or the take that is asked for.
int comparePlans(const Console& console, const PlanOptions& options, const Loaded& before, const std::string& other) {
    const auto after = load(console, {other, options.take, options.isJson});
    if (!after) {
        return kBadInput;
    }
    const std::vector<Moved> moved =
        ripple(evaluate(before.part, before.plan, before.take), evaluate(after->part, after->plan, after->take));
    console.out << (options.isJson ? rippleJson(moved).dump(2, ' ', false, kAnyBytes) + "\n" : movedReport(moved, console.style));
    return kHolds;
}

/// The figures of all takes that count, the meant one first.
std::vector<Figures> countingTakes(Loaded& loaded) {
    std::vector<Figures> takes{evaluated(loaded, true)};
    for (const std::string& other : takesThatCount(loaded.plan)) {
        if (other != takes.front().take) {
            loaded.take = other;
            takes.push_back(ownOf(loaded.plan, evaluated(loaded, true), takes.front(), false));
        }
    }
    loaded.take = takes.front().take;
    return takes;
}

} // namespace

int runCheck(const Console& console, const PlanOptions& options, const CheckOptions& check) {
    const std::vector<std::string> forms{"text", "sarif", "junit"};
    if (!check.form.empty() && std::find(forms.begin(), forms.end(), check.form) == forms.end()) {
        return reportBadInput(
            console, {{Severity::error, {}, "no form '" + check.form + "'", listNames(forms), didYouMean(check.form, forms)}},
            false);
    }
    int result = checkOnce(console, options, check);
    while (check.isWatching) {
        console.out.flush();
        const auto times = timesOf(console, options.plan);
        while (timesOf(console, options.plan) == times) {
            std::this_thread::sleep_for(kLookEvery);
        }
        console.out << "\n";
        result = checkOnce(console, options, check);
    }
    return result;
}

int runCompare(const Console& console, const PlanOptions& options, const std::vector<std::string>& others) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    if (others.size() == 1 && isPlanFile(others.front())) {
        return comparePlans(console, options, *loaded, others.front());
    }
    std::vector<std::string> known;
    for (const Take& take : loaded->plan.takes) {
        known.push_back(take.name);
    }
    for (const std::string& take : others) {
        if (findTake(loaded->plan, take) == nullptr) {
            return reportBadInput(console,
                                  {{Severity::error,
                                    {options.plan, 0, 0, {}},
                                    "no take '" + take + "'",
                                    listNames(known) + ", or another plan's file",
                                    didYouMean(take, known)}},
                                  options.isJson);
        }
    }
    const std::vector<std::string>& compared = others.empty() ? known : others;
    const std::vector<ComparedRow> rows = compareTakes(loaded->part, loaded->plan, compared);
    console.out << (options.isJson ? comparisonJson(compared, rows).dump(2, ' ', false, kAnyBytes) + "\n"
                                   : compareReport(compared, rows, console.style));
    return kHolds;
}

int runReport(const Console& console, const PlanOptions& options, const ReportOptions& report) {
    const std::vector<std::string> forms{"html", "markdown"};
    if (std::find(forms.begin(), forms.end(), report.form) == forms.end()) {
        return reportBadInput(
            console, {{Severity::error, {}, "no form '" + report.form + "'", listNames(forms), didYouMean(report.form, forms)}},
            false);
    }
    auto loaded = load(console, options);
    std::optional<Figures> before;
    if (loaded && !report.since.empty()) {
        const auto old = load(console, {report.since, options.take, false});
        if (!old) {
            return kBadInput;
        }
        before = evaluate(old->part, old->plan, old->take);
    }
    if (!loaded) {
        return kBadInput;
    }
    const std::vector<Figures> takes = countingTakes(*loaded);
    const std::vector<ReportBlock> blocks = reportOf(loaded->part, loaded->plan, takes, before ? &*before : nullptr);
    console.out << (report.form == "html" ? reportHtml(blocks) : reportMarkdown(blocks));
    return kHolds;
}

} // namespace wisetick::cli
