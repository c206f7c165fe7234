#include "evaluate/exact_values.h"

#include "base/text.h"
#include "derive/derive.h"

#include <algorithm>
#include <map>

namespace wisetick {

namespace {

/// Values worth offering, by the words before them.
const std::vector<std::string>& roundValues(const std::string& words) {
    static const std::vector<std::string> none;
    static const std::vector<std::string> bitRates{"9600",    "19200",      "38400",      "57600",      "115200",  "230400",
                                                   "250000",  "460800",     "500000",     "921600",     "1000000", "2000000",
                                                   "3000000", "125 kbit/s", "250 kbit/s", "500 kbit/s", "1 Mbit/s"};
    static const std::vector<std::string> periods{"10 us", "50 us", "100 us", "125 us", "250 us", "500 us", "1 ms", "2 ms",
                                                  "5 ms",  "10 ms", "20 ms",  "50 ms",  "100 ms", "500 ms", "1 s",  "10 s"};
    static const std::vector<std::string> rates{
        "1 kHz at 50 % duty",  "2 kHz at 50 % duty",  "5 kHz at 50 % duty",  "10 kHz at 50 % duty", "16 kHz at 50 % duty",
        "20 kHz at 50 % duty", "25 kHz at 50 % duty", "40 kHz at 50 % duty", "50 kHz at 50 % duty", "100 kHz at 50 % duty"};
    static const std::map<std::string, const std::vector<std::string>*> lists{
        {"talks", &bitRates}, {"fires every", &periods}, {"waits", &periods}, {"drives", &rates}};
    const auto found = lists.find(words);
    return found == lists.end() ? none : *found->second;
}

/// What stands behind the subject: "fires every".
std::string wordsBehindSubject(std::string_view text) {
    const std::size_t colon = text.find(':');
    std::string_view rest = colon == std::string_view::npos ? text : text.substr(colon + 1);
    rest.remove_prefix(std::min(rest.find_first_not_of(' '), rest.size()));
    rest.remove_prefix(std::min(rest.find(' '), rest.size()));
    rest.remove_prefix(std::min(rest.find_first_not_of(' '), rest.size()));
    const std::size_t last = rest.find_last_not_of(' ');
    return last == std::string_view::npos ? std::string() : std::string(rest.substr(0, last + 1));
}

} // namespace

std::vector<std::string> exactValues(const Part& part, const Plan& plan, const std::string& take, std::string_view text) {
    std::vector<std::string> exact;
    if (text.empty() || text.back() != ' ' || findTake(plan, take) == nullptr) {
        return exact;
    }
    Plan alone = plan;
    alone.jobs.clear();
    const std::string words = wordsBehindSubject(text);
    for (const std::string& value : roundValues(words)) {
        const std::string line = std::string(text) + value;
        auto read = readPromiseLine(line, &part);
        // a bit rate reads for a port as well as for CAN: each in the form that it prints in
        const bool isOther =
            read && words == "talks" && printPromiseLine(*read).find(phrase("talks {}", value)) == std::string::npos;
        if (!read || isOther) {
            continue;
        }
        alone.promises = {{line, std::move(*read)}};
        const PromiseFigure figure = derive(part, alone, take).promises.front();
        if (figure.error && figure.error->nominal.isZero() && figure.state != State::broken) {
            exact.push_back(value);
        }
    }
    return exact;
}

} // namespace wisetick
