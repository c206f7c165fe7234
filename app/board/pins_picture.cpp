#include "board/pins_picture.h"

#include "paint/text.h"

#include <QCoreApplication>

#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kWidth = 150;
constexpr qreal kPinGap = 8;

qreal cellHeight() {
    return lineHeight(Face::bold) + lineHeight(Face::small) + 10;
}

void drawPin(QPainter& painter, const QRectF& cell, const PinFigure& pin, const Theme& theme) {
    const bool isBad = !pin.why.empty();
    painter.setPen(QPen(isBad ? theme.broken : theme.line, isBad ? 1.5 : 1));
    painter.setBrush(theme.panel);
    painter.drawRoundedRect(cell, 3, 3);
    const QRectF inside = cell.adjusted(8, 4, -8, -4);
    const QRectF name(inside.left(), inside.top(), inside.width(), lineHeight(Face::bold));
    if (isBad) {
        drawMark(painter, QRectF(inside.right() - 12, inside.top() + 2, 12, 12), State::broken, theme);
    }
    drawText(painter, name, Qt::AlignLeft, text(pin.pin), Face::bold, theme.ink);
    QStringList users;
    for (const std::string& user : pin.users) {
        users << text(user);
    }
    if (users.isEmpty() && pin.isDebug) {
        users << QCoreApplication::translate("PinsPicture", "the debugger");
    }
    drawText(painter, QRectF(inside.left(), name.bottom(), inside.width(), lineHeight(Face::small)), Qt::AlignLeft,
             users.join(", "), Face::small, isBad ? theme.broken : theme.muted);
}

} // namespace

std::optional<Picture> pinsPicture(const Figures& figures, qreal width) {
    std::vector<PinFigure> taken;
    for (const PinFigure& pin : figures.pins) {
        if (!pin.users.empty() || pin.isDebug) {
            taken.push_back(pin);
        }
    }
    if (taken.empty()) {
        return std::nullopt;
    }
    const auto columns = static_cast<std::size_t>(std::max(1.0, std::floor((width + kPinGap) / (kWidth + kPinGap))));
    const std::size_t rows = (taken.size() + columns - 1) / columns;
    Picture picture;
    picture.title = QCoreApplication::translate("PinsPicture", "Pins in use");
    picture.hint = QCoreApplication::translate("PinsPicture", "%1 of %2").arg(taken.size()).arg(figures.pins.size());
    picture.height = static_cast<qreal>(rows) * (cellHeight() + kPinGap);
    picture.paint = [taken, columns](QPainter& painter, const QRectF& area, const Theme& theme) {
        for (std::size_t i = 0; i < taken.size(); ++i) {
            const std::size_t row = i / columns;
            const qreal left = area.left() + static_cast<qreal>(i - row * columns) * (kWidth + kPinGap);
            const qreal top = area.top() + static_cast<qreal>(row) * (cellHeight() + kPinGap);
            drawPin(painter, QRectF(left, top, kWidth, cellHeight()), taken[i], theme);
        }
    };
    return picture;
}

} // namespace wisetick::app
