#pragma once

#include "clocks/clocks_filter.h"
#include "clocks/clocks_layout.h"
#include "document/document.h"
#include "paint/painted_view.h"
#include "picture/report_picture.h"

class QLabel;
class QLineEdit;

namespace wisetick::app {

struct ClocksScene;
struct RowSetting;

/// The lines of the part on a common logarithmic axis of frequency: rail, needle, whisker, and a thread from parent to
/// child. A row's control is edited where it stands: Enter or a click on it, then a source, "÷ 4" or "48M"; or its
/// needle is dragged along its reach, which is an edit when it is let go.
class ClocksView : public PaintedView {
    Q_OBJECT

public:
    explicit ClocksView(Document& document, QWidget* parent = nullptr);

    void select(const QString& lineId);
    QString selected() const;
    const ClocksLayout& layoutOfRows() const { return layout_; }
    /// The editor that stands in a row while it is edited.
    QLineEdit* editor() const { return editor_; }
    /// Why what was typed can't be set, and what is offered instead.
    QLabel* trouble() const { return trouble_; }

    /// Shows only lines whose name or id holds the text, with what feeds them.
    void find(const QString& text);
    /// Nothing is folded or hidden any more.
    void showAll();
    /// Shows only what feeds the promise of that name; all where there is none.
    void showWhatFeeds(const QString& promise);
    void hideOff(bool isHidden);
    bool hidesOff() const { return filter_.hidesOff; }
    /// Hides or shows what hangs below the selected row.
    void foldBranch();
    /// Locks the selected row against everything but the user, or frees it.
    void toggleLock();
    /// The whole axis again.
    void fit();
    /// Shows the needles of another take as hollow ones; an empty name ends it.
    void showGhost(const QString& take);
    QString ghost() const { return ghostTake_; }
    /// Shows the needles of figures that no take has as hollow ones; nullptr ends it.
    void showGhost(const Figures* figures);
    /// Whether hollow needles are shown.
    bool hasGhost() const { return ghost_.has_value(); }
    /// Marks the rows of these sources and lines as in question.
    void markRows(const std::set<NodeIndex>& nodes);
    const std::set<NodeIndex>& markedRows() const { return marked_; }
    /// The view as it is, whole and not only its visible part.
    QPixmap picture();
    ReportPicture reportPicture(const Theme& theme);
    const Theme& theme() const { return theme_; }

    std::vector<SpokenRow> spokenRows() override;

signals:
    void selectionChanged(const QString& lineId);
    /// A rate was typed that its row can't reach by itself.
    void rateWanted(const QString& lineId, const Rational& hertz);
    /// Enter once more on such a rate: what seeks it is meant.
    void seekWanted();
    /// Esc where there is nothing to be ended here.
    void left();

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    bool viewportEvent(QEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;
    void wheelEvent(QWheelEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    /// A needle that is held.
    struct Drag {
        NodeIndex node = 0;
        std::optional<Rational> value; ///< of the control, where the needle was dragged to
    };

    void layOut() override;
    ClocksLayout::Measures measure() const;
    ClocksScene scene() const;
    void selectRow(std::size_t row);
    void scrollTo(std::size_t row);
    QString saidOf(NodeIndex node) const;
    void bringToView(const std::set<NodeIndex>& nodes);
    void beginEdit();
    void placeEditor();
    void endEdit(bool isApplied);
    void apply(const QString& typed);
    void say(const QString& why, const QStringList& offers);
    void takeOffer(int direction);
    void step(int direction);
    void toggleFold(NodeIndex node);
    void dragTo(qreal x);
    void endDrag(bool isApplied);
    bool isNeedleAt(std::size_t row, const QPointF& place) const;
    QRectF controlRect(std::size_t row) const;

    Document& document_;
    ClocksLayout layout_;
    ClocksFilter filter_;
    std::set<NodeIndex> unfolded_;
    std::vector<std::size_t> foundDevices() const;
    void selectFound();
    std::size_t selectedRow_ = 0;
    std::optional<std::size_t> hoveredRow_;
    std::optional<Drag> drag_;
    std::optional<std::pair<double, qreal>> zoom_;
    QString ghostTake_;
    std::optional<Figures> ghost_;
    std::set<NodeIndex> marked_;
    std::vector<Text> ownDemand_; ///< by node
    QString beyond_;              ///< what was typed last and asks for a rate that the row can't reach
    QPoint pressedAt_;            ///< where a row may be dragged away from
    bool mayDragRow_ = false;
    QLineEdit* editor_;
    QLabel* trouble_;
    QStringList offers_; ///< settings near to what was typed, as they would be typed
};

} // namespace wisetick::app
