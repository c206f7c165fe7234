#include "rhythm/slots.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <utility>

namespace wisetick {

namespace {

std::vector<RhythmFigure::Share::Piece> piecesOf(const Slot& slot, std::size_t nominal, const Rational& span) {
    std::vector<RhythmFigure::Share::Piece> pieces;
    const Rational share = slot.timeTyp / span;
    const auto add = [&](const std::string& name, const Target& target, const Rational& ampere) {
        if (ampere.sign() > 0) {
            pieces.push_back({name, target, ampere * share});
        }
    };
    for (const Contribution& each : slot.current == nullptr ? std::vector<Contribution>() : slot.current->contributions) {
        if (!each.typ.empty()) {
            add(each.name, each.target, each.typ[nominal]);
        }
    }
    add(phrase("outside, while it runs"), slot.target, slot.outside);
    std::stable_sort(pieces.begin(), pieces.end(), [](const auto& a, const auto& b) { return a.ampere > b.ampere; });
    return pieces;
}

void addPeak(Bounds& peak, const std::vector<Rational>& typ, const std::vector<Rational>& max, std::size_t nominal) {
    if (!typ.empty()) {
        peak.nominal = std::max(peak.nominal, typ[nominal]);
        peak.min = std::max(peak.min, *std::min_element(typ.begin(), typ.end()));
        peak.max = std::max(peak.max, *std::max_element(typ.begin(), typ.end()));
    }
    if (!max.empty()) {
        peak.max = std::max(peak.max, *std::max_element(max.begin(), max.end()));
    }
}

std::vector<Rational> above(const std::vector<Rational>& base, std::vector<Rational> own) {
    for (std::size_t i = 0; i < own.size() && i < base.size(); ++i) {
        own[i] += base[i];
    }
    return own;
}

} // namespace

Bounds peakOf(const std::vector<Slot>& slots, std::size_t nominal, const CurrentFigure& rest,
              const std::vector<const std::vector<Contribution>*>& stages) {
    Bounds peak = Bounds::exactly(0);
    for (const Slot& slot : slots) {
        if (slot.timeTyp.sign() > 0 || slot.timeMax.sign() > 0) {
            addPeak(peak, slot.typ, slot.max, nominal);
        }
        if (slot.doing != Doing::stages || slot.timeMax.sign() <= 0 || stages[slot.which] == nullptr) {
            continue;
        }
        for (const Contribution& stage : *stages[slot.which]) { // of their mean each differs
            addPeak(peak, above(rest.typ, stage.typ), above(rest.max, stage.max), nominal);
        }
    }
    return peak;
}

const Slot& slotOf(const std::vector<Slot>& slots, Doing doing, std::size_t which) {
    return *std::find_if(slots.begin(), slots.end(),
                         [&](const Slot& slot) { return slot.doing == doing && slot.which == which; });
}

Slot& slotOf(std::vector<Slot>& slots, Doing doing, std::size_t which) {
    return *std::find_if(slots.begin(), slots.end(),
                         [&](const Slot& slot) { return slot.doing == doing && slot.which == which; });
}

void takeIdle(std::vector<Slot>& slots, const Rational& time, Rational Slot::*which) {
    Rational left = time;
    for (Slot& slot : slots) {
        if (slot.doing == Doing::resting || slot.doing == Doing::waiting) {
            const Rational taken = std::min(left, std::max(slot.*which, Rational(0)));
            slot.*which = shortened(slot.*which - taken, Rounding::nearest);
            left -= taken;
        }
    }
}

void addShares(const std::vector<Slot>& slots, std::size_t nominal, const Rational& average, RhythmFigure& figure) {
    for (const Slot& slot : slots) {
        const Rational charge = slot.timeTyp * slot.typ[nominal];
        if (charge.sign() <= 0 || average.sign() <= 0) {
            continue;
        }
        figure.shares.push_back({slot.name, slot.target, slot.timeTyp / figure.span, charge / (average * figure.span),
                                 charge / figure.span, piecesOf(slot, nominal, figure.span), slot.doing == Doing::resting});
    }
    std::stable_sort(figure.shares.begin(), figure.shares.end(),
                     [](const auto& a, const auto& b) { return a.ampere > b.ampere; });
}

std::vector<Origin> spanOrigins(const std::vector<Job>& jobs, const ModeFigure& rest) {
    std::vector<Origin> origins;
    for (const Job& job : jobs) {
        origins.push_back({job.name, printQuantity(job.every, Unit::second), Target::job(job.name), {}});
    }
    if (origins.empty()) {
        origins.push_back({rest.id, {}, Target::mode(rest.id), {}});
    }
    return origins;
}

void addAverageWorkings(const TemperatureGrid& grid, const std::vector<Rational>& max, const std::vector<Origin>& origins,
                        RhythmFigure& figure) {
    const auto ampere = [](const Rational& value) { return printQuantity(value, Unit::ampere); };
    for (const RhythmFigure::Share& share : figure.shares) {
        const Rational current = share.ampere / share.timeShare;
        figure.averageWorkings.push_back({share.name,
                                          phrase("share of the time \u00d7 current"),
                                          printQuantity(share.timeShare, Unit::ratio) + " \u00d7 " + ampere(current),
                                          ampere(share.ampere),
                                          {{share.name, {}, share.target, {}}}});
    }
    const auto worst = static_cast<std::size_t>(std::max_element(max.begin(), max.end()) - max.begin());
    figure.averageWorkings.push_back(
        {"average", phrase("sum, typical at {}", printQuantity(grid.celsius[grid.nominal], Unit::celsius)),
         phrase("over {}", printQuantity(figure.span, Unit::second)), ampere(figure.average->nominal), origins});
    figure.averageWorkings.push_back({phrase("worst case"),
                                      phrase("largest draws, longest wake-ups, slowest core, at the worst single temperature"),
                                      phrase("at {}", printQuantity(grid.celsius[worst], Unit::celsius)),
                                      ampere(figure.average->max),
                                      {{"temperature", {}, Target::plan("board.temperature"), {}}}});
}

} // namespace wisetick
