#include "derive/derive.h"
#include "files/part_reader.h"
#include "files/plan_reader.h"
#include "support.h"

#include <boost/multiprecision/cpp_int.hpp>

#include <numeric>
#include <sstream>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// The second evaluation's own fractions, of any size.
using Fraction = boost::multiprecision::cpp_rational;

Fraction fraction(const Rational& value) {
    return Fraction(value.toString());
}

std::string text(const Fraction& value) {
    return value.str();
}

const int kTrees = test::kIsSanitized ? 1000 : 10000;

/// A limit as the tree was made with it.
struct TreeLimit {
    std::string toml;
    std::optional<Fraction> min;
    std::optional<Fraction> max;
    bool isTolerance = false;
    std::optional<std::string> tier;
    bool isBelowSupply = true; ///< false: its supply_below does not hold on this board
    std::optional<std::pair<std::size_t, std::vector<Fraction>>> whenDivide;
    std::optional<std::pair<std::size_t, std::size_t>> whenFrom; ///< a line, and the place of the input that it must be on
    std::optional<std::size_t> whileNode;                        ///< a node that must be on and run from `least`, below `below`
    std::optional<Fraction> least;
    std::optional<Fraction> below;
};

/// A source or line of a random tree, with what the take has chosen.
struct TreeNode {
    std::string id;
    bool isSource = false;
    Fraction rate;
    Fraction low;
    Fraction high;
    std::vector<std::size_t> inputs;
    std::size_t chosen = 0;
    Fraction divide = 1;
    Fraction multiply = 1;
    Fraction factor = 1;
    Fraction ripple = 0;
    std::optional<std::size_t> follows; ///< the line whose divider sets a factor
    std::map<Fraction, Fraction> when;
    Fraction otherwise = 1;
    std::vector<TreeLimit> limits;
    std::optional<bool> on;
    std::string toml;
    std::string choice;
};

struct Corners {
    Fraction min;
    Fraction nominal;
    Fraction max;
};

/// Makes random trees, as text for the reader and as nodes for the second evaluation.
class TreeMaker {
public:
    explicit TreeMaker(Random& random) : random_(random) {}

    std::vector<TreeNode> nodes;
    std::size_t core = 0;
    std::string tier;

    void make() {
        tier = random_.coin() ? "fast" : "slow";
        const auto sources = static_cast<std::size_t>(random_.whole(1, 3));
        for (std::size_t i = 0; i < sources; ++i) {
            makeSource(i);
        }
        const auto lines = static_cast<std::size_t>(random_.whole(1, 11));
        for (std::size_t i = 0; i < lines; ++i) {
            makeLine(i);
        }
        core = static_cast<std::size_t>(random_.whole(0, static_cast<std::int64_t>(nodes.size()) - 1));
    }

    std::string partText() const {
        std::string out = "format = \"wisetick-part/1\"\nid = \"tree\"\ncore = \"" + nodes[core].id + "\"\nslack = \"0.1 %\"\n" +
                          "[[tier]]\nid = \"fast\"\n[[tier]]\nid = \"slow\"\n[[mode]]\nid = \"run\"\nruns = true\n";
        std::vector<std::size_t> order(nodes.size());
        std::iota(order.begin(), order.end(), std::size_t{0});
        for (std::size_t i = order.size(); i > 1; --i) { // children may stand before their parents
            std::swap(order[i - 1], order[static_cast<std::size_t>(random_.whole(0, static_cast<std::int64_t>(i) - 1))]);
        }
        for (const std::size_t index : order) {
            out += nodes[index].toml;
        }
        return out;
    }

    std::string planText() const {
        std::string out =
            "format = \"wisetick-plan/1\"\nname = \"tree\"\npart = \"tree\"\nactive = \"A\"\n[board]\nsupply = { min = "
            "\"3 V\", nominal = \"3.3 V\", max = \"3.6 V\" }\ntemperature = { nominal = \"25 C\" }\n[[take]]\nname = "
            "\"A\"\ntier = \"" +
            tier + "\"\n";
        for (const TreeNode& node : nodes) {
            if (!node.choice.empty()) {
                out += "[take.choices." + node.id + "]\n" + node.choice;
            }
        }
        return out;
    }

private:
    Fraction share(std::int64_t most) { return Fraction(random_.whole(0, most), 10000); }

    void makeSource(std::size_t index) {
        TreeNode node;
        node.id = "s" + std::to_string(index);
        node.isSource = true;
        node.low = -share(3000);
        node.high = share(3000);
        std::ostringstream toml;
        toml << "[[source]]\nid = \"" << node.id << "\"\nkind = \"rc\"\n";
        std::vector<Fraction> rates;
        const std::int64_t count = random_.coin() ? 1 : random_.whole(2, 4);
        Fraction rate = 0;
        for (std::int64_t i = 0; i < count; ++i) {
            rate += Fraction(random_.whole(1, 40000000), random_.whole(1, 7));
            rates.push_back(rate);
        }
        if (count == 1) {
            toml << "rate = \"" << text(rates[0]) << " Hz\"\n";
            node.rate = rates[0];
        } else {
            toml << "rates = [";
            for (std::size_t i = 0; i < rates.size(); ++i) {
                toml << (i == 0 ? "" : ", ") << '"' << text(rates[i]) << " Hz\"";
            }
            const auto reset = static_cast<std::size_t>(random_.whole(0, count - 1));
            toml << "]\nreset = { rate = \"" << text(rates[reset]) << " Hz\" }\n";
            node.rate = rates[reset];
            if (random_.coin()) {
                node.rate = random_.pick(rates);
                node.choice = "rate = \"" + text(node.rate) + " Hz\"\n";
            }
        }
        toml << "tolerance = [{ by = [\"" << text(node.low * 100) << " %\", \"" << text(node.high * 100) << " %\"] }]\n";
        node.toml = toml.str();
        chooseOn(node);
        nodes.push_back(std::move(node));
    }

    void chooseOn(TreeNode& node) {
        if (random_.whole(0, 5) == 0) {
            node.on = random_.coin();
            node.choice += std::string("on = ") + (*node.on ? "true" : "false") + "\n";
        }
    }

    /// A random control, as TOML and as its values.
    std::pair<std::string, std::vector<Fraction>> makeFactors() {
        std::vector<Fraction> values;
        switch (random_.whole(0, 3)) {
        case 0: {
            const std::int64_t from = random_.whole(1, 9);
            const std::int64_t to = from + random_.whole(0, 40);
            for (std::int64_t value = from; value <= to; ++value) {
                values.emplace_back(value);
            }
            return {"{ from = " + std::to_string(from) + ", to = " + std::to_string(to) + " }", values};
        }
        case 1: {
            const std::int64_t from = random_.whole(1, 5);
            for (std::int64_t i = 0; i <= 6; ++i) {
                values.push_back(from + Fraction(i, 2));
            }
            return {"{ from = " + std::to_string(from) + ", to = " + std::to_string(from + 3) + ", step = \"1/2\" }", values};
        }
        case 2: {
            const std::int64_t from = random_.whole(0, 3);
            const std::int64_t to = from + random_.whole(0, 5);
            for (std::int64_t power = from; power <= to; ++power) {
                values.emplace_back(std::int64_t{1} << power);
            }
            return {"{ powers_of = 2, from = " + std::to_string(from) + ", to = " + std::to_string(to) + " }", values};
        }
        default: values = {1, 3, Fraction(7, 2), 12}; return {"[1, 3, \"7/2\", 12]", values};
        }
    }

    Fraction choose(TreeNode& node, std::ostringstream& toml, const std::string& control) {
        const auto [literal, values] = makeFactors();
        toml << control << " = " << literal << "\n";
        if (random_.whole(0, 3) == 0) {
            return values.front(); // the reset is the least
        }
        const Fraction value = random_.pick(values);
        node.choice += control + " = \"" + text(value) + "\"\n";
        return value;
    }

    void makeLine(std::size_t index) {
        TreeNode node;
        node.id = "l" + std::to_string(index);
        std::ostringstream toml;
        toml << "[[line]]\nid = \"" << node.id << "\"\nfrom = [";
        const std::int64_t inputs = random_.whole(1, 3);
        for (std::int64_t i = 0; i < inputs; ++i) {
            const auto input = static_cast<std::size_t>(random_.whole(0, static_cast<std::int64_t>(nodes.size()) - 1));
            if (std::find(node.inputs.begin(), node.inputs.end(), input) == node.inputs.end()) {
                toml << (node.inputs.empty() ? "" : ", ") << '"' << nodes[input].id << '"';
                node.inputs.push_back(input);
            }
        }
        toml << "]\n";
        if (node.inputs.size() > 1 && random_.coin()) {
            node.chosen = static_cast<std::size_t>(random_.whole(0, static_cast<std::int64_t>(node.inputs.size()) - 1));
            node.choice += "from = \"" + nodes[node.inputs[node.chosen]].id + "\"\n";
        }
        if (random_.coin()) {
            node.divide = choose(node, toml, "divide");
        }
        if (random_.whole(0, 2) == 0) {
            node.multiply = choose(node, toml, "multiply");
        }
        if (random_.whole(0, 3) == 0) {
            node.factor = Fraction(random_.whole(1, 9), random_.whole(1, 9));
            toml << "factor = \"" << text(node.factor) << "\"\n";
        }
        if (random_.whole(0, 4) == 0) {
            node.ripple = share(900);
            toml << "ripple = \"" << text(node.ripple * 100) << " %\"\n";
        }
        const std::size_t firstLine = firstLineIndex();
        if (random_.whole(0, 3) == 0 && firstLine < nodes.size()) {
            node.follows = static_cast<std::size_t>(
                random_.whole(static_cast<std::int64_t>(firstLine), static_cast<std::int64_t>(nodes.size()) - 1));
            node.otherwise = Fraction(random_.whole(1, 4), 2);
            toml << "follows = { control = \"" << nodes[*node.follows].id << ".divide\", when = {";
            for (std::int64_t key = 1; key <= 4; ++key) {
                node.when[key] = Fraction(1, random_.whole(1, 4));
                toml << (key == 1 ? " " : ", ") << key << " = \"" << text(node.when[key]) << '"';
            }
            toml << " }, otherwise = \"" << text(node.otherwise) << "\" }\n";
        }
        const std::int64_t limits = random_.whole(0, 3);
        std::string list;
        for (std::int64_t i = 0; i < limits; ++i) {
            node.limits.push_back(makeLimit());
            list += (list.empty() ? "" : ", ") + node.limits.back().toml;
        }
        if (!list.empty()) {
            toml << "limit = [" << list << "]\n";
        }
        node.toml = toml.str();
        chooseOn(node);
        nodes.push_back(std::move(node));
    }

    std::size_t firstLineIndex() const {
        std::size_t index = 0;
        while (index < nodes.size() && nodes[index].isSource) {
            ++index;
        }
        return index;
    }

    TreeLimit makeLimit() {
        TreeLimit limit;
        std::string body;
        const Fraction low = random_.whole(1, 100000000);
        if (random_.whole(0, 3) == 0) {
            const Fraction within = Fraction(random_.whole(1, 900), 1000);
            body = "at = \"" + text(low) + " Hz\", within = \"" + text(within * 100) + " %\"";
            limit.min = low * (1 - within);
            limit.max = low * (1 + within);
            limit.isTolerance = true;
        } else {
            const bool hasMin = random_.coin();
            if (hasMin) {
                limit.min = low;
                body = "min = \"" + text(low) + " Hz\"";
            }
            if (!hasMin || random_.coin()) {
                limit.max = low + random_.whole(1, 300000000);
                body += (body.empty() ? "" : ", ") + ("max = \"" + text(*limit.max) + " Hz\"");
            }
        }
        switch (random_.whole(0, 7)) {
        case 6:
            if (const std::size_t first = firstLineIndex(); first < nodes.size()) {
                const auto line = static_cast<std::size_t>(
                    random_.whole(static_cast<std::int64_t>(first), static_cast<std::int64_t>(nodes.size()) - 1));
                const auto place =
                    static_cast<std::size_t>(random_.whole(0, static_cast<std::int64_t>(nodes[line].inputs.size()) - 1));
                limit.whenFrom = {line, place};
                body += ", when = { control = \"" + nodes[line].id + ".from\", is = \"" + nodes[nodes[line].inputs[place]].id +
                        "\" }";
            }
            break;
        case 7: {
            limit.whileNode = static_cast<std::size_t>(random_.whole(0, static_cast<std::int64_t>(nodes.size()) - 1));
            body += ", when = { line = \"" + nodes[*limit.whileNode].id + "\"";
            const std::int64_t kind = random_.whole(0, 2);
            if (kind != 1) {
                limit.least = random_.whole(1, 40000000);
                body += ", least = \"" + text(*limit.least) + " Hz\"";
            }
            if (kind != 0) {
                limit.below = limit.least.value_or(Fraction(0)) + random_.whole(1, 100000000);
                body += ", below = \"" + text(*limit.below) + " Hz\"";
            }
            body += " }";
            break;
        }
        case 0:
            limit.tier = random_.coin() ? "fast" : "slow";
            body += ", tier = \"" + *limit.tier + "\"";
            break;
        case 1: {
            limit.isBelowSupply = random_.coin(); // the board's lowest is 3 V
            body += limit.isBelowSupply ? ", supply_below = \"3.2 V\"" : ", supply_below = \"3 V\"";
            break;
        }
        case 2:
            if (const std::size_t first = firstLineIndex(); first < nodes.size()) {
                const auto line = static_cast<std::size_t>(
                    random_.whole(static_cast<std::int64_t>(first), static_cast<std::int64_t>(nodes.size()) - 1));
                limit.whenDivide = {line, {1, 2, Fraction(7, 2)}};
                body += ", when = { control = \"" + nodes[line].id + ".divide\", is = [1, 2, \"7/2\"] }";
            }
            break;
        default: break;
        }
        limit.toml = "{ " + body + " }";
        return limit;
    }

    Random& random_;
};

/// The second evaluation: from the nodes alone, each after its inputs.
class Second {
public:
    explicit Second(const TreeMaker& tree) : tree_(tree), nodes_(tree.nodes) {
        for (const TreeNode& node : nodes_) {
            corners_.push_back(worked(node));
        }
    }

    const Corners& corners(std::size_t index) const { return corners_[index]; }

    bool isHeldOff(std::size_t index) const {
        const TreeNode& node = nodes_[index];
        return node.on == false || (!node.isSource && isHeldOff(node.inputs[node.chosen]));
    }

    std::vector<bool> on() const {
        std::vector<bool> result(nodes_.size(), false);
        for (std::size_t index = 0; index < nodes_.size(); ++index) {
            if ((index == tree_.core || nodes_[index].on == true) && !isHeldOff(index)) {
                for (std::size_t each = index;; each = nodes_[each].inputs[nodes_[each].chosen]) {
                    result[each] = true;
                    if (nodes_[each].isSource) {
                        break;
                    }
                }
            }
        }
        return result;
    }

    State state(std::size_t index) const {
        const Corners at = corners(index);
        std::optional<Fraction> min;
        std::optional<Fraction> max;
        Fraction minSlack = 0;
        Fraction maxSlack = 0;
        const Fraction slack(1, 1000);
        for (const TreeLimit& limit : nodes_[index].limits) {
            if ((limit.tier && *limit.tier != tree_.tier) || !limit.isBelowSupply || !holds(limit)) {
                continue;
            }
            if (limit.min && (!min || *limit.min > *min)) {
                min = limit.min;
                minSlack = limit.isTolerance ? Fraction(0) : slack;
            }
            if (limit.max && (!max || *limit.max < *max)) {
                max = limit.max;
                maxSlack = limit.isTolerance ? Fraction(0) : slack;
            }
        }
        if ((min && at.nominal < *min) || (max && at.nominal > *max)) {
            return State::broken;
        }
        const bool isStrained = (min && at.min < *min * (1 - minSlack)) || (max && at.max > *max * (1 + maxSlack));
        return isStrained ? State::strained : State::kept;
    }

private:
    Corners worked(const TreeNode& node) const {
        if (node.isSource) {
            return {node.rate * (1 + node.low), node.rate, node.rate * (1 + node.high)};
        }
        const Corners& result = corners_[node.inputs[node.chosen]];
        Fraction factor = node.multiply * node.factor / node.divide;
        if (node.follows) {
            const auto found = node.when.find(nodes_[*node.follows].divide);
            factor *= found == node.when.end() ? node.otherwise : found->second;
        }
        return {result.min * factor * (1 - node.ripple), result.nominal * factor, result.max * factor * (1 + node.ripple)};
    }

    bool holds(const TreeLimit& limit) const {
        if (limit.whenFrom) {
            return nodes_[limit.whenFrom->first].chosen == limit.whenFrom->second;
        }
        if (limit.whileNode) {
            const Fraction& rate = corners(*limit.whileNode).nominal;
            return on()[*limit.whileNode] && (!limit.least || rate >= *limit.least) && (!limit.below || rate < *limit.below);
        }
        if (!limit.whenDivide) {
            return true;
        }
        const auto& [line, values] = *limit.whenDivide;
        return std::find(values.begin(), values.end(), nodes_[line].divide) != values.end();
    }

    const TreeMaker& tree_;
    const std::vector<TreeNode>& nodes_;
    std::vector<Corners> corners_;
};

} // namespace

/// Clock trees of every kind of line, against a second evaluation that shares no code with the first.
class CoreTrees : public QObject {
    Q_OBJECT

private slots:
    void tenThousandTreesAgree() {
        Random random;
        int strained = 0;
        int broken = 0;
        for (int round = 0; round < kTrees; ++round) {
            TreeMaker tree(random);
            tree.make();
            const std::string partText = tree.partText();
            const std::string planText = tree.planText();
            const PartFile part = readPart(partText, "part");
            QVERIFY2(part.part.has_value(), (lines(part.diagnostics) + partText).c_str());
            const PlanFile plan = readPlan(planText, "plan", &*part.part);
            QVERIFY2(plan.plan.has_value(), (lines(plan.diagnostics) + planText).c_str());
            const Figures figures = derive(*part.part, *plan.plan, "A");
            const Second second(tree);
            const std::vector<bool> on = second.on();
            for (std::size_t index = 0; index < tree.nodes.size(); ++index) {
                const LineFigure* line = figures.findLine(tree.nodes[index].id);
                const Corners corners = second.corners(index);
                const State state = on[index] ? second.state(index) : State::kept;
                const bool isSame = line->hertz && fraction(line->hertz->min) == corners.min &&
                                    fraction(line->hertz->nominal) == corners.nominal &&
                                    fraction(line->hertz->max) == corners.max && line->isOn == on[index] && line->state == state;
                QVERIFY2(isSame, (line->id + "\n" + partText + planText).c_str());
                strained += state == State::strained ? 1 : 0;
                broken += state == State::broken ? 1 : 0;
            }
        }
        qInfo("%d lines strained, %d broken", strained, broken);
        QVERIFY(strained > kTrees / 100 && broken > kTrees / 10); // the trees are not all easy
    }
};

QTEST_APPLESS_MAIN(CoreTrees)
#include "core_trees.moc"
