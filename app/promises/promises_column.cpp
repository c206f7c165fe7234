#include "promises/promises_column.h"

#include "derive/said.h"
#include "evaluate/exact_values.h"
#include "paint/controls.h"
#include "paint/fault_text.h"
#include "paint/line_offers.h"
#include "paint/target_drag.h"
#include "paint/text.h"
#include "paint/tip.h"
#include "plan/promise_edits.h"
#include "plan/promise_line.h"
#include "quantity/quantity_print.h"

#include <QApplication>
#include <QClipboard>
#include <QHBoxLayout>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QScrollBar>
#include <QToolTip>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

/// What a card says, in words.
static QString saidOf(const PromiseFigure& promise) {
    return PromiseCards::tr("%1, asked %2, got %3")
        .arg(text(stateName(promise.state)), text(promise.asks), text(resultSaidBriefly(promise)));
}

PromiseCards::PromiseCards(Document& document, QWidget* parent) : PaintedView(tr("Promises"), parent), document_(document) {
    connect(&document_, &Document::changed, this, [this] {
        follow();
        layOut();
    });
    connect(&document_, &Document::replaced, this, [this] { selected_.reset(); });
    connect(&document_, &Document::measuredChanged, viewport(), qOverload<>(&QWidget::update));
}

int PromiseCards::cardHeight() const {
    return static_cast<int>(lineHeight(Face::word) + lineHeight(Face::small) + 16) / 4 * 4;
}

/// What is selected stays so, wherever an edit put it; where it is gone, the one that stands in its place is.
void PromiseCards::follow() {
    const auto& promises = document_.plan().promises;
    if (!selected_ || (*selected_ < promises.size() && promises[*selected_] == selectedPromise_)) {
        return;
    }
    const auto same = std::find(promises.begin(), promises.end(), selectedPromise_);
    if (same != promises.end()) {
        selected_ = static_cast<std::size_t>(same - promises.begin());
    } else if (!promises.empty()) {
        selectIndex(std::min(*selected_, promises.size() - 1));
    } else {
        selected_.reset();
        setAccessibleDescription({});
        emit selectionChanged({});
    }
}

void PromiseCards::layOut() {
    const int count = document_.isOpen() ? static_cast<int>(document_.figures().promises.size()) : 0;
    setContentHeight(count * cardHeight(), cardHeight() / 2.0);
    viewport()->update();
}

std::vector<SpokenRow> PromiseCards::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; document_.isOpen() && i < document_.figures().promises.size(); ++i) {
        const PromiseFigure& promise = document_.figures().promises[i];
        const auto measured = document_.measured().find(promise.name);
        const QString onBench = measured == document_.measured().end()
                                    ? QString()
                                    : tr("; measured %1").arg(text(printError(measured->second.nominal)));
        spoken.push_back({text(promise.name), saidOf(promise) + onBench, cardRect(i), selected_ == i});
    }
    return spoken;
}

QRect PromiseCards::cardRect(std::size_t index) const {
    return {0, static_cast<int>(index) * cardHeight() - verticalScrollBar()->value(), viewport()->width(), cardHeight()};
}

void PromiseCards::selectIndex(std::size_t index) {
    selected_ = index;
    selectedPromise_ = document_.plan().promises[index];
    scrollToShow(cardRect(index));
    sayRowSelected(this, index);
    viewport()->update();
    const PromiseFigure& promise = document_.figures().promises[index];
    setAccessibleDescription(text(promise.name) + ": " + saidOf(promise));
    emit selectionChanged(selected());
}

void PromiseCards::select(const QString& name) {
    const auto& promises = document_.figures().promises;
    for (std::size_t i = 0; i < promises.size(); ++i) {
        if (text(promises[i].name) == name) {
            selectIndex(i);
        }
    }
}

QString PromiseCards::selected() const {
    return selected_ ? text(document_.figures().promises[*selected_].name) : QString();
}

void PromiseCards::keyPressEvent(QKeyEvent* event) {
    const std::size_t count = document_.isOpen() ? document_.figures().promises.size() : 0;
    if (count == 0) {
        return;
    }
    switch (event->key()) {
    case Qt::Key_Up: selectIndex(selected_ && *selected_ > 0 ? *selected_ - 1 : 0); break;
    case Qt::Key_Down: selectIndex(selected_ ? std::min(*selected_ + 1, count - 1) : 0); break;
    case Qt::Key_Home: selectIndex(0); break;
    case Qt::Key_End: selectIndex(count - 1); break;
    case Qt::Key_Delete:
        if (selected_) {
            emit removeWanted(selected());
        }
        break;
    case Qt::Key_C:
        if (selected_ && event->modifiers() == Qt::ControlModifier) {
            QApplication::clipboard()->setText(text(selectedPromise_.text));
        }
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_F2:
        if (selected_) {
            emit editWanted(selected());
        }
        break;
    default: PaintedView::keyPressEvent(event);
    }
}

QList<RowCommand> PromiseCards::rowCommands() {
    if (!selected_) {
        return {};
    }
    return {{tr("Change the line"), QKeySequence("F2")},
            {tr("Copy the line"), QKeySequence("Ctrl+C")},
            {tr("Remove the promise"), QKeySequence("Del")}};
}

void PromiseCards::selectAt(const QPointF& at) {
    const auto index =
        static_cast<std::size_t>(std::max(0, static_cast<int>(at.y()) + verticalScrollBar()->value()) / cardHeight());
    if (document_.isOpen() && index < document_.figures().promises.size()) {
        selectIndex(index);
    }
}

void PromiseCards::mousePressEvent(QMouseEvent* event) {
    pressedAt_ = event->position().toPoint();
    selectAt(event->position());
}

/// A card says its whole line, and why it is not kept.
bool PromiseCards::viewportEvent(QEvent* event) {
    if (event->type() != QEvent::ToolTip) {
        return PaintedView::viewportEvent(event);
    }
    const auto* help = static_cast<QHelpEvent*>(event);
    const std::size_t count = document_.isOpen() ? document_.figures().promises.size() : 0;
    for (std::size_t i = 0; i < count; ++i) {
        if (cardRect(i).contains(help->pos())) {
            const PromiseFigure& promise = document_.figures().promises[i];
            const QString why = text(promise.why);
            QToolTip::showText(help->globalPos(), tipText(text(promise.text) + (why.isEmpty() ? QString() : "\n" + why)), this,
                               cardRect(i));
            return true;
        }
    }
    QToolTip::hideText();
    return true;
}

/// A card is dragged to where a promise is asked for.
void PromiseCards::mouseMoveEvent(QMouseEvent* event) {
    const bool isFar = (event->position().toPoint() - pressedAt_).manhattanLength() >= QApplication::startDragDistance();
    if (selected_ && (event->buttons() & Qt::LeftButton) && isFar) {
        dragTarget(this, Target::promise(selected().toStdString()), selected(), theme_);
    }
}

void PromiseCards::mouseDoubleClickEvent(QMouseEvent*) {
    if (selected_) {
        emit editWanted(selected());
    }
}

void PromiseCards::paintCard(QPainter& painter, const QRect& card, const PromiseFigure& promise, bool isSelected) const {
    const qreal upper = lineHeight(Face::bold);
    if (isSelected) {
        painter.fillRect(card, theme_.selected);
        if (hasFocus()) {
            painter.fillRect(QRect(card.left(), card.top(), 3, card.height()), theme_.kept);
        }
    }
    const qreal mark = upper * 0.62;
    const qreal top = card.top() + 6;
    drawMark(painter, QRectF(card.left() + 12, top + (upper - mark) / 2, mark, mark), promise.state, theme_);
    const qreal left = card.left() + 20 + mark;
    const qreal right = card.right() - 12;
    const QString got = text(resultSaidBriefly(promise));
    const qreal gotWidth = textWidth(Face::word, got) + 2;
    const QString name = text(promise.name);
    drawText(painter, QRectF(left, top, right - left - gotWidth - 8, upper), Qt::AlignLeft, name, Face::bold, theme_.ink);
    if (promise.isPinned) {
        const qreal after = left + textWidth(Face::bold, name) + 8;
        drawText(painter, QRectF(after, top, right - gotWidth - 8 - after, upper), Qt::AlignLeft,
                 promise.hasBetterWay ? tr("pinned, not the best") : tr("pinned"), Face::small, theme_.muted);
    }
    drawText(painter, QRectF(right - gotWidth, top, gotWidth, upper), Qt::AlignRight, got, Face::word,
             promise.state == State::kept ? theme_.ink : theme_.of(promise.state));
    const qreal lower = top + upper;
    const qreal height = lineHeight(Face::small);
    constexpr qreal kGauge = 52;
    drawText(painter, QRectF(left, lower, right - left - kGauge - 8, height), Qt::AlignLeft, text(promise.asks), Face::small,
             theme_.muted);
    const auto measured = document_.measured().find(promise.name);
    drawGauge(painter, QRectF(right - kGauge, lower + 1, kGauge, height - 2), promise, theme_,
              measured == document_.measured().end() ? nullptr : &measured->second);
}

void PromiseCards::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.panel);
    if (hasFocus() && !selected_) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
    if (!document_.isOpen()) {
        return;
    }
    const auto& promises = document_.figures().promises;
    if (promises.empty()) {
        painter.setPen(theme_.muted);
        painter.setFont(faceFont(Face::small));
        painter.drawText(
            viewport()->rect().adjusted(16, 8, -16, 0), Qt::TextWordWrap,
            tr("Nothing is promised yet. Type what the firmware relies on into the line above, such as uart1 talks 115200."));
    }
    for (std::size_t i = 0; i < promises.size(); ++i) {
        const QRect card = cardRect(i);
        if (card.intersects(event->rect())) {
            paintCard(painter, card, promises[i], selected_ == i);
        }
    }
}

PromisesColumn::PromisesColumn(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    setAutoFillBackground(true);
    title_ = new QLabel(tr("Promises"));
    count_ = new ElidedLabel;
    count_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    entry_ = new QLineEdit;
    entry_->setAccessibleName(tr("Promise line"));
    offers_ = new LineOffers(entry_);
    entry_->setPlaceholderText(tr("uart1 talks 115200 within 1 %"));
    trouble_ = new QLabel;
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::RichText);
    trouble_->hide();
    cards_ = new PromiseCards(document_);
    auto* top = new QHBoxLayout;
    top->addWidget(title_);
    top->addWidget(count_, 1);
    auto* upper = new QVBoxLayout;
    upper->setContentsMargins(12, 12, 12, 8);
    upper->setSpacing(8);
    upper->addLayout(top);
    upper->addWidget(entry_);
    upper->addWidget(trouble_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(upper);
    layout->addWidget(cards_, 1);
    connect(entry_, &QLineEdit::returnPressed, this, &PromisesColumn::enter);
    connect(entry_, &QLineEdit::textEdited, this, [this] {
        trouble_->hide();
        complete();
    });
    entry_->installEventFilter(this);
    connect(&document_, &Document::changed, this, &PromisesColumn::showCount);
    const auto letType = [this] { entry_->setEnabled(document_.isOpen()); };
    connect(&document_, &Document::changed, this, letType);
    letType();
    connect(cards_, &PromiseCards::editWanted, this, &PromisesColumn::edit);
    connect(cards_, &PromiseCards::removeWanted, this, [this](const QString& name) {
        const std::vector<std::string> names = promiseNames(document_.plan());
        const auto place = static_cast<std::size_t>(std::find(names.begin(), names.end(), name.toStdString()) - names.begin());
        document_.edit(tr("%1 removed").arg(name), [place](Plan& plan) { return removePromise(plan, place); });
    });
    connect(&document_, &Document::replaced, this, [this] { editing_.reset(); });
    setTheme(theme_);
    showCount();
}

void PromisesColumn::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = this->palette();
    palette.setColor(QPalette::Window, theme.panel);
    palette.setColor(QPalette::WindowText, theme.ink);
    setPalette(palette);
    cards_->setTheme(theme);
    title_->setFont(faceFont(Face::title));
    count_->setFont(faceFont(Face::small));
    QPalette muted = palette;
    muted.setColor(QPalette::WindowText, theme.muted);
    count_->setPalette(muted);
    offers_->setTheme(theme);
}

QString PromisesColumn::trouble() const {
    return trouble_->isVisibleTo(this) ? trouble_->accessibleDescription() : QString();
}

void PromisesColumn::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        setTheme(theme_);
    }
    QWidget::changeEvent(event);
}

/// Down in the entry asks what may stand at the cursor; Esc empties it.
bool PromisesColumn::eventFilter(QObject* watched, QEvent* event) {
    if (watched != entry_ || event->type() != QEvent::KeyPress) {
        return QWidget::eventFilter(watched, event);
    }
    const int key = static_cast<QKeyEvent*>(event)->key();
    const bool isOffering = offers_->isOpen();
    if (key == Qt::Key_Down && !isOffering) {
        complete();
        offers_->open();
        return true;
    }
    if (key == Qt::Key_Escape && !isOffering) {
        entry_->clear();
        editing_.reset();
        trouble_->hide();
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

void PromisesColumn::showCount() {
    if (!document_.isOpen()) {
        count_->clear();
        return;
    }
    const auto& promises = document_.figures().promises;
    const auto count = [&](State state) {
        return std::count_if(promises.begin(), promises.end(), [&](const PromiseFigure& each) { return each.state == state; });
    };
    count_->setText(tr("%1 broken \u00b7 %2 strained \u00b7 %3 kept")
                        .arg(count(State::broken))
                        .arg(count(State::strained))
                        .arg(count(State::kept)));
}

void PromisesColumn::complete() {
    std::vector<LineOffers::Offer> offers;
    if (!document_.isOpen()) {
        offers_->show(offers);
        return;
    }
    const QString before = entry_->text().left(entry_->cursorPosition());
    const QByteArray bytes = before.toUtf8();
    const Completion completion = completePromiseLine(bytes.toStdString(), document_.part());
    const QString kept = QString::fromUtf8(bytes.left(static_cast<qsizetype>(completion.position)));
    QString after = entry_->text().mid(before.size()); // from the end of the word that the cursor is in
    after = after.mid(after.indexOf(' ') < 0 ? after.size() : after.indexOf(' '));
    const std::vector<std::string> exact =
        exactValues(document_.part(), document_.plan(), document_.plan().active, bytes.toStdString());
    for (const std::string& value : exact) { // what would be exact comes first
        offers.push_back({tr("%1  exact").arg(text(value)), before + text(value) + after});
    }
    for (const std::string& each : completion.texts) {
        if (std::find(exact.begin(), exact.end(), each) == exact.end()) {
            offers.push_back({text(each), kept + text(each) + after});
        }
    }
    offers_->show(offers);
}

QStringList PromisesColumn::completions() const {
    return offers_->texts();
}

void PromisesColumn::edit(const QString& name) {
    for (std::size_t i = 0; i < document_.figures().promises.size(); ++i) {
        if (text(document_.figures().promises[i].name) == name) {
            editing_ = {i, document_.plan().promises[i]};
            entry_->setText(text(document_.plan().promises[i].text));
            entry_->setFocus();
            entry_->selectAll();
        }
    }
}

void PromisesColumn::enter() {
    const QString typed = entry_->text().trimmed();
    if (typed.isEmpty() || !document_.isOpen()) {
        return;
    }
    const auto line = readPromiseLine(typed.toStdString(), &document_.part());
    if (!line) {
        showTrouble(typed, line.error());
        return;
    }
    const Promise promise{typed.toStdString(), *line};
    const auto& before = document_.plan().promises;
    const bool changesOne = editing_ && editing_->first < before.size() && before[editing_->first] == editing_->second;
    const QString why = document_.edit(typed, [&](Plan& plan) {
        return changesOne ? replacePromise(plan, editing_->first, promise) : putPromise(plan, promise);
    });
    if (!why.isEmpty()) {
        showTrouble(typed, {0, promise.text.size(), why.toStdString(), phrase("something else"), {}});
        return;
    }
    editing_.reset();
    trouble_->hide();
    entry_->setText({}); // and undoing is the plan's again
    const auto& after = document_.plan().promises;
    const auto place = static_cast<std::size_t>(std::find(after.begin(), after.end(), promise) - after.begin());
    if (place < after.size()) {
        cards_->select(text(document_.figures().promises[place].name));
    }
}

void PromisesColumn::showTrouble(const QString& line, const TextError& error) {
    const QByteArray bytes = line.toUtf8();
    const auto from = static_cast<qsizetype>(error.position);
    const auto length = static_cast<qsizetype>(error.length);
    const QString say = text(sayText(error));
    trouble_->setText(faultHtml(line, error, theme_));
    trouble_->setAccessibleDescription(say);
    trouble_->show();
    entry_->setSelection(static_cast<int>(QString::fromUtf8(bytes.left(from)).size()),
                         static_cast<int>(QString::fromUtf8(bytes.mid(from, length)).size()));
}

} // namespace wisetick::app
