#pragma once

#include "shell/settings.h"

#include <QDialog>

class QAction;
class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QLineEdit;
class QSpinBox;
class QTableWidget;

namespace wisetick::app {

/// What the user may choose: how the window looks, what is written aside and when, and the keys of all commands. Each change
/// holds at once; the keys of a command are taken back with Delete.
class SettingsWindow : public QDialog {
    Q_OBJECT

public:
    SettingsWindow(const Settings& settings, const QList<QAction*>& commands, QWidget* parent);
    const Settings& settings() const { return settings_; }
    /// Gives a command other keys; why not, where another one has them or they can't be read.
    QString setKeys(const QString& command, const QString& keys);
    QTableWidget* keys() const { return keys_; }

signals:
    void changed(const Settings& settings);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QWidget* makeLooks();
    QWidget* makeKeys();
    void fillKeys();
    void tell();

    Settings settings_;
    QList<QAction*> commands_;
    QComboBox* look_;
    QDoubleSpinBox* font_;
    QSpinBox* digits_;
    QSpinBox* aside_;
    QComboBox* language_;
    QLineEdit* parts_;
    QCheckBox* menus_;
    QCheckBox* motion_;
    QCheckBox* reopens_;
    QTableWidget* keys_;
    QLabel* trouble_;
    bool isFilling_ = false;
};

} // namespace wisetick::app
