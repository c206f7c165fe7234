#pragma once

#include "base/target.h"
#include "paint/theme.h"

#include <QMimeData>
#include <QWidget>

namespace wisetick::app {

/// What a dragged row or card brings: the text of a target.
inline constexpr const char* kTargetFormat = "application/x-wisetick-target";

/// What is carried by a drag of that target.
QMimeData* targetData(const Target& target);

/// What a drag brings; nothing where it is no target.
Target draggedTarget(const QMimeData& data);

/// Drags a target with its name beside the mouse, until it is let go.
void dragTarget(QWidget* from, const Target& target, const QString& name, const Theme& theme);

} // namespace wisetick::app
