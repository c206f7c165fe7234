#include "bench/bench_page.h"

#include "bench/bench_view.h"
#include "bench/live_window.h"
#include "paint/text.h"
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
        : View(document, host), work_(document), view_(new BenchView(document, work_)), worst_(std::move(worst)) {
        connect(view_, &BenchView::targetWanted, this, [this](const Target& target) { host_.explain(target); });
        connect(&work_, &BenchWork::changed, this, [this] {
            *worst_ = work_.worst();
            emit hintChanged();
        });
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override {
        theme_ = theme;
        view_->setTheme(theme);
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

private:
    Theme theme_ = lightTheme();
    QPointer<LiveWindow> live_;
    BenchWork work_;
    BenchView* view_;
    std::shared_ptr<State> worst_;
};

BenchPage& benchOf(View& view) {
    return static_cast<BenchPage&>(view);
}

void watchFolder(View& view) {
    BenchWork& work = benchOf(view).work();
    if (!work.folder().isEmpty()) {
        work.watchFolder({});
        benchOf(view).view().tell(QObject::tr("no folder is watched any more"));
        return;
    }
    const QString folder =
        QFileDialog::getExistingDirectory(view.widget(), QObject::tr("A folder into which captures are written"));
    if (!folder.isEmpty()) {
        work.watchFolder(folder);
    }
}

void openCapture(View& view) {
    const QString path = QFileDialog::getOpenFileName(view.widget(), QObject::tr("A capture"), {},
                                                      QObject::tr("Captures (*.vcd *.csv *.tsv *.txt)"));
    if (!path.isEmpty()) {
        benchOf(view).work().readFile(path);
    }
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
        {QObject::tr("Bench: play a simulated board"), QKeySequence("Ctrl+Alt+B"),
         [](View& view) { benchOf(view).work().play(benchOf(view).work().seed() + 1, false); }, true},
        {QObject::tr("Bench: play a board that makes a slip"), QKeySequence("Ctrl+Alt+Shift+B"),
         [](View& view) { benchOf(view).work().play(benchOf(view).work().seed() + 1, true); }, true},
        {QObject::tr("Bench: open a capture (VCD or CSV)"), QKeySequence("Ctrl+Alt+V"), openCapture, true},
        {QObject::tr("Bench: watch a folder for new captures, or no longer"), QKeySequence("Ctrl+Alt+Shift+V"), watchFolder,
         true},
        {QObject::tr("Bench: keep the capture beside the plan, or no longer"), QKeySequence("Ctrl+Alt+K"),
         [](View& view) { benchOf(view).view().tell(benchOf(view).work().keep()); }, true},
        {QObject::tr("Bench: an instrument or a serial line, live"), QKeySequence("Ctrl+Alt+L"),
         [](View& view) { benchOf(view).showLive(); }, true},
        {QObject::tr("Bench: copy as picture, SVG and table"), QKeySequence("Ctrl+Alt+Shift+C"),
         [](View& view) {
             benchOf(view).view().copy();
             benchOf(view).tellDone(QObject::tr("Copied as a picture, as SVG and as a table"));
         },
         false},
        {QObject::tr("Bench: note what explains it in the plan"), QKeySequence("Ctrl+Alt+N"),
         [](View& view) { benchOf(view).view().tell(benchOf(view).view().note()); }, true},
    };
    return kind;
}

} // namespace wisetick::app
