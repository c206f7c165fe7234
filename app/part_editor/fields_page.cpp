#include "part_editor/fields_page.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "part_editor/panel_palette.h"
#include "part_editor/wrapped_rows.h"

#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMimeData>
#include <QScrollBar>
#include <QTreeWidget>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kFieldRole = Qt::UserRole;      ///< "CLK.BUS[2:0]"; of a register its name
constexpr int kSoughtRole = Qt::UserRole + 1; ///< all words of it
constexpr int kOwnerRole = Qt::UserRole + 2;  ///< the id that it belongs to

QString bitsSaid(const DescribedField& field) {
    return field.msb == field.lsb ? QString("[%1]").arg(field.msb) : QString("[%1:%2]").arg(field.msb).arg(field.lsb);
}

QString accessSaid(Access access) {
    switch (access) {
    case Access::readOnly: return QObject::tr("read only");
    case Access::writeOnly: return QObject::tr("write only");
    case Access::writeOneToClear: return QObject::tr("1 clears");
    case Access::writeZeroToClear: return QObject::tr("0 clears");
    case Access::readToClear: return QObject::tr("reading clears");
    case Access::setOnly: return QObject::tr("1 sets");
    default: return {};
    }
}

/// What the bits belong to; empty where that is nothing of the part.
QString ownerOf(const std::vector<OwnedField>& owned, const std::string& name, const DescribedField& field) {
    for (const OwnedField& each : owned) {
        for (const Field& piece : each.field.pieces()) {
            if (piece.reg == name && piece.lsb <= field.msb && field.lsb <= piece.msb) {
                return text(each.owner);
            }
        }
    }
    return {};
}

/// Fields are dragged as the text that stands for them.
class FieldTree : public QTreeWidget {
protected:
    QStringList mimeTypes() const override { return {"text/plain"}; }
    QMimeData* mimeData(const QList<QTreeWidgetItem*>& items) const override {
        auto* dragged = new QMimeData;
        if (!items.isEmpty()) {
            dragged->setText("\"" + items.front()->data(0, kFieldRole).toString() + "\"");
        }
        return dragged;
    }
    Qt::DropActions supportedDropActions() const override { return Qt::CopyAction; }
};

} // namespace

FieldsPage::FieldsPage(QWidget* parent) : QWidget(parent) {
    setAutoFillBackground(true);
    title_ = new QLabel;
    title_->setTextFormat(Qt::PlainText);
    title_->setContentsMargins(12, 8, 12, 2);
    title_->setWordWrap(true);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("a register or field by name, meaning or code"));
    search_->setAccessibleName(tr("Register or field sought"));
    list_ = new FieldTree;
    list_->setAccessibleName(tr("Registers and their fields"));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setHeaderLabels({tr("field"), tr("name and meaning"), tr("of")});
    list_->header()->setStretchLastSection(false);
    list_->header()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
    list_->header()->setSectionResizeMode(1, QHeaderView::Stretch);
    list_->header()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
    list_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    new WrappedRows(list_);
    list_->setDragEnabled(true);
    list_->setDragDropMode(QAbstractItemView::DragOnly);
    list_->setExpandsOnDoubleClick(false);
    auto* searching = new QHBoxLayout;
    searching->setContentsMargins(12, 0, 12, 4);
    searching->addWidget(search_);
    auto* indented = new QHBoxLayout;
    indented->setContentsMargins(8, 0, 8, 0);
    indented->addWidget(list_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(2);
    layout->addWidget(title_);
    layout->addLayout(searching);
    layout->addLayout(indented, 1);
    connect(search_, &QLineEdit::textChanged, this, &FieldsPage::filter);
    connect(search_, &QLineEdit::returnPressed, list_, [this] { list_->setFocus(); });
    connect(list_, &QTreeWidget::itemActivated, this, [this](const QTreeWidgetItem* item, int column) {
        const QString owner = item->data(0, kOwnerRole).toString();
        if (column == 2 && !owner.isEmpty()) {
            emit thingWanted(owner);
        } else if (item->parent() != nullptr) {
            emit fieldWanted(item->data(0, kFieldRole).toString());
        }
    });
}

void FieldsPage::setTheme(const Theme& theme) {
    const QPalette palette = panelPalette(this->palette(), theme, theme.panel);
    setPalette(palette);
    for (QWidget* each : findChildren<QWidget*>()) {
        each->setPalette(palette);
    }
    title_->setFont(faceFont(Face::bold));
    static_cast<SlimScrollBar*>(list_->verticalScrollBar())->setTheme(theme);
}

void FieldsPage::show(const std::optional<RegisterNames>& registers, const std::vector<OwnedField>& owned) {
    search_->setVisible(registers.has_value());
    list_->setVisible(registers.has_value());
    if (!registers) {
        list_->clear();
        title_->setText(tr("The part names no description of its registers: `registers = \"my-part.svd\"`, a table or a header "
                           "beside it."));
        return;
    }
    const QString current = list_->currentItem() == nullptr ? QString() : list_->currentItem()->data(0, kFieldRole).toString();
    const int scrolled = list_->verticalScrollBar()->value();
    list_->clear();
    std::size_t count = 0;
    std::size_t used = 0;
    for (const DescribedRegister& each : registers->registers) {
        const QString name = text(each.facts.name);
        auto* reg = new QTreeWidgetItem(list_);
        reg->setText(0, name);
        reg->setText(1, text(each.about) +
                            (accessSaid(each.facts.access).isEmpty() ? QString() : ", " + accessSaid(each.facts.access)));
        reg->setData(0, kFieldRole, name);
        for (const DescribedField& field : each.fields) {
            auto* item = new QTreeWidgetItem(reg);
            const QString place = name + bitsSaid(field);
            QStringList codes;
            for (const auto& [code, value] : field.values) {
                codes << QString("%1 %2").arg(value).arg(text(code));
            }
            const QString owner = ownerOf(owned, each.facts.name, field);
            item->setText(0, bitsSaid(field));
            item->setText(1, text(field.name) + (field.about.empty() ? QString() : ": " + text(field.about)) +
                                 (codes.isEmpty() ? QString() : "\n" + codes.join(", ")));
            item->setText(2, owner);
            item->setData(0, kFieldRole, place);
            item->setData(0, kOwnerRole, owner);
            item->setData(0, kSoughtRole,
                          (place + " " + name + "." + item->text(1) + " " + text(each.about) + " " + owner).toLower());
            ++count;
            used += owner.isEmpty() ? 0 : 1;
            if (place == current) {
                list_->setCurrentItem(item);
            }
        }
    }
    list_->expandAll();
    title_->setText(tr("%1 fields of %2 registers from %3, %4 in use")
                        .arg(count)
                        .arg(registers->registers.size())
                        .arg(text(registers->file))
                        .arg(used));
    filter();
    list_->verticalScrollBar()->setValue(scrolled);
}

/// Fields that have all the words stay, with their registers.
void FieldsPage::filter() {
    const QStringList words = search_->text().toLower().split(' ', Qt::SkipEmptyParts);
    for (int i = 0; i < list_->topLevelItemCount(); ++i) {
        QTreeWidgetItem* reg = list_->topLevelItem(i);
        bool hasAny = false;
        for (int field = 0; field < reg->childCount(); ++field) {
            const QString sought = reg->child(field)->data(0, kSoughtRole).toString();
            const bool isMeant =
                std::all_of(words.begin(), words.end(), [&](const QString& word) { return sought.contains(word); });
            reg->child(field)->setHidden(!isMeant);
            hasAny = hasAny || isMeant;
        }
        reg->setHidden(!hasAny);
    }
}

} // namespace wisetick::app
