#pragma once

#include "evaluate/evaluate.h"
#include "files/plan_reader.h"
#include "support.h"

#include <string>

namespace wisetick::test {

/// Runs at 5 mA from 8 MHz, rests in `deep` at 2 µA; `deep` and `more` are added to that mode and to the file's end. Its
/// oscillator is exact.
inline std::string smallPart(const std::string& deep, const std::string& more = {}) {
    return "format = \"wisetick-part/1\"\nid = \"plain\"\nname = \"Plain\"\nsupply = { min = \"1.8 V\", max = \"3.6 V\" }\n"
           "core = \"core\"\n"
           "\n[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"8 MHz\"\ntolerance = [{ by = [\"0 %\", \"0 %\"] }]\n"
           "\n[[line]]\nid = \"core\"\nfrom = \"rc\"\n"
           "\n[[mode]]\nid = \"run\"\nruns = true\ndraws = \"5 mA\"\n"
           "\n[[mode]]\nid = \"deep\"\ndraws = \"2 uA\"\nwakes_on = \"rc\"\n" +
           deep + more;
}

/// A counter of time on a slow oscillator of −18 … +24 %, and a watchdog on the same one or on one that is exact.
inline const char* const kSmallTimers =
    "\n[[source]]\nid = \"slow\"\nkind = \"rc\"\nrate = \"32768 Hz\"\ntolerance = [{ by = [\"-18 %\", \"24 %\"] }]\n"
    "\n[[source]]\nid = \"firm\"\nkind = \"rc\"\nrate = \"32768 Hz\"\ntolerance = [{ by = [\"0 %\", \"0 %\"] }]\n"
    "\n[[peripheral]]\nid = \"rtc\"\nkind = \"rtc\"\nclock = \"slow\"\nprescaler = [1, 16]\ncounts = { from = 1, to = 65536 }\n"
    "\n[[peripheral]]\nid = \"wdog\"\nkind = \"watchdog\"\nclock = [\"slow\", \"firm\"]\nreset = { from = \"slow\" }\n"
    "prescaler = [1, 32]\ncounts = { from = 1, to = 65536 }\nwindow = true\n";

inline std::string smallPlan(const std::string& promises, const std::string& jobs, const std::string& take = {}) {
    std::string text = "format = \"wisetick-plan/1\"\nname = \"Plain\"\npart = \"plain\"\nactive = \"A\"\n"
                       "\n[board]\nsupply = { nominal = \"3 V\" }\ntemperature = { nominal = \"25 C\" }\n";
    return text + promises + jobs + "\n[[take]]\nname = \"A\"\n" + (take.empty() ? "rests_in = \"deep\"\n" : take);
}

inline std::string said(const std::string& line) {
    return "\n[[promise]]\nsay = \"" + line + "\"\n";
}

/// A job with the keys of its table, between semicolons: "every = '1 s'; lasts = '1 ms'".
inline std::string jobOf(const std::string& name, std::string keys) {
    for (std::size_t at = keys.find("; "); at != std::string::npos; at = keys.find("; ")) {
        keys.replace(at, 2, "\n");
    }
    return "\n[[job]]\nname = \"" + name + "\"\n" + keys + "\n";
}

/// A part with a plan on it; the test fails to start where they can't be read.
inline Edited readBoth(const std::string& partText, const std::string& planText) {
    const PartFile part = readPart(partText, "part");
    const PlanFile plan = readPlan(planText, "plan", part.part ? &*part.part : nullptr);
    if (!part.part || !plan.plan) {
        qFatal("%s", lines(part.part ? plan.diagnostics : part.diagnostics).c_str());
    }
    return {*part.part, *plan.plan};
}

inline Figures figuresOf(const Edited& edited) {
    return evaluate(edited.part, edited.plan, edited.plan.active);
}

/// What a promise's line asks, of the kind of ask that it must be.
template <class A>
A asked(const std::string& line) {
    return readPromiseLine(line).value().ask.get<A>();
}

} // namespace wisetick::test
