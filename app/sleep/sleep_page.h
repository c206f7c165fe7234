#pragma once

#include "view/view.h"

namespace wisetick::app {

/// The sleep modes as a view of the window.
ViewKind sleepKind();

} // namespace wisetick::app
