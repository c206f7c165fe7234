#pragma once

#include "document/document.h"
#include "evaluate/compare.h"
#include "paint/controls.h"
#include "paint/painted_view.h"

#include <QDialog>

class QLabel;
class QLineEdit;
class QListWidget;

namespace wisetick::app {

/// Takes beside one another: a column a take, differences first, then what is the same, quietly.
class ComparisonTable : public PaintedView {
    Q_OBJECT

public:
    explicit ComparisonTable(const Theme& theme, QWidget* parent = nullptr);
    void show(const std::vector<std::string>& takes, std::vector<ComparedRow> rows);
    const std::vector<ComparedRow>& rows() const { return rows_; }

    std::vector<SpokenRow> spokenRows() override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    int rowHeight() const;
    void layOut() override;

    std::vector<std::string> takes_;
    std::vector<ComparedRow> rows_;
};

/// The takes of the plan: added, copied, renamed, deleted, moved and made active; every one an edit that can be undone.
class TakesWindow : public QDialog {
    Q_OBJECT

public:
    TakesWindow(Document& document, const Theme& theme, QWidget* parent);
    QListWidget* list() const { return list_; }
    ComparisonTable* table() const { return table_; }
    /// Selects the take of that name, if there is one.
    void select(const QString& name);
    /// Why the last edit could not be made; empty where it could.
    QString trouble() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    PillButton* addButton(const QString& name, const QString& keys, const std::function<void()>& run);
    void refresh();
    std::string selected() const;
    /// Makes the edit and selects the take, or says why not.
    void edit(const QString& what, const PlanEdit& change, const std::string& selectAfter);
    void activate();
    void copy();
    void rename();
    void remove();
    void move(int by);

    Document& document_;
    Theme theme_;
    QListWidget* list_;
    QLineEdit* name_;
    QLabel* trouble_;
    ComparisonTable* table_;
    std::string renaming_; ///< the take whose name is being typed
};

} // namespace wisetick::app
