#include "derive/said.h"

#include "quantity/quantity_print.h"

namespace wisetick {

namespace {

constexpr int kBriefDigits = 4;

bool isRate(const PromiseFigure& promise) {
    return promise.unit == Unit::bitsPerSecond || promise.unit == Unit::hertz;
}

} // namespace

std::string rateSaid(const LineFigure& line) {
    if (!line.isOn) {
        return "off";
    }
    return line.hertz ? printQuantity(line.hertz->nominal, Unit::hertz) : "no rate";
}

std::string resultSaid(const PromiseFigure& promise, int digits) {
    if (!promise.got || !promise.error) {
        return {};
    }
    const std::string got = printQuantity(promise.got->nominal, promise.unit, digits);
    return isRate(promise) || !promise.settings.empty() ? got + ", " + printError(promise.error->nominal) : got;
}

std::string resultSaidBriefly(const PromiseFigure& promise) {
    if (promise.state == State::pending) {
        return "\u2026";
    }
    if (promise.state == State::elsewhere) {
        return promise.note;
    }
    if (!promise.got || !promise.error) {
        return "none";
    }
    const bool isExact = promise.error->nominal.isZero() && (!promise.margin || promise.unit != Unit::second);
    if (isExact) {
        return "exact";
    }
    if (promise.unit == Unit::count && promise.asked) {
        return promise.asked->toString() + " of " + promise.got->nominal.toString();
    }
    return isRate(promise) ? printError(promise.error->nominal) : printQuantity(promise.got->nominal, promise.unit, kBriefDigits);
}

std::string cornersSaid(const PromiseFigure& promise) {
    if (!promise.error) {
        return {};
    }
    if (!promise.isWorstKnown) {
        return "unknown";
    }
    const Bounds& error = *promise.error;
    return error.min == error.max ? "" : printError(error.min) + " \u2026 " + printError(error.max);
}

} // namespace wisetick
