#include "plan/promise_line.h"
#include "quantity/quantity_print.h"

#include <type_traits>

namespace wisetick {

namespace {

std::string toleranceText(const Tolerance& tolerance) {
    if (tolerance.exactly) {
        return " exactly";
    }
    return tolerance.within ? " within " + printReadable(*tolerance.within, Unit::ratio) : "";
}

/// " over 20 m", where there is a value.
std::string said(const std::string& before, const std::optional<Rational>& value, Unit unit, const std::string& after = {}) {
    return value ? before + printReadable(*value, unit) + after : std::string();
}

std::string bitRate(const Rational& value) {
    return value.isWhole() ? value.toString() : printReadable(value, Unit::bitsPerSecond);
}

/// " 12 cycles", and " 1 cycle".
std::string cycles(const std::string& before, const std::optional<Rational>& value) {
    return value == Rational(1) ? before + "1 cycle" : said(before, value, Unit::cycle);
}

struct ClausePrinter {
    std::string operator()(const RunsAsk& ask) const {
        const char* bound =
            ask.bound == RunsAsk::Bound::at ? "at " : (ask.bound == RunsAsk::Bound::atLeast ? "at least " : "at most ");
        return "runs " + (bound + printReadable(ask.hertz, Unit::hertz)) + toleranceText(ask.tolerance);
    }
    std::string operator()(const TalksAsk& ask) const {
        return "talks " + bitRate(ask.bitsPerSecond) + toleranceText(ask.tolerance) +
               (ask.frame == UartFrame{} ? "" : " as " + printFrame(ask.frame)) + (ask.isOneWire ? ", on one wire" : "");
    }
    std::string operator()(const CanAsk& ask) const {
        return "talks " + printReadable(ask.bitsPerSecond, Unit::bitsPerSecond) + toleranceText(ask.tolerance) +
               said(", data ", ask.data, Unit::bitsPerSecond) + said(", sample at ", ask.sample, Unit::ratio) +
               said(", data sample at ", ask.dataSample, Unit::ratio) + said(", over ", ask.cable, Unit::metre) +
               said(", with node delay ", ask.nodeDelay, Unit::second) + said(", jump ", ask.jump, Unit::count);
    }
    std::string operator()(const HoldsAsk& ask) const {
        std::string text = "holds";
        const auto add = [&](const Rational& value, const char* what) {
            if (!value.isZero()) {
                text += (text == "holds" ? " " : ", ") + printReadable(value, Unit::count) + what;
            }
        };
        add(ask.filters, " filters");
        add(ask.longFilters, " long-filters");
        add(ask.received, " received");
        add(ask.sent, " sent");
        return text + (ask.payload == 8 ? "" : ", of " + printReadable(ask.payload, Unit::byte));
    }
    std::string operator()(const FiresAsk& ask) const {
        return "fires every " + printReadable(ask.period, Unit::second) + toleranceText(ask.tolerance) +
               (ask.isAlarm ? ", by alarm" : "") + (ask.isRepeated ? ", repeated" : "") + (ask.isChained ? ", chained" : "") +
               cycles(", late ", ask.late) + cycles(", handled in ", ask.handled);
    }
    std::string operator()(const DrivesAsk& ask) const {
        return "drives " + printReadable(ask.hertz, Unit::hertz) + toleranceText(ask.tolerance) + " at " +
               printReadable(ask.duty, Unit::ratio) + " duty" + said(", steps under ", ask.stepUnder, Unit::ratio) +
               said(", dead ", ask.dead, Unit::second) + (ask.isInside ? ", inside" : "");
    }
    std::string operator()(const StampsAsk& ask) const {
        return ask.wrapsAfter
                   ? said("wraps after at least ", ask.wrapsAfter, Unit::second) + said(", resolves ", ask.resolves, Unit::second)
                   : said("resolves ", ask.resolves, Unit::second);
    }
    std::string operator()(const BitesAsk& ask) const {
        return "bites after " + printReadable(ask.after, Unit::second) + toleranceText(ask.tolerance) +
               said(", fed every ", ask.fedEvery, Unit::second) + said(", at latest ", ask.atLatest, Unit::second) +
               said(", opens after ", ask.opensAfter, Unit::second) + said(", warns ", ask.warnsBefore, Unit::second, " before");
    }
    std::string operator()(const DriftsAsk& ask) const { return "drifts at most " + printReadable(ask.limit, Unit::drift); }
    std::string operator()(const BusAsk& ask) const {
        return "talks " + printReadable(ask.hertz, Unit::hertz) + said(" with ", ask.rise, Unit::second, " rise") +
               said(" with ", ask.fall, Unit::second, " fall") + said(", pulled by ", ask.pull, Unit::ohm) +
               said(" into ", ask.load, Unit::farad);
    }
    std::string operator()(const TakesAsk& ask) const {
        return (ask.onceIn ? said("takes once in at most ", ask.onceIn, Unit::second)
                           : "takes " + printReadable(ask.samplesPerSecond, Unit::samples)) +
               said(" at ", ask.bits, Unit::bit) + said(" from ", ask.ohm, Unit::ohm) +
               (ask.channels == Rational(1) ? " over 1 channel" : said(" over ", ask.channels, Unit::channel)) +
               said(", oversampled ", ask.oversampled, Unit::count, " times") +
               (ask.trigger.empty() ? "" : ", triggered by " + ask.trigger);
    }
    std::string operator()(const ClocksAsk& ask) const {
        return "clocks at most " + printReadable(ask.hertz, Unit::hertz) + said(", of ", ask.size, Unit::byte) +
               said(", after ", ask.dummy, Unit::count, " dummies") + said(", reading ", ask.reading, Unit::byte) +
               said(" in at most ", ask.within, Unit::second) + said(", valid after ", ask.valid, Unit::second);
    }
    std::string operator()(const WaitsAsk& ask) const {
        return (ask.isAtLeast ? "waits at least " : "waits ") + printReadable(ask.time, Unit::second) +
               toleranceText(ask.tolerance);
    }
    std::string operator()(const WakesAsk& ask) const {
        return "wakes from " + ask.mode + " in at most " + printReadable(ask.limit, Unit::second) +
               (ask.by.empty() ? "" : " by " + ask.by) + said(" every ", ask.every, Unit::second);
    }
    std::string operator()(const AverageAsk& ask) const { return "average under " + printReadable(ask.limit, Unit::ampere); }
    std::string operator()(const LastsAsk& ask) const { return "lasts " + printReadable(ask.least, Unit::second); }
};

struct NeedsClock {
    bool operator()(const WakesAsk&) const { return false; }
    bool operator()(const AverageAsk&) const { return false; }
    bool operator()(const LastsAsk&) const { return false; }
    bool operator()(const HoldsAsk&) const { return false; }
    template <class Other>
    bool operator()(const Other&) const {
        return true;
    }
};

} // namespace

std::string printFrame(const UartFrame& frame) {
    return std::to_string(frame.dataBits) + frame.parity + std::to_string(frame.stopBits);
}

std::string printPromiseLine(const PromiseLine& line) {
    std::string text = line.name.empty() ? "" : line.name + ": ";
    text += line.subject.empty() ? "" : line.subject + " ";
    text += std::visit(ClausePrinter{}, line.ask);
    for (const std::string& mode : line.alsoIn) {
        text += ", also in " + mode;
    }
    return text;
}

std::string peripheralOf(const std::string& subject) {
    return subject.substr(0, subject.find('.'));
}

std::int64_t channelOf(const std::string& subject) {
    const std::size_t dot = subject.find('.');
    const std::string digits = dot == std::string::npos ? std::string() : subject.substr(dot + 1);
    const bool isNumber = !digits.empty() && digits.size() <= 3 && digits.find_first_not_of("0123456789") == std::string::npos;
    return isNumber ? std::stoll(digits) : 0;
}

std::string verbOf(const Ask& ask) {
    const std::string text = std::visit(ClausePrinter{}, ask);
    return text.substr(0, text.find(' '));
}

bool mayAskAlsoIn(const Ask& ask) {
    return std::visit(NeedsClock{}, ask);
}

} // namespace wisetick
