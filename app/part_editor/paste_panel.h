#pragma once

#include "paint/theme.h"
#include "part/part.h"
#include "workshop/pasted_table.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QLineEdit;
class QMimeData;
class QPushButton;
class QTableWidget;

namespace wisetick::app {

/// A table from a datasheet, as it was copied: what each column means is guessed and can be changed, each row shows what it would
/// change, or why it stays out. Nothing is changed until it is taken.
class PastePanel : public QWidget {
    Q_OBJECT

public:
    explicit PastePanel(QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    /// Shows what the clipboard holds against the part's text; false where that is no table.
    bool paste(const QMimeData* clipboard, const QString& content, const Part& part);
    /// The part's text was changed meanwhile.
    void follow(const QString& content, const Part& part);
    QTableWidget* table() const { return table_; }
    QPushButton* takeButton() const { return take_; }
    QLineEdit* ref() const { return ref_; }

signals:
    /// The text with all rows that are clear.
    void taken(const QString& content);
    void closed();

private:
    void fill();
    void work();

    PastedCells cells_;
    PastedMeaning meaning_;
    std::vector<PastedRow> rows_;
    std::string content_;
    std::optional<Part> part_;
    Theme theme_ = lightTheme();
    QLabel* title_;
    QLineEdit* ref_;
    QTableWidget* table_;
    QPushButton* take_;
    QPushButton* close_;
};

} // namespace wisetick::app
