#include "workshop/mends.h"

namespace wisetick {

std::string wordMeant(const std::string& mend) {
    const std::size_t from = mend.find('\'');
    const std::size_t to = from == std::string::npos ? from : mend.find('\'', from + 1);
    return mend.starts_with("did you mean") && to != std::string::npos ? mend.substr(from + 1, to - from - 1) : std::string();
}

} // namespace wisetick
