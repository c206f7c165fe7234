#include "plan/ask_row.h"
#include "plan/promise_text.h"
#include "quantity/quantity_print.h"

namespace wisetick {

std::string saidTolerance(const Tolerance& tolerance) {
    if (tolerance.exactly) {
        return " exactly";
    }
    return tolerance.within ? " within " + printReadable(*tolerance.within, Unit::ratio) : "";
}

/// " over 20 m", where there is a value.
std::string said(const std::string& before, const std::optional<Rational>& value, Unit unit, const std::string& after) {
    return value ? before + printReadable(*value, unit) + after : std::string();
}

std::string bitRate(const Rational& value) {
    return value.isWhole() ? value.toString() : printReadable(value, Unit::bitsPerSecond);
}

/// " 12 cycles", and " 1 cycle".
std::string cycles(const std::string& before, const std::optional<Rational>& value) {
    return value == Rational(1) ? before + "1 cycle" : said(before, value, Unit::cycle);
}

std::string printFrame(const UartFrame& frame) {
    return std::to_string(frame.dataBits) + frame.parity + std::to_string(frame.stopBits);
}

std::string printPromiseLine(const PromiseLine& line) {
    std::string text = line.name.empty() ? "" : line.name + ": ";
    text += line.subject.empty() ? "" : line.subject + " ";
    text += line.ask.row() == nullptr ? std::string() : line.ask.row()->print(line.ask);
    for (const std::string& mode : line.alsoIn) {
        text += ", also in " + mode;
    }
    for (const std::string& take : line.inTakes) {
        text += ", in take " + take;
    }
    return text + (line.whileJob.empty() ? "" : ", while " + line.whileJob);
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
    const std::string text = ask.row() == nullptr ? std::string() : ask.row()->print(ask);
    return text.substr(0, text.find(' '));
}

bool mayAskAlsoIn(const Ask& ask) {
    return ask.row() != nullptr && ask.row()->leansOnClock;
}

} // namespace wisetick
