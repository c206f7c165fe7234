#include "board/board_rows.h"

#include "board/rate_reader.h"
#include "derive/pin_speeds.h"
#include "derive/trim_code.h"
#include "paint/text.h"
#include "plan/board_edits.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"
#include "quantity/span_read.h"

#include <QCollator>
#include <QCoreApplication>
#include <QRegularExpression>

#include <algorithm>

namespace wisetick::app {

namespace {

QString tr(const char* what) {
    return QCoreApplication::translate("Board", what);
}

QString printed(const std::optional<Rational>& value, Unit unit) {
    return value ? text(printReadable(*value, unit)) : QString();
}

QString deviationText(const DeviationPoint& point) {
    return tr("%1 to %2").arg(text(printError(point.low)), text(printError(point.high)));
}

bool isAllowed(const Tier& tier, const Plan& plan) {
    const auto& supply = plan.board.supply;
    return supply && (!tier.supplyMin || supply->min >= *tier.supplyMin) && (!tier.supplyMax || supply->max <= *tier.supplyMax);
}

bool isTierAllowed(const Part& part, const Plan& plan) {
    return part.tiers.empty() ||
           std::any_of(part.tiers.begin(), part.tiers.end(), [&](const Tier& tier) { return isAllowed(tier, plan); });
}

/// Collects the rows group by group.
class RowList {
public:
    RowList(const Part& part, const Plan& plan, const Figures& figures) : part_(part), plan_(plan), figures_(figures) {}

    std::vector<BoardRow> rows() {
        addFirst();
        addSupply();
        for (const Source& source : part_.sources) {
            if (source.kind != SourceKind::rc && source.kind != SourceKind::none) {
                addFitted(source);
                if (findFitted(plan_.board, source.id) != nullptr) {
                    addMeasured(source);
                }
            }
        }
        for (const Source& source : part_.sources) {
            if (source.kind == SourceKind::rc) {
                addMeasured(source);
            }
        }
        addBattery();
        addOptions();
        addRoutes();
        addPins();
        addPlan();
        markFaults();
        return std::move(rows_);
    }

private:
    /// The edit that a value makes; none takes the fact away.
    using Set = std::function<PlanEdit(const std::optional<Rational>&)>;
    using Read = tl::expected<PlanEdit, QString>;
    using SetSpan = Text (*)(Plan&, const Bounds&);

    BoardRow& add(const QString& name, const QString& value, const QString& result = {}) {
        rows_.push_back({group_, name, value, result, {}, {}, {}});
        rows_.back().about = about_;
        return rows_.back();
    }

    /// A row for one quantity; `isNeeded` ones can't be taken away.
    BoardRow& addQuantity(const QString& name, const std::optional<Rational>& value, Unit unit, bool isNeeded, const Set& set) {
        BoardRow& row = add(name, printed(value, unit));
        row.read = [=](const QString& typed) -> tl::expected<PlanEdit, QString> {
            if (typed.trimmed().isEmpty()) {
                if (isNeeded) {
                    return tl::unexpected(tr("this is needed; type %1").arg(text(unitExample(unit))));
                }
                return set(std::nullopt);
            }
            static const QRegularExpression kBare("^[-+]?[0-9]*\\.?[0-9]+$");
            const bool takesUnit = value && kBare.match(typed.trimmed()).hasMatch(); // the one that stands there
            const QString whole = takesUnit ? typed.trimmed() + " " + printed(value, unit).section(' ', -1) : typed.trimmed();
            const auto read = readQuantity(whole.toStdString(), unit);
            if (!read) {
                return tl::unexpected(text(sayText(read.error())));
            }
            if (unit != Unit::celsius && read->sign() < 0) {
                return tl::unexpected(tr("%1 is below 0").arg(typed.trimmed()));
            }
            return set(*read);
        };
        return row;
    }

    /// What the plan is called, and what is said of it.
    void addPlan() {
        group_ = tr("Plan");
        add(tr("name"), text(plan_.name), tr("over whatever is made from it")).read = [](const QString& typed) -> Read {
            if (typed.trimmed().isEmpty()) {
                return tl::unexpected(tr("a plan needs a name"));
            }
            return [name = typed.trimmed().toStdString()](Plan& plan) { return renamePlan(plan, name); };
        };
        BoardRow& note = add(tr("note"), text(plan_.note).simplified(), tr("what it is for"));
        if (plan_.note.find('\n') == std::string::npos) { // several lines are for the file
            note.read = [](const QString& typed) -> Read {
                return [said = typed.trimmed().toStdString()](Plan& plan) { return notePlan(plan, said); };
            };
        }
    }

    /// What was found at fault with a row stands there instead of what follows from it.
    void markFaults() {
        for (const Diagnostic& finding : figures_.findings) {
            for (BoardRow& row : rows_) {
                const State state = finding.severity == Severity::error ? State::broken : State::strained;
                if (finding.severity != Severity::note && !row.path.empty() && row.path == finding.place.path &&
                    row.state != State::pending && worseState(row.state.value_or(State::kept), state) != row.state) {
                    row.state = state;
                    row.result = text(sayText(finding));
                }
            }
        }
    }

    /// Lowest, nominal and highest of a span; the ends follow where they would pass one another. At fault is the end that is
    /// outside what the part takes.
    void addSpan(const QString& name, Unit unit, const std::optional<Bounds>& now, const std::string& path,
                 const std::optional<Rational>& least, const std::optional<Rational>& most,
                 Text (*set)(Plan&, SpanEnd, const Rational&), SetSpan setWhole) {
        const auto end = [&](const QString& which, SpanEnd at, Rational Bounds::*member) {
            BoardRow& row = addQuantity(name + " " + which, now ? std::optional((*now).*member) : std::nullopt, unit, true,
                                        [=](const std::optional<Rational>& value) -> PlanEdit {
                                            return [=](Plan& plan) { return set(plan, at, *value); };
                                        });
            const bool isOutside = now && ((at == SpanEnd::lowest && least && now->min < *least) ||
                                           (at == SpanEnd::highest && most && now->max > *most));
            row.path = isOutside ? path : "";
            row.read = [one = row.read, whole = readerOfSpan(unit, now, setWhole)](const QString& typed) {
                const std::string said = typedSpan(typed);
                const bool isSpan = said.find(" to ") != std::string::npos || said.find("...") != std::string::npos ||
                                    said.find("\u2026") != std::string::npos;
                return isSpan ? whole(typed) : one(typed); // both ends may be typed into each
            };
        };
        end(tr("lowest"), SpanEnd::lowest, &Bounds::min);
        end(tr("nominal"), SpanEnd::nominal, &Bounds::nominal);
        end(tr("highest"), SpanEnd::highest, &Bounds::max);
    }

    /// What everything hangs on, while it is not all told: crystals, supply, how cold and how hot.
    void addFirst() {
        const Board& board = plan_.board;
        if (board.assumed.empty() && board.supply && board.temperature) {
            return;
        }
        group_ = tr("First: what everything hangs on");
        for (const Source& source : part_.sources) {
            if (source.kind != SourceKind::crystal) {
                continue;
            }
            about_ = Target::line(source.id);
            const Fitted* fitted = findFitted(board, source.id);
            BoardRow& row = addRate(source, fitted, text(source.name));
            const QString range = source.rangeMin && source.rangeMax
                                      ? text(printRange(*source.rangeMin, *source.rangeMax, Unit::hertz))
                                      : tr("any rate");
            row.result = fitted == nullptr   ? tr("which crystal stands there? It takes %1; without one leave it so").arg(range)
                         : fitted->tolerance ? tr("fitted")
                                             : tr("fitted; its tolerance is not told: type it too, such as 16 MHz 20 ppm");
            row.state = fitted == nullptr || !fitted->tolerance ? State::pending : State::kept;
        }
        about_ = {};
        addWhole(tr("supply"), Unit::volt, board.supply, "supply", setSupplySpan);
        addWhole(tr("temperature"), Unit::celsius, board.temperature, "temperature", setTemperatureSpan);
    }

    bool isAssumed(const std::string& what) const {
        const auto& assumed = plan_.board.assumed;
        return std::find(assumed.begin(), assumed.end(), what) != assumed.end();
    }

    /// A span as one text: "3 V to 3.6 V", or one value where it does not move.
    void addWhole(const QString& name, Unit unit, const std::optional<Bounds>& now, const std::string& what, SetSpan set) {
        const QString shown = !now                   ? QString()
                              : now->min == now->max ? printed(now->min, unit)
                                                     : tr("%1 to %2").arg(printed(now->min, unit), printed(now->max, unit));
        BoardRow& row = add(name, shown);
        row.isAssumed = isAssumed(what);
        row.state = row.isAssumed || !now ? State::pending : State::kept;
        row.result = row.isAssumed ? tr("assumed: all that the part allows; Enter twice says it is so, or type how it is")
                     : now         ? tr("told")
                           : tr("not told: type it, such as %1").arg(unit == Unit::volt ? "3 V to 3.6 V" : "-20 C to 60 C");
        row.read = readerOfSpan(unit, now, set);
    }

    /// "to" as the language has it, too.
    static std::string typedSpan(const QString& typed) { return QString(typed).replace(tr(" to "), " to ").toStdString(); }

    static std::function<tl::expected<PlanEdit, QString>(const QString&)>
    readerOfSpan(Unit unit, const std::optional<Bounds>& now, SetSpan set) {
        return [=](const QString& typed) -> tl::expected<PlanEdit, QString> {
            const std::string said = typedSpan(typed);
            static const QRegularExpression kNoUnit("^[-+0-9. to\u2026]*[0-9]$"); // it is in the one of the row
            const QString bare = kNoUnit.match(QString::fromStdString(said)).hasMatch()
                                     ? " " + text(unitExample(unit)).section(' ', -1)
                                     : QString();
            const auto ends = readSpan(said + bare.toStdString(), unit);
            if (!ends) {
                return tl::unexpected(text(sayText(ends.error())));
            }
            const auto [low, high] = *ends;
            Bounds span{low, (low + high) / 2, high};
            if (now && now->min == span.min && now->max == span.max) {
                span.nominal = now->nominal;
            }
            return [=](Plan& plan) { return set(plan, span); };
        };
    }

    void addSupply() {
        group_ = tr("Supply and temperature");
        const std::size_t first = rows_.size();
        addSpan(tr("supply,"), Unit::volt, plan_.board.supply, "board.supply", part_.supplyMin, part_.supplyMax, setSupply,
                setSupplySpan);
        rows_[first].result = tiersText();
        if (!isTierAllowed(part_, plan_)) {
            rows_[first].state = plan_.board.supply ? State::broken : State::pending;
        }
        addSpan(tr("temperature,"), Unit::celsius, plan_.board.temperature, "board.temperature", part_.coldest, part_.hottest,
                setTemperature, setTemperatureSpan);
        addQuantity(tr("always drawn"), plan_.board.alwaysDraws, Unit::ampere, false,
                    [](const std::optional<Rational>& value) -> PlanEdit {
                        return [=](Plan& plan) { return setAlwaysDrawn(plan, value); };
                    })
            .result = tr("outside the part, also at rest");
    }

    /// Which tiers the lowest supply allows.
    QString tiersText() const {
        QStringList allowed;
        for (const Tier& tier : part_.tiers) {
            if (isAllowed(tier, plan_)) {
                allowed << text(tier.id);
            }
        }
        return part_.tiers.empty() ? QString()
                                   : (allowed.isEmpty() ? tr("no tier is allowed") : tr("allows tier ") + allowed.join(", "));
    }

    /// A rate, and behind it the tolerance, as both stand on a crystal: "16 MHz 20 ppm".
    BoardRow& addRate(const Source& source, const Fitted* fitted, const QString& name) {
        BoardRow& row =
            addQuantity(name, fitted == nullptr ? std::nullopt : std::optional(fitted->rate), Unit::hertz, false,
                        [id = source.id, now = fittedOf(plan_, source.id)](const std::optional<Rational>& value) -> PlanEdit {
                            if (!value) {
                                return [=](Plan& plan) { return unfit(plan, id); };
                            }
                            Fitted changed = now;
                            changed.rate = *value;
                            return [=](Plan& plan) { return fit(plan, changed); };
                        });
        row.read = rateReader(row.read, source.id);
        return row;
    }

    void addFitted(const Source& source) {
        group_ = text(source.name);
        about_ = Target::line(source.id);
        const Fitted* fitted = findFitted(plan_.board, source.id);
        const auto field = [&](const QString& name, Unit unit, std::optional<Rational> Fitted::*member) -> BoardRow& {
            return addQuantity(name, (*fitted).*member, unit, false,
                               [now = *fitted, member](const std::optional<Rational>& value) -> PlanEdit {
                                   Fitted changed = now;
                                   changed.*member = value;
                                   return [=](Plan& plan) { return fit(plan, changed); };
                               });
        };
        const LineFigure* line = figures_.findLine(source.id);
        BoardRow& rate = addRate(source, fitted, tr("rate"));
        rate.result = line != nullptr && line->hertz ? text(printRange(line->hertz->min, line->hertz->max, Unit::hertz))
                                                     : tr("nothing is fitted");
        rate.path = "board.fitted." + source.id + ".rate";
        if (fitted == nullptr) {
            return;
        }
        addTolerance(*fitted);
        if (source.kind != SourceKind::crystal) {
            return;
        }
        const auto crystal = std::find_if(figures_.crystals.begin(), figures_.crystals.end(),
                                          [&](const CrystalFigure& each) { return each.source == source.id; });
        field(tr("load"), Unit::farad, &Fitted::load).result = tr("for which the crystal was cut");
        const std::size_t capacitors = rows_.size();
        field(tr("capacitors"), Unit::farad, &Fitted::capacitors);
        field(tr("second one"), Unit::farad, &Fitted::otherOne).result = tr("where it is not like the first");
        field(tr("stray"), Unit::farad, &Fitted::stray).result = tr("across the crystal");
        field(tr("C0"), Unit::farad, &Fitted::shunt);
        BoardRow& motional = field(tr("C1"), Unit::farad, &Fitted::motional);
        if (crystal != figures_.crystals.end() && crystal->shift) {
            motional.result = crystal->shift->isZero() ? tr("the load is the one it was cut for")
                                                       : tr("the load shifts it by %1").arg(text(printError(*crystal->shift)));
        }
        BoardRow& resistance = field(tr("resistance"), Unit::ohm, &Fitted::esr);
        if (crystal != figures_.crystals.end()) {
            rows_[capacitors].result = capacitorsText(*crystal);
            resistance.result = marginText(*crystal);
            resistance.state =
                crystal->margin
                    ? std::optional(*crystal->margin < 1 ? State::broken : (*crystal->margin < 5 ? State::strained : State::kept))
                    : std::nullopt;
        }
    }

    void addTolerance(const Fitted& fitted) {
        const auto budget = [&](const QString& name, Unit unit, Rational ToleranceBudget::*member) {
            const bool isSaid = fitted.tolerance && (fitted.isBudget || member == &ToleranceBudget::initial);
            addQuantity(name, isSaid ? std::optional((*fitted.tolerance).*member) : std::nullopt, unit, false,
                        [fitted, member](const std::optional<Rational>& value) -> PlanEdit {
                            Fitted changed = fitted;
                            if (!changed.tolerance) {
                                changed.tolerance = ToleranceBudget{};
                            }
                            (*changed.tolerance).*member = value.value_or(Rational(0));
                            changed.isBudget = changed.isBudget || (value && member != &ToleranceBudget::initial);
                            return [=](Plan& plan) { return fit(plan, changed); };
                        });
        };
        budget(tr("tolerance, initial"), Unit::ratio, &ToleranceBudget::initial);
        rows_.back().result = fitted.tolerance
                                  ? tr("the budget adds up to %1").arg(text(printTolerance(fitted.tolerance->total())))
                                  : tr("unknown: what hangs on it can't be judged at its corners");
        budget(tr("over temperature"), Unit::ratio, &ToleranceBudget::temperature);
        budget(tr("ageing"), Unit::perYear, &ToleranceBudget::ageing);
        constexpr int kCurvePoints = 41;
        addCurve(deviationCurve(fitted, plan_.board, kCurvePoints));
    }

    void addCurve(std::vector<DeviationPoint> curve) {
        if (curve.empty()) {
            return;
        }
        const DeviationPoint& first = curve.front();
        const bool isFlat = std::all_of(curve.begin(), curve.end(), [&](const DeviationPoint& each) {
            return each.low == first.low && each.high == first.high;
        });
        if (isFlat || curve.size() < 2) { // a number, no picture
            add(tr("all together"), {}, deviationText(first));
            return;
        }
        add(tr("all together"), {}).curve = std::move(curve);
    }

    static QString capacitorsText(const CrystalFigure& crystal) {
        if (!crystal.wanted) {
            return tr("wanted: unknown without the load");
        }
        const auto listed = [](const std::vector<Rational>& values) {
            QStringList near;
            for (const Rational& value : values) {
                near << text(printQuantity(value, Unit::farad));
            }
            return near.join(tr(" or "));
        };
        QString said = tr("wanted %1").arg(text(printQuantity(*crystal.wanted, Unit::farad)));
        if (crystal.e12 != std::vector<Rational>{*crystal.wanted}) { // it is no value of the series itself
            said += tr(": of E12 %1, of E24 %2").arg(listed(crystal.e12), listed(crystal.e24));
        }
        return said;
    }

    static QString marginText(const CrystalFigure& crystal) {
        return crystal.margin ? tr("margin %1, wished 5 or more").arg(*crystal.margin, 0, 'f', 1) : tr("start-up margin unknown");
    }

    void addMeasured(const Source& source) {
        group_ = text(source.name);
        about_ = Target::line(source.id);
        const Measured* measured = findMeasured(plan_.board, source.id);
        const LineFigure* line = figures_.findLine(source.id);
        addQuantity(tr("measured on this board"), measured == nullptr ? std::nullopt : std::optional(measured->rate), Unit::hertz,
                    false,
                    [now = measured == nullptr ? Measured{source.id, {}, {}}
                                               : *measured](const std::optional<Rational>& value) -> PlanEdit {
                        if (!value) {
                            return [id = now.source](Plan& plan) { return forgetMeasured(plan, id); };
                        }
                        Measured changed = now;
                        changed.rate = *value;
                        return [=](Plan& plan) { return noteMeasured(plan, changed); };
                    })
            .result =
            (line != nullptr && line->hertz ? text(printRange(line->hertz->min, line->hertz->max, Unit::hertz)) : QString()) +
            trimText(source);
        if (measured == nullptr && source.kind == SourceKind::rc) {
            addCurve(deviationCurve(source, plan_.board));
        }
        if (measured != nullptr) {
            addQuantity(tr("its tolerance"), measured->tolerance, Unit::ratio, false,
                        [now = *measured](const std::optional<Rational>& value) -> PlanEdit {
                            Measured changed = now;
                            changed.tolerance = value;
                            return [=](Plan& plan) { return noteMeasured(plan, changed); };
                        });
        }
    }

    /// The code that brings what was measured to its rate.
    QString trimText(const Source& source) const {
        const auto trim = source.rates.size() == 1 ? trimFigure(source, plan_.board, source.rates.front()) : std::nullopt;
        return trim ? tr("; trim code %1: %2, %3")
                          .arg(QString::number(trim->code), text(printQuantity(trim->hertz, Unit::hertz)),
                               text(printError(trim->error())))
                    : QString();
    }

    void addBattery() {
        group_ = tr("Battery");
        about_ = plan_.board.battery ? Target::rhythm("life") : Target();
        const auto& battery = plan_.board.battery;
        /// A row that changes one figure of the battery that is there.
        const auto field = [&](const QString& name, const std::optional<Rational>& value, Unit unit, auto set) -> BoardRow& {
            return addQuantity(name, value, unit, false,
                               [now = battery.value_or(Battery{}), set](const std::optional<Rational>& typed) -> PlanEdit {
                                   std::optional<Battery> changed = now;
                                   set(changed, typed);
                                   return [=](Plan& plan) { return setBattery(plan, changed); };
                               });
        };
        using Changed = std::optional<Battery>;
        using Typed = std::optional<Rational>;
        field(tr("capacity"), battery ? std::optional(battery->capacity) : std::nullopt, Unit::coulomb,
              [](Changed& changed, const Typed& typed) {
                  if (typed) {
                      changed->capacity = *typed;
                  } else {
                      changed.reset();
                  }
              })
            .result = figures_.vitals.life
                          ? tr("lasts %1").arg(text(printQuantity(figures_.vitals.life->nominal, Unit::second, 4)))
                          : QString();
        if (battery) {
            field(tr("voltage"), battery->voltage, Unit::volt,
                  [](Changed& changed, const Typed& typed) { changed->voltage = typed; });
            field(tr("inner resistance"), battery->resistance, Unit::ohm, [](Changed& changed, const Typed& typed) {
                changed->resistance = typed;
            }).path = "board.battery.resistance";
            field(tr("fades"), battery->fades, Unit::perYear,
                  [](Changed& changed, const Typed& typed) { changed->fades = typed.value_or(Rational(0)); });
        }
    }

    void addOptions() {
        group_ = tr("Option words");
        about_ = {};
        for (std::size_t i = 0; i < figures_.options.size(); ++i) {
            const OptionFigure& option = figures_.options[i];
            BoardRow& row = add(text(option.id), option.isGiven ? text(option.value) : QString());
            row.result = (option.isGiven ? QString() : tr("as unprogrammed, %1: ").arg(text(option.value))) + text(option.does) +
                         (option.value == option.safe ? QString() : tr("; safe is %1").arg(text(option.safe)));
            if (!option.why.empty()) {
                row.result = text(option.why);
                row.state = option.state;
            }
            for (const OptionWord::Value& value : part_.options[i].values) {
                row.choices << text(value.id);
            }
            row.read = [id = option.id, choices = row.choices](const QString& typed) -> tl::expected<PlanEdit, QString> {
                const QString value = typed.trimmed();
                if (!value.isEmpty() && !choices.contains(value)) {
                    return tl::unexpected(tr("it is one of %1").arg(choices.join(", ")));
                }
                return [id, value = value.toStdString()](Plan& plan) { return setOption(plan, id, value); };
            };
        }
    }

    /// Where signals stand that have a choice.
    void addRoutes() {
        group_ = tr("Signals with a choice of pins");
        for (const RouteFigure& route : figures_.routes) {
            BoardRow& row = add(text(route.signal), route.isChosen ? text(route.pin) : QString());
            for (const std::string& pin : route.places) {
                row.choices << text(pin);
            }
            row.signal = row.name;
            row.place = text(route.pin);
            const auto taken = std::find_if(figures_.pins.begin(), figures_.pins.end(),
                                            [&](const PinFigure& pin) { return pin.pin == route.pin && !pin.why.empty(); });
            if (route.pin.empty()) {
                row.result = tr("not in use; of %1").arg(row.choices.join(", "));
            } else if (taken != figures_.pins.end()) {
                row.result = text(taken->why);
                row.state = State::broken;
            } else {
                const QString all = row.choices.join(", ");
                row.result =
                    route.isChosen ? tr("chosen of %1").arg(all) : tr("%2, the first that is free of %1").arg(all, row.place);
                row.state = State::kept;
            }
            row.read = [id = route.signal, choices = row.choices](const QString& typed) -> tl::expected<PlanEdit, QString> {
                const QString pin = typed.trimmed();
                if (!pin.isEmpty() && !choices.contains(pin)) {
                    return tl::unexpected(tr("it stands on one of %1").arg(choices.join(", ")));
                }
                return [id, place = pin.toStdString()](Plan& plan) { return wisetick::route(plan, id, place); };
            };
        }
    }

    /// By port: A2 before A10 before B1.
    void addPins() {
        group_ = tr("Pins");
        const std::vector<PinSpeedFigure> speeds = pinSpeeds(part_, plan_, figures_);
        std::vector<PinFigure> pins = figures_.pins;
        QCollator byPort{QLocale{QLocale::English}};
        byPort.setNumericMode(true);
        std::stable_sort(pins.begin(), pins.end(), [&](const PinFigure& one, const PinFigure& other) {
            return byPort.compare(text(one.pin), text(other.pin)) < 0;
        });
        for (const PinFigure& pin : pins) {
            QString own;
            for (const auto& [name, place] : plan_.board.wiring) {
                own = place == pin.pin ? text(name) : own;
            }
            QStringList users;
            for (const std::string& user : pin.users) {
                users << text(user);
            }
            BoardRow& row = add(text(pin.pin), own);
            row.pin = row.name;
            const auto speed =
                std::find_if(speeds.begin(), speeds.end(), [&](const PinSpeedFigure& each) { return each.pin == pin.pin; });
            const Text why = !pin.why.empty() || speed == speeds.end() ? pin.why : speed->why;
            if (speed != speeds.end() && !speed->speed.empty()) {
                users << tr("as fast as %1, for %2").arg(text(speed->speed), text(printQuantity(speed->hertz, Unit::hertz)));
            }
            row.result = !why.empty() ? text(why)
                                      : (users.isEmpty() ? (pin.isDebug ? tr("the debugger's") : tr("free")) : users.join(", "));
            row.state =
                !why.empty() ? std::optional(State::broken) : (users.isEmpty() ? std::nullopt : std::optional(State::kept));
            row.read = [place = pin.pin](const QString& typed) -> tl::expected<PlanEdit, QString> {
                return [place, name = typed.trimmed().toStdString()](Plan& plan) { return wire(plan, place, name); };
            };
        }
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    QString group_;
    Target about_; ///< of the rows that are added
    std::vector<BoardRow> rows_;
};

} // namespace

State worstOfBoard(const Part& part, const Plan& plan, const Figures& figures) {
    const bool isTold = plan.board.supply && plan.board.temperature && plan.board.assumed.empty();
    State worst = isTold ? State::kept : State::pending;
    if (plan.board.supply && !isTierAllowed(part, plan)) {
        worst = State::broken;
    }
    for (const Diagnostic& finding : figures.findings) {
        if (finding.place.path.rfind("board.", 0) == 0 && finding.severity != Severity::note) {
            worst = worseState(worst, finding.severity == Severity::error ? State::broken : (isTold ? State::strained : worst));
        }
    }
    return worst;
}

std::vector<BoardRow> boardRows(const Part& part, const Plan& plan, const Figures& figures) {
    return RowList(part, plan, figures).rows();
}

} // namespace wisetick::app
