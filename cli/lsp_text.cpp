#include "lsp_text.h"

#include <algorithm>
#include <cctype>

#include <fmt/format.h>

namespace wisetick::cli {

namespace {

/// Bytes of the character that begins with this one; at least one.
std::size_t lengthOf(char first) {
    const auto byte = static_cast<unsigned char>(first);
    return byte >= 0xF0 ? 4 : (byte >= 0xE0 ? 3 : (byte >= 0xC0 ? 2 : 1));
}

} // namespace

std::string_view LspText::lineAt(int line) const {
    std::string_view rest = text_;
    for (; line > 0; --line) {
        const std::size_t end = rest.find('\n');
        if (end == std::string_view::npos) {
            return {};
        }
        rest.remove_prefix(end + 1);
    }
    rest = rest.substr(0, rest.find('\n'));
    return rest.ends_with('\r') ? rest.substr(0, rest.size() - 1) : rest;
}

int LspText::characterAt(int line, int byte) const {
    const std::string_view text = lineAt(line);
    int units = 0;
    for (std::size_t at = 0; at < text.size() && at < static_cast<std::size_t>(std::max(byte, 0));) {
        const std::size_t length = lengthOf(text[at]);
        units += length == 4 ? 2 : 1; // beyond the basic plane a character is a pair
        at += length;
    }
    return units;
}

int LspText::byteAt(int line, int character) const {
    const std::string_view text = lineAt(line);
    std::size_t at = 0;
    for (int units = 0; at < text.size() && units < character;) {
        const std::size_t length = lengthOf(text[at]);
        units += length == 4 ? 2 : 1;
        at = std::min(at + length, text.size());
    }
    return static_cast<int>(at);
}

nlohmann::json LspText::position(int line, int byte) const {
    return {{"line", line}, {"character", characterAt(line, byte)}};
}

nlohmann::json LspText::range(int line, int from, int to) const {
    return {{"start", position(line, from)}, {"end", position(line, to)}};
}

nlohmann::json LspText::lines(int from, int to) const {
    const nlohmann::json end = wholeRange()["end"]; // the last line may have no end of its own
    return {{"start", position(from, 0)}, {"end", to > end["line"].get<int>() ? end : position(to, 0)}};
}

nlohmann::json LspText::wholeRange() const {
    const int last = static_cast<int>(std::count(text_.begin(), text_.end(), '\n'));
    return {{"start", {{"line", 0}, {"character", 0}}}, {"end", position(last, static_cast<int>(lineAt(last).size()))}};
}

std::size_t LspText::offsetOf(const nlohmann::json& position) const {
    const int line = std::max(position.value("line", 0), 0);
    std::size_t from = 0;
    for (int i = 0; i < line; ++i) {
        const std::size_t end = text_.find('\n', from);
        if (end == std::string::npos) {
            return text_.size();
        }
        from = end + 1;
    }
    return std::min(from + static_cast<std::size_t>(byteAt(line, position.value("character", 0))), text_.size());
}

void LspText::change(const nlohmann::json& event) {
    const std::string text = event.value("text", std::string());
    if (!event.contains("range")) {
        text_ = text;
        return;
    }
    const std::size_t from = offsetOf(event["range"].value("start", nlohmann::json::object()));
    const std::size_t to = std::max(offsetOf(event["range"].value("end", nlohmann::json::object())), from);
    text_.replace(from, to - from, text);
}

std::string pathOfUri(const std::string& uri) {
    constexpr std::string_view kFile = "file://";
    if (!uri.starts_with(kFile)) {
        return {};
    }
    std::string path;
    for (std::size_t at = uri.find('/', kFile.size()); at < uri.size(); ++at) {
        const bool isEscaped = uri[at] == '%' && at + 2 < uri.size() &&
                               std::isxdigit(static_cast<unsigned char>(uri[at + 1])) != 0 &&
                               std::isxdigit(static_cast<unsigned char>(uri[at + 2])) != 0;
        path += isEscaped ? static_cast<char>(std::stoi(uri.substr(at + 1, 2), nullptr, 16)) : uri[at];
        at += isEscaped ? 2 : 0;
    }
    return path;
}

std::string uriOfPath(const std::string& path) {
    std::string uri = "file://";
    for (const char sign : path) {
        const bool isPlain =
            std::isalnum(static_cast<unsigned char>(sign)) != 0 || std::string_view("/-._~").find(sign) != std::string_view::npos;
        uri += isPlain ? std::string(1, sign) : fmt::format("%{:02X}", static_cast<unsigned char>(sign));
    }
    return uri;
}

} // namespace wisetick::cli
