#pragma once

#include <QSize>
#include <QStringList>

#include <functional>

class QPainter;
class QWidget;

namespace wisetick::app {

/// The texts that are painted by `paint` on an area of such a size, in the order in which they are painted; what is painted in
/// pieces side by side on one line is one text. Nothing else comes of the painting.
QStringList paintedTexts(const QSize& size, const std::function<void(QPainter&)>& paint);

/// The same of a widget and of what is in it.
QStringList paintedTexts(QWidget& widget);

} // namespace wisetick::app
