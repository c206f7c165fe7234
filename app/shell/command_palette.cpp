#include "shell/command_palette.h"

#include "paint/controls.h"
#include "paint/text.h"

#include <QAction>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

constexpr int kKeys = Qt::UserRole + 1;

/// A command's name on the left, its keys on the right.
class CommandRow : public QStyledItemDelegate {
public:
    CommandRow(const Theme& theme, QObject* parent) : QStyledItemDelegate(parent), theme_(theme) {}

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override {
        return {100, static_cast<int>(lineHeight(Face::word)) + 8};
    }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        if (option.state & QStyle::State_Selected) {
            painter->fillRect(option.rect, theme_.selected);
            painter->fillRect(QRect(option.rect.topLeft(), QSize(3, option.rect.height())), theme_.kept);
        }
        const QRectF area = QRectF(option.rect).adjusted(12, 0, -12, 0);
        const QColor ink = index.flags() & Qt::ItemIsEnabled ? theme_.ink : theme_.muted;
        const QString keys = index.data(kKeys).toString();
        const qreal keysWidth = textWidth(Face::small, keys);
        drawText(*painter, area.adjusted(0, 0, -keysWidth - 8, 0), Qt::AlignLeft, index.data().toString(), Face::word, ink);
        drawText(*painter, area, Qt::AlignRight, keys, Face::small, theme_.muted);
    }

private:
    Theme theme_;
};

} // namespace

CommandPalette::CommandPalette(const QList<QAction*>& actions, const Theme& theme, QWidget* parent)
    : QDialog(parent), actions_(actions) {
    setAttribute(Qt::WA_WindowPropagation); // the colours of the window, not of the desktop
    setWindowTitle(tr("Commands"));
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Type a part of a command"));
    search_->setAccessibleName(tr("Command"));
    search_->installEventFilter(this);
    list_ = new QListWidget;
    list_->setFrameShape(QFrame::NoFrame);
    list_->setItemDelegate(new CommandRow(theme, list_));
    auto* bar = new SlimScrollBar(Qt::Vertical);
    bar->setTheme(theme);
    list_->setVerticalScrollBar(bar);
    list_->setAccessibleName(tr("Commands"));
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(search_);
    layout->addWidget(list_);
    resize(480, 520);
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
            auto* item = new QListWidgetItem(name, list_);
            item->setData(kKeys, keys);
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
