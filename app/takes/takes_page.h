#pragma once

#include "view/view.h"

namespace wisetick::app {

ViewKind takesKind();

} // namespace wisetick::app
