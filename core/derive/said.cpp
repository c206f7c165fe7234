#include "derive/said.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

namespace wisetick {

namespace {

constexpr int kBriefDigits = 4;

bool isRate(const PromiseFigure& promise) {
    return promise.unit == Unit::bitsPerSecond || promise.unit == Unit::hertz;
}

bool isCounted(const PromiseFigure& promise) {
    return promise.unit == Unit::count && promise.asked;
}

Text countSaid(const PromiseFigure& promise) {
    return phrase("{} of {}", promise.asked->toString(), promise.got->nominal.toString());
}

} // namespace

Text rateSaid(const LineFigure& line) {
    if (!line.isOn) {
        return "off";
    }
    return line.hertz ? printQuantity(line.hertz->nominal, Unit::hertz) : phrase("no rate");
}

Text resultSaid(const PromiseFigure& promise, int digits) {
    if (!promise.got || !promise.error) {
        return {};
    }
    if (isCounted(promise)) {
        return countSaid(promise);
    }
    const std::string got = printQuantity(promise.got->nominal, promise.unit, digits);
    return isRate(promise) || !promise.settings.empty() ? got + ", " + printError(promise.error->nominal) : got;
}

Text resultSaidBriefly(const PromiseFigure& promise) {
    if (promise.state == State::pending) {
        return "\u2026";
    }
    if (promise.state == State::elsewhere) {
        return promise.note;
    }
    if (!promise.got || !promise.error) {
        return phrase("none");
    }
    const bool isExact = promise.error->nominal.isZero() && (!promise.margin || promise.unit != Unit::second);
    if (isExact) {
        return phrase("exact");
    }
    if (isCounted(promise)) {
        return countSaid(promise);
    }
    return isRate(promise) ? printError(promise.error->nominal) : printQuantity(promise.got->nominal, promise.unit, kBriefDigits);
}

Text gotSaid(const PromiseFigure& promise) {
    if (!promise.got) {
        return "\u2013";
    }
    return isCounted(promise) ? countSaid(promise) : printQuantity(promise.got->nominal, promise.unit);
}

std::string errorSaid(const PromiseFigure& promise) {
    const bool isTelling = promise.error && promise.got && !isCounted(promise) && !promise.got->nominal.isZero();
    return isTelling ? printError(promise.error->nominal) : std::string();
}

std::string cornersSaid(const PromiseFigure& promise) {
    if (!promise.error) {
        return {};
    }
    if (!promise.isWorstKnown) {
        return "unknown";
    }
    const Bounds& error = *promise.error;
    if (promise.got && promise.got->nominal.isZero()) {
        return printQuantity(promise.got->min, promise.unit) + " \u2026 " + printQuantity(promise.got->max, promise.unit);
    }
    return error.min == error.max ? "" : printError(error.min) + " \u2026 " + printError(error.max);
}

} // namespace wisetick
