#pragma once

#include <cstddef>
#include <cstdint>

/// How Seek spends its effort. None of these decides what is found by a search that is complete: they say what is tried first,
/// what is worth telling apart, and where something is left open and said to be.
namespace wisetick::policy {

// Of a search as a whole.
inline constexpr std::int64_t kMostSteps = 50'000'000;   ///< settings of single controls that are looked at
inline constexpr std::int64_t kMostMemory = 120'000'000; ///< bytes, about
inline constexpr std::size_t kMostLooked = 320;          ///< found takes that are played for what is judged late
inline constexpr std::int64_t kQuickSteps = 20'000;      ///< before it is given up that nothing at all need be missed
inline constexpr double kManyRoutes = 8;                 ///< a power of ten: then that is tried first
inline constexpr double kManyTakes = 20;                 ///< a power of ten: then those that leave the multipliers alone go first

inline constexpr std::size_t kMostInSeries = 1000; ///< lines: the search of a branch goes as deep

// Of routes.
inline constexpr std::int64_t kWaitingBytes = 2500; ///< of a route that waits, about
inline constexpr std::size_t kMostWaiting = 4096;   ///< then the best of them are worked off

// Of windows: they narrow the search, and the more of them the longer they take.
inline constexpr std::size_t kMostSpans = 1024;       ///< of a branch; neighbours are joined beyond
inline constexpr std::int64_t kMostProducts = 8192;   ///< divider × multiplier values that a window is led through one by one
inline constexpr std::int64_t kMostScaled = 65536;    ///< spans that come of that at the most
inline constexpr std::int64_t kMostSplits = 64;       ///< the same where there is a multiplier: few settings are below it
inline constexpr std::size_t kMostPromiseSpans = 512; ///< of one promise
inline constexpr std::size_t kMostPromiseCombs = 64;  ///< of more the windows take longer to tell than they save
inline constexpr std::size_t kMuchLonger = 8;         ///< times: then each of the few is looked up among the many
inline constexpr std::int64_t kFinestShare = std::int64_t{1} << 40; ///< of a tolerance that has windows of its own

// Of pieces.
inline constexpr double kFewSettings = 1e7;      ///< of a branch: not worth many levels of windows
inline constexpr std::int64_t kPieceBytes = 600; ///< with what it points to
inline constexpr std::int64_t kPieceListBytes = 150;
inline constexpr std::size_t kSettleAfter = 256; ///< pieces gathered before the worst are left
inline constexpr std::size_t kUsualPieces = 2;

// Of conflicts.
inline constexpr std::int64_t kAloneSteps = 100'000; ///< to see that a demand can't even be kept alone
inline constexpr std::size_t kManyDemands = 8;       ///< of more each is first tried alone
inline constexpr int kSmallestRuns = 300;            ///< searches for a smaller conflict
inline constexpr int kAllRuns = 3000;                ///< searches for all of them
inline constexpr int kNearestTries = 40;             ///< for the nearest that could be kept
inline constexpr std::int64_t kWordsSteps = 400'000; ///< for what is said of it

} // namespace wisetick::policy
