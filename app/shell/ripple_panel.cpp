#include "shell/ripple_panel.h"

#include "paint/text.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QTimer>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kShrinksAfter = 900; ///< ms: what is tried one after the other does not let it jump
constexpr int kMostRows = 30;
constexpr int kEdge = 5; ///< px, that are grasped

} // namespace

RipplePanel::RipplePanel(Document& document, QWidget* parent) : QWidget(parent), document_(document), shrinks_(new QTimer(this)) {
    shrinks_->setSingleShot(true);
    shrinks_->setInterval(kShrinksAfter);
    connect(shrinks_, &QTimer::timeout, this, [this] { setFixedHeight(sizeHint().height()); });
    setMouseTracking(true);
    keep_ = new PillButton(tr("Keep"), this);
    undo_ = new PillButton(tr("Undo"), this);
    connect(keep_, &QPushButton::clicked, &document_, &Document::keep);
    connect(undo_, &QPushButton::clicked, &document_, &Document::undo);
    connect(&document_, &Document::changed, this, &RipplePanel::refresh);
    setAccessibleName(tr("Ripple"));
    setFocusPolicy(Qt::StrongFocus);
    setTheme(theme_);
    refresh();
}

void RipplePanel::setTheme(const Theme& theme) {
    theme_ = theme;
    keep_->setTheme(theme, true);
    undo_->setTheme(theme, false);
    placeButtons();
    update();
}

int RipplePanel::rowHeight() const {
    return static_cast<int>(lineHeight(Face::word) + 4) / 2 * 2;
}

int RipplePanel::headHeight() const {
    return rowHeight() + 12;
}

QSize RipplePanel::sizeHint() const {
    const int rows = std::min(static_cast<int>(document_.moved().size()), most_);
    return {400, headHeight() + (rows > 0 ? rows * rowHeight() + 8 : 0)};
}

void RipplePanel::setMostRows(int rows) {
    most_ = std::clamp(rows, 1, kMostRows);
    shrinks_->stop();
    setFixedHeight(sizeHint().height());
}

/// Grows at once, shrinks when nothing came for a moment.
void RipplePanel::fit() {
    const int wanted = sizeHint().height();
    if (wanted >= height()) {
        shrinks_->stop();
        setFixedHeight(wanted);
    } else if (!shrinks_->isActive()) {
        shrinks_->start();
    }
}

bool RipplePanel::isAtEdge(const QPointF& place) const {
    return place.y() < kEdge && !document_.moved().empty();
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
    if (event->key() == Qt::Key_Plus || event->key() == Qt::Key_Minus) {
        setMostRows(most_ + (event->key() == Qt::Key_Plus ? 1 : -1));
    } else if (event->key() == Qt::Key_Down || event->key() == Qt::Key_Up) {
        scroll(event->key() == Qt::Key_Down ? 1 : -1);
    } else {
        QWidget::keyPressEvent(event);
    }
}

std::vector<SpokenRow> RipplePanel::spokenRows() {
    std::vector<SpokenRow> spoken;
    const std::vector<Moved>& moved = document_.moved();
    for (std::size_t i = 0; i < moved.size(); ++i) {
        const int top = headHeight() + (static_cast<int>(i) - first_) * rowHeight();
        spoken.push_back({text(moved[i].name),
                          tr("%1, now %2, %3").arg(text(moved[i].was), text(moved[i].is), text(stateName(moved[i].after))),
                          QRect(0, top, width(), rowHeight()), false});
    }
    return spoken;
}

QString RipplePanel::movedSaid() const {
    const std::size_t count = document_.moved().size();
    return count == 0 ? tr("nothing moved since the last Keep") : tr("%1 moved %2 results").arg(document_.lastEdit()).arg(count);
}

void RipplePanel::refresh() {
    forgetSpokenRows(this);
    setAccessibleDescription(movedSaid());
    scroll(0);
    keep_->setEnabled(!document_.moved().empty());
    undo_->setEnabled(document_.canUndo());
    fit();
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
        setFixedHeight(sizeHint().height());
    }
    QWidget::changeEvent(event);
}

void RipplePanel::mouseMoveEvent(QMouseEvent* event) {
    if (dragged_) {
        const int wanted = dragged_->second + dragged_->first - event->globalPosition().toPoint().y();
        setMostRows((wanted - headHeight()) / rowHeight());
    } else {
        setCursor(isAtEdge(event->position()) ? Qt::SizeVerCursor : Qt::ArrowCursor);
    }
}

void RipplePanel::mouseReleaseEvent(QMouseEvent*) {
    dragged_.reset();
}

void RipplePanel::mousePressEvent(QMouseEvent* event) {
    if (isAtEdge(event->position())) {
        dragged_ = std::pair(event->globalPosition().toPoint().y(), height());
        return;
    }
    const int row = first_ + (static_cast<int>(event->position().y()) - headHeight()) / rowHeight();
    if (event->position().y() > headHeight() && row < static_cast<int>(document_.moved().size())) {
        emit targetWanted(document_.moved()[static_cast<std::size_t>(row)].target);
    }
}

void RipplePanel::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), theme_.panel);
    painter.fillRect(QRect(0, 0, width(), 1), theme_.line);
    if (hasFocus()) {
        drawFocus(painter, rect(), theme_);
    }
    const auto draw = [&](const QRectF& area, const QString& what, Face face, const QColor& colour) {
        drawText(painter, area, Qt::AlignLeft, what, face, colour);
    };
    const qreal titleWidth = textWidth(Face::title, tr("Ripple"));
    draw(QRectF(16, 6, titleWidth + 4, rowHeight()), tr("Ripple"), Face::title, theme_.ink);
    const std::vector<Moved>& moved = document_.moved();
    draw(QRectF(28 + titleWidth, 6, keep_->x() - titleWidth - 40, rowHeight()), movedSaid(), Face::small, theme_.muted);
    const int fits = rowsThatFit();
    const int rest = static_cast<int>(moved.size()) - first_;
    const int shown = std::min(fits, rest);
    for (int i = 0; i < shown; ++i) {
        const int top = headHeight() + i * rowHeight();
        const bool isRest = i + 1 == fits && rest > fits;
        if (isRest) {
            draw(QRectF(40, top, width() - 56, rowHeight()), tr("and %1 more").arg(rest - i), Face::small, theme_.muted);
            break;
        }
        const Moved& each = moved[static_cast<std::size_t>(first_ + i)];
        const qreal mark = rowHeight() * 0.5;
        drawMark(painter, QRectF(18, top + (rowHeight() - mark) / 2, mark, mark), each.after, theme_);
        draw(QRectF(40, top, 110, rowHeight()), text(each.name), Face::bold, theme_.ink);
        const QString was = each.was.empty() ? tr("new") : text(each.was);
        const QString is = each.is.empty() ? tr("gone") : text(each.is);
        draw(QRectF(156, top, width() - 172, rowHeight()), was + " \u2192 " + is, Face::word, theme_.ink);
    }
}

} // namespace wisetick::app
