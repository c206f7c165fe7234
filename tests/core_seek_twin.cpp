#include "random_part.h"
#include "seek/conflict_words.h"
#include "seek_twin.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A random question on a random part, read.
struct Case {
    RandomCase text;
    Part part;
    Plan plan;
    Question question;

    std::string say() const {
        std::string said = text.part + "\n" + text.plan + "\n";
        for (const Wish& wish : question.wishes) {
            said += printWish(wish) + "\n";
        }
        for (const SoughtPromise& sought : question.promises) {
            said += plan.promises[sought.index].text + (sought.isSoft ? " (soft)\n" : "\n");
        }
        for (const Preference preference : question.prefers) {
            said += preferenceName(preference) + " ";
        }
        said += question.crystal ? "crystal " : "";
        for (const std::string& id : question.mayChange) {
            said += "may change " + id + " ";
        }
        return said + "\n";
    }
};

void complain(const Case& made, const std::string& got, const std::string& expected) {
    std::fprintf(stderr, "%s\nfound:\n%s\nthere is:\n%s\n", made.say().c_str(), got.c_str(), expected.c_str());
}

/// Half of the rates are those of some take, so that there is something to be found.
void makePossible(Random& random, const Part& part, Plan plan, Question& question) {
    for (const Line& line : part.lines) {
        Choice& choice = choiceOf(plan, plan.active, line.id);
        const auto pick = [&](const FactorSet& set) { return set.at(random.whole(0, set.count() - 1)); };
        choice.from = part.nodeId(random.pick(line.from));
        choice.divide = line.divide.empty() ? std::nullopt : std::optional(pick(line.divide));
        choice.multiply = line.multiply.empty() ? std::nullopt : std::optional(pick(line.multiply));
    }
    Diagnostics ignored;
    const auto rates = lineRates(part, plan.board, resolveControls(part, *findTake(plan, plan.active), ignored));
    for (Wish& wish : question.wishes) {
        const auto& hertz = rates[*part.findNode(wish.line)].hertz;
        if (hertz && random.whole(0, 3) != 0) {
            wish.hertz = wish.kind == Wish::Kind::at ? hertz->nominal : wish.hertz;
            wish.low = wish.low ? std::optional(hertz->nominal) : std::nullopt;
            wish.high = wish.high ? std::optional(hertz->nominal) : std::nullopt;
        }
    }
}

std::optional<Case> makeCase(Random& random, RandomCases& cases) {
    Case made;
    made.text = cases.make();
    const PartFile part = readPart(made.text.part, "part");
    if (!part.part) {
        qFatal("%s%s", lines(part.diagnostics).c_str(), made.text.part.c_str());
    }
    const PlanFile plan = readPlan(made.text.plan, "plan", &*part.part);
    if (!plan.plan) {
        qFatal("%s%s", lines(plan.diagnostics).c_str(), made.text.plan.c_str());
    }
    made.part = *part.part;
    made.plan = *plan.plan;
    Question& question = made.question;
    for (const std::string& text : made.text.wishes) {
        question.wishes.push_back(readWish(text, &made.part).value());
    }
    makePossible(random, made.part, made.plan, question);
    for (std::size_t i = 0; i < made.plan.promises.size(); ++i) {
        if (random.whole(0, 3) != 0) {
            question.promises.push_back({i, random.whole(0, 3) == 0});
        }
    }
    question.prefers = {Preference::changes, Preference::current, Preference::core, Preference::oscillator, Preference::wakeUp};
    for (Preference& preference : question.prefers) {
        std::swap(preference, question.prefers[static_cast<std::size_t>(random.whole(0, 4))]);
    }
    question.prefers.resize(static_cast<std::size_t>(random.whole(0, 5)));
    question.most = static_cast<std::size_t>(random.whole(1, 20));
    if (!made.plan.board.fitted.empty() && random.coin()) {
        question.crystal = CrystalQuestion{made.plan.board.fitted[0].source, {2000000, 5000000, made.plan.board.fitted[0].rate}};
        auto& rates = question.crystal->rates;
        std::sort(rates.begin(), rates.end());
        rates.erase(std::unique(rates.begin(), rates.end()), rates.end());
    } else if (random.whole(0, 4) == 0) {
        question.mayChange = {random.pick(nodeIds(made.part))};
    }
    constexpr double kMostTakes = 1500; // that the twin looks at
    return Twin(made.part, made.plan, question).size() > kMostTakes ? std::nullopt : std::optional(std::move(made));
}

/// Says what the case was where something is not so.
bool holds(bool isSo, const Case& made, const std::string& what) {
    if (!isSo) {
        std::fprintf(stderr, "%s%s\n", made.say().c_str(), what.c_str());
    }
    return isSo;
}

int wantedCases(int usual) {
    usual /= test::kIsSanitized ? 10 : 1; // each takes ten times as long there
    return qEnvironmentVariableIsSet("WISETICK_CASES") ? qEnvironmentVariableIntValue("WISETICK_CASES") : usual;
}

/// Which of a question's wishes and promises are members of a conflict, but for one of them.
struct Members {
    std::vector<bool> wishes;
    std::vector<bool> promises;

    Members(const Question& question, const Conflict& conflict, std::size_t without)
        : wishes(question.wishes.size()), promises(question.promises.size()) {
        // soft ones stay: they never stand in the way
        for (std::size_t i = 0; i < conflict.size(); ++i) {
            if (i != without && conflict[i].kind == Demanded::Kind::wish) {
                wishes[conflict[i].index] = true;
            } else if (i != without && conflict[i].kind == Demanded::Kind::promise) {
                promises[conflict[i].index] = true;
            }
        }
        for (std::size_t i = 0; i < wishes.size(); ++i) {
            wishes[i] = wishes[i] || question.wishes[i].isSoft;
        }
        for (std::size_t i = 0; i < promises.size(); ++i) {
            promises[i] = promises[i] || question.promises[i].isSoft;
        }
    }
};

/// The part and plan with no limits, rules and locks but those of the conflict, one of them left out.
void holdOnly(const Space& space, const Conflict& conflict, std::size_t without, Part& part, Plan& plan) {
    const auto isHeld = [&](Demanded::Kind kind, std::size_t index) {
        for (std::size_t i = 0; i < conflict.size(); ++i) {
            if (i != without && conflict[i] == Demanded{kind, index}) {
                return true;
            }
        }
        return false;
    };
    for (std::size_t i = 0; i < part.lines.size(); ++i) {
        if (!isHeld(Demanded::Kind::limit, part.nodeOfLine(i))) {
            part.lines[i].limits.clear();
            std::erase_if(part.waits, [&](const WaitTable& table) { return table.line == part.nodeOfLine(i); });
        }
    }
    std::vector<Rule> rules;
    for (std::size_t i = 0; i < part.rules.size(); ++i) {
        if (isHeld(Demanded::Kind::rule, i)) {
            rules.push_back(part.rules[i]);
        }
    }
    part.rules = rules;
    std::vector<std::string> locks;
    for (std::size_t i = 0; i < space.locks.size(); ++i) {
        if (isHeld(Demanded::Kind::lock, i)) {
            locks.push_back(space.locks[i].text);
        }
    }
    plan.takes.front().locks = locks;
}

std::string makersSaid(const Part& part, const Wish& wish, const std::set<NodeIndex>& makers) {
    std::string text = " " + wish.line + " alone can";
    std::size_t place = 0;
    for (const NodeIndex maker : makers) {
        ++place;
        text += (place == 1 ? " be made by " : (place == makers.size() ? " or " : ", ")) + part.nodeId(maker);
    }
    return text + (makers.empty() ? "'t be made at all." : ".");
}

std::string noneSaid(const std::vector<std::string>& makers, const Wish& one, const Wish& other) {
    if (makers.empty()) {
        return {};
    }
    const std::string both = " make both " + one.line + " and " + other.line + ".";
    return makers.size() == 1 ? " " + makers[0] + " can't" + both : " Neither " + makers[0] + " nor " + makers[1] + " can" + both;
}

} // namespace

/// The search against one that looks at everything.
class SeekTwinTest : public QObject {
    Q_OBJECT

private slots:
    void findsWhatIsThere() {
        Random random;
        RandomCases cases(random);
        const int wanted = wantedCases(2000);
        int compared = 0;
        int infeasible = 0;
        int severalFound = 0;
        while (compared < wanted) {
            const auto made = makeCase(random, cases);
            if (!made) {
                continue;
            }
            const std::string expected = textOf(Twin(made->part, made->plan, made->question).find());
            const SeekResult result = seek(made->part, made->plan, made->plan.active, made->question);
            const std::string got = textOf(made->part, made->plan, result.found);
            if (got != expected) {
                complain(*made, got, expected);
            }
            QVERIFY(got == expected);
            QVERIFY(result.isComplete());
            ++compared;
            infeasible += expected.empty() ? 1 : 0;
            severalFound += result.found.size() > 3 ? 1 : 0;
        }
        qInfo("%d without a take, %d with more than three", infeasible, severalFound);
        QVERIFY(infeasible > wanted / 20);
        QVERIFY(severalFound > wanted / 20);
    }

    /// All settings behind one entry, in their order.
    void unfoldsAllEquals() {
        Random random;
        RandomCases cases(random);
        const int wanted = wantedCases(150);
        int several = 0;
        for (int compared = 0; compared < wanted;) {
            const auto made = makeCase(random, cases);
            const SeekResult result = made ? seek(made->part, made->plan, made->plan.active, made->question) : SeekResult();
            if (result.found.empty()) {
                continue;
            }
            Twin twin(made->part, made->plan, made->question);
            std::vector<TwinTake> best = twin.find();
            const std::size_t at = static_cast<std::size_t>(random.whole(0, static_cast<std::int64_t>(result.found.size()) - 1));
            const std::string expected = textOf(Twin(made->part, made->plan, made->question).findEquals(best[at].rates));
            const SeekResult same = unfold(made->part, made->plan, made->plan.active, made->question, result.found[at], 2000);
            const std::string got = textOf(made->part, made->plan, same.found);
            if (got != expected) {
                complain(*made, got, expected);
            }
            QVERIFY(got == expected);
            ++compared;
            several += same.found.size() > 1 ? 1 : 0;
        }
        QVERIFY(several > wanted / 10);
    }

    /// Every conflict collides, and none does without one of its members; there is no other.
    void conflictsCollide() {
        Random random;
        RandomCases cases(random);
        const int wanted = wantedCases(200);
        int limits = 0;
        for (int compared = 0; compared < wanted;) {
            const auto made = makeCase(random, cases);
            if (!made || Twin(made->part, made->plan, made->question).isKept()) {
                continue;
            }
            const Space space = spaceOf(made->part, made->plan, made->plan.active, made->question);
            const auto refusal = whyNone(space, {true, false, true});
            QVERIFY(holds(refusal.has_value(), *made, "it is refused"));
            QVERIFY(refusal->areAll);
            const auto isKept = [&](const Conflict& conflict, std::size_t without, bool hasAllLimits) {
                Part part = made->part;
                Plan plan = made->plan;
                if (!hasAllLimits) {
                    holdOnly(space, conflict, without, part, plan);
                }
                const Members members(made->question, conflict, without);
                return Twin(part, plan, made->question, members.wishes, members.promises).isKept();
            };
            for (const Conflict& conflict : refusal->conflicts) {
                std::string members;
                for (const Demanded& each : conflict) {
                    members += " [" + sayDemanded(space, each) + "]";
                }
                QVERIFY(holds(!isKept(conflict, conflict.size(), true), *made, "collides:" + members));
                QVERIFY(holds(!isKept(conflict, conflict.size(), false), *made, "collides with these limits alone:" + members));
                for (std::size_t i = 0; i < conflict.size(); ++i) {
                    const bool isAsked = conflict[i].kind == Demanded::Kind::wish || conflict[i].kind == Demanded::Kind::promise;
                    QVERIFY(holds(isKept(conflict, i, isAsked), *made, "fits without " + sayDemanded(space, conflict[i])));
                    limits += isAsked ? 0 : 1;
                }
                explain(space, conflict);
            }
            ++compared;
            if (!space.dependences.empty()) {
                continue; // a wish can help another: a line that it keeps on may turn the divider that the other's factor follows
            }
            // what is no superset of a conflict can be kept
            std::vector<Demanded> asked;
            for (std::size_t i = 0; i < made->question.wishes.size(); ++i) {
                if (!made->question.wishes[i].isSoft) {
                    asked.push_back({Demanded::Kind::wish, i});
                }
            }
            for (std::size_t i = 0; i < made->question.promises.size(); ++i) {
                if (!made->question.promises[i].isSoft) {
                    asked.push_back({Demanded::Kind::promise, i});
                }
            }
            for (unsigned mask = 0; mask < (1U << asked.size()); ++mask) {
                Conflict some;
                for (std::size_t i = 0; i < asked.size(); ++i) {
                    if ((mask >> i & 1U) != 0) {
                        some.push_back(asked[i]);
                    }
                }
                const bool hasConflict =
                    std::any_of(refusal->conflicts.begin(), refusal->conflicts.end(), [&](const Conflict& each) {
                        return std::all_of(each.begin(), each.end(), [&](const Demanded& member) {
                            const bool isAsked = member.kind == Demanded::Kind::wish || member.kind == Demanded::Kind::promise;
                            return !isAsked || std::find(some.begin(), some.end(), member) != some.end();
                        });
                    });
                QVERIFY(holds(isKept(some, some.size(), true) != hasConflict, *made, "only supersets collide"));
            }
        }
        qInfo("%d limits, rules and locks", limits);
        QVERIFY(limits > 0);
    }
    /// What can make each of two wishes, and what of that can't make both, is said as it is.
    void saysWhatMakes() {
        Random random;
        RandomCases cases(random);
        const int wanted = wantedCases(100);
        int several = 0;
        int apart = 0;
        for (int compared = 0; compared < wanted;) {
            const auto made = makeCase(random, cases);
            if (!made) {
                continue;
            }
            const std::vector<Wish>& wishes = made->question.wishes;
            if (wishes.size() < 2 || wishes[0].isSoft || wishes[1].isSoft || wishes[0].line == wishes[1].line) {
                continue;
            }
            const auto makersOf = [&](const std::vector<std::size_t>& some) {
                std::vector<bool> inForce(wishes.size());
                for (const std::size_t wish : some) {
                    inForce[wish] = true;
                }
                const std::vector<bool> none(made->question.promises.size());
                return Twin(made->part, made->plan, made->question, inForce, none).makersOf(some);
            };
            const std::set<NodeIndex> first = makersOf({0});
            const std::set<NodeIndex> second = makersOf({1});
            const std::set<NodeIndex> both = makersOf({0, 1});
            std::vector<std::string> none;
            for (const NodeIndex maker : first) {
                if (second.count(maker) != 0 && both.count(maker) == 0) {
                    none.push_back(made->part.nodeId(maker));
                }
            }
            const std::string expected = makersSaid(made->part, wishes[0], first) + makersSaid(made->part, wishes[1], second) +
                                         noneSaid(none, wishes[0], wishes[1]);
            const Space space = spaceOf(made->part, made->plan, made->plan.active, made->question);
            const std::string said = explain(space, {{Demanded::Kind::wish, 0}, {Demanded::Kind::wish, 1}});
            const std::string head = printWish(wishes[0]) + " and " + printWish(wishes[1]) + " can't be kept together.";
            QVERIFY(holds(said == head + expected, *made, said + "\n" + expected));
            several += first.size() > 1 ? 1 : 0;
            apart += none.empty() ? 0 : 1;
            ++compared;
        }
        qInfo("%d with several, %d that can't make both", several, apart);
    }
};

QTEST_APPLESS_MAIN(SeekTwinTest)
#include "core_seek_twin.moc"
