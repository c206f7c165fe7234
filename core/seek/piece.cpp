#include "seek/piece.h"

namespace wisetick {

namespace {

std::strong_ordering compareOwn(const Piece& a, const Piece& b) {
    if (a.from != b.from) {
        return a.from <=> b.from;
    }
    if (const auto order = a.divide <=> b.divide; order != std::strong_ordering::equal) {
        return order;
    }
    return a.multiply <=> b.multiply;
}

/// The first node, in the part's order, at which the two differ.
struct FirstDifference {
    std::size_t node = 0;
    std::strong_ordering order = std::strong_ordering::equal;

    void look(const Piece& a, const Piece& b) {
        if (&a == &b) {
            return;
        }
        const auto own = compareOwn(a, b);
        if (own != std::strong_ordering::equal && (order == std::strong_ordering::equal || a.node < node)) {
            node = a.node;
            order = own;
        }
        for (std::size_t i = 0; i < a.parts.size(); ++i) {
            look(*a.parts[i], *b.parts[i]);
        }
    }
};

} // namespace

Piece copiedTo(const Piece& piece, std::pmr::memory_resource* memory) {
    const Score& score = piece.score;
    return {{score.broken,
             score.strained,
             {score.strays, memory},
             {score.extremes, memory},
             {score.ratios, memory},
             score.changes,
             score.picoampere,
             score.core,
             {score.oscillators, memory},
             score.wakeUp},
            {piece.rates, memory},
            {piece.open, memory},
            piece.node,
            piece.from,
            piece.divide,
            piece.multiply,
            {piece.parts, memory}};
}

std::strong_ordering compareSettings(const Piece& a, const Piece& b) {
    FirstDifference first;
    first.look(a, b);
    return first.order;
}

std::strong_ordering comparePieces(const Piece& a, const Piece& b, const std::vector<Preference>& prefers) {
    const auto order = compareScores(a.score, b.score, prefers);
    return order == std::strong_ordering::equal ? compareSettings(a, b) : order;
}

void collectPieces(const Piece& piece, std::vector<const Piece*>& into) {
    into.push_back(&piece);
    for (const Piece* part : piece.parts) {
        collectPieces(*part, into);
    }
}

} // namespace wisetick
