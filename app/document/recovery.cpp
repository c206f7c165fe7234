#include "document/recovery.h"

#include "files/whole_file.h"
#include "language/said.h"

#include <QCoreApplication>
#include <QCryptographicHash>
#include <QDir>
#include <QFileInfo>

namespace wisetick::app {

namespace {

constexpr int kMostFiles = 99; ///< of one plan

QString numbered(const QString& base, int number) {
    return number == 1 ? base : base + "-" + QString::number(number);
}

/// Locks a recovery file if no window that lives has it.
std::unique_ptr<QLockFile> lockOf(const QString& path) {
    auto lock = std::make_unique<QLockFile>(path + ".lock");
    lock->setStaleLockTime(0); // stale only if its program is gone
    return lock->tryLock(0) ? std::move(lock) : nullptr;
}

} // namespace

Recovery::~Recovery() = default;

QString Recovery::base() const {
    const QFileInfo plan(plan_);
    if (!plan_.isEmpty() && (folder_.isEmpty() || QFileInfo(plan.absolutePath()).isWritable())) {
        return plan_ + ".autosave";
    }
    if (!plan_.isEmpty()) { // such as an example that is installed: it is told from others by its whole path
        const QByteArray sum = QCryptographicHash::hash(plan.absoluteFilePath().toUtf8(), QCryptographicHash::Sha256).toHex();
        return QDir(folder_).filePath(QString::fromLatin1(sum.left(12)) + "-" + plan.fileName() + ".autosave");
    }
    return folder_.isEmpty() ? QString() : QDir(folder_).filePath("unnamed.plan.toml.autosave");
}

void Recovery::setPlan(const QString& path) {
    plan_ = path;
    own_.clear();
    lock_.reset();
}

std::vector<Recovery::Left> Recovery::left() const {
    std::vector<Left> found;
    for (int number = 1; !base().isEmpty() && number <= kMostFiles; ++number) {
        const QString path = numbered(base(), number);
        const QFileInfo info(path);
        if (path != own_ && info.isFile() && lockOf(path) != nullptr) {
            found.push_back({path, info.lastModified()});
        }
    }
    return found;
}

bool Recovery::own(const QString& path) {
    auto lock = lockOf(path);
    if (lock == nullptr) {
        return false;
    }
    own_ = path;
    lock_ = std::move(lock);
    return true;
}

bool Recovery::adopt(const QString& path) {
    if (path == own_) {
        return true;
    }
    const QString before = own_;
    auto held = std::move(lock_);
    if (!own(path)) {
        lock_ = std::move(held);
        return false;
    }
    if (!before.isEmpty()) {
        QFile::remove(before);
    }
    return true;
}

void Recovery::forget(const QString& path) {
    if (const auto lock = lockOf(path)) {
        QFile::remove(path);
    }
}

QString Recovery::write(const std::string& text) {
    if (base().isEmpty()) {
        return {};
    }
    if (!folder_.isEmpty() && base().startsWith(folder_)) {
        QDir().mkpath(folder_);
    }
    for (int number = 1; own_.isEmpty() && number <= kMostFiles; ++number) {
        const QString path = numbered(base(), number);
        if (!QFileInfo::exists(path)) { // what somebody left is theirs until they are asked
            own(path);
        }
    }
    if (own_.isEmpty()) {
        return QCoreApplication::translate("Recovery", "no file can be made beside %1").arg(base());
    }
    return app::text(writeWholeFile(own_.toStdString(), text));
}

void Recovery::discard() {
    if (!own_.isEmpty()) {
        QFile::remove(own_);
    }
    own_.clear();
    lock_.reset();
}

} // namespace wisetick::app
