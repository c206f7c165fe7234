#include "seek/seek_line.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

/// A word of a line, or what stands between commas, and where it stands.
struct SeekWord {
    std::string text;
    std::size_t position = 0;
};

std::vector<SeekWord> seekWordsOf(std::string_view text) {
    std::vector<SeekWord> words;
    const char* blanks = " ,";
    for (std::size_t at = text.find_first_not_of(blanks); at != std::string_view::npos;) {
        const std::size_t end = std::min(text.find_first_of(blanks, at), text.size());
        words.push_back({std::string(text.substr(at, end - at)), at});
        at = text.find_first_not_of(blanks, end);
    }
    return words;
}

std::vector<SeekWord> piecesOf(std::string_view text) {
    std::vector<SeekWord> pieces;
    for (std::size_t at = 0; at <= text.size();) {
        const std::size_t end = std::min(text.find(',', at), text.size());
        const std::string_view piece = text.substr(at, end - at);
        const std::size_t first = piece.find_first_not_of(' ');
        if (first != std::string_view::npos) {
            pieces.push_back({std::string(piece.substr(first, piece.find_last_not_of(' ') - first + 1)), at + first});
        }
        at = end + 1;
    }
    return pieces;
}

TextError unknownWord(const SeekWord& word, const Text& found, const std::vector<std::string>& known) {
    return {word.position, word.text.size(), found, listNames(known), didYouMean(word.text, known)};
}

bool isAmong(const std::vector<std::string>& names, const std::string& name) {
    return std::find(names.begin(), names.end(), name) != names.end();
}

std::vector<std::string> changeable(const Part& part) {
    std::vector<std::string> ids = nodeIds(part);
    for (const Peripheral& peripheral : part.peripherals) {
        ids.push_back(peripheral.id);
    }
    return ids;
}

std::optional<TextError> takeId(MayChange& mayChange, const SeekWord& word, const std::vector<std::string>& known) {
    if (!isAmong(known, word.text)) {
        return unknownWord(word, phrase("no source, line or peripheral '{}'", word.text), known);
    }
    mayChange.ids.push_back(word.text);
    return std::nullopt;
}

tl::expected<SeekLine, TextError> readOnly(std::string_view text, const std::vector<SeekWord>& words, const Part& part) {
    const std::vector<std::string> known = changeable(part);
    MayChange mayChange;
    for (std::size_t i = 1; i < words.size() && words[i].text != "may"; ++i) {
        if (auto error = takeId(mayChange, words[i], known)) {
            return tl::unexpected(*error);
        }
    }
    if (mayChange.ids.empty()) {
        return tl::unexpected(
            TextError{text.size(), 0, phrase("nothing that may change"), phrase("only pll, usb may change"), {}});
    }
    return mayChange;
}

tl::expected<SeekLine, TextError> readOf(std::string_view text, const std::vector<SeekWord>& words, const Source& source) {
    const SeekWord& name = words.front();
    if (source.kind == SourceKind::rc) {
        return tl::unexpected(TextError{
            name.position, name.text.size(), phrase("'{}' is in the part", name.text), phrase("a crystal or a clock input"), {}});
    }
    const std::size_t from = words[1].position + words[1].text.size();
    auto rates = readCrystalRates(text.substr(from), source);
    if (!rates) {
        rates.error().position += from;
        return tl::unexpected(rates.error());
    }
    return CrystalQuestion{name.text, *rates};
}

} // namespace

tl::expected<SeekLine, TextError> readSeekLine(std::string_view text, const Part& part,
                                               const std::vector<std::string>& promises) {
    const std::vector<SeekWord> words = seekWordsOf(text);
    if (words.size() == 1 && isAmong(promises, words.front().text)) {
        return SoughtName{words.front().text};
    }
    if (!words.empty() && words.front().text == "only") {
        return readOnly(text, words, part);
    }
    const auto source = words.size() > 1 && words[1].text == "of" ? part.findNode(words.front().text) : std::nullopt;
    if (source && part.isSource(*source)) {
        return readOf(text, words, part.sources[*source]);
    }
    auto wish = readWish(text, &part);
    if (!wish) {
        return tl::unexpected(wish.error());
    }
    return *wish;
}

tl::expected<MayChange, TextError> readMayChange(std::string_view text, const Part& part) {
    const std::vector<std::string> known = changeable(part);
    MayChange mayChange;
    for (const SeekWord& word : piecesOf(text)) {
        if (word.text == "everything") {
            continue;
        }
        if (auto error = takeId(mayChange, word, known)) {
            return tl::unexpected(*error);
        }
    }
    return mayChange;
}

tl::expected<std::vector<std::string>, TextError> readPromiseNames(std::string_view text,
                                                                   const std::vector<std::string>& promises) {
    std::vector<std::string> names;
    for (const SeekWord& word : piecesOf(text)) {
        if (!isAmong(promises, word.text)) {
            return tl::unexpected(unknownWord(word, phrase("no promise '{}'", word.text), promises));
        }
        names.push_back(word.text);
    }
    return names;
}

tl::expected<Lifted, TextError> readLifted(std::string_view text, const Part& part, const Take& take) {
    std::vector<std::pair<std::string, Lifted>> known;
    for (const std::string& id : nodeIds(part)) {
        known.push_back({phrase("limits of {}", id), {Lifted::Kind::limit, id}});
    }
    for (const Rule& rule : part.rules) {
        known.push_back({phrase("rule {}", rule.say), {Lifted::Kind::rule, rule.say}});
    }
    for (const std::string& lock : take.locks) {
        known.push_back({phrase("lock on {}", lock), {Lifted::Kind::lock, lock}});
    }
    const auto found = std::find_if(known.begin(), known.end(), [&](const auto& each) { return each.first == text; });
    if (found != known.end()) {
        return found->second;
    }
    std::vector<std::string> names;
    std::transform(known.begin(), known.end(), std::back_inserter(names), [](const auto& each) { return each.first; });
    const SeekWord whole{std::string(text), 0};
    return tl::unexpected(unknownWord(whole, phrase("nothing is called '{}' that can be lifted", whole.text), names));
}

tl::expected<std::vector<Preference>, TextError> readPreferences(std::string_view text) {
    std::vector<Preference> preferences;
    for (const SeekWord& word : piecesOf(text)) {
        const auto preference = readPreference(word.text);
        if (!preference) {
            return tl::unexpected(unknownWord(word, phrase("no preference '{}'", word.text), preferenceNames()));
        }
        preferences.push_back(*preference);
    }
    return preferences;
}

tl::expected<CrystalQuestion, TextError> readCrystalQuestion(std::string_view text, const Part& part) {
    const std::size_t colon = std::min(text.find(':'), text.size());
    const std::vector<SeekWord> names = piecesOf(text.substr(0, colon));
    const SeekWord name = names.empty() ? SeekWord{} : names.front();
    std::vector<std::string> known;
    for (const Source& source : part.sources) {
        if (source.kind != SourceKind::rc) {
            known.push_back(source.id);
        }
    }
    if (!isAmong(known, name.text)) {
        return tl::unexpected(unknownWord(name, phrase("nothing is fitted for '{}'", name.text), known));
    }
    const bool isSaid = colon < text.size();
    auto rates = readCrystalRates(isSaid ? text.substr(colon + 1) : "stock", part.sources[*part.findNode(name.text)]);
    if (!rates) {
        rates.error().position += isSaid ? colon + 1 : 0;
        return tl::unexpected(rates.error());
    }
    return CrystalQuestion{name.text, *rates};
}

} // namespace wisetick
