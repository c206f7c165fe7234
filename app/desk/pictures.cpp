#include "desk/pictures.h"

#include "paint/text.h"
#include "promise/timer.h"

namespace wisetick::app {

namespace {

std::vector<Picture> firesPictures(const DeskScene& scene, const TimerKind& kind, const FiresAsk& ask) {
    std::vector<Picture> pictures = timerPictures(scene, kind, ask.period);
    if (auto routes = routesPicture(scene)) {
        pictures.insert(pictures.begin() + 1, std::move(*routes));
    }
    return pictures;
}

std::vector<Picture> rtcPictures(const DeskScene& scene, const RtcKind& kind, const FiresAsk& ask) {
    return ask.isAlarm ? alarmPictures(scene, ask) : timerPictures(scene, wakeUpTimer(kind), ask.period);
}

std::vector<Picture> waitPictures(const DeskScene& scene, const TimerKind& kind, const WaitsAsk& ask) {
    return timerPictures(scene, kind, ask.time);
}

std::vector<Picture> driftPictures(const DeskScene& scene, const RtcKind&, const DriftsAsk& ask) {
    return calendarPictures(scene, ask);
}

template <class K, class A, std::vector<Picture> (*draw)(const DeskScene&, const K&, const A&)>
DeskPictures pictureRow() {
    return {&A::row(), &K::row(), [](const DeskScene& scene) {
                return draw(scene, scene.desk.peripheral->kind.template get<K>(), scene.line.ask.template get<A>());
            }};
}

} // namespace

const std::vector<DeskPictures>& deskPictureRows() {
    static const std::vector<DeskPictures> rows{
        pictureRow<UartKind, TalksAsk, uartPictures>(),         pictureRow<CanKind, CanAsk, canPictures>(),
        pictureRow<CanKind, HoldsAsk, memoryPictures>(),        pictureRow<I2cKind, BusAsk, busPictures>(),
        pictureRow<TimerKind, FiresAsk, firesPictures>(),       pictureRow<RtcKind, FiresAsk, rtcPictures>(),
        pictureRow<TimerKind, WaitsAsk, waitPictures>(),        pictureRow<TimerKind, DrivesAsk, pwmPictures>(),
        pictureRow<TimerKind, StampsAsk, stampPictures>(),      pictureRow<DelayLoopKind, WaitsAsk, delayPictures>(),
        pictureRow<WatchdogKind, BitesAsk, watchdogPictures>(), pictureRow<RtcKind, DriftsAsk, driftPictures>(),
        pictureRow<AdcKind, TakesAsk, adcPictures>(),           pictureRow<SpiKind, ClocksAsk, portPictures>()};
    return rows;
}

std::optional<Way> DeskScene::taken() const {
    if (!figure.got || !figure.error) {
        return std::nullopt;
    }
    return Way{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
}

std::vector<Picture> deskPictures(const DeskScene& scene) {
    if (const auto* runs = scene.line.ask.as<RunsAsk>()) {
        return linePictures(scene, *runs);
    }
    if (const auto* wakes = scene.line.ask.as<WakesAsk>()) {
        return wakePictures(scene, *wakes);
    }
    if (scene.desk.peripheral == nullptr || !scene.desk.clock) {
        return {};
    }
    try {
        for (const DeskPictures& row : deskPictureRows()) {
            if (row.ask == scene.line.ask.row() && row.kind == scene.desk.peripheral->kind.row()) {
                return row.draw(scene);
            }
        }
        return {}; // its table of ways says all there is
    } catch (const RationalOverflow&) {
        return {}; // beyond all measure: its figure says so
    }
}

} // namespace wisetick::app
