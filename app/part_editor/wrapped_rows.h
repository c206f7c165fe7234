#pragma once

#include <QStyledItemDelegate>

class QTreeView;

namespace wisetick::app {

/// Rows of a tree as tall as their texts are once they wrap in the columns as wide as those stand; they are laid out anew when a
/// column gets wider or narrower.
class WrappedRows : public QStyledItemDelegate {
public:
    /// Becomes the delegate of `tree`, whose texts wrap from now on; `stands`: where a short text stands beside a long one.
    explicit WrappedRows(QTreeView* tree, Qt::Alignment stands = Qt::AlignTop);

    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;

protected:
    void initStyleOption(QStyleOptionViewItem* option, const QModelIndex& index) const override;

private:
    int widthOf(const QModelIndex& index) const;

    QTreeView* tree_;
    Qt::Alignment stands_;
};

} // namespace wisetick::app
