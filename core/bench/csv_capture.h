#pragma once

#include "bench/capture.h"

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace wisetick {

/// How the columns of a table are told apart, and where its times come from.
struct CsvForm {
    char separator = ',';
    char decimal = '.';
    bool hasHeader = false;
    std::optional<std::size_t> timeColumn; ///< none: rows come at `sample`
    Rational timeUnit = 1;                 ///< s, of that column: "time [ms]"
    std::optional<Rational> sample;        ///< s between two rows, where no column tells it
    bool operator==(const CsvForm&) const = default;
    /// "separated by ';', decimals with ',', a header, times in column 1".
    std::string text() const;
};

/// Finds out from the first lines how a table is written. Without a column of times `sample` is left to be told.
CsvForm guessCsv(std::string_view beginning);

/// Reads a table of samples or of changes, piece by piece: columns of 0 and 1 are signals, others are values. The form is guessed
/// from the first lines unless it is told. Times are exact to the picosecond; the tick is the longest one that all of them are
/// whole numbers of.
class CsvReader {
public:
    explicit CsvReader(std::string name, std::optional<CsvForm> form = std::nullopt);
    /// What is told instead of being guessed: s between two rows.
    void setSample(const Rational& sample) { sample_ = sample; }
    void feed(std::string_view text);
    Capture finish();
    /// As it was guessed or told, once it is known.
    const std::optional<CsvForm>& form() const { return form_; }

private:
    struct Column {
        std::string name;
        std::string unit;
        bool isValue = false; ///< it held something else than 0 and 1
        EdgeList edges;
        std::vector<std::int64_t> ticks;
        std::vector<double> values;
    };

    void begin();
    void takeLines(std::string_view text);
    void takeLine(std::string_view line);
    void takeHeader(const std::vector<std::string_view>& cells);
    void takeValue(Column& column, std::string_view cell, std::int64_t tick);
    std::vector<std::string_view> cellsOf(std::string_view line) const;
    void fault(const std::string& found, const std::string& expected);

    Capture capture_;
    std::optional<CsvForm> form_;
    std::optional<Rational> sample_;
    std::string rest_; ///< what is kept until the form is known, and a line that goes on in the next piece
    std::vector<Column> columns_;
    std::size_t line_ = 0;
    std::int64_t row_ = 0;
    std::int64_t idle_ = 0; ///< rows in which nothing changed
    std::int64_t last_ = -1;
    std::int64_t common_ = 0;   ///< greatest common divisor of the times
    std::int64_t shortest_ = 0; ///< between two rows
    std::int64_t longest_ = 0;
    bool isBroken_ = false;
};

/// A capture as a table with a header: a row for each time at which something changes.
std::string writeCsv(const Capture& capture);

} // namespace wisetick
