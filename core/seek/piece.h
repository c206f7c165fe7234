#pragma once

#include "seek/score.h"

#include <cstddef>
#include <utility>
#include <vector>

namespace wisetick {

/// The rate of a node, Hz.
using RateAt = std::pair<std::size_t, Rational>;

/// A branch of the clock tree with all its controls set: one node and, for each of its children, a piece of its own.
struct Piece {
    Score score;               ///< of the whole branch
    std::vector<RateAt> rates; ///< of the nodes that matter, by node
    std::vector<RateAt> open;  ///< of nodes that a rule compares with something outside of the branch
    std::size_t node = 0;
    std::size_t from = 0; ///< position of the input; of a source the place of its rate
    Rational divide = 1;
    Rational multiply = 1;
    std::vector<const Piece*> parts;
};

/// Best first.
using Pieces = std::vector<const Piece*>;

/// The order in which equals are told apart: of the first node that differs its input, divider, multiplier. Both pieces are of
/// the same branch.
std::strong_ordering compareSettings(const Piece& a, const Piece& b);

/// What decides between pieces: score and preferences, then the settings.
std::strong_ordering comparePieces(const Piece& a, const Piece& b, const std::vector<Preference>& prefers);

/// All pieces of a piece, itself first.
void collectPieces(const Piece& piece, std::vector<const Piece*>& into);

} // namespace wisetick
