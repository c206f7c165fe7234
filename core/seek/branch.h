#pragma once

#include "seek/piece.h"
#include "seek/rate_spans.h"
#include "seek/space.h"

#include <functional>
#include <map>
#include <memory_resource>
#include <unordered_map>

namespace wisetick {

/// A level and the parent's rate.
using RateKey = std::pair<std::size_t, Rational>;

/// Equal rates have the same nearest double.
struct RateHash {
    std::size_t operator()(const Rational& rate) const { return std::hash<double>{}(rate.toDouble()); }
    std::size_t operator()(const RateKey& key) const { return (*this)(key.second) ^ (key.first * 0x9e3779b97f4a7c15U); }
};

/// What is known of rates; it lives in memory that is given back in one piece.
template <class Key, class Value>
using RateMemory = std::pmr::unordered_map<Key, Value, RateHash>;

/// What of the tolerances a search lets through for now: it begins with little, and takes more as long as it has found too few.
struct Level {
    Rational share = 1;                 ///< no more of a tolerance may be used up
    bool isAll = true;                  ///< nothing is held back: soft wishes may be missed
    std::optional<std::size_t> extreme; ///< the wish for an extreme that is held to its end
    Rational off;                       ///< the share of the end by which it may be off
    std::size_t mostOpen = 0;           ///< pieces that are gathered where a rule is still open, then it ends; 0: all
    bool isStill = false;               ///< every divider, multiplier and rate stays as it stands
    bool operator==(const Level&) const = default;
};

/// Where the rate of a shape may stand at one level.
struct Window {
    RateSpans own;                                ///< a superset
    std::vector<std::pair<double, double>> rough; ///< the same, rounded
    RateSpans above;                              ///< parent rates from which it can be reached
};

/// A node and all that hangs on it while a route stands, as far as it decides which rates are possible at all.
struct Shape {
    explicit Shape(std::pmr::memory_resource* memory) : fits(memory) {}

    std::size_t node = 0;
    std::size_t from = 0; ///< position of its input
    std::vector<Shape*> children;
    Rational factor = 1; ///< fixed and followed
    const FactorSet* divide = nullptr;
    const FactorSet* multiply = nullptr;
    std::int64_t divides = 1; ///< how many values they have
    std::int64_t multiplies = 1;
    std::optional<Rational> min; ///< Hz, of the limits that hold whatever its own controls are
    std::optional<Rational> max;
    std::optional<Rational> nominalMin; ///< that no worst case strains
    std::optional<Rational> nominalMax;
    bool isMinTolerance = false;
    bool isMaxTolerance = false;
    std::vector<const SpaceLimit*> ownLimits;                 ///< that hold with some of its own controls only
    std::vector<std::pair<std::size_t, std::size_t>> classes; ///< dependence on a control of it → class that it must be in
    bool isDeep = false;                                      ///< its window does not tell all: a multiplier is below it
    std::map<std::size_t, Window> windows;                    ///< by level
    RateMemory<RateKey, bool> fits;                           ///< by level and the parent's rate
};

/// A shape below a source that is known, and as a part of a whole route: everything that decides what is the best that can be
/// made of it, but its parent's rate.
struct Branch {
    explicit Branch(std::pmr::memory_resource* memory) : solved(memory), best(memory) {}

    Shape* shape = nullptr;
    std::vector<Branch*> children;
    Rational low = 1; ///< least rate ÷ nominal
    Rational high = 1;
    bool isSpreadKnown = true;
    bool isOpen = false;                      ///< a rule compares it with another node that is on
    std::vector<std::size_t> openNodes;       ///< nodes of the branch that are compared with any
    std::vector<std::size_t> pending;         ///< of these those that are compared with something outside
    int leastStrained = 0;                    ///< what every rate of it strains: by its spread alone
    Amounts strays;                           ///< of its wishes' tolerances that its spread alone oversteps, greatest first
    std::vector<std::size_t> wishes;          ///< in force at its nodes, into the question's
    bool isAsked = false;                     ///< something is asked of its nodes, or they tell takes apart
    int tolerances = 0;                       ///< of wishes and promises at its nodes
    double settings = 1;                      ///< how many its own controls have, a bound
    const Pieces* still = nullptr;            ///< what came last of leaving it alone: mostly the same at every rate
    RateMemory<RateKey, Pieces> solved;       ///< by level and the parent's rate
    RateMemory<Rational, const Pieces*> best; ///< by the parent's rate
};

} // namespace wisetick
