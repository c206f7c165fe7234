#include "desk/pictures.h"

#include "paint/text.h"
#include "promise/timer.h"

namespace wisetick::app {

namespace {

/// Finds the pictures of an ask on the kind of peripheral that it stands on.
struct PictureFinder {
    const DeskScene& scene;

    std::vector<Picture> operator()(const TalksAsk& ask, const UartKind& kind) const { return uartPictures(scene, kind, ask); }
    std::vector<Picture> operator()(const CanAsk& ask, const CanKind& kind) const { return canPictures(scene, kind, ask); }
    std::vector<Picture> operator()(const HoldsAsk& ask, const CanKind& kind) const { return memoryPictures(scene, kind, ask); }
    std::vector<Picture> operator()(const BusAsk& ask, const I2cKind& kind) const { return busPictures(scene, kind, ask); }
    std::vector<Picture> operator()(const FiresAsk& ask, const TimerKind& kind) const {
        std::vector<Picture> pictures = timerPictures(scene, kind, ask.period);
        if (auto routes = routesPicture(scene)) {
            pictures.insert(pictures.begin() + 1, std::move(*routes));
        }
        return pictures;
    }
    std::vector<Picture> operator()(const FiresAsk& ask, const RtcKind& kind) const {
        return ask.isAlarm ? alarmPictures(scene, ask) : timerPictures(scene, wakeUpTimer(kind), ask.period);
    }
    std::vector<Picture> operator()(const WaitsAsk& ask, const TimerKind& kind) const {
        return timerPictures(scene, kind, ask.time);
    }
    std::vector<Picture> operator()(const DrivesAsk& ask, const TimerKind& kind) const { return pwmPictures(scene, kind, ask); }
    std::vector<Picture> operator()(const StampsAsk& ask, const TimerKind& kind) const { return stampPictures(scene, kind, ask); }
    std::vector<Picture> operator()(const WaitsAsk& ask, const DelayLoopKind& kind) const {
        return delayPictures(scene, kind, ask);
    }
    std::vector<Picture> operator()(const BitesAsk& ask, const WatchdogKind& kind) const {
        return watchdogPictures(scene, kind, ask);
    }
    std::vector<Picture> operator()(const DriftsAsk& ask, const RtcKind&) const { return calendarPictures(scene, ask); }
    std::vector<Picture> operator()(const TakesAsk& ask, const AdcKind& kind) const { return adcPictures(scene, kind, ask); }
    std::vector<Picture> operator()(const ClocksAsk& ask, const SpiKind& kind) const { return portPictures(scene, kind, ask); }
    template <class Ask, class Kind>
    std::vector<Picture> operator()(const Ask&, const Kind&) const {
        return {};
    }
};

} // namespace

std::optional<Way> DeskScene::taken() const {
    if (!figure.got || !figure.error) {
        return std::nullopt;
    }
    return Way{figure.settings, *figure.got, *figure.error, figure.state, figure.margin};
}

std::vector<Picture> deskPictures(const DeskScene& scene) {
    if (const auto* runs = std::get_if<RunsAsk>(&scene.line.ask)) {
        return linePictures(scene, *runs);
    }
    if (const auto* wakes = std::get_if<WakesAsk>(&scene.line.ask)) {
        return wakePictures(scene, *wakes);
    }
    if (scene.desk.peripheral == nullptr || !scene.desk.clock) {
        return {};
    }
    try {
        return std::visit(PictureFinder{scene}, scene.line.ask, scene.desk.peripheral->kind);
    } catch (const RationalOverflow&) {
        return {}; // beyond all measure: its figure says so
    }
}

} // namespace wisetick::app
