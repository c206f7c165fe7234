#pragma once

#include "paint/theme.h"

#include <QWidget>

#include <functional>

class QHBoxLayout;
class QLabel;

namespace wisetick::app {

/// A line above the view that tells of something and offers what to do about it; it goes when one of these is chosen. What is
/// told meanwhile waits until then: nothing that was asked goes without an answer.
class Notice : public QWidget {
    Q_OBJECT

public:
    explicit Notice(QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    struct Choice {
        QString name;
        std::function<void()> run;
    };
    /// `topic` names what it is about: what is told of one topic takes the place of what was told of it before.
    void tell(const QString& topic, const QString& what, const QList<Choice>& choices = {});
    /// Takes back what was told of a topic, and of those below it ("left" of "left/file").
    void withdraw(const QString& topic);
    QString text() const;
    /// How many wait behind what is shown.
    qsizetype waiting() const { return std::max<qsizetype>(told_.size() - 1, 0); }

private:
    struct Told {
        QString topic;
        QString what;
        QList<Choice> choices;
    };
    void showFirst();

    QLabel* label_;
    QHBoxLayout* row_;
    QList<QWidget*> buttons_;
    QList<Told> told_; ///< the first is shown
};

} // namespace wisetick::app
