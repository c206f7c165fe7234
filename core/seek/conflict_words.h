#pragma once

#include "base/text.h"
#include "seek/conflict.h"

namespace wisetick {

/// "usb = 48 MHz", "modem: uart1 talks 921600 within 1.5 %", "vco at most 500 MHz in tier fast", "bus A never outruns bus B",
/// "the lock on pll_b.divide".
Text sayDemanded(const Space& space, const Demanded& demanded);

/// The conflict in sentences: what collides, and which multipliers or sources can make each of its wishes, and can't make two.
/// Cancelled it says less.
Text explain(const Space& space, const Conflict& conflict, const SeekControl& control = {});

} // namespace wisetick
