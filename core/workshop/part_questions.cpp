#include "workshop/part_questions.h"

#include "base/nearest_name.h"
#include "quantity/quantity_read.h"
#include "workshop/text_ids.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <set>

namespace wisetick {

namespace {

constexpr int kMostMultipliers = 4;
constexpr int kMostOutputs = 6;
constexpr int kMostBuses = 6;
constexpr int kMostOfAKind = 32;
constexpr int kMostApart = 8; // of a kind, that have a table each
constexpr std::size_t kMostTiers = 6;

/// What a peripheral of each kind says at the least, and what is to be looked up.
const std::map<std::string, std::string>& kindTexts() {
    static const std::map<std::string, std::string> texts{
        {"uart", "modes = [{ oversample = 16, divisor = { from = 1, to = 65535 } }] # look up: over what it samples, how far it "
                 "divides\n"},
        {"timer", "bits = 16\nprescaler = { from = 1, to = 65536 } # look up\n"},
        {"spi", "divide = { powers_of = 2, from = 1, to = 8 } # look up\n"},
        {"i2c", "prescaler = { from = 1, to = 16 } # look up\nlow = { from = 1, to = 256 }\nhigh = { from = 1, to = 256 }\n"},
        {"watchdog", "prescaler = { powers_of = 2, from = 2, to = 8 } # look up\ncounts = { from = 1, to = 4096 }\n"},
        {"rtc", "prescaler = [2, 4, 8, 16] # look up: the wake-up counter\ncounts = { from = 1, to = 65536 }\n"},
        {"adc",
         "divide = [1, 2, 4] # look up\nsample = [3, 12, 48] # look up: cycles\nconversion = { 12 = 13 } # look up: cycles by "
         "bits\n# input = { resistance = \"1 kohm\", capacitance = \"5 pF\" }\n# channels = 16\n# start = \"10 us\"\n"},
        {"can",
         "nominal = { prescaler = { from = 1, to = 256 }, seg1 = { from = 2, to = 128 }, seg2 = { from = 2, to = 64 }, sjw = { "
         "from = 1, to = 64 } } # look up\n"},
        {"other", ""}};
    return texts;
}

/// "{1..4}" behind a name, or nothing where there is only one.
std::string idsOf(const std::string& kind, int count) {
    return count == 1 ? fmt::format("id = \"{}1\"\n", kind) : fmt::format("ids = \"{}{{1..{}}}\"\n", kind, count);
}

class PartWriter {
public:
    explicit PartWriter(const PartAnswers& answers) : answers_(answers) {}

    tl::expected<std::string, Text> write() {
        if (const Text why = whyNot(); !why.empty()) {
            return tl::unexpected(why);
        }
        writeHead();
        writeTiers();
        writeSources();
        writeMultipliers();
        writeBuses();
        writePeripherals();
        writeModes();
        writeMore();
        return std::move(text_);
    }

private:
    Text whyNot() const {
        const auto isNo = [](const std::string& text, Unit unit) { return !readQuantity(text, unit).has_value(); };
        if (!canBeId(answers_.id)) {
            return phrase("'{}' is no id: a small letter, then small letters, digits, '_' and '-'", answers_.id);
        }
        for (const auto& [said, unit] :
             {std::pair(&answers_.supplyMin, Unit::volt), std::pair(&answers_.supplyMax, Unit::volt),
              std::pair(&answers_.coldest, Unit::celsius), std::pair(&answers_.hottest, Unit::celsius)}) {
            if (isNo(*said, unit)) {
                return phrase("'{}' is no {}", *said,
                              unit == Unit::volt ? phrase("voltage, such as 3.3 V") : phrase("temperature, such as 85 C"));
            }
        }
        if (*readQuantity(answers_.supplyMin, Unit::volt) > *readQuantity(answers_.supplyMax, Unit::volt) ||
            *readQuantity(answers_.coldest, Unit::celsius) > *readQuantity(answers_.hottest, Unit::celsius)) {
            return phrase("the lower end comes first");
        }
        if (answers_.rcs.empty() && !answers_.hasCrystal) {
            return phrase("a part needs an oscillator");
        }
        std::vector<std::string> rates = answers_.rcs;
        if (answers_.hasCrystal) {
            rates.insert(rates.end(), {answers_.crystalMin, answers_.crystalMax});
        }
        for (const std::string& rate : rates) {
            if (isNo(rate, Unit::hertz)) {
                return phrase("'{}' is no rate, such as 8 MHz", rate);
            }
        }
        const auto isIn = [](int count, int least, int most) { return least <= count && count <= most; };
        if (!isIn(answers_.multipliers, 0, kMostMultipliers) || !isIn(answers_.outputs, 1, kMostOutputs) ||
            !isIn(answers_.buses, 0, kMostBuses)) {
            return phrase("at most {} multipliers, {} outputs of each and {} buses; write more into the text", kMostMultipliers,
                          kMostOutputs, kMostBuses);
        }
        for (const auto& [kind, count] : answers_.peripherals) {
            if (!kindTexts().contains(kind) || !isIn(count, 0, kMostOfAKind)) {
                return phrase("'{}': a kind of {}, and at most {} of each", kind, listNames(askedKinds()), kMostOfAKind);
            }
        }
        std::set<std::string> taken;
        for (const std::string& tier : answers_.tiers) {
            if (!canBeId(tier) || tier == "all" || !taken.insert("tier " + tier).second || answers_.tiers.size() > kMostTiers) {
                return phrase("'{}' can't be a performance level", tier);
            }
        }
        for (const std::string& mode : answers_.modes) {
            if (!canBeId(mode) || mode == "run" || !taken.insert(mode).second) {
                return phrase("'{}' can't be a mode beside run", mode);
            }
        }
        return {};
    }

    void add(const std::string& text) { text_ += text; }

    void writeHead() {
        add(fmt::format("# {}: what is not told yet stands as a remark; `wisetick-cli lint --unknown` lists it.\nformat = "
                        "\"wisetick-part/1\"\nid = \"{}\"\nname = \"{}\"\nsupply = {{ min = \"{}\", max = \"{}\" }}\ntemperature "
                        "= {{ min = \"{}\", max = \"{}\" }}\ncore = \"core\"\n",
                        answers_.id, answers_.id, answers_.id, answers_.supplyMin, answers_.supplyMax, answers_.coldest,
                        answers_.hottest));
        add(answers_.registers.empty()
                ? "# registers = \"" + answers_.id + ".svd\" # a CMSIS-SVD file beside this one: fields by name\n"
                : "registers = \"" + answers_.registers + "\"\n");
    }

    void writeTiers() {
        if (answers_.tiers.empty()) {
            return;
        }
        add("\n# ---- performance levels of the regulator\n");
        for (std::size_t i = 0; i < answers_.tiers.size(); ++i) {
            add(fmt::format("\n[[tier]]\nid = \"{}\"\ncode = {}\n# field = \"POWER.LEVEL[1:0]\"\n# ready = \"POWER.STATE[0]\"\n# "
                            "startup = {{ typ "
                            "= \"20 us\", max = \"40 us\" }}\n# supply_min = \"{}\"\n",
                            answers_.tiers[i], i, answers_.supplyMin));
        }
    }

    void writeSources() {
        add("\n# ---- sources\n");
        for (std::size_t i = 0; i < answers_.rcs.size(); ++i) {
            const std::string id = i == 0 ? "rc" : fmt::format("rc{}", i + 1);
            sources_.push_back(id);
            add(fmt::format("\n[[source]]\nid = \"{}\"\nkind = \"rc\"\nrate = \"{}\"\naccept = {{ \"no tolerance\" = \"not "
                            "looked up yet\", \"no start-up\" = \"not looked up yet\", \"no draw\" = \"not looked up yet\" }}\n# "
                            "tolerance = [{{ temp = [\"{}\", \"{}\"], by = \"1 %\" }}]\n# startup = {{ typ = \"2 us\", max = \"4 "
                            "us\" }}\n# draws = {{ typ = \"90 uA\", max = \"120 uA\" }}\n# field = \"OSC.ON[{}]\"\n",
                            id, answers_.rcs[i], answers_.coldest, answers_.hottest, i));
        }
        if (answers_.hasCrystal) {
            sources_.emplace_back("xt");
            add(fmt::format("\n[[source]]\nid = \"xt\"\nname = \"crystal\"\nkind = \"crystal\"\nrange = [\"{}\", \"{}\"]\naccept "
                            "= {{ \"no start-up\" = \"not looked up yet\", \"no draw\" = \"not looked up yet\" }}\n# startup = "
                            "{{ typ = \"1 ms\", max = \"3 ms\" }}\n# draws = {{ typ = \"400 uA\", max = \"700 uA\" }}\n# gm = "
                            "\"6 mA/V\"\n# pins = [\"A1\", \"A2\"]\n",
                            answers_.crystalMin, answers_.crystalMax));
        }
        if (answers_.hasWatchCrystal) {
            add("\n[[source]]\nid = \"xw\"\nname = \"watch crystal\"\nkind = \"crystal\"\nrange = [\"32.768 kHz\", \"32.768 "
                "kHz\"]\naccept = { \"no start-up\" = \"not looked up yet\", \"no draw\" = \"not looked up yet\" }\n# startup = "
                "{ typ = \"1 s\", max = \"3 s\" }\n# draws = { typ = \"250 nA\", max = \"500 nA\" }\n");
        }
    }

    std::string listed(const std::vector<std::string>& ids) const {
        return ids.size() == 1 ? "\"" + ids[0] + "\"" : fmt::format("[\"{}\"]", fmt::join(ids, "\", \""));
    }

    void writeMultipliers() {
        coreFrom_ = sources_;
        if (answers_.multipliers == 0) {
            return;
        }
        add("\n# ---- multipliers\n\n[[template]]\nid = \"reference\"\nfrom = " + listed(sources_) +
            "\ndivide = { from = 1, to = 16 } # look up\n# limit = { min = \"1 MHz\", max = \"16 MHz\" }\n\n[[template]]\nid = "
            "\"oscillator\"\nfrom = \"{id}_ref\"\naccept = { \"no start-up\" = \"not looked up yet\", \"no draw\" = \"not looked "
            "up yet\" }\nmultiply = { from = 8, to = 256 } # look up\nreset = { multiply = 8 }\n# limit = { min = \"100 MHz\", "
            "max = \"400 MHz\" }\n# startup = { typ = \"60 us\", max = \"150 us\" }\n# draws = { base = \"200 uA\", per_mhz = "
            "\"2 uA\" }\n\n[[template]]\nid = \"output\"\ndivide = { from = 1, to = 64 } # look up\n# limit = { max = \"120 "
            "MHz\" }\n");
        for (int i = 0; i < answers_.multipliers; ++i) {
            const std::string id(1, static_cast<char>('f' + i));
            add(fmt::format("\n[[line]]\nid = \"{0}_ref\"\nlike = \"reference\"\n\n[[line]]\nid = \"{0}\"\nname = \"multiplier "
                            "{0}\"\nlike = \"oscillator\"\n\n[[line]]\neach = [\n",
                            id));
            for (int output = 0; output < answers_.outputs; ++output) {
                const std::string name = fmt::format("{}_{}", id, static_cast<char>('p' + output));
                add(fmt::format("  {{ id = \"{}\", like = \"output\", from = \"{}\" }},\n", name, id));
                if (output == 0) {
                    coreFrom_.push_back(name);
                }
            }
            add("]\n");
        }
    }

    void writeBuses() {
        add("\n# ---- core and buses\n\n[[line]]\nid = \"core\"\nfrom = " + listed(coreFrom_) +
            "\ndivide = { powers_of = 2, from = 0, to = 6 } # look up\n# limit = { max = \"120 MHz\" }\n# fields = { from = "
            "\"CLK.CORE[1:0]\", divide = \"CLK.CORE[6:4]\" }\n");
        if (answers_.buses > 0) {
            const std::string last(1, static_cast<char>('a' + answers_.buses - 1));
            std::string letters = "a";
            for (int i = 1; i < answers_.buses; ++i) {
                letters += std::string(",") + static_cast<char>('a' + i);
            }
            add((answers_.buses == 1 ? std::string("\n[[line]]\nid = \"bus_a\"\n")
                                     : "\n[[line]]\nids = \"bus_{" + letters + "}\"\n") +
                "from = \"core\"\ndivide = [1, 2, 4, 8] # look up\n# limit = { max = \"60 MHz\" }\n# fields = { divide = "
                "\"CLK.BUS[2:0]\" }\n");
        }
        add("\n# wait states of the memory, by the core's rate: a table of the datasheet can be pasted\n# [[wait]]\n# line = "
            "\"core\"\n# field = "
            "\"MEM.WAIT[3:0]\"\n# steps = [[\"24 MHz\", 0, \"100 %\"], [\"48 MHz\", 1, \"94 %\"]]\n");
    }

    void writePeripherals() {
        add("\n# ---- peripherals\n");
        const std::string bus = answers_.buses > 0 ? "bus_a" : "core";
        for (const auto& [kind, count] : answers_.peripherals) {
            if (count == 0) {
                continue;
            }
            const bool isSlow = kind == "rtc" || kind == "watchdog";
            const std::string clock = isSlow && answers_.hasWatchCrystal ? "xw" : bus;
            const std::string shared = fmt::format("kind = \"{}\"\nclock = \"{}\" # look up\naccept = {{ \"no draw\" = \"not "
                                                   "looked up yet\" }}\n{}# draws = {{ per_mhz "
                                                   "= \"2 uA\" }}\n",
                                                   kind, clock, kindTexts().at(kind));
            if (count == 1 || count > kMostApart) {
                add("\n[[peripheral]]\n" + idsOf(kind, count) + shared + "# gate = \"ON.A[0]\"\n");
                continue;
            }
            add("\n[[template]]\nid = \"" + kind + "\"\n" + shared);
            for (int i = 1; i <= count; ++i) { // each has a place of its own for what is its own
                add(fmt::format("\n[[peripheral]]\nid = \"{0}{1}\"\nlike = \"{0}\"\n# gate = \"ON.A[{2}]\"\n{3}", kind, i, i - 1,
                                ownOf(kind, i)));
            }
        }
    }

    /// What is most often a peripheral's own, as remarks.
    static std::string ownOf(const std::string& kind, int number) {
        if (kind == "uart") {
            return fmt::format("# fields = {{ divisor = \"UART{0}.RATE[15:0]\" }}\n# pins = {{ tx = [\"A1\"], rx = [\"A2\"] }}\n",
                               number);
        }
        if (kind == "timer") {
            return fmt::format("# channels = [\"\", \"\"]\n# interrupts = [\"TIMER{0}.IE[0]\", \"core\"]\n", number);
        }
        if (kind == "spi" || kind == "i2c") {
            return fmt::format("# fields = {{ divide = \"{0}{1}.RATE[7:0]\" }}\n", kind == "spi" ? "SPI" : "I2C", number);
        }
        return {};
    }

    void writeModes() {
        add("\n# ---- modes\n\n[[mode]]\nid = \"run\"\nruns = true\naccept = { \"no draw\" = \"not looked up yet\" }\n# draws = "
            "{ typ = \"600 uA\", max = \"1 mA\", per_mhz = \"110 uA\" }\n");
        const std::string first = sources_.front();
        for (const std::string& mode : answers_.modes) {
            add(fmt::format(
                "\n[[mode]]\nid = \"{}\"\naccept = {{ \"no draw\" = \"not looked up yet\" }}\n# keeps = {{ sources = [\"{}\"] "
                "}}\nwakes_on = \"{}\"\n# wakes_by = [\"pin edge\"]\n# draws = {{ typ = [[\"25 C\", \"2 uA\"], [\"{}\", \"30 "
                "uA\"]], max = \"90 uA\" }}\n# stages = [{{ say = \"regulator\", typ = \"10 us\", max = \"18 us\" }}]\n",
                mode, first, first, answers_.hottest));
        }
    }

    /// What many parts have and nobody was asked about.
    void writeMore() {
        add("\n# ---- pins, option words, worked examples: what the part has of them\n\n# [pins]\n# all = [\"A{1..16}\", "
            "\"B{1..16}\"]\n\n# "
            "[[option]]\n# id = \"dog_start\"\n# say = \"whether the watchdog runs from reset\"\n# field = \"OPT.A[0]\"\n# value "
            "= [{ id = \"off\", "
            "code = 0 }, { id = \"on\", code = 1 }]\n# safe = \"off\"\n\n# [[expect]] # what the datasheet's own examples "
            "give\n# say = \"core at "
            "40 MHz\"\n# choices = { core = { divide = 1 } }\n# rates = { core = \"8 MHz\" }\n");
    }

    const PartAnswers& answers_;
    std::string text_;
    std::vector<std::string> sources_;
    std::vector<std::string> coreFrom_;
};

} // namespace

const std::vector<std::string>& askedKinds() {
    static const std::vector<std::string> kinds{"uart", "timer", "spi", "i2c", "adc", "can", "watchdog", "rtc", "other"};
    return kinds;
}

tl::expected<std::string, Text> partFromAnswers(const PartAnswers& answers) {
    return PartWriter(answers).write();
}

} // namespace wisetick
