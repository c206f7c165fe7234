#pragma once

#include "plan/promise_line.h"

#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

class ClauseList;

/// What stands before the verb of an ask.
enum class AskedOf { peripheral, channel, node, battery, nothing };

/// All that the grammar of promise lines knows of an ask.
struct AskRow {
    std::string name;               ///< "talks on can": no other ask has it
    std::vector<std::string> verbs; ///< the first is the one that is printed; several asks may share one
    AskedOf of = AskedOf::peripheral;
    bool leansOnClock = true; ///< so that it may be asked `also in MODE`
    bool isPlayed = false;    ///< it is judged by what the modes, jobs and battery give
    /// Begins the ask in the line and lists its clauses, which write into it. The line must outlive them.
    void (*begin)(ClauseList& list, PromiseLine& line, const std::string& verb) = nullptr;
    /// The verb and all that is asked.
    std::string (*print)(const Ask& ask) = nullptr;
    /// Whether a line without a part means this one of the asks that share its verb; the first that does is taken.
    bool (*isMeant)(std::string_view subject, std::string_view line) = nullptr;
    /// How near is near enough; nullptr of an ask that knows no such thing.
    const Tolerance* (*tolerance)(const Ask& ask) = nullptr;
    /// The same ask with another tolerance; unchanged where it knows none.
    Ask (*withTolerance)(const Ask& ask, const Tolerance& tolerance) = nullptr;
    /// s, the time over which its clock must be right: what strays and comes back within it is no error; nothing: at every
    /// moment.
    std::optional<Rational> (*lasts)(const Ask& ask) = nullptr;
};

inline bool isAlwaysMeant(std::string_view, std::string_view) {
    return true;
}

/// The row of an ask of type A; the entries that follow from the type are filled in.
template <class A, void (*clauses)(ClauseList&, A&, const std::string&), std::string (*print)(const A&)>
AskRow askRow(std::vector<std::string> verbs, AskedOf of) {
    AskRow row;
    row.name = verbs.front();
    row.verbs = std::move(verbs);
    row.of = of;
    row.begin = [](ClauseList& list, PromiseLine& line, const std::string& verb) { clauses(list, line.ask.emplace<A>(), verb); };
    row.print = [](const Ask& ask) { return print(ask.get<A>()); };
    row.isMeant = isAlwaysMeant;
    row.tolerance = [](const Ask& ask) -> const Tolerance* {
        if constexpr (requires(const A& each) { each.tolerance; }) {
            return &ask.get<A>().tolerance;
        } else {
            return nullptr;
        }
    };
    row.lasts = [](const Ask& ask) -> std::optional<Rational> {
        if constexpr (requires(const A& each) { each.lasts(); }) {
            return ask.get<A>().lasts();
        } else {
            return std::nullopt;
        }
    };
    row.withTolerance = [](const Ask& ask, const Tolerance& tolerance) {
        Ask other = ask;
        if constexpr (requires(A & each) { each.tolerance; }) {
            other.change<A>().tolerance = tolerance;
        }
        return other;
    };
    return row;
}

/// All asks there are, in the order in which their verbs are named to the user.
const std::vector<const AskRow*>& askRows();

/// Whether a peripheral of this kind can be asked that.
bool canBeAsked(const KindRow& kind, const AskRow& ask);

} // namespace wisetick
