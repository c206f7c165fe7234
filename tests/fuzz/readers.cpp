#include "readers.h"

#include "bench/can_frames.h"
#include "bench/clocked_lines.h"
#include "bench/csv_capture.h"
#include "bench/current.h"
#include "bench/measure.h"
#include "bench/scpi_board.h"
#include "bench/uart_frames.h"
#include "bench/value_blocks.h"
#include "bench/vcd.h"
#include "evaluate/evaluate.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "plan/promise_line.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <cstdlib>
#include <iostream>
#include <limits>

namespace wisetick::fuzz {

namespace {

void require(bool holds, const char* what) {
    if (!holds) {
        std::cerr << "broken contract: " << what << "\n";
        std::abort();
    }
}

} // namespace

void feedQuantity(std::string_view bytes) {
    for (const Unit unit : allUnits()) {
        const auto value = readQuantity(bytes, unit);
        if (!value) {
            require(value.error().position <= bytes.size(), "an error lies within the text");
            continue;
        }
        try {
            const auto again = readQuantity(printReadable(*value, unit), unit);
            require(again.has_value() && *again == *value, "printing and reading are inverse");
        } catch (const RationalOverflow&) { // said, not wrapped
        }
    }
    readFactor(bytes);
    require(quantityLength(bytes) <= bytes.size(), "a quantity lies within the text");
}

void feedPromiseLine(std::string_view bytes) {
    const auto line = readPromiseLine(bytes);
    if (!line) {
        require(line.error().position + line.error().length <= bytes.size(), "an error lies within the text");
        return;
    }
    try {
        const auto again = readPromiseLine(printPromiseLine(*line));
        require(again.has_value() && *again == *line, "printing and reading are inverse");
    } catch (const RationalOverflow&) { // said, not wrapped
    }
}

void feedPart(std::string_view bytes) {
    const PartFile file = readPart(bytes, "part");
    require(file.part.has_value() != hasErrors(file.diagnostics), "a part or an error");
    if (file.part) {
        const Plan plan = *readPlan("format = \"wisetick-plan/1\"\npart = \"p\"\n[[take]]\nname = \"A\"\n", "plan", nullptr).plan;
        evaluate(*file.part, plan, "A");
    }
}

void feedPlan(std::string_view bytes) {
    const PlanFile file = readPlan(bytes, "plan", nullptr);
    require(file.plan.has_value() != hasErrors(file.diagnostics), "a plan or an error");
    if (!file.plan) {
        return;
    }
    const std::string text(bytes);
    require(savePlan(*file.plan, text) == text, "saving without a change changes nothing");
    Plan changed = *file.plan;
    changed.name += "x";
    const PlanFile again = readPlan(savePlan(changed, text), "plan", nullptr);
    require(again.plan.has_value() && *again.plan == changed, "what is saved is the plan");
}

namespace {

/// What was read is in order of time and inside of what was recorded; written as a dump it reads back as the same.
void checkCapture(const Capture& capture) {
    for (const Track& track : capture.tracks) {
        EdgeList::Walk walk(track.edges, 0);
        std::int64_t before = std::numeric_limits<std::int64_t>::min();
        for (Edge edge; walk.next(edge);) {
            require(edge.tick >= before && edge.tick <= capture.end, "edges are in order, and inside");
            before = edge.tick;
        }
        if (capture.tick > Rational(0)) {
            measureTrack(capture, track, 0, capture.end);
            readUart(capture, track, 9600, {});
            readCan(capture, track, {500'000, Rational(4, 5), 2'000'000, Rational(4, 5)});
            measureBitRate(capture, track, {});
            readClocked(capture, capture.tracks.front(), track, {});
            readTwoWire(capture, capture.tracks.front(), track);
            measureDeadTime(capture, capture.tracks.front(), track);
        }
    }
    for (const ValueTrack& track : capture.values) {
        require(track.ticks.size() == track.values.size(), "a time for each value");
        measureCurrent(capture, track);
        const ValueBlocks blocks(track);
        blocks.span(0, capture.end);
    }
    if (capture.tracks.empty() && capture.values.empty()) {
        return;
    }
    std::string text;
    writeVcd(capture, [&](std::string_view piece) { text += piece; });
    VcdReader again("again");
    again.feed(text);
    const Capture copy = again.finish();
    require(copy.tracks.size() == capture.tracks.size(), "as many tracks are read back as were written");
    for (std::size_t i = 0; i < copy.tracks.size(); ++i) {
        require(copy.tracks[i].edges.size() == capture.tracks[i].edges.size(), "and as many edges");
    }
}

} // namespace

void feedCapture(std::string_view bytes) {
    VcdReader whole("dump.vcd");
    whole.feed(bytes);
    const Capture capture = whole.finish();
    checkCapture(capture);
    VcdReader pieces("dump.vcd");
    for (std::size_t at = 0; at < bytes.size(); at += 7) {
        pieces.feed(bytes.substr(at, 7));
    }
    const Capture same = pieces.finish();
    require(same.tracks.size() == capture.tracks.size() && same.end == capture.end, "pieces read as the whole");
    CsvReader table("table.csv");
    table.feed(bytes);
    checkCapture(table.finish());
    Capture little;
    little.tick = 1;
    ScpiBoard board(std::make_shared<const Capture>(std::move(little)));
    for (std::size_t from = 0; from < bytes.size(); from = std::min(bytes.find('\n', from), bytes.size() - 1) + 1) {
        board.answer(bytes.substr(from, std::min(bytes.find('\n', from), bytes.size()) - from));
    }
    blockContent(bytes);
}

} // namespace wisetick::fuzz
