#pragma once

#include "paint/painted_view.h"
#include "seek/seek_work.h"

namespace wisetick::app {

/// Found takes, best first: how much of a tolerance the worst error uses up, what each draws and how it wakes, and what it
/// changes. The selected one says all of that in full, and unfolds into its equal settings.
class FoundList : public PaintedView {
    Q_OBJECT

public:
    explicit FoundList(QWidget* parent = nullptr);

    /// The states of the promises as they are, by which it is told what a take breaks.
    void setNow(const Figures& now);
    /// The same take stays selected, or the first is.
    void showEntries(const FoundEntries& entries);
    const FoundEntries& entries() const { return entries_; }
    std::size_t selected() const { return selected_; }
    void select(std::size_t entry);
    /// The take of the selected row: an entry, or one of its equals; nullptr where nothing was found.
    const FoundTake* selectedTake() const;
    std::optional<std::size_t> hovered() const { return hovered_; }
    void hover(std::optional<std::size_t> entry);
    /// What is said where nothing was found yet.
    void setEmptyText(const QString& text);

    bool isUnfolded() const { return isUnfolded_; }
    void fold();
    /// The settings that are equal to the selected entry, itself first; none while they are looked for.
    void showEquals(const std::vector<FoundTake>& equals, bool areAll);
    /// Of the unfolded entry, without itself.
    const std::vector<FoundTake>& equals() const { return equals_; }
    /// The equal setting that is selected; 0 is the entry itself.
    std::size_t selectedEqual() const { return equal_; }

    /// Where an entry stands, in the viewport.
    QRectF entryRect(std::size_t entry) const;
    /// Where the mark stands that unfolds the selected entry, in the viewport.
    QRectF foldRect() const;
    /// What is said below an entry: what it changes, and what it breaks and strains.
    QString changesText(std::size_t entry) const;
    QString breaksText(std::size_t entry) const;

    std::vector<SpokenRow> spokenRows() override;

signals:
    void selectionChanged(std::size_t entry);
    /// Another of the unfolded entry's equal settings is selected, or the entry itself again.
    void equalChanged();
    /// −1: none.
    void hoverChanged(int entry);
    /// The selected take is wanted, as a new one or in place of the present.
    void taken(bool isNew);
    void unfoldWanted(std::size_t entry);

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;

private:
    struct Column {
        QString title;
        qreal right = 0;
        bool isShown = true;
    };

    void layOut() override;
    qreal headHeight() const;
    qreal rowHeight() const;
    qreal textHeight(const QString& text) const;
    QString cellText(std::size_t entry, std::size_t column) const;
    QString equalText(std::size_t equal) const;
    void unfold();
    void step(int direction);
    void keepInView(const QRectF& rect);
    void paintEntry(QPainter& painter, std::size_t entry) const;
    void paintDetail(QPainter& painter, const QRectF& row) const;
    std::optional<std::size_t> entryAt(qreal y) const;

    std::vector<std::pair<QString, State>> now_; ///< promises
    FoundEntries entries_;
    QString emptyText_;
    std::size_t selected_ = 0;
    std::optional<std::size_t> hovered_;
    bool isUnfolded_ = false;
    bool areEqualsThere_ = false;
    bool areEqualsAll_ = true;
    std::vector<FoundTake> equals_; ///< without the entry itself
    std::size_t equal_ = 0;
    std::vector<qreal> tops_; ///< of the entries, and the end
    std::vector<Column> columns_;
};

} // namespace wisetick::app
