#include "quantity/unit.h"

#include "base/text.h"

#include <array>
#include <map>

namespace wisetick {

namespace {

struct Prefix {
    const char* text;
    int exponent;
};

constexpr std::array kPrefixes{Prefix{"f", -15},     Prefix{"p", -12},     Prefix{"n", -9}, Prefix{"u", -6},
                               Prefix{"\u00B5", -6}, Prefix{"\u03BC", -6}, Prefix{"m", -3}, Prefix{"", 0},
                               Prefix{"k", 3},       Prefix{"M", 6},       Prefix{"G", 9}};

/// `name` with each prefix whose exponent lies in [least, most].
void addPrefixed(std::vector<UnitSuffix>& suffixes, const std::string& name, int least, int most, const Rational& factor = 1) {
    for (const Prefix& prefix : kPrefixes) {
        if (prefix.exponent >= least && prefix.exponent <= most) {
            suffixes.push_back({prefix.text + name, factor * powerOfTen(prefix.exponent)});
        }
    }
}

const Rational kHour = 3600;
const Rational kDay = 86400;
const Rational kSecondsOfYear = Rational(8766) * 3600;

std::vector<UnitSuffix> makeSuffixes(Unit unit) {
    std::vector<UnitSuffix> list;
    switch (unit) {
    case Unit::ratio: list = {{"%", Rational(1, 100)}, {"ppm", Rational(1, 1000000)}, {"ppb", Rational(1, 1000000000)}}; break;
    case Unit::hertz:
        addPrefixed(list, "Hz", -6, 9);
        addPrefixed(list, "", 3, 9);
        break;
    case Unit::bitsPerSecond:
        addPrefixed(list, "bit/s", 0, 9);
        addPrefixed(list, "baud", 0, 6);
        addPrefixed(list, "", 3, 9);
        break;
    case Unit::second:
        addPrefixed(list, "s", -12, 0);
        list.insert(list.end(), {{"min", 60},
                                 {"h", kHour},
                                 {"hour", kHour},
                                 {"hours", kHour},
                                 {"d", kDay},
                                 {"day", kDay},
                                 {"days", kDay},
                                 {"week", 7 * kDay},
                                 {"weeks", 7 * kDay},
                                 {"year", kSecondsOfYear},
                                 {"years", kSecondsOfYear}});
        break;
    case Unit::ampere: addPrefixed(list, "A", -12, 0); break;
    case Unit::coulomb:
        addPrefixed(list, "C", -12, 0);
        addPrefixed(list, "Ah", -9, 0, kHour);
        break;
    case Unit::volt: addPrefixed(list, "V", -6, 0); break;
    case Unit::ohm:
        addPrefixed(list, "ohm", -3, 6);
        addPrefixed(list, "\u03A9", -3, 6);
        addPrefixed(list, "\u2126", -3, 6);
        break;
    case Unit::farad: addPrefixed(list, "F", -15, 0); break;
    case Unit::siemens:
        addPrefixed(list, "A/V", -9, 0);
        addPrefixed(list, "S", -9, 0);
        break;
    case Unit::celsius: list = {{"C", 1}, {"\u00B0C", 1}, {"degC", 1}}; break;
    case Unit::samples: list = {{"samples/s", 1}, {"k samples/s", 1000}, {"M samples/s", 1000000}}; break;
    case Unit::bit: list = {{"bit", 1}, {"bits", 1}}; break;
    case Unit::channel: list = {{"channels", 1}, {"channel", 1}}; break;
    case Unit::metre: list = {{"m", 1}, {"cm", Rational(1, 100)}, {"km", 1000}}; break;
    case Unit::count: list = {{"", 1}}; break;
    case Unit::byte:
        list = {{"byte", 1}, {"bytes", 1}, {"KiB", 1024}, {"MiB", Rational(1024 * 1024)}, {"GiB", Rational(1024) * 1024 * 1024}};
        break;
    case Unit::cycle: list = {{"cycles", 1}, {"cycle", 1}}; break;
    case Unit::drift:
        list = {{"s/day", 1 / kDay}, {"ppm", Rational(1, 1000000)}, {"s/week", 1 / (7 * kDay)}, {"s/year", 1 / kSecondsOfYear}};
        break;
    case Unit::perYear:
        list = {{"%/year", Rational(1, 100) / kSecondsOfYear}, {"ppm/year", Rational(1, 1000000) / kSecondsOfYear}};
        break;
    }
    return list;
}

std::vector<UnitSuffix> makeLadder(Unit unit) {
    const std::string micro = "\u00B5";
    const auto steps = [](std::initializer_list<std::pair<std::string, int>> entries) {
        std::vector<UnitSuffix> list;
        for (const auto& [text, exponent] : entries) {
            list.push_back({text, powerOfTen(exponent)});
        }
        return list;
    };
    switch (unit) {
    case Unit::ratio: return {{"ppm", Rational(1, 1000000)}, {"%", Rational(1, 100)}};
    case Unit::hertz: return steps({{micro + "Hz", -6}, {"mHz", -3}, {"Hz", 0}, {"kHz", 3}, {"MHz", 6}, {"GHz", 9}});
    case Unit::bitsPerSecond: return steps({{"bit/s", 0}, {"kbit/s", 3}, {"Mbit/s", 6}, {"Gbit/s", 9}});
    case Unit::second: return steps({{"ps", -12}, {"ns", -9}, {micro + "s", -6}, {"ms", -3}, {"s", 0}});
    case Unit::ampere: return steps({{"pA", -12}, {"nA", -9}, {micro + "A", -6}, {"mA", -3}, {"A", 0}});
    case Unit::coulomb:
        return {{"pC", powerOfTen(-12)},
                {"nC", powerOfTen(-9)},
                {micro + "C", powerOfTen(-6)},
                {"mC", powerOfTen(-3)},
                {"mAh", kHour / 1000}};
    case Unit::volt: return steps({{micro + "V", -6}, {"mV", -3}, {"V", 0}});
    case Unit::ohm: return steps({{"m\u03A9", -3}, {"\u03A9", 0}, {"k\u03A9", 3}, {"M\u03A9", 6}});
    case Unit::farad: return steps({{"fF", -15}, {"pF", -12}, {"nF", -9}, {micro + "F", -6}, {"mF", -3}, {"F", 0}});
    case Unit::siemens: return steps({{"nA/V", -9}, {micro + "A/V", -6}, {"mA/V", -3}, {"A/V", 0}});
    case Unit::celsius: return {{"\u00B0C", 1}};
    case Unit::samples: return {{"samples/s", 1}, {"k samples/s", 1000}, {"M samples/s", 1000000}};
    case Unit::bit: return {{"bit", 1}};
    case Unit::channel: return {{"channels", 1}};
    case Unit::metre: return {{"cm", Rational(1, 100)}, {"m", 1}, {"km", 1000}};
    case Unit::count: return {{"", 1}};
    case Unit::byte: return {{"byte", 1}, {"KiB", 1024}, {"MiB", Rational(1024 * 1024)}};
    case Unit::cycle: return {{"cycles", 1}};
    case Unit::drift: return {{"s/day", 1 / kDay}};
    case Unit::perYear:
        return {{"ppm/year", Rational(1, 1000000) / kSecondsOfYear}, {"%/year", Rational(1, 100) / kSecondsOfYear}};
    }
    return {};
}

} // namespace

Text unitNoun(Unit unit) {
    switch (unit) {
    case Unit::ratio: return phrase("a ratio");
    case Unit::hertz: return phrase("a rate");
    case Unit::bitsPerSecond: return phrase("a bit rate");
    case Unit::second: return phrase("a time");
    case Unit::ampere: return phrase("a current");
    case Unit::coulomb: return phrase("a charge");
    case Unit::volt: return phrase("a voltage");
    case Unit::ohm: return phrase("a resistance");
    case Unit::farad: return phrase("a capacitance");
    case Unit::siemens: return phrase("a transconductance");
    case Unit::celsius: return phrase("a temperature");
    case Unit::perYear: return phrase("a ratio per year");
    case Unit::samples: return phrase("a rate of samples");
    case Unit::bit: return phrase("a number of bits");
    case Unit::channel: return phrase("a number of channels");
    case Unit::metre: return phrase("a length");
    case Unit::count: return phrase("a number");
    case Unit::byte: return phrase("a number of bytes");
    case Unit::cycle: return phrase("a number of cycles");
    case Unit::drift: return phrase("a drift");
    }
    return {};
}

std::string unitExample(Unit unit) {
    switch (unit) {
    case Unit::ratio: return "1.5 % or 30 ppm";
    case Unit::hertz: return "16 MHz";
    case Unit::bitsPerSecond: return "115200 or 500 kbit/s";
    case Unit::second: return "1.8 s or 120 us";
    case Unit::ampere: return "2.2 uA";
    case Unit::coulomb: return "5200 mAh";
    case Unit::volt: return "3.3 V";
    case Unit::ohm: return "60 ohm";
    case Unit::farad: return "10 pF";
    case Unit::siemens: return "7 mA/V";
    case Unit::celsius: return "25 C";
    case Unit::perYear: return "3 ppm/year";
    case Unit::samples: return "50 k samples/s";
    case Unit::bit: return "12 bit";
    case Unit::channel: return "4 channels";
    case Unit::metre: return "20 m";
    case Unit::count: return "28";
    case Unit::byte: return "256 byte or 16 MiB";
    case Unit::cycle: return "12 cycles";
    case Unit::drift: return "2 s/day or 20 ppm";
    }
    return {};
}

const std::vector<Unit>& allUnits() {
    static const std::vector<Unit> units{Unit::ratio,   Unit::hertz,   Unit::bitsPerSecond, Unit::second, Unit::ampere,
                                         Unit::coulomb, Unit::volt,    Unit::ohm,           Unit::farad,  Unit::siemens,
                                         Unit::celsius, Unit::perYear, Unit::samples,       Unit::bit,    Unit::channel,
                                         Unit::metre,   Unit::count,   Unit::byte,          Unit::cycle,  Unit::drift};
    return units;
}

const std::vector<UnitSuffix>& unitSuffixes(Unit unit) {
    static const auto table = [] {
        std::map<Unit, std::vector<UnitSuffix>> all;
        for (const Unit each : allUnits()) {
            all[each] = makeSuffixes(each);
        }
        return all;
    }();
    return table.at(unit);
}

const std::vector<UnitSuffix>& unitLadder(Unit unit) {
    static const auto table = [] {
        std::map<Unit, std::vector<UnitSuffix>> all;
        for (const Unit each : allUnits()) {
            all[each] = makeLadder(each);
        }
        return all;
    }();
    return table.at(unit);
}

bool unitIsWhole(Unit unit) {
    return unit == Unit::bit || unit == Unit::channel || unit == Unit::count || unit == Unit::byte || unit == Unit::cycle;
}

bool unitMayBeOmitted(Unit unit) {
    return unit == Unit::hertz || unit == Unit::bitsPerSecond || unit == Unit::count;
}

} // namespace wisetick
