#include "shell/tour.h"

#include "bench/bench_view.h"
#include "promises/promises_column.h"
#include "seek/seek_panel.h"
#include "shell/main_window.h"
#include "shell/notice.h"

#include <QTimer>

namespace wisetick::app {

namespace {

constexpr int kLooksEvery = 200; ///< ms
const char* const kTopic = "tour";

} // namespace

Tour::Tour(MainWindow& window) : QObject(&window), window_(window), looks_(new QTimer(this)) {
    looks_->setInterval(kLooksEvery);
    connect(looks_, &QTimer::timeout, this, &Tour::look);
    const auto stateOf = [this](const char* name) {
        const PromiseFigure* promise = window_.document().figures().findPromise(name);
        return promise == nullptr ? State::pending : promise->state;
    };
    steps_ = {
        {tr("Left is what the firmware promises. A half disc is strained: select the promise feed, and read right why."),
         [this] { return window_.promises()->cards()->selected() == "feed"; }},
        {tr("A broken ring is broken. Select modem, and press try behind a way out that breaks nothing else."),
         [stateOf] { return stateOf("modem") == State::kept; }},
        {tr("Below, the ripple shows all that moved. Keep it: Ctrl+Enter."),
         [this] { return window_.document().moved().empty(); }},
        {tr("Promise something of your own: Ctrl+L, type uart2 talks 9600 within 2 %, and press Enter."),
         [this] { return window_.document().plan().promises.size() > promisesBefore_; }},
        {tr("Settings that keep everything can be looked for: Ctrl+K. Esc closes it again."),
         [this] {
             const auto* seek = window_.find<SeekPanel>();
             return seek != nullptr && seek->isVisible();
         }},
        {tr("A simulated board plays the plan: Alt+6, then Ctrl+Alt+B. What is measured lies over what is predicted."),
         [this] {
             auto* bench = window_.find<BenchView>();
             return bench != nullptr && bench->work().capture() != nullptr;
         }},
        {tr("Nothing is ever lost: Ctrl+Alt+Z shows all that was done. Go back to how it was opened."),
         [this] { return !window_.document().canUndo(); }},
    };
    step_ = steps_.size();
}

void Tour::begin() {
    step_ = 0;
    promisesBefore_ = window_.document().plan().promises.size();
    looks_->start();
    show();
}

void Tour::end() {
    step_ = steps_.size();
    looks_->stop();
    window_.notice()->withdraw(kTopic);
}

void Tour::skip() {
    ++step_;
    show();
}

void Tour::look() {
    if (!window_.document().isOpen()) {
        end();
    } else if (isUnderWay() && steps_[step_].isDone()) {
        skip();
    }
}

void Tour::show() {
    if (!isUnderWay()) {
        looks_->stop();
        window_.notice()->tell(kTopic, tr("That was the tour. F1 tells of whatever has the focus."));
        return;
    }
    window_.notice()->tell(kTopic, tr("Tour, %1 of %2. %3").arg(step_ + 1).arg(steps_.size()).arg(steps_[step_].say),
                           {{tr("Skip"), [this] { skip(); }}, {tr("End the tour"), [this] { end(); }}});
}

} // namespace wisetick::app
