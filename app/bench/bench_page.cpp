#include "bench/bench_page.h"

#include "bench/bench_view.h"
#include "bench/live_window.h"
#include "paint/text.h"
#include "paint/tool_links.h"
#include "quantity/quantity_print.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QPointer>

namespace wisetick::app {

namespace {

constexpr int kPageDigits = 3;

class BenchPage : public View {
public:
    BenchPage(Document& document, ViewHost& host, std::shared_ptr<State> worst)
        : View(document, host), work_(document), view_(new BenchView(document, work_)),
          links_(new ToolLinks(tr("What can be done on the bench"))), worst_(std::move(worst)) {
        connect(view_, &BenchView::targetWanted, this, [this](const Target& target) { host_.explain(target); });
        connect(&work_, &BenchWork::changed, this, [this] {
            *worst_ = work_.worst();
            styleLinks();
            emit hintChanged();
        });
    }

    QWidget* widget() override { return view_; }
    QWidget* tool() override { return links_; }
    void setTheme(const Theme& theme) override {
        theme_ = theme;
        view_->setTheme(theme);
        styleLinks();
    }
    QString hint() const override {
        const Capture* capture = work_.capture();
        if (capture == nullptr) {
            return tr("what was measured, over what the plan predicts");
        }
        return tr("%1, %2 at a tick of %3; bands are what the plan predicts")
            .arg(QFileInfo(text(capture->name)).fileName(), text(printQuantity(capture->length(), Unit::second, kPageDigits)),
                 text(printQuantity(capture->tick, Unit::second, kPageDigits)));
    }
    bool isBusy() const override { return work_.isBusy(); }
    Target subject() override { return view_->foretellsSelected(); }
    QString helpPage(const QWidget*) const override { return "bench.md"; }

    void takeFile(const QString& path) override { work_.readFile(path); }
    void tellDone(const QString& what) { host_.tellDone(what); }
    BenchWork& work() { return work_; }
    BenchView& view() { return *view_; }
    /// Beside the window; it stays open while other views are looked at.
    void showLive() {
        if (live_ == nullptr) {
            live_ = new LiveWindow(document_, work_, theme_, view_);
        }
        live_->show();
        live_->raise();
        live_->activateWindow();
    }

    void playBoard() { work_.play(work_.seed() + 1, false); }
    void openCapture() {
        const QString path = QFileDialog::getOpenFileName(view_, tr("A capture"), {}, tr("Captures (*.vcd *.csv *.tsv *.txt)"));
        if (!path.isEmpty()) {
            work_.readFile(path);
        }
    }
    void watchFolder() {
        if (!work_.folder().isEmpty()) {
            work_.watchFolder({});
            view_->tell(tr("no folder is watched any more"));
            return;
        }
        const QString folder = QFileDialog::getExistingDirectory(view_, tr("A folder into which captures are written"));
        if (!folder.isEmpty()) {
            work_.watchFolder(folder);
        }
    }
    void keepCapture() { view_->tell(work_.keep()); }

private:
    void styleLinks() {
        const auto link = [this](const QString& name, void (BenchPage::*run)()) {
            return ToolLinks::Link{name, [this, run] {
                                       view_->setFocus(); // which what is run may give on
                                       (this->*run)();
                                   }};
        };
        std::vector<ToolLinks::Link> links{
            link(tr("open a capture"), &BenchPage::openCapture), link(tr("play a board"), &BenchPage::playBoard),
            link(work_.folder().isEmpty() ? tr("watch a folder") : tr("watch no longer"), &BenchPage::watchFolder),
            link(tr("live"), &BenchPage::showLive)};
        if (work_.capture() != nullptr) {
            links.push_back(link(tr("keep"), &BenchPage::keepCapture));
        }
        links_->setLinks(std::move(links), theme_);
    }

    Theme theme_ = lightTheme();
    QPointer<LiveWindow> live_;
    BenchWork work_;
    BenchView* view_;
    ToolLinks* links_;
    std::shared_ptr<State> worst_;
};

BenchPage& benchOf(View& view) {
    return static_cast<BenchPage&>(view);
}

} // namespace

ViewKind benchKind() {
    auto worst = std::make_shared<State>(State::pending); // until something was measured
    ViewKind kind;
    kind.name = "bench";
    kind.title = QObject::tr("Bench");
    kind.key = 6;
    kind.endings = {".vcd", ".csv", ".tsv"};
    kind.state = [worst](const Document&) { return *worst; };
    kind.opens = [](const Document&, const Target&) { return false; };
    kind.make = [worst](Document& document, ViewHost& host) -> View* { return new BenchPage(document, host, worst); };
    kind.commands = {
        {QObject::tr("Play a simulated board"), QKeySequence("Ctrl+Alt+B"), [](View& view) { benchOf(view).playBoard(); }, true},
        {QObject::tr("Play a board that makes a slip"), QKeySequence("Ctrl+Alt+Shift+B"),
         [](View& view) { benchOf(view).work().play(benchOf(view).work().seed() + 1, true); }, true},
        {QObject::tr("Open a capture (VCD or CSV)"), QKeySequence("Ctrl+Alt+V"), [](View& view) { benchOf(view).openCapture(); },
         true},
        {QObject::tr("Watch a folder for new captures, or no longer"), QKeySequence("Ctrl+Alt+Shift+V"),
         [](View& view) { benchOf(view).watchFolder(); }, true},
        {QObject::tr("Keep the capture beside the plan, or no longer"), QKeySequence("Ctrl+Alt+Shift+K"),
         [](View& view) { benchOf(view).keepCapture(); }, true},
        {QObject::tr("An instrument or a serial line, live"), QKeySequence("Ctrl+Alt+I"),
         [](View& view) { benchOf(view).showLive(); }, true},
        {QObject::tr("Copy as picture, SVG and table"), QKeySequence("Ctrl+Alt+Shift+C"),
         [](View& view) {
             benchOf(view).view().copy();
             benchOf(view).tellDone(QObject::tr("Copied as a picture, as SVG and as a table"));
         },
         false},
        {QObject::tr("Note what explains it in the plan"), QKeySequence("Ctrl+Alt+N"),
         [](View& view) { benchOf(view).view().tell(benchOf(view).view().note()); }, true},
    };
    return kind;
}

} // namespace wisetick::app
