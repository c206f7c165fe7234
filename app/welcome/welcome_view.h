#pragma once

#include "paint/theme.h"

#include <QPixmap>
#include <QWidget>

class QLabel;
class QScrollArea;
class QVBoxLayout;

namespace wisetick::app {

class PillButton;

/// What this program is, in three sentences and a picture, and where one can begin: the example, a new plan, a part, or a plan
/// that was open before.
class WelcomeView : public QWidget {
    Q_OBJECT

public:
    explicit WelcomeView(QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    /// Plans that were open, the newest first.
    void setRecent(const QStringList& paths);
    /// A picture of the window at work; none where it is not installed.
    void setPicture(const QString& path);

signals:
    void exampleWanted();
    void tourWanted();
    void planWanted();
    void partWanted();
    void openWanted(const QString& path);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    void style();

    Theme theme_ = lightTheme();
    QPixmap picture_;
    QLabel* title_;
    QLabel* words_;
    QLabel* recentTitle_;
    QScrollArea* scrolls_;
    QWidget* left_;
    QVBoxLayout* recent_;
    QList<PillButton*> buttons_;
    QList<QLabel*> links_;
};

} // namespace wisetick::app
