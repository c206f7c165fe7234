#pragma once

#include "document/document.h"
#include "paint/painted_view.h"
#include "sleep/mode_matrix.h"
#include "sleep/sleep_pictures.h"

#include <map>

namespace wisetick::app {

/// The modes beside one another, and of the selected one how it wakes, from which rest on it pays and what draws in it. Left and
/// right select a mode, up and down a row; Enter rests in the mode, or changes the option in the row.
class SleepView : public PaintedView {
    Q_OBJECT

public:
    explicit SleepView(Document& document, QWidget* parent = nullptr);

    /// Selects a mode; unknown ones are ignored.
    void select(const QString& mode);
    QString selected();
    std::size_t selectedRow() const { return row_; }
    const ModeMatrix& matrix();
    /// Where the cell of a mode in a row stands, in the viewport.
    QRectF cellRect(std::size_t row, std::size_t mode);
    QRectF headRect(std::size_t mode);
    /// Where a picture is drawn, in the viewport: waking (not of run), rest lengths, draws.
    QRectF pictureRect(std::size_t picture);
    const std::vector<Picture>& pictures();
    /// From which rest on which mode pays; a click on its band selects the mode, a double click rests there.
    const std::vector<BestRest>& bands() const { return bands_; }
    const std::vector<JobRest>& jobs() const { return jobs_; }
    /// What is left out of the draws to see what that saves.
    const std::vector<std::string>& without() const { return without_; }

    /// Makes the take rest in the selected mode; in the run mode it does not rest.
    void restHere();
    /// The next value of the option in the selected row.
    void changeOption();

    std::vector<SpokenRow> spokenRows() override;

signals:
    /// A mode, line or promise: whose arithmetic is wanted.
    void targetWanted(const Target& target);

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;

private:
    void remake() override;
    void layOut() override;
    qreal rowHeight() const;
    qreal headHeight() const;
    qreal nameWidth() const { return nameWidth_; }
    qreal rowTop(std::size_t row) const;
    void selectCell(std::size_t row, std::size_t mode);
    void showSelected();
    static QString saidOf(const ModeCell& cell);
    void paintMatrix(QPainter& painter);
    void paintCell(QPainter& painter, const QRectF& rect, const ModeCell& cell) const;
    void paintColumn(QPainter& painter);
    void paintHeads(QPainter& painter);

    Document& document_;
    ModeMatrix matrix_;
    std::vector<Picture> pictures_;
    std::vector<BestRest> bands_;
    std::vector<JobRest> jobs_;
    std::map<std::size_t, std::vector<SweepPoint>> overSupply_; ///< of the modes looked at since the last change
    std::vector<std::string> without_;
    std::size_t mode_ = 0;
    std::size_t row_ = 0; ///< 0 is the first row, a title is never selected
    bool wasShown_ = false;
    qreal nameWidth_ = 0;
    qreal columnWidth_ = 80;
    qreal matrixHeight_ = 0;
};

} // namespace wisetick::app
