#pragma once

#include <QProxyStyle>

namespace wisetick::app {

/// The desktop's style with an edge around menus in the palette's Mid: its own is darker than the ground, which can't be seen
/// where all is dark.
class MenuStyle : public QProxyStyle {
    Q_OBJECT

public:
    void drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                       const QWidget* widget = nullptr) const override;
};

} // namespace wisetick::app
