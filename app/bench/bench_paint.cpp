#include "bench/bench_said.h"
#include "bench/bench_view.h"
#include "bench/current_track.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QPaintEvent>
#include <QPainter>
#include <QScrollBar>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kPaintLeft = 16;
constexpr int kMostBands = 400; ///< edges whose band is drawn
constexpr int kPaintDigits = 3;
constexpr qreal kInkTop = 10;
constexpr qreal kInkBottom = 14;

QString amount(double value) {
    return measuredAmount(value, Unit::ampere);
}

} // namespace

/// Where each edge may stand that follows from the first one: the band widens with each.
void BenchView::paintBands(QPainter& painter, const QRectF& area, const MeasuredSignal& measured, const Track& track) const {
    const BenchSignal& signal = work_.predicted()[measured.signal];
    const bool isLine = signal.shape == BenchSignal::Shape::frames || signal.shape == BenchSignal::Shape::bus;
    if (isLine || track.edges.size() < 2) {
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

/// What was read of a line, each piece where it stands and as far as it has room; a tick where it begins.
void BenchView::paintPieces(QPainter& painter, const QRectF& area, const LineRead& read) const {
    const double tick = work_.capture()->tick.toDouble();
    const auto from = static_cast<std::int64_t>(axis_.from / tick);
    auto piece = std::lower_bound(read.pieces.begin(), read.pieces.end(), from,
                                  [](const LinePiece& each, std::int64_t at) { return each.to < at; });
    qreal free = area.left();
    while (piece != read.pieces.end()) {
        const qreal left = axis_.at(static_cast<double>(piece->from) * tick);
        const qreal right = axis_.at(static_cast<double>(piece->to) * tick);
        if (left > area.right()) {
            break;
        }
        const QString said = text(piece->text);
        const qreal width = textWidth(Face::small, said);
        if (left >= free && width + 6 <= right - left) {
            painter.fillRect(QRectF(left, area.top(), 1, area.height()), theme_.thread);
            drawText(painter, QRectF(left + 3, area.top(), width + 2, area.height()), Qt::AlignLeft, said, Face::small,
                     theme_.thread);
            free = left + width + 6;
        }
        // what is too narrow to be told apart is passed over, not walked through
        const auto behind = static_cast<std::int64_t>(axis_.timeAt(std::max(left + 1, free)) / tick);
        piece = std::lower_bound(piece + 1, read.pieces.end(), behind,
                                 [](const LinePiece& each, std::int64_t at) { return each.from < at; });
    }
}

void BenchView::paintRowFocus(QPainter& painter, const Row& row) const {
    const auto index = static_cast<std::size_t>(&row - rows_.data());
    if (!isCopying_ && hasFocus() && index == row_) {
        const QRectF rect = rectOf(row);
        painter.fillRect(QRectF(2, rect.top() + 6, 3, trackHeight() - 12), theme_.kept);
    }
}

void BenchView::paintTrack(QPainter& painter, const Row& row) {
    const MeasuredSignal& measured = work_.measured()[row.index];
    const BenchSignal& signal = work_.predicted()[measured.signal];
    const QRectF rect = rectOf(row);
    const qreal size = lineHeight(Face::word) * 0.5;
    const qreal first = rect.top() + 8;
    drawMark(painter, QRectF(kPaintLeft, first + lineHeight(Face::bold) / 2 - size / 2, size, size), measured.state, theme_);
    const qreal names = kPaintLeft + size + 8;
    drawText(painter, QRectF(names, first, axis_.left - names - 8, lineHeight(Face::bold)), Qt::AlignLeft, text(signal.name),
             Face::bold, theme_.ink);
    drawText(painter, QRectF(names, first + lineHeight(Face::bold), axis_.left - names - 8, lineHeight(Face::small)),
             Qt::AlignLeft, text(phrase("{}, track {}", signal.subject, measured.track)), Face::small, theme_.muted);
    const QRectF area(axis_.left, rect.top() + kInkTop, axis_.right - axis_.left, trackHeight() - kInkTop - kInkBottom);
    if (const Track* track = trackOf(measured)) {
        painter.save();
        painter.setClipRect(area.adjusted(-1, -6, 1, 6));
        paintBands(painter, area, measured, *track);
        paintInk(painter, area, *track, theme_.ink);
        painter.restore();
    }
    QRectF figures(axis_.right + 12, first, viewport()->width() - axis_.right - 12 - kPaintLeft, lineHeight(Face::bold));
    const QColor colour = measured.state == State::kept ? theme_.muted : theme_.of(measured.state);
    if (measured.isSilent) {
        drawText(painter, figures, Qt::AlignRight, tr("never changes"), Face::bold, colour);
    } else {
        drawText(painter, figures, Qt::AlignRight, text(measuredSaid(shownCycle(signal, measured.cycle))), Face::bold,
                 theme_.ink);
        figures.translate(0, lineHeight(Face::bold));
        figures.setHeight(lineHeight(Face::small));
        drawText(painter, figures, Qt::AlignRight, tr("%1 against the plan").arg(text(offSaid(signal, measured))), Face::small,
                 colour);
        const QString more = text(moreSaid(signal, measured));
        if (!more.isEmpty()) {
            drawText(painter, figures.translated(0, lineHeight(Face::small)), Qt::AlignRight, more, Face::small, theme_.muted);
        }
    }
    QString below =
        measured.text.empty() ? QString() : QString::fromUtf8("\u2018%1\u2019").arg(text(measured.text.substr(0, 200)));
    for (std::size_t i = 0; i < work_.laid().size(); ++i) { // what the others show of it
        for (const MeasuredSignal& other : i == work_.looked() ? std::vector<MeasuredSignal>() : work_.laid()[i].measured) {
            if (other.signal == measured.signal && !other.isSilent) {
                below += (below.isEmpty() ? "" : "   ") +
                         tr("%1: %2").arg(work_.laid()[i].name, text(measuredSaid(shownCycle(signal, other.cycle))));
            }
        }
    }
    const QRectF under(area.left(), area.bottom() + 1, area.width(), lineHeight(Face::small));
    if (const LineRead* read = work_.readOf(measured.track); read != nullptr && !read->pieces.empty()) {
        paintPieces(painter, under, *read);
    } else {
        drawText(painter, under, Qt::AlignLeft, below, Face::small, theme_.thread);
    }
    paintWorkings(painter, row, rect.top() + trackHeight());
}

void BenchView::paintUnmatched(QPainter& painter, const Row& row) {
    const Track& track = *unmatched_[row.index];
    const QRectF rect = rectOf(row);
    drawText(painter, QRectF(kPaintLeft, rect.top(), axis_.left - kPaintLeft - 8, smallHeight()), Qt::AlignLeft, text(track.name),
             Face::small, theme_.muted);
    const LineRead* read = work_.readOf(track.name);
    const QRectF area(axis_.left, rect.top() + 5, axis_.right - axis_.left, smallHeight() - 10);
    painter.save();
    painter.setClipRect(area.adjusted(-1, -3, 1, 3));
    paintInk(painter, area, track, theme_.muted);
    painter.restore();
    if (read != nullptr && !read->pieces.empty()) {
        paintPieces(painter, QRectF(area.left(), area.bottom() + 3, area.width(), lineHeight(Face::small)), *read);
    }
    const QRectF figures(axis_.right + 12, rect.top(), viewport()->width() - axis_.right - 12 - kPaintLeft, smallHeight());
    const bool isSelected = static_cast<std::size_t>(&row - rows_.data()) == row_ && hasFocus() && !isCopying_;
    const bool isOffered = isSelected && read == nullptr;
    const QString edges = tr("%n edges", nullptr, static_cast<int>(track.edges.size() > 0 ? track.edges.size() - 1 : 0));
    drawText(painter, figures, Qt::AlignRight,
             isOffered         ? tr("M: its promise   R: read it")
             : read != nullptr ? text(read->said.substr(0, read->said.find(';')))
                               : edges,
             Face::small, isOffered ? theme_.thread : theme_.muted);
    paintWorkings(painter, row, rect.top() + unmatchedHeight(track));
}

void BenchView::paintCurrent(QPainter& painter, const Row& row) {
    const CurrentFigures& figures = *work_.current();
    const QRectF rect = rectOf(row);
    const State state = currentState(document_.plan(), figures);
    const qreal size = lineHeight(Face::word) * 0.5;
    const qreal first = rect.top() + 8;
    drawMark(painter, QRectF(kPaintLeft, first + lineHeight(Face::bold) / 2 - size / 2, size, size), state, theme_);
    const qreal name = std::min(textWidth(Face::bold, text(figures.track)) + 2, 80.0); // the scale stands behind it
    drawText(painter, QRectF(kPaintLeft + size + 8, first, name, lineHeight(Face::bold)), Qt::AlignLeft, text(figures.track),
             Face::bold, theme_.ink);
    const qreal height = 2 * trackHeight() - 20;
    const QRectF area(axis_.left, rect.top() + 10, axis_.right - axis_.left, height);
    CurrentTrack(figures, work_.foretold()).paint(painter, area, axis_, *work_.recorded(), work_.foretold(), theme_);
    QRectF line(axis_.right + 12, first, viewport()->width() - axis_.right - 12 - kPaintLeft, lineHeight(Face::bold));
    drawText(painter, line, Qt::AlignRight, tr("%1 average").arg(amount(figures.average)), Face::bold, theme_.ink);
    line.translate(0, lineHeight(Face::bold));
    line.setHeight(lineHeight(Face::small));
    const auto& predicted = document_.figures().rhythm ? document_.figures().rhythm->average : std::nullopt;
    if (figures.unseen.empty() && figures.projected > 0 && figures.projected != figures.average) {
        drawText(painter, line, Qt::AlignRight, tr("%1 as often as planned").arg(amount(figures.projected)), Face::small,
                 theme_.muted);
        line.translate(0, lineHeight(Face::small));
    }
    if (predicted) {
        drawText(painter, line, Qt::AlignRight,
                 tr("predicted %1 to %2")
                     .arg(text(printQuantity(predicted->nominal, Unit::ampere, kPaintDigits)),
                          text(printQuantity(predicted->max, Unit::ampere, kPaintDigits))),
                 Face::small, theme_.muted);
        line.translate(0, lineHeight(Face::small));
    }
    drawText(painter, line, Qt::AlignRight,
             figures.hasRest ? tr("floor %1").arg(amount(figures.floor)) : tr("too short: no rest in it"), Face::small,
             theme_.muted);
    if (figures.hasRest && !figures.unseen.empty()) {
        line.translate(0, lineHeight(Face::small));
        drawText(painter, line, Qt::AlignRight, tr("not seen: %1").arg(text(figures.unseen.front())), Face::small, theme_.muted);
    }
    qreal top = area.bottom() + 8;
    const bool isOpen = opened_.contains(static_cast<std::size_t>(&row - rows_.data()));
    for (const auto& [what, said] : currentLines(figures, isOpen)) {
        drawText(painter, QRectF(axis_.left, top, 132, lineHeight(Face::small)), Qt::AlignLeft, what, Face::small, theme_.ink);
        drawText(painter,
                 QRectF(axis_.left + 140, top, viewport()->width() - axis_.left - 140 - kPaintLeft, lineHeight(Face::small)),
                 Qt::AlignLeft, said, Face::small, theme_.muted);
        top += lineHeight(Face::small) + 2;
    }
}

void BenchView::paintWorkings(QPainter& painter, const Row& row, qreal top) {
    for (const QString& line : workingsOf(row)) {
        drawText(painter, QRectF(axis_.left, top, viewport()->width() - axis_.left - kPaintLeft, lineHeight(Face::small)),
                 Qt::AlignLeft, line, Face::small, theme_.ink);
        top += lineHeight(Face::small) + 2;
    }
}

void BenchView::paintCursors(QPainter& painter) const {
    const qreal top = tracksTop_ - offset();
    const qreal bottom = explanationsTop_ - offset() - lineHeight(Face::small) - 14;
    for (std::size_t i = 0; i < 2; ++i) {
        if (cursors_[i]) {
            const qreal x = axis_.at(*cursors_[i]);
            if (x >= axis_.left && x <= axis_.right) {
                painter.setPen(QPen(theme_.thread, 1));
                painter.drawLine(QPointF(x, top), QPointF(x, bottom));
                drawText(painter, QRectF(x + 3, top - 2, 20, lineHeight(Face::small)), Qt::AlignLeft, QString::number(i + 1),
                         Face::small, theme_.thread);
            }
        }
    }
    drawText(painter, QRectF(axis_.left, bottom + 2, viewport()->width() - axis_.left - kPaintLeft, lineHeight(Face::small)),
             Qt::AlignLeft, cursorsSaid(), Face::small, theme_.thread);
}

void BenchView::paintExplanation(QPainter& painter, std::size_t index) {
    const QRectF rect = explanationRect(index);
    const bool isSelected = index == selected_ && !isCopying_;
    if (isSelected) {
        painter.fillRect(rect, theme_.selected);
        if (hasFocus()) {
            painter.fillRect(QRectF(rect.left(), rect.top(), 3, rect.height()), theme_.kept);
        }
    }
    const bool isOfCurrent = index >= work_.explained().size();
    const CurrentReason* reason = isOfCurrent ? &work_.reasons()[index - work_.explained().size()] : nullptr;
    const Explanation* explanation = isOfCurrent ? nullptr : &work_.explained()[index];
    const bool isWhole = reason != nullptr ? reason->leftOver == 0 : explanation->explainsAll();
    const qreal size = lineHeight(Face::word) * 0.5;
    const QRectF mark(kPaintLeft, rect.center().y() - size / 2, size, size);
    painter.setPen(QPen(isWhole ? theme_.kept : theme_.muted, 1.2));
    painter.setBrush(isWhole ? QBrush(theme_.kept) : QBrush(Qt::NoBrush));
    painter.drawEllipse(mark.adjusted(0.6, 0.6, -0.6, -0.6));
    QString left;
    if (reason != nullptr) {
        left =
            isWhole ? tr("the current") : tr("leaves %1").arg(text(printError(quantised(reason->leftOver, Rational(1, 1000)))));
    } else {
        left = text(isWhole ? sourcesSaid(document_.part(), *explanation) : leftSaid(*explanation));
    }
    const auto note = isSelected ? work_.noteFor(index) : std::nullopt;
    const QString offer = note ? tr("Enter notes: %1").arg(text(note->say)) : QString();
    const QString right = offer.isEmpty() ? left : offer;
    const qreal room = std::min(textWidth(Face::small, right) + 4, rect.width() * 0.5);
    drawText(painter, QRectF(rect.right() - 8 - room, rect.top(), room, rect.height()), Qt::AlignRight, right, Face::small,
             offer.isEmpty() ? theme_.muted : theme_.thread);
    const QString same = explanation == nullptr || explanation->same.empty()
                             ? QString()
                             : tr(" (or %n more that shows the same)", nullptr, static_cast<int>(explanation->same.size()));
    drawText(painter, QRectF(kPaintLeft + size + 8, rect.top(), rect.width() - room - size - 32, rect.height()), Qt::AlignLeft,
             text(reason != nullptr ? reason->say : explanation->say) + same,
             isWhole && (index == 0 || index == work_.explained().size()) ? Face::bold : Face::word, theme_.ink);
}

void BenchView::paintExplanations(QPainter& painter) {
    const qreal top = explanationsTop_ - offset();
    painter.fillRect(QRectF(0, top - 4, viewport()->width(), 1), theme_.line);
    const auto& list = work_.explained();
    const bool isFound = list.empty() || list.front().explainsAll();
    const QString title = isFound ? tr("What explains it") : tr("Nothing here explains it");
    const qreal width = textWidth(Face::bold, title);
    drawText(painter, QRectF(kPaintLeft, top, width + 2, rowHeight()), Qt::AlignLeft, title, Face::bold, theme_.ink);
    drawText(painter, QRectF(kPaintLeft + width + 12, top, viewport()->width() - width - 3 * kPaintLeft, rowHeight()),
             Qt::AlignLeft, isFound ? tr("each alone; full marks leave nothing over") : tr("what leaves least"), Face::small,
             theme_.muted);
    for (std::size_t i = 0; i < explanationCount(); ++i) {
        paintExplanation(painter, i);
    }
}

/// The captures that lie there, the one that is looked at on a plate.
void BenchView::paintLaid(QPainter& painter) {
    for (std::size_t i = 0; i < work_.laid().size(); ++i) {
        const QRectF rect = laidRect(i);
        if (rect.isEmpty()) {
            continue;
        }
        const BenchWork::Laid& laid = work_.laid()[i];
        const bool isLooked = i == work_.looked();
        if (isLooked) {
            painter.fillRect(rect, theme_.selected);
        }
        const QString name = laid.name + (laid.isChanged ? tr(", changed since") : laid.isKept ? tr(", kept") : QString());
        drawText(painter, rect.adjusted(8, 0, -8, 0), Qt::AlignLeft, name, isLooked ? Face::bold : Face::word,
                 laid.isChanged ? theme_.strained
                 : isLooked     ? theme_.ink
                                : theme_.muted);
    }
}

void BenchView::paintAll(QPainter& painter) {
    painter.setRenderHint(QPainter::Antialiasing);
    paintLaid(painter);
    const qreal top = tracksTop_ - offset();
    const qreal above = lineHeight(Face::small) + 6;
    const qreal bottom = explanationsTop_ - offset() - lineHeight(Face::small) - 20;
    axis_.draw(painter, QRectF(axis_.left, top - above, axis_.right - axis_.left, bottom - top + above), theme_);
    for (const Row& row : rows_) {
        const QRectF rect = rectOf(row);
        if (!isCopying_ && (rect.bottom() < 0 || rect.top() > viewport()->height())) {
            continue;
        }
        switch (row.kind) {
        case Row::Kind::measured: paintTrack(painter, row); break;
        case Row::Kind::unmatched: paintUnmatched(painter, row); break;
        case Row::Kind::current: paintCurrent(painter, row); break;
        }
        paintRowFocus(painter, row);
    }
    paintCursors(painter);
    if (rows_.empty()) {
        drawText(painter, QRectF(kPaintLeft, top, viewport()->width() - 2 * kPaintLeft, rowHeight()), Qt::AlignLeft,
                 tr("there is no track in it"), Face::word, theme_.muted);
    }
    paintExplanations(painter);
}

void BenchView::paintEvent(QPaintEvent* event) {
    make();
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    if (work_.capture() == nullptr) {
        paintLaid(painter);
        drawWrapped(painter, viewport()->rect().adjusted(16, 0, -16, 0), Qt::AlignHCenter, emptySaid(), Face::word,
                    trouble_.isEmpty() ? theme_.muted : theme_.broken);
        return;
    }
    paintAll(painter);
    if (!trouble_.isEmpty()) {
        const QRectF line(0, viewport()->height() - rowHeight(), viewport()->width(), rowHeight());
        painter.fillRect(line, theme_.paper);
        drawText(painter, line.adjusted(kPaintLeft, 0, -kPaintLeft, 0), Qt::AlignLeft, trouble_, Face::small, theme_.broken);
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

ReportPicture BenchView::picture() {
    make();
    ReportPicture picture;
    picture.title = tr("Bench");
    picture.size = QSizeF(viewport()->width(), contentHeight_);
    picture.paint = [this, size = picture.size](QPainter& painter) {
        isCopying_ = true;
        painter.fillRect(QRectF(QPointF(), size), theme_.paper);
        paintAll(painter);
        isCopying_ = false;
    };
    return picture;
}

} // namespace wisetick::app
