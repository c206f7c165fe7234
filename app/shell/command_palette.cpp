#include "shell/command_palette.h"

#include <QAction>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QVBoxLayout>

namespace wisetick::app {

CommandPalette::CommandPalette(const QList<QAction*>& actions, QWidget* parent) : QDialog(parent), actions_(actions) {
    setAttribute(Qt::WA_WindowPropagation); // the colours of the window, not of the desktop
    setWindowTitle(tr("Commands"));
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Type a part of a command"));
    search_->setAccessibleName(tr("Command"));
    search_->installEventFilter(this);
    list_ = new QListWidget;
    list_->setFrameShape(QFrame::NoFrame);
    list_->setAccessibleName(tr("Commands"));
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(search_);
    layout->addWidget(list_);
    resize(440, 320);
    connect(search_, &QLineEdit::textChanged, this, &CommandPalette::filter);
    connect(search_, &QLineEdit::returnPressed, this, &CommandPalette::run);
    connect(list_, &QListWidget::itemActivated, this, &CommandPalette::run);
    filter();
}

void CommandPalette::filter() {
    list_->clear();
    for (int i = 0; i < actions_.size(); ++i) {
        const QString name = actions_[i]->text().remove('&');
        if (name.contains(search_->text(), Qt::CaseInsensitive)) {
            const QString keys = actions_[i]->shortcut().toString(QKeySequence::NativeText);
            auto* item = new QListWidgetItem(keys.isEmpty() ? name : name + "   " + keys, list_);
            item->setData(Qt::UserRole, i);
            item->setFlags(actions_[i]->isEnabled() ? Qt::ItemIsSelectable | Qt::ItemIsEnabled : Qt::NoItemFlags);
        }
    }
    list_->setCurrentRow(0);
}

void CommandPalette::run() {
    const QListWidgetItem* item = list_->currentItem();
    if (item == nullptr || !(item->flags() & Qt::ItemIsEnabled)) {
        return;
    }
    QAction* action = actions_[item->data(Qt::UserRole).toInt()];
    accept();
    action->trigger();
}

bool CommandPalette::eventFilter(QObject* watched, QEvent* event) {
    if (watched == search_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Down || key == Qt::Key_Up) {
            const int next = list_->currentRow() + (key == Qt::Key_Down ? 1 : -1);
            list_->setCurrentRow(std::clamp(next, 0, std::max(0, list_->count() - 1)));
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace wisetick::app
