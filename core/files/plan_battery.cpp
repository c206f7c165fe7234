#include "files/plan_battery.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

namespace wisetick {

namespace {

void readCurve(TableReader& reader, Battery& battery) {
    const toml::node* node = reader.node("curve");
    const toml::array* array = node == nullptr ? nullptr : node->as_array();
    if (node != nullptr && array == nullptr) {
        reader.error("curve", nodeText(*node), phrase("pairs such as [\"20 %\", \"2.9 V\"]"));
    }
    for (std::size_t i = 0; array != nullptr && i < array->size(); ++i) {
        const toml::array* pair = array->get(i)->as_array();
        if (pair == nullptr || pair->size() != 2) {
            reader.error("curve", nodeText(*array->get(i)), phrase("a pair such as [\"20 %\", \"2.9 V\"]"));
            continue;
        }
        const auto left = readNodeQuantity(*pair->get(0), reader.reporter(), reader.at("curve"), Unit::ratio, Sign::notNegative);
        const auto volt = readNodeQuantity(*pair->get(1), reader.reporter(), reader.at("curve"), Unit::volt);
        const bool isRising = battery.curve.empty() || !left || !volt ||
                              (*left > battery.curve.back().first && *volt >= battery.curve.back().second);
        if (!isRising || (left && *left > 1)) {
            reader.error("curve", phrase("a curve that does not rise with the charge that is left"),
                         phrase("shares from 0 % to 100 %, upwards"));
        } else if (left && volt) {
            battery.curve.emplace_back(*left, *volt);
        }
    }
}

} // namespace

Battery readBattery(TableReader& reader) {
    Battery battery;
    battery.capacity = reader.quantity("capacity", Unit::coulomb, Need::required).value_or(Rational(1));
    battery.voltage = reader.quantity("voltage", Unit::volt);
    battery.resistance = reader.quantity("resistance", Unit::ohm, Need::optional, Sign::notNegative);
    battery.fades = reader.quantity("fades", Unit::perYear, Need::optional, Sign::notNegative).value_or(Rational(0));
    reader.text("note");
    const toml::node* usable = reader.node("usable");
    const toml::array* array = usable == nullptr ? nullptr : usable->as_array();
    if (usable != nullptr && array == nullptr) {
        if (const auto share = readNodeQuantity(*usable, reader.reporter(), reader.at("usable"), Unit::ratio)) {
            battery.usable.emplace_back(25, *share);
        }
    }
    for (std::size_t i = 0; array != nullptr && i < array->size(); ++i) {
        const toml::array* pair = array->get(i)->as_array();
        if (pair == nullptr || pair->size() != 2) {
            reader.error("usable", nodeText(*array->get(i)), phrase("a pair such as [\"25 C\", \"95 %\"]"));
            continue;
        }
        const auto celsius = readNodeQuantity(*pair->get(0), reader.reporter(), reader.at("usable"), Unit::celsius, Sign::any);
        const auto share = readNodeQuantity(*pair->get(1), reader.reporter(), reader.at("usable"), Unit::ratio);
        if (celsius && !battery.usable.empty() && *celsius <= battery.usable.back().first) {
            reader.error("usable", phrase("temperatures that do not rise"), phrase("each temperature above the one before"));
        } else if (celsius && share) {
            battery.usable.emplace_back(*celsius, *share);
        }
    }
    battery.inSeries = reader.whole("in_series", 1, 1000).value_or(1);
    battery.inParallel = reader.whole("in_parallel", 1, 1000).value_or(1);
    readCurve(reader, battery);
    battery.endsAt = reader.quantity("ends_at", Unit::volt);
    reader.finish();
    return battery;
}

Regulator readRegulator(TableReader& reader) {
    Regulator regulator;
    regulator.efficiency = reader.quantity("efficiency", Unit::ratio);
    if (regulator.efficiency && *regulator.efficiency > 1) {
        reader.error("efficiency", printQuantity(*regulator.efficiency, Unit::ratio), phrase("at most 100 %"));
    }
    regulator.draws = reader.quantity("draws", Unit::ampere, Need::optional, Sign::notNegative).value_or(Rational(0));
    reader.text("note");
    reader.finish();
    return regulator;
}

} // namespace wisetick
