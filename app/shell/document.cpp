#include "shell/document.h"

#include "evaluate/evaluate.h"
#include "files/plan_writer.h"

#include <QFile>
#include <QFileSystemWatcher>
#include <QSaveFile>
#include <QTimer>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kPlayAfter = 40; ///< ms: the first figures are on screen by then

} // namespace

Document::Document(Shelf shelf, QObject* parent)
    : QObject(parent), shelf_(std::move(shelf)), watcher_(new QFileSystemWatcher(this)), soon_(new QTimer(this)) {
    history_.push_back({});
    soon_->setSingleShot(true);
    soon_->setInterval(kPlayAfter);
    connect(soon_, &QTimer::timeout, this, &Document::play);
    auto* minute = new QTimer(this);
    minute->start(60000);
    connect(minute, &QTimer::timeout, this, &Document::autosave);
    connect(watcher_, &QFileSystemWatcher::fileChanged, this, [this] {
        Diagnostics ignored;
        const auto text = readTextFile(path_.toStdString(), ignored);
        if (text && *text != text_) {
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
    path_ = path;
    partPath_ = QString::fromStdString(loaded.partPath.string());
    text_ = std::move(loaded.text);
    part_ = std::move(*loaded.part);
    savedPlan_ = *loaded.plan;
    start(std::move(*loaded.plan));
    watch();
    return loaded.diagnostics;
}

Diagnostics Document::begin(const QString& partId) {
    Diagnostics diagnostics;
    const auto path = partOnShelf(partId.toStdString(), shelf_);
    const auto text = readTextFile(path.empty() ? std::filesystem::path(partId.toStdString()) : path, diagnostics);
    if (!text) {
        return diagnostics;
    }
    PartFile file = readPart(*text, path.string());
    if (!file.part) {
        return file.diagnostics;
    }
    Plan plan = freshPlan(*file.part);
    show(std::move(*file.part), std::move(plan));
    partPath_ = QString::fromStdString(path.string());
    return {};
}

void Document::show(Part part, Plan plan) {
    path_.clear();
    partPath_.clear();
    text_.clear();
    part_ = std::move(part);
    savedPlan_ = Plan();
    start(std::move(plan));
}

Diagnostics Document::takePart(Part part) {
    const PlanFile file = readPlan(writePlan(plan()), path_.toStdString(), &part);
    if (!file.plan) {
        return file.diagnostics;
    }
    part_ = std::move(part);
    work();
    return {};
}

void Document::start(Plan plan) {
    isOpen_ = true;
    history_ = {{std::move(plan), {}}};
    present_ = 0;
    figures_ = derive(part_, this->plan(), this->plan().active);
    keep();
    playSoon();
}

Diagnostics Document::takeText(const QString& path, const QString& what) {
    Diagnostics diagnostics;
    const auto text = readTextFile(path.toStdString(), diagnostics);
    if (!text) {
        return diagnostics;
    }
    PlanFile file = readPlan(*text, path.toStdString(), &part_);
    if (file.plan) {
        edit(what, [&](Plan& plan) { plan = *file.plan; });
    }
    return file.diagnostics;
}

Diagnostics Document::reload() {
    const Diagnostics diagnostics = takeText(path_, tr("the file as it is now"));
    if (!hasErrors(diagnostics)) {
        Diagnostics ignored;
        text_ = readTextFile(path_.toStdString(), ignored).value_or(text_);
        savedPlan_ = plan();
        emit changed();
    }
    return diagnostics;
}

Diagnostics Document::recover() {
    return takeText(autosavePath(), tr("changes that were not saved"));
}

void Document::autosave() {
    if (!isOpen_ || path_.isEmpty()) {
        return;
    }
    if (!isModified()) {
        return;
    }
    QSaveFile file(autosavePath());
    const std::string text = savePlan(plan(), text_);
    if (file.open(QIODevice::WriteOnly) && file.write(text.data(), static_cast<qint64>(text.size())) >= 0) {
        file.commit();
    }
}

void Document::forgetAutosave() const {
    QFile::remove(autosavePath());
}

bool Document::hasAutosave() const {
    return !path_.isEmpty() && QFile::exists(autosavePath());
}

void Document::watch() {
    if (!watcher_->files().isEmpty()) {
        watcher_->removePaths(watcher_->files());
    }
    if (QFile::exists(path_)) {
        watcher_->addPath(path_);
    }
}

QString Document::save(const QString& path) {
    const std::string text = savePlan(plan(), text_);
    QSaveFile file(path);
    if (!file.open(QIODevice::WriteOnly) || file.write(text.data(), static_cast<qint64>(text.size())) < 0 || !file.commit()) {
        return tr("%1 can't be written: %2").arg(path, file.errorString());
    }
    forgetAutosave();
    text_ = text;
    path_ = path;
    savedPlan_ = plan();
    watch();
    emit changed();
    return {};
}

const Take& Document::take() const {
    return *findTake(plan(), plan().active);
}

void Document::edit(const QString& what, const std::function<void(Plan&)>& change) {
    Plan next = plan();
    change(next);
    if (next == plan()) {
        endPreview();
        return;
    }
    isPreviewing_ = false;
    history_.erase(history_.begin() + static_cast<std::ptrdiff_t>(present_) + 1, history_.end());
    history_.push_back({std::move(next), what});
    ++present_;
    work();
}

void Document::preview(const std::function<void(Plan&)>& change) {
    Plan next = plan();
    change(next);
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
        --present_;
        work();
    }
}

void Document::redo() {
    if (canRedo()) {
        ++present_;
        work();
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
}

/// The jobs are played when the first figures are on screen; each edit puts it off.
void Document::playSoon() {
    soon_->start();
}

/// Plays beside the interface; what is changed meanwhile makes it of no use.
void Document::play() {
    playing_.start([this, part = part_, plan = plan(), kept = baselinePlan_](const std::stop_token&) -> std::function<void()> {
        auto figures = std::make_shared<Figures>(evaluate(part, plan, plan.active));
        std::shared_ptr<Figures> baseline;
        if (kept) { // it was taken before its jobs were played
            baseline = *kept == plan ? figures : std::make_shared<Figures>(evaluate(part, *kept, kept->active));
        }
        return [this, figures, baseline, kept] { takePlayed(*figures, baseline.get(), kept); };
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

} // namespace wisetick::app
