#include "board/shelf_rows.h"

#include "paint/text.h"

#include <QCoreApplication>

#include <algorithm>

namespace wisetick::app {

namespace {

State stateOf(Fit fit) {
    switch (fit) {
    case Fit::yes: return State::kept;
    case Fit::unknown: return State::strained;
    case Fit::no: return State::broken;
    }
    return State::broken;
}

} // namespace

std::vector<ShelfRow> shelfRows(const std::vector<ShelvedPart>& parts, const std::vector<ShelvedPlan>& plans,
                                const std::vector<PartNeed>& needs) {
    struct Judged {
        const ShelvedPart* part;
        std::vector<NeedFigure> figures;
        int rank; ///< fits, may fit, does not, can't be read
    };
    std::vector<Judged> judged;
    for (const ShelvedPart& part : parts) {
        Judged each{&part, {}, 3};
        if (part.file.part) {
            each.figures = judgeNeeds(*part.file.part, needs);
            each.rank = static_cast<int>(fitOf(each.figures));
        }
        judged.push_back(std::move(each));
    }
    std::stable_sort(judged.begin(), judged.end(), [](const Judged& a, const Judged& b) { return a.rank < b.rank; });
    std::vector<ShelfRow> rows;
    for (const Judged& each : judged) {
        const ShelvedPart& shelved = *each.part;
        if (!shelved.file.part) {
            const Diagnostics& faults = shelved.file.diagnostics;
            rows.push_back(
                {ShelfRow::Kind::part, text(shelved.id),
                 faults.empty() ? QCoreApplication::translate("Shelf", "can't be read") : text(diagnosticText(faults.front())),
                 State::broken, text(shelved.id)});
            continue;
        }
        const Part& part = *shelved.file.part;
        rows.push_back({ShelfRow::Kind::part, text(part.name), text(shelved.id),
                        needs.empty() ? std::nullopt : std::optional(stateOf(fitOf(each.figures))), text(shelved.id)});
        if (!part.note.empty()) {
            rows.push_back({ShelfRow::Kind::about, {}, text(part.note), {}, {}});
        }
        for (const NeedFigure& figure : each.figures) {
            rows.push_back({ShelfRow::Kind::need, text(figure.need), text(figure.why), stateOf(figure.fit), {}});
        }
        for (const ShelvedPlan& plan : plans) {
            if (plan.part == shelved.id) {
                rows.push_back({ShelfRow::Kind::plan, text(plan.name), text(plan.about), {}, text(plan.path.string())});
            }
        }
    }
    return rows;
}

} // namespace wisetick::app
