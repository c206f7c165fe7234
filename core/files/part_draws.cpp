#include "files/part_draws.h"

#include "base/text.h"

#include <algorithm>

namespace wisetick {

namespace {

/// One current, or a list of [temperature, current] with rising temperatures.
std::optional<TemperatureCurve> readCurve(TableReader& reader, const std::string& key, Sign sign) {
    const toml::node* node = reader.node(key);
    if (node == nullptr) {
        return std::nullopt;
    }
    const KeyPath path = reader.at(key);
    TemperatureCurve curve;
    const toml::array* list = node->as_array();
    if (list == nullptr) {
        const auto single = readNodeQuantity(*node, reader.reporter(), path, Unit::ampere, sign);
        if (!single) {
            return std::nullopt;
        }
        curve.points.push_back({0, *single});
        return curve;
    }
    for (const toml::node& element : *list) {
        const toml::array* pair = element.as_array();
        const Place place = reader.reporter().placeOf(element, path);
        if (pair == nullptr || pair->size() != 2) {
            reader.reporter().error(place, nodeText(element), phrase("a pair such as [\"25 C\", \"140 uA\"]"));
            return std::nullopt;
        }
        const auto celsius = readNodeQuantity(*pair->get(0), reader.reporter(), path, Unit::celsius, Sign::any);
        const auto ampere = readNodeQuantity(*pair->get(1), reader.reporter(), path, Unit::ampere, sign);
        if (!celsius || !ampere) {
            return std::nullopt;
        }
        if (!curve.points.empty() && *celsius <= curve.points.back().celsius) {
            reader.reporter().error(place, phrase("temperatures that do not rise"),
                                    phrase("each temperature above the one before"));
            return std::nullopt;
        }
        curve.points.push_back({*celsius, *ampere});
    }
    if (curve.points.empty()) {
        reader.error(key, phrase("an empty list"), phrase("at least one pair such as [\"25 C\", \"140 uA\"]"));
        return std::nullopt;
    }
    return curve;
}

TemperatureCurve constant(const Rational& ampere) {
    return TemperatureCurve{{{0, ampere}}};
}

/// Reads what one thing draws.
class DrawReader {
public:
    DrawReader(const PartContext& context, Reporter& reporter, Sign sign) : context_(context), reporter_(reporter), sign_(sign) {}

    std::optional<Draw> read(const toml::node& node, const KeyPath& path) {
        if (const toml::array* list = node.as_array()) {
            return readList(*list, path);
        }
        const toml::table* table = node.as_table();
        if (table != nullptr) {
            return readTable(*table, path.text());
        }
        const auto single = readNodeQuantity(node, reporter_, path, Unit::ampere, sign_);
        if (!single) {
            return std::nullopt;
        }
        Draw draw;
        draw.typ = constant(*single);
        draw.max = draw.typ;
        draw.perMegahertzTyp = 0;
        draw.perMegahertzMax = 0;
        return draw;
    }

private:
    Draw readTable(const toml::table& table, const std::string& path) {
        TableReader reader(table, reporter_, path);
        Draw draw;
        draw.typ = readCurve(reader, "typ", sign_);
        draw.max = readCurve(reader, "max", sign_);
        if (const auto base = readCurve(reader, "base", sign_)) {
            if (draw.typ || draw.max) {
                reader.error("base", phrase("'base' beside 'typ' or 'max'"), phrase("one figure in 'base', or 'typ' and 'max'"));
            }
            draw.typ = base;
            draw.max = base;
        }
        if (const toml::table* volts = reader.table("per_volt")) {
            TableReader by(*volts, reporter_, reader.pathOf("per_volt"));
            draw.bySupply = Draw::BySupply{by.quantity("slope", Unit::ampere, Need::required, Sign::any).value_or(Rational(0)),
                                           by.quantity("at", Unit::volt, Need::required).value_or(Rational(1))};
            by.finish();
        }
        readSlope(reader, draw);
        readWhen(reader, draw);
        draw.tier = resolveTier(context_, reader);
        draw.ref = reader.text("ref").value_or("");
        reader.finish();
        return draw;
    }

    void readSlope(TableReader& reader, Draw& draw) {
        const toml::node* slope = reader.node("per_mhz");
        const auto of = reader.text("of");
        const auto node = of ? resolveNode(context_, reader, "of", *of) : std::nullopt;
        if (of && slope == nullptr) {
            reader.error("of", phrase("a clock without a slope on it"), "per_mhz");
        }
        if (slope == nullptr) {
            draw.perMegahertzTyp = 0;
            draw.perMegahertzMax = 0;
            return;
        }
        if (const toml::table* slopes = slope->as_table()) {
            TableReader both(*slopes, reporter_, reader.pathOf("per_mhz"));
            draw.perMegahertzTyp = both.quantity("typ", Unit::ampere, Need::optional, Sign::notNegative);
            draw.perMegahertzMax = both.quantity("max", Unit::ampere, Need::optional, Sign::notNegative);
            both.finish();
        } else {
            draw.perMegahertzTyp = readNodeQuantity(*slope, reporter_, reader.at("per_mhz"), Unit::ampere, Sign::notNegative);
            draw.perMegahertzMax = draw.perMegahertzTyp;
        }
        if (!draw.typ && !draw.max) { // a slope alone says all
            draw.typ = constant(0);
            draw.max = draw.typ;
        }
        if (node) {
            draw.onClocks.push_back({*node, draw.perMegahertzTyp, draw.perMegahertzMax});
            draw.perMegahertzTyp = 0;
            draw.perMegahertzMax = 0;
        }
    }

    /// What is drawn only while it does something stands apart.
    void readWhen(TableReader& reader, Draw& draw) {
        const auto does = reader.text("when");
        if (!does) {
            return;
        }
        const bool isPlain = draw.typ && draw.max && draw.typ->points.size() == 1 && draw.max->points.size() == 1 &&
                             draw.perMegahertzMax == Rational(0) && draw.onClocks.empty() && !draw.bySupply;
        if (*does != "converting") {
            reader.error("when", "'" + *does + "'", "\"converting\"");
        } else if (!isPlain) {
            reader.error("when", phrase("a draw of its own that is no single figure"),
                         phrase("{{ base = \"430 uA\", when = \"converting\" }}"));
        } else {
            draw.whiles.push_back({*does, draw.typ->points.front().ampere, draw.max->points.front().ampere});
            draw.typ = constant(0);
            draw.max = draw.typ;
        }
    }

    /// Whether it says nothing but what it draws on other clocks, or while it does something.
    static bool isOnTop(const Draw& draw) { return !draw.onClocks.empty() || !draw.whiles.empty(); }

    std::optional<Draw> readList(const toml::array& list, const KeyPath& path) {
        std::vector<Draw> all;
        for (const toml::node& each : list) {
            if (const toml::table* table = each.as_table()) {
                all.push_back(readTable(*table, path.text()));
            } else {
                reporter_.error(reporter_.placeOf(each, path), nodeText(each),
                                phrase("a table such as {{ tier = \"fast\", per_mhz = \"3 uA\" }}"));
            }
        }
        if (all.empty()) {
            return std::nullopt;
        }
        Draw sum;
        if (std::none_of(all.begin(), all.end(), [](const Draw& each) { return each.tier.has_value(); })) {
            join(all, std::nullopt, list, path, sum);
            return sum;
        }
        for (std::size_t tier = 0; tier < context_.part.tiers.size(); ++tier) {
            const bool isTold = std::any_of(all.begin(), all.end(), [&](const Draw& each) { return each.tier == tier; });
            if (isTold) {
                Draw inTier;
                join(all, tier, list, path, inTier);
                inTier.tier = tier;
                sum.inTiers.push_back(std::move(inTier));
            }
        }
        return sum;
    }

    /// All that is told for a tier, and for all of them, in one.
    void join(const std::vector<Draw>& all, std::optional<std::size_t> tier, const toml::array& list, const KeyPath& path,
              Draw& sum) {
        bool hasBase = false;
        for (const Draw& each : all) {
            if (each.tier && each.tier != tier) {
                continue;
            }
            const bool isBase = !isOnTop(each);
            if (isBase && hasBase) {
                reporter_.error(reporter_.placeOf(list, path), phrase("two draws at once"),
                                phrase("one for each tier, and slopes on other clocks beside it"));
            }
            std::vector<Draw::OnClock> onClocks = std::move(sum.onClocks);
            std::vector<Draw::While> whiles = std::move(sum.whiles);
            if (isBase) {
                sum = each;
                hasBase = true;
            }
            onClocks.insert(onClocks.end(), each.onClocks.begin(), each.onClocks.end());
            whiles.insert(whiles.end(), each.whiles.begin(), each.whiles.end());
            sum.onClocks = std::move(onClocks);
            sum.whiles = std::move(whiles);
        }
        if (!hasBase) { // slopes and extras alone say all
            sum.typ = constant(0);
            sum.max = sum.typ;
            sum.perMegahertzTyp = 0;
            sum.perMegahertzMax = 0;
        }
        sum.tier = std::nullopt;
    }

    const PartContext& context_;
    Reporter& reporter_;
    Sign sign_;
};

} // namespace

std::optional<Draw> readDraw(const PartContext& context, TableReader& reader, const std::string& key) {
    const toml::node* node = reader.node(key);
    return node == nullptr ? std::nullopt : DrawReader(context, reader.reporter(), Sign::notNegative).read(*node, reader.at(key));
}

std::optional<Draw> readAddedDraw(const PartContext& context, TableReader& reader, const std::string& key) {
    const toml::node* node = reader.node(key);
    return node == nullptr ? std::nullopt : DrawReader(context, reader.reporter(), Sign::any).read(*node, reader.at(key));
}

} // namespace wisetick
