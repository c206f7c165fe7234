#include "outside/quadrature.h"

#include "kinds/kind_pieces.h"
#include "promise/judge.h"

namespace wisetick::test {

namespace {

void followsClauses(ClauseList& list, FollowsAsk& ask, const std::string&) {
    list.needed("", Unit::hertz, "50 kHz", ask.hertz);
    list.quantity("rejects", Unit::second, "rejects 300 ns", ask.rejects);
}

std::string printFollows(const FollowsAsk& ask) {
    return "follows " + printReadable(ask.hertz, Unit::hertz) + said(", rejects ", ask.rejects, Unit::second);
}

std::vector<std::string> readQuadrature(PartContext&, TableReader& reader, Peripheral& peripheral) {
    peripheral.kind = QuadratureKind{readWholeSet(reader, "filter", Need::required)};
    return {"filter"};
}

/// Between two edges lies a quarter period, and each must stand for the filter: f ÷ (4 × filter) at most.
Way wayWith(const Rational& filter, const FollowsAsk& ask, const Clock& clock) {
    const Rational share = 1 / (4 * filter);
    Way way = wayThatGives({{"filter", filter}}, {clock.hertz.min * share, clock.hertz.nominal * share, clock.hertz.max * share},
                           ask.hertz);
    Judgement judgement = judgeAtLeast(way.got, ask.hertz, clock.unknown.empty());
    if (ask.rejects) {
        const Bounds stands{filter / clock.hertz.max, filter / clock.hertz.nominal, filter / clock.hertz.min};
        judgement = both(judgement, judgeAtLeast(stands, *ask.rejects, clock.unknown.empty()));
    }
    return judgedAs(std::move(way), judgement);
}

/// The best state first, then the strongest filter.
std::vector<Way> followWays(const QuadratureKind& kind, const FollowsAsk& ask, const Clock& clock,
                            const std::vector<Setting>& pinned) {
    std::vector<Way> ways;
    for (std::int64_t i = 0; i < *kind.filter.size().toInt64(); ++i) {
        const Rational filter = kind.filter.at(i);
        if (const Rational* held = pinnedValue(pinned, "filter"); held == nullptr || *held == filter) {
            ways.push_back(wayWith(filter, ask, clock));
        }
    }
    std::stable_sort(ways.begin(), ways.end(), [](const Way& a, const Way& b) {
        return a.state != b.state ? worseState(a.state, b.state) == b.state : settingOf(a, "filter") > settingOf(b, "filter");
    });
    return ways;
}

PromiseFigure judgeFollows(const Met<FollowsAsk, QuadratureKind>& met, PromiseFigure figure) {
    figure.unit = Unit::hertz;
    figure.asked = met.ask().hertz;
    figure.isWorstKnown = met.clock().unknown.empty();
    const std::vector<Way> ways = followWays(met.kind(), met.ask(), met.clock(), met.pinned());
    if (ways.empty()) {
        figure.why = "it has no such filter";
        return figure;
    }
    takeWay(figure, ways.front());
    if (figure.state != State::kept) {
        figure.why = "no filter lets it follow " + printQuantity(met.ask().hertz, Unit::hertz);
    }
    if (met.detail() == Detail::workings) {
        figure.workings = {clockStep(met.clock(), "this promise"), askedStep(figure)};
    }
    return figure;
}

const std::vector<Meeting>& quadratureMeetings() {
    static const std::vector<Meeting> rows{
        meetingRow<FollowsAsk, QuadratureKind,
                   [](const auto& met, PromiseFigure figure) { return judgeFollows(met, std::move(figure)); },
                   [](const auto& met, std::size_t) { return followWays(met.kind(), met.ask(), met.clock(), met.pinned()); },
                   [](const auto& met) {
                       RateComb comb{4 * met.ask().hertz, std::nullopt, met.kind().filter};
                       if (met.ask().rejects) {
                           comb.high = 1 / *met.ask().rejects;
                       }
                       return comb.high && *comb.high < comb.low ? RateWindows::none() : RateWindows{{comb}, true};
                   },
                   kOwnClockAlone, kToleranceAsAsked>()};
    return rows;
}

} // namespace

const AskRow& FollowsAsk::row() {
    static const AskRow row = askRow<FollowsAsk, followsClauses, printFollows>({"follows"}, AskedOf::peripheral);
    return row;
}

const KindRow& QuadratureKind::row() {
    static const KindRow row{
        .name = "quadrature",
        .schema = R"({"filter": {"$ref": "#/$defs/factors"}})",
        .settings = {"filter"},
        .alsoCounted = {},
        .read = readQuadrature,
        .widths = [](const PeripheralKind& kind, const OnWidth& width) { width("filter", kind.get<QuadratureKind>().filter); },
        .limits = noLimits,
        .channels = noChannels,
        .chainedWith = noChain,
        .wakeCounter = noWakeCounter,
        .meetings = quadratureMeetings};
    return row;
}

} // namespace wisetick::test
