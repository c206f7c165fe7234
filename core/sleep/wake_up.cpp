#include "sleep/wake_up.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

void addUnknown(std::string& unknown, const Text& what) {
    unknown += (unknown.empty() ? phrase("unknown: ") : ", ") + what;
}

/// The known part of a duration: 0 where nothing is given, the typical where the longest is not.
Bounds knownPart(const Duration& duration, const Text& what, std::string& unknown) {
    if (!duration.typ && !duration.max) {
        addUnknown(unknown, what);
        return Bounds::exactly(0);
    }
    if (!duration.max) {
        addUnknown(unknown, phrase("longest {}", what));
    } else if (!duration.typ) {
        addUnknown(unknown, phrase("typical {}", what));
    }
    const Rational typ = duration.typ.value_or(duration.max.value_or(Rational(0)));
    return {typ, typ, std::max(duration.max.value_or(typ), typ)};
}

} // namespace

bool takesTimeToStart(const Part& part, NodeIndex node) {
    if (part.isSource(node)) {
        return part.sources[node].kind != SourceKind::clockIn;
    }
    const Line& line = part.lineAt(node);
    return !line.multiply.empty() || line.startup.typ || line.startup.max;
}

std::vector<StartUp> startUpsOf(const Part& part, const std::vector<std::optional<NodeIndex>>& parents,
                                const std::vector<bool>& needed) {
    std::vector<StartUp> list;
    std::vector<std::optional<std::size_t>> placeOf(part.nodeCount());
    const auto start = [&](NodeIndex node, const Duration& lasts) {
        if (!needed[node] || !takesTimeToStart(part, node)) {
            return;
        }
        StartUp startUp{part.nodeId(node), lasts, std::nullopt};
        for (auto parent = parents[node]; parent && !startUp.after; parent = parents[*parent]) {
            startUp.after = placeOf[*parent];
        }
        placeOf[node] = list.size();
        list.push_back(std::move(startUp));
    };
    for (NodeIndex node = 0; node < part.sources.size(); ++node) {
        start(node, part.sources[node].startup);
    }
    for (const std::size_t line : part.order) {
        start(part.nodeOfLine(line), part.lines[line].startup);
    }
    return list;
}

WakeUpFigure wakeUp(const Mode& mode, const std::vector<StartUp>& startUps) {
    WakeUpFigure figure;
    Rational endTyp = 0; // where the longest of the present group of parallel stages ends
    Rational endMax = 0;
    for (const WakeStage& stage : mode.stages) {
        const Bounds lasts = knownPart(stage.lasts, phrase("time of stage '{}'", stage.say), figure.unknown);
        WakePiece piece{stage.say, true, {}, {}, {}, {}, Target::mode(mode.id)};
        const auto beside = std::find_if(figure.pieces.begin(), figure.pieces.end(),
                                         [&](const WakePiece& other) { return other.say == stage.beside; });
        if (!stage.beside.empty() && beside != figure.pieces.end()) {
            piece.startTyp = beside->startTyp;
            piece.startMax = beside->startMax;
        } else {
            piece.startTyp = endTyp;
            piece.startMax = endMax;
        }
        piece.endTyp = piece.startTyp + lasts.nominal;
        piece.endMax = piece.startMax + lasts.max;
        endTyp = std::max(endTyp, piece.endTyp);
        endMax = std::max(endMax, piece.endMax);
        figure.pieces.push_back(std::move(piece));
    }
    figure.firstInstruction = {endTyp, endTyp, endMax};
    figure.restored = figure.firstInstruction;
    const std::size_t first = figure.pieces.size();
    for (const StartUp& startUp : startUps) {
        const Bounds lasts = knownPart(startUp.lasts, phrase("start-up of {}", startUp.id), figure.unknown);
        WakePiece piece{startUp.id, false, endTyp, {}, endMax, {}, Target::line(startUp.id)};
        if (startUp.after) {
            piece.startTyp = figure.pieces[first + *startUp.after].endTyp;
            piece.startMax = figure.pieces[first + *startUp.after].endMax;
        }
        piece.endTyp = piece.startTyp + lasts.nominal;
        piece.endMax = piece.startMax + lasts.max;
        figure.restored.min = std::max(figure.restored.min, piece.endTyp);
        figure.restored.nominal = std::max(figure.restored.nominal, piece.endTyp);
        figure.restored.max = std::max(figure.restored.max, piece.endMax);
        figure.pieces.push_back(std::move(piece));
    }
    return figure;
}

} // namespace wisetick
