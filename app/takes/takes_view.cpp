#include "takes/takes_view.h"

#include "paint/text.h"
#include "plan/take_edits.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMouseEvent>
#include <QScrollBar>

#include <algorithm>
#include <array>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kTakesSide = 16;
constexpr qreal kNarrowest = 96;      ///< column of a take
constexpr qreal kMostNames = 0.3;     ///< of the width, for the names
constexpr std::size_t kMostWhole = 6; ///< takes of which all of the selected row is shown
constexpr std::array kSections{ComparedRow::Kind::promise, ComparedRow::Kind::choice, ComparedRow::Kind::vital};

} // namespace

TakesView::TakesView(Document& document, QWidget* parent)
    : PaintedView(tr("Takes beside one another"), parent), document_(document), name_(new QLineEdit(viewport())),
      trouble_(new QLabel(viewport())) {
    name_->setAccessibleName(tr("Name of the take"));
    name_->hide();
    name_->installEventFilter(this);
    trouble_->setTextFormat(Qt::PlainText);
    trouble_->setWordWrap(true);
    trouble_->setAutoFillBackground(true);
    trouble_->setMargin(6);
    trouble_->hide();
    connect(&document_, &Document::changed, this, [this] {
        isOld_ = true;
        if (isVisible()) {
            follow();
        }
    });
    connect(&document_, &Document::replaced, this, [this] {
        working_.stop();
        takes_.clear();
        all_.clear();
        selected_.clear();
        sortRows();
    });
    connect(&working_, &Background::failed, &document_, &Document::troubleBeside);
}

TakesView::~TakesView() {
    working_.stop();
}

void TakesView::showEvent(QShowEvent* event) {
    PaintedView::showEvent(event);
    follow();
}

void TakesView::follow() {
    if (!document_.isOpen() || !isOld_) {
        return;
    }
    isOld_ = false;
    std::vector<std::string> takes;
    for (const Take& take : document_.plan().takes) {
        takes.push_back(take.name);
    }
    const bool isGone = std::find(takes.begin(), takes.end(), selected_) == takes.end();
    selected_ = isGone ? document_.plan().active : selected_;
    setAccessibleDescription(tr("%1, active").arg(text(document_.plan().active)));
    if (takes != takes_) { // what is shown of takes that are not there any more is of no use
        takes_ = takes;
        all_.clear();
        sortRows();
    }
    working_.start(
        [this, takes, part = document_.part(), plan = document_.plan()](const std::stop_token&) -> std::function<void()> {
            auto rows = std::make_shared<std::vector<ComparedRow>>(compareTakes(part, plan, takes));
            return [this, rows] {
                all_ = *rows;
                sortRows();
            };
        });
    emit hintChanged();
}

/// By section; inside of one what differs first, as it came.
void TakesView::sortRows() {
    rows_.clear();
    for (const ComparedRow::Kind kind : kSections) {
        for (const ComparedRow& row : all_) {
            if (row.kind == kind && (row.differs || !isShort_)) {
                rows_.push_back(row);
            }
        }
    }
    row_ = std::min(row_, rows_.empty() ? 0 : rows_.size() - 1);
    layOut();
    emit hintChanged();
}

QString TakesView::sectionName(ComparedRow::Kind kind) {
    switch (kind) {
    case ComparedRow::Kind::promise: return tr("Promises");
    case ComparedRow::Kind::choice: return tr("Clocks");
    case ComparedRow::Kind::vital: return tr("Figures");
    }
    return {};
}

/// As the part calls it, not by its id.
QString TakesView::nameOf(const ComparedRow& row) const {
    const auto node = row.kind == ComparedRow::Kind::choice ? document_.part().findNode(row.name) : std::nullopt;
    if (!node) {
        return text(row.name);
    }
    const Part& part = document_.part();
    const std::string& name = part.isSource(*node) ? part.sources[*node].name : part.lineAt(*node).name;
    return text(name.empty() ? row.name : name);
}

bool TakesView::beginsSection(std::size_t row) const {
    return row == 0 || rows_[row].kind != rows_[row - 1].kind;
}

qreal TakesView::rowHeight() const {
    return std::ceil(lineHeight(Face::word) + 8);
}

qreal TakesView::columnWidth() const {
    const qreal room = viewport()->width() - nameWidth_ - 2 * kTakesSide;
    return std::max(kNarrowest, room / static_cast<qreal>(std::max<std::size_t>(takes_.size(), 1)));
}

void TakesView::layOut() {
    nameWidth_ = 0;
    for (const ComparedRow& row : rows_) {
        nameWidth_ = std::max(nameWidth_, textWidth(Face::bold, nameOf(row)));
    }
    nameWidth_ = std::min(nameWidth_ + 24, viewport()->width() * kMostNames);
    tops_.clear();
    qreal top = rowHeight() + 4; // the head with the names of the takes
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        top += beginsSection(i) ? rowHeight() + (i == 0 ? 0 : 8) : 0;
        tops_.push_back(top);
        top += rowHeight();
    }
    setContentHeight(rows_.empty() ? 0 : top + 8 + wholeHeight(), rowHeight());
    placeName();
    viewport()->update();
}

QRectF TakesView::rowRect(std::size_t row) const {
    return {0, tops_[row] - verticalScrollBar()->value(), static_cast<qreal>(viewport()->width()), rowHeight()};
}

QRectF TakesView::headRect(std::size_t take) const {
    return {kTakesSide + nameWidth_ + static_cast<qreal>(take) * columnWidth(), 0, columnWidth() - 12, rowHeight()};
}

QString TakesView::selected() const {
    return text(selected_);
}

void TakesView::select(const QString& take) {
    selected_ = take.isEmpty() ? document_.plan().active : take.toStdString();
    trouble_->hide();
    viewport()->update();
}

Target TakesView::target() const {
    if (row_ >= rows_.size()) {
        return {};
    }
    const ComparedRow& row = rows_[row_];
    if (row.kind == ComparedRow::Kind::promise) {
        return document_.figures().findPromise(row.name) == nullptr ? Target() : Target::promise(row.name);
    }
    return row.kind == ComparedRow::Kind::choice && document_.part().findNode(row.name) ? Target::line(row.name) : Target();
}

void TakesView::selectRow(std::size_t row) {
    if (row < rows_.size()) {
        row_ = row;
        scrollToShow(rowRect(row).adjusted(0, 0, 0, wholeHeight()), 2 * rowHeight() + 8);
        sayRowSelected(this, row);
        viewport()->update();
    }
}

QString TakesView::trouble() const {
    return trouble_->isVisibleTo(viewport()) ? trouble_->text() : QString();
}

void TakesView::showDifferencesOnly(bool isShort) {
    isShort_ = isShort;
    sortRows();
}

void TakesView::edit(const QString& what, const PlanEdit& change, const std::string& selectAfter) {
    const QString why = document_.edit(what, change);
    trouble_->setVisible(!why.isEmpty());
    if (!why.isEmpty()) {
        QPalette colours = palette();
        colours.setColor(QPalette::Window, theme_.panel);
        colours.setColor(QPalette::WindowText, theme_.broken);
        trouble_->setPalette(colours);
        trouble_->setText(why);
        trouble_->setFixedWidth(viewport()->width());
        trouble_->adjustSize();
        trouble_->move(0, viewport()->height() - trouble_->height());
        trouble_->raise();
    } else if (!selectAfter.empty()) {
        selected_ = selectAfter;
    }
    viewport()->update();
}

void TakesView::addTake() {
    const std::string name = freeTakeName(document_.plan());
    edit(
        tr("take %1").arg(text(name)), [name](Plan& plan) { return wisetick::addTake(plan, name); }, name);
}

void TakesView::copyTake() {
    const std::string from = selected_;
    const std::string name = freeTakeName(document_.plan());
    edit(
        tr("take %1 copied").arg(text(from)), [=](Plan& plan) { return wisetick::copyTake(plan, from, name); }, name);
}

void TakesView::renameTake() {
    renamed_ = selected_;
    name_->setText(text(renamed_));
    name_->show();
    placeName();
    name_->setFocus();
    name_->selectAll();
}

/// Over the head of the take that it names; a take that went meanwhile has none.
void TakesView::placeName() {
    const auto at = std::find(takes_.begin(), takes_.end(), renamed_);
    if (!name_->isHidden() && at == takes_.end()) {
        endName();
    } else if (!name_->isHidden()) {
        name_->setGeometry(headRect(static_cast<std::size_t>(at - takes_.begin())).toRect().adjusted(0, 1, 0, 1));
    }
}

/// What is wrong with it is said, and it stays.
void TakesView::takeName() {
    const std::string from = renamed_;
    const std::string to = name_->text().trimmed().toStdString();
    edit(
        tr("take %1 renamed").arg(text(from)), [=](Plan& plan) { return wisetick::renameTake(plan, from, to); }, to);
    if (trouble().isEmpty()) {
        endName();
    }
}

void TakesView::endName() {
    trouble_->hide();
    name_->hide();
    setFocus();
}

void TakesView::deleteTake() {
    const std::string name = selected_;
    edit(tr("take %1 deleted").arg(text(name)), [name](Plan& plan) { return wisetick::deleteTake(plan, name); }, {});
}

void TakesView::activate() {
    const std::string name = selected_;
    edit(
        tr("take %1 active").arg(text(name)), [name](Plan& plan) { return activateTake(plan, name); }, name);
}

void TakesView::moveTake(int by) {
    const std::string name = selected_;
    edit(
        tr("take %1 moved").arg(text(name)), [=](Plan& plan) { return wisetick::moveTake(plan, name, by); }, name);
}

void TakesView::keyPressEvent(QKeyEvent* event) {
    if (!document_.isOpen()) {
        PaintedView::keyPressEvent(event);
        return;
    }
    const bool isWithAlt = (event->modifiers() & Qt::AltModifier) != 0;
    const bool isPlain = (event->modifiers() & ~Qt::KeypadModifier) == Qt::NoModifier;
    const auto at = static_cast<std::size_t>(std::find(takes_.begin(), takes_.end(), selected_) - takes_.begin());
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const int step = event->key() == Qt::Key_Left ? -1 : 1;
        if (isWithAlt) {
            moveTake(step);
        } else if ((step > 0 || at > 0) && at + static_cast<std::size_t>(step) < takes_.size()) {
            select(text(takes_[at + static_cast<std::size_t>(step)]));
        }
        return;
    }
    case Qt::Key_Up: selectRow(row_ - (row_ > 0 ? 1 : 0)); return;
    case Qt::Key_Down: selectRow(std::min(row_ + 1, std::max<std::size_t>(rows_.size(), 1) - 1)); return;
    case Qt::Key_Home: selectRow(0); return;
    case Qt::Key_End: selectRow(rows_.empty() ? 0 : rows_.size() - 1); return;
    case Qt::Key_Return:
    case Qt::Key_Enter: activate(); return;
    case Qt::Key_Space: emit targetWanted(target()); return;
    case Qt::Key_F2: renameTake(); return;
    case Qt::Key_Delete: deleteTake(); return;
    default: break;
    }
    if (isPlain && event->key() == Qt::Key_N) {
        addTake();
    } else if (isPlain && event->key() == Qt::Key_C) {
        copyTake();
    } else if (isPlain && event->key() == Qt::Key_D) {
        switchDifferences();
    } else {
        PaintedView::keyPressEvent(event);
    }
}

QList<RowCommand> TakesView::rowCommands() {
    if (!document_.isOpen()) {
        return {};
    }
    QList<RowCommand> commands{{tr("Rename it"), QKeySequence("F2")},
                               {tr("Copy it"), QKeySequence("C")},
                               {tr("Move it left"), QKeySequence("Alt+Left")},
                               {tr("Move it right"), QKeySequence("Alt+Right")},
                               {tr("Delete it"), QKeySequence("Del")},
                               {tr("New take"), QKeySequence("N")},
                               {tr("Only differences, or all"), QKeySequence("D")}};
    if (selected_ != document_.plan().active) {
        commands.push_front({tr("Make take %1 active").arg(text(selected_)), QKeySequence("Return")});
    }
    return commands;
}

void TakesView::selectAt(const QPointF& at) {
    for (std::size_t i = 0; i < takes_.size(); ++i) {
        const QRectF head = headRect(i);
        if (at.x() >= head.left() && at.x() < head.right() + 12) {
            select(text(takes_[i]));
        }
    }
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (at.y() > rowHeight() && rowRect(i).contains(at)) {
            selectRow(i);
        }
    }
}

void TakesView::mousePressEvent(QMouseEvent* event) {
    if (!name_->isHidden() && name_->isModified()) { // what was typed is meant
        takeName();
    }
    if (!name_->isHidden() && name_->isModified()) {
        return;
    }
    endName();
    selectAt(event->position());
    const bool isOnRow = event->position().y() > rowHeight() && row_ < rows_.size() && rowRect(row_).contains(event->position());
    if (isOnRow && event->position().x() < nameWidth_ + kTakesSide) {
        emit targetWanted(target());
    }
}

void TakesView::mouseDoubleClickEvent(QMouseEvent* event) {
    if (event->position().y() <= rowHeight() && event->position().x() > nameWidth_ + kTakesSide) {
        activate();
    }
}

bool TakesView::eventFilter(QObject* watched, QEvent* event) {
    if (watched != name_ || event->type() != QEvent::KeyPress) {
        return PaintedView::eventFilter(watched, event);
    }
    const int key = static_cast<QKeyEvent*>(event)->key();
    const bool isEnter = key == Qt::Key_Return || key == Qt::Key_Enter;
    if (!isEnter && key != Qt::Key_Escape) {
        return PaintedView::eventFilter(watched, event);
    }
    isEnter ? takeName() : endName();
    return true;
}

void TakesView::paintRow(QPainter& painter, std::size_t index) {
    const ComparedRow& row = rows_[index];
    const QRectF rect = rowRect(index);
    if (index == row_) {
        painter.fillRect(rect, theme_.selected);
        if (hasFocus()) {
            painter.fillRect(QRectF(0, rect.top(), 3, rect.height()), theme_.kept);
        }
    }
    const QColor ink = row.differs ? theme_.ink : theme_.muted;
    drawText(painter, QRectF(kTakesSide, rect.top(), nameWidth_ - 12, rect.height()), Qt::AlignLeft, nameOf(row),
             row.differs ? Face::bold : Face::word, ink);
    const qreal size = rect.height() * 0.36;
    for (std::size_t i = 0; i < row.values.size() && i < takes_.size(); ++i) {
        QRectF cell = headRect(i).translated(0, rect.top());
        if (row.states[i]) {
            drawMark(painter, QRectF(cell.left(), cell.center().y() - size / 2, size, size), *row.states[i], theme_);
        }
        cell.setLeft(cell.left() + size + 6);
        const bool isAsked = row.kind != ComparedRow::Kind::promise || row.states[i].has_value();
        drawText(painter, cell, Qt::AlignLeft, text(row.values[i]), Face::word, isAsked ? ink : theme_.muted);
    }
}

/// The names of the takes, and the section that is in sight: both stay above the rows.
void TakesView::paintHead(QPainter& painter) {
    const qreal bottom = rowHeight() + 4;
    std::size_t first = 0; // the row below the heads
    while (first + 1 < rows_.size() && rowRect(first).bottom() <= bottom + rowHeight()) {
        ++first;
    }
    painter.fillRect(QRectF(0, 0, viewport()->width(), bottom + (rows_.empty() ? 0 : rowHeight())), theme_.paper);
    for (std::size_t i = 0; i < takes_.size(); ++i) {
        const QRectF rect = headRect(i);
        const bool isSelected = takes_[i] == selected_;
        if (isSelected) {
            painter.fillRect(rect.adjusted(-6, 1, 0, 1), theme_.rail);
        }
        const bool isActive = takes_[i] == document_.plan().active;
        const qreal size = rect.height() * 0.36;
        if (isActive) { // the one that is worked on
            painter.fillRect(QRectF(rect.left() - 6, rect.bottom() - 1, rect.width() + 6, 2), theme_.kept);
        }
        drawText(painter, rect.adjusted(size + 6, 0, 0, 0), Qt::AlignLeft,
                 isActive ? tr("%1, active").arg(text(takes_[i])) : text(takes_[i]), Face::title, theme_.ink);
    }
    painter.fillRect(QRectF(0, bottom - 1, viewport()->width(), 1), theme_.line);
    if (!rows_.empty()) {
        drawText(painter, QRectF(kTakesSide, bottom, viewport()->width() - 2 * kTakesSide, rowHeight()), Qt::AlignLeft,
                 sectionName(rows_[first].kind), Face::bold, theme_.thread);
    }
}

qreal TakesView::wholeHeight() const {
    return rows_.empty() ? 0 : 12 + lineHeight(Face::small) * static_cast<qreal>(std::min(takes_.size(), kMostWhole));
}

/// All that stands in the selected row, below the rows: a column is often too narrow for it.
void TakesView::paintWhole(QPainter& painter) {
    const ComparedRow& row = rows_[row_];
    const QRectF area(0, viewport()->height() - wholeHeight(), viewport()->width(), wholeHeight());
    painter.fillRect(area, theme_.panel);
    painter.fillRect(QRectF(area.left(), area.top(), area.width(), 1), theme_.line);
    qreal top = area.top() + 6;
    qreal wide = 0;
    for (const std::string& take : takes_) {
        wide = std::max(wide, textWidth(Face::small, text(take)));
    }
    const qreal left = std::max(kTakesSide + nameWidth_, kTakesSide + wide + 12);
    for (std::size_t i = 0; i < std::min({takes_.size(), row.values.size(), kMostWhole}); ++i) {
        drawText(painter, QRectF(kTakesSide, top, left - kTakesSide - 8, lineHeight(Face::small)), Qt::AlignLeft, text(takes_[i]),
                 Face::small, theme_.muted);
        drawText(painter, QRectF(left, top, area.width() - left - kTakesSide, lineHeight(Face::small)), Qt::AlignLeft,
                 text(row.values[i]), Face::small, theme_.ink);
        top += lineHeight(Face::small);
    }
}

void TakesView::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    painter.setRenderHint(QPainter::Antialiasing);
    if (rows_.empty()) {
        const QString say = !document_.isOpen() ? tr("Open a plan to see its takes")
                            : isBusy()          ? tr("being worked out \u2026")
                            : isShort_          ? tr("The takes do not differ")
                                                : QString();
        drawWrapped(painter, viewport()->rect(), Qt::AlignHCenter, say, Face::word, theme_.muted);
    }
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        const QRectF rect = rowRect(i);
        if (rect.bottom() < 0 || rect.top() - rowHeight() > viewport()->height()) {
            continue;
        }
        if (beginsSection(i)) {
            drawText(painter, rect.translated(kTakesSide, -rowHeight()), Qt::AlignLeft, sectionName(rows_[i].kind), Face::bold,
                     theme_.thread);
        }
        paintRow(painter, i);
    }
    if (document_.isOpen()) {
        paintHead(painter);
    }
    if (!rows_.empty()) {
        paintWhole(painter);
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

std::vector<SpokenRow> TakesView::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        QStringList values;
        for (std::size_t take = 0; take < takes_.size() && take < rows_[i].values.size(); ++take) {
            values << text(takes_[take] + " " + rows_[i].values[take]);
        }
        spoken.push_back(
            {sectionName(rows_[i].kind) + ", " + nameOf(rows_[i]), values.join(", "), rowRect(i).toRect(), i == row_});
    }
    return spoken;
}

} // namespace wisetick::app
