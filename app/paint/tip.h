#pragma once

#include <QString>

namespace wisetick::app {

/// What a tool tip says, as it stands: what looks like markup in a name is shown, and lines stay lines.
QString tipText(const QString& said);

} // namespace wisetick::app
