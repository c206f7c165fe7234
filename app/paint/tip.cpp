#include "paint/tip.h"

namespace wisetick::app {

QString tipText(const QString& said) {
    return said.isEmpty() ? QString() : "<p style='white-space: pre-line'>" + said.toHtmlEscaped() + "</p>";
}

} // namespace wisetick::app
