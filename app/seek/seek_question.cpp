#include "seek/seek_question.h"

#include "base/nearest_name.h"

#include <algorithm>
#include <sstream>

namespace wisetick::app {

namespace {

/// A word of a typed line and where it stands.
struct Word {
    std::string text;
    std::size_t position = 0;
};

std::vector<Word> wordsOf(const std::string& typed) {
    std::vector<Word> words;
    const char* blanks = " ,";
    for (std::size_t at = typed.find_first_not_of(blanks); at != std::string::npos;) {
        const std::size_t end = std::min(typed.find_first_of(blanks, at), typed.size());
        words.push_back({typed.substr(at, end - at), at});
        at = typed.find_first_not_of(blanks, end);
    }
    return words;
}

TextError unknownWord(const Word& word, const std::string& found, const std::vector<std::string>& known) {
    return {word.position, word.text.size(), found + " '" + word.text + "'", listNames(known), didYouMean(word.text, known)};
}

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
    const std::vector<Word> words = wordsOf(typed);
    if (words.size() == 1) {
        if (AskedPromise* promise = findPromise(words.front().text)) {
            promise->standing = Standing::hard;
            return std::nullopt;
        }
    }
    if (!words.empty() && words.front().text == "only") {
        const std::vector<std::string> known = changeable(part);
        std::vector<std::string> ids;
        for (std::size_t i = 1; i < words.size() && words[i].text != "may"; ++i) {
            if (std::find(known.begin(), known.end(), words[i].text) == known.end()) {
                return unknownWord(words[i], "no source, line or peripheral", known);
            }
            ids.push_back(words[i].text);
        }
        if (ids.empty()) {
            return TextError{typed.size(), 0, "nothing that may change", "only pll, usb may change", {}};
        }
        mayChange_ = std::move(ids);
        return std::nullopt;
    }
    const auto source = words.size() > 1 && words[1].text == "of" ? part.findNode(words.front().text) : std::nullopt;
    if (source && part.isSource(*source)) {
        if (part.sources[*source].kind == SourceKind::rc) {
            return TextError{words.front().position,
                             words.front().text.size(),
                             "'" + words.front().text + "' is in the part",
                             "a crystal or a clock input",
                             {}};
        }
        const std::size_t from = words[1].position + words[1].text.size();
        auto rates = readCrystalRates(std::string_view(typed).substr(from), part.sources[*source]);
        if (!rates) {
            rates.error().position += from;
            return rates.error();
        }
        crystal_ = CrystalQuestion{words.front().text, *rates};
        return std::nullopt;
    }
    const auto wish = readWish(typed, &part);
    if (!wish) {
        return wish.error();
    }
    if (replaced && *replaced < wishes_.size()) {
        wishes_.erase(wishes_.begin() + static_cast<std::ptrdiff_t>(*replaced));
    }
    addWish(*wish);
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
