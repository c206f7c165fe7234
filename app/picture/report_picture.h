#pragma once

#include "picture/picture.h"

#include <QByteArray>
#include <QSizeF>

#include <map>
#include <string>

namespace wisetick::app {

/// Width of a picture in a report, in pixels of the screen, and what it leaves free at each side.
inline constexpr qreal kReportWidth = 860;
inline constexpr qreal kReportSide = 16;

/// A picture as it stands in a report: drawn with its upper left corner at the origin.
struct ReportPicture {
    QString title;
    QSizeF size; ///< pixels of the screen
    std::function<void(QPainter& painter)> paint;
    /// Of one that may be cut over several pages: where, pixels from its top, the last of them at its end; empty: it stands
    /// whole.
    std::vector<qreal> cuts = {};
    qreal headHeight = 0; ///< of what stands at the top of each part
    /// Draws the part between two cuts, its head above it.
    std::function<void(QPainter& painter, qreal from, qreal to)> paintPart = {};
};

/// By the name that the report has for each.
using ReportPictures = std::map<std::string, ReportPicture>;

/// Pictures below one another as one, each with its title and hint; there is at least one.
ReportPicture stacked(std::vector<Picture> pictures, const Theme& theme, qreal width = kReportWidth);

QByteArray svgOf(const ReportPicture& picture);

} // namespace wisetick::app
