#pragma once

#include <QObject>

#include <functional>
#include <list>
#include <stop_token>
#include <thread>

namespace wisetick::app {

/// Work beside the interface. Only the newest one counts: what was begun before is told to stop, and nothing comes of it.
class Background : public QObject {
    Q_OBJECT

public:
    /// What is to be done; it gives what is then run on the interface's thread. It must look at the token at least every tenth
    /// of a second, and may touch only what it owns.
    using Work = std::function<std::function<void()>(std::stop_token)>;

    explicit Background(QObject* parent = nullptr) : QObject(parent) {}
    ~Background() override;

    void start(Work work);
    /// For work under way: has this run on the interface's thread, unless the work was told to stop by then.
    void tell(const std::stop_token& token, std::function<void()> what);
    /// Tells what is under way to stop; nothing comes of it.
    void stop();
    bool isBusy() const { return isBusy_; }

signals:
    /// The newest work is done and its result was taken.
    void done();

private:
    struct Run {
        int number = 0;
        std::jthread thread;
    };

    void finish(int number, const std::function<void()>& result);

    std::list<Run> runs_; ///< the newest last; each is joined when it is over
    int number_ = 0;
    bool isBusy_ = false;
};

} // namespace wisetick::app
