#pragma once

#include "derive/controls.h"
#include "derive/figures.h"

namespace wisetick {

/// The tightest ends of the limits that hold in the take's tier, at the board's supply and with the controls as set; Hz.
struct LimitSpan {
    std::optional<Rational> min;
    std::optional<Rational> max;
};
LimitSpan limitSpan(const Part& part, const Board& board, const std::vector<Limit>& limits, const Controls& controls,
                    const std::vector<LineFigure>& lines);

/// One step for every limit of the line that holds, with its place in the datasheet.
Workings limitWorkings(const Part& part, const Board& board, const Line& line, const Controls& controls,
                       const std::vector<LineFigure>& lines);

/// Judges every line that is on against its limits in the take's tier: broken if the nominal is outside, strained if
/// a worst case is outside by more than the part's slack. Fills limit, state and room, and adds findings.
void judgeLimits(const Part& part, const Board& board, const Controls& controls, std::vector<LineFigure>& lines,
                 Diagnostics& findings);

/// Supply against part and tier, fitted rates against what the part takes, rules between lines.
void judgeBoard(const Part& part, const Plan& plan, const Controls& controls, const std::vector<LineFigure>& lines,
                Diagnostics& findings);

/// The wait states and the bound fields that the nominal rates ask for, in the take's tier and at the board's lowest supply; a
/// rate beyond the table is a finding.
std::vector<WaitFigure> waitStates(const Part& part, const Board& board, const Controls& controls,
                                   const std::vector<LineFigure>& lines, Diagnostics& findings);

/// Whether a table of what follows from rates holds at this supply.
bool holdsAtSupply(const WaitTable& table, const Board& board);

/// Instructions a second against none waiting, as a share: the least that a table of waits tells for the rates as they are; 1
/// where none does.
Rational executionSpeed(const Part& part, const Board& board, const Controls& controls, const std::vector<LineFigure>& lines);
Rational executionSpeed(const std::vector<WaitFigure>& waits);
/// The same were the core at `hertz`, and what hangs on it in proportion.
Rational executionSpeedAt(const Part& part, const Board& board, const Controls& controls, const std::vector<LineFigure>& lines,
                          const Rational& hertz);

} // namespace wisetick
