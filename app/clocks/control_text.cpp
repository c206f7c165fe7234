#include "clocks/control_text.h"

#include "base/nearest_name.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"
#include "shell/document.h"

#include <algorithm>

namespace wisetick::app {

namespace {

QString text(const std::string& value) {
    return QString::fromStdString(value);
}

/// The take's name is filled in when the edit is made: the active one.
std::function<void(Plan&)> setFactor(const std::string& id, bool isMultiplier, const Rational& value) {
    return [=](Plan& plan) {
        Choice& choice = choiceOf(plan, plan.active, id);
        (isMultiplier ? choice.multiply : choice.divide) = value;
    };
}

ControlEdit factorEdit(const Line& line, bool isMultiplier, const Rational& value) {
    const FactorSet& set = isMultiplier ? line.multiply : line.divide;
    const QString sign = isMultiplier ? "\u00d7 " : "\u00f7 ";
    ControlEdit edit;
    if (set.empty()) {
        edit.why = QString("%1 has no %2").arg(text(line.id), isMultiplier ? "multiplier" : "divider");
        return edit;
    }
    if (!set.contains(value)) {
        edit.why = QString("%1 can't be set to %2%3").arg(text(line.id), sign, text(printFactor(value)));
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
        edit.why =
            text(line.id) + (names.size() < 2 ? QString(" has one source only") : " can't be fed from '" + text(typed) + "'");
        for (const std::string& name : names) {
            edit.offers << "from " + text(name);
        }
        return edit;
    }
    edit.what = text(line.id + " from " + typed);
    edit.change = [id = line.id, typed](Plan& plan) { choiceOf(plan, plan.active, id).from = typed; };
    return edit;
}

ControlEdit rateEdit(const Part& part, const Figures& figures, NodeIndex node, const Rational& hertz) {
    const Line& line = part.lineAt(node);
    const Reach reach = reachOf(part, figures, node, 70000);
    ControlEdit edit;
    std::vector<std::pair<Rational, Rational>> near = reach.settings;
    std::sort(near.begin(), near.end(),
              [&](const auto& a, const auto& b) { return abs(a.second - hertz) < abs(b.second - hertz); });
    if (!near.empty() && near.front().second == hertz) {
        return factorEdit(line, reach.isMultiplier, near.front().first);
    }
    edit.why = QString("%1 can't reach %2 from its source").arg(text(line.id), text(printQuantity(hertz, Unit::hertz)));
    for (std::size_t i = 0; i < std::min<std::size_t>(2, near.size()); ++i) {
        edit.offers << (reach.isMultiplier ? "\u00d7 " : "\u00f7 ") + text(printFactor(near[i].first)) + " = " +
                           text(printQuantity(near[i].second, Unit::hertz));
    }
    return edit;
}

} // namespace

Reach reachOf(const Part& part, const Figures& figures, NodeIndex node, std::size_t most) {
    Reach reach;
    if (part.isSource(node)) {
        return reach;
    }
    const Line& line = part.lineAt(node);
    const LineFigure& figure = figures.lines[node];
    reach.isMultiplier = line.divide.empty() && !line.multiply.empty();
    const FactorSet& set = reach.isMultiplier ? line.multiply : line.divide;
    if (set.empty() || !figure.parent || !figures.lines[*figure.parent].hertz || !figure.hertz) {
        return reach;
    }
    // the other factors of the line stay as they are
    const Rational present = figures.lines[*figure.parent].hertz->nominal * figure.factor;
    const std::int64_t count = std::min(set.size().toInt64().value_or(0), static_cast<std::int64_t>(most));
    const Rational& now = reach.isMultiplier ? figure.multiply : figure.divide;
    for (std::int64_t i = 0; i < count; ++i) {
        const Rational value = set.at(i);
        reach.settings.emplace_back(value, reach.isMultiplier ? present / now * value : present * now / value);
    }
    return reach;
}

ControlEdit readControl(const QString& typed, const Part& part, const Figures& figures, NodeIndex node) {
    ControlEdit edit;
    if (part.isSource(node)) {
        edit.why = "a source is set on the board";
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
    edit.why = hertz ? QString("a rate is above 0") : text(sayText(hertz.error()));
    return edit;
}

} // namespace wisetick::app
