#pragma once

#include "derive/figures.h"
#include "plan/plan.h"

#include <QRectF>
#include <QString>

#include <functional>
#include <set>
#include <vector>

namespace wisetick::app {

/// One row of the Clocks view: a source or line, or a peripheral unfolded under the one that feeds it.
struct ClockRow {
    NodeIndex node = 0;
    std::optional<std::size_t> peripheral;
    std::vector<std::size_t> feeds;    ///< peripherals on this line, whether they are unfolded or not
    std::vector<std::size_t> promises; ///< on this line or its peripherals; of a peripheral's row, on it alone
    qreal top = 0;
};

/// What hangs on the sources and lines.
struct ClockTags {
    std::vector<std::optional<NodeIndex>> clocks;           ///< by peripheral: what feeds it
    std::vector<std::optional<NodeIndex>> promiseNodes;     ///< by promise: whose rate it is judged on
    std::vector<std::optional<std::size_t>> promiseDevices; ///< by promise: its peripheral
};
ClockTags tagsOf(const Part& part, const Plan& plan, const Take& take);

/// A decade of the axis; the text is empty where there is no room for every decade: then every second has one, or every
/// third.
struct AxisLabel {
    qreal x = 0;
    qreal width = 0;
    QString text;
};

/// Where everything in the Clocks view stands: rows in the part's order from the top, and a logarithmic axis of
/// frequency between the column of names and the column of rates. Pure geometry, in pixels of the whole content.
class ClocksLayout {
public:
    struct Measures {
        qreal width = 0;
        qreal rowHeight = 0;
        qreal headHeight = 0;
        qreal nameWidth = 0;
        qreal rateWidth = 0;
    };

    ClocksLayout() = default;
    /// `unfolded` are the nodes whose peripherals have rows, `shown` says by node what has a row at all.
    ClocksLayout(const Figures& figures, const ClockTags& tags, const std::set<NodeIndex>& unfolded,
                 const std::vector<bool>& shown, const Measures& measures);

    const std::vector<ClockRow>& rows() const { return rows_; }
    const Measures& measures() const { return measures_; }
    qreal height() const;
    qreal axisLeft() const { return measures_.nameWidth; }
    qreal axisRight() const { return measures_.width - measures_.rateWidth; }
    /// Powers of ten of the axis's ends.
    double lowDecade() const { return lowDecade_; }
    double highDecade() const { return highDecade_; }
    /// Takes over the axis of another layout.
    void keepAxisOf(const ClocksLayout& other);
    /// Zooms the axis around a place on it; a factor above 1 shows less.
    void zoom(double factor, qreal around);

    /// The decades on the axis with their labels, centred on their place.
    std::vector<AxisLabel> axisLabels(const std::function<qreal(const QString&)>& widthOf) const;

    /// The rate that stands at a place on the axis, Hz.
    double hertzAt(qreal x) const;
    qreal xOf(double hertz) const;
    qreal xOf(const Rational& hertz) const { return xOf(hertz.toDouble()); }
    QRectF rowRect(std::size_t row) const;
    /// The middle of a row's needle, or nothing where it has no rate.
    std::optional<QPointF> needle(std::size_t row, const Figures& figures) const;
    std::optional<std::size_t> rowAt(qreal y) const;
    std::optional<std::size_t> rowOf(NodeIndex node) const;

private:
    std::vector<ClockRow> rows_;
    Measures measures_;
    double lowDecade_ = 3;
    double highDecade_ = 9;
};

} // namespace wisetick::app
