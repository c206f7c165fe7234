#include "shell/ripple_panel.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPushButton>

#include <algorithm>

namespace wisetick::app {

namespace {

QString text(const std::string& value) {
    return QString::fromStdString(value);
}

} // namespace

RipplePanel::RipplePanel(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    keep_ = new QPushButton(tr("Keep"), this);
    undo_ = new QPushButton(tr("Undo"), this);
    connect(keep_, &QPushButton::clicked, &document_, &Document::keep);
    connect(undo_, &QPushButton::clicked, &document_, &Document::undo);
    connect(&document_, &Document::changed, this, &RipplePanel::refresh);
    setAccessibleName(tr("Ripple"));
    setFocusPolicy(Qt::ClickFocus);
    setTheme(theme_);
    refresh();
}

void RipplePanel::setTheme(const Theme& theme) {
    theme_ = theme;
    const QString shape =
        "QPushButton { border-radius: %4px; padding: 3px 14px; border: 1px solid %1; color: %2; background: %3; }"
        "QPushButton:focus { border: 2px solid %5; padding: 2px 13px; } QPushButton:disabled { color: %6; background: "
        "transparent; border-color: %6; }";
    const int radius = QFontMetrics(wordFont()).height() / 2 + 4;
    keep_->setStyleSheet(shape.arg(theme.kept.name(), theme.isDark ? theme.head.name() : "#FFFFFF", theme.kept.name())
                             .arg(radius)
                             .arg(theme.ink.name(), theme.line.name()));
    undo_->setStyleSheet(
        shape.arg(theme.muted.name(), theme.ink.name(), "transparent").arg(radius).arg(theme.kept.name(), theme.line.name()));
    placeButtons();
    update();
}

int RipplePanel::rowHeight() const {
    return (QFontMetrics(wordFont()).height() + 4) / 2 * 2;
}

int RipplePanel::headHeight() const {
    return rowHeight() + 12;
}

QSize RipplePanel::sizeHint() const {
    return {400, headHeight() + 4 * rowHeight() + 8};
}

int RipplePanel::rowsThatFit() const {
    return std::max(0, (height() - headHeight() - 4) / rowHeight());
}

void RipplePanel::scroll(int rows) {
    first_ = std::clamp(first_ + rows, 0, std::max(0, static_cast<int>(document_.moved().size()) - rowsThatFit() + 1));
    update();
}

void RipplePanel::wheelEvent(QWheelEvent* event) {
    scroll(event->angleDelta().y() > 0 ? -1 : 1);
}

void RipplePanel::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Down || event->key() == Qt::Key_Up) {
        scroll(event->key() == Qt::Key_Down ? 1 : -1);
    } else {
        QWidget::keyPressEvent(event);
    }
}

void RipplePanel::refresh() {
    scroll(0);
    keep_->setEnabled(!document_.moved().empty());
    undo_->setEnabled(document_.canUndo());
    update();
}

void RipplePanel::placeButtons() {
    keep_->adjustSize();
    undo_->adjustSize();
    undo_->move(width() - undo_->width() - 12, 6);
    keep_->move(undo_->x() - keep_->width() - 8, 6);
}

void RipplePanel::resizeEvent(QResizeEvent*) {
    placeButtons();
}

void RipplePanel::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        placeButtons();
        updateGeometry();
    }
    QWidget::changeEvent(event);
}

void RipplePanel::mousePressEvent(QMouseEvent* event) {
    const int row = first_ + (static_cast<int>(event->position().y()) - headHeight()) / rowHeight();
    if (event->position().y() > headHeight() && row < static_cast<int>(document_.moved().size())) {
        emit targetWanted(text(document_.moved()[static_cast<std::size_t>(row)].target));
    }
}

void RipplePanel::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), theme_.panel);
    painter.fillRect(QRect(0, 0, width(), 1), theme_.line);
    const auto draw = [&](const QRectF& area, const QString& what, const QFont& font, const QColor& colour) {
        painter.setFont(font);
        painter.setPen(colour);
        painter.drawText(area, Qt::AlignLeft | Qt::AlignVCenter,
                         QFontMetricsF(font).elidedText(what, Qt::ElideRight, area.width()));
    };
    const QFont title = wordFont(1.05, true);
    const qreal titleWidth = QFontMetricsF(title).horizontalAdvance(tr("Ripple"));
    draw(QRectF(16, 6, titleWidth + 4, rowHeight()), tr("Ripple"), title, theme_.ink);
    const std::vector<Moved>& moved = document_.moved();
    const QString what = moved.empty() ? tr("nothing moved since the last Keep")
                                       : tr("%1 moved %2 results").arg(document_.lastEdit()).arg(moved.size());
    draw(QRectF(28 + titleWidth, 6, keep_->x() - titleWidth - 40, rowHeight()), what, wordFont(0.9), theme_.muted);
    const int fits = rowsThatFit();
    const int rest = static_cast<int>(moved.size()) - first_;
    const int shown = std::min(fits, rest);
    for (int i = 0; i < shown; ++i) {
        const int top = headHeight() + i * rowHeight();
        const bool isRest = i + 1 == fits && rest > fits;
        if (isRest) {
            draw(QRectF(40, top, width() - 56, rowHeight()), tr("and %1 more").arg(rest - i), wordFont(0.9), theme_.muted);
            break;
        }
        const Moved& each = moved[static_cast<std::size_t>(first_ + i)];
        const qreal mark = rowHeight() * 0.5;
        drawMark(painter, QRectF(18, top + (rowHeight() - mark) / 2, mark, mark), each.after, theme_);
        draw(QRectF(40, top, 110, rowHeight()), text(each.name), wordFont(1.0, true), theme_.ink);
        const QString was = each.was.empty() ? tr("new") : text(each.was);
        const QString is = each.is.empty() ? tr("gone") : text(each.is);
        draw(QRectF(156, top, width() - 172, rowHeight()), was + " \u2192 " + is, wordFont(), theme_.ink);
    }
}

} // namespace wisetick::app
