#pragma once

#include <memory>
#include <ostream>
#include <streambuf>

namespace wisetick::cli {

/// As long as it lives nothing that is written to the stream does more to a terminal than show text: control characters (beside
/// line ends and tabs), and marks that turn the direction of writing, stand as signs of their own. Only the colours of the
/// program itself go through, where it shows any. Names come from files of strangers.
class PlainOutput {
public:
    PlainOutput(std::ostream& stream, bool hasColour);
    ~PlainOutput();
    PlainOutput(const PlainOutput&) = delete;
    PlainOutput& operator=(const PlainOutput&) = delete;

private:
    std::ostream& stream_;
    std::unique_ptr<std::streambuf> plain_;
    std::streambuf* before_;
};

} // namespace wisetick::cli
