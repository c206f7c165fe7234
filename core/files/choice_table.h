#pragma once

#include "files/toml_reader.h"
#include "plan/plan.h"

#include <optional>
#include <string>

namespace wisetick {

/// The choice for one id among a take's `choices`, as plans and the worked examples of parts say it; it reports its faults.
/// Nothing where the key holds no table.
inline std::optional<Choice> readChoiceTable(TableReader& choices, const std::string& id) {
    const toml::table* table = choices.table(id);
    if (table == nullptr) {
        return std::nullopt;
    }
    TableReader reader(*table, choices.reporter(), choices.pathOf(id));
    Choice choice;
    choice.id = id;
    choice.from = reader.text("from");
    choice.divide = reader.factor("divide");
    choice.multiply = reader.factor("multiply");
    choice.rate = reader.quantity("rate", Unit::hertz);
    choice.drive = reader.text("drive");
    choice.on = reader.flag("on");
    reader.text("note");
    reader.finish();
    return choice;
}

} // namespace wisetick
