#pragma once

#include "base/text.h"
#include "plan/plan.h"
#include "seek/score.h"
#include "seek/wish.h"

namespace wisetick {

/// A promise of the plan that a found take must keep, or, soft, shall keep if possible.
struct SoughtPromise {
    std::size_t index = 0; ///< its place in the plan
    bool isSoft = false;
    bool operator==(const SoughtPromise&) const = default;
};

/// What could be fitted for a crystal or clock input instead of what is.
struct CrystalQuestion {
    std::string source;
    std::vector<Rational> rates; ///< Hz, ascending
    bool operator==(const CrystalQuestion&) const = default;
};

/// A limit, rule or lock that shall not hold, to see what it costs.
struct Lifted {
    enum class Kind { limit, rule, lock };

    Kind kind = Kind::limit;
    Text what; ///< the id of the line whose limits they are, what the rule says, the lock's text
    bool operator==(const Lifted&) const = default;
};

/// All that is asked of a search.
struct Question {
    std::vector<Wish> wishes;
    std::vector<SoughtPromise> promises;
    /// Ids of lines, sources and peripherals: they and all above them may change. Empty: everything may. What the take locks
    /// stays in any case.
    std::vector<std::string> mayChange = {};
    std::optional<CrystalQuestion> crystal = {};
    std::vector<Lifted> lifted = {};
    std::vector<Preference> prefers = {Preference::changes, Preference::current};
    std::size_t most = 20; ///< takes to be found

    bool operator==(const Question&) const = default;
};

/// The rates of common crystals from 1 to 60 MHz, Hz, ascending.
const std::vector<Rational>& stockCrystals();

/// The stock rates that a source of the part takes.
std::vector<Rational> stockRatesFor(const Source& source);

/// Reads "8 MHz, 12 MHz, 25 MHz", or "8 MHz to 30 MHz" (the stock rates between, ends included), or "stock".
tl::expected<std::vector<Rational>, TextError> readCrystalRates(std::string_view text, const Source& source);

} // namespace wisetick
