#pragma once

#include "view/view.h"

namespace wisetick::app {

/// What leaves the plan, and what was found on a board, as a view of the window.
ViewKind handoverKind();

} // namespace wisetick::app
