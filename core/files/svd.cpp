#include "files/svd.h"

#include "base/text.h"
#include "base/trimmed.h"

#include <fmt/format.h>
#include <pugixml.hpp>

#include <algorithm>
#include <charconv>

namespace wisetick {

namespace {

constexpr int kDeepest = 8;                    ///< clusters in clusters, and things derived from derived ones
constexpr std::int64_t kMostRegisters = 65536; ///< more is no description of a part

/// "0x40", "64", "#101", "0b101", "4k"; nothing for one in which bits do not matter, "#1x".
std::optional<std::uint64_t> readScaled(std::string_view text) {
    std::string digits(trimmed(text));
    if (!digits.empty() && digits.front() == '+') {
        digits.erase(0, 1);
    }
    int base = 10;
    if (digits.rfind("0x", 0) == 0 || digits.rfind("0X", 0) == 0) {
        base = 16;
        digits.erase(0, 2);
    } else if (digits.rfind("0b", 0) == 0 || digits.rfind("0B", 0) == 0 || digits.rfind('#', 0) == 0) {
        base = 2;
        digits.erase(0, digits.front() == '#' ? 1 : 2);
    }
    std::uint64_t number = 0;
    const auto [stop, error] = std::from_chars(digits.data(), digits.data() + digits.size(), number, base);
    if (error != std::errc()) {
        return std::nullopt;
    }
    const std::string_view left(stop, static_cast<std::size_t>(digits.data() + digits.size() - stop));
    if (left.empty()) {
        return number;
    }
    const std::size_t power = std::string_view("kmgt").find(static_cast<char>(left.front() | 0x20));
    const bool isScaled = left.size() == 1 && power != std::string_view::npos;
    const unsigned shift = isScaled ? 10 * (static_cast<unsigned>(power) + 1) : 0;
    return isScaled && number <= (~std::uint64_t{0} >> shift) ? std::optional(number << shift) : std::nullopt;
}

/// What holds for all registers below, unless they say otherwise.
struct Defaults {
    std::uint64_t size = 32;
    std::optional<std::uint64_t> reset;
    std::string access;
};

/// The indices of an array: "0-3", "A,B,C" or "A-C"; 0, 1, 2, … where it names none.
std::vector<std::string> indicesOf(const std::string& text, std::uint64_t count) {
    std::vector<std::string> list;
    const std::size_t dash = text.find('-');
    if (dash != std::string::npos && text.find(',') == std::string::npos) {
        const auto from = readScaled(std::string_view(text).substr(0, dash));
        const auto to = readScaled(std::string_view(text).substr(dash + 1));
        for (std::uint64_t i = 0; from && to && i < count && *from + i <= *to; ++i) {
            list.push_back(std::to_string(*from + i));
        }
        if (!from && dash == 1 && text.size() == 3) {
            for (char letter = text[0]; letter <= text[2] && list.size() < count; ++letter) {
                list.emplace_back(1, letter);
            }
        }
    } else if (!text.empty()) {
        for (std::size_t at = 0; at <= text.size();) {
            const std::size_t comma = std::min(text.find(',', at), text.size());
            list.emplace_back(trimmed(std::string_view(text).substr(at, comma - at)));
            at = comma + 1;
        }
    }
    if (list.size() != count) {
        list.clear();
        for (std::uint64_t i = 0; i < count; ++i) {
            list.push_back(std::to_string(i));
        }
    }
    return list;
}

std::string withIndex(std::string name, const std::string& index) {
    for (const char* mark : {"[%s]", "%s"}) {
        if (const std::size_t at = name.find(mark); at != std::string::npos) {
            name.replace(at, std::string_view(mark).size(), index);
        }
    }
    return name;
}

/// In one line.
std::string plainText(const char* text) {
    std::string plain;
    for (const char c : std::string_view(text)) {
        const bool isBlank = c == ' ' || c == '\n' || c == '\r' || c == '\t';
        if (!isBlank) {
            plain += c;
        } else if (!plain.empty() && plain.back() != ' ') {
            plain += ' ';
        }
    }
    return std::string(trimmed(plain));
}

class SvdReader {
public:
    SvdReader(std::string_view text, const std::string& file) : text_(text) { names_.file = file; }

    RegisterFile read() {
        pugi::xml_document document;
        const pugi::xml_parse_result parsed = document.load_buffer(text_.data(), text_.size(), pugi::parse_default);
        if (!parsed) {
            fault(parsed.offset, phrase("this is no XML: {}", parsed.description()), phrase("a CMSIS-SVD file"));
            return {std::nullopt, std::move(faults_)};
        }
        const pugi::xml_node device = document.child("device");
        if (!device) {
            fault(0, phrase("no <device>"), phrase("a CMSIS-SVD file"));
            return {std::nullopt, std::move(faults_)};
        }
        names_.device = device.child_value("name");
        names_.about = plainText(device.child_value("description"));
        const Defaults defaults = defaultsOf(device, {});
        for (const pugi::xml_node each : device.child("peripherals").children("peripheral")) {
            readPeripheral(device, each, defaults);
        }
        if (names_.registers.empty() && faults_.empty()) {
            fault(0, phrase("a description without registers"), phrase("<peripherals> with <registers>"));
        }
        const bool isGood = !hasErrors(faults_);
        return {isGood ? std::optional(std::move(names_)) : std::nullopt, std::move(faults_)};
    }

private:
    void fault(std::ptrdiff_t offset, std::string found, std::string expected) {
        const std::string_view before = text_.substr(0, static_cast<std::size_t>(std::max<std::ptrdiff_t>(offset, 0)));
        const auto line = 1 + static_cast<int>(std::count(before.begin(), before.end(), '\n'));
        const std::size_t start = before.rfind('\n') == std::string_view::npos ? 0 : before.rfind('\n') + 1;
        faults_.push_back({Severity::error,
                           {names_.file, line, 1 + static_cast<int>(before.size() - start), {}},
                           std::move(found),
                           std::move(expected),
                           {}});
    }

    /// The number in a child; `otherwise` where there is none, and a fault where it is no number.
    std::uint64_t number(const pugi::xml_node& node, const char* child, std::uint64_t otherwise) {
        const pugi::xml_node text = node.child(child);
        if (!text) {
            return otherwise;
        }
        const auto value = readScaled(text.child_value());
        if (!value) {
            fault(text.offset_debug(), fmt::format("<{0}>{1}</{0}>", child, text.child_value()),
                  phrase("a number such as 64 or 0x40"));
        }
        return value.value_or(otherwise);
    }

    Defaults defaultsOf(const pugi::xml_node& node, Defaults defaults) {
        defaults.size = number(node, "size", defaults.size);
        if (node.child("resetValue")) {
            defaults.reset = number(node, "resetValue", 0);
        }
        if (const pugi::xml_node access = node.child("access")) {
            defaults.access = access.child_value();
        }
        return defaults;
    }

    /// The sibling, or what a path from the device names, from which a thing is derived; a fault where there is none.
    pugi::xml_node originOf(const pugi::xml_node& node) {
        const std::string from = node.attribute("derivedFrom").value();
        if (from.empty()) {
            return {};
        }
        const std::string kind = node.name();
        const auto named = [&](const pugi::xml_node& parent) {
            return parent.find_child([&](const pugi::xml_node& each) {
                return each.name() == kind && each.child_value("name") == from && each != node;
            });
        };
        pugi::xml_node found = named(node.parent());
        if (!found) { // a path: its last word is the name, of a thing of the same kind anywhere below what stands before
            const std::string last = from.substr(from.rfind('.') + 1);
            const std::string first = from.substr(0, from.find('.'));
            const pugi::xml_node device = node.root().child("device");
            found = device.find_node([&](const pugi::xml_node& each) {
                if (each.name() != kind || each.child_value("name") != last || each == node) {
                    return false;
                }
                bool isBelow = first == last;
                for (pugi::xml_node above = each.parent(); above && !isBelow; above = above.parent()) {
                    isBelow = above.child_value("name") == first;
                }
                return isBelow;
            });
        }
        if (!found) {
            fault(node.offset_debug(), fmt::format("derivedFrom=\"{}\"", from), phrase("a <{}> of that name", kind));
        }
        return found;
    }

    /// Calls `each` with the name and the distance of every element of an array; once where it is none.
    template <class Each>
    void elements(const pugi::xml_node& node, const Each& each) {
        const std::string name = plainText(node.child_value("name"));
        if (!node.child("dim")) {
            each(name, std::uint64_t{0});
            return;
        }
        const std::uint64_t count = number(node, "dim", 1);
        const std::uint64_t apart = number(node, "dimIncrement", 0);
        if (count > static_cast<std::uint64_t>(kMostRegisters)) {
            fault(node.offset_debug(), phrase("an array of {}", count), phrase("at most {}", kMostRegisters));
            return;
        }
        const std::vector<std::string> indices = indicesOf(node.child_value("dimIndex"), count);
        for (std::uint64_t i = 0; i < count; ++i) {
            each(withIndex(name, indices[i]), apart * i);
        }
    }

    void readPeripheral(const pugi::xml_node& device, const pugi::xml_node& node, const Defaults& above) {
        pugi::xml_node origin = node;
        std::vector<pugi::xml_node> chain{node}; // what it is derived from comes last
        while ((origin = originOf(origin)) && chain.size() < kDeepest) {
            chain.push_back(origin);
        }
        Defaults defaults = above;
        pugi::xml_node registers;
        for (auto each = chain.rbegin(); each != chain.rend(); ++each) {
            defaults = defaultsOf(*each, defaults);
            registers = each->child("registers") ? each->child("registers") : registers;
        }
        const auto inherited = [&](const char* child) {
            for (const pugi::xml_node& each : chain) {
                if (each.child(child)) {
                    return plainText(each.child_value(child));
                }
            }
            return std::string();
        };
        if (!node.child("baseAddress")) {
            fault(node.offset_debug(), phrase("a peripheral without <baseAddress>"), phrase("where it begins"));
        }
        const std::uint64_t base = number(node, "baseAddress", 0);
        elements(node, [&](const std::string& name, std::uint64_t apart) {
            names_.peripherals.push_back({name, inherited("groupName"), inherited("description"), base + apart, {}});
            readRegisters(registers, name + ".", base + apart, defaults, 0);
        });
        (void)device;
    }

    void readRegisters(const pugi::xml_node& list, const std::string& prefix, std::uint64_t base, const Defaults& defaults,
                       int depth) {
        for (const pugi::xml_node& each : list.children()) {
            const std::string kind = each.name();
            if (kind == "cluster" && depth < kDeepest) {
                const pugi::xml_node origin = originOf(each);
                const pugi::xml_node& content = each.child("register") || each.child("cluster") || !origin ? each : origin;
                const std::uint64_t offset = number(each, "addressOffset", 0);
                elements(each, [&](const std::string& name, std::uint64_t apart) {
                    readRegisters(content, prefix + name + "_", base + offset + apart, defaultsOf(each, defaults), depth + 1);
                });
            } else if (kind == "register") {
                readRegister(each, prefix, base, defaults);
            }
        }
    }

    void readRegister(const pugi::xml_node& node, const std::string& prefix, std::uint64_t base, const Defaults& above) {
        const pugi::xml_node origin = originOf(node);
        const Defaults defaults = defaultsOf(node, origin ? defaultsOf(origin, above) : above);
        const auto child = [&](const char* name) { return node.child(name) || !origin ? node.child(name) : origin.child(name); };
        DescribedRegister common;
        common.about = plainText(child("description").child_value());
        common.facts.width = static_cast<int>(std::min<std::uint64_t>(defaults.size, 64));
        common.facts.reset = defaults.reset;
        for (const pugi::xml_node& field : child("fields").children("field")) {
            readField(field, common);
        }
        common.facts.access = accessOf(defaults.access, child("modifiedWriteValues").child_value(),
                                       child("readAction").child_value(), child("fields"));
        const std::uint64_t offset = number(node, "addressOffset", 0);
        elements(node, [&](const std::string& name, std::uint64_t apart) {
            if (static_cast<std::int64_t>(names_.registers.size()) >= kMostRegisters) {
                return;
            }
            DescribedRegister each = common;
            each.facts.name = prefix + name;
            each.facts.address = base + offset + apart;
            const std::size_t index = names_.registers.size();
            if (names_.byName.emplace(each.facts.name, index).second) {
                names_.peripherals.back().registers.push_back(index);
                names_.registers.push_back(std::move(each));
            }
        });
    }

    /// A word that all fields say is one of their register.
    static Access accessOf(const std::string& access, std::string writes, std::string reads, const pugi::xml_node& fields) {
        const auto ofAll = [&](const char* name) {
            std::string said;
            for (const pugi::xml_node& field : fields.children("field")) {
                const std::string each = field.child_value(name);
                if (each.empty() || (!said.empty() && each != said)) {
                    return std::string();
                }
                said = each;
            }
            return said;
        };
        writes = writes.empty() ? ofAll("modifiedWriteValues") : writes;
        reads = reads.empty() ? ofAll("readAction") : reads;
        const std::string kind = access.empty() ? ofAll("access") : access;
        if (writes == "oneToClear") {
            return Access::writeOneToClear;
        }
        if (writes == "zeroToClear") {
            return Access::writeZeroToClear;
        }
        if (writes == "oneToSet") {
            return Access::setOnly;
        }
        if (kind == "read-only") {
            return reads == "clear" ? Access::readToClear : Access::readOnly;
        }
        if (kind == "write-only" || kind == "writeOnce") {
            return Access::writeOnly;
        }
        return reads == "clear" ? Access::readToClear : Access::readWrite;
    }

    void readField(const pugi::xml_node& node, DescribedRegister& common) {
        const pugi::xml_node origin = originOf(node);
        const std::pair<int, int> bits = bitsOf(node, origin);
        const int msb = bits.first;
        const int lsb = bits.second;
        if (msb < lsb || lsb < 0 || msb >= common.facts.width) {
            fault(node.offset_debug(), phrase("the field '{}' at bits {} to {}", node.child_value("name"), msb, lsb),
                  phrase("bits within its register of {}", common.facts.width));
            return;
        }
        const int width = msb - lsb + 1;
        pugi::xml_node values = node.child("enumeratedValues");
        values = !values && origin ? origin.child("enumeratedValues") : values;
        if (const pugi::xml_node from = values ? originOf(values) : pugi::xml_node()) {
            values = from;
        }
        DescribedField ofAll;
        ofAll.about = plainText(node.child_value("description"));
        for (const pugi::xml_node& each : values.children("enumeratedValue")) {
            const auto code = readScaled(each.child_value("value"));
            if (code && (width >= 63 || *code < (std::uint64_t{1} << width))) {
                ofAll.values.emplace_back(plainText(each.child_value("name")), static_cast<std::int64_t>(*code));
            }
        }
        elements(node, [&](const std::string& name, std::uint64_t apart) {
            const int up = static_cast<int>(std::min<std::uint64_t>(apart, 64));
            if (msb + up < common.facts.width) {
                DescribedField field = ofAll;
                field.name = name;
                field.msb = msb + up;
                field.lsb = lsb + up;
                common.fields.push_back(std::move(field));
            }
        });
    }

    /// As "[msb:lsb]", as lsb and msb, or as offset and width.
    std::pair<int, int> bitsOf(const pugi::xml_node& node, const pugi::xml_node& origin) {
        const auto child = [&](const char* name) { return node.child(name) || !origin ? node.child(name) : origin.child(name); };
        const auto small = [](std::uint64_t value) { return static_cast<int>(std::min<std::uint64_t>(value, 1000)); };
        if (const pugi::xml_node range = child("bitRange")) {
            const std::string text(trimmed(range.child_value()));
            const std::size_t colon = text.find(':');
            const auto high = colon == std::string::npos || text.front() != '['
                                  ? std::nullopt
                                  : readScaled(std::string_view(text).substr(1, colon - 1));
            const auto low = high && text.back() == ']'
                                 ? readScaled(std::string_view(text).substr(colon + 1, text.size() - colon - 2))
                                 : std::nullopt;
            return low ? std::pair(small(*high), small(*low)) : std::pair(-1, 0);
        }
        if (const pugi::xml_node low = child("lsb")) {
            return {small(readScaled(child("msb").child_value()).value_or(1000)),
                    small(readScaled(low.child_value()).value_or(1000))};
        }
        const int offset = small(readScaled(child("bitOffset").child_value()).value_or(1000));
        const int width = child("bitWidth") ? small(readScaled(child("bitWidth").child_value()).value_or(0)) : 1;
        return {offset + width - 1, offset};
    }

    std::string_view text_;
    RegisterNames names_;
    Diagnostics faults_;
};

const DescribedField* fieldAt(const RegisterNames& names, const Field& field) {
    const DescribedRegister* found = names.find(field.reg);
    if (found == nullptr) {
        return nullptr;
    }
    const auto at = std::find_if(found->fields.begin(), found->fields.end(),
                                 [&](const DescribedField& each) { return each.msb == field.msb && each.lsb == field.lsb; });
    return at == found->fields.end() ? nullptr : &*at;
}

} // namespace

const DescribedRegister* RegisterNames::find(std::string_view name) const {
    const auto found = byName.find(name);
    return found == byName.end() ? nullptr : &registers[found->second];
}

std::vector<std::string> RegisterNames::names() const {
    std::vector<std::string> list;
    list.reserve(registers.size());
    for (const DescribedRegister& each : registers) {
        list.push_back(each.facts.name);
    }
    return list;
}

RegisterFile readSvd(std::string_view text, const std::string& file) {
    return SvdReader(text, file).read();
}

std::optional<Field> findField(const RegisterNames& names, std::string_view text) {
    const std::size_t dot = text.rfind('.');
    const DescribedRegister* found = dot == std::string_view::npos ? nullptr : names.find(text.substr(0, dot));
    if (found != nullptr) {
        for (const DescribedField& each : found->fields) {
            if (each.name == text.substr(dot + 1)) {
                return Field{found->facts.name, each.msb, each.lsb};
            }
        }
    }
    return std::nullopt;
}

std::vector<std::string> fieldsNear(const RegisterNames& names, std::string_view text) {
    std::vector<std::string> list;
    const std::size_t dot = text.rfind('.');
    const DescribedRegister* found = dot == std::string_view::npos ? nullptr : names.find(text.substr(0, dot));
    for (const DescribedField& each : found == nullptr ? std::vector<DescribedField>() : found->fields) {
        list.push_back(found->facts.name + "." + each.name);
    }
    return found == nullptr ? names.names() : list;
}

std::optional<std::int64_t> findCode(const RegisterNames& names, const Field& field, std::string_view name) {
    const DescribedField* found = fieldAt(names, field);
    if (found != nullptr) {
        for (const auto& [each, code] : found->values) {
            if (each == name) {
                return code;
            }
        }
    }
    return std::nullopt;
}

std::vector<std::string> codeNames(const RegisterNames& names, const Field& field) {
    std::vector<std::string> list;
    const DescribedField* found = fieldAt(names, field);
    for (const auto& [name, code] : found == nullptr ? decltype(DescribedField::values)() : found->values) {
        list.push_back(name);
    }
    return list;
}

} // namespace wisetick
