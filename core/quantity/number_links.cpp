#include "quantity/number_links.h"

#include "base/text.h"
#include "quantity/quantity_read.h"

#include <algorithm>
#include <cctype>
#include <optional>

namespace wisetick {

namespace {

struct Token {
    std::size_t from = 0;
    std::string text;
};

bool isDecimalDigit(char c) {
    return c >= '0' && c <= '9';
}

bool isPartOfWord(char c) {
    return std::isalnum(static_cast<unsigned char>(c)) != 0 || c == '_' || c == '.';
}

/// "40 MHz", "8" and "921600" of "40 MHz ÷ (8 × 921600)"; not the digits of names such as "uart1" or "8N1".
std::vector<Token> tokensOf(const std::string& text) {
    std::vector<Token> tokens;
    for (std::size_t at = 0; at < text.size(); ++at) {
        if (!isDecimalDigit(text[at]) || (at > 0 && isPartOfWord(text[at - 1]))) {
            continue;
        }
        std::size_t length = quantityLength(std::string_view(text).substr(at, text.find_first_of("():;", at) - at));
        const std::size_t rest = at + length;
        const bool isMixed = rest + 1 < text.size() && text[rest] == ' ' && isDecimalDigit(text[rest + 1]);
        if (isMixed) { // "21 11/16"
            length += 1 + quantityLength(std::string_view(text).substr(rest + 1));
        }
        const std::string token = text.substr(at, length);
        const bool isName = length > 1 && std::isalpha(static_cast<unsigned char>(token[1])) != 0 && isDecimalDigit(token.back());
        if (length > 0 && !isName) {
            tokens.push_back({at, token});
        }
        at += std::max<std::size_t>(length, 1) - 1;
    }
    return tokens;
}

bool contains(const std::string& text, const std::string& token) {
    const std::vector<Token> tokens = tokensOf(text);
    return std::any_of(tokens.begin(), tokens.end(), [&](const Token& each) { return each.text == token; });
}

} // namespace

std::vector<NumberLink> numberLinks(const Workings& workings, std::size_t index, const std::string& text) {
    const Step& step = workings[index];
    const auto sourceOf = [&](const Token& token) -> std::optional<NumberLink> {
        for (const Origin& origin : step.origins) {
            if (contains(origin.value, token.text)) {
                return NumberLink{token.from, token.text.size(), origin.target, origin.name};
            }
        }
        if (step.origins.empty() || contains(step.formula, token.text)) {
            return std::nullopt;
        }
        for (std::size_t earlier = index; earlier-- > 0;) {
            if (contains(workings[earlier].result, token.text)) {
                return NumberLink{token.from, token.text.size(), Target::step(earlier), workings[earlier].what};
            }
        }
        // an origin without a value stands for several numbers
        const auto general =
            std::find_if(step.origins.begin(), step.origins.end(), [](const Origin& o) { return o.value.empty(); });
        const Origin& origin = general != step.origins.end() ? *general : step.origins.front();
        return NumberLink{token.from, token.text.size(), origin.target, origin.name};
    };
    std::vector<NumberLink> links;
    for (const Token& token : tokensOf(text)) {
        if (auto link = sourceOf(token)) {
            links.push_back(std::move(*link));
        }
    }
    return links;
}

Text placeInWords(const Origin& origin) {
    const bool isInPart = origin.target.is(Target::Room::part);
    const bool isPath = isInPart || origin.target.is(Target::Room::plan);
    const std::string text = targetText(origin.target);
    std::string name = origin.target.name;
    if (!isPath) {
        name = text.substr(0, text.find('/')) + " " + name;
    }
    const Text words = (isInPart ? phrase("the part file, ") : phrase("the plan file, ")) + name;
    return origin.ref.empty() ? words : phrase("{}, datasheet {}", words, origin.ref);
}

} // namespace wisetick
