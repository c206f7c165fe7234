#pragma once

#include "document/background.h"
#include "document/document.h"
#include "paint/painted_view.h"
#include "rhythm/lanes.h"
#include "rhythm/rhythm_pictures.h"

class QLabel;
class QLineEdit;

namespace wisetick::app {

/// One lane a job, what goes on and what it draws, where the charge goes and what would move it. A lane is dragged to move its
/// phase, at the end of a run to change its length, with Shift to change its period; Enter edits its line, Insert adds a job.
class RhythmView : public PaintedView {
    Q_OBJECT

public:
    explicit RhythmView(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme) override;

    /// The time that is shown.
    const TimeAxis& axis();
    /// Shows a stretch of time, s; clamped to what can be shown.
    void showTime(double from, double to);
    /// Shows three of the longest periods.
    void showAll();
    void zoom(double factor, double around);

    std::size_t selectedLane() const { return lane_; }
    void selectLane(std::size_t lane);
    QRectF laneRect(std::size_t lane);
    /// The runs of a lane that are drawn, s; none where they are too many to be told apart.
    std::vector<Run> shownRuns(std::size_t lane);

    /// Opens the line of the selected job, or of a new one.
    void editLine(bool isNew);
    QLineEdit* line() const { return line_; }
    /// What is wrong with the line that was sent; empty where nothing is.
    QString fault() const;
    void removeJob();

    const std::vector<Picture>& pictures();
    QRectF pictureRect(std::size_t picture);
    std::size_t openShare() const { return share_; }
    /// Whether something is still worked out beside the interface.
    bool isBusy() const { return background_.isBusy() || chanceBackground_.isBusy(); }
    const std::vector<BatteryMove>& moves() const { return moves_; }
    const std::optional<ChanceFigure>& chance() const { return chance_; }

    std::vector<SpokenRow> spokenRows() override;

signals:
    /// The rhythm, a job or a mode: whose arithmetic is wanted.
    void targetWanted(const Target& target);

protected:
    void paintEvent(QPaintEvent* event) override;
    void scrollContentsBy(int dx, int dy) override;
    /// Return in the line sends it, and goes no further.
    bool eventFilter(QObject* watched, QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;

private:
    enum class Grip { none, time, phase, length, period };
    struct Drag {
        Grip grip = Grip::none;
        QPointF from;
        double fromTime = 0;  ///< of the axis when it began
        double runStart = 0;  ///< of the run that is held
        std::int64_t run = 0; ///< its number from 0
        double by = 0;        ///< s, that it was dragged
    };

    void remake() override;
    void forget();
    void layOut() override;
    void takeFigures();
    void workAside();
    void playChance();
    void placeLine();
    void sendLine();
    void clampAxis();
    double grain() const;
    qreal laneHeight() const;
    qreal lanesTop() const;
    qreal traceTop() const;
    QString timesSaid(std::size_t lane);
    QString hintSaid() const;
    QRectF hintRect() const;
    std::optional<std::size_t> laneAt(const QPointF& at);
    std::vector<std::size_t> traceLanes() const;
    void applyDrag();
    void paintLane(QPainter& painter, std::size_t lane);
    void paintTrace(QPainter& painter);

    Document& document_;
    bool wasFitted_ = false;
    TimeAxis axis_;
    std::size_t lane_ = 0;
    std::size_t share_ = 0;
    Drag drag_;
    RhythmFigure rhythm_; ///< the last one that was played
    bool isPlayed_ = false;
    std::vector<Picture> pictures_;
    Background background_;       ///< moves, sweeps, takes
    Background chanceBackground_; ///< a thousand plays
    Plan workedOn_;               ///< what moves and sweeps belong to
    QString workedFor_;           ///< and the job that was swept
    std::vector<BatteryMove> moves_;
    std::vector<TakeBeside> takes_;
    Sweep interval_;
    Sweep temperature_;
    Sweep race_;
    Sweep coreRate_;
    std::optional<ChanceFigure> chance_;
    double chanceDone_ = 0;
    QLineEdit* line_;
    QLabel* lineFault_;
    bool isNewLine_ = false;
};

} // namespace wisetick::app
