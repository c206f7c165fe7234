#include "handover/handover_work.h"

#include "paint/text.h"

#include <QFileInfo>

namespace wisetick::app {

State markOf(const HandoverState& state) {
    using How = HandoverState::How;
    switch (state.how) {
    case How::asPlanned: return state.left.empty() ? State::kept : State::broken;
    case How::behind:
    case How::missing: return State::strained;
    case How::edited:
    case How::foreign:
    case How::unreadable:
    case How::refused: return State::broken;
    }
    return State::kept;
}

HandoverWork::HandoverWork(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(&document_, &Document::changed, this, &HandoverWork::look);
    connect(&document_, &Document::replaced, this, [this] {
        working_.stop();
        states_.clear();
        forgetFound();
    });
    connect(&working_, &Background::failed, &document_, &Document::troubleBeside);
    look();
}

std::filesystem::path HandoverWork::folder() const {
    return QFileInfo(document_.path()).absolutePath().toStdString();
}

State HandoverWork::worst() const {
    State worst = State::kept;
    for (const HandoverState& state : states_) {
        worst = worseState(worst, markOf(state));
    }
    return worst;
}

void HandoverWork::look() {
    working_.stop();
    if (!document_.isOpen() || document_.isPreviewing()) {
        return;
    }
    if (document_.plan().handover.empty() && !registers_) {
        const bool isNew = !states_.empty() || !fields_.empty();
        states_.clear();
        fields_.clear();
        if (isNew) {
            emit changed();
        }
        return;
    }
    working_.start([this, part = document_.part(), plan = document_.plan(), folder = folder(), registers = registers_,
                    hasPath = !document_.path().isEmpty(),
                    generation = document_.generation()](const std::stop_token&) -> std::function<void()> {
        auto states = std::make_shared<std::vector<HandoverState>>(handoverStates(part, plan, folder));
        for (HandoverState& state : *states) {
            if (!hasPath && state.how != HandoverState::How::refused) { // a plan without a folder has written none
                state.how = HandoverState::How::missing;
                state.found.clear();
            }
        }
        auto fields = std::make_shared<std::vector<FoundField>>(registers ? foundFields(part, plan, plan.active, *registers)
                                                                          : std::vector<FoundField>());
        return [this, states, fields, generation] {
            if (generation == document_.generation()) {
                states_ = std::move(*states);
                fields_ = std::move(*fields);
                emit changed();
            }
        };
    });
}

QString HandoverWork::write(const QString& path, OverEdited over) {
    if (document_.path().isEmpty()) {
        return tr("save the plan first: the files stand in folders from its own");
    }
    std::vector<HandoverState> states = handoverStates(document_.part(), document_.plan(), folder());
    std::erase_if(states, [&](const HandoverState& state) { return !path.isEmpty() && text(state.file.path) != path; });
    const HandoverWritten done = writeHandover(states, over);
    look();
    return text(done.trouble);
}

Diagnostics HandoverWork::readFoundFile(const QString& path) {
    Diagnostics faults;
    const auto content = readTextFile(path.toStdString(), faults);
    if (content) {
        FoundRegisters found = readFound(document_.part(), *content, path.toStdString());
        faults = found.diagnostics;
        if (!hasErrors(faults)) {
            registers_ = std::move(found);
            foundFile_ = QFileInfo(path).fileName();
            look();
        }
    }
    return faults;
}

void HandoverWork::forgetFound() {
    registers_.reset();
    fields_.clear();
    foundFile_.clear();
    emit changed();
}

PlanEdit HandoverWork::takeOfFound(const std::string& name) const {
    return [part = document_.part(), registers = registers_.value_or(FoundRegisters()), name](Plan& plan) {
        return addDecodedTake(part, plan, registers, plan.active, name);
    };
}

} // namespace wisetick::app
