#include "base/text.h"

#include <cctype>

namespace wisetick {

namespace {

/// The words with each {} or {0}, {1} … replaced; braces that stand twice stand once.
template <typename Argument>
std::string filled(std::string_view words, std::size_t count, const Argument& argument) {
    std::string text;
    std::size_t next = 0;
    for (std::size_t at = 0; at < words.size(); ++at) {
        const char sign = words[at];
        const bool isTwice = at + 1 < words.size() && words[at + 1] == sign;
        if ((sign == '{' || sign == '}') && isTwice) {
            text += sign;
            ++at;
            continue;
        }
        const std::size_t end = sign == '{' ? words.find('}', at) : std::string_view::npos;
        if (end == std::string_view::npos) {
            text += sign;
            continue;
        }
        std::size_t which = next;
        if (end > at + 1) {
            which = 0;
            for (std::size_t digit = at + 1; digit < end && std::isdigit(static_cast<unsigned char>(words[digit])) != 0;
                 ++digit) {
                which = which * 10 + static_cast<std::size_t>(words[digit] - '0');
            }
        }
        next = which + 1;
        if (which < count) {
            text += argument(which);
        }
        at = end;
    }
    return text;
}

} // namespace

std::vector<Text::Piece>& Text::own() {
    if (made_ == nullptr) {
        made_ = std::make_shared<std::vector<Piece>>();
        if (!empty()) {
            made_->push_back({nullptr, *this, {}});
        }
    } else if (made_.use_count() > 1) {
        made_ = std::make_shared<std::vector<Piece>>(*made_);
    }
    return *made_;
}

Text& Text::add(std::string_view raw) {
    if (made_ != nullptr && !raw.empty()) {
        std::vector<Piece>& pieces = own();
        if (!pieces.empty() && pieces.back().phrase == nullptr) {
            pieces.back().raw += raw;
        } else {
            pieces.push_back({nullptr, std::string(raw), {}});
        }
    }
    append(raw);
    return *this;
}

Text& Text::operator+=(const Text& more) {
    if (more.made_ == nullptr) {
        return add(more);
    }
    const std::vector<Piece> behind = *more.made_; // it may be this text itself
    std::vector<Piece>& pieces = own();
    pieces.insert(pieces.end(), behind.begin(), behind.end());
    append(more);
    return *this;
}

std::string Text::in(const Language& language) const {
    if (made_ == nullptr) {
        return *this;
    }
    std::string english;
    std::string said;
    for (const Piece& piece : *made_) {
        if (piece.phrase == nullptr) {
            english += piece.raw;
            said += piece.raw;
            continue;
        }
        const std::string words = language(piece.phrase);
        const std::string plain = filled(piece.phrase, piece.arguments.size(),
                                         [&](std::size_t which) -> const std::string& { return piece.arguments[which]; });
        english += plain;
        said += words.empty() ? plain : filled(words, piece.arguments.size(), [&](std::size_t which) {
            return piece.arguments[which].in(language);
        });
    }
    if (english != *this) {
        return *this; // it was changed as a string: what it was made of is not it any more
    }
    return said;
}

Text phraseOf(const char* phrase, std::vector<Text> arguments) {
    Text text(filled(phrase, arguments.size(), [&](std::size_t which) -> const std::string& { return arguments[which]; }));
    text.made_ = std::make_shared<std::vector<Text::Piece>>();
    text.made_->push_back({phrase, {}, std::move(arguments)});
    return text;
}

bool turnsWriting(std::string_view text) {
    if (text.size() < 3 || text[0] != '\xE2') {
        return false;
    }
    const auto third = static_cast<unsigned char>(text[2]);
    return text[1] == '\x80' ? third == 0x8E || third == 0x8F || (third >= 0xAA && third <= 0xAE)
                             : text[1] == '\x81' && third >= 0xA6 && third <= 0xA9;
}

bool isPlainText(std::string_view text) {
    for (std::size_t i = 0; i < text.size(); ++i) {
        const auto sign = static_cast<unsigned char>(text[i]);
        if (sign < 0x20 || sign == 0x7F) {
            return false;
        }
        if (turnsWriting(text.substr(i))) {
            return false;
        }
    }
    return true;
}

} // namespace wisetick
