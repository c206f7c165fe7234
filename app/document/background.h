#pragma once

#include <QObject>

#include <deque>
#include <functional>
#include <mutex>
#include <optional>
#include <stop_token>
#include <thread>

namespace wisetick::app {

/// Work beside the interface, on one thread at a time. Only the newest one counts: what is under way is told to stop when another
/// one begins, and nothing comes of it; the newest begins when that has ended, and what waited between them never begins.
class Background : public QObject {
    Q_OBJECT

public:
    /// What is to be done; it gives what is then run on the interface's thread. It must look at the token at least every tenth
    /// of a second, and may touch only what it owns. What it throws is told by `failed`, wisetick::Stopped by nothing.
    using Work = std::function<std::function<void()>(std::stop_token)>;

    explicit Background(QObject* parent = nullptr) : QObject(parent) {}
    ~Background() override;

    void start(Work work);
    /// For work under way: has this run on the interface's thread, unless the work was told to stop by then.
    void tell(const std::stop_token& token, std::function<void()> what);
    /// Tells what is under way to stop; nothing comes of it.
    void stop();
    /// Whether the newest work is still to be done.
    bool isBusy() const { return isBusy_; }
    /// Whether a thread is at work, also one that was told to stop and has not ended yet.
    bool isRunning() const { return thread_.joinable(); }

signals:
    /// The newest work is done and its result was taken.
    void done();
    /// The newest work ended in an exception, with what that says.
    void failed(const QString& why);

private:
    void run(Work work);
    void finish(const std::function<void()>& result, const QString& why);
    /// Has this run on the interface's thread, in the order in which it was handed over.
    void handOver(std::function<void()> what);
    Q_INVOKABLE void takeOver();

    std::mutex handing_; ///< what goes from thread to thread goes under a lock of ours: Qt's own can't be seen by a sanitizer
    std::deque<std::function<void()>> handed_;
    std::jthread thread_;
    std::optional<Work> waiting_;
    bool isBusy_ = false;
    bool isWanted_ = false; ///< what comes of the thread's work
};

} // namespace wisetick::app
