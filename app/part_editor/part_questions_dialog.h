#pragma once

#include "workshop/part_questions.h"

#include <QDialog>

#include <map>

class QCheckBox;
class QLabel;
class QLineEdit;
class QSpinBox;

namespace wisetick::app {

/// The few questions by which a part is begun.
class PartQuestions : public QDialog {
    Q_OBJECT

public:
    explicit PartQuestions(QWidget* parent = nullptr);

    PartAnswers answers() const;
    /// The text that comes of the answers; filled in once the dialog was accepted.
    const QString& made() const { return made_; }
    void accept() override;

    QLineEdit* id() const { return id_; }
    QLineEdit* tiers() const { return tiers_; }
    QLineEdit* registers() const { return registers_; }
    QLabel* trouble() const { return trouble_; }

private:
    QString made_;
    QLineEdit* id_;
    QLineEdit* supplyMin_;
    QLineEdit* supplyMax_;
    QLineEdit* coldest_;
    QLineEdit* hottest_;
    QLineEdit* rcs_;
    QCheckBox* hasCrystal_;
    QLineEdit* crystalMin_;
    QLineEdit* crystalMax_;
    QCheckBox* hasWatchCrystal_;
    QSpinBox* multipliers_;
    QSpinBox* outputs_;
    QSpinBox* buses_;
    std::map<std::string, QSpinBox*> peripherals_;
    QLineEdit* modes_;
    QLineEdit* tiers_;
    QLineEdit* registers_;
    QLabel* trouble_;
};

} // namespace wisetick::app
