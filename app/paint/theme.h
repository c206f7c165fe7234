#pragma once

#include "promise/promise_figure.h"

#include <QColor>
#include <QPainter>

namespace wisetick::app {

/// The colours of the window, light or dark.
struct Theme {
    bool isDark = false;
    QColor paper;
    QColor panel;
    QColor ink;
    QColor muted;
    QColor line;
    QColor rail;
    QColor railEdge;
    QColor kept;
    QColor strained;
    QColor broken;
    QColor thread;
    QColor head;
    QColor headInk;
    QColor headMuted;
    QColor selected;

    QColor of(State state) const;
};

const Theme& lightTheme();
const Theme& darkTheme();
/// Black on white, strong lines: for eyes that need it.
const Theme& contrastTheme();

/// Draws a state's mark into a square: kept a full disc, strained a half disc, broken an open ring with a notch,
/// pending three dots. Told apart by shape as well as by colour.
void drawMark(QPainter& painter, const QRectF& square, State state, const Theme& theme);

/// The sign that a part of the window has the focus: a line along its upper edge.
void drawFocus(QPainter& painter, const QRect& area, const Theme& theme);

/// Draws a promise's room: the band is what was asked, the tick the nominal error, the whisker the worst cases. What is
/// outside is drawn at the end. A diamond: what was measured.
void drawGauge(QPainter& painter, const QRectF& area, const PromiseFigure& promise, const Theme& theme,
               const Bounds* measured = nullptr);

/// The tolerance that a gauge's band stands for; nothing for `exactly` and bounds.
std::optional<double> gaugeTolerance(const PromiseFigure& promise);

} // namespace wisetick::app
