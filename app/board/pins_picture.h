#pragma once

#include "derive/figures.h"
#include "picture/picture.h"

namespace wisetick::app {

/// The pins in use in the part's order, each with who takes it; what collides is marked. Empty where the part tells of no pins.
std::optional<Picture> pinsPicture(const Figures& figures, qreal width);

} // namespace wisetick::app
