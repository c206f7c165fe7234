#include "part/typical_only.h"

namespace wisetick {

namespace {

/// Calls for each duration and draw of the part, with the table's path, the id, and what it is called.
template <class APart, class OnDuration, class OnDraw>
void eachFigure(APart& part, const OnDuration& onDuration, const OnDraw& onDraw) {
    for (auto& tier : part.tiers) {
        onDuration(tier.startup, "tier." + tier.id, tier.id, phrase("the longest start-up of {}", tier.id));
    }
    for (auto& source : part.sources) {
        const std::string path = "source." + source.id;
        onDuration(source.startup, path, source.id, phrase("the longest start-up of {}", source.id));
        if (source.draws) {
            onDraw(*source.draws, path, source.id, phrase("the most that {} draws", source.id));
        }
        for (auto& drive : source.drives) {
            if (drive.draws) {
                onDraw(*drive.draws, path, source.id, phrase("the most that {} draws at drive {}", source.id, drive.id));
            }
        }
    }
    for (auto& line : part.lines) {
        const std::string path = "line." + line.id;
        onDuration(line.startup, path, line.id, phrase("the longest start-up of {}", line.id));
        if (line.draws) {
            onDraw(*line.draws, path, line.id, phrase("the most that {} draws", line.id));
        }
    }
    for (auto& peripheral : part.peripherals) {
        if (peripheral.draws) {
            onDraw(*peripheral.draws, "peripheral." + peripheral.id, peripheral.id,
                   phrase("the most that {} draws", peripheral.id));
        }
    }
    for (auto& mode : part.modes) {
        const std::string path = "mode." + mode.id;
        if (mode.draws) {
            onDraw(*mode.draws, path, mode.id, phrase("the most that {} draws", mode.id));
        }
        for (auto& stage : mode.stages) {
            onDuration(stage.lasts, path, mode.id, phrase("the longest time of '{}'", stage.say));
            if (stage.draws) {
                onDraw(*stage.draws, path, mode.id, phrase("the most that is drawn in '{}'", stage.say));
            }
        }
    }
}

bool isTypicalOnly(const Draw& draw) {
    bool isSo = (draw.typ && !draw.max) || (draw.perMegahertzTyp && !draw.perMegahertzMax);
    for (const Draw::OnClock& each : draw.onClocks) {
        isSo = isSo || (each.perMegahertzTyp && !each.perMegahertzMax);
    }
    for (const Draw& each : draw.inTiers) {
        isSo = isSo || isTypicalOnly(each);
    }
    return isSo;
}

void bound(Draw& draw, const Rational& factor) {
    if (draw.typ && !draw.max) {
        draw.max = draw.typ;
        for (TemperatureCurve::Point& point : draw.max->points) {
            point.ampere = point.ampere * factor;
        }
    }
    if (draw.perMegahertzTyp && !draw.perMegahertzMax) {
        draw.perMegahertzMax = *draw.perMegahertzTyp * factor;
    }
    for (Draw::OnClock& each : draw.onClocks) {
        if (each.perMegahertzTyp && !each.perMegahertzMax) {
            each.perMegahertzMax = *each.perMegahertzTyp * factor;
        }
    }
    for (Draw& each : draw.inTiers) {
        bound(each, factor);
    }
}

} // namespace

std::vector<TypicalOnly> toldTypicallyOnly(const Part& part) {
    std::vector<TypicalOnly> all;
    eachFigure(
        part,
        [&](const Duration& duration, const std::string& path, const std::string& id, const Text& say) {
            if (duration.typ && !duration.max) {
                all.push_back({path, id, say});
            }
        },
        [&](const Draw& draw, const std::string& path, const std::string& id, const Text& say) {
            if (isTypicalOnly(draw)) {
                all.push_back({path, id, say});
            }
        });
    return all;
}

void boundTypical(Part& part, const Rational& factor) {
    for (const TypicalOnly& each : toldTypicallyOnly(part)) {
        part.bounded.push_back({each.path, each.id, each.say});
    }
    part.typicalFactor = factor;
    eachFigure(
        part,
        [&](Duration& duration, const std::string&, const std::string&, const Text&) {
            if (duration.typ && !duration.max) {
                duration.max = *duration.typ * factor;
            }
        },
        [&](Draw& draw, const std::string&, const std::string&, const Text&) { bound(draw, factor); });
}

} // namespace wisetick
