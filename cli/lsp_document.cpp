#include "lsp_document.h"

#include "derive/lint_reset.h"
#include "evaluate/evaluate.h"
#include "evaluate/lint_expects.h"
#include "evaluate/takes_that_count.h"
#include "files/register_table.h"
#include "part/lint.h"
#include "workshop/mends.h"

#include <algorithm>

namespace wisetick::cli {

LspDocument::LspDocument(std::string uri, std::string text)
    : uri_(std::move(uri)), path_(pathOfUri(uri_)), text_(std::move(text)) {
    words_ = readWords(text_.text());
}

void LspDocument::read(const Shelf& shelf, const TextOf& textOf) {
    words_ = readWords(text_.text());
    remarks_.clear();
    review_.clear();
    isFresh_ = false;
    if (isPart()) {
        readPartText(textOf);
    } else if (isPlan()) {
        readPlanText(shelf, textOf);
    }
}

void LspDocument::readPartText(const TextOf& textOf) {
    partPath_ = path_;
    readRegisterNames(textOf);
    PartFile file = readPart(text_.text(), path_.string(), path_.parent_path());
    for (const Diagnostic& diagnostic : file.diagnostics) {
        remark(diagnostic);
    }
    if (!file.part) {
        return;
    }
    part_ = std::move(file.part);
    for (const Diagnostics& list :
         {lintPart(*part_, file.accepted, file.suspicions), lintReset(*part_), lintExpects(*part_, file.expects)}) {
        for (Diagnostic finding : list) {
            if (const auto place = file.places.find(finding.place.path); place != file.places.end() && finding.place.line == 0) {
                finding.place.line = place->second.line;
                finding.place.column = place->second.column;
            }
            remark(finding);
        }
    }
    const Plan fresh = freshPlan(*part_);
    figures_ = evaluatePromises(*part_, fresh, fresh.active);
    isFresh_ = true;
}

void LspDocument::readPlanText(const Shelf& shelf, const TextOf& textOf) {
    LoadedPlan loaded = loadPlan(path_, shelf, textOf);
    partPath_ = loaded.partPath;
    for (const Diagnostic& diagnostic : loaded.diagnostics) {
        remark(diagnostic);
    }
    if (loaded.part) {
        part_ = std::move(loaded.part);
    }
    if (!loaded.plan || !part_ || hasErrors(loaded.diagnostics)) {
        return;
    }
    plan_ = std::move(loaded.plan);
    std::vector<Figures> takes{evaluate(*part_, *plan_, plan_->active)};
    const std::vector<std::string> counting = takesThatCount(*plan_);
    for (std::size_t i = 1; i < counting.size(); ++i) {
        takes.push_back(ownOf(*plan_, evaluate(*part_, *plan_, counting[i]), takes.front(), false));
    }
    review_ = reviewItems(takes, loaded.places);
    for (const ReviewItem& item : review_) {
        if (!item.say.empty()) {
            remark({item.state == State::broken ? Severity::error
                                                : (item.state == State::strained ? Severity::warning : Severity::note),
                    item.place,
                    item.say,
                    {},
                    {}});
        }
    }
    figures_ = std::move(takes.front());
    isFresh_ = true;
}

void LspDocument::readRegisterNames(const TextOf& textOf) {
    std::string name;
    for (const TextWord& word : words_.words) {
        if (word.entry == 0 && word.kind == TextWord::Kind::text && word.keys == std::vector<std::string>{"registers"}) {
            name = word.text;
        }
    }
    if (name == registersRead_) {
        return;
    }
    registersRead_ = name;
    registers_.reset();
    Diagnostics ignored; // told where the part is read
    const auto text = !name.empty() && standsWithin(path_.parent_path() / name, path_.parent_path())
                          ? textOf(path_.parent_path() / name, ignored)
                          : std::nullopt;
    if (text) {
        registers_ = readRegisterFile(*text, name).names;
    }
}

/// Where a diagnostic stands: at its word, else to the end of its line; of another file at the beginning, with its name.
void LspDocument::remark(const Diagnostic& diagnostic) {
    Remark remark{diagnostic, {}, {}};
    if (!diagnostic.place.file.empty() && std::filesystem::path(diagnostic.place.file) != path_) {
        remark.diagnostic.found = diagnostic.place.file + ": " + diagnostic.found;
        remarks_.push_back(std::move(remark));
        return;
    }
    const int line = std::max(diagnostic.place.line - 1, 0);
    const int column = std::max(diagnostic.place.column - 1, 0); // counted in characters
    const std::string_view typed = text_.lineAt(line);
    int byte = 0;
    for (int i = 0; i < column && byte < static_cast<int>(typed.size()); ++i) {
        do {
            ++byte;
        } while (byte < static_cast<int>(typed.size()) &&
                 (static_cast<unsigned char>(typed[static_cast<std::size_t>(byte)]) & 0xC0U) == 0x80);
    }
    const TextWord* word = words_.at(line, byte);
    word = word == nullptr ? words_.at(line, byte + 1) : word;
    remark.place = word != nullptr
                       ? TextPlace{line, word->from, word->to}
                       : TextPlace{line, std::min(byte, static_cast<int>(typed.size())), static_cast<int>(typed.size())};
    const std::string meant = wordMeant(diagnostic.mend);
    if (word != nullptr && !meant.empty()) {
        remark.instead = meant;
        if (word->kind == TextWord::Kind::text && word->from < byte) { // within a promise's line: the word there
            const std::string in = idIn(*word, byte);
            remark.place = in.empty() ? remark.place : TextPlace{line, byte, byte + static_cast<int>(in.size())};
        }
    }
    remarks_.push_back(std::move(remark));
}

const TextWord* LspDocument::wordAt(const nlohmann::json& position) const {
    const int line = position.value("line", 0);
    return words_.at(line, text_.byteAt(line, position.value("character", 0)));
}

std::optional<std::size_t> LspDocument::promiseOf(const TextWord& word) const {
    if (words_.entries[word.entry].table != "promise" || word.keys != std::vector<std::string>{"say"}) {
        return std::nullopt;
    }
    std::size_t place = 0;
    for (std::size_t entry = 0; entry < word.entry; ++entry) {
        place += words_.entries[entry].table == "promise" ? 1U : 0U;
    }
    return plan_ && place < plan_->promises.size() ? std::optional(place) : std::nullopt;
}

const TextWord* LspDocument::lineOf(std::size_t promise) const {
    const auto found = std::find_if(words_.words.begin(), words_.words.end(), [&](const TextWord& word) {
        return word.kind == TextWord::Kind::text && promiseOf(word) == promise;
    });
    return found == words_.words.end() ? nullptr : &*found;
}

} // namespace wisetick::cli
