#include "seek/space.h"

#include <algorithm>

namespace wisetick {

ControlKind controlKind(const std::string& control) {
    return control == "multiply" ? ControlKind::multiply : (control == "from" ? ControlKind::from : ControlKind::divide);
}

std::string Dependence::controlName() const {
    return control == ControlKind::multiply ? "multiply" : (control == ControlKind::from ? "from" : "divide");
}

Rational Dependence::valueOf(const Rational& divide, const Rational& multiply, std::size_t from, const Rational& hertz) const {
    switch (control) {
    case ControlKind::divide: return divide;
    case ControlKind::multiply: return multiply;
    case ControlKind::from: return Rational(static_cast<std::int64_t>(from));
    case ControlKind::rate: return hertz;
    }
    return {};
}

std::size_t Dependence::classOf(const Rational& value) const {
    if (rate != nullptr) {
        return (!rate->least || value >= *rate->least) && (!rate->below || value < *rate->below) ? 1 : 0;
    }
    const auto found = std::lower_bound(values.begin(), values.end(), value);
    return found != values.end() && *found == value ? classes[static_cast<std::size_t>(found - values.begin())] : otherClass;
}

} // namespace wisetick
