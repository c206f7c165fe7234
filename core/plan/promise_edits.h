#pragma once

#include "base/text.h"
#include "plan/plan.h"

namespace wisetick {

/// Edits of a plan's promises. Ways that takes pin go with the promise that they are of, whatever it is called after the edit: a
/// promise without a name is called after its subject and its place. Each gives an empty text, or why it can't be done; the plan
/// is unchanged then.

/// Behind all others. Not with a name that another one has.
Text addPromise(Plan& plan, Promise promise);

/// Another promise in the place of that one. What was pinned of it stays where it asks the same of the same subject, and is free
/// otherwise.
Text replacePromise(Plan& plan, std::size_t place, Promise promise);

/// In the place of the promise of the same given name; behind all others where there is none.
Text putPromise(Plan& plan, Promise promise);

/// With what takes pin of it.
Text removePromise(Plan& plan, std::size_t place);

/// To another place; those between move up or down.
Text movePromise(Plan& plan, std::size_t from, std::size_t to);

} // namespace wisetick
