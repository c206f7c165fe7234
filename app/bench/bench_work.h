#pragma once

#include "bench/explain.h"
#include "bench/note.h"
#include "bench/sim_board.h"
#include "document/background.h"
#include "document/document.h"

#include <memory>

namespace wisetick::app {

/// The capture that lies on the bench, what is measured of it, and what explains that, worked out beside the interface: when a
/// board is played, when a file is read, and when the plan changes.
class BenchWork : public QObject {
    Q_OBJECT

public:
    explicit BenchWork(Document& document, QObject* parent = nullptr);

    /// What lies there; nullptr where nothing does.
    const Capture* capture() const { return capture_.get(); }
    const std::vector<BenchSignal>& predicted() const { return predicted_; }
    const std::vector<MeasuredSignal>& measured() const { return measured_; }
    const std::vector<Explanation>& explained() const { return explained_; }
    bool isBusy() const { return working_.isBusy(); }
    std::uint64_t seed() const { return seed_; }
    /// The worst of what was measured; pending where nothing was.
    State worst() const;

    /// Plays the take as a board of the batch, with a slip drawn from the seed where that is wanted.
    void play(std::uint64_t seed, bool isSlipped);
    /// Reads a capture; why it can't be read comes by `troubled`.
    void readFile(const QString& path);
    /// What an explanation would write into the plan.
    std::optional<BenchNote> noteFor(std::size_t explanation) const;

signals:
    void changed();
    void troubled(const QString& why);

private:
    struct Result;
    /// Gives what is to lie on the bench.
    using Record = std::function<std::shared_ptr<const Capture>(const Figures&, const std::vector<BenchSignal>&)>;
    void work(const Record& record);
    void take(const Result& result);

    Document& document_;
    Background working_;
    std::uint64_t seed_ = 0;
    std::shared_ptr<const Capture> capture_;
    std::vector<BenchSignal> predicted_;
    std::shared_ptr<const std::vector<Slip>> slips_; ///< the explanations point into them
    std::vector<MeasuredSignal> measured_;
    std::vector<Explanation> explained_;
};

} // namespace wisetick::app
