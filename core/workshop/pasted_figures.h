#pragma once

#include "part/part.h"

#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// Small letters, of ASCII.
std::string smallLetters(std::string_view text);
/// Letters and digits only, small: "UART 1" and "uart_1" are the same.
std::string plainName(std::string_view name);

/// The number at the beginning of a cell, "3.1" of "3.1 uA" or of "3,1"; empty where none stands there.
std::string numberOfCell(std::string_view cell);
/// A unit as it is written in part files: "uA/MHz" for "µA/MHz" and "μA / MHz"; empty where it is none.
std::string unitOfCell(std::string_view text);
/// The unit in the head of a column: what stands in brackets, or the last word.
std::string unitOfHead(const std::string& head);
/// The temperatures that stand before a degree sign: "85 C" of "at 85 °C", several of "25, 55, 85 °C".
std::vector<std::string> celsiusIn(const std::string& head);

/// The figures of a cell with their units: "190, 360 µA, 2.2 mA" and "1.2 mA + 151 µA/MHz"; one without a unit has that of the
/// next one, or `unit`. Empty where it holds none ("-", "n/a"), or a figure without any unit.
std::vector<std::string> figuresOf(std::string_view cell, const std::string& unit);
/// The halves of "5.5 / 6.8 µs": cut where a figure follows the stroke. One where there is no such stroke.
std::vector<std::string> halvesOf(const std::string& cell);
/// The pins of a cell, "A9, B6 or C4"; empty where something else stands there.
std::vector<std::string> pinsOf(std::string_view cell);

/// The ids of all things with that id or name; several where it is not clear.
std::vector<std::string> thingsCalled(const Part& part, const std::string& name);
/// A peripheral and its signal, of "UART1_TX" or "uart 1 tx"; both empty where it is none.
struct CalledSignal {
    std::string peripheral;
    std::string signal;
};
CalledSignal signalCalled(const Part& part, std::string_view name);

} // namespace wisetick
