#pragma once

#include "base/diagnostic.h"
#include "part/part.h"

#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace wisetick {

/// A field as a register description names it.
struct DescribedField {
    std::string name;
    int msb = 0;
    int lsb = 0;
    std::string about;
    std::vector<std::pair<std::string, std::int64_t>> values; ///< its codes by name
};

/// A register with its fields; `facts.name` has its peripheral before the dot: "OSC.MAIN".
struct DescribedRegister {
    Register facts;
    std::string about;
    std::vector<DescribedField> fields;
};

struct DescribedPeripheral {
    std::string name;
    std::string group;
    std::string about;
    std::uint64_t address = 0;
    std::vector<std::size_t> registers; ///< indices
};

/// All registers of a device, as a description file tells them.
struct RegisterNames {
    std::string file;
    std::string device;
    std::string about;
    std::vector<DescribedPeripheral> peripherals;
    std::vector<DescribedRegister> registers;
    std::map<std::string, std::size_t, std::less<>> byName;

    const DescribedRegister* find(std::string_view name) const;
    std::vector<std::string> names() const;
};

/// What came of reading a description: nothing where it is none, and every fault with its place.
struct RegisterFile {
    std::optional<RegisterNames> names;
    Diagnostics diagnostics;
};

/// Reads CMSIS-SVD (schema 1.3): peripherals, clusters and registers, single or as arrays (`dim`), derived ones, sizes, access
/// and reset values with their defaults, fields in the three notations, enumerated values. A register of a cluster is called
/// "PERIPHERAL.CLUSTER_REGISTER"; of an array "[%s]" and "%s" are both its index. `file` is its name for messages.
RegisterFile readSvd(std::string_view text, const std::string& file);

/// The field of the name "OSC.MAIN.READY"; nothing where the description has none.
std::optional<Field> findField(const RegisterNames& names, std::string_view text);
/// The fields that are nearest to a name, for messages.
std::vector<std::string> fieldsNear(const RegisterNames& names, std::string_view text);
/// The code that is called so in the field at these bits.
std::optional<std::int64_t> findCode(const RegisterNames& names, const Field& field, std::string_view name);
std::vector<std::string> codeNames(const RegisterNames& names, const Field& field);

} // namespace wisetick
