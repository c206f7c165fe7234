#pragma once

#include "paint/theme.h"

#include <QMimeData>
#include <QWidget>

namespace wisetick::app {

/// What a dragged row or card brings, as "line/usb" or "promise/modem".
inline constexpr const char* kTargetFormat = "application/x-wisetick-target";

/// What is carried by a drag of that target.
QMimeData* targetData(const QString& target);

/// Drags a target with its name beside the mouse, until it is let go.
void dragTarget(QWidget* from, const QString& target, const QString& name, const Theme& theme);

} // namespace wisetick::app
