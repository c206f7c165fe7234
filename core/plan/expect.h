#pragma once

#include "base/text.h"
#include "part/field.h"
#include "plan/plan.h"
#include "quantity/quantity_read.h"

#include <map>
#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace wisetick {

/// A figure as a datasheet prints it: exact, or rounded ("≈3.33 MHz") and then right within half of its last digit.
struct PrintedFigure {
    std::string text;
    Rational value;
    Rational leeway; ///< 0: exact
};

/// Reads "64 MHz" or "≈3.33 MHz"; the error's position is within the text.
tl::expected<PrintedFigure, TextError> readPrintedFigure(const std::string& text, Unit unit);

/// A worked example of a datasheet: settings of a part, and what the datasheet says that follows.
struct Expect {
    /// A promise, and what the datasheet says of its way.
    struct Kept {
        std::string line; ///< as typed
        PromiseLine promise;
        std::vector<std::pair<std::string, Rational>> settings; ///< "divisor" → 52
        std::string got;                                        ///< what it gives, in the promise's unit; empty: not told
        std::optional<PrintedFigure> error;                     ///< a share
    };
    /// A mode's figure, typ and max as far as they are told.
    struct OfMode {
        std::string mode;
        std::optional<PrintedFigure> typ;
        std::optional<PrintedFigure> max;
    };

    std::string say;
    std::string ref;
    std::string path;                                         ///< "expect.1", counted from 1
    Board board;                                              ///< supply, temperature and what is fitted
    Take take;                                                ///< tier and choices
    std::vector<std::pair<std::string, PrintedFigure>> rates; ///< Hz, by source or line
    std::vector<std::pair<Field, std::int64_t>> fields;       ///< what is written
    std::vector<std::pair<std::string, std::int64_t>> waits;  ///< wait states, by line
    std::vector<OfMode> draws;                                ///< A
    std::vector<OfMode> wakes;                                ///< s, until the first instruction
    std::vector<Kept> promises;
};

} // namespace wisetick
