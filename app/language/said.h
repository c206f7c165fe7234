#pragma once

#include "base/text.h"

#include <QString>

#include <string>

namespace wisetick::app {

/// A name, number or unit of the core as a text of the interface: the same in every language.
inline QString text(const std::string& value) {
    return QString::fromStdString(value);
}

/// What the core says, in the language that is spoken.
QString text(const Text& said);

/// A text of the core as HTML: its signs escaped.
inline QString escaped(const std::string& value) {
    return text(value).toHtmlEscaped();
}
inline QString escaped(const Text& said) {
    return text(said).toHtmlEscaped();
}

} // namespace wisetick::app
