#pragma once

#include "files/part_context.h"

namespace wisetick {

/// The key `pins`: a list of pins, or a table of signals: the pin of each, the pins where it can stand, or these with the field
/// that chooses: { at = ["A9", "B6"], field = "PINS.UART1[1:0]", codes = [0, 2] }. A signal that has just one pin stands there.
void readPins(PartContext& context, TableReader& reader, std::vector<std::string>& pins, std::vector<Signal>& signalPins);

/// The keys of [pins] that say how fast a pin can be made to turn: `speeds`, slowest first, and the field of each pin. The part's
/// pins must be known.
void readPinSpeeds(PartContext& context, TableReader& reader);

} // namespace wisetick
