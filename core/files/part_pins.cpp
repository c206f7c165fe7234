#include "files/part_pins.h"

#include "base/text.h"

namespace wisetick {

namespace {

void readCodes(TableReader& reader, Signal& signal) {
    const toml::node* codes = reader.node("codes");
    const toml::array* list = codes == nullptr ? nullptr : codes->as_array();
    if (codes != nullptr && (list == nullptr || list->size() != signal.places.size())) {
        reader.error("codes", nodeText(*codes), phrase("one whole number for each place"));
    }
    for (std::size_t i = 0; i < signal.places.size(); ++i) {
        const auto code = list != nullptr && i < list->size() ? list->get(i)->value_exact<std::int64_t>() : std::nullopt;
        signal.codes.push_back(code.value_or(static_cast<std::int64_t>(i)));
    }
}

/// "PINS{port}.SPEED" with the letters of a pin put in.
std::string withPort(std::string pattern, const std::string& port) {
    const std::string mark = "{port}";
    for (std::size_t at = pattern.find(mark); at != std::string::npos; at = pattern.find(mark, at + port.size())) {
        pattern.replace(at, mark.size(), port);
    }
    return pattern;
}

/// Each pin "B7" has `bits` bits of its port's register, those of pin `first` lowest.
void readSpeedFields(PartContext& context, TableReader& reader) {
    const auto pattern = reader.text("speed_register");
    const auto bits = reader.whole("speed_bits", 1, 8, pattern ? Need::required : Need::optional);
    const std::int64_t first = reader.whole("speed_first", 0, 64).value_or(0);
    for (const std::string& pin : pattern&& bits ? context.part.pins : std::vector<std::string>()) {
        const std::size_t digits = pin.find_first_of("0123456789");
        const bool isNumbered = digits != std::string::npos && pin.size() - digits < 4 &&
                                pin.find_first_not_of("0123456789", digits) == std::string::npos;
        const std::int64_t place = isNumbered ? std::stoi(pin.substr(digits)) - first : -1;
        if (place < 0 || (place + 1) * *bits > 64) {
            continue; // one that has no such field
        }
        const auto low = static_cast<int>(place * *bits);
        context.part.pinSpeedFields[pin] = {withPort(*pattern, pin.substr(0, digits)), low + static_cast<int>(*bits) - 1, low};
    }
    for (const PinSpeed& speed : bits ? context.part.pinSpeeds : std::vector<PinSpeed>()) {
        if (speed.code >= std::int64_t{1} << *bits) {
            reader.error("speeds", phrase("the code {} of '{}'", std::to_string(speed.code), speed.id),
                         phrase("one that fits {} bits", std::to_string(*bits)));
        }
    }
}

} // namespace

void readPinSpeeds(PartContext& context, TableReader& reader) {
    std::vector<PinSpeed>& speeds = context.part.pinSpeeds;
    for (const toml::table* table : reader.tables("speeds")) {
        TableReader inner(*table, context.reporter, reader.pathOf("speeds"));
        PinSpeed speed;
        speed.id = inner.id("id").value_or("?");
        speed.most = inner.quantity("max", Unit::hertz, Need::required).value_or(Rational(1));
        speed.code = inner.whole("code", 0, 255).value_or(static_cast<std::int64_t>(speeds.size()));
        speed.drive = inner.quantity("drive", Unit::ampere);
        inner.finish();
        if (!speeds.empty() && speed.most <= speeds.back().most) {
            inner.error("max", phrase("a speed that is not above the one before"), phrase("the slowest first"));
        }
        speeds.push_back(std::move(speed));
    }
    readSpeedFields(context, reader);
}

void readPins(PartContext& context, TableReader& reader, std::vector<std::string>& pins, std::vector<Signal>& signalPins) {
    const toml::node* node = reader.node("pins");
    const toml::table* table = node == nullptr ? nullptr : node->as_table();
    if (table == nullptr) {
        pins = reader.texts("pins");
        return;
    }
    TableReader inner(*table, context.reporter, reader.pathOf("pins"));
    for (const std::string& name : inner.keys()) {
        Signal signal;
        signal.name = name;
        if (const toml::table* choice = table->get(name)->as_table()) {
            inner.know(name);
            TableReader one(*choice, context.reporter, inner.pathOf(name));
            signal.places = one.texts("at", Need::required);
            signal.field = readOneField(context, one, "field", FieldUse::own);
            readCodes(one, signal);
            one.finish();
        } else {
            signal.places = inner.texts(name);
        }
        if (signal.places.empty()) {
            inner.error(name, phrase("a signal without a pin"), phrase("the pins where it can stand"));
        } else if (signal.places.size() == 1) {
            pins.push_back(signal.places.front());
        } else {
            signalPins.push_back(std::move(signal));
        }
    }
    inner.finish();
}

} // namespace wisetick
