#pragma once

#include "paint/theme.h"

#include <QWidget>

class QLabel;
class QTimer;

namespace wisetick::app {

/// Says for a few seconds that something was done, over the lower edge of the window; nothing has to be answered.
class Toast : public QWidget {
    Q_OBJECT

public:
    explicit Toast(QWidget* window);
    void setTheme(const Theme& theme);
    /// Without motion it is gone at once when its time is over.
    void setMotion(bool hasMotion) { hasMotion_ = hasMotion; }
    void tell(const QString& what);
    /// What is said just now; empty where nothing is.
    QString text() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

private:
    void place();
    void leave();

    Theme theme_ = lightTheme();
    QLabel* label_;
    QTimer* stays_;
    bool hasMotion_ = true;
};

} // namespace wisetick::app
