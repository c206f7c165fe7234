#include "handover/review.h"
#include "small_part.h"

#include <QXmlStreamReader>

#include <nlohmann/json.hpp>

#include <set>

using namespace wisetick;
using namespace wisetick::test;

namespace {

using Json = nlohmann::json;

/// What SARIF 2.1.0 wants of the objects that are written here (OASIS,
/// sections 3.13, 3.14, 3.18, 3.19, 3.27, 3.28, 3.29, 3.30, 3.4): required members, their types, and no member that the standard
/// does not know. Empty where it is so.
std::string sarifFault(const Json& log) {
    const auto hasOnly = [](const Json& object, const std::set<std::string>& known) {
        for (const auto& [key, value] : object.items()) {
            if (!known.contains(key)) {
                return false;
            }
        }
        return object.is_object();
    };
    if (!hasOnly(log, {"$schema", "version", "runs"}) || log.at("version") != "2.1.0" || !log.at("runs").is_array()) {
        return "log";
    }
    for (const Json& run : log["runs"]) {
        const Json& driver = run.at("tool").at("driver");
        if (!hasOnly(run, {"tool", "results"}) || !hasOnly(driver, {"name", "version", "rules"}) ||
            !driver.at("name").is_string()) {
            return "run";
        }
        std::set<std::string> ids;
        for (const Json& rule : driver["rules"]) {
            if (!rule.at("id").is_string() || !rule.at("shortDescription").at("text").is_string() ||
                !ids.insert(rule["id"].get<std::string>()).second) {
                return "rule";
            }
        }
        for (const Json& result : run.at("results")) {
            const std::set<std::string> levels{"none", "note", "warning", "error"};
            if (!hasOnly(result, {"ruleId", "ruleIndex", "level", "message", "locations"}) ||
                !result.at("message").at("text").is_string() || result["message"]["text"].get<std::string>().empty() ||
                !levels.contains(result.at("level").get<std::string>())) {
                return "result " + result.dump();
            }
            if (driver["rules"].at(result.at("ruleIndex").get<std::size_t>()).at("id") != result.at("ruleId")) {
                return "the rule of " + result.dump();
            }
            for (const Json& location : result.value("locations", Json::array())) {
                const Json& place = location.at("physicalLocation");
                const std::string uri = place.at("artifactLocation").at("uri").get<std::string>();
                const bool isReference = uri.find_first_of(" \\\"<>{}|^`") == std::string::npos;
                const Json region = place.value("region", Json::object());
                if (!isReference ||
                    (!region.empty() && (region.at("startLine").get<int>() < 1 || region.at("startColumn").get<int>() < 1))) {
                    return "location " + location.dump();
                }
            }
        }
    }
    return {};
}

std::vector<ReviewItem> itemsOf(const std::string& path) {
    const LoadedPlan loaded = loadPlan(path, {sourceDir() + "/parts"});
    std::vector<Figures> takes;
    for (const Take& take : loaded.plan->takes) {
        takes.push_back(evaluate(*loaded.part, *loaded.plan, take.name));
    }
    return reviewItems(takes, loaded.places);
}

} // namespace

/// What a check says, for reviews and build servers.
class CoreReview : public QObject {
    Q_OBJECT

private slots:
    void everyExampleIsSarif() {
        for (const char* name : {"orchard-sprayer", "lagoon-buoy", "river-gauge", "hive-scale", "spindle-balancer"}) {
            const std::vector<ReviewItem> items = itemsOf(sourceDir() + "/examples/" + name + ".plan.toml");
            const Json log = Json::parse(sarifOf(items, "1.2.3"));
            QCOMPARE(sarifFault(log), std::string());
            const auto wanted =
                std::count_if(items.begin(), items.end(), [](const ReviewItem& item) { return !item.say.empty(); });
            QCOMPARE(static_cast<std::ptrdiff_t>(log["runs"][0]["results"].size()), wanted);
            QCOMPARE(log["runs"][0]["tool"]["driver"]["version"].get<std::string>(), std::string("1.2.3"));
        }
    }

    /// Counted by hand in the example's text: "modem" stands in line 44 and is broken on purpose, "feed" in line 60 is strained.
    void aResultStandsAtItsLine() {
        const Json log = Json::parse(sarifOf(itemsOf(sourceDir() + "/examples/orchard-sprayer.plan.toml"), "1"));
        const auto result = [&](const std::string& begins) {
            for (const Json& each : log["runs"][0]["results"]) {
                if (each["message"]["text"].get<std::string>().rfind(begins, 0) == 0) {
                    return each;
                }
            }
            return Json();
        };
        const Json modem = result("take A: modem is broken");
        QCOMPARE(modem["level"].get<std::string>(), std::string("error"));
        QCOMPARE(modem["locations"][0]["physicalLocation"]["region"]["startLine"].get<int>(), 44);
        const Json feed = result("take A: feed is strained");
        QCOMPARE(feed["level"].get<std::string>(), std::string("warning"));
        QCOMPARE(feed["locations"][0]["physicalLocation"]["region"]["startLine"].get<int>(), 60);
    }

    /// Paths with blanks and letters beyond ASCII are written as RFC 3986 says.
    void pathsAreReferences() {
        const std::vector<ReviewItem> items{
            {"promise", "a", "A", State::broken, "a is broken", {"my plans/b\u00fc.plan.toml", 3, 1, {}}}};
        const Json log = Json::parse(sarifOf(items, "1"));
        QCOMPARE(log["runs"][0]["results"][0]["locations"][0]["physicalLocation"]["artifactLocation"]["uri"].get<std::string>(),
                 std::string("my%20plans/b%C3%BC.plan.toml"));
    }

    /// A suite a take, a case a promise; failures are counted as they stand there, names are escaped.
    void buildServersReadIt() {
        const std::vector<ReviewItem> items{{"promise", "<fast> & \"good\"", "A", State::kept, "", {}},
                                            {"promise", "wrong", "A", State::broken, "wrong is broken: 5 < 6", {"p", 4, 2, {}}},
                                            {"promise", "tight", "A", State::strained, "tight is strained", {}},
                                            {"promise", "other", "B", State::elsewhere, "", {}}};
        const auto read = [&](bool isStrict) {
            QXmlStreamReader xml(QString::fromStdString(junitOf(items, "My plan", isStrict)));
            QString text;
            while (!xml.atEnd()) {
                xml.readNext();
                if (xml.isStartElement() && xml.name() == QString("testsuite")) {
                    text += "[" + xml.attributes().value("name").toString() + " " + xml.attributes().value("tests").toString() +
                            " " + xml.attributes().value("failures").toString() + " " +
                            xml.attributes().value("skipped").toString() + "]";
                } else if (xml.isStartElement() && xml.name() == QString("testcase")) {
                    text += " " + xml.attributes().value("name").toString();
                } else if (xml.isStartElement() && xml.name() == QString("failure")) {
                    text += "! " + xml.attributes().value("message").toString();
                }
            }
            return xml.hasError() ? xml.errorString() : text;
        };
        QCOMPARE(read(false),
                 QString("[take A 3 1 0] <fast> & \"good\" wrong! wrong is broken: 5 < 6 tight[take B 1 0 1] other"));
        QCOMPARE(
            read(true),
            QString(
                "[take A 3 2 0] <fast> & \"good\" wrong! wrong is broken: 5 < 6 tight! tight is strained[take B 1 0 1] other"));
    }
};

QTEST_APPLESS_MAIN(CoreReview)
#include "core_review.moc"
