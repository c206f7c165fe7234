#pragma once

#include "quantity/quantity_print.h"

#include <QString>

namespace wisetick::app {

inline QString text(const std::string& value) {
    return QString::fromStdString(value);
}

/// A time short enough for a picture.
inline QString timeText(const Rational& seconds) {
    return text(printQuantity(seconds, Unit::second, 4));
}

} // namespace wisetick::app
