#pragma once

#include <QDateTime>
#include <QLockFile>
#include <QString>

#include <memory>
#include <string>
#include <vector>

namespace wisetick::app {

/// Changes of a plan that were written aside and never saved: of this window, and of windows that are gone. A plan's stand beside
/// it (PLAN.autosave, PLAN.autosave-2, …), those of a plan without a file, or beside which nothing may be written, in a folder of
/// their own. Each file has a lock while
/// the window that writes it lives; what a window left behind is kept until somebody says what shall become of it.
class Recovery {
public:
    Recovery() = default;
    Recovery(const Recovery&) = delete;
    Recovery& operator=(const Recovery&) = delete;
    ~Recovery(); ///< what was written stays

    /// Where plans without a file are kept; empty: nowhere.
    void setFolder(const QString& folder) { folder_ = folder; }
    /// The plan that is meant from now on; an empty path: one without a file. What was written of the last one stays.
    void setPlan(const QString& path);

    /// What a window that is gone left of the plan.
    struct Left {
        QString path;
        QDateTime when;
    };
    std::vector<Left> left() const;
    /// Takes over what was left: it is this window's own from then on. False if another window did.
    bool adopt(const QString& path);
    /// Removes what was left, unless a window that lives writes it.
    static void forget(const QString& path);

    /// Writes this window's changes. An empty text, or why it could not.
    QString write(const std::string& text);
    /// Removes what this window wrote: it was saved, or is given up.
    void discard();
    /// The file of this window; empty where nothing was written.
    const QString& ownPath() const { return own_; }

private:
    QString base() const;
    bool own(const QString& path);

    QString folder_;
    QString plan_;
    QString own_;
    std::unique_ptr<QLockFile> lock_;
};

} // namespace wisetick::app
