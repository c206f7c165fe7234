#pragma once

#include <QLockFile>
#include <QString>

#include <memory>
#include <optional>

namespace wisetick::app {

/// Says beside a plan's file (".NAME.lock") that a window has it open. It outlives no crash: a lock whose program is gone is
/// taken. Where the folder can't be written there is none, and nothing is said.
class PlanLock {
public:
    /// Who else has the plan open.
    struct Holder {
        qint64 process = 0; ///< on this machine; 0 on another one
        QString machine;
    };
    /// Takes the lock of a plan in place of the last one; an empty path gives it back. Who holds it where somebody does.
    std::optional<Holder> take(const QString& plan);
    /// Gives it back.
    void release() { lock_.reset(); }

private:
    std::unique_ptr<QLockFile> lock_;
};

} // namespace wisetick::app
