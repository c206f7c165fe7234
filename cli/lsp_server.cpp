#include "lsp_server.h"

#include "base/text.h"
#include "derive/said.h"
#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"
#include "evaluate/ways_out.h"
#include "files/plan_writer.h"
#include "lsp_document.h"
#include "part/unknown_facts.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <chrono>

namespace wisetick::cli {

namespace fs = std::filesystem;
using Json = nlohmann::json;

namespace {

// of JSON-RPC 2.0 and of the protocol
constexpr int kInvalidRequest = -32600;
constexpr int kMethodNotFound = -32601;
constexpr int kInvalidParameters = -32602;
constexpr int kInternalError = -32603;
constexpr int kNotInitialized = -32002;
constexpr int kRequestFailed = -32803;

struct LspError {
    int code = kInternalError;
    std::string say;
};

Json markdown(const std::string& text) {
    return {{"kind", "markdown"}, {"value", text}};
}

int severityOf(Severity severity) {
    return severity == Severity::error ? 1 : (severity == Severity::warning ? 2 : 3);
}

Json placeOf(const LspDocument& document, const TextPlace& place) {
    return document.text().range(place.line, place.from, place.to);
}

Json locationOf(const LspDocument& document, const TextPlace& place) {
    return {{"uri", document.uri()}, {"range", placeOf(document, place)}};
}

std::string stepsSaid(const Workings& workings) {
    std::string said;
    for (const Step& step : workings) {
        said += fmt::format("- {}: {} = {}\n", std::string(step.what),
                            std::string(step.numbers.empty() ? step.formula : step.numbers), std::string(step.result));
    }
    return said.empty() ? said : "\n" + said;
}

std::string hoverOfLine(const LspDocument& document, NodeIndex node) {
    const LineFigure& line = document.figures()->lines[node];
    std::string said = fmt::format("**{}** {}\n\n", line.id, line.name == line.id ? std::string() : line.name);
    said += line.hertz ? printQuantity(line.hertz->nominal, Unit::hertz) : "no rate: " + line.why;
    said += line.isOn ? "" : ", off";
    if (line.limitMin || line.limitMax) {
        said += ", allowed " + (line.limitMin ? "from " + printQuantity(*line.limitMin, Unit::hertz) + " " : std::string()) +
                (line.limitMax ? "to " + printQuantity(*line.limitMax, Unit::hertz) : std::string());
    }
    said += line.stateWhy.empty() ? "\n" : "; " + line.stateWhy + "\n";
    Plan fresh;
    if (!document.plan()) {
        fresh = freshPlan(*document.part());
    }
    return said +
           stepsSaid(lineWorkings(*document.part(), document.plan() ? *document.plan() : fresh, *document.figures(), node));
}

std::string hoverOfPromise(const LspDocument& document, std::size_t index) {
    const PromiseFigure& figure = document.figures()->promises[index];
    std::string said = fmt::format("**{}**: {}\n\n", stateName(figure.state), figure.text);
    if (figure.got) {
        said += "got " + printQuantity(figure.got->nominal, figure.unit);
    }
    if (figure.error) {
        said += fmt::format(", off by {} to {}", printQuantity(figure.error->min, Unit::ratio),
                            printQuantity(figure.error->max, Unit::ratio));
    }
    said += figure.why.empty() ? "\n" : "\n\n" + figure.why + "\n";
    for (const FieldValue& field : figure.fields) {
        said += fmt::format("- `{}` = {} ({})\n", fieldText(field.field), field.held, field.control);
    }
    return said + stepsSaid(promiseWorkings(*document.part(), *document.plan(), *document.figures(), index));
}

/// What the protocol calls the kind of an offer.
int completionKind(TextOffer::Kind kind) {
    switch (kind) {
    case TextOffer::Kind::key: return 10;   // property
    case TextOffer::Kind::id: return 18;    // reference
    case TextOffer::Kind::field: return 5;  // field
    case TextOffer::Kind::line: return 14;  // keyword
    case TextOffer::Kind::value: return 12; // value
    }
    return 12;
}

} // namespace

namespace {

/// The id at the position of the parameters; empty where none stands there.
std::string idAt(const LspDocument& document, const Json& parameters) {
    const Json& position = parameters.at("position");
    const TextWord* word = document.wordAt(position);
    return word == nullptr ? std::string() : idIn(*word, document.text().byteAt(position.at("line"), position.at("character")));
}

} // namespace

LspServer::LspServer(Shelf shelf, const fs::path& documents, std::function<void(const Json&)> send)
    : shelf_(std::move(shelf)), send_(std::move(send)) {
    Diagnostics ignored; // without the pages keys are not explained, and all else goes on
    partHelp_ = KeyHelp(readTextFile(documents / "part-files.md", ignored).value_or(""));
    planHelp_ = KeyHelp(readTextFile(documents / "plan-files.md", ignored).value_or(""));
}

LspServer::~LspServer() = default;

void LspServer::handle(const Json& message) {
    const bool isRequest = message.is_object() && message.contains("id");
    const Json id = isRequest ? message["id"] : Json();
    const auto fail = [&](int code, const std::string& say) {
        if (isRequest || !message.is_object()) {
            send_({{"jsonrpc", "2.0"}, {"id", id}, {"error", {{"code", code}, {"message", say}}}});
        }
    };
    if (!message.is_object() || !message.contains("method") || !message["method"].is_string()) {
        const bool isAnswer = message.is_object() && (message.contains("result") || message.contains("error"));
        if (!isAnswer) {
            fail(kInvalidRequest, "a message without a method");
        }
        return;
    }
    const std::string method = message["method"];
    const Json parameters = message.value("params", Json::object());
    try {
        if (!isRequest) {
            note(method, parameters);
        } else if (isShutDown_) {
            fail(kInvalidRequest, "the server was shut down");
        } else if (!isReady_ && method != "initialize") {
            fail(kNotInitialized, "initialize comes first");
        } else {
            send_({{"jsonrpc", "2.0"}, {"id", id}, {"result", answer(method, parameters)}});
        }
    } catch (const LspError& error) {
        fail(error.code, error.say);
    } catch (const Json::exception&) {
        fail(kInvalidParameters, method + " with parameters that it does not take");
    }
}

Json LspServer::answer(const std::string& method, const Json& parameters) {
    static const std::map<std::string, Answer> answers{{"initialize", &LspServer::initialize},
                                                       {"shutdown", &LspServer::shutdown},
                                                       {"textDocument/completion", &LspServer::completion},
                                                       {"textDocument/hover", &LspServer::hover},
                                                       {"textDocument/definition", &LspServer::definition},
                                                       {"textDocument/references", &LspServer::references},
                                                       {"textDocument/prepareRename", &LspServer::prepareRename},
                                                       {"textDocument/rename", &LspServer::rename},
                                                       {"textDocument/codeAction", &LspServer::codeAction},
                                                       {"textDocument/inlayHint", &LspServer::inlayHint},
                                                       {"textDocument/codeLens", &LspServer::codeLens},
                                                       {"textDocument/documentSymbol", &LspServer::documentSymbol}};
    const auto found = answers.find(method);
    if (found == answers.end()) {
        throw LspError{kMethodNotFound, "no method '" + method + "'"};
    }
    return (this->*found->second)(parameters);
}

void LspServer::note(const std::string& method, const Json& parameters) {
    if (method == "exit") {
        exitCode_ = isShutDown_ ? 0 : 1;
    } else if (!isReady_) {
        return; // nothing is told before `initialize`
    } else if (method == "textDocument/didOpen") {
        const Json& opened = parameters.at("textDocument");
        const std::string uri = opened.at("uri");
        documents_[uri] = std::make_unique<LspDocument>(uri, opened.at("text").get<std::string>());
        changed(uri);
    } else if (method == "textDocument/didChange") {
        LspDocument& document = documentOf(parameters);
        for (const Json& event : parameters.at("contentChanges")) {
            document.text().change(event);
        }
        changed(document.uri());
    } else if (method == "textDocument/didClose") {
        const std::string uri = documentOf(parameters).uri();
        documents_.erase(uri);
        send_({{"jsonrpc", "2.0"},
               {"method", "textDocument/publishDiagnostics"},
               {"params", {{"uri", uri}, {"diagnostics", Json::array()}}}});
    } else if (method == "textDocument/didSave" || method == "workspace/didChangeWatchedFiles") {
        for (const auto& [uri, document] : documents_) {
            document->read(shelf_, [this](const fs::path& path, Diagnostics& faults) { return textOf(path, faults); });
            publish(*document);
        }
    }
}

Json LspServer::initialize(const Json&) {
    if (isReady_) {
        throw LspError{kInvalidRequest, "initialize a second time"};
    }
    isReady_ = true;
    return {{"capabilities",
             {{"positionEncoding", "utf-16"},
              {"textDocumentSync", {{"openClose", true}, {"change", 2}, {"save", true}}},
              {"completionProvider", {{"triggerCharacters", {"\"", " ", "[", "."}}}},
              {"hoverProvider", true},
              {"definitionProvider", true},
              {"referencesProvider", true},
              {"renameProvider", {{"prepareProvider", true}}},
              {"codeActionProvider", {{"codeActionKinds", {"quickfix"}}}},
              {"inlayHintProvider", true},
              {"codeLensProvider", {{"resolveProvider", false}}},
              {"documentSymbolProvider", true}}},
            {"serverInfo", {{"name", "wisetick-cli"}, {"version", WISETICK_VERSION}}}};
}

Json LspServer::shutdown(const Json&) {
    isShutDown_ = true;
    return nullptr;
}

std::optional<std::string> LspServer::textOf(const fs::path& path, Diagnostics& faults) const {
    for (const auto& [uri, document] : documents_) {
        std::error_code error;
        if (document->path() == path || fs::equivalent(document->path(), path, error)) {
            return document->text().text();
        }
    }
    return readTextFile(path, faults);
}

/// Reads a text that changed, and those plans anew that stand on it.
void LspServer::changed(const std::string& uri) {
    const auto reading = [this](const fs::path& path, Diagnostics& faults) { return textOf(path, faults); };
    LspDocument& document = *documents_.at(uri);
    document.read(shelf_, reading);
    publish(document);
    for (const auto& [other, each] : documents_) {
        std::error_code error;
        if (document.isPart() && each->isPlan() && fs::equivalent(each->partPath(), document.path(), error)) {
            each->read(shelf_, reading);
            publish(*each);
        }
    }
}

void LspServer::publish(LspDocument& document) {
    Json list = Json::array();
    for (const LspDocument::Remark& remark : document.remarks()) {
        const Diagnostic& diagnostic = remark.diagnostic;
        const std::string said = diagnostic.found + (diagnostic.expected.empty() ? "" : "; expected " + diagnostic.expected) +
                                 (diagnostic.mend.empty() ? "" : "; " + diagnostic.mend);
        list.push_back({{"range", placeOf(document, remark.place)},
                        {"severity", severityOf(diagnostic.severity)},
                        {"source", "wisetick"},
                        {"message", said}});
    }
    send_({{"jsonrpc", "2.0"},
           {"method", "textDocument/publishDiagnostics"},
           {"params", {{"uri", document.uri()}, {"diagnostics", list}}}});
}

LspDocument& LspServer::documentOf(const Json& parameters) {
    const std::string uri = parameters.at("textDocument").at("uri");
    const auto found = documents_.find(uri);
    if (found == documents_.end()) {
        throw LspError{kInvalidParameters, uri + " is not open"};
    }
    return *found->second;
}

Json LspServer::completion(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    const Json& position = parameters.at("position");
    const int line = position.at("line");
    const int byte = document.text().byteAt(line, position.at("character"));
    TextSurroundings around;
    around.part = document.part() ? &*document.part() : nullptr;
    const Plan empty;
    around.plan = document.isPlan() ? (document.plan() ? &*document.plan() : &empty) : nullptr;
    around.help = document.isPlan() ? &planHelp_ : &partHelp_;
    around.registers = document.registers() ? &*document.registers() : nullptr;
    Json items = Json::array();
    for (const TextOffer& offer : offersAt(document.text().text(), document.words(), line, byte, around)) {
        Json item{{"label", offer.text},
                  {"kind", completionKind(offer.kind)},
                  {"sortText", fmt::format("{:04}", items.size())},
                  {"filterText", std::string(document.text().lineAt(line).substr(static_cast<std::size_t>(offer.from),
                                                                                 static_cast<std::size_t>(byte - offer.from)))},
                  {"textEdit", {{"range", document.text().range(line, offer.from, offer.to)}, {"newText", offer.text}}}};
        if (!offer.detail.empty()) {
            item["documentation"] = markdown(offer.detail);
        }
        items.push_back(std::move(item));
    }
    return {{"isIncomplete", true}, {"items", items}};
}

Json LspServer::hover(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    const Json& position = parameters.at("position");
    const TextWord* word = document.wordAt(position);
    if (word == nullptr) {
        return nullptr;
    }
    const int byte = document.text().byteAt(position.at("line"), position.at("character"));
    std::string said;
    if (word->kind == TextWord::Kind::key) {
        const std::string& table = document.words().entries[word->entry].table;
        const KeyHelp& help = document.isPlan() ? planHelp_ : partHelp_;
        const std::string meaning = help.meaningOf(table == "template" ? "peripheral" : table, word->text);
        said = meaning.empty() && table == "template" ? help.meaningOf("line", word->text) : meaning;
        said = said.empty()
                   ? said
                   : fmt::format("`{}`: {}\n\n(docs/{}-files.md)", word->text, said, document.isPlan() ? "plan" : "part");
    }
    if (said.empty() && document.part() && document.figures()) {
        const auto promise = document.isFresh() ? document.promiseOf(*word) : std::nullopt;
        const std::string id = idIn(*word, byte);
        const auto node = document.part()->findNode(id);
        if (promise) {
            said = hoverOfPromise(document, *promise);
        } else if (node && *node < document.figures()->lines.size()) {
            said = hoverOfLine(document, *node);
        }
    }
    return said.empty() ? Json(nullptr)
                        : Json{{"contents", markdown(said)}, {"range", document.text().range(word->line, word->from, word->to)}};
}

/// As the editor calls the file where it is open.
std::string LspServer::uriFor(const fs::path& path) const {
    for (const auto& [uri, document] : documents_) {
        std::error_code error;
        if (fs::equivalent(document->path(), path, error)) {
            return uri;
        }
    }
    return uriOfPath(path.lexically_normal().string());
}

std::vector<std::unique_ptr<LspDocument>> LspServer::sharing(const fs::path& partPath) const {
    std::vector<std::unique_ptr<LspDocument>> texts;
    std::vector<fs::path> known;
    const auto take = [&](const fs::path& path) {
        std::error_code error;
        const fs::path whole = fs::weakly_canonical(path, error);
        Diagnostics ignored;
        const auto text = std::find(known.begin(), known.end(), whole) == known.end() ? textOf(path, ignored) : std::nullopt;
        if (text) {
            known.push_back(whole);
            texts.push_back(std::make_unique<LspDocument>(uriFor(path), *text));
        }
    };
    take(partPath);
    std::vector<fs::path> folders{partPath.parent_path()};
    for (const auto& [uri, document] : documents_) {
        folders.push_back(document->path().parent_path());
    }
    const std::string id = partPath.filename().string().substr(0, partPath.filename().string().find(".part.toml"));
    for (const fs::path& folder : folders) {
        for (const ShelvedPlan& plan : plansIn(folder)) {
            const bool isOnIt = plan.part == id || fs::path(plan.part).filename() == partPath.filename();
            if (isOnIt) {
                take(plan.path);
            }
        }
    }
    return texts;
}

Json LspServer::definition(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    Json places = Json::array();
    const std::string id = idAt(document, parameters);
    Diagnostics ignored;
    const auto text = id.empty() || document.partPath().empty() ? std::nullopt : textOf(document.partPath(), ignored);
    if (text) {
        const LspDocument part(uriFor(document.partPath()), *text);
        for (const TextPlace& place : madeAt(part.words(), id)) {
            places.push_back(locationOf(part, place));
        }
    }
    return places;
}

Json LspServer::references(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    Json places = Json::array();
    const std::string id = idAt(document, parameters);
    if (id.empty() || document.partPath().empty()) {
        return places;
    }
    const bool withMade = parameters.value("context", Json::object()).value("includeDeclaration", true);
    for (const auto& each : sharing(document.partPath())) {
        const std::vector<TextPlace> made = each->isPart() ? madeAt(each->words(), id) : std::vector<TextPlace>();
        for (const TextPlace& place : usesOf(each->words(), id)) {
            if (withMade || std::find(made.begin(), made.end(), place) == made.end()) {
                places.push_back(locationOf(*each, place));
            }
        }
    }
    return places;
}

Json LspServer::prepareRename(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    const Json& position = parameters.at("position");
    const TextWord* word = document.wordAt(position);
    const int byte = document.text().byteAt(position.at("line"), position.at("character"));
    const std::string id = word == nullptr ? std::string() : idIn(*word, byte);
    for (const TextPlace& place : id.empty() ? std::vector<TextPlace>() : usesOf(document.words(), id)) {
        if (place.line == word->line && place.from <= byte && byte <= place.to) {
            return {{"range", placeOf(document, place)}, {"placeholder", id}};
        }
    }
    return nullptr;
}

Json LspServer::rename(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    const std::string id = idAt(document, parameters);
    const std::string name = parameters.at("newName");
    if (id.empty() || document.partPath().empty()) {
        throw LspError{kRequestFailed, "no id stands here"};
    }
    if (!canBeId(name)) {
        throw LspError{kRequestFailed, "'" + name + "' is no id: a small letter, then small letters, digits, '_' and '-'"};
    }
    Json changes = Json::object();
    bool isMade = false;
    for (const auto& each : sharing(document.partPath())) {
        if (each->isPart()) {
            const std::vector<TextPlace> made = madeAt(each->words(), id);
            isMade = !made.empty() && made.front().to - made.front().from == static_cast<int>(id.size());
            if (!madeAt(each->words(), name).empty()) {
                throw LspError{kRequestFailed, "there is a '" + name + "' already"};
            }
        }
        Json edits = Json::array();
        for (const TextPlace& place : usesOf(each->words(), id)) {
            edits.push_back({{"range", placeOf(*each, place)}, {"newText", name}});
        }
        if (!edits.empty()) {
            changes[each->uri()] = std::move(edits);
        }
    }
    if (!isMade) {
        throw LspError{kRequestFailed, "'" + id + "' is made from a pattern, or not at all: change that"};
    }
    return {{"changes", changes}};
}

Json LspServer::codeAction(const Json& parameters) {
    LspDocument& document = documentOf(parameters);
    const Json& range = parameters.at("range");
    const int from = range.at("start").at("line");
    const int to = range.at("end").at("line");
    Json actions = Json::array();
    const auto add = [&](const std::string& title, const Json& where, const std::string& text) {
        actions.push_back({{"title", title},
                           {"kind", "quickfix"},
                           {"edit", {{"changes", {{document.uri(), {{{"range", where}, {"newText", text}}}}}}}}});
    };
    for (const LspDocument::Remark& remark : document.remarks()) {
        if (!remark.instead.empty() && from <= remark.place.line && remark.place.line <= to) {
            add("write '" + remark.instead + "'", placeOf(document, remark.place), remark.instead);
        }
    }
    if (!document.isFresh() || !document.plan()) {
        return actions;
    }
    constexpr auto kPatience = std::chrono::milliseconds(1500);
    const auto end = std::chrono::steady_clock::now() + kPatience;
    const Plan& plan = *document.plan();
    for (std::size_t i = 0; i < plan.promises.size(); ++i) {
        const TextWord* line = document.lineOf(i);
        const bool isMeant =
            line != nullptr && from <= line->line && line->line <= to && document.figures()->promises[i].state != State::kept;
        if (!isMeant) {
            continue;
        }
        const GoOn goOn = [end] { return std::chrono::steady_clock::now() < end; };
        for (const WayOut& way : waysOut(*document.part(), plan, plan.active, i, 6, goOn)) {
            Plan next = plan;
            const auto text = takeWayOut(next, next.active, way).empty()
                                  ? textToSave(next, document.text().text(), *document.part())
                                  : tl::unexpected(Diagnostics());
            if (text) {
                const std::string breaks = way.breaks.empty() ? "" : fmt::format(", would break {}", fmt::join(way.breaks, ", "));
                add(fmt::format("{}: {}, {}{}", std::string(way.say), stateName(way.state), std::string(way.got), breaks),
                    document.text().wholeRange(), *text);
            }
        }
    }
    return actions;
}

Json LspServer::inlayHint(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    const Json& range = parameters.at("range");
    const int from = range.at("start").at("line");
    const int to = range.at("end").at("line");
    Json hints = Json::array();
    if (!document.isFresh()) {
        return hints; // what stands there is not what was worked out
    }
    const auto add = [&](const TextWord& word, const std::string& say) {
        hints.push_back({{"position", document.text().position(word.line, word.to + 1)}, {"label", say}, {"paddingLeft", true}});
    };
    for (const TextWord& word : document.words().words) {
        if (word.line < from || word.line > to || word.kind != TextWord::Kind::text) {
            continue;
        }
        const bool isMade = document.isPart() && !word.keys.empty() && word.keys.back() == "id" &&
                            (word.keys.size() == 1 || word.keys.front() == "each");
        const LineFigure* line = isMade ? document.figures()->findLine(word.text) : nullptr;
        const auto promise = document.promiseOf(word);
        if (line != nullptr && line->hertz) {
            add(word, printQuantity(line->hertz->nominal, Unit::hertz));
        } else if (promise) {
            const PromiseFigure& figure = document.figures()->promises[*promise];
            add(word, std::string(stateName(figure.state)) +
                          (figure.error ? ", " + printQuantity(figure.error->nominal, Unit::ratio, 3) : std::string()));
        }
    }
    return hints;
}

Json LspServer::codeLens(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    Json lenses = Json::array();
    if (!document.isFresh()) {
        return lenses;
    }
    const auto add = [&](int line, const std::string& say) {
        lenses.push_back({{"range", document.text().range(line, 0, 0)}, {"command", {{"title", say}, {"command", ""}}}});
    };
    if (document.isPart()) {
        const std::size_t unknown = unknownFacts(*document.part()).size();
        add(0, unknown == 0 ? "all is told" : fmt::format("{} figures unknown", unknown));
        return lenses;
    }
    std::size_t take = 0;
    for (const WordTable& entry : document.words().entries) {
        if (entry.table != "take" || take >= document.plan()->takes.size()) {
            continue;
        }
        const std::string& name = document.plan()->takes[take++].name;
        const bool isActive = name == document.plan()->active;
        add(entry.from, holdsSaid(holdsOf(isActive ? *document.figures()
                                                   : evaluatePromises(*document.part(), withActive(*document.plan(), name), name),
                                          true)));
    }
    return lenses;
}

Json LspServer::documentSymbol(const Json& parameters) {
    const LspDocument& document = documentOf(parameters);
    Json symbols = Json::array();
    for (const WordTable& entry : document.words().entries) {
        if (entry.table.empty()) {
            continue;
        }
        constexpr int kStruct = 23;
        symbols.push_back({{"name", entry.id.empty() ? entry.table : entry.id},
                           {"detail", entry.table},
                           {"kind", kStruct},
                           {"range", document.text().lines(entry.from, std::max(entry.to, entry.from + 1))},
                           {"selectionRange",
                            document.text().range(entry.from, 0, static_cast<int>(document.text().lineAt(entry.from).size()))}});
    }
    return symbols;
}

} // namespace wisetick::cli
