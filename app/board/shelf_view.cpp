#include "board/shelf_view.h"

#include "paint/controls.h"
#include "paint/text.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kShelfLeft = 16;
constexpr qreal kIndent = 20;
constexpr qreal kShelfGap = 16;

} // namespace

ShelfList::ShelfList(QWidget* parent) : PaintedView(tr("Parts shelf"), parent) {
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
}

void ShelfList::show(std::vector<ShelfRow> rows) {
    rows_ = std::move(rows);
    selected_ = 0;
    verticalScrollBar()->setValue(0);
    layOut();
    if (!rows_.empty()) {
        select(0);
    }
}

QString ShelfList::verb(const ShelfRow& row) const {
    return row.kind == ShelfRow::Kind::plan ? tr("open") : tr("begin a plan");
}

void ShelfList::layOut() {
    const qreal rowHeight = std::ceil((lineHeight(Face::word) + 6) / 4) * 4;
    tops_.clear();
    needWidth_ = 0;
    planWidth_ = 0;
    qreal top = 4;
    for (const ShelfRow& row : rows_) {
        top += row.kind == ShelfRow::Kind::part && !tops_.empty() ? rowHeight / 2 : 0;
        tops_.push_back(top);
        top += rowHeight;
        qreal& width = row.kind == ShelfRow::Kind::need ? needWidth_ : planWidth_;
        if (row.kind == ShelfRow::Kind::need || row.kind == ShelfRow::Kind::plan) {
            width = std::max(width, textWidth(Face::word, row.name));
        }
    }
    tops_.push_back(top); // where the last one ends
    height_ = top + 8;
    setContentHeight(height_, rowHeight);
    viewport()->update();
}

QRectF ShelfList::rowRect(std::size_t row) const {
    const qreal rowHeight = std::ceil((lineHeight(Face::word) + 6) / 4) * 4;
    return {0, tops_[row] - verticalScrollBar()->value(), static_cast<qreal>(viewport()->width()), rowHeight};
}

void ShelfList::select(std::size_t row) {
    selected_ = row;
    scrollToShow(rowRect(row), 4, 5);
    sayRowSelected(this, row);
    setAccessibleDescription(tr("%1, %2: %3").arg(rows_[row].name, rows_[row].detail, verb(rows_[row])));
    viewport()->update();
}

std::vector<SpokenRow> ShelfList::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const QString what = verb(rows_[i]);
        spoken.push_back({rows_[i].name, what.isEmpty() ? rows_[i].detail : rows_[i].detail + "; " + what, rowRect(i).toRect(),
                          i == selected_});
    }
    return spoken;
}

void ShelfList::step(int by) {
    const auto size = static_cast<std::ptrdiff_t>(rows_.size());
    for (auto row = static_cast<std::ptrdiff_t>(selected_) + by; row >= 0 && row < size; row += by) {
        if (!rows_[static_cast<std::size_t>(row)].target.isEmpty()) {
            select(static_cast<std::size_t>(row));
            return;
        }
    }
}

void ShelfList::start() {
    if (selected_ < rows_.size()) {
        const ShelfRow row = rows_[selected_]; // starting may fill the list anew
        emit started(row);
    }
}

void ShelfList::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
    case Qt::Key_Up: step(-1); break;
    case Qt::Key_Down: step(1); break;
    case Qt::Key_Return:
    case Qt::Key_Enter: start(); break;
    default: PaintedView::keyPressEvent(event);
    }
}

QList<RowCommand> ShelfList::rowCommands() {
    if (selected_ >= rows_.size() || rows_[selected_].target.isEmpty()) {
        return {};
    }
    const bool isPlan = rows_[selected_].kind == ShelfRow::Kind::plan;
    return {{isPlan ? tr("Open the plan") : tr("Begin a plan"), QKeySequence("Return")}};
}

void ShelfList::selectAt(const QPointF& at) {
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (!rows_[i].target.isEmpty() && rowRect(i).contains(at)) {
            select(i);
            return;
        }
    }
}

void ShelfList::mousePressEvent(QMouseEvent* event) {
    selectAt(event->position());
    if (selected_ < rows_.size() && rowRect(selected_).contains(event->position())) {
        const qreal width = textWidth(Face::word, verb(rows_[selected_]));
        if (!rows_[selected_].target.isEmpty() && event->position().x() >= rowRect(selected_).right() - kShelfLeft - width) {
            start();
        }
    }
}

void ShelfList::mouseDoubleClickEvent(QMouseEvent* event) {
    if (selected_ < rows_.size() && rowRect(selected_).contains(event->position())) {
        start();
    }
}

void ShelfList::paintRow(QPainter& painter, std::size_t index, const QRectF& rect) const {
    const ShelfRow& row = rows_[index];
    if (index == selected_) {
        painter.fillRect(rect, theme_.selected);
        if (hasFocus()) {
            painter.fillRect(QRectF(0, rect.top(), 3, rect.height()), theme_.kept);
        }
    }
    const qreal size = lineHeight(Face::word) * 0.5;
    const qreal indent = row.kind == ShelfRow::Kind::part ? 0 : kIndent;
    qreal left = kShelfLeft + indent;
    if (row.mark) {
        drawMark(painter, QRectF(left, rect.center().y() - size / 2, size, size), *row.mark, theme_);
    }
    left += row.mark || row.kind == ShelfRow::Kind::need ? size + 8 : 0;
    qreal right = rect.right() - kShelfLeft;
    if (!row.target.isEmpty()) {
        const qreal width = textWidth(Face::word, verb(row));
        drawText(painter, QRectF(right - width, rect.top(), width + 2, rect.height()), Qt::AlignLeft, verb(row), Face::word,
                 theme_.thread);
        right -= width + kShelfGap;
    }
    const bool isPart = row.kind == ShelfRow::Kind::part;
    const qreal nameWidth = row.kind == ShelfRow::Kind::need   ? needWidth_
                            : row.kind == ShelfRow::Kind::plan ? planWidth_
                            : row.name.isEmpty()               ? 0
                                                               : textWidth(Face::bold, row.name);
    drawText(painter, QRectF(left, rect.top(), std::min(nameWidth, right - left) + 2, rect.height()), Qt::AlignLeft, row.name,
             isPart ? Face::bold : Face::word, theme_.ink);
    left += nameWidth > 0 ? nameWidth + kShelfGap : 0;
    const QColor colour = row.mark == State::broken && row.kind == ShelfRow::Kind::need ? theme_.broken : theme_.muted;
    drawText(painter, QRectF(left, rect.top(), std::max(0.0, right - left), rect.height()), Qt::AlignLeft, row.detail,
             Face::small, colour);
}

void ShelfList::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const QRectF rect = rowRect(i);
        if (rect.bottom() >= 0 && rect.top() <= viewport()->height()) {
            paintRow(painter, i, rect);
        }
    }
    if (rows_.empty()) {
        drawWrapped(painter, viewport()->rect(), Qt::AlignHCenter, tr("There is no part on the shelf"), Face::word, theme_.muted);
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

ShelfView::ShelfView(Shelf shelf, std::filesystem::path examples, QWidget* parent)
    : QWidget(parent), shelf_(std::move(shelf)), examples_(std::move(examples)) {
    setAutoFillBackground(true);
    needs_ = new QLineEdit;
    needs_->setAccessibleName(tr("What is needed"));
    needs_->setPlaceholderText(tr("core >= 100 MHz, 2 uart, can fd, sleep <= 2 uA, 3 pll"));
    needs_->setFont(faceFont(Face::word));
    needs_->installEventFilter(this);
    trouble_ = new QLabel;
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::PlainText);
    trouble_->hide();
    list_ = new ShelfList;
    list_->installEventFilter(this);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 4, 0, 0);
    layout->setSpacing(8);
    auto* field = new QVBoxLayout;
    field->setContentsMargins(static_cast<int>(kShelfLeft), 0, static_cast<int>(kShelfLeft), 0);
    field->addWidget(needs_);
    field->addWidget(trouble_);
    layout->addLayout(field);
    layout->addWidget(list_, 1);
    setFocusProxy(needs_);
    connect(needs_, &QLineEdit::textChanged, this, &ShelfView::judge);
    connect(list_, &ShelfList::started, this, [this](const ShelfRow& row) {
        if (row.kind == ShelfRow::Kind::plan) {
            emit openWanted(row.target);
        } else {
            emit beginWanted(row.target);
        }
    });
    readAgain();
}

void ShelfView::setTheme(const Theme& theme) {
    theme_ = theme;
    list_->setTheme(theme);
    QPalette palette = this->palette();
    palette.setColor(QPalette::Window, theme.paper);
    palette.setColor(QPalette::WindowText, theme.broken);
    setPalette(palette);
}

void ShelfView::readAgain() {
    parts_ = readShelf(shelf_);
    plans_ = plansIn(examples_);
    judge();
}

QString ShelfView::selectedPart() const {
    QString id;
    for (std::size_t i = 0; i <= list_->selected() && i < list_->rows().size(); ++i) {
        const ShelfRow& row = list_->rows()[i];
        id = row.kind == ShelfRow::Kind::part ? row.target : id;
    }
    return QString::fromStdString(partOnShelf(id.toStdString(), shelf_).string());
}

QString ShelfView::trouble() const {
    return trouble_->isVisibleTo(this) ? trouble_->text() : QString();
}

/// The rows stay as they are while the text can't be read.
void ShelfView::judge() {
    const std::string typed = needs_->text().toStdString();
    const auto needs = readNeeds(typed);
    trouble_->setVisible(!needs);
    if (!needs) {
        trouble_->setText(text(sayText(needs.error())));
        return;
    }
    list_->show(shelfRows(parts_, plans_, *needs));
}

bool ShelfView::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
        emit left();
        return true;
    }
    if (watched == needs_ && event->type() == QEvent::KeyPress) {
        switch (static_cast<QKeyEvent*>(event)->key()) {
        case Qt::Key_Up: list_->step(-1); return true;
        case Qt::Key_Down: list_->step(1); return true;
        case Qt::Key_Return:
        case Qt::Key_Enter: list_->start(); return true;
        default: break;
        }
    }
    return QWidget::eventFilter(watched, event);
}

} // namespace wisetick::app
