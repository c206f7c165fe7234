#include "clocks/clocks_filter.h"

namespace wisetick::app {

namespace {

/// Sets the node and all that feeds it.
void markChain(const Figures& figures, NodeIndex node, std::vector<bool>& marks) {
    for (std::optional<NodeIndex> each = node; each; each = figures.lines[*each].parent) {
        marks[*each] = true;
    }
}

bool isBelowFold(const Figures& figures, const std::set<NodeIndex>& folded, NodeIndex node) {
    for (std::optional<NodeIndex> each = figures.lines[node].parent; each; each = figures.lines[*each].parent) {
        if (folded.contains(*each)) {
            return true;
        }
    }
    return false;
}

} // namespace

bool isFoundAs(const LineFigure& line, const QString& words) {
    return QString::fromStdString(line.id + " " + line.name).contains(words, Qt::CaseInsensitive);
}

std::vector<bool> shownNodes(const Figures& figures, const ClocksFilter& filter) {
    const std::size_t count = figures.lines.size();
    std::vector<bool> found(count, filter.find.isEmpty());
    for (NodeIndex node = 0; node < count && !filter.find.isEmpty(); ++node) {
        const LineFigure& line = figures.lines[node];
        if (isFoundAs(line, filter.find) || filter.feedFound.contains(node)) {
            markChain(figures, node, found);
        }
    }
    std::vector<bool> feeding(count, !filter.feeding);
    if (filter.feeding && *filter.feeding < count) {
        markChain(figures, *filter.feeding, feeding);
    }
    std::vector<bool> shown(count);
    for (NodeIndex node = 0; node < count; ++node) {
        shown[node] = !figures.lines[node].isNone && found[node] && feeding[node] &&
                      (figures.lines[node].isOn || !filter.hidesOff) && !isBelowFold(figures, filter.folded, node);
    }
    return shown;
}

} // namespace wisetick::app
