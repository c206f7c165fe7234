#pragma once

#include "paint/theme.h"

#include <QLabel>
#include <QPushButton>
#include <QScrollBar>

namespace wisetick::app {

/// A button with round ends; the one that is meant is filled.
class PillButton : public QPushButton {
    Q_OBJECT

public:
    explicit PillButton(const QString& text, QWidget* parent = nullptr);
    void setTheme(const Theme& theme, bool isFilled);
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    Theme theme_ = lightTheme();
    bool isFilled_ = false;
};

/// A line of text that needs no room: of what does not fit as many parts are shown as do, told apart by ·, ; or a comma; a first
/// one that does not fit ends in an ellipsis. All of it stands in the tip.
class ElidedLabel : public QLabel {
    Q_OBJECT

public:
    explicit ElidedLabel(const QString& text = {}, QWidget* parent = nullptr);
    /// What of it is shown.
    QString shown() const;
    QSize minimumSizeHint() const override;

protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
};

/// A scroll bar without arrows: a slim handle where there is something to scroll, nothing where there is not.
class SlimScrollBar : public QScrollBar {
    Q_OBJECT

public:
    explicit SlimScrollBar(Qt::Orientation orientation, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;

private:
    QRect handle() const;

    Theme theme_ = lightTheme();
    int grip_ = 0; ///< where in the handle the mouse holds it
};

} // namespace wisetick::app
