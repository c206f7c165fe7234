#include "workshop/text_words.h"

#include <algorithm>
#include <cctype>

namespace wisetick {

namespace {

bool isBare(char sign) {
    return std::isalnum(static_cast<unsigned char>(sign)) != 0 || sign == '_' || sign == '-';
}

/// Goes through the text line by line and remembers which brackets are open, and under which keys.
class WordReader {
public:
    TextWords read(std::string_view text) {
        all_.entries.push_back({});
        for (int number = 0; !text.empty() || number == 0; ++number) {
            const std::size_t end = text.find('\n');
            line_ = text.substr(0, end);
            text.remove_prefix(end == std::string_view::npos ? text.size() : end + 1);
            number_ = number;
            readLine();
        }
        return std::move(all_);
    }

private:
    struct Frame {
        char bracket = 0;
        std::size_t keys = 0; ///< how many the value stands under
    };

    void readLine() {
        at_ = 0;
        if (isInLong_) {
            skipLong();
        }
        skipBlank();
        if (at_ < line_.size() && line_[at_] == '[' && (frames_.empty() || looksLikeHead())) {
            readHead();
            return;
        }
        if (at_ < line_.size()) {
            all_.entries.back().to = number_ + 1;
        }
        if (frames_.empty()) {
            keys_.clear();
            wantsKey_ = true;
        }
        while (at_ < line_.size() && line_[at_] != '#') {
            readToken();
            skipBlank();
        }
    }

    /// "[[line]]" at the beginning of a line, where a bracket further up was not closed.
    bool looksLikeHead() const { return at_ == 0 && line_.starts_with("[[") && line_.find("]]") != std::string_view::npos; }

    void readHead() {
        const std::size_t from = line_.find_first_not_of('[', at_);
        const std::size_t to = from == std::string_view::npos ? from : line_.find(']', from);
        frames_.clear();
        keys_.clear();
        wantsKey_ = true;
        if (from == std::string_view::npos) {
            return;
        }
        std::string name(line_.substr(from, to == std::string_view::npos ? to : to - from));
        all_.entries.push_back({name, {}, number_, number_ + 1});
        add(TextWord::Kind::table, from, from + name.size());
    }

    void readToken() {
        const char sign = line_[at_];
        if (sign == '"' || sign == '\'') {
            readQuoted(sign);
        } else if (sign == '[' || sign == '{') {
            frames_.push_back({sign, keys_.size()});
            wantsKey_ = sign == '{';
            ++at_;
        } else if (sign == ']' || sign == '}') {
            if (!frames_.empty()) {
                keys_.resize(std::min(keys_.size(), frames_.back().keys));
                frames_.pop_back();
            }
            wantsKey_ = false;
            ++at_;
        } else if (sign == ',') {
            const bool isTable = !frames_.empty() && frames_.back().bracket == '{';
            keys_.resize(std::min(keys_.size(), frames_.empty() ? 0 : frames_.back().keys));
            wantsKey_ = isTable;
            ++at_;
        } else if (sign == '=') {
            wantsKey_ = false;
            ++at_;
        } else if (isBare(sign) || sign == '+' || sign == '.') {
            const std::size_t from = at_;
            while (at_ < line_.size() && (isBare(line_[at_]) || (!wantsKey_ && (line_[at_] == '.' || line_[at_] == '+')))) {
                ++at_;
            }
            if (at_ == from) { // the dot of a dotted key
                ++at_;
            } else {
                take(wantsKey_ ? TextWord::Kind::key : TextWord::Kind::plain, from, at_);
            }
        } else {
            ++at_;
        }
    }

    void readQuoted(char quote) {
        if (!wantsKey_ && line_.substr(at_).starts_with(std::string(3, quote))) {
            isInLong_ = true;
            longQuote_ = std::string(3, quote);
            at_ += 3;
            skipLong();
            return;
        }
        const std::size_t from = ++at_;
        while (at_ < line_.size() && line_[at_] != quote) {
            at_ += quote == '"' && line_[at_] == '\\' ? 2U : 1U;
        }
        at_ = std::min(at_, line_.size());
        take(wantsKey_ ? TextWord::Kind::key : TextWord::Kind::text, from, at_);
        at_ = std::min(at_ + 1, line_.size());
    }

    void skipLong() {
        const std::size_t end = line_.find(longQuote_, at_);
        isInLong_ = end == std::string_view::npos;
        at_ = isInLong_ ? line_.size() : end + 3;
    }

    /// A word; a key is one that what follows stands under.
    void take(TextWord::Kind kind, std::size_t from, std::size_t to) {
        add(kind, from, to);
        if (kind == TextWord::Kind::key) {
            keys_.emplace_back(line_.substr(from, to - from));
            return;
        }
        WordTable& entry = all_.entries.back();
        const bool names =
            keys_.size() == 1 && (keys_[0] == "id" || keys_[0] == "ids" || keys_[0] == "name" || keys_[0] == "say");
        if (names && (entry.id.empty() || keys_[0] == "id" || keys_[0] == "ids")) {
            entry.id = all_.words.back().text;
        }
    }

    void add(TextWord::Kind kind, std::size_t from, std::size_t to) {
        all_.words.push_back({kind, std::string(line_.substr(from, to - from)), all_.entries.size() - 1, keys_, number_,
                              static_cast<int>(from), static_cast<int>(to)});
    }

    void skipBlank() {
        while (at_ < line_.size() && std::isspace(static_cast<unsigned char>(line_[at_])) != 0) {
            ++at_;
        }
    }

    TextWords all_;
    std::string_view line_;
    int number_ = 0;
    std::size_t at_ = 0;
    std::vector<Frame> frames_;
    std::vector<std::string> keys_;
    bool wantsKey_ = true;
    bool isInLong_ = false;
    std::string longQuote_;
};

} // namespace

const TextWord* TextWords::at(int line, int column) const {
    const auto found = std::find_if(words.begin(), words.end(), [&](const TextWord& word) {
        return word.line == line && word.from <= column && column <= word.to;
    });
    return found == words.end() ? nullptr : &*found;
}

std::size_t TextWords::entryAt(int line) const {
    std::size_t index = entries.size() - 1;
    while (index > 0 && entries[index].from > line) {
        --index;
    }
    return index;
}

TextWords readWords(std::string_view text) {
    return WordReader().read(text);
}

} // namespace wisetick
