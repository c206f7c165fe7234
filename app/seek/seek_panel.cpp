#include "seek/seek_panel.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "plan/takes.h"
#include "quantity/quantity_print.h"
#include "seek/found_list.h"
#include "seek/found_plot.h"
#include "seek/refusal_view.h"
#include "seek/seek_chips.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QSplitter>
#include <QStackedWidget>
#include <QTimer>
#include <QVBoxLayout>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kStaleAfter = 150; ///< ms that results of an earlier question may stand

QString text(const std::string& value) {
    return QString::fromStdString(value);
}

Standing next(Standing standing) {
    switch (standing) {
    case Standing::hard: return Standing::ifPossible;
    case Standing::ifPossible: return Standing::aside;
    case Standing::aside: return Standing::hard;
    }
    return Standing::hard;
}

Chip::Look lookOf(Standing standing) {
    switch (standing) {
    case Standing::hard: return Chip::Look::hard;
    case Standing::ifPossible: return Chip::Look::soft;
    case Standing::aside: return Chip::Look::aside;
    }
    return Chip::Look::hard;
}

QString tipOf(Standing standing) {
    switch (standing) {
    case Standing::hard: return SeekPanel::tr("must be kept; a click makes it if possible");
    case Standing::ifPossible: return SeekPanel::tr("kept if possible; a click sets it aside");
    case Standing::aside: return SeekPanel::tr("does not count; a click makes it a must");
    }
    return {};
}

QWidget* withLayout(QLayout* layout) {
    auto* widget = new QWidget;
    widget->setLayout(layout);
    return widget;
}

} // namespace

SeekPanel::SeekPanel(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    setAutoFillBackground(true);
    title_ = new QLabel(tr("Seek"));
    hint_ = new QLabel(tr("takes that keep all of this at once; a click on a tag: must, if possible, set aside"));
    hint_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    progress_ = new QLabel;
    cancel_ = new PillButton(tr("Cancel"));
    auto* head = new QHBoxLayout;
    head->setContentsMargins(12, 6, 12, 6);
    head->setSpacing(10);
    head->addWidget(title_);
    head->addWidget(hint_, 1);
    head->addWidget(progress_);
    head->addWidget(cancel_);
    entry_ = new QLineEdit;
    entry_->setAccessibleName(tr("Wish line"));
    entry_->setPlaceholderText(tr("usb = 48 MHz within 0.25 %"));
    entry_->installEventFilter(this);
    trouble_ = new QLabel;
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::RichText);
    trouble_->hide();
    chips_ = new SeekChips;
    auto* entryRow = new QVBoxLayout;
    entryRow->setContentsMargins(12, 0, 12, 6);
    entryRow->addWidget(entry_);
    entryRow->addWidget(trouble_);
    auto* left = new QVBoxLayout;
    left->setContentsMargins(0, 0, 0, 0);
    left->setSpacing(0);
    left->addLayout(entryRow);
    left->addWidget(chips_, 1);
    list_ = new FoundList;
    refusal_ = new RefusalView;
    middle_ = new QStackedWidget;
    middle_->addWidget(list_);
    middle_->addWidget(refusal_);
    plot_ = new FoundPlot;
    auto* body = new QSplitter;
    body->setHandleWidth(1);
    body->setChildrenCollapsible(false);
    body->addWidget(withLayout(left));
    body->addWidget(middle_);
    body->addWidget(plot_);
    body->setStretchFactor(0, 0);
    body->setStretchFactor(1, 3);
    body->setStretchFactor(2, 2);
    body->setSizes({280, 400, 310});
    foot_ = new QLabel;
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
    stale_ = new QTimer(this);
    stale_->setSingleShot(true);
    stale_->setInterval(kStaleAfter);
    connect(stale_, &QTimer::timeout, this, [this] {
        if (isStale_) {
            showEntries({});
        }
    });
    connect(entry_, &QLineEdit::textEdited, trouble_, &QLabel::hide);
    connect(chips_, &SeekChips::pressed, this, &SeekPanel::press);
    connect(chips_, &SeekChips::removed, this, &SeekPanel::remove);
    connect(chips_, &SeekChips::opened, this, &SeekPanel::open);
    connect(chips_, &SeekChips::dropped, this, &SeekPanel::drop);
    connect(chips_, &SeekChips::moved, this, [this](std::size_t, std::size_t from, std::size_t to) {
        auto& prefers = asked_.prefers();
        const SeekQuestion::Preferred moved = prefers[from];
        prefers.erase(prefers.begin() + static_cast<std::ptrdiff_t>(from));
        prefers.insert(prefers.begin() + static_cast<std::ptrdiff_t>(to), moved);
        askAnew();
    });
    connect(list_, &FoundList::selectionChanged, this, [this](std::size_t entry) {
        plot_->select(list_->entries().empty() ? std::nullopt : std::optional(entry));
        showGhost();
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
    connect(list_, &FoundList::unfoldWanted, this, &SeekPanel::unfold);
    connect(refusal_, &RefusalView::liftWanted, this, &SeekPanel::lift);
    connect(refusal_, &RefusalView::nearestWanted, this, &SeekPanel::wishNearest);
    connect(cancel_, &QPushButton::clicked, this, &SeekPanel::cancel);
    connect(take_, &QPushButton::clicked, this, [this] { take(false); });
    connect(new_, &QPushButton::clicked, this, [this] { take(true); });
    connect(close_, &QPushButton::clicked, this, &SeekPanel::end);
    connect(&document_, &Document::changed, this, &SeekPanel::takeDocument);
    setTheme(theme_);
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
    chips_->setTheme(theme);
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

QString SeekPanel::trouble() const {
    return trouble_->isVisibleTo(this) ? trouble_->accessibleDescription() : QString();
}

QString SeekPanel::foot() const {
    return foot_->text();
}

QString SeekPanel::progress() const {
    return progress_->text();
}

void SeekPanel::focusEntry() {
    entry_->setFocus();
    entry_->selectAll();
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
    asked_.follow(document_.part(), document_.plan(), document_.figures());
    list_->setNow(document_.figures());
    showChips();
    const bool isSame = under_ && under_->plan == document_.plan() && under_->question == asked_.question(document_.plan()) &&
                        under_->part.id == document_.part().id;
    if (!isSame) {
        search();
    }
}

void SeekPanel::askAnew() {
    said_.clear();
    showChips();
    search();
}

void SeekPanel::wish(const QString& line, const Rational& hertz) {
    Wish wish;
    wish.line = line.toStdString();
    wish.hertz = hertz;
    asked_.addWish(wish);
    askAnew();
}

void SeekPanel::wishAsItIs(const QString& line) {
    const LineFigure* figure = document_.isOpen() ? document_.figures().findLine(line.toStdString()) : nullptr;
    if (figure != nullptr && figure->hertz) {
        wish(line, figure->hertz->nominal);
    } else if (figure != nullptr) {
        showTrouble(line,
                    {0, line.toStdString().size(), "'" + line.toStdString() + "' has no rate", "a wish for it, with a rate", {}});
    }
}

void SeekPanel::keepPromise(const QString& name) {
    asked_.follow(document_.part(), document_.plan(), document_.figures());
    if (SeekQuestion::AskedPromise* promise = asked_.findPromise(name.toStdString())) {
        promise->standing = Standing::hard;
        askAnew();
    }
}

void SeekPanel::drop(const QString& target) {
    const QString name = target.section('/', 1);
    if (target.startsWith("promise/")) {
        keepPromise(name);
    } else if (target.startsWith("line/")) {
        wishAsItIs(name);
    }
}

void SeekPanel::enter() {
    const QString typed = entry_->text().trimmed();
    if (typed.isEmpty()) {
        focusFound();
        return;
    }
    if (!document_.isOpen()) {
        return;
    }
    if (const auto error = asked_.enter(typed.toStdString(), document_.part(), edited_)) {
        showTrouble(typed, *error);
        return;
    }
    edited_.reset();
    entry_->clear();
    trouble_->hide();
    askAnew();
}

void SeekPanel::enterLine(const QString& line) {
    entry_->setText(line);
    enter();
}

void SeekPanel::showTrouble(const QString& typed, const TextError& error) {
    const QByteArray bytes = typed.toUtf8();
    const auto from = static_cast<qsizetype>(error.position);
    const auto length = static_cast<qsizetype>(error.length);
    const QString word = QString::fromUtf8(bytes.mid(from, length)).toHtmlEscaped();
    const QString say = text(sayText(error));
    trouble_->setText(
        QString("<span style='color:%1'>%2<u><b style='color:%3'>%4</b></u>%5</span><br><span style='color:%3'>%6</span>")
            .arg(theme_.muted.name(), QString::fromUtf8(bytes.left(from)).toHtmlEscaped(), theme_.broken.name(),
                 word.isEmpty() ? "&nbsp;&nbsp;" : word, QString::fromUtf8(bytes.mid(from + length)).toHtmlEscaped(),
                 say.toHtmlEscaped()));
    trouble_->setAccessibleDescription(say);
    trouble_->show();
}

ChipGroup SeekPanel::groupOf(Group group) const {
    ChipGroup made;
    switch (group) {
    case Group::wishes:
        made = {tr("wishes"), tr("type one above, or drop a clock here"), {}, false};
        for (const auto& each : asked_.wishes()) {
            made.chips.push_back({text(printWish(each.wish)), lookOf(each.standing), true, tipOf(each.standing)});
        }
        break;
    case Group::promises:
        made = {tr("promises"), tr("none yet"), {}, false};
        for (const auto& each : asked_.promises()) {
            made.chips.push_back({text(each.name), lookOf(each.standing), false, tipOf(each.standing)});
        }
        break;
    case Group::locks:
        made = {tr("locked in the take"), tr("nothing: Ctrl+B locks a clock"), {}, false};
        for (const std::string& lock : document_.take().locks) {
            const bool isLifted = asked_.isLifted({Lifted::Kind::lock, lock});
            made.chips.push_back(
                {text(lock), isLifted ? Chip::Look::aside : Chip::Look::locked, false,
                 isLifted ? tr("may change in this search; a click holds it") : tr("stays; a click lifts it for this search")});
        }
        break;
    case Group::prefers:
        made = {tr("of equals sooner, in this order"), {}, {}, true};
        for (const auto& each : asked_.prefers()) {
            const std::map<Preference, QString> says{{Preference::changes, tr("few changes")},
                                                     {Preference::current, tr("little current")},
                                                     {Preference::core, tr("a fast core")},
                                                     {Preference::oscillator, tr("slow oscillators")},
                                                     {Preference::wakeUp, tr("a short wake-up")}};
            made.chips.push_back({says.at(each.preference), each.isUsed ? Chip::Look::hard : Chip::Look::aside, false,
                                  tr("drag it, or Ctrl+Left and Ctrl+Right; a click: counts or not")});
        }
        break;
    case Group::crystals:
        made = {tr("which crystal?"), {}, {}, false};
        for (const Source& source : document_.part().sources) {
            if (source.kind == SourceKind::rc) {
                continue;
            }
            const bool isAsked = asked_.crystal() && asked_.crystal()->source == source.id;
            const std::size_t count = isAsked ? asked_.crystal()->rates.size() : 0;
            const QString rate = isAsked && count == 1 ? text(printQuantity(asked_.crystal()->rates.front(), Unit::hertz))
                                                       : tr("any of %1 rates").arg(count);
            made.chips.push_back({text(source.id) + ": " + (isAsked ? rate : tr("as fitted")),
                                  isAsked ? Chip::Look::hard : Chip::Look::locked, false,
                                  tr("a click asks which; or type %1 of 8 MHz, 12 MHz").arg(text(source.id))});
        }
        break;
    case Group::mayChange:
        made = {tr("only these may change, and what feeds them"), {}, {}, false};
        for (const std::string& id : asked_.mayChange()) {
            made.chips.push_back({text(id), Chip::Look::hard, true, {}});
        }
        break;
    case Group::lifted:
        made = {tr("lifted for this search"), {}, {}, false};
        for (const Lifted& each : asked_.lifted()) {
            if (each.kind != Lifted::Kind::lock) {
                made.chips.push_back(
                    {each.kind == Lifted::Kind::limit ? tr("the limits of %1").arg(text(each.what)) : text(each.what),
                     Chip::Look::aside, true, tr("a click holds it again")});
            }
        }
        break;
    }
    return made;
}

void SeekPanel::showChips() {
    groups_ = {Group::wishes, Group::promises};
    std::vector<ChipGroup> shown{groupOf(Group::wishes), groupOf(Group::promises)};
    if (document_.isOpen()) {
        for (const Group group : {Group::lifted, Group::mayChange, Group::locks, Group::prefers, Group::crystals}) {
            ChipGroup made = groupOf(group);
            if (!made.chips.empty()) {
                groups_.push_back(group);
                shown.push_back(std::move(made));
            }
        }
    }
    chips_->show(std::move(shown));
}

void SeekPanel::press(std::size_t group, std::size_t chip) {
    switch (groups_[group]) {
    case Group::wishes: asked_.wishes()[chip].standing = next(asked_.wishes()[chip].standing); break;
    case Group::promises: asked_.promises()[chip].standing = next(asked_.promises()[chip].standing); break;
    case Group::locks: {
        const Lifted lock{Lifted::Kind::lock, document_.take().locks[chip]};
        asked_.isLifted(lock) ? asked_.restore(lock) : asked_.lift(lock);
        break;
    }
    case Group::prefers: asked_.prefers()[chip].isUsed = !asked_.prefers()[chip].isUsed; break;
    case Group::crystals:
        asked_.toggleCrystal(document_.part(), chips_->groups()[group].chips[chip].text.section(':', 0, 0).toStdString());
        break;
    case Group::lifted: remove(group, chip); return;
    case Group::mayChange: return;
    }
    askAnew();
}

void SeekPanel::remove(std::size_t group, std::size_t chip) {
    if (groups_[group] == Group::wishes) {
        asked_.wishes().erase(asked_.wishes().begin() + static_cast<std::ptrdiff_t>(chip));
        edited_.reset();
    } else if (groups_[group] == Group::mayChange) {
        asked_.mayChange().erase(asked_.mayChange().begin() + static_cast<std::ptrdiff_t>(chip));
    } else if (groups_[group] == Group::lifted) {
        std::vector<Lifted> shown = asked_.lifted();
        std::erase_if(shown, [](const Lifted& each) { return each.kind == Lifted::Kind::lock; });
        asked_.restore(shown[chip]);
    }
    askAnew();
}

/// A wish's line goes into the entry.
void SeekPanel::open(std::size_t group, std::size_t chip) {
    if (groups_[group] == Group::wishes) {
        edited_ = chip;
        entry_->setText(text(printWish(asked_.wishes()[chip].wish)));
        focusEntry();
    } else {
        press(group, chip);
    }
}

void SeekPanel::search() {
    isCancelled_ = false;
    answer_.reset();
    unfolding_.stop();
    progressed_ = {};
    if (!isOpen_ || !document_.isOpen() || asked_.isEmpty()) {
        background_.stop();
        under_.reset();
        isStale_ = false;
        showEntries({});
        sayState();
        return;
    }
    under_ = SeekAsked{document_.part(), document_.plan(), asked_.question(document_.plan())};
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
        foot_->setText(text(sayEnd(answer_->result)));
    } else if (answer_ && answer_->refusal && answer_->result.isComplete()) {
        foot_->setText(tr("Complete: no take keeps all of this."));
    } else {
        foot_->setText(isBusy && !list_->entries().empty() ? tr("The best so far.") : QString());
    }
}

/// The needles of the hovered take, else of the selected one.
void SeekPanel::showGhost() {
    const FoundEntries& entries = list_->entries();
    if (!isOpen_ || entries.empty()) {
        emit ghostWanted(nullptr);
    } else if (hovered_ && *hovered_ < entries.size()) {
        emit ghostWanted(&entries[*hovered_]->figures.figures);
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
    for (const auto& each : asked_.wishes()) {
        if (each.standing != Standing::aside) {
            wished << text(printWish(each.wish));
        }
    }
    const QString what =
        isNew ? tr("take %1 added").arg(text(name)) : tr("seek") + (wished.isEmpty() ? QString() : ": " + wished.join(", "));
    if (!isNew) {
        end();
    }
    document_.edit(what, [&](Plan& plan) { plan = withFound(plan, taken, name); });
    if (isNew) {
        said_ = tr("Take %1 is added; Ctrl+T compares them.").arg(text(name));
        sayState();
    }
    emit this->taken(text(name));
}

void SeekPanel::lift(const RefusedPiece& piece) {
    const Question& question = answer_->question;
    if (piece.demanded.kind == Demanded::Kind::wish) {
        Wish wish = question.wishes[piece.demanded.index];
        wish.isSoft = false;
        const auto same = std::find_if(asked_.wishes().begin(), asked_.wishes().end(),
                                       [&](const SeekQuestion::AskedWish& each) { return each.wish == wish; });
        if (same != asked_.wishes().end()) {
            same->standing = Standing::aside;
        }
    } else if (SeekQuestion::AskedPromise* promise = asked_.findPromise(piece.promise);
               piece.demanded.kind == Demanded::Kind::promise && promise != nullptr) {
        promise->standing = Standing::aside;
    } else if (piece.lifted) {
        asked_.lift(*piece.lifted);
    }
    askAnew();
}

/// The wish is for what can be had.
void SeekPanel::wishNearest(std::size_t index) {
    const Wish& old = answer_->question.wishes[index];
    const auto& nearest = answer_->refusal->nearest;
    const auto found = std::find_if(nearest.begin(), nearest.end(), [&](const Nearest& each) { return each.wish == index; });
    const auto asked = std::find_if(asked_.wishes().begin(), asked_.wishes().end(), [&](const SeekQuestion::AskedWish& each) {
        return each.wish.line == old.line && each.wish.kind == old.kind;
    });
    if (found == nearest.end() || !found->hertz || asked == asked_.wishes().end()) {
        return;
    }
    asked->wish = {};
    asked->wish.line = old.line;
    asked->wish.hertz = *found->hertz;
    askAnew();
}

void SeekPanel::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape) {
        end();
    } else {
        QWidget::keyPressEvent(event);
    }
}

bool SeekPanel::eventFilter(QObject* watched, QEvent* event) {
    if (watched != entry_ || event->type() != QEvent::KeyPress) {
        return QWidget::eventFilter(watched, event);
    }
    switch (static_cast<QKeyEvent*>(event)->key()) {
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (static_cast<QKeyEvent*>(event)->modifiers() & Qt::ControlModifier) {
            return false;
        }
        enter();
        return true;
    case Qt::Key_Down: focusFound(); return true;
    case Qt::Key_Escape:
        if (entry_->text().isEmpty() && !edited_) {
            return false; // and Seek ends
        }
        entry_->clear();
        edited_.reset();
        trouble_->hide();
        return true;
    default: return QWidget::eventFilter(watched, event);
    }
}

} // namespace wisetick::app
