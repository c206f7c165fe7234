#include "part_editor/paste_panel.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "paint/tip.h"
#include "part_editor/panel_palette.h"

#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMimeData>
#include <QPushButton>
#include <QScrollBar>
#include <QTableWidget>
#include <QVBoxLayout>

#include <algorithm>
#include <array>

namespace wisetick::app {

namespace {

using Means = PastedColumn::Means;
constexpr std::array kMeanings{Means::nothing, Means::name, Means::typ,    Means::max,   Means::min,   Means::both, Means::unit,
                               Means::tier,    Means::pins, Means::signal, Means::waits, Means::speed, Means::field};

QString meansSaid(Means means) {
    switch (means) {
    case Means::nothing: return QObject::tr("not used");
    case Means::name: return QObject::tr("name");
    case Means::typ: return QObject::tr("typical");
    case Means::max: return QObject::tr("most");
    case Means::min: return QObject::tr("least");
    case Means::unit: return QObject::tr("unit");
    case Means::tier: return QObject::tr("tier");
    case Means::both: return QObject::tr("typical / most");
    case Means::pins: return QObject::tr("pins");
    case Means::signal: return QObject::tr("signal");
    case Means::waits: return QObject::tr("wait states");
    case Means::speed: return QObject::tr("speed");
    case Means::field: return QObject::tr("field");
    }
    return {};
}

} // namespace

PastePanel::PastePanel(QWidget* parent) : QWidget(parent) {
    setAutoFillBackground(true);
    title_ = new QLabel(tr("From the datasheet"));
    auto* chapter = new QLabel(tr("chapter"));
    ref_ = new QLineEdit;
    ref_->setAccessibleName(tr("Chapter of the datasheet"));
    ref_->setMaximumWidth(80);
    chapter->setBuddy(ref_);
    table_ = new QTableWidget;
    table_->setAccessibleName(tr("Pasted table"));
    table_->setFrameShape(QFrame::NoFrame);
    table_->setShowGrid(false);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->verticalHeader()->hide();
    table_->horizontalHeader()->hide();
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    table_->setHorizontalScrollBar(new SlimScrollBar(Qt::Horizontal));
    take_ = new QPushButton;
    take_->setFlat(true);
    close_ = new QPushButton(tr("leave it"));
    close_->setFlat(true);
    auto* head = new QHBoxLayout;
    head->setContentsMargins(4, 6, 12, 0);
    head->addWidget(title_, 1);
    head->addWidget(chapter);
    head->addWidget(ref_);
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(12, 0, 12, 6);
    foot->addStretch(1);
    foot->addWidget(close_);
    foot->addWidget(take_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(head);
    layout->addWidget(table_, 1);
    layout->addLayout(foot);
    connect(ref_, &QLineEdit::textChanged, this, &PastePanel::work);
    connect(take_, &QPushButton::clicked, this, [this] { emit taken(QString::fromStdString(withPasted(content_, rows_))); });
    connect(close_, &QPushButton::clicked, this, &PastePanel::closed);
}

void PastePanel::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = panelPalette(this->palette(), theme, theme.panel);
    palette.setColor(QPalette::ButtonText, theme.thread);
    setPalette(palette);
    for (QWidget* each : findChildren<QWidget*>()) {
        each->setPalette(palette);
    }
    title_->setFont(faceFont(Face::bold));
    take_->setFont(faceFont(Face::bold));
    for (SlimScrollBar* bar : findChildren<SlimScrollBar*>()) {
        bar->setTheme(theme);
    }
    if (part_) {
        fill(); // its cells have the colours of the theme
    }
}

bool PastePanel::paste(const QMimeData* clipboard, const QString& content, const Part& part) {
    const QString html = clipboard->html();
    const bool hasTable = html.contains("<tr", Qt::CaseInsensitive);
    PastedCells cells = readPasted((hasTable ? html : clipboard->text()).toStdString());
    if (cells.rows.size() < 2 || cells.rows.front().size() < 2) {
        return false;
    }
    cells_ = std::move(cells);
    meaning_ = guessMeaning(cells_, part);
    content_ = content.toStdString();
    part_ = part;
    fill();
    return true;
}

void PastePanel::follow(const QString& content, const Part& part) {
    if (!cells_.isEmpty()) {
        content_ = content.toStdString();
        part_ = part;
        work();
    }
}

/// The first row says what the columns mean.
void PastePanel::fill() {
    const int width = static_cast<int>(meaning_.columns.size());
    const auto shown = static_cast<int>(cells_.rows.size());
    table_->clear();
    table_->setRowCount(shown + 1);
    table_->setColumnCount(width + 1);
    for (int column = 0; column < width; ++column) {
        auto* means = new QComboBox;
        means->setAccessibleName(tr("What column %1 means").arg(column + 1));
        means->setFrame(false);
        for (const Means each : kMeanings) {
            means->addItem(meansSaid(each));
        }
        const auto place =
            std::find(kMeanings.begin(), kMeanings.end(), meaning_.columns[static_cast<std::size_t>(column)].means);
        means->setCurrentIndex(static_cast<int>(place - kMeanings.begin()));
        means->setPalette(palette());
        connect(means, &QComboBox::activated, this, [this, column](int index) {
            meaning_.columns[static_cast<std::size_t>(column)].means = kMeanings[static_cast<std::size_t>(index)];
            work();
        });
        table_->setCellWidget(0, column, means);
        for (int row = 0; row < shown; ++row) {
            auto* item = new QTableWidgetItem(text(cells_.rows[static_cast<std::size_t>(row)][static_cast<std::size_t>(column)]));
            const bool isHead = static_cast<std::size_t>(row) < meaning_.headRows;
            item->setForeground(isHead ? theme_.muted : theme_.ink);
            table_->setItem(row + 1, column, item);
        }
    }
    work();
}

void PastePanel::work() {
    if (!part_) {
        return;
    }
    rows_ = pastedRows(cells_, meaning_, content_, *part_, ref_->text().trimmed().toStdString());
    const int last = table_->columnCount() - 1;
    std::size_t clear = 0;
    for (std::size_t i = 0; i < rows_.size();) { // what one row of the table says stands in one cell
        const std::size_t which = rows_[i].row;
        QStringList said;
        bool isClear = true;
        for (; i < rows_.size() && rows_[i].row == which; ++i) {
            const PastedRow& row = rows_[i];
            clear += row.unclear.empty() ? 1U : 0U;
            isClear = isClear && row.unclear.empty();
            const QString change = QString("%1 %2: %3%4")
                                       .arg(text(row.id), text(row.key),
                                            row.before.empty() ? QString() : text(row.before) + " \u2192 ", text(row.after));
            said << (row.unclear.empty() ? change : text(row.unclear));
        }
        auto* item = new QTableWidgetItem(said.join("\n"));
        item->setForeground(isClear ? theme_.kept : theme_.strained);
        item->setToolTip(tipText(item->text()));
        table_->setItem(static_cast<int>(which) + 1, last, item);
    }
    for (int column = 0; column < last; ++column) { // what it would change has the rest, in as many lines as that takes
        table_->resizeColumnToContents(column);
    }
    table_->resizeRowsToContents();
    const auto unclear = rows_.size() - clear;
    take_->setText(unclear == 0 ? tr("take %1 rows").arg(clear) : tr("take %1 rows, %2 unclear").arg(clear).arg(unclear));
    take_->setEnabled(clear > 0);
}

} // namespace wisetick::app
