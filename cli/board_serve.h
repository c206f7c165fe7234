#pragma once

#include "bench/capture.h"
#include "plan/promise_line.h"

#include <atomic>
#include <memory>
#include <optional>
#include <string>

namespace wisetick::cli {

/// What a board shows to the outside while it runs.
struct BoardService {
    std::optional<int> scpiPort; ///< on this machine alone; 0: any free one
    bool hasTerminal = false;    ///< a pseudo-terminal
    std::string terminalText;    ///< that it sends again and again
    UartFrame frame;
    Rational bitsPerSecond; ///< of its port in fact
};

/// Serves until told to stop: says the port and the terminal's name on `out`, a line each. An exit code.
int serveBoard(std::shared_ptr<const Capture> capture, const BoardService& service, std::ostream& out, std::ostream& err,
               const std::atomic<bool>& stop);

} // namespace wisetick::cli
