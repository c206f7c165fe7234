#include "evaluate/compare.h"

#include "base/text.h"
#include "derive/said.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <functional>

namespace wisetick {

namespace {

constexpr int kComparedDigits = 4;

/// Collects the rows of all takes.
class Comparison {
public:
    Comparison(const Plan& plan, std::vector<std::string> takes, std::vector<Figures> figures)
        : plan_(plan), takes_(std::move(takes)), figures_(std::move(figures)) {}

    std::vector<ComparedRow> rows() {
        using Kind = ComparedRow::Kind;
        add(Kind::promise, phrase("must keep"), [](const Figures& figures) {
            const TakeHolds holds = holdsOf(figures, true);
            return Cell{holdsSaid(holds), holds.state};
        });
        for (std::size_t i = 0; i < figures_.front().promises.size(); ++i) {
            add(Kind::promise, figures_.front().promises[i].name,
                [&](const Figures& figures) { return promiseCell(figures.promises[i]); });
        }
        add(Kind::choice, "tier", [](const Figures& figures) { return Cell{figures.tier.empty() ? "none" : figures.tier, {}}; });
        addOf(Kind::choice, phrase("rests in"), [&](std::size_t i) {
            const Take* take = findTake(plan_, takes_[i]);
            return Cell{take->restsIn.empty() ? "run" : take->restsIn, {}};
        });
        for (std::size_t node = 0; node < figures_.front().lines.size(); ++node) {
            const auto isOn = [&](const Figures& figures) { return figures.lines[node].isOn; };
            if (std::any_of(figures_.begin(), figures_.end(), isOn)) {
                add(Kind::choice, figures_.front().lines[node].id,
                    [&](const Figures& figures) { return lineCell(figures.lines[node]); });
            }
        }
        add(Kind::vital, phrase("core rate"),
            [](const Figures& figures) { return cellOf(figures.vitals.coreHertz, Unit::hertz); });
        add(Kind::vital, phrase("worst promise"), [](const Figures& figures) { return Cell{figures.vitals.worstPromise, {}}; });
        add(Kind::vital, phrase("worst wake-up"), [](const Figures& figures) {
            const auto& wakeUp = figures.vitals.worstWakeUp;
            return cellOf(wakeUp ? std::optional(wakeUp->max) : std::nullopt, Unit::second);
        });
        add(Kind::vital, phrase("average current"),
            [](const Figures& figures) { return cellOf(nominal(figures.vitals.average), Unit::ampere); });
        add(Kind::vital, phrase("battery"),
            [](const Figures& figures) { return cellOf(nominal(figures.vitals.life), Unit::second); });
        std::stable_partition(rows_.begin(), rows_.end(), [](const ComparedRow& row) { return row.differs; });
        return std::move(rows_);
    }

private:
    struct Cell {
        Text text;
        std::optional<State> state;
        bool operator==(const Cell&) const = default;
    };

    static std::optional<Rational> nominal(const std::optional<Bounds>& bounds) {
        return bounds ? std::optional(bounds->nominal) : std::nullopt;
    }

    static Cell cellOf(const std::optional<Rational>& value, Unit unit) {
        return {value ? printQuantity(*value, unit, kComparedDigits) : "unknown", {}};
    }

    static Cell lineCell(const LineFigure& line) {
        if (!line.isOn) {
            return {rateSaid(line), {}};
        }
        return {line.control.empty() ? rateSaid(line) : line.control + ": " + rateSaid(line), line.state};
    }

    static Cell promiseCell(const PromiseFigure& promise) {
        if (promise.state == State::elsewhere) {
            return {phrase("not asked"), {}};
        }
        const Text result = resultSaid(promise, kComparedDigits);
        if (!result.empty()) {
            return {result, promise.state};
        }
        return {promise.why.empty() ? stateName(promise.state) : promise.why, promise.state};
    }

    void add(ComparedRow::Kind kind, const Text& name, const std::function<Cell(const Figures&)>& cell) {
        addOf(kind, name, [&](std::size_t i) { return cell(figures_[i]); });
    }

    void addOf(ComparedRow::Kind kind, const Text& name, const std::function<Cell(std::size_t)>& cellAt) {
        ComparedRow row{kind, name, {}, {}, false};
        for (std::size_t i = 0; i < figures_.size(); ++i) {
            Cell cell = cellAt(i);
            row.differs = row.differs || (i > 0 && (cell.text != row.values.front() || cell.state != row.states.front()));
            row.values.push_back(std::move(cell.text));
            row.states.push_back(cell.state);
        }
        rows_.push_back(std::move(row));
    }

    const Plan& plan_;
    std::vector<std::string> takes_;
    std::vector<Figures> figures_;
    std::vector<ComparedRow> rows_;
};

} // namespace

std::vector<ComparedRow> compareTakes(const Part& part, const Plan& plan, const std::vector<std::string>& takes) {
    std::vector<Figures> figures;
    for (const std::string& take : takes) {
        figures.push_back(evaluate(part, withActive(plan, take), take)); // as if it were the one that runs
    }
    return figures.empty() ? std::vector<ComparedRow>() : Comparison(plan, takes, std::move(figures)).rows();
}

} // namespace wisetick
