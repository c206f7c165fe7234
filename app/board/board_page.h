#pragma once

#include "view/view.h"

namespace wisetick::app {

/// The board as a view of the window.
ViewKind boardKind();

} // namespace wisetick::app
