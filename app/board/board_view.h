#pragma once

#include "board/board_rows.h"
#include "document/document.h"
#include "paint/painted_view.h"

class QLabel;
class QLineEdit;

namespace wisetick::app {

/// What stands on the board, fact by fact: what the plan says, edited where it stands, and what follows from it.
class BoardView : public PaintedView {
    Q_OBJECT

public:
    explicit BoardView(Document& document, QWidget* parent = nullptr);
    const std::vector<BoardRow>& rows() const { return rows_; }
    std::size_t selected() const { return selected_; }
    void select(std::size_t row);
    /// Only the rows that have the words in what is said of them; all where there are none.
    void find(const QString& words);
    QLineEdit* editor() const { return editor_; }
    /// Why what was typed can't be; empty where it can.
    QString trouble() const;
    /// Where a row stands, in the viewport.
    QRectF rowRect(std::size_t row) const;
    /// Where its result stands, behind its mark; in as many lines as it takes.
    QRectF resultRect(std::size_t row) const;

    std::vector<SpokenRow> spokenRows() override;

signals:
    /// A row was selected from which this figure follows.
    void targetWanted(const Target& target);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void layOut() override;
    void beginEdit(const QString& typed = {});
    void placeEditor();
    void endEdit(bool isApplied);
    /// Puts the selected signal on a pin; an empty one frees it. True if it is a signal.
    bool moveSignal(const QString& pin);
    /// The row under a point.
    std::optional<std::size_t> rowAt(const QPointF& point) const;
    /// Whether the signal that is dragged may stand on the pin of that row.
    bool takes(std::size_t row) const;
    qreal rowHeight() const;
    /// As high as its curve, or as its result where that takes several lines.
    qreal heightOf(const BoardRow& row) const;
    QRectF valueRect(std::size_t row) const;
    qreal resultLeft() const;
    bool standsBelow(const BoardRow& row) const;

    Document& document_;
    std::vector<BoardRow> rows_;
    QString sought_;
    std::vector<qreal> tops_;    ///< by row, in the whole content
    std::vector<qreal> heights_; ///< by row
    qreal height_ = 0;
    qreal nameWidth_ = 0; ///< of the column of names, from the longest
    qreal valueWidth_ = 0;
    std::size_t selected_ = 0;
    std::optional<std::size_t> dragged_; ///< the signal's row, while the mouse holds it
    std::optional<std::size_t> over_;    ///< the row that it is over
    QLineEdit* editor_;
    QLabel* trouble_;
};

} // namespace wisetick::app
