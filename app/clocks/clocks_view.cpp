#include "clocks/clocks_view.h"

#include "clocks/control_text.h"
#include "derive/controls.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPaintEvent>
#include <QPainterPath>
#include <QScrollBar>

#include <cmath>

namespace wisetick::app {

namespace {

constexpr int kGrid = 4;

QString text(const std::string& value) {
    return QString::fromStdString(value);
}

QString limitText(const LineFigure& line) {
    if (line.limitMin && line.limitMax) {
        return text(printRange(*line.limitMin, *line.limitMax, Unit::hertz));
    }
    if (line.limitMax) {
        return "most " + text(printQuantity(*line.limitMax, Unit::hertz));
    }
    return line.limitMin ? "least " + text(printQuantity(*line.limitMin, Unit::hertz)) : QString();
}

QString spreadText(const LineFigure& line) {
    if (!line.hertz || !line.unknown.empty()) {
        return line.unknown.empty() ? text(line.why) : "tolerance unknown";
    }
    const Bounds error = relativeError(*line.hertz, line.hertz->nominal);
    return -error.min == error.max ? text(printTolerance(error.max)) : text(printError(error.min) + " " + printError(error.max));
}

} // namespace

ClocksView::ClocksView(Document& document, QWidget* parent) : QAbstractScrollArea(parent), document_(document) {
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Clocks"));
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    verticalScrollBar()->setSingleStep(12);
    editor_ = new QLineEdit(viewport());
    editor_->setAccessibleName(tr("Control of the row"));
    editor_->hide();
    editor_->installEventFilter(this);
    trouble_ = new QLabel(viewport());
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::RichText);
    trouble_->setAttribute(Qt::WA_NoMousePropagation); // a click beside a link does nothing to the row behind
    trouble_->setFocusPolicy(Qt::NoFocus);             // the editor keeps the keys: its arrows go through what is offered
    trouble_->hide();
    connect(trouble_, &QLabel::linkActivated, this, [this](const QString& offer) {
        editor_->setText(offer);
        endEdit(true);
    });
    connect(&document_, &Document::changed, this, [this] { layOut(); });
    layOut();
}

void ClocksView::setTheme(const Theme& theme) {
    theme_ = theme;
    viewport()->update();
}

QString ClocksView::selected() const {
    return layout_.rows().empty() ? QString() : text(document_.figures().lines[layout_.rows()[selectedRow_].node].id);
}

void ClocksView::select(const QString& lineId) {
    const auto node = document_.part().findNode(lineId.toStdString());
    const auto row = node ? layout_.rowOf(*node) : std::nullopt;
    if (row) {
        selectRow(*row);
    }
}

void ClocksView::layOut() {
    if (!document_.isOpen()) {
        layout_ = ClocksLayout();
        viewport()->update();
        return;
    }
    ClocksLayout::Measures measures;
    measures.width = viewport()->width();
    measures.rowHeight = std::ceil((lineHeight(Face::word) + lineHeight(Face::small) + 2) / kGrid) * kGrid;
    measures.headHeight = std::ceil((lineHeight(Face::small) + 2 * kGrid) / kGrid) * kGrid;
    qreal names = 0;
    qreal rates = textWidth(Face::bold, "\u2248166.67 MHz");
    for (const LineFigure& line : document_.figures().lines) {
        names = std::max({names, textWidth(Face::bold, text(line.name)), textWidth(Face::small, text(line.control))});
        rates = std::max(rates, textWidth(Face::small, limitText(line)));
    }
    measures.nameWidth = std::min(names + 11 * kGrid, measures.width * 0.34);
    measures.rateWidth = std::min(rates + 6 * kGrid, measures.width * 0.28);
    Diagnostics ignored;
    const Controls controls = resolveControls(document_.part(), document_.take(), ignored);
    std::vector<std::optional<NodeIndex>> clocks;
    for (std::size_t i = 0; i < document_.part().peripherals.size(); ++i) {
        clocks.push_back(clockOf(document_.part(), controls, i));
    }
    layout_ = ClocksLayout(document_.part(), document_.figures(), clocks, unfolded_, measures);
    if (zoom_) {
        layout_.zoom(zoom_->first, zoom_->second);
    }
    selectedRow_ = std::min(selectedRow_, layout_.rows().size() - 1);
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setRange(0, std::max(0, static_cast<int>(layout_.height()) - viewport()->height()));
    viewport()->update();
}

void ClocksView::selectRow(std::size_t row) {
    endEdit(false);
    selectedRow_ = row;
    const QRectF rect = layout_.rowRect(row);
    QScrollBar* bar = verticalScrollBar();
    if (rect.top() - layout_.measures().headHeight < bar->value()) {
        bar->setValue(static_cast<int>(rect.top() - layout_.measures().headHeight));
    } else if (rect.bottom() > bar->value() + viewport()->height()) {
        bar->setValue(static_cast<int>(rect.bottom()) - viewport()->height());
    }
    viewport()->update();
    const LineFigure& line = document_.figures().lines[layout_.rows()[row].node];
    setAccessibleDescription(tr("%1: %2, %3, %4")
                                 .arg(text(line.name), text(line.control),
                                      line.hertz ? text(printQuantity(line.hertz->nominal, Unit::hertz)) : tr("no rate"),
                                      line.isOn ? text(stateName(line.state)) : tr("off")));
    emit selectionChanged(selected());
}

QRectF ClocksView::controlRect(std::size_t row) const {
    const QRectF rect = layout_.rowRect(row);
    return {rect.left() + 5 * kGrid, rect.center().y(), layout_.measures().nameWidth - 7 * kGrid, rect.height() / 2};
}

void ClocksView::beginEdit() {
    const ClockRow& row = layout_.rows()[selectedRow_];
    if (row.peripheral || document_.part().isSource(row.node)) {
        return;
    }
    const QRectF rect = layout_.rowRect(selectedRow_).translated(0, -verticalScrollBar()->value());
    editor_->setFont(faceFont(Face::word));
    editor_->setGeometry(QRectF(4 * kGrid, rect.top() + 2, layout_.measures().nameWidth - 5 * kGrid, rect.height() - 4).toRect());
    editor_->setText(text(document_.figures().lines[row.node].control));
    editor_->setPlaceholderText(tr("source, \u00f7 4 or 48M"));
    editor_->selectAll();
    editor_->show();
    editor_->setFocus();
}

void ClocksView::endEdit(bool isApplied) {
    trouble_->hide();
    if (!editor_->isVisible()) {
        return;
    }
    const QString typed = editor_->text();
    if (isApplied && typed != text(document_.figures().lines[layout_.rows()[selectedRow_].node].control)) {
        apply(typed);
        if (trouble_->isVisible()) {
            return; // the text stays to be mended
        }
    }
    editor_->hide();
    setFocus();
}

void ClocksView::apply(const QString& typed) {
    const ControlEdit edit = readControl(typed, document_.part(), document_.figures(), layout_.rows()[selectedRow_].node);
    if (edit.change) {
        document_.edit(edit.what, edit.change);
        return;
    }
    trouble_->setStyleSheet(QString("QLabel { background: %1; color: %2; border: 1px solid %3; padding: 6px }")
                                .arg(theme_.panel.name(), theme_.broken.name(), theme_.line.name()));
    offers_ = edit.offers;
    QStringList links;
    for (const QString& offer : offers_) {
        links << QString("<a href='%1' style='color:%2'>%1</a>").arg(offer.toHtmlEscaped(), theme_.thread.name());
    }
    trouble_->setText(edit.why.toHtmlEscaped() +
                      (links.isEmpty() ? QString() : tr("; nearest: ") + links.join(tr(" or ")) + tr(" (\u2193 and Enter)")));
    trouble_->setFixedWidth(static_cast<int>(layout_.axisRight() - layout_.axisLeft()));
    trouble_->adjustSize();
    trouble_->move(static_cast<int>(layout_.axisLeft()), editor_->geometry().bottom() + 2);
    trouble_->show();
    trouble_->raise();
}

/// Puts the next of what is offered into the editor; Enter then sets it.
void ClocksView::takeOffer(int direction) {
    if (!trouble_->isVisible() || offers_.isEmpty()) {
        return;
    }
    const qsizetype now = offers_.indexOf(editor_->text());
    const qsizetype next = now < 0 ? (direction > 0 ? 0 : offers_.size() - 1) : now + direction;
    editor_->setText(offers_[std::clamp<qsizetype>(next, 0, offers_.size() - 1)]);
}

void ClocksView::step(int direction) {
    const ClockRow& row = layout_.rows()[selectedRow_];
    if (row.peripheral || document_.part().isSource(row.node)) {
        return;
    }
    const Line& line = document_.part().lineAt(row.node);
    const LineFigure& figure = document_.figures().lines[row.node];
    const bool isMultiplier = line.divide.empty();
    const FactorSet& set = isMultiplier ? line.multiply : line.divide;
    const Rational& now = isMultiplier ? figure.multiply : figure.divide;
    if (set.empty()) {
        return;
    }
    // + makes the rate higher
    const bool isUp = isMultiplier ? direction > 0 : direction < 0;
    const Rational tiny(1, 1000000000);
    const auto next = isUp ? set.atLeast(now + tiny) : set.atMost(now - tiny);
    if (next) {
        apply((isMultiplier ? "\u00d7 " : "\u00f7 ") + text(printFactor(*next)));
    }
}

void ClocksView::toggleFold(NodeIndex node) {
    if (!unfolded_.erase(node)) {
        unfolded_.insert(node);
    }
    const QString kept = selected();
    layOut();
    select(kept);
}

void ClocksView::keyPressEvent(QKeyEvent* event) {
    if (layout_.rows().empty()) {
        return;
    }
    switch (event->key()) {
    case Qt::Key_Up: selectRow(selectedRow_ == 0 ? 0 : selectedRow_ - 1); break;
    case Qt::Key_Down: selectRow(std::min(selectedRow_ + 1, layout_.rows().size() - 1)); break;
    case Qt::Key_Home: selectRow(0); break;
    case Qt::Key_End: selectRow(layout_.rows().size() - 1); break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_F2: beginEdit(); break;
    case Qt::Key_Space: toggleFold(layout_.rows()[selectedRow_].node); break;
    case Qt::Key_Plus: step(1); break;
    case Qt::Key_Minus: step(-1); break;
    default:
        if (!event->text().isEmpty() && event->text().front().isPrint() &&
            !(event->modifiers() & (Qt::ControlModifier | Qt::AltModifier))) {
            beginEdit(); // a typed rate or factor goes straight into the row
            if (editor_->isVisible()) {
                editor_->setText(event->text());
            }
        } else {
            QAbstractScrollArea::keyPressEvent(event);
        }
    }
}

bool ClocksView::eventFilter(QObject* watched, QEvent* event) {
    if (watched == editor_ && event->type() == QEvent::KeyPress) {
        switch (static_cast<QKeyEvent*>(event)->key()) {
        case Qt::Key_Escape: endEdit(false); return true;
        case Qt::Key_Return:
        case Qt::Key_Enter: endEdit(true); return true;
        case Qt::Key_Down: takeOffer(1); return true;
        case Qt::Key_Up: takeOffer(-1); return true;
        default: trouble_->hide();
        }
    }
    return QAbstractScrollArea::eventFilter(watched, event);
}

void ClocksView::mousePressEvent(QMouseEvent* event) {
    const qreal y = event->position().y() + verticalScrollBar()->value();
    const auto row = layout_.rowAt(y);
    if (!row || event->position().y() < layout_.measures().headHeight) {
        return;
    }
    selectRow(*row);
    const QPointF place(event->position().x(), y);
    if (place.x() < 5 * kGrid && !layout_.rows()[*row].feeds.empty()) {
        toggleFold(layout_.rows()[*row].node);
    } else if (controlRect(*row).contains(place)) {
        beginEdit();
    }
}

void ClocksView::wheelEvent(QWheelEvent* event) {
    if (!(event->modifiers() & Qt::ControlModifier)) {
        QAbstractScrollArea::wheelEvent(event);
        return;
    }
    const double factor = std::pow(1.2, event->angleDelta().y() / 120.0);
    layout_.zoom(factor, event->position().x());
    zoom_ = std::pair(zoom_ ? zoom_->first * factor : factor, event->position().x());
    viewport()->update();
    event->accept();
}

void ClocksView::resizeEvent(QResizeEvent*) {
    endEdit(false);
    layOut();
}

void ClocksView::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        layOut();
    }
    QAbstractScrollArea::changeEvent(event);
}

void ClocksView::focusInEvent(QFocusEvent*) {
    viewport()->update();
}

void ClocksView::focusOutEvent(QFocusEvent*) {
    viewport()->update();
}

void ClocksView::paintAxis(QPainter& painter) const {
    const qreal head = layout_.measures().headHeight;
    for (const AxisLabel& label : layout_.axisLabels([](const QString& text) { return textWidth(Face::small, text); })) {
        painter.fillRect(QRectF(label.x, head, 1, viewport()->height()), theme_.line);
        drawText(painter, QRectF(label.x - 60, 0, 120, head), Qt::AlignHCenter, label.text, Face::small, theme_.muted);
    }
}

void ClocksView::paintThread(QPainter& painter, std::size_t row) const {
    const ClockRow& child = layout_.rows()[row];
    const LineFigure& line = document_.figures().lines[child.node];
    if (child.peripheral || !line.parent || !line.isOn) {
        return;
    }
    const auto parentRow = layout_.rowOf(*line.parent);
    const auto from = parentRow ? layout_.needle(*parentRow, document_.figures()) : std::nullopt;
    const auto to = layout_.needle(row, document_.figures());
    if (!from || !to) {
        return;
    }
    QPen pen(theme_.thread, 1.1);
    painter.setPen(pen);
    const qreal below = from->y() < to->y() ? layout_.measures().rowHeight * 0.25 : -layout_.measures().rowHeight * 0.25;
    painter.drawLine(QPointF(from->x(), from->y() + below), QPointF(from->x(), to->y()));
    painter.drawLine(QPointF(from->x(), to->y()), *to);
}

void ClocksView::paintNeedle(QPainter& painter, std::size_t row, const LineFigure& line) const {
    const auto place = layout_.needle(row, document_.figures());
    if (!place) {
        return;
    }
    const qreal half = layout_.measures().rowHeight * 0.25;
    const QColor colour = line.state == State::kept ? theme_.ink : theme_.of(line.state);
    if (line.isOn && line.unknown.empty()) {
        const qreal low = layout_.xOf(line.hertz->min);
        painter.fillRect(QRectF(low, place->y() - 1, layout_.xOf(line.hertz->max) - low, 2), colour);
    }
    painter.setPen(QPen(line.isOn ? colour : theme_.muted, 1.3));
    painter.setBrush(line.isOn ? QBrush(colour) : QBrush(Qt::NoBrush));
    if (line.isSource) {
        painter.drawPolygon(QPolygonF{QPointF(place->x(), place->y() - half),
                                      QPointF(place->x() + half * 0.8, place->y() + half * 0.7),
                                      QPointF(place->x() - half * 0.8, place->y() + half * 0.7)});
    } else if (line.state == State::broken && line.isOn) { // told by shape too: a notched needle
        painter.drawRect(QRectF(place->x() - 2, place->y() - half, 4, half * 0.8));
        painter.drawRect(QRectF(place->x() - 2, place->y() + half * 0.2, 4, half * 0.8));
    } else {
        painter.drawRect(QRectF(place->x() - 1.5, place->y() - half, 3, 2 * half));
    }
}

void ClocksView::paintReach(QPainter& painter, std::size_t row) const {
    const ClockRow& clock = layout_.rows()[row];
    if (clock.peripheral) {
        return;
    }
    const LineFigure& line = document_.figures().lines[clock.node];
    const qreal bottom = layout_.rowRect(row).bottom();
    for (const auto& [factor, hertz] : reachOf(document_.part(), document_.figures(), clock.node).settings) {
        const bool isOutside = (line.limitMin && hertz < *line.limitMin) || (line.limitMax && hertz > *line.limitMax);
        const qreal height = isOutside ? 3 : 6; // what is out of the rail is shorter as well as another colour
        painter.fillRect(QRectF(layout_.xOf(hertz) - 0.75, bottom - height - 1, 1.5, height),
                         isOutside ? theme_.broken : theme_.kept);
    }
}

/// The mark of a row that has peripherals: it points right while they are folded, down when they are shown.
void ClocksView::paintFold(QPainter& painter, const QPointF& centre, bool isUnfolded) const {
    constexpr qreal kSize = 3.5;
    QPolygonF mark{QPointF(-kSize / 2, -kSize), QPointF(kSize, 0), QPointF(-kSize / 2, kSize)};
    if (isUnfolded) {
        mark = QTransform().rotate(90).map(mark);
    }
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme_.muted);
    painter.drawPolygon(mark.translated(centre));
}

void ClocksView::paintRow(QPainter& painter, std::size_t row) const {
    const ClockRow& clock = layout_.rows()[row];
    const LineFigure& line = document_.figures().lines[clock.node];
    const QRectF rect = layout_.rowRect(row);
    const qreal nameLeft = 5 * kGrid;
    const QRectF name(nameLeft, rect.top() + 1, layout_.measures().nameWidth - nameLeft - kGrid, rect.height() / 2);
    const QRectF control = name.translated(0, rect.height() / 2 - 1);
    const QRectF rate(layout_.axisRight(), name.top(), layout_.measures().rateWidth - 3 * kGrid, name.height());
    if (row == selectedRow_) {
        painter.fillRect(rect, theme_.selected);
        if (hasFocus()) {
            painter.fillRect(QRectF(rect.left(), rect.top(), 3, rect.height()), theme_.kept);
        }
    }
    const auto draw = [&](const QRectF& area, Qt::Alignment side, const QString& what, Face face, const QColor& colour) {
        drawText(painter, area, side, what, face, colour);
    };
    if (clock.peripheral) {
        const Peripheral& peripheral = document_.part().peripherals[*clock.peripheral];
        draw(name.adjusted(3 * kGrid, rect.height() / 4, 0, rect.height() / 4), Qt::AlignLeft, text(peripheral.name), Face::small,
             theme_.muted);
        return;
    }
    const QColor ink = line.isOn ? theme_.ink : theme_.muted;
    if (!clock.feeds.empty()) {
        paintFold(painter, QPointF(kGrid + 5, name.center().y()), unfolded_.contains(clock.node));
    }
    draw(name, Qt::AlignLeft, text(line.name), Face::bold, ink);
    draw(control, Qt::AlignLeft, line.isSource ? spreadText(line) : text(line.control), Face::small,
         line.isSource ? theme_.muted : theme_.kept);
    const bool isWell = line.state == State::kept;
    draw(rate, Qt::AlignRight, line.hertz ? text(printQuantity(line.hertz->nominal, Unit::hertz)) : tr("no rate"), Face::bold,
         isWell ? ink : theme_.of(line.state));
    draw(rate.translated(0, rect.height() / 2 - 1), Qt::AlignRight, line.isOn ? limitText(line) : tr("off"), Face::small,
         isWell ? theme_.muted : theme_.of(line.state));
    if (line.limitMin || line.limitMax) {
        const qreal left = std::max(layout_.axisLeft(), line.limitMin ? layout_.xOf(*line.limitMin) : layout_.axisLeft());
        const qreal right = std::min(layout_.axisRight(), line.limitMax ? layout_.xOf(*line.limitMax) : layout_.axisRight());
        const QRectF rail(left, rect.top() + rect.height() * 0.3, right - left, rect.height() * 0.4);
        painter.fillRect(rail, theme_.rail);
        painter.setPen(theme_.railEdge);
        if (line.limitMin) {
            painter.drawLine(rail.topLeft(), rail.bottomLeft());
        }
        if (line.limitMax) {
            painter.drawLine(rail.topRight(), rail.bottomRight());
        }
    }
}

void ClocksView::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    if (layout_.rows().empty()) {
        if (hasFocus()) {
            drawFocus(painter, viewport()->rect(), theme_);
        }
        painter.setPen(theme_.muted);
        painter.setFont(faceFont(Face::word));
        painter.drawText(viewport()->rect(), Qt::AlignCenter, tr("Open a plan to see its clocks"));
        return;
    }
    painter.setRenderHint(QPainter::Antialiasing);
    paintAxis(painter);
    const qreal head = layout_.measures().headHeight;
    painter.setClipRect(QRectF(0, head, viewport()->width(), viewport()->height() - head));
    painter.translate(0, -verticalScrollBar()->value());
    const qreal top = verticalScrollBar()->value();
    const auto isSeen = [&](std::size_t row) {
        return layout_.rowRect(row).bottom() >= top && layout_.rowRect(row).top() <= top + viewport()->height();
    };
    for (std::size_t row = 0; row < layout_.rows().size(); ++row) {
        if (isSeen(row)) {
            paintRow(painter, row);
        }
    }
    // needles and threads stay between the columns
    painter.setClipRect(
        QRectF(layout_.axisLeft() - 8, top + head, layout_.axisRight() - layout_.axisLeft() + 16, viewport()->height()));
    for (std::size_t row = 0; row < layout_.rows().size(); ++row) {
        paintThread(painter, row);
    }
    for (std::size_t row = 0; row < layout_.rows().size(); ++row) {
        if (isSeen(row) && !layout_.rows()[row].peripheral) {
            paintNeedle(painter, row, document_.figures().lines[layout_.rows()[row].node]);
        }
    }
    paintReach(painter, selectedRow_);
}

} // namespace wisetick::app
