#pragma once

#include "base/text.h"
#include "bench/measure.h"
#include "bench/slips.h"

#include <string>
#include <vector>

namespace wisetick {

/// A signal of the plan that was measured.
struct MeasuredSignal {
    std::size_t signal = 0;            ///< index among the signals
    bool isSilent = false;             ///< its track never changes
    Rational length;                   ///< s, for which it was looked at
    Bounds cycle;                      ///< s, with what the capture leaves open
    std::int64_t count = 0;            ///< of cycles, or bits
    std::optional<Bounds> jitter = {}; ///< s, by which its periods spread
    std::optional<Bounds> duty = {};   ///< of one that is high for a share of its period
    std::string track;
    std::string text;          ///< that a port sent, or the frames of a bus, read at the rate that it has
    State state = State::kept; ///< of the promise, by what was measured
    Workings workings = {};    ///< how its cycle was measured
};

/// What a source would run at, if an explanation is right.
struct SourceReading {
    NodeIndex source = 0;
    double least = 0; ///< share of its rate that it is off
    double most = 0;
};

/// One explanation of all that was measured at once.
struct Explanation {
    Text say;                            ///< "as planned", "timer1: counts 40001 instead of 40000"
    std::vector<std::string> same = {};  ///< others that would show exactly so
    std::vector<const Slip*> slips = {}; ///< none: as planned, or cycles of the firmware
    std::string lateOf = {};             ///< the promise whose firmware takes more cycles each time
    std::optional<Bounds> cycles = {};   ///< how many
    double leftOver = 0;                 ///< the largest share by which a signal is off all the same; 0: it explains all
    std::vector<SourceReading> sources = {};
    bool explainsAll() const { return leftOver == 0; }
};

/// Finds the tracks of the signals and measures them: those that are told by promise first, else by their names. What has no
/// track, or none that changes often enough, is left out.
std::vector<MeasuredSignal> measureSignals(const Capture& capture, const Plan& plan, const std::vector<BenchSignal>& predicted,
                                           const std::vector<std::pair<std::string, std::string>>& told = {});

/// What explains what was measured, the best first, at most `most`. As planned where that fits; else every slip alone, and cycles
/// that the firmware takes each time where it has a part in it; two slips together where none does alone. An explanation fits
/// where each source has a rate inside its tolerance that all its signals agree with, each with what its capture leaves open. Of
/// those that fit the simplest comes first; of the rest the one that leaves least. If the first one leaves something over,
/// nothing here explains it.
std::vector<Explanation> explain(const Part& part, const Figures& figures, const std::vector<BenchSignal>& predicted,
                                 const std::vector<Slip>& slips, const std::vector<MeasuredSignal>& measured, std::size_t most);

} // namespace wisetick
