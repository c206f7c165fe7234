#include "sleep/sleep_view.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "picture/picture_text.h"
#include "plan/take_edits.h"

#include <QKeyEvent>
#include <QMouseEvent>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kSleepLeft = 16;
constexpr qreal kLeastColumn = 76;
constexpr qreal kPillWidth = 32;
constexpr qreal kPillHeight = 8;

} // namespace

SleepView::SleepView(Document& document, QWidget* parent) : PaintedView(tr("Sleep modes"), parent), document_(document) {
    setHorizontalScrollBarPolicy(Qt::ScrollBarAsNeeded);
    setHorizontalScrollBar(new SlimScrollBar(Qt::Horizontal));
    connect(&document_, &Document::changed, this, [this] {
        overSupply_.clear();
        setStale();
    });
}

qreal SleepView::rowHeight() const {
    return std::ceil(lineHeight(Face::small) + 6);
}

qreal SleepView::headHeight() const {
    return std::ceil(lineHeight(Face::bold) + lineHeight(Face::small) + 12);
}

void SleepView::remake() {
    matrix_ = {};
    pictures_.clear();
    if (document_.isOpen() && !document_.figures().modes.empty()) {
        const Part& part = document_.part();
        const Figures& figures = document_.figures();
        matrix_ = modeMatrix(part, document_.plan(), figures);
        if (!wasShown_) { // it begins with the mode that is rested in
            wasShown_ = true;
            mode_ = part.findMode(document_.take().restsIn).value_or(part.runMode());
        }
        mode_ = std::min(mode_, matrix_.modes.size() - 1);
        row_ = std::clamp<std::size_t>(row_, 1, matrix_.rows.size() - 1);
        const ModeFigure& mode = figures.modes[mode_];
        const auto known = overSupply_.find(mode_); // nine derivations: once for a mode, not at each key
        const std::vector<SweepPoint>& overSupply =
            known != overSupply_.end()
                ? known->second
                : overSupply_.emplace(mode_, sweepSupply(part, document_.plan(), figures, mode.id)).first->second;
        pictures_ = modePictures(document_.plan(), figures, mode, overSupply);
        bands_ = bestRests(restCosts(part, figures));
        jobs_ = jobRests(part, document_.plan(), figures, bands_);
        pictures_.push_back(restLengths(bands_, jobs_, document_.take().restsIn));
        pictures_.push_back(drawBars(figures, mode, without_));
        if (without_.empty()) {
            pictures_.back().hint += tr("; click one to see what its absence saves");
        }
    }
    layOut();
}

void SleepView::layOut() {
    nameWidth_ = 0;
    for (const ModeMatrix::Row& row : matrix_.rows) {
        nameWidth_ = std::max(nameWidth_,
                              textWidth(Face::small, row.name) + (row.hint.isEmpty() ? 0 : 8 + textWidth(Face::small, row.hint)));
    }
    nameWidth_ = std::min<qreal>(kSleepLeft + nameWidth_ + 20, viewport()->width() * 0.4);
    const qreal room = viewport()->width() - nameWidth_ - 8;
    const qreal count = std::max<qreal>(1, static_cast<qreal>(matrix_.modes.size()));
    qreal wanted = kLeastColumn;
    for (std::size_t i = 0; i < matrix_.modes.size(); ++i) {
        wanted = std::max({wanted, textWidth(Face::bold, matrix_.modes[i]) + 16, textWidth(Face::small, matrix_.says[i]) + 16});
    }
    for (const ModeMatrix::Row& row : matrix_.rows) {
        for (const ModeCell& cell : row.cells) {
            wanted = std::max(wanted, textWidth(Face::small, cell.text) + 12);
        }
    }
    columnWidth_ = std::max(wanted, room / count);
    matrixHeight_ = headHeight() + rowHeight() * static_cast<qreal>(matrix_.rows.size()) + 12;
    qreal height = matrixHeight_;
    for (const Picture& picture : pictures_) {
        height += lineHeight(Face::bold) + 8 + picture.height + 16;
    }
    setContentHeight(height, rowHeight());
    horizontalScrollBar()->setSingleStep(static_cast<int>(columnWidth_));
    horizontalScrollBar()->setPageStep(static_cast<int>(room));
    horizontalScrollBar()->setRange(0, std::max(0, static_cast<int>(std::ceil(columnWidth_ * count - room))));
}

const ModeMatrix& SleepView::matrix() {
    make();
    return matrix_;
}

const std::vector<Picture>& SleepView::pictures() {
    make();
    return pictures_;
}

QString SleepView::selected() {
    make();
    return mode_ < matrix_.modes.size() ? matrix_.modes[mode_] : QString();
}

qreal SleepView::rowTop(std::size_t row) const {
    return headHeight() + rowHeight() * static_cast<qreal>(row) - verticalScrollBar()->value();
}

QRectF SleepView::headRect(std::size_t mode) {
    make();
    return {nameWidth_ + columnWidth_ * static_cast<qreal>(mode) - horizontalScrollBar()->value(), 0, columnWidth_, headHeight()};
}

QRectF SleepView::cellRect(std::size_t row, std::size_t mode) {
    const QRectF head = headRect(mode);
    return {head.left(), rowTop(row), head.width(), rowHeight()};
}

QRectF SleepView::pictureRect(std::size_t picture) {
    make();
    qreal top = matrixHeight_ - verticalScrollBar()->value();
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        top += lineHeight(Face::bold) + 8;
        if (i == picture) {
            return {kSleepLeft, top, viewport()->width() - 2 * kSleepLeft, pictures_[i].height};
        }
        top += pictures_[i].height + 16;
    }
    return {};
}

void SleepView::select(const QString& mode) {
    make();
    for (std::size_t i = 0; i < matrix_.modes.size(); ++i) {
        if (matrix_.modes[i] == mode) {
            selectCell(row_, i);
        }
    }
}

QString SleepView::saidOf(const ModeCell& cell) {
    switch (cell.kind) {
    case ModeCell::Kind::lives: return tr("yes");
    case ModeCell::Kind::unused: return tr("could");
    case ModeCell::Kind::none: return tr("no");
    default: return cell.text;
    }
}

/// The heads, then cell by cell, mode after mode in each row, then the pictures.
std::vector<SpokenRow> SleepView::spokenRows() {
    make();
    std::vector<SpokenRow> spoken;
    for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
        spoken.push_back({matrix_.modes[mode], matrix_.says[mode], headRect(mode).toRect(), false});
    }
    for (std::size_t row = 0; row < matrix_.rows.size(); ++row) {
        const ModeMatrix::Row& shown = matrix_.rows[row];
        if (shown.isTitle) {
            spoken.push_back({shown.name, QString(), QRectF(0, rowTop(row), nameWidth_, rowHeight()).toRect(), false});
            continue;
        }
        const QString name = shown.hint.isEmpty() ? shown.name : shown.name + " " + shown.hint;
        for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
            spoken.push_back({tr("%1, %2").arg(matrix_.modes[mode], name), saidOf(matrix_.rows[row].cells[mode]),
                              cellRect(row, mode).toRect(), row == row_ && mode == mode_});
        }
    }
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        spoken.push_back(spokenPicture(pictures_[i], pictureRect(i)));
    }
    return spoken;
}

void SleepView::selectCell(std::size_t row, std::size_t mode) {
    if (matrix_.modes.empty()) {
        return;
    }
    mode = std::min(mode, matrix_.modes.size() - 1);
    if (mode != mode_) {
        without_.clear();
        mode_ = mode;
        setStale();
    }
    row_ = std::clamp<std::size_t>(row, 1, matrix_.rows.size() - 1);
    make();
    const auto isCell = [&](std::size_t each) { return each < matrix_.rows.size() && mode_ < matrix_.rows[each].cells.size(); };
    std::size_t place = row_; // a title has no cells: the row below it is meant, at the end the one above
    while (place < matrix_.rows.size() && !isCell(place)) {
        ++place;
    }
    for (; place > 0 && !isCell(place); --place) {
    }
    if (!isCell(place)) {
        return;
    }
    row_ = place;
    const ModeMatrix::Row& shown = matrix_.rows[row_];
    const ModeCell& cell = shown.cells[mode_];
    setAccessibleDescription(tr("%1, %2: %3").arg(matrix_.modes[mode_], shown.name, saidOf(cell)));
    showSelected();
    emit targetWanted(shown.target.is(Target::Room::promise) ? shown.target : Target::mode(matrix_.modes[mode_].toStdString()));
    viewport()->update();
}

/// Scrolls so far that the selected cell is seen.
void SleepView::showSelected() {
    const QRectF cell = cellRect(row_, mode_);
    if (cell.top() < headHeight()) {
        verticalScrollBar()->setValue(row_ <= 1 ? 0 : verticalScrollBar()->value() - static_cast<int>(headHeight() - cell.top()));
    } else if (cell.bottom() > viewport()->height()) {
        verticalScrollBar()->setValue(verticalScrollBar()->value() + static_cast<int>(cell.bottom()) - viewport()->height() + 4);
    }
    if (cell.left() < nameWidth_) {
        horizontalScrollBar()->setValue(horizontalScrollBar()->value() - static_cast<int>(nameWidth_ - cell.left()));
    } else if (cell.right() > viewport()->width()) {
        horizontalScrollBar()->setValue(horizontalScrollBar()->value() + static_cast<int>(cell.right()) - viewport()->width());
    }
}

void SleepView::restHere() {
    make();
    if (mode_ >= matrix_.modes.size()) {
        return;
    }
    const Mode& mode = document_.part().modes[mode_];
    const std::string rests = mode.runs ? std::string() : mode.id;
    document_.edit(mode.runs ? tr("does not rest") : tr("rests in %1").arg(text(mode.id)),
                   [&](Plan& plan) { return restIn(plan, plan.active, rests); });
}

void SleepView::changeOption() {
    make();
    if (row_ >= matrix_.rows.size() || matrix_.rows[row_].option.isEmpty()) {
        return;
    }
    const std::string option = matrix_.rows[row_].option.toStdString();
    const Mode& mode = document_.part().modes[mode_];
    for (const ModeOption& each : mode.options) {
        if (each.id != option) {
            continue;
        }
        std::size_t next = 0;
        for (std::size_t i = 0; i < each.values.size(); ++i) {
            if (text(each.values[i].id) == matrix_.rows[row_].cells[mode_].text) {
                next = (i + 1) % each.values.size();
            }
        }
        const std::string value = each.values[next].id;
        const std::string chosen = next == each.reset ? std::string() : value;
        document_.edit(tr("%1 of %2 %3").arg(text(option), text(mode.id), text(value)),
                       [&](Plan& plan) { return setModeOption(plan, plan.active, mode.id, option, chosen); });
    }
}

void SleepView::keyPressEvent(QKeyEvent* event) {
    make();
    const auto step = [&](int by) {
        std::size_t row = row_;
        do {
            row = static_cast<std::size_t>(std::max<std::int64_t>(static_cast<std::int64_t>(row) + by, 0));
        } while (row < matrix_.rows.size() && matrix_.rows[row].isTitle && row > 0);
        if (row > 0 && row < matrix_.rows.size()) {
            selectCell(row, mode_);
        } else if (by > 0) { // on to the pictures below
            verticalScrollBar()->setValue(verticalScrollBar()->value() + verticalScrollBar()->singleStep() * 2);
        }
    };
    switch (event->key()) {
    case Qt::Key_Left: selectCell(row_, mode_ == 0 ? 0 : mode_ - 1); break;
    case Qt::Key_Right: selectCell(row_, mode_ + 1); break;
    case Qt::Key_Up: step(-1); break;
    case Qt::Key_Down: step(1); break;
    case Qt::Key_Home: selectCell(1, mode_); break;
    case Qt::Key_PageDown: verticalScrollBar()->triggerAction(QAbstractSlider::SliderPageStepAdd); break;
    case Qt::Key_PageUp: verticalScrollBar()->triggerAction(QAbstractSlider::SliderPageStepSub); break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (row_ < matrix_.rows.size() && !matrix_.rows[row_].option.isEmpty()) {
            changeOption();
        } else {
            restHere();
        }
        break;
    default: PaintedView::keyPressEvent(event);
    }
}

QList<RowCommand> SleepView::rowCommands() {
    if (mode_ >= matrix_.modes.size()) {
        return {};
    }
    const bool isOption = row_ < matrix_.rows.size() && !matrix_.rows[row_].option.isEmpty();
    const Mode& mode = document_.part().modes[mode_];
    if (!isOption && document_.take().restsIn == (mode.runs ? std::string() : mode.id)) {
        return {}; // it does
    }
    const QString rest = mode.runs ? tr("Do not rest") : tr("Rest in %1").arg(matrix_.modes[mode_]);
    return {{isOption ? tr("Change the option of %1").arg(matrix_.modes[mode_]) : rest, QKeySequence("Return")}};
}

void SleepView::selectAt(const QPointF& at) {
    for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
        if (headRect(mode).contains(at) && at.x() > nameWidth_) {
            selectCell(row_, mode);
        }
    }
    for (std::size_t row = 0; row < matrix_.rows.size() && at.y() > headHeight(); ++row) {
        const QRectF first = cellRect(row, 0);
        if (matrix_.rows[row].isTitle || at.y() < first.top() || at.y() >= first.bottom()) {
            continue;
        }
        std::size_t mode = mode_; // its name is of no mode
        for (std::size_t i = 0; i < matrix_.modes.size() && at.x() > nameWidth_; ++i) {
            mode = cellRect(row, i).contains(at) ? i : mode;
        }
        selectCell(row, mode);
    }
}

void SleepView::mousePressEvent(QMouseEvent* event) {
    make();
    const QPointF at = event->position();
    for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
        if (headRect(mode).contains(at) && at.x() > nameWidth_) {
            selectCell(row_, mode);
            return;
        }
    }
    if (at.y() > headHeight()) {
        for (std::size_t row = 0; row < matrix_.rows.size(); ++row) {
            const QRectF first = cellRect(row, 0);
            if (matrix_.rows[row].isTitle || at.y() < first.top() || at.y() >= first.bottom()) {
                continue;
            }
            if (at.x() <= nameWidth_) {
                selectCell(row, mode_);
                if (!matrix_.rows[row].target.isNothing()) {
                    emit targetWanted(matrix_.rows[row].target);
                }
                return;
            }
            for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
                if (cellRect(row, mode).contains(at)) {
                    const bool isAgain = row == row_ && mode == mode_;
                    selectCell(row, mode);
                    if (isAgain && !matrix_.rows[row].option.isEmpty()) {
                        changeOption();
                    }
                    return;
                }
            }
        }
    }
    for (std::size_t i = 0; i < bands_.size() && pictures_.size() > 1; ++i) {
        if (restBandRect(pictureRect(pictures_.size() - 2), bands_, jobs_, i).contains(at)) {
            select(text(bands_[i].mode));
            return;
        }
    }
    const std::size_t draws = pictures_.empty() ? 0 : pictures_.size() - 1;
    const QRectF area = pictureRect(draws);
    const std::vector<Contribution> order =
        pictures_.empty() ? std::vector<Contribution>() : drawOrder(document_.figures(), document_.figures().modes[mode_]);
    for (std::size_t i = 0; i < order.size(); ++i) {
        if (drawBarRect(area, i).contains(at)) {
            const auto found = std::find(without_.begin(), without_.end(), order[i].name);
            if (found == without_.end()) {
                without_.push_back(order[i].name);
            } else {
                without_.erase(found);
            }
            setStale();
            viewport()->update();
            return;
        }
    }
}

void SleepView::mouseDoubleClickEvent(QMouseEvent* event) {
    make();
    for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
        if (headRect(mode).contains(event->position()) && event->position().x() > nameWidth_) {
            selectCell(row_, mode);
            restHere();
            return;
        }
    }
    for (std::size_t i = 0; i < bands_.size() && pictures_.size() > 1; ++i) {
        if (restBandRect(pictureRect(pictures_.size() - 2), bands_, jobs_, i).contains(event->position())) {
            select(text(bands_[i].mode));
            restHere();
            return;
        }
    }
}

void SleepView::paintCell(QPainter& painter, const QRectF& rect, const ModeCell& cell) const {
    const QRectF pill(rect.center().x() - kPillWidth / 2, rect.center().y() - kPillHeight / 2, kPillWidth, kPillHeight);
    switch (cell.kind) {
    case ModeCell::Kind::lives:
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme_.kept);
        painter.drawRoundedRect(pill, kPillHeight / 2, kPillHeight / 2);
        break;
    case ModeCell::Kind::unused:
        painter.setPen(QPen(theme_.railEdge, 1.2));
        painter.setBrush(Qt::NoBrush);
        painter.drawRoundedRect(pill.adjusted(0.5, 0.5, -0.5, -0.5), kPillHeight / 2, kPillHeight / 2);
        break;
    case ModeCell::Kind::none:
        painter.setPen(QPen(theme_.line, 1.5));
        painter.drawLine(QPointF(pill.center().x() - 4, pill.center().y()), QPointF(pill.center().x() + 4, pill.center().y()));
        break;
    case ModeCell::Kind::text:
        drawText(painter, rect, Qt::AlignHCenter, cell.text, Face::small,
                 cell.state == State::kept ? theme_.ink : theme_.of(cell.state));
        break;
    }
}

void SleepView::paintMatrix(QPainter& painter) {
    const qreal right = viewport()->width();
    for (std::size_t row = 0; row < matrix_.rows.size(); ++row) {
        const qreal top = rowTop(row);
        if (top + rowHeight() < headHeight() || top > viewport()->height()) {
            continue;
        }
        const ModeMatrix::Row& shown = matrix_.rows[row];
        const QRectF name(kSleepLeft, top, nameWidth_ - kSleepLeft - 8, rowHeight());
        if (shown.isTitle) {
            drawText(painter, name.adjusted(0, 2, 0, 0), Qt::AlignLeft, shown.name, Face::small, theme_.muted);
            painter.setPen(QPen(theme_.line, 1));
            const qreal y = std::floor(top + rowHeight() / 2 + 1) + 0.5;
            painter.drawLine(QPointF(kSleepLeft + textWidth(Face::small, shown.name) + 10, y), QPointF(right - 8, y));
            continue;
        }
        if (row == row_ && hasFocus()) {
            painter.fillRect(QRectF(8, top, right - 16, rowHeight()), theme_.selected);
        }
        painter.save();
        painter.setClipRect(QRectF(nameWidth_, 0, right - nameWidth_, viewport()->height()));
        for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
            paintCell(painter, cellRect(row, mode), shown.cells[mode]);
        }
        painter.restore();
        const qreal width = textWidth(Face::small, shown.name);
        drawText(painter, name.adjusted(8, 0, 0, 0), Qt::AlignLeft, shown.name, Face::small, theme_.ink);
        drawText(painter, name.adjusted(8 + width + 8, 0, 0, 0), Qt::AlignLeft, shown.hint, Face::small, theme_.muted);
    }
}

/// The selected mode as a column from its head to its last row.
void SleepView::paintColumn(QPainter& painter) {
    const QRectF column = headRect(mode_);
    painter.setPen(QPen(theme_.railEdge, 1));
    painter.setBrush(theme_.rail);
    painter.drawRoundedRect(QRectF(column.left() + 3, 4, column.width() - 6, rowTop(matrix_.rows.size()) + 2), 6, 6);
}

/// The heads stay while the rows move below them.
void SleepView::paintHeads(QPainter& painter) {
    painter.fillRect(QRectF(0, 0, viewport()->width(), headHeight()), theme_.paper);
    painter.save();
    painter.setClipRect(QRectF(nameWidth_, 0, viewport()->width() - nameWidth_, headHeight()));
    paintColumn(painter);
    for (std::size_t mode = 0; mode < matrix_.modes.size(); ++mode) {
        const QRectF head = headRect(mode);
        const QRectF name(head.left(), 6, head.width(), lineHeight(Face::bold));
        drawText(painter, name, Qt::AlignHCenter, matrix_.modes[mode], Face::bold, mode == mode_ ? theme_.kept : theme_.ink);
        drawText(painter, QRectF(head.left(), name.bottom(), head.width(), lineHeight(Face::small)), Qt::AlignHCenter,
                 matrix_.says[mode], Face::small, theme_.muted);
    }
    painter.restore();
}

void SleepView::paintEvent(QPaintEvent* event) {
    make();
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    if (matrix_.modes.empty()) {
        drawWrapped(painter, viewport()->rect(), Qt::AlignHCenter,
                    document_.isOpen() ? tr("This part tells of no modes") : tr("Open a plan to see its sleep modes"), Face::word,
                    theme_.muted);
        return;
    }
    // the selected mode as a column behind its cells
    painter.save();
    painter.setClipRect(QRectF(nameWidth_, 0, viewport()->width() - nameWidth_, viewport()->height()));
    paintColumn(painter);
    painter.restore();
    paintMatrix(painter);
    for (std::size_t i = 0; i < pictures_.size(); ++i) {
        const QRectF area = pictureRect(i);
        if (area.top() - lineHeight(Face::bold) - 8 > viewport()->height() || area.bottom() < headHeight()) {
            continue;
        }
        paintPicture(painter, pictures_[i], area, theme_);
    }
    // over what has moved up; the selected column shows through its own head
    paintHeads(painter);
    painter.setPen(QPen(theme_.line, 1));
    if (verticalScrollBar()->value() > 0) {
        painter.drawLine(QPointF(0, headHeight()), QPointF(viewport()->width(), headHeight()));
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

} // namespace wisetick::app
