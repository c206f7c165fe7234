#pragma once

#include "support.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <regex>
#include <string>

namespace wisetick::test {

/// As much of JSON Schema as the schemas here use; a word of it that is not understood is a fault too, so that nothing is let
/// pass unseen.
class JsonSchema {
public:
    using Json = nlohmann::json;

    explicit JsonSchema(Json schema) : root_(std::move(schema)) {}

    /// What does not fit, with its place; empty where all does.
    std::string check(const Json& value) const { return check(value, root_, ""); }
    /// The same by a member of one of the definitions.
    std::string checkMember(const Json& value, const std::string& definition, const std::string& member) const {
        const Json& members = root_.at("$defs").at(definition).at("properties");
        return members.contains(member) ? check(value, members[member], member) : member + " is not known";
    }

private:
    static bool isOfType(const Json& value, const std::string& type) {
        return (type == "string" && value.is_string()) || (type == "integer" && value.is_number_integer()) ||
               (type == "number" && value.is_number()) || (type == "boolean" && value.is_boolean()) ||
               (type == "array" && value.is_array()) || (type == "object" && value.is_object()) ||
               (type == "null" && value.is_null());
    }

    std::string checkType(const Json& value, const Json& schema, const std::string& path) const {
        if (!schema.contains("type")) {
            return {};
        }
        const Json types = schema["type"].is_array() ? schema["type"] : Json::array({schema["type"]});
        const bool fits = std::any_of(types.begin(), types.end(), [&](const Json& type) { return isOfType(value, type); });
        return fits ? std::string() : path + " is no " + schema["type"].dump();
    }

    std::string checkForms(const Json& value, const Json& schema, const std::string& path) const {
        const bool isOne = schema.contains("oneOf");
        std::string faults;
        int count = 0;
        for (const Json& each : schema[isOne ? "oneOf" : "anyOf"]) {
            const std::string fault = check(value, each, path);
            count += fault.empty() ? 1 : 0;
            faults += fault.empty() ? std::string() : "\n  " + fault;
        }
        if (count == 0) {
            return path + " fits none of its forms:" + faults;
        }
        return isOne && count > 1 ? path + " fits more than one of its forms" : std::string();
    }

    std::string check(const Json& value, const Json& schema, const std::string& path) const {
        for (const auto& [word, unused] : schema.items()) {
            static const std::vector<std::string> kUnderstood{
                "$ref",    "$defs", "$schema", "$id",      "$comment",   "title",    "description",
                "default", "type",  "anyOf",   "oneOf",    "const",      "enum",     "pattern",
                "minimum", "items", "not",     "minItems", "properties", "required", "additionalProperties",
                "examples"};
            if (std::find(kUnderstood.begin(), kUnderstood.end(), word) == kUnderstood.end()) {
                return path + ": the schema says \"" + word + "\", which is not looked at";
            }
        }
        if (schema.contains("$ref")) {
            const auto name = schema["$ref"].get<std::string>();
            return check(value, root_.at("$defs").at(name.substr(name.rfind('/') + 1)), path);
        }
        std::string fault = checkType(value, schema, path);
        if (fault.empty() && (schema.contains("anyOf") || schema.contains("oneOf"))) {
            fault = checkForms(value, schema, path);
        }
        if (!fault.empty()) {
            return fault;
        }
        if (schema.contains("not") && check(value, schema["not"], path).empty()) {
            return path + " is what it may not be";
        }
        if (schema.contains("const") && value != schema["const"]) {
            return path + " is not " + schema["const"].dump();
        }
        if (schema.contains("enum") && std::find(schema["enum"].begin(), schema["enum"].end(), value) == schema["enum"].end()) {
            return path + " is none of " + schema["enum"].dump();
        }
        if (schema.contains("pattern") &&
            !std::regex_search(value.get<std::string>(), std::regex(schema["pattern"].get<std::string>()))) {
            return path + " does not match " + schema["pattern"].dump();
        }
        if (schema.contains("minimum") && value < schema["minimum"]) {
            return path + " is too small";
        }
        if (schema.contains("minItems") && value.size() < schema["minItems"].get<std::size_t>()) {
            return path + " has too few";
        }
        for (std::size_t i = 0; value.is_array() && schema.contains("items") && i < value.size(); ++i) {
            fault = check(value[i], schema["items"], path + "[" + std::to_string(i) + "]");
            if (!fault.empty()) {
                return fault;
            }
        }
        return value.is_object() ? checkMembers(value, schema, path) : std::string();
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

    Json root_;
};

/// What the Language Server Protocol says of its messages (tests/lsp/messages.schema.json): `message` as it was sent, a response
/// with the method that asked for it. Gives what does not fit, or an empty text.
inline std::string lspFault(const JsonSchema& schema, const std::string& asked, const nlohmann::json& message) {
    if (message.contains("error")) {
        const nlohmann::json& error = message["error"];
        const bool isError = error.is_object() && error.contains("code") && error["code"].is_number_integer() &&
                             error.contains("message") && error["message"].is_string();
        return isError ? std::string() : "an error without code or message";
    }
    return message.contains("method") ? schema.checkMember(message.at("params"), "Messages", message["method"])
                                      : schema.checkMember(message.at("result"), "Messages", asked);
}

} // namespace wisetick::test
