#pragma once

#include "paint/theme.h"

#include <QDialog>

class QAction;
class QLineEdit;
class QListWidget;

namespace wisetick::app {

/// Every action of the window with its keys, found by typing.
class CommandPalette : public QDialog {
    Q_OBJECT

public:
    CommandPalette(const QList<QAction*>& actions, const Theme& theme, QWidget* parent);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void filter();
    void run();

    QList<QAction*> actions_;
    QLineEdit* search_;
    QListWidget* list_;
};

} // namespace wisetick::app
