#include "seek/found_list.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QKeyEvent>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kListLeft = 12;
constexpr qreal kRank = 26;
constexpr qreal kListMark = 11;
constexpr qreal kListGap = 14;
constexpr int kListDigits = 4;
constexpr std::size_t kColumns = 4; ///< worst, in run, wakes in, changes

State stateOf(const Score& score) {
    return score.broken > 0 ? State::broken : (score.strained > 0 ? State::strained : State::kept);
}

QString joined(const std::vector<std::pair<std::string, std::string>>& changes) {
    QStringList parts;
    for (const auto& [id, control] : changes) {
        parts << text(id) + " " + text(control);
    }
    return parts.join(QString::fromUtf8(" \u00b7 "));
}

} // namespace

FoundList::FoundList(QWidget* parent) : PaintedView(tr("Found takes"), parent) {
    viewport()->setMouseTracking(true);
}

void FoundList::setNow(const Figures& now) {
    now_.clear();
    for (const PromiseFigure& promise : now.promises) {
        now_.emplace_back(text(promise.name), promise.state);
    }
    layOut();
}

void FoundList::showEntries(const FoundEntries& entries) {
    const auto kept = selected_ < entries_.size() ? entries_[selected_] : nullptr;
    const bool wasFirst = selected_ == 0;
    entries_ = entries;
    const auto same = std::find(entries_.begin(), entries_.end(), kept);
    const bool isSame = kept != nullptr && same != entries_.end();
    if (!isSame || (wasFirst && !isUnfolded_ && same != entries_.begin())) {
        selected_ = 0; // who looks at the best goes on looking at the best
        fold();
    } else {
        selected_ = static_cast<std::size_t>(same - entries_.begin());
    }
    hovered_.reset();
    layOut();
    emit selectionChanged(selected_);
}

void FoundList::setEmptyText(const QString& text) {
    emptyText_ = text;
    viewport()->update();
}

const FoundTake* FoundList::selectedTake() const {
    if (entries_.empty()) {
        return nullptr;
    }
    return isUnfolded_ && equal_ > 0 ? &equals_[equal_ - 1] : &entries_[selected_]->found;
}

void FoundList::hover(std::optional<std::size_t> entry) {
    if (entry != hovered_) {
        hovered_ = entry && *entry < entries_.size() ? entry : std::nullopt;
        viewport()->update();
    }
}

void FoundList::fold() {
    isUnfolded_ = false;
    areEqualsThere_ = false;
    equals_.clear();
    equal_ = 0;
}

void FoundList::unfold() {
    if (isUnfolded_) {
        fold();
        layOut();
    } else if (!entries_.empty()) {
        isUnfolded_ = true;
        layOut();
        emit unfoldWanted(selected_);
    }
}

void FoundList::showEquals(const std::vector<FoundTake>& equals, bool areAll) {
    if (!isUnfolded_ || entries_.empty()) {
        return;
    }
    equals_.clear();
    for (const FoundTake& each : equals) {
        if (!(each.take == entries_[selected_]->found.take && each.crystal == entries_[selected_]->found.crystal)) {
            equals_.push_back(each);
        }
    }
    areEqualsThere_ = true;
    areEqualsAll_ = areAll;
    layOut();
    keepInView(entryRect(selected_));
}

QString FoundList::changesText(std::size_t entry) const {
    const FoundTake& found = entries_[entry]->found;
    QString changes = joined(found.changes);
    if (found.crystal) {
        changes = tr("%1 of %2 fitted").arg(text(found.crystal->source), text(printQuantity(found.crystal->rate, Unit::hertz))) +
                  (changes.isEmpty() ? QString() : QString::fromUtf8(" \u00b7 ") + changes);
    }
    return changes.isEmpty() ? tr("the take as it is") : changes;
}

/// Promises that stand worse than now, and lines out of their limits.
QString FoundList::breaksText(std::size_t entry) const {
    QStringList breaks;
    QStringList strains;
    const Figures& figures = entries_[entry]->figures.figures;
    for (std::size_t i = 0; i < figures.promises.size() && i < now_.size(); ++i) {
        const PromiseFigure& promise = figures.promises[i];
        if (promise.state == State::broken && now_[i].second != State::broken) {
            breaks << text(promise.name);
        } else if (promise.state == State::strained && now_[i].second == State::kept) {
            strains << text(promise.name);
        }
    }
    for (const LineFigure& line : figures.lines) {
        if (line.state == State::broken && line.isOn) {
            breaks << tr("the limits of %1").arg(text(line.id));
        }
    }
    const QString broken = breaks.isEmpty() ? QString() : tr("breaks %1").arg(breaks.join(", "));
    const QString strained = strains.isEmpty() ? QString() : tr("strains %1").arg(strains.join(", "));
    return broken + (broken.isEmpty() || strained.isEmpty() ? "" : "; ") + strained;
}

QString FoundList::cellText(std::size_t entry, std::size_t column) const {
    const FoundEntry& each = *entries_[entry];
    switch (column) {
    case 0: return text(sayWorst(each.found.score));
    case 1: return each.figures.ampere ? text(printQuantity(*each.figures.ampere, Unit::ampere, kListDigits)) : QString();
    case 2: return each.figures.wakeUp ? text(printQuantity(*each.figures.wakeUp, Unit::second, kListDigits)) : QString();
    default: return QString::number(each.found.changes.size() + (each.found.crystal ? 1 : 0));
    }
}

/// What an equal setting has else than the entry.
QString FoundList::equalText(std::size_t equal) const {
    std::vector<std::pair<std::string, std::string>> others;
    const auto& own = entries_[selected_]->found.changes;
    for (const auto& change : equals_[equal].changes) {
        if (std::find(own.begin(), own.end(), change) == own.end()) {
            others.push_back(change);
        }
    }
    for (const auto& [id, control] : own) {
        const auto& changes = equals_[equal].changes;
        const bool isThere =
            std::any_of(changes.begin(), changes.end(), [&, &key = id](const auto& each) { return each.first == key; });
        if (!isThere) {
            others.emplace_back(id, tr("as it is").toStdString());
        }
    }
    return joined(others);
}

qreal FoundList::headHeight() const {
    return std::ceil(lineHeight(Face::small)) + 8;
}

qreal FoundList::rowHeight() const {
    return std::ceil(lineHeight(Face::word) + lineHeight(Face::small)) + 10;
}

qreal FoundList::textHeight(const QString& text) const {
    const QFontMetricsF metrics(faceFont(Face::small));
    const QRectF room(0, 0, viewport()->width() - kListLeft - kRank - kListMark - kListGap, 10000);
    return std::ceil(metrics.boundingRect(room, Qt::TextWordWrap, text).height());
}

void FoundList::layOut() {
    columns_ = {{tr("of its tolerance"), 0, true}, {tr("in run"), 0, true}, {tr("wakes in"), 0, true}, {tr("changes"), 0, true}};
    // each as wide as its widest text; what finds no room is left out, the wake-up first
    std::vector<qreal> widths(kColumns);
    qreal whole = kListLeft + kRank + kListMark + kListGap;
    for (std::size_t column = 0; column < kColumns; ++column) {
        qreal widest = 0;
        for (std::size_t entry = 0; entry < entries_.size(); ++entry) {
            widest = std::max(widest, textWidth(column == 0 ? Face::bold : Face::word, cellText(entry, column)));
        }
        columns_[column].isShown = widest > 0;
        widths[column] = std::max(widest, textWidth(Face::small, columns_[column].title));
        whole += columns_[column].isShown ? widths[column] + kListGap : 0;
    }
    for (const std::size_t column : {std::size_t(2), std::size_t(3)}) {
        if (whole > viewport()->width() && columns_[column].isShown) {
            columns_[column].isShown = false;
            whole -= widths[column] + kListGap;
        }
    }
    qreal x = kListLeft + kRank + kListMark + kListGap;
    for (std::size_t column = 0; column < kColumns; ++column) {
        if (columns_[column].isShown) {
            x += widths[column];
            columns_[column].right = x;
            x += kListGap;
        }
    }
    tops_.clear();
    qreal y = headHeight();
    for (std::size_t entry = 0; entry < entries_.size(); ++entry) {
        tops_.push_back(y);
        y += rowHeight();
        if (entry == selected_) {
            y += textHeight(changesText(entry)) - std::ceil(lineHeight(Face::small));
            const QString breaks = breaksText(entry);
            y += breaks.isEmpty() ? 0 : textHeight(breaks);
            y += std::ceil(lineHeight(Face::small)) + 6; // the mark that unfolds
            const std::size_t lines = isUnfolded_ ? std::max<std::size_t>(equals_.size() + (areEqualsAll_ ? 0 : 1), 1) : 0;
            y += static_cast<qreal>(lines) * (std::ceil(lineHeight(Face::small)) + 4);
        }
    }
    tops_.push_back(y);
    setContentHeight(y + 4, 16);
    viewport()->update();
}

QRectF FoundList::entryRect(std::size_t entry) const {
    return {0, tops_[entry] - verticalScrollBar()->value(), static_cast<qreal>(viewport()->width()),
            tops_[entry + 1] - tops_[entry]};
}

QRectF FoundList::foldRect() const {
    const QRectF row = entryRect(selected_);
    const QString breaks = breaksText(selected_);
    const qreal top = row.top() + rowHeight() - std::ceil(lineHeight(Face::small)) + textHeight(changesText(selected_)) +
                      (breaks.isEmpty() ? 0 : textHeight(breaks)) - 4;
    return {row.left() + kListLeft + kRank, top, row.width() - kListLeft - kRank, std::ceil(lineHeight(Face::small)) + 4};
}

std::optional<std::size_t> FoundList::entryAt(qreal y) const {
    for (std::size_t entry = 0; entry < entries_.size(); ++entry) {
        const QRectF rect = entryRect(entry);
        if (y >= std::max(rect.top(), headHeight()) && y < rect.bottom()) {
            return entry;
        }
    }
    return std::nullopt;
}

void FoundList::keepInView(const QRectF& rect) {
    QScrollBar* bar = verticalScrollBar();
    if (rect.top() < headHeight()) {
        bar->setValue(bar->value() + static_cast<int>(rect.top() - headHeight()));
    } else if (rect.bottom() > viewport()->height()) {
        const qreal by = std::min(rect.bottom() - viewport()->height(), rect.top() - headHeight());
        bar->setValue(bar->value() + static_cast<int>(std::ceil(by)));
    }
}

void FoundList::select(std::size_t entry) {
    if (entry >= entries_.size()) {
        return;
    }
    if (entry != selected_) {
        fold();
    }
    selected_ = entry;
    layOut();
    keepInView(entryRect(entry));
    sayRowSelected(this, entry);
    setAccessibleDescription(tr("%1 of %2: %3 of its tolerance, changes %4; %5")
                                 .arg(entry + 1)
                                 .arg(entries_.size())
                                 .arg(cellText(entry, 0), changesText(entry), breaksText(entry)));
    emit selectionChanged(entry);
}

std::vector<SpokenRow> FoundList::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (std::size_t entry = 0; entry < entries_.size(); ++entry) {
        spoken.push_back(
            {tr("take %1").arg(entry + 1),
             tr("%1 of its tolerance, changes %2; %3").arg(cellText(entry, 0), changesText(entry), breaksText(entry)),
             entryRect(entry).toRect(), entry == selected_});
    }
    return spoken;
}

/// Through the entries, and through the equals of an unfolded one.
void FoundList::step(int direction) {
    if (entries_.empty()) {
        return;
    }
    if (isUnfolded_ && direction > 0 && equal_ < equals_.size()) {
        ++equal_;
    } else if (isUnfolded_ && direction < 0 && equal_ > 0) {
        --equal_;
    } else {
        const std::size_t next =
            direction > 0 ? std::min(selected_ + 1, entries_.size() - 1) : (selected_ > 0 ? selected_ - 1 : 0);
        if (next != selected_) {
            select(next);
        }
        return;
    }
    viewport()->update();
    emit equalChanged();
    const qreal line = std::ceil(lineHeight(Face::small)) + 4;
    keepInView(QRectF(0, foldRect().bottom() + (static_cast<qreal>(equal_) - 1) * line, 1, line));
}

void FoundList::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Up: step(-1); break;
    case Qt::Key_Down: step(1); break;
    case Qt::Key_Home: select(0); break;
    case Qt::Key_End: select(entries_.empty() ? 0 : entries_.size() - 1); break;
    case Qt::Key_Right:
        if (!isUnfolded_) {
            unfold();
        }
        break;
    case Qt::Key_Left:
        if (isUnfolded_) {
            unfold();
        }
        break;
    case Qt::Key_Space: unfold(); break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (event->modifiers() & Qt::ControlModifier) {
            PaintedView::keyPressEvent(event);
        } else if (selectedTake() != nullptr) {
            emit taken(event->modifiers() & Qt::ShiftModifier);
        }
        break;
    default: PaintedView::keyPressEvent(event);
    }
}

void FoundList::mousePressEvent(QMouseEvent* event) {
    const auto entry = entryAt(event->position().y());
    if (!entry) {
        return;
    }
    const QRectF mark = *entry == selected_ ? foldRect() : QRectF();
    if (*entry != selected_) {
        select(*entry);
    } else if (mark.contains(event->position())) {
        unfold();
    } else if (isUnfolded_ && event->position().y() > mark.bottom()) {
        const qreal line = std::ceil(lineHeight(Face::small)) + 4;
        const auto equal = static_cast<std::size_t>((event->position().y() - mark.bottom()) / line) + 1;
        equal_ = std::min(equal, equals_.size());
        viewport()->update();
        emit equalChanged();
    } else {
        equal_ = 0;
        viewport()->update();
        emit equalChanged();
    }
}

void FoundList::mouseMoveEvent(QMouseEvent* event) {
    const auto entry = entryAt(event->position().y());
    if (entry != hovered_) {
        hover(entry);
        emit hoverChanged(entry ? static_cast<int>(*entry) : -1);
    }
}

void FoundList::mouseDoubleClickEvent(QMouseEvent* event) {
    if (entryAt(event->position().y()) && !foldRect().contains(event->position())) {
        emit taken(event->modifiers() & Qt::ShiftModifier);
    }
}

void FoundList::leaveEvent(QEvent*) {
    if (hovered_) {
        hover(std::nullopt);
        emit hoverChanged(-1);
    }
}

void FoundList::paintDetail(QPainter& painter, const QRectF& row) const {
    const qreal left = kListLeft + kRank + kListMark + kListGap;
    QRectF area(left, row.top() + 4 + lineHeight(Face::word), row.width() - left, textHeight(changesText(selected_)));
    painter.setFont(faceFont(Face::small));
    painter.setPen(theme_.ink);
    painter.drawText(area, Qt::TextWordWrap, changesText(selected_));
    if (const QString breaks = breaksText(selected_); !breaks.isEmpty()) {
        area = QRectF(left, area.bottom(), area.width(), textHeight(breaks));
        painter.setPen(breaks.startsWith(tr("strains")) ? theme_.strained : theme_.broken);
        painter.drawText(area, Qt::TextWordWrap, breaks);
    }
    const QRectF mark = foldRect();
    constexpr qreal kSize = 3.5;
    QPolygonF triangle{QPointF(-kSize / 2, -kSize), QPointF(kSize, 0), QPointF(-kSize / 2, kSize)};
    if (isUnfolded_) {
        triangle = QTransform().rotate(90).map(triangle);
    }
    painter.setPen(Qt::NoPen);
    painter.setBrush(theme_.muted);
    painter.drawPolygon(triangle.translated(left - kListGap + 6, mark.center().y()));
    const QString count =
        !isUnfolded_ || !areEqualsThere_
            ? tr("settings of the same rates")
            : tr("%1 other settings of the same rates").arg(equals_.empty() ? tr("no") : QString::number(equals_.size()));
    drawText(painter, QRectF(left, mark.top(), row.width() - left, mark.height()), Qt::AlignLeft, count, Face::small,
             theme_.muted);
    if (!isUnfolded_) {
        return;
    }
    const qreal line = std::ceil(lineHeight(Face::small)) + 4;
    QRectF below(left, mark.bottom(), row.width() - left - 8, line);
    if (!areEqualsThere_) {
        drawText(painter, below, Qt::AlignLeft, tr("they are looked for"), Face::small, theme_.muted);
    }
    for (std::size_t i = 0; i < equals_.size(); ++i) {
        if (equal_ == i + 1) {
            painter.fillRect(QRectF(left - 6, below.top(), 3, below.height()), theme_.kept);
        }
        drawText(painter, below, Qt::AlignLeft, equalText(i), Face::small, equal_ == i + 1 ? theme_.ink : theme_.muted);
        below.translate(0, line);
    }
    if (areEqualsThere_ && !areEqualsAll_) {
        drawText(painter, below, Qt::AlignLeft, tr("and more"), Face::small, theme_.muted);
    }
}

void FoundList::paintEntry(QPainter& painter, std::size_t entry) const {
    const QRectF row = entryRect(entry);
    const bool isSelected = entry == selected_;
    if (isSelected || entry == hovered_) {
        painter.fillRect(row, isSelected ? theme_.selected : theme_.panel);
    }
    if (isSelected && hasFocus()) {
        painter.fillRect(QRectF(row.left(), row.top(), 3, row.height()), theme_.kept);
    }
    const qreal upper = lineHeight(Face::word);
    const QRectF line(row.left(), row.top() + 4, row.width(), upper);
    drawText(painter, QRectF(kListLeft, line.top(), kRank - 6, upper), Qt::AlignLeft, QString::number(entry + 1), Face::small,
             theme_.muted);
    drawMark(painter, QRectF(kListLeft + kRank - 4, line.center().y() - kListMark / 2, kListMark, kListMark),
             stateOf(entries_[entry]->found.score), theme_);
    qreal left = kListLeft + kRank + kListMark;
    for (std::size_t column = 0; column < kColumns; ++column) {
        if (columns_[column].isShown) {
            drawText(painter, QRectF(left, line.top(), columns_[column].right - left, upper), Qt::AlignRight,
                     cellText(entry, column), column == 0 ? Face::bold : Face::word, theme_.ink);
            left = columns_[column].right;
        }
    }
    if (isSelected) {
        paintDetail(painter, row);
        return;
    }
    const qreal small = lineHeight(Face::small);
    const qreal from = kListLeft + kRank + kListMark + kListGap;
    const QString breaks = breaksText(entry);
    const QString changes = changesText(entry);
    const qreal room = row.width() - from - 8;
    const qreal breaksWidth = breaks.isEmpty() ? 0 : std::min(textWidth(Face::small, breaks) + 10, room / 2);
    const QRectF below(from, line.bottom(), room, small);
    drawText(painter, below.adjusted(0, 0, -breaksWidth, 0), Qt::AlignLeft, changes, Face::small, theme_.muted);
    if (!breaks.isEmpty()) {
        drawText(painter, QRectF(below.right() - breaksWidth + 10, below.top(), breaksWidth - 10, small), Qt::AlignRight, breaks,
                 Face::small, breaks.startsWith(tr("strains")) ? theme_.strained : theme_.broken);
    }
}

void FoundList::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(event->rect(), theme_.paper);
    if (entries_.empty()) {
        if (hasFocus()) {
            drawFocus(painter, viewport()->rect(), theme_);
        }
        painter.setPen(theme_.muted);
        painter.setFont(faceFont(Face::word));
        painter.drawText(viewport()->rect().adjusted(24, 0, -24, 0), Qt::AlignCenter | Qt::TextWordWrap, emptyText_);
        return;
    }
    painter.save();
    painter.setClipRect(QRectF(0, headHeight(), viewport()->width(), viewport()->height()));
    for (std::size_t entry = 0; entry < entries_.size(); ++entry) {
        const QRectF rect = entryRect(entry);
        if (rect.bottom() > headHeight() && rect.top() < viewport()->height()) {
            paintEntry(painter, entry);
        }
    }
    painter.restore();
    qreal left = kListLeft;
    for (const Column& column : columns_) {
        if (column.isShown) {
            drawText(painter, QRectF(left, 0, column.right - left, headHeight()), Qt::AlignRight, column.title, Face::small,
                     theme_.muted);
            left = column.right;
        }
    }
    painter.fillRect(QRectF(kListLeft, headHeight() - 1, viewport()->width() - kListLeft, 1), theme_.line);
}

} // namespace wisetick::app
