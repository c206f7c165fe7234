#include "made.h"

#include "../seek_twin.h"
#include "derive/field_values.h"
#include "derive/writing_order.h"
#include "evaluate/evaluate.h"
#include "evaluate/sleep_order.h"
#include "handover/emit.h"
#include "handover/found.h"
#include "handover/report.h"
#include "made_case.h"
#include "plan/plain_texts.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include <cstdlib>
#include <iostream>
#include <set>

namespace wisetick::fuzz {

namespace {

using test::Random;

/// The share that the line asks for, "within 1.5 %": 3/200; nothing where it asks for none.
std::optional<Rational> askedShare(const std::string& line) {
    const std::size_t at = line.find("within ");
    const std::size_t end = at == std::string::npos ? at : line.find(" %", at);
    return end == std::string::npos ? std::nullopt : std::optional(test::exact(line.substr(at + 7, end - at - 7)) / 100);
}

/// Runs what brings the take up on registers, with `watch` after each act.
void run(const RegisterProgram& program, FoundRegisters& registers, const std::function<void()>& watch) {
    for (const RegisterRoutine& routine : program.routines) {
        for (const RegisterAct& act : routine.acts) {
            if (!routine.isStart || (act.kind != RegisterAct::Kind::modify && act.kind != RegisterAct::Kind::store)) {
                continue;
            }
            FoundRegister& reg = registers.registers[act.reg];
            reg.value = act.kind == RegisterAct::Kind::store ? act.value : (reg.value & ~act.mask) | (act.value & act.mask);
            reg.known = act.kind == RegisterAct::Kind::store ? ~std::uint64_t{0} : reg.known | act.mask;
            watch();
        }
    }
}

/// All fields of the clocks as a take has them.
FoundRegisters registersOf(const Made& made, const Controls& controls, const Figures& figures) {
    FoundRegisters registers;
    for (std::size_t line = 0; line < made.part.lines.size(); ++line) {
        putFields(lineFields(made.part, controls, line), registers);
    }
    for (std::size_t source = 0; source < made.part.sources.size(); ++source) {
        if (const auto field = rateField(made.part, controls, source)) {
            putFields({*field}, registers);
        }
    }
    if (const auto field = tierField(made.part, controls)) {
        putFields({*field}, registers);
    }
    for (NodeIndex node = 0; node < made.part.nodeCount(); ++node) {
        if (const auto field = startField(made.part, node, figures.lines[node].isOn)) {
            putFields({*field}, registers);
        }
    }
    return registers;
}

/// A part and a plan from the choices, played as often as is asked: as they were made, then changed from play to play, which
/// takes a tenth of the time that making them takes.
template <class Play>
Played played(std::string_view choices, int plays, const Play& play) {
    Random random(choices);
    Made made = make(random);
    Played all;
    for (; all.plays < plays; ++all.plays) {
        if (all.plays > 0) {
            vary(random, made);
        }
        all.came += play(random, made) ? 1 : 0;
    }
    return all;
}

/// The greatest rate that a line may have whatever else is set; nothing where its limits hang on something.
std::optional<Rational> mostOf(const Line& line) {
    std::optional<Rational> most;
    for (const Limit& limit : line.limits) {
        if (!limit.when && !limit.tier && !limit.supplyBelow && !limit.whileRate && limit.max && (!most || *limit.max < *most)) {
            most = limit.max;
        }
    }
    return most;
}

bool playDerive(Random& /*random*/, Made& made) {
    for (const Take& take : made.plan.takes) {
        if (made.isVaried && take.name != "B") {
            continue;
        }
        const Figures figures = evaluatePromises(made.part, made.plan, take.name);
        const Controls controls = controlsOf(made, take.name);
        for (NodeIndex node = 0; node < made.part.nodeCount(); ++node) {
            const LineFigure& line = figures.lines[node];
            const auto walked = walkedRate(made, controls, node);
            require(walked.has_value() == line.hertz.has_value(), "a rate, or none, of " + line.id, made);
            if (!walked) {
                continue;
            }
            require(*walked == line.hertz->nominal, "the rate of " + line.id, made);
            require(line.hertz->min <= *walked && *walked <= line.hertz->max, "bounds around the rate of " + line.id, made);
            const auto most = node < made.part.sources.size() ? std::nullopt : mostOf(made.part.lineAt(node));
            require(!most || !line.isOn || line.state != State::kept || line.hertz->max <= *most * (1 + made.part.slack),
                    "what is kept is within its limit: " + line.id, made);
        }
        require(isInPlainWords(test::lines(figures.findings)), "findings in plain words", made);
    }
    return true;
}

bool playCheck(Random& /*random*/, Made& made) {
    for (const Take& take : made.plan.takes) {
        if (made.isVaried && take.name != "B") {
            continue;
        }
        const Figures figures = evaluate(made.part, made.plan, take.name);
        for (std::size_t i = 0; i < figures.promises.size(); ++i) {
            const PromiseFigure& promise = figures.promises[i];
            require(promise.state != State::kept || promise.why.empty(), "nothing is wrong with what is kept: " + promise.text,
                    made);
            require(promise.state == State::kept || !promise.why.empty(), "what is not kept says why: " + promise.text, made);
            if (promise.got) {
                require(promise.got->min <= promise.got->nominal && promise.got->nominal <= promise.got->max,
                        "bounds around what is got: " + promise.text, made);
            }
            const auto share = askedShare(made.plan.promises[i].text);
            if (promise.state == State::kept && promise.asked && promise.got && share) {
                const Rational stray = *promise.asked * *share;
                require(promise.isWorstKnown, "what is not known is never kept: " + promise.text, made);
                require(promise.got->max <= *promise.asked + stray && promise.got->min >= *promise.asked - stray,
                        "what is kept is what is asked: " + promise.text, made);
            }
        }
        require(isInPlainWords(test::lines(figures.findings)), "text only", made);
    }
    return true;
}

bool playSeek(Random& random, Made& made) {
    made.plan.takes.resize(1);
    Question question;
    for (const std::string& text : made.wishes) {
        const auto wish = readWish(text, &made.part);
        require(wish.has_value(), "the wish is in order: " + text, made);
        question.wishes.push_back(*wish);
    }
    for (std::size_t i = 0; i < made.plan.promises.size(); ++i) {
        question.promises.push_back({i, random.coin()});
    }
    question.most = 3;
    test::Twin twin(made.part, made.plan, question);
    const double mostTakes = made.isVaried ? 60 : 300; // that the twin looks at: most of the time is its own
    const bool isSmall = twin.size() <= mostTakes;
    SeekControl control;
    control.mostSteps = isSmall ? policy::kMostSteps : (made.isVaried ? 200 : 5000);
    const SeekResult result = seek(made.part, made.plan, made.plan.active, question, control);
    if (isSmall) {
        require(result.isComplete(), "a small search goes through everything", made);
        const std::vector<test::TwinTake> there = twin.find();
        const std::string found = test::textOf(made.part, made.plan, result.found);
        require(found == test::textOf(there), "what is found is what is there:\n" + found + "\nnot\n" + test::textOf(there),
                made);
    }
    require(result.isComplete() || !result.cut.empty(), "what was cut says so", made);
    return isSmall;
}

bool playRhythm(Random& random, Made& made) {
    addJobs(random, made);
    const Figures figures = evaluate(made.part, made.plan, "A");
    require(isInPlainWords(test::lines(figures.findings)), "findings in plain words", made);
    if (!figures.rhythm || !figures.rhythm->average) {
        return false;
    }
    const RhythmFigure& rhythm = *figures.rhythm;
    require(rhythm.average->min <= rhythm.average->nominal && rhythm.average->nominal <= rhythm.average->max,
            "bounds around the average", made);
    Rational charge = 0;
    Rational ampere = 0;
    for (const RhythmFigure::Share& share : rhythm.shares) {
        charge = charge + share.chargeShare;
        ampere = ampere + share.ampere;
    }
    const auto isNear = [](const Rational& a, const Rational& b) {
        const Rational stray = a > b ? a - b : b - a;
        return stray * 1000000 <= (b > Rational(0) ? b : -b);
    };
    require(rhythm.shares.empty() || isNear(charge, 1), "shares add up to the whole: " + charge.toString(), made);
    require(rhythm.shares.empty() || isNear(ampere, rhythm.average->nominal), "their currents add up to the average", made);
    require(!rhythm.peak || rhythm.average->nominal <= rhythm.peak->max,
            "the average " + rhythm.average->nominal.toString() + " is not above the peak " + rhythm.peak->max.toString() + "\n" +
                test::lines(figures.findings),
            made);
    return true;
}

bool playWay(Random& /*random*/, Made& made) {
    const Controls from = controlsOf(made, "A");
    const Controls to = controlsOf(made, "B");
    const Figures before = evaluatePromises(made.part, made.plan, "A");
    const Figures after = evaluatePromises(made.part, made.plan, "B");
    const WritingOrder way = writingOrder(made.part, made.plan, std::string("A"), "B");
    const RegisterProgram program = registerProgram(made.part, made.plan, after, Broken::leftOut, std::string("A"));
    if (!way.trouble.empty() || !program.left.empty()) {
        return false; // it says that it does not reach its goal
    }
    FoundRegisters registers = registersOf(made, from, before);
    const std::size_t core = made.part.core;
    const auto most = mostOf(made.part.lineAt(core));
    const auto keeps = [&](const Figures& figures) {
        return most && figures.lines[core].hertz && figures.lines[core].hertz->nominal <= *most;
    };
    const bool isWatched = keeps(before) && keeps(after);
    run(program, registers, [&] {
        if (!isWatched) {
            return;
        }
        Made now = made;
        now.plan.takes.push_back(decodedTake(made.part, registers, "now").take);
        const auto rate = walkedRate(now, controlsOf(now, "now"), core);
        require(!rate || *rate <= *most, "the core is never too fast on the way", made);
    });
    for (NodeIndex node = made.part.sources.size(); node < made.part.nodeCount(); ++node) {
        if (!after.lines[node].isOn) {
            continue;
        }
        for (const FieldValue& wanted : lineFields(made.part, to, node - made.part.sources.size())) {
            const auto stands = foundIn(registers, wanted.field);
            require(!stands || *stands == static_cast<std::uint64_t>(wanted.held), wanted.control + " stands as the goal has it",
                    made);
        }
    }
    return true;
}

bool playEmit(Random& random, Made& made) {
    static const std::vector<std::string> names{"try",  "a b",        "9 lives", "while",   "\u00e4",
                                                "a*/b", "\"quoted\"", "%s\\n",   "<script>"};
    made.plan.name = random.pick(names);
    const Figures figures = evaluatePromises(made.part, made.plan, random.coin() ? "A" : "B");
    const std::vector<std::string> forms = made.isVaried ? std::vector{random.pick(emitForms())} : emitForms();
    for (const std::string& name : forms) {
        EmitStyle style;
        style.broken = random.coin() ? Broken::written : Broken::leftOut;
        const std::string text = emitFields(made.part, made.plan, figures, *readEmitForm(name), style);
        require(isText(text), "text only: " + name, made);
        if (name == "json") {
            require(nlohmann::json::accept(text), "JSON that is read", made);
        } else if (name == "c" || name == "header" || name == "prototypes") {
            int depth = 0;
            bool isRemark = false;
            for (std::size_t i = 0; i < text.size(); ++i) {
                if (!isRemark && text.compare(i, 2, "/*") == 0) {
                    isRemark = true;
                } else if (text.compare(i, 2, "*/") == 0) {
                    require(isRemark, "a remark ends where it began", made);
                    isRemark = false;
                } else if (!isRemark) {
                    depth += text[i] == '{' || text[i] == '(' ? 1 : (text[i] == '}' || text[i] == ')' ? -1 : 0);
                }
            }
            require(depth == 0 && !isRemark, "brackets close: " + name, made);
        }
    }
    std::set<std::string> seen;
    for (const EmittedField& field : emittedFields(made.part, made.plan, figures)) {
        require(seen.insert(field.name).second, "a name stands once: " + field.name, made);
    }
    return true;
}

bool playSleep(Random& random, Made& made) {
    addJobs(random, made);
    const Figures figures = evaluate(made.part, made.plan, "A");
    for (const Mode& mode : made.part.modes) {
        const SleepOrder order = sleepOrder(made.part, made.plan, figures, mode.id);
        require(!mode.runs || (order.before.empty() && order.after.empty()), "nothing for the run mode", made);
        const auto waits =
            std::count_if(order.before.begin(), order.before.end(), [](const SleepStep& step) { return step.awaitsInterrupt; });
        require(waits <= 1, "the core stands still once", made);
        for (const auto* steps : {&order.before, &order.after}) {
            for (const SleepStep& step : *steps) {
                require(!step.say.empty() && isInPlainWords(step.say), "a step says what it is", made);
                for (const FieldValue& value : step.fields) {
                    require(value.held >= 0 && Rational(value.held) <= value.field.most(), "a number fits its field", made);
                }
            }
        }
    }
    const std::size_t mode = 1;
    if (const auto woken = wokenTake(made.part, made.plan, *findTake(made.plan, "A"), mode)) {
        Made now = made;
        now.plan.takes.push_back(*woken);
        now.plan.takes.back().name = "woken";
        const auto& at = figures.modes[mode].wakesOn;
        const Controls controls = controlsOf(now, "woken");
        NodeIndex up = made.part.core;
        while (up >= made.part.sources.size()) {
            up = parentOf(made.part, controls, up - made.part.sources.size());
        }
        require(!at || up == *at, "the core comes back on what the mode says", made);
    }
    require(isInPlainWords(test::lines(sleepFindings(made.part, made.plan, figures))), "findings in plain words", made);
    return true;
}

bool playFound(Random& random, Made& made) {
    const Controls controls = controlsOf(made, "B");
    const Figures figures = evaluatePromises(made.part, made.plan, "B");
    const FoundRegisters written = registersOf(made, controls, figures);
    std::string dump;
    for (const auto& [name, reg] : written.registers) {
        switch (random.whole(0, 3)) {
        case 0: dump += fmt::format("{} = 0x{:X}\n", name, reg.value); break;
        case 1: dump += fmt::format("{}: 0x{:08x} # as it stands\n", name, reg.value); break;
        case 2: dump += fmt::format("  {} {}\r\n\n", name, reg.value); break;
        default: dump += fmt::format("// next\n{}=0x{:x}\n", name, reg.value);
        }
    }
    const FoundRegisters read = readFound(made.part, dump, "dump");
    require(read.diagnostics.empty(), "the dump is read: " + test::lines(read.diagnostics) + dump, made);
    const DecodedTake decoded = decodedTake(made.part, read, "found");
    Made again = made;
    again.plan.takes.push_back(decoded.take);
    const Controls stands = controlsOf(again, "found");
    for (std::size_t line = 0; line < made.part.lines.size(); ++line) {
        const std::string& id = made.part.lines[line].id;
        require(stands.lines[line].from == controls.lines[line].from, id + " has its input", made);
        require(stands.lines[line].divide == controls.lines[line].divide, id + " has its divider", made);
        require(stands.lines[line].multiply == controls.lines[line].multiply,
                id + " has its multiplier " + controls.lines[line].multiply.toString() + ", not " +
                    stands.lines[line].multiply.toString() + "\n" + dump,
                made);
    }
    require(stands.sourceRates == controls.sourceRates, "sources have their rates", made);
    return true;
}

} // namespace

Played feedDerive(std::string_view choices, int plays) {
    return played(choices, plays, &playDerive);
}
Played feedCheck(std::string_view choices, int plays) {
    return played(choices, plays, &playCheck);
}
Played feedSeek(std::string_view choices, int plays) {
    return played(choices, plays, &playSeek);
}
Played feedRhythm(std::string_view choices, int plays) {
    return played(choices, plays, &playRhythm);
}
Played feedWay(std::string_view choices, int plays) {
    return played(choices, plays, &playWay);
}
Played feedEmit(std::string_view choices, int plays) {
    return played(choices, plays, &playEmit);
}
Played feedSleep(std::string_view choices, int plays) {
    return played(choices, plays, &playSleep);
}
Played feedFound(std::string_view choices, int plays) {
    return played(choices, plays, &playFound);
}

} // namespace wisetick::fuzz
