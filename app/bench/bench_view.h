#pragma once

#include "bench/bench_work.h"
#include "paint/painted_view.h"
#include "picture/report_picture.h"
#include "picture/time_axis.h"

#include <set>

namespace wisetick::app {

/// Tracks over time: what was measured as ink over the bands that the plan predicts, which widen from edge to edge; those that
/// belong to no promise, the supply's current, and below them what explains it. + and − zoom, left and right move, a click sets a
/// cursor at the nearest edge and with Shift a second one; up and down go through the explanations, Enter notes the selected one
/// in the plan. With Ctrl up and down go through the tracks; W shows how one was measured, M says which promise it belongs to,
/// R reads it together with others: words at a clock's edges, bytes of a two-wire bus, dead time.
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
    /// Where a measured signal stands, in the viewport.
    QRectF trackRect(std::size_t measured);
    /// Where a track stands that belongs to no promise.
    QRectF unmatchedRect(std::size_t track);
    /// Where the current stands; empty where there is none.
    QRectF currentRect();
    /// Explanations first, then those of the current.
    QRectF explanationRect(std::size_t explanation);
    /// Where one of the captures is named that lie on the bench.
    QRectF laidRect(std::size_t laid);
    std::size_t selected() const { return selected_; }
    /// Where the cursors stand, s.
    std::optional<double> cursor(std::size_t which) const { return cursors_[which]; }
    /// What the two cursors say: "1.01404 s between, 0.98615 Hz, 4 edges".
    QString cursorsSaid() const;
    /// Writes the selected explanation into the plan; why not, empty where it was.
    QString note();
    /// The row that keys are for, of all tracks from above.
    std::size_t row() const { return row_; }
    void selectRow(std::size_t row);
    /// The figure of the plan that foretells the selected track; nothing where none does.
    Target foretellsSelected() const;
    /// Shows or hides how the selected row was measured.
    void toggleWorkings();
    /// What may be said of the selected track: promises that it may belong to, and that it belongs to none.
    QStringList matchesOffered() const;
    /// Says it; why it can't be.
    QString matchRow(const QString& promise);
    /// What the selected track may be read as, together with others.
    std::vector<LineReading> readingsOffered() const;
    /// All that is shown, as it is copied.
    ReportPicture picture();
    /// Puts it on the clipboard as PNG, SVG and as a table of what was measured.
    void copy();
    /// What was measured as a table.
    QString table() const;
    /// What stands over all where nothing lies on the bench, or what went wrong.
    void tell(const QString& trouble);
    const QString& trouble() const { return trouble_; }

    std::vector<SpokenRow> spokenRows() override;

signals:
    /// A track was selected that this figure of the plan foretells.
    void targetWanted(const Target& target);

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
    QString emptySaid() const;
    struct Row {
        enum class Kind { measured, unmatched, current };
        Kind kind = Kind::measured;
        std::size_t index = 0;
        qreal top = 0; ///< of the content
        qreal height = 0;
    };
    qreal offset() const;
    qreal trackHeight() const;
    qreal rowHeight() const;
    qreal smallHeight() const;
    qreal unmatchedHeight(const Track& track) const;
    QRectF rectOf(const Row& row) const;
    const Row* rowOf(Row::Kind kind, std::size_t index);
    /// Selects it where it stands.
    void takeRow(std::size_t row);
    std::size_t explanationCount() const { return work_.explained().size() + work_.reasons().size(); }
    std::vector<QString> workingsOf(const Row& row) const;
    const Track* trackOfRow(std::size_t row) const;
    void askForMatch();
    void askForReading();
    std::vector<QString> measuredShown(const Track& track) const;
    void zoom(double factor, double around);
    const Track* trackOf(const MeasuredSignal& measured) const;
    void setCursorAt(std::size_t which, const QPointF& at);
    void paintAll(QPainter& painter);
    void paintLaid(QPainter& painter);
    void paintTrack(QPainter& painter, const Row& row);
    void paintUnmatched(QPainter& painter, const Row& row);
    void paintCurrent(QPainter& painter, const Row& row);
    void paintWorkings(QPainter& painter, const Row& row, qreal top);
    void paintRowFocus(QPainter& painter, const Row& row) const;
    void paintBands(QPainter& painter, const QRectF& area, const MeasuredSignal& measured, const Track& track) const;
    void paintInk(QPainter& painter, const QRectF& area, const Track& track, const QColor& ink) const;
    void paintPieces(QPainter& painter, const QRectF& area, const LineRead& read) const;
    void paintCursors(QPainter& painter) const;
    void paintExplanations(QPainter& painter);
    void paintExplanation(QPainter& painter, std::size_t index);

    Document& document_;
    BenchWork& work_;
    TimeAxis axis_;
    const Capture* shown_ = nullptr; ///< that the axis was made for
    std::size_t selected_ = 0;       ///< explanation
    std::optional<double> cursors_[2];
    std::vector<Row> rows_;
    std::vector<const Track*> unmatched_;
    std::size_t row_ = 0;
    std::set<std::size_t> opened_; ///< rows whose workings are shown
    qreal tracksTop_ = 0;          ///< of the content
    qreal explanationsTop_ = 0;
    qreal contentHeight_ = 0;
    bool isCopying_ = false; ///< all is painted, not what the viewport shows
    std::optional<QPointF> drag_;
    double dragFrom_ = 0;
    QString trouble_;
};

} // namespace wisetick::app
