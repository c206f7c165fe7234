#include "document/background.h"

#include "base/go_on.h"

namespace wisetick::app {

Background::~Background() {
    stop(); // the thread is joined
}

void Background::stop() {
    thread_.request_stop();
    waiting_.reset();
    isBusy_ = false;
    isWanted_ = false;
}

void Background::start(Work work) {
    stop();
    isBusy_ = true;
    if (isRunning()) {
        waiting_ = std::move(work);
    } else {
        run(std::move(work));
    }
}

void Background::run(Work work) {
    isWanted_ = true;
    thread_ = std::jthread([this, work = std::move(work)](const std::stop_token& token) {
        std::function<void()> result;
        QString why;
        try {
            result = work(token);
        } catch (const Stopped&) {
            // told to
        } catch (const std::exception& error) {
            why = QString::fromUtf8(error.what());
        }
        handOver([this, result = std::move(result), why = std::move(why)] { finish(result, why); });
    });
}

void Background::handOver(std::function<void()> what) {
    {
        const std::lock_guard lock(handing_);
        handed_.push_back(std::move(what));
    }
    QMetaObject::invokeMethod(this, "takeOver", Qt::QueuedConnection);
}

void Background::takeOver() {
    std::function<void()> what;
    {
        const std::lock_guard lock(handing_);
        what = std::move(handed_.front());
        handed_.pop_front();
    }
    what();
}

void Background::tell(const std::stop_token& token, std::function<void()> what) {
    handOver([token, what = std::move(what)] {
        if (!token.stop_requested()) {
            what();
        }
    });
}

void Background::finish(const std::function<void()>& result, const QString& why) {
    thread_.join(); // it has nothing left to do
    thread_ = {};
    if (waiting_) {
        Work next = std::move(*waiting_);
        waiting_.reset();
        run(std::move(next));
        return;
    }
    if (!isWanted_) {
        return; // it was told to stop
    }
    isBusy_ = false;
    isWanted_ = false;
    if (!why.isEmpty()) {
        emit failed(why);
    } else if (result) {
        result();
    }
    emit done();
}

} // namespace wisetick::app
