#pragma once

#include "paint/painted_view.h"

#include <optional>
#include <vector>

namespace wisetick::app {

/// A small tag that stands for one thing that is asked.
struct Chip {
    enum class Look {
        hard,   ///< must be: filled
        soft,   ///< if possible: open, with a broken edge
        aside,  ///< does not count: struck out
        locked, ///< stays as it is: between brackets
    };

    QString text;
    Look look = Look::hard;
    bool canBeRemoved = false;
    QString tip;
};

/// Chips under a common title.
struct ChipGroup {
    QString title;
    QString hint; ///< stands there while it has none
    std::vector<Chip> chips;
    bool isOrdered = false; ///< its chips can be dragged
};

/// Groups of chips, laid out in lines. A click or Space presses one, Delete or its cross removes it, Enter or a double click
/// opens it; Ctrl+Left and Ctrl+Right or the mouse move one of an ordered group. Rows and promise cards can be dropped on it.
class SeekChips : public PaintedView {
    Q_OBJECT

public:
    struct Place {
        std::size_t group = 0;
        std::size_t chip = 0;
        bool operator==(const Place&) const = default;
    };

    explicit SeekChips(QWidget* parent = nullptr);
    void show(std::vector<ChipGroup> groups);
    const std::vector<ChipGroup>& groups() const { return groups_; }
    std::optional<Place> selected() const { return selected_; }
    void select(const Place& place);
    /// Where a chip stands, in the viewport.
    QRectF chipRect(const Place& place) const;

    std::vector<SpokenRow> spokenRows() override;

signals:
    void pressed(std::size_t group, std::size_t chip);
    void removed(std::size_t group, std::size_t chip);
    void opened(std::size_t group, std::size_t chip);
    /// A chip of an ordered group was moved.
    void moved(std::size_t group, std::size_t from, std::size_t to);
    void dropped(const Target& target);

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    bool viewportEvent(QEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragMoveEvent(QDragMoveEvent* event) override;
    void dragLeaveEvent(QDragLeaveEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;

private:
    struct Set {
        Place place;
        QRectF rect; ///< of the whole content
    };

    void layOut() override;
    std::optional<Place> placeAt(const QPointF& at) const;
    const Chip& chipAt(const Place& place) const { return groups_[place.group].chips[place.chip]; }
    QRectF crossRect(const QRectF& chip) const;
    void step(int direction);
    void stepLine(int direction);
    void move(int direction);
    void paintChip(QPainter& painter, const Set& set) const;

    std::vector<ChipGroup> groups_;
    std::vector<Set> sets_;     ///< in reading order
    std::vector<QRectF> heads_; ///< of the groups' titles
    qreal height_ = 0;
    std::optional<Place> selected_;
    std::optional<Place> hovered_;
    std::optional<Place> held_; ///< by the mouse
    bool isMoved_ = false;      ///< the held one was dragged
    bool isDropping_ = false;
};

} // namespace wisetick::app
