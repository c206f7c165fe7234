#include "made.h"

#include "../seek_twin.h"
#include "derive/field_values.h"
#include "derive/writing_order.h"
#include "evaluate/evaluate.h"
#include "evaluate/sleep_order.h"
#include "files/part_from_svd.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/svd.h"
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

bool isText(const std::string& text) {
    return std::none_of(text.begin(), text.end(), [](char sign) {
        return (static_cast<unsigned char>(sign) < 0x20 && sign != '\n' && sign != '\t') || sign == '\x7F';
    });
}

/// Text only, and no words of a library's exceptions.
bool isInPlainWords(const std::string& text) {
    static const std::vector<const char*> odd{"boost", "std::", "basic_string", "bad_alloc", "vector::", "numeric_cast"};
    return std::none_of(odd.begin(), odd.end(), [&](const char* word) { return text.find(word) != std::string::npos; }) &&
           isText(text);
}

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

} // namespace

bool feedDerive(std::string_view choices) {
    Random random(choices);
    const Made made = make(random);
    for (const Take& take : made.plan.takes) {
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

bool feedCheck(std::string_view choices) {
    Random random(choices);
    const Made made = make(random);
    for (const Take& take : made.plan.takes) {
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

bool feedSeek(std::string_view choices) {
    Random random(choices);
    Made made = make(random);
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
    constexpr double kMostTakes = 300; // that the twin looks at
    const bool isSmall = twin.size() <= kMostTakes;
    SeekControl control;
    control.mostSteps = isSmall ? policy::kMostSteps : 20000;
    const SeekResult result = seek(made.part, made.plan, made.plan.active, question, control);
    if (isSmall) {
        require(result.isComplete(), "a small search goes through everything", made);
        const std::vector<test::TwinTake> there = twin.find();
        require(test::textOf(made.part, made.plan, result.found) == test::textOf(there), "what is found is what is there", made);
    }
    require(result.isComplete() || !result.cut.empty(), "what was cut says so", made);
    return true;
}

bool feedRhythm(std::string_view choices) {
    Random random(choices);
    Made made = make(random);
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

bool feedWay(std::string_view choices) {
    Random random(choices);
    const Made made = make(random);
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

bool feedEmit(std::string_view choices) {
    Random random(choices);
    Made made = make(random);
    static const std::vector<std::string> names{"try",  "a b",        "9 lives", "while",   "\u00e4",
                                                "a*/b", "\"quoted\"", "%s\\n",   "<script>"};
    made.plan.name = random.pick(names);
    const Figures figures = evaluatePromises(made.part, made.plan, random.coin() ? "A" : "B");
    for (const std::string& name : emitForms()) {
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

bool feedSleep(std::string_view choices) {
    Random random(choices);
    Made made = make(random);
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
    if (const auto woken = wokenTake(made.part, *findTake(made.plan, "A"), mode)) {
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

bool feedFound(std::string_view choices) {
    Random random(choices);
    const Made made = make(random);
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

bool feedSvd(std::string_view choices) {
    Random random(choices);
    Made made;
    std::string& text = made.partText;
    std::set<std::string> names; // of registers, as a reader by hand would list them
    std::size_t fields = 0;
    text = "<?xml version=\"1.0\"?>\n<device schemaVersion=\"1.3\"><name>T</name><version>1</version><description>t</description>"
           "<addressUnitBits>8</addressUnitBits><width>32</width><size>32</size><peripherals>\n";
    std::vector<std::vector<std::string>> ofPeripheral;
    std::vector<std::size_t> fieldsOf;
    for (std::int64_t p = 0, count = random.whole(1, 4); p < count; ++p) {
        const std::string base = fmt::format("P{}", p);
        std::vector<std::string> own;
        std::size_t ownFields = 0;
        const bool isDerived = p > 0 && random.whole(0, 2) == 0;
        const std::size_t like = isDerived ? static_cast<std::size_t>(random.whole(0, p - 1)) : 0;
        text += isDerived ? fmt::format("<peripheral derivedFrom=\"P{}\"><name>{}</name><baseAddress>0x{:x}</baseAddress>", like,
                                        base, 0x40000000 + p * 0x1000)
                          : fmt::format("<peripheral><name>{}</name><description>about "
                                        "&lt;{}&gt;</description><baseAddress>0x{:x}</baseAddress><registers>",
                                        base, base, 0x40000000 + p * 0x1000);
        if (isDerived) {
            own = ofPeripheral[like];
            ownFields = fieldsOf[like];
        } else {
            for (std::int64_t r = 0, registers = random.whole(1, 4); r < registers; ++r) {
                const std::int64_t dim = random.coin() ? random.whole(2, 5) : 0;
                const std::string array = dim > 0 ? fmt::format("<dim>{}</dim><dimIncrement>4</dimIncrement>", dim) : "";
                text += fmt::format("<register>{}<name>R{}{}</name><addressOffset>{}</addressOffset><fields>", array, r,
                                    dim > 0 ? (random.coin() ? "_%s" : "_[%s]") : "", r * 64);
                const std::int64_t width = random.whole(1, 8);
                const std::int64_t lsb = random.whole(0, 20);
                switch (random.whole(0, 2)) {
                case 0:
                    text +=
                        fmt::format("<field><name>F</name><bitOffset>{}</bitOffset><bitWidth>{}</bitWidth></field>", lsb, width);
                    break;
                case 1:
                    text += fmt::format("<field><name>F</name><lsb>{}</lsb><msb>{}</msb></field>", lsb, lsb + width - 1);
                    break;
                default: text += fmt::format("<field><name>F</name><bitRange>[{}:{}]</bitRange></field>", lsb + width - 1, lsb);
                }
                text += "</fields></register>";
                for (std::int64_t i = 0; i < std::max<std::int64_t>(dim, 1); ++i) {
                    own.push_back(dim > 0 ? fmt::format("R{}_{}", r, i) : fmt::format("R{}", r));
                    ++ownFields;
                }
            }
            text += "</registers>";
        }
        text += "</peripheral>\n";
        for (const std::string& name : own) {
            names.insert(base + "." + name);
        }
        fields += ownFields;
        ofPeripheral.push_back(own);
        fieldsOf.push_back(ownFields);
    }
    text += "</peripherals></device>\n";
    const RegisterFile file = readSvd(text, "t.svd");
    require(file.names.has_value() && !hasErrors(file.diagnostics), "the description is read: " + test::lines(file.diagnostics),
            made);
    std::set<std::string> read;
    std::size_t readFields = 0;
    for (const DescribedRegister& reg : file.names->registers) {
        read.insert(reg.facts.name);
        readFields += reg.fields.size();
    }
    require(read == names, "its registers", made);
    require(readFields == fields, "its fields", made);
    const PartFile part = readPart(partFromSvd("t", *file.names), "part");
    require(!part.diagnostics.empty() || part.part.has_value(), "a part to go on with", made);
    std::string damaged = text;
    for (std::int64_t i = random.whole(0, 3); i > 0; --i) {
        damaged[static_cast<std::size_t>(random.whole(0, std::ssize(damaged) - 1))] = static_cast<char>(random.whole(0, 255));
    }
    const RegisterFile other = readSvd(damaged, "t.svd");
    require(other.names.has_value() || hasErrors(other.diagnostics), "a description or an error", made);
    return true;
}

bool feedFigures(std::string_view choices) {
    struct Shipped {
        std::string part;
        std::string plan;
    };
    static const std::vector<Shipped> shipped = [] {
        std::vector<Shipped> list;
        for (const auto& [part, plan] : {std::pair("marram-20", "orchard-sprayer"), std::pair("sedge-8", "door-sensor"),
                                         std::pair("samphire-5", "river-gauge")}) {
            list.push_back({test::fileText(test::sourceDir() + "/parts/" + part + ".part.toml"),
                            test::fileText(test::sourceDir() + "/examples/" + plan + ".plan.toml")});
        }
        return list;
    }();
    Random random(choices);
    const Shipped& chosen = random.pick(shipped);
    Made made;
    made.partText = chosen.part;
    made.planText = chosen.plan;
    static const std::vector<const char*> odd{"0",
                                              "-1",
                                              "1e-30",
                                              "1e30",
                                              "-1e30",
                                              "1/3",
                                              "22/7",
                                              "0.333333333333",
                                              "1e-9",
                                              "59",
                                              "24.731",
                                              "4294967296",
                                              "999999999999999999",
                                              "1",
                                              "2",
                                              "3.3333333333333333",
                                              "1e18",
                                              "1e-18"};
    for (std::int64_t i = random.whole(1, 2); i > 0; --i) {
        std::string& text = random.whole(0, 2) == 0 ? made.partText : made.planText;
        // a number between quotes, or behind an equals sign
        auto at = static_cast<std::size_t>(random.whole(0, std::ssize(text) - 1));
        const auto isDigit = [&](std::size_t place) {
            return place < text.size() && std::isdigit(static_cast<unsigned char>(text[place])) != 0;
        };
        while (at < text.size() && !(isDigit(at) && at > 0 && (text[at - 1] == '"' || text[at - 1] == ' '))) {
            ++at;
        }
        std::size_t end = at;
        while (isDigit(end) || (end < text.size() && text[end] == '.')) {
            ++end;
        }
        if (at < text.size()) {
            text.replace(at, end - at, random.pick(odd));
        }
    }
    const PartFile part = readPart(made.partText, "part");
    require(part.part.has_value() != hasErrors(part.diagnostics) && isInPlainWords(test::lines(part.diagnostics)),
            "a part or an error", made);
    if (!part.part) {
        return false;
    }
    const PlanFile plan = readPlan(made.planText, "plan", &*part.part);
    require(plan.plan.has_value() != hasErrors(plan.diagnostics) && isInPlainWords(test::lines(plan.diagnostics)),
            "a plan or an error", made);
    if (!plan.plan) {
        return false;
    }
    for (const Take& take : plan.plan->takes) {
        const Figures figures = evaluate(*part.part, *plan.plan, take.name);
        require(isInPlainWords(test::lines(figures.findings)), "findings in plain words: " + test::lines(figures.findings), made);
        for (const PromiseFigure& promise : figures.promises) {
            require(isInPlainWords(promise.why), "a reason in plain words: " + promise.why, made);
        }
    }
    return true;
}

} // namespace wisetick::fuzz
