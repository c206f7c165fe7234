#include "document/plan_lock.h"

#include <QFileInfo>
#include <QSysInfo>

namespace wisetick::app {

std::optional<PlanLock::Holder> PlanLock::take(const QString& plan) {
    lock_.reset();
    if (plan.isEmpty()) {
        return std::nullopt;
    }
    const QFileInfo file(plan);
    auto lock = std::make_unique<QLockFile>(file.absolutePath() + "/." + file.fileName() + ".lock");
    lock->setStaleLockTime(0); // it does not age: its program lives, or not
    if (lock->tryLock()) {
        lock_ = std::move(lock);
        return std::nullopt;
    }
    if (lock->error() != QLockFile::LockFailedError) {
        return std::nullopt; // the folder is not ours to write
    }
    Holder holder;
    QString program;
    if (!lock->getLockInfo(&holder.process, &holder.machine, &program)) {
        return std::nullopt; // given back meanwhile, or unreadable
    }
    if (holder.machine != QSysInfo::machineHostName()) {
        holder.process = 0;
    }
    return holder;
}

} // namespace wisetick::app
