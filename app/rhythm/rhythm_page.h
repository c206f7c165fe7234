#pragma once

#include "view/view.h"

namespace wisetick::app {

/// The rhythm of the jobs as a view of the window.
ViewKind rhythmKind();

} // namespace wisetick::app
