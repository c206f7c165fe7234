#pragma once

#include "view/view.h"

namespace wisetick::app {

/// What stands in the window while no plan is open.
ViewKind welcomeKind();

} // namespace wisetick::app
