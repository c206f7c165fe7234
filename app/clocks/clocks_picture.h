#pragma once

#include "clocks/clocks_layout.h"
#include "paint/theme.h"

namespace wisetick::app {

/// All that a picture of the clocks shows.
struct ClocksScene {
    const Part& part;
    const Take& take;
    const Figures& figures;
    const Figures* ghost = nullptr; ///< another take's, to be shown as hollow needles
    const ClocksLayout& layout;
    const std::set<NodeIndex>& unfolded;
    const std::set<NodeIndex>& folded;
    const std::set<NodeIndex>& marked;  ///< in question
    const std::vector<Text>& ownDemand; ///< by node: why it is on in this take alone, "in bus"
    Theme theme;
    std::optional<std::size_t> selected; ///< row
    std::optional<std::size_t> hovered;  ///< row
    bool hasFocus = false;
};

/// What stands at the right end of a row under its rate: "most 50 MHz", or "off".
QString limitText(const LineFigure& line);
/// A source's tolerance, and its choice of rates where it has one.
QString sourceText(const LineFigure& line);
/// What it is called where it is typed or emitted, where that is not its name.
QString idBesideName(const LineFigure& line);

/// Paints axis, rows, threads and needles on any device. `area` is the visible part of the whole, which begins at
/// `scroll` below its top; the axis stays at the top of the area.
void paintClocks(QPainter& painter, const ClocksScene& scene, const QSizeF& area, qreal scroll);

} // namespace wisetick::app
