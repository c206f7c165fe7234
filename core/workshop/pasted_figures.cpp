#include "workshop/pasted_figures.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <utility>

namespace wisetick {

namespace {

bool isDigit(char sign) {
    return std::isdigit(static_cast<unsigned char>(sign)) != 0;
}

bool isLetter(char sign) {
    return std::isalpha(static_cast<unsigned char>(sign)) != 0;
}

std::size_t behindBlanks(std::string_view text, std::size_t at) {
    while (at < text.size() && text[at] == ' ') {
        ++at;
    }
    return at;
}

/// The unit that begins here, of as many signs as are one, and where it ends; empty where none does.
std::pair<std::string, std::size_t> unitAt(std::string_view cell, std::size_t at) {
    for (std::size_t to = std::min(cell.size(), at + 12); to > at; --to) {
        const bool endsWord = to == cell.size() || (!isLetter(cell[to]) && cell[to] != '/');
        if (std::string unit = endsWord ? unitOfCell(cell.substr(at, to - at)) : std::string(); !unit.empty()) {
            return {std::move(unit), to};
        }
    }
    return {{}, at};
}

} // namespace

std::string smallLetters(std::string_view text) {
    std::string small(text);
    std::transform(small.begin(), small.end(), small.begin(),
                   [](unsigned char sign) { return static_cast<char>(std::tolower(sign)); });
    return small;
}

std::string plainName(std::string_view name) {
    std::string plain;
    for (const char sign : smallLetters(name)) {
        if (isDigit(sign) || isLetter(sign)) {
            plain += sign;
        }
    }
    return plain;
}

std::string numberOfCell(std::string_view cell) {
    std::string number;
    for (std::size_t i = 0; i < cell.size(); ++i) {
        if (isDigit(cell[i]) || cell[i] == '.' || (i == 0 && (cell[i] == '-' || cell[i] == '+'))) {
            number += cell[i];
        } else if (cell[i] == ',' && i + 1 < cell.size() && isDigit(cell[i + 1])) {
            number += '.'; // a comma before decimals
        } else {
            break;
        }
    }
    return number.find_first_of("0123456789") == std::string::npos ? std::string() : number;
}

std::string unitOfCell(std::string_view text) {
    std::string plain;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const std::string_view rest = text.substr(i);
        if (rest.starts_with("\u00b5") || rest.starts_with("\u03bc")) {
            plain += 'u';
            ++i;
        } else if (text[i] != ' ') {
            plain += text[i];
        }
    }
    static constexpr std::array<const char*, 18> kUnits{"uA/MHz", "mA/MHz", "nA/MHz", "uA",  "mA", "nA", "A", "us",  "ms",
                                                        "ns",     "s",      "kHz",    "MHz", "Hz", "V",  "C", "GHz", "%"};
    const auto found = std::find_if(kUnits.begin(), kUnits.end(), [&](const char* unit) { return plain == unit; });
    return found == kUnits.end() ? std::string() : *found;
}

std::string unitOfHead(const std::string& head) {
    for (const auto& [open, close] : {std::pair('(', ')'), std::pair('[', ']')}) {
        const std::size_t from = head.find(open);
        const std::size_t to = from == std::string::npos ? from : head.find(close, from);
        if (to != std::string::npos) {
            if (const std::string unit = unitOfCell(head.substr(from + 1, to - from - 1)); !unit.empty()) {
                return unit;
            }
        }
    }
    for (std::size_t at = head.find_last_of(" ,"); at != std::string::npos;
         at = at == 0 ? std::string::npos : head.find_last_of(" ,", at - 1)) {
        if (const std::string unit = unitOfCell(head.substr(at + 1)); !unit.empty()) {
            return unit;
        }
    }
    return unitOfCell(head);
}

std::vector<std::string> celsiusIn(const std::string& head) {
    std::vector<std::string> found;
    const std::size_t sign = head.find("\u00b0");
    std::size_t to = sign == std::string::npos ? 0 : sign;
    for (;;) { // back over "25, 55, 85"
        while (to > 0 && (head[to - 1] == ' ' || head[to - 1] == ',')) {
            --to;
        }
        std::size_t from = to;
        while (from > 0 && (isDigit(head[from - 1]) || head[from - 1] == '-')) {
            --from;
        }
        if (from == to) {
            std::reverse(found.begin(), found.end());
            return found;
        }
        found.push_back(head.substr(from, to - from) + " C");
        to = from;
    }
}

std::vector<std::string> figuresOf(std::string_view cell, const std::string& unit) {
    std::vector<std::pair<std::string, std::string>> figures; // number and unit
    std::size_t at = 0;
    while (at < cell.size()) {
        at = behindBlanks(cell, at);
        const std::size_t sign = at < cell.size() && (cell[at] == '+' || cell[at] == ',') ? behindBlanks(cell, at + 1) : at;
        const std::size_t begin = !figures.empty() ? sign : at;
        std::string number = begin < cell.size() ? numberOfCell(cell.substr(begin)) : std::string();
        if (number.empty() || (!figures.empty() && sign == at)) {
            break; // the first word that is no figure ends them
        }
        const auto [own, end] = unitAt(cell, behindBlanks(cell, begin + number.size()));
        at = own.empty() ? begin + number.size() : end;
        figures.emplace_back(number.front() == '+' ? number.substr(1) : number, own);
    }
    std::vector<std::string> said;
    std::string next = unit;
    for (auto each = figures.rbegin(); each != figures.rend(); ++each) {
        next = each->second.empty() ? next : each->second;
        if (next.empty()) {
            return {};
        }
        said.insert(said.begin(), each->first + " " + next);
    }
    return said;
}

std::vector<std::string> halvesOf(const std::string& cell) {
    for (std::size_t at = cell.find('/'); at != std::string::npos; at = cell.find('/', at + 1)) {
        const std::size_t next = behindBlanks(cell, at + 1);
        if (at > 0 && next < cell.size() && isDigit(cell[next])) {
            return {cell.substr(0, cell.find_last_not_of(' ', at - 1) + 1), cell.substr(next)};
        }
    }
    return {cell};
}

std::vector<std::string> pinsOf(std::string_view cell) {
    std::vector<std::string> pins;
    std::size_t at = 0;
    while (at < cell.size()) {
        std::size_t to = at;
        while (to < cell.size() && (isDigit(cell[to]) || isLetter(cell[to]))) {
            ++to;
        }
        const std::string word(cell.substr(at, to - at));
        const std::size_t digit = word.find_first_of("0123456789");
        const bool isPin = digit != std::string::npos && digit > 0 && digit <= 3 && word.size() - digit <= 3 &&
                           std::all_of(word.begin(), word.begin() + static_cast<std::ptrdiff_t>(digit),
                                       [](unsigned char sign) { return std::isupper(sign) != 0; }) &&
                           std::all_of(word.begin() + static_cast<std::ptrdiff_t>(digit), word.end(), isDigit);
        if (isPin) {
            pins.push_back(word);
        } else if (!word.empty() && word != "or" && word != "and") {
            return {};
        }
        at = std::max(to, at + 1);
    }
    return pins;
}

std::vector<std::string> thingsCalled(const Part& part, const std::string& name) {
    std::vector<std::string> ids;
    const std::string wanted = plainName(name);
    const auto look = [&](const auto& things) {
        for (const auto& thing : things) {
            if (!wanted.empty() && (plainName(thing.id) == wanted || plainName(thing.name) == wanted)) {
                ids.push_back(thing.id);
            }
        }
    };
    look(part.peripherals);
    look(part.modes);
    look(part.sources);
    look(part.lines);
    return ids;
}

CalledSignal signalCalled(const Part& part, std::string_view name) {
    const std::string wanted = plainName(name);
    CalledSignal best;
    for (const Peripheral& peripheral : part.peripherals) {
        const std::string id = plainName(peripheral.id);
        const bool isLonger = id.size() > plainName(best.peripheral).size();
        // "uart11": of uart11, not of uart1 a signal "1"
        if (wanted.starts_with(id) && wanted.size() > id.size() && isLetter(wanted[id.size()]) && isLonger) {
            best = {peripheral.id, wanted.substr(id.size())};
        }
    }
    return best;
}

} // namespace wisetick
