#include "handover/report.h"

#include "derive/said.h"
#include "evaluate/ripple.h"
#include "evaluate/takes_that_count.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>

namespace wisetick {

namespace {

constexpr int kReportDigits = 3; ///< of what is estimated

class Report {
public:
    Report(const Part& part, const Plan& plan, const std::vector<Figures>& takes) : part_(part), plan_(plan), takes_(takes) {}

    std::vector<ReportBlock> blocks(const Figures* before) {
        addFront();
        addMoved(before);
        addBoard();
        addTakes();
        addClocks();
        addPromises();
        addModes();
        addRhythm();
        addUnknown();
        addFindings();
        return std::move(blocks_);
    }

private:
    const Figures& active() const { return takes_.front(); }

    void heading(int level, const std::string& text, const std::string& anchor, std::optional<State> state = {}) {
        blocks_.push_back({ReportBlock::Kind::heading, text, level, anchor, state, {}, {}});
    }
    void paragraph(const std::string& text, std::optional<State> state = {}) {
        if (!text.empty()) {
            blocks_.push_back({ReportBlock::Kind::paragraph, text, 0, {}, state, {}, {}});
        }
    }
    void table(std::vector<std::vector<std::string>> rows, std::vector<bool> isNumber) {
        if (rows.size() > 1) {
            blocks_.push_back({ReportBlock::Kind::table, {}, 0, {}, {}, std::move(rows), std::move(isNumber)});
        }
    }
    void picture(const std::string& anchor, const std::string& text) {
        blocks_.push_back({ReportBlock::Kind::picture, text, 0, anchor, {}, {}, {}});
    }

    static std::string range(const std::optional<Bounds>& bounds, Unit unit) {
        return bounds ? printQuantity(bounds->nominal, unit, kReportDigits) +
                            (bounds->min == bounds->max ? std::string()
                                                        : " (" + printQuantity(bounds->min, unit, kReportDigits) + " \u2026 " +
                                                              printQuantity(bounds->max, unit, kReportDigits) + ")")
                      : "unknown";
    }

    void addFront() {
        heading(1, plan_.name.empty() ? "Plan" : plan_.name, "top");
        std::string facts = part_.name + ", take " + active().take + " of " + std::to_string(plan_.takes.size());
        if (plan_.board.supply) {
            facts += ", at " + printRange(plan_.board.supply->min, plan_.board.supply->max, Unit::volt);
        }
        if (plan_.board.temperature) {
            facts += ", " + printRange(plan_.board.temperature->min, plan_.board.temperature->max, Unit::celsius);
        }
        paragraph(facts);
        paragraph(plan_.note);
        for (const Figures& figures : takes_) {
            const TakeHolds holds = holdsOf(figures, true);
            paragraph("Take " + figures.take + ": " + holdsSaid(holds) + ".", holds.state);
        }
        const Vitals& vitals = active().vitals;
        std::vector<std::vector<std::string>> rows{{"figure", "value"}};
        rows.push_back({"core", vitals.coreHertz ? printQuantity(*vitals.coreHertz, Unit::hertz) : "no rate"});
        rows.push_back({"worst wake-up",
                        vitals.worstWakeUp ? printQuantity(vitals.worstWakeUp->max, Unit::second, kReportDigits) : "none asked"});
        rows.push_back({"average current", range(vitals.average, Unit::ampere)});
        rows.push_back({"battery", range(vitals.life, Unit::second)});
        table(std::move(rows), {false, true});
    }

    void addMoved(const Figures* before) {
        if (before == nullptr) {
            return;
        }
        heading(2, "What moved", "moved");
        std::vector<std::vector<std::string>> rows{{"figure", "was", "is", "now"}};
        for (const Moved& each : ripple(*before, active())) {
            rows.push_back(
                {each.name, each.was.empty() ? "new" : each.was, each.is.empty() ? "gone" : each.is, stateName(each.after)});
        }
        paragraph(rows.size() == 1 ? "Nothing moved." : "");
        table(std::move(rows), {false, true, true, false});
    }

    void addBoard() {
        heading(2, "Board", "board");
        std::vector<std::vector<std::string>> rows{{"fact", "value"}};
        const Board& board = plan_.board;
        if (board.supply) {
            rows.push_back({"supply", range(board.supply, Unit::volt)});
        }
        if (board.temperature) {
            rows.push_back({"temperature", range(board.temperature, Unit::celsius)});
        }
        for (const Fitted& fitted : board.fitted) {
            rows.push_back({fitted.source, printQuantity(fitted.rate, Unit::hertz) +
                                               (fitted.tolerance ? " within " + printTolerance(fitted.tolerance->total())
                                                                 : ", tolerance unknown")});
        }
        for (const Measured& measured : board.measured) {
            rows.push_back({measured.source + ", measured", printQuantity(measured.rate, Unit::hertz)});
        }
        if (board.battery) {
            rows.push_back({"battery", printQuantity(board.battery->capacity, Unit::coulomb)});
        }
        table(std::move(rows), {false, true});
        std::vector<std::vector<std::string>> pins{{"pin", "taken by", ""}};
        for (const PinFigure& pin : active().pins) {
            std::string users;
            for (const std::string& user : pin.users) {
                users += (users.empty() ? "" : ", ") + user;
            }
            if (!users.empty() || pin.isDebug) {
                pins.push_back({pin.pin, users.empty() ? "the debugger" : users, pin.why});
            }
        }
        picture("pins", "the pins in use, and who takes them");
        table(std::move(pins), {false, false, false});
    }

    void addTakes() {
        heading(2, "Takes", "takes");
        std::vector<std::vector<std::string>> rows{{"take", "tier", "rests in", "must keep"}};
        for (const Take& take : plan_.takes) {
            const auto figures =
                std::find_if(takes_.begin(), takes_.end(), [&](const Figures& each) { return each.take == take.name; });
            rows.push_back({take.name, take.tier.empty() ? "at reset" : take.tier, take.restsIn.empty() ? "run" : take.restsIn,
                            figures == takes_.end() ? "nothing asked" : holdsSaid(holdsOf(*figures, true))});
        }
        table(std::move(rows), {false, false, false, false});
    }

    void addClocks() {
        heading(2, "Clocks of take " + active().take, "clocks");
        picture("clocks", "the clocks: each line at its rate, the rail is where it may stand");
        std::vector<std::vector<std::string>> rows{{"line", "set", "rate", "corners", "limits", "state"}};
        for (const LineFigure& line : active().lines) {
            if (!line.isOn || !line.hertz) {
                continue;
            }
            const auto limit = [](const std::optional<Rational>& value) {
                return value ? printQuantity(*value, Unit::hertz) : std::string();
            };
            const std::string limits = line.limitMin && line.limitMax ? limit(line.limitMin) + " \u2026 " + limit(line.limitMax)
                                       : line.limitMax                ? "most " + limit(line.limitMax)
                                       : line.limitMin                ? "least " + limit(line.limitMin)
                                                                      : "";
            const Bounds error = relativeError(*line.hertz, line.hertz->nominal);
            rows.push_back(
                {line.id, line.control, printQuantity(line.hertz->nominal, Unit::hertz),
                 !line.unknown.empty() ? std::string(line.unknown) : printError(error.min) + " \u2026 " + printError(error.max),
                 limits, line.state == State::kept ? "" : stateName(line.state) + ": " + line.stateWhy});
        }
        table(std::move(rows), {false, false, true, true, true, false});
    }

    void addPromises() {
        heading(2, "Promises", "promises");
        std::vector<std::vector<std::string>> rows{{"promise", "asked", "got", "error", "corners", "state"}};
        for (const Figures& figures : takes_) {
            for (const PromiseFigure& promise : figures.promises) {
                if (promise.state != State::elsewhere) {
                    rows.push_back({promise.name + (takes_.size() > 1 ? ", take " + figures.take : ""), promise.asks,
                                    gotSaid(promise), errorSaid(promise), cornersSaid(promise), stateName(promise.state)});
                }
            }
        }
        table(std::move(rows), {false, false, true, true, true, false});
        for (const Figures& figures : takes_) {
            for (const PromiseFigure& promise : figures.promises) {
                if (promise.state != State::elsewhere) {
                    addPromise(promise, figures.take);
                }
            }
        }
    }

    void addPromise(const PromiseFigure& promise, const std::string& take) {
        heading(3, promise.name + (take == active().take ? "" : ", take " + take), "promise-" + promise.name + "-" + take,
                promise.state);
        paragraph(promise.text + ".");
        paragraph(promise.why.empty() ? "" : promise.why + ".", promise.state);
        paragraph(promise.note);
        if (take == active().take) {
            picture("promise/" + promise.name, promise.text);
        }
        std::vector<std::vector<std::string>> steps{{"step", "formula", "numbers", "result"}};
        for (const Step& step : promise.workings) {
            steps.push_back({step.what, step.formula, step.numbers, step.result});
        }
        table(std::move(steps), {false, false, false, true});
        std::vector<std::vector<std::string>> fields{{"field", "value", "sets"}};
        for (const FieldValue& value : promise.fields) {
            fields.push_back(
                {fieldText(value.field), hexText(value), value.control + " = " + value.setting + ", " + value.holdsAs});
        }
        table(std::move(fields), {false, true, false});
    }

    void addModes() {
        heading(2, "Sleep modes", "modes");
        std::vector<std::vector<std::string>> rows{
            {"mode", "draws", "first instruction at most", "all holds again at most", "keeps"}};
        for (const ModeFigure& mode : active().modes) {
            std::string keeps;
            for (const auto* list : {&mode.sources, &mode.peripherals, &mode.memory}) {
                for (const std::string& each : *list) {
                    keeps += (keeps.empty() ? "" : ", ") + each;
                }
            }
            rows.push_back({mode.id,
                            mode.current.unknown.empty() ? range(mode.ampere, Unit::ampere) : std::string(mode.current.unknown),
                            mode.wakeUp ? printQuantity(mode.wakeUp->firstInstruction.max, Unit::second, kReportDigits) : "",
                            mode.wakeUp ? printQuantity(mode.wakeUp->restored.max, Unit::second, kReportDigits) : "", keeps});
        }
        table(std::move(rows), {false, true, true, true, false});
        picture("rests", "from which length of a rest on which mode takes the least charge");
        for (const ModeFigure& mode : active().modes) {
            picture("mode/" + mode.id, "mode " + mode.id + ": how it is left, and what draws in it");
        }
    }

    void addRhythm() {
        const auto& rhythm = active().rhythm;
        if (!rhythm || plan_.jobs.empty()) {
            return;
        }
        heading(2, "Rhythm of the jobs", "rhythm");
        picture("rhythm", "the jobs over time, and what is drawn meanwhile");
        paragraph("Average " + range(rhythm->average, Unit::ampere) + "; battery " + range(rhythm->life, Unit::second) +
                  "; the jobs take " + printQuantity(rhythm->load, Unit::ratio, kReportDigits) + " of the time." +
                  (rhythm->unknown.empty() ? "" : " " + rhythm->unknown + "."));
        std::vector<std::vector<std::string>> rows{{"what", "time", "charge", "of the average"}};
        for (const RhythmFigure::Share& share : rhythm->shares) {
            rows.push_back({share.name, printQuantity(share.timeShare, Unit::ratio, kReportDigits),
                            printQuantity(share.chargeShare, Unit::ratio, kReportDigits),
                            printQuantity(share.ampere, Unit::ampere, kReportDigits)});
        }
        table(std::move(rows), {false, true, true, true});
    }

    void addUnknown() {
        std::vector<std::vector<std::string>> rows{{"of", "what is unknown"}};
        const auto add = [&](const std::string& of, const std::string& what) {
            const std::vector<std::string> row{of, what};
            if (!what.empty() && std::find(rows.begin(), rows.end(), row) == rows.end()) {
                rows.push_back(row);
            }
        };
        for (const Figures& figures : takes_) {
            for (const LineFigure& line : figures.lines) {
                add(line.id, line.isOn ? line.unknown : Text());
            }
            for (const ModeFigure& mode : figures.modes) {
                add("mode " + mode.id, mode.current.unknown);
            }
            add("rhythm", figures.rhythm ? figures.rhythm->unknown : Text());
        }
        heading(2, "What is unknown", "unknown");
        paragraph(rows.size() == 1 ? "Nothing that a figure of this plan hangs on." : "");
        table(std::move(rows), {false, false});
    }

    void addFindings() {
        heading(2, "Findings", "findings");
        std::vector<std::vector<std::string>> rows{{"", "take", "finding"}};
        for (const Figures& figures : takes_) {
            for (const Diagnostic& finding : figures.findings) {
                rows.push_back({severityName(finding.severity), figures.take, sayText(finding)});
            }
        }
        paragraph(rows.size() == 1 ? "None." : "");
        table(std::move(rows), {false, false, false});
    }

    const Part& part_;
    const Plan& plan_;
    const std::vector<Figures>& takes_;
    std::vector<ReportBlock> blocks_;
};

std::string escaped(const std::string& text) {
    std::string safe;
    for (const char c : text) {
        switch (c) {
        case '&': safe += "&amp;"; break;
        case '<': safe += "&lt;"; break;
        case '>': safe += "&gt;"; break;
        case '"': safe += "&quot;"; break;
        default: safe += c;
        }
    }
    return safe;
}

/// Letters and digits, so that it can be an id and a link.
std::string idOf(const std::string& anchor) {
    std::string id;
    for (const char c : anchor) {
        const bool isPlain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
        id += isPlain ? std::string(1, c) : fmt::format("-{:02x}", static_cast<unsigned char>(c));
    }
    return id;
}

/// The mark of a state, told by its shape too.
const char* markOf(State state) {
    switch (state) {
    case State::kept: return "\u25CF";
    case State::strained: return "\u25D0";
    case State::broken: return "\u25CB";
    case State::pending: return "\u2026";
    case State::elsewhere: return "\u2013";
    }
    return "";
}

constexpr const char* kStyle = R"css(
:root { --paper:#F5F3EC; --panel:#FBFAF6; --ink:#1E2830; --muted:#6E7880; --line:#D8D3C5; --kept:#0B6E69; --strained:#8A5B00; --broken:#A8274A; }
@media screen and (prefers-color-scheme: dark) {
  :root { --paper:#181D20; --panel:#20262A; --ink:#E6E8E6; --muted:#9AA4AA; --line:#39424A; --kept:#4FB8AE; --strained:#E0A83A; --broken:#EC7396; } }
body { background:var(--paper); color:var(--ink); font:15px/1.45 "Noto Sans", sans-serif; margin:0 auto; max-width:60rem; padding:2rem 1.5rem; }
h1 { font-size:2rem; margin:0 0 .5rem; } h2 { border-top:1px solid var(--line); margin-top:2.5rem; padding-top:1rem; } h3 { margin-top:2rem; }
nav { columns:2; margin:1.5rem 0; } nav ul { list-style:none; margin:0; padding:0; } nav a { color:var(--ink); text-decoration:none; } nav .sub { padding-left:1.2rem; }
table { border-collapse:collapse; margin:.8rem 0; width:100%; } th { color:var(--muted); font-weight:normal; text-align:left; }
th, td { border-bottom:1px solid var(--line); padding:.25rem .6rem .25rem 0; vertical-align:top; overflow-wrap:anywhere; } .number { text-align:right; font-variant-numeric:tabular-nums; }
.kept { color:var(--kept); } .strained { color:var(--strained); } .broken { color:var(--broken); }
figure { background:var(--panel); margin:1rem 0; padding:.5rem; } figure svg { height:auto; max-width:100%; } figcaption { color:var(--muted); font-size:.85rem; }
@media print { @page { size:A4; margin:18mm 15mm; } body { background:none; font-size:9.5pt; max-width:none; padding:0; } h2 { break-before:page; border:0; }
  h2, h3 { break-after:avoid; } tr, figure { break-inside:avoid; } thead { display:table-header-group; } nav { columns:1; } }
)css";

std::string htmlTable(const ReportBlock& block) {
    std::string text = "<table>\n<thead><tr>";
    const auto cell = [&](const char* tag, std::size_t column, const std::string& content) {
        const bool isNumber = column < block.isNumber.size() && block.isNumber[column];
        return fmt::format("<{0}{1}>{2}</{0}>", tag, isNumber ? " class=\"number\"" : "", escaped(content));
    };
    for (std::size_t row = 0; row < block.rows.size(); ++row) {
        text += row == 0 ? "" : "<tr>";
        for (std::size_t column = 0; column < block.rows[row].size(); ++column) {
            text += cell(row == 0 ? "th" : "td", column, block.rows[row][column]);
        }
        text += row == 0 ? "</tr></thead>\n<tbody>\n" : "</tr>\n";
    }
    return text + "</tbody>\n</table>\n";
}

std::string inMarkdown(std::string text) {
    for (std::size_t at = text.find('|'); at != std::string::npos; at = text.find('|', at + 2)) {
        text.insert(at, "\\");
    }
    return text;
}

} // namespace

std::vector<ReportBlock> reportOf(const Part& part, const Plan& plan, const std::vector<Figures>& takes, const Figures* before) {
    return takes.empty() ? std::vector<ReportBlock>() : Report(part, plan, takes).blocks(before);
}

std::string reportHtml(const std::vector<ReportBlock>& blocks, const std::map<std::string, std::string>& pictures) {
    std::string title;
    std::string contents;
    for (const ReportBlock& block : blocks) {
        if (block.kind == ReportBlock::Kind::heading && block.level == 1) {
            title = block.text;
        } else if (block.kind == ReportBlock::Kind::heading) {
            contents += fmt::format("<li{1}><a href=\"#{0}\">{2}</a></li>\n", idOf(block.anchor),
                                    block.level > 2 ? " class=\"sub\"" : "", escaped(block.text));
        }
    }
    std::string text = "<!DOCTYPE html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\"/>\n<meta name=\"viewport\" "
                       "content=\"width=device-width\"/>\n<title>" +
                       escaped(title) + "</title>\n<style>" + kStyle + "</style>\n</head>\n<body>\n";
    bool isListed = false;
    for (const ReportBlock& block : blocks) {
        const std::string mark = block.state ? fmt::format("<span class=\"{0}\" title=\"{0}\">{1}</span> ",
                                                           stateName(*block.state), markOf(*block.state))
                                             : "";
        switch (block.kind) {
        case ReportBlock::Kind::heading:
            if (block.level == 2 && !isListed) {
                text += "<nav aria-label=\"Contents\">\n<ul>\n" + contents + "</ul>\n</nav>\n";
                isListed = true;
            }
            text += fmt::format("<h{0} id=\"{1}\">{2}{3}</h{0}>\n", block.level, idOf(block.anchor), mark, escaped(block.text));
            break;
        case ReportBlock::Kind::paragraph: text += "<p>" + mark + escaped(block.text) + "</p>\n"; break;
        case ReportBlock::Kind::table: text += htmlTable(block); break;
        case ReportBlock::Kind::picture:
            if (const auto found = pictures.find(block.anchor); found != pictures.end()) {
                text += "<figure>\n" + found->second + "\n<figcaption>" + escaped(block.text) + "</figcaption>\n</figure>\n";
            }
            break;
        }
    }
    return text + "</body>\n</html>\n";
}

std::string reportMarkdown(const std::vector<ReportBlock>& blocks) {
    std::string text;
    for (const ReportBlock& block : blocks) {
        const std::string mark = block.state ? std::string(markOf(*block.state)) + " " : "";
        if (block.kind == ReportBlock::Kind::heading) {
            text += std::string(static_cast<std::size_t>(block.level), '#') + " " + mark + block.text + "\n\n";
        } else if (block.kind == ReportBlock::Kind::paragraph) {
            text += mark + block.text + "\n\n";
        } else if (block.kind == ReportBlock::Kind::table) {
            for (std::size_t row = 0; row < block.rows.size(); ++row) {
                std::string line = "|";
                std::string rule = "|";
                for (std::size_t column = 0; column < block.rows[row].size(); ++column) {
                    line += " " + inMarkdown(block.rows[row][column]) + " |";
                    rule += column < block.isNumber.size() && block.isNumber[column] ? " ---: |" : " --- |";
                }
                text += line + "\n" + (row == 0 ? rule + "\n" : "");
            }
            text += "\n";
        }
    }
    return text;
}

} // namespace wisetick
