#include "part_editor/wrapped_rows.h"

#include <QHeaderView>
#include <QStyle>
#include <QTimer>
#include <QTreeView>

#include <algorithm>

namespace wisetick::app {

WrappedRows::WrappedRows(QTreeView* tree, Qt::Alignment stands) : QStyledItemDelegate(tree), tree_(tree), stands_(stands) {
    tree->setItemDelegate(this);
    tree->setWordWrap(true);
    tree->setTextElideMode(Qt::ElideNone);
    auto* soon = new QTimer(this); // all columns together
    soon->setSingleShot(true);
    soon->setInterval(0);
    connect(soon, &QTimer::timeout, tree, &QTreeView::doItemsLayout);
    connect(tree->header(), &QHeaderView::sectionResized, soon, qOverload<>(&QTimer::start));
}

/// What the texts of a cell have: its column, less what the row is indented by and the style's margins.
int WrappedRows::widthOf(const QModelIndex& index) const {
    int width = tree_->header()->sectionSize(index.column());
    if (index.column() == tree_->treePosition() || index.column() == 0) {
        for (QModelIndex up = index.parent(); up.isValid(); up = up.parent()) {
            width -= tree_->indentation();
        }
        width -= tree_->rootIsDecorated() ? tree_->indentation() : 0;
    }
    const int margin = tree_->style()->pixelMetric(QStyle::PM_FocusFrameHMargin, nullptr, tree_) + 1;
    return width - 2 * margin;
}

void WrappedRows::initStyleOption(QStyleOptionViewItem* option, const QModelIndex& index) const {
    QStyledItemDelegate::initStyleOption(option, index);
    option->displayAlignment = Qt::AlignLeft | stands_;
}

QSize WrappedRows::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
    const QSize plain = QStyledItemDelegate::sizeHint(option, index);
    // a column that fits its contents asks for the width first: it must not be told one that it made itself
    if (tree_->header()->sectionResizeMode(index.column()) == QHeaderView::ResizeToContents) {
        return plain;
    }
    const QStyleOptionViewItem shown = [&] {
        QStyleOptionViewItem filled = option;
        initStyleOption(&filled, index);
        return filled;
    }();
    const int width = std::max(1, widthOf(index));
    const QRect wrapped = shown.fontMetrics.boundingRect(QRect(0, 0, width, QWIDGETSIZE_MAX), Qt::TextWordWrap, shown.text);
    return {plain.width(), std::max(plain.height(), wrapped.height() + 2)};
}

} // namespace wisetick::app
