#pragma once

#include <QIcon>
#include <QProxyStyle>

namespace wisetick::app {

/// The desktop's style with an edge around menus in the palette's Mid: its own is darker than the ground, which can't be seen
/// where all is dark. And with arrows of its own behind what a bar has no room for: reading the style's picture of them, which is
/// made with each menu bar, loads the readers of all picture formats.
class MenuStyle : public QProxyStyle {
    Q_OBJECT

public:
    void drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                       const QWidget* widget = nullptr) const override;
    QIcon standardIcon(StandardPixmap icon, const QStyleOption* option = nullptr, const QWidget* widget = nullptr) const override;
};

} // namespace wisetick::app
