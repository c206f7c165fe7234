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
};

/// By the name that the report has for each.
using ReportPictures = std::map<std::string, ReportPicture>;

/// Pictures below one another as one, each with its title and hint; there is at least one.
ReportPicture stacked(std::vector<Picture> pictures, const Theme& theme, qreal width = kReportWidth);

QByteArray svgOf(const ReportPicture& picture);

} // namespace wisetick::app
