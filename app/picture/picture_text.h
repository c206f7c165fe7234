#pragma once

#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QString>

namespace wisetick::app {

/// A time short enough for a picture.
inline QString timeText(const Rational& seconds) {
    return text(printQuantity(seconds, Unit::second, 4));
}

} // namespace wisetick::app
