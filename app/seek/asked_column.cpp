#include "seek/asked_column.h"

#include "paint/fault_text.h"
#include "paint/line_offers.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"
#include "seek/seek_chips.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include <algorithm>
#include <map>

namespace wisetick::app {

namespace {

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
    case Standing::hard: return AskedColumn::tr("must be kept; a click makes it if possible");
    case Standing::ifPossible: return AskedColumn::tr("kept if possible; a click sets it aside");
    case Standing::aside: return AskedColumn::tr("does not count; a click makes it a must");
    }
    return {};
}

} // namespace

AskedColumn::AskedColumn(Document& document, QWidget* parent) : QWidget(parent), document_(document) {
    entry_ = new QLineEdit;
    entry_->setAccessibleName(tr("Wish line"));
    entry_->setPlaceholderText(tr("usb = 48 MHz within 0.25 %"));
    entry_->installEventFilter(this);
    offers_ = new LineOffers(entry_);
    trouble_ = new QLabel;
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::RichText);
    trouble_->hide();
    chips_ = new SeekChips;
    auto* upper = new QVBoxLayout;
    upper->setContentsMargins(12, 0, 12, 6);
    upper->addWidget(entry_);
    upper->addWidget(trouble_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(upper);
    layout->addWidget(chips_, 1);
    connect(entry_, &QLineEdit::returnPressed, this, &AskedColumn::enter);
    connect(entry_, &QLineEdit::textEdited, this, [this] {
        trouble_->hide();
        complete();
    });
    connect(chips_, &SeekChips::pressed, this, &AskedColumn::press);
    connect(chips_, &SeekChips::removed, this, &AskedColumn::remove);
    connect(chips_, &SeekChips::opened, this, &AskedColumn::open);
    connect(chips_, &SeekChips::dropped, this, &AskedColumn::drop);
    connect(chips_, &SeekChips::moved, this, [this](std::size_t, std::size_t from, std::size_t to) {
        asked_.movePreference(from, to);
        tellChange();
    });
}

void AskedColumn::setTheme(const Theme& theme) {
    theme_ = theme;
    chips_->setTheme(theme);
    offers_->setTheme(theme);
}

void AskedColumn::follow() {
    asked_.follow(document_.part(), document_.plan(), document_.figures());
    showChips();
}

void AskedColumn::tellChange() {
    showChips();
    emit changed();
}

void AskedColumn::wishInstead(const Wish& old, const Rational& hertz) {
    const auto same = std::find_if(asked_.wishes().begin(), asked_.wishes().end(), [&](const SeekQuestion::AskedWish& each) {
        return each.wish.line == old.line && each.wish.kind == old.kind;
    });
    if (same != asked_.wishes().end()) {
        same->wish = {};
        same->wish.line = old.line;
        same->wish.hertz = hertz;
        tellChange();
    }
}

void AskedColumn::setAside(const Wish& wish) {
    for (SeekQuestion::AskedWish& each : asked_.wishes()) {
        Wish same = each.wish;
        same.isSoft = wish.isSoft;
        each.standing = same == wish ? Standing::aside : each.standing;
    }
    tellChange();
}

void AskedColumn::setAside(const std::string& promise) {
    if (SeekQuestion::AskedPromise* asked = asked_.findPromise(promise)) {
        asked->standing = Standing::aside;
        tellChange();
    }
}

void AskedColumn::lift(const Lifted& lifted) {
    asked_.lift(lifted);
    tellChange();
}

QString AskedColumn::trouble() const {
    return trouble_->isVisibleTo(this) ? trouble_->accessibleDescription() : QString();
}

QStringList AskedColumn::completions() const {
    return offers_->texts();
}

void AskedColumn::focusEntry() {
    entry_->setFocus();
    entry_->selectAll();
}

void AskedColumn::wish(const QString& line, const Rational& hertz) {
    Wish wish;
    wish.line = line.toStdString();
    wish.hertz = hertz;
    asked_.addWish(wish);
    tellChange();
}

void AskedColumn::wishAsItIs(const QString& line) {
    const LineFigure* figure = document_.isOpen() ? document_.figures().findLine(line.toStdString()) : nullptr;
    if (figure != nullptr && figure->hertz) {
        wish(line, figure->hertz->nominal);
    } else if (figure != nullptr) {
        showTrouble(line, {0,
                           line.toStdString().size(),
                           phrase("'{}' has no rate", line.toStdString()),
                           phrase("a wish for it, with a rate"),
                           {}});
    }
}

void AskedColumn::keepPromise(const QString& name) {
    asked_.follow(document_.part(), document_.plan(), document_.figures());
    if (SeekQuestion::AskedPromise* promise = asked_.findPromise(name.toStdString())) {
        promise->standing = Standing::hard;
        tellChange();
    }
}

void AskedColumn::drop(const Target& target) {
    const QString name = text(target.name);
    if (target.is(Target::Room::promise)) {
        keepPromise(name);
    } else if (target.is(Target::Room::line)) {
        wishAsItIs(name);
    }
}

void AskedColumn::enter() {
    offers_->show({});
    const QString typed = entry_->text().trimmed();
    if (typed.isEmpty()) {
        emit entered();
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
    entry_->setText({});
    trouble_->hide();
    tellChange();
}

/// What may stand at the cursor: a promise's name, or what makes a wish.
void AskedColumn::complete() {
    std::vector<LineOffers::Offer> offers;
    const QString before = entry_->text().left(entry_->cursorPosition());
    if (document_.isOpen() && before.size() == entry_->text().size() && !before.isEmpty()) {
        const QByteArray bytes = before.toUtf8();
        const Completion completion = completeWish(bytes.toStdString(), document_.part());
        const QString kept = QString::fromUtf8(bytes.left(static_cast<qsizetype>(completion.position)));
        for (const std::string& each : completion.texts) {
            offers.push_back({text(each), kept + text(each)});
        }
        for (const SeekQuestion::AskedPromise& each : asked_.promises()) {
            if (text(each.name).startsWith(before) && text(each.name) != before) {
                offers.push_back({tr("%1, a promise").arg(text(each.name)), text(each.name)});
            }
        }
    }
    offers_->show(offers);
}

void AskedColumn::enterLine(const QString& line) {
    entry_->setText(line);
    enter();
}

void AskedColumn::showTrouble(const QString& typed, const TextError& error) {
    trouble_->setText(faultHtml(typed, error, theme_));
    trouble_->setAccessibleDescription(text(sayText(error)));
    trouble_->show();
}

ChipGroup AskedColumn::groupOf(Group group) const {
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
            if (source.kind == SourceKind::rc || source.kind == SourceKind::none) {
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

void AskedColumn::showChips() {
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

void AskedColumn::press(std::size_t group, std::size_t chip) {
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
    tellChange();
}

void AskedColumn::remove(std::size_t group, std::size_t chip) {
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
    tellChange();
}

/// A wish's line goes into the entry.
void AskedColumn::open(std::size_t group, std::size_t chip) {
    if (groups_[group] == Group::wishes) {
        edited_ = chip;
        entry_->setText(text(printWish(asked_.wishes()[chip].wish)));
        focusEntry();
    } else {
        press(group, chip);
    }
}

bool AskedColumn::eventFilter(QObject* watched, QEvent* event) {
    if (watched != entry_ || event->type() != QEvent::KeyPress) {
        return QWidget::eventFilter(watched, event);
    }
    switch (static_cast<QKeyEvent*>(event)->key()) {
    case Qt::Key_Down:
        if (entry_->text().isEmpty()) {
            emit entered();
        } else {
            complete();
            offers_->open();
        }
        return true;
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
