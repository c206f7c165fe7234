#pragma once

#include "paint/theme.h"

#include <QDialog>

class QLineEdit;
class QListWidget;

namespace wisetick::app {

/// The outline of a part's text: what it makes, in its order, found by any letters of kind and name. Enter goes there.
class PartOutline : public QDialog {
    Q_OBJECT

public:
    PartOutline(const QString& text, const Theme& theme, QWidget* parent = nullptr);

    QLineEdit* search() const { return search_; }
    QListWidget* list() const { return list_; }
    /// The line that was chosen, from 0; -1 where none was.
    int line() const { return line_; }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void filter();

    QLineEdit* search_;
    QListWidget* list_;
    int line_ = -1;
};

} // namespace wisetick::app
