#include "derive/pins.h"

#include "base/text.h"
#include "derive/demand.h"

#include <algorithm>
#include <unordered_map>
#include <unordered_set>

namespace wisetick {

namespace {

class PinTable {
public:
    explicit PinTable(const Part& part) {
        for (const std::string& pin : part.pins) {
            at(pin);
        }
        for (const std::string& pin : part.debugPins) {
            at(pin).isDebug = true;
        }
        for (const PartSignal& each : signalsOf(part)) {
            for (const std::string& pin : each.signal->places) {
                at(pin);
            }
        }
    }

    void use(const std::vector<std::string>& pins, const std::string& user) {
        for (const std::string& pin : pins) {
            at(pin).users.push_back(user);
        }
    }

    std::vector<PinFigure> take() {
        for (PinFigure& pin : pins_) {
            Text users;
            for (const std::string& user : pin.users) {
                users += (users.empty() ? "" : phrase(" and ")) + user;
            }
            if (pin.users.size() > 1) {
                pin.why = phrase("{} both need pin {}", users, pin.pin);
            } else if (pin.isDebug && !pin.users.empty()) {
                pin.why = phrase("{} takes pin {} from the debugger", users, pin.pin);
            }
        }
        return std::move(pins_);
    }

private:
    PinFigure& at(const std::string& pin) {
        const auto [place, isNew] = places_.try_emplace(pin, pins_.size());
        if (isNew) {
            pins_.push_back({pin, {}, false, {}});
        }
        return pins_[place->second];
    }

    std::vector<PinFigure> pins_;
    std::unordered_map<std::string, std::size_t> places_; ///< of each pin in `pins_`
};

} // namespace

namespace {

/// Everything that stands on a pin that it can't leave, in the order in which it is told.
std::vector<std::pair<std::string, std::string>> fixedUsers(const Part& part, const Plan& plan, const std::vector<bool>& nodes,
                                                            const std::vector<bool>& peripherals) {
    std::vector<std::pair<std::string, std::string>> users; // pin, user
    const auto use = [&](const std::vector<std::string>& pins, const std::string& user) {
        for (const std::string& pin : pins) {
            users.emplace_back(pin, user);
        }
    };
    for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
        if (!nodes[node]) {
            continue;
        }
        if (!part.isSource(node)) {
            use(part.lineAt(node).pins, part.nodeId(node));
            continue;
        }
        const Source& source = part.sources[node];
        const Fitted* fitted = findFitted(plan.board, source.id);
        use(fitted != nullptr && fitted->isFedIn && source.fedIn ? source.fedIn->pins : source.pins, source.id);
    }
    std::unordered_set<std::string> oneWire; // ports
    for (const Promise& promise : plan.promises) {
        if (const auto* talks = promise.line.ask.as<TalksAsk>(); talks != nullptr && talks->isOneWire) {
            oneWire.insert(promise.line.subject);
        }
    }
    for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
        if (peripherals[i]) {
            std::vector<std::string> pins = part.peripherals[i].pins;
            const bool isOneWire = oneWire.contains(part.peripherals[i].id);
            pins.resize(isOneWire ? std::min<std::size_t>(pins.size(), 1) : pins.size());
            use(pins, part.peripherals[i].id);
        }
    }
    for (const Promise& promise : plan.promises) {
        const auto* drives = promise.line.ask.as<DrivesAsk>();
        const auto peripheral = part.findPeripheral(peripheralOf(promise.line.subject));
        const PeripheralKind* kind = peripheral ? &part.peripherals[*peripheral].kind : nullptr;
        const std::vector<std::string> channels = kind != nullptr ? kind->row()->channels(*kind) : std::vector<std::string>();
        const auto channel = static_cast<std::size_t>(channelOf(promise.line.subject));
        const bool reachesPin =
            channel >= 1 && channel <= channels.size() && !channels[channel - 1].empty() && peripherals[*peripheral];
        if (drives != nullptr && !drives->isInside && reachesPin) {
            use({channels[channel - 1]}, promise.line.subject);
        }
    }
    for (const auto& [name, pin] : plan.board.wiring) {
        use({pin}, name);
    }
    return users;
}

bool isInUse(const PartSignal& signal, const Demand& demand) {
    return signal.isOfLine ? demand.nodes[signal.index] : demand.peripherals[signal.index];
}

/// What any take of the plan switches on.
Demand demandOfAll(const Part& part, const Plan& plan) {
    Demand all{std::vector<bool>(part.nodeCount()), std::vector<bool>(part.peripherals.size())};
    for (const Take& take : plan.takes) {
        Diagnostics ignored;
        const Demand demand = demandOf(part, plan, take, resolveControls(part, take, ignored));
        for (NodeIndex node = 0; node < all.nodes.size(); ++node) {
            all.nodes[node] = all.nodes[node] || demand.nodes[node];
        }
        for (std::size_t i = 0; i < all.peripherals.size(); ++i) {
            all.peripherals[i] = all.peripherals[i] || demand.peripherals[i];
        }
    }
    return all;
}

/// Bipartite matching of signals to pins by augmenting paths.
class Matching {
public:
    explicit Matching(const std::vector<std::vector<std::size_t>>& places, std::size_t pins) : places_(places), user_(pins) {}

    /// Keeps a signal where it is, if nobody is there.
    void keep(std::size_t signal, std::size_t pin) {
        if (!user_[pin]) {
            user_[pin] = signal;
        }
    }

    /// Finds a pin for a signal, moving others where that helps.
    bool place(std::size_t signal) {
        seen_.assign(user_.size(), false);
        return augment(signal);
    }

    const std::vector<std::optional<std::size_t>>& users() const { return user_; }

private:
    bool augment(std::size_t signal) {
        for (const std::size_t pin : places_[signal]) {
            if (seen_[pin]) {
                continue;
            }
            seen_[pin] = true;
            if (!user_[pin] || augment(*user_[pin])) {
                user_[pin] = signal;
                return true;
            }
        }
        return false;
    }

    const std::vector<std::vector<std::size_t>>& places_;
    std::vector<std::optional<std::size_t>> user_; ///< by pin
    std::vector<bool> seen_;
};

bool allFit(const std::vector<std::vector<std::size_t>>& places, std::size_t pins, const std::vector<std::size_t>& signals) {
    Matching matching(places, pins);
    return std::all_of(signals.begin(), signals.end(), [&](std::size_t signal) { return matching.place(signal); });
}

} // namespace

std::vector<RouteFigure> routeFigures(const Part& part, const Plan& plan) {
    const std::vector<PartSignal> all = signalsOf(part);
    if (all.empty()) {
        return {};
    }
    const Demand demand = demandOfAll(part, plan);
    std::unordered_map<std::string, int> taken;
    for (const std::string& pin : part.debugPins) {
        ++taken[pin];
    }
    for (const auto& [pin, user] : fixedUsers(part, plan, demand.nodes, demand.peripherals)) {
        ++taken[pin];
    }
    std::vector<RouteFigure> routes;
    for (const PartSignal& each : all) {
        RouteFigure route{each.name(), each.owner, each.signal->places, {}, false, {}};
        const auto& chosen = plan.board.routes;
        const auto found =
            std::find_if(chosen.begin(), chosen.end(), [&](const auto& pair) { return pair.first == route.signal; });
        if (isInUse(each, demand) && found != chosen.end()) {
            route.pin = found->second;
            route.isChosen = true;
            ++taken[route.pin];
        }
        routes.push_back(std::move(route));
    }
    for (std::size_t i = 0; i < all.size(); ++i) {
        RouteFigure& route = routes[i];
        if (!isInUse(all[i], demand)) {
            continue;
        }
        if (!route.isChosen) {
            const auto free =
                std::find_if(route.places.begin(), route.places.end(), [&](const std::string& pin) { return taken[pin] == 0; });
            route.pin = free == route.places.end() ? route.places.front() : *free;
            ++taken[route.pin];
        }
        const auto place = std::find(route.places.begin(), route.places.end(), route.pin);
        const auto index = static_cast<std::size_t>(place - route.places.begin());
        if (all[i].signal->field && index < all[i].signal->codes.size()) {
            route.field =
                FieldValue{route.signal, *all[i].signal->field, route.pin, phrase("holds a code"), all[i].signal->codes[index]};
        }
    }
    return routes;
}

std::vector<PinFigure> pinFigures(const Part& part, const Plan& plan, const Figures& figures,
                                  const std::vector<bool>& peripherals) {
    std::vector<bool> nodes;
    for (const LineFigure& line : figures.lines) {
        nodes.push_back(line.isOn);
    }
    PinTable table(part);
    for (const auto& [pin, user] : fixedUsers(part, plan, nodes, peripherals)) {
        table.use({pin}, user);
    }
    for (const RouteFigure& route : figures.routes) {
        if (!route.pin.empty()) {
            table.use({route.pin}, route.signal);
        }
    }
    return table.take();
}

Routing routeAll(const Part& part, const Plan& plan) {
    const std::vector<RouteFigure> routes = routeFigures(part, plan);
    std::unordered_map<std::string, std::size_t> numbers;
    std::vector<std::string> pins;
    const auto numberOf = [&](const std::string& pin) {
        const auto [found, isNew] = numbers.emplace(pin, pins.size());
        if (isNew) {
            pins.push_back(pin);
        }
        return found->second;
    };
    std::vector<std::string> fixed = part.debugPins;
    const Demand demand = demandOfAll(part, plan);
    for (const auto& [pin, user] : fixedUsers(part, plan, demand.nodes, demand.peripherals)) {
        fixed.push_back(pin);
    }
    std::vector<const RouteFigure*> used;
    std::vector<std::vector<std::size_t>> places;
    for (const RouteFigure& route : routes) {
        if (route.pin.empty()) {
            continue;
        }
        used.push_back(&route);
        places.emplace_back();
        for (const std::string& pin : route.places) {
            if (std::find(fixed.begin(), fixed.end(), pin) == fixed.end()) {
                places.back().push_back(numberOf(pin));
            }
        }
    }
    Matching matching(places, pins.size());
    std::vector<bool> isKept(used.size());
    for (std::size_t i = 0; i < used.size(); ++i) {
        const auto found = numbers.find(used[i]->pin);
        const bool isFree = found != numbers.end() && !matching.users()[found->second] &&
                            std::find(places[i].begin(), places[i].end(), found->second) != places[i].end();
        if (isFree) {
            matching.keep(i, found->second);
            isKept[i] = true;
        }
    }
    std::optional<std::size_t> without;
    for (std::size_t i = 0; i < used.size() && !without; ++i) {
        if (!isKept[i] && !matching.place(i)) {
            without = i;
        }
    }
    Routing routing;
    if (!without) {
        routing.places.resize(used.size());
        for (std::size_t pin = 0; pin < pins.size(); ++pin) {
            if (const auto& user = matching.users()[pin]) {
                routing.places[*user] = {used[*user]->signal, pins[pin]};
            }
        }
        return routing;
    }
    std::vector<std::size_t> conflict(used.size());
    for (std::size_t i = 0; i < conflict.size(); ++i) {
        conflict[i] = i;
    }
    for (std::size_t i = 0; i < used.size(); ++i) { // whatever can be left out while it stays impossible is left out
        std::vector<std::size_t> fewer = conflict;
        std::erase(fewer, used.size() - 1 - i);
        if (!allFit(places, pins.size(), fewer)) {
            conflict = std::move(fewer);
        }
    }
    for (const std::size_t signal : conflict) {
        routing.conflict.push_back(used[signal]->signal);
        for (const std::string& pin : used[signal]->places) {
            if (std::find(routing.pins.begin(), routing.pins.end(), pin) == routing.pins.end()) {
                routing.pins.push_back(pin);
            }
        }
    }
    return routing;
}

} // namespace wisetick
