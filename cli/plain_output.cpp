#include "plain_output.h"

#include "base/text.h"

#include <cstddef>
#include <string>
#include <string_view>

namespace wisetick::cli {

namespace {

/// The length of a colour, "\033[1;31m", at the beginning of the text; 0 where none stands there.
std::size_t colourAt(std::string_view text) {
    if (!text.starts_with("\033[")) {
        return 0;
    }
    const std::size_t end = text.find_first_not_of("0123456789;", 2);
    return end != std::string_view::npos && text[end] == 'm' ? end + 1 : 0;
}

class PlainBuffer : public std::streambuf {
public:
    PlainBuffer(std::streambuf* below, bool hasColour) : below_(below), hasColour_(hasColour) {}

protected:
    int_type overflow(int_type sign) override {
        if (traits_type::eq_int_type(sign, traits_type::eof())) {
            return traits_type::not_eof(sign);
        }
        const char one = traits_type::to_char_type(sign);
        return xsputn(&one, 1) == 1 ? sign : traits_type::eof();
    }

    std::streamsize xsputn(const char* text, std::streamsize count) override {
        std::string plain;
        const std::string_view all(text, static_cast<std::size_t>(count));
        for (std::size_t i = 0; i < all.size(); ++i) {
            const auto sign = static_cast<unsigned char>(all[i]);
            if (const std::size_t length = hasColour_ ? colourAt(all.substr(i)) : 0; length > 0) {
                plain += all.substr(i, length);
                i += length - 1;
            } else if ((sign < 0x20 && sign != '\n' && sign != '\t') || sign == 0x7F) {
                plain += "\xE2\x90"; // U+2400 and on: pictures of control characters
                plain += static_cast<char>(sign == 0x7F ? 0xA1 : 0x80 + sign);
            } else if (turnsWriting(all.substr(i))) {
                plain += "\xEF\xBF\xBD";
                i += 2;
            } else {
                plain += all[i];
            }
        }
        const auto size = static_cast<std::streamsize>(plain.size());
        return below_->sputn(plain.data(), size) == size ? count : 0;
    }

    int sync() override { return below_->pubsync(); }

private:
    std::streambuf* below_;
    bool hasColour_;
};

} // namespace

PlainOutput::PlainOutput(std::ostream& stream, bool hasColour)
    : stream_(stream), plain_(std::make_unique<PlainBuffer>(stream.rdbuf(), hasColour)), before_(stream.rdbuf(plain_.get())) {}

PlainOutput::~PlainOutput() {
    stream_.flush();
    stream_.rdbuf(before_);
}

} // namespace wisetick::cli
