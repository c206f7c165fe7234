#include "desk/desk_view.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "plan/take_edits.h"
#include "quantity/quantity_print.h"

#include <QKeyEvent>
#include <QMouseEvent>

#include <algorithm>
#include <cmath>
#include <numeric>

namespace wisetick::app {

namespace {

constexpr qreal kDeskLeft = 16;
constexpr qreal kDeskColumnGap = 16;
constexpr qreal kLeastGap = 9;
constexpr std::size_t kMostDeskWays = 24;

} // namespace

DeskView::DeskView(Document& document, QWidget* parent) : PaintedView(tr("Desk of the promise"), parent), document_(document) {
    connect(&document_, &Document::changed, this, [this] { setStale(); });
}

void DeskView::show(const QString& promise) {
    name_ = promise;
    setStale();
    selected_ = 0;
    verticalScrollBar()->setValue(0);
    viewport()->update();
}

/// Makes pictures and ways anew where the plan or the promise changed.
void DeskView::remake() {
    promise_.reset();
    pictures_.clear();
    table_ = {};
    ways_.clear();
    clockText_.clear();
    const auto& promises = document_.figures().promises;
    for (std::size_t i = 0; document_.isOpen() && i < promises.size(); ++i) {
        if (text(promises[i].name) == name_) {
            promise_ = i;
        }
    }
    if (promise_ && *promise_ < document_.plan().promises.size()) {
        const Desk desk = deskOf(document_.part(), document_.plan(), document_.figures(), *promise_, kMostDeskWays);
        const DeskScene scene{document_.part(),
                              document_.plan(),
                              document_.figures(),
                              promises[*promise_],
                              document_.plan().promises[*promise_].line,
                              desk};
        pictures_ = deskPictures(scene);
        table_ = wayTable(scene);
        ways_ = desk.ways;
        if (desk.clock) {
            clockText_ = text(desk.clock->id + " " + printQuantity(desk.clock->hertz.nominal, Unit::hertz));
        }
        const auto taken =
            std::find_if(table_.rows.begin(), table_.rows.end(), [](const WayTable::Row& row) { return row.isTaken; });
        if (selected_ >= table_.rows.size()) {
            selected_ = taken == table_.rows.end() ? 0 : static_cast<std::size_t>(taken - table_.rows.begin());
        }
    }
    layOut();
}

const std::vector<Picture>& DeskView::pictures() {
    make();
    return pictures_;
}

const WayTable& DeskView::table() {
    make();
    return table_;
}

qreal DeskView::rowHeight() const {
    return std::ceil((lineHeight(Face::figure) + 8) / 4) * 4;
}

qreal DeskView::headHeight() const {
    return std::ceil((lineHeight(Face::word) + lineHeight(Face::small) + 12) / 4) * 4;
}

void DeskView::layOut() {
    qreal top = headHeight();
    for (const Picture& picture : pictures_) {
        top += lineHeight(Face::bold) + 8 + picture.height + 12;
    }
    tableTop_ = top;
    widths_.clear();
    for (qsizetype column = 0; column < table_.heads.size(); ++column) {
        qreal width = textWidth(Face::small, table_.heads[column]);
        for (const WayTable::Row& row : table_.rows) {
            width = std::max(width, textWidth(Face::figure, row.cells[column]));
        }
        widths_.push_back(width);
    }
    height_ = tableTop_ +
              (table_.rows.empty() ? 0 : lineHeight(Face::bold) + 8 + rowHeight() * static_cast<qreal>(table_.rows.size() + 1)) +
              12;
    setContentHeight(height_, rowHeight());
}

QRectF DeskView::rowRect(std::size_t row) {
    make();
    const qreal first = tableTop_ + lineHeight(Face::bold) + 8 + rowHeight();
    return {8, first + rowHeight() * static_cast<qreal>(row) - verticalScrollBar()->value(), viewport()->width() - 16.0,
            rowHeight()};
}

std::vector<SpokenRow> DeskView::spokenRows() {
    make();
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; i < table_.rows.size(); ++i) {
        const WayTable::Row& row = table_.rows[i];
        spoken.push_back({tr("way %1").arg(i + 1), text(stateName(row.state)) + ", " + row.cells.join(' '), rowRect(i).toRect(),
                          i == selected_});
    }
    if (!table_.rows.empty()) {
        spoken.push_back({waysTitle(), waysHint() + ", " + pinSaid(), pinRect().toRect(), false});
    }
    qreal top = headHeight() - verticalScrollBar()->value();
    for (const Picture& picture : pictures_) {
        top += lineHeight(Face::bold) + 8;
        spoken.push_back(spokenPicture(picture, QRectF(kDeskLeft, top, viewport()->width() - 2 * kDeskLeft, picture.height)));
        top += picture.height + 12;
    }
    return spoken;
}

QString DeskView::pinSaid() const {
    return isPinnedHere() ? tr("free it") : tr("pin it");
}

QString DeskView::waysTitle() {
    return tr("Ways to keep it");
}

QString DeskView::waysHint() {
    return tr("best first; Enter pins one");
}

QRectF DeskView::pinRect() {
    const qreal width = textWidth(Face::bold, pinSaid()) + 16;
    const qreal title = rowRect(0).top() - rowHeight() - 8 - lineHeight(Face::bold);
    return {viewport()->width() - kDeskLeft - width + 8, title - 4, width, lineHeight(Face::bold) + 8};
}

void DeskView::selectRow(std::size_t row) {
    make();
    if (table_.rows.empty()) {
        return;
    }
    selected_ = std::min(row, table_.rows.size() - 1);
    scrollToShow(rowRect(selected_), selected_ == 0 ? tableTop_ : 0, 4); // with the pictures above the first
    sayRowSelected(this, selected_);
    const WayTable::Row& shown = table_.rows[selected_];
    setAccessibleDescription(tr("way %1 of %2: %3, %4")
                                 .arg(selected_ + 1)
                                 .arg(table_.rows.size())
                                 .arg(shown.cells.join(' '), text(stateName(shown.state))));
    viewport()->update();
}

/// Whether the selected way is the one that the take insists on.
bool DeskView::isPinnedHere() const {
    return promise_ && selected_ < table_.rows.size() && table_.rows[selected_].isTaken &&
           document_.figures().promises[*promise_].isPinned;
}

void DeskView::pinOrFree() {
    make();
    if (!promise_ || selected_ >= table_.rows.size()) {
        return;
    }
    const std::string name = document_.figures().promises[*promise_].name;
    const bool isFreed = isPinnedHere();
    const Way way = ways_[table_.rows[selected_].way];
    PinnedWay pinned{name, {}};
    for (const Setting& setting : way.settings) {
        pinned.settings.emplace_back(setting.name, setting.value);
    }
    document_.edit((isFreed ? tr("%1 is free to take its best way") : tr("%1 pinned to %2").arg("%1", settingsText(way.settings)))
                       .arg(text(name)),
                   [&](Plan& plan) { return isFreed ? freeWay(plan, plan.active, name) : pinWay(plan, plan.active, pinned); });
    make();
    for (std::size_t i = 0; i < table_.rows.size(); ++i) { // what is pinned stays selected
        if (table_.rows[i].isTaken) {
            selectRow(i);
        }
    }
}

void DeskView::keyPressEvent(QKeyEvent* event) {
    make();
    switch (event->key()) {
    case Qt::Key_Up: selectRow(selected_ == 0 ? 0 : selected_ - 1); break;
    case Qt::Key_Down: selectRow(selected_ + 1); break;
    case Qt::Key_Home: selectRow(0); break;
    case Qt::Key_End: selectRow(table_.rows.size()); break;
    case Qt::Key_Return:
    case Qt::Key_Enter: pinOrFree(); break;
    default: PaintedView::keyPressEvent(event);
    }
}

void DeskView::mousePressEvent(QMouseEvent* event) {
    make();
    if (selected_ < table_.rows.size() && pinRect().contains(event->position())) {
        pinOrFree();
        return;
    }
    selectAt(event->position());
}

QList<RowCommand> DeskView::rowCommands() {
    if (!promise_ || selected_ >= table_.rows.size()) {
        return {};
    }
    return {{isPinnedHere() ? tr("Free it: the best way is taken") : tr("Pin this way"), QKeySequence("Return")}};
}

void DeskView::selectAt(const QPointF& at) {
    for (std::size_t i = 0; i < table_.rows.size(); ++i) {
        if (rowRect(i).contains(at)) {
            selectRow(i);
            return;
        }
    }
}

void DeskView::mouseDoubleClickEvent(QMouseEvent* event) {
    for (std::size_t i = 0; i < table_.rows.size(); ++i) {
        if (rowRect(i).contains(event->position()) && i == selected_) {
            pinOrFree();
            return;
        }
    }
}

void DeskView::paintHead(QPainter& painter, qreal top) const {
    const PromiseFigure& figure = document_.figures().promises[*promise_];
    const qreal line = lineHeight(Face::word);
    const qreal right = viewport()->width() - kDeskLeft;
    const qreal mark = line * 0.6;
    drawMark(painter, QRectF(kDeskLeft, top + 4 + (line - mark) / 2, mark, mark), figure.state, theme_);
    const qreal clock = textWidth(Face::small, clockText_);
    drawText(painter, QRectF(kDeskLeft + mark + 8, top + 4, right - kDeskLeft - mark - 8, line), Qt::AlignLeft, text(figure.asks),
             Face::bold, theme_.ink);
    const Text said = !figure.why.empty() ? figure.why : figure.note;
    const QString below = said.empty() ? (figure.isPinned ? tr("pinned") : text(stateName(figure.state))) : text(said);
    drawText(painter,
             QRectF(kDeskLeft + mark + 8, top + 4 + line, right - clock - kDeskLeft - mark - 20, lineHeight(Face::small)),
             Qt::AlignLeft, below, Face::small, figure.why.empty() ? theme_.muted : theme_.of(figure.state));
    drawText(painter, QRectF(right - clock, top + 4 + line, clock, lineHeight(Face::small)), Qt::AlignRight, clockText_,
             Face::small, theme_.muted);
}

void DeskView::paintTable(QPainter& painter, qreal top) {
    const qreal line = lineHeight(Face::bold);
    const QString title = waysTitle();
    drawText(painter, QRectF(kDeskLeft, top, 300, line), Qt::AlignLeft, title, Face::bold, theme_.ink);
    const qreal hint = kDeskLeft + textWidth(Face::bold, title) + 12;
    drawText(painter, QRectF(hint, top, pinRect().left() - hint - 8, line), Qt::AlignLeft, waysHint(), Face::small, theme_.muted);
    const qreal row = rowHeight();
    const qreal mark = 10;
    // columns move together where there is little room; what still does not fit is left out, the fields first
    std::vector<qreal> lefts;
    qreal left = kDeskLeft + mark + 10;
    const qreal right = viewport()->width() - kDeskLeft;
    const qreal all = std::accumulate(widths_.begin(), widths_.end(), 0.0);
    const qreal gaps = std::max<qreal>(1, static_cast<qreal>(widths_.size()) - 1);
    const qreal gap = std::clamp((right - left - all) / gaps, kLeastGap, kDeskColumnGap);
    for (const qreal width : widths_) {
        lefts.push_back(left);
        left += width + gap;
    }
    const auto fits = [&](std::size_t column) { return lefts[column] + widths_[column] <= right + 1; };
    const qreal heads = top + line + 8;
    const auto cell = [&](std::size_t column, qreal y) {
        return QRectF(lefts[column], y, std::min(widths_[column], right - lefts[column]), row);
    };
    painter.setPen(QPen(theme_.line, 1));
    painter.drawLine(QPointF(kDeskLeft, heads + row - 1), QPointF(right, heads + row - 1));
    for (std::size_t column = 0; column < widths_.size(); ++column) {
        if (fits(column)) {
            drawText(painter, cell(column, heads), Qt::AlignLeft, table_.heads[static_cast<qsizetype>(column)], Face::small,
                     theme_.muted);
        }
    }
    for (std::size_t i = 0; i < table_.rows.size(); ++i) {
        const QRectF rect = rowRect(i);
        if (rect.bottom() < 0 || rect.top() > viewport()->height()) {
            continue;
        }
        const WayTable::Row& shown = table_.rows[i];
        if (i == selected_) {
            painter.fillRect(rect, theme_.selected);
            if (hasFocus()) {
                painter.fillRect(QRectF(rect.left(), rect.top(), 3, rect.height()), theme_.kept);
            }
        }
        if (shown.isTaken) { // the one that holds
            painter.setPen(QPen(theme_.kept, 1));
            painter.setBrush(Qt::NoBrush);
            painter.drawRoundedRect(rect.adjusted(0.5, 1.5, -0.5, -1.5), 4, 4);
        }
        drawMark(painter, QRectF(kDeskLeft, rect.center().y() - mark / 2, mark, mark), shown.state, theme_);
        for (std::size_t column = 0; column < widths_.size(); ++column) {
            if (fits(column)) {
                drawText(painter, cell(column, rect.top()), Qt::AlignLeft, shown.cells[static_cast<qsizetype>(column)],
                         Face::figure, shown.state == State::broken ? theme_.muted : theme_.ink);
            }
        }
    }
    if (selected_ < table_.rows.size()) {
        drawText(painter, pinRect(), Qt::AlignHCenter, pinSaid(), Face::bold, theme_.thread);
    }
}

void DeskView::paintEvent(QPaintEvent* event) {
    make();
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    if (!promise_) {
        drawWrapped(painter, viewport()->rect(), Qt::AlignHCenter,
                    document_.isOpen() ? tr("Select a promise to see its desk") : tr("Open a plan to see its promises"),
                    Face::word, theme_.muted);
    } else {
        qreal top = -verticalScrollBar()->value();
        paintHead(painter, top);
        top += headHeight();
        const qreal width = viewport()->width();
        for (const Picture& picture : pictures_) {
            top += lineHeight(Face::bold) + 8;
            if (top - lineHeight(Face::bold) - 8 < viewport()->height() && top + picture.height > 0) {
                paintPicture(painter, picture, QRectF(kDeskLeft, top, width - 2 * kDeskLeft, picture.height), theme_,
                             kDeskLeft / 2);
            }
            top += picture.height + 12;
        }
        if (!table_.rows.empty()) {
            paintTable(painter, top);
        }
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

} // namespace wisetick::app
