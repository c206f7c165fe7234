#include "desk/pictures.h"
#include "evaluate/delay_routes.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>

namespace wisetick::app {

namespace {

QString hourlyText(const DelayRoute& route) {
    if (!route.figure.error) {
        return text(route.figure.why);
    }
    if (route.hourly.isZero()) { // what breaks it is something else
        return route.figure.state == State::broken ? text(route.figure.why) : QObject::tr("on time");
    }
    const QString time = text(printQuantity(abs(route.hourly), Unit::second, 4));
    return route.hourly.sign() > 0 ? QObject::tr("%1 late an hour").arg(time) : QObject::tr("%1 early an hour").arg(time);
}

} // namespace

std::optional<Picture> routesPicture(const DeskScene& scene) {
    const auto index = static_cast<std::size_t>(&scene.figure - scene.figures.promises.data());
    const auto* fires = scene.line.ask.as<FiresAsk>();
    const bool isLong = scene.figure.isOutOfReach;
    if (fires == nullptr || index >= scene.plan.promises.size() || (!isLong && !fires->isRepeated && !fires->isChained)) {
        return std::nullopt;
    }
    std::vector<DelayRoute> routes = delayRoutes(scene.part, scene.plan, scene.figures.take, index);
    const qreal row = lineHeight(Face::word) + 6;
    Picture picture;
    picture.title = QObject::tr("Routes to this period");
    picture.hint = QObject::tr("the one that the promise asks stands first");
    picture.height = row * static_cast<qreal>(routes.size()) + 4;
    picture.paint = [routes = std::move(routes), row](QPainter& painter, const QRectF& area, const Theme& theme) {
        qreal says = 0;
        qreal gots = 0;
        for (const DelayRoute& route : routes) {
            says = std::max(says, textWidth(Face::word, text(route.say)));
            gots = std::max(gots, route.figure.got
                                      ? textWidth(Face::figure, text(printQuantity(route.figure.got->nominal, Unit::second, 6)))
                                      : 0);
        }
        for (std::size_t i = 0; i < routes.size(); ++i) {
            const DelayRoute& route = routes[i];
            const qreal y = area.top() + row * static_cast<qreal>(i);
            drawMark(painter, QRectF(area.left() + 8, y + row / 2 - 5, 10, 10), route.figure.state, theme);
            qreal x = area.left() + 28;
            drawText(painter, QRectF(x, y, says, row), Qt::AlignLeft, text(route.say), Face::word,
                     route.isPresent ? theme.ink : theme.muted);
            x += says + 20;
            if (route.figure.got) {
                drawText(painter, QRectF(x, y, gots, row), Qt::AlignLeft,
                         text(printQuantity(route.figure.got->nominal, Unit::second, 6)), Face::figure, theme.ink);
            }
            x += gots + 20;
            drawText(painter, QRectF(x, y, area.right() - x - 8, row), Qt::AlignLeft, hourlyText(route), Face::small,
                     route.figure.state == State::broken ? theme.broken : theme.muted);
        }
    };
    return picture;
}

} // namespace wisetick::app
