#include "paint/line_offers.h"

#include "paint/controls.h"
#include "paint/text.h"

#include <QAbstractItemView>
#include <QCompleter>
#include <QLineEdit>
#include <QListView>
#include <QStandardItemModel>

namespace wisetick::app {

namespace {

constexpr int kWholeLine = Qt::UserRole;
constexpr int kMostShown = 9;

} // namespace

LineOffers::LineOffers(QLineEdit* line) : QObject(line), line_(line) {}

void LineOffers::make() {
    if (list_ != nullptr) {
        return;
    }
    model_ = new QStandardItemModel(line_);
    auto* completer = new QCompleter(model_, line_);
    list_ = new QListView;
    list_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    completer->setPopup(list_);
    completer->setCompletionMode(QCompleter::UnfilteredPopupCompletion); // what fits is found by the language itself
    completer->setCompletionRole(kWholeLine);
    completer->setMaxVisibleItems(kMostShown);
    line_->setCompleter(completer);
    style();
}

void LineOffers::setTheme(const Theme& theme) {
    theme_ = theme;
    if (list_ != nullptr) {
        style();
    }
}

void LineOffers::style() {
    QPalette palette = line_->palette();
    palette.setColor(QPalette::Base, theme_.panel);
    palette.setColor(QPalette::Text, theme_.ink);
    palette.setColor(QPalette::Highlight, theme_.selected);
    palette.setColor(QPalette::HighlightedText, theme_.ink);
    list_->setPalette(palette);
    list_->setFont(faceFont(Face::word));
    static_cast<SlimScrollBar*>(list_->verticalScrollBar())->setTheme(theme_);
}

void LineOffers::show(const std::vector<Offer>& offers) {
    make();
    model_->clear();
    for (const Offer& offer : offers) {
        auto* item = new QStandardItem(offer.say);
        item->setData(offer.line, kWholeLine);
        model_->appendRow(item);
    }
    if (offers.empty() && list_->isVisible()) {
        list_->hide();
        line_->activateWindow(); // without a window manager nobody else gives it the keys back
    }
}

void LineOffers::open() {
    make();
    line_->completer()->complete();
}

bool LineOffers::isOpen() const {
    return list_ != nullptr && list_->isVisible();
}

QStringList LineOffers::texts() const {
    QStringList texts;
    for (int row = 0; model_ != nullptr && row < model_->rowCount(); ++row) {
        texts << model_->item(row)->text();
    }
    return texts;
}

} // namespace wisetick::app
