#include "derive/clock_moments.h"

#include "base/text.h"
#include "derive/demand.h"
#include "derive/line_limits.h"
#include "derive/line_rates.h"

#include <algorithm>

namespace wisetick {

Moments::Moments(const Part& part, const Plan& plan)
    : part_(part), plan_(plan), used_(part.nodeCount()), isEnd_(part.nodeCount()) {
    isEnd_[part.core] = true;
}

bool Moments::isMultiplier(NodeIndex node) const {
    return !part_.isSource(node) && !part_.lineAt(node).multiply.empty();
}

bool Moments::isStarted(NodeIndex node) const {
    return part_.isSource(node) || isMultiplier(node) || part_.lineAt(node).fields.contains("on");
}

void Moments::markEnds(const Controls& controls, const std::vector<bool>& on) {
    std::vector<bool> feeds(part_.nodeCount());
    for (std::size_t i = 0; i < part_.lines.size(); ++i) {
        if (on[part_.nodeOfLine(i)]) {
            feeds[parentOf(part_, controls, i)] = true;
        }
    }
    for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
        isEnd_[node] = isEnd_[node] || (on[node] && !feeds[node]);
    }
}

/// What has a clock at the moment and is used by something: a line above a multiplier that stands still is not.
std::vector<bool> Moments::inUse(const Moment& moment, const Controls& controls) const {
    const std::vector<bool> alive = aliveNodes(moment, controls);
    std::vector<bool> result(part_.nodeCount());
    const auto markChain = [&](NodeIndex node) {
        for (;; node = parentOf(part_, controls, node - part_.sources.size())) {
            result[node] = used_[node] && alive[node];
            if (part_.isSource(node)) {
                return;
            }
        }
    };
    for (NodeIndex node = 0; node < part_.nodeCount(); ++node) {
        // a running multiplier must be well fed, whoever uses it
        const bool isFed = !part_.isSource(node) && moment.runs[node] && isMultiplier(node);
        if ((isEnd_[node] && alive[node]) || isFed) {
            markChain(node);
        }
    }
    return result;
}

/// By node: everything on its way to the source that is started and stopped runs.
std::vector<bool> Moments::aliveNodes(const Moment& moment, const Controls& controls) const {
    std::vector<bool> alive(part_.nodeCount());
    for (NodeIndex node = 0; node < part_.sources.size(); ++node) {
        alive[node] = moment.runs[node];
    }
    for (const std::size_t line : part_.order) {
        const NodeIndex node = part_.nodeOfLine(line);
        alive[node] = alive[parentOf(part_, controls, line)] && (!isStarted(node) || moment.runs[node]);
    }
    return alive;
}

bool Moments::isAlive(const Moment& moment, const Controls& controls, NodeIndex node) const {
    for (;; node = parentOf(part_, controls, node - part_.sources.size())) {
        if (isStarted(node) && !moment.runs[node]) {
            return false;
        }
        if (part_.isSource(node)) {
            return true;
        }
    }
}

JudgedMoment Moments::judge(const Moment& moment, const Controls& controls, Diagnostics findings) const {
    JudgedMoment judged;
    std::vector<LineFigure> lines = lineRates(part_, plan_.board, controls, nullptr, Detail::verdict);
    const std::vector<bool> isUsed = inUse(moment, controls);
    for (NodeIndex node = 0; node < lines.size(); ++node) {
        lines[node].isOn = isUsed[node];
    }
    judgeLimits(part_, plan_.board, controls, lines, findings);
    judgeBoard(part_, plan_, controls, lines, findings);
    judged.waits = waitStates(part_, plan_.board, controls, lines, findings);
    if (!lines[part_.core].isOn || !lines[part_.core].hertz) {
        judged.faults.push_back(phrase("the core would have no clock"));
        return judged;
    }
    judged.core = lines[part_.core].hertz->nominal;
    for (const Diagnostic& finding : findings) {
        const bool isAboutClocks = finding.place.about.is(Target::Room::line) || finding.place.path.rfind("take.", 0) == 0;
        if (finding.severity == Severity::error && isAboutClocks) {
            judged.faults.push_back(finding.found + (finding.expected.empty() ? "" : "; " + finding.expected));
        }
    }
    return judged;
}

} // namespace wisetick
