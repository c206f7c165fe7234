#include "bench/bench_view.h"

#include "bench/bench_said.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QDragEnterEvent>
#include <QKeyEvent>
#include <QMimeData>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollBar>
#include <QUrl>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kLeft = 16;
constexpr qreal kNames = 150;
constexpr qreal kFigures = 190;
constexpr qreal kSnap = 12;        ///< pixels
constexpr double kCycles = 12;     ///< that are shown at first
constexpr int kMostBands = 400;    ///< edges whose band is drawn
constexpr double kStepShare = 0.1; ///< of what is shown, that a key moves
constexpr int kDigits = 6;

/// "off" against what was predicted.
QString offSaid(const BenchSignal& signal, const MeasuredSignal& measured) {
    const ShownCycle was = shownCycle(signal, signal.cycle);
    const ShownCycle is = shownCycle(signal, measured.cycle);
    return text(printError(is.value.nominal / was.value.nominal - 1));
}

} // namespace

BenchView::BenchView(Document& document, BenchWork& work, QWidget* parent)
    : PaintedView(tr("Bench: what was measured"), parent), document_(document), work_(work) {
    setAcceptDrops(true);
    viewport()->setMouseTracking(true);
    connect(&work_, &BenchWork::changed, this, [this] {
        if (work_.capture() != shown_) {
            shown_ = work_.capture();
            cursors_[0].reset();
            cursors_[1].reset();
            selected_ = 0;
            if (shown_ != nullptr) {
                trouble_.clear();
                showSome();
            }
        }
        selected_ = std::min(selected_, std::max<std::size_t>(work_.explained().size(), 1) - 1);
        setStale();
        viewport()->update();
    });
    connect(&work_, &BenchWork::troubled, this, &BenchView::tell);
}

void BenchView::tell(const QString& trouble) {
    trouble_ = trouble;
    viewport()->update();
}

qreal BenchView::trackHeight() const {
    return std::ceil(lineHeight(Face::bold) + lineHeight(Face::small) + 24);
}

qreal BenchView::rowHeight() const {
    return std::ceil(lineHeight(Face::word) + 8);
}

qreal BenchView::tracksTop() const {
    return std::ceil(lineHeight(Face::small) + 14) - verticalScrollBar()->value();
}

qreal BenchView::explanationsTop() const {
    return tracksTop() + trackHeight() * static_cast<qreal>(work_.measured().size()) + lineHeight(Face::small) + 20;
}

QRectF BenchView::trackRect(std::size_t measured) const {
    return {0, tracksTop() + trackHeight() * static_cast<qreal>(measured), static_cast<qreal>(viewport()->width()),
            trackHeight()};
}

QRectF BenchView::explanationRect(std::size_t explanation) const {
    return {8, explanationsTop() + rowHeight() * static_cast<qreal>(explanation + 1), viewport()->width() - 16.0, rowHeight()};
}

void BenchView::layOut() {
    axis_.left = kLeft + kNames;
    axis_.right = std::max(axis_.left + 50, viewport()->width() - kFigures - kLeft);
    const qreal whole =
        explanationsTop() + verticalScrollBar()->value() + rowHeight() * static_cast<qreal>(work_.explained().size() + 2);
    setContentHeight(work_.capture() == nullptr ? 0 : whole, rowHeight());
}

const TimeAxis& BenchView::axis() {
    make();
    return axis_;
}

void BenchView::showTime(double from, double to) {
    const double length = work_.capture() == nullptr ? 1 : std::max(work_.capture()->length().toDouble(), 1e-9);
    const double least = work_.capture() == nullptr ? 1e-9 : 4 * work_.capture()->tick.toDouble();
    const double span = std::clamp(to - from, std::min(least, length), length);
    axis_.from = std::clamp(from, 0.0, length - span);
    axis_.to = axis_.from + span;
    viewport()->update();
}

void BenchView::showAll() {
    showTime(0, work_.capture() == nullptr ? 1 : work_.capture()->length().toDouble());
}

void BenchView::showSome() {
    double slowest = 0;
    for (const MeasuredSignal& measured : work_.measured()) {
        slowest = std::max(slowest, measured.cycle.nominal.toDouble());
    }
    showTime(0, slowest > 0 ? kCycles * slowest : work_.capture()->length().toDouble());
}

void BenchView::zoom(double factor, double around) {
    showTime(around - (around - axis_.from) * factor, around + (axis_.to - around) * factor);
}

const Track* BenchView::trackOf(const MeasuredSignal& measured) const {
    const auto& tracks = work_.capture()->tracks;
    const auto found = std::find_if(tracks.begin(), tracks.end(), [&](const Track& each) { return each.name == measured.track; });
    return found == tracks.end() ? nullptr : &*found;
}

/// Where each edge may stand that follows from the first one: the band widens with each.
void BenchView::paintBands(QPainter& painter, const QRectF& area, const MeasuredSignal& measured, const Track& track) const {
    const BenchSignal& signal = work_.predicted()[measured.signal];
    if (signal.shape == BenchSignal::Shape::frames || track.edges.size() < 2) {
        return;
    }
    const double tick = work_.capture()->tick.toDouble();
    const double first = static_cast<double>(track.edges.at(1).tick) * tick;
    const double least = signal.cycle.min.toDouble();
    const double most = signal.cycle.max.toDouble();
    const double from = std::max(1.0, std::floor((axis_.from - first) / most));
    const double to = std::ceil((axis_.to - first) / least);
    if (to - from > kMostBands || least <= 0) {
        return; // they could not be told apart
    }
    painter.setPen(Qt::NoPen);
    QColor band = theme_.kept;
    band.setAlphaF(0.22F);
    for (double edge = from; edge <= to; ++edge) {
        const qreal left = axis_.at(first + edge * least);
        const qreal right = axis_.at(first + edge * most);
        painter.fillRect(QRectF(left - 1.5, area.top() - 4, std::max<qreal>(right - left, 0) + 3, area.height() + 8), band);
    }
}

/// A line where single edges can be told apart, else a block: one look at the edges for each pixel.
void BenchView::paintInk(QPainter& painter, const QRectF& area, const Track& track, const QColor& ink) const {
    const double tick = work_.capture()->tick.toDouble();
    const auto tickAt = [&](qreal x) { return static_cast<std::int64_t>(std::ceil(axis_.timeAt(x) / tick)); };
    const auto yOf = [&](LogicLevel level) {
        return level == LogicLevel::high ? area.top() : level == LogicLevel::low ? area.bottom() : area.center().y();
    };
    QColor block = ink;
    block.setAlphaF(0.55F);
    std::size_t before = track.edges.countBefore(tickAt(area.left()));
    LogicLevel level = before == 0 ? LogicLevel::unknown : track.edges.at(before - 1).level;
    painter.setPen(QPen(ink, 1.5));
    qreal flat = area.left(); ///< from where on the level stands
    for (qreal x = area.left(); x < area.right(); ++x) {
        const std::size_t upTo = track.edges.countBefore(tickAt(x + 1));
        if (upTo == before) {
            continue;
        }
        if (x > flat && level != LogicLevel::unknown) {
            painter.drawLine(QPointF(flat, yOf(level)), QPointF(x, yOf(level)));
        }
        const LogicLevel next = track.edges.at(upTo - 1).level;
        if (upTo - before > 2 || (x == flat && x > area.left())) { // one beside the other
            painter.fillRect(QRectF(x, area.top(), 1, area.height()), block);
        } else {
            painter.drawLine(QPointF(x + 0.5, area.top()), QPointF(x + 0.5, area.bottom()));
        }
        flat = x + 1;
        level = next;
        before = upTo;
    }
    if (level != LogicLevel::unknown) {
        painter.drawLine(QPointF(flat, yOf(level)), QPointF(area.right(), yOf(level)));
    }
}

void BenchView::paintTrack(QPainter& painter, std::size_t index) {
    const MeasuredSignal& measured = work_.measured()[index];
    const BenchSignal& signal = work_.predicted()[measured.signal];
    const QRectF rect = trackRect(index);
    if (rect.bottom() < 0 || rect.top() > viewport()->height()) {
        return;
    }
    const qreal size = lineHeight(Face::word) * 0.5;
    const qreal first = rect.top() + 8;
    drawMark(painter, QRectF(kLeft, first + lineHeight(Face::bold) / 2 - size / 2, size, size), measured.state, theme_);
    const qreal names = kLeft + size + 8;
    drawText(painter, QRectF(names, first, axis_.left - names - 8, lineHeight(Face::bold)), Qt::AlignLeft, text(signal.name),
             Face::bold, theme_.ink);
    drawText(painter, QRectF(names, first + lineHeight(Face::bold), axis_.left - names - 8, lineHeight(Face::small)),
             Qt::AlignLeft, text(document_.plan().promises[signal.promise].line.subject + ", track " + measured.track),
             Face::small, theme_.muted);
    const QRectF area(axis_.left, rect.top() + 10, axis_.right - axis_.left, rect.height() - 24);
    if (const Track* track = trackOf(measured)) {
        painter.save();
        painter.setClipRect(area.adjusted(-1, -6, 1, 6));
        paintBands(painter, area, measured, *track);
        paintInk(painter, area, *track, theme_.ink);
        painter.restore();
    }
    const QRectF figures(axis_.right + 12, first, viewport()->width() - axis_.right - 12 - kLeft, lineHeight(Face::bold));
    const QColor colour = measured.state == State::kept ? theme_.muted : theme_.of(measured.state);
    if (measured.isSilent) {
        drawText(painter, figures, Qt::AlignRight, tr("never changes"), Face::bold, colour);
        return;
    }
    drawText(painter, figures, Qt::AlignRight, text(measuredSaid(shownCycle(signal, measured.cycle))), Face::bold, theme_.ink);
    drawText(painter, figures.translated(0, lineHeight(Face::bold)), Qt::AlignRight,
             tr("%1 against the plan").arg(offSaid(signal, measured)), Face::small, colour);
    if (!measured.text.empty()) {
        drawText(painter, QRectF(area.left(), area.bottom() + 1, area.width(), lineHeight(Face::small)), Qt::AlignLeft,
                 QString::fromUtf8("\u2018%1\u2019").arg(text(measured.text.substr(0, 200))), Face::small, theme_.thread);
    }
}

void BenchView::paintCursors(QPainter& painter) const {
    const qreal bottom = tracksTop() + trackHeight() * static_cast<qreal>(work_.measured().size());
    for (std::size_t i = 0; i < 2; ++i) {
        if (cursors_[i]) {
            const qreal x = axis_.at(*cursors_[i]);
            if (x >= axis_.left && x <= axis_.right) {
                painter.setPen(QPen(theme_.thread, 1));
                painter.drawLine(QPointF(x, tracksTop()), QPointF(x, bottom));
                drawText(painter, QRectF(x + 3, tracksTop() - 2, 20, lineHeight(Face::small)), Qt::AlignLeft,
                         QString::number(i + 1), Face::small, theme_.thread);
            }
        }
    }
    drawText(painter, QRectF(axis_.left, bottom + 2, viewport()->width() - axis_.left - kLeft, lineHeight(Face::small)),
             Qt::AlignLeft, cursorsSaid(), Face::small, theme_.thread);
}

QString BenchView::cursorsSaid() const {
    if (!cursors_[0] || !cursors_[1] || work_.capture() == nullptr || work_.measured().empty()) {
        return cursors_[0] ? tr("Shift and a click set the second cursor") : QString();
    }
    const double apart = std::abs(*cursors_[1] - *cursors_[0]);
    const Rational time = quantised(apart, work_.capture()->tick / 16);
    const Track* track = trackOf(work_.measured()[std::min(cursorTrack_, work_.measured().size() - 1)]);
    const double tick = work_.capture()->tick.toDouble();
    const auto tickOf = [&](double at) { return static_cast<std::int64_t>(std::round(at / tick)); };
    const std::size_t edges = track == nullptr ? 0
                                               : track->edges.countBefore(tickOf(std::max(*cursors_[0], *cursors_[1]))) -
                                                     track->edges.countBefore(tickOf(std::min(*cursors_[0], *cursors_[1])));
    return time.isZero() ? tr("both cursors stand at the same edge")
                         : tr("%1 between 1 and 2, %2, %n edges", nullptr, static_cast<int>(edges))
                               .arg(text(printQuantity(time, Unit::second, kDigits)))
                               .arg(text(printQuantity(1 / time, Unit::hertz, kDigits)));
}

void BenchView::paintExplanations(QPainter& painter) const {
    const qreal top = explanationsTop();
    painter.fillRect(QRectF(0, top - 4, viewport()->width(), 1), theme_.line);
    const auto& list = work_.explained();
    const QString title = list.empty() || list.front().explainsAll() ? tr("What explains it") : tr("Nothing here explains it");
    const qreal width = textWidth(Face::bold, title);
    drawText(painter, QRectF(kLeft, top, width + 2, rowHeight()), Qt::AlignLeft, title, Face::bold, theme_.ink);
    drawText(painter, QRectF(kLeft + width + 12, top, viewport()->width() - width - 3 * kLeft, rowHeight()), Qt::AlignLeft,
             list.empty() || list.front().explainsAll() ? tr("each alone; full marks leave nothing over")
                                                        : tr("what leaves least"),
             Face::small, theme_.muted);
    for (std::size_t i = 0; i < list.size(); ++i) {
        const QRectF rect = explanationRect(i);
        if (i == selected_) {
            painter.fillRect(rect, theme_.selected);
            if (hasFocus()) {
                painter.fillRect(QRectF(rect.left(), rect.top(), 3, rect.height()), theme_.kept);
            }
        }
        const qreal size = lineHeight(Face::word) * 0.5;
        const QRectF mark(kLeft, rect.center().y() - size / 2, size, size);
        painter.setPen(QPen(list[i].explainsAll() ? theme_.kept : theme_.muted, 1.2));
        painter.setBrush(list[i].explainsAll() ? QBrush(theme_.kept) : QBrush(Qt::NoBrush));
        painter.drawEllipse(mark.adjusted(0.6, 0.6, -0.6, -0.6));
        const std::string sources = sourcesSaid(document_.part(), list[i]);
        const QString left = text(list[i].explainsAll() ? sources : leftSaid(list[i]));
        const auto note = i == selected_ ? work_.noteFor(i) : std::nullopt;
        const QString offer = note ? tr("Enter notes: %1").arg(text(note->say)) : QString();
        const QString right = offer.isEmpty() ? left : offer;
        const qreal room = std::min(textWidth(Face::small, right) + 4, rect.width() * 0.5);
        drawText(painter, QRectF(rect.right() - 8 - room, rect.top(), room, rect.height()), Qt::AlignRight, right, Face::small,
                 offer.isEmpty() ? theme_.muted : theme_.thread);
        const QString same = list[i].same.empty()
                                 ? QString()
                                 : tr(" (or %n more that shows the same)", nullptr, static_cast<int>(list[i].same.size()));
        drawText(painter, QRectF(kLeft + size + 8, rect.top(), rect.width() - room - size - 32, rect.height()), Qt::AlignLeft,
                 text(list[i].say) + same, i == 0 && list[i].explainsAll() ? Face::bold : Face::word, theme_.ink);
    }
}

void BenchView::paintEvent(QPaintEvent* event) {
    make();
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    if (work_.capture() == nullptr) {
        const QString say = !trouble_.isEmpty()   ? trouble_
                            : !document_.isOpen() ? tr("Open a plan to lay a capture over it")
                            : work_.isBusy()      ? tr("being played \u2026")
                                                  : tr("Drop a capture here (.vcd, .csv), or play a simulated board");
        drawText(painter, viewport()->rect(), Qt::AlignHCenter, say, Face::word,
                 trouble_.isEmpty() ? theme_.muted : theme_.broken);
        return;
    }
    const qreal bottom = tracksTop() + trackHeight() * static_cast<qreal>(work_.measured().size());
    axis_.draw(painter,
               QRectF(axis_.left, tracksTop() - lineHeight(Face::small) - 6, axis_.right - axis_.left,
                      bottom - tracksTop() + lineHeight(Face::small) + 6),
               theme_);
    for (std::size_t i = 0; i < work_.measured().size(); ++i) {
        paintTrack(painter, i);
    }
    paintCursors(painter);
    if (work_.measured().empty()) {
        drawText(painter, QRectF(kLeft, tracksTop(), viewport()->width() - 2 * kLeft, rowHeight()), Qt::AlignLeft,
                 tr("no track is called like a promise of this take"), Face::word, theme_.muted);
    }
    paintExplanations(painter);
    if (!trouble_.isEmpty()) {
        drawText(painter, QRectF(kLeft, viewport()->height() - rowHeight(), viewport()->width() - 2 * kLeft, rowHeight()),
                 Qt::AlignLeft, trouble_, Face::small, theme_.broken);
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

QString BenchView::note() {
    const auto note = work_.noteFor(selected_);
    if (!note) {
        return work_.explained().empty() ? tr("nothing lies on the bench") : tr("there is nothing to note of that");
    }
    return document_.edit(text(note->say), note->edit);
}

void BenchView::keyPressEvent(QKeyEvent* event) {
    const double step = axis_.length() * kStepShare;
    switch (event->key()) {
    case Qt::Key_Plus:
    case Qt::Key_Equal: zoom(0.5, (axis_.from + axis_.to) / 2); break;
    case Qt::Key_Minus: zoom(2, (axis_.from + axis_.to) / 2); break;
    case Qt::Key_Left: showTime(axis_.from - step, axis_.to - step); break;
    case Qt::Key_Right: showTime(axis_.from + step, axis_.to + step); break;
    case Qt::Key_Home: showAll(); break;
    case Qt::Key_Up: selected_ -= selected_ > 0 ? 1 : 0; break;
    case Qt::Key_Down: selected_ += selected_ + 1 < work_.explained().size() ? 1 : 0; break;
    case Qt::Key_Return:
    case Qt::Key_Enter: tell(note()); break;
    default: PaintedView::keyPressEvent(event); return;
    }
    scrollToShow(explanationRect(selected_));
    viewport()->update();
}

void BenchView::wheelEvent(QWheelEvent* event) {
    if (event->position().x() < axis_.left || event->position().x() > axis_.right || event->position().y() > explanationsTop()) {
        PaintedView::wheelEvent(event);
        return;
    }
    zoom(std::pow(0.8, event->angleDelta().y() / 120.0), axis_.timeAt(event->position().x()));
    event->accept();
}

/// At the edge that is nearest, of the track under the mouse.
void BenchView::setCursorAt(std::size_t which, const QPointF& at) {
    for (std::size_t i = 0; i < work_.measured().size(); ++i) {
        if (!trackRect(i).contains(at)) {
            continue;
        }
        double time = std::clamp(axis_.timeAt(at.x()), 0.0, work_.capture()->length().toDouble());
        const Track* track = trackOf(work_.measured()[i]);
        const double tick = work_.capture()->tick.toDouble();
        if (track != nullptr && track->edges.size() > 1) {
            const std::size_t behind = track->edges.countBefore(static_cast<std::int64_t>(time / tick));
            double best = kSnap;
            const double wanted = time;
            for (const std::size_t place : {behind == 0 ? 0 : behind - 1, std::min(behind, track->edges.size() - 1)}) {
                const double edge = static_cast<double>(track->edges.at(place).tick) * tick;
                if (place > 0 && std::abs(axis_.at(edge) - axis_.at(wanted)) < best) {
                    best = std::abs(axis_.at(edge) - axis_.at(wanted));
                    time = edge;
                }
            }
        }
        cursors_[which] = time;
        cursorTrack_ = i;
        viewport()->update();
    }
}

void BenchView::mousePressEvent(QMouseEvent* event) {
    setFocus();
    for (std::size_t i = 0; i < work_.explained().size(); ++i) {
        if (explanationRect(i).contains(event->position())) {
            selected_ = i;
            viewport()->update();
            return;
        }
    }
    if (work_.capture() != nullptr && event->position().x() >= axis_.left && event->position().x() <= axis_.right) {
        setCursorAt((event->modifiers() & Qt::ShiftModifier) != 0 ? 1 : 0, event->position());
        drag_ = event->position();
        dragFrom_ = axis_.from;
    }
}

void BenchView::mouseMoveEvent(QMouseEvent* event) {
    if (drag_ && (event->buttons() & Qt::LeftButton) != 0 && std::abs(event->position().x() - drag_->x()) > 4) {
        const double by = (drag_->x() - event->position().x()) * axis_.length() / (axis_.right - axis_.left);
        const double length = axis_.length();
        showTime(dragFrom_ + by, dragFrom_ + by + length);
    }
}

void BenchView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (selected_ < work_.explained().size() && explanationRect(selected_).contains(event->position())) {
        tell(note());
    }
}

void BenchView::dragEnterEvent(QDragEnterEvent* event) {
    const QList<QUrl> urls = event->mimeData()->urls();
    if (document_.isOpen() && urls.size() == 1 &&
        (urls.front().toLocalFile().endsWith(".vcd") || urls.front().toLocalFile().endsWith(".csv"))) {
        event->acceptProposedAction();
    }
}

void BenchView::dropEvent(QDropEvent* event) {
    work_.readFile(event->mimeData()->urls().front().toLocalFile());
}

std::vector<SpokenRow> BenchView::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; i < work_.measured().size(); ++i) {
        const MeasuredSignal& measured = work_.measured()[i];
        const BenchSignal& signal = work_.predicted()[measured.signal];
        spoken.push_back({text(signal.name),
                          measured.isSilent ? tr("never changes")
                                            : tr("%1, %2 against the plan, %3")
                                                  .arg(text(measuredSaid(shownCycle(signal, measured.cycle))),
                                                       offSaid(signal, measured), text(stateName(measured.state))),
                          trackRect(i).toRect(), false});
    }
    for (std::size_t i = 0; i < work_.explained().size(); ++i) {
        const Explanation& each = work_.explained()[i];
        spoken.push_back({text(each.say), text(each.explainsAll() ? sourcesSaid(document_.part(), each) : leftSaid(each)),
                          explanationRect(i).toRect(), i == selected_});
    }
    return spoken;
}

} // namespace wisetick::app
