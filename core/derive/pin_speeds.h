#pragma once

#include "base/text.h"
#include "derive/figures.h"
#include "plan/plan.h"

namespace wisetick {

/// How fast a pin must be made to turn for what stands on it.
struct PinSpeedFigure {
    std::string pin;
    std::string user;              ///< "out", "quad"
    Rational hertz;                ///< at the fastest corner
    std::string speed;             ///< the slowest that carries it; empty where none does
    std::optional<Rational> drive; ///< A, that the speed brings
    std::optional<FieldValue> field;
    Text why; ///< what is wrong; empty where nothing is
};

/// For each pin that a clock leaves by or a promise's signal stands on, in the part's order of pins; of several users the
/// fastest. Rates: a line's own; a promise's rate, of one in bit/s half of it, as a bit and the next make a period. Empty where
/// the part tells no speeds. The figures must have their routes.
std::vector<PinSpeedFigure> pinSpeeds(const Part& part, const Plan& plan, const Figures& figures);

} // namespace wisetick
