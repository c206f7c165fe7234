#include "plan/handover_edits.h"

#include "base/nearest_name.h"
#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

/// The form that a file's ending tells; empty where it tells none.
Text formOf(const std::string& path) {
    constexpr std::pair<std::string_view, std::string_view> kEndings[] = {{".h", "header"}, {".hpp", "cpp"}, {".hh", "cpp"},
                                                                          {".c", "c"},      {".rs", "rust"}, {".dts", "dts"},
                                                                          {".dtsi", "dts"}, {".csv", "csv"}, {".json", "json"}};
    for (const auto& [ending, form] : kEndings) {
        if (path.size() > ending.size() && path.compare(path.size() - ending.size(), ending.size(), ending) == 0) {
            return std::string(form);
        }
    }
    return {};
}

struct LineWord {
    std::string text;
    std::size_t position = 0;
};

std::vector<LineWord> wordsOf(std::string_view text) {
    std::vector<LineWord> words;
    for (std::size_t at = 0; at < text.size();) {
        const std::size_t begin = text.find_first_not_of(" ,\t", at);
        if (begin == std::string_view::npos) {
            break;
        }
        const std::size_t end = std::min(text.find_first_of(" ,\t", begin), text.size());
        words.push_back({std::string(text.substr(begin, end - begin)), begin});
        at = end;
    }
    return words;
}

} // namespace

tl::expected<HandoverFile, TextError> readHandoverLine(std::string_view text) {
    const std::vector<LineWord> words = wordsOf(text);
    if (words.empty()) {
        return tl::unexpected(
            TextError{0, text.size(), "nothing", phrase("a path, such as '../firmware/clocks.h as header, take A'"), {}});
    }
    HandoverFile file;
    file.path = words.front().text;
    for (std::size_t i = 1; i < words.size(); i += 2) {
        const std::vector<std::string> keys{"as", "take", "from", "registers"};
        std::string* const values[] = {&file.form, &file.take, &file.from, &file.registers};
        const auto key = std::find(keys.begin(), keys.end(), words[i].text);
        if (key == keys.end() || i + 1 == words.size()) {
            const bool isKey = key != keys.end();
            return tl::unexpected(TextError{words[i].position, words[i].text.size(),
                                            "'" + words[i].text + "'" + (isKey ? phrase(" and nothing behind it") : ""),
                                            isKey ? phrase("a word behind it") : listNames(keys),
                                            isKey ? std::string() : didYouMean(words[i].text, keys)});
        }
        *values[key - keys.begin()] = words[i + 1].text;
        const auto& forms = handoverForms();
        if (*key == "as" && std::find(forms.begin(), forms.end(), file.form) == forms.end()) {
            return tl::unexpected(TextError{words[i + 1].position, file.form.size(), phrase("no form '{}'", file.form),
                                            listNames(forms), didYouMean(file.form, forms)});
        }
    }
    file.form = file.form.empty() ? formOf(file.path) : file.form;
    if (file.form.empty()) {
        return tl::unexpected(TextError{words[0].position,
                                        file.path.size(),
                                        phrase("'{}', whose ending tells no form", file.path),
                                        phrase("'as' and one of {}", listNames(handoverForms())),
                                        {}});
    }
    return file;
}

std::string printHandoverLine(const HandoverFile& file) {
    return file.path + " as " + file.form + (file.take.empty() ? "" : ", take " + file.take) +
           (file.from.empty() ? "" : ", from " + file.from) + (file.registers.empty() ? "" : ", registers " + file.registers);
}

Text addHandover(Plan& plan, HandoverFile file) {
    const auto same = std::find_if(plan.handover.begin(), plan.handover.end(),
                                   [&](const HandoverFile& each) { return each.path == file.path; });
    if (same != plan.handover.end()) {
        return phrase("'{}' is handed over already", file.path);
    }
    for (const std::string& take : {file.take, file.from}) {
        if (!take.empty() && findTake(plan, take) == nullptr) {
            return phrase("no take '{}'", take);
        }
    }
    plan.handover.push_back(std::move(file));
    return {};
}

Text removeHandover(Plan& plan, const std::string& path) {
    const auto count = std::erase_if(plan.handover, [&](const HandoverFile& each) { return each.path == path; });
    return count == 0 ? phrase("'{}' is not handed over", path) : Text();
}

namespace {

std::vector<KeptCapture>::iterator keptAt(Plan& plan, const std::string& path) {
    return std::find_if(plan.captures.begin(), plan.captures.end(), [&](const KeptCapture& each) { return each.path == path; });
}

} // namespace

Text keepCapture(Plan& plan, KeptCapture capture) {
    if (capture.path.empty()) {
        return phrase("a capture without a file");
    }
    const auto kept = keptAt(plan, capture.path);
    if (kept != plan.captures.end()) {
        *kept = std::move(capture);
    } else {
        plan.captures.push_back(std::move(capture));
    }
    return {};
}

Text dropCapture(Plan& plan, const std::string& path) {
    const auto kept = keptAt(plan, path);
    if (kept == plan.captures.end()) {
        return phrase("no capture '{}' is kept", path);
    }
    plan.captures.erase(kept);
    return {};
}

Text matchTrack(Plan& plan, const std::string& path, const std::string& promise, const std::string& track) {
    const auto kept = keptAt(plan, path);
    if (kept == plan.captures.end()) {
        return phrase("no capture '{}' is kept", path);
    }
    const std::vector<std::string> names = promiseNames(plan);
    if (std::find(names.begin(), names.end(), promise) == names.end()) {
        return phrase("there is no promise '{}'", promise);
    }
    std::erase_if(kept->tracks, [&](const auto& each) { return each.first == promise || each.second == track; });
    if (!track.empty()) {
        kept->tracks.emplace_back(promise, track);
        std::sort(kept->tracks.begin(), kept->tracks.end());
    }
    return {};
}

} // namespace wisetick
