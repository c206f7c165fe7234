#pragma once

#include <functional>
#include <stdexcept>

namespace wisetick {

/// Asked now and then by long work whether it shall go on; an empty one always says yes. Must be cheap.
using GoOn = std::function<bool()>;

/// Thrown by work that was told not to go on, where there is nothing that it could return.
class Stopped : public std::runtime_error {
public:
    Stopped() : std::runtime_error("stopped") {}
};

/// Throws Stopped where `goOn` says no.
inline void orStop(const GoOn& goOn) {
    if (goOn && !goOn()) {
        throw Stopped();
    }
}

} // namespace wisetick
