#include "desk/pictures.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>

namespace wisetick::app {

std::optional<Picture> wakingPicture(const DeskScene& scene, const std::optional<WakingBit>& bit) {
    const auto peripheral = scene.part.findPeripheral(scene.desk.peripheral->id);
    std::vector<WakingRate> rates = wakingRates(scene.part, scene.plan, scene.figures, *peripheral);
    if (rates.empty()) {
        return std::nullopt;
    }
    const qreal row = lineHeight(Face::small) + 6;
    Picture picture;
    picture.title = bit ? QObject::tr("Waking on a start bit") : QObject::tr("Waking by its address");
    picture.hint = bit ? QObject::tr("its clock must run within %1 of the start bit, to find its middle and that of the last bit")
                             .arg(text(printQuantity(std::max(bit->late, Rational(0)), Unit::second, 4)))
                       : QObject::tr("the bus is held until its clock runs");
    picture.height = row * static_cast<qreal>(rates.size());
    picture.paint = [rates = std::move(rates), bit, row](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal names = 0;
        for (const WakingRate& rate : rates) {
            names = std::max(names, textWidth(Face::small, text(rate.mode)));
        }
        for (std::size_t i = 0; i < rates.size(); ++i) {
            const WakingRate& rate = rates[i];
            const qreal y = area.top() + row * static_cast<qreal>(i);
            const bool isSoon = !rate.within || !bit || *rate.within <= bit->late;
            const State state = !rate.unknown.empty() ? State::strained : (isSoon ? State::kept : State::broken);
            drawMark(painter, QRectF(area.left() + 8, y + row / 2 - 5, 10, 10), state, theme);
            drawText(painter, QRectF(area.left() + 28, y, names, row), Qt::AlignLeft, text(rate.mode), Face::small, theme.ink);
            const bool goesOn = !rate.within || rate.within->isZero();
            const QString after = goesOn ? QString() : text(printQuantity(*rate.within, Unit::second, 4));
            const QString said =
                goesOn ? QObject::tr("at any rate: its clock goes on")
                : bit && bit->late.sign() > 0
                    ? QObject::tr("up to %1: the clock runs after %2 at the longest")
                          .arg(text(printQuantity(bit->late / bit->lasts / *rate.within, Unit::bitsPerSecond, 4)), after)
                    : QObject::tr("the clock runs after %1 at the longest").arg(after);
            drawText(painter, QRectF(area.left() + 28 + names + 16, y, area.right() - area.left() - 60 - names, row),
                     Qt::AlignLeft, said, Face::small, theme.muted);
        }
    };
    return picture;
}

} // namespace wisetick::app
