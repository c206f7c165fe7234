#pragma once

#include "paint/theme.h"

#include <QPalette>

namespace wisetick::app {

/// The colours of a panel of the workshop and of what stands in it, on that ground.
inline QPalette panelPalette(QPalette palette, const Theme& theme, const QColor& ground) {
    for (const auto role : {QPalette::Window, QPalette::Base, QPalette::Button}) {
        palette.setColor(role, ground);
    }
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText, QPalette::HighlightedText}) {
        palette.setColor(role, theme.ink);
    }
    palette.setColor(QPalette::Highlight, theme.selected);
    palette.setColor(QPalette::PlaceholderText, theme.muted);
    return palette;
}

} // namespace wisetick::app
