#pragma once

#include "document/document.h"
#include "evaluate/takes_that_count.h"

namespace wisetick::app {

/// What each take of the open plan must keep and what becomes of it, worked out beside the interface once the active take's jobs
/// are played; until then it stands as it was.
class TakesHeld : public QObject {
    Q_OBJECT

public:
    explicit TakesHeld(Document& document, QObject* parent = nullptr);

    /// In the plan's order; of a plan whose takes changed since, empty.
    const std::vector<TakeHolds>& list() const { return list_; }
    bool isBusy() const { return working_.isBusy(); }

signals:
    void changed();

private:
    void follow();

    Document& document_;
    Background working_;
    std::vector<TakeHolds> list_;
    std::vector<std::string> names_; ///< of the takes that the list is of
};

} // namespace wisetick::app
