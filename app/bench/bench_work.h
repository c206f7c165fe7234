#pragma once

#include "bench/current.h"
#include "bench/line_reading.h"
#include "bench/note.h"
#include "bench/sim_board.h"
#include "bench/value_blocks.h"
#include "document/background.h"
#include "document/document.h"

#include <QStringList>

#include <memory>

class QFileSystemWatcher;
class QTimer;

namespace wisetick::app {

/// A supply's current as it can be drawn.
struct DrawnCurrent {
    Capture capture; ///< of a prediction; empty of one that was recorded
    const ValueTrack* track = nullptr;
    std::unique_ptr<ValueBlocks> blocks;
    double seconds = 0; ///< of a tick
    double scale = 1;   ///< A of a value
};

/// The captures that lie on the bench, what is measured of the one that is looked at, and what explains that, worked out beside
/// the interface: when a board is played, when a file is read or written anew, and when the plan changes.
class BenchWork : public QObject {
    Q_OBJECT

public:
    explicit BenchWork(Document& document, QObject* parent = nullptr);
    ~BenchWork() override;

    /// What lies there and is looked at; nullptr where nothing does.
    const Capture* capture() const { return result_.capture.get(); }
    const std::vector<BenchSignal>& predicted() const { return result_.predicted; }
    const std::vector<MeasuredSignal>& measured() const { return result_.measured; }
    const std::vector<Explanation>& explained() const { return result_.explained; }
    /// What the supply drew; nothing where the capture has no such track.
    const std::optional<CurrentFigures>& current() const { return result_.current; }
    const std::vector<CurrentReason>& reasons() const { return result_.reasons; }
    const DrawnCurrent* recorded() const { return result_.recorded.get(); }
    const DrawnCurrent* foretold() const { return result_.foretold.get(); }
    bool isBusy() const { return working_.isBusy(); }
    std::uint64_t seed() const { return seed_; }
    /// The worst of what was measured; pending where nothing was.
    State worst() const;

    /// All that lie on the bench, and those that the plan keeps: files by their paths, boards that were played as they are
    /// called.
    struct Laid {
        QString name;
        QString path;                           ///< empty of one that was played
        std::shared_ptr<const Capture> capture; ///< nullptr: not read yet
        bool isKept = false;                    ///< beside the plan
        bool isChanged = false;                 ///< it is not the file that was kept
        bool isComing = false;                  ///< it is being played or read
        int id = 0;
        std::vector<MeasuredSignal> measured = {};
    };
    const std::vector<Laid>& laid() const { return laid_; }
    std::size_t looked() const { return looked_; }
    /// Looks at another one; reads it where it was not.
    void look(std::size_t which);

    /// Plays the take as a board of the batch, with a slip drawn from the seed where that is wanted.
    void play(std::uint64_t seed, bool isSlipped);
    /// Lays a capture there that is in memory already.
    void layCapture(const QString& name, std::shared_ptr<const Capture> capture);
    /// Reads a capture and watches its file; why it can't be read comes by `troubled`.
    void readFile(const QString& path);
    /// Reads whatever capture is newest in a folder, now and whenever a newer one is written there; empty: no longer.
    void watchFolder(const QString& folder);
    const QString& folder() const { return folder_; }
    /// Writes into the plan that the capture is kept beside it, or is not any more; why not.
    QString keep();
    bool isKept() const { return looked_ < laid_.size() && laid_[looked_].isKept; }
    /// Says that a track belongs to a promise; an empty one takes it back. It is written into the plan where the capture is kept.
    QString match(const std::string& promise, const std::string& track);
    /// By promise: what was told.
    std::vector<std::pair<std::string, std::string>> told() const;
    /// Reads a track together with others, beside the interface; what was told of it before is forgotten.
    void readAs(const LineReading& reading);
    void forgetReading(const std::string& track);
    /// What was read of a track so; nullptr where it was not told how, or is not read yet.
    const LineRead* readOf(const std::string& track) const;
    /// Tracks that belong to no promise.
    std::vector<const Track*> unmatched() const;
    /// What an explanation would write into the plan; those of the current come behind the others.
    std::optional<BenchNote> noteFor(std::size_t explanation) const;

signals:
    void changed();
    void troubled(const QString& why);

private:
    struct Result {
        std::shared_ptr<const Capture> capture;
        std::vector<BenchSignal> predicted;
        std::shared_ptr<const std::vector<Slip>> slips; ///< the explanations point into them
        std::vector<MeasuredSignal> measured;
        std::vector<Explanation> explained;
        std::optional<CurrentFigures> current;
        std::vector<CurrentReason> reasons;
        std::shared_ptr<DrawnCurrent> recorded;
        std::shared_ptr<DrawnCurrent> foretold;
        QString trouble;
        QString sum;                                                     ///< of the file, where it was read
        std::vector<std::pair<int, std::vector<MeasuredSignal>>> beside; ///< of the others that lie there
        std::vector<std::pair<std::string, LineRead>> read;              ///< by track
        int changes = 0;
    };
    /// Gives what is to lie on the bench, or says why it can't.
    using Record = std::function<std::shared_ptr<const Capture>(const Figures&, const std::vector<BenchSignal>&, Result&)>;
    void work(std::size_t which, const Record& record);
    void workAgain();
    void take(int id, const Result& result);
    void follow();
    void readNewest();
    std::size_t placeOf(const QString& path);
    void makeRoom();
    std::size_t lay(const QString& name, const QString& path);
    QString relative(const QString& path) const;
    void tellMeasured();

    Document& document_;
    Background working_;
    QFileSystemWatcher* watcher_;
    QTimer* soon_; ///< a file that is being written is read when it rests
    std::uint64_t seed_ = 0;
    int nextId_ = 1;
    int changes_ = 0; ///< of plan and figures
    std::vector<Laid> laid_;
    std::size_t looked_ = 0;
    QString folder_;
    QStringList rewritten_;
    std::vector<std::pair<std::string, std::string>> told_; ///< of captures that are not kept
    std::vector<LineReading> readings_;
    Result result_;
};

} // namespace wisetick::app
