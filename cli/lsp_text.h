#pragma once

#include <nlohmann/json.hpp>

#include <string>
#include <string_view>

namespace wisetick::cli {

/// The text of a document of the Language Server Protocol 3.17, whose positions count the line from 0 and the UTF-16 code units
/// in it ("character").
class LspText {
public:
    explicit LspText(std::string text = {}) : text_(std::move(text)) {}

    const std::string& text() const { return text_; }
    /// A line without its end; empty behind the last one.
    std::string_view lineAt(int line) const;
    /// Changes the whole text, or where the event has a range what stands there. A range that is none is taken as far as it is
    /// one.
    void change(const nlohmann::json& event);

    /// Code units before that byte of a line, and the other way round.
    int characterAt(int line, int byte) const;
    int byteAt(int line, int character) const;
    nlohmann::json position(int line, int byte) const;
    nlohmann::json range(int line, int from, int to) const;
    /// Whole lines, `to` not with them; to the end of the text where it has no more of them.
    nlohmann::json lines(int from, int to) const;
    /// From the beginning to the end.
    nlohmann::json wholeRange() const;

private:
    std::size_t offsetOf(const nlohmann::json& position) const;

    std::string text_;
};

/// "file:///home/me/a%20b.toml" as a path; empty where it is no file.
std::string pathOfUri(const std::string& uri);
std::string uriOfPath(const std::string& path);

} // namespace wisetick::cli
