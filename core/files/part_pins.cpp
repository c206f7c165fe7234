#include "files/part_pins.h"

namespace wisetick {

namespace {

void readCodes(TableReader& reader, Signal& signal) {
    const toml::node* codes = reader.node("codes");
    const toml::array* list = codes == nullptr ? nullptr : codes->as_array();
    if (codes != nullptr && (list == nullptr || list->size() != signal.places.size())) {
        reader.error("codes", nodeText(*codes), "one whole number for each place");
    }
    for (std::size_t i = 0; i < signal.places.size(); ++i) {
        const auto code = list != nullptr && i < list->size() ? list->get(i)->value_exact<std::int64_t>() : std::nullopt;
        signal.codes.push_back(code.value_or(static_cast<std::int64_t>(i)));
    }
}

} // namespace

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
            inner.error(name, "a signal without a pin", "the pins where it can stand");
        } else if (signal.places.size() == 1) {
            pins.push_back(signal.places.front());
        } else {
            signalPins.push_back(std::move(signal));
        }
    }
    inner.finish();
}

} // namespace wisetick
