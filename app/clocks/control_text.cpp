#include "clocks/control_text.h"

#include "base/nearest_name.h"
#include "document/document.h"
#include "paint/text.h"
#include "plan/take_edits.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr std::int64_t kMostFieldValues = 1 << 20;

/// The take's name is filled in when the edit is made: the active one.
PlanEdit setFactor(const std::string& id, bool isMultiplier, const Rational& value) {
    return [=](Plan& plan) { return (isMultiplier ? setMultiply : setDivide)(plan, plan.active, id, value); };
}

ControlEdit factorEdit(const Line& line, bool isMultiplier, const Rational& value) {
    const FactorSet& set = isMultiplier ? line.multiply : line.divide;
    const QString sign = isMultiplier ? "\u00d7 " : "\u00f7 ";
    ControlEdit edit;
    if (set.empty()) {
        edit.why = QObject::tr("%1 has no %2").arg(text(line.id), isMultiplier ? "multiplier" : "divider");
        return edit;
    }
    if (!set.contains(value)) {
        edit.why = QObject::tr("%1 can't be set to %2%3").arg(text(line.id), sign, text(printFactor(value)));
        for (const Rational& near : set.nearest(value)) {
            edit.offers << sign + text(printFactor(near));
        }
        return edit;
    }
    edit.what = text(line.id) + " " + sign + text(printFactor(value));
    edit.change = setFactor(line.id, isMultiplier, value);
    return edit;
}

ControlEdit sourceEdit(const Part& part, const Line& line, const std::string& typed) {
    ControlEdit edit;
    std::vector<std::string> names;
    for (const NodeIndex input : line.from) {
        names.push_back(part.nodeId(input));
    }
    if (std::find(names.begin(), names.end(), typed) == names.end() || names.size() < 2) {
        edit.why = text(line.id) + (names.size() < 2 ? QObject::tr(" has one source only")
                                                     : QObject::tr(" can't be fed from '%1'").arg(text(typed)));
        for (const std::string& name : names) {
            edit.offers << "from " + text(name);
        }
        return edit;
    }
    edit.what = text(phrase("{} from {}", line.id, typed));
    edit.change = [id = line.id, typed](Plan& plan) { return setFrom(plan, plan.active, id, typed); };
    return edit;
}

ControlEdit sourceRateEdit(const Source& source, const Rational& hertz) {
    ControlEdit edit;
    if (std::find(source.rates.begin(), source.rates.end(), hertz) == source.rates.end()) {
        edit.why = QObject::tr("%1 can't run at %2").arg(text(source.id), text(printQuantity(hertz, Unit::hertz)));
        for (const Rational& rate : FactorSet::list(source.rates).nearest(hertz)) {
            edit.offers << text(printQuantity(rate, Unit::hertz));
        }
        return edit;
    }
    edit.what = QObject::tr("%1 at %2").arg(text(source.id), text(printQuantity(hertz, Unit::hertz)));
    edit.change = [id = source.id, hertz](Plan& plan) { return setRate(plan, plan.active, id, hertz); };
    return edit;
}

/// The line's own factor: its divider, or where it has none its multiplier.
struct OwnFactor {
    const FactorSet* set = nullptr;
    bool isMultiplier = false;
    Rational now;
    Rational hertz; ///< at `now`

    Rational hertzAt(const Rational& value) const { return isMultiplier ? hertz / now * value : hertz * now / value; }
    Rational valueAt(const Rational& rate) const { return isMultiplier ? rate / hertz * now : hertz * now / rate; }
};

std::optional<OwnFactor> ownFactor(const Part& part, const Figures& figures, NodeIndex node) {
    if (part.isSource(node)) {
        return std::nullopt;
    }
    const Line& line = part.lineAt(node);
    const LineFigure& figure = figures.lines[node];
    const bool isMultiplier = line.divide.empty() && !line.multiply.empty();
    const FactorSet& set = isMultiplier ? line.multiply : line.divide;
    if (set.empty() || !figure.hertz || figure.hertz->nominal.sign() <= 0) {
        return std::nullopt;
    }
    return OwnFactor{&set, isMultiplier, isMultiplier ? figure.multiply : figure.divide, figure.hertz->nominal};
}

/// |log(a ÷ b)| as far as comparing needs it.
double distance(const Rational& a, const Rational& b) {
    return std::abs(std::log(a.toDouble() / b.toDouble()));
}

ControlEdit rateEdit(const Part& part, const Figures& figures, NodeIndex node, const Rational& hertz) {
    ControlEdit edit;
    const auto own = ownFactor(part, figures, node);
    const std::string id = part.nodeId(node);
    edit.why = QObject::tr("%1 can't reach %2 from its source").arg(text(id), text(printQuantity(hertz, Unit::hertz)));
    edit.beyond = hertz;
    if (!own) {
        return edit;
    }
    const Rational wanted = own->valueAt(hertz);
    if (own->set->contains(wanted)) {
        return factorEdit(part.lineAt(node), own->isMultiplier, wanted);
    }
    std::vector<Rational> near = own->set->nearest(wanted);
    if (near.size() == 1) { // beyond an end: the two last ones
        const Rational tiny(1, 1000000000);
        if (const auto other = wanted > near[0] ? own->set->atMost(near[0] - tiny) : own->set->atLeast(near[0] + tiny)) {
            near.push_back(*other);
        }
    }
    std::sort(near.begin(), near.end(),
              [&](const Rational& a, const Rational& b) { return abs(own->hertzAt(a) - hertz) < abs(own->hertzAt(b) - hertz); });
    for (const Rational& value : near) {
        edit.offers << (own->isMultiplier ? "\u00d7 " : "\u00f7 ") + text(printFactor(value)) + " = " +
                           text(printQuantity(own->hertzAt(value), Unit::hertz));
    }
    return edit;
}

/// The factor for which the control's field holds this number.
ControlEdit fieldEdit(const Line& line, std::int64_t held) {
    ControlEdit edit;
    for (const bool isMultiplier : {false, true}) {
        const FactorSet& set = isMultiplier ? line.multiply : line.divide;
        const auto holds = line.holds.find(isMultiplier ? "multiply" : "divide");
        if (set.empty() || holds == line.holds.end()) {
            continue;
        }
        const std::int64_t count = std::min<std::int64_t>(set.size().toInt64().value_or(0), kMostFieldValues);
        for (std::int64_t i = 0; i < count; ++i) {
            if (heldFor(holds->second, set.at(i)) == held) {
                return factorEdit(line, isMultiplier, set.at(i));
            }
        }
        edit.why = QObject::tr("no setting of %1 makes its field hold %2").arg(text(line.id)).arg(held);
    }
    if (edit.why.isEmpty()) {
        edit.why = QObject::tr("%1 has no field for a factor").arg(text(line.id));
    }
    return edit;
}

} // namespace

Reach reachOf(const Part& part, const Figures& figures, NodeIndex node, std::size_t most) {
    Reach reach;
    if (part.isSource(node)) {
        const Source& source = part.sources[node];
        for (std::size_t i = 0; source.rates.size() > 1 && i < source.rates.size(); ++i) {
            reach.control = Reach::Control::rate;
            reach.settings.push_back({source.rates[i], source.rates[i]});
        }
        return reach;
    }
    const auto own = ownFactor(part, figures, node);
    if (!own) {
        return reach;
    }
    reach.control = own->isMultiplier ? Reach::Control::multiply : Reach::Control::divide;
    const std::int64_t count = std::min(own->set->size().toInt64().value_or(0), static_cast<std::int64_t>(most));
    for (std::int64_t i = 0; i < count; ++i) {
        const Rational value = own->set->at(i);
        reach.settings.push_back({value, own->hertzAt(value)});
    }
    return reach;
}

std::optional<RowSetting> nearestSetting(const Part& part, const Figures& figures, NodeIndex node, const Rational& hertz) {
    std::vector<RowSetting> near;
    if (const auto own = ownFactor(part, figures, node)) {
        for (const Rational& value : own->set->nearest(own->valueAt(hertz))) {
            near.push_back({value, own->hertzAt(value)});
        }
    } else {
        near = reachOf(part, figures, node).settings;
    }
    const auto best = std::min_element(near.begin(), near.end(), [&](const RowSetting& a, const RowSetting& b) {
        return distance(a.hertz, hertz) < distance(b.hertz, hertz);
    });
    return best == near.end() ? std::nullopt : std::optional(*best);
}

std::optional<RowSetting> nextSetting(const Part& part, const Figures& figures, NodeIndex node, int direction) {
    const Rational tiny(1, 1000000000);
    if (const auto own = ownFactor(part, figures, node)) {
        const bool isUp = own->isMultiplier == (direction > 0);
        const auto next = isUp ? own->set->atLeast(own->now + tiny) : own->set->atMost(own->now - tiny);
        return next ? std::optional(RowSetting{*next, own->hertzAt(*next)}) : std::nullopt;
    }
    if (part.isSource(node) && part.sources[node].rates.size() > 1 && figures.lines[node].hertz) {
        const FactorSet rates = FactorSet::list(part.sources[node].rates);
        const Rational& now = figures.lines[node].hertz->nominal;
        const auto next = direction > 0 ? rates.atLeast(now + tiny) : rates.atMost(now - tiny);
        return next ? std::optional(RowSetting{*next, *next}) : std::nullopt;
    }
    return std::nullopt;
}

ControlEdit setControl(const Part& part, NodeIndex node, const Rational& value) {
    if (part.isSource(node)) {
        return sourceRateEdit(part.sources[node], value);
    }
    const Line& line = part.lineAt(node);
    return factorEdit(line, line.divide.empty(), value);
}

bool hasControl(const Part& part, NodeIndex node) {
    if (part.isSource(node)) {
        return part.sources[node].rates.size() > 1;
    }
    const Line& line = part.lineAt(node);
    return line.from.size() > 1 || !line.divide.empty() || !line.multiply.empty();
}

QString sentenceOf(const Part& part, const Figures& figures, NodeIndex node) {
    const LineFigure& line = figures.lines[node];
    const auto rate = [](const LineFigure& of) {
        return of.hertz ? text(printQuantity(of.hertz->nominal, Unit::hertz)) : QObject::tr("no rate");
    };
    QString sentence = text(line.name) + " ";
    if (line.parent) {
        const LineFigure& parent = figures.lines[*line.parent];
        sentence += QObject::tr("is %1, %2, ").arg(text(parent.name), rate(parent));
        sentence += line.multiply == 1 ? QString() : QString::fromUtf8("\u00d7 ") + text(printFactor(line.multiply)) + " ";
        sentence += line.divide == 1 ? QString() : QString::fromUtf8("\u00f7 ") + text(printFactor(line.divide)) + " ";
        sentence = sentence.trimmed() + ": " + rate(line);
    } else {
        sentence += QObject::tr("runs at %1").arg(rate(line));
    }
    if (line.limitMin) {
        sentence += QObject::tr(", at least %1").arg(text(printQuantity(*line.limitMin, Unit::hertz)));
    }
    if (line.limitMax) {
        sentence += QObject::tr(", at most %1").arg(text(printQuantity(*line.limitMax, Unit::hertz)));
    }
    if (!line.isOn) {
        sentence += QObject::tr("; off");
    }
    Q_UNUSED(part);
    return sentence;
}

bool isLocked(const Take& take, const std::string& id) {
    return std::any_of(take.locks.begin(), take.locks.end(), [&](const std::string& lock) {
        return lock == id || (lock.size() > id.size() && lock.compare(0, id.size() + 1, id + ".") == 0);
    });
}

ControlEdit readControl(const QString& typed, const Part& part, const Figures& figures, NodeIndex node) {
    ControlEdit edit;
    if (part.isSource(node)) {
        if (part.sources[node].rates.size() < 2) {
            edit.why = QObject::tr("a source is set on the board");
            return edit;
        }
        const std::string rate = typed.trimmed().section("at ", -1).toStdString();
        const auto hertz = readQuantity(rate, Unit::hertz);
        if (hertz) {
            return sourceRateEdit(part.sources[node], *hertz);
        }
        edit.why = text(sayText(hertz.error()));
        return edit;
    }
    const Line& line = part.lineAt(node);
    QString words = typed.trimmed();
    if (words.startsWith("from ")) {
        words = words.mid(5).trimmed();
    }
    if (part.findNode(words.toStdString())) {
        return sourceEdit(part, line, words.toStdString());
    }
    if (words.startsWith("0x", Qt::CaseInsensitive)) {
        bool isNumber = false;
        const qlonglong held = words.mid(2).toLongLong(&isNumber, 16);
        if (isNumber) {
            return fieldEdit(line, held);
        }
    }
    const bool isDivision = words.startsWith(QChar(0xF7)) || words.startsWith('/');
    const bool isProduct = words.startsWith(QChar(0xD7)) || words.startsWith('*');
    const std::string rest =
        (isDivision || isProduct ? words.mid(1) : words).trimmed().section('=', 0, 0).trimmed().toStdString();
    const auto factor = readFactor(rest);
    if (factor) {
        return factorEdit(line, isProduct || (!isDivision && line.divide.empty()), *factor);
    }
    const auto hertz = readQuantity(rest, Unit::hertz);
    if (hertz && hertz->sign() > 0) {
        return rateEdit(part, figures, node, *hertz);
    }
    edit.why = hertz ? QObject::tr("a rate is above 0") : text(sayText(hertz.error()));
    return edit;
}

} // namespace wisetick::app
