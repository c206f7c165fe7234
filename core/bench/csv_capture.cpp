#include "bench/csv_capture.h"

#include "base/trimmed.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>
#include <numeric>

namespace wisetick {

namespace {

constexpr std::size_t kGuessed = 1U << 16U; ///< bytes from which the form is guessed
constexpr std::size_t kGuessedLines = 30;
constexpr std::size_t kMostCsvFaults = 20;
constexpr std::int64_t kFewIdle = 10; ///< of so many rows one without a change: they are samples
const Rational kPicosecond = powerOfTen(-12);

std::vector<std::string_view> split(std::string_view line, char separator) {
    std::vector<std::string_view> cells;
    std::size_t from = 0;
    while (from <= line.size()) {
        const std::size_t to = std::min(line.find(separator, from), line.size());
        cells.push_back(trimmed(line.substr(from, to - from)));
        from = to + 1;
    }
    return cells;
}

std::optional<double> numberIn(std::string_view cell, char decimal) {
    std::string text(cell);
    if (decimal == ',') {
        std::replace(text.begin(), text.end(), ',', '.');
    }
    double value = 0;
    const char* begin = text.data() + (text.rfind('+', 0) == 0 ? 1 : 0);
    const auto [end, error] = std::from_chars(begin, text.data() + text.size(), value);
    return error == std::errc() && end == text.data() + text.size() && std::isfinite(value) ? std::optional(value) : std::nullopt;
}

/// "Time [ms]" and "t (us)": the unit; empty where none is told.
std::string unitIn(std::string_view name) {
    const std::size_t open = name.find_first_of("[(");
    const std::size_t close = name.find_first_of("])");
    return open != std::string_view::npos && close != std::string_view::npos && close > open
               ? std::string(trimmed(name.substr(open + 1, close - open - 1)))
               : std::string();
}

std::optional<Rational> timeUnitOf(const std::string& unit) {
    static const std::map<std::string, Rational> units{{"s", 1},
                                                       {"ms", powerOfTen(-3)},
                                                       {"us", powerOfTen(-6)},
                                                       {"\u00b5s", powerOfTen(-6)},
                                                       {"ns", powerOfTen(-9)},
                                                       {"ps", powerOfTen(-12)}};
    const auto found = units.find(unit);
    return found == units.end() ? std::nullopt : std::optional(found->second);
}

bool isTimeName(std::string name) {
    std::transform(name.begin(), name.end(), name.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    const std::size_t unit = name.find_first_of("[(");
    const std::string bare(trimmed(std::string_view(name).substr(0, unit)));
    return bare == "t" || bare == "time" || bare == "seconds" || bare == "timestamp";
}

} // namespace

std::string CsvForm::text() const {
    const std::string between = separator == '\t' ? "tabs" : separator == ' ' ? "blanks" : std::string("'") + separator + "'";
    return "separated by " + between + ", decimals with '" + decimal + "', " + (hasHeader ? "a header" : "no header") + ", " +
           (timeColumn ? "times in column " + std::to_string(*timeColumn + 1)
            : sample   ? "a row each " + printQuantity(*sample, Unit::second)
                       : std::string("no times"));
}

CsvForm guessCsv(std::string_view beginning) {
    std::vector<std::string_view> lines;
    for (const std::string_view line : split(beginning, '\n')) {
        if (!line.empty() && line.front() != '#' && lines.size() < kGuessedLines) {
            lines.push_back(line);
        }
    }
    CsvForm form;
    std::size_t most = 1;
    for (const char separator : {';', '\t', ',', ' '}) { // a comma last but one: it may be the sign of decimals
        std::size_t least = lines.empty()      ? 0
                            : lines.size() > 1 ? split(lines[1], separator).size()
                                               : split(lines[0], separator).size();
        for (std::size_t i = 1; i < lines.size(); ++i) {
            least = split(lines[i], separator).size() == least ? least : 0;
        }
        if (least > most) {
            most = least;
            form.separator = separator;
            break;
        }
    }
    if (form.separator != ',') {
        const bool hasCommas = std::any_of(lines.begin() + (lines.size() > 1 ? 1 : 0), lines.end(),
                                           [](std::string_view line) { return line.find(',') != std::string_view::npos; });
        form.decimal = hasCommas ? ',' : '.';
    }
    if (lines.empty()) {
        return form;
    }
    const auto first = split(lines[0], form.separator);
    form.hasHeader = std::any_of(first.begin(), first.end(),
                                 [&](std::string_view cell) { return !cell.empty() && !numberIn(cell, form.decimal); });
    for (std::size_t column = 0; form.hasHeader && column < first.size(); ++column) {
        if (!form.timeColumn && isTimeName(std::string(first[column]))) {
            form.timeColumn = column;
            form.timeUnit = timeUnitOf(unitIn(first[column])).value_or(1);
        }
    }
    if (!form.timeColumn && most > 1) { // a first column that rises from row to row, and by more than 0 and 1
        double before = -1e300;
        bool doesRise = lines.size() > 2 + (form.hasHeader ? 1 : 0);
        for (std::size_t i = form.hasHeader ? 1 : 0; i < lines.size(); ++i) {
            const auto value = numberIn(split(lines[i], form.separator).front(), form.decimal);
            doesRise = doesRise && value && *value > before;
            before = value.value_or(before);
        }
        form.timeColumn = doesRise ? std::optional<std::size_t>(0) : std::nullopt;
    }
    return form;
}

CsvReader::CsvReader(std::string name, std::optional<CsvForm> form) : form_(std::move(form)) {
    capture_.name = std::move(name);
}

void CsvReader::fault(const std::string& found, const std::string& expected) {
    if (capture_.diagnostics.size() < kMostCsvFaults) {
        capture_.diagnostics.push_back({Severity::error, {capture_.name, static_cast<int>(line_), 1, {}}, found, expected, {}});
    }
}

std::vector<std::string_view> CsvReader::cellsOf(std::string_view line) const {
    return split(line, form_->separator);
}

void CsvReader::begin() {
    if (!form_) {
        form_ = guessCsv(rest_);
    }
    if (sample_) {
        form_->sample = sample_;
        form_->timeColumn.reset();
    }
    if (!form_->timeColumn && !form_->sample) {
        fault("no column of times", "one called 'time', or how long it is from row to row");
        isBroken_ = true;
    }
}

void CsvReader::feed(std::string_view text) {
    if (isBroken_) {
        return;
    }
    rest_.append(text);
    if (line_ == 0) {
        if (rest_.size() < kGuessed) {
            return;
        }
        begin();
    }
    const std::size_t end = rest_.rfind('\n');
    if (end != std::string::npos && !isBroken_) {
        takeLines(std::string_view(rest_).substr(0, end));
        rest_.erase(0, end + 1);
    }
}

void CsvReader::takeLines(std::string_view text) {
    std::size_t from = 0;
    while (from <= text.size() && !isBroken_) {
        const std::size_t to = std::min(text.find('\n', from), text.size());
        ++line_;
        takeLine(trimmed(text.substr(from, to - from)));
        from = to + 1;
    }
}

void CsvReader::takeHeader(const std::vector<std::string_view>& cells) {
    for (std::size_t i = 0; i < cells.size(); ++i) {
        Column column;
        const std::size_t unit = cells[i].find_first_of("[(");
        column.name = form_->hasHeader ? std::string(trimmed(cells[i].substr(0, unit))) : "column " + std::to_string(i + 1);
        column.name = column.name.empty() ? "column " + std::to_string(i + 1) : column.name;
        column.unit = form_->hasHeader ? unitIn(cells[i]) : std::string();
        columns_.push_back(std::move(column));
    }
}

void CsvReader::takeLine(std::string_view line) {
    if (line.empty() || line.front() == '#') {
        return;
    }
    const std::vector<std::string_view> cells = cellsOf(line);
    if (columns_.empty()) {
        takeHeader(cells);
        if (form_->hasHeader) {
            return;
        }
    }
    if (cells.size() != columns_.size()) {
        fault("a row of " + std::to_string(cells.size()) + " columns", std::to_string(columns_.size()) + " as in the first one");
        return;
    }
    std::int64_t tick = row_;
    if (form_->timeColumn) {
        const auto time = numberIn(cells[*form_->timeColumn], form_->decimal);
        const double picoseconds = time.value_or(-1) * (form_->timeUnit / kPicosecond).toDouble();
        tick = time && picoseconds > -9e18 && picoseconds < 9e18 ? std::llround(picoseconds) : -1;
        if (tick < 0 || tick < last_) {
            fault("the time '" + std::string(cells[*form_->timeColumn].substr(0, 40)) + "'",
                  "a number, none before that of the row before");
            return;
        }
    }
    if (last_ >= 0) {
        const std::int64_t apart = tick - last_;
        shortest_ = row_ == 1 ? apart : std::min(shortest_, apart);
        longest_ = std::max(longest_, apart);
    }
    common_ = std::gcd(common_, tick);
    last_ = tick;
    ++row_;
    bool isIdle = true;
    for (std::size_t i = 0; i < cells.size(); ++i) {
        if (i != form_->timeColumn) {
            const std::size_t before = columns_[i].edges.size() + columns_[i].values.size();
            takeValue(columns_[i], cells[i], tick);
            isIdle = isIdle && columns_[i].edges.size() + columns_[i].values.size() == before;
        }
    }
    idle_ += isIdle ? 1 : 0;
}

void CsvReader::takeValue(Column& column, std::string_view cell, std::int64_t tick) {
    if (!column.isValue && (cell == "0" || cell == "1")) {
        column.edges.add(tick, cell == "1" ? LogicLevel::high : LogicLevel::low);
        return;
    }
    if (!column.isValue && (cell == "x" || cell == "X" || cell.empty())) {
        column.edges.add(tick, LogicLevel::unknown);
        return;
    }
    const auto value = numberIn(cell, form_->decimal);
    if (!value) {
        fault("'" + std::string(cell.substr(0, 40)) + "' in column " + column.name, "a number");
        return;
    }
    if (!column.isValue) { // it looked like a signal so far
        column.isValue = true;
        EdgeList::Walk walk(column.edges, 0);
        for (Edge edge; walk.next(edge);) {
            column.ticks.push_back(edge.tick);
            column.values.push_back(edge.level == LogicLevel::high ? 1 : 0);
        }
        column.edges = EdgeList();
    }
    if (column.values.empty() || column.values.back() != *value) {
        column.ticks.push_back(tick);
        column.values.push_back(*value);
    }
}

Capture CsvReader::finish() {
    if (line_ == 0 && !isBroken_) {
        begin();
    }
    if (!isBroken_) {
        takeLines(rest_);
    }
    if (!form_ || isBroken_) {
        return std::move(capture_);
    }
    const std::int64_t common = form_->timeColumn ? std::max<std::int64_t>(common_, 1) : 1;
    capture_.tick = form_->timeColumn ? kPicosecond * Rational(common) : form_->sample.value_or(1);
    capture_.end = std::max<std::int64_t>(last_, 0) / common;
    // rows at even distances, in some of which nothing changes, are samples: an edge is somewhere between two of them
    const bool isEven = row_ > 2 && shortest_ > 0 && longest_ - shortest_ <= 1 + shortest_ / 1000 && idle_ * kFewIdle >= row_;
    capture_.sample = isEven && form_->timeColumn ? kPicosecond * Rational(longest_) : Rational(0);
    for (std::size_t i = 0; i < columns_.size(); ++i) {
        Column& column = columns_[i];
        if (i == form_->timeColumn) {
            continue;
        }
        if (column.isValue) {
            for (std::int64_t& tick : column.ticks) {
                tick /= common;
            }
            capture_.values.push_back({column.name, column.unit, std::move(column.ticks), std::move(column.values)});
            continue;
        }
        Track track{column.name, {}};
        EdgeList::Walk walk(column.edges, 0);
        for (Edge edge; walk.next(edge);) {
            track.edges.add(edge.tick / common, edge.level);
        }
        capture_.tracks.push_back(std::move(track));
    }
    return std::move(capture_);
}

std::string writeCsv(const Capture& capture) {
    std::map<std::int64_t, bool> times{{0, true}, {capture.end, true}};
    std::string text = "time [s]";
    for (const Track& track : capture.tracks) {
        text += "," + track.name;
        EdgeList::Walk walk(track.edges, 0);
        for (Edge edge; walk.next(edge);) {
            times[edge.tick] = true;
        }
    }
    for (const ValueTrack& track : capture.values) {
        text += "," + track.name + (track.unit.empty() ? "" : " [" + track.unit + "]");
        for (const std::int64_t tick : track.ticks) {
            times[tick] = true;
        }
    }
    text += "\n";
    std::vector<EdgeList::Walk> walks;
    std::vector<Edge> next(capture.tracks.size());
    std::vector<bool> hasNext(capture.tracks.size());
    std::vector<LogicLevel> levels(capture.tracks.size(), LogicLevel::unknown);
    std::vector<std::size_t> places(capture.values.size());
    for (std::size_t i = 0; i < capture.tracks.size(); ++i) {
        walks.emplace_back(capture.tracks[i].edges, 0);
        hasNext[i] = walks[i].next(next[i]);
    }
    const double picoseconds = (capture.tick / kPicosecond).toDouble();
    for (const auto& [tick, is] : times) {
        text += fmt::format("{:.12f}", std::round(static_cast<double>(tick) * picoseconds) * 1e-12);
        for (std::size_t i = 0; i < capture.tracks.size(); ++i) {
            while (hasNext[i] && next[i].tick <= tick) {
                levels[i] = next[i].level;
                hasNext[i] = walks[i].next(next[i]);
            }
            text += levels[i] == LogicLevel::high ? ",1" : levels[i] == LogicLevel::low ? ",0" : ",x";
        }
        for (std::size_t i = 0; i < capture.values.size(); ++i) {
            const ValueTrack& track = capture.values[i];
            while (places[i] + 1 < track.ticks.size() && track.ticks[places[i] + 1] <= tick) {
                ++places[i];
            }
            text += track.values.empty() ? "," : fmt::format(",{:.9g}", track.values[places[i]]);
        }
        text += "\n";
    }
    return text;
}

} // namespace wisetick
