#pragma once

#include "seek/piece.h"
#include "seek/rate_spans.h"
#include "seek/space.h"

#include <map>

namespace wisetick {

/// A node and all that hangs on it while a route stands: everything that decides what can be made of it, but its parent's rate.
struct Branch {
    std::size_t node = 0;
    std::size_t from = 0; ///< position of its input
    std::vector<Branch*> children;
    Rational low = 1; ///< least rate ÷ nominal
    Rational high = 1;
    bool isSpreadKnown = true;
    Rational factor = 1; ///< fixed and followed
    const FactorSet* divide = nullptr;
    const FactorSet* multiply = nullptr;
    std::optional<Rational> min; ///< Hz, of the limits that hold whatever its own controls are
    std::optional<Rational> max;
    std::optional<Rational> nominalMax; ///< that no worst case strains
    bool isMinTolerance = false;
    bool isMaxTolerance = false;
    std::vector<const SpaceLimit*> ownLimits;                 ///< that hold with some of its own controls only
    std::vector<std::pair<std::size_t, std::size_t>> classes; ///< dependence on a control of it → class that it must be in
    bool isOpen = false;                                      ///< a rule compares it with another node that is on
    std::vector<std::size_t> openNodes;                       ///< nodes of the branch that are compared with any
    std::vector<std::size_t> pending;                         ///< of these those that are compared with something outside
    bool isDeep = false;                                      ///< its window does not tell all: a multiplier is somewhere in it
    RateSpans window;                                         ///< of its own rate; a superset
    std::map<Rational, Pieces> solved;                        ///< by the parent's rate
    std::map<Rational, bool> fits;
};

} // namespace wisetick
