#pragma once

#include "base/diagnostic.h"
#include "derive/derive.h"
#include "evaluate/ripple.h"
#include "files/shelf.h"
#include "plan/plan.h"
#include "shell/background.h"

#include <QObject>
#include <QString>

#include <functional>

class QFileSystemWatcher;
class QTimer;

namespace wisetick::app {

/// Owns the plan that is open, its figures and its history. Views show the figures and send edits; an edit is a
/// function plan → plan. "Before" of the ripple is the last Keep or the opening.
class Document : public QObject {
    Q_OBJECT

public:
    explicit Document(Shelf shelf, QObject* parent = nullptr);

    /// Opens a plan file. Where it has faults the document stays as it is and the faults are returned.
    Diagnostics open(const QString& path);
    /// Saves to the path, atomically, touching only what changed in the text. An error text where that fails.
    QString save(const QString& path);

    /// Begins a plan on a part of the shelf; it has no path until it is saved. The faults of the part where it has any.
    Diagnostics begin(const QString& partId);
    /// Shows a part with a plan that need not come from files.
    void show(Part part, Plan plan);
    /// Puts the plan on a part that was changed, as where its file was edited. Where the plan does not fit it, its faults
    /// are returned and everything stays.
    Diagnostics takePart(Part part);
    /// The file of the part; empty where there is none.
    const QString& partPath() const { return partPath_; }
    /// Takes what another program wrote to the file, as one edit that can be undone.
    Diagnostics reload();
    /// Takes the changes that were written beside the file and never saved, as one edit.
    Diagnostics recover();
    /// Writes unsaved changes beside the file; done every minute.
    void autosave();
    /// Removes what autosave wrote.
    void forgetAutosave() const;
    bool hasAutosave() const;
    QString autosavePath() const { return path_ + ".autosave"; }

    bool isOpen() const { return isOpen_; }
    bool isModified() const { return isOpen_ && !(plan() == savedPlan_); }
    const QString& path() const { return path_; }
    const Part& part() const { return part_; }
    const Plan& plan() const { return history_[present_].plan; }
    const Take& take() const;
    const Figures& figures() const { return figures_; }
    /// What moved since the last Keep.
    const std::vector<Moved>& moved() const { return moved_; }

    /// Applies an edit; one that changes nothing leaves no trace in the history.
    void edit(const QString& what, const std::function<void(Plan&)>& change);
    /// Shows what an edit would bring without making it: figures and ripple change, plan and history do not.
    void preview(const std::function<void(Plan&)>& change);
    /// Shows the plan as it is again.
    void endPreview();
    bool isPreviewing() const { return isPreviewing_; }
    /// What another take of the plan gives, without playing its jobs.
    Figures figuresOfTake(const std::string& name) const { return derive(part_, plan(), name); }
    bool canUndo() const { return present_ > 0; }
    bool canRedo() const { return present_ + 1 < history_.size(); }
    /// What the last edit was: "bus_a ÷ 4".
    QString lastEdit() const { return canUndo() ? history_[present_].what : QString(); }
    void undo();
    void redo();
    /// Makes the present figures the ones that the ripple starts from.
    void keep();

signals:
    /// The file was changed on disk by another program.
    void changedOnDisk();
    /// Plan or figures changed; also when figures that were still being played are there.
    void changed();

private:
    struct Entry {
        Plan plan;
        QString what;
    };

    void start(Plan plan);
    Diagnostics takeText(const QString& path, const QString& what);
    void watch();
    void work();
    void playSoon();
    void play();
    void takePlayed(const Figures& figures, const Figures* baseline, const std::optional<Plan>& kept);

    Shelf shelf_;
    bool isOpen_ = false;
    QString path_;
    QString partPath_;
    std::string text_;
    Part part_;
    Plan savedPlan_;
    std::vector<Entry> history_;
    std::size_t present_ = 0;
    Figures figures_;
    Figures baseline_;
    bool isPreviewing_ = false;
    std::optional<Plan> baselinePlan_; ///< while the baseline's jobs are still to be played
    std::vector<Moved> moved_;
    QFileSystemWatcher* watcher_;
    QTimer* soon_;
    Background playing_;
};

} // namespace wisetick::app
