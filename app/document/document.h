#pragma once

#include "base/diagnostic.h"
#include "derive/derive.h"
#include "document/background.h"
#include "document/recovery.h"
#include "evaluate/ripple.h"
#include "files/shelf.h"
#include "plan/plan.h"

#include <QObject>
#include <QStringList>

#include <deque>
#include <functional>
#include <map>

class QFileSystemWatcher;
class QTimer;

namespace wisetick::app {

/// What became of saving.
struct Saved {
    enum class How {
        done,
        refused,       ///< `why` says why; the file is as it was
        changedOnDisk, ///< another program wrote the file since it was read; it is as that program left it
    };
    How how = How::done;
    QString why;
    bool isDone() const { return how == How::done; }
};

/// Owns the plan that is open, its figures and its history. Views show the figures and send edits. "Before" of the ripple is the
/// last Keep or the opening. What was never saved is written aside soon after each edit.
class Document : public QObject {
    Q_OBJECT

public:
    explicit Document(Shelf shelf, QObject* parent = nullptr);

    /// Opens a plan file. Where it has faults the document stays as it is and the faults are returned.
    Diagnostics open(const QString& path);
    /// Saves to the path, whole or not at all, touching only what changed in the text. Nothing is written that could not be read
    /// back as this plan, nor, unless `overwrites`, over what another program wrote to the plan's own file meanwhile.
    Saved save(const QString& path, bool overwrites = false);

    /// Begins a plan on a part of the shelf; it has no path until it is saved. The faults of the part where it has any.
    Diagnostics begin(const QString& partId);
    /// Shows a part with a plan that need not come from files.
    void show(Part part, Plan plan);
    /// Puts the plan on a part that was changed, as where its file was edited. Where the plan does not fit it, its faults
    /// are returned and everything stays. `renamed`: ids that are called otherwise there, old and new; the plan follows, as an
    /// edit.
    Diagnostics takePart(Part part, const std::vector<std::pair<std::string, std::string>>& renamed = {});
    /// The file of the part; empty where there is none.
    const QString& partPath() const { return partPath_; }
    /// Takes what another program wrote to the file, as one edit that can be undone.
    Diagnostics reload();

    /// Where plans without a file are written aside, and looked for.
    void setRecoveryFolder(const QString& folder) { recovery_.setFolder(folder); }
    /// What windows that are gone left of this plan; where none is open, of plans without a file.
    std::vector<Recovery::Left> left() const { return recovery_.left(); }
    /// Takes what was left, as one edit of the plan that is open, or as the plan where none is.
    Diagnostics recover(const QString& left);
    /// Writes unsaved changes aside; done by itself soon after each edit.
    void autosave();
    /// Removes what was written aside: the changes are given up.
    void giveUp() { recovery_.discard(); }
    QString autosavePath() const { return recovery_.ownPath(); }
    /// ms, from an edit until it is written aside.
    void setAsideAfter(int milliseconds);

    bool isOpen() const { return isOpen_; }
    bool isModified() const { return isOpen_ && !(plan() == savedPlan_); }
    const QString& path() const { return path_; }
    const Part& part() const { return part_; }
    const Plan& plan() const { return history_[present_].plan; }
    const Take& take() const;
    const Figures& figures() const { return figures_; }
    /// What moved since the last Keep.
    const std::vector<Moved>& moved() const { return moved_; }
    /// What lies on the bench: by promise, how far what was measured is off what was asked, with what the capture leaves open.
    const std::map<std::string, Bounds>& measured() const { return measured_; }
    void setMeasured(std::map<std::string, Bounds> errors);
    /// Counts the plans and parts that were put here: what was worked out for another generation is of no use.
    int generation() const { return generation_; }

    /// Applies an edit; one that changes nothing leaves no trace in the history. Why it can't be made, in words; the plan is
    /// as it was then.
    QString edit(const QString& what, const PlanEdit& change);
    /// Shows what an edit would bring without making it: figures and ripple change, plan and history do not.
    void preview(const PlanEdit& change);
    /// Shows the plan as it is again.
    void endPreview();
    bool isPreviewing() const { return isPreviewing_; }
    /// What another take of the plan gives, without playing its jobs.
    Figures figuresOfTake(const std::string& name) const { return derive(part_, plan(), name); }
    bool canUndo() const { return present_ > 0; }
    bool canRedo() const { return present_ + 1 < history_.size(); }
    /// What the last edit was: "bus_a ÷ 4".
    QString lastEdit() const { return canUndo() ? history_[present_].what : QString(); }
    /// What was done since the plan was put here, the first entry being that itself; undone ones too.
    QStringList history() const;
    /// Where in the history the plan stands.
    std::size_t present() const { return present_; }
    /// Goes to an entry of the history, as undo and redo do step by step.
    void goTo(std::size_t entry);
    void undo();
    void redo();
    /// Makes the present figures the ones that the ripple starts from.
    void keep();
    /// Whether jobs are still to be played.
    bool isPlaying() const;
    /// Begins to play them at once where they still wait for a pause.
    void playNow();
    /// Says that work beside the interface ended in an exception, and what to do.
    void troubleBeside(const QString& why);

signals:
    /// Another part or plan stands here: what is under way for the last one is to stop. Before `changed`.
    void replaced();
    /// The file was changed on disk by another program.
    void changedOnDisk();
    /// Plan or figures changed; also when figures that were still being played are there.
    void changed();
    /// What lies on the bench changed.
    void measuredChanged();
    /// Something beside the interface went wrong; what to do stands with it.
    void troubled(const QString& what);

private:
    struct Entry {
        Plan plan;
        QString what;
        std::optional<std::string> text = {}; ///< of the file, where it held this plan
        QByteArray packed = {};               ///< the plan as compressed text, in its stead; empty: it is whole
    };

    void pack(Entry& entry) const;
    void stepTo(std::size_t entry);

    void enter(Part part, Plan plan, const QString& path, const QString& partPath, std::optional<std::string> text);
    void push(Plan plan, const QString& what);
    const std::string& textBelow() const;
    Diagnostics takeText(const QString& path, const QString& what);
    void watch();
    void work();
    void playSoon();
    void play();
    void takePlayed(const Figures& figures, const Figures* baseline, const std::optional<Plan>& kept);
    void playFailed(const QString& why);

    Shelf shelf_;
    bool isOpen_ = false;
    int generation_ = 0;
    QString path_;
    QString partPath_;
    std::string diskText_; ///< what stood in the file when it was read or written last
    Part part_;
    Plan savedPlan_;
    std::deque<Entry> history_; ///< a deque: a plan that somebody reads stays where it is while edits come
    std::size_t present_ = 0;
    Figures figures_;
    Figures baseline_;
    bool isPreviewing_ = false;
    std::optional<Plan> baselinePlan_; ///< while the baseline's jobs are still to be played
    std::vector<Moved> moved_;
    std::map<std::string, Bounds> measured_;
    QFileSystemWatcher* watcher_;
    QTimer* soon_;
    QTimer* aside_;
    Recovery recovery_;
    QString asideTrouble_; ///< told already
    Background playing_;
};

} // namespace wisetick::app
