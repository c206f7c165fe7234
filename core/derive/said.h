#pragma once

#include "base/text.h"
#include "derive/figures.h"

namespace wisetick {

/// How figures are said in few words, wherever that is: cards, ripple, takes beside one another, text.

/// "40 MHz", "off" or "no rate".
Text rateSaid(const LineFigure& line);

/// "909.0909 kbit/s, −1.357 %"; of a bound what is got alone; empty where nothing is. `digits` as for printQuantity.
Text resultSaid(const PromiseFigure& promise, int digits = 9);

/// The shortest that tells it: "−1.357 %", "exact", "1.2 mA", "3 of 8", "none", or "…" where it is still to be played.
Text resultSaidBriefly(const PromiseFigure& promise);

/// What was got, for a column of its own: "40 MHz", "108 of 700" of what is counted, "–" where nothing is.
Text gotSaid(const PromiseFigure& promise);

/// How far what was got is from what was asked, for a column of its own: "−1.357 %", "exact"; empty where that tells nothing: of
/// what is counted, and of nothing got.
std::string errorSaid(const PromiseFigure& promise);

/// "−1.36 % … −1.35 %": the corners of its error, of nothing got in its own unit; "unknown", or empty where they are one.
std::string cornersSaid(const PromiseFigure& promise);

} // namespace wisetick
