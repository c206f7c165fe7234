#pragma once

#include "handover/handover_work.h"
#include "paint/painted_view.h"

class QLabel;
class QLineEdit;

namespace wisetick::app {

/// The files that the plan hands over with how they stand, the selected one beside what the plan would write, and what was found
/// in a board's registers. ↑ and ↓ select, Enter writes the selected file, Del takes it out of the plan.
class HandoverList : public PaintedView {
    Q_OBJECT

public:
    explicit HandoverList(HandoverWork& work, QWidget* parent = nullptr);

    /// The path of the selected file; empty where none is.
    QString selected() const;
    void select(const QString& path);
    QRectF fileRect(std::size_t index) const;
    /// A line of both texts beside one another; what stands on one side only has nothing beside it.
    struct Beside {
        std::optional<std::string> found;
        std::optional<std::string> planned;
        bool isSame = false;
        bool isBreak = false; ///< others are left out before it
    };
    /// What is shown of the selected file: the lines that differ, and a few around them.
    const std::vector<Beside>& lines() const { return lines_; }
    /// What is drawn of one side of a line into so many pixels: of one that is too long, what begins shortly before the place
    /// where it differs from the other side.
    static QString fromWhatDiffers(const Beside& line, const QString& own, qreal width);

    std::vector<SpokenRow> spokenRows() override;

signals:
    void selectionChanged(const QString& path);
    void writeWanted(const QString& path);
    void removeWanted(const QString& path);

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;

private:
    void layOut() override;
    QString emptySaid() const;
    void selectIndex(std::size_t index);
    void cutLines();
    qreal rowHeight() const;
    QString leftSaid() const;
    qreal leftTop() const;
    qreal leftHeight() const;
    qreal lineTop(std::size_t line) const;
    qreal foundTop() const;
    void paintFiles(QPainter& painter) const;
    void paintLines(QPainter& painter) const;
    void paintFound(QPainter& painter) const;
    void paintTitle(QPainter& painter, qreal top, const QString& title, const QString& say) const;
    std::vector<const FoundField*> shownFields() const;

    HandoverWork& work_;
    std::size_t selected_ = 0;
    bool wasFilled_ = false; ///< there were files when it was last made
    std::vector<Beside> lines_;
};

/// The list with a line below it in which one types a file more.
class HandoverView : public QWidget {
    Q_OBJECT

public:
    explicit HandoverView(Document& document, QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    HandoverList* list() const { return list_; }
    HandoverWork& work() { return work_; }
    QLineEdit* entry() const { return entry_; }
    /// What is wrong with the last thing that was asked; empty where nothing is.
    QString trouble() const;
    void write(const QString& path, OverEdited over = OverEdited::no);
    void tell(const QString& trouble);

private:
    void add();

    Document& document_;
    HandoverWork work_;
    HandoverList* list_;
    QLineEdit* entry_;
    QLabel* trouble_;
};

} // namespace wisetick::app
