#pragma once

#include "paint/theme.h"
#include "part/part.h"

#include <QTreeWidget>

#include <functional>

namespace wisetick::app {

/// What a part is made of: each source with the lines that it feeds at reset, and below them the peripherals that they clock. A
/// row says what can be set there; Enter or F2 lays that open as a line to be typed over. Insert, Delete and such a line ask for
/// changes of the text; the tree itself is never changed.
class PartTree : public QTreeWidget {
    Q_OBJECT

public:
    explicit PartTree(QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    /// Shows the part; what was selected stays so where it is still there.
    void show(const Part& part);
    /// The id of the selected row; empty where none is.
    QString selected() const;
    void select(const QString& id);
    /// Where the lines of the rows come from, and what would be wrong with one that was typed: empty where nothing is.
    void setLines(std::function<QString(const QString& id)> lineOf,
                  std::function<QString(const QString& id, const QString& line)> faultOf);

signals:
    void selectionMoved(const QString& id);
    /// A source, line or peripheral is to be made below that row.
    void insertWanted(const QString& id);
    void removeWanted(const QString& id);
    /// The line of a row was typed, and nothing is wrong with it.
    void lineTyped(const QString& id, const QString& line);
    /// What is wrong with the line that is being typed; empty where it was given up.
    void lineRefused(const QString& why);

protected:
    /// Of a row its line is edited, whatever column it is asked of.
    bool edit(const QModelIndex& index, EditTrigger trigger, QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void shareColumns();
    QTreeWidgetItem* add(QTreeWidgetItem* above, const QString& id, const QString& name, const QString& say);
    void addNode(const Part& part, NodeIndex node, QTreeWidgetItem* above);

    Theme theme_ = lightTheme();
};

/// "÷ 1, 2, 4", "× 8 … 256", "from rc, xt": what can be set on a line.
QString settableSaid(const Part& part, const Line& line);

} // namespace wisetick::app
