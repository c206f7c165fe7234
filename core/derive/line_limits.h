#pragma once

#include "derive/controls.h"
#include "derive/figures.h"

namespace wisetick {

/// Judges every line that is on against its limits in the take's tier: broken if the nominal is outside, strained if
/// a worst case is outside by more than the part's slack. Fills limit, state and room, and adds findings.
void judgeLimits(const Part& part, const Board& board, const Controls& controls, std::vector<LineFigure>& lines,
                 Diagnostics& findings);

/// Supply against part and tier, fitted rates against what the part takes, rules between lines.
void judgeBoard(const Part& part, const Plan& plan, const Controls& controls, const std::vector<LineFigure>& lines,
                Diagnostics& findings);

/// The wait states that the nominal rates ask for; a rate beyond the table is a finding.
std::vector<WaitFigure> waitStates(const Part& part, const Controls& controls, const std::vector<LineFigure>& lines,
                                   Diagnostics& findings);

} // namespace wisetick
