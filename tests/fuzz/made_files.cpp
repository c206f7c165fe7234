#include "evaluate/evaluate.h"
#include "files/part_from_svd.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "files/svd.h"
#include "made.h"
#include "made_case.h"

#include <fmt/format.h>

#include <set>

namespace wisetick::fuzz {

namespace {

using test::Random;

/// As often as is asked, each with a file of its own.
template <class Play>
Played playedAnew(std::string_view choices, int plays, const Play& play) {
    Random random(choices);
    Played all;
    for (; all.plays < plays; ++all.plays) {
        all.came += play(random) ? 1 : 0;
    }
    return all;
}

bool playSvd(Random& random) {
    Made made;
    std::string& text = made.partText;
    std::set<std::string> names; // of registers, as a reader by hand would list them
    std::size_t fields = 0;
    text = "<?xml version=\"1.0\"?>\n<device schemaVersion=\"1.3\"><name>T</name><version>1</version><description>t</description>"
           "<addressUnitBits>8</addressUnitBits><width>32</width><size>32</size><peripherals>\n";
    std::vector<std::vector<std::string>> ofPeripheral;
    std::vector<std::size_t> fieldsOf;
    for (std::int64_t p = 0, count = random.whole(1, 4); p < count; ++p) {
        const std::string base = fmt::format("P{}", p);
        std::vector<std::string> own;
        std::size_t ownFields = 0;
        const bool isDerived = p > 0 && random.whole(0, 2) == 0;
        const std::size_t like = isDerived ? static_cast<std::size_t>(random.whole(0, p - 1)) : 0;
        text += isDerived ? fmt::format("<peripheral derivedFrom=\"P{}\"><name>{}</name><baseAddress>0x{:x}</baseAddress>", like,
                                        base, 0x40000000 + p * 0x1000)
                          : fmt::format("<peripheral><name>{}</name><description>about "
                                        "&lt;{}&gt;</description><baseAddress>0x{:x}</baseAddress><registers>",
                                        base, base, 0x40000000 + p * 0x1000);
        if (isDerived) {
            own = ofPeripheral[like];
            ownFields = fieldsOf[like];
        } else {
            for (std::int64_t r = 0, registers = random.whole(1, 4); r < registers; ++r) {
                const std::int64_t dim = random.coin() ? random.whole(2, 5) : 0;
                const std::string array = dim > 0 ? fmt::format("<dim>{}</dim><dimIncrement>4</dimIncrement>", dim) : "";
                text += fmt::format("<register>{}<name>R{}{}</name><addressOffset>{}</addressOffset><fields>", array, r,
                                    dim > 0 ? (random.coin() ? "_%s" : "_[%s]") : "", r * 64);
                const std::int64_t width = random.whole(1, 8);
                const std::int64_t lsb = random.whole(0, 20);
                switch (random.whole(0, 2)) {
                case 0:
                    text +=
                        fmt::format("<field><name>F</name><bitOffset>{}</bitOffset><bitWidth>{}</bitWidth></field>", lsb, width);
                    break;
                case 1:
                    text += fmt::format("<field><name>F</name><lsb>{}</lsb><msb>{}</msb></field>", lsb, lsb + width - 1);
                    break;
                default: text += fmt::format("<field><name>F</name><bitRange>[{}:{}]</bitRange></field>", lsb + width - 1, lsb);
                }
                text += "</fields></register>";
                for (std::int64_t i = 0; i < std::max<std::int64_t>(dim, 1); ++i) {
                    own.push_back(dim > 0 ? fmt::format("R{}_{}", r, i) : fmt::format("R{}", r));
                    ++ownFields;
                }
            }
            text += "</registers>";
        }
        text += "</peripheral>\n";
        for (const std::string& name : own) {
            names.insert(base + "." + name);
        }
        fields += ownFields;
        ofPeripheral.push_back(own);
        fieldsOf.push_back(ownFields);
    }
    text += "</peripherals></device>\n";
    const RegisterFile file = readSvd(text, "t.svd");
    require(file.names.has_value() && !hasErrors(file.diagnostics), "the description is read: " + test::lines(file.diagnostics),
            made);
    std::set<std::string> read;
    std::size_t readFields = 0;
    for (const DescribedRegister& reg : file.names->registers) {
        read.insert(reg.facts.name);
        readFields += reg.fields.size();
    }
    require(read == names, "its registers", made);
    require(readFields == fields, "its fields", made);
    const PartFile part = readPart(partFromSvd("t", *file.names), "part");
    require(!part.diagnostics.empty() || part.part.has_value(), "a part to go on with", made);
    std::string damaged = text;
    for (std::int64_t i = random.whole(0, 3); i > 0; --i) {
        damaged[static_cast<std::size_t>(random.whole(0, std::ssize(damaged) - 1))] = static_cast<char>(random.whole(0, 255));
    }
    const RegisterFile other = readSvd(damaged, "t.svd");
    require(other.names.has_value() || hasErrors(other.diagnostics), "a description or an error", made);
    return true;
}

bool playFigures(Random& random) {
    struct Shipped {
        std::string part;
        std::string plan;
    };
    static const std::vector<Shipped> shipped = [] {
        std::vector<Shipped> list;
        for (const auto& [part, plan] : {std::pair("marram-20", "orchard-sprayer"), std::pair("sedge-8", "door-sensor"),
                                         std::pair("samphire-5", "river-gauge")}) {
            list.push_back({test::fileText(test::sourceDir() + "/parts/" + part + ".part.toml"),
                            test::fileText(test::sourceDir() + "/examples/" + plan + ".plan.toml")});
        }
        return list;
    }();
    const Shipped& chosen = random.pick(shipped);
    Made made;
    made.partText = chosen.part;
    made.planText = chosen.plan;
    static const std::vector<const char*> odd{"0",
                                              "-1",
                                              "1e-30",
                                              "1e30",
                                              "-1e30",
                                              "1/3",
                                              "22/7",
                                              "0.333333333333",
                                              "1e-9",
                                              "59",
                                              "24.731",
                                              "4294967296",
                                              "999999999999999999",
                                              "1",
                                              "2",
                                              "3.3333333333333333",
                                              "1e18",
                                              "1e-18"};
    for (std::int64_t i = random.whole(1, 2); i > 0; --i) {
        std::string& text = random.whole(0, 2) == 0 ? made.partText : made.planText;
        // a number between quotes, or behind an equals sign
        auto at = static_cast<std::size_t>(random.whole(0, std::ssize(text) - 1));
        const auto isDigit = [&](std::size_t place) {
            return place < text.size() && std::isdigit(static_cast<unsigned char>(text[place])) != 0;
        };
        while (at < text.size() && !(isDigit(at) && at > 0 && (text[at - 1] == '"' || text[at - 1] == ' '))) {
            ++at;
        }
        std::size_t end = at;
        while (isDigit(end) || (end < text.size() && text[end] == '.')) {
            ++end;
        }
        if (at < text.size()) {
            text.replace(at, end - at, random.pick(odd));
        }
    }
    const PartFile part = readPart(made.partText, "part");
    require(part.part.has_value() != hasErrors(part.diagnostics) && isInPlainWords(test::lines(part.diagnostics)),
            "a part or an error", made);
    if (!part.part) {
        return false;
    }
    const PlanFile plan = readPlan(made.planText, "plan", &*part.part);
    require(plan.plan.has_value() != hasErrors(plan.diagnostics) && isInPlainWords(test::lines(plan.diagnostics)),
            "a plan or an error", made);
    if (!plan.plan) {
        return false;
    }
    for (const Take& take : plan.plan->takes) {
        const Figures figures = evaluate(*part.part, *plan.plan, take.name);
        require(isInPlainWords(test::lines(figures.findings)), "findings in plain words: " + test::lines(figures.findings), made);
        for (const PromiseFigure& promise : figures.promises) {
            require(isInPlainWords(promise.why), "a reason in plain words: " + promise.why, made);
        }
    }
    return true;
}

} // namespace

Played feedSvd(std::string_view choices, int plays) {
    return playedAnew(choices, plays, &playSvd);
}
Played feedFigures(std::string_view choices, int plays) {
    return playedAnew(choices, plays, &playFigures);
}

} // namespace wisetick::fuzz
