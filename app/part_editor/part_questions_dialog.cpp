#include "part_editor/part_questions_dialog.h"

#include "language/said.h"

#include <QCheckBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSpinBox>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

/// Two fields with a word between them.
QHBoxLayout* fromTo(QLineEdit* from, QLineEdit* to) {
    auto* both = new QHBoxLayout;
    both->addWidget(from);
    both->addWidget(new QLabel(QObject::tr("to")));
    both->addWidget(to);
    return both;
}

QSpinBox* countOf(int least, int most, int value) {
    auto* box = new QSpinBox;
    box->setRange(least, most);
    box->setValue(value);
    return box;
}

QStringList wordsOf(const QLineEdit* line) {
    QStringList words = line->text().split(',', Qt::SkipEmptyParts);
    for (QString& word : words) {
        word = word.trimmed();
    }
    words.removeAll(QString());
    return words;
}

} // namespace

PartQuestions::PartQuestions(QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("A new part"));
    const PartAnswers usual;
    const auto line = [](const std::string& value) { return new QLineEdit(QString::fromStdString(value)); };
    id_ = line(usual.id);
    supplyMin_ = line(usual.supplyMin);
    supplyMax_ = line(usual.supplyMax);
    coldest_ = line(usual.coldest);
    hottest_ = line(usual.hottest);
    rcs_ = line(usual.rcs.front());
    hasCrystal_ = new QCheckBox(tr("a crystal"));
    hasCrystal_->setChecked(usual.hasCrystal);
    crystalMin_ = line(usual.crystalMin);
    crystalMax_ = line(usual.crystalMax);
    hasWatchCrystal_ = new QCheckBox(tr("a watch crystal of 32.768 kHz"));
    multipliers_ = countOf(0, 4, usual.multipliers);
    outputs_ = countOf(1, 6, usual.outputs);
    buses_ = countOf(0, 6, usual.buses);
    modes_ = line("idle, deep");
    tiers_ = new QLineEdit;
    tiers_->setPlaceholderText(tr("of its regulator, such as fast, low; none where there is no choice"));
    registers_ = new QLineEdit;
    registers_->setPlaceholderText(tr("a CMSIS-SVD file beside the part, if there is one"));
    auto* form = new QFormLayout;
    form->addRow(tr("What is it called?"), id_);
    form->addRow(tr("Which supply does it stand?"), fromTo(supplyMin_, supplyMax_));
    form->addRow(tr("How cold and hot may it be?"), fromTo(coldest_, hottest_));
    form->addRow(tr("Which oscillators are inside?"), rcs_);
    form->addRow(hasCrystal_, fromTo(crystalMin_, crystalMax_));
    form->addRow(QString(), hasWatchCrystal_);
    form->addRow(tr("Which performance levels?"), tiers_);
    form->addRow(tr("How many multipliers?"), multipliers_);
    form->addRow(tr("How many outputs has each?"), outputs_);
    form->addRow(tr("How many buses?"), buses_);
    auto* peripherals = new QHBoxLayout;
    for (const std::string& kind : askedKinds()) {
        int count = 0;
        for (const auto& [name, many] : usual.peripherals) {
            count = name == kind ? many : count;
        }
        QSpinBox* box = countOf(0, 32, count);
        box->setAccessibleName(tr("How many of kind %1").arg(QString::fromStdString(kind)));
        peripherals_[kind] = box;
        auto* column = new QVBoxLayout;
        column->addWidget(new QLabel(QString::fromStdString(kind)));
        column->addWidget(box);
        peripherals->addLayout(column);
    }
    form->addRow(tr("Which peripherals?"), peripherals);
    form->addRow(tr("Which modes beside run?"), modes_);
    form->addRow(tr("A description of its registers?"), registers_);
    trouble_ = new QLabel;
    trouble_->setTextFormat(Qt::PlainText);
    trouble_->setWordWrap(true);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Begin the part"));
    connect(buttons, &QDialogButtonBox::accepted, this, &PartQuestions::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(new QLabel(tr("What is not asked stays unknown until it is looked up.")));
    layout->addLayout(form);
    layout->addWidget(trouble_);
    layout->addWidget(buttons);
    id_->selectAll();
}

PartAnswers PartQuestions::answers() const {
    PartAnswers answers;
    answers.id = id_->text().trimmed().toStdString();
    answers.supplyMin = supplyMin_->text().trimmed().toStdString();
    answers.supplyMax = supplyMax_->text().trimmed().toStdString();
    answers.coldest = coldest_->text().trimmed().toStdString();
    answers.hottest = hottest_->text().trimmed().toStdString();
    answers.rcs.clear();
    for (const QString& rate : wordsOf(rcs_)) {
        answers.rcs.push_back(rate.toStdString());
    }
    answers.hasCrystal = hasCrystal_->isChecked();
    answers.crystalMin = crystalMin_->text().trimmed().toStdString();
    answers.crystalMax = crystalMax_->text().trimmed().toStdString();
    answers.hasWatchCrystal = hasWatchCrystal_->isChecked();
    answers.multipliers = multipliers_->value();
    answers.outputs = outputs_->value();
    answers.buses = buses_->value();
    for (const QString& tier : wordsOf(tiers_)) {
        answers.tiers.push_back(tier.toStdString());
    }
    answers.peripherals.clear();
    for (const std::string& kind : askedKinds()) {
        answers.peripherals.emplace_back(kind, peripherals_.at(kind)->value());
    }
    answers.modes.clear();
    for (const QString& mode : wordsOf(modes_)) {
        answers.modes.push_back(mode.toStdString());
    }
    answers.registers = registers_->text().trimmed().toStdString();
    return answers;
}

void PartQuestions::accept() {
    const auto text = partFromAnswers(answers());
    if (!text) {
        trouble_->setText(app::text(text.error()));
        return;
    }
    made_ = QString::fromStdString(*text);
    QDialog::accept();
}

} // namespace wisetick::app
