#include "shell/command_palette.h"

#include "paint/controls.h"
#include "paint/text.h"

#include <QAction>
#include <QApplication>
#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

constexpr int kKeys = Qt::UserRole + 1;
constexpr int kFewestLetters = 3; ///< that are looked for in the documents
constexpr int kMostPlaces = 8;
constexpr int kLineShown = 60;

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
        const qreal keysWidth = std::min(textWidth(Face::small, keys), area.width() * 0.5);
        drawText(*painter, area.adjusted(0, 0, -keysWidth - 8, 0), Qt::AlignLeft, index.data().toString(), Face::word, ink);
        drawText(*painter, area.adjusted(area.width() - keysWidth - 1, 0, 0, 0), Qt::AlignRight, keys, Face::small, theme_.muted);
    }

private:
    Theme theme_;
};

} // namespace

QString wholeName(const QAction& command) {
    const QString group = command.property(kGroup).toString();
    const QString name = command.text().remove('&');
    return group.isEmpty() ? name : group + ": " + name;
}

CommandPalette::CommandPalette(const QList<QAction*>& actions, const Theme& theme, QWidget* window)
    : QFrame(window), actions_(actions), theme_(theme), nothing_(tr("no command has these letters")) {
    setAccessibleName(tr("Commands"));
    QPalette colours = palette();
    colours.setColor(QPalette::Window, theme.panel);
    colours.setColor(QPalette::Base, theme.panel);
    setPalette(colours);
    setAutoFillBackground(true);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Type a part of a command, or words of the documents"));
    search_->setAccessibleName(tr("Command"));
    search_->installEventFilter(this);
    list_ = new QListWidget;
    list_->setFrameShape(QFrame::NoFrame);
    list_->setFocusPolicy(Qt::NoFocus); // keys go to what is typed
    list_->setItemDelegate(new CommandRow(theme, list_));
    auto* bar = new SlimScrollBar(Qt::Vertical);
    bar->setTheme(theme);
    list_->setVerticalScrollBar(bar);
    list_->setAccessibleName(tr("Commands"));
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(search_);
    layout->addWidget(list_);
    connect(search_, &QLineEdit::textChanged, this, &CommandPalette::filter);
    connect(search_, &QLineEdit::returnPressed, this, &CommandPalette::run);
    connect(list_, &QListWidget::itemClicked, this, &CommandPalette::run);
    window->installEventFilter(this);
    filter();
}

void CommandPalette::addDocuments(std::function<const DocIndex&()> index, std::function<void(const DocPlace&)> show) {
    index_ = std::move(index);
    showPlace_ = std::move(show);
}

void CommandPalette::setWords(const QString& placeholder, const QString& nothing) {
    search_->setPlaceholderText(placeholder);
    nothing_ = nothing;
    filter();
}

void CommandPalette::open(int current) {
    before_ = QApplication::focusWidget();
    place();
    show();
    raise();
    search_->setFocus();
    list_->setCurrentRow(current);
}

/// In the middle below the head of the window, as high as its rows up to most of the window.
void CommandPalette::place() {
    const QWidget* window = parentWidget();
    const int row = static_cast<int>(lineHeight(Face::word)) + 8;
    const int wide = std::min(window->width() - 40, std::max(520, static_cast<int>(lineHeight(Face::word) * 34)));
    const int tall = std::min(window->height() - 80, search_->sizeHint().height() + 40 + row * std::min(list_->count(), 18));
    setGeometry((window->width() - wide) / 2, 48, wide, tall);
}

void CommandPalette::filter() {
    list_->clear();
    const QString typed = search_->text();
    const auto note = [&](const QString& what) {
        auto* item = new QListWidgetItem(what, list_);
        item->setFlags(Qt::NoItemFlags);
    };
    for (int i = 0; i < actions_.size(); ++i) {
        const QString name = wholeName(*actions_[i]);
        if (name.contains(typed, Qt::CaseInsensitive)) {
            const QString keys = actions_[i]->shortcut().toString(QKeySequence::NativeText);
            auto* item = new QListWidgetItem(name, list_);
            item->setData(kKeys, keys);
            item->setData(Qt::UserRole, i);
            item->setFlags(actions_[i]->isEnabled() ? Qt::ItemIsSelectable | Qt::ItemIsEnabled : Qt::NoItemFlags);
        }
    }
    if (list_->count() == 0) {
        note(nothing_);
    }
    places_ = index_ && typed.trimmed().size() >= kFewestLetters ? index_().find(typed, kMostPlaces) : QList<DocPlace>();
    if (!places_.isEmpty()) {
        note(tr("in the documents"));
    }
    for (int i = 0; i < places_.size(); ++i) {
        const DocPlace& at = places_[i];
        auto* item = new QListWidgetItem(at.heading == at.title ? at.title : tr("%1: %2").arg(at.title, at.heading), list_);
        item->setData(kKeys, at.line == at.heading ? QString() : at.line.left(kLineShown));
        item->setData(Qt::UserRole, static_cast<int>(actions_.size()) + i);
    }
    for (int row = 0; row < list_->count(); ++row) {
        if (list_->item(row)->flags() & Qt::ItemIsEnabled) {
            list_->setCurrentRow(row);
            break;
        }
    }
    if (isVisible()) {
        place();
    }
}

void CommandPalette::run() {
    const QListWidgetItem* item = list_->currentItem();
    if (item == nullptr || !(item->flags() & Qt::ItemIsEnabled)) {
        return;
    }
    const int which = item->data(Qt::UserRole).toInt();
    leave();
    if (which < actions_.size()) {
        actions_[which]->trigger();
    } else {
        showPlace_(places_[which - actions_.size()]);
    }
}

void CommandPalette::leave() {
    hide();
    if (before_ != nullptr) {
        before_->setFocus();
    }
    deleteLater();
}

bool CommandPalette::eventFilter(QObject* watched, QEvent* event) {
    if (watched == parentWidget() && event->type() == QEvent::Resize && isVisible()) {
        place();
    }
    const auto isElsewhere = [&] { // the user put the focus into another part of the window
        const auto reason = static_cast<QFocusEvent*>(event)->reason();
        return reason != Qt::ActiveWindowFocusReason && reason != Qt::PopupFocusReason;
    };
    if (watched == search_ && event->type() == QEvent::FocusOut && isVisible() && isElsewhere()) {
        hide();
        deleteLater();
    }
    if (watched == search_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Escape) {
            leave();
            return true;
        }
        if (key == Qt::Key_Down || key == Qt::Key_Up) {
            const int step = key == Qt::Key_Down ? 1 : -1;
            for (int next = list_->currentRow() + step; next >= 0 && next < list_->count(); next += step) {
                if (list_->item(next)->flags() & Qt::ItemIsEnabled) {
                    list_->setCurrentRow(next);
                    break;
                }
            }
            return true;
        }
        if (key == Qt::Key_PageDown || key == Qt::Key_PageUp) {
            QApplication::sendEvent(list_, event);
            return true;
        }
    }
    return QFrame::eventFilter(watched, event);
}

void CommandPalette::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setPen(theme_.railEdge);
    painter.setBrush(theme_.panel);
    painter.drawRect(rect().adjusted(0, 0, -1, -1));
}

} // namespace wisetick::app
