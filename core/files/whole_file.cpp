#include "files/whole_file.h"

#include "base/text.h"

#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdlib>
#include <system_error>

namespace wisetick {

namespace {

namespace fs = std::filesystem;

std::string reason() {
    return std::generic_category().message(errno);
}

/// A new file that goes again unless it is kept. Its lock says that somebody is at it.
class FreshFile {
public:
    explicit FreshFile(std::string pattern) : name_(std::move(pattern)), handle_(::mkstemp(name_.data())) {
        if (handle_ >= 0) {
            ::flock(handle_, LOCK_EX | LOCK_NB);
        }
    }
    FreshFile(const FreshFile&) = delete;
    FreshFile& operator=(const FreshFile&) = delete;
    ~FreshFile() {
        close();
        if (!isKept_ && wasMade_) {
            ::unlink(name_.c_str());
        }
    }

    bool isOpen() {
        wasMade_ = wasMade_ || handle_ >= 0;
        return handle_ >= 0;
    }
    int handle() const { return handle_; }
    const std::string& name() const { return name_; }
    bool write(std::string_view content) const {
        while (!content.empty()) {
            const ssize_t count = ::write(handle_, content.data(), content.size());
            if (count < 0 && errno == EINTR) {
                continue;
            }
            if (count < 0) {
                return false;
            }
            content.remove_prefix(static_cast<std::size_t>(count));
        }
        return true;
    }
    bool close() {
        const int handle = handle_;
        handle_ = -1;
        return handle < 0 || ::close(handle) == 0;
    }
    void keep() { isKept_ = true; }

private:
    std::string name_;
    int handle_;
    bool wasMade_ = false;
    bool isKept_ = false;
};

/// Removes what a program that was killed while it wrote left beside the file: a minute older than the file of now, and nobody is
/// at it.
void removeLeftOver(const fs::path& folder, const std::string& begin, int fresh) {
    constexpr time_t kAge = 60; // s
    struct stat now = {};
    if (::fstat(fresh, &now) != 0) {
        return;
    }
    std::error_code error;
    for (const fs::directory_entry& entry : fs::directory_iterator(folder, error)) {
        if (!entry.path().filename().string().starts_with(begin)) {
            continue;
        }
        const int handle = ::open(entry.path().c_str(), O_RDONLY | O_NOFOLLOW | O_NONBLOCK);
        struct stat facts = {};
        if (handle >= 0 && ::fstat(handle, &facts) == 0 && S_ISREG(facts.st_mode) && facts.st_mtime + kAge < now.st_mtime &&
            ::flock(handle, LOCK_EX | LOCK_NB) == 0) {
            ::unlink(entry.path().c_str());
        }
        if (handle >= 0) {
            ::close(handle);
        }
    }
}

} // namespace

Text writeWholeFile(const fs::path& path, std::string_view content) {
    std::error_code error;
    const fs::path real = fs::weakly_canonical(path, error);
    const fs::path target = error ? path : real;
    struct stat before = {};
    const bool isThere = ::stat(target.c_str(), &before) == 0;
    if (isThere && !S_ISREG(before.st_mode)) {
        return phrase("{} can't be written: it is no file", path.string());
    }
    if (isThere && ::access(target.c_str(), W_OK) != 0) {
        return phrase("{} can't be written: {}", path.string(), reason());
    }
    const fs::path folder = target.parent_path().empty() ? fs::path(".") : target.parent_path();
    const std::string begin = "." + target.filename().string() + ".new-";
    FreshFile fresh((folder / (begin + "XXXXXX")).string());
    const auto failed = [&] { return phrase("{} can't be written: {}", path.string(), reason()); };
    if (!fresh.isOpen()) {
        return failed();
    }
    removeLeftOver(folder, begin, fresh.handle());
    constexpr mode_t kUsual = 0666;
    const mode_t mask = ::umask(0);
    ::umask(mask);
    if (::fchmod(fresh.handle(), isThere ? before.st_mode & 07777U : kUsual & ~mask) != 0 || !fresh.write(content) ||
        ::fsync(fresh.handle()) != 0 || !fresh.close() || ::rename(fresh.name().c_str(), target.c_str()) != 0) {
        return failed();
    }
    fresh.keep();
    if (const int handle = ::open(folder.c_str(), O_RDONLY | O_DIRECTORY); handle >= 0) { // that it stands there now
        ::fsync(handle);
        ::close(handle);
    }
    return {};
}

} // namespace wisetick
