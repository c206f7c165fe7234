#include "shell/document.h"

#include "evaluate/evaluate.h"
#include "files/plan_writer.h"

#include <QSaveFile>
#include <QTimer>

#include <algorithm>

namespace wisetick::app {

Document::Document(Shelf shelf, QObject* parent) : QObject(parent), shelf_(std::move(shelf)) {
    history_.push_back({});
}

Diagnostics Document::open(const QString& path) {
    LoadedPlan loaded = loadPlan(path.toStdString(), shelf_);
    if (!loaded.plan || !loaded.part) {
        return loaded.diagnostics;
    }
    isOpen_ = true;
    path_ = path;
    text_ = std::move(loaded.text);
    part_ = std::move(*loaded.part);
    savedPlan_ = *loaded.plan;
    history_ = {{std::move(*loaded.plan), {}}};
    present_ = 0;
    figures_ = evaluate(part_, plan(), plan().active);
    keep();
    return loaded.diagnostics;
}

QString Document::save(const QString& path) {
    const std::string text = savePlan(plan(), text_);
    QSaveFile file(path);
    if (!file.open(QIODevice::WriteOnly) || file.write(text.data(), static_cast<qint64>(text.size())) < 0 || !file.commit()) {
        return tr("%1 can't be written: %2").arg(path, file.errorString());
    }
    text_ = text;
    path_ = path;
    savedPlan_ = plan();
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
        return;
    }
    history_.erase(history_.begin() + static_cast<std::ptrdiff_t>(present_) + 1, history_.end());
    history_.push_back({std::move(next), what});
    ++present_;
    work();
}

Figures Document::figuresOf(const std::function<void(Plan&)>& change) const {
    Plan next = plan();
    change(next);
    return evaluate(part_, next, next.active);
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
    moved_.clear();
    emit changed();
}

void Document::work() {
    figures_ = derive(part_, plan(), plan().active);
    moved_ = ripple(baseline_, figures_);
    emit changed();
    // the jobs are played when the first figures are on screen; an edit in between makes this one stale
    const std::size_t generation = ++generation_;
    QTimer::singleShot(0, this, [this, generation] {
        if (generation == generation_) {
            play();
        }
    });
}

void Document::play() {
    figures_ = evaluate(part_, plan(), plan().active);
    moved_ = ripple(baseline_, figures_);
    emit changed();
}

Choice& choiceOf(Plan& plan, const std::string& takeName, const std::string& id) {
    const auto take = std::find_if(plan.takes.begin(), plan.takes.end(), [&](const Take& each) { return each.name == takeName; });
    const auto choice =
        std::find_if(take->choices.begin(), take->choices.end(), [&](const Choice& each) { return each.id == id; });
    if (choice != take->choices.end()) {
        return *choice;
    }
    take->choices.push_back({id, {}, {}, {}, {}});
    return take->choices.back();
}

} // namespace wisetick::app
