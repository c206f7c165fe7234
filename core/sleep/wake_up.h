#pragma once

#include "base/target.h"
#include "base/text.h"
#include "part/part.h"
#include "quantity/bounds.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick {

/// Something to be started again after waking: a source, or a multiplier that must lock. It starts when what it
/// comes from is ready.
struct StartUp {
    std::string id;
    Duration lasts;
    std::optional<std::size_t> after; ///< index of the start-up that must be over first
};

/// The start-ups of the nodes that are `needed`: sources first, then multipliers, each after the nearest start-up
/// up its chain. `parents` are the inputs that the muxes have chosen. Nodes that take no time to start (dividers, clock
/// inputs) are left out.
std::vector<StartUp> startUpsOf(const Part& part, const std::vector<std::optional<NodeIndex>>& parents,
                                const std::vector<bool>& needed);

/// Whether a node takes a time to start: a source other than a clock input, a multiplier, or a line with a start-up
/// time.
bool takesTimeToStart(const Part& part, NodeIndex node);

/// One piece of a wake-up on its time axis, in s from the event; typical and longest.
struct WakePiece {
    Text say;
    bool isStage = true; ///< a stage of the mode; else a start-up after it
    Rational startTyp;
    Rational endTyp;
    Rational startMax;
    Rational endMax;
    Target target; ///< the mode, or the line that starts
};

/// A wake-up: its pieces, the time to the first handler instruction (the mode's stages) and the time until all
/// promises hold again (the last start-up). Unknown times carry their reason; the figures are then the known part.
struct WakeUpFigure {
    std::vector<WakePiece> pieces;
    Bounds firstInstruction;
    Bounds restored;
    Text unknown;
};

/// Stages run one after the other; those beside one another start together and the longest counts. Start-ups begin
/// at the first instruction, in parallel where they do not wait for one another.
WakeUpFigure wakeUp(const Mode& mode, const std::vector<StartUp>& startUps);

} // namespace wisetick
