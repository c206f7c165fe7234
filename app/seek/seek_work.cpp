#include "seek/seek_work.h"

#include "seek/conflict_words.h"

#include <algorithm>
#include <chrono>

namespace wisetick::app {

namespace {

using SteadyClock = std::chrono::steady_clock;

constexpr auto kNewsEvery = std::chrono::milliseconds(80);

/// Makes the figures of found takes, each once, and tells of them now and then.
class Reporter {
public:
    Reporter(const SeekAsked& asked, const std::function<void(SeekNews)>& tell) : asked_(asked), tell_(tell) {}

    FoundEntries entriesOf(const std::vector<FoundTake>& found) {
        FoundEntries entries;
        for (const FoundTake& take : found) {
            const auto same = std::find_if(known_.begin(), known_.end(), [&](const auto& each) {
                return each->found.take == take.take && each->found.crystal == take.crystal;
            });
            if (same != known_.end()) {
                entries.push_back(*same);
            } else {
                entries.push_back(
                    std::make_shared<FoundEntry>(FoundEntry{take, figuresOfFound(asked_.part, asked_.plan, take, false)}));
            }
        }
        known_ = entries;
        return entries;
    }

    void found(const std::vector<FoundTake>& takes) {
        if (known_.empty()) { // the first at once
            tell_({progress_, entriesOf(takes)});
            last_ = SteadyClock::now();
            return;
        }
        waiting_ = takes;
        tellNow();
    }

    void progress(const SeekProgress& progress) {
        progress_ = progress;
        tellNow();
    }

private:
    void tellNow() {
        if (SteadyClock::now() - last_ < kNewsEvery) {
            return;
        }
        std::optional<FoundEntries> entries;
        if (waiting_) {
            entries = entriesOf(*waiting_);
            waiting_.reset();
        }
        tell_({progress_, std::move(entries)});
        last_ = SteadyClock::now();
    }

    const SeekAsked& asked_;
    const std::function<void(SeekNews)>& tell_;
    FoundEntries known_;
    std::optional<std::vector<FoundTake>> waiting_;
    SeekProgress progress_;
    SteadyClock::time_point last_ = SteadyClock::now();
};

/// The rows that something asked stands on.
std::vector<NodeIndex> nodesOf(const Space& space, const Demanded& demanded) {
    const auto nodeOf = [&](std::size_t node) -> std::vector<NodeIndex> {
        if (node < space.part->nodeCount()) {
            return {node};
        }
        const SpaceNode& peripheral = space.nodes[node]; // the row of what feeds it
        return {NodeIndex(peripheral.inputs.at(peripheral.from))};
    };
    switch (demanded.kind) {
    case Demanded::Kind::wish: return {*space.part->findNode(space.question.wishes[demanded.index].line)};
    case Demanded::Kind::promise:
        for (std::size_t node = 0; node < space.nodes.size(); ++node) {
            const auto& here = space.promisesAt[node];
            if (std::find(here.begin(), here.end(), demanded.index) != here.end()) {
                return nodeOf(node);
            }
        }
        return {};
    case Demanded::Kind::limit: return nodeOf(demanded.index);
    case Demanded::Kind::rule: {
        const Rule& rule = space.part->rules[demanded.index];
        return {rule.left, rule.right};
    }
    case Demanded::Kind::lock:
        return space.locks[demanded.index].isTier ? std::vector<NodeIndex>() : nodeOf(space.locks[demanded.index].node);
    }
    return {};
}

RefusalShown whyNothing(const SeekAsked& asked, const SeekResult& result, const SeekControl& control) {
    const Space space = spaceOf(asked.part, asked.plan, asked.plan.active, asked.question);
    const auto refusal = whyNone(space, {false, true, true}, control);
    RefusalShown shown;
    if (!refusal) {
        shown.other = result.isComplete() ? phrase("There are takes, but none keeps the promises that are judged on whole takes: "
                                                   "averages, lives and what hangs on other promises.")
                                          : phrase("Nothing was found before the search ended: {}.", result.cut);
        return shown;
    }
    const auto pieceOf = [&](const Demanded& each) {
        const bool isPromise = each.kind == Demanded::Kind::promise;
        return RefusedPiece{each, sayDemanded(space, each), nodesOf(space, each), liftedOf(space, each),
                            isPromise ? space.names[space.question.promises[each.index].index] : std::string()};
    };
    if (!refusal->conflicts.empty()) {
        for (const Demanded& each : refusal->conflicts.front()) {
            shown.conflict.push_back(pieceOf(each));
        }
        shown.explained = explain(space, refusal->conflicts.front(), control);
    } else {
        shown.other = phrase("What collides was not found: the search had to end.");
    }
    shown.isSmallest = refusal->isSmallest;
    shown.nearest = refusal->nearest;
    for (const Demanded& each : refusal->lifts) {
        shown.lifts.push_back(pieceOf(each));
    }
    return shown;
}

} // namespace

SeekAnswer seekAside(const SeekAsked& asked, const std::stop_token& token, const std::function<void(SeekNews)>& tell) {
    Reporter reporter(asked, tell);
    SeekControl control;
    control.goOn = [&token] { return !token.stop_requested(); };
    control.onFound = [&](const std::vector<FoundTake>& found) { reporter.found(found); };
    control.onProgress = [&](const SeekProgress& progress) { reporter.progress(progress); };
    SeekAnswer answer;
    answer.question = asked.question;
    answer.result = seek(asked.part, asked.plan, asked.plan.active, asked.question, control);
    answer.entries = reporter.entriesOf(answer.result.found);
    if (answer.entries.empty() && !token.stop_requested()) {
        control.onFound = {};
        answer.refusal = whyNothing(asked, answer.result, control);
        control.onProgress = {};
        answer.refusal->crystals = crystalsThatDo(asked.part, asked.plan, asked.plan.active, asked.question, control);
        for (const CrystalOffer& offer : answer.refusal->crystals) {
            answer.refusal->sources.push_back(asked.part.sources[offer.source].id);
        }
    }
    answer.result.found.clear();
    return answer;
}

SeekResult equalsOf(const SeekAsked& asked, const FoundTake& found, const std::stop_token& token) {
    SeekControl control;
    control.goOn = [&token] { return !token.stop_requested(); };
    return unfold(asked.part, asked.plan, asked.plan.active, asked.question, found, kMostEquals, control);
}

} // namespace wisetick::app
