#pragma once

#include "base/diagnostic.h"
#include "derive/figures.h"
#include "evaluate/ripple.h"
#include "files/shelf.h"
#include "plan/plan.h"

#include <QObject>
#include <QString>

#include <functional>

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
    /// The figures that an edit would bring, without making it.
    Figures figuresOf(const std::function<void(Plan&)>& change) const;
    bool canUndo() const { return present_ > 0; }
    bool canRedo() const { return present_ + 1 < history_.size(); }
    /// What the last edit was: "bus_a ÷ 4".
    QString lastEdit() const { return canUndo() ? history_[present_].what : QString(); }
    void undo();
    void redo();
    /// Makes the present figures the ones that the ripple starts from.
    void keep();

signals:
    /// Plan or figures changed; also when figures that were still being played are there.
    void changed();

private:
    struct Entry {
        Plan plan;
        QString what;
    };

    void work();
    void play();

    Shelf shelf_;
    bool isOpen_ = false;
    QString path_;
    std::string text_;
    Part part_;
    Plan savedPlan_;
    std::vector<Entry> history_;
    std::size_t present_ = 0;
    Figures figures_;
    Figures baseline_;
    std::vector<Moved> moved_;
    std::size_t generation_ = 0;
};

/// A choice of the take, made where there is none.
Choice& choiceOf(Plan& plan, const std::string& take, const std::string& id);

} // namespace wisetick::app
