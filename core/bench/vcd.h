#pragma once

#include "bench/capture.h"

#include <functional>
#include <string_view>
#include <unordered_map>

namespace wisetick {

/// Reads a value change dump (IEEE 1364-2005, clause 18) piece by piece as it comes from a file: scopes, scalars, vectors (a
/// track for each of their bits), real values, x and z, any time scale. Memory grows with the changes alone, about two bytes
/// each.
class VcdReader {
public:
    explicit VcdReader(std::string name);
    /// The next piece of the text; it may end anywhere.
    void feed(std::string_view text);
    /// What was read, once there is no more.
    Capture finish();

private:
    struct Signal {
        std::vector<std::size_t> bits; ///< indices of tracks, the highest bit first
        std::optional<std::size_t> real;
    };

    std::size_t takeQuickly(std::string_view text, std::size_t at);
    void takeWord(std::string_view word);
    void takeDeclaration();
    void declareVariable();
    void takeTime(std::string_view digits);
    void takeScalar(char value, std::string_view id);
    void takeVector(std::string_view value, std::string_view id);
    void takeReal(std::string_view value, std::string_view id);
    const std::vector<std::size_t>* signalsOf(std::string_view id) const;
    void fault(const std::string& found, const std::string& expected);

    Capture capture_;
    std::string rest_;               ///< the beginning of a word that goes on in the next piece
    std::vector<std::string> words_; ///< of the declaration that is being read
    bool isDeclaring_ = false;       ///< between "$" and "$end"
    bool isSkipping_ = false;        ///< a comment among the changes
    bool areDeclared_ = false;       ///< what follows are changes
    bool isBroken_ = false;
    std::string pending_; ///< the value of a vector or a real, before its identifier
    std::vector<std::string> scopes_;
    std::vector<Signal> signals_;
    std::vector<std::vector<std::size_t>> shortIds_; ///< signals by identifiers of one and two letters
    std::unordered_map<std::string, std::vector<std::size_t>> longIds_;
    std::int64_t now_ = 0;
    std::size_t line_ = 1;
};

/// A capture as a value change dump; `write` gets it piece by piece. Names are split at their dots into scopes.
void writeVcd(const Capture& capture, const std::function<void(std::string_view)>& write);

} // namespace wisetick
