#include "files/part_registers.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "base/trimmed.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>

namespace wisetick {

namespace {

/// 4096, "0x5000_0000" or "4096".
std::optional<std::uint64_t> readNumber(std::string_view text) {
    std::string digits;
    std::copy_if(text.begin(), text.end(), std::back_inserter(digits), [](char c) { return c != '_' && c != ' '; });
    const bool isHex = digits.rfind("0x", 0) == 0 || digits.rfind("0X", 0) == 0;
    const char* begin = digits.data() + (isHex ? 2 : 0);
    const char* end = digits.data() + digits.size();
    std::uint64_t number = 0;
    const auto [stop, error] = std::from_chars(begin, end, number, isHex ? 16 : 10);
    return error == std::errc() && stop == end ? std::optional(number) : std::nullopt;
}

std::optional<std::uint64_t> readNumber(TableReader& reader, const std::string& key, Need need = Need::optional) {
    const toml::node* node = reader.node(key, need);
    if (node == nullptr) {
        return std::nullopt;
    }
    const auto whole = node->value_exact<std::int64_t>();
    const auto text = node->value_exact<std::string>();
    const auto number =
        whole && *whole >= 0 ? std::optional(static_cast<std::uint64_t>(*whole)) : (text ? readNumber(*text) : std::nullopt);
    if (!number) {
        reader.error(key, nodeText(*node), phrase("a whole number, such as 64 or \"0x4000_1000\""));
    }
    return number;
}

const std::vector<std::pair<std::string, Access>>& accessNames() {
    static const std::vector<std::pair<std::string, Access>> names{
        {"rw", Access::readWrite},        {"ro", Access::readOnly},          {"wo", Access::writeOnly},
        {"w1c", Access::writeOneToClear}, {"w0c", Access::writeZeroToClear}, {"rc", Access::readToClear},
        {"set", Access::setOnly}};
    return names;
}

Access readAccess(TableReader& reader) {
    const auto text = reader.text("access");
    const auto& names = accessNames();
    const auto found = std::find_if(names.begin(), names.end(), [&](const auto& each) { return each.first == text; });
    if (text && found == names.end()) {
        std::vector<std::string> known;
        for (const auto& each : names) {
            known.push_back(each.first);
        }
        reader.error("access", "'" + *text + "'", listNames(known));
    }
    return found == names.end() ? Access::readWrite : found->second;
}

class RegisterReader {
public:
    RegisterReader(PartContext& context, TableReader& root) : context_(context), root_(root) {}

    void read() {
        for (const toml::table* table : root_.tables("block")) {
            readBlock(*table);
        }
        for (const toml::table* table : root_.tables("register")) {
            readRegister(*table);
        }
        for (const toml::table* table : root_.tables("sequence")) {
            readSequence(*table);
        }
        std::vector<std::string> known = idsOf(context_.part.sequences);
        if (std::find(known.begin(), known.end(), "?") != known.end()) {
            return; // one that can't be read may be the one that is meant
        }
        for (const auto& [needs, place] : needs_) {
            if (std::find(known.begin(), known.end(), needs) == known.end()) {
                context_.reporter.error(place, phrase("no sequence '{}'", needs),
                                        known.empty() ? phrase("a [[sequence]] with that id") : listNames(known),
                                        didYouMean(needs, known));
            }
        }
    }

private:
    /// Names that stand one after the other in memory, each `apart` from the one before.
    void readBlock(const toml::table& table) {
        TableReader reader(table, context_.reporter, "block");
        const std::vector<std::string> names = reader.texts("name", Need::required);
        const auto address = readNumber(reader, "address", Need::required);
        const auto apart = readNumber(reader, "apart", names.size() > 1 ? Need::required : Need::optional);
        reader.text("ref");
        reader.text("note");
        reader.finish();
        for (std::size_t i = 0; address && i < names.size(); ++i) {
            context_.part.blocks.push_back({names[i], *address + apart.value_or(0) * i});
        }
    }

    void readRegister(const toml::table& table) {
        TableReader reader(table, context_.reporter, "register");
        const std::vector<std::string> names = reader.texts("name", Need::required);
        Register common;
        const auto address = readNumber(reader, "address");
        const auto offset = readNumber(reader, "offset");
        common.width = static_cast<int>(reader.whole("width", 8, 64).value_or(32));
        common.reset = readNumber(reader, "reset");
        common.access = readAccess(reader);
        common.needs = reader.text("needs").value_or("");
        common.ref = reader.text("ref").value_or("");
        reader.text("note");
        reader.finish();
        if (!common.needs.empty()) {
            needs_.emplace_back(common.needs, reader.place("needs"));
        }
        for (std::size_t i = 0; i < names.size(); ++i) {
            const RegisterNames* described = context_.book.names();
            const DescribedRegister* known = described == nullptr ? nullptr : described->find(names[i]);
            Register each = known == nullptr ? common : completed(common, known->facts, reader);
            each.name = names[i];
            context_.book.addOwnRegister(names[i]);
            const std::uint64_t step = static_cast<std::uint64_t>(common.width) / 8 * i;
            if (address) {
                each.address = *address + step;
            } else if (offset) {
                const auto block = blockOf(names[i]);
                if (!block) {
                    reader.error("offset", phrase("an offset of '{}', which stands in no block", names[i]),
                                 phrase("a [[block]] named as what stands before the dot"));
                } else {
                    each.address = *block + *offset + step;
                }
            }
            if (context_.part.findRegister(each.name) != nullptr) {
                reader.error("name", phrase("the register '{}' again", each.name), phrase("each register once"));
            }
            context_.part.registers.push_back(std::move(each));
        }
    }

    /// What the part says of a register over what its description tells.
    static Register completed(const Register& said, const Register& described, const TableReader& reader) {
        Register whole = said;
        whole.address = described.address;
        whole.width = reader.has("width") ? said.width : described.width;
        whole.reset = said.reset ? said.reset : described.reset;
        whole.access = reader.has("access") ? said.access : described.access;
        return whole;
    }

    std::optional<std::uint64_t> blockOf(const std::string& registerName) const {
        const std::string block = registerName.substr(0, registerName.find('.'));
        for (const Block& each : context_.part.blocks) {
            if (each.name == block) {
                return each.address;
            }
        }
        return std::nullopt;
    }

    void readSequence(const toml::table& table) {
        TableReader reader(table, context_.reporter, "sequence");
        Sequence sequence;
        sequence.id = reader.id("id").value_or("?");
        const toml::node* writes = reader.node("writes", Need::required);
        const toml::array* list = writes == nullptr ? nullptr : writes->as_array();
        if (writes != nullptr && list == nullptr) {
            reader.error("writes", nodeText(*writes), phrase("a list such as [\"POWER.KEY = 0x6B39\"]"));
        }
        for (std::size_t i = 0; list != nullptr && i < list->size(); ++i) {
            if (auto write = readWrite(context_, reader, *list->get(i), "writes")) {
                sequence.writes.push_back(std::move(*write));
            }
        }
        reader.text("ref");
        reader.text("note");
        reader.finish();
        context_.part.sequences.push_back(std::move(sequence));
    }

    PartContext& context_;
    TableReader& root_;
    std::vector<std::pair<std::string, Place>> needs_;
};

} // namespace

std::optional<RegisterWrite> readWrite(PartContext& context, TableReader& reader, const toml::node& node,
                                       const std::string& key) {
    const auto fault = [&] {
        context.reporter.error(
            context.reporter.placeOf(node, reader.at(key)), nodeText(node),
            phrase("a write such as \"POWER.REST[2:0] = 2\" or \"KEY.ALL = 0x3B\", or {{ wait = \"interrupt\" }}"));
        return std::nullopt;
    };
    if (const toml::table* table = node.as_table()) {
        TableReader inner(*table, reader.reporter(), reader.pathOf(key));
        RegisterWrite write;
        write.wait = inner.text("wait", Need::required).value_or("?");
        inner.finish();
        return write;
    }
    const auto text = node.value_exact<std::string>();
    const std::size_t equals = text ? text->find('=') : std::string::npos;
    if (equals == std::string::npos) {
        return fault();
    }
    const std::string name(trimmed(std::string_view(*text).substr(0, equals)));
    const std::string right(trimmed(std::string_view(*text).substr(equals + 1)));
    RegisterWrite write;
    const RegisterNames* described = context.book.names();
    const DescribedRegister* known = described == nullptr ? nullptr : described->find(name);
    const bool isField = name.find('[') != std::string::npos ||
                         (known == nullptr && described != nullptr && std::count(name.begin(), name.end(), '.') > 1);
    if (isField) {
        const toml::value<std::string> left(name); // as if it stood alone
        context.reporter.noteMade(left, node.source(), 0);
        const auto field = context.book.read(left, context.reporter, reader.at(key));
        if (!field) {
            return std::nullopt; // it was said
        }
        write.field = *field;
    } else {
        const Register* own = context.part.findRegister(name);
        const int width = own != nullptr ? own->width : (known != nullptr ? known->facts.width : 32);
        write.field = {name, width - 1, 0};
    }
    auto number = readNumber(right);
    if (const auto code = described == nullptr || number ? std::nullopt : findCode(*described, write.field, right)) {
        number = static_cast<std::uint64_t>(*code);
    }
    if (name.empty() || !number ||
        (write.field.width() < 63 && Rational(static_cast<std::int64_t>(*number)) > write.field.most())) {
        return fault();
    }
    write.code = static_cast<std::int64_t>(*number);
    return write;
}

void readRegisters(PartContext& context, TableReader& root) {
    RegisterReader(context, root).read();
}

} // namespace wisetick
