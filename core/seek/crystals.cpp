#include "seek/crystals.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <set>

namespace wisetick {

namespace {

constexpr std::size_t kMostTakes = 24;  ///< of one source, that are looked at for their crystals
constexpr std::size_t kMostRates = 6;   ///< that are offered
constexpr std::int64_t kShareOfAll = 8; ///< of the steps, for one source

} // namespace

std::vector<CrystalOffer> crystalsThatDo(const Part& part, const Plan& plan, const std::string& take, const Question& question,
                                         const SeekControl& control) {
    std::vector<CrystalOffer> offers;
    for (std::size_t i = 0; i < part.sources.size(); ++i) {
        const Source& source = part.sources[i];
        const bool isFittable = source.kind == SourceKind::crystal || source.kind == SourceKind::clockIn;
        std::vector<Rational> rates = isFittable ? stockRatesFor(source) : std::vector<Rational>();
        if (!isFittable || findFitted(plan.board, source.id) != nullptr || question.crystal || rates.empty()) {
            continue;
        }
        Question with = question;
        with.crystal = CrystalQuestion{source.id, std::move(rates)};
        with.most = kMostTakes;
        SeekControl share;
        share.goOn = control.goOn;
        share.mostMemory = control.mostMemory;
        share.mostSteps = control.mostSteps / kShareOfAll;
        std::set<Rational> found;
        for (const FoundTake& each : seek(part, plan, take, with, share).found) {
            if (each.crystal && found.size() < kMostRates) {
                found.insert(each.crystal->rate);
            }
        }
        if (!found.empty()) {
            offers.push_back({i, {found.begin(), found.end()}});
        }
    }
    return offers;
}

Text offerSaid(const Part& part, const CrystalOffer& offer) {
    Text said = phrase("{} at ", part.sources[offer.source].id);
    for (std::size_t i = 0; i < offer.hertz.size(); ++i) {
        const bool isLast = i + 1 == offer.hertz.size();
        said += (i == 0 ? "" : isLast ? phrase(" or ") : ", ") + printQuantity(offer.hertz[i], Unit::hertz);
    }
    return said;
}

} // namespace wisetick
