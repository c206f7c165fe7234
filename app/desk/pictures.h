#pragma once

#include "derive/desk.h"
#include "picture/picture.h"

namespace wisetick::app {

/// What the pictures of a desk are made from.
struct DeskScene {
    const Part& part;
    const Plan& plan;
    const Figures& figures;
    const PromiseFigure& figure;
    const PromiseLine& line;
    const Desk& desk;

    /// The way that is taken; nothing where none is.
    std::optional<Way> taken() const;
};

/// The pictures of a promise, the most telling first; empty where the kind has none here.
std::vector<Picture> deskPictures(const DeskScene& scene);

/// Draws the pictures of an ask on a kind of peripheral.
struct DeskPictures {
    const AskRow* ask = nullptr;
    const KindRow* kind = nullptr;
    std::vector<Picture> (*draw)(const DeskScene& scene) = nullptr;
};

/// All there are; of a pair without a row the desk shows its ways alone.
const std::vector<DeskPictures>& deskPictureRows();

// One function a kind.
std::vector<Picture> timerPictures(const DeskScene& scene, const TimerKind& timer, const Rational& period);
/// The routes to a long period beside one another; nothing where the timer reaches it by itself.
std::optional<Picture> routesPicture(const DeskScene& scene);
std::vector<Picture> pwmPictures(const DeskScene& scene, const TimerKind& timer, const DrivesAsk& ask);
std::vector<Picture> stampPictures(const DeskScene& scene, const TimerKind& timer, const StampsAsk& ask);
/// A start bit, s: how long it lasts, and how late the receiver may begin to read it.
struct WakingBit {
    Rational lasts;
    Rational late;
};
/// From which modes the peripheral wakes, and how soon its clock runs; with `bit`, whether that is soon enough. Nothing where it
/// wakes none.
std::optional<Picture> wakingPicture(const DeskScene& scene, const std::optional<WakingBit>& bit);
std::vector<Picture> uartPictures(const DeskScene& scene, const UartKind& uart, const TalksAsk& ask);
std::vector<Picture> canPictures(const DeskScene& scene, const CanKind& can, const CanAsk& ask);
std::vector<Picture> memoryPictures(const DeskScene& scene, const CanKind& can, const HoldsAsk& ask);
std::vector<Picture> adcPictures(const DeskScene& scene, const AdcKind& adc, const TakesAsk& ask);
std::vector<Picture> busPictures(const DeskScene& scene, const I2cKind& bus, const BusAsk& ask);
std::vector<Picture> portPictures(const DeskScene& scene, const SpiKind& spi, const ClocksAsk& ask);
std::vector<Picture> watchdogPictures(const DeskScene& scene, const WatchdogKind& watchdog, const BitesAsk& ask);
std::vector<Picture> calendarPictures(const DeskScene& scene, const DriftsAsk& ask);
std::vector<Picture> alarmPictures(const DeskScene& scene, const FiresAsk& ask);
std::vector<Picture> delayPictures(const DeskScene& scene, const DelayLoopKind& loop, const WaitsAsk& ask);
std::vector<Picture> linePictures(const DeskScene& scene, const RunsAsk& ask);
std::vector<Picture> wakePictures(const DeskScene& scene, const WakesAsk& ask);

} // namespace wisetick::app
