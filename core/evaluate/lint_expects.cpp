#include "evaluate/lint_expects.h"

#include "base/text.h"
#include "evaluate/evaluate.h"
#include "plan/promise_line.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

namespace {

Rational strayOf(const Rational& got, const Rational& expected) {
    return got > expected ? got - expected : expected - got;
}

class ExpectCheck {
public:
    ExpectCheck(const Part& part, const Expect& expect) : part_(part), expect_(expect) {}

    Diagnostics check() {
        Plan plan;
        plan.name = "expected";
        plan.part = part_.id;
        plan.active = expect_.take.name;
        plan.board = expect_.board;
        plan.takes = {expect_.take};
        for (const Expect::Kept& kept : expect_.promises) {
            plan.promises.push_back({kept.line, kept.promise});
        }
        const Figures figures = evaluatePromises(part_, plan, plan.active);
        for (const Diagnostic& finding : figures.findings) {
            if (finding.severity == Severity::error && finding.place.path.find("choices") != std::string::npos) {
                tell(finding.found, finding.expected); // a setting that the part does not have
            }
        }
        checkRates(figures);
        checkFields(figures);
        for (const auto& [line, waits] : expect_.waits) {
            const auto found = std::find_if(figures.waits.begin(), figures.waits.end(), [&line = line](const WaitFigure& each) {
                return each.line == line && each.say.empty();
            });
            const bool isThere = found != figures.waits.end();
            if (!isThere || found->waits != waits) {
                tell(isThere ? phrase("{} waits {}", line, found->waits) : phrase("{} has no wait states", line),
                     std::to_string(waits));
            }
        }
        for (const Expect::OfMode& mode : expect_.draws) {
            const Bounds& ampere = figures.modes[*part_.findMode(mode.mode)].ampere;
            const Text what = phrase("{} draws", mode.mode);
            compare(what, ampere.nominal, mode.typ, Unit::ampere);
            compare(phrase("{} at most", what), ampere.max, mode.max, Unit::ampere);
        }
        for (const Expect::OfMode& mode : expect_.wakes) {
            const auto& wakeUp = figures.modes[*part_.findMode(mode.mode)].wakeUp;
            const Text what = phrase("the first instruction after {} comes in", mode.mode);
            compare(what, wakeUp ? std::optional(wakeUp->firstInstruction.nominal) : std::nullopt, mode.typ, Unit::second);
            compare(phrase("{} at most", what), wakeUp ? std::optional(wakeUp->firstInstruction.max) : std::nullopt, mode.max,
                    Unit::second);
        }
        for (std::size_t i = 0; i < expect_.promises.size(); ++i) {
            checkPromise(expect_.promises[i], figures.promises[i]);
        }
        return std::move(findings_);
    }

private:
    void tell(const Text& found, const Text& expected) {
        findings_.push_back({Severity::error,
                             {{}, 0, 0, expect_.path},
                             phrase("the example '{}' does not come out: {}", expect_.say, found),
                             expect_.ref.empty() ? expected : phrase("{} (chapter {})", expected, expect_.ref),
                             {}});
    }

    void compare(const Text& what, const std::optional<Rational>& got, const std::optional<PrintedFigure>& expected, Unit unit) {
        if (expected && (!got || strayOf(*got, expected->value) > expected->leeway)) {
            tell(got ? phrase("{} {}", what, printQuantity(*got, unit)) : phrase("{}: unknown", what), expected->text);
        }
    }

    void checkRates(const Figures& figures) {
        for (const auto& [id, expected] : expect_.rates) {
            const auto& hertz = figures.lines[*part_.findNode(id)].hertz;
            compare(phrase("{} runs at", id), hertz ? std::optional(hertz->nominal) : std::nullopt, expected, Unit::hertz);
        }
    }

    void checkFields(const Figures& figures) {
        std::vector<FieldValue> written;
        const auto add = [&](const std::vector<FieldValue>& fields) {
            written.insert(written.end(), fields.begin(), fields.end());
        };
        for (const LineFigure& line : figures.lines) {
            add(line.fields);
        }
        for (const PromiseFigure& promise : figures.promises) {
            add(promise.fields);
        }
        for (const WaitFigure& wait : figures.waits) {
            add(wait.field ? std::vector{*wait.field} : std::vector<FieldValue>());
        }
        add(figures.tierField ? std::vector{*figures.tierField} : std::vector<FieldValue>());
        for (const auto& [field, held] : expect_.fields) {
            const auto found = std::find_if(written.begin(), written.end(),
                                            [&field = field](const FieldValue& each) { return each.field == field; });
            if (found == written.end() || found->held != held) {
                tell(found == written.end() ? phrase("nothing is written to {}", fieldText(field))
                                            : phrase("{} holds {}", fieldText(field), found->held),
                     std::to_string(held));
            }
        }
    }

    void checkPromise(const Expect::Kept& kept, const PromiseFigure& figure) {
        for (const auto& [name, value] : kept.settings) {
            const auto found = std::find_if(figure.settings.begin(), figure.settings.end(),
                                            [&name = name](const Setting& setting) { return setting.name == name; });
            if (found == figure.settings.end() || found->value != value) {
                tell(found == figure.settings.end() ? phrase("'{}' has no {}", kept.line, name)
                                                    : phrase("'{}' has {} {}", kept.line, name, printFactor(found->value)),
                     printFactor(value));
            }
        }
        if (!kept.got.empty()) {
            if (const auto got = readPrintedFigure(kept.got, figure.unit)) {
                compare(phrase("'{}' gets", kept.line), figure.got ? std::optional(figure.got->nominal) : std::nullopt, *got,
                        figure.unit);
            } else {
                tell(phrase("'{}' is no figure of what '{}' gets", kept.got, kept.line), sayText(got.error()));
            }
        }
        compare(phrase("'{}' is off by", kept.line), figure.error ? std::optional(figure.error->nominal) : std::nullopt,
                kept.error, Unit::ratio);
    }

    const Part& part_;
    const Expect& expect_;
    Diagnostics findings_;
};

} // namespace

Diagnostics lintExpects(const Part& part, const std::vector<Expect>& expects) {
    Diagnostics findings;
    for (const Expect& expect : expects) {
        const Diagnostics own = ExpectCheck(part, expect).check();
        findings.insert(findings.end(), own.begin(), own.end());
    }
    return findings;
}

} // namespace wisetick
