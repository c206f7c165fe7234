#include "seek/seek_panel.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "plan/board_edits.h"
#include "plan/take_edits.h"
#include "quantity/quantity_print.h"
#include "seek/found_list.h"
#include "seek/found_plot.h"
#include "seek/refusal_view.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QSplitter>
#include <QStackedWidget>
#include <QTimer>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kStaleAfter = 150; ///< ms that results of an earlier question may stand

} // namespace

SeekPanel::SeekPanel(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    setAutoFillBackground(true);
    layOut();
    connectParts();
    setTheme(theme_);
}

/// Head, what is asked beside what is found, foot.
void SeekPanel::layOut() {
    title_ = new QLabel(tr("Seek"));
    hint_ = new QLabel(tr("takes that keep all of this at once; a click on a tag: must, if possible, set aside"));
    hint_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    progress_ = new QLabel;
    progress_->setTextFormat(Qt::PlainText);
    cancel_ = new PillButton(tr("Cancel"));
    auto* head = new QHBoxLayout;
    head->setContentsMargins(12, 6, 12, 6);
    head->setSpacing(10);
    head->addWidget(title_);
    head->addWidget(hint_, 1);
    head->addStretch();
    head->addWidget(progress_);
    head->addWidget(cancel_);
    asked_ = new AskedColumn(document_);
    list_ = new FoundList;
    refusal_ = new RefusalView;
    middle_ = new QStackedWidget;
    middle_->addWidget(list_);
    middle_->addWidget(refusal_);
    plot_ = new FoundPlot;
    auto* body = new QSplitter;
    body->setHandleWidth(1);
    body->setChildrenCollapsible(false);
    body->addWidget(asked_);
    body->addWidget(middle_);
    body->addWidget(plot_);
    body->setStretchFactor(0, 0);
    body->setStretchFactor(1, 3);
    body->setStretchFactor(2, 2);
    body->setSizes({280, 400, 310});
    foot_ = new QLabel;
    foot_->setTextFormat(Qt::PlainText);
    foot_->setWordWrap(true);
    take_ = new PillButton(tr("Take it"));
    new_ = new PillButton(tr("As a new take"));
    close_ = new PillButton(tr("Close"));
    take_->setToolTip(tr("Enter"));
    new_->setToolTip(tr("Shift+Enter"));
    close_->setToolTip(tr("Esc"));
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(12, 6, 12, 6);
    foot->setSpacing(8);
    foot->addWidget(foot_, 1);
    foot->addWidget(take_);
    foot->addWidget(new_);
    foot->addWidget(close_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(head);
    layout->addWidget(body, 1);
    layout->addLayout(foot);
}

void SeekPanel::connectParts() {
    stale_ = new QTimer(this);
    stale_->setSingleShot(true);
    stale_->setInterval(kStaleAfter);
    connect(stale_, &QTimer::timeout, this, [this] {
        if (isStale_) {
            showEntries({});
        }
    });
    connect(asked_, &AskedColumn::changed, this, &SeekPanel::askAnew);
    connect(asked_, &AskedColumn::entered, this, &SeekPanel::focusFound);
    connect(list_, &FoundList::selectionChanged, this, [this](std::size_t entry) {
        plot_->select(list_->entries().empty() ? std::nullopt : std::optional(entry));
        showGhost();
        sayState();
    });
    connect(list_, &FoundList::hoverChanged, this, [this](int entry) {
        hovered_ = entry < 0 ? std::nullopt : std::optional(static_cast<std::size_t>(entry));
        plot_->hover(hovered_);
        showGhost();
    });
    connect(plot_, &FoundPlot::hoverChanged, this, [this](int entry) {
        hovered_ = entry < 0 ? std::nullopt : std::optional(static_cast<std::size_t>(entry));
        list_->hover(hovered_);
        showGhost();
    });
    connect(plot_, &FoundPlot::selected, list_, &FoundList::select);
    connect(plot_, &FoundPlot::taken, this, [this] { take(false); });
    connect(list_, &FoundList::taken, this, &SeekPanel::take);
    connect(list_, &FoundList::equalChanged, this, &SeekPanel::showGhost);
    connect(list_, &FoundList::unfoldWanted, this, &SeekPanel::unfold);
    connect(refusal_, &RefusalView::liftWanted, this, &SeekPanel::lift);
    connect(refusal_, &RefusalView::nearestWanted, this, &SeekPanel::wishNearest);
    connect(refusal_, &RefusalView::crystalWanted, this, [this](const QString& source, const Rational& hertz) {
        Fitted crystal;
        crystal.source = source.toStdString();
        crystal.rate = hertz;
        document_.edit(tr("%1 of %2 fitted").arg(source, text(printQuantity(hertz, Unit::hertz))),
                       [crystal](Plan& plan) { return fit(plan, crystal); });
    });
    connect(cancel_, &QPushButton::clicked, this, &SeekPanel::cancel);
    connect(take_, &QPushButton::clicked, this, [this] { take(false); });
    connect(new_, &QPushButton::clicked, this, [this] { take(true); });
    connect(close_, &QPushButton::clicked, this, &SeekPanel::end);
    connect(&document_, &Document::changed, this, &SeekPanel::takeDocument);
    connect(&document_, &Document::replaced, this, [this] {
        background_.stop();
        unfolding_.stop();
        under_.reset();
        showEntries({}); // they are of another plan
    });
    for (Background* work : {&background_, &unfolding_}) {
        connect(work, &Background::failed, &document_, &Document::troubleBeside);
    }
}

void SeekPanel::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = this->palette();
    palette.setColor(QPalette::Window, theme.panel);
    palette.setColor(QPalette::WindowText, theme.ink);
    setPalette(palette);
    title_->setFont(faceFont(Face::title));
    QPalette muted = palette;
    muted.setColor(QPalette::WindowText, theme.muted);
    for (QLabel* label : {hint_, progress_, foot_}) {
        label->setFont(faceFont(Face::small));
        label->setPalette(muted);
    }
    asked_->setTheme(theme);
    list_->setTheme(theme);
    refusal_->setTheme(theme);
    plot_->setTheme(theme);
    take_->setTheme(theme, true);
    for (PillButton* button : {cancel_, new_, close_}) {
        button->setTheme(theme, false);
    }
}

void SeekPanel::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        setTheme(theme_);
    }
    QWidget::changeEvent(event);
}

QString SeekPanel::foot() const {
    return foot_->text();
}

QString SeekPanel::progress() const {
    return progress_->text();
}

void SeekPanel::focusFound() {
    middle_->currentWidget()->setFocus();
}

void SeekPanel::begin() {
    isOpen_ = true;
    said_.clear();
    takeDocument();
    showGhost();
}

void SeekPanel::end() {
    isOpen_ = false;
    background_.stop();
    unfolding_.stop();
    stale_->stop();
    under_.reset();
    hovered_.reset();
    emit ghostWanted(nullptr);
    emit rowsMarked({});
    emit closed();
}

/// Plan or figures changed: promises may have come or gone, and what was found belongs to the plan as it was.
void SeekPanel::takeDocument() {
    if (!isOpen_ || !document_.isOpen() || document_.isPreviewing()) {
        return;
    }
    asked_->follow();
    list_->setNow(document_.figures());
    const bool isSame = under_ && under_->plan == document_.plan() && under_->question == asked_->question();
    if (!isSame) {
        search();
    }
}

void SeekPanel::askAnew() {
    said_.clear();
    search();
}

void SeekPanel::search() {
    isCancelled_ = false;
    answer_.reset();
    unfolding_.stop();
    progressed_ = {};
    if (!isOpen_ || !document_.isOpen() || asked_->asked().isEmpty()) {
        background_.stop();
        under_.reset();
        isStale_ = false;
        showEntries({});
        sayState();
        return;
    }
    under_ = SeekAsked{document_.part(), document_.plan(), asked_->question()};
    isStale_ = true;
    stale_->start();
    background_.start([this, asked = *under_](const std::stop_token& token) -> std::function<void()> {
        auto answer = std::make_shared<SeekAnswer>(seekAside(asked, token, [this, &token](SeekNews news) {
            background_.tell(token, [this, news = std::move(news)] { hear(news); });
        }));
        return [this, answer] { hearAnswer(*answer); };
    });
    sayState();
}

void SeekPanel::hear(const SeekNews& news) {
    progressed_ = news.progress;
    if (news.entries) {
        showEntries(*news.entries);
    }
    sayState();
}

void SeekPanel::hearAnswer(const SeekAnswer& answer) {
    answer_ = answer;
    showEntries(answer.entries);
    if (answer.refusal) {
        refusal_->show(*answer.refusal, answer.question);
        middle_->setCurrentWidget(refusal_);
        plot_->hide(); // there is nothing in it
        std::set<NodeIndex> marked;
        for (const RefusedPiece& piece : answer.refusal->conflict) {
            marked.insert(piece.nodes.begin(), piece.nodes.end());
        }
        emit rowsMarked(marked);
    }
    sayState();
}

/// What was found so far stays.
void SeekPanel::cancel() {
    if (background_.isBusy()) {
        background_.stop();
        isCancelled_ = true;
        if (cancel_->hasFocus()) { // it goes
            focusFound();
        }
        if (isStale_) {
            showEntries({});
        }
        sayState();
    }
}

void SeekPanel::showEntries(const FoundEntries& entries) {
    isStale_ = false;
    stale_->stop();
    hovered_.reset();
    const bool hadFocus = refusal_->hasFocus();
    middle_->setCurrentWidget(list_);
    plot_->show();
    if (hadFocus) {
        list_->setFocus();
    }
    emit rowsMarked({});
    plot_->showEntries(entries);
    list_->showEntries(entries);
}

void SeekPanel::sayState() {
    const bool isBusy = background_.isBusy();
    cancel_->setVisible(isBusy);
    hint_->setVisible(!isBusy); // or it would be cut
    progress_->setVisible(isBusy);
    progress_->setText(isBusy ? tr("looking: %1 routes done, %2 wait, %3 settings")
                                    .arg(progressed_.routesDone)
                                    .arg(progressed_.routesWaiting)
                                    .arg(progressed_.steps)
                              : QString());
    const bool canTake = !list_->entries().empty() && !isStale_;
    take_->setEnabled(canTake);
    new_->setEnabled(canTake);
    if (isBusy) {
        list_->setEmptyText(tr("Looking\u2026"));
    } else if (isCancelled_) {
        list_->setEmptyText(tr("Cancelled before anything was found."));
    } else {
        list_->setEmptyText(
            tr("Nothing is asked yet. Type a wish such as core = 160 MHz, or drop a clock or a promise on the left."));
    }
    if (!said_.isEmpty()) {
        foot_->setText(said_);
    } else if (isCancelled_) {
        foot_->setText(list_->entries().empty() ? QString() : tr("Cancelled: there may be better ones."));
    } else if (answer_ && !answer_->entries.empty()) {
        const FoundEntries& entries = list_->entries();
        const Text left =
            entries.empty() ? Text() : sayFaultsLeft(entries[std::min(list_->selected(), entries.size() - 1)]->figures.figures);
        foot_->setText(left.empty() ? text(sayEnd(answer_->result)) : text(left) + "\n" + text(sayEnd(answer_->result)));
    } else if (answer_ && answer_->refusal && answer_->result.isComplete()) {
        foot_->setText(tr("Complete: no take keeps all of this."));
    } else {
        foot_->setText(isBusy && !list_->entries().empty() ? tr("The best so far.") : QString());
    }
}

/// The needles of the hovered take, else of the selected one or of its equal that is selected.
void SeekPanel::showGhost() {
    const FoundEntries& entries = list_->entries();
    if (!isOpen_ || entries.empty()) {
        emit ghostWanted(nullptr);
    } else if (hovered_ && *hovered_ < entries.size()) {
        emit ghostWanted(&entries[*hovered_]->figures.figures);
    } else if (list_->selectedEqual() > 0 && under_) {
        const Figures equal = figuresOfFound(under_->part, under_->plan, *list_->selectedTake(), false).figures;
        emit ghostWanted(&equal);
    } else {
        emit ghostWanted(&entries[list_->selected()]->figures.figures);
    }
}

void SeekPanel::unfold(std::size_t entry) {
    if (!under_ || entry >= list_->entries().size()) {
        return;
    }
    unfolding_.start([this, asked = *under_, found = list_->entries()[entry]->found](const std::stop_token& token) {
        auto same = std::make_shared<SeekResult>(equalsOf(asked, found, token));
        return [this, same] { list_->showEquals(same->found, same->isComplete() && same->found.size() < kMostEquals); };
    });
}

void SeekPanel::take(bool isNew) {
    const FoundTake* found = list_->selectedTake();
    if (found == nullptr || isStale_) {
        return;
    }
    const FoundTake taken = *found;
    const std::string name = isNew ? freeTakeName(document_.plan()) : std::string();
    QStringList wished;
    for (const auto& each : asked_->asked().wishes()) {
        if (each.standing != Standing::aside) {
            wished << text(printWish(each.wish));
        }
    }
    const QString what =
        isNew ? tr("take %1 added").arg(text(name)) : tr("seek") + (wished.isEmpty() ? QString() : ": " + wished.join(", "));
    if (!isNew) {
        end();
    }
    document_.edit(what, [&](Plan& plan) { return takeFound(plan, taken, name); });
    if (isNew) {
        said_ = tr("Take %1 is added; Ctrl+T compares them.").arg(text(name));
        sayState();
    }
}

void SeekPanel::lift(const RefusedPiece& piece) {
    if (piece.demanded.kind == Demanded::Kind::wish) {
        asked_->setAside(answer_->question.wishes[piece.demanded.index]);
    } else if (piece.demanded.kind == Demanded::Kind::promise) {
        asked_->setAside(piece.promise);
    } else if (piece.lifted) {
        asked_->lift(*piece.lifted);
    }
}

/// The wish is for what can be had.
void SeekPanel::wishNearest(std::size_t wish) {
    const auto& nearest = answer_->refusal->nearest;
    const auto found = std::find_if(nearest.begin(), nearest.end(), [&](const Nearest& each) { return each.wish == wish; });
    if (found != nearest.end() && found->hertz) {
        asked_->wishInstead(answer_->question.wishes[wish], *found->hertz);
    }
}

void SeekPanel::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape) {
        end();
    } else {
        QWidget::keyPressEvent(event);
    }
}

} // namespace wisetick::app
