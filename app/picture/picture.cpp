#include "picture/picture.h"

#include "paint/painted_texts.h"
#include "paint/text.h"

#include <QPainter>

namespace wisetick::app {

void paintPicture(QPainter& painter, const Picture& picture, const QRectF& area, const Theme& theme, qreal outdent) {
    const qreal line = lineHeight(Face::bold);
    const qreal top = area.top() - line - 8;
    const qreal title = textWidth(Face::bold, picture.title);
    drawText(painter, QRectF(area.left(), top, title + 2, line), Qt::AlignLeft, picture.title, Face::bold, theme.ink);
    drawText(painter, QRectF(area.left() + title + 12, top, area.width() - title - 12, line), Qt::AlignLeft, picture.hint,
             Face::small, theme.muted);
    painter.save();
    picture.paint(painter, area.adjusted(-outdent, 0, outdent, 0), theme);
    painter.restore();
}

SpokenRow spokenPicture(const Picture& picture, const QRectF& place) {
    const QSize size = place.size().toSize();
    QStringList texts =
        paintedTexts(size, [&](QPainter& painter) { picture.paint(painter, QRectF(QPointF(), size), lightTheme()); });
    if (!picture.hint.isEmpty()) {
        texts.prepend(picture.hint);
    }
    return {picture.title, texts.join(", "), place.toRect(), false};
}

} // namespace wisetick::app
