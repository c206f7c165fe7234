#pragma once

#include "bench/capture.h"
#include "bench/slips.h"

#include <cstdint>
#include <string>
#include <vector>

namespace wisetick {

/// One board of the batch: how far each of its sources is off, and how far it moves while it is looked at.
struct DrawnBoard {
    std::uint64_t seed = 0;
    std::vector<double> off;   ///< by source, as a share of its rate, at the beginning
    std::vector<double> drift; ///< by source, by how much more at the end
    double draws = 0;          ///< from 0, what is typical, to 1, the largest that is told
};

/// Draws a board inside the tolerances of its sources: at a corner now and then, else anywhere between; it drifts a little while
/// it is looked at, and stays inside. A source of unknown tolerance is exact.
DrawnBoard drawBoard(const Part& part, const Figures& figures, std::uint64_t seed);

/// What a board does, and how it is looked at.
struct BoardRun {
    Rational seconds = 2;
    Rational tick = Rational(1, 100000000); ///< s, of the capture
    const Slip* slip = nullptr;             ///< what is set otherwise
    std::string lateOf;                     ///< the promise whose firmware takes more cycles each time
    Rational lateCycles;                    ///< of the core
    std::string text = "wise tick\r\n";     ///< that its ports send
    /// Of a plan whose jobs or rests are otherwise: its current and its jobs follow these. nullptr: as planned.
    const Figures* jobs = nullptr;
    std::int64_t mostEdges = 4'000'000; ///< of one line; then it stops, and that is said
    bool hasCurrent = true;             ///< what its supply draws is recorded too
};

/// Plays a take as the registers hold it: its settings are written into register fields (those of the slip where there is one),
/// read back from there, and counted down from the board's own sources; what the part names no field for is as planned. Gives
/// what a logic analyser sees on the pins: an edge stands at the first tick at which it is over. Signals that are too fast for
/// the tick are left out, and said. A port and a two-wire bus have their data beside the clock ("port_data", "port_select"). With
/// jobs: what the supply draws ("supply", A), a line for each job that is high while it
/// goes on
/// ("works_report"), and for each watchdog that is fed by a job or at a time one that rises when it bites ("bites_feed").
Capture playBoard(const Part& part, const Plan& plan, const Figures& figures, const std::vector<BenchSignal>& predicted,
                  const DrawnBoard& board, const BoardRun& run);

} // namespace wisetick
