#include "seek/seek_question.h"

#include "seek/seek_line.h"

#include <algorithm>

namespace wisetick::app {

namespace {

std::vector<std::string> changeable(const Part& part) {
    std::vector<std::string> ids;
    for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
        ids.push_back(part.nodeId(node));
    }
    for (const Peripheral& peripheral : part.peripherals) {
        ids.push_back(peripheral.id);
    }
    return ids;
}

} // namespace

void SeekQuestion::follow(const Part& part, const Plan& plan, const Figures& figures) {
    std::vector<AskedPromise> promises;
    const std::vector<std::string> names = promiseNames(plan);
    for (std::size_t i = 0; i < names.size(); ++i) {
        const AskedPromise* known = findPromise(names[i]);
        const bool isBroken = i < figures.promises.size() && figures.promises[i].state == State::broken;
        const bool isPending = i < figures.promises.size() && figures.promises[i].state == State::pending;
        if (known == nullptr && isPending) {
            continue; // when it is judged, it comes
        }
        promises.push_back(known != nullptr ? *known : AskedPromise{names[i], isBroken ? Standing::ifPossible : Standing::hard});
    }
    promises_ = std::move(promises);
    std::erase_if(wishes_, [&](const AskedWish& each) { return !part.findNode(each.wish.line); });
    const std::vector<std::string> ids = changeable(part);
    std::erase_if(mayChange_, [&](const std::string& id) { return std::find(ids.begin(), ids.end(), id) == ids.end(); });
    if (crystal_ && !part.findNode(crystal_->source)) {
        crystal_.reset();
    }
}

void SeekQuestion::addWish(const Wish& wish) {
    Wish hard = wish;
    hard.isSoft = false;
    const Standing standing = wish.isSoft ? Standing::ifPossible : Standing::hard;
    const auto same = std::find_if(wishes_.begin(), wishes_.end(), [&](const AskedWish& each) {
        return each.wish.line == wish.line && each.wish.kind == wish.kind;
    });
    if (same != wishes_.end()) {
        *same = {hard, standing};
    } else {
        wishes_.push_back({hard, standing});
    }
}

std::optional<TextError> SeekQuestion::enter(const std::string& typed, const Part& part, std::optional<std::size_t> replaced) {
    std::vector<std::string> names;
    for (const AskedPromise& promise : promises_) {
        names.push_back(promise.name);
    }
    const auto line = readSeekLine(typed, part, names);
    if (!line) {
        return line.error();
    }
    if (const auto* wish = std::get_if<Wish>(&*line)) {
        if (replaced && *replaced < wishes_.size()) {
            wishes_.erase(wishes_.begin() + static_cast<std::ptrdiff_t>(*replaced));
        }
        addWish(*wish);
    } else if (const auto* sought = std::get_if<SoughtName>(&*line)) {
        findPromise(sought->promise)->standing = Standing::hard;
    } else if (const auto* mayChange = std::get_if<MayChange>(&*line)) {
        mayChange_ = mayChange->ids;
    } else {
        crystal_ = std::get<CrystalQuestion>(*line);
    }
    return std::nullopt;
}

void SeekQuestion::movePreference(std::size_t from, std::size_t to) {
    const Preferred moved = prefers_[from];
    prefers_.erase(prefers_.begin() + static_cast<std::ptrdiff_t>(from));
    prefers_.insert(prefers_.begin() + static_cast<std::ptrdiff_t>(to), moved);
}

void SeekQuestion::lift(const Lifted& lifted) {
    if (!isLifted(lifted)) {
        lifted_.push_back(lifted);
    }
}

void SeekQuestion::restore(const Lifted& lifted) {
    std::erase(lifted_, lifted);
}

bool SeekQuestion::isLifted(const Lifted& lifted) const {
    return std::find(lifted_.begin(), lifted_.end(), lifted) != lifted_.end();
}

void SeekQuestion::toggleCrystal(const Part& part, const std::string& source) {
    const bool isAsked = crystal_ && crystal_->source == source;
    crystal_.reset();
    if (const auto node = part.findNode(source); node && part.isSource(*node) && !isAsked) {
        crystal_ = CrystalQuestion{source, stockRatesFor(part.sources[*node])};
    }
}

SeekQuestion::AskedPromise* SeekQuestion::findPromise(const std::string& name) {
    const auto found =
        std::find_if(promises_.begin(), promises_.end(), [&](const AskedPromise& each) { return each.name == name; });
    return found == promises_.end() ? nullptr : &*found;
}

bool SeekQuestion::isEmpty() const {
    const auto counts = [](const auto& each) { return each.standing != Standing::aside; };
    return std::none_of(wishes_.begin(), wishes_.end(), counts) && std::none_of(promises_.begin(), promises_.end(), counts);
}

Question SeekQuestion::question(const Plan& plan) const {
    Question question;
    for (const AskedWish& each : wishes_) {
        if (each.standing != Standing::aside) {
            question.wishes.push_back(each.wish);
            question.wishes.back().isSoft = each.standing == Standing::ifPossible;
        }
    }
    const std::vector<std::string> names = promiseNames(plan);
    for (const AskedPromise& each : promises_) {
        const auto found = std::find(names.begin(), names.end(), each.name);
        if (found != names.end() && each.standing != Standing::aside) {
            question.promises.push_back({static_cast<std::size_t>(found - names.begin()), each.standing == Standing::ifPossible});
        }
    }
    question.prefers.clear();
    for (const Preferred& each : prefers_) {
        if (each.isUsed) {
            question.prefers.push_back(each.preference);
        }
    }
    question.mayChange = mayChange_;
    question.lifted = lifted_;
    question.crystal = crystal_;
    return question;
}

} // namespace wisetick::app
