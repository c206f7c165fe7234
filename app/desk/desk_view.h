#pragma once

#include "desk/way_table.h"
#include "document/document.h"
#include "paint/painted_view.h"

namespace wisetick::app {

/// The desk of one promise: pictures of its kind, and the ways in which it could be kept, best first. Enter pins the selected
/// way, or frees it where it is pinned.
class DeskView : public PaintedView {
    Q_OBJECT

public:
    explicit DeskView(Document& document, QWidget* parent = nullptr);
    /// Shows the promise of that name.
    void show(const QString& promise);
    const QString& shown() const { return name_; }

    const std::vector<Picture>& pictures();
    const WayTable& table();
    std::size_t selectedRow() const { return selected_; }
    void selectRow(std::size_t row);
    /// Where a row of the table stands, in the viewport.
    QRectF rowRect(std::size_t row);
    /// Pins the selected way, or frees the promise where that very way is pinned.
    void pinOrFree();
    /// Where the word that pins stands, in the viewport.
    QRectF pinRect();

    std::vector<SpokenRow> spokenRows() override;

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
    bool isPinnedHere() const;
    QString pinSaid() const;
    static QString waysTitle();
    static QString waysHint();
    qreal rowHeight() const;
    qreal headHeight() const;
    void paintHead(QPainter& painter, qreal top) const;
    void paintTable(QPainter& painter, qreal top);

    Document& document_;
    QString name_;
    std::optional<std::size_t> promise_; ///< index in the plan
    QString clockText_;
    std::vector<Picture> pictures_;
    WayTable table_;
    std::vector<Way> ways_;
    std::vector<qreal> widths_; ///< of the table's columns
    qreal tableTop_ = 0;        ///< in the whole, its title
    qreal height_ = 0;
    std::size_t selected_ = 0;
};

} // namespace wisetick::app
