#pragma once

#include "base/text.h"
#include "part/part.h"
#include "promise/judge.h"

namespace wisetick {

/// What a plan of message memory takes, in words of 32 bits.
struct MessageMap {
    struct Part {
        Text what;
        Rational count;
        Rational each;
        Rational first; ///< the word at which it begins
        Rational words() const { return count * each; }
    };
    std::vector<Part> parts;
    Rational words;
};
MessageMap messageMap(const CanKind& can, const HoldsAsk& ask);

/// Kept if the map fits into the memory, and each payload is one that a message can have (at most 8 bytes, with a data phase one
/// of 12, 16, 20, 24, 32, 48 and 64 too).
PromiseFigure judgeMessageMemory(PromiseFigure figure, const CanKind& can, const HoldsAsk& ask, Detail detail = Detail::workings);

} // namespace wisetick
