#include "shell/head.h"

#include "paint/text.h"
#include "paint/tip.h"
#include "quantity/quantity_print.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QToolTip>

#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kVitalGap = 14; ///< between two vitals, with what a text needs beside it

/// A figure short enough for the head.
QString shortText(int digits, const Rational& value, Unit unit) {
    return text(printQuantity(value, unit, digits));
}

} // namespace

Head::Head(Document& document, QWidget* parent) : QWidget(parent), document_(document), held_(document) {
    setFocusPolicy(Qt::TabFocus);
    setAccessibleName(tr("Vitals"));
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(&document_, &Document::changed, this, &Head::say);
    connect(&held_, &TakesHeld::changed, this, &Head::say);
}

void Head::say() {
    QStringList said;
    if (document_.isOpen()) {
        said << text(document_.plan().name) << factsText();
    }
    for (const Vital& vital : vitals()) {
        said << vital.name + " " + vital.value;
    }
    for (const TakeHolds& take : held_.list()) {
        said << tr("take %1 %2").arg(text(take.take), text(holdsSaid(take)));
    }
    setAccessibleDescription(said.join(", "));
    update();
}

void Head::setTheme(const Theme& theme) {
    theme_ = theme;
    update();
}

void Head::setDigits(int digits) {
    digits_ = digits;
    say();
}

QSize Head::sizeHint() const {
    return {600, static_cast<int>(lineHeight(Face::title) + lineHeight(Face::small) + 14) / 4 * 4};
}

std::vector<Head::Vital> Head::vitals() const {
    std::vector<Vital> list;
    if (!document_.isOpen()) {
        return list;
    }
    const Figures& figures = document_.figures();
    const Vitals& vitals = figures.vitals;
    const LineFigure& core = figures.lines[document_.part().core];
    list.push_back({vitals.coreHertz ? shortText(digits_, *vitals.coreHertz, Unit::hertz) : tr("none"), tr("core rate"),
                    Target::line(core.id), core.state == State::kept ? std::nullopt : std::optional(core.state)});
    const PromiseFigure* worst = figures.findPromise(vitals.worstPromise);
    list.push_back({worst == nullptr ? tr("none") : text(worst->name), tr("worst promise"),
                    worst == nullptr ? Target() : Target::promise(worst->name),
                    worst == nullptr ? std::nullopt : std::optional(worst->state)});
    list.push_back({vitals.worstWakeUp ? shortText(digits_, vitals.worstWakeUp->max, Unit::second) : tr("none asked"),
                    tr("wake-up, worst"), Target::mode(vitals.worstWakeUpMode), std::nullopt});
    const bool isPlayed = figures.rhythm.has_value();
    list.push_back(
        {vitals.average ? shortText(digits_, vitals.average->nominal, Unit::ampere) : (isPlayed ? tr("unknown") : "\u2026"),
         isPlayed ? tr("average current") : tr("jobs are being played"), Target::rhythm("average"), std::nullopt});
    list.push_back({vitals.life ? shortText(digits_, vitals.life->nominal, Unit::second) : (isPlayed ? tr("unknown") : "\u2026"),
                    tr("battery"), Target::rhythm("life"), std::nullopt});
    return list;
}

/// All as wide as one another, where each figure finds room in that; else each as its figure needs, and what is left over goes
/// to their names. A figure that gets a digit more moves its neighbours by whole steps only.
std::vector<QRectF> Head::vitalRects(const std::vector<Vital>& vitals) const {
    constexpr qreal kStep = 16;
    const qreal all = width() * std::max(0.56, 1.0 - 520.0 / width());
    const auto count = static_cast<qreal>(vitals.size());
    const auto needed = [](const Vital& vital, Face face, const QString& said) {
        const qreal mark = vital.state ? lineHeight(Face::title) * 0.55 + 6 : 0;
        return std::ceil((textWidth(face, said) + mark + kVitalGap) / kStep) * kStep;
    };
    std::vector<qreal> widths;
    qreal figures = 0;
    qreal wanting = 0; // of the names
    for (const Vital& vital : vitals) {
        widths.push_back(needed(vital, Face::title, vital.value));
        figures += widths.back();
        wanting += std::max<qreal>(0, needed(vital, Face::small, vital.name) - widths.back());
    }
    const bool areEqual = std::all_of(widths.begin(), widths.end(), [&](qreal wide) { return wide <= all / count; });
    std::vector<QRectF> rects;
    qreal left = width() - all;
    for (std::size_t i = 0; i < vitals.size(); ++i) {
        const qreal wants = std::max<qreal>(0, needed(vitals[i], Face::small, vitals[i].name) - widths[i]);
        const qreal more = wanting > 0 ? wants / wanting : 1 / count;
        const qreal wide = areEqual ? all / count : widths[i] + std::max<qreal>(0, all - figures) * more;
        rects.emplace_back(left, 0, wide, static_cast<qreal>(height()));
        left += wide;
    }
    return rects;
}

void Head::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), theme_.head);
    painter.setRenderHint(QPainter::Antialiasing);
    const qreal upper = lineHeight(Face::title);
    const auto draw = [&](const QRectF& area, const QString& what, Face face, const QColor& colour) {
        drawText(painter, area, Qt::AlignLeft, what, face, colour);
    };
    const std::vector<Vital> list = vitals();
    const QRectF title(16, 6, nameWidth(), upper);
    if (!document_.isOpen()) {
        draw(QRectF(rect()).adjusted(16, 0, -16, 0), tr("Wise Tick"), Face::title, theme_.headInk);
        return;
    }
    const Plan& plan = document_.plan();
    draw(title, text(plan.name) + (document_.isModified() ? tr(", not saved") : QString()), Face::title, theme_.headInk);
    draw(QRectF(16, 6 + upper, nameWidth(), height() - upper - 10), factsText(), Face::small, theme_.headMuted);
    for (const TakeMark& take : takeMarks()) {
        const qreal size = take.area.height() * 0.5;
        if (take.holds.doesCount) {
            drawMark(painter, QRectF(take.area.left(), take.area.center().y() - size / 2, size, size), take.holds.state,
                     darkTheme());
        }
        const bool isActive = take.holds.take == plan.active;
        draw(take.area.adjusted(take.holds.doesCount ? size + 4 : 0, 0, 0, 0), text(take.holds.take), Face::small,
             isActive ? theme_.headInk : theme_.headMuted);
    }
    const std::vector<QRectF> rects = vitalRects(list);
    for (std::size_t i = 0; i < list.size(); ++i) {
        const QRectF area = rects[i].adjusted(4, 0, -8, 0);
        const qreal mark = list[i].state ? upper * 0.55 : 0;
        if (list[i].state) {
            Theme onHead = darkTheme();
            drawMark(painter, QRectF(area.left(), 6 + (upper - mark) / 2, mark, mark), *list[i].state, onHead);
        }
        const qreal indent = mark > 0 ? mark + 6 : 0;
        draw(QRectF(area.left() + indent, 6, area.width() - indent, upper), list[i].value, Face::title, theme_.headInk);
        draw(QRectF(area.left() + indent, 6 + upper, area.width() - indent, height() - upper - 10), list[i].name, Face::small,
             theme_.headMuted);
        if (hasFocus() && i == focused_) {
            painter.setPen(QPen(darkTheme().kept, 1.5));
            painter.setBrush(Qt::NoBrush);
            painter.drawRoundedRect(area.adjusted(-6, 3, 2, -3), 4, 4);
        }
    }
}

qreal Head::nameWidth() const {
    const std::vector<QRectF> rects = vitalRects(vitals());
    return (rects.empty() ? width() : rects.front().left()) - 24;
}

QString Head::factsText() const {
    const Plan& plan = document_.plan();
    QString facts = text(document_.part().name);
    if (plan.board.supply) {
        facts += " \u00b7 " + text(printQuantity(plan.board.supply->nominal, Unit::volt));
    }
    if (plan.board.temperature) {
        facts += " \u00b7 " + tr("%1 to %2")
                                  .arg(text(printQuantity(plan.board.temperature->min, Unit::celsius)),
                                       text(printQuantity(plan.board.temperature->max, Unit::celsius)));
    }
    return facts + " \u00b7 " + tr("take %1 of %2").arg(text(plan.active)).arg(plan.takes.size());
}

std::vector<Head::TakeMark> Head::takeMarks() const {
    std::vector<TakeMark> marks;
    const qreal top = 6 + lineHeight(Face::title);
    const qreal tall = height() - top - 4;
    qreal left = 16 + textWidth(Face::small, factsText()) + 16;
    for (const TakeHolds& take : held_.list().size() > 1 ? held_.list() : std::vector<TakeHolds>()) {
        const qreal wide = textWidth(Face::small, text(take.take)) + 2 + (take.doesCount ? tall * 0.5 + 4 : 0);
        if (left + wide <= 16 + nameWidth()) {
            marks.push_back({QRectF(left, top, wide, tall), take});
        }
        left += wide + 12;
    }
    return marks;
}

bool Head::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip && document_.isOpen()) {
        QStringList lines;
        for (const TakeHolds& take : held_.list()) {
            lines << tr("take %1: %2").arg(text(take.take), text(holdsSaid(take)));
        }
        const auto* help = static_cast<QHelpEvent*>(event);
        const bool isOnNames = help->pos().x() < 16 + nameWidth();
        QToolTip::showText(help->globalPos(), tipText(isOnNames ? lines.join('\n') : QString()), this);
        return true;
    }
    return QWidget::event(event);
}

void Head::mousePressEvent(QMouseEvent* event) {
    for (const TakeMark& take : takeMarks()) {
        if (take.area.contains(event->position())) {
            emit takeWanted(text(take.holds.take));
            return;
        }
    }
    const std::vector<Vital> list = vitals();
    const std::vector<QRectF> rects = vitalRects(list);
    for (std::size_t i = 0; i < list.size(); ++i) {
        if (rects[i].contains(event->position())) {
            emit causeWanted(list[i].target);
        }
    }
}

void Head::keyPressEvent(QKeyEvent* event) {
    const std::vector<Vital> list = vitals();
    if (list.empty()) {
        return;
    }
    switch (event->key()) {
    case Qt::Key_Left: focused_ = focused_ == 0 ? 0 : focused_ - 1; break;
    case Qt::Key_Right: focused_ = std::min(focused_ + 1, list.size() - 1); break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space: emit causeWanted(list[focused_].target); break;
    default: QWidget::keyPressEvent(event); return;
    }
    update();
}

void Head::focusInEvent(QFocusEvent*) {
    update();
}

void Head::focusOutEvent(QFocusEvent*) {
    update();
}

} // namespace wisetick::app
