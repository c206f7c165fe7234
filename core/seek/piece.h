#pragma once

#include "seek/score.h"

#include <cstddef>
#include <memory_resource>
#include <utility>
#include <vector>

namespace wisetick {

/// The rate of a node, Hz.
using RateAt = std::pair<std::size_t, Rational>;
using RatesAt = std::pmr::vector<RateAt>;

/// A branch of the clock tree with all its controls set: one node and, for each of its children, a piece of its own.
struct Piece {
    Score score;   ///< of the whole branch
    RatesAt rates; ///< of the nodes that matter, by node
    RatesAt open;  ///< of nodes that a rule compares with something outside of the branch
    std::size_t node = 0;
    std::size_t from = 0; ///< position of the input; of a source the place of its rate
    Rational divide = 1;
    Rational multiply = 1;
    std::pmr::vector<const Piece*> parts;
};

/// The same, everything that it points to in that memory.
Piece copiedTo(const Piece& piece, std::pmr::memory_resource* memory);

/// Best first.
using Pieces = std::pmr::vector<const Piece*>;

/// The order in which equals are told apart: of the first node that differs its input, divider, multiplier. Both pieces are of
/// the same branch.
std::strong_ordering compareSettings(const Piece& a, const Piece& b);

/// What decides between pieces: score and preferences, then the settings.
std::strong_ordering comparePieces(const Piece& a, const Piece& b, const std::vector<Preference>& prefers);

/// All pieces of a piece, itself first.
void collectPieces(const Piece& piece, std::vector<const Piece*>& into);

} // namespace wisetick
