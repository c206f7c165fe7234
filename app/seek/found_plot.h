#pragma once

#include "paint/theme.h"
#include "seek/seek_work.h"

#include <QWidget>

class QCustomPlot;
class QCPGraph;

namespace wisetick::app {

/// Found takes as marks: the current in run across, the worst error against its tolerance upwards on a logarithmic axis that has
/// a place for "exact" at its foot. What no other take beats in both is joined by a line: the best front.
class FoundPlot : public QWidget {
    Q_OBJECT

public:
    explicit FoundPlot(QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    void showEntries(const FoundEntries& entries);
    void select(std::optional<std::size_t> entry);
    void hover(std::optional<std::size_t> entry);
    std::optional<std::size_t> hovered() const { return hovered_; }
    /// Where an entry's mark stands, in this widget.
    QPointF markAt(std::size_t entry) const;
    /// The entries on the best front, by current.
    const std::vector<std::size_t>& front() const { return front_; }
    QSize minimumSizeHint() const override { return {160, 120}; }

signals:
    void selected(std::size_t entry);
    /// −1: none.
    void hoverChanged(int entry);
    void taken();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    class Marks;
    struct Point {
        double x = 0; ///< A
        double y = 0; ///< power of ten of the share of the tolerance, or the place of "exact"
        State state = State::kept;
        bool isKnown = true; ///< there is a current
    };

    void layOut();
    void findFront();
    void replot();
    void styleAxes();
    QPointF pixelOf(const Point& point) const;
    std::optional<std::size_t> entryNear(const QPointF& at) const;

    Theme theme_ = lightTheme();
    QCustomPlot* plot_;
    QCPGraph* frontLine_;
    std::vector<Point> points_;
    std::vector<std::size_t> front_;
    double exactAt_ = -1;
    double highest_ = 0;
    std::optional<std::size_t> selected_;
    std::optional<std::size_t> hovered_;
};

} // namespace wisetick::app
