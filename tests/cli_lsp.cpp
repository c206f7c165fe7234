#include "cli_support.h"
#include "json_schema.h"

#include <QUrl>

using namespace wisetick::test;

/// A client of the Language Server Protocol: what an editor does. Every message, there and back, is held against the protocol's
/// own types of messages (lsp/messages.schema.json).
class CliLsp : public CliFixture {
    Q_OBJECT

    std::unique_ptr<QProcess> server_;
    QByteArray read_;
    int id_ = 0;
    std::string asked_; ///< the method of the last request
    QList<QJsonObject> notes_;
    JsonSchema schema_{nlohmann::json::parse(fileText(sourceDir() + "/tests/lsp/messages.schema.json"))};
    std::map<std::string, int> held_; ///< how many messages of each kind were held against them

    void hold(const QByteArray& content, const std::string& asked) {
        const auto message = nlohmann::json::parse(content.toStdString());
        const std::string fault = lspFault(schema_, asked, message);
        if (!fault.empty()) {
            qFatal("not of the protocol: %s\n%s", fault.c_str(), content.constData());
        }
        ++held_[message.value("method", asked)];
    }

    void send(const QJsonObject& message) {
        const QByteArray content = QJsonDocument(message).toJson(QJsonDocument::Compact);
        server_->write("Content-Length: " + QByteArray::number(content.size()) + "\r\n\r\n" + content);
    }

    QJsonObject receive() {
        for (;;) {
            const qsizetype end = read_.indexOf("\r\n\r\n");
            if (end >= 0) {
                const QByteArray head = read_.left(end);
                const qsizetype length = head.mid(head.indexOf(':') + 1).trimmed().toLongLong();
                if (!head.startsWith("Content-Length:")) {
                    qFatal("no header: %s", head.constData());
                }
                if (read_.size() >= end + 4 + length) {
                    const QByteArray content = read_.mid(end + 4, length);
                    read_.remove(0, end + 4 + length);
                    const QJsonObject message = QJsonDocument::fromJson(content).object();
                    if (message["jsonrpc"] != "2.0") {
                        qFatal("not JSON-RPC 2.0: %s", content.constData());
                    }
                    hold(content, asked_);
                    return message;
                }
            }
            if (!server_->waitForReadyRead(30000)) {
                qFatal("the server says nothing");
            }
            read_ += server_->readAllStandardOutput();
        }
    }

    /// The whole response; notifications that come before it are kept.
    QJsonValue request(const QString& method, const QJsonValue& parameters) {
        asked_ = method.toStdString();
        send({{"jsonrpc", "2.0"}, {"id", ++id_}, {"method", method}, {"params", parameters}});
        for (;;) {
            const QJsonObject message = receive();
            if (message.contains("method")) {
                notes_ << message;
                continue;
            }
            if (message["id"].toInt() != id_ || message.contains("result") == message.contains("error")) {
                qFatal("no response: %s", QJsonDocument(message).toJson().constData());
            }
            return message;
        }
    }
    QJsonValue result(const QString& method, const QJsonValue& parameters) { return request(method, parameters)["result"]; }

    void notify(const QString& method, const QJsonObject& parameters) {
        send({{"jsonrpc", "2.0"}, {"method", method}, {"params", parameters}});
    }

    QJsonArray diagnosticsOf(const QString& uri) {
        for (;;) {
            const QJsonObject message = notes_.isEmpty() ? receive() : notes_.takeFirst();
            if (message["method"] == "textDocument/publishDiagnostics" && message["params"]["uri"] == uri) {
                for (const QJsonValue& each : message["params"]["diagnostics"].toArray()) {
                    checkRange(each["range"]);
                    if (each["severity"].toInt() < 1 || each["severity"].toInt() > 4 || each["message"].toString().isEmpty()) {
                        qFatal("a diagnostic without severity or message");
                    }
                }
                return message["params"]["diagnostics"].toArray();
            }
        }
    }

    static void checkRange(const QJsonValue& range) {
        const auto number = [&](const char* end, const char* what) {
            const QJsonValue value = range[end][what];
            if (!value.isDouble() || value.toInt(-1) < 0) {
                qFatal("a range without %s.%s", end, what);
            }
            return value.toInt();
        };
        const bool isOrdered = std::pair(number("start", "line"), number("start", "character")) <=
                               std::pair(number("end", "line"), number("end", "character"));
        if (!isOrdered) {
            qFatal("a range that ends before it begins");
        }
    }

    QString uri(const QString& name) { return QUrl::fromLocalFile(folder_.filePath(name)).toString(QUrl::FullyEncoded); }

    QJsonArray open(const QString& name, const std::string& text) {
        write(folder_.filePath(name), text);
        notify(
            "textDocument/didOpen",
            {{"textDocument",
              QJsonObject{{"uri", uri(name)}, {"languageId", "toml"}, {"version", 1}, {"text", QString::fromStdString(text)}}}});
        return diagnosticsOf(uri(name));
    }

    static QJsonObject position(const std::string& text, const std::string& word, int into = 0) {
        const std::size_t at = text.find(word);
        if (at == std::string::npos) {
            qFatal("%s does not stand there", word.c_str());
        }
        const std::string before = text.substr(0, at);
        const std::size_t line = before.rfind('\n');
        const QString typed = QString::fromStdString(before.substr(line == std::string::npos ? 0 : line + 1)); // UTF-16
        return {{"line", static_cast<int>(std::count(before.begin(), before.end(), '\n'))},
                {"character", static_cast<int>(typed.size()) + into}};
    }
    QJsonObject at(const QString& name, const QJsonObject& position) {
        return {{"textDocument", QJsonObject{{"uri", uri(name)}}}, {"position", position}};
    }
    QJsonObject all(const QString& name) {
        return {{"textDocument", QJsonObject{{"uri", uri(name)}}},
                {"range", QJsonObject{{"start", QJsonObject{{"line", 0}, {"character", 0}}},
                                      {"end", QJsonObject{{"line", 100000}, {"character", 0}}}}},
                {"context", QJsonObject{{"diagnostics", QJsonArray()}}}};
    }

    /// What a text becomes by the edits of a workspace edit.
    static std::string edited(const std::string& text, QJsonArray edits) {
        QStringList lines = QString::fromStdString(text).split('\n');
        for (qsizetype i = edits.size(); i-- > 0;) { // from behind, so that places stay
            const QJsonValue edit = edits[i];
            checkRange(edit["range"]);
            const int line = edit["range"]["start"]["line"].toInt();
            const int from = edit["range"]["start"]["character"].toInt();
            lines[line].replace(from, edit["range"]["end"]["character"].toInt() - from, edit["newText"].toString());
        }
        return lines.join('\n').toStdString();
    }

private slots:
    void init() {
        server_ = std::make_unique<QProcess>();
        server_->start(qEnvironmentVariable("WISETICK_CLI"),
                       {"--parts", QString::fromStdString(sourceDir()) + "/parts", "lsp", "--stdio"});
        QVERIFY(server_->waitForStarted());
        read_.clear();
        notes_.clear();
        const QJsonObject capabilities =
            result("initialize",
                   QJsonObject{{"processId", 1}, {"rootUri", QJsonValue()}, {"capabilities", QJsonObject()}})["capabilities"]
                .toObject();
        for (const char* what : {"hoverProvider", "definitionProvider", "referencesProvider", "inlayHintProvider"}) {
            QVERIFY2(capabilities[what].toBool(), what);
        }
        QCOMPARE(capabilities["textDocumentSync"]["change"].toInt(), 2);
        notify("initialized", {});
    }
    void cleanup() {
        QVERIFY(result("shutdown", QJsonValue()).isNull());
        notify("exit", {});
        QVERIFY(server_->waitForFinished(10000));
        QCOMPARE(server_->exitCode(), 0);
        QVERIFY2(server_->readAllStandardError().isEmpty(), "nothing is said beside the protocol");
    }

    void faultsAreToldAsOneTypes() {
        const QJsonArray first = open("orchard.plan.toml", orchardText());
        QCOMPARE(first.size(), 2);
        QVERIFY(first.at(0)["message"].toString().startsWith("modem is broken"));
        QCOMPARE(first.at(0)["range"]["start"]["line"].toInt(), position(orchardText(), "uart1 talks 921600")["line"].toInt());
        // a letter is taken away, and put back
        const QJsonObject place = position(orchardText(), "uart1 talks 921600", 6);
        const auto change = [&](const QString& text, int length) {
            QJsonObject end = place;
            end["character"] = place["character"].toInt() + length;
            notify("textDocument/didChange",
                   {{"textDocument", QJsonObject{{"uri", uri("orchard.plan.toml")}, {"version", 2}}},
                    {"contentChanges",
                     QJsonArray{QJsonObject{{"range", QJsonObject{{"start", place}, {"end", end}}}, {"text", text}}}}});
            return diagnosticsOf(uri("orchard.plan.toml"));
        };
        const QJsonArray faults = change("", 1);
        QVERIFY2(!faults.isEmpty() && faults.at(0)["message"].toString().contains("alks"),
                 qPrintable(faults.at(0)["message"].toString()));
        QCOMPARE(faults.at(0)["severity"].toInt(), 1);
        QCOMPARE(change("t", 0), first);
    }

    void whatStandsThereIsExplained() {
        open("orchard.plan.toml", orchardText());
        const std::string promise =
            result("textDocument/hover",
                   at("orchard.plan.toml", position(orchardText(), "uart1 talks 921600", 2)))["contents"]["value"]
                .toString()
                .toStdString();
        // 40 MHz ÷ (8 × 5) = 1 Mbit/s, 1000000 ÷ 921600 − 1 = 8.507 %
        QVERIFY2(promise.find("**broken**") == 0 && promise.find("40 MHz \u00f7 (8 \u00d7 5)") != std::string::npos,
                 promise.c_str());
        QVERIFY2(promise.find("8.507 %") != std::string::npos && promise.find("`UART1.RATE[11:0]` = 4") != std::string::npos,
                 promise.c_str());
        open("marram-20.part.toml", marramText());
        const auto hover = [&](const std::string& word, int into) {
            return result("textDocument/hover",
                          at("marram-20.part.toml", position(marramText(), word, into)))["contents"]["value"]
                .toString();
        };
        QVERIFY2(hover("id = \"bus_a\"", 7).contains("**bus_a**"), qPrintable(hover("id = \"bus_a\"", 7)));
        QVERIFY2(hover("tolerance =", 2).contains("docs/part-files.md"), qPrintable(hover("tolerance =", 2)));
        QVERIFY(
            result("textDocument/hover", at("marram-20.part.toml", QJsonObject{{"line", 100000}, {"character", 3}})).isNull());
    }

    void idsAreFoundAndCalledOtherwise() {
        const std::string plan = replaced(orchardText(), "part = \"marram-20\"", "part = \"./marram-20.part.toml\"");
        open("marram-20.part.toml", marramText());
        open("orchard.plan.toml", plan);
        const QJsonObject place = at("orchard.plan.toml", position(plan, "uart1 talks 921600", 2));
        const QJsonArray made = result("textDocument/definition", place).toArray();
        QCOMPARE(made.size(), 1);
        QCOMPARE(made.at(0)["uri"].toString(), uri("marram-20.part.toml"));
        QCOMPARE(made.at(0)["range"]["start"]["line"].toInt(), position(marramText(), "id = \"uart1\"")["line"].toInt());
        QJsonObject asked = place;
        asked["context"] = QJsonObject{{"includeDeclaration", true}};
        const qsizetype uses = result("textDocument/references", asked).toArray().size();
        asked["context"] = QJsonObject{{"includeDeclaration", false}};
        QCOMPARE(result("textDocument/references", asked).toArray().size(), uses - 1);
        QCOMPARE(result("textDocument/prepareRename", place)["placeholder"].toString(), QString("uart1"));
        QJsonObject renamed = place;
        renamed["newName"] = "console";
        const QJsonObject changes = result("textDocument/rename", renamed)["changes"].toObject();
        QCOMPARE(changes.size(), 2);
        // what comes of it is a part and a plan as they were, but for the name
        const std::string newPart = edited(marramText(), changes[uri("marram-20.part.toml")].toArray());
        const std::string newPlan = edited(plan, changes[uri("orchard.plan.toml")].toArray());
        const wisetick::PartFile part = wisetick::readPart(newPart, "part");
        QVERIFY2(part.part.has_value(), lines(part.diagnostics).c_str());
        QVERIFY(part.part->findPeripheral("console") && !part.part->findPeripheral("uart1"));
        const wisetick::PlanFile file = wisetick::readPlan(newPlan, "plan", &*part.part);
        QVERIFY2(file.plan.has_value(), lines(file.diagnostics).c_str());
        QVERIFY(newPlan.find("console talks 921600") != std::string::npos && newPlan.find("uart1") == std::string::npos);
        for (const char* name : {"Bad Id", "uart2", ""}) {
            renamed["newName"] = name;
            QVERIFY2(!request("textDocument/rename", renamed)["error"]["message"].toString().isEmpty(), name);
        }
    }

    void mendsAndWaysOutAreActions() {
        const std::string plan = replaced(orchardText(), "uart1 talks 921600", "uart1 tlks 921600");
        open("orchard.plan.toml", plan);
        QJsonArray actions = result("textDocument/codeAction", all("orchard.plan.toml")).toArray();
        QCOMPARE(actions.size(), 1);
        QCOMPARE(actions.at(0)["title"].toString(), QString("write 'talks'"));
        QCOMPARE(edited(plan, actions.at(0)["edit"]["changes"][uri("orchard.plan.toml")].toArray()), orchardText());
        notify("textDocument/didChange",
               {{"textDocument", QJsonObject{{"uri", uri("orchard.plan.toml")}, {"version", 2}}},
                {"contentChanges", QJsonArray{QJsonObject{{"text", QString::fromStdString(orchardText())}}}}});
        actions = result("textDocument/codeAction", all("orchard.plan.toml")).toArray();
        QVERIFY(actions.size() >= 2);
        const auto best = std::find_if(actions.begin(), actions.end(), [](const QJsonValue& each) {
            return each["title"].toString().startsWith("uart1 from bus_b");
        });
        QVERIFY(best != actions.end());
        const std::string text =
            QJsonValue(*best)["edit"]["changes"][uri("orchard.plan.toml")].toArray().at(0)["newText"].toString().toStdString();
        const wisetick::Part part = wisetick::readPart(marramText(), "part").part.value();
        const wisetick::Plan mended = wisetick::readPlan(text, "plan", &part).plan.value();
        QCOMPARE(wisetick::findChoice(*wisetick::findTake(mended, mended.active), "uart1")->from.value_or(""),
                 std::string("bus_b"));
        QVERIFY(text.find("# A sprayer in an orchard") == 0); // remarks stay
    }

    void whatFollowsStandsBeside() {
        open("orchard.plan.toml", orchardText());
        const QJsonArray hints = result("textDocument/inlayHint", all("orchard.plan.toml")).toArray();
        QCOMPARE(hints.size(), QString::fromStdString(orchardText()).count("[[promise]]"));
        QVERIFY(hints.at(1)["label"].toString().startsWith("broken, "));
        const QJsonArray lenses = result("textDocument/codeLens", all("orchard.plan.toml")).toArray();
        QCOMPARE(lenses.size(), 2);
        QVERIFY(lenses.at(0)["command"]["title"].toString().contains("broken"));
        QVERIFY(!result("textDocument/documentSymbol", all("orchard.plan.toml")).toArray().isEmpty());
        open("marram-20.part.toml", marramText());
        const QJsonArray rates = result("textDocument/inlayHint", all("marram-20.part.toml")).toArray();
        QVERIFY(std::any_of(rates.begin(), rates.end(), [](const QJsonValue& each) { return each["label"] == "10 MHz"; }));
        QVERIFY(result("textDocument/codeLens", all("marram-20.part.toml"))
                    .toArray()
                    .at(0)["command"]["title"]
                    .toString()
                    .contains("unknown"));
    }

    /// Also where the last line has no end of its own, and where it is the head of a table.
    void symbolsLieInTheText() {
        std::string whole = orchardText();
        whole.erase(whole.find_last_not_of('\n') + 1);
        for (const std::string& text : {whole, whole + "\n", whole + "\n[[promise]]", whole + "\n[[promise]]\n\n"}) {
            open("orchard.plan.toml", text);
            const QStringList lines = QString::fromStdString(text).split('\n');
            const QJsonArray symbols = result("textDocument/documentSymbol", all("orchard.plan.toml")).toArray();
            QVERIFY(symbols.size() > 10);
            for (const QJsonValue& symbol : symbols) {
                for (const char* which : {"range", "selectionRange"}) {
                    checkRange(symbol[which]);
                    const QJsonValue end = symbol[which]["end"];
                    QVERIFY(end["line"].toInt() < lines.size());
                    QVERIFY(end["character"].toInt() <= lines[end["line"].toInt()].size());
                }
            }
        }
    }

    void whatCanStandThereIsOffered() {
        const std::string plan = orchardText() + "\n[[promise]]\nsay = \"uart2 \"\n";
        open("orchard.plan.toml", plan);
        const QJsonArray items =
            result("textDocument/completion", at("orchard.plan.toml", position(plan, "say = \"uart2 ", 13)))["items"].toArray();
        QVERIFY(std::any_of(items.begin(), items.end(), [](const QJsonValue& each) { return each["label"] == "talks"; }));
        for (const QJsonValue& item : items) {
            checkRange(item["textEdit"]["range"]);
            QVERIFY(item["kind"].toInt() >= 1 && item["kind"].toInt() <= 25);
        }
    }

    /// Positions count UTF-16 units: a letter beyond the basic plane is two.
    void positionsCountUtf16() {
        const std::string part = replaced(marramText(), "format =", "ref = \"\U0001F600\u00b5\" # xy\nformat =");
        open("marram-20.part.toml", part);
        notify("textDocument/didChange",
               {{"textDocument", QJsonObject{{"uri", uri("marram-20.part.toml")}, {"version", 2}}},
                {"contentChanges",
                 QJsonArray{QJsonObject{{"range", QJsonObject{{"start", QJsonObject{{"line", 0}, {"character", 9}}},
                                                              {"end", QJsonObject{{"line", 0}, {"character", 10}}}}},
                                        {"text", "m"}}}}});
        const QJsonArray faults = diagnosticsOf(uri("marram-20.part.toml"));
        QVERIFY2(faults.isEmpty(), qPrintable(QJsonDocument(faults).toJson())); // the quotes still stand where they stood
    }

    void aPartThatChangesIsSeenInItsPlans() {
        const std::string plan = replaced(orchardText(), "part = \"marram-20\"", "part = \"./marram-20.part.toml\"");
        open("marram-20.part.toml", marramText());
        QCOMPARE(open("orchard.plan.toml", plan).size(), 2);
        const std::string other = replaced(marramText(), "id = \"uart1\"", "id = \"uart9\"");
        notify("textDocument/didChange", {{"textDocument", QJsonObject{{"uri", uri("marram-20.part.toml")}, {"version", 2}}},
                                          {"contentChanges", QJsonArray{QJsonObject{{"text", QString::fromStdString(other)}}}}});
        diagnosticsOf(uri("marram-20.part.toml"));
        const QJsonArray faults = diagnosticsOf(uri("orchard.plan.toml")); // not saved, and seen
        QVERIFY(std::any_of(faults.begin(), faults.end(),
                            [](const QJsonValue& each) { return each["message"].toString().contains("uart1"); }));
    }

    void wrongMessagesAreAnswered() {
        QCOMPARE(request("textDocument/nonsense", QJsonObject())["error"]["code"].toInt(), -32601);
        QCOMPARE(request("textDocument/hover", QJsonObject{{"textDocument", 3}})["error"]["code"].toInt(), -32602);
        QCOMPARE(request("textDocument/hover", at("never.plan.toml", QJsonObject{{"line", 0}, {"character", 0}}))["error"]["code"]
                     .toInt(),
                 -32602);
        QCOMPARE(request("initialize", QJsonObject())["error"]["code"].toInt(), -32600);
        server_->write("Content-Length: 3\r\n\r\n{x}");
        QCOMPARE(QJsonValue(receive())["error"]["code"].toInt(), -32700);
        open("bad.part.toml", "[[[[");
        open("empty.plan.toml", "");
        notify("textDocument/didClose", {{"textDocument", QJsonObject{{"uri", uri("empty.plan.toml")}}}});
        QVERIFY(diagnosticsOf(uri("empty.plan.toml")).isEmpty());
    }

    void beforeItBeginsAndAfterItsEnd() {
        QProcess other;
        other.start(qEnvironmentVariable("WISETICK_CLI"), {"lsp"});
        const QByteArray asked = R"({"jsonrpc":"2.0","id":1,"method":"textDocument/hover","params":{}})";
        other.write("Content-Length: " + QByteArray::number(asked.size()) + "\r\nContent-Type: x\r\n\r\n" + asked);
        other.closeWriteChannel();
        QVERIFY(other.waitForFinished(10000));
        QVERIFY(other.readAllStandardOutput().contains("-32002"));
        QCOMPARE(other.exitCode(), 1); // gone without a word
        QProcess wrong;
        wrong.start(qEnvironmentVariable("WISETICK_CLI"), {"lsp"});
        wrong.write("GET / HTTP/1.1\r\n\r\n");
        wrong.closeWriteChannel();
        QVERIFY(wrong.waitForFinished(10000));
        QCOMPARE(wrong.exitCode(), 2);
        QVERIFY(wrong.readAllStandardError().contains("a header without a colon"));
    }

    void whatTheProtocolDoesNotSayIsFound() {
        using nlohmann::json;
        const json begin{{"line", 1}, {"character", 2}};
        const json range{{"start", begin}, {"end", begin}};
        const auto fault = [&](const std::string& asked, const json& result) {
            return lspFault(schema_, asked, {{"jsonrpc", "2.0"}, {"id", 1}, {"result", result}});
        };
        const json hover{{"contents", {{"kind", "markdown"}, {"value", "x"}}}, {"range", range}};
        QCOMPARE(fault("textDocument/hover", hover), std::string());
        QCOMPARE(fault("textDocument/hover", nullptr), std::string());
        for (const char* pointer : {"/contents/kind", "/contents/value", "/range/start/line", "/range/end", "/contents"}) {
            json spoiled = hover;
            spoiled[json::json_pointer(pointer)] = true;
            QVERIFY2(!fault("textDocument/hover", spoiled).empty(), pointer);
        }
        json more = hover;
        more["colour"] = "red";
        QVERIFY(!fault("textDocument/hover", more).empty());
        QVERIFY(!fault("textDocument/definition", json::array({{{"uri", "file:///x"}}})).empty()); // without its range
        QVERIFY(!fault("textDocument/inlayHint", json::array({{{"position", begin}}})).empty());   // without its label
        QVERIFY(!fault("textDocument/nonsense", nullptr).empty());
        QVERIFY(!lspFault(schema_, "", {{"method", "textDocument/publishDiagnostics"}, {"params", {{"uri", "x"}}}}).empty());
        QVERIFY(!lspFault(schema_, "", {{"id", 1}, {"error", {{"code", "bad"}, {"message", "x"}}}}).empty());
    }

    /// After all others: nothing that the server says was left out.
    void everyKindOfMessageWasHeld() {
        for (const char* method : {"initialize", "shutdown", "completion", "hover", "definition", "references", "prepareRename",
                                   "rename", "codeAction", "inlayHint", "codeLens", "documentSymbol", "publishDiagnostics"}) {
            const std::string name = method;
            const bool isOfText = name != "initialize" && name != "shutdown";
            QVERIFY2(held_[isOfText ? "textDocument/" + name : name] > 0, method);
        }
    }
};

QTEST_GUILESS_MAIN(CliLsp)
#include "cli_lsp.moc"
