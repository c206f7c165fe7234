#include "files/part_from_svd.h"

#include "part/kind_row.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

namespace wisetick {

namespace {

/// As TOML has it.
std::string tomlText(const std::string& text) {
    std::string quoted = "\"";
    for (const char c : text) {
        if (c == '"' || c == '\\') {
            quoted += '\\';
        }
        quoted += static_cast<unsigned char>(c) < 0x20 ? ' ' : c;
    }
    return quoted + "\"";
}

std::string smallLetters(const std::string& name) {
    std::string small;
    for (const char c : name) {
        const bool isUpper = c >= 'A' && c <= 'Z';
        const bool isPlain = (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9');
        small += isUpper ? static_cast<char>(c - 'A' + 'a') : (isPlain ? c : '_');
    }
    return small.empty() || small.front() < 'a' || small.front() > 'z' ? "p_" + small : small;
}

/// The kind that its name or its group begins with; empty where none does.
std::string kindLike(const DescribedPeripheral& peripheral) {
    for (const std::string& name : {smallLetters(peripheral.name), smallLetters(peripheral.group)}) {
        for (const KindRow* row : kindRows()) {
            if (!row->name.empty() && name.rfind(row->name, 0) == 0) {
                return row->name;
            }
        }
    }
    return {};
}

const char* accessText(Access access) {
    switch (access) {
    case Access::readWrite: return "";
    case Access::readOnly: return ", ro";
    case Access::writeOnly: return ", wo";
    case Access::writeOneToClear: return ", w1c";
    case Access::writeZeroToClear: return ", w0c";
    case Access::readToClear: return ", rc";
    case Access::setOnly: return ", set";
    }
    return "";
}

/// One line a register and one a field, without the name of the peripheral.
std::string fieldLines(const RegisterNames& names, const DescribedPeripheral& peripheral) {
    std::string text;
    for (const std::size_t index : peripheral.registers) {
        const DescribedRegister& each = names.registers[index];
        const std::string name = each.facts.name.substr(peripheral.name.size());
        text += fmt::format("# {}, {} bits{}{}{}\n", name, each.facts.width, accessText(each.facts.access),
                            each.about.empty() ? "" : ": ", each.about);
        for (const DescribedField& field : each.fields) {
            std::string codes;
            for (const auto& [code, value] : field.values) {
                codes += (codes.empty() ? "; " : ", ") + code + " = " + std::to_string(value);
            }
            const std::string bits =
                field.msb == field.lsb ? std::to_string(field.lsb) : fmt::format("{}:{}", field.msb, field.lsb);
            text += fmt::format("#   {}.{} [{}]{}{}{}\n", name, field.name, bits, field.about.empty() ? "" : ": ", field.about,
                                codes);
        }
    }
    return text;
}

} // namespace

std::string partFromSvd(const std::string& id, const RegisterNames& names) {
    const std::string device = names.device.empty() ? id : names.device;
    std::string text = fmt::format(
        "# A part begun from the description of its registers. Fields can be given by their bits, \"CLOCK.ON[0]\", or by the "
        "name\n"
        "# that the description has for them, \"CLOCK.ON.XT\"; codes likewise. What a description does not tell comes from the\n"
        "# datasheet: supply, tiers, sources, lines, limits, kinds, currents, modes. See docs/part-files.md.\n"
        "format = \"wisetick-part/1\"\nid = {}\nname = {}\nnote = {}\nregisters = {}\ncore = \"core\"\n\n"
        "[[source]]\nid = \"clock\"\nname = \"to be told: crystal, rc or clock-in\"\nkind = \"clock-in\"\n\n"
        "[[line]]\nid = \"core\"\nfrom = \"clock\"\n\n[[mode]]\nid = \"run\"\nruns = true\n",
        tomlText(id), tomlText(device), tomlText(names.about), tomlText(names.file));
    std::set<std::string> taken{"clock", "core", "run", "battery", "wakes", "average", "tier", "all", "none"};
    std::map<std::string, std::string> told; // fields → who has them
    for (const DescribedPeripheral& each : names.peripherals) {
        std::string own = smallLetters(each.name);
        for (int number = 2; !taken.insert(own).second; ++number) {
            own = smallLetters(each.name) + "_" + std::to_string(number);
        }
        const std::string like = kindLike(each);
        text +=
            fmt::format("\n# ---- {} at 0x{:08X}\n\n[[peripheral]]\nid = {}\nname = {}\nkind = \"other\"{}\nclock = \"core\"\n",
                        each.name, each.address, tomlText(own), tomlText(each.about.empty() ? each.name : each.about),
                        like.empty() ? std::string() : "    # or \"" + like + "\"");
        const std::string lines = fieldLines(names, each);
        const auto [first, isNew] = told.emplace(lines, each.name);
        text += isNew ? lines : "# registers as those of " + first->second + "\n";
    }
    return text;
}

} // namespace wisetick
