#include "takes/takes_window.h"

#include "paint/text.h"
#include "plan/take_edits.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kAround = 12;

} // namespace

ComparisonTable::ComparisonTable(const Theme& theme, QWidget* parent) : PaintedView(tr("Takes compared"), parent) {
    setTheme(theme);
}

std::vector<SpokenRow> ComparisonTable::spokenRows() {
    std::vector<SpokenRow> spoken;
    int top = rowHeight() - verticalScrollBar()->value();
    for (const ComparedRow& row : rows_) {
        QStringList values;
        for (std::size_t i = 0; i < takes_.size() && i < row.values.size(); ++i) {
            values << text(takes_[i] + " " + row.values[i]);
        }
        spoken.push_back({text(row.name), values.join(", "), QRect(0, top, viewport()->width(), rowHeight()), false});
        top += rowHeight();
    }
    return spoken;
}

int ComparisonTable::rowHeight() const {
    return static_cast<int>(lineHeight(Face::word)) + 8;
}

void ComparisonTable::show(const std::vector<std::string>& takes, std::vector<ComparedRow> rows) {
    takes_ = takes;
    rows_ = std::move(rows);
    layOut();
}

void ComparisonTable::layOut() {
    const int height = (static_cast<int>(rows_.size()) + 2) * rowHeight();
    setContentHeight(height, rowHeight());
    viewport()->update();
}

void ComparisonTable::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    if (takes_.empty()) {
        return;
    }
    const qreal height = rowHeight();
    qreal names = 0;
    for (const ComparedRow& row : rows_) {
        names = std::max(names, textWidth(Face::bold, text(row.name)));
    }
    const qreal nameWidth = std::min(names + 3 * kAround, viewport()->width() * 0.4);
    const qreal width = (viewport()->width() - nameWidth - kAround) / static_cast<qreal>(takes_.size());
    const auto cell = [&](std::size_t column, qreal top) {
        return QRectF(nameWidth + static_cast<qreal>(column) * width, top, width - kAround, height);
    };
    qreal top = height - verticalScrollBar()->value();
    bool wasDifferent = true;
    for (const ComparedRow& row : rows_) {
        if (wasDifferent && !row.differs) { // a gap before what is the same
            drawText(painter, QRectF(kAround, top, viewport()->width(), height), Qt::AlignLeft, tr("the same in all"),
                     Face::small, theme_.muted);
            top += height;
            wasDifferent = false;
        }
        const QColor ink = row.differs ? theme_.ink : theme_.muted;
        drawText(painter, QRectF(kAround, top, nameWidth - 2 * kAround, height), Qt::AlignLeft, text(row.name),
                 row.differs ? Face::bold : Face::word, ink);
        const qreal size = height * 0.36;
        for (std::size_t column = 0; column < row.values.size(); ++column) {
            QRectF area = cell(column, top);
            if (row.states[column]) {
                drawMark(painter, QRectF(area.left(), area.center().y() - size / 2, size, size), *row.states[column], theme_);
            }
            area.setLeft(area.left() + size + 6);
            const bool isAsked = row.kind != ComparedRow::Kind::promise || row.states[column].has_value();
            drawText(painter, area, Qt::AlignLeft, text(row.values[column]), Face::word, isAsked ? ink : theme_.muted);
        }
        top += height;
    }
    painter.fillRect(QRectF(0, 0, viewport()->width(), height), theme_.paper);
    painter.fillRect(QRectF(0, height - 1, viewport()->width(), 1), theme_.line);
    for (std::size_t column = 0; column < takes_.size(); ++column) {
        drawText(painter, cell(column, 0), Qt::AlignLeft, tr("take %1").arg(text(takes_[column])), Face::title, theme_.ink);
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

TakesWindow::TakesWindow(Document& document, const Theme& theme, QWidget* parent)
    : QDialog(parent), document_(document), theme_(theme), list_(new QListWidget), name_(new QLineEdit), trouble_(new QLabel),
      table_(new ComparisonTable(theme)) {
    setAttribute(Qt::WA_WindowPropagation);
    setWindowTitle(tr("Takes"));
    resize(QSize(1180, 660).boundedTo(parent == nullptr ? QSize(1180, 660) : parent->size() - QSize(40, 40)));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setAccessibleName(tr("Takes"));
    list_->setFont(faceFont(Face::word));
    list_->installEventFilter(this);
    QPalette quiet = palette();
    quiet.setColor(QPalette::Base, theme.panel);
    quiet.setColor(QPalette::Text, theme.ink);
    quiet.setColor(QPalette::Highlight, theme.selected);
    quiet.setColor(QPalette::HighlightedText, theme.ink);
    list_->setPalette(quiet);
    name_->setAccessibleName(tr("Name of the take"));
    name_->hide();
    name_->installEventFilter(this);
    trouble_->setWordWrap(true);
    QPalette bad = palette();
    bad.setColor(QPalette::WindowText, theme.broken);
    trouble_->setPalette(bad);
    trouble_->hide();
    auto* left = new QVBoxLayout;
    left->setSpacing(4);
    list_->setFixedWidth(190);
    left->addWidget(list_, 1);
    left->addWidget(name_);
    left->addWidget(trouble_);
    for (PillButton* button :
         {addButton(tr("Make active"), tr("Enter"), [this] { activate(); }),
          addButton(tr("Add"), tr("N"),
                    [this] {
                        const std::string name = freeTakeName(document_.plan());
                        edit(
                            tr("take %1").arg(text(name)), [name](Plan& plan) { return addTake(plan, name); }, name);
                    }),
          addButton(tr("Copy"), tr("C"), [this] { copy(); }), addButton(tr("Rename"), tr("F2"), [this] { rename(); }),
          addButton(tr("Delete"), tr("Del"), [this] { remove(); })}) {
        left->addWidget(button);
    }
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(12, 12, 12, 12);
    layout->setSpacing(16);
    layout->addLayout(left);
    layout->addWidget(table_, 1);
    connect(list_, &QListWidget::itemActivated, this, &TakesWindow::activate);
    connect(&document_, &Document::changed, this, &TakesWindow::refresh);
    refresh();
    list_->setFocus();
}

PillButton* TakesWindow::addButton(const QString& name, const QString& keys, const std::function<void()>& run) {
    auto* button = new PillButton(name);
    button->setTheme(theme_, false);
    button->setToolTip(keys);
    button->setAutoDefault(false);
    connect(button, &QPushButton::clicked, this, run);
    return button;
}

QString TakesWindow::trouble() const {
    return trouble_->isVisibleTo(this) ? trouble_->text() : QString();
}

std::string TakesWindow::selected() const {
    return list_->currentItem() == nullptr ? document_.plan().active
                                           : list_->currentItem()->data(Qt::UserRole).toString().toStdString();
}

void TakesWindow::refresh() {
    const std::string kept = selected();
    std::vector<std::string> takes;
    list_->clear();
    for (const Take& take : document_.plan().takes) {
        takes.push_back(take.name);
        const bool isActive = take.name == document_.plan().active;
        auto* item = new QListWidgetItem(isActive ? tr("%1, active").arg(text(take.name)) : text(take.name), list_);
        item->setData(Qt::UserRole, text(take.name));
        if (take.name == kept) {
            list_->setCurrentItem(item);
        }
    }
    if (list_->currentItem() == nullptr) {
        list_->setCurrentRow(0);
    }
    table_->show(takes, compareTakes(document_.part(), document_.plan(), takes));
}

void TakesWindow::edit(const QString& what, const PlanEdit& change, const std::string& selectAfter) {
    const QString why = document_.edit(what, change);
    trouble_->setText(why);
    trouble_->setVisible(!why.isEmpty());
    if (why.isEmpty()) {
        select(text(selectAfter));
    }
}

void TakesWindow::select(const QString& name) {
    for (int row = 0; row < list_->count(); ++row) {
        if (list_->item(row)->data(Qt::UserRole).toString() == name) {
            list_->setCurrentRow(row);
        }
    }
}

void TakesWindow::activate() {
    const std::string name = selected();
    edit(
        tr("take %1 active").arg(text(name)), [name](Plan& plan) { return activateTake(plan, name); }, name);
}

void TakesWindow::copy() {
    const std::string from = selected();
    const std::string name = freeTakeName(document_.plan());
    edit(
        tr("take %1 copied").arg(text(from)), [=](Plan& plan) { return copyTake(plan, from, name); }, name);
}

void TakesWindow::rename() {
    renaming_ = selected();
    name_->setText(text(renaming_));
    name_->show();
    name_->setFocus();
    name_->selectAll();
}

void TakesWindow::remove() {
    const std::string name = selected();
    edit(tr("take %1 deleted").arg(text(name)), [name](Plan& plan) { return deleteTake(plan, name); }, {});
}

void TakesWindow::move(int by) {
    const std::string name = selected();
    edit(
        tr("take %1 moved").arg(text(name)), [=](Plan& plan) { return moveTake(plan, name, by); }, name);
}

bool TakesWindow::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() != QEvent::KeyPress) {
        return QDialog::eventFilter(watched, event);
    }
    const auto* key = static_cast<QKeyEvent*>(event);
    const bool isEnter = key->key() == Qt::Key_Return || key->key() == Qt::Key_Enter;
    if (watched == name_ && (isEnter || key->key() == Qt::Key_Escape)) {
        const std::string from = renaming_;
        const std::string to = name_->text().trimmed().toStdString();
        if (isEnter) {
            edit(
                tr("take %1 renamed").arg(text(from)), [=](Plan& plan) { return renameTake(plan, from, to); }, to);
        }
        if (!isEnter || trouble().isEmpty()) {
            name_->hide();
            list_->setFocus();
        }
        return true;
    }
    if (watched != list_) {
        return QDialog::eventFilter(watched, event);
    }
    const bool isMove = key->modifiers() & Qt::AltModifier;
    switch (key->key()) {
    case Qt::Key_N: {
        const std::string name = freeTakeName(document_.plan());
        edit(
            tr("take %1").arg(text(name)), [name](Plan& plan) { return addTake(plan, name); }, name);
        return true;
    }
    case Qt::Key_C: copy(); return true;
    case Qt::Key_F2: rename(); return true;
    case Qt::Key_Delete: remove(); return true;
    case Qt::Key_Up:
    case Qt::Key_Down:
        if (isMove) {
            move(key->key() == Qt::Key_Up ? -1 : 1);
            return true;
        }
        break;
    default: break;
    }
    if (isEnter) {
        activate();
        return true;
    }
    return QDialog::eventFilter(watched, event);
}

} // namespace wisetick::app
