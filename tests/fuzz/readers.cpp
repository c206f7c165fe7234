#include "readers.h"

#include "evaluate/evaluate.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/plan_writer.h"
#include "plan/promise_line.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <cstdlib>
#include <iostream>

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

} // namespace wisetick::fuzz
