#pragma once

#include "derive/figures.h"
#include "picture/picture.h"

namespace wisetick::app {

/// How long each thing that the core has to do takes, and until when it is done at the latest: a row each, on its own interval or
/// limit. `selected` is the target whose row stands out; nothing of a list in which none does.
Picture latencyPicture(const std::vector<LatencyFigure>& latencies, const Target& selected);

} // namespace wisetick::app
