#pragma once

#include "base/text.h"
#include "seek/seek.h"

namespace wisetick {

/// A crystal or clock input that nothing is fitted for, and what would do there.
struct CrystalOffer {
    std::size_t source = 0;
    std::vector<Rational> hertz; ///< Hz, ascending: with each of them there is a take
};

/// Where nothing keeps what is asked: which stock crystals would, each where nothing stands yet, all else as it is. A source for
/// which something is asked already is left out. One search a source, each with a share of the effort that the control allows.
std::vector<CrystalOffer> crystalsThatDo(const Part& part, const Plan& plan, const std::string& take, const Question& question,
                                         const SeekControl& control = {});

/// "xtm at 8 MHz, 16 MHz or 24 MHz".
Text offerSaid(const Part& part, const CrystalOffer& offer);

} // namespace wisetick
