#include "plan/plan.h"

#include "base/text.h"

#include <algorithm>
#include <stdexcept>

namespace wisetick {

namespace {

template <class Things, class Key>
auto findBy(const Things& things, Key key, const std::string& wanted) -> decltype(&things.front()) {
    const auto found = std::find_if(things.begin(), things.end(), [&](const auto& thing) { return thing.*key == wanted; });
    return found == things.end() ? nullptr : &*found;
}

std::string ownName(const PromiseLine& line) {
    if (!line.name.empty()) {
        return line.name;
    }
    if (!line.subject.empty()) {
        return line.subject;
    }
    return line.ask.is<WakesAsk>() ? "wakes" : "average";
}

} // namespace

Plan freshPlan(const Part& part) {
    Plan plan;
    plan.name = phrase("New plan");
    plan.part = part.id;
    plan.active = "A";
    plan.takes.push_back({"A", {}, {}, {}, {}, {}});
    return plan;
}

void assumeRange(Plan& plan, const Part& part) {
    const auto assume = [&](std::optional<Bounds>& span, const std::optional<Rational>& least,
                            const std::optional<Rational>& most, const Rational& usual, const char* name) {
        if (!span && least && most) {
            span = Bounds{*least, std::clamp(usual, *least, *most), *most};
            plan.board.assumed.emplace_back(name);
        }
    };
    assume(plan.board.supply, part.supplyMin, part.supplyMax, Rational(33, 10), "supply");
    assume(plan.board.temperature, part.coldest, part.hottest, Rational(25), "temperature");
}

std::vector<std::string> promiseNames(const Plan& plan) {
    std::vector<std::string> names(plan.promises.size());
    const auto isTaken = [&](const std::string& name) { return std::find(names.begin(), names.end(), name) != names.end(); };
    for (std::size_t i = 0; i < names.size(); ++i) {
        names[i] = plan.promises[i].line.name; // given names go first, whatever their place
    }
    for (std::size_t i = 0; i < names.size(); ++i) {
        if (!names[i].empty()) {
            continue;
        }
        const std::string base = ownName(plan.promises[i].line);
        std::string name = base;
        for (int count = 2; isTaken(name); ++count) {
            name = base + "-" + std::to_string(count);
        }
        names[i] = name;
    }
    return names;
}

const Take* findTake(const Plan& plan, const std::string& name) {
    return findBy(plan.takes, &Take::name, name);
}

Plan withActive(Plan plan, const std::string& take) {
    plan.active = take;
    return plan;
}

const Choice* findChoice(const Take& take, const std::string& id) {
    return findBy(take.choices, &Choice::id, id);
}

Choice& choiceOf(Take& take, const std::string& id) {
    const auto found = std::find_if(take.choices.begin(), take.choices.end(), [&](const Choice& each) { return each.id == id; });
    if (found != take.choices.end()) {
        return *found;
    }
    take.choices.push_back({id, {}, {}, {}, {}});
    return take.choices.back();
}

Choice& choiceOf(Plan& plan, const std::string& takeName, const std::string& id) {
    const auto take = std::find_if(plan.takes.begin(), plan.takes.end(), [&](const Take& each) { return each.name == takeName; });
    if (take == plan.takes.end()) {
        throw std::invalid_argument(phrase("no take '{}'", takeName));
    }
    return choiceOf(*take, id);
}

const Fitted* findFitted(const Board& board, const std::string& source) {
    return findBy(board.fitted, &Fitted::source, source);
}

const Measured* findMeasured(const Board& board, const std::string& source) {
    return findBy(board.measured, &Measured::source, source);
}

const PinnedWay* findPinned(const Take& take, const std::string& promise) {
    return findBy(take.pinned, &PinnedWay::promise, promise);
}

const std::vector<std::string>& handoverForms() {
    static const std::vector<std::string> forms{"header", "prototypes", "c", "cpp", "rust", "dts", "csv", "json"};
    return forms;
}

bool isOneWord(const std::string& name) {
    return !name.empty() && name.find_first_of(" \t,:\"\n") == std::string::npos;
}

} // namespace wisetick
