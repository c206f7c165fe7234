#pragma once

#include "derive/meetings.h"
#include "part/part.h"

#include <algorithm>

namespace wisetick {

/// A scene whose ask and kind are known.
template <class A, class K>
struct Met {
    const MeetingScene& scene;

    const A& ask() const { return scene.ask.template get<A>(); }
    const K& kind() const { return scene.subject.peripheral->kind.template get<K>(); }
    const Clock& clock() const { return scene.subject.clock; }
    const Clock* core() const { return scene.subject.coreClock(); }
    const std::vector<Setting>& pinned() const { return scene.pinned; }
    Detail detail() const { return scene.context.detail; }
    const PromiseContext& context() const { return scene.context; }
};

/// Of a pair that has nothing to choose.
constexpr auto kNoWays = [](const auto&, std::size_t) { return std::vector<Way>(); };

/// Of a pair that leans on no rate.
constexpr auto kAnyRate = [](const auto&) { return RateWindows::all(); };

/// Of a judge that looks at the clock of its peripheral alone.
constexpr auto kOwnClockAlone = [](const auto&, const Take&) { return false; };

/// The tolerance that the ask itself gives.
constexpr auto kToleranceAsAsked = [](const auto& ask, const auto&) -> std::optional<Rational> {
    if constexpr (requires { ask.tolerance; }) {
        return ask.tolerance.within;
    } else {
        return std::nullopt;
    }
};

/// The row of an ask of type A on a kind of type K. `judge` (scene, figure → figure), `ways` (scene, most → ways) and `rates`
/// (scene → windows) get a Met<A, K>; `looksFurther` the ask and the take, `tolerance` the ask and the kind.
template <class A, class K, auto judge, auto ways, auto rates, auto looksFurther, auto tolerance>
Meeting meetingRow() {
    Meeting meeting;
    meeting.ask = &A::row();
    meeting.judge = [](const MeetingScene& scene, PromiseFigure figure) { return judge(Met<A, K>{scene}, std::move(figure)); };
    meeting.ways = [](const MeetingScene& scene, std::size_t most) { return ways(Met<A, K>{scene}, most); };
    meeting.rates = [](const MeetingScene& scene) { return rates(Met<A, K>{scene}); };
    meeting.looksFurther = [](const Ask& ask, const Take& take) { return looksFurther(ask.get<A>(), take); };
    meeting.tolerance = [](const Ask& ask, const PeripheralKind& kind) { return tolerance(ask.get<A>(), kind.get<K>()); };
    return meeting;
}

/// What is said of an ask that a peripheral can't do.
PromiseFigure cannotDoThat(const MeetingScene& scene, PromiseFigure figure);

} // namespace wisetick
