#include "plan/setting_names.h"

#include "part/kind_row.h"

#include <algorithm>

namespace wisetick {

std::vector<std::string> settingNames() {
    std::vector<std::string> names;
    for (const KindRow* row : kindRows()) {
        auto place = names.begin(); // a new name goes behind those that its kind has before it
        for (const std::string& name : row->settings) {
            const auto known = std::find(names.begin(), names.end(), name);
            place = (known == names.end() ? names.insert(place, name) : known) + 1;
        }
    }
    return names;
}

} // namespace wisetick
