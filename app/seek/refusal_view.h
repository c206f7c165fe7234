#pragma once

#include "paint/theme.h"
#include "seek/seek_work.h"

#include <QTextBrowser>

namespace wisetick::app {

/// Why nothing fits: what collides, each with "lift" beside it, the nearest of each wish, and what would help.
class RefusalView : public QTextBrowser {
    Q_OBJECT

public:
    explicit RefusalView(QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    void show(const RefusalShown& refusal, const Question& question);

signals:
    /// Something that collides shall not count.
    void liftWanted(const RefusedPiece& piece);
    /// A wish of the question shall be for the nearest that can be had.
    void nearestWanted(std::size_t wish);
    /// A crystal of that rate shall be fitted for the source.
    void crystalWanted(const QString& source, const Rational& hertz);

protected:
    void changeEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

private:
    void render();
    void follow(const QUrl& link);

    Theme theme_ = lightTheme();
    RefusalShown refusal_;
    Question question_;
};

} // namespace wisetick::app
