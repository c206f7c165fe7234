#pragma once

#include "board/shelf_rows.h"
#include "paint/painted_view.h"

class QLabel;
class QLineEdit;

namespace wisetick::app {

/// The rows of the shelf, drawn; one that starts something is selected.
class ShelfList : public PaintedView {
    Q_OBJECT

public:
    explicit ShelfList(QWidget* parent = nullptr);

    void show(std::vector<ShelfRow> rows);
    const std::vector<ShelfRow>& rows() const { return rows_; }
    /// Index of the selected row; rows().size() where none can be.
    std::size_t selected() const { return selected_; }
    /// Selects the next (1) or last (−1) row that starts something.
    void step(int by);
    /// Starts what is selected.
    void start();
    QRectF rowRect(std::size_t row) const;

    std::vector<SpokenRow> spokenRows() override;

signals:
    void started(const wisetick::app::ShelfRow& row);

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;

private:
    void layOut() override;
    void select(std::size_t row);
    void paintRow(QPainter& painter, std::size_t index, const QRectF& rect) const;
    QString verb(const ShelfRow& row) const;

    std::vector<ShelfRow> rows_;
    std::vector<qreal> tops_;
    qreal needWidth_ = 0;
    qreal planWidth_ = 0;
    qreal height_ = 0;
    std::size_t selected_ = 0;
};

/// The parts shelf: a line in which one types what is needed, and the parts with what they have of it. A part begins a
/// plan, a plan is opened.
class ShelfView : public QWidget {
    Q_OBJECT

public:
    /// `examples` is the folder of the plans that ship with the program.
    ShelfView(Shelf shelf, std::filesystem::path examples, QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    /// Reads the shelf anew.
    void readAgain();
    QLineEdit* needs() const { return needs_; }
    ShelfList* list() const { return list_; }
    /// The file of the part that is selected, or of the one whose plan is; empty where there is none.
    QString selectedPart() const;
    /// What is wrong with the text of the needs; empty where nothing is.
    QString trouble() const;

signals:
    void beginWanted(const QString& partId);
    void openWanted(const QString& path);
    /// Esc: away from the shelf.
    void left();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void judge();

    Shelf shelf_;
    std::filesystem::path examples_;
    std::vector<ShelvedPart> parts_;
    std::vector<ShelvedPlan> plans_;
    QLineEdit* needs_;
    QLabel* trouble_;
    ShelfList* list_;
    Theme theme_ = lightTheme();
};

} // namespace wisetick::app
