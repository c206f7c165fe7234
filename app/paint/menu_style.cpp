#include "paint/menu_style.h"

#include <QApplication>
#include <QIconEngine>
#include <QPainter>
#include <QPalette>
#include <QStyleOption>

#include <algorithm>

namespace wisetick::app {

namespace {

/// Two arrows to the side that is read to, in the palette's ink.
class MoreArrows : public QIconEngine {
public:
    void paint(QPainter* painter, const QRect& area, QIcon::Mode mode, QIcon::State) override {
        const auto group = mode == QIcon::Disabled ? QPalette::Disabled : QPalette::Active;
        const bool isMirrored = QApplication::isRightToLeft();
        const QPointF centre = QRectF(area).center();
        const qreal size = std::min(area.width(), area.height()) / 4.0;
        const qreal tip = isMirrored ? -size : size;
        painter->save();
        painter->setRenderHint(QPainter::Antialiasing);
        painter->setPen(QPen(QApplication::palette().color(group, QPalette::ButtonText), size / 3));
        for (const qreal at : {-tip, 0.0}) {
            const QPointF foot = centre + QPointF(at, 0);
            painter->drawPolyline(QPolygonF{foot + QPointF(0, -size), foot + QPointF(tip, 0), foot + QPointF(0, size)});
        }
        painter->restore();
    }
    QPixmap pixmap(const QSize& size, QIcon::Mode mode, QIcon::State state) override {
        QPixmap picture(size);
        picture.fill(Qt::transparent);
        QPainter painter(&picture);
        paint(&painter, QRect(QPoint(0, 0), size), mode, state);
        return picture;
    }
    QIconEngine* clone() const override { return new MoreArrows; }
};

} // namespace

QIcon MenuStyle::standardIcon(StandardPixmap icon, const QStyleOption* option, const QWidget* widget) const {
    return icon == SP_ToolBarHorizontalExtensionButton ? QIcon(new MoreArrows) : QProxyStyle::standardIcon(icon, option, widget);
}

void MenuStyle::drawPrimitive(PrimitiveElement element, const QStyleOption* option, QPainter* painter,
                              const QWidget* widget) const {
    QProxyStyle::drawPrimitive(element, option, painter, widget);
    if (element == PE_FrameMenu || element == PE_PanelMenu) {
        painter->setPen(option->palette.color(QPalette::Mid));
        painter->setBrush(Qt::NoBrush);
        painter->drawRect(option->rect.adjusted(0, 0, -1, -1));
    }
}

} // namespace wisetick::app
