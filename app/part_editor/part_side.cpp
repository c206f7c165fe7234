#include "part_editor/part_side.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "part/unknown_facts.h"
#include "part_editor/panel_palette.h"
#include "workshop/part_edits.h"

#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QScrollBar>
#include <QTableWidget>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr std::size_t kMostFieldsShown = 200;
constexpr int kMostNamedHere = 6;
const char* const kOneMore = "+"; // in the place of a key that is to be typed

QLabel* sectionTitle(const QString& words) {
    auto* label = new QLabel(words);
    label->setContentsMargins(12, 8, 12, 2);
    return label;
}

/// A list begins where its title does.
QHBoxLayout* indented(QWidget* list) {
    auto* row = new QHBoxLayout;
    row->setContentsMargins(8, 0, 8, 0);
    row->addWidget(list);
    return row;
}

} // namespace

PartSide::PartSide(QWidget* parent) : QWidget(parent) {
    setAutoFillBackground(true);
    title_ = sectionTitle(tr("Nothing is selected"));
    properties_ = new QTableWidget(0, 2);
    properties_->setAccessibleName(tr("What the selected thing says"));
    properties_->horizontalHeader()->hide();
    properties_->verticalHeader()->hide();
    properties_->setShowGrid(false);
    properties_->setFrameShape(QFrame::NoFrame);
    properties_->horizontalHeader()->setStretchLastSection(true);
    properties_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
    properties_->setSelectionMode(QAbstractItemView::SingleSelection);
    fieldsTitle_ = sectionTitle(tr("Fields: the part names no description of its registers"));
    fieldsTitle_->setWordWrap(true);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("a field by name or meaning"));
    search_->setAccessibleName(tr("Field sought"));
    fields_ = new QListWidget;
    fields_->setAccessibleName(tr("Fields"));
    unknownTitle_ = sectionTitle(tr("Unknown here, and what hangs on it"));
    unknown_ = new QListWidget;
    unknown_->setAccessibleName(tr("Unknown here"));
    for (QListWidget* list : {fields_, unknown_}) {
        list->setFrameShape(QFrame::NoFrame);
        list->setWordWrap(true);
        list->setResizeMode(QListView::Adjust);
    }
    for (QAbstractItemView* view : {static_cast<QAbstractItemView*>(properties_), static_cast<QAbstractItemView*>(fields_),
                                    static_cast<QAbstractItemView*>(unknown_)}) {
        view->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    }
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(2);
    layout->addWidget(title_);
    layout->addLayout(indented(properties_), 3);
    layout->addWidget(fieldsTitle_);
    auto* searching = new QHBoxLayout;
    searching->setContentsMargins(12, 0, 12, 0);
    searching->addWidget(search_);
    layout->addLayout(searching);
    layout->addLayout(indented(fields_)); // it gets room once there are fields
    layout->addWidget(unknownTitle_);
    layout->addLayout(indented(unknown_), 2);
    search_->hide();
    fields_->hide();
    connect(properties_, &QTableWidget::cellChanged, this, [this](int row, int column) {
        if (!isFilling_ && column == 1 && properties_->item(row, 0)->text() != kOneMore) {
            emit valueTyped(id_, properties_->item(row, 0)->text(), properties_->item(row, 1)->text().trimmed());
        } else if (!isFilling_ && column == 0 && row == properties_->rowCount() - 1 &&
                   !properties_->item(row, 0)->text().trimmed().isEmpty()) {
            properties_->editItem(properties_->item(row, 1)); // a key more, and now its value
        }
    });
    connect(search_, &QLineEdit::textChanged, this, &PartSide::find);
    connect(search_, &QLineEdit::returnPressed, fields_, [this] { fields_->setFocus(); });
    connect(fields_, &QListWidget::itemActivated, this,
            [this](const QListWidgetItem* item) { emit fieldWanted(item->data(Qt::UserRole).toString()); });
}

void PartSide::setTheme(const Theme& theme) {
    theme_ = theme;
    const QPalette palette = panelPalette(this->palette(), theme, theme.paper);
    setPalette(palette);
    for (QWidget* each : findChildren<QWidget*>()) {
        each->setPalette(palette);
    }
    for (QLabel* label : {title_, fieldsTitle_, unknownTitle_}) {
        label->setFont(faceFont(Face::bold));
    }
    properties_->setFont(faceFont(Face::figure));
    for (SlimScrollBar* bar : findChildren<SlimScrollBar*>()) {
        bar->setTheme(theme);
    }
}

void PartSide::show(const QString& content, const QString& id, const Part* part) {
    id_ = id;
    title_->setText(id.isEmpty() ? tr("Nothing is selected") : id);
    isFilling_ = true;
    properties_->setRowCount(0);
    const auto addRow = [&](const QString& key, const QString& value, bool isNew) {
        const int row = properties_->rowCount();
        properties_->insertRow(row);
        auto* name = new QTableWidgetItem(key);
        name->setForeground(theme_.muted);
        if (!isNew) {
            name->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable);
        }
        auto* held = new QTableWidgetItem(value);
        held->setForeground(theme_.kept);
        properties_->setItem(row, 0, name);
        properties_->setItem(row, 1, held);
    };
    if (!id.isEmpty()) {
        for (const TextProperty& property : propertiesOf(content.toStdString(), id.toStdString())) {
            if (property.key != "id" && property.key != "ids") {
                addRow(text(property.key), text(property.value.text), false);
            }
        }
        addRow(kOneMore, {}, true);
    }
    properties_->resizeRowsToContents();
    isFilling_ = false;
    unknown_->clear();
    for (const UnknownFact& fact : part == nullptr ? std::vector<UnknownFact>() : unknownFacts(*part)) {
        const QString path = text(fact.path);
        if (!id.isEmpty() && (path.endsWith("." + id) || path == id)) {
            QStringList hangs;
            for (const std::string& each : fact.hangs) {
                hangs << text(each);
            }
            const qsizetype more = hangs.size() - kMostNamedHere;
            unknown_->addItem("\u25cb " + text(fact.say) + "\n    " + text(fact.costs) + " " +
                              hangs.mid(0, kMostNamedHere).join(", ") + (more > 0 ? tr(" and %1 more").arg(more) : QString()));
        }
    }
    if (unknown_->count() == 0 && !id.isEmpty() && part != nullptr) {
        unknown_->addItem(tr("nothing"));
    }
}

void PartSide::setRegisters(std::optional<RegisterNames> registers) {
    registers_ = std::move(registers);
    if (registers_) {
        std::size_t count = 0;
        for (const DescribedRegister& each : registers_->registers) {
            count += each.fields.size();
        }
        fieldsTitle_->setText(tr("Fields: %1 from %2").arg(count).arg(text(registers_->file)));
    } else {
        fieldsTitle_->setText(tr("Fields: the part names no description of its registers"));
    }
    search_->setVisible(registers_.has_value());
    fields_->setVisible(registers_.has_value());
    auto* column = static_cast<QVBoxLayout*>(layout());
    column->setStretch(column->indexOf(unknownTitle_) - 1, registers_ ? 2 : 0); // the list stands just above that title
    find();
}

/// Those whose name or meaning has all the words, in the description's order.
void PartSide::find() {
    fields_->clear();
    if (!registers_) {
        return;
    }
    const QStringList words = search_->text().toLower().split(' ', Qt::SkipEmptyParts);
    std::size_t shown = 0;
    for (const DescribedRegister& each : registers_->registers) {
        for (const DescribedField& field : each.fields) {
            const QString bits =
                field.msb == field.lsb ? QString::number(field.msb) : QString("%1:%2").arg(field.msb).arg(field.lsb);
            const QString place = QString("%1[%2]").arg(text(each.facts.name), bits);
            const QString about = QString("%1: %2").arg(text(field.name), text(field.about));
            const QString all = (place + " " + about + " " + text(each.about)).toLower();
            const bool isMeant = std::all_of(words.begin(), words.end(), [&](const QString& word) { return all.contains(word); });
            if (isMeant && shown < kMostFieldsShown) {
                auto* item = new QListWidgetItem(place + "\n    " + about, fields_);
                item->setData(Qt::UserRole, place);
                ++shown;
            }
        }
    }
}

} // namespace wisetick::app
