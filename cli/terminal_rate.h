#pragma once

namespace wisetick::cli {

/// The bit rate that is set on a terminal, bit/s, also one that is none of the usual ones; 0 where it can't be told.
long terminalRate(int terminal);

/// Bytes go through a terminal as they are.
void makeRaw(int terminal);

} // namespace wisetick::cli
