#pragma once

#include "document/takes_held.h"
#include "paint/theme.h"

#include <QWidget>

namespace wisetick::app {

/// Plan, part, supply, temperature and what each take holds on the left; the five vitals on the right. A click on a vital, or
/// Enter on the one in focus, goes to its cause.
class Head : public QWidget {
    Q_OBJECT

public:
    explicit Head(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    QSize sizeHint() const override;
    /// What becomes of what each take must keep.
    const TakesHeld& takesHeld() const { return held_; }
    /// Digits of the figures.
    void setDigits(int digits);

signals:
    /// "line/core", "promise/modem", "mode/deep", "rhythm/average", "rhythm/life".
    void causeWanted(const Target& target);
    /// A click on the take of that name.
    void takeWanted(const QString& name);

protected:
    bool event(QEvent* event) override;
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
    std::vector<QRectF> vitalRects(const std::vector<Vital>& vitals) const;

    /// The takes as they stand behind the plan's facts; those that there is no room for are left out.
    struct TakeMark {
        QRectF area;
        TakeHolds holds;
    };
    std::vector<TakeMark> takeMarks() const;
    QString factsText() const;
    qreal nameWidth() const;
    void say();

    Document& document_;
    TakesHeld held_;
    Theme theme_ = lightTheme();
    std::size_t focused_ = 0;
    int digits_ = 4;
};

} // namespace wisetick::app
