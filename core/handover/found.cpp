#include "handover/found.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "base/trimmed.h"
#include "derive/controls.h"
#include "evaluate/evaluate.h"
#include "handover/emit.h"
#include "part/register_names.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <algorithm>
#include <charconv>
#include <set>
#include <stdexcept>

namespace wisetick {

namespace {

/// "0x5000_0200", "12", "1F" where `isHex` is told.
std::optional<std::uint64_t> readFoundNumber(std::string_view text, bool isHex = false) {
    std::string digits;
    std::copy_if(text.begin(), text.end(), std::back_inserter(digits), [](char c) { return c != '_' && c != '\''; });
    if (digits.rfind("0x", 0) == 0 || digits.rfind("0X", 0) == 0) {
        digits.erase(0, 2);
        isHex = true;
    }
    while (!digits.empty() && (digits.back() == 'u' || digits.back() == 'U' || digits.back() == 'l' || digits.back() == 'L')) {
        digits.pop_back();
    }
    std::uint64_t number = 0;
    const auto [stop, error] = std::from_chars(digits.data(), digits.data() + digits.size(), number, isHex ? 16 : 10);
    return !digits.empty() && error == std::errc() && stop == digits.data() + digits.size() ? std::optional(number)
                                                                                            : std::nullopt;
}

std::uint64_t onesOf(int width) {
    return width <= 0 ? 0 : ~std::uint64_t{0} >> (64 - width);
}

/// Gathers bytes and registers from a file.
class FoundReader {
public:
    explicit FoundReader(const Part& part) : part_(part) {}

    FoundRegisters read(std::string_view text, const std::string& file) {
        int number = 0;
        for (std::size_t at = 0; at < text.size();) {
            const std::size_t end = std::min(text.find('\n', at), text.size());
            readLine(text.substr(at, end - at), {file, ++number, 1, {}});
            at = end + 1;
        }
        takeBytes();
        return std::move(found_);
    }

    FoundRegisters readMemory(std::string_view bytes, std::uint64_t address) {
        for (std::size_t i = 0; i < bytes.size(); ++i) {
            bytes_[address + i] = static_cast<std::uint8_t>(bytes[i]);
        }
        takeBytes();
        return std::move(found_);
    }

private:
    void fault(const Place& place, const Text& found, const Text& expected, const std::string& mend = {}) {
        found_.diagnostics.push_back({Severity::error, place, found, expected, mend});
    }

    void readLine(std::string_view line, const Place& place) {
        line = trimmed(line.substr(0, std::min(line.find("//"), line.find('#'))));
        if (!line.empty() && line.back() == '\r') {
            line.remove_suffix(1);
        }
        if (line.empty()) {
            return;
        }
        const bool isRecord = line.size() > 9 && line[0] == 'S' && line[1] >= '0' && line[1] <= '9' &&
                              line.find_first_not_of("0123456789abcdefABCDEF", 2) == std::string_view::npos;
        if (line.front() == ':') {
            readIntelHex(line, place);
        } else if (isRecord) {
            readSrec(line, place);
        } else {
            readAssignment(line, place);
        }
    }

    /// The bytes of a record after its mark, with their sum checked; empty where they are wrong.
    std::vector<std::uint8_t> bytesOf(std::string_view digits, const Place& place) {
        std::vector<std::uint8_t> bytes;
        for (std::size_t i = 0; i + 1 < digits.size(); i += 2) {
            const auto byte = readFoundNumber(digits.substr(i, 2), true);
            if (!byte) {
                fault(place, "'" + std::string(digits.substr(i, 2)) + "'", phrase("two digits of base 16"));
                return {};
            }
            bytes.push_back(static_cast<std::uint8_t>(*byte));
        }
        return bytes;
    }

    static unsigned sumOf(const std::vector<std::uint8_t>& bytes) {
        unsigned sum = 0;
        for (const std::uint8_t byte : bytes) {
            sum += byte;
        }
        return sum & 0xFFU;
    }

    /// :LLAAAATT data CC; all bytes add up to 0.
    void readIntelHex(std::string_view line, const Place& place) {
        const std::vector<std::uint8_t> bytes = bytesOf(line.substr(1), place);
        if (bytes.size() < 5 || bytes.size() != std::size_t{bytes[0]} + 5 || sumOf(bytes) != 0) {
            fault(place, phrase("a record whose length or sum is wrong"), phrase("a line as the tool wrote it"));
            return;
        }
        const std::uint64_t address = (std::uint64_t{bytes[1]} << 8) | bytes[2];
        if (bytes[3] == 0) {
            for (std::size_t i = 0; i < bytes[0]; ++i) {
                bytes_[base_ + address + i] = bytes[4 + i];
            }
        } else if (bytes[3] == 2 && bytes[0] == 2) {
            base_ = ((std::uint64_t{bytes[4]} << 8) | bytes[5]) << 4;
        } else if (bytes[3] == 4 && bytes[0] == 2) {
            base_ = ((std::uint64_t{bytes[4]} << 8) | bytes[5]) << 16;
        }
    }

    /// S1, S2 or S3, count, address of 2, 3 or 4 bytes, data, sum: all bytes add up to 0xFF.
    void readSrec(std::string_view line, const Place& place) {
        const std::vector<std::uint8_t> bytes = bytesOf(line.substr(2), place);
        if (bytes.size() < 3 || bytes.size() != std::size_t{bytes[0]} + 1 || sumOf(bytes) != 0xFFU) {
            fault(place, phrase("a record whose length or sum is wrong"), phrase("a line as the tool wrote it"));
            return;
        }
        const std::size_t wide = line[1] == '1' ? 2 : (line[1] == '2' ? 3 : (line[1] == '3' ? 4 : 0));
        if (wide == 0) {
            return; // a head, a count or an end
        }
        std::uint64_t address = 0;
        for (std::size_t i = 0; i < wide; ++i) {
            address = (address << 8) | bytes[1 + i];
        }
        for (std::size_t i = 1 + wide; i + 1 < bytes.size(); ++i) {
            bytes_[address + i - 1 - wide] = bytes[i];
        }
    }

    /// NAME = value, or an address and the values from there on.
    void readAssignment(std::string_view line, const Place& place) {
        std::string name;
        std::vector<std::string> words;
        std::string word;
        bool isSymbol = false; // "<main+4>" of a debugger
        for (const char c : std::string(line) + " ") {
            isSymbol = c == '<' || (isSymbol && c != '>');
            const bool isBreak = c == ' ' || c == '\t' || c == '=' || c == ':' || c == ',' || c == ';' || c == '<' || c == '>';
            if (!isSymbol && !isBreak) {
                word += c;
            } else if (!word.empty()) {
                words.push_back(std::exchange(word, {}));
            }
        }
        if (words.size() < 2) {
            fault(place, "'" + std::string(line) + "'", phrase("NAME = value, or an address and values"));
            return;
        }
        const auto address = readFoundNumber(words.front());
        const Register* known = address ? nullptr : part_.findRegister(words.front());
        std::uint64_t at = address.value_or(0);
        for (std::size_t i = 1; i < words.size(); ++i) {
            const auto value = readFoundNumber(words[i]);
            if (!value) {
                fault(place, "'" + words[i] + "'", phrase("a number such as 0x3"));
                return;
            }
            if (address) {
                const std::size_t wide = words[i].size() > 10 ? 8 : 4;
                for (std::size_t k = 0; k < wide; ++k) {
                    bytes_[at + k] = static_cast<std::uint8_t>(*value >> (8 * k));
                }
                at += wide;
            } else if (i == 1) {
                takeNamed(words.front(), known, *value, place);
            }
        }
    }

    void takeNamed(const std::string& name, const Register* known, std::uint64_t value, const Place& place) {
        if (!names_.contains(name)) {
            fault(place, phrase("no register '{}' in this part", name), phrase("one that a field of it stands in"),
                  didYouMean(name, {names_.begin(), names_.end()}));
            return;
        }
        const int width = known == nullptr ? (value >> 32 != 0 ? 64 : 32) : known->width;
        if ((value & ~onesOf(width)) != 0) {
            fault(place, phrase("a value that does not fit the {} bits of {}", std::to_string(width), name),
                  phrase("a number of its width"));
            return;
        }
        found_.registers[name] = {value, onesOf(width)};
    }

    /// Registers whose address the bytes cover.
    void takeBytes() {
        std::size_t used = 0;
        for (const Register& each : part_.registers) {
            const auto address = part_.addressOf(each.name);
            FoundRegister found;
            for (int i = 0; address && i < each.width / 8; ++i) {
                const auto byte = bytes_.find(*address + static_cast<std::uint64_t>(i));
                if (byte != bytes_.end()) {
                    found.value |= std::uint64_t{byte->second} << (8 * i);
                    found.known |= std::uint64_t{0xFF} << (8 * i);
                    ++used;
                }
            }
            if (found.known != 0) {
                found_.registers[each.name] = found;
            }
        }
        found_.elsewhere = bytes_.size() - std::min(used, bytes_.size());
    }

    const Part& part_;
    FoundRegisters found_;
    std::map<std::uint64_t, std::uint8_t> bytes_;
    std::uint64_t base_ = 0;
    std::set<std::string> names_ = registerNames(part_);
};

/// The inverse of heldFor: the value of a set that its field holds as that number.
std::optional<Rational> valueFor(const Holds& holds, std::uint64_t held) {
    const Rational number = Rational::wide(static_cast<Rational::Wide>(held));
    if (holds.form == Holds::Form::table) {
        for (const auto& [name, code] : holds.codes) {
            const auto value =
                static_cast<std::uint64_t>(code) == held ? readFactor(name) : tl::expected<Rational, TextError>(Rational(0));
            if (static_cast<std::uint64_t>(code) == held) {
                return value ? std::optional(*value) : std::nullopt;
            }
        }
        return std::nullopt;
    }
    if (!holds.others.empty()) {
        return std::nullopt;
    }
    if (holds.form == Holds::Form::logarithm) {
        constexpr int kMostDoublings = 62;
        if (number - holds.offset > kMostDoublings) { // no control is set to that
            return std::nullopt;
        }
        Rational power = 1;
        for (Rational i = holds.offset; i < number; i += 1) {
            power *= holds.base;
        }
        return power;
    }
    return holds.slope.isZero() ? std::nullopt : std::optional((number - holds.offset) / holds.slope);
}

/// Reads the controls of one line back from its fields.
class Decoder {
public:
    Decoder(const FoundRegisters& found, const std::map<std::string, Field>& fields, const std::map<std::string, Holds>& holds)
        : found_(found), fields_(fields), holds_(holds) {}

    bool has(const std::string& control) const { return fields_.contains(control); }

    std::optional<std::uint64_t> held(const std::string& control) const {
        const auto field = fields_.find(control);
        return field == fields_.end() ? std::nullopt : foundIn(found_, field->second);
    }

    /// The value of a control, in one field or laid out over several.
    std::optional<Rational> value(const std::string& control, const FactorSet& set) const {
        std::optional<Rational> number = one(control);
        if (has(control + ".whole")) {
            const auto whole = one(control + ".whole");
            const auto fraction = has(control + ".fraction") ? one(control + ".fraction") : std::optional(Rational(0));
            const auto enable = has(control + ".enable") ? held(control + ".enable") : std::optional<std::uint64_t>(1);
            number = whole && enable && (*enable == 0 || fraction)
                         ? std::optional(*whole + (*enable == 0 ? Rational(0) : *fraction))
                         : std::nullopt;
        } else if (has(control + ".mantissa")) {
            const auto mantissa = one(control + ".mantissa");
            const auto exponent = one(control + ".exponent");
            number = mantissa && exponent ? std::optional(*mantissa * *exponent) : std::nullopt;
        }
        return number && set.contains(*number) ? number : std::nullopt;
    }

    std::optional<std::string> input(const std::vector<std::string>& inputs) const {
        const auto number = held("from");
        const auto form = holds_.find("from");
        for (const std::string& input : number&& form != holds_.end() ? inputs : std::vector<std::string>()) {
            const auto code = heldFor(form->second, input);
            if (code && static_cast<std::uint64_t>(*code) == *number) {
                return input;
            }
        }
        return std::nullopt;
    }

private:
    std::optional<Rational> one(const std::string& name) const {
        const auto number = held(name);
        const auto form = holds_.find(name);
        return number && form != holds_.end() ? valueFor(form->second, *number) : std::nullopt;
    }

    const FoundRegisters& found_;
    const std::map<std::string, Field>& fields_;
    const std::map<std::string, Holds>& holds_;
};

std::vector<std::string> idsOfNodes(const Part& part, const std::vector<NodeIndex>& nodes) {
    std::vector<std::string> ids;
    for (const NodeIndex node : nodes) {
        ids.push_back(part.nodeId(node));
    }
    return ids;
}

} // namespace

FoundRegisters readFound(const Part& part, std::string_view text, const std::string& file) {
    return FoundReader(part).read(text, file);
}

FoundRegisters readFoundMemory(const Part& part, std::string_view bytes, std::uint64_t address) {
    return FoundReader(part).readMemory(bytes, address);
}

std::optional<std::uint64_t> foundIn(const FoundRegisters& found, const Field& field) {
    std::uint64_t whole = 0;
    for (const Field& piece : field.pieces()) {
        const auto at = found.registers.find(piece.reg);
        const std::uint64_t mask = onesOf(piece.ownWidth()) << piece.lsb;
        if (at == found.registers.end() || (at->second.known & mask) != mask) {
            return std::nullopt;
        }
        whole = (piece.ownWidth() == 64 ? 0 : whole << piece.ownWidth()) | ((at->second.value & mask) >> piece.lsb);
    }
    return whole;
}

DecodedTake decodedTake(const Part& part, const FoundRegisters& found, const std::string& name) {
    DecodedTake result;
    result.take.name = name;
    const auto miss = [&](const std::string& control) { result.unknown.push_back(control); };
    bool isTierTold = part.tiers.empty();
    for (const Tier& tier : part.tiers) {
        const auto held = tier.field ? foundIn(found, *tier.field) : std::nullopt;
        if (held && *held == static_cast<std::uint64_t>(tier.code)) {
            result.take.tier = tier.id;
            isTierTold = true;
        }
    }
    if (!isTierTold) {
        miss("tier");
    }
    for (const Source& source : part.sources) {
        const auto held = source.rateField ? foundIn(found, *source.rateField) : std::nullopt;
        for (std::size_t i = 0; held && i < source.codes.size(); ++i) {
            if (static_cast<std::uint64_t>(source.codes[i]) == *held) {
                choiceOf(result.take, source.id).rate = source.rates[i];
            }
        }
        if (source.rateField && source.rates.size() > 1 && !held) {
            miss(source.id + ".rate");
        }
        const auto drive = source.driveField ? foundIn(found, *source.driveField) : std::nullopt;
        for (const Drive& each : drive ? source.drives : std::vector<Drive>()) {
            if (static_cast<std::uint64_t>(each.code) == *drive) {
                choiceOf(result.take, source.id).drive = each.id;
            }
        }
    }
    for (const Line& line : part.lines) {
        const Decoder decoder(found, line.fields, line.holds);
        const auto take = [&](const char* control, const auto& value, const auto& set) {
            if (value) {
                set(choiceOf(result.take, line.id));
            } else {
                miss(line.id + "." + control);
            }
        };
        if (line.from.size() > 1) {
            const auto input = decoder.input(idsOfNodes(part, line.from));
            take("from", input, [&](Choice& choice) { choice.from = *input; });
        }
        if (!line.multiply.empty() && line.multiply.least() != line.multiply.most()) {
            const auto factor = decoder.value("multiply", line.multiply);
            take("multiply", factor, [&](Choice& choice) { choice.multiply = *factor; });
        }
        if (!line.divide.empty() && line.divide.least() != line.divide.most()) {
            const auto factor = decoder.value("divide", line.divide);
            take("divide", factor, [&](Choice& choice) { choice.divide = *factor; });
        }
    }
    for (const Peripheral& peripheral : part.peripherals) {
        if (peripheral.clock.size() > 1) {
            const auto input = Decoder(found, peripheral.fields, peripheral.holds).input(idsOfNodes(part, peripheral.clock));
            if (input) {
                choiceOf(result.take, peripheral.id).from = *input;
            } else {
                miss(peripheral.id + ".from");
            }
        }
    }
    return result;
}

void putFields(const std::vector<FieldValue>& fields, FoundRegisters& found) {
    for (const FieldValue& value : fields) {
        auto left = static_cast<std::uint64_t>(value.held);
        const std::vector<Field> pieces = value.field.pieces();
        for (auto piece = pieces.rbegin(); piece != pieces.rend(); ++piece) { // the lowest holds the lowest bits
            const std::uint64_t ones = onesOf(piece->ownWidth());
            FoundRegister& reg = found.registers[piece->reg];
            reg.value = (reg.value & ~(ones << piece->lsb)) | ((left & ones) << piece->lsb);
            reg.known |= ones << piece->lsb;
            left = piece->ownWidth() == 64 ? 0 : left >> piece->ownWidth();
        }
    }
}

std::optional<Rational> foundSetting(const Part& part, const FoundRegisters& found, std::size_t index,
                                     const std::string& setting) {
    const Peripheral& peripheral = part.peripherals[index];
    const Decoder decoder(found, peripheral.fields, peripheral.holds);
    std::optional<Rational> value;
    peripheral.kind.row()->widths(peripheral.kind, [&](const std::string& control, const FactorSet& set) {
        if (control == setting) {
            value = decoder.value(control, set);
        }
    });
    return value;
}

Text addDecodedTake(const Part& part, Plan& plan, const FoundRegisters& found, const std::string& like, const std::string& name) {
    const Take* model = findTake(plan, like);
    if (model == nullptr) {
        return phrase("no take '{}'", like);
    }
    if (name.empty() || findTake(plan, name) != nullptr) {
        return name.empty() ? phrase("a take needs a name") : phrase("there is a take '{}' already", name);
    }
    DecodedTake decoded = decodedTake(part, found, name);
    Take take = *model;
    take.name = name;
    take.locks.clear();
    take.pinned.clear(); // what is pinned there need not be what was found
    take.tier = decoded.take.tier.empty() ? take.tier : decoded.take.tier;
    for (const Choice& each : decoded.take.choices) {
        Choice& choice = choiceOf(take, each.id);
        choice.from = each.from ? each.from : choice.from;
        choice.divide = each.divide ? each.divide : choice.divide;
        choice.multiply = each.multiply ? each.multiply : choice.multiply;
        choice.rate = each.rate ? each.rate : choice.rate;
        choice.drive = each.drive ? each.drive : choice.drive;
    }
    plan.takes.push_back(std::move(take));
    return {};
}

std::vector<FoundField> foundFields(const Part& part, const Plan& plan, const std::string& takeName,
                                    const FoundRegisters& found) {
    const Take* take = findTake(plan, takeName);
    if (take == nullptr) {
        throw std::invalid_argument(phrase("no take '{}'", takeName));
    }
    const Figures figures = evaluate(part, plan, takeName);
    const DecodedTake decoded = decodedTake(part, found, "found");
    std::vector<FoundField> list;
    for (const EmittedField& each : emittedFields(part, plan, figures, Broken::written)) {
        FoundField field;
        field.planned = each.value;
        field.found = foundIn(found, each.value.field);
        list.push_back(std::move(field));
    }
    for (FoundField& field : list) {
        if (!field.found || field.isSame()) {
            continue;
        }
        // the one control that this field is of, set as it was found: what that alone moves
        const std::size_t dot = field.planned.control.find('.');
        const std::string id = field.planned.control.substr(0, dot);
        const std::string control =
            dot == std::string::npos ? std::string()
                                     : field.planned.control.substr(dot + 1, field.planned.control.find('.', dot + 1) - dot - 1);
        Plan changed = plan;
        Take& other =
            *std::find_if(changed.takes.begin(), changed.takes.end(), [&](const Take& one) { return one.name == takeName; });
        const auto choice = std::find_if(decoded.take.choices.begin(), decoded.take.choices.end(),
                                         [&](const Choice& one) { return one.id == id; });
        bool isChanged = false;
        if (id == "tier" && !decoded.take.tier.empty()) {
            other.tier = decoded.take.tier;
            field.means = decoded.take.tier;
            isChanged = true;
        } else if (choice != decoded.take.choices.end()) {
            Choice& own = choiceOf(other, id);
            if (control == "from" && choice->from) {
                own.from = choice->from;
                field.means = phrase("from {}", *choice->from);
            } else if (control == "divide" && choice->divide) {
                own.divide = choice->divide;
                field.means = "\u00f7 " + printFactor(*choice->divide);
            } else if (control == "multiply" && choice->multiply) {
                own.multiply = choice->multiply;
                field.means = "\u00d7 " + printFactor(*choice->multiply);
            } else if (control == "rate" && choice->rate) {
                own.rate = choice->rate;
                field.means = phrase("at {}", printQuantity(*choice->rate, Unit::hertz));
            }
            isChanged = !field.means.empty();
        } else if (control == "on") {
            field.means = *field.found == 1 ? "on" : "off";
            choiceOf(other, id).on = *field.found == 1;
            isChanged = true;
        }
        if (isChanged) {
            field.moves = ripple(figures, evaluate(part, changed, takeName));
        }
    }
    return list;
}

} // namespace wisetick
