#pragma once

#include "part/part.h"
#include "promise/judge.h"
#include "promise/rate_windows.h"

namespace wisetick {

/// frame rate = f ÷ (times × divide); the clock of bits is frame rate × bits of a frame, and must be a whole part of the master
/// clock f ÷ divide. Of the frames that hold both channels' bits the shortest. Best first: state, worst-case |error|, nominal
/// |error|, larger divider.
std::vector<Way> soundWays(const SoundKind& sound, const PlaysAsk& ask, const Clock& clock,
                           const std::vector<Setting>& pinned = {});

/// The promise judged by its best way: the rate of frames within its tolerance, and a frame that holds the bits.
PromiseFigure judgeSound(PromiseFigure figure, const SoundKind& sound, const PlaysAsk& ask, const Clock& clock,
                         const std::vector<Setting>& pinned = {}, Detail detail = Detail::workings);

/// The clock rates with which the ask can be kept: times × divide × rate, ± the tolerance.
RateWindows soundRates(const SoundKind& sound, const PlaysAsk& ask);

} // namespace wisetick
