#include "paint/target_drag.h"

#include "paint/text.h"

#include <QDrag>

#include <cmath>

namespace wisetick::app {

QMimeData* targetData(const Target& target) {
    auto* data = new QMimeData;
    data->setData(kTargetFormat, QByteArray::fromStdString(targetText(target)));
    return data;
}

Target draggedTarget(const QMimeData& data) {
    return readTarget(data.data(kTargetFormat).toStdString()).value_or(Target());
}

void dragTarget(QWidget* from, const Target& target, const QString& name, const Theme& theme) {
    const QSizeF size(std::ceil(textWidth(Face::small, name)) + 16, std::ceil(lineHeight(Face::small)) + 8);
    QPixmap picture((size * from->devicePixelRatioF()).toSize());
    picture.setDevicePixelRatio(from->devicePixelRatioF());
    picture.fill(theme.rail);
    QPainter painter(&picture);
    drawText(painter, QRectF(QPointF(8, 0), size), Qt::AlignLeft, name, Face::small, theme.ink);
    painter.end();
    auto* drag = new QDrag(from);
    drag->setMimeData(targetData(target));
    drag->setPixmap(picture);
    drag->setHotSpot({-12, -4});
    drag->exec(Qt::CopyAction);
}

} // namespace wisetick::app
