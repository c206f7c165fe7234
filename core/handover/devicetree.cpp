#include "handover/devicetree.h"

#include "derive/controls.h"
#include "handover/c_names.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

/// A label: letters, digits and '_'. A name: also '-'.
std::string label(const std::string& id) {
    return codeName(id, Letters::small);
}
std::string nodeName(std::string id) {
    std::replace(id.begin(), id.end(), '_', '-');
    return id;
}

bool isOneCell(const Rational& number) {
    return number <= Rational(0xFFFFFFFFLL);
}

std::string cells(const Rational& hertz, const std::string& property) {
    const Rational whole = hertz.rounded();
    const std::string say = hertz.isWhole() ? "" : " /* rounded, exactly " + hertz.toString() + " */";
    return isOneCell(whole) ? fmt::format("{} = <{}>;{}\n", property, whole.toString(), say)
                            : fmt::format("/* {} of {} Hz takes more than 32 bits */\n", property, whole.toString());
}

class Devicetree {
public:
    Devicetree(const Part& part, const Plan& plan, const Figures& figures, const std::vector<LeftOut>& left,
               const EmitStyle& style)
        : part_(part), plan_(plan), figures_(figures), left_(left), style_(style) {
        Diagnostics ignored;
        controls_ = resolveControls(part, *findTake(plan, figures.take), ignored);
    }

    std::string text() {
        std::string text = "/* " + codeTitle(part_, figures_) + ": clocks and ports. */\n/dts-v1/;\n\n";
        for (const LeftOut& left : left_) {
            text += "/* " + commentText(leftOutText(left)) + " */\n";
        }
        text += "/ {\n\t#address-cells = <1>;\n\t#size-cells = <1>;\n\n\tclocks {\n";
        for (NodeIndex node = 0; node < figures_.lines.size(); ++node) {
            const LineFigure& line = figures_.lines[node];
            if (line.isOn && line.hertz) {
                text += clockNode(line);
            }
        }
        text += "\t};\n\n\tports {\n";
        for (std::size_t i = 0; i < part_.peripherals.size(); ++i) {
            text += portNode(i);
        }
        return text + "\t};\n};\n";
    }

private:
    /// A source, or a line whose factor is no ratio of 32 bits, has its rate; any other line the factor on what feeds it.
    std::string clockNode(const LineFigure& line) const {
        const Rational multiply = line.factor.numerator();
        const Rational divide = line.factor.denominator();
        const bool isDerived = line.parent && figures_.lines[*line.parent].hertz && isOneCell(multiply) && isOneCell(divide);
        std::string text = "\t\t" + label(line.id) + ": clock-" + nodeName(line.id) + " {\n\t\t\t#clock-cells = <0>;\n";
        if (isDerived) {
            text += "\t\t\tcompatible = \"fixed-factor-clock\";\n\t\t\tclocks = <&" + label(figures_.lines[*line.parent].id) +
                    ">;\n\t\t\tclock-mult = <" + multiply.toString() + ">;\n\t\t\tclock-div = <" + divide.toString() + ">;\n";
        } else {
            text += "\t\t\tcompatible = \"fixed-clock\";\n\t\t\t" + cells(line.hertz->nominal, "clock-frequency");
        }
        return text + "\t\t\tclock-output-names = \"" + line.id + "\";\n\t\t};\n";
    }

    std::string portNode(std::size_t index) const {
        const Peripheral& peripheral = part_.peripherals[index];
        const auto clock = clockOf(part_, controls_, index);
        std::string asked;
        std::string speed;
        for (std::size_t i = 0; i < figures_.promises.size(); ++i) {
            const PromiseFigure& figure = figures_.promises[i];
            const bool isBroken = figure.state == State::broken && style_.broken == Broken::leftOut;
            if (peripheralOf(plan_.promises[i].line.subject) != peripheral.id || figure.state == State::elsewhere || isBroken) {
                continue;
            }
            asked += "\t\t\t/* " + commentText(figure.text) + " */\n";
            if (speed.empty() && figure.asked && figure.unit == Unit::bitsPerSecond) {
                speed = "\t\t\t" + cells(*figure.asked, "current-speed");
            } else if (speed.empty() && figure.got && figure.unit == Unit::hertz) {
                speed = "\t\t\t" + cells(figure.got->nominal, "clock-frequency");
            }
        }
        if (asked.empty() || !clock || !figures_.lines[*clock].hertz) {
            return {};
        }
        std::string text = "\t\t" + label(peripheral.id) + ": " + nodeName(peripheral.id) + " {\n" + asked;
        text += "\t\t\tclocks = <&" + label(part_.nodeId(*clock)) + ">;\n\t\t\tassigned-clocks = <&" +
                label(part_.nodeId(*clock)) + ">;\n\t\t\t" +
                cells(figures_.lines[*clock].hertz->nominal, "assigned-clock-rates") + speed;
        return text + "\t\t\tstatus = \"okay\";\n\t\t};\n";
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    const std::vector<LeftOut>& left_;
    const EmitStyle& style_;
    Controls controls_;
};

} // namespace

std::string devicetreeOf(const Part& part, const Plan& plan, const Figures& figures, const std::vector<LeftOut>& left,
                         const EmitStyle& style) {
    return Devicetree(part, plan, figures, left, style).text();
}

} // namespace wisetick
