#pragma once

#include "view/view.h"

namespace wisetick::app {

/// The clocks as a view of the window, with what is sought over them.
ViewKind clocksKind();

} // namespace wisetick::app
