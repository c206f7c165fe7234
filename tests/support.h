#pragma once

#include "files/shelf.h"
#include "promise/promise_figure.h"
#include "quantity/bounds.h"
#include "quantity/quantity_read.h"

#include <QtTest>

#include <fstream>
#include <random>
#include <sstream>
#include <string>

// Qt Test shows what it compared only for types that it can print.
namespace QTest {
template <>
inline char* toString(const std::string& text) {
    return qstrdup(text.c_str());
}
template <>
inline char* toString(const wisetick::Rational& value) {
    return qstrdup(value.toString().c_str());
}
} // namespace QTest

Q_DECLARE_METATYPE(std::string)

namespace wisetick::test {

/// The whole number that the digits are, of any size.
inline Rational wholeOf(const std::string& digits) {
    Rational value;
    for (const char digit : digits) {
        if (digit != '-') {
            value = value * 10 + Rational(digit - '0');
        }
    }
    return digits.starts_with('-') ? -value : value;
}

/// "9601/2" or "12" as an exact fraction; the text of a test's own expectations.
inline Rational exact(const std::string& text) {
    if (text.find('.') != std::string::npos || text.find('e') != std::string::npos) { // "41.65e-6"
        const std::size_t mark = text.find('e');
        std::string digits = text.substr(0, mark);
        const std::size_t point = digits.find('.');
        const int places = point == std::string::npos ? 0 : static_cast<int>(digits.size() - point - 1);
        if (point != std::string::npos) {
            digits.erase(point, 1);
        }
        const int exponent = mark == std::string::npos ? 0 : std::stoi(text.substr(mark + 1));
        return wholeOf(digits) * powerOfTen(exponent - places);
    }
    const std::size_t slash = text.find('/');
    return wholeOf(text.substr(0, slash)) / (slash == std::string::npos ? Rational(1) : wholeOf(text.substr(slash + 1)));
}

/// A quantity that the test knows to be good.
inline Rational quantity(const std::string& text, Unit unit) {
    return readQuantity(text, unit).value();
}

// in this_build.cpp
extern const char* const kSourceDir; ///< of the checkout
extern const bool kIsSanitized;      ///< the address or the thread sanitizer slows it down

inline std::string sourceDir() {
    return kSourceDir;
}

inline std::string fileText(const std::string& path) {
    std::ifstream stream(path, std::ios::binary);
    std::ostringstream content;
    content << stream.rdbuf();
    return content.str();
}

inline std::string marramText() {
    return fileText(sourceDir() + "/parts/marram-20.part.toml");
}

inline std::string orchardText() {
    return fileText(sourceDir() + "/examples/orchard-sprayer.plan.toml");
}

/// The example with its part; the test fails to start if it can't be read.
inline LoadedPlan orchard() {
    LoadedPlan loaded = loadPlan(sourceDir() + "/examples/orchard-sprayer.plan.toml", {sourceDir() + "/parts"});
    if (!loaded.plan || !loaded.part) {
        for (const Diagnostic& diagnostic : loaded.diagnostics) {
            qWarning("%s", diagnosticText(diagnostic).c_str());
        }
        qFatal("the example can't be read");
    }
    return loaded;
}

/// All diagnostics, one a line.
inline std::string lines(const Diagnostics& diagnostics) {
    std::string text;
    for (const Diagnostic& diagnostic : diagnostics) {
        text += diagnosticText(diagnostic) + "\n";
    }
    return text;
}

/// The target that the text names.
inline Target at(const std::string& text) {
    return readTarget(text).value();
}

/// Replaces the first occurrence; the test is wrong if there is none.
inline std::string replaced(std::string text, const std::string& what, const std::string& by) {
    const std::size_t at = text.find(what);
    if (at == std::string::npos) {
        qFatal("the text to be replaced is not there: %s", what.c_str());
    }
    return text.replace(at, what.size(), by);
}

/// The example with one edit to the text of the plan, or of the part where the plan does not hold it.
struct Edited {
    Part part;
    Plan plan;
};
inline Edited editedOrchard(const std::string& what = {}, const std::string& by = {}) {
    std::string planText = orchardText();
    std::string partText = marramText();
    if (!what.empty()) {
        std::string& text = planText.find(what) != std::string::npos ? planText : partText;
        text = replaced(text, what, by);
    }
    const PartFile part = readPart(partText, "part");
    const PlanFile plan = readPlan(planText, "plan", part.part ? &*part.part : nullptr);
    if (!part.part || !plan.plan) {
        qFatal("%s", lines(part.part ? plan.diagnostics : part.diagnostics).c_str());
    }
    return {*part.part, *plan.plan};
}

/// A clock of so many Hz with its relative deviations.
inline Clock clockAt(const std::string& hertz, const std::string& low = "0", const std::string& high = "0") {
    const Rational rate = exact(hertz);
    return {"bus", {rate * (1 + exact(low)), rate, rate * (1 + exact(high))}, {}};
}

/// Random numbers from a seed that is printed: always the same, unless WISETICK_SEED gives another one or says "random".
class Random {
public:
    Random() : seed_(seedWanted()), engine_(seed_) { qInfo("seed %u", seed_); }
    /// Chosen by these bytes as long as they last, so that a fuzzer can choose; then by chance, the same for the same bytes.
    explicit Random(std::string_view choices)
        : seed_(static_cast<unsigned>(std::hash<std::string_view>()(choices))), engine_(seed_), choices_(choices) {}
    /// From low to high, both included.
    std::int64_t whole(std::int64_t low, std::int64_t high) {
        if (!choices_.empty() && high > low) {
            const auto span = static_cast<std::uint64_t>(high) - static_cast<std::uint64_t>(low);
            std::uint64_t chosen = 0;
            for (std::uint64_t reach = span; reach > 0 && !choices_.empty(); reach >>= 8) {
                chosen = chosen << 8 | static_cast<unsigned char>(choices_.front());
                choices_.remove_prefix(1);
            }
            return low + static_cast<std::int64_t>(span == UINT64_MAX ? chosen : chosen % (span + 1));
        }
        return std::uniform_int_distribution<std::int64_t>(low, high)(engine_);
    }
    bool coin() { return whole(0, 1) == 1; }
    template <class List>
    const auto& pick(const List& list) {
        return list[static_cast<std::size_t>(whole(0, static_cast<std::int64_t>(list.size()) - 1))];
    }

private:
    static unsigned seedWanted() {
        constexpr unsigned kUsual = 20260901;
        const QByteArray wanted = qgetenv("WISETICK_SEED");
        return wanted == "random" ? std::random_device{}() : (wanted.isEmpty() ? kUsual : wanted.toUInt());
    }

    unsigned seed_;
    std::mt19937_64 engine_;
    std::string_view choices_;
};

} // namespace wisetick::test
