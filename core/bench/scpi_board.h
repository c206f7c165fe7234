#pragma once

#include "bench/capture.h"

#include <deque>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// A command header after SCPI-99: "MEASure:FREQuency?" is also "MEAS:FREQ?", in any case. `pattern` has the short forms in
/// capitals, and parts that may be left out in brackets at its end: "SYSTem:ERRor[:NEXT]?".
bool isHeader(std::string_view text, std::string_view pattern);

/// A block of definite length after IEEE 488.2: "#3123" and 123 bytes.
std::string definiteBlock(std::string_view bytes);
/// What is in such a block; nothing where it is none, or not whole yet.
std::optional<std::string> blockContent(std::string_view answer);

/// An instrument that measures what a board was recorded to do: a counter for its pins and an ammeter for its supply. It knows
/// the common commands of IEEE 488.2 and of SCPI-99 MEASure, CONFigure, READ and FETCh of FREQuency, PERiod, PWIDth, PDUTycycle
/// and CURRent, TRACe:CATalog and TRACe:DATA (a dump of one track as a block), SYSTem:ERRor and SYSTem:VERSion.
class ScpiBoard {
public:
    explicit ScpiBoard(std::shared_ptr<const Capture> capture);

    /// What it answers to a line; empty where nothing is asked. Several commands are parted by ';'.
    std::string answer(std::string_view line);

private:
    struct Wanted {
        std::string function; ///< "FREQuency"
        std::size_t channel = 0;
    };

    std::string one(std::string_view command);
    std::string common(std::string_view header, std::string_view parameters);
    std::optional<Wanted> wantedBy(std::string_view function, std::string_view parameters);
    std::string measured(const Wanted& wanted);
    std::string traceData(std::string_view parameters);
    std::optional<std::size_t> channelOf(std::string_view parameters);
    std::string nextError();
    void fault(int number, const std::string& text);
    std::vector<std::string> channels() const;

    std::shared_ptr<const Capture> capture_;
    std::deque<std::pair<int, std::string>> errors_;
    std::optional<Wanted> configured_;
    bool isRead_ = false; ///< what is configured was read once
    int enabled_ = 0;     ///< of the standard event status
    int events_ = 128;    ///< it was switched on
};

} // namespace wisetick
