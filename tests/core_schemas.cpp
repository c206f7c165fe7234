#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "json_schema.h"
#include "support.h"

#include <toml++/toml.h>

#include <filesystem>
#include <regex>
#include <set>

namespace fs = std::filesystem;
using namespace wisetick;
using namespace wisetick::test;
using Json = nlohmann::json;

namespace {

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
                QCOMPARE(JsonSchema(schema).check(asJson(fileText(entry.path().string()))), std::string());
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
        QCOMPARE(JsonSchema(part).check(asJson(replaced(marramText(), "kind = \"crystal\"", "kind = \"cristal\""))),
                 std::string(".source[0].kind is none of [\"crystal\",\"rc\",\"clock-in\"]"));
        QCOMPARE(JsonSchema(part).check(asJson(replaced(marramText(), "pins =", "pims ="))),
                 std::string(".source[0].pims is not known"));
        const Json plan = schemaOf("plan");
        QCOMPARE(JsonSchema(plan).check(asJson(replaced(orchardText(), "capacity =", "capacitance ="))),
                 std::string(".board.battery lacks \"capacity\""));
    }
};

QTEST_APPLESS_MAIN(CoreSchemas)
#include "core_schemas.moc"
