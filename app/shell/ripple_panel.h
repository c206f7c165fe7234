#pragma once

#include "document/document.h"
#include "paint/controls.h"
#include "paint/spoken_rows.h"

#include <QWidget>

#include <optional>

class QTimer;

namespace wisetick::app {

/// What moved since the last Keep, before → after, worst first, with Keep and Undo. One line while nothing moved; it grows with
/// what moved, up to as many rows as its upper edge was drawn to (or + and − set), and shrinks a moment after it went.
class RipplePanel : public QWidget, public SpokenRows {
    Q_OBJECT

public:
    explicit RipplePanel(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    QSize sizeHint() const override;
    std::vector<SpokenRow> spokenRows() override;
    /// Rows that it grows to at most.
    int mostRows() const { return most_; }
    void setMostRows(int rows);
    QPushButton* keepButton() const { return keep_; }
    QPushButton* undoButton() const { return undo_; }

signals:
    void targetWanted(const Target& target);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    int rowHeight() const;
    int headHeight() const;
    int rowsThatFit() const;
    QString movedSaid() const;
    void refresh();
    void scroll(int rows);
    void placeButtons();
    void fit();
    bool isAtEdge(const QPointF& place) const;

    Document& document_;
    QTimer* shrinks_;
    int most_ = 4;
    std::optional<std::pair<int, int>> dragged_; ///< where on the screen, and how high it was

    Theme theme_ = lightTheme();
    int first_ = 0; ///< the first result that is shown
    PillButton* keep_;
    PillButton* undo_;
};

} // namespace wisetick::app
