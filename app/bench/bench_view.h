#pragma once

#include "bench/bench_work.h"
#include "paint/painted_view.h"
#include "picture/time_axis.h"

namespace wisetick::app {

/// Tracks over time: what was measured as ink over the bands that the plan predicts, which widen from edge to edge; below them
/// what explains it. + and − zoom, left and right move, a click sets a cursor at the nearest edge and with Shift a second one; up
/// and down go through the explanations, Enter notes the selected one in the plan.
class BenchView : public PaintedView {
    Q_OBJECT

public:
    explicit BenchView(Document& document, BenchWork& work, QWidget* parent = nullptr);

    BenchWork& work() { return work_; }
    const TimeAxis& axis();
    /// Shows a stretch of time, s, inside of what was recorded.
    void showTime(double from, double to);
    void showAll();
    /// A dozen cycles of the slowest signal, so that edges and bands can be told apart; all where it has fewer.
    void showSome();
    QRectF trackRect(std::size_t measured) const;
    QRectF explanationRect(std::size_t explanation) const;
    std::size_t selected() const { return selected_; }
    /// Where the cursors stand, s.
    std::optional<double> cursor(std::size_t which) const { return cursors_[which]; }
    /// What the two cursors say: "1.01404 s between, 0.98615 Hz, 4 edges".
    QString cursorsSaid() const;
    /// Writes the selected explanation into the plan; why not, empty where it was.
    QString note();
    /// What stands over all where nothing lies on the bench, or what went wrong.
    void tell(const QString& trouble);
    const QString& trouble() const { return trouble_; }

    std::vector<SpokenRow> spokenRows() override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    void layOut() override;
    qreal trackHeight() const;
    qreal rowHeight() const;
    qreal tracksTop() const;
    qreal explanationsTop() const;
    void zoom(double factor, double around);
    const Track* trackOf(const MeasuredSignal& measured) const;
    void setCursorAt(std::size_t which, const QPointF& at);
    void paintTrack(QPainter& painter, std::size_t index);
    void paintBands(QPainter& painter, const QRectF& area, const MeasuredSignal& measured, const Track& track) const;
    void paintInk(QPainter& painter, const QRectF& area, const Track& track, const QColor& ink) const;
    void paintCursors(QPainter& painter) const;
    void paintExplanations(QPainter& painter) const;

    Document& document_;
    BenchWork& work_;
    TimeAxis axis_;
    const Capture* shown_ = nullptr; ///< that the axis was made for
    std::size_t selected_ = 0;       ///< explanation
    std::optional<double> cursors_[2];
    std::size_t cursorTrack_ = 0; ///< on which the first one was set
    std::optional<QPointF> drag_;
    double dragFrom_ = 0;
    QString trouble_;
};

} // namespace wisetick::app
