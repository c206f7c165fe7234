#pragma once

#include "base/diagnostic.h"
#include "paint/theme.h"

#include <QString>

namespace wisetick::app {

/// A typed line as rich text with the word underlined that is wrong, and below it what is wrong.
QString faultHtml(const QString& line, const TextError& error, const Theme& theme);

} // namespace wisetick::app
