#include "plan/plain_texts.h"

#include "base/text.h"

namespace wisetick {

Diagnostics textsNotPlain(const Plan& plan) {
    Diagnostics faults;
    const auto check = [&](const std::string& path, const std::string& key, const std::string& text) {
        if (!isPlainText(text)) {
            faults.push_back({Severity::error,
                              {{}, 0, 0, path + key},
                              phrase("a control character in '{}'", key),
                              phrase("a text in one line"),
                              {}});
        }
    };
    check("", "name", plan.name);
    for (std::size_t i = 0; i < plan.promises.size(); ++i) {
        check("promise." + std::to_string(i + 1) + ".", "say", plan.promises[i].text);
    }
    for (const auto& [name, pin] : plan.board.wiring) {
        check("board.", "wires", name + pin);
    }
    for (const Job& job : plan.jobs) {
        check("job.", "name", job.name);
    }
    for (const Take& take : plan.takes) {
        check("take.", "name", take.name);
    }
    for (const HandoverFile& file : plan.handover) {
        check("handover.", "file", file.path + file.registers);
    }
    for (const KeptCapture& capture : plan.captures) {
        check("capture.", "file", capture.path);
    }
    return faults;
}

} // namespace wisetick
