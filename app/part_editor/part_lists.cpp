// The tabs of the workshop that are lists: modes, and what is unknown.

#include "language/said.h"
#include "part_editor/part_editor.h"
#include "quantity/quantity_print.h"
#include "workshop/ranked_unknown.h"

#include <QHeaderView>
#include <QTreeWidget>

namespace wisetick::app {

namespace {

constexpr qsizetype kMostNamed = 5; ///< of what hangs on something
constexpr int kSay = 4;             ///< the column of what is not told

} // namespace

void PartEditor::showModes() {
    modes_->clear();
    modes_->setHeaderLabels({tr("mode"), tr("draws"), tr("at most"), tr("wakes in"), tr("at most")});
    if (!document_.isOpen()) {
        return;
    }
    for (const ModeFigure& mode : document_.figures().modes) {
        const bool isKnown = mode.current.unknown.empty();
        auto* item = new QTreeWidgetItem(modes_);
        item->setText(0, app::text(mode.id));
        item->setText(1, app::text(printQuantity(mode.ampere.nominal, Unit::ampere)));
        item->setText(2, isKnown ? app::text(printQuantity(mode.ampere.max, Unit::ampere)) : app::text(mode.current.unknown));
        if (mode.wakeUp) {
            const WakeUpFigure& wake = *mode.wakeUp;
            item->setText(3, app::text(printQuantity(wake.firstInstruction.nominal, Unit::second)));
            item->setText(4, wake.unknown.empty() ? app::text(printQuantity(wake.firstInstruction.max, Unit::second))
                                                  : app::text(wake.unknown));
        }
        item->setData(0, Qt::UserRole, app::text(mode.id));
        item->setForeground(2, isKnown ? theme_.ink : theme_.strained);
    }
    for (int column = 0; column < modes_->columnCount(); ++column) { // the figures share what the names leave
        modes_->header()->setSectionResizeMode(column, column == 0 ? QHeaderView::ResizeToContents : QHeaderView::Stretch);
    }
}

/// What most hangs on first; which verdicts of the plan it would make certain is worked out beside the interface.
void PartEditor::showUnknown() {
    ranking_.stop();
    const Plan plan = document_.isOpen() ? document_.plan() : freshPlan(*part_);
    std::vector<RankedUnknown> ranked = rankedUnknown(*part_, plan);
    listUnknown(ranked);
    if (ranked.empty() || plan.promises.empty()) {
        return;
    }
    ranking_.start([this, part = *part_, plan, ranked](const std::stop_token& token) -> std::function<void()> {
        std::vector<RankedUnknown> byVerdicts = ranked;
        rankByVerdicts(part, plan, byVerdicts, [&] { return !token.stop_requested(); });
        return [this, byVerdicts] { listUnknown(byVerdicts); };
    });
}

void PartEditor::listUnknown(const std::vector<RankedUnknown>& ranked) {
    const QString current = unknown_->currentItem() == nullptr ? QString() : unknown_->currentItem()->text(kSay);
    const QSignalBlocker silent(unknown_);
    unknown_->clear();
    unknown_->setHeaderLabels({tr("certain"), tr("need it"), tr("in plan"), tr("in all"), tr("not told")});
    for (const RankedUnknown& each : ranked) {
        auto* item = new QTreeWidgetItem(unknown_);
        item->setText(0, each.certain == 0 ? QString() : QString::number(each.certain));
        item->setText(1, each.needs == 0 ? QString() : QString::number(each.needs));
        item->setText(2, QString::number(each.inPlan));
        item->setText(3, QString::number(each.fact.hangs.size()));
        QStringList hangs;
        for (const std::string& one : each.fact.hangs) {
            hangs << app::text(one);
        }
        item->setText(kSay, app::text(each.fact.say) + "\n    " + app::text(each.fact.costs) + "\n    " +
                                hangs.mid(0, kMostNamed).join(", ") +
                                (hangs.size() > kMostNamed ? tr(" and %1 more").arg(hangs.size() - kMostNamed) : QString()));
        const QString path = app::text(each.fact.path);
        item->setData(0, Qt::UserRole, path.section('.', 1));
        if (item->text(kSay) == current) {
            unknown_->setCurrentItem(item);
        }
    }
    for (int column = 0; column < kSay; ++column) {
        unknown_->header()->setSectionResizeMode(column, QHeaderView::ResizeToContents);
    }
}

} // namespace wisetick::app
