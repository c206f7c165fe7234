#pragma once

#include "view/view.h"

namespace wisetick::app {

/// The desk of the selected promise as a view of the window.
ViewKind deskKind();

} // namespace wisetick::app
