#include "handover/register_program.h"

#include "base/text.h"
#include "derive/bring_up.h"
#include "derive/demand.h"
#include "derive/pin_speeds.h"
#include "evaluate/sleep_order.h"
#include "handover/c_names.h"

#include <algorithm>
#include <map>

namespace wisetick {

namespace {

using Kind = RegisterAct::Kind;

std::uint64_t onesIn(int width) {
    return width <= 0 ? 0 : ~std::uint64_t{0} >> (64 - width);
}

/// Each place of a field with the bits that belong there.
std::vector<FieldValue> piecesOf(const FieldValue& value) {
    const std::vector<Field> pieces = value.field.pieces();
    std::vector<FieldValue> list;
    int left = value.field.width();
    for (const Field& piece : pieces) {
        left -= piece.width();
        FieldValue each = value;
        each.field = piece;
        each.held = pieces.size() == 1
                        ? value.held
                        : static_cast<std::int64_t>((static_cast<std::uint64_t>(value.held) >> left) & onesIn(piece.width()));
        list.push_back(std::move(each));
    }
    return list;
}

bool endsWith(const std::string& text, std::string_view end) {
    return text.size() >= end.size() && text.compare(text.size() - end.size(), end.size(), end) == 0;
}

/// Whether a control may change together with others of its register: nothing turns or starts with it.
bool isPlainSetting(const std::string& control) {
    constexpr std::string_view kAlone[] = {".from", ".on", ".gate", ".step", ".interrupt", ".flag", ".rate", ".tier", ".enter"};
    return std::none_of(std::begin(kAlone), std::end(kAlone), [&](std::string_view end) { return endsWith(control, end); });
}

/// Turns fields into acts on registers, and remembers what it wrote.
class ActWriter {
public:
    ActWriter(const Part& part, std::vector<LeftOut>& left) : part_(part), left_(left) {}

    /// Fields that one step sets: one act for each register, in the order in which they first come.
    void fields(const std::vector<FieldValue>& values, const Text& say, const std::optional<Rational>& core) {
        std::vector<std::pair<std::string, std::vector<FieldValue>>> groups;
        for (const FieldValue& whole : values) {
            for (const FieldValue& value : isKey(whole) ? std::vector<FieldValue>() : piecesOf(whole)) {
                const auto same =
                    std::find_if(groups.begin(), groups.end(), [&](const auto& group) { return group.first == value.field.reg; });
                if (same == groups.end()) {
                    groups.push_back({value.field.reg, {value}});
                } else {
                    same->second.push_back(value);
                }
            }
        }
        for (const auto& [reg, group] : groups) {
            write(reg, group, say, core);
        }
    }

    void until(const Field& field, std::uint64_t value, const Text& say, const std::optional<Rational>& seconds,
               const std::optional<Rational>& core) {
        acts_.push_back({Kind::until, say, field.reg, onesIn(field.width()) << field.lsb, value << field.lsb, seconds, core});
    }

    void wait(const Rational& seconds, const Text& say, const std::optional<Rational>& core) {
        if (!seconds.isZero()) {
            acts_.push_back({Kind::wait, say, {}, 0, 0, seconds, core});
        }
    }

    void plain(Kind kind, const Text& say) { acts_.push_back({kind, say, {}, 0, 0, {}, {}}); }

    std::vector<RegisterAct> take() { return std::exchange(acts_, {}); }
    std::size_t size() const { return acts_.size(); }

private:
    /// A key that the order of writing shows: it is written anew before each register that needs it.
    bool isKey(const FieldValue& value) const {
        return value.setting == "key" && std::any_of(part_.sequences.begin(), part_.sequences.end(),
                                                     [&](const Sequence& sequence) { return sequence.id == value.control; });
    }

    void write(const std::string& reg, const std::vector<FieldValue>& values, const Text& say,
               const std::optional<Rational>& core) {
        const Register* known = part_.findRegister(reg);
        const Access access = known == nullptr ? Access::readWrite : known->access;
        RegisterAct act{Kind::modify, say, reg, 0, 0, {}, core};
        for (const FieldValue& value : values) {
            if (Rational(value.held) > value.field.most()) {
                left_.push_back({value.control, phrase("{} does not fit {}", value.setting, fieldText(value.field))});
                return;
            }
            act.mask |= onesIn(value.field.width()) << value.field.lsb;
            act.value |= static_cast<std::uint64_t>(value.held) << value.field.lsb;
            act.controls.push_back(value.control);
        }
        if (access == Access::readOnly) {
            left_.push_back({values.front().control, phrase("{} can only be read", reg)});
            return;
        }
        if (access == Access::setOnly && act.value != act.mask) {
            left_.push_back({values.front().control, phrase("no bit of {} can be made 0 by writing it", reg)});
            return;
        }
        const std::uint64_t all = onesIn(known == nullptr ? 32 : known->width);
        if (access == Access::readToClear) {
            act.kind = Kind::load;
        } else if (access == Access::writeZeroToClear) {
            act.kind = Kind::store;
            act.value = all & ~(act.mask & ~act.value); // ones leave the other flags alone
            act.mask = all;
        } else if (access == Access::writeOneToClear || access == Access::setOnly) {
            act.kind = Kind::store;
            act.mask = all;
        } else if (access == Access::writeOnly || act.mask == all) {
            const std::uint64_t before =
                written_.contains(reg) ? written_[reg] : (known == nullptr ? 0 : known->reset.value_or(0));
            act.kind = Kind::store;
            act.value = (before & ~act.mask) | act.value;
            act.mask = all;
            written_[reg] = act.value;
        }
        if (join(act)) {
            return;
        }
        openUp(known, say, core);
        acts_.push_back(std::move(act));
    }

    /// Into the act before, where that sets the same register and nothing turns or starts between them.
    bool join(const RegisterAct& act) {
        if (acts_.empty() || act.kind != Kind::modify) {
            return false;
        }
        RegisterAct& last = acts_.back();
        const auto arePlain = [](const RegisterAct& each) {
            return std::all_of(each.controls.begin(), each.controls.end(), isPlainSetting);
        };
        if (last.kind != Kind::modify || last.reg != act.reg || !arePlain(last) || !arePlain(act) || last.core != act.core) {
            return false;
        }
        last.value = (last.value & ~act.mask) | act.value;
        last.mask |= act.mask;
        last.say += last.say == act.say ? std::string() : ", " + act.say;
        last.controls.insert(last.controls.end(), act.controls.begin(), act.controls.end());
        return true;
    }

    void openUp(const Register* known, const Text& say, const std::optional<Rational>& core) {
        const auto needed = std::find_if(part_.sequences.begin(), part_.sequences.end(), [&](const Sequence& sequence) {
            return known != nullptr && sequence.id == known->needs;
        });
        for (std::size_t i = 0; needed != part_.sequences.end() && i < needed->writes.size(); ++i) {
            const RegisterWrite& write = needed->writes[i];
            if (write.wait.empty()) {
                const Register* key = part_.findRegister(write.field.reg);
                const std::uint64_t all = onesIn(key == nullptr ? 32 : key->width);
                const std::uint64_t mask = onesIn(write.field.width()) << write.field.lsb;
                acts_.push_back({mask == all || (key != nullptr && key->access == Access::writeOnly) ? Kind::store : Kind::modify,
                                 phrase("{}, for: {}", needed->id, say),
                                 write.field.reg,
                                 mask,
                                 static_cast<std::uint64_t>(write.code) << write.field.lsb,
                                 {},
                                 core});
            }
        }
    }

    const Part& part_;
    std::vector<LeftOut>& left_;
    std::vector<RegisterAct> acts_;
    std::map<std::string, std::uint64_t> written_; ///< what stands in registers that can't be read
};

class ProgramWork {
public:
    ProgramWork(const Part& part, const Plan& plan, const Figures& figures, Broken broken, const std::optional<std::string>& from)
        : part_(part), plan_(plan), figures_(figures), broken_(broken), from_(from), writer_(part, program_.left) {
        Diagnostics ignored; // said where the figures were worked out
        controls_ = resolveControls(part, *findTake(plan, figures.take), ignored);
    }

    RegisterProgram work() {
        const WritingOrder way = writingOrder(part_, plan_, from_, figures_.take);
        addClocks(way);
        addPins();
        addPromises(false);
        addLate(way);
        addPromises(true);
        addRests();
        const std::vector<LeftOut> clocks = clocksLeftOut(part_, plan_, figures_, way, from_);
        program_.left.insert(program_.left.end(), clocks.begin(), clocks.end());
        if (broken_ == Broken::leftOut) {
            const std::vector<LeftOut> promises = promisesLeftOut(figures_);
            program_.left.insert(program_.left.end(), promises.begin(), promises.end());
        }
        return std::move(program_);
    }

private:
    void addStep(const ClockWrite& step, const std::optional<Rational>& before) {
        writer_.fields(step.fields, step.say, before);
        addWait(step);
        if (step.fields.empty() && !step.wait) {
            writer_.plain(Kind::note, step.say);
        }
    }

    /// What is waited for behind a step; what takes time and shows when it is over is looked at. Of a source that shows nothing
    /// only the time that surely went by since it was started counts: what is looked at may be over at once.
    template <class Step>
    void addWait(const Step& step) {
        Duration lasts = step.wait.value_or(Duration());
        if (step.awaits) {
            lasts = part_.sources[*step.awaits].startup;
        }
        if (step.shown) {
            writer_.until(step.shown->field, static_cast<std::uint64_t>(step.shown->held), step.say, std::nullopt, step.core);
        }
        if (!step.wait) {
            return;
        }
        if (step.until) {
            writer_.until(*step.until, 1, step.say, lasts.max, step.core);
            return;
        }
        const auto most = lasts.max ? lasts.max : lasts.typ;
        if (!most) {
            program_.left.push_back({step.say, phrase("how long it takes is unknown, and the part names no bit that shows it")});
            return;
        }
        const Rational left = step.awaits ? std::max(Rational(0), *most - elapsed_) : *most;
        writer_.wait(left, step.say, step.core);
        elapsed_ += left;
    }

    /// Where the way waits for a source that the core does not hang on, with the core at its rate already: what follows can wait.
    std::size_t firstLate(const WritingOrder& way) const {
        const std::vector<NodeIndex> chain = coreChain();
        for (std::size_t i = 0; i < way.steps.size(); ++i) {
            const auto& awaits = way.steps[i].awaits;
            const bool isOfCore = awaits && std::find(chain.begin(), chain.end(), *awaits) != chain.end();
            const bool isSteady = std::all_of(way.steps.begin() + static_cast<std::ptrdiff_t>(i), way.steps.end(),
                                              [&](const ClockWrite& step) { return step.core == way.steps.back().core; });
            const bool isLong = awaits && (!way.steps[i].wait || !way.steps[i].wait->max || !way.steps[i].wait->max->isZero());
            if (awaits && !isOfCore && isSteady && isLong) {
                return i;
            }
        }
        return way.steps.size();
    }

    std::vector<NodeIndex> coreChain() const {
        std::vector<NodeIndex> chain;
        for (std::optional<NodeIndex> node = part_.core; node; node = figures_.lines[*node].parent) {
            chain.push_back(*node);
            if (part_.isSource(*node)) {
                break;
            }
        }
        return chain;
    }

    void addSteps(const WritingOrder& way, std::size_t from, std::size_t to) {
        for (std::size_t i = from; i < to; ++i) {
            addStep(way.steps[i], i == 0 ? resetRate(way) : way.steps[i - 1].core);
        }
    }

    /// The core's rate before the first step: as it is after one that changes nothing of it.
    static std::optional<Rational> resetRate(const WritingOrder& way) {
        return way.steps.empty() ? std::nullopt : way.steps.front().core;
    }

    void addClocks(const WritingOrder& way) {
        late_ = firstLate(way);
        addSteps(way, 0, late_);
        finish(
            from_ ? "clocks_from_" + *from_ : "clocks",
            phrase("{} to the clocks of take {}", from_ ? phrase("from take {}", *from_) : phrase("from reset"), figures_.take),
            true);
        for (std::size_t i = late_; i < way.steps.size(); ++i) {
            if (way.steps[i].awaits) {
                lateSources_.push_back(*way.steps[i].awaits);
            }
        }
    }

    void addLate(const WritingOrder& way) {
        if (late_ < way.steps.size()) {
            Text names;
            for (const NodeIndex source : lateSources_) {
                names += (names.empty() ? "" : phrase(" and ")) + part_.nodeId(source);
            }
            addSteps(way, late_, way.steps.size());
            finish("late_clocks", phrase("what hangs on {}, which nothing before needs", names), true);
        }
    }

    void addPins() {
        for (const RouteFigure& route : figures_.routes) {
            if (!route.pin.empty() && route.field) {
                writer_.fields({*route.field}, phrase("{} on {}", route.signal, route.pin), rate());
            }
        }
        for (const PinSpeedFigure& pin : pinSpeeds(part_, plan_, figures_)) {
            if (pin.field) {
                writer_.fields({*pin.field}, phrase("{} as fast as {}", pin.pin, pin.speed), rate());
            }
        }
        if (writer_.size() > 0) {
            finish("pins", phrase("where signals stand, and how fast their pins turn"), true);
        }
    }

    std::optional<Rational> rate() const {
        const auto& core = figures_.lines[part_.core].hertz;
        return core ? std::optional(core->nominal) : std::nullopt;
    }

    /// Whether the clock of a promise's peripheral hangs on a source that is waited for late.
    bool isLate(std::size_t promise) const {
        const PromiseLine& line = plan_.promises[promise].line;
        const auto* wakes = line.ask.as<WakesAsk>();
        const auto peripheral = part_.findPeripheral(wakes != nullptr ? wakes->by : peripheralOf(line.subject));
        const auto clock = peripheral && !lateSources_.empty() ? clockOf(part_, controls_, *peripheral) : std::nullopt;
        if (!clock) {
            return false;
        }
        const std::vector<NodeIndex> chain = chainOf(part_, controls_, *clock);
        return std::find(lateSources_.begin(), lateSources_.end(), chain.back()) != lateSources_.end();
    }

    void addPromises(bool areLate) {
        const std::vector<std::string> names = promiseNames(plan_);
        for (std::size_t i = 0; i < figures_.promises.size(); ++i) {
            const PromiseFigure& figure = figures_.promises[i];
            if (figure.state == State::elsewhere || (figure.state == State::broken && broken_ == Broken::leftOut) ||
                isLate(i) != areLate) {
                continue;
            }
            const std::vector<BringUpAction> actions = bringUp(part_, plan_, figure, i);
            const PromiseLine& line = plan_.promises[i].line;
            const bool wantsInterrupt = line.ask.is<FiresAsk>() || line.ask.is<WakesAsk>();
            for (const BringUpAction& action : actions) {
                if (action.isInterrupt && !wantsInterrupt) {
                    continue;
                }
                const Text say = action.say + (action.isForgotten ? phrase(": forgotten most often") : "");
                if (action.field) {
                    writer_.fields({*action.field}, say, rate());
                } else {
                    writer_.plain(Kind::note, say);
                }
            }
            if (!actions.empty()) {
                finish(names[i], promiseRemark(figure), true);
            }
        }
    }

    void addRests() {
        const Take* take = findTake(plan_, figures_.take);
        const auto mode = take == nullptr ? std::nullopt : part_.findMode(take->restsIn);
        if (!mode || part_.modes[*mode].runs || figures_.modes.empty()) {
            return;
        }
        const SleepOrder order = sleepOrder(part_, plan_, figures_, take->restsIn);
        const auto add = [&](const std::vector<SleepStep>& steps, std::optional<Rational> core) {
            for (const SleepStep& step : steps) {
                const std::string say = step.say + (step.why.empty() || step.wait ? "" : ": " + step.why);
                writer_.fields(step.fields, step.fields.empty() ? say : step.say, core);
                core = step.core ? step.core : core;
                addWait(step);
                if (step.awaitsInterrupt) {
                    writer_.plain(Kind::awaitInterrupt, say);
                } else if (step.fields.empty() && !step.wait) {
                    writer_.plain(Kind::note, say);
                }
            }
        };
        elapsed_ = 0;
        add(order.before, rate());
        finish("rest", phrase("into {}, until something wakes it", take->restsIn), false);
        const ModeFigure& figure = figures_.modes[*mode];
        const auto woken = figure.wakesOn ? figures_.lines[*figure.wakesOn].hertz : std::nullopt;
        elapsed_ = 0;
        add(order.after, woken ? std::optional(woken->nominal) : rate());
        finish("after_rest", phrase("after waking from {}", take->restsIn), false);
    }

    void finish(const std::string& name, const Text& about, bool isStart) {
        program_.routines.push_back({name, about, writer_.take(), isStart});
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    Broken broken_;
    std::optional<std::string> from_;
    Controls controls_; ///< as the take has them
    RegisterProgram program_;
    ActWriter writer_;
    std::size_t late_ = 0;
    Rational elapsed_; ///< s, that surely went by since the sources were started
    std::vector<NodeIndex> lateSources_;
};

} // namespace

RegisterProgram registerProgram(const Part& part, const Plan& plan, const Figures& figures, Broken broken,
                                const std::optional<std::string>& from) {
    return ProgramWork(part, plan, figures, broken, from).work();
}

} // namespace wisetick
