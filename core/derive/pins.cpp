#include "derive/pins.h"

#include <algorithm>
#include <unordered_map>

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
    }

    void use(const std::vector<std::string>& pins, const std::string& user) {
        for (const std::string& pin : pins) {
            at(pin).users.push_back(user);
        }
    }

    std::vector<PinFigure> take() {
        for (PinFigure& pin : pins_) {
            std::string users;
            for (const std::string& user : pin.users) {
                users += (users.empty() ? "" : " and ") + user;
            }
            if (pin.users.size() > 1) {
                pin.why = users + " both need pin " + pin.pin;
            } else if (pin.isDebug && !pin.users.empty()) {
                pin.why = users + " takes pin " + pin.pin + " from the debugger";
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

std::vector<PinFigure> pinFigures(const Part& part, const Plan& plan, const Figures& figures,
                                  const std::vector<bool>& peripherals) {
    PinTable table(part);
    for (NodeIndex node = 0; node < part.nodeCount(); ++node) {
        if (figures.lines[node].isOn) {
            table.use(part.isSource(node) ? part.sources[node].pins : part.lineAt(node).pins, part.nodeId(node));
        }
    }
    for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
        if (peripherals[i]) {
            std::vector<std::string> pins = part.peripherals[i].pins;
            const bool isOneWire = std::any_of(plan.promises.begin(), plan.promises.end(), [&](const Promise& promise) {
                const auto* talks = promise.line.ask.as<TalksAsk>();
                return talks != nullptr && talks->isOneWire && promise.line.subject == part.peripherals[i].id;
            });
            pins.resize(isOneWire ? std::min<std::size_t>(pins.size(), 1) : pins.size());
            table.use(pins, part.peripherals[i].id);
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
            table.use({channels[channel - 1]}, promise.line.subject);
        }
    }
    for (const auto& [name, pin] : plan.board.wiring) {
        table.use({pin}, name);
    }
    return table.take();
}

} // namespace wisetick
