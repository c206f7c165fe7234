#pragma once

#include "document/document.h"
#include "paint/theme.h"

#include <QWidget>

namespace wisetick::app {

/// Plan, part, supply, temperature and take on the left; the five vitals on the right. A click on a vital, or Enter on
/// the one in focus, goes to its cause.
class Head : public QWidget {
    Q_OBJECT

public:
    explicit Head(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    QSize sizeHint() const override;

signals:
    /// "line/core", "promise/modem", "mode/deep", "rhythm/average" or "rhythm/life".
    void causeWanted(const Target& target);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

private:
    struct Vital {
        QString value;
        QString name;
        Target target;
        std::optional<State> state;
    };

    std::vector<Vital> vitals() const;
    QRectF vitalRect(std::size_t index, std::size_t count) const;

    Document& document_;
    Theme theme_ = lightTheme();
    std::size_t focused_ = 0;
};

} // namespace wisetick::app
