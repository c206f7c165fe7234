#include "made_lsp.h"

#include "../json_schema.h"
#include "../support.h"
#include "lsp_server.h"

#include <cstdio>
#include <cstdlib>

namespace wisetick::fuzz {

namespace {

using cli::LspServer;
using nlohmann::json;
using test::Random;

const std::vector<std::string> kWords{"divide", "uart1", "bus_a", "40 MHz",     "[[line]]", "\n", "\"",
                                      "= ",     "say",   "÷",     "\U0001F600", "#",        "]",  "x"};

[[noreturn]] void breakOff(const std::string& what, const json& message) {
    std::fprintf(stderr, "%s\n%s\n", what.c_str(), message.dump().c_str());
    std::abort();
}

/// A second way of telling where positions are: the text as lines of UTF-16 code units.
class Mirror {
public:
    explicit Mirror(const std::string& text) : text_(QString::fromStdString(text)) {}

    std::string text() const { return text_.toStdString(); }
    int lineCount() const { return static_cast<int>(text_.count('\n')) + 1; }
    int lengthOf(int line) const { return static_cast<int>(text_.section('\n', line, line).size()); }
    qsizetype offsetOf(int line, int character) const {
        qsizetype offset = 0;
        for (int i = 0; i < line; ++i) {
            offset = text_.indexOf('\n', offset) + 1;
        }
        return offset + character;
    }
    /// A place that is not between the halves of a surrogate pair.
    std::pair<int, int> place(Random& random) const {
        const int line = static_cast<int>(random.whole(0, lineCount() - 1));
        int character = static_cast<int>(random.whole(0, lengthOf(line)));
        if (character > 0 && text_[offsetOf(line, character) - 1].isHighSurrogate()) {
            --character;
        }
        return {line, character};
    }
    void replace(std::pair<int, int> from, std::pair<int, int> to, const QString& by) {
        const qsizetype begin = offsetOf(from.first, from.second);
        text_.replace(begin, offsetOf(to.first, to.second) - begin, by);
    }

    bool holds(const json& position) const {
        const int line = position.at("line");
        const int character = position.at("character");
        return line >= 0 && line < lineCount() && character >= 0 && character <= lengthOf(line);
    }

private:
    QString text_;
};

json positionOf(std::pair<int, int> place) {
    return {{"line", place.first}, {"character", place.second}};
}

/// Every range in what was said lies in the text and is in order.
void checkRanges(const json& said, const Mirror& text, const json& whole) {
    if (said.is_object() && said.contains("start") && said.contains("end") && said["start"].is_object()) {
        const auto key = [](const json& at) { return std::pair<int, int>(at.at("line"), at.at("character")); };
        if (!text.holds(said["start"]) || !text.holds(said["end"]) || key(said["end"]) < key(said["start"])) {
            breakOff("a range outside the text", whole);
        }
    }
    if (said.is_structured()) {
        for (const json& each : said) {
            checkRanges(each, text, whole);
        }
    }
}

/// A server with a note of what it sent.
class Session {
public:
    explicit Session(const std::string& top)
        : schema_(schemaOf(top)),
          server_(Shelf({top + "/parts"}), top + "/docs", [this](const json& message) { take(message); }) {
        request("initialize", {{"capabilities", json::object()}});
        handle({{"jsonrpc", "2.0"}, {"method", "initialized"}, {"params", json::object()}});
    }

    void handle(const json& message) { server_.handle(message); }

    json request(const std::string& method, const json& parameters) {
        const int id = ++id_;
        answers_.clear();
        asked_ = method;
        handle({{"jsonrpc", "2.0"}, {"id", id}, {"method", method}, {"params", parameters}});
        if (answers_.size() != 1 || answers_.front().at("id") != id ||
            answers_.front().contains("result") == answers_.front().contains("error")) {
            breakOff("not one answer to " + method, answers_);
        }
        return answers_.front();
    }

    const json& diagnostics(const std::string& uri) { return diagnostics_[uri]; }

private:
    static const test::JsonSchema& schemaOf(const std::string& top) {
        static const test::JsonSchema schema(json::parse(test::fileText(top + "/tests/lsp/messages.schema.json")));
        return schema;
    }

    void take(const json& message) {
        if (message.dump(-1, ' ', false, json::error_handler_t::strict).empty() || message.value("jsonrpc", "") != "2.0") {
            breakOff("not of the protocol", message);
        }
        const std::string fault = test::lspFault(schema_, asked_, message);
        if (!fault.empty()) {
            breakOff("not of the protocol: " + fault, message);
        }
        if (message.value("method", "") == "textDocument/publishDiagnostics") {
            diagnostics_[message["params"]["uri"]] = message["params"]["diagnostics"];
        } else if (message.contains("id")) {
            answers_.push_back(message);
        }
    }

    const test::JsonSchema& schema_;
    std::string asked_; ///< the method of the last request
    json answers_ = json::array();
    std::map<std::string, json> diagnostics_;
    int id_ = 0;
    LspServer server_;
};

json opened(const std::string& uri, const std::string& text) {
    return {{"jsonrpc", "2.0"},
            {"method", "textDocument/didOpen"},
            {"params", {{"textDocument", {{"uri", uri}, {"languageId", "toml"}, {"version", 1}, {"text", text}}}}}};
}

/// Something of the wrong kind, anywhere in the message.
json spoiled(json message, Random& random) {
    static const std::vector<json> instead{nullptr, -1, 1e300, "x", json::array(), json::object(), true, 4294967296};
    json* at = &message;
    while (at->is_structured() && !at->empty() && random.whole(0, 3) > 0) {
        auto each = at->begin();
        std::advance(each, random.whole(0, static_cast<std::int64_t>(at->size()) - 1));
        at = &*each;
    }
    *at = random.pick(instead);
    return message;
}

} // namespace

bool feedLsp(std::string_view choices) {
    Random random(choices);
    static const std::string top = test::sourceDir();
    static const std::string files[] = {"examples/door-sensor.plan.toml", "examples/orchard-sprayer.plan.toml",
                                        "parts/gorse-12.part.toml"};
    static const std::string texts[] = {test::fileText(top + "/" + files[0]), test::fileText(top + "/" + files[1]),
                                        test::fileText(top + "/" + files[2])};
    const auto which = static_cast<std::size_t>(random.whole(0, 2));
    const std::string uri = cli::uriOfPath(top + "/" + files[which]);
    Mirror text(texts[which]);
    Session session(top);
    session.handle(opened(uri, text.text()));
    const json document{{"uri", uri}};
    const std::int64_t steps = random.whole(1, 6);
    for (std::int64_t step = 0; step < steps; ++step) {
        auto from = text.place(random);
        auto to = random.coin() ? from : text.place(random);
        if (to < from) {
            std::swap(from, to);
        }
        if (to.first > from.first + 3) {
            to = from; // the file stays one
        }
        const QString by = random.coin() ? QString::fromStdString(random.pick(kWords)) : QString();
        session.handle({{"jsonrpc", "2.0"},
                        {"method", "textDocument/didChange"},
                        {"params",
                         {{"textDocument", {{"uri", uri}, {"version", 2 + step}}},
                          {"contentChanges",
                           {{{"range", {{"start", positionOf(from)}, {"end", positionOf(to)}}}, {"text", by.toStdString()}}}}}}});
        text.replace(from, to, by);
        checkRanges(session.diagnostics(uri), text, session.diagnostics(uri));

        static const std::vector<std::string> asked{"completion", "hover",      "definition", "references", "prepareRename",
                                                    "rename",     "codeAction", "inlayHint",  "codeLens",   "documentSymbol"};
        const std::string method = "textDocument/" + random.pick(asked);
        const auto place = text.place(random);
        json parameters{{"textDocument", document},
                        {"position", positionOf(place)},
                        {"newName", random.pick(kWords)},
                        {"context", {{"includeDeclaration", true}, {"diagnostics", json::array()}}},
                        {"range", {{"start", positionOf(from)}, {"end", positionOf(std::max(from, place))}}}};
        const json answer = session.request(method, parameters);
        if (which == 2 || method == "textDocument/inlayHint" || method == "textDocument/codeLens" ||
            method == "textDocument/documentSymbol") { // the others may also speak of the part
            checkRanges(answer, text, answer);
        }
        if (random.whole(0, 3) == 0) {
            session.handle(
                spoiled({{"jsonrpc", "2.0"}, {"id", 1000 + step}, {"method", method}, {"params", parameters}}, random));
        }
    }
    Session fresh(top);
    fresh.handle(opened(uri, text.text()));
    if (fresh.diagnostics(uri) != session.diagnostics(uri)) {
        breakOff("after the changes another text stands there: " + fresh.diagnostics(uri).dump(), session.diagnostics(uri));
    }
    return true;
}

} // namespace wisetick::fuzz
