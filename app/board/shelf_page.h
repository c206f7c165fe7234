#pragma once

#include "view/view.h"

namespace wisetick::app {

/// The parts shelf as a view of the window.
ViewKind shelfKind();

} // namespace wisetick::app
