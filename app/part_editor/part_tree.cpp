#include "part_editor/part_tree.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QHeaderView>
#include <QKeyEvent>
#include <QScrollBar>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kId = Qt::UserRole;
constexpr std::int64_t kFewValues = 6;

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
    setUniformRowHeights(true);
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    header()->setStretchLastSection(true);
    header()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
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
            say =
                QString("%1 \u2026 %2")
                    .arg(text(printQuantity(*source.rangeMin, Unit::hertz)), text(printQuantity(*source.rangeMax, Unit::hertz)));
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
    select(before);
    verticalScrollBar()->setValue(scrolled);
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

void PartTree::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Insert) {
        emit insertWanted(selected());
    } else if (event->key() == Qt::Key_Delete && !selected().isEmpty()) {
        emit removeWanted(selected());
    } else {
        QTreeWidget::keyPressEvent(event);
    }
}

} // namespace wisetick::app
