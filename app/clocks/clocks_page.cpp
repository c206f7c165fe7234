#include "clocks/clocks_page.h"

#include "clocks/clocks_view.h"
#include "paint/find_line.h"
#include "paint/text.h"
#include "seek/seek_panel.h"

#include <QApplication>
#include <QClipboard>
#include <QMimeData>
#include <QPointer>

namespace wisetick::app {

namespace {

class ClocksPage : public View {
public:
    ClocksPage(Document& document, ViewHost& host)
        : View(document, host), view_(new ClocksView(document)), find_(new FindLine(tr("find a clock"), view_)) {
        find_->setObjectName("findClock");
        connect(find_, &QLineEdit::textChanged, view_, &ClocksView::find);
        connect(view_, &ClocksView::selectionChanged, this,
                [this](const QString& id) { host_.explain(Target::line(id.toStdString())); });
        connect(view_, &ClocksView::rateWanted, this, [this](const QString& line, const Rational& hertz) {
            showSeek(); // the row keeps the keys: what is near is offered there
            seek_->asked()->wish(line, hertz);
        });
        connect(view_, &ClocksView::seekWanted, this, [this] {
            showSeek();
            seek_->focusFound();
        });
        connect(view_, &ClocksView::left, this, [this] { left(); });
    }

    QWidget* widget() override { return view_; }
    QWidget* tool() override { return find_; }
    void setTheme(const Theme& theme) override {
        theme_ = theme;
        view_->setTheme(theme);
        if (seek_ != nullptr) {
            seek_->setTheme(theme);
        }
    }
    QString hint() const override {
        QStringList said;
        if (view_->hidesOff()) {
            said << tr("what is off is hidden");
        }
        if (showsFeeding_) {
            said << tr("only what feeds %1").arg(host_.selectedPromise());
        }
        if (!view_->ghost().isEmpty()) {
            said << tr("hollow: take %1").arg(view_->ghost());
        } else if (view_->hasGhost()) {
            said << tr("hollow: the found take");
        }
        if (!view_->markedRows().empty()) {
            said << tr("between broken lines: what collides");
        }
        return said.isEmpty() ? tr("the needle stands at its rate, the rail is where it may stand")
                              : said.join(QString::fromUtf8(" \u00b7 "));
    }
    /// A line, or Seek, with a promise or without.
    bool open(const Target& target) override {
        if (!target.is(Target::Room::seek)) {
            const QString line = text(target.name);
            view_->select(line);
            if (view_->selected() != line) { // it is among what is hidden
                find_->clear();
                showsFeeding_ = false;
                view_->showAll();
                view_->select(line);
                emit hintChanged();
            }
            return true;
        }
        openSeek();
        if (seek_ != nullptr && !target.name.empty()) {
            seek_->asked()->keepPromise(text(target.name));
        }
        return true;
    }
    void followPromise(const QString& name) override {
        if (showsFeeding_) {
            view_->showWhatFeeds(name);
            emit hintChanged();
        }
    }
    void left() override {
        if (seek_ != nullptr && seek_->isVisible()) {
            seek_->end(); // it lies over the clocks
        }
    }
    QString helpPage(const QWidget* focus) const override {
        return seek_ != nullptr && focus != nullptr && seek_->isAncestorOf(focus) ? "seek.md" : QString();
    }
    bool isBusy() const override { return seek_ != nullptr && seek_->isBusy(); }
    QPixmap picture() override { return view_->picture(); }
    ReportPictures reportPictures(const Theme& theme) override {
        return document_.isOpen() ? ReportPictures{{"clocks", view_->reportPicture(theme)}} : ReportPictures();
    }

    void openSeek() {
        if (document_.isOpen()) {
            showSeek();
            seek_->asked()->focusEntry();
        }
    }
    void wishAsItIs() {
        if (document_.isOpen()) {
            const QString line = view_->selected();
            openSeek();
            seek_->asked()->wishAsItIs(line);
        }
    }
    void toggleLock() { view_->toggleLock(); }
    void foldBranch() { view_->foldBranch(); }
    void fit() { view_->fit(); }
    void hideOff() {
        view_->hideOff(!view_->hidesOff());
        emit hintChanged();
    }
    void showFeeding() {
        showsFeeding_ = !showsFeeding_;
        view_->showWhatFeeds(showsFeeding_ ? host_.selectedPromise() : QString());
        emit hintChanged();
    }
    /// Needles of none, then of each other take in turn.
    void nextGhost() {
        QStringList takes{QString()};
        for (const Take& take : document_.isOpen() ? document_.plan().takes : std::vector<Take>()) {
            if (take.name != document_.plan().active) {
                takes << text(take.name);
            }
        }
        view_->showGhost(takes[(takes.indexOf(view_->ghost()) + 1) % takes.size()]);
        emit hintChanged();
    }
    /// What still holds when the source of the selected line fails.
    void explainFailure() {
        const auto node = document_.isOpen() ? document_.part().findNode(view_->selected().toStdString()) : std::nullopt;
        if (!node) {
            return;
        }
        NodeIndex source = *node;
        while (const auto& parent = document_.figures().lines[source].parent) {
            source = *parent;
        }
        host_.explain(Target::fails(document_.part().nodeId(source)));
    }
    void explainOrder() { host_.explain(Target::way("reset")); }
    void copyPicture() { QApplication::clipboard()->setPixmap(view_->picture()); }
    void copySvg() {
        const QByteArray svg = svgOf(view_->reportPicture(view_->theme()));
        auto* copied = new QMimeData;
        copied->setData("image/svg+xml", svg);
        copied->setText(QString::fromUtf8(svg));
        QApplication::clipboard()->setMimeData(copied);
    }

private:
    void showSeek() {
        if (seek_ == nullptr) {
            seek_ = new SeekPanel(document_);
            seek_->setTheme(theme_);
            seek_->hide();
            connect(seek_, &SeekPanel::closed, this, [this] {
                host_.showBelow(nullptr);
                view_->setFocus();
            });
            connect(seek_, &SeekPanel::ghostWanted, this, [this](const Figures* figures) {
                view_->showGhost(figures);
                emit hintChanged();
            });
            connect(seek_, &SeekPanel::rowsMarked, this, [this](const std::set<NodeIndex>& nodes) {
                view_->markRows(nodes);
                emit hintChanged();
            });
        }
        if (!seek_->isVisible()) {
            host_.showBelow(seek_);
            seek_->begin();
        }
    }

    ClocksView* view_;
    FindLine* find_;
    QPointer<SeekPanel> seek_;
    Theme theme_ = lightTheme();
    bool showsFeeding_ = false; ///< only what feeds the selected promise
};

/// A command of the page.
ViewCommand command(const QString& name, const char* keys, void (ClocksPage::*run)(), bool enters = false) {
    return {name, QKeySequence(keys), [run](View& view) { (static_cast<ClocksPage&>(view).*run)(); }, enters};
}

State worstLine(const Document& document) {
    State worst = State::kept;
    for (const LineFigure& line : document.figures().lines) {
        worst = worseState(worst, line.state);
    }
    return worst;
}

} // namespace

ViewKind clocksKind() {
    ViewKind kind;
    kind.name = "clocks";
    kind.title = QObject::tr("Clocks");
    kind.key = 2;
    kind.state = worstLine;
    kind.opens = [](const Document& document, const Target& target) {
        return target.is(Target::Room::seek) ||
               (target.is(Target::Room::line) && document.figures().findLine(target.name) != nullptr);
    };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new ClocksPage(document, host); };
    kind.commands = {
        command(QObject::tr("Lock or free the clock"), "Ctrl+B", &ClocksPage::toggleLock),
        command(QObject::tr("Fold or unfold the branch"), "Ctrl+Shift+B", &ClocksPage::foldBranch),
        command(QObject::tr("Hide or show what is off"), "Ctrl+Shift+O", &ClocksPage::hideOff),
        command(QObject::tr("Only what feeds the promise, or all"), "Ctrl+Shift+F", &ClocksPage::showFeeding),
        command(QObject::tr("Fit the axis"), "Ctrl+0", &ClocksPage::fit),
        command(QObject::tr("Needles of the next take as ghosts"), "Ctrl+Shift+G", &ClocksPage::nextGhost),
        command(QObject::tr("The order of writing, from reset"), "Ctrl+Shift+R", &ClocksPage::explainOrder),
        command(QObject::tr("What if its source fails"), "Ctrl+Shift+X", &ClocksPage::explainFailure),
        command(QObject::tr("Copy the clocks as a picture"), "Ctrl+Shift+C", &ClocksPage::copyPicture),
        command(QObject::tr("Copy the clocks as SVG"), "Ctrl+Alt+C", &ClocksPage::copySvg),
        command(QObject::tr("Seek takes that keep wishes"), "Ctrl+K", &ClocksPage::openSeek, true),
        command(QObject::tr("Wish for the selected clock as it is, in Seek"), "Ctrl+Shift+K", &ClocksPage::wishAsItIs, true)};
    return kind;
}

} // namespace wisetick::app
