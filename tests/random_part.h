#pragma once

#include "support.h"

#include <fmt/format.h>

namespace wisetick::test {

/// A small part with a plan and a question, made at random: muxes in series, shared references, fractions, followers, limits that
/// depend on tiers and controls, rules, ripples, promises on muxed clocks, locks. As text, so that a failure can be read.
struct RandomCase {
    std::string part;
    std::string plan;
    std::vector<std::string> wishes;
};

class RandomCases {
public:
    /// `hasFields`: every control has a field of a register.
    explicit RandomCases(Random& random, bool hasFields = false) : random_(random), hasFields_(hasFields) {}

    RandomCase make() {
        part_ = "format = \"wisetick-part/1\"\nid = \"try\"\nname = \"Try\"\nsupply = { min = \"2 V\", max = \"4 V\" }\n"
                "slack = \"0.5 %\"\ncore = \"core\"\n";
        if (hasFields_) {
            part_ += "\n[[block]]\neach = [{ name = [\"C\", \"O\", \"P\", \"M\"], address = 0x4000_0000, apart = 0x100 }]\n";
        }
        nodes_.clear();
        dividers_.clear();
        muxes_.clear();
        multiplier_ = random_.coin();
        makeTiers();
        makeSources();
        const std::int64_t count = random_.whole(2, 5);
        for (std::int64_t i = 0; i < count; ++i) {
            makeLine(fmt::format("l{}", i));
        }
        makeLine("core");
        makeRule();
        makeWaits();
        makePeripherals();
        part_ +=
            "\n[[mode]]\nid = \"run\"\nruns = true\ndraws = { typ = \"100 uA\", max = \"200 uA\", per_mhz = { typ = \"31 uA\", "
            "max = \"40 uA\" } }\n";
        part_ += fmt::format("\n[[mode]]\nid = \"deep\"\nkeeps = {{ sources = [\"{}\"] }}\nwakes_by = [\"pin edge\"]\nwakes_on = "
                             "\"s0\"\ndraws = \"1 uA\"\nstages = [{{ say = \"core\", typ = \"1 us\", max = \"2 us\" }}]\n",
                             random_.coin() ? "s0" : "s1");
        return {part_, plan(), wishes()};
    }

private:
    static constexpr std::array<const char*, 8> kRates{"1", "2", "3", "4", "6", "8", "10", "12"};

    void makeTiers() {
        tiers_ = random_.whole(0, 2);
        for (std::int64_t i = 0; i < tiers_; ++i) {
            part_ += fmt::format("\n[[tier]]\nid = \"t{}\"\nsupply_min = \"{} V\"\nfield = \"P.T[1:0]\"\ncode = {}\n", i,
                                 random_.whole(0, 5) == 0 ? 3 : 2, i);
        }
    }

    void makeSources() {
        for (int i = 0; i < 2; ++i) {
            const std::string id = fmt::format("s{}", i);
            const bool isCrystal = i == 1 && random_.coin();
            part_ += fmt::format("\n[[source]]\nid = \"{}\"\nkind = \"{}\"\n", id, isCrystal ? "crystal" : "rc");
            if (isCrystal) {
                part_ += "range = [\"1 MHz\", \"20 MHz\"]\n";
            } else if (random_.whole(0, 3) == 0) {
                part_ +=
                    fmt::format("rates = [\"{} MHz\", \"{} MHz\"]\nrate_field = \"O.R[{}]\"\ncodes = [0, 1]\nreset = {{ rate = "
                                "\"{} MHz\" }}\n",
                                4, 6, i, random_.coin() ? 4 : 6);
            } else {
                part_ += fmt::format("rate = \"{} MHz\"\n", random_.pick(kRates));
            }
            if (!isCrystal && random_.whole(0, 4) != 0) {
                part_ += fmt::format("tolerance = [{{ temp = [\"-40 C\", \"100 C\"], by = \"{} %\" }}]\n", random_.whole(1, 3));
            }
            part_ +=
                fmt::format("draws = {{ typ = \"{} uA\", max = \"900 uA\" }}\nstartup = {{ typ = \"{} us\", max = \"{} us\" }}\n",
                            random_.whole(1, 5) * 100, random_.whole(1, 4), random_.whole(5, 9));
            if (hasFields_) {
                part_ += fmt::format("field = \"O.S[{}]\"\nready = \"O.S[{}]\"\n", i, i + 8);
            }
            nodes_.push_back(id);
        }
    }

    static std::string upper(std::string id) {
        std::transform(id.begin(), id.end(), id.begin(),
                       [](char letter) { return 'a' <= letter && letter <= 'z' ? static_cast<char>(letter - 32) : letter; });
        return id;
    }

    std::string factorSet() {
        switch (random_.whole(0, 3)) {
        case 0: return fmt::format("{{ from = 1, to = {} }}", random_.whole(2, 5));
        case 1: return "[1, 2, 4]";
        case 2: return "[2, 3]";
        default: return "{ from = 1, to = 3, step = \"1/2\" }";
        }
    }

    void makeLine(const std::string& id) {
        part_ += fmt::format("\n[[line]]\nid = \"{}\"\n", id);
        std::vector<std::string> inputs{random_.pick(nodes_)};
        for (std::int64_t more = random_.whole(0, id == "core" ? 2 : 1); more > 0; --more) {
            const std::string& other = random_.pick(nodes_);
            if (std::find(inputs.begin(), inputs.end(), other) == inputs.end()) {
                inputs.push_back(other);
            }
        }
        if (inputs.size() > 1) {
            muxes_.emplace_back(id, inputs);
        }
        part_ += inputs.size() == 1 ? fmt::format("from = \"{}\"\n", inputs[0])
                                    : fmt::format("from = [\"{}\"]\n", fmt::join(inputs, "\", \""));
        std::string reset = inputs.size() > 1 ? fmt::format("from = \"{}\"", random_.pick(inputs)) : "";
        std::string control;
        std::vector<std::string> fields;
        std::vector<std::string> holds;
        if (inputs.size() > 1) {
            fields.push_back(fmt::format("from = \"C.{}[1:0]\"", upper(id)));
            holds.emplace_back("from = \"in order\"");
        }
        if (multiplier_ && random_.coin()) {
            multiplier_ = random_.coin();
            const bool isWhole = random_.coin();
            part_ += isWhole ? "multiply = { from = 3, to = 6 }\n" : "multiply = { from = 2, to = 4, fraction_bits = 2 }\n";
            fields.push_back(
                isWhole ? fmt::format("multiply = \"C.{}[15:12]\"", upper(id))
                        : fmt::format("multiply = {{ whole = \"C.{0}[15:12]\", fraction = \"C.{0}[17:16]\" }}", upper(id)));
            holds.emplace_back(isWhole ? "multiply = \"n\"" : "multiply = { whole = \"n\", fraction = \"4*n\" }");
            reset += std::string(reset.empty() ? "" : ", ") + "multiply = " + std::to_string(random_.whole(3, 4));
            part_ += "startup = { typ = \"10 us\", max = \"20 us\" }\n";
            control = ".multiply";
        }
        if (random_.whole(0, 2) != 0) {
            part_ += "divide = " + factorSet() + "\n";
            reset += std::string(reset.empty() ? "" : ", ") + "divide = 2";
            control = ".divide";
            fields.push_back(fmt::format("divide = \"C.{}[7:4]\"", upper(id)));
            holds.emplace_back("divide = \"in order\"");
        } else if (random_.whole(0, 3) == 0) {
            part_ += "factor = \"1/2\"\n";
        }
        if (!reset.empty()) {
            part_ += "reset = { " + reset + " }\n";
        }
        if (hasFields_) {
            if (random_.coin()) {
                fields.push_back(fmt::format("on = \"C.{}[24]\"", upper(id)));
            }
            part_ += fields.empty() ? "" : fmt::format("fields = {{ {} }}\n", fmt::join(fields, ", "));
            part_ += holds.empty() ? "" : fmt::format("holds = {{ {} }}\n", fmt::join(holds, ", "));
        }
        if (!dividers_.empty() && random_.whole(0, 2) == 0) {
            part_ += fmt::format("follows = {{ control = \"{}\", when = {{ 2 = \"1/2\", 4 = \"1/2\" }}, otherwise = {} }}\n",
                                 random_.pick(dividers_), random_.whole(1, 2));
        }
        makeLimits(id, control == ".divide");
        if (random_.whole(0, 5) == 0) {
            part_ += "ripple = \"1 %\"\n";
        }
        if (random_.coin()) {
            part_ += fmt::format("draws = {{ base = \"{} uA\", per_mhz = \"{}.7 uA\" }}\n", random_.whole(0, 3) * 10,
                                 random_.whole(1, 9));
        }
        nodes_.push_back(id);
        if (control == ".divide") {
            dividers_.push_back(id + control);
        }
    }

    void makeLimits(const std::string& id, bool hasDivider) {
        std::string limits;
        if (random_.coin()) {
            const bool isTiered = tiers_ > 0 && random_.coin();
            limits += fmt::format("  {{ {}max = \"{} MHz\" }},\n", isTiered ? "tier = \"t0\", " : "", random_.whole(6, 30));
        }
        if (random_.whole(0, 3) == 0) {
            limits += fmt::format("  {{ min = \"{} kHz\" }},\n", random_.whole(1, 8) * 500);
        }
        if (hasDivider && random_.whole(0, 3) == 0) {
            limits += fmt::format("  {{ when = {{ control = \"{}.divide\", is = [2, 3] }}, max = \"{} MHz\" }},\n", id,
                                  random_.whole(3, 12));
        } else if (!dividers_.empty() && random_.whole(0, 4) == 0) {
            limits += fmt::format("  {{ when = {{ control = \"{}\", is = [1, 2] }}, max = \"{} MHz\" }},\n",
                                  random_.pick(dividers_), random_.whole(3, 12));
        }
        if (!muxes_.empty() && random_.whole(0, 3) == 0) {
            const auto& [mux, inputs] = random_.pick(muxes_);
            limits += fmt::format("  {{ when = {{ control = \"{}.from\", is = \"{}\" }}, max = \"{} MHz\" }},\n", mux,
                                  random_.pick(inputs), random_.whole(3, 12));
        }
        if (random_.whole(0, 3) == 0) {
            limits += fmt::format("  {{ when = {{ line = \"{}\", {} = \"{} MHz\" }}, {} = \"{} MHz\" }},\n", random_.pick(nodes_),
                                  random_.coin() ? "least" : "below", random_.whole(2, 10), random_.coin() ? "max" : "min",
                                  random_.whole(2, 14));
        }
        if (!limits.empty()) {
            part_ += "limit = [\n" + limits + "]\n";
        }
    }

    void makeRule() {
        if (random_.coin()) {
            const std::vector<std::string> lines(nodes_.begin() + 2, nodes_.end());
            const std::string& left = random_.pick(lines);
            const std::string& right = random_.pick(nodes_);
            if (left != right) {
                part_ += fmt::format("\n[[rule]]\nsay = \"a rule\"\nleft = \"{}\"\n{} = {{ line = \"{}\", times = {} }}\n", left,
                                     random_.coin() ? "at_most" : "at_least", right, random_.coin() ? "1" : "\"1/2\"");
            }
        }
    }

    void makeWaits() {
        if (random_.whole(0, 3) == 0) {
            part_ += fmt::format("\n[[wait]]\nline = \"core\"\nsteps = [[\"4 MHz\", 0], [\"{} MHz\", 1]]\nfield = \"M.W[1:0]\"\n",
                                 random_.whole(10, 20));
        }
    }

    void makePeripherals() {
        for (int i = 0; i < 2; ++i) {
            std::vector<std::string> clocks{random_.pick(nodes_)};
            const std::string& other = random_.pick(nodes_);
            if (random_.coin() && other != clocks[0]) {
                clocks.push_back(other);
            }
            const std::string clock =
                clocks.size() == 1 ? "\"" + clocks[0] + "\""
                                   : fmt::format("[\"{}\"]\nreset = {{ from = \"{}\" }}", fmt::join(clocks, "\", \""), clocks[0]);
            const std::string kind = i == 0 ? "kind = \"uart\"\nmodes = [{ oversample = 4, divisor = { from = 1, to = 40 } }]"
                                            : "kind = \"timer\"\nbits = 6\nprescaler = [1, 4]";
            part_ += fmt::format("\n[[peripheral]]\nid = \"p{}\"\nclock = {}\n{}\ndraws = {{ per_mhz = \"{} uA\" }}\n", i, clock,
                                 kind, random_.whole(1, 9));
            if (hasFields_) {
                part_ += fmt::format("gate = \"P.ON[{}]\"\n", i);
                const std::string from = clocks.size() == 1 ? "" : fmt::format(", from = \"P.SEL[{0}:{0}]\"", i);
                part_ += i == 0 ? fmt::format("fields = {{ divisor = \"P.U[7:0]\"{} }}\n", from)
                                : fmt::format("fields = {{ counts = \"P.T[7:0]\", prescaler = \"P.T[8]\"{} }}\n", from);
                const std::string inOrder = clocks.size() == 1 ? "" : ", from = \"in order\"";
                part_ += i == 0 ? fmt::format("holds = {{ divisor = \"n\"{} }}\n", inOrder)
                                : fmt::format("holds = {{ counts = \"n-1\", prescaler = \"in order\"{} }}\n", inOrder);
            }
        }
    }

    std::string plan() {
        std::string text = "format = \"wisetick-plan/1\"\nname = \"try\"\npart = \"try\"\nactive = \"A\"\n\n[board]\nsupply = { "
                           "min = \"2.5 V\", nominal = \"2.6 V\", max = \"2.7 V\" }\n"
                           "temperature = { min = \"0 C\", nominal = \"25 C\", max = \"50 C\" }\n";
        if (part_.find("kind = \"crystal\"") != std::string::npos) {
            text += fmt::format("\n[board.fitted.s1]\nrate = \"{} MHz\"\n{}", random_.pick(kRates),
                                random_.coin() ? "tolerance = \"50 ppm\"\n" : "");
        }
        const auto promise = [&](const std::string& say) { text += "\n[[promise]]\nsay = \"" + say + "\"\n"; };
        if (random_.coin()) {
            promise(fmt::format("p0 talks {} kbit/s within {} %", random_.whole(1, 12) * 25, random_.whole(1, 5)));
        }
        if (random_.whole(0, 2) == 0) {
            promise(fmt::format("p1 fires every {} us{}", random_.whole(1, 20), random_.coin() ? " within 2 %" : ""));
        }
        if (random_.whole(0, 3) == 0) {
            promise(fmt::format("{} runs at {} MHz within 10 %", random_.pick(nodes_), random_.whole(1, 12)));
        }
        text += "\n[[take]]\nname = \"A\"\n";
        if (random_.whole(0, 2) == 0) {
            const std::string& id = random_.pick(nodes_);
            text += fmt::format("locks = [\"{}\"]\n", id);
        }
        return text;
    }

    std::vector<std::string> wishes() {
        std::vector<std::string> list;
        for (std::int64_t i = random_.whole(0, 3); i > 0; --i) {
            const std::string& id = random_.pick(nodes_);
            const std::int64_t rate = random_.whole(1, 16);
            const std::string soft = random_.whole(0, 4) == 0 ? ", if possible" : "";
            switch (random_.whole(0, 6)) {
            case 0:
            case 1: list.push_back(fmt::format("{} = {} MHz{}", id, rate, soft)); break;
            case 2:
            case 3: list.push_back(fmt::format("{} = {} MHz within {} %{}", id, rate, random_.whole(1, 30), soft)); break;
            case 4: list.push_back(fmt::format("{} at least {} MHz{}", id, rate, soft)); break;
            case 5: list.push_back(fmt::format("{} at most {} MHz{}", id, rate, soft)); break;
            default:
                list.push_back(id + (random_.coin() ? fmt::format(" as high as possible up to {} MHz", rate)
                                                    : std::string(" as low as possible")));
            }
        }
        return list;
    }

    Random& random_;
    bool hasFields_;
    std::string part_;
    std::vector<std::string> nodes_;
    std::vector<std::string> dividers_;
    std::vector<std::pair<std::string, std::vector<std::string>>> muxes_; ///< with their inputs
    std::int64_t tiers_ = 0;
    bool multiplier_ = false;
};

} // namespace wisetick::test
