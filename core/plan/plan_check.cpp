#include "plan/plan_check.h"

#include "plan/plain_texts.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "plan/setting_names.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <algorithm>
#include <set>
#include <unordered_map>

namespace wisetick {

namespace {

constexpr std::int64_t kMostCells = 1000;

bool contains(const std::vector<std::string>& list, const std::string& name) {
    return std::find(list.begin(), list.end(), name) != list.end();
}

class PlanChecker {
public:
    PlanChecker(const Plan& plan, const Part* part) : plan_(plan), part_(part), names_(promiseNames(plan)) {
        for (const Take& take : plan.takes) {
            takes_.push_back(take.name);
        }
        for (const Job& job : plan.jobs) {
            jobPlaces_.emplace(job.name, jobs_.size());
            jobs_.push_back(job.name);
        }
        if (part != nullptr) {
            nodes_ = nodeIds(*part);
            choosable_ = nodes_;
            for (const Peripheral& peripheral : part->peripherals) {
                choosable_.push_back(peripheral.id);
            }
        }
    }

    Diagnostics check() {
        checkSpan("board.supply", plan_.board.supply, true);
        checkSpan("board.temperature", plan_.board.temperature, false);
        notNegative("board.draws.always", plan_.board.alwaysDraws);
        for (const Fitted& fitted : plan_.board.fitted) {
            checkFitted(fitted);
        }
        for (const Measured& measured : plan_.board.measured) {
            checkMeasured(measured);
        }
        for (const Trimmed& trimmed : plan_.board.trimmed) {
            checkTrimmed(trimmed);
        }
        checkWords();
        if (plan_.board.battery) {
            checkBattery(*plan_.board.battery);
        }
        if (plan_.board.regulator) {
            checkRegulator(*plan_.board.regulator);
        }
        for (Diagnostic& each : textsNotPlain(plan_)) {
            fault(each.place.path, each.found, each.expected);
        }
        checkPromises();
        checkTakes();
        checkJobs();
        checkHandover();
        checkCaptures();
        if (untold_ > 0) {
            faults_.push_back(moreFaults(untold_, {}));
        }
        return std::move(faults_);
    }

private:
    void fault(std::string path, Text found, Text expected, Text mend = {}) {
        if (faults_.size() + 1 >= kMostFaults) {
            ++untold_;
            return;
        }
        faults_.push_back({Severity::error, {{}, 0, 0, std::move(path)}, std::move(found), std::move(expected), std::move(mend)});
    }

    void checkName(const std::string& path, const Text& noun, const std::string& name, const std::vector<std::string>& known) {
        if (contains(known, name)) {
            return;
        }
        if (faults_.size() + 1 >= kMostFaults) {
            ++untold_;
        } else {
            fault(path, phrase("no {} '{}'", noun, name), listNames(known), didYouMean(name, known));
        }
    }

    void positive(const std::string& path, const std::optional<Rational>& value) {
        if (value && value->sign() <= 0) {
            fault(path, phrase("the value {}", value->toString()), phrase("a value above 0"));
        }
    }

    void notNegative(const std::string& path, const std::optional<Rational>& value) {
        if (value && value->sign() < 0) {
            fault(path, phrase("the value {}", value->toString()), phrase("a value of 0 or more"));
        }
    }

    void factor(const std::string& path, const std::optional<Rational>& value) {
        positive(path, value);
        if (value && !isWritableFactor(*value)) {
            fault(path, phrase("the factor {}", value->toString()),
                  phrase("a factor of at most 2^48, in steps of at least 2^-48"));
        }
    }

    void checkSpan(const std::string& path, const std::optional<Bounds>& bounds, bool isPositive) {
        if (!bounds) {
            return;
        }
        if (bounds->min > bounds->nominal || bounds->nominal > bounds->max) {
            fault(path, phrase("a range out of order"), phrase("min, nominal, max rising"));
        } else if (isPositive) {
            positive(path, bounds->min);
        }
    }

    void checkTolerance(const std::string& path, const std::optional<Rational>& tolerance) {
        notNegative(path, tolerance);
        if (tolerance && *tolerance >= 1) {
            fault(path, phrase("a tolerance of 100 % or more"), "less");
        }
    }

    std::vector<std::string> sourceIds(bool isRc) const {
        std::vector<std::string> ids;
        for (const Source& source : part_->sources) {
            if ((source.kind == SourceKind::rc) == isRc && source.kind != SourceKind::none) {
                ids.push_back(source.id);
            }
        }
        return ids;
    }

    void checkFitted(const Fitted& fitted) {
        const std::string path = "board.fitted." + fitted.source;
        once(path, fitted.source, fitted_);
        if (part_ != nullptr) {
            checkName(path, phrase("crystal or clock input"), fitted.source, sourceIds(false));
        }
        positive(path + ".rate", fitted.rate);
        if (fitted.tolerance) {
            const ToleranceBudget& budget = *fitted.tolerance;
            for (const Rational& each : {budget.initial, budget.temperature, budget.ageing, budget.age}) {
                notNegative(path + ".tolerance", each);
            }
            checkTolerance(path + ".tolerance", budget.total());
        }
        if (fitted.isFedIn && part_ != nullptr) {
            const auto source = part_->findNode(fitted.source);
            if (source && part_->isSource(*source) && part_->sources[*source].kind == SourceKind::crystal &&
                !part_->sources[*source].fedIn) {
                fault(path + ".fed_in", phrase("a clock fed in for '{}'", fitted.source), phrase("a source that takes one"));
            }
        }
        positive(path + ".load", fitted.load);
        positive(path + ".esr", fitted.esr);
        for (const auto& [key, value] :
             {std::pair("capacitors", &fitted.capacitors), std::pair("capacitors", &fitted.otherOne),
              std::pair("stray", &fitted.stray), std::pair("c0", &fitted.shunt), std::pair("c1", &fitted.motional)}) {
            notNegative(path + "." + key, *value);
        }
    }

    void checkMeasured(const Measured& measured) {
        const std::string path = "board.measured." + measured.source;
        once(path, measured.source, measured_);
        if (part_ != nullptr) {
            checkName(path, phrase("source"), measured.source, idsOf(part_->sources));
        }
        positive(path + ".rate", measured.rate);
        checkTolerance(path + ".tolerance", measured.tolerance);
    }

    void checkTrimmed(const Trimmed& trimmed) {
        const std::string path = "board.trimmed." + trimmed.source;
        once(path, trimmed.source, trimmed_);
        positive(path + ".every", trimmed.every);
        notNegative(path + ".drift", trimmed.drift);
        if (part_ == nullptr) {
            return;
        }
        std::vector<std::string> trimmable;
        for (const Source& source : part_->sources) {
            if (source.trim) {
                trimmable.push_back(source.id);
            }
        }
        checkName(path, phrase("source with a trim"), trimmed.source, trimmable);
        checkName(path + ".by", phrase("source"), trimmed.by, idsOf(part_->sources));
        if (trimmed.by == trimmed.source) {
            fault(path + ".by", phrase("'{}' trimmed by itself", trimmed.by), phrase("a better clock"));
        }
    }

    /// A signal stands on a pin of its own choice.
    void checkRoute(const std::string& signal, const std::string& pin) {
        const std::string path = "board.routes." + signal;
        if (part_ == nullptr) {
            return;
        }
        const std::vector<PartSignal> all = signalsOf(*part_);
        std::vector<std::string> names;
        for (const PartSignal& each : all) {
            names.push_back(each.name());
        }
        checkName(path, phrase("signal with a choice of pins"), signal, names);
        for (const PartSignal& each : all) {
            if (each.name() == signal) {
                checkName(path, phrase("pin for '{}'", signal), pin, each.signal->places);
            }
        }
    }

    /// A table has a key once.
    void once(const std::string& path, const std::string& name, std::set<std::string>& seen) {
        if (!seen.insert(name).second) {
            fault(path, phrase("'{}' again", name), phrase("it once"));
        }
    }

    void checkWords() {
        std::set<std::string> options;
        for (const auto& [id, value] : plan_.board.options) {
            const std::string path = "board.options." + id;
            once(path, id, options);
            if (part_ == nullptr) {
                continue;
            }
            checkName(path, phrase("option word"), id, idsOf(part_->options));
            for (const OptionWord& option : part_->options) {
                if (option.id == id) {
                    checkName(path, phrase("value of '{}'", id), value, idsOf(option.values));
                }
            }
        }
        std::set<std::string> routed;
        for (const auto& [signal, pin] : plan_.board.routes) {
            once("board.routes." + signal, signal, routed);
            checkRoute(signal, pin);
        }
        std::set<std::string> signalNames;
        for (const auto& [name, pin] : plan_.board.wiring) {
            const std::string path = "board.signals." + name;
            once(path, name, signalNames);
            if (part_ != nullptr && !part_->pins.empty()) {
                checkName(path, "pin", pin, part_->pins);
            }
        }
    }

    void checkBattery(const Battery& battery) {
        const std::string path = "board.battery";
        positive(path + ".capacity", battery.capacity);
        positive(path + ".voltage", battery.voltage);
        notNegative(path + ".resistance", battery.resistance);
        notNegative(path + ".fades", battery.fades);
        positive(path + ".ends_at", battery.endsAt);
        for (const auto& [key, count] :
             {std::pair("in_series", battery.inSeries), std::pair("in_parallel", battery.inParallel)}) {
            if (count < 1 || count > kMostCells) {
                fault(path + "." + key, phrase("the number {}", std::to_string(count)), phrase("a whole number from 1 to 1000"));
            }
        }
        for (std::size_t i = 0; i < battery.usable.size(); ++i) {
            positive(path + ".usable", battery.usable[i].second);
            if (i > 0 && battery.usable[i].first <= battery.usable[i - 1].first) {
                fault(path + ".usable", phrase("temperatures that do not rise"), phrase("each temperature above the one before"));
            }
        }
        for (std::size_t i = 0; i < battery.curve.size(); ++i) {
            const auto& [left, volt] = battery.curve[i];
            positive(path + ".curve", volt);
            notNegative(path + ".curve", left);
            if (left > 1 || (i > 0 && (left <= battery.curve[i - 1].first || volt < battery.curve[i - 1].second))) {
                fault(path + ".curve", phrase("a curve that does not rise with the charge that is left"),
                      phrase("shares from 0 % to 100 %, upwards"));
            }
        }
    }

    void checkRegulator(const Regulator& regulator) {
        positive("board.regulator.efficiency", regulator.efficiency);
        if (regulator.efficiency && *regulator.efficiency > 1) {
            fault("board.regulator.efficiency", printQuantity(*regulator.efficiency, Unit::ratio), phrase("at most 100 %"));
        }
        notNegative("board.regulator.draws", regulator.draws);
    }

    void checkHandover() {
        std::set<std::string> seen;
        for (std::size_t i = 0; i < plan_.handover.size(); ++i) {
            const HandoverFile& file = plan_.handover[i];
            const std::string path = "handover." + std::to_string(i + 1);
            if (file.path.empty() || file.path.back() == '/') {
                fault(path + ".file", phrase("'{}', which names no file", file.path), phrase("a path from the plan's folder"));
            } else if (!seen.insert(file.path).second) {
                fault(path + ".file", phrase("the file '{}' again", file.path), phrase("each file once"));
            }
            checkName(path + ".as", "form", file.form, handoverForms());
            for (const auto& [key, take] : {std::pair(".take", file.take), std::pair(".from", file.from)}) {
                if (!take.empty()) {
                    checkName(path + key, phrase("take"), take, takes_);
                }
            }
        }
    }

    void checkCaptures() {
        std::set<std::string> seen;
        for (std::size_t i = 0; i < plan_.captures.size(); ++i) {
            const KeptCapture& capture = plan_.captures[i];
            const std::string path = "capture." + std::to_string(i + 1);
            if (capture.path.empty() || capture.path.back() == '/') {
                fault(path + ".file", phrase("'{}', which names no file", capture.path), phrase("a path from the plan's folder"));
            } else if (!seen.insert(capture.path).second) {
                fault(path + ".file", phrase("the file '{}' again", capture.path), phrase("each file once"));
            }
            const bool isSum = capture.sum.size() == 8 && capture.sum.find_first_not_of("0123456789abcdef") == std::string::npos;
            if (!capture.sum.empty() && !isSum) {
                fault(path + ".sum", "'" + capture.sum + "'", phrase("eight hexadecimal digits, or none"));
            }
        }
    }

    void checkPromises() {
        std::set<std::string> seen;
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const std::string& name = plan_.promises[i].line.name;
            if (!name.empty() && !seen.insert(name).second) {
                fault("promise." + std::to_string(i + 1) + ".say", phrase("the promise '{}' again", name),
                      phrase("a name of its own"));
            }
            const Text say = "promise." + std::to_string(i + 1) + ".say";
            for (const std::string& take : plan_.promises[i].line.inTakes) {
                checkName(say, phrase("take"), take, takes_);
            }
            if (const std::string& job = plan_.promises[i].line.whileJob; !job.empty()) {
                checkName(say, phrase("job"), job, jobs_);
                if (!plan_.promises[i].line.inTakes.empty()) {
                    fault(say, phrase("both 'in take' and 'while'"), phrase("one of them: a job runs in a take of its own"));
                }
            }
            const auto* bites = plan_.promises[i].line.ask.as<BitesAsk>();
            if (bites != nullptr && !bites->fedBy.empty()) {
                checkName("promise." + std::to_string(i + 1) + ".say", phrase("job"), bites->fedBy, jobs_);
            }
        }
    }

    void checkTakes() {
        if (plan_.takes.empty()) {
            fault("", phrase("no take"), phrase("at least one [[take]] with a name"));
            return;
        }
        std::set<std::string> seen;
        for (const Take& take : plan_.takes) {
            const std::string path = "take." + take.name;
            if (take.name.empty()) {
                fault(path + "name", phrase("a take without a name"), phrase("a name"));
            }
            if (!seen.insert(take.name).second) {
                fault(path + ".name", phrase("the take '{}' again", take.name), phrase("a name of its own"));
            }
            if (part_ != nullptr) {
                checkTakeOnPart(path, take);
            }
            std::set<std::string> chosen;
            for (const Choice& choice : take.choices) {
                once(path + ".choices." + choice.id, choice.id, chosen);
                checkChoice(path + ".choices." + choice.id, choice);
            }
            checkModeChoices(path, take);
            checkPinned(path, take);
        }
        checkName("active", phrase("take"), plan_.active, takes_);
    }

    void checkTakeOnPart(const std::string& path, const Take& take) {
        if (!take.tier.empty()) {
            checkName(path + ".tier", phrase("tier"), take.tier, idsOf(part_->tiers));
        }
        if (!take.restsIn.empty()) {
            checkName(path + ".rests_in", phrase("mode"), take.restsIn, idsOf(part_->modes));
        }
        for (const std::string& lock : take.locks) {
            const std::size_t dot = lock.find('.');
            if (const std::string id = lock.substr(0, dot); id != "tier" && !part_->findNode(id) && !part_->findPeripheral(id)) {
                std::vector<std::string> known = choosable_;
                known.emplace_back("tier");
                checkName(path + ".locks", phrase("line or control"), id, known);
            }
            if (dot != std::string::npos) {
                checkName(path + ".locks", "control", lock.substr(dot + 1), {"from", "divide", "multiply", "on"});
            }
        }
    }

    void checkChoice(const std::string& path, const Choice& choice) {
        factor(path + ".divide", choice.divide);
        factor(path + ".multiply", choice.multiply);
        positive(path + ".rate", choice.rate);
        if (choice.drive && part_ != nullptr) {
            const auto source = part_->findNode(choice.id);
            const std::vector<std::string> drives =
                source && part_->isSource(*source) ? idsOf(part_->sources[*source].drives) : std::vector<std::string>();
            if (drives.empty()) {
                fault(path + ".drive", phrase("'drive' for '{}', which has no choice of it", choice.id),
                      phrase("a crystal with levels of drive"));
            } else {
                checkName(path + ".drive", phrase("drive of '{}'", choice.id), *choice.drive, drives);
            }
        }
        if (part_ == nullptr) {
            return;
        }
        checkName(path, phrase("line, source or peripheral"), choice.id, choosable_);
        if (choice.from) {
            checkName(path + ".from", phrase("source or line"), *choice.from, nodes_);
        }
        const auto node = part_->findNode(choice.id);
        const bool isLine = node && !part_->isSource(*node);
        if (choice.divide && (!isLine || part_->lineAt(*node).divide.empty())) {
            fault(path + ".divide", phrase("'divide' for '{}', which has no divider", choice.id),
                  phrase("a line with a divider"));
        }
        if (choice.rate && (!node || isLine || part_->sources[*node].rates.size() < 2)) {
            fault(path + ".rate", phrase("'rate' for '{}', which has no choice of rates", choice.id),
                  phrase("a source with 'rates'"));
        }
        if (choice.multiply && (!isLine || part_->lineAt(*node).multiply.empty())) {
            fault(path + ".multiply", phrase("'multiply' for '{}', which has no multiplier", choice.id),
                  phrase("a line with a multiplier"));
        }
    }

    void checkModeChoices(const std::string& takePath, const Take& take) {
        std::set<std::string> seen;
        std::set<std::string> unknown;
        for (const ModeChoice& choice : take.modes) {
            const std::string modePath = takePath + ".modes." + choice.mode;
            const std::string path = modePath + "." + choice.option;
            once(path, choice.mode + "." + choice.option, seen);
            const auto mode = part_ == nullptr ? std::nullopt : part_->findMode(choice.mode);
            if (part_ != nullptr && !mode && unknown.insert(choice.mode).second) {
                checkName(modePath, phrase("mode"), choice.mode, idsOf(part_->modes));
            }
            if (!mode) {
                continue;
            }
            const auto& options = part_->modes[*mode].options;
            checkName(path, phrase("option of {}", choice.mode), choice.option, idsOf(options));
            for (const ModeOption& each : options) {
                if (each.id == choice.option) {
                    checkName(path, phrase("value of '{}'", choice.option), choice.value, idsOf(each.values));
                }
            }
        }
    }

    void checkPinned(const std::string& takePath, const Take& take) {
        std::set<std::string> seen;
        const std::vector<std::string> known = settingNames();
        for (const PinnedWay& pinned : take.pinned) {
            const std::string path = takePath + ".pinned." + pinned.promise;
            once(path, pinned.promise, seen);
            checkName(path, "promise", pinned.promise, names_);
            std::set<std::string> settings;
            for (const auto& [name, value] : pinned.settings) {
                once(path + "." + name, name, settings);
                checkName(path + "." + name, "setting", name, known);
                if (!value.isWhole()) {
                    factor(path + "." + name, value);
                }
            }
        }
    }

    void checkJobs() {
        std::set<std::string> seen;
        for (const Job& job : plan_.jobs) {
            const std::string path = "job." + job.name;
            if (!seen.insert(job.name).second) {
                fault(path + ".name", phrase("the job '{}' again", job.name), phrase("a name of its own"));
            }
            checkPace(path, job);
            notNegative(path + ".phase", job.phase);
            positive(path + ".lasts", job.lasts);
            factor(path + ".cycles", job.cycles);
            positive(path + ".done_within", job.doneWithin);
            if (!job.by.empty() && (job.isRandom || !job.after.empty())) {
                fault(path + ".by", phrase("a timer of a job that does not come by a period"), phrase("it with 'every'"));
            }
            if (job.lasts.has_value() == job.cycles.has_value()) {
                fault(path, job.lasts ? phrase("both 'lasts' and 'cycles'") : phrase("neither 'lasts' nor 'cycles'"),
                      phrase("one of them: how long the job takes, in time or in core cycles"));
            }
            if (!job.take.empty()) {
                checkName(path + ".take", phrase("take"), job.take, takes_);
            }
            notNegative(path + ".draws", job.draws);
            notNegative(path + ".brings", job.brings);
            if (part_ == nullptr) {
                continue;
            }
            if (!job.mode.empty()) {
                checkName(path + ".mode", phrase("mode"), job.mode, idsOf(part_->modes));
            }
            if (!job.by.empty() && job.by != "outside" && !part_->findPeripheral(job.by)) {
                checkName(path + ".by", phrase("peripheral"), job.by, idsOf(part_->peripherals));
            }
            for (const std::string& use : job.uses) {
                if (!part_->findPeripheral(use)) {
                    checkName(path + ".uses", phrase("peripheral"), use, idsOf(part_->peripherals));
                }
            }
        }
    }

    /// A period, a mean interval, or a job that it follows and that in the end follows one that comes by itself.
    void checkPace(const std::string& path, const Job& job) {
        notNegative(path + ".jitter", job.jitter);
        if (!job.jitter.isZero() && (job.isRandom || !job.after.empty())) {
            fault(path + ".jitter", phrase("a jitter without a period"), phrase("it with 'every'"));
        } else if (job.jitter > job.every) {
            fault(path + ".jitter", phrase("a jitter of more than the period"),
                  phrase("at most {}", printQuantity(job.every, Unit::second)));
        }
        if (job.after.empty()) {
            positive(path + (job.isRandom ? ".about" : ".every"), job.every);
            return;
        }
        std::vector<std::size_t> followed; // up to one of which is known how it ends
        const std::string* at = &job.name;
        while (!at->empty() && !ends_.contains(*at)) {
            const auto found = jobPlaces_.find(*at);
            if (found == jobPlaces_.end()) {
                checkName(path + ".after", phrase("job"), *at, jobs_);
                break;
            }
            ends_[*at] = false; // until the way from it is known to end
            followed.push_back(found->second);
            at = &plan_.jobs[found->second].after;
        }
        const bool isRing = !at->empty() && ends_.contains(*at) && !ends_[*at];
        for (const std::size_t each : followed) {
            ends_[jobs_[each]] = !isRing;
        }
        if (isRing) {
            fault(path + ".after", phrase("jobs that follow each other in a ring"), phrase("one that comes by itself"));
        }
    }

    const Plan& plan_;
    const Part* part_;
    std::vector<std::string> names_; ///< of the promises
    std::vector<std::string> takes_;
    std::vector<std::string> jobs_;
    std::unordered_map<std::string, std::size_t> jobPlaces_;
    std::unordered_map<std::string, bool> ends_; ///< by job: whether the way to those that it follows ends
    std::vector<std::string> nodes_;
    std::vector<std::string> choosable_;
    std::set<std::string> fitted_;
    std::set<std::string> measured_;
    std::set<std::string> trimmed_;
    Diagnostics faults_;
    std::size_t untold_ = 0; ///< faults beyond those
};

} // namespace

Diagnostics checkPlan(const Plan& plan, const Part* part) {
    return PlanChecker(plan, part).check();
}

Text whyNotWhole(const Plan& plan, const Part* part) {
    const Diagnostics faults = checkPlan(plan, part);
    return faults.empty() ? "" : faults.front().place.path + ": " + sayText(faults.front());
}

} // namespace wisetick
