#pragma once

#include "document/document.h"
#include "handover/found.h"
#include "handover/handover_files.h"

namespace wisetick::app {

/// How the files of the open plan's handover stand, worked out beside the interface: when the plan changes, when the view is
/// entered, and when a file was written. Registers that were read from a board are kept here, and laid over the active take.
class HandoverWork : public QObject {
    Q_OBJECT

public:
    explicit HandoverWork(Document& document, QObject* parent = nullptr);

    bool hasPlan() const { return document_.isOpen(); }

    const std::vector<HandoverState>& states() const { return states_; }
    const std::vector<FoundField>& found() const { return fields_; }
    /// What the registers were read from; empty where none were.
    const QString& foundFile() const { return foundFile_; }
    bool isBusy() const { return working_.isBusy(); }
    /// The worst of the files.
    State worst() const;

    void look();
    /// Writes what differs, or that one file. Why not; empty where it was written.
    QString write(const QString& path = {}, OverEdited over = OverEdited::no);
    /// Reads registers from a file. The faults that it has.
    Diagnostics readFoundFile(const QString& path);
    void forgetFound();
    /// The edit that adds what was found as a take.
    PlanEdit takeOfFound(const std::string& name) const;

signals:
    void changed();

private:
    std::filesystem::path folder() const;

    Document& document_;
    Background working_;
    std::vector<HandoverState> states_;
    QString foundFile_;
    std::optional<FoundRegisters> registers_;
    std::vector<FoundField> fields_;
};

/// The mark that a state is shown by.
State markOf(const HandoverState& state);

} // namespace wisetick::app
