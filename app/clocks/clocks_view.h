#pragma once

#include "clocks/clocks_layout.h"
#include "paint/theme.h"
#include "shell/document.h"

#include <QAbstractScrollArea>

class QLabel;
class QLineEdit;

namespace wisetick::app {

/// The lines of the part on a common logarithmic axis of frequency: rail, needle, whisker, and a thread from parent to
/// child. A row's control is edited where it stands: Enter or a click on it, then a source, "÷ 4" or "48M".
class ClocksView : public QAbstractScrollArea {
    Q_OBJECT

public:
    explicit ClocksView(Document& document, QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    void select(const QString& lineId);
    QString selected() const;
    const ClocksLayout& layoutOfRows() const { return layout_; }
    /// The editor that stands in a row while it is edited.
    QLineEdit* editor() const { return editor_; }
    /// Why what was typed can't be set, and what is offered instead.
    QLabel* trouble() const { return trouble_; }

signals:
    void selectionChanged(const QString& lineId);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    void changeEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

private:
    void layOut();
    void selectRow(std::size_t row);
    void beginEdit();
    void endEdit(bool isApplied);
    void apply(const QString& typed);
    void takeOffer(int direction);
    void step(int direction);
    void toggleFold(NodeIndex node);
    QRectF controlRect(std::size_t row) const;
    void paintAxis(QPainter& painter) const;
    void paintThread(QPainter& painter, std::size_t row) const;
    void paintFold(QPainter& painter, const QPointF& centre, bool isUnfolded) const;
    void paintRow(QPainter& painter, std::size_t row) const;
    void paintNeedle(QPainter& painter, std::size_t row, const LineFigure& line) const;
    void paintReach(QPainter& painter, std::size_t row) const;

    Document& document_;
    Theme theme_ = lightTheme();
    ClocksLayout layout_;
    std::set<NodeIndex> unfolded_;
    std::size_t selectedRow_ = 0;
    std::optional<std::pair<double, qreal>> zoom_;
    QLineEdit* editor_;
    QLabel* trouble_;
    QStringList offers_; ///< settings near to what was typed, as they would be typed
};

} // namespace wisetick::app
