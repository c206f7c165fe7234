#include "board/board_view.h"

#include "board/deviation_plot.h"
#include "paint/controls.h"
#include "paint/text.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kBoardLeft = 16;
constexpr qreal kColumnGap = 16; ///< between columns
constexpr qreal kRight = 12;
constexpr qreal kNarrowResult = 240; ///< px: with less room a long result stands below its value
constexpr qreal kBelowLeft = 32;

} // namespace

BoardView::BoardView(Document& document, QWidget* parent) : PaintedView(tr("Board"), parent), document_(document) {
    editor_ = new QLineEdit(viewport());
    editor_->setAccessibleName(tr("Value of the row"));
    editor_->setFont(faceFont(Face::word));
    editor_->installEventFilter(this);
    editor_->hide();
    trouble_ = new QLabel(viewport());
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::PlainText);
    trouble_->hide();
    connect(&document_, &Document::changed, this, &BoardView::layOut);
    layOut();
}

qreal BoardView::rowHeight() const {
    return std::ceil((lineHeight(Face::word) + 8) / 4) * 4;
}

qreal BoardView::resultLeft() const {
    return kBoardLeft + nameWidth_ + valueWidth_ + kColumnGap + lineHeight(Face::word) * 0.5 + 6;
}

/// Whether a result is too long for the little room beside its value.
bool BoardView::standsBelow(const BoardRow& row) const {
    const qreal room = viewport()->width() - resultLeft() - kRight;
    return textWidth(Face::small, row.result) > room && room < kNarrowResult;
}

qreal BoardView::heightOf(const BoardRow& row) const {
    constexpr int kCurveRows = 4;
    if (!row.curve.empty()) {
        return kCurveRows * rowHeight();
    }
    const bool isBelow = standsBelow(row);
    const qreal needed =
        wrappedHeight(Face::small, row.result, viewport()->width() - kRight - (isBelow ? kBelowLeft : resultLeft()));
    const qreal lines = std::ceil((needed + 8) / 4) * 4;
    return isBelow ? rowHeight() + lines : std::max(rowHeight(), lines);
}

QRectF BoardView::resultRect(std::size_t row) const {
    const QRectF rect = rowRect(row);
    return standsBelow(rows_[row]) ? rect.adjusted(kBelowLeft, rowHeight(), -kRight, 0)
                                   : rect.adjusted(resultLeft(), 0, -kRight, 0);
}

void BoardView::layOut() {
    const auto nameOf = [](const BoardRow& row) { return std::pair(row.group, row.name); };
    const auto before = selected_ < rows_.size() ? nameOf(rows_[selected_]) : std::pair<QString, QString>();
    rows_ = document_.isOpen() ? boardRows(document_.part(), document_.plan(), document_.figures()) : std::vector<BoardRow>();
    nameWidth_ = 0; // as wide for some of them as for all
    valueWidth_ = textWidth(Face::word, "32.768 kHz");
    for (const BoardRow& row : rows_) {
        nameWidth_ = std::max(nameWidth_, textWidth(Face::word, row.name) + kColumnGap);
        valueWidth_ = std::max(valueWidth_, textWidth(Face::word, row.value));
    }
    valueWidth_ = std::min(valueWidth_, viewport()->width() * 0.3);
    std::erase_if(rows_, [&](const BoardRow& row) {
        return !(row.group + " " + row.name + " " + row.value + " " + row.result).contains(sought_, Qt::CaseInsensitive);
    });
    const auto same = std::find_if(rows_.begin(), rows_.end(), [&](const BoardRow& row) { return nameOf(row) == before; });
    selected_ = same != rows_.end() ? static_cast<std::size_t>(same - rows_.begin()) : selected_; // wherever an edit put it
    if (same == rows_.end() && !rows_.empty() && selected_ >= rows_.size()) {
        selected_ = 0;
    }
    tops_.clear();
    heights_.clear();
    qreal top = 0;
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (i == 0 || rows_[i].group != rows_[i - 1].group) {
            top += i == 0 ? 4 : rowHeight() / 2; // a group has room above it and its name over its first row
            top += rowHeight();
        }
        tops_.push_back(top);
        heights_.push_back(heightOf(rows_[i]));
        top += heights_.back();
    }
    height_ = top + 8;
    selected_ = std::min(selected_, std::max<std::size_t>(rows_.size(), 1) - 1);
    setContentHeight(height_, rowHeight());
    viewport()->update();
}

QRectF BoardView::rowRect(std::size_t row) const {
    return {0, tops_[row] - verticalScrollBar()->value(), static_cast<qreal>(viewport()->width()), heights_[row]};
}

QRectF BoardView::valueRect(std::size_t row) const {
    const QRectF rect = rowRect(row);
    return {kBoardLeft + nameWidth_, rect.top(), valueWidth_, rowHeight()};
}

void BoardView::find(const QString& words) {
    endEdit(true); // what was typed is meant, where it can be
    endEdit(false);
    sought_ = words.trimmed();
    layOut();
    if (!rows_.empty()) {
        select(selected_);
    }
}

void BoardView::select(std::size_t row) {
    endEdit(false);
    selected_ = row;
    const bool isFirst = row == 0 || rows_[row].group != rows_[row - 1].group; // then with the name of its group
    scrollToShow(rowRect(row), isFirst ? rowHeight() : 0);
    setAccessibleDescription(tr("%1, %2: %3; %4").arg(rows_[row].group, rows_[row].name, rows_[row].value, rows_[row].result));
    sayRowSelected(this, row);
    viewport()->update();
    if (!rows_[row].about.isNothing()) {
        emit targetWanted(rows_[row].about);
    }
}

std::vector<SpokenRow> BoardView::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const BoardRow& row = rows_[i];
        spoken.push_back({row.group + ", " + row.name, row.value.isEmpty() ? row.result : row.value + "; " + row.result,
                          rowRect(i).toRect(), i == selected_});
    }
    return spoken;
}

QString BoardView::trouble() const {
    return trouble_->isVisibleTo(viewport()) ? trouble_->text() : QString();
}

/// The editor over its value, and what is said about it below.
void BoardView::placeEditor() {
    const int left = static_cast<int>(kBoardLeft + nameWidth_);
    editor_->setGeometry(valueRect(selected_).adjusted(-6, 1, 6, -1).toRect());
    trouble_->setFixedWidth(std::max(viewport()->width() - left - 16, 100));
    trouble_->adjustSize();
    trouble_->move(left - 6, editor_->geometry().bottom() + 2);
}

void BoardView::beginEdit(const QString& typed) {
    if (rows_.empty() || !rows_[selected_].read) {
        return;
    }
    const BoardRow& row = rows_[selected_];
    placeEditor();
    editor_->setPlaceholderText(row.choices.join(", "));
    editor_->setText(row.value);
    editor_->selectAll();
    editor_->show();
    editor_->setFocus();
    if (!typed.isEmpty()) {
        editor_->setText(typed);
    }
}

void BoardView::endEdit(bool isApplied) {
    trouble_->hide();
    if (!editor_->isVisible()) {
        return;
    }
    const QString typed = editor_->text();
    if (isApplied && (typed.trimmed() != rows_[selected_].value || rows_[selected_].isAssumed)) {
        const BoardRow row = rows_[selected_];
        const auto read = row.read(typed);
        const QString why = read ? document_.edit(row.group + ", " + row.name + " " + typed.trimmed(), *read) : read.error();
        if (!why.isEmpty()) { // the text stays to be mended
            QPalette palette = this->palette();
            palette.setColor(QPalette::Window, theme_.panel);
            palette.setColor(QPalette::WindowText, theme_.broken);
            trouble_->setPalette(palette);
            trouble_->setAutoFillBackground(true);
            trouble_->setMargin(6);
            trouble_->setText(why);
            placeEditor();
            trouble_->show();
            trouble_->raise();
            return;
        }
    }
    const bool hadFocus = editor_->hasFocus();
    editor_->hide();
    if (hadFocus) { // else the keys are meant elsewhere
        setFocus();
    }
}

void BoardView::keyPressEvent(QKeyEvent* event) {
    if (rows_.empty()) {
        return;
    }
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const BoardRow& row = rows_[selected_];
        const auto now = row.choices.indexOf(row.place);
        const auto next = now + (event->key() == Qt::Key_Right ? 1 : -1);
        if (row.signal.isEmpty() || now < 0 || next < 0 || next >= row.choices.size() || !moveSignal(row.choices[next])) {
            PaintedView::keyPressEvent(event);
        }
        break;
    }
    case Qt::Key_Up: select(selected_ == 0 ? 0 : selected_ - 1); break;
    case Qt::Key_Down: select(std::min(selected_ + 1, rows_.size() - 1)); break;
    case Qt::Key_Home: select(0); break;
    case Qt::Key_End: select(rows_.size() - 1); break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_F2: beginEdit(); break;
    default:
        if (!event->text().isEmpty() && event->text().front().isPrint() &&
            !(event->modifiers() & (Qt::ControlModifier | Qt::AltModifier))) {
            beginEdit(event->text());
        } else {
            PaintedView::keyPressEvent(event);
        }
    }
}

bool BoardView::eventFilter(QObject* watched, QEvent* event) {
    if (watched == editor_ && event->type() == QEvent::KeyPress) {
        switch (static_cast<QKeyEvent*>(event)->key()) {
        case Qt::Key_Escape: endEdit(false); return true;
        case Qt::Key_Return:
        case Qt::Key_Enter: endEdit(true); return true;
        case Qt::Key_Up:
        case Qt::Key_Down: endEdit(true); return editor_->isVisible(); // on to another row, where it can be
        default: trouble_->hide();
        }
    }
    return PaintedView::eventFilter(watched, event);
}

bool BoardView::moveSignal(const QString& pin) {
    const BoardRow row = rows_[selected_];
    const auto read = row.signal.isEmpty() ? tl::expected<PlanEdit, QString>(tl::unexpected(QString())) : row.read(pin);
    if (!read) {
        return false;
    }
    document_.edit(tr("%1 on %2").arg(row.signal, pin), *read);
    select(selected_);
    return true;
}

std::optional<std::size_t> BoardView::rowAt(const QPointF& point) const {
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (rowRect(i).contains(point)) {
            return i;
        }
    }
    return std::nullopt;
}

bool BoardView::takes(std::size_t row) const {
    return dragged_ && !rows_[row].pin.isEmpty() && rows_[*dragged_].choices.contains(rows_[row].pin);
}

QList<RowCommand> BoardView::rowCommands() {
    if (rows_.empty()) {
        return {};
    }
    QList<RowCommand> commands{{tr("Change it"), QKeySequence("F2")}};
    if (!rows_[selected_].signal.isEmpty() && rows_[selected_].choices.size() > 1) {
        commands.push_back({tr("To the next pin"), QKeySequence("Right")});
        commands.push_back({tr("To the pin before"), QKeySequence("Left")});
    }
    return commands;
}

void BoardView::selectAt(const QPointF& at) {
    if (const auto row = rowAt(at)) {
        select(*row);
    }
}

void BoardView::mousePressEvent(QMouseEvent* event) {
    const auto pressed = rowAt(event->position());
    const bool isOnValue = pressed && valueRect(*pressed).contains(event->position());
    const auto named = pressed ? std::pair(rows_[*pressed].group, rows_[*pressed].name) : std::pair<QString, QString>();
    endEdit(true); // what was typed is meant
    if (editor_->isVisible()) {
        editor_->setFocus(); // or stays to be mended
        return;
    }
    const auto row = std::find_if(rows_.begin(), rows_.end(), // an edit may bring rows and take them away
                                  [&](const BoardRow& each) { return std::pair(each.group, each.name) == named; });
    if (!pressed || row == rows_.end()) {
        return;
    }
    select(static_cast<std::size_t>(row - rows_.begin()));
    if (isOnValue) {
        beginEdit();
    } else if (!row->signal.isEmpty()) {
        dragged_ = selected_;
    }
}

void BoardView::mouseMoveEvent(QMouseEvent* event) {
    if (dragged_) {
        over_ = rowAt(event->position());
        viewport()->setCursor(over_ && takes(*over_) ? Qt::DragMoveCursor : Qt::ForbiddenCursor);
        viewport()->update();
    }
}

void BoardView::mouseReleaseEvent(QMouseEvent*) {
    const bool isMoved = dragged_ && over_ && takes(*over_);
    const QString pin = isMoved ? rows_[*over_].pin : QString();
    dragged_.reset();
    over_.reset();
    viewport()->unsetCursor();
    if (isMoved) {
        moveSignal(pin);
    }
    viewport()->update();
}

void BoardView::resizeEvent(QResizeEvent*) {
    layOut();
    if (editor_->isVisible()) { // what is typed stays
        scrollToShow(rowRect(selected_));
        placeEditor();
    }
}

void BoardView::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    if (rows_.empty()) {
        if (hasFocus()) {
            drawFocus(painter, viewport()->rect(), theme_);
        }
        drawWrapped(painter, viewport()->rect(), Qt::AlignHCenter,
                    document_.isOpen() ? tr("Nothing on the board has these letters") : tr("Open a plan to see its board"),
                    Face::word, theme_.muted);
        return;
    }
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const QRectF rect = rowRect(i);
        if (rect.bottom() < 0 || rect.top() - rowHeight() > viewport()->height()) {
            continue;
        }
        const BoardRow& row = rows_[i];
        if (i == 0 || row.group != rows_[i - 1].group) {
            drawText(painter, {kBoardLeft, rect.top() - rowHeight(), rect.width(), rowHeight()}, Qt::AlignLeft, row.group,
                     Face::bold, theme_.ink);
        }
        if (takes(i)) { // where the signal that is dragged may stand
            painter.setPen(over_ == i ? theme_.kept : theme_.line);
            painter.setBrush(Qt::NoBrush);
            painter.drawRoundedRect(rect.adjusted(4, 1, -4, -1), 4, 4);
        }
        if (i == selected_) {
            painter.fillRect(rect, theme_.selected);
            if (hasFocus()) {
                painter.fillRect(QRectF(0, rect.top(), 3, rect.height()), theme_.kept);
            }
        }
        drawText(painter, QRectF(kBoardLeft, rect.top(), nameWidth_ - 8, rowHeight()), Qt::AlignLeft, row.name, Face::word,
                 theme_.ink);
        if (!row.curve.empty()) {
            constexpr qreal kWidest = 420;
            const qreal left = valueRect(i).left();
            drawDeviation(painter, QRectF(left, rect.top() + 2, std::min(kWidest, rect.right() - left - 24), rect.height() - 4),
                          row.curve, theme_);
            continue;
        }
        drawText(painter, valueRect(i), Qt::AlignLeft, row.value.isEmpty() ? QString::fromUtf8("\u2026") : row.value, Face::word,
                 row.value.isEmpty() ? theme_.muted : theme_.kept);
        if (row.state) {
            const qreal size = lineHeight(Face::word) * 0.5;
            drawMark(painter, QRectF(valueRect(i).right() + kColumnGap, rect.top() + (rowHeight() - size) / 2, size, size),
                     *row.state, theme_);
        }
        drawWrapped(painter, resultRect(i), Qt::AlignLeft, row.result, Face::small,
                    row.state == State::broken ? theme_.broken : theme_.muted);
    }
}

} // namespace wisetick::app
