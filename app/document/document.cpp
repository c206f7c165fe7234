#include "document/document.h"

#include "evaluate/evaluate.h"
#include "files/plan_writer.h"
#include "files/whole_file.h"
#include "language/said.h"
#include "plan/plan_check.h"
#include "workshop/text_ids.h"

#include <QFile>
#include <QFileInfo>
#include <QFileSystemWatcher>
#include <QTimer>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kPlayAfter = 40;             ///< ms: the first figures are on screen by then
constexpr std::size_t kWholeEntries = 100; ///< of the history; what lies further back is kept as text
constexpr int kAsideAfter = 2000;          ///< ms, from an edit to its being written aside

} // namespace

Document::Document(Shelf shelf, QObject* parent)
    : QObject(parent), shelf_(std::move(shelf)), watcher_(new QFileSystemWatcher(this)), soon_(new QTimer(this)),
      aside_(new QTimer(this)) {
    history_.push_back({});
    soon_->setSingleShot(true);
    soon_->setInterval(kPlayAfter);
    connect(soon_, &QTimer::timeout, this, &Document::play);
    aside_->setSingleShot(true);
    aside_->setInterval(kAsideAfter);
    connect(aside_, &QTimer::timeout, this, &Document::autosave);
    connect(&playing_, &Background::failed, this, &Document::playFailed);
    connect(watcher_, &QFileSystemWatcher::fileChanged, this, [this] {
        Diagnostics ignored;
        const auto onDisk = readTextFile(path_.toStdString(), ignored);
        if (onDisk && *onDisk != diskText_) {
            emit changedOnDisk();
        }
        watch(); // programs that replace the file end the watch
    });
}

Diagnostics Document::open(const QString& path) {
    LoadedPlan loaded = loadPlan(path.toStdString(), shelf_);
    if (!loaded.plan || !loaded.part) {
        return loaded.diagnostics;
    }
    enter(std::move(*loaded.part), std::move(*loaded.plan), path, QString::fromStdString(loaded.partPath.string()),
          std::move(loaded.text));
    return loaded.diagnostics;
}

Diagnostics Document::begin(const QString& partId) {
    Diagnostics diagnostics;
    const auto path = partOnShelf(partId.toStdString(), shelf_);
    const auto content = readTextFile(path.empty() ? std::filesystem::path(partId.toStdString()) : path, diagnostics);
    if (!content) {
        return diagnostics;
    }
    PartFile file = readPart(*content, path.string(), path.parent_path());
    if (!file.part) {
        return file.diagnostics;
    }
    Plan plan = freshPlan(*file.part);
    assumeRange(plan, *file.part);
    enter(std::move(*file.part), std::move(plan), {}, QString::fromStdString(path.string()), {});
    return {};
}

void Document::show(Part part, Plan plan) {
    enter(std::move(part), std::move(plan), {}, {}, {});
}

Diagnostics Document::takePart(Part part, const std::vector<std::pair<std::string, std::string>>& renamed) {
    std::string said = writePlan(plan());
    for (const auto& [id, name] : renamed) {
        said = withIdRenamed(said, id, name);
    }
    PlanFile file = readPlan(said, path_.toStdString(), &part);
    if (!file.plan) {
        return file.diagnostics;
    }
    playing_.stop();
    part_ = std::move(part);
    ++generation_;
    if (!renamed.empty() && *file.plan != plan()) {
        push(*std::move(file.plan), tr("called as the part calls it"));
    }
    emit replaced();
    work();
    return {};
}

/// The one way in for a part and a plan. What has a file was saved as it stands there.
void Document::enter(Part part, Plan plan, const QString& path, const QString& partPath, std::optional<std::string> fileText) {
    playing_.stop();
    soon_->stop();
    aside_->stop();
    ++generation_;
    isOpen_ = true;
    isPreviewing_ = false;
    path_ = path;
    partPath_ = partPath;
    diskText_ = fileText.value_or(std::string());
    part_ = std::move(part);
    savedPlan_ = fileText ? plan : Plan();
    history_.clear();
    history_.push_back({std::move(plan), {}, std::move(fileText)});
    present_ = 0;
    recovery_.setPlan(path);
    asideTrouble_.clear();
    watch();
    emit replaced();
    figures_ = derive(part_, this->plan(), this->plan().active);
    keep();
    playSoon();
}

Diagnostics Document::takeText(const QString& path, const QString& what) {
    Diagnostics diagnostics;
    const auto content = readTextFile(path.toStdString(), diagnostics);
    if (!content) {
        return diagnostics;
    }
    PlanFile file = readPlan(*content, path.toStdString(), &part_);
    if (file.plan) {
        edit(what, [&](Plan& plan) {
            plan = *file.plan;
            return std::string();
        });
        history_[present_].text = *content;
    }
    return file.diagnostics;
}

Diagnostics Document::reload() {
    const Diagnostics diagnostics = takeText(path_, tr("the file as it is now"));
    if (!hasErrors(diagnostics)) {
        diskText_ = *history_[present_].text;
        savedPlan_ = plan();
        recovery_.discard();
        emit changed();
    }
    return diagnostics;
}

Diagnostics Document::recover(const QString& left) {
    Diagnostics diagnostics;
    if (isOpen_ && !path_.isEmpty()) {
        diagnostics = takeText(left, tr("changes that were not saved"));
    } else {
        LoadedPlan loaded = loadPlan(left.toStdString(), shelf_);
        if (loaded.plan && loaded.part) {
            enter(std::move(*loaded.part), std::move(*loaded.plan), {}, QString::fromStdString(loaded.partPath.string()), {});
            history_[present_].text = std::move(loaded.text);
        }
        diagnostics = std::move(loaded.diagnostics);
    }
    if (!hasErrors(diagnostics)) {
        recovery_.adopt(left);
    }
    return diagnostics;
}

void Document::autosave() {
    aside_->stop();
    if (!isOpen_) {
        return;
    }
    if (!isModified()) {
        recovery_.discard(); // what was written aside is what stands in the file
        return;
    }
    const QString why = recovery_.write(savePlan(plan(), textBelow()));
    if (!why.isEmpty() && why != asideTrouble_) {
        emit troubled(
            tr("Unsaved changes can't be written aside: %1. Save the plan where there is room (Ctrl+Shift+S).").arg(why));
    }
    asideTrouble_ = why;
}

void Document::setAsideAfter(int milliseconds) {
    aside_->setInterval(milliseconds);
}

void Document::watch() {
    if (!watcher_->files().isEmpty()) {
        watcher_->removePaths(watcher_->files());
    }
    if (QFile::exists(path_)) {
        watcher_->addPath(path_);
    }
}

/// The text that an edit of it starts from: of the nearest plan before the present one that stood in a file, so that undoing an
/// edit brings its comments back.
const std::string& Document::textBelow() const {
    static const std::string none;
    for (std::size_t i = present_ + 1; i-- > 0;) {
        if (history_[i].text) {
            return *history_[i].text;
        }
    }
    return none;
}

Saved Document::save(const QString& path, bool overwrites) {
    if (!overwrites && path == path_ && QFileInfo::exists(path)) {
        Diagnostics unreadable;
        const auto onDisk = readTextFile(path.toStdString(), unreadable);
        if (!onDisk || *onDisk != diskText_) {
            return {Saved::How::changedOnDisk, (onDisk ? tr("%1 was changed by another program since it was read.")
                                                       : tr("%1 can't be read any more: what stands there now is not known."))
                                                   .arg(QFileInfo(path).fileName())};
        }
    }
    const auto content = textToSave(plan(), textBelow(), part_);
    if (!content) {
        const Diagnostic& fault = content.error().front();
        return {Saved::How::refused,
                tr("%1 was not written, for it could not be opened again: %2. What stood there stands there still.")
                    .arg(path, text(sayText(fault)))};
    }
    if (const Text why = writeWholeFile(path.toStdString(), *content); !why.empty()) {
        return {Saved::How::refused, text(why)};
    }
    recovery_.discard();
    if (path != path_) {
        path_ = path;
        recovery_.setPlan(path);
    }
    diskText_ = *content;
    history_[present_].text = *content;
    savedPlan_ = plan();
    aside_->stop();
    watch();
    emit changed();
    return {};
}

const Take& Document::take() const {
    return *findTake(plan(), plan().active);
}

QString Document::edit(const QString& what, const PlanEdit& change) {
    Plan next = plan();
    Text why = change(next);
    if (why.empty() && !(next == plan())) {
        why = whyNotWhole(next, &part_);
    }
    if (!why.empty() || next == plan()) {
        endPreview();
        return text(why);
    }
    isPreviewing_ = false;
    push(std::move(next), what);
    work();
    return {};
}

void Document::push(Plan plan, const QString& what) {
    history_.erase(history_.begin() + static_cast<std::ptrdiff_t>(present_) + 1, history_.end());
    history_.push_back({std::move(plan), what});
    ++present_;
    if (present_ > kWholeEntries) {
        pack(history_[present_ - kWholeEntries]);
    }
}

/// Undo has no limit, and a plan takes a hundred times the memory of its compressed text.
void Document::pack(Entry& entry) const {
    if (!entry.packed.isEmpty()) {
        return;
    }
    const std::string text = writePlan(entry.plan);
    const PlanFile again = readPlan(text, "plan", &part_);
    if (again.plan && *again.plan == entry.plan) {
        entry.packed = qCompress(QByteArray::fromStdString(text));
        entry.plan = {};
    }
}

void Document::stepTo(std::size_t entry) {
    Entry& there = history_[entry];
    if (!there.packed.isEmpty()) {
        const std::string text = qUncompress(there.packed).toStdString();
        PlanFile file = readPlan(text, "plan", &part_);
        if (!file.plan) { // on a part that was changed since
            file = readPlan(text, "plan", nullptr);
        }
        there.plan = file.plan.value();
        there.packed.clear();
    }
    if (!whyNotWhole(there.plan, &part_).empty()) { // it stood on the part as it was before
        emit troubled(tr("The plan as it was then does not stand on the part as it is now."));
        return;
    }
    present_ = entry;
    work();
}

void Document::preview(const PlanEdit& change) {
    Plan next = plan();
    if (!change(next).empty() || !whyNotWhole(next, &part_).empty()) {
        return;
    }
    isPreviewing_ = true;
    soon_->stop();
    playing_.stop();
    figures_ = derive(part_, next, next.active);
    moved_ = ripple(baseline_, figures_);
    emit changed();
}

void Document::endPreview() {
    if (isPreviewing_) {
        isPreviewing_ = false;
        work();
    }
}

void Document::undo() {
    if (canUndo()) {
        stepTo(present_ - 1);
    }
}

void Document::redo() {
    if (canRedo()) {
        stepTo(present_ + 1);
    }
}

QStringList Document::history() const {
    QStringList what;
    for (const Entry& entry : history_) {
        what << (what.isEmpty() ? tr("as it was opened") : entry.what);
    }
    return what;
}

void Document::goTo(std::size_t entry) {
    if (isOpen_ && entry < history_.size() && entry != present_) {
        stepTo(entry);
    }
}

void Document::setMeasured(std::map<std::string, Bounds> errors) {
    if (errors != measured_) {
        measured_ = std::move(errors);
        emit measuredChanged();
    }
}

void Document::keep() {
    baseline_ = figures_;
    baselinePlan_.reset();
    if (isOpen_ && !figures_.rhythm) {
        baselinePlan_ = plan();
    }
    moved_.clear();
    emit changed();
}

void Document::work() {
    playing_.stop();
    figures_ = derive(part_, plan(), plan().active);
    moved_ = ripple(baseline_, figures_);
    emit changed();
    playSoon();
    aside_->start();
}

/// The jobs are played when the first figures are on screen; each edit puts it off.
void Document::playSoon() {
    soon_->start();
}

void Document::playNow() {
    if (soon_->isActive()) {
        soon_->stop();
        play();
    }
}

bool Document::isPlaying() const {
    return soon_->isActive() || playing_.isBusy();
}

/// Plays beside the interface; what is changed meanwhile makes it of no use.
void Document::play() {
    playing_.start([this, part = part_, plan = plan(), kept = baselinePlan_,
                    generation = generation_](const std::stop_token& token) -> std::function<void()> {
        const GoOn goOn = [&token] { return !token.stop_requested(); };
        auto figures = std::make_shared<Figures>(evaluate(part, plan, plan.active, goOn));
        std::shared_ptr<Figures> baseline;
        if (kept) { // it was taken before its jobs were played
            baseline = *kept == plan ? figures : std::make_shared<Figures>(evaluate(part, *kept, kept->active, goOn));
        }
        return [this, figures, baseline, kept, generation] {
            if (generation == generation_) {
                takePlayed(*figures, baseline.get(), kept);
            }
        };
    });
}

void Document::takePlayed(const Figures& figures, const Figures* baseline, const std::optional<Plan>& kept) {
    figures_ = figures;
    if (baselinePlan_ && *baselinePlan_ == plan()) {
        baseline_ = figures_;
        baselinePlan_.reset();
    } else if (baselinePlan_ && baseline != nullptr && baselinePlan_ == kept) {
        baseline_ = *baseline;
        baselinePlan_.reset();
    }
    moved_ = ripple(baseline_, figures_);
    emit changed();
}

void Document::troubleBeside(const QString& why) {
    emit troubled(
        tr("Something could not be worked out: %1. The plan is as it was; undo the last edit (Ctrl+Z) if it began with that.")
            .arg(why));
}

void Document::playFailed(const QString& why) {
    figures_.rhythm.emplace();
    figures_.rhythm->unknown = phrase("unknown: the jobs could not be played");
    emit changed();
    emit troubled(
        tr("The jobs could not be played: %1. The plan is as it was; undo the last edit (Ctrl+Z) or change the jobs.").arg(why));
}

} // namespace wisetick::app
