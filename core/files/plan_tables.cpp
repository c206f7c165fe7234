#include "files/plan_tables.h"

#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

std::string stringLiteral(const std::string& text) {
    std::string literal = "\"";
    for (const char c : text) {
        if (c == '"' || c == '\\') {
            literal += '\\';
            literal += c;
        } else if (c == '\n') {
            literal += "\\n";
        } else if (c == '\t') {
            literal += "\\t";
        } else if (static_cast<unsigned char>(c) < 0x20U || c == '\x7f') {
            literal += fmt::format("\\u{:04X}", static_cast<unsigned>(c));
        } else {
            literal += c;
        }
    }
    return literal + "\"";
}

std::string quantityLiteral(const Rational& value, Unit unit) {
    return stringLiteral(printReadable(value, unit));
}

std::string factorLiteral(const Rational& factor) {
    return factor.isWhole() ? factor.toString() : stringLiteral(printFactor(factor));
}

std::string listLiteral(const std::vector<std::string>& texts) {
    std::string literal = "[";
    for (const std::string& text : texts) {
        literal += (literal.size() > 1 ? ", " : "") + stringLiteral(text);
    }
    return literal + "]";
}

/// Takes a plan apart into the tables and values of its canonical file.
class Flattener {
public:
    explicit Flattener(const Plan& plan) : plan_(plan) {}

    std::vector<FlatSection> flatten() {
        begin("", "");
        add("format", stringLiteral("wisetick-plan/1"));
        addText("name", plan_.name);
        add("part", stringLiteral(plan_.part));
        addText("active", plan_.active);
        addText("note", plan_.note);
        addBoard();
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const Promise& promise = plan_.promises[i];
            begin(fmt::format("promise#{}", i), "[[promise]]", promise.line.name.empty() ? promise.text : promise.line.name);
            add("say", stringLiteral(promise.text));
        }
        for (std::size_t i = 0; i < plan_.jobs.size(); ++i) {
            addJob(plan_.jobs[i], i);
        }
        for (std::size_t i = 0; i < plan_.takes.size(); ++i) {
            addTake(plan_.takes[i], fmt::format("take#{}", i));
        }
        for (std::size_t i = 0; i < plan_.handover.size(); ++i) {
            const HandoverFile& file = plan_.handover[i];
            begin(fmt::format("handover#{}", i), "[[handover]]", file.path);
            add("file", stringLiteral(file.path));
            add("as", stringLiteral(file.form));
            addText("take", file.take);
            addText("from", file.from);
            addText("registers", file.registers);
        }
        for (std::size_t i = 0; i < plan_.captures.size(); ++i) {
            const KeptCapture& capture = plan_.captures[i];
            begin(fmt::format("capture#{}", i), "[[capture]]", capture.path);
            add("file", stringLiteral(capture.path));
            addText("sum", capture.sum);
            for (const auto& [promise, track] : capture.tracks) {
                add("tracks." + keyLiteral(promise), stringLiteral(track));
            }
        }
        return std::move(sections_);
    }

private:
    void begin(const std::string& path, const std::string& header, const std::string& identity = {}) {
        sections_.push_back({path, header, identity, {}});
    }

    void add(const std::string& key, const std::string& literal) { sections_.back().entries.push_back({key, literal}); }

    void addText(const std::string& key, const std::string& text) {
        if (!text.empty()) {
            add(key, stringLiteral(text));
        }
    }

    void addQuantity(const std::string& key, const std::optional<Rational>& value, Unit unit) {
        if (value) {
            add(key, quantityLiteral(*value, unit));
        }
    }

    void addSpan(const std::string& key, const std::optional<Bounds>& bounds, Unit unit) {
        if (bounds) {
            addQuantity(key + ".min", bounds->min, unit);
            addQuantity(key + ".nominal", bounds->nominal, unit);
            addQuantity(key + ".max", bounds->max, unit);
        }
    }

    void addBoard() {
        const Board& board = plan_.board;
        begin("board", "[board]");
        addSpan("supply", board.supply, Unit::volt);
        addSpan("temperature", board.temperature, Unit::celsius);
        if (!board.assumed.empty()) {
            add("assumed", listLiteral(board.assumed));
        }
        addQuantity("draws.always", board.alwaysDraws, Unit::ampere);
        if (sections_.back().entries.empty()) {
            sections_.pop_back();
        }
        for (const Fitted& fitted : board.fitted) {
            begin("board.fitted." + fitted.source, "[board.fitted." + keyLiteral(fitted.source) + "]");
            addQuantity("rate", fitted.rate, Unit::hertz);
            if (fitted.isFedIn) {
                add("fed_in", "true");
            }
            addTolerance(fitted);
            addQuantity("load", fitted.load, Unit::farad);
            addQuantity("esr", fitted.esr, Unit::ohm);
            if (fitted.capacitors && fitted.otherOne) {
                add("capacitors", "[" + quantityLiteral(*fitted.capacitors, Unit::farad) + ", " +
                                      quantityLiteral(*fitted.otherOne, Unit::farad) + "]");
            } else {
                addQuantity("capacitors", fitted.capacitors, Unit::farad);
            }
            addQuantity("stray", fitted.stray, Unit::farad);
            addQuantity("c0", fitted.shunt, Unit::farad);
            addQuantity("c1", fitted.motional, Unit::farad);
            if (fitted.parabola) {
                addQuantity("parabola.coefficient", fitted.parabola->coefficient, Unit::ratio);
                addQuantity("parabola.turnover", fitted.parabola->turnover, Unit::celsius);
            }
        }
        for (const Measured& measured : board.measured) {
            begin("board.measured." + measured.source, "[board.measured." + keyLiteral(measured.source) + "]");
            addQuantity("rate", measured.rate, Unit::hertz);
            addQuantity("tolerance", measured.tolerance, Unit::ratio);
        }
        for (const Trimmed& trimmed : board.trimmed) {
            begin("board.trimmed." + trimmed.source, "[board.trimmed." + keyLiteral(trimmed.source) + "]");
            addText("by", trimmed.by);
            addQuantity("every", trimmed.every, Unit::second);
            if (trimmed.drift) {
                add("drift", stringLiteral(printReadable(*trimmed.drift * 60, Unit::celsius) + "/min"));
            }
        }
        if (board.battery) {
            addBattery(*board.battery);
        }
        if (board.regulator) {
            addRegulator(*board.regulator);
        }
        addWords("options", board.options);
        addWords("signals", board.wiring);
        if (!board.routes.empty()) {
            begin("board.routes", "[board.routes]");
            for (const auto& [signal, pin] : board.routes) {
                const std::size_t dot = signal.find('.');
                add(keyLiteral(signal.substr(0, dot)) + "." + keyLiteral(signal.substr(dot + 1)), stringLiteral(pin));
            }
        }
    }

    void addWords(const std::string& key, const std::vector<std::pair<std::string, std::string>>& words) {
        if (!words.empty()) {
            begin("board." + key, "[board." + key + "]");
            for (const auto& [name, value] : words) {
                add(keyLiteral(name), stringLiteral(value));
            }
        }
    }

    void addTolerance(const Fitted& fitted) {
        if (!fitted.tolerance) {
            return;
        }
        if (!fitted.isBudget) {
            addQuantity("tolerance", fitted.tolerance->total(), Unit::ratio);
            return;
        }
        addQuantity("tolerance.initial", fitted.tolerance->initial, Unit::ratio);
        addQuantity("tolerance.temperature", fitted.tolerance->temperature, Unit::ratio);
        addQuantity("tolerance.ageing", fitted.tolerance->ageing, Unit::perYear);
        add("tolerance.years", (fitted.tolerance->age / (8766 * 3600)).toString());
    }

    void addBattery(const Battery& battery) {
        begin("board.battery", "[board.battery]");
        addQuantity("capacity", battery.capacity, Unit::coulomb);
        addQuantity("voltage", battery.voltage, Unit::volt);
        addQuantity("resistance", battery.resistance, Unit::ohm);
        if (!battery.usable.empty()) {
            std::string literal = "[";
            for (const auto& [celsius, share] : battery.usable) {
                literal += (literal.size() > 1 ? ", [" : "[") + quantityLiteral(celsius, Unit::celsius) + ", " +
                           quantityLiteral(share, Unit::ratio) + "]";
            }
            add("usable", literal + "]");
        }
        if (!battery.fades.isZero()) {
            addQuantity("fades", battery.fades, Unit::perYear);
        }
        if (battery.inSeries != 1) {
            add("in_series", std::to_string(battery.inSeries));
        }
        if (battery.inParallel != 1) {
            add("in_parallel", std::to_string(battery.inParallel));
        }
        if (!battery.curve.empty()) {
            std::string literal = "[";
            for (const auto& [left, volt] : battery.curve) {
                literal += (literal.size() > 1 ? ", [" : "[") + quantityLiteral(left, Unit::ratio) + ", " +
                           quantityLiteral(volt, Unit::volt) + "]";
            }
            add("curve", literal + "]");
        }
        addQuantity("ends_at", battery.endsAt, Unit::volt);
    }

    void addRegulator(const Regulator& regulator) {
        begin("board.regulator", "[board.regulator]");
        addQuantity("efficiency", regulator.efficiency, Unit::ratio);
        addQuantity("draws", regulator.draws, Unit::ampere);
    }

    void addJob(const Job& job, std::size_t index) {
        begin(fmt::format("job#{}", index), "[[job]]", job.name);
        add("name", stringLiteral(job.name));
        if (!job.after.empty()) {
            add("after", stringLiteral(job.after));
        } else {
            addQuantity(job.isRandom ? "about" : "every", job.every, Unit::second);
        }
        for (const auto& [key, time] : {std::pair("phase", job.phase), std::pair("jitter", job.jitter)}) {
            if (!time.isZero()) {
                addQuantity(key, time, Unit::second);
            }
        }
        addQuantity("lasts", job.lasts, Unit::second);
        if (job.cycles) {
            add("cycles", factorLiteral(*job.cycles));
        }
        addText("by", job.by);
        addQuantity("done_within", job.doneWithin, Unit::second);
        addText("take", job.take);
        addText("mode", job.mode);
        for (const auto& [key, ampere] : {std::pair("draws", job.draws), std::pair("brings", job.brings)}) {
            if (!ampere.isZero()) {
                addQuantity(key, ampere, Unit::ampere);
            }
        }
        if (!job.uses.empty()) {
            add("uses", listLiteral(job.uses));
        }
    }

    void addTake(const Take& take, const std::string& path) {
        begin(path, "[[take]]", take.name);
        add("name", stringLiteral(take.name));
        addText("tier", take.tier);
        addText("rests_in", take.restsIn);
        if (!take.locks.empty()) {
            add("locks", listLiteral(take.locks));
        }
        for (const Choice& choice : take.choices) {
            begin(path + ".choices." + choice.id, "[take.choices." + keyLiteral(choice.id) + "]");
            addText("from", choice.from.value_or(""));
            if (choice.divide) {
                add("divide", factorLiteral(*choice.divide));
            }
            if (choice.multiply) {
                add("multiply", factorLiteral(*choice.multiply));
            }
            addQuantity("rate", choice.rate, Unit::hertz);
            if (choice.drive) {
                add("drive", stringLiteral(*choice.drive));
            }
            if (choice.on) {
                add("on", *choice.on ? "true" : "false");
            }
        }
        for (std::size_t i = 0; i < take.modes.size(); ++i) {
            const std::string& mode = take.modes[i].mode;
            if (i == 0 || take.modes[i - 1].mode != mode) {
                begin(path + ".modes." + mode, "[take.modes." + keyLiteral(mode) + "]");
            }
            add(keyLiteral(take.modes[i].option), stringLiteral(take.modes[i].value));
        }
        for (const PinnedWay& pinned : take.pinned) {
            begin(path + ".pinned." + pinned.promise, "[take.pinned." + keyLiteral(pinned.promise) + "]");
            for (const auto& [name, value] : pinned.settings) {
                add(name, factorLiteral(value));
            }
        }
    }

    const Plan& plan_;
    std::vector<FlatSection> sections_;
};

} // namespace

std::vector<FlatSection> planTables(const Plan& plan) {
    return Flattener(plan).flatten();
}

std::string keyLiteral(const std::string& key) {
    const bool isBare = !key.empty() && std::all_of(key.begin(), key.end(), [](char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '_' || c == '-';
    });
    return isBare ? key : stringLiteral(key);
}

std::string literalBelow(const std::vector<FlatEntry>& entries, const std::string& key) {
    std::string members;
    for (const FlatEntry& entry : entries) {
        if (entry.key == key) {
            return entry.literal;
        }
        if (entry.key.rfind(key + ".", 0) == 0) {
            members += (members.empty() ? "" : ", ") + entry.key.substr(key.size() + 1) + " = " + entry.literal;
        }
    }
    return members.empty() ? "" : "{ " + members + " }";
}

std::string firstKey(const std::string& key) {
    return key.substr(0, key.find('.'));
}

std::string sectionText(const FlatSection& section) {
    std::string text = section.header.empty() ? "" : section.header + "\n";
    std::string last;
    for (const FlatEntry& entry : section.entries) {
        if (firstKey(entry.key) != last) {
            last = firstKey(entry.key);
            text += last + " = " + literalBelow(section.entries, last) + "\n";
        }
    }
    return text;
}

} // namespace wisetick
