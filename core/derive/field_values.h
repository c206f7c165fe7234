#pragma once

#include "derive/controls.h"
#include "promise/promise_figure.h"

namespace wisetick {

/// The field that chooses among the rates of a source; nothing where it has one rate only.
std::optional<FieldValue> rateField(const Part& part, const Controls& controls, std::size_t source);

/// The fields of a peripheral for these settings: gate, mux, then one a setting. What has no field or no code, or
/// does not fit, is left out.
std::vector<FieldValue> peripheralFields(const Part& part, const Controls& controls, std::size_t peripheral,
                                         const std::vector<Setting>& settings);

/// The fields of a line's controls.
std::vector<FieldValue> lineFields(const Part& part, const Controls& controls, std::size_t line);

/// The field that starts a source or line, where it has one.
std::optional<FieldValue> startField(const Part& part, NodeIndex node, bool isOn);

/// What clears the flags of a peripheral: 1 or 0, as their registers take it.
std::vector<FieldValue> flagFields(const Part& part, std::size_t peripheral);

/// The field of the take's tier, where it has one.
std::optional<FieldValue> tierField(const Part& part, const Controls& controls);

} // namespace wisetick
