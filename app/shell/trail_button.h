#pragma once

#include "paint/theme.h"

#include <QPushButton>

#include <optional>

namespace wisetick::app {

/// One step of the trail: a view's name with the mark of its worst finding; the one that is shown stands out. Tab reaches that
/// one alone, and ← and → go from it to the next.
class TrailButton : public QPushButton {
    Q_OBJECT

public:
    explicit TrailButton(const QString& text, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    /// The mark; none while there is nothing to judge.
    void setState(std::optional<State> state);
    void setCurrent(bool isCurrent);
    QSize sizeHint() const override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    Theme theme_ = lightTheme();
    std::optional<State> state_;
    bool isCurrent_ = false;
};

} // namespace wisetick::app
