#include "derive/lint_reset.h"

#include "base/text.h"
#include "derive/controls.h"
#include "derive/demand.h"
#include "derive/line_limits.h"
#include "derive/line_rates.h"

#include <algorithm>

namespace wisetick {

Diagnostics lintReset(const Part& part) {
    Diagnostics ignored;
    const Controls controls = resolveControls(part, Take{"reset", {}, {}, {}, {}, {}}, ignored);
    std::vector<LineFigure> lines = lineRates(part, Board{}, controls);
    const NodeIndex source = chainOf(part, controls, part.core).back();
    for (NodeIndex node = 0; node < lines.size(); ++node) {
        const std::vector<NodeIndex> chain = chainOf(part, controls, node);
        const auto isMultiplier = [&](NodeIndex each) { return !part.isSource(each) && !part.lineAt(each).multiply.empty(); };
        lines[node].isOn = lines[node].hertz && chain.back() == source && std::none_of(chain.begin(), chain.end(), isMultiplier);
    }
    judgeLimits(part, Board{}, controls, lines, ignored);
    Diagnostics findings;
    for (const LineFigure& line : lines) {
        if (line.isOn && line.state == State::broken) {
            findings.push_back({Severity::warning,
                                {{}, 0, 0, "line." + line.id},
                                phrase("at reset the line '{}' runs at {}", line.id, line.stateWhy),
                                phrase("another reset setting, or another limit"),
                                {}});
        }
    }
    return findings;
}

} // namespace wisetick
