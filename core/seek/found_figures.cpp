#include "seek/found_figures.h"

#include "base/text.h"
#include "derive/derive.h"
#include "evaluate/evaluate.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace wisetick {

namespace {

/// "3.2·10^41".
std::string powerText(double power) {
    const double whole = std::floor(power);
    return fmt::format("{:.1f}\u00b710^{:.0f}", std::pow(10.0, power - whole), whole);
}

/// "1155", "about 3.2·10^41".
Text countText(double power) {
    constexpr double kExact = 6;
    return power < kExact ? Text(fmt::format("{:.0f}", std::round(std::pow(10.0, power)))) : Text("about " + powerText(power));
}

} // namespace

FoundFigures figuresOfFound(const Part& part, const Plan& plan, const FoundTake& found, bool isPlayed) {
    const Plan changed = withActive(withFound(plan, found), found.take.name);
    FoundFigures result{isPlayed ? evaluate(part, changed, found.take.name) : derive(part, changed, found.take.name), {}, {}};
    for (const ModeFigure& mode : result.figures.modes) {
        if (mode.runs) {
            result.ampere = mode.ampere.nominal;
        } else if (mode.wakeUp && (found.take.restsIn.empty() || mode.id == found.take.restsIn)) {
            const Rational& restored = mode.wakeUp->restored.max;
            result.wakeUp = result.wakeUp ? std::max(*result.wakeUp, restored) : restored;
        }
    }
    return result;
}

WishStanding standingIn(const Part& part, const Figures& figures, const Wish& wish) {
    const LineFigure& line = figures.lines[*part.findNode(wish.line)];
    return line.hertz && line.isOn ? standingOf(wish, *line.hertz, line.unknown.empty(), part.slack)
                                   : WishStanding{State::broken, 1};
}

Text sayWorst(const Score& score) {
    constexpr double kSmallShare = 0.01;
    constexpr double kLarge = 1000;
    if (score.ratios.empty()) {
        return "exact";
    }
    const double percent = score.ratios.front().toDouble() * 100;
    if (percent < kSmallShare || percent >= kLarge * kLarge) {
        return powerText(std::log10(percent)) + " %";
    }
    return percent >= kLarge ? fmt::format("{:.0f} %", percent) : fmt::format("{:.3g} %", percent);
}

Text sayStates(const Score& score) {
    Text text = score.broken > 0 ? phrase("{} broken", std::to_string(score.broken)) : "";
    text += score.strained > 0 ? phrase("{}{} strained", text.empty() ? "" : ", ", std::to_string(score.strained)) : "";
    return text.empty() ? "kept" : text;
}

std::vector<Text> faultsLeft(const Figures& figures) {
    std::vector<Text> faults;
    for (const Diagnostic& finding : figures.findings) {
        if (finding.severity == Severity::error) {
            faults.push_back(sayText(finding));
        }
    }
    return faults;
}

Text sayFaultsLeft(const Figures& figures) {
    const std::vector<Text> faults = faultsLeft(figures);
    if (faults.empty()) {
        return {};
    }
    return faults.size() == 1 ? phrase("It leaves a fault: {}", faults.front())
                              : phrase("It leaves {} faults, first: {}", std::to_string(faults.size()), faults.front());
}

Text sayEnd(const SeekResult& result) {
    const std::string all = countText(result.settings);
    if (!result.isComplete()) {
        return phrase("Cut {}; there may be better ones among {} takes.",
                      result.cut.empty() ? phrase("before its end") : result.cut, all);
    }
    return phrase("Complete: all of {} takes were looked at or excluded by bound; none is better.", all);
}

} // namespace wisetick
