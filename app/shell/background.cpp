#include "shell/background.h"

#include <algorithm>

namespace wisetick::app {

Background::~Background() {
    stop(); // the threads are joined with their runs
}

void Background::stop() {
    for (Run& run : runs_) {
        run.thread.request_stop();
    }
    ++number_;
    isBusy_ = false;
}

void Background::start(Work work) {
    stop();
    isBusy_ = true;
    const int number = number_;
    Run& run = runs_.emplace_back();
    run.number = number;
    run.thread = std::jthread([this, number, work = std::move(work)](const std::stop_token& token) {
        std::function<void()> result = work(token);
        QMetaObject::invokeMethod(
            this, [this, number, result = std::move(result)] { finish(number, result); }, Qt::QueuedConnection);
    });
}

void Background::tell(const std::stop_token& token, std::function<void()> what) {
    QMetaObject::invokeMethod(
        this,
        [token, what = std::move(what)] {
            if (!token.stop_requested()) {
                what();
            }
        },
        Qt::QueuedConnection);
}

void Background::finish(int number, const std::function<void()>& result) {
    std::erase_if(runs_, [number](const Run& run) { return run.number == number; });
    if (number != number_) {
        return; // something newer is meant
    }
    isBusy_ = false;
    if (result) {
        result();
    }
    emit done();
}

} // namespace wisetick::app
