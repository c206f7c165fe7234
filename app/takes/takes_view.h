#pragma once

#include "document/background.h"
#include "document/document.h"
#include "evaluate/compare.h"
#include "paint/painted_view.h"

#include <memory>

class QLabel;
class QLineEdit;

namespace wisetick::app {

/// The takes beside one another: a column a take, one of them selected; below what they keep, how their clocks stand, and their
/// figures, each section with its head that stays in sight. Left and right select a take, Enter makes it active, N adds one, C
/// copies, F2 renames, Delete deletes, with Alt left and right move it; D shows what differs alone. Up and down go through the
/// rows.
class TakesView : public PaintedView {
    Q_OBJECT

public:
    explicit TakesView(Document& document, QWidget* parent = nullptr);
    ~TakesView() override;

    /// What is shown, by sections; nothing while it is being worked out for the first time.
    const std::vector<ComparedRow>& rows() const { return rows_; }
    const std::vector<std::string>& takes() const { return takes_; }
    bool isBusy() const { return working_.isBusy(); }
    /// Works it out again where something changed since; done by itself while the view is in sight.
    void follow();
    QString selected() const;
    void select(const QString& take);
    /// What the selected row is about.
    Target target() const;
    /// Why the last edit could not be made; empty where it could.
    QString trouble() const;
    QLineEdit* nameEditor() const { return name_; }
    bool showsDifferencesOnly() const { return isShort_; }
    void showDifferencesOnly(bool isShort);
    void switchDifferences() { showDifferencesOnly(!isShort_); }

    void addTake();
    void copyTake();
    void renameTake();
    void deleteTake();
    void activate();
    void moveTake(int by);

    std::vector<SpokenRow> spokenRows() override;

signals:
    void targetWanted(const Target& target);
    void hintChanged();

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void showEvent(QShowEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;

private:
    void layOut() override;
    void sortRows();
    void selectRow(std::size_t row);
    void edit(const QString& what, const PlanEdit& change, const std::string& selectAfter);
    void placeName();
    void takeName();
    void endName();
    QString nameOf(const ComparedRow& row) const;
    static QString sectionName(ComparedRow::Kind kind);
    bool beginsSection(std::size_t row) const;
    qreal rowHeight() const;
    qreal columnWidth() const;
    QRectF rowRect(std::size_t row) const;
    QRectF headRect(std::size_t take) const;
    void paintRow(QPainter& painter, std::size_t row);
    void paintHead(QPainter& painter);
    void paintWhole(QPainter& painter);
    qreal wholeHeight() const;

    Document& document_;
    Background working_;
    std::vector<std::string> takes_;
    std::vector<ComparedRow> all_;
    std::vector<ComparedRow> rows_;
    std::vector<qreal> tops_; ///< by row, in the whole content
    bool isOld_ = true;       ///< something changed since it was worked out
    bool isShort_ = false;
    std::string selected_;
    std::size_t row_ = 0;
    qreal nameWidth_ = 0;
    QLineEdit* name_;
    std::string renamed_; ///< whose name stands in it
    QLabel* trouble_;
};

} // namespace wisetick::app
