#pragma once

#include "derive/desk.h"
#include "paint/theme.h"

#include <QString>

#include <functional>
#include <vector>

namespace wisetick::app {

/// One picture of a desk: what it shows, and how it is drawn into an area.
struct DeskPicture {
    QString title;
    QString hint;
    qreal height = 120;
    std::function<void(QPainter& painter, const QRectF& area, const Theme& theme)> paint;
};

/// Paints a picture into an area, its title and hint above it; the picture itself reaches out by so much to both sides.
void paintPicture(QPainter& painter, const DeskPicture& picture, const QRectF& area, const Theme& theme, qreal outdent = 0);

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
std::vector<DeskPicture> deskPictures(const DeskScene& scene);

// One function a kind.
std::vector<DeskPicture> timerPictures(const DeskScene& scene, const TimerKind& timer, const Rational& period);
/// The routes to a long period beside one another; nothing where the timer reaches it by itself.
std::optional<DeskPicture> routesPicture(const DeskScene& scene);
std::vector<DeskPicture> pwmPictures(const DeskScene& scene, const TimerKind& timer, const DrivesAsk& ask);
std::vector<DeskPicture> stampPictures(const DeskScene& scene, const TimerKind& timer, const StampsAsk& ask);
/// From which modes the peripheral wakes, and how soon its clock runs; with `bit`, s, whether that is within a start bit. Nothing
/// where it wakes none.
std::optional<DeskPicture> wakingPicture(const DeskScene& scene, const std::optional<Rational>& bit);
std::vector<DeskPicture> uartPictures(const DeskScene& scene, const UartKind& uart, const TalksAsk& ask);
std::vector<DeskPicture> canPictures(const DeskScene& scene, const CanKind& can, const CanAsk& ask);
std::vector<DeskPicture> memoryPictures(const DeskScene& scene, const CanKind& can, const HoldsAsk& ask);
std::vector<DeskPicture> adcPictures(const DeskScene& scene, const AdcKind& adc, const TakesAsk& ask);
std::vector<DeskPicture> busPictures(const DeskScene& scene, const I2cKind& bus, const BusAsk& ask);
std::vector<DeskPicture> portPictures(const DeskScene& scene, const SpiKind& spi, const ClocksAsk& ask);
std::vector<DeskPicture> watchdogPictures(const DeskScene& scene, const WatchdogKind& watchdog, const BitesAsk& ask);
std::vector<DeskPicture> calendarPictures(const DeskScene& scene, const DriftsAsk& ask);
std::vector<DeskPicture> alarmPictures(const DeskScene& scene, const FiresAsk& ask);
std::vector<DeskPicture> delayPictures(const DeskScene& scene, const DelayLoopKind& loop, const WaitsAsk& ask);
std::vector<DeskPicture> linePictures(const DeskScene& scene, const RunsAsk& ask);
std::vector<DeskPicture> wakePictures(const DeskScene& scene, const WakesAsk& ask);

} // namespace wisetick::app
