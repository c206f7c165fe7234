#pragma once

#include "derive/bring_up.h"
#include "derive/pin_speeds.h"
#include "derive/pins.h"
#include "derive/trim_code.h"
#include "derive/writing_order.h"
#include "evaluate/compare.h"
#include "evaluate/needs.h"
#include "evaluate/ripple.h"

#include <nlohmann/json.hpp>

namespace wisetick {

/// How JSON is written of bytes that are no UTF-8, from an argument or a file: as U+FFFD.
inline constexpr auto kAnyBytes = nlohmann::ordered_json::error_handler_t::replace;

/// The figures as one JSON object (docs/json.md). Exact figures are strings, an integer or "num/den", in Hz, s, A, V, C;
/// errors are exact relative fractions; what is unknown is null.
nlohmann::ordered_json figuresJson(const Figures& figures);

/// One promise, as it stands under "promises".
nlohmann::ordered_json promiseJson(const PromiseFigure& promise);

/// What to write in which order for a promise: [{"say", "reason", "forgotten", "field"}].
nlohmann::ordered_json bringUpJson(const std::vector<BringUpAction>& actions);

/// One way: settings, got, errors, state.
nlohmann::ordered_json wayJson(const Way& way);

/// Diagnostics as an array: severity, where, say.
nlohmann::ordered_json findingsJson(const Diagnostics& diagnostics);

/// What moved: [{"name", "before", "after", "was", "is"}].
nlohmann::ordered_json rippleJson(const std::vector<Moved>& moved);

/// The order of writing: {"steps": [{"say", "fields", "wait_typ", "wait_max", "core_hz"}], "wait_typ", "wait_max", "trouble"}.
nlohmann::ordered_json writingOrderJson(const WritingOrder& way);

/// A routing: {"possible", "places": {signal: pin}, "conflict", "pins"}.
nlohmann::ordered_json routingJson(const Routing& routing);

/// Takes beside one another: {"takes", "rows": [{"kind", "name", "values", "states", "differs"}]}.
/// What `board` tells beside the figures.
nlohmann::ordered_json pinSpeedsJson(const std::vector<PinSpeedFigure>& speeds);
nlohmann::ordered_json trimsJson(const std::vector<TrimFigure>& trims);

nlohmann::ordered_json comparisonJson(const std::vector<std::string>& takes, const std::vector<ComparedRow>& rows);

/// Parts against needs: {"parts": [{"part", "fits", "needs": [{"need", "fits", "why"}]}]}; "fits" is "yes", "no" or
/// "unknown".
nlohmann::ordered_json shelfJson(const std::vector<std::pair<std::string, std::vector<NeedFigure>>>& parts);

} // namespace wisetick
