#include "takes/takes_page.h"

#include "evaluate/takes_that_count.h"
#include "paint/text.h"
#include "takes/takes_view.h"

#include <QLabel>
#include <QTextDocument>

#include <algorithm>
#include <cmath>
#include <map>

namespace wisetick::app {

namespace {

constexpr int kWidestLinks = 420; ///< then they stand in two lines

class TakesPage : public View {
public:
    TakesPage(Document& document, ViewHost& host) : View(document, host), view_(new TakesView(document)), links_(new QLabel) {
        links_->setTextFormat(Qt::RichText);
        links_->setWordWrap(true); // they need no more room than there is
        links_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
        links_->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
        links_->setAccessibleName(tr("What can be done with the selected take"));
        connect(links_, &QLabel::linkActivated, this, [this](const QString& link) {
            const std::map<QString, std::function<void()>> all{{"add", [this] { view_->addTake(); }},
                                                               {"copy", [this] { view_->copyTake(); }},
                                                               {"rename", [this] { view_->renameTake(); }},
                                                               {"delete", [this] { view_->deleteTake(); }},
                                                               {"activate", [this] { view_->activate(); }},
                                                               {"short", [this] {
                                                                    view_->showDifferencesOnly(!view_->showsDifferencesOnly()); }}};
            all.at(link)();
            view_->setFocus();
        });
        connect(view_, &TakesView::targetWanted, this, [this](const Target& target) {
            if (!target.isNothing()) {
                host_.explain(target);
            }
        });
        connect(view_, &TakesView::hintChanged, this, [this] {
            styleLinks();
            emit hintChanged();
        });
        styleLinks();
    }

    QWidget* widget() override { return view_; }
    QWidget* tool() override { return links_; }
    void setTheme(const Theme& theme) override {
        theme_ = theme;
        view_->setTheme(theme);
        styleLinks();
    }
    QString hint() const override {
        return document_.isOpen() ? tr("%n takes", nullptr, static_cast<int>(document_.plan().takes.size())) : QString();
    }
    bool isBusy() const override { return view_->isBusy(); }
    void entered() override { view_->follow(); }
    QString helpPage(const QWidget*) const override { return "window.md"; }
    TakesView& view() { return *view_; }

private:
    void styleLinks() {
        const auto link = [&](const char* what, const QString& name) {
            return QString("<a href='%1' style='color:%2; text-decoration:none'>%3</a>").arg(what, theme_.thread.name(), name);
        };
        links_->setFont(faceFont(Face::small));
        const QStringList all{link("activate", tr("make active")),
                              link("add", tr("add")),
                              link("copy", tr("copy")),
                              link("rename", tr("rename")),
                              link("delete", tr("delete")),
                              link("short", view_->showsDifferencesOnly() ? tr("show all") : tr("only what differs"))};
        links_->setText(all.join(" &nbsp; "));
        QTextDocument plain;
        plain.setDefaultFont(links_->font());
        plain.setHtml(links_->text());
        links_->setAccessibleDescription(plain.toPlainText());
        links_->setMinimumWidth(std::min(static_cast<int>(std::ceil(plain.idealWidth())), kWidestLinks));
    }

    Theme theme_ = lightTheme();
    TakesView* view_;
    QLabel* links_;
};

} // namespace

ViewKind takesKind() {
    ViewKind kind;
    kind.name = "takes";
    kind.title = QObject::tr("Takes");
    kind.key = 8;
    kind.state = [](const Document& document) { return holdsOf(document.figures(), true).state; };
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new TakesPage(document, host); };
    return kind;
}

} // namespace wisetick::app
