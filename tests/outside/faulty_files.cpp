// A disk that fails: loaded before a program (LD_PRELOAD), it counts what the program does to files below a folder, and lets the
// one that is asked for go wrong. FAULTY_BELOW=folder; FAULTY_DO=die (at that moment), ENOSPC, EIO, EACCES, or stall (each takes
// 20 ms); FAULTY_AT=n, the first being 1, 0 for none; FAULTY_COUNT=file, into which the count is written at the end.

#include <dlfcn.h>
#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cerrno>
#include <cstdarg>
#include <cstdio>
#include <cstdlib>
#include <cstring>
#include <string>

namespace {

constexpr int kMostHandles = 4096;

struct Faults {
    std::string below;
    std::string what;
    long at = 0;
    long count = 0;
    bool isOurs[kMostHandles] = {};

    Faults() {
        const auto of = [](const char* name) { return getenv(name) == nullptr ? std::string() : std::string(getenv(name)); };
        below = of("FAULTY_BELOW");
        what = of("FAULTY_DO");
        at = atol(of("FAULTY_AT").c_str());
    }
    ~Faults() {
        if (const char* path = getenv("FAULTY_COUNT")) {
            below.clear();
            if (FILE* file = fopen(path, "w")) {
                fprintf(file, "%ld", count);
                fclose(file);
            }
        }
    }
};

Faults& faults() {
    static Faults all;
    return all;
}

bool isBelow(const char* path) {
    if (path == nullptr || faults().below.empty()) {
        return false;
    }
    if (path[0] == '/') {
        return std::strncmp(path, faults().below.c_str(), faults().below.size()) == 0;
    }
    char here[4096];
    return getcwd(here, sizeof here) != nullptr && std::strncmp(here, faults().below.c_str(), faults().below.size()) == 0;
}

bool isOurs(int handle) {
    return handle >= 0 && handle < kMostHandles && faults().isOurs[handle];
}

int keep(int handle) {
    if (handle >= 0 && handle < kMostHandles) {
        faults().isOurs[handle] = true;
    }
    return handle;
}

/// Counts one act. True: it goes wrong, and errno says how.
bool fails() {
    Faults& all = faults();
    ++all.count;
    if (all.what == "stall") {
        usleep(20000);
        return false;
    }
    if (all.count != all.at) {
        return false;
    }
    if (all.what == "die") {
        _exit(137);
    }
    errno = all.what == "ENOSPC" ? ENOSPC : (all.what == "EACCES" ? EACCES : EIO);
    return true;
}

template <class Function>
Function real(const char* name) {
    return reinterpret_cast<Function>(dlsym(RTLD_NEXT, name));
}

int openAs(const char* name, const char* path, int flags, mode_t mode) {
    const auto open = real<int (*)(const char*, int, ...)>(name);
    if (!isBelow(path)) {
        const int handle = open(path, flags, mode);
        if (handle >= 0 && handle < kMostHandles) {
            faults().isOurs[handle] = false;
        }
        return handle;
    }
    // reading may fail too
    return fails() ? -1 : keep(open(path, flags, mode));
}

} // namespace

extern "C" {

/// For a test in the same process: from now on.
void faultyFiles(const char* below, const char* what, long at) {
    faults().below = below;
    faults().what = what;
    faults().at = at;
    faults().count = 0;
}
long faultyCount() {
    return faults().count;
}

int open(const char* path, int flags, ...) {
    va_list rest;
    va_start(rest, flags);
    const auto mode = (flags & (O_CREAT | O_TMPFILE)) != 0 ? va_arg(rest, mode_t) : 0;
    va_end(rest);
    return openAs("open", path, flags, mode);
}
int open64(const char* path, int flags, ...) {
    va_list rest;
    va_start(rest, flags);
    const auto mode = (flags & (O_CREAT | O_TMPFILE)) != 0 ? va_arg(rest, mode_t) : 0;
    va_end(rest);
    return openAs("open64", path, flags, mode);
}
int mkstemp(char* pattern) {
    if (!isBelow(pattern)) {
        return real<int (*)(char*)>("mkstemp")(pattern);
    }
    return fails() ? -1 : keep(real<int (*)(char*)>("mkstemp")(pattern));
}
int mkstemp64(char* pattern) {
    return mkstemp(pattern);
}
int close(int handle) {
    if (handle >= 0 && handle < kMostHandles) {
        faults().isOurs[handle] = false;
    }
    return real<int (*)(int)>("close")(handle);
}
ssize_t write(int handle, const void* bytes, size_t count) {
    if (isOurs(handle) && fails()) {
        return -1;
    }
    return real<ssize_t (*)(int, const void*, size_t)>("write")(handle, bytes, count);
}
int fsync(int handle) {
    if (isOurs(handle) && fails()) {
        return -1;
    }
    return real<int (*)(int)>("fsync")(handle);
}
int fchmod(int handle, mode_t mode) {
    if (isOurs(handle) && fails()) {
        return -1;
    }
    return real<int (*)(int, mode_t)>("fchmod")(handle, mode);
}
int rename(const char* from, const char* to) {
    if (isBelow(to) && fails()) {
        return -1;
    }
    return real<int (*)(const char*, const char*)>("rename")(from, to);
}
int unlink(const char* path) {
    if (isBelow(path) && fails()) {
        return -1;
    }
    return real<int (*)(const char*)>("unlink")(path);
}
FILE* fopen64(const char* path, const char* mode) {
    if (isBelow(path) && fails()) {
        return nullptr;
    }
    return real<FILE* (*)(const char*, const char*)>("fopen64")(path, mode);
}
}
