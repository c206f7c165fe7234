#include "seek/wish.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <algorithm>
#include <array>
#include <cctype>

namespace wisetick {

namespace {

const Rational kWishMillionth = 1000000;
const Rational kUnknownStray = 1000000;

/// Reads a wish word by word.
class WishReader {
public:
    WishReader(std::string_view text, const Part* part) : text_(text), part_(part) {}

    tl::expected<Wish, TextError> read() {
        Wish wish;
        const std::size_t start = at_ = skipBlanks(0);
        while (at_ < text_.size() && isIdCharacter(text_[at_])) {
            ++at_;
        }
        wish.line = text_.substr(start, at_ - start);
        if (wish.line.empty()) {
            return fault(start, 0, text_.empty() ? "nothing" : "'" + std::string(text_.substr(start)) + "'", kForms);
        }
        if (part_ != nullptr && !part_->findNode(wish.line)) {
            return unknownLine(start, wish.line);
        }
        if (!readWhat(wish)) {
            return tl::unexpected(error_);
        }
        return finish(std::move(wish));
    }

private:
    static constexpr const char* kForms =
        phraseMark("a wish such as 'core = 160 MHz', 'core at least 100 MHz' or 'core as high as possible'");

    static bool isWordCharacter(char c) { return std::isalnum(static_cast<unsigned char>(c)) != 0 || c == '_'; }

    static bool isIdCharacter(char c) { return isWordCharacter(c) || c == '-'; }

    std::size_t skipBlanks(std::size_t at) const {
        while (at < text_.size() && (text_[at] == ' ' || text_[at] == '\t')) {
            ++at;
        }
        return at;
    }

    tl::unexpected<TextError> fault(std::size_t position, std::size_t length, Text found, Text expected, Text mend = {}) {
        error_ = {position, length, std::move(found), std::move(expected), std::move(mend)};
        return tl::unexpected(error_);
    }

    tl::unexpected<TextError> unknownLine(std::size_t start, const std::string& id) {
        const std::vector<std::string> known = nodeIds(*part_);
        if (part_->findPeripheral(id)) {
            return fault(start, id.size(), phrase("'{}' is a peripheral", id), phrase("a source or line"),
                         phrase("state a promise about it"));
        }
        return fault(start, id.size(), phrase("no source or line '{}'", id), listNames(known), didYouMean(id, known));
    }

    /// Takes the words if they come next, whole.
    bool take(std::string_view words) {
        std::size_t at = skipBlanks(at_);
        for (std::size_t i = 0; i < words.size(); ++i) {
            if (words[i] == ' ') {
                at = skipBlanks(at);
            } else if (at >= text_.size() || text_[at] != words[i]) {
                return false;
            } else {
                ++at;
            }
        }
        if (isWordCharacter(words.back()) && at < text_.size() && isWordCharacter(text_[at])) {
            return false;
        }
        at_ = at;
        return true;
    }

    std::optional<Rational> takeQuantity(Unit unit) {
        const std::size_t start = skipBlanks(at_);
        const std::size_t length = quantityLength(text_.substr(start));
        if (length == 0) {
            const bool isEnd = start >= text_.size();
            fault(start, text_.size() - start, isEnd ? phrase("nothing more") : "'" + std::string(text_.substr(start)) + "'",
                  unit == Unit::hertz ? phrase("a rate, as '160 MHz'") : phrase("a tolerance, as '1.5 %' or '30 ppm'"));
            return std::nullopt;
        }
        const auto value = readQuantity(text_.substr(start, length), unit);
        if (!value) {
            error_ = value.error();
            error_.position += start;
            return std::nullopt;
        }
        if (value->sign() <= 0) {
            fault(start, length, "'" + std::string(text_.substr(start, length)) + "'",
                  unit == Unit::hertz ? phrase("a rate above 0") : phrase("a tolerance above 0"));
            return std::nullopt;
        }
        at_ = start + length;
        return *value;
    }

    bool takeHertz(std::optional<Rational>& into) {
        into = takeQuantity(Unit::hertz);
        return into.has_value();
    }

    bool readWhat(Wish& wish) {
        for (const char* words : {"at least", "runs at least", ">=", "\u2265"}) {
            if (take(words)) {
                wish.kind = Wish::Kind::within;
                return takeHertz(wish.low);
            }
        }
        for (const char* words : {"at most", "runs at most", "<=", "\u2264"}) {
            if (take(words)) {
                wish.kind = Wish::Kind::within;
                return takeHertz(wish.high);
            }
        }
        if (take("=") || take(phrase("runs at"))) {
            const auto hertz = takeQuantity(Unit::hertz);
            if (!hertz) {
                return false;
            }
            wish.hertz = *hertz;
            if (take("within")) {
                take("\u00b1");
                wish.tolerance.within = takeQuantity(Unit::ratio);
                return wish.tolerance.within.has_value();
            }
            wish.tolerance.exactly = true;
            take("exactly");
            return true;
        }
        wish.kind = Wish::Kind::within;
        if (take("between")) {
            return takeHertz(wish.low) && takeAnd() && takeHertz(wish.high) && isRange(wish);
        }
        if (take(phrase("as high as possible"))) {
            wish.kind = Wish::Kind::highest;
            return !take(phrase("up to")) || takeHertz(wish.high);
        }
        if (take(phrase("as low as possible"))) {
            wish.kind = Wish::Kind::lowest;
            return !take(phrase("down to")) || takeHertz(wish.low);
        }
        const std::size_t start = skipBlanks(at_);
        fault(start, text_.size() - start,
              start >= text_.size() ? phrase("nothing after '{}'", wish.line) : "'" + std::string(text_.substr(start)) + "'",
              phrase("'= RATE', 'within', 'at least', 'at most', 'between', 'as high as possible' or 'as low as possible'"));
        return false;
    }

    bool takeAnd() {
        if (take("and")) {
            return true;
        }
        const std::size_t start = skipBlanks(at_);
        fault(start, text_.size() - start,
              start >= text_.size() ? phrase("nothing more") : "'" + std::string(text_.substr(start)) + "'",
              phrase("'and' and the higher rate"));
        return false;
    }

    bool isRange(const Wish& wish) {
        if (*wish.low <= *wish.high) {
            return true;
        }
        fault(0, text_.size(),
              phrase("{} is above {}", printQuantity(*wish.low, Unit::hertz), printQuantity(*wish.high, Unit::hertz)),
              phrase("the lower rate first"));
        return false;
    }

    tl::expected<Wish, TextError> finish(Wish wish) {
        take(",");
        wish.isSoft = take(phrase("if possible"));
        const std::size_t rest = skipBlanks(at_);
        if (rest < text_.size()) {
            return fault(rest, text_.size() - rest, "'" + std::string(text_.substr(rest)) + "'",
                         phrase("nothing more, or 'if possible'"));
        }
        return wish;
    }

    std::string_view text_;
    const Part* part_;
    std::size_t at_ = 0;
    TextError error_;
};

} // namespace

tl::expected<Wish, TextError> readWish(std::string_view text, const Part* part) {
    return WishReader(text, part).read();
}

Completion completeWish(std::string_view text, const Part& part) {
    static const std::vector<std::string> kVerbs{"= ",
                                                 phrase("at least "),
                                                 phrase("at most "),
                                                 phrase("between "),
                                                 phrase("as high as possible"),
                                                 phrase("as low as possible")};
    Completion completion;
    const auto offer = [&](const std::vector<std::string>& all, std::string_view typed) {
        for (const std::string& each : all) {
            if (each.size() > typed.size() && each.compare(0, typed.size(), typed) == 0) {
                completion.texts.push_back(each);
            }
        }
    };
    const std::size_t end = text.find(' ');
    if (end == std::string_view::npos) {
        offer(nodeIds(part), text);
        return completion;
    }
    if (!part.findNode(std::string(text.substr(0, end)))) {
        return completion;
    }
    completion.position = std::min(text.find_first_not_of(' ', end), text.size());
    offer(kVerbs, text.substr(completion.position));
    const auto wish = completion.texts.empty() ? readWish(text, &part) : tl::unexpected(TextError());
    if (wish && !wish->isSoft && (std::isalpha(static_cast<unsigned char>(text.back())) != 0 || text.back() == '%')) {
        completion.position = text.size();
        completion.texts = {phrase(", if possible")};
        if (wish->kind == Wish::Kind::at && !wish->tolerance.within) {
            completion.texts.insert(completion.texts.begin(), phrase(" within 0.1 %"));
        }
    }
    return completion;
}

std::string printWish(const Wish& wish) {
    const auto hertz = [](const Rational& rate) { return printReadable(rate, Unit::hertz); };
    std::string text = wish.line;
    switch (wish.kind) {
    case Wish::Kind::at:
        text += " = " + hertz(wish.hertz);
        text += wish.tolerance.within ? phrase(" within {}", printReadable(*wish.tolerance.within, Unit::ratio)) : "";
        break;
    case Wish::Kind::within:
        if (wish.low && wish.high) {
            text += phrase(" between {} and {}", hertz(*wish.low), hertz(*wish.high));
        } else {
            text += wish.low ? phrase(" at least {}", hertz(*wish.low))
                             : phrase(" at most {}", hertz(wish.high.value_or(Rational(0))));
        }
        break;
    case Wish::Kind::highest:
        text += phrase(" as high as possible{}", wish.high ? phrase(" up to {}", hertz(*wish.high)) : "");
        break;
    case Wish::Kind::lowest:
        text += phrase(" as low as possible{}", wish.low ? phrase(" down to {}", hertz(*wish.low)) : "");
        break;
    }
    return text + (wish.isSoft ? phrase(", if possible") : "");
}

WishStanding standingOf(const Wish& wish, const Bounds& hertz, bool isWorstKnown, const Rational& slack) {
    if (wish.kind == Wish::Kind::at) {
        const Bounds error = relativeError(hertz, wish.hertz);
        const Rational miss = abs(error.nominal);
        const Rational ratio = wish.tolerance.within ? miss / *wish.tolerance.within : miss * kWishMillionth;
        return {judgeTolerance(error, wish.tolerance, isWorstKnown).state, ratio};
    }
    WishStanding standing{State::kept, 0};
    if (wish.low && hertz.nominal < *wish.low) {
        return {State::broken, 1 - hertz.nominal / *wish.low};
    }
    if (wish.high && hertz.nominal > *wish.high) {
        return {State::broken, hertz.nominal / *wish.high - 1};
    }
    const bool isUnder = wish.low && hertz.min < *wish.low * (1 - slack);
    const bool isOver = wish.high && hertz.max > *wish.high * (1 + slack);
    standing.state = isUnder || isOver ? State::strained : State::kept;
    return standing;
}

std::optional<Rational> strayOf(const Wish& wish, const Rational& off, bool isSpreadKnown) {
    if (wish.kind != Wish::Kind::at || !wish.tolerance.within) {
        return std::nullopt;
    }
    const Rational& within = *wish.tolerance.within;
    if (!isSpreadKnown) {
        return kUnknownStray;
    }
    // even with an error of the whole tolerance to the other side
    return off * (1 - within) > 2 * within ? std::optional(off / within) : std::nullopt;
}

Rational extremeOf(const Wish& wish, const Rational& hertz) {
    return wish.kind == Wish::Kind::highest ? -hertz : (wish.kind == Wish::Kind::lowest ? hertz : Rational(0));
}

} // namespace wisetick
