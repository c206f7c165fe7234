#include "seek/seek_chips.h"

#include "paint/controls.h"
#include "paint/target_drag.h"
#include "paint/text.h"
#include "paint/tip.h"

#include <QDragEnterEvent>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QToolTip>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kChipsLeft = 12;
constexpr qreal kChipsGap = 6;
constexpr qreal kPad = 8;
constexpr qreal kCross = 14;

/// The text as it stands on the chip.
QString shownText(const Chip& chip) {
    return chip.look == Chip::Look::locked ? "[" + chip.text + "]" : chip.text;
}

} // namespace

SeekChips::SeekChips(QWidget* parent) : PaintedView(tr("What is asked"), parent) {
    viewport()->setMouseTracking(true);
    viewport()->setAcceptDrops(true);
}

void SeekChips::show(std::vector<ChipGroup> groups) {
    groups_ = std::move(groups);
    const auto isGone = [&](const std::optional<Place>& place) {
        return place && (place->group >= groups_.size() || place->chip >= groups_[place->group].chips.size());
    };
    if (isGone(selected_)) { // the one before it, if there is any
        const auto& chips = groups_[std::min(selected_->group, groups_.size() - 1)].chips;
        selected_ = selected_->group < groups_.size() && !chips.empty() ? std::optional(Place{selected_->group, chips.size() - 1})
                                                                        : std::nullopt;
    }
    if (isGone(hovered_)) {
        hovered_.reset();
    }
    if (isGone(held_)) {
        held_.reset();
    }
    layOut();
}

void SeekChips::layOut() {
    sets_.clear();
    heads_.clear();
    const qreal line = std::ceil(lineHeight(Face::small)) + 8;
    const qreal title = std::ceil(lineHeight(Face::small)) + 2;
    const qreal right = viewport()->width() - kChipsLeft;
    qreal y = 0;
    for (std::size_t group = 0; group < groups_.size(); ++group) {
        heads_.emplace_back(kChipsLeft, y, right - kChipsLeft, title);
        y += title + 2;
        qreal x = kChipsLeft;
        const auto& chips = groups_[group].chips;
        for (std::size_t chip = 0; chip < chips.size(); ++chip) {
            const qreal cross = chips[chip].canBeRemoved ? kCross : 0;
            const qreal width = std::min(textWidth(Face::small, shownText(chips[chip])) + 2 * kPad + cross, right - kChipsLeft);
            if (x > kChipsLeft && x + width > right) {
                x = kChipsLeft;
                y += line + 4;
            }
            sets_.push_back({{group, chip}, QRectF(x, y, width, line)});
            x += width + kChipsGap;
        }
        y += (chips.empty() ? (groups_[group].hint.isEmpty() ? 0 : title) : line) + 10;
    }
    height_ = y;
    setContentHeight(height_, 12);
    viewport()->update();
}

QRectF SeekChips::chipRect(const Place& place) const {
    const auto found = std::find_if(sets_.begin(), sets_.end(), [&](const Set& set) { return set.place == place; });
    return found == sets_.end() ? QRectF() : found->rect.translated(0, -verticalScrollBar()->value());
}

QRectF SeekChips::crossRect(const QRectF& chip) const {
    return {chip.right() - kCross - 3, chip.top(), kCross + 3, chip.height()};
}

std::optional<SeekChips::Place> SeekChips::placeAt(const QPointF& at) const {
    for (const Set& set : sets_) {
        if (set.rect.translated(0, -verticalScrollBar()->value()).contains(at)) {
            return set.place;
        }
    }
    return std::nullopt;
}

void SeekChips::select(const Place& place) {
    selected_ = place;
    scrollToShow(chipRect(place), lineHeight(Face::small) + 4, 4);
    const Chip& chip = chipAt(place);
    setAccessibleDescription(groups_[place.group].title + ": " + chip.text + (chip.tip.isEmpty() ? "" : ", " + chip.tip));
    viewport()->update();
}

std::vector<SpokenRow> SeekChips::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (const Set& set : sets_) {
        const Chip& chip = chipAt(set.place);
        spoken.push_back({chip.text, groups_[set.place.group].title + (chip.tip.isEmpty() ? "" : ", " + chip.tip),
                          chipRect(set.place).toRect(), selected_ == set.place});
    }
    return spoken;
}

void SeekChips::step(int direction) {
    if (sets_.empty()) {
        return;
    }
    const auto now = std::find_if(sets_.begin(), sets_.end(), [&](const Set& set) { return selected_ == set.place; });
    const auto at =
        now == sets_.end() ? (direction > 0 ? -1 : static_cast<int>(sets_.size())) : static_cast<int>(now - sets_.begin());
    select(sets_[static_cast<std::size_t>(std::clamp(at + direction, 0, static_cast<int>(sets_.size()) - 1))].place);
}

/// To the nearest chip of the next line of chips.
void SeekChips::stepLine(int direction) {
    if (!selected_) {
        step(direction);
        return;
    }
    const QRectF from = chipRect(*selected_);
    const Set* best = nullptr;
    qreal leastDown = 0;
    qreal leastAcross = 0;
    for (const Set& set : sets_) {
        const QRectF rect = set.rect.translated(0, -verticalScrollBar()->value());
        const qreal down = (rect.top() - from.top()) * direction;
        const qreal across = std::abs(rect.center().x() - from.center().x());
        const bool isNearer = best == nullptr || down < leastDown || (down == leastDown && across < leastAcross);
        if (down > 1 && isNearer) {
            best = &set;
            leastDown = down;
            leastAcross = across;
        }
    }
    if (best != nullptr) {
        select(best->place);
    }
}

/// Moves the selected chip of an ordered group.
void SeekChips::move(int direction) {
    if (!selected_ || !groups_[selected_->group].isOrdered) {
        return;
    }
    const Place from = *selected_;
    const auto last = static_cast<int>(groups_[from.group].chips.size()) - 1;
    const int to = static_cast<int>(from.chip) + direction;
    if (to >= 0 && to <= last) {
        selected_->chip = static_cast<std::size_t>(to);
        emit moved(from.group, from.chip, static_cast<std::size_t>(to));
    }
}

void SeekChips::keyPressEvent(QKeyEvent* event) {
    const bool isMoving = event->modifiers() & Qt::ControlModifier;
    switch (event->key()) {
    case Qt::Key_Left: isMoving ? move(-1) : step(-1); return;
    case Qt::Key_Right: isMoving ? move(1) : step(1); return;
    case Qt::Key_Up: stepLine(-1); return;
    case Qt::Key_Down: stepLine(1); return;
    case Qt::Key_Home: selected_.reset(), step(1); return;
    case Qt::Key_End: selected_.reset(), step(-1); return;
    default: break;
    }
    if (!selected_) {
        PaintedView::keyPressEvent(event);
        return;
    }
    const Place place = *selected_;
    switch (event->key()) {
    case Qt::Key_Space: emit pressed(place.group, place.chip); return;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_F2: emit opened(place.group, place.chip); return;
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
        if (chipAt(place).canBeRemoved) {
            emit removed(place.group, place.chip);
        }
        return;
    default: PaintedView::keyPressEvent(event);
    }
}

void SeekChips::mousePressEvent(QMouseEvent* event) {
    held_ = placeAt(event->position());
    isMoved_ = false;
    if (held_) {
        select(*held_);
    }
}

void SeekChips::mouseMoveEvent(QMouseEvent* event) {
    const auto place = placeAt(event->position());
    if (place != hovered_) {
        hovered_ = place;
        viewport()->update();
    }
    const bool isDragged = held_ && (event->buttons() & Qt::LeftButton) && groups_[held_->group].isOrdered;
    if (isDragged && place && place->group == held_->group && place->chip != held_->chip) {
        const Place from = *held_;
        held_ = place;
        selected_ = place;
        isMoved_ = true;
        emit moved(from.group, from.chip, place->chip);
    }
}

void SeekChips::mouseReleaseEvent(QMouseEvent* event) {
    const auto place = placeAt(event->position());
    const bool isPressed = held_ && place == held_ && !isMoved_;
    held_.reset();
    if (!isPressed) {
        return;
    }
    if (chipAt(*place).canBeRemoved && crossRect(chipRect(*place)).contains(event->position())) {
        emit removed(place->group, place->chip);
    } else {
        emit pressed(place->group, place->chip);
    }
}

void SeekChips::mouseDoubleClickEvent(QMouseEvent* event) {
    if (const auto place = placeAt(event->position())) {
        emit opened(place->group, place->chip);
    }
}

void SeekChips::leaveEvent(QEvent*) {
    hovered_.reset();
    viewport()->update();
}

bool SeekChips::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const auto place = placeAt(help->pos());
        const QString tip = place ? QStringList{chipAt(*place).text, chipAt(*place).tip}.join(": ") : QString();
        tip.isEmpty() ? QToolTip::hideText() : QToolTip::showText(help->globalPos(), tipText(tip), this);
        return true;
    }
    return PaintedView::viewportEvent(event);
}

void SeekChips::dragEnterEvent(QDragEnterEvent* event) {
    isDropping_ = event->mimeData()->hasFormat(kTargetFormat);
    event->setAccepted(isDropping_);
    viewport()->update();
}

void SeekChips::dragMoveEvent(QDragMoveEvent* event) {
    event->setAccepted(isDropping_);
}

void SeekChips::dragLeaveEvent(QDragLeaveEvent*) {
    isDropping_ = false;
    viewport()->update();
}

void SeekChips::dropEvent(QDropEvent* event) {
    isDropping_ = false;
    viewport()->update();
    event->acceptProposedAction();
    emit dropped(draggedTarget(*event->mimeData()));
}

void SeekChips::focusInEvent(QFocusEvent*) {
    if (!selected_ && !sets_.empty()) {
        select(sets_.front().place);
    }
    viewport()->update();
}

void SeekChips::paintChip(QPainter& painter, const Set& set) const {
    const Chip& chip = chipAt(set.place);
    const QRectF shape = set.rect.adjusted(0.5, 0.5, -0.5, -0.5);
    const bool isSelected = hasFocus() && selected_ == set.place;
    const bool isHovered = hovered_ == set.place;
    const bool isAside = chip.look == Chip::Look::aside;
    QPen edge(chip.look == Chip::Look::hard ? theme_.railEdge : (isAside ? theme_.line : theme_.muted), 1);
    if (chip.look == Chip::Look::soft) {
        edge.setStyle(Qt::DashLine);
    }
    if (isSelected) {
        edge = QPen(theme_.kept, 2);
    }
    painter.setPen(edge);
    painter.setBrush(chip.look == Chip::Look::hard ? QBrush(theme_.rail) : (isHovered ? QBrush(theme_.selected) : QBrush()));
    painter.drawRoundedRect(shape, 3, 3);
    const qreal cross = chip.canBeRemoved ? kCross : 0;
    const QRectF inner(shape.left() + kPad, shape.top(), shape.width() - 2 * kPad - cross + 1, shape.height());
    const QColor ink = isAside ? theme_.muted : theme_.ink;
    drawText(painter, inner, Qt::AlignLeft, shownText(chip), Face::small, ink);
    if (isAside) { // struck out: told by shape, not by colour alone
        const qreal width = std::min(textWidth(Face::small, shownText(chip)), inner.width());
        painter.setPen(QPen(theme_.muted, 1));
        painter.drawLine(QPointF(inner.left(), inner.center().y()), QPointF(inner.left() + width, inner.center().y()));
    }
    if (chip.canBeRemoved) {
        const QPointF centre = crossRect(set.rect).center();
        constexpr qreal kArm = 3.2;
        painter.setPen(QPen(isHovered || isSelected ? theme_.ink : theme_.muted, 1.2));
        painter.drawLine(centre + QPointF(-kArm, -kArm), centre + QPointF(kArm, kArm));
        painter.drawLine(centre + QPointF(-kArm, kArm), centre + QPointF(kArm, -kArm));
    }
}

void SeekChips::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), isDropping_ ? theme_.selected : theme_.panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.translate(0, -verticalScrollBar()->value());
    for (std::size_t group = 0; group < groups_.size(); ++group) {
        drawText(painter, heads_[group], Qt::AlignLeft, groups_[group].title, Face::small, theme_.muted);
        if (groups_[group].chips.empty()) {
            drawText(painter, heads_[group].translated(0, heads_[group].height()), Qt::AlignLeft, groups_[group].hint,
                     Face::small, theme_.muted);
        }
    }
    for (const Set& set : sets_) {
        paintChip(painter, set);
    }
}

} // namespace wisetick::app
