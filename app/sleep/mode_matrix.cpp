#include "sleep/mode_matrix.h"

#include "picture/picture_text.h"

#include <QObject>

#include <algorithm>
#include <functional>

namespace wisetick::app {

namespace {

bool has(const std::vector<std::string>& list, const std::string& id) {
    return std::find(list.begin(), list.end(), id) != list.end();
}

/// Builds the rows of one plan.
class MatrixWork {
public:
    MatrixWork(const Part& part, const Plan& plan, const Figures& figures)
        : part_(part), plan_(plan), figures_(figures), take_(findTake(plan, figures.take)) {}

    ModeMatrix work() {
        for (const ModeFigure& mode : figures_.modes) {
            matrix_.modes.push_back(text(mode.id));
            const bool rests = take_ != nullptr && take_->restsIn == mode.id;
            matrix_.says.push_back(rests ? QObject::tr("rests here") : (mode.runs ? QObject::tr("awake") : QString()));
        }
        addSources();
        addKept();
        addPromises();
        addWakers();
        addOptions();
        addCosts();
        return std::move(matrix_);
    }

private:
    using CellOf = std::function<ModeCell(const Mode&, const ModeFigure&)>;

    void title(const QString& name) { matrix_.rows.push_back({name, {}, true, {}, {}, {}}); }

    void row(const QString& name, const QString& hint, const CellOf& cellOf, const Target& target = {}) {
        ModeMatrix::Row row{name, hint, false, {}, target, {}};
        for (std::size_t i = 0; i < figures_.modes.size(); ++i) {
            row.cells.push_back(cellOf(part_.modes[i], figures_.modes[i]));
        }
        matrix_.rows.push_back(std::move(row));
    }

    static ModeCell pill(bool lives, bool couldLive = false) {
        return {lives ? ModeCell::Kind::lives : (couldLive ? ModeCell::Kind::unused : ModeCell::Kind::none), {}, State::kept};
    }

    static ModeCell said(const QString& words, State state = State::kept) { return {ModeCell::Kind::text, words, state}; }

    void addSources() {
        title(QObject::tr("Sources"));
        for (std::size_t i = 0; i < part_.sources.size(); ++i) {
            const LineFigure& source = figures_.lines[i];
            const bool isUsed = std::any_of(figures_.modes.begin(), figures_.modes.end(),
                                            [&](const ModeFigure& mode) { return has(mode.sources, source.id); });
            if (!source.hertz && !isUsed) {
                continue; // not fitted
            }
            row(
                text(source.id), source.hertz ? text(printQuantity(source.hertz->nominal, Unit::hertz, 4)) : QString(),
                [&](const Mode& mode, const ModeFigure& figure) {
                    return pill(has(figure.sources, source.id), mode.sources.contains(i));
                },
                Target::line(source.id));
        }
    }

    void addKept() {
        title(QObject::tr("Goes on"));
        const std::string& core = part_.nodeId(part_.core);
        row(
            QObject::tr("core"), {}, [&](const Mode& mode, const ModeFigure&) { return pill(mode.runs); }, Target::line(core));
        for (std::size_t i = 0; i < part_.lines.size(); ++i) {
            const Line& line = part_.lines[i];
            const bool isMultiplier = !line.multiply.empty();
            if (isMultiplier && figures_.lines[part_.nodeOfLine(i)].isOn) {
                row(
                    text(line.id), {}, [&](const Mode&, const ModeFigure& figure) { return pill(has(figure.lines, line.id)); },
                    Target::line(line.id));
            }
        }
        std::vector<std::string> memories;
        for (const Mode& mode : part_.modes) {
            for (const std::string& memory : mode.memory) {
                if (!has(memories, memory)) {
                    memories.push_back(memory);
                }
            }
        }
        for (const std::string& memory : memories) {
            row(text(memory), QObject::tr("memory"),
                [&](const Mode& mode, const ModeFigure& figure) { return pill(mode.runs || has(figure.memory, memory)); });
        }
        row(QObject::tr("pins"), QObject::tr("hold their levels"),
            [](const Mode& mode, const ModeFigure&) { return pill(mode.runs || mode.keepsPins); });
        const bool tellsDebug =
            std::any_of(part_.modes.begin(), part_.modes.end(), [](const Mode& mode) { return mode.keepsDebug.has_value(); });
        if (tellsDebug) {
            row(QObject::tr("debugger"), {}, [](const Mode& mode, const ModeFigure&) {
                return mode.keepsDebug || mode.runs ? pill(mode.runs || *mode.keepsDebug) : said(QObject::tr("not told"));
            });
        }
    }

    void addPromises() {
        title(QObject::tr("Promises that hold"));
        for (std::size_t i = 0; i < plan_.promises.size(); ++i) {
            const PromiseLine& line = plan_.promises[i].line;
            if (!mayAskAlsoIn(line.ask)) {
                continue;
            }
            const PromiseFigure& figure = figures_.promises[i];
            row(
                text(figure.name), text(line.subject),
                [&](const Mode& mode, const ModeFigure& each) {
                    if (!has(each.withoutClock, figure.name)) {
                        return pill(true);
                    }
                    const bool isAsked = has(line.alsoIn, mode.id);
                    return isAsked ? said(QObject::tr("no clock"), State::broken) : pill(false);
                },
                Target::promise(figure.name));
        }
    }

    void addWakers() {
        title(QObject::tr("May wake it"));
        std::vector<std::string> wakers;
        for (const Mode& mode : part_.modes) {
            for (const std::string& id : mode.wakesBy) {
                if (!has(wakers, id)) {
                    wakers.push_back(id);
                }
            }
        }
        for (const Peripheral& peripheral : part_.peripherals) {
            if (!peripheral.wakesFrom.empty() && !has(wakers, peripheral.id)) {
                wakers.push_back(peripheral.id);
            }
        }
        for (const std::string& waker : wakers) {
            const auto peripheral = part_.findPeripheral(waker);
            row(waker == "any" ? QObject::tr("any interrupt") : text(waker), {}, [&](const Mode& mode, const ModeFigure&) {
                if (peripheral && part_.peripherals[*peripheral].wakesFrom.contains(mode.id)) {
                    const std::string& how = part_.peripherals[*peripheral].wakesFrom.at(mode.id);
                    return how.empty() ? pill(true) : said(text(how));
                }
                return pill(has(mode.wakesBy, waker));
            });
        }
    }

    void addOptions() {
        std::vector<std::string> options;
        for (const ModeFigure& mode : figures_.modes) {
            for (const auto& [option, value] : mode.options) {
                if (!has(options, option)) {
                    options.push_back(option);
                }
            }
        }
        if (!options.empty()) {
            title(QObject::tr("Can be set"));
        }
        for (const std::string& option : options) {
            row(text(option), {}, [&](const Mode&, const ModeFigure& figure) {
                for (const auto& [id, value] : figure.options) {
                    if (id == option) {
                        return said(text(value));
                    }
                }
                return ModeCell{};
            });
            matrix_.rows.back().option = text(option);
        }
    }

    void addCosts() {
        title(QObject::tr("Costs"));
        const auto ampere = [](const Rational& value) { return text(printQuantity(value, Unit::ampere, 3)); };
        row(QObject::tr("draws"), QObject::tr("typically"), [&](const Mode&, const ModeFigure& figure) {
            return said(ampere(figure.ampere.nominal), figure.current.unknown.empty() ? State::kept : State::strained);
        });
        row(QObject::tr("draws"), QObject::tr("at most"), [&](const Mode&, const ModeFigure& figure) {
            return said(ampere(figure.ampere.max), figure.current.unknown.empty() ? State::kept : State::strained);
        });
        row(QObject::tr("first instruction"), QObject::tr("at the latest"), [&](const Mode&, const ModeFigure& figure) {
            return figure.wakeUp ? said(timeText(figure.wakeUp->firstInstruction.max)) : ModeCell{};
        });
        row(QObject::tr("all holds again"), QObject::tr("at the latest"), [&](const Mode&, const ModeFigure& figure) {
            return figure.wakeUp ? said(timeText(figure.wakeUp->restored.max),
                                        figure.wakeUp->unknown.empty() ? State::kept : State::strained)
                                 : ModeCell{};
        });
    }

    const Part& part_;
    const Plan& plan_;
    const Figures& figures_;
    const Take* take_;
    ModeMatrix matrix_;
};

} // namespace

ModeMatrix modeMatrix(const Part& part, const Plan& plan, const Figures& figures) {
    return MatrixWork(part, plan, figures).work();
}

} // namespace wisetick::app
