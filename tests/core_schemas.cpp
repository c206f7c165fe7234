#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "support.h"

#include <toml++/toml.h>

#include <nlohmann/json.hpp>

#include <filesystem>
#include <regex>
#include <set>

namespace fs = std::filesystem;
using namespace wisetick;
using namespace wisetick::test;
using Json = nlohmann::json;

namespace {

/// As much of JSON Schema as the project's schemas use. Gives what does not fit, or an empty text.
class Validator {
public:
    explicit Validator(const Json& schema) : root_(schema) {}
    std::string check(const Json& value) const { return check(value, root_, ""); }

private:
    std::string check(const Json& value, const Json& schema, const std::string& path) const {
        if (schema.contains("$ref")) {
            const auto name = schema["$ref"].get<std::string>();
            return check(value, root_.at("$defs").at(name.substr(name.rfind('/') + 1)), path);
        }
        if (schema.contains("anyOf")) {
            for (const Json& each : schema["anyOf"]) {
                if (check(value, each, path).empty()) {
                    return {};
                }
            }
            return path + " fits none of its forms";
        }
        if (schema.contains("const") && value != schema["const"]) {
            return path + " is not " + schema["const"].dump();
        }
        if (schema.contains("enum") && std::find(schema["enum"].begin(), schema["enum"].end(), value) == schema["enum"].end()) {
            return path + " is none of " + schema["enum"].dump();
        }
        const std::string type = schema.value("type", "");
        if ((type == "string" && !value.is_string()) || (type == "integer" && !value.is_number_integer()) ||
            (type == "boolean" && !value.is_boolean()) || (type == "array" && !value.is_array()) ||
            (type == "object" && !value.is_object())) {
            return path + " is no " + type;
        }
        if (schema.contains("pattern") &&
            !std::regex_search(value.get<std::string>(), std::regex(schema["pattern"].get<std::string>()))) {
            return path + " does not match " + schema["pattern"].dump();
        }
        if (schema.contains("minimum") && value < schema["minimum"]) {
            return path + " is too small";
        }
        for (std::size_t i = 0; schema.contains("items") && i < value.size(); ++i) {
            const std::string fault = check(value[i], schema["items"], path + "[" + std::to_string(i) + "]");
            if (!fault.empty()) {
                return fault;
            }
        }
        return type == "object" ? checkMembers(value, schema, path) : std::string();
    }

    std::string checkMembers(const Json& value, const Json& schema, const std::string& path) const {
        for (const Json& key : schema.value("required", Json::array())) {
            if (!value.contains(key.get<std::string>())) {
                return path + " lacks " + key.dump();
            }
        }
        const Json properties = schema.value("properties", Json::object());
        const Json others = schema.value("additionalProperties", Json(true));
        for (const auto& [key, member] : value.items()) {
            const bool isNamed = properties.contains(key);
            if (!isNamed && others == false) {
                return path + "." + key + " is not known";
            }
            const Json each = isNamed ? properties[key] : (others.is_object() ? others : Json::object());
            const std::string fault = check(member, each, path + "." + key);
            if (!fault.empty()) {
                return fault;
            }
        }
        return {};
    }

    const Json& root_;
};

Json schemaOf(const std::string& kind) {
    return Json::parse(fileText(sourceDir() + "/docs/schema/" + kind + ".schema.json"));
}

/// The schema's keys of a kind of peripheral.
Json ownKeys(const KindRow& kind) {
    return Json::parse(kind.schema);
}

/// A kind of peripheral that has this key.
std::string kindThatReads(const std::string& key) {
    for (const KindRow* kind : kindRows()) {
        if (ownKeys(*kind).contains(key)) {
            return kind->name;
        }
    }
    return "watchdog";
}

Json asJson(const std::string& tomlText) {
    std::ostringstream stream;
    stream << toml::json_formatter(toml::parse(tomlText));
    return Json::parse(stream.str());
}

} // namespace

/// The schemas that editors use say what the readers say.
class CoreSchemas : public QObject {
    Q_OBJECT

private slots:
    void shippedFilesFit() {
        for (const auto& [folder, kind] : {std::pair{"parts", "part"}, std::pair{"examples", "plan"}}) {
            for (const auto& entry : fs::directory_iterator(fs::path(sourceDir()) / folder)) {
                if (!entry.path().string().ends_with("." + std::string(kind) + ".toml")) {
                    continue; // what an example hands over, or a window's lock
                }
                const Json schema = schemaOf(kind);
                QCOMPARE(Validator(schema).check(asJson(fileText(entry.path().string()))), std::string());
            }
        }
    }

    /// Every key that a table of the schema names is known to the reader: with it there is no "unknown key".
    void readersKnowTheKeys_data() {
        QTest::addColumn<std::string>("kind");
        QTest::newRow("part") << std::string("part");
        QTest::newRow("plan") << std::string("plan");
    }
    void readersKnowTheKeys() {
        QFETCH(std::string, kind);
        const Json schema = schemaOf(kind);
        for (const auto& [name, table] : schema["properties"].items()) {
            if (table.value("type", "") != "array") {
                continue;
            }
            for (const auto& [key, each] : table["items"]["properties"].items()) {
                // a value of a type that no key takes: the key is complained of, but not as unknown
                std::string text = "format = \"wisetick-" + kind + "/1\"\n[[" + name + "]]\n";
                if (key != "kind" && name == "peripheral") {
                    text += "kind = \"" + kindThatReads(key) + "\"\n";
                } else if (key != "kind" && name == "source") {
                    text += std::string("kind = \"") +
                            (key.rfind("rate", 0) == 0 || key == "codes" || key == "reset" ? "rc" : "crystal") + "\"\n";
                }
                text += key + " = 1979-05-27\n";
                const Diagnostics found =
                    kind == "part" ? readPart(text, "f").diagnostics : readPlan(text, "f", nullptr).diagnostics;
                QVERIFY2(lines(found).find("unknown key '" + key + "'") == std::string::npos,
                         (name + "." + key + "\n" + lines(found)).c_str());
            }
        }
    }

    /// What the schema says of peripherals is what the rows of the kinds say, and what all of them have.
    void peripheralsAreDescribedByTheirRows() {
        const Json table = schemaOf("part")["properties"]["peripheral"]["items"]["properties"];
        std::set<std::string> left;
        for (const auto& [key, each] : table.items()) {
            left.insert(key);
        }
        std::vector<std::string> names;
        for (const KindRow* kind : kindRows()) {
            names.push_back(kind->name);
            const Json own = ownKeys(*kind);
            for (const auto& [key, each] : own.items()) {
                QVERIFY2(table.contains(key), (kind->name + " " + key).c_str());
                const Json& said = table[key];
                // a key that kinds read in different ways stands with all of them
                const bool isOneOf = said.contains("anyOf") && std::count(said["anyOf"].begin(), said["anyOf"].end(), each) == 1;
                QVERIFY2(said == each || isOneOf, (kind->name + " " + key).c_str());
                left.erase(key);
            }
        }
        QCOMPARE(table["kind"]["enum"], Json(names));
        QCOMPARE(left,
                 (std::set<std::string>{"accept", "bring_up", "clock", "draws",      "each",       "fields", "flags",  "gate",
                                        "holds",  "id",       "ids",   "interrupts", "kind",       "like",   "name",   "note",
                                        "pins",   "ref",      "reset", "syncs",      "wakes_from", "with",   "without"}));
    }

    void faultsAreSeen() {
        const Json part = schemaOf("part");
        QCOMPARE(Validator(part).check(asJson(replaced(marramText(), "kind = \"crystal\"", "kind = \"cristal\""))),
                 std::string(".source[0].kind is none of [\"crystal\",\"rc\",\"clock-in\"]"));
        QCOMPARE(Validator(part).check(asJson(replaced(marramText(), "pins =", "pims ="))),
                 std::string(".source[0].pims is not known"));
        const Json plan = schemaOf("plan");
        QCOMPARE(Validator(plan).check(asJson(replaced(orchardText(), "capacity =", "capacitance ="))),
                 std::string(".board.battery lacks \"capacity\""));
    }
};

QTEST_APPLESS_MAIN(CoreSchemas)
#include "core_schemas.moc"
