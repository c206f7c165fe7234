#pragma once

#include "language/said.h" // the words that are drawn

#include <QFont>
#include <QPainter>
#include <QString>

namespace wisetick::app {

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

/// The same in as many lines as the area's width makes of it, cut at its edges.
void drawWrapped(QPainter& painter, const QRectF& area, Qt::Alignment side, const QString& text, Face face, const QColor& colour);
/// How high it stands then, px.
qreal wrappedHeight(Face face, const QString& text, qreal width);

} // namespace wisetick::app
