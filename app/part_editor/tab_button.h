#pragma once

#include "paint/text.h"
#include "paint/theme.h"

#include <QAbstractButton>
#include <QPainter>

namespace wisetick::app {

/// A word that is bold while its page is shown, with a line below it.
class TabButton : public QAbstractButton {
public:
    explicit TabButton(const QString& words) {
        setText(words);
        setCheckable(true);
        setFocusPolicy(Qt::StrongFocus);
    }
    void setTheme(const Theme& theme) {
        theme_ = theme;
        update();
    }
    QSize sizeHint() const override {
        return {static_cast<int>(textWidth(Face::bold, text())) + 20, static_cast<int>(lineHeight(Face::bold)) + 12};
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        const QColor ink = isChecked() ? theme_.ink : theme_.muted;
        drawText(painter, rect(), Qt::AlignHCenter, text(), isChecked() ? Face::bold : Face::word, ink);
        if (isChecked() || hasFocus()) {
            painter.fillRect(QRect(10, height() - 3, width() - 20, 2), hasFocus() ? theme_.thread : theme_.ink);
        }
    }

private:
    Theme theme_ = lightTheme();
};

} // namespace wisetick::app
