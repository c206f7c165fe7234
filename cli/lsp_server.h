#pragma once

#include "files/shelf.h"
#include "lsp_text.h"
#include "workshop/key_help.h"

#include <nlohmann/json.hpp>

#include <filesystem>
#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <string>

namespace wisetick::cli {

class LspDocument;

/// The language of parts and plans for any editor: the Language Server Protocol 3.17. Knows nothing of how messages travel.
class LspServer {
public:
    /// `documents`: the folder of the pages on part and plan files, from which keys are explained; may be missing.
    LspServer(Shelf shelf, const std::filesystem::path& documents, std::function<void(const nlohmann::json&)> send);
    LspServer(const LspServer&) = delete;
    LspServer& operator=(const LspServer&) = delete;
    ~LspServer();

    /// Answers one message, with an error where it can't be.
    void handle(const nlohmann::json& message);
    /// Once the client said `exit`: 0 if it had said `shutdown` before, else 1.
    std::optional<int> exitCode() const { return exitCode_; }

private:
    using Answer = nlohmann::json (LspServer::*)(const nlohmann::json& parameters);

    nlohmann::json answer(const std::string& method, const nlohmann::json& parameters);
    void note(const std::string& method, const nlohmann::json& parameters);
    nlohmann::json initialize(const nlohmann::json& parameters);
    nlohmann::json shutdown(const nlohmann::json& parameters);
    nlohmann::json completion(const nlohmann::json& parameters);
    nlohmann::json hover(const nlohmann::json& parameters);
    nlohmann::json definition(const nlohmann::json& parameters);
    nlohmann::json references(const nlohmann::json& parameters);
    nlohmann::json prepareRename(const nlohmann::json& parameters);
    nlohmann::json rename(const nlohmann::json& parameters);
    nlohmann::json codeAction(const nlohmann::json& parameters);
    nlohmann::json inlayHint(const nlohmann::json& parameters);
    nlohmann::json codeLens(const nlohmann::json& parameters);
    nlohmann::json documentSymbol(const nlohmann::json& parameters);

    void changed(const std::string& uri);
    void publish(LspDocument& document);
    LspDocument& documentOf(const nlohmann::json& parameters);
    std::optional<std::string> textOf(const std::filesystem::path& path, Diagnostics& faults) const;
    std::string uriFor(const std::filesystem::path& path) const;
    /// Of all texts that know the ids of this part: itself, and the plans on it that are open or stand beside one that is.
    std::vector<std::unique_ptr<LspDocument>> sharing(const std::filesystem::path& partPath) const;

    Shelf shelf_;
    KeyHelp partHelp_;
    KeyHelp planHelp_;
    std::function<void(const nlohmann::json&)> send_;
    std::map<std::string, std::unique_ptr<LspDocument>> documents_; ///< by uri
    bool isReady_ = false;
    bool isShutDown_ = false;
    std::optional<int> exitCode_;
};

} // namespace wisetick::cli
