#include "part_editor/part_tree.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "part_editor/wrapped_rows.h"
#include "quantity/quantity_print.h"

#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QPointer>
#include <QScrollBar>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kId = Qt::UserRole;
constexpr std::int64_t kFewValues = 6;
constexpr int kNamesHave = 55; ///< of a hundred parts of the width, at most

/// "1, 2, 4, 8, 16", or the ends of what there is much of: "1 … 512".
QString valuesSaid(const FactorSet& set) {
    const std::int64_t count = set.count();
    if (count > kFewValues) {
        return QString("%1 \u2026 %2").arg(text(printFactor(set.at(0))), text(printFactor(set.at(count - 1))));
    }
    QStringList values;
    for (std::int64_t i = 0; i < count; ++i) {
        values << text(printFactor(set.at(i)));
    }
    return values.join(", ");
}

/// The line of a row while it is typed. What is wrong stays open, and is said.
class RowDelegate : public WrappedRows {
public:
    RowDelegate(PartTree* tree, std::function<QString(const QString&)> lineOf,
                std::function<QString(const QString&, const QString&)> faultOf)
        : WrappedRows(tree, Qt::AlignVCenter), tree_(tree), lineOf_(std::move(lineOf)), faultOf_(std::move(faultOf)) {}

    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&, const QModelIndex& index) const override {
        auto* line = new QLineEdit(parent);
        line->setAccessibleName(QObject::tr("Line of %1").arg(idOf(index)));
        line->setFont(faceFont(Face::small));
        line->setFrame(false);
        return line;
    }
    void setEditorData(QWidget* editor, const QModelIndex& index) const override {
        id_ = idOf(index);
        static_cast<QLineEdit*>(editor)->setText(lineOf_(id_));
    }
    void setModelData(QWidget* editor, QAbstractItemModel*, const QModelIndex&) const override {
        send(static_cast<QLineEdit*>(editor));
    }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override {
        auto* line = qobject_cast<QLineEdit*>(watched);
        const bool isKey = event->type() == QEvent::KeyPress;
        const int key = isKey ? static_cast<QKeyEvent*>(event)->key() : 0;
        if (line != nullptr && (key == Qt::Key_Return || key == Qt::Key_Enter)) {
            if (send(line)) {
                emit closeEditor(line, QAbstractItemDelegate::RevertModelCache);
            }
            return true;
        }
        if (key == Qt::Key_Escape) {
            emit tree_->lineRefused({});
        }
        return WrappedRows::eventFilter(watched, event);
    }

private:
    static QString idOf(const QModelIndex& index) { return index.siblingAtColumn(0).data(kId).toString(); }

    /// Whether nothing is wrong with it. What is taken remakes the tree: that comes once the editor is closed.
    bool send(const QLineEdit* line) const {
        const QString said = line->text().trimmed();
        if (said == lineOf_(id_)) {
            return true;
        }
        const QString why = faultOf_(id_, said);
        if (!why.isEmpty()) {
            emit tree_->lineRefused(why);
            return false;
        }
        QMetaObject::invokeMethod(
            tree_, [tree = QPointer(tree_), id = id_, said] { emit tree->lineTyped(id, said); }, Qt::QueuedConnection);
        return true;
    }

    PartTree* tree_;
    std::function<QString(const QString&)> lineOf_;
    std::function<QString(const QString&, const QString&)> faultOf_;
    mutable QString id_; ///< of the row that is edited
};

} // namespace

QString settableSaid(const Part& part, const Line& line) {
    QStringList said;
    if (line.from.size() > 1) {
        QStringList inputs;
        for (const NodeIndex input : line.from) {
            inputs << text(part.nodeId(input));
        }
        said << QObject::tr("from %1").arg(inputs.join(", "));
    }
    if (!line.multiply.empty()) {
        said << "\u00d7 " + valuesSaid(line.multiply);
    }
    if (!line.divide.empty()) {
        said << "\u00f7 " + valuesSaid(line.divide);
    }
    if (line.factor != Rational(1)) {
        said << "\u00d7 " + text(printFactor(line.factor));
    }
    if (line.follows) {
        said << QObject::tr("follows %1").arg(text(part.lines[line.follows->line].id));
    }
    return said.join(" ");
}

PartTree::PartTree(QWidget* parent) : QTreeWidget(parent) {
    setAccessibleName(tr("Tree of the part"));
    setFrameShape(QFrame::NoFrame);
    setColumnCount(2);
    setHeaderHidden(true);
    setIndentation(18);
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    header()->setStretchLastSection(true);
    setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::DoubleClicked);
    setExpandsOnDoubleClick(false);
    connect(this, &QTreeWidget::currentItemChanged, this, [this] { emit selectionMoved(selected()); });
}

void PartTree::setTheme(const Theme& theme) {
    theme_ = theme;
    static_cast<SlimScrollBar*>(verticalScrollBar())->setTheme(theme);
    for (QTreeWidgetItemIterator item(this); *item != nullptr; ++item) {
        (*item)->setForeground(0, theme.ink);
        (*item)->setForeground(1, theme.kept);
    }
}

QTreeWidgetItem* PartTree::add(QTreeWidgetItem* above, const QString& id, const QString& name, const QString& say) {
    auto* item = new QTreeWidgetItem;
    item->setText(0, name.isEmpty() || name == id ? id : QString("%1  %2").arg(id, name));
    item->setText(1, say);
    item->setData(0, kId, id);
    item->setForeground(0, theme_.ink);
    item->setForeground(1, theme_.kept);
    item->setFont(1, faceFont(Face::small));
    item->setFlags(item->flags() | Qt::ItemIsEditable);
    if (above == nullptr) {
        addTopLevelItem(item);
    } else {
        above->addChild(item);
    }
    return item;
}

void PartTree::addNode(const Part& part, NodeIndex node, QTreeWidgetItem* above) {
    QTreeWidgetItem* item = nullptr;
    if (part.isSource(node)) {
        const Source& source = part.sources[node];
        QString say;
        if (source.kind != SourceKind::rc && source.rangeMin && source.rangeMax) {
            say = text(printRange(*source.rangeMin, *source.rangeMax, Unit::hertz));
        }
        for (const Rational& rate : source.rates) {
            say += (say.isEmpty() ? "" : ", ") + text(printQuantity(rate, Unit::hertz));
        }
        item = add(above, text(source.id), text(source.name), say);
    } else {
        const Line& line = part.lineAt(node);
        item = add(above, text(line.id), text(line.name), settableSaid(part, line));
    }
    for (std::size_t i = 0; i < part.lines.size(); ++i) {
        const Line& line = part.lines[i];
        if (!line.from.empty() && line.from[std::min(line.resetFrom, line.from.size() - 1)] == node) {
            addNode(part, part.nodeOfLine(i), item);
        }
    }
    for (const Peripheral& peripheral : part.peripherals) {
        const bool isHere =
            !peripheral.clock.empty() && peripheral.clock[std::min(peripheral.resetFrom, peripheral.clock.size() - 1)] == node;
        if (isHere) {
            add(item, text(peripheral.id), text(peripheral.name), text(peripheral.kind.row()->name));
        }
    }
}

void PartTree::show(const Part& part) {
    const QString before = selected();
    const int scrolled = verticalScrollBar()->value();
    const QSignalBlocker silent(this);
    clear();
    for (NodeIndex node = 0; node < part.sources.size(); ++node) {
        if (!part.isNone(node)) {
            addNode(part, node, nullptr);
        }
    }
    expandAll();
    shareColumns();
    select(before);
    verticalScrollBar()->setValue(scrolled);
}

/// Names have the width that they need, but leave what can be set there the rest; then they wrap.
void PartTree::shareColumns() {
    header()->resizeSection(0, std::min(sizeHintForColumn(0), viewport()->width() * kNamesHave / 100));
}

void PartTree::resizeEvent(QResizeEvent* event) {
    QTreeWidget::resizeEvent(event);
    shareColumns();
}

QString PartTree::selected() const {
    return currentItem() == nullptr ? QString() : currentItem()->data(0, kId).toString();
}

void PartTree::select(const QString& id) {
    for (QTreeWidgetItemIterator item(this); *item != nullptr; ++item) {
        if ((*item)->data(0, kId).toString() == id) {
            setCurrentItem(*item);
            scrollToItem(*item);
            return;
        }
    }
}

void PartTree::setLines(std::function<QString(const QString&)> lineOf,
                        std::function<QString(const QString&, const QString&)> faultOf) {
    new RowDelegate(this, std::move(lineOf), std::move(faultOf));
}

bool PartTree::edit(const QModelIndex& index, EditTrigger trigger, QEvent* event) {
    return QTreeWidget::edit(index.siblingAtColumn(1), trigger, event);
}

void PartTree::keyPressEvent(QKeyEvent* event) {
    const bool isEnter = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
    if (isEnter && currentItem() != nullptr && state() != QAbstractItemView::EditingState) {
        editItem(currentItem(), 1);
        return;
    }
    if (event->key() == Qt::Key_Insert) {
        emit insertWanted(selected());
    } else if (event->key() == Qt::Key_Delete && !selected().isEmpty()) {
        emit removeWanted(selected());
    } else {
        QTreeWidget::keyPressEvent(event);
    }
}

} // namespace wisetick::app
