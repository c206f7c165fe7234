#include "files/register_table.h"

#include "base/nearest_name.h"
#include "base/separated_rows.h"
#include "base/trimmed.h"
#include "part/field.h"

#include <algorithm>
#include <bit>
#include <charconv>
#include <map>
#include <optional>

namespace wisetick {

namespace {

/// "0x40", "64", "(0x1FUL << 4)" as far as it is numbers, a shift and brackets; nothing for anything else.
std::optional<std::uint64_t> definedNumber(std::string_view text) {
    std::string plain;
    for (const char sign : text) {
        plain += sign == '(' || sign == ')' || sign == ' ' || sign == '\t' ? std::string() : std::string(1, sign);
    }
    const auto one = [](std::string digits) -> std::optional<std::uint64_t> {
        while (!digits.empty() && std::string_view("uUlL").find(digits.back()) != std::string_view::npos) {
            digits.pop_back();
        }
        const bool isHex = digits.starts_with("0x") || digits.starts_with("0X");
        std::uint64_t number = 0;
        const char* begin = digits.data() + (isHex ? 2 : 0);
        const char* end = digits.data() + digits.size();
        const auto [stop, error] = std::from_chars(begin, end, number, isHex ? 16 : 10);
        return error == std::errc() && stop == end ? std::optional(number) : std::nullopt;
    };
    const std::size_t shift = plain.find("<<");
    if (shift == std::string::npos) {
        return one(plain);
    }
    const auto number = one(plain.substr(0, shift));
    const auto by = one(plain.substr(shift + 2));
    return number && by && *by < 64 ? std::optional(*number << *by) : std::nullopt;
}

/// Collects registers with their fields, by block.
class RegisterCollector {
public:
    explicit RegisterCollector(const std::string& file) { names_.file = file; }

    DescribedRegister& at(const std::string& name) {
        const auto [place, isNew] = names_.byName.emplace(name, names_.registers.size());
        if (isNew) {
            DescribedRegister reg;
            reg.facts.name = name;
            names_.registers.push_back(std::move(reg));
            const std::string block = name.substr(0, name.find('.'));
            auto found = std::find_if(names_.peripherals.begin(), names_.peripherals.end(),
                                      [&](const DescribedPeripheral& each) { return each.name == block; });
            if (found == names_.peripherals.end()) {
                names_.peripherals.push_back({block, {}, {}, 0, {}});
                found = names_.peripherals.end() - 1;
            }
            found->registers.push_back(place->second);
        }
        return names_.registers[place->second];
    }
    bool isEmpty() const { return names_.registers.empty(); }
    RegisterNames take() { return std::move(names_); }

private:
    RegisterNames names_;
};

std::string endingOf(const std::string& file) {
    const std::size_t dot = file.rfind('.');
    return dot == std::string::npos ? std::string() : file.substr(dot);
}

/// What a name stands before one of these endings; nothing where it has none.
std::optional<std::string> before(const std::string& name, std::initializer_list<const char*> endings) {
    for (const std::string ending : endings) {
        if (name.size() > ending.size() && name.ends_with(ending)) {
            return name.substr(0, name.size() - ending.size());
        }
    }
    return std::nullopt;
}

std::string dotted(const std::string& name) {
    std::string plain = name;
    const std::size_t bar = plain.find('_');
    if (bar != std::string::npos) {
        plain[bar] = '.';
    }
    return plain;
}

} // namespace

RegisterFile readRegisterTable(std::string_view text, const std::string& file) {
    RegisterFile result;
    const std::string_view first = text.substr(0, text.find('\n'));
    const char separator =
        first.find('\t') != std::string_view::npos ? '\t' : (first.find(';') != std::string_view::npos ? ';' : ',');
    const auto rows = separatedRows(text, separator);
    static const std::vector<std::string> known{"register", "address", "field", "bits", "access", "reset", "about"};
    std::map<std::string, std::size_t> columns;
    const auto fault = [&](std::size_t row, const Text& found, const Text& expected, const Text& mend = {}) {
        result.diagnostics.push_back({Severity::error, {file, static_cast<int>(row) + 1, 1, {}}, found, expected, mend});
    };
    for (std::size_t i = 0; i < rows.front().size(); ++i) {
        const std::string name(trimmed(rows.front()[i]));
        if (std::find(known.begin(), known.end(), name) != known.end()) {
            columns[name] = i;
        } else if (!name.empty()) {
            fault(0, phrase("a column '{}'", name), listNames(known), didYouMean(name, known));
        }
    }
    if (!columns.contains("register")) {
        fault(0, phrase("no column 'register'"), phrase("a first row such as register,address,field,bits,about"));
        return result;
    }
    RegisterCollector collector(file);
    for (std::size_t row = 1; row < rows.size(); ++row) {
        const auto cell = [&](const char* name) {
            const auto column = columns.find(name);
            return column == columns.end() || column->second >= rows[row].size()
                       ? std::string()
                       : std::string(trimmed(rows[row][column->second]));
        };
        const std::string name = cell("register");
        if (name.empty()) {
            continue;
        }
        if (!isRegisterName(name)) {
            fault(row, phrase("the register '{}'", name), phrase("a name such as OSC.MAIN"));
            continue;
        }
        DescribedRegister& reg = collector.at(name);
        for (const auto& [key, into] : {std::pair("address", &reg.facts.address), std::pair("reset", &reg.facts.reset)}) {
            const std::string said = cell(key);
            const auto number = said.empty() ? std::nullopt : definedNumber(said);
            if (number) {
                *into = *number;
            } else if (!said.empty()) {
                fault(row, phrase("'{}' as {}", said, key), phrase("a number such as 0x40"));
            }
        }
        const std::string access = cell("access");
        if (access == "ro" || access == "wo") {
            reg.facts.access = access == "ro" ? Access::readOnly : Access::writeOnly;
        } else if (!access.empty() && access != "rw") {
            fault(row, phrase("'{}' as access", access), phrase("rw, ro or wo"));
        }
        const std::string fieldName = cell("field");
        if (fieldName.empty()) {
            reg.about = cell("about");
            continue;
        }
        const auto field = readField(name + "[" + cell("bits") + "]");
        if (!field) {
            fault(row, phrase("'{}' as bits of {}", cell("bits"), fieldName), phrase("bits such as 7:0, or 3"));
            continue;
        }
        reg.fields.push_back({fieldName, field->msb, field->lsb, cell("about"), {}});
    }
    if (collector.isEmpty()) {
        fault(0, phrase("no register"), phrase("a row for each register or field"));
    } else if (result.diagnostics.empty()) {
        result.names = collector.take();
    }
    return result;
}

RegisterFile readDefines(std::string_view text, const std::string& file) {
    RegisterFile result;
    std::map<std::string, std::uint64_t> numbers;
    std::vector<std::string> order;
    while (!text.empty()) {
        const std::size_t end = text.find('\n');
        std::string_view line = text.substr(0, end);
        text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
        line = line.substr(0, std::min(line.find("//"), line.find("/*")));
        line = trimmed(line);
        constexpr std::string_view kDefine = "#define";
        if (!line.starts_with(kDefine)) {
            continue;
        }
        line = trimmed(line.substr(kDefine.size()));
        const std::size_t blank = line.find_first_of(" \t");
        const auto number = blank == std::string_view::npos ? std::nullopt : definedNumber(trimmed(line.substr(blank)));
        if (number) {
            const std::string name(line.substr(0, blank));
            if (numbers.emplace(name, *number).second) {
                order.push_back(name);
            }
        }
    }
    RegisterCollector collector(file);
    std::vector<std::string> registers; // as the header calls them
    for (const std::string& name : order) {
        if (const auto reg = before(name, {"_ADDR", "_ADDRESS"}); reg && isRegisterName(dotted(*reg))) {
            collector.at(dotted(*reg)).facts.address = numbers[name];
            registers.push_back(*reg);
        }
    }
    for (const std::string& name : order) {
        const auto whole = before(name, {"_Pos", "_SHIFT"});
        if (!whole) {
            continue;
        }
        const auto mask = std::find_if(order.begin(), order.end(), [&](const std::string& each) {
            return before(each, {"_Msk", "_MASK"}) == whole;
        });
        std::string owner; // the longest register whose name it begins with
        for (const std::string& reg : registers) {
            owner = whole->starts_with(reg + "_") && reg.size() > owner.size() ? reg : owner;
        }
        const std::uint64_t lsb = numbers[name];
        if (owner.empty() || mask == order.end() || lsb > 63) {
            continue;
        }
        const std::uint64_t bits = numbers[*mask];
        const std::uint64_t low = (bits >> lsb) != 0 && (bits & ((std::uint64_t{1} << lsb) - 1)) == 0 ? bits >> lsb : bits;
        const int width = std::popcount(low);
        if (width > 0 && static_cast<int>(lsb) + width <= 64) {
            collector.at(dotted(owner))
                .fields.push_back(
                    {whole->substr(owner.size() + 1), static_cast<int>(lsb) + width - 1, static_cast<int>(lsb), {}, {}});
        }
    }
    if (collector.isEmpty()) {
        result.diagnostics.push_back({Severity::error,
                                      {file, 1, 1, {}},
                                      phrase("no register"),
                                      phrase("lines such as #define UART1_RATE_ADDR 0x40001000 and #define UART1_RATE_DIV_Pos 4"),
                                      {}});
    } else {
        result.names = collector.take();
    }
    return result;
}

RegisterFile readRegisterFile(std::string_view text, const std::string& file) {
    const std::string ending = endingOf(file);
    if (ending == ".csv" || ending == ".tsv") {
        return readRegisterTable(text, file);
    }
    return ending == ".h" ? readDefines(text, file) : readSvd(text, file);
}

} // namespace wisetick
