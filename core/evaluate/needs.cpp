#include "evaluate/needs.h"

#include "base/nearest_name.h"
#include "base/text.h"
#include "base/trimmed.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"
#include "sleep/current.h"

#include <algorithm>
#include <cctype>
#include <functional>
#include <set>

namespace wisetick {

namespace {

/// The ids of what a part has of one kind.
using Collect = std::vector<std::string> (*)(const Part&);

/// Those peripherals that are counted under this name: that of their kind, or another of what they have more.
std::vector<std::string> peripheralsCountedAs(const Part& part, const std::string& name) {
    std::vector<std::string> ids;
    for (const Peripheral& peripheral : part.peripherals) {
        const KindRow& row = *peripheral.kind.row();
        const bool isMore = std::any_of(row.alsoCounted.begin(), row.alsoCounted.end(), [&](const AlsoCounted& each) {
            return each.name == name && each.isOne(peripheral.kind);
        });
        if (row.name == name || isMore) {
            ids.push_back(peripheral.id);
        }
    }
    return ids;
}

std::vector<std::string> linesWhere(const Part& part, const std::function<bool(const Line&)>& isMeant) {
    std::vector<std::string> ids;
    for (const Line& line : part.lines) {
        if (isMeant(line)) {
            ids.push_back(line.id);
        }
    }
    return ids;
}

std::vector<std::string> sourcesOf(const Part& part, SourceKind kind) {
    std::vector<std::string> ids;
    for (const Source& source : part.sources) {
        if (source.kind == kind) {
            ids.push_back(source.id);
        }
    }
    return ids;
}

bool hasFractions(const FactorSet& set) {
    return !set.empty() && ((set.isRange() && !set.step().isWhole()) || !set.least().isWhole());
}

/// Kinds of things that are counted, beside the kinds of peripherals.
const std::map<std::string, Collect>& countedKinds() {
    static const std::map<std::string, Collect> kinds{
        {"pll",
         [](const Part& part) {
             return linesWhere(part, [](const Line& line) { return !line.multiply.empty() && line.ripple.isZero(); });
         }},
        {phrase("fractional pll"),
         [](const Part& part) {
             return linesWhere(part, [](const Line& line) { return hasFractions(line.multiply) && line.ripple.isZero(); });
         }},
        {"multiplier",
         [](const Part& part) { return linesWhere(part, [](const Line& line) { return !line.multiply.empty(); }); }},
        {phrase("clock output"),
         [](const Part& part) { return linesWhere(part, [](const Line& line) { return !line.pins.empty(); }); }},
        {"line", [](const Part& part) { return idsOf(part.lines); }},
        {"source", [](const Part& part) { return idsOf(part.sources); }},
        {"crystal", [](const Part& part) { return sourcesOf(part, SourceKind::crystal); }},
        {"rc", [](const Part& part) { return sourcesOf(part, SourceKind::rc); }},
        {phrase("clock input"), [](const Part& part) { return sourcesOf(part, SourceKind::clockIn); }},
        {"peripheral", [](const Part& part) { return idsOf(part.peripherals); }},
        {"mode", [](const Part& part) { return idsOf(part.modes); }},
        {"tier", [](const Part& part) { return idsOf(part.tiers); }},
        {"option", [](const Part& part) { return idsOf(part.options); }},
        {"pin", [](const Part& part) { return part.pins; }},
    };
    return kinds;
}

std::vector<std::string> allKindNames() {
    std::vector<std::string> names;
    for (const KindRow* row : kindRows()) {
        names.push_back(row->name);
    }
    std::set<std::string> others;
    for (const KindRow* row : kindRows()) {
        for (const AlsoCounted& each : row->alsoCounted) {
            others.insert(each.name);
        }
    }
    for (const auto& [name, collect] : countedKinds()) {
        others.insert(name);
    }
    names.insert(names.end(), others.begin(), others.end());
    return names;
}

std::string lower(std::string_view text) {
    std::string result(text);
    std::transform(result.begin(), result.end(), result.begin(),
                   [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return result;
}

/// The kind that a word or its plural names.
std::optional<std::string> kindOf(std::string_view word) {
    const std::string said = lower(word);
    const std::vector<std::string> names = allKindNames();
    for (const std::string& name : names) {
        if (said == name || said == name + "s") {
            return name;
        }
    }
    return std::nullopt;
}

/// Reads one need; `at` is where its piece begins in the whole text.
class NeedReader {
public:
    NeedReader(std::string_view piece, std::size_t at) : piece_(piece), at_(at) {}

    tl::expected<PartNeed, TextError> read() const {
        for (const auto& [sign, isLeast] :
             {std::pair{">=", true}, std::pair{"\u2265", true}, std::pair{"at least", true}, std::pair{"<=", false},
              std::pair{"\u2264", false}, std::pair{"at most", false}, std::pair{">", true}, std::pair{"<", false}}) {
            const std::size_t found = piece_.find(sign);
            if (found != std::string_view::npos) {
                const std::string_view left = trimmed(piece_.substr(0, found));
                return readBound(left, isLeast, trimmed(piece_.substr(found + std::string_view(sign).size())), sign);
            }
        }
        return readPlain();
    }

private:
    tl::unexpected<TextError> fault(std::string_view word, Text found, Text expected, Text mend = {}) const {
        const std::size_t offset = word.empty() ? piece_.size() : static_cast<std::size_t>(word.data() - piece_.data());
        return tl::unexpected(TextError{at_ + offset, word.size(), std::move(found), std::move(expected), std::move(mend)});
    }

    PartNeed need(decltype(PartNeed::ask) ask) const { return {std::string(piece_), std::move(ask)}; }

    tl::expected<PartNeed, TextError> readBound(std::string_view left, bool isLeast, std::string_view right,
                                                const char* sign) const {
        if (left.empty() || right.empty()) {
            return fault(right, phrase("'{}' with nothing {} it", sign, left.empty() ? "before" : "after"),
                         phrase("a condition such as 'core >= 100 MHz' or 'sleep <= 2 uA'"));
        }
        if (const auto kind = kindOf(left); kind && isLeast) {
            const auto count = wholeNumber(right);
            return count ? tl::expected<PartNeed, TextError>(need(CountNeed{*kind, *count}))
                         : fault(right, "'" + std::string(right) + "'", phrase("a whole number"));
        }
        if (lower(left) == "supply") {
            return readQuantityAs<SupplyNeed>(right, Unit::volt, [](const Rational& volt) { return SupplyNeed{volt}; });
        }
        const std::string subject = lower(left);
        return isLeast ? readQuantityAs<RateNeed>(right, Unit::hertz,
                                                  [&](const Rational& hertz) {
                                                      return RateNeed{subject, hertz};
                                                  })
                       : readQuantityAs<DrawNeed>(right, Unit::ampere, [&](const Rational& ampere) {
                             return DrawNeed{subject, ampere};
                         });
    }

    template <class Ask, class Make>
    tl::expected<PartNeed, TextError> readQuantityAs(std::string_view text, Unit unit, Make make) const {
        const auto value = readQuantity(text, unit);
        if (!value) {
            TextError error = value.error();
            error.position += at_ + static_cast<std::size_t>(text.data() - piece_.data());
            return tl::unexpected(error);
        }
        return need(make(*value));
    }

    tl::expected<PartNeed, TextError> readPlain() const {
        const std::size_t blank = piece_.find(' ');
        const std::string_view first = piece_.substr(0, blank);
        const std::string_view rest = blank == std::string_view::npos ? std::string_view() : trimmed(piece_.substr(blank));
        if (const auto kind = kindOf(piece_)) {
            return need(CountNeed{*kind, 1});
        }
        if (const auto count = wholeNumber(first); count && !rest.empty()) {
            const auto kind = kindOf(rest);
            return kind ? tl::expected<PartNeed, TextError>(need(CountNeed{*kind, *count}))
                        : fault(rest, phrase("'{}', which is nothing that a part has", std::string(rest)),
                                listNames(allKindNames()), didYouMean(lower(rest), allKindNames()));
        }
        if (lower(first) == "supply" && !rest.empty()) {
            return readQuantityAs<SupplyNeed>(rest, Unit::volt, [](const Rational& volt) { return SupplyNeed{volt}; });
        }
        if (lower(first) == "crystal" && !rest.empty()) {
            return readQuantityAs<CrystalNeed>(rest, Unit::hertz, [](const Rational& hertz) { return CrystalNeed{hertz}; });
        }
        return need(WordNeed{lower(piece_)});
    }

    static std::optional<std::int64_t> wholeNumber(std::string_view text) {
        const bool isNumber = !text.empty() && text.size() <= 6 &&
                              std::all_of(text.begin(), text.end(), [](unsigned char c) { return std::isdigit(c) != 0; });
        return isNumber ? std::optional<std::int64_t>(std::stoll(std::string(text))) : std::nullopt;
    }

    std::string_view piece_;
    std::size_t at_;
};

Text joined(const std::vector<std::string>& names) {
    constexpr std::size_t kMostNamed = 6;
    std::string text;
    for (std::size_t i = 0; i < std::min(names.size(), kMostNamed); ++i) {
        text += (i == 0 ? "" : ", ") + names[i];
    }
    return names.size() > kMostNamed ? text + " \u2026" : text;
}

/// Judges one need of a part.
class Judge {
public:
    explicit Judge(const Part& part) : part_(part) {}

    NeedFigure operator()(const CountNeed& need) const {
        const auto special = countedKinds().find(need.kind);
        const std::vector<std::string> found =
            special != countedKinds().end() ? special->second(part_) : peripheralsCountedAs(part_, need.kind);
        if (found.empty() && need.kind == "pin") {
            return {{}, Fit::unknown, phrase("it does not say which pins it has")};
        }
        const Fit fit = static_cast<std::int64_t>(found.size()) >= need.least ? Fit::yes : Fit::no;
        if (found.empty()) {
            return {{}, fit, phrase("it has no {}", need.kind)};
        }
        return {{},
                fit,
                fit == Fit::yes && found.size() <= 3 ? joined(found)
                                                     : phrase("it has {}: {}", std::to_string(found.size()), joined(found))};
    }

    NeedFigure operator()(const RateNeed& need) const {
        const auto node = need.line == "core" ? std::optional(part_.core) : part_.findNode(need.line);
        if (!node) {
            return {{}, Fit::no, phrase("it has no line '{}'", need.line)};
        }
        std::optional<Rational> highest;
        Text tier;
        if (part_.isSource(*node)) {
            const Source& source = part_.sources[*node];
            highest = source.rates.empty() ? source.rangeMax : std::optional(source.rates.back());
        } else {
            for (const Limit& limit : part_.lineAt(*node).limits) {
                if (limit.max && !limit.supplyBelow && !limit.when && (!highest || *limit.max > *highest)) {
                    highest = limit.max;
                    tier = limit.tier ? phrase(" in tier {}", part_.tiers[*limit.tier].id) : "";
                }
            }
        }
        if (!highest) {
            return {{}, Fit::unknown, phrase("it gives no limit of {}", part_.nodeId(*node))};
        }
        return {{},
                *highest >= need.least ? Fit::yes : Fit::no,
                phrase("{} up to {}{}", part_.nodeId(*node), printQuantity(*highest, Unit::hertz), tier)};
    }

    NeedFigure operator()(const DrawNeed& need) const {
        const Mode* best = nullptr;
        std::optional<Rational> least;
        bool isMode = false;
        for (const Mode& mode : part_.modes) {
            const bool isMeant = need.mode == "sleep" ? !mode.runs && wakesItself(mode) : mode.id == need.mode;
            isMode = isMode || isMeant;
            const auto ampere = isMeant ? drawAt25(mode) : std::nullopt;
            if (ampere && (!least || *ampere < *least)) {
                best = &mode;
                least = ampere;
            }
        }
        if (!isMode) {
            return {{},
                    Fit::no,
                    need.mode == "sleep" ? phrase("no clock of its own wakes it") : phrase("it has no mode '{}'", need.mode)};
        }
        if (best == nullptr) {
            return {{}, Fit::unknown, phrase("it does not say what that draws")};
        }
        return {
            {}, *least <= need.most ? Fit::yes : Fit::no, phrase("{} draws {}", best->id, printQuantity(*least, Unit::ampere))};
    }

    NeedFigure operator()(const SupplyNeed& need) const {
        if (!part_.supplyMin || !part_.supplyMax) {
            return {{}, Fit::unknown, phrase("it does not say at which supply it runs")};
        }
        return {{},
                need.volt >= *part_.supplyMin && need.volt <= *part_.supplyMax ? Fit::yes : Fit::no,
                phrase("runs at {}", printRange(*part_.supplyMin, *part_.supplyMax, Unit::volt))};
    }

    NeedFigure operator()(const CrystalNeed& need) const {
        std::string ranges;
        for (const Source& source : part_.sources) {
            if (source.kind != SourceKind::crystal || !source.rangeMin || !source.rangeMax) {
                continue;
            }
            const std::string said =
                phrase("{} takes {}", source.id, printRange(*source.rangeMin, *source.rangeMax, Unit::hertz));
            if (need.hertz >= *source.rangeMin && need.hertz <= *source.rangeMax) {
                return {{}, Fit::yes, said};
            }
            ranges += (ranges.empty() ? "" : ", ") + said;
        }
        return {{}, Fit::no, ranges.empty() ? phrase("it takes no crystal") : ranges};
    }

    NeedFigure operator()(const WordNeed& need) const {
        for (const auto& [text, where] :
             {std::pair{part_.id, "id"}, std::pair{part_.name, "name"}, std::pair{part_.note, "note"}}) {
            if (lower(text).find(need.word) != std::string::npos) {
                return {{}, Fit::yes, phrase("in its {}", where)};
            }
        }
        std::vector<std::string> found;
        const auto look = [&](const auto& things) {
            for (const auto& thing : things) {
                if (lower(thing.id).find(need.word) != std::string::npos ||
                    lower(thing.name).find(need.word) != std::string::npos) {
                    found.push_back(thing.id);
                }
            }
        };
        look(part_.sources);
        look(part_.lines);
        look(part_.peripherals);
        look(part_.modes);
        return found.empty() ? NeedFigure{{}, Fit::no, phrase("nothing of it is called '{}'", need.word)}
                             : NeedFigure{{}, Fit::yes, joined(found)};
    }

private:
    /// Whether a peripheral of the part wakes the mode, not only a pin.
    bool wakesItself(const Mode& mode) const {
        return std::any_of(mode.wakesBy.begin(), mode.wakesBy.end(),
                           [&](const std::string& by) { return by == "any" || part_.findPeripheral(by).has_value(); });
    }

    static std::optional<Rational> drawAt25(const Mode& mode) {
        bool ignored = false;
        const Draw* draw =
            drawIn(mode.draws, mode.draws && !mode.draws->inTiers.empty() ? mode.draws->inTiers.front().tier : std::nullopt);
        return draw != nullptr && draw->typ ? std::optional(currentAt(*draw->typ, 25, ignored)) : std::nullopt;
    }

    const Part& part_;
};

} // namespace

tl::expected<std::vector<PartNeed>, TextError> readNeeds(std::string_view text) {
    std::vector<PartNeed> needs;
    std::size_t start = 0;
    while (start <= text.size()) {
        const std::size_t end = std::min(text.find(',', start), text.size());
        const std::string_view piece = trimmed(text.substr(start, end - start));
        if (!piece.empty()) {
            auto need = NeedReader(piece, static_cast<std::size_t>(piece.data() - text.data())).read();
            if (!need) {
                return tl::unexpected(need.error());
            }
            needs.push_back(std::move(*need));
        }
        start = end + 1;
    }
    return needs;
}

std::vector<NeedFigure> judgeNeeds(const Part& part, const std::vector<PartNeed>& needs) {
    std::vector<NeedFigure> figures;
    for (const PartNeed& need : needs) {
        NeedFigure figure = std::visit(Judge(part), need.ask);
        figure.need = need.text;
        figures.push_back(std::move(figure));
    }
    return figures;
}

Fit fitOf(const std::vector<NeedFigure>& figures) {
    const auto has = [&](Fit fit) {
        return std::any_of(figures.begin(), figures.end(), [&](const NeedFigure& figure) { return figure.fit == fit; });
    };
    return has(Fit::no) ? Fit::no : (has(Fit::unknown) ? Fit::unknown : Fit::yes);
}

} // namespace wisetick
