#pragma once

#include "paint/theme.h"

#include <QWidget>

#include <functional>

class QHBoxLayout;
class QLabel;

namespace wisetick::app {

/// A line above the view that tells of something and offers what to do about it; it goes when one of these is chosen.
class Notice : public QWidget {
    Q_OBJECT

public:
    explicit Notice(QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    struct Choice {
        QString name;
        std::function<void()> run;
    };
    void tell(const QString& what, const QList<Choice>& choices);
    QString text() const;

private:
    QLabel* label_;
    QHBoxLayout* row_;
    QList<QWidget*> buttons_;
};

} // namespace wisetick::app
