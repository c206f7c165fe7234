#pragma once

#include "base/text.h"

#include <QFont>
#include <QPainter>
#include <QString>

#include <string>

namespace wisetick::app {

/// A text of the core as one of the interface.
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

/// The faces of the window, at sizes relative to the application's own: few, as each is loaded at the start.
/// `figure` is for figures and fields.
enum class Face { word, bold, small, title, figure };

const QFont& faceFont(Face face);

/// Pixels.
qreal lineHeight(Face face);
qreal textWidth(Face face, const QString& text);

/// Draws one line into an area: centred in its height, at the left, right or middle of its width, cut with an
/// ellipsis where it is too long. Texts are laid out once and kept.
void drawText(QPainter& painter, const QRectF& area, Qt::Alignment side, const QString& text, Face face, const QColor& colour);

} // namespace wisetick::app
