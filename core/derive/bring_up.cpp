#include "derive/bring_up.h"

#include "base/text.h"
#include "derive/field_values.h"

#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

/// Makes the steps of one promise.
class BringUp {
public:
    BringUp(const Peripheral& peripheral, std::vector<FieldValue> flags, const PromiseLine& line, const PromiseFigure& figure)
        : peripheral_(peripheral), flags_(std::move(flags)), line_(line), figure_(figure) {}

    std::vector<BringUpAction> actions() {
        for (const BringUpStep& step : peripheral_.bringUp.empty() ? plainSteps() : peripheral_.bringUp) {
            const std::string verb = verbOf(line_.ask);
            const bool isForVerb =
                step.verbs.empty() || std::find(step.verbs.begin(), step.verbs.end(), verb) != step.verbs.end();
            if (!isForVerb || (step.channel != 0 && step.channel != channelOf(line_.subject))) {
                continue;
            }
            if (step.control == "interrupts") {
                addInterrupts(step.isForgotten);
            } else if (step.control.empty()) {
                actions_.push_back({step.say, {}, fieldOf(step), step.isForgotten});
            } else {
                addControl(step.control, step.isForgotten);
            }
        }
        return std::move(actions_);
    }

private:
    /// Where the part tells no order: what the figure writes, then the interrupts.
    std::vector<BringUpStep> plainSteps() const {
        std::vector<BringUpStep> steps;
        const auto add = [&](const std::string& control) {
            BringUpStep step;
            step.control = control;
            steps.push_back(std::move(step));
        };
        add("gate");
        add("from");
        for (const Setting& setting : figure_.settings) {
            add(setting.name);
        }
        add("interrupts");
        return steps;
    }

    std::optional<FieldValue> fieldOf(const BringUpStep& step) const {
        if (!step.field) {
            return std::nullopt;
        }
        return FieldValue{peripheral_.id + ".step", *step.field, step.say, phrase("holds a code"), step.code};
    }

    void addControl(const std::string& control, bool isForgotten) {
        const std::string id = peripheral_.id + "." + control;
        const auto field = std::find_if(figure_.fields.begin(), figure_.fields.end(),
                                        [&](const FieldValue& value) { return value.control == id; });
        if (field == figure_.fields.end()) {
            return;
        }
        if (control == "gate") {
            actions_.push_back(
                {phrase("let its clock in"), phrase("before that its fields can't be written"), *field, isForgotten});
        } else if (control == "from") {
            actions_.push_back(
                {phrase("clock it from {}", field->setting), phrase("while it stands still"), *field, isForgotten});
        } else {
            actions_.push_back({control + " " + field->setting, field->holdsAs, *field, isForgotten});
        }
    }

    /// Flags are cleared first, where the part's own steps did not.
    void clearFlags() {
        for (const FieldValue& flag : peripheral_.interrupts.empty() ? std::vector<FieldValue>() : flags_) {
            const bool isDone = std::any_of(actions_.begin(), actions_.end(), [&](const BringUpAction& action) {
                return action.field && action.field->field == flag.field;
            });
            if (!isDone) {
                actions_.push_back({phrase("clear its flag"), flag.holdsAs, flag, false, true});
            }
        }
    }

    void addInterrupts(bool isForgotten) {
        clearFlags();
        for (std::size_t i = 0; i < peripheral_.interrupts.size(); ++i) {
            const std::string& text = peripheral_.interrupts[i];
            const auto field = readField(text);
            const bool isFirst = i == 0;
            const Text whose = isFirst ? phrase("its own interrupt enable")
                                       : (field ? phrase("the enable of its group") : phrase("interrupts of the {}", text));
            BringUpAction action{whose, isFirst ? phrase("after its flag is cleared, else it fires at once") : "", std::nullopt,
                                 isForgotten, true};
            if (field) {
                action.field = FieldValue{peripheral_.id + ".interrupt", *field, "on", phrase("holds 1 for on"), 1};
            }
            actions_.push_back(std::move(action));
        }
    }

    const Peripheral& peripheral_;
    std::vector<FieldValue> flags_; ///< what clears them
    const PromiseLine& line_;
    const PromiseFigure& figure_;
    std::vector<BringUpAction> actions_;
};

} // namespace

std::vector<BringUpAction> bringUp(const Part& part, const Plan& plan, const PromiseFigure& figure, std::size_t promise) {
    const PromiseLine& line = plan.promises.at(promise).line;
    const auto* wakes = line.ask.as<WakesAsk>();
    const auto peripheral = part.findPeripheral(wakes != nullptr ? wakes->by : peripheralOf(line.subject));
    if (!peripheral) {
        return {};
    }
    return BringUp(part.peripherals[*peripheral], flagFields(part, *peripheral), line, figure).actions();
}

} // namespace wisetick
