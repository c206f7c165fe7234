#pragma once

#include "base/diagnostic.h"
#include "base/text.h"
#include "plan/plan.h"

#include <tl/expected.hpp>

#include <string>
#include <string_view>

namespace wisetick {

/// Reads "../firmware/clocks.h as header, take fast, from slow": a path, then what may be said of it, in any order. Without `as`
/// the form is that of the file's ending.
tl::expected<HandoverFile, TextError> readHandoverLine(std::string_view text);

/// The line that reads as this file.
std::string printHandoverLine(const HandoverFile& file);

/// Edits of what the plan hands over. Each gives an empty text, or why it can't be done; the plan is unchanged then.
Text addHandover(Plan& plan, HandoverFile file);
Text removeHandover(Plan& plan, const std::string& path);

/// Keeps a capture beside the plan, instead of what was kept of that file.
Text keepCapture(Plan& plan, KeptCapture capture);
Text dropCapture(Plan& plan, const std::string& path);
/// Says that a track of a kept capture belongs to a promise; an empty track takes it back.
Text matchTrack(Plan& plan, const std::string& path, const std::string& promise, const std::string& track);

} // namespace wisetick
