#pragma once

#include "view/view.h"

namespace wisetick::app {

/// The views of the window, in the order of the trail.
std::vector<ViewKind> viewKinds();

/// The one that the window begins with.
inline const QString kFirstView = "clocks";
/// What stands there while no plan is open.
inline const QString kWelcome = "welcome";

} // namespace wisetick::app
