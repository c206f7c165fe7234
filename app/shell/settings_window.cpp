#include "shell/settings_window.h"

#include "language/language.h"
#include "shell/command_palette.h"

#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QLocale>
#include <QTabWidget>
#include <QTableWidget>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

SettingsWindow::SettingsWindow(const Settings& settings, const QList<QAction*>& commands, QWidget* parent)
    : QDialog(parent), settings_(settings), commands_(commands) {
    setAttribute(Qt::WA_WindowPropagation);
    setWindowTitle(tr("Settings"));
    resize(640, 560);
    auto* pages = new QTabWidget;
    pages->setDocumentMode(true);
    pages->addTab(makeLooks(), tr("Window and files"));
    pages->addTab(makeKeys(), tr("Keys"));
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(pages);
}

QWidget* SettingsWindow::makeLooks() {
    auto* page = new QWidget;
    auto* form = new QFormLayout(page);
    form->setSpacing(10);
    look_ = new QComboBox;
    look_->addItems({tr("as the desktop"), tr("light"), tr("dark"), tr("high contrast")});
    look_->setCurrentIndex(static_cast<int>(settings_.look));
    form->addRow(tr("Colours"), look_);
    language_ = new QComboBox;
    language_->addItem(tr("as the desktop"), QString());
    for (const QString& code : Language::known()) {
        language_->addItem(QLocale(code).nativeLanguageName(), code);
    }
    language_->setCurrentIndex(std::max(0, language_->findData(settings_.language)));
    form->addRow(tr("Language, from the next start on"), language_);
    font_ = new QDoubleSpinBox;
    font_->setRange(0, 40);
    font_->setDecimals(1);
    font_->setSuffix(tr(" pt"));
    font_->setSpecialValueText(tr("as the desktop"));
    font_->setValue(settings_.fontPoints);
    form->addRow(tr("Letters"), font_);
    digits_ = new QSpinBox;
    digits_->setRange(2, 9);
    digits_->setValue(settings_.digits);
    form->addRow(tr("Digits of the vitals"), digits_);
    aside_ = new QSpinBox;
    aside_->setRange(1, 600);
    aside_->setSuffix(tr(" s"));
    aside_->setValue(settings_.asideAfter);
    form->addRow(tr("Unsaved changes are written aside after"), aside_);
    parts_ = new QLineEdit(settings_.ownParts);
    parts_->setPlaceholderText(tr("where programs keep such"));
    form->addRow(tr("Folder for your own parts, from the next start on"), parts_);
    menus_ = new QCheckBox(tr("Show the menu bar (else F10 shows it for a moment)"));
    menus_->setChecked(settings_.hasMenuBar);
    form->addRow(menus_);
    motion_ = new QCheckBox(tr("Let messages fade"));
    motion_->setChecked(settings_.hasMotion);
    form->addRow(motion_);
    reopens_ = new QCheckBox(tr("Open at the start what was open last"));
    reopens_->setChecked(settings_.reopens);
    form->addRow(reopens_);
    connect(look_, &QComboBox::currentIndexChanged, this, &SettingsWindow::tell);
    connect(language_, &QComboBox::currentIndexChanged, this, &SettingsWindow::tell);
    connect(font_, &QDoubleSpinBox::valueChanged, this, &SettingsWindow::tell);
    connect(digits_, &QSpinBox::valueChanged, this, &SettingsWindow::tell);
    connect(aside_, &QSpinBox::valueChanged, this, &SettingsWindow::tell);
    connect(parts_, &QLineEdit::editingFinished, this, &SettingsWindow::tell);
    for (QCheckBox* box : {menus_, motion_, reopens_}) {
        connect(box, &QCheckBox::toggled, this, &SettingsWindow::tell);
    }
    return page;
}

QWidget* SettingsWindow::makeKeys() {
    auto* page = new QWidget;
    auto* layout = new QVBoxLayout(page);
    keys_ = new QTableWidget(static_cast<int>(commands_.size()), 2);
    keys_->setAccessibleName(tr("Keys of commands"));
    keys_->setHorizontalHeaderLabels({tr("command"), tr("keys")});
    keys_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    keys_->setColumnWidth(1, 170);
    keys_->verticalHeader()->hide();
    keys_->setShowGrid(false);
    keys_->setTabKeyNavigation(false);
    keys_->setSelectionBehavior(QAbstractItemView::SelectRows);
    keys_->installEventFilter(this);
    trouble_ = new QLabel(tr("Type the keys as text, such as Ctrl+Alt+J; Delete takes back what was changed."));
    trouble_->setTextFormat(Qt::PlainText);
    trouble_->setWordWrap(true);
    layout->addWidget(keys_, 1);
    layout->addWidget(trouble_);
    fillKeys();
    connect(keys_, &QTableWidget::itemChanged, this, [this](QTableWidgetItem* item) {
        if (isFilling_ || item->column() != 1) {
            return;
        }
        const QString why = setKeys(commands_[item->row()]->objectName(), item->text());
        trouble_->setText(why);
        fillKeys();
    });
    return page;
}

void SettingsWindow::fillKeys() {
    isFilling_ = true;
    for (int row = 0; row < commands_.size(); ++row) {
        auto* name = new QTableWidgetItem(wholeName(*commands_[row]));
        name->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
        keys_->setItem(row, 0, name);
        auto* keys = new QTableWidgetItem(commands_[row]->shortcut().toString(QKeySequence::NativeText));
        QFont font = keys->font();
        font.setBold(settings_.keys.contains(commands_[row]->objectName()));
        keys->setFont(font);
        keys_->setItem(row, 1, keys);
    }
    isFilling_ = false;
}

QString SettingsWindow::setKeys(const QString& command, const QString& keys) {
    const QKeySequence wanted(keys.trimmed(), QKeySequence::NativeText);
    if (keys.trimmed().isEmpty() || wanted.isEmpty() || wanted[0].key() == Qt::Key_unknown) {
        return tr("'%1' are no keys; such as Ctrl+Alt+J").arg(keys.trimmed());
    }
    for (const QAction* each : std::as_const(commands_)) {
        if (each->objectName() != command && each->shortcut() == wanted) {
            return tr("%1 belongs to: %2").arg(wanted.toString(QKeySequence::NativeText), wholeName(*each));
        }
    }
    settings_.keys[command] = wanted.toString(QKeySequence::PortableText);
    emit changed(settings_);
    return {};
}

bool SettingsWindow::eventFilter(QObject* watched, QEvent* event) {
    if (watched == keys_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Delete && keys_->currentRow() >= 0) {
            settings_.keys.remove(commands_[keys_->currentRow()]->objectName());
            emit changed(settings_);
            fillKeys();
            return true;
        }
        if (key == Qt::Key_Return || key == Qt::Key_Enter) {
            keys_->editItem(keys_->item(keys_->currentRow(), 1));
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

void SettingsWindow::tell() {
    settings_.look = static_cast<Settings::Look>(look_->currentIndex());
    settings_.language = language_->currentData().toString();
    settings_.fontPoints = font_->value();
    settings_.digits = digits_->value();
    settings_.asideAfter = aside_->value();
    settings_.ownParts = parts_->text();
    settings_.hasMenuBar = menus_->isChecked();
    settings_.hasMotion = motion_->isChecked();
    settings_.reopens = reopens_->isChecked();
    emit changed(settings_);
}

} // namespace wisetick::app
