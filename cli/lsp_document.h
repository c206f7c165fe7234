#pragma once

#include "derive/figures.h"
#include "files/part_reader.h"
#include "files/shelf.h"
#include "handover/review.h"
#include "lsp_text.h"
#include "workshop/offers.h"
#include "workshop/text_ids.h"
#include "workshop/text_words.h"

#include <filesystem>
#include <memory>
#include <optional>
#include <string>

namespace wisetick::cli {

/// A part's or plan's text in an editor, with all that follows from it. What can't be read keeps the last state that could.
class LspDocument {
public:
    LspDocument(std::string uri, std::string text);

    /// Reads the text again.
    void read(const Shelf& shelf, const TextOf& textOf);

    const std::string& uri() const { return uri_; }
    const std::filesystem::path& path() const { return path_; }
    bool isPlan() const { return path_.string().ends_with(".plan.toml"); }
    bool isPart() const { return path_.string().ends_with(".part.toml"); }
    LspText& text() { return text_; }
    const LspText& text() const { return text_; }
    const TextWords& words() const { return words_; }
    const std::optional<Part>& part() const { return part_; }
    const std::optional<Plan>& plan() const { return plan_; }
    /// Of the active take; of a part that of a plan in which nothing is decided.
    const std::optional<Figures>& figures() const { return figures_; }
    /// Whether part, plan and figures are those of the text as it stands.
    bool isFresh() const { return isFresh_; }
    const std::filesystem::path& partPath() const { return partPath_; }
    const std::optional<RegisterNames>& registers() const { return registers_; }
    const std::vector<ReviewItem>& review() const { return review_; }

    /// One thing to be said at a place of the text, with what stands there in the text where its word is wrong.
    struct Remark {
        Diagnostic diagnostic;
        TextPlace place;
        std::string instead; ///< what the word there is likely meant to be; empty: not known
    };
    const std::vector<Remark>& remarks() const { return remarks_; }

    /// The word at a position of the protocol; nullptr where there is none.
    const TextWord* wordAt(const nlohmann::json& position) const;
    /// The promise in whose line that word is, by its place in the plan.
    std::optional<std::size_t> promiseOf(const TextWord& word) const;
    /// The line of a promise.
    const TextWord* lineOf(std::size_t promise) const;

private:
    void readPartText(const TextOf& textOf);
    void readPlanText(const Shelf& shelf, const TextOf& textOf);
    void remark(const Diagnostic& diagnostic);
    void readRegisterNames(const TextOf& textOf);

    std::string uri_;
    std::filesystem::path path_;
    LspText text_;
    TextWords words_;
    std::optional<Part> part_;
    std::optional<Plan> plan_;
    std::optional<Figures> figures_;
    std::filesystem::path partPath_;
    std::optional<RegisterNames> registers_;
    std::string registersRead_;
    std::vector<ReviewItem> review_;
    std::vector<Remark> remarks_;
    bool isFresh_ = false;
};

} // namespace wisetick::cli
