#include "part_editor/part_outline.h"

#include "paint/text.h"
#include "part_editor/panel_palette.h"
#include "workshop/text_words.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kOutlineLine = Qt::UserRole;

} // namespace

PartOutline::PartOutline(const QString& content, const Theme& theme, QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Outline"));
    resize(420, 460);
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("kind or name"));
    search_->setAccessibleName(tr("Sought in the outline"));
    search_->installEventFilter(this);
    list_ = new QListWidget;
    list_->setAccessibleName(tr("What the part makes"));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setFont(faceFont(Face::figure));
    const TextWords words = readWords(content.toStdString());
    for (const WordTable& entry : words.entries) {
        QStringList ids;
        if (!entry.id.empty()) {
            ids << text(entry.id);
        }
        const std::size_t place = static_cast<std::size_t>(&entry - words.entries.data());
        for (const TextWord& word : words.words) { // the rows of `each`
            const bool isRowId = word.entry == place && word.kind == TextWord::Kind::text && !word.keys.empty() &&
                                 word.keys.front() == "each" && (word.keys.back() == "id" || word.keys.back() == "ids");
            if (!entry.table.empty() && isRowId) {
                auto* item = new QListWidgetItem(QString("%1  %2").arg(text(entry.table), text(word.text)), list_);
                item->setData(kOutlineLine, word.line);
            }
        }
        if (!entry.table.empty() && !ids.isEmpty()) {
            auto* item = new QListWidgetItem(QString("%1  %2").arg(text(entry.table), ids.join(' ')), list_);
            item->setData(kOutlineLine, entry.from);
        }
    }
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(search_);
    layout->addWidget(list_, 1);
    const QPalette palette = panelPalette(this->palette(), theme, theme.paper);
    setPalette(palette);
    search_->setPalette(palette);
    list_->setPalette(palette);
    connect(search_, &QLineEdit::textChanged, this, &PartOutline::filter);
    const auto choose = [this] {
        if (list_->currentItem() != nullptr && !list_->currentItem()->isHidden()) {
            line_ = list_->currentItem()->data(kOutlineLine).toInt();
            accept();
        }
    };
    connect(search_, &QLineEdit::returnPressed, this, choose);
    connect(list_, &QListWidget::itemActivated, this, choose);
    filter();
}

void PartOutline::filter() {
    const QStringList words = search_->text().toLower().split(' ', Qt::SkipEmptyParts);
    QListWidgetItem* first = nullptr;
    for (int row = 0; row < list_->count(); ++row) {
        QListWidgetItem* item = list_->item(row);
        const QString said = item->text().toLower();
        const bool isMeant = std::all_of(words.begin(), words.end(), [&](const QString& word) { return said.contains(word); });
        item->setHidden(!isMeant);
        first = first == nullptr && isMeant ? item : first;
    }
    list_->setCurrentItem(first);
}

/// The arrows move in the list while one types.
bool PartOutline::eventFilter(QObject*, QEvent* event) {
    const int key = event->type() == QEvent::KeyPress ? static_cast<QKeyEvent*>(event)->key() : 0;
    const int step = key == Qt::Key_Down ? 1 : (key == Qt::Key_Up ? -1 : 0);
    for (int row = list_->currentRow() + step; step != 0 && row >= 0 && row < list_->count(); row += step) {
        if (!list_->item(row)->isHidden()) {
            list_->setCurrentRow(row);
            break;
        }
    }
    return step != 0;
}

} // namespace wisetick::app
