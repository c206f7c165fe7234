#include "board/rate_reader.h"

#include "paint/text.h"
#include "plan/board_edits.h"
#include "quantity/quantity_read.h"

#include <QRegularExpression>

namespace wisetick::app {

std::function<tl::expected<PlanEdit, QString>(const QString&)>
rateReader(std::function<tl::expected<PlanEdit, QString>(const QString&)> rateOf, std::string source) {
    using Read = tl::expected<PlanEdit, QString>;
    return [rateOf = std::move(rateOf), id = std::move(source)](const QString& typed) -> Read {
        static const QRegularExpression kBoth("^(.*?)\\s*(?:\\s|,|\u00b1|\\+/?-)\\s*([0-9.]+\\s*(?:ppm|ppb|%))\\s*$");
        const auto both = kBoth.match(typed);
        const Read rate = rateOf(both.hasMatch() ? both.captured(1) : typed);
        if (!rate || !both.hasMatch()) {
            return rate;
        }
        const auto tolerance = readQuantity(both.captured(2).toStdString(), Unit::ratio);
        if (!tolerance) {
            return tl::unexpected(text(sayText(tolerance.error())));
        }
        return [=](Plan& plan) {
            const Text why = (*rate)(plan);
            if (!why.empty()) {
                return why;
            }
            Fitted changed = fittedOf(plan, id);
            changed.tolerance = changed.tolerance.value_or(ToleranceBudget{});
            changed.tolerance->initial = *tolerance;
            return fit(plan, changed);
        };
    };
}

} // namespace wisetick::app
