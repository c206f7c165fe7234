#pragma once

#include <string>

namespace wisetick::test {

/// A part and a plan with a long list of one thing.
struct LongList {
    std::string part;
    std::string plan;
};

inline LongList emptyList() {
    return {"format = \"wisetick-part/1\"\nid = \"long\"\nname = \"Long\"\nsupply = { min = \"1.8 V\", max = \"3.6 V\" }\n"
            "core = \"core\"\n"
            "\n[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"8 MHz\"\ntolerance = [{ by = [\"-1 %\", \"1 %\"] }]\n"
            "\n[[line]]\nid = \"core\"\nfrom = \"rc\"\n"
            "\n[[mode]]\nid = \"run\"\nruns = true\ndraws = \"5 mA\"\n"
            "\n[[mode]]\nid = \"deep\"\ndraws = \"2 uA\"\nwakes_on = \"rc\"\n",
            "format = \"wisetick-plan/1\"\nname = \"Long\"\npart = \"long.part.toml\"\nactive = \"A\"\n"
            "\n[board]\nsupply = { nominal = \"3 V\" }\ntemperature = { nominal = \"25 C\" }\n"
            "\n[[take]]\nname = \"A\"\nrests_in = \"deep\"\n"};
}

inline std::string promiseOf(const std::string& line) {
    return "\n[[promise]]\nsay = \"" + line + "\"\n";
}

/// As many ports, each with a promise.
inline LongList manyPorts(int count) {
    LongList list = emptyList();
    for (int i = 0; i < count; ++i) {
        const std::string id = "uart" + std::to_string(i);
        list.part += "\n[[peripheral]]\nid = \"" + id +
                     "\"\nkind = \"uart\"\nclock = \"core\"\nmodes = [{ oversample = 16, divisor = { from = 1, to = 65536 } }]\n";
        list.plan += promiseOf("p" + std::to_string(i) + ": " + id + " talks 9600 within 2 %");
    }
    return list;
}

/// As many promises on one timer.
inline LongList manyOnOneTimer(int count) {
    LongList list = emptyList();
    list.part += "\n[[peripheral]]\nid = \"timer0\"\nkind = \"timer\"\nbits = 16\nclock = \"core\"\n"
                 "prescaler = { from = 1, to = 65536 }\n";
    for (int i = 0; i < count; ++i) {
        list.plan += promiseOf("p" + std::to_string(i) + ": timer0 fires every " + std::to_string(1000 + i) + " us within 1 %");
    }
    return list;
}

/// As many lines in series, or muxes.
inline LongList inSeries(int count, bool areMuxes = false) {
    LongList list = emptyList();
    for (int i = 0; i < count; ++i) {
        const std::string above = i == 0 ? "rc" : "l" + std::to_string(i - 1);
        list.part += "\n[[line]]\nid = \"l" + std::to_string(i) +
                     "\"\nfrom = " + (areMuxes && i > 0 ? "[\"" + above + "\", \"rc\"]" : "\"" + above + "\"") + "\n" +
                     (areMuxes ? "" : "divide = [1, 2]\n");
    }
    list.plan += promiseOf("l" + std::to_string(count - 1) + " runs at 8 MHz within 2 %");
    return list;
}

inline std::string jobText(int index, const std::string& pace) {
    return "\n[[job]]\nname = \"j" + std::to_string(index) + "\"\n" + pace + "\nlasts = \"10 us\"\n";
}

/// As many jobs, each after the one before.
inline LongList followingJobs(int count) {
    LongList list = emptyList();
    for (int i = 0; i < count; ++i) {
        list.plan += jobText(i, i == 0 ? "every = \"10 s\"" : "after = \"j" + std::to_string(i - 1) + "\"");
    }
    return list;
}

/// As many jobs whose periods are primes, in seconds, from 59 on: they have no common period that could be played.
inline LongList jobsOfPrimes(int count) {
    LongList list = emptyList();
    int jobs = 0;
    for (int number = 59; jobs < count; ++number) {
        bool isPrime = true;
        for (int by = 2; by * by <= number; ++by) {
            isPrime = isPrime && number % by != 0;
        }
        if (isPrime) {
            list.plan += jobText(jobs++, "every = \"" + std::to_string(number) + " s\"");
        }
    }
    return list;
}

inline LongList manyTakes(int count) {
    LongList list = emptyList();
    for (int i = 0; i < count; ++i) {
        list.plan += "\n[[take]]\nname = \"T" + std::to_string(i) + "\"\n";
    }
    return list;
}

} // namespace wisetick::test
