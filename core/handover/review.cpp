#include "handover/review.h"

#include <fmt/format.h>
#include <nlohmann/json.hpp>
#include <pugixml.hpp>

#include <algorithm>
#include <sstream>

namespace wisetick {

namespace {

State stateOf(Severity severity) {
    switch (severity) {
    case Severity::error: return State::broken;
    case Severity::warning: return State::strained;
    case Severity::note: return State::kept;
    }
    return State::kept;
}

/// A path as a URI reference: everything but letters, digits and what a path is made of in percents (RFC 3986).
std::string uriOf(const std::string& path) {
    std::string uri;
    for (const char c : path) {
        const auto byte = static_cast<unsigned char>(c);
        const bool isPlain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') ||
                             std::string_view("/-._~").find(c) != std::string_view::npos;
        uri += isPlain ? std::string(1, c) : fmt::format("%{:02X}", byte);
    }
    return uri;
}

const char* levelOf(const ReviewItem& item) {
    return item.state == State::broken ? "error" : (item.state == State::strained ? "warning" : "note");
}

} // namespace

Diagnostic located(Diagnostic finding, const std::map<std::string, Place>& places, const std::string& take) {
    std::string path = finding.place.path;
    if (finding.place.about.is(Target::Room::line)) {
        path = "take." + take + ".choices." + finding.place.about.name;
    } else if (path == "rhythm") { // of all jobs: where they begin
        path = "job.1.name";
    }
    // where the very key is not in the file, the table around it
    for (;;) {
        const auto found = places.find(path);
        if (found != places.end() && !path.empty()) {
            finding.place.file = found->second.file;
            finding.place.line = found->second.line;
            finding.place.column = found->second.column;
            return finding;
        }
        const std::size_t dot = path.rfind('.');
        if (dot == std::string::npos) {
            return finding;
        }
        path.resize(dot);
    }
}

std::vector<ReviewItem> reviewItems(const std::vector<Figures>& takes, const std::map<std::string, Place>& places) {
    std::vector<ReviewItem> items;
    for (const Figures& figures : takes) {
        for (std::size_t i = 0; i < figures.promises.size(); ++i) {
            const PromiseFigure& promise = figures.promises[i];
            Diagnostic said;
            said.place.path = "promise." + std::to_string(i + 1) + ".say";
            const bool isWell = promise.state == State::kept || promise.state == State::elsewhere;
            items.push_back({"promise", promise.name, figures.take, promise.state,
                             isWell ? std::string() : promise.name + " is " + stateName(promise.state) + ": " + promise.why,
                             located(said, places, figures.take).place});
        }
        for (const Diagnostic& finding : figures.findings) {
            const Diagnostic placed = located(finding, places, figures.take);
            items.push_back({"finding", placed.place.path.empty() ? "plan" : placed.place.path, figures.take,
                             stateOf(finding.severity), sayText(finding), placed.place});
        }
    }
    return items;
}

std::string sarifOf(const std::vector<ReviewItem>& items, const std::string& version) {
    using Object = nlohmann::ordered_json;
    const auto rule = [](const char* id, const char* say) { return Object{{"id", id}, {"shortDescription", {{"text", say}}}}; };
    Object results = Object::array();
    for (const ReviewItem& item : items) {
        if (item.say.empty()) {
            continue;
        }
        Object location;
        location["physicalLocation"]["artifactLocation"]["uri"] = uriOf(item.place.file);
        if (item.place.line > 0) {
            location["physicalLocation"]["region"] = {{"startLine", item.place.line},
                                                      {"startColumn", std::max(item.place.column, 1)}};
        }
        Object result{{"ruleId", item.rule},
                      {"ruleIndex", item.rule == "promise" ? 0 : 1},
                      {"level", levelOf(item)},
                      {"message", {{"text", "take " + item.take + ": " + item.say}}}};
        if (!item.place.file.empty()) {
            result["locations"] = Object::array({std::move(location)});
        }
        results.push_back(std::move(result));
    }
    Object driver{
        {"name", "wisetick-cli"},
        {"version", version},
        {"rules", Object::array({rule("promise", "A promise of the plan is not kept at every corner."),
                                 rule("finding", "A limit is overstepped, or something of the plan is wrong or unknown.")})}};
    Object run{{"tool", {{"driver", std::move(driver)}}}, {"results", std::move(results)}};
    return Object{{"$schema", "https://docs.oasis-open.org/sarif/sarif/v2.1.0/errata01/os/schemas/sarif-schema-2.1.0.json"},
                  {"version", "2.1.0"},
                  {"runs", Object::array({std::move(run)})}}
               .dump(2, ' ', false, nlohmann::ordered_json::error_handler_t::replace) +
           "\n";
}

std::string junitOf(const std::vector<ReviewItem>& items, const std::string& planName, bool isStrict) {
    pugi::xml_document document;
    pugi::xml_node suites = document.append_child("testsuites");
    suites.append_attribute("name") = planName.c_str();
    pugi::xml_node suite;
    std::string take;
    int tests = 0;
    int failures = 0;
    int skipped = 0;
    const auto close = [&] {
        if (suite) {
            suite.append_attribute("tests") = tests;
            suite.append_attribute("failures") = failures;
            suite.append_attribute("skipped") = skipped;
        }
        tests = failures = skipped = 0;
    };
    for (const ReviewItem& item : items) {
        if (!suite || item.take != take) {
            close();
            take = item.take;
            suite = suites.append_child("testsuite");
            suite.append_attribute("name") = ("take " + take).c_str();
        }
        pugi::xml_node test = suite.append_child("testcase");
        test.append_attribute("classname") = (planName + ", take " + take).c_str();
        test.append_attribute("name") = item.name.c_str();
        if (!item.place.file.empty()) {
            test.append_attribute("file") = item.place.file.c_str();
            test.append_attribute("line") = item.place.line;
        }
        ++tests;
        const bool isFailed = item.state == State::broken || (isStrict && item.state == State::strained);
        if (isFailed) {
            ++failures;
            pugi::xml_node failure = test.append_child("failure");
            failure.append_attribute("message") = item.say.c_str();
            failure.append_attribute("type") = stateName(item.state).c_str();
        } else if (item.state == State::elsewhere) {
            ++skipped;
            test.append_child("skipped");
        } else if (!item.say.empty()) {
            test.append_child("system-out").text() = item.say.c_str();
        }
    }
    close();
    std::ostringstream text;
    document.save(text, "  ", pugi::format_default, pugi::encoding_utf8);
    return text.str();
}

} // namespace wisetick
