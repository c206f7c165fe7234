#pragma once

#include "view/view.h"

namespace wisetick::app {

/// What was measured, over what the plan predicts.
ViewKind benchKind();

} // namespace wisetick::app
