#include "promise/can_timing.h"

#include <algorithm>

namespace wisetick {

CanFraction jumpCondition(const CanBit& bit, std::int64_t jump) {
    return {jump, 20 * bit.quanta()};
}

CanFraction errorFlagCondition(const CanTiming& timing) {
    const CanBit& bit = timing.nominal;
    return {std::min(bit.seg1 - timing.propagation, bit.seg2), 2 * (13 * bit.quanta() - bit.seg2)};
}

CanFraction arbitrationToDataCondition(const CanTiming& timing) {
    const CanBit& slow = timing.nominal;
    const CanBit& fast = *timing.data;
    return {std::min(slow.seg1 - timing.propagation, slow.seg2) * slow.prescaler,
            2 * ((6 * fast.quanta() - fast.seg2) * fast.prescaler + 7 * slow.quanta() * slow.prescaler)};
}

CanFraction dataToArbitrationCondition(const CanTiming& timing) {
    const CanBit& slow = timing.nominal;
    const CanBit& fast = *timing.data;
    return {timing.dataJump * fast.prescaler - std::max<std::int64_t>(0, slow.prescaler - fast.prescaler),
            2 * ((2 * slow.quanta() - slow.seg2) * slow.prescaler + (fast.seg2 + 4 * fast.quanta()) * fast.prescaler)};
}

std::vector<CanFraction> canFractions(const CanTiming& timing) {
    std::vector<CanFraction> list{jumpCondition(timing.nominal, timing.jump), errorFlagCondition(timing)};
    if (timing.data) {
        list.insert(list.end(), {jumpCondition(*timing.data, timing.dataJump), arbitrationToDataCondition(timing),
                                 dataToArbitrationCondition(timing)});
    }
    return list;
}

std::int64_t propagationQuanta(const CanKind& can, const CanAsk& ask, const Rational& hertz, std::int64_t prescaler) {
    const Rational node = ask.nodeDelay.value_or(can.nodeDelay.value_or(Rational(0)));
    const Rational there = node + ask.cable.value_or(Rational(0)) * kCableSecondsPerMetre;
    return std::max<std::int64_t>(1, (2 * there * hertz / prescaler).ceil().toInt64().value_or(std::int64_t{1} << 40));
}

std::optional<Rational> canNodeDelay(const CanKind& can, const CanAsk& ask) {
    return ask.nodeDelay ? ask.nodeDelay : can.nodeDelay;
}

bool canCompensates(const CanKind& can, const CanBit& data) {
    return !can.delay.empty() && can.delay.contains(data.prescaler * Rational(1 + data.seg1)) &&
           can.delayPrescaler.contains(data.prescaler);
}

bool canHearsItself(const CanKind& can, const CanBit& data, const Rational& nodeDelay, const Rational& hertz) {
    return canCompensates(can, data) || data.prescaler * Rational(1 + data.seg1) / hertz >= nodeDelay;
}

} // namespace wisetick
