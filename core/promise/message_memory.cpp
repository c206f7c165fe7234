#include "promise/message_memory.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <algorithm>

namespace wisetick {

MessageMap messageMap(const CanKind& can, const HoldsAsk& ask) {
    MessageMap map;
    const Rational message = can.headerWords + (ask.payload / 4).ceil();
    const auto add = [&](const char* what, const Rational& count, const Rational& each) {
        if (count.sign() > 0) {
            map.parts.push_back({what, count, each, map.words});
            map.words += count * each;
        }
    };
    add("filters", ask.filters, can.filterWords);
    add("long-filters", ask.longFilters, can.longFilterWords);
    add("received", ask.received, message);
    add("sent", ask.sent, message);
    return map;
}

PromiseFigure judgeMessageMemory(PromiseFigure figure, const CanKind& can, const HoldsAsk& ask, Detail detail) {
    figure.unit = Unit::count;
    const MessageMap map = messageMap(can, ask);
    figure.asked = map.words;
    figure.state = State::broken;
    const std::vector<Rational> longer{12, 16, 20, 24, 32, 48, 64};
    if (ask.payload > 8 && std::find(longer.begin(), longer.end(), ask.payload) == longer.end()) {
        figure.why =
            phrase("no message has {}: up to 8 byte, or 12, 16, 20, 24, 32, 48 or 64", printQuantity(ask.payload, Unit::byte));
        return figure;
    }
    if (ask.payload > 8 && !can.data) {
        figure.why = phrase("this port has no data phase: its messages have at most 8 byte");
        return figure;
    }
    if (can.messageWords == 0) {
        figure.state = State::strained;
        figure.why = phrase("unknown: the words of its message memory");
        return figure;
    }
    const Rational memory = can.messageWords;
    figure.got = Bounds::exactly(memory);
    figure.error = Bounds::exactly(memory / map.words - 1);
    figure.margin = 1 - map.words / memory;
    figure.state = map.words <= memory ? State::kept : State::broken;
    if (figure.state == State::broken) {
        figure.why = phrase("takes {} words, the memory has {}", map.words.toString(), memory.toString());
    }
    if (detail == Detail::workings) {
        for (const MessageMap::Part& part : map.parts) {
            const bool isMessage = part.what == "received" || part.what == "sent";
            figure.workings.push_back({part.what,
                                       isMessage ? phrase("count \u00d7 (header + payload \u00f7 4, rounded up)")
                                                 : phrase("count \u00d7 words of each"),
                                       part.count.toString() + " \u00d7 " + part.each.toString(),
                                       phrase("{} words from {}", part.words().toString(), part.first.toString()),
                                       {askedOrigin(figure), partOrigin(figure)}});
        }
        figure.workings.push_back({phrase("memory"),
                                   phrase("all together, of what the port has"),
                                   phrase("{} of {} words", map.words.toString(), memory.toString()),
                                   printQuantity(map.words / memory, Unit::ratio, 4),
                                   {partOrigin(figure)}});
    }
    return figure;
}

} // namespace wisetick
