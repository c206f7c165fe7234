#include "clocks/clocks_picture.h"

#include "clocks/control_text.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kPictureGrid = 4;

QString spreadText(const LineFigure& line) {
    if (!line.hertz || !line.unknown.empty()) {
        return line.unknown.empty() ? text(line.why) : QObject::tr("tolerance unknown");
    }
    const Bounds error = relativeError(*line.hertz, line.hertz->nominal);
    return -error.min == error.max ? text(printTolerance(error.max)) : text(printError(error.min) + " " + printError(error.max));
}

/// Paints one scene.
class ClocksPainter {
public:
    ClocksPainter(QPainter& painter, const ClocksScene& scene, const QSizeF& area, qreal scroll)
        : painter_(painter), scene_(scene), layout_(scene.layout), area_(area), scroll_(scroll) {}

    void paint() {
        painter_.setRenderHint(QPainter::Antialiasing);
        paintAxis();
        const qreal head = layout_.measures().headHeight;
        painter_.save();
        painter_.setClipRect(QRectF(0, head, area_.width(), area_.height() - head), Qt::IntersectClip);
        painter_.translate(0, -scroll_);
        for (std::size_t row = 0; row < layout_.rows().size(); ++row) {
            if (isSeen(row)) {
                paintRow(row);
            }
        }
        // needles and threads stay between the columns
        painter_.setClipRect(
            QRectF(layout_.axisLeft() - 8, scroll_ + head, layout_.axisRight() - layout_.axisLeft() + 16, area_.height()),
            Qt::IntersectClip);
        for (std::size_t row = 0; row < layout_.rows().size(); ++row) {
            paintThread(row);
        }
        for (std::size_t row = 0; row < layout_.rows().size(); ++row) {
            if (isSeen(row) && !layout_.rows()[row].peripheral) {
                paintGhost(row);
                paintNeedle(row);
            }
        }
        for (const auto& row : {scene_.selected, scene_.hovered}) {
            if (row) {
                paintReach(*row);
            }
        }
        painter_.restore();
    }

private:
    const LineFigure& lineOf(std::size_t row) const { return scene_.figures.lines[layout_.rows()[row].node]; }

    bool isSeen(std::size_t row) const {
        return layout_.rowRect(row).bottom() >= scroll_ && layout_.rowRect(row).top() <= scroll_ + area_.height();
    }

    void paintAxis() {
        const qreal head = layout_.measures().headHeight;
        for (const AxisLabel& label : layout_.axisLabels([](const QString& what) { return textWidth(Face::small, what); })) {
            painter_.fillRect(QRectF(label.x, head, 1, area_.height()), scene_.theme.line);
            drawText(painter_, QRectF(label.x - 60, 0, 120, head), Qt::AlignHCenter, label.text, Face::small, scene_.theme.muted);
        }
    }

    void paintThread(std::size_t row) {
        const ClockRow& child = layout_.rows()[row];
        const LineFigure& line = lineOf(row);
        const auto parentRow = line.parent ? layout_.rowOf(*line.parent) : std::nullopt;
        if (child.peripheral || !parentRow || !line.isOn) {
            return;
        }
        const auto from = layout_.needle(*parentRow, scene_.figures);
        const auto to = layout_.needle(row, scene_.figures);
        if (!from || !to || std::max(from->y(), to->y()) < scroll_ || std::min(from->y(), to->y()) > scroll_ + area_.height()) {
            return;
        }
        painter_.setPen(QPen(scene_.theme.thread, 1.1));
        const qreal below = from->y() < to->y() ? layout_.measures().rowHeight * 0.25 : -layout_.measures().rowHeight * 0.25;
        painter_.drawLine(QPointF(from->x(), from->y() + below), QPointF(from->x(), to->y()));
        painter_.drawLine(QPointF(from->x(), to->y()), *to);
    }

    /// Where the line stands in the other take, if elsewhere.
    void paintGhost(std::size_t row) {
        if (scene_.ghost == nullptr) {
            return;
        }
        const auto place = layout_.needle(row, *scene_.ghost);
        if (!place || place == layout_.needle(row, scene_.figures)) {
            return;
        }
        const qreal half = layout_.measures().rowHeight * 0.25;
        painter_.setPen(QPen(scene_.theme.muted, 1, Qt::DotLine));
        painter_.setBrush(Qt::NoBrush);
        painter_.drawRect(QRectF(place->x() - 2.5, place->y() - half, 5, 2 * half));
    }

    void paintNeedle(std::size_t row) {
        const LineFigure& line = lineOf(row);
        const auto place = layout_.needle(row, scene_.figures);
        if (!place) {
            return;
        }
        const qreal half = layout_.measures().rowHeight * 0.25;
        const QColor colour = line.state == State::kept ? scene_.theme.ink : scene_.theme.of(line.state);
        if (line.isOn && line.unknown.empty()) {
            const qreal low = layout_.xOf(line.hertz->min);
            painter_.fillRect(QRectF(low, place->y() - 1, layout_.xOf(line.hertz->max) - low, 2), colour);
        }
        painter_.setPen(QPen(line.isOn ? colour : scene_.theme.muted, 1.3));
        painter_.setBrush(line.isOn ? QBrush(colour) : QBrush(Qt::NoBrush));
        if (line.isSource) {
            painter_.drawPolygon(QPolygonF{QPointF(place->x(), place->y() - half),
                                           QPointF(place->x() + half * 0.8, place->y() + half * 0.7),
                                           QPointF(place->x() - half * 0.8, place->y() + half * 0.7)});
        } else if (line.state == State::broken && line.isOn) { // told by shape too: a notched needle
            painter_.drawRect(QRectF(place->x() - 2, place->y() - half, 4, half * 0.8));
            painter_.drawRect(QRectF(place->x() - 2, place->y() + half * 0.2, 4, half * 0.8));
        } else {
            painter_.drawRect(QRectF(place->x() - 1.5, place->y() - half, 3, 2 * half));
        }
    }

    void paintReach(std::size_t row) {
        const ClockRow& clock = layout_.rows()[row];
        if (clock.peripheral) {
            return;
        }
        const LineFigure& line = lineOf(row);
        const qreal bottom = layout_.rowRect(row).bottom();
        for (const RowSetting& setting : reachOf(scene_.part, scene_.figures, clock.node).settings) {
            const bool isOutside =
                (line.limitMin && setting.hertz < *line.limitMin) || (line.limitMax && setting.hertz > *line.limitMax);
            const qreal height = isOutside ? 3 : 6; // what is out of the rail is shorter as well as another colour
            painter_.fillRect(QRectF(layout_.xOf(setting.hertz) - 0.75, bottom - height - 1, 1.5, height),
                              isOutside ? scene_.theme.broken : scene_.theme.kept);
        }
    }

    /// The mark of a row that has peripherals: it points right while they are folded, down when they are shown.
    void paintFold(const QPointF& centre, bool isUnfolded) {
        constexpr qreal kSize = 3.5;
        QPolygonF mark{QPointF(-kSize / 2, -kSize), QPointF(kSize, 0), QPointF(-kSize / 2, kSize)};
        if (isUnfolded) {
            mark = QTransform().rotate(90).map(mark);
        }
        painter_.setPen(Qt::NoPen);
        painter_.setBrush(scene_.theme.muted);
        painter_.drawPolygon(mark.translated(centre));
    }

    /// The marks of the promises that hang on a row, from the right; those that find no room are left out.
    void paintPromises(const ClockRow& row, QRectF area, qreal free) {
        const qreal size = lineHeight(Face::word) * 0.5;
        qreal right = area.right();
        for (auto promise = row.promises.rbegin(); promise != row.promises.rend() && right - size > free; ++promise) {
            drawMark(painter_, QRectF(right - size, area.center().y() - size / 2, size, size),
                     scene_.figures.promises[*promise].state, scene_.theme);
            right -= size + 3;
        }
    }

    void paintPeripheral(const ClockRow& row, const QRectF& rect, const QRectF& name) {
        const Peripheral& peripheral = scene_.part.peripherals[*row.peripheral];
        const QRectF middle(name.left() + 3 * kPictureGrid, rect.top(), name.width() - 3 * kPictureGrid, rect.height());
        drawText(painter_, middle, Qt::AlignLeft, text(peripheral.name), Face::small, scene_.theme.muted);
        QStringList asked;
        for (const std::size_t promise : row.promises) {
            const PromiseFigure& figure = scene_.figures.promises[promise];
            asked << text(figure.name) + " " + text(stateName(figure.state));
        }
        paintPromises(row, middle, middle.left() + textWidth(Face::small, text(peripheral.name)) + 4);
        drawText(painter_,
                 QRectF(layout_.axisLeft(), rect.top(), area_.width() - layout_.axisLeft() - 3 * kPictureGrid, rect.height()),
                 Qt::AlignLeft, asked.join(", "), Face::small, scene_.theme.muted);
    }

    void paintRail(const LineFigure& line, const QRectF& rect) {
        const qreal left = std::max(layout_.axisLeft(), line.limitMin ? layout_.xOf(*line.limitMin) : layout_.axisLeft());
        const qreal right = std::min(layout_.axisRight(), line.limitMax ? layout_.xOf(*line.limitMax) : layout_.axisRight());
        if (right <= left) {
            return; // beyond the part of the axis that is shown
        }
        const QRectF rail(left, rect.top() + rect.height() * 0.3, right - left, rect.height() * 0.4);
        painter_.fillRect(rail, scene_.theme.rail);
        painter_.setPen(scene_.theme.railEdge);
        if (line.limitMin && layout_.xOf(*line.limitMin) >= layout_.axisLeft()) {
            painter_.drawLine(rail.topLeft(), rail.bottomLeft());
        }
        if (line.limitMax && layout_.xOf(*line.limitMax) <= layout_.axisRight()) {
            painter_.drawLine(rail.topRight(), rail.bottomRight());
        }
    }

    void paintRow(std::size_t row) {
        const ClockRow& clock = layout_.rows()[row];
        const LineFigure& line = lineOf(row);
        const QRectF rect = layout_.rowRect(row);
        const qreal nameLeft = 5 * kPictureGrid;
        const QRectF name(nameLeft, rect.top() + 1, layout_.measures().nameWidth - nameLeft - kPictureGrid, rect.height() / 2);
        if (row == scene_.selected) {
            painter_.fillRect(rect, scene_.theme.selected);
            if (scene_.hasFocus) {
                painter_.fillRect(QRectF(rect.left(), rect.top(), 3, rect.height()), scene_.theme.kept);
            }
        }
        if (clock.peripheral) {
            paintPeripheral(clock, rect, name);
            return;
        }
        if (scene_.marked.contains(clock.node)) { // between two lines, the left end notched
            painter_.setPen(QPen(scene_.theme.broken, 1, Qt::DashLine));
            painter_.setBrush(Qt::NoBrush);
            painter_.drawRoundedRect(rect.adjusted(1.5, 1.5, -1.5, -1.5), 3, 3);
        }
        const QColor ink = line.isOn ? scene_.theme.ink : scene_.theme.muted;
        if (!clock.feeds.empty()) {
            paintFold(QPointF(kPictureGrid + 5, name.center().y()), scene_.unfolded.contains(clock.node));
        }
        const QString shownName =
            text(line.name) + (scene_.folded.contains(clock.node) ? QString::fromUtf8(" \u2026") : QString());
        const qreal nameEnd = name.left() + textWidth(Face::bold, shownName) + 4;
        drawText(painter_, name, Qt::AlignLeft, shownName, Face::bold, ink);
        paintPromises(clock, name.adjusted(0, 0, -kPictureGrid, 0), nameEnd);
        QString control = line.isSource ? sourceText(line) : text(line.control);
        if (isLocked(scene_.take, line.id)) {
            control = "[" + control + "]"; // a locked control stands between brackets
        }
        const bool isFixed = !hasControl(scene_.part, clock.node);
        drawText(painter_, name.translated(0, rect.height() / 2 - 1), Qt::AlignLeft, control, Face::small,
                 isFixed ? scene_.theme.muted : scene_.theme.kept);
        qreal end = textWidth(Face::small, control) + 3 * kPictureGrid;
        if (const Text& own = scene_.ownDemand[clock.node]; !own.empty()) { // wanted in this take alone
            const QString only = QObject::tr("only %1").arg(text(own));
            drawText(painter_, name.translated(0, rect.height() / 2 - 1).adjusted(end, 0, 0, 0), Qt::AlignLeft, only, Face::small,
                     scene_.theme.muted);
            end += textWidth(Face::small, only) + 3 * kPictureGrid;
        }
        const QRectF called = name.translated(0, rect.height() / 2 - 1).adjusted(end, 0, -kPictureGrid, 0);
        if (const QString id = idBesideName(line); textWidth(Face::small, id) <= called.width()) {
            drawText(painter_, called, Qt::AlignRight, id, Face::small, scene_.theme.muted);
        }
        const QRectF rate(layout_.axisRight(), name.top(), layout_.measures().rateWidth - 3 * kPictureGrid, name.height());
        const bool isWell = line.state == State::kept;
        drawText(painter_, rate, Qt::AlignRight,
                 line.hertz ? text(printQuantity(line.hertz->nominal, Unit::hertz)) : QObject::tr("no rate"), Face::bold,
                 isWell ? ink : scene_.theme.of(line.state));
        drawText(painter_, rate.translated(0, rect.height() / 2 - 1), Qt::AlignRight,
                 line.isOn ? limitText(line) : QObject::tr("off"), Face::small,
                 isWell ? scene_.theme.muted : scene_.theme.of(line.state));
        if (line.limitMin || line.limitMax) {
            paintRail(line, rect);
        }
    }

    QPainter& painter_;
    const ClocksScene& scene_;
    const ClocksLayout& layout_;
    QSizeF area_;
    qreal scroll_;
};

} // namespace

QString limitText(const LineFigure& line) {
    if (line.limitMin && line.limitMax) {
        return text(printRange(*line.limitMin, *line.limitMax, Unit::hertz));
    }
    if (line.limitMax) {
        return QObject::tr("most %1").arg(text(printQuantity(*line.limitMax, Unit::hertz)));
    }
    return line.limitMin ? QObject::tr("least %1").arg(text(printQuantity(*line.limitMin, Unit::hertz))) : QString();
}

QString sourceText(const LineFigure& line) {
    return line.control.empty() ? spreadText(line) : text(line.control) + ", " + spreadText(line);
}

QString idBesideName(const LineFigure& line) {
    const QString id = text(line.id);
    return QString(id).replace('_', ' ').compare(text(line.name), Qt::CaseInsensitive) == 0 ? QString() : id;
}

void paintClocks(QPainter& painter, const ClocksScene& scene, const QSizeF& area, qreal scroll) {
    ClocksPainter(painter, scene, area, scroll).paint();
}

} // namespace wisetick::app
