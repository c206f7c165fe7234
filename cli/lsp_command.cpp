#include "lsp_command.h"

#include "loading.h"
#include "lsp_server.h"

#include <cstdio>
#include <istream>
#include <optional>
#include <string>

namespace wisetick::cli {

namespace {

constexpr std::size_t kLargestMessage = 100'000'000; // bytes

/// The content of the next message: headers, an empty line, as many bytes as they say. Nothing at the end, or where that is
/// wrong; `why` says what is wrong then.
std::optional<std::string> nextMessage(std::istream& in, std::string& why) {
    std::optional<std::size_t> length;
    for (std::string line; std::getline(in, line);) {
        line.erase(line.find_last_not_of('\r') + 1);
        if (line.empty() && length) {
            std::string content(*length, '\0');
            in.read(content.data(), static_cast<std::streamsize>(*length));
            why = static_cast<std::size_t>(in.gcount()) == *length ? "" : "a message that is cut short";
            return why.empty() ? std::optional(std::move(content)) : std::nullopt;
        }
        constexpr std::string_view kLength = "Content-Length:";
        if (line.starts_with(kLength)) {
            const std::string digits = line.substr(line.find_first_not_of(' ', kLength.size()));
            const bool isNumber =
                !digits.empty() && digits.size() < 10 && digits.find_first_not_of("0123456789") == std::string::npos;
            length = isNumber ? std::optional<std::size_t>(std::stoul(digits)) : std::nullopt;
            if (!length || *length > kLargestMessage) {
                why = "a Content-Length that is no number up to 100000000";
                return std::nullopt;
            }
        } else if (line.find(':') == std::string::npos) {
            why = "a header without a colon";
            return std::nullopt;
        }
    }
    return std::nullopt;
}

/// Past the filter of what a person reads: the protocol's lines end with CR LF.
void send(const nlohmann::json& message) {
    const std::string content = message.dump(-1, ' ', false, nlohmann::json::error_handler_t::replace);
    const std::string head = "Content-Length: " + std::to_string(content.size()) + "\r\n\r\n";
    std::fwrite(head.data(), 1, head.size(), stdout);
    std::fwrite(content.data(), 1, content.size(), stdout);
    std::fflush(stdout);
}

} // namespace

int runLsp(const Console& console, std::istream& in) {
    LspServer server(console.shelf, documentsFolder(), send);
    std::string why;
    while (const auto content = nextMessage(in, why)) {
        const auto message = nlohmann::json::parse(*content, nullptr, false);
        if (message.is_discarded()) {
            send({{"jsonrpc", "2.0"}, {"id", nullptr}, {"error", {{"code", -32700}, {"message", "this is no JSON"}}}});
            continue;
        }
        server.handle(message);
        if (server.exitCode()) {
            return *server.exitCode();
        }
    }
    if (!why.empty()) {
        console.err << "wisetick-cli lsp: " << why << "\n";
        return kBadInput;
    }
    return kBroken; // the editor is gone without a word
}

} // namespace wisetick::cli
