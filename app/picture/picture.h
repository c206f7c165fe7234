#pragma once

#include "paint/spoken_rows.h"
#include "paint/theme.h"

#include <QString>

#include <functional>
#include <vector>

class QPainter;
class QRectF;

namespace wisetick::app {

/// One picture of a view: what it shows, and how it is drawn into an area.
struct Picture {
    QString title;
    QString hint;
    qreal height = 120;
    std::function<void(QPainter& painter, const QRectF& area, const Theme& theme)> paint;
};

/// Paints a picture into an area, its title and hint above it; the picture itself reaches out by so much to both sides.
void paintPicture(QPainter& painter, const Picture& picture, const QRectF& area, const Theme& theme, qreal outdent = 0);

/// The picture as assistive technology is told of it: its title, its hint, and all that is written in it.
SpokenRow spokenPicture(const Picture& picture, const QRectF& place);

} // namespace wisetick::app
