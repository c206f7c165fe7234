#include "workings/workings_panel.h"

#include "derive/bring_up.h"
#include "derive/workings_of.h"
#include "derive/writing_order.h"
#include "evaluate/evaluate.h"
#include "evaluate/ripple.h"
#include "evaluate/sleep_order.h"
#include "evaluate/wake_timers.h"
#include "evaluate/ways_out.h"
#include "evaluate/what_if.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "plan/job_line.h"
#include "quantity/number_links.h"
#include "quantity/quantity_print.h"
#include "workings/target_ways.h"

#include <QApplication>
#include <QClipboard>
#include <QScrollBar>
#include <QTimer>
#include <QUrl>

#include <algorithm>

namespace wisetick::app {

WorkingsPanel::WorkingsPanel(Document& document, QWidget* parent) : QTextBrowser(parent), document_(document) {
    setFrameShape(QFrame::NoFrame);
    setOpenLinks(false);
    setAccessibleName(tr("Workings"));
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    connect(this, &QTextBrowser::anchorClicked, this, &WorkingsPanel::follow);
    connect(&document_, &Document::changed, this, &WorkingsPanel::startOver);
    connect(&document_, &Document::replaced, this, [this] {
        finding_.stop();
        target_ = {}; // it named something of another plan
    });
    connect(&finding_, &Background::failed, &document_, &Document::troubleBeside);
    still_ = new QTimer(this);
    still_->setSingleShot(true);
    still_->setInterval(80);
    connect(still_, &QTimer::timeout, this, &WorkingsPanel::findWaysOut);
    setTheme(theme_);
}

void WorkingsPanel::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = this->palette();
    palette.setColor(QPalette::Base, theme.panel);
    palette.setColor(QPalette::Text, theme.ink);
    palette.setColor(QPalette::Link, theme.thread);
    setPalette(palette);
    render();
}

void WorkingsPanel::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        render();
    }
    QTextBrowser::changeEvent(event);
}

void WorkingsPanel::paintEvent(QPaintEvent* event) {
    QTextBrowser::paintEvent(event);
    if (hasFocus()) {
        QPainter painter(viewport());
        drawFocus(painter, viewport()->rect(), theme_);
    }
    if (!wasPainted_) {
        wasPainted_ = true;
        QTimer::singleShot(0, this, &WorkingsPanel::render);
    }
}

void WorkingsPanel::focusInEvent(QFocusEvent* event) {
    QTextBrowser::focusInEvent(event);
    viewport()->update();
}

void WorkingsPanel::focusOutEvent(QFocusEvent* event) {
    QTextBrowser::focusOutEvent(event);
    viewport()->update();
}

void WorkingsPanel::show(const Target& target) {
    target_ = target;
    startOver();
    verticalScrollBar()->setValue(0);
}

void WorkingsPanel::follow(const QUrl& link) {
    const QString path = link.toString();
    if (path.startsWith("try/")) {
        const WayOut way = ways_[static_cast<std::size_t>(path.mid(4).toInt())];
        document_.edit(text(way.say), [way](Plan& plan) { return takeWayOut(plan, plan.active, way); });
    } else if (path == "seek/promise") {
        emit seekWanted(text(target_.name));
    } else if (path.startsWith("copy/")) {
        QApplication::clipboard()->setText(copies_.value(path.mid(5).toInt()));
    } else if (path.startsWith("at/")) {
        goToOrigin(static_cast<std::size_t>(path.section('/', 1, 1).toInt()),
                   readTarget(path.section('/', 2).toStdString()).value_or(Target()));
    } else if (const auto target = readTarget(path.toStdString())) {
        show(*target);
    }
}

/// A text of step `index` with its numbers as links: "at/INDEX/TARGET".
QString WorkingsPanel::linkedHtml(const Workings& workings, std::size_t index, const Text& said) const {
    const std::string shown = text(said).toStdString(); // its numbers are the same in every language
    QString html;
    std::size_t done = 0;
    for (const NumberLink& link : numberLinks(workings, index, shown)) {
        html += escaped(shown.substr(done, link.from - done));
        html += QString("<a class='number' href='at/%1/%2' title='%3'>%4</a>")
                    .arg(index)
                    .arg(escaped(targetText(link.target)), escaped(link.name), escaped(shown.substr(link.from, link.length)));
        done = link.from + link.length;
    }
    return html + escaped(shown.substr(done));
}

QString WorkingsPanel::stepsHtml(const Workings& workings) {
    steps_ = workings;
    QString html;
    for (std::size_t i = 0; i < workings.size(); ++i) {
        const Step& step = workings[i];
        html += QString("<p class='what'><a name='step/%1'></a>%2</p>")
                    .arg(i)
                    .arg(escaped(step.what + (step.formula.empty() ? "" : ": " + step.formula)));
        const bool isSame = step.numbers == step.result;
        QString numbers = linkedHtml(workings, i, step.numbers);
        if (!step.result.empty() && !isSame) {
            numbers += step.numbers.empty() ? linkedHtml(workings, i, step.result)
                                            : (step.isEquation ? " = " : ": ") + escaped(step.result);
        }
        html += QString("<p style='margin:0 0 %1px 0'><span class='figure'>%2</span></p>")
                    .arg(noted_ && noted_->first == i ? 1 : 8)
                    .arg(numbers);
        if (noted_ && noted_->first == i) {
            html += QString("<p class='note'>\u2191 %1</p>").arg(noted_->second.toHtmlEscaped());
        }
    }
    return html;
}

/// Goes to where a number comes from; what has no place in the window is named below the step.
void WorkingsPanel::goToOrigin(std::size_t step, const Target& target) {
    if (target.is(Target::Room::step)) {
        scrollToAnchor(text(targetText(target)));
        return;
    }
    const auto& origins = steps_[step].origins;
    const auto origin = std::find_if(origins.begin(), origins.end(), [&](const Origin& each) { return each.target == target; });
    const bool isInAFile = target.is(Target::Room::part) || target.is(Target::Room::plan) || target.is(Target::Room::take);
    if (!isInAFile && target != target_) {
        emit targetWanted(target);
        return;
    }
    noted_ = std::pair(step, origin == origins.end()                        ? text(targetText(target))
                             : origin->name == "asked" && target == target_ ? tr("what was asked: the line above")
                                                                            : text(origin->name + ": " + placeInWords(*origin)));
    render();
}

QString WorkingsPanel::fieldsHtml(const std::vector<FieldValue>& fields) {
    if (fields.empty()) {
        return {};
    }
    QString html = QString("<p style='margin:12px 0 4px 0'><b>%1</b></p>").arg(fields.size() > 1 ? tr("Fields") : tr("Field"));
    QString all;
    for (const FieldValue& field : fields) {
        const QString line = text(fieldText(field.field) + " = " + hexText(field));
        all += line + "\n";
        html += QString("<p style='margin:0'><span class='figure'>%1 %2</span> <a href='copy/%3'>%4</a></p>"
                        "<p class='what' style='margin:0 0 6px 0'>%5</p>")
                    .arg(escaped(fieldText(field.field)), escaped(hexText(field)))
                    .arg(copies_.size())
                    .arg(tr("copy"), escaped(field.control + " = " + field.setting + ", " + field.holdsAs + ": " +
                                             std::to_string(field.held)));
        copies_ << text(hexText(field));
    }
    if (fields.size() > 1) {
        html += QString("<p style='margin:4px 0'><a href='copy/%1'>%2</a></p>").arg(copies_.size()).arg(tr("copy all"));
        copies_ << all;
    }
    return html;
}

QString WorkingsPanel::lineHtml(const LineFigure& line) {
    QString html = QString("<p style='margin:0 0 8px 0'><b>%1</b> <span style='color:%2'>%3</span></p>")
                       .arg(escaped(line.name), theme_.muted.name(), escaped(line.control));
    const Text why = !line.why.empty() ? line.why : line.stateWhy;
    if (!why.empty()) {
        html += QString("<p style='color:%1; margin:0 0 8px 0'>%2</p>")
                    .arg(theme_.of(line.state == State::kept ? State::strained : line.state).name(), escaped(why));
    }
    if (line.isSource && line.isOn) {
        html +=
            QString("<p style='margin:0 0 8px 0'><a href='fails/%1'>%2</a></p>").arg(escaped(line.id), tr("what if it fails"));
    }
    return html + waysOutHtml() +
           stepsHtml(lineWorkings(document_.part(), document_.plan(), document_.figures(), *document_.part().findNode(line.id))) +
           fieldsHtml(line.fields);
}

QString WorkingsPanel::promiseHtml(const PromiseFigure& promise) {
    QString html = QString("<p style='margin:0 0 8px 0'><b>%1</b> <span style='color:%2'>%3</span></p>")
                       .arg(escaped(promise.name), theme_.of(promise.state).name(), text(stateName(promise.state)));
    html += QString("<p style='margin:0 0 8px 0'>%1</p>").arg(escaped(promise.text));
    if (!promise.why.empty()) {
        html +=
            QString("<p style='color:%1; margin:0 0 8px 0'>%2</p>").arg(theme_.of(promise.state).name(), escaped(promise.why));
    }
    if (!promise.note.empty()) {
        html += QString("<p class='what' style='margin:0 0 8px 0'>%1</p>").arg(escaped(promise.note));
    }
    const auto index = static_cast<std::size_t>(&promise - document_.figures().promises.data());
    return html + waysOutHtml() + stepsHtml(promiseWorkings(document_.part(), document_.plan(), document_.figures(), index)) +
           fieldsHtml(promise.fields) + bringUpHtml(promise, index);
}

/// What to write in which order, with what is forgotten most often marked.
QString WorkingsPanel::bringUpHtml(const PromiseFigure& promise, std::size_t index) {
    if (index >= document_.plan().promises.size()) {
        return {}; // a preview shows one that is not in the plan yet
    }
    const auto actions = bringUp(document_.part(), document_.plan(), promise, index);
    if (actions.empty()) {
        return {};
    }
    QString html = QString("<p style='margin:12px 0 4px 0'><b>%1</b></p>").arg(tr("To bring it up"));
    for (std::size_t i = 0; i < actions.size(); ++i) {
        const BringUpAction& action = actions[i];
        html += QString("<p style='margin:0 0 2px 0'>%1\u2002%2%3</p>")
                    .arg(i + 1)
                    .arg(escaped(action.say),
                         action.isForgotten
                             ? QString(" <span style='color:%1'>%2</span>").arg(theme_.strained.name(), tr("often forgotten"))
                             : QString());
        QString below = action.field ? escaped(fieldText(action.field->field) + " = " + hexText(*action.field)) : QString();
        if (!action.reason.empty()) {
            below += (below.isEmpty() ? "" : ", ") + escaped(action.reason);
        }
        html += QString("<p class='what' style='margin:0 0 6px 0'>%1</p>").arg(below);
    }
    return html;
}

QString WorkingsPanel::waysOutHtml() {
    QString html;
    const bool isMode = target_.is(Target::Room::mode); // it is no promise, and has no state
    for (std::size_t i = 0; i < ways_.size(); ++i) {
        const WayOut& way = ways_[i];
        QString breaks;
        for (const std::string& name : way.breaks) {
            breaks += (breaks.isEmpty() ? tr(", breaks ") : ", ") + text(name);
        }
        html +=
            QString("<p style='margin:0 0 6px 0'>%1 <a href='try/%2'>%3</a><br><span class='small' style='color:%4'>%5</span>"
                    "<span class='small' style='color:%6'>%7</span></p>")
                .arg(escaped(way.say))
                .arg(i)
                .arg(tr("try"), theme_.of(way.state).name(), escaped(isMode ? way.got : stateName(way.state) + ": " + way.got),
                     theme_.broken.name(), breaks.toHtmlEscaped());
    }
    const PromiseFigure* promise = target_.is(Target::Room::promise) ? document_.figures().findPromise(target_.name) : nullptr;
    if (promise != nullptr && (promise->state == State::broken || promise->state == State::strained)) {
        html +=
            areWaysSought_
                ? QString("<p style='margin:0 0 6px 0'><a href='seek/promise'>%1</a></p>").arg(tr("seek a take that keeps it"))
                : QString("<p class='what'>%1</p>").arg(tr("single changes are being looked for \u2026"));
    }
    return html.isEmpty()
               ? html
               : QString("<p style='margin:4px 0 4px 0'><b>%1</b></p>").arg(isMode ? tr("Ways to wake sooner") : tr("Ways out")) +
                     html + "<p style='margin:0'></p>";
}

/// Links to the ways to this take, below the core's arithmetic.
QString WorkingsPanel::waysThereHtml() const {
    QString html = "<p style='margin:12px 0 4px 0'><b>" + tr("The way there") + "</b></p><p><a href='way/reset'>" +
                   tr("from reset") + "</a>";
    for (const Take& take : document_.plan().takes) {
        if (take.name != document_.plan().active) {
            html += QString(", <a href='way/take %1'>%2</a>").arg(escaped(take.name), tr("from take %1").arg(escaped(take.name)));
        }
    }
    return html + "</p>";
}

QString WorkingsPanel::wayHtml(const std::string& from) {
    const bool isReset = from == "reset";
    const std::string take = isReset ? "" : from.substr(from.find(' ') + 1);
    if (!isReset && findTake(document_.plan(), take) == nullptr) {
        return {};
    }
    const WritingOrder way =
        writingOrder(document_.part(), document_.plan(), isReset ? std::nullopt : std::optional(take), document_.plan().active);
    QString html = QString("<p style='margin:0 0 8px 0'><b>%1</b></p>")
                       .arg(tr("From %1 to take %2").arg(escaped(from), escaped(document_.plan().active)));
    QString all;
    int number = 0;
    for (const ClockWrite& step : way.steps) {
        QString fields;
        for (const FieldValue& field : step.fields) {
            fields += (fields.isEmpty() ? "" : ", ") + text(fieldText(field.field) + " = " + hexText(field));
        }
        const QString wait = !step.wait
                                 ? QString()
                                 : (step.wait->max ? tr(", up to %1").arg(text(printQuantity(*step.wait->max, Unit::second)))
                                                   : tr(", an unknown time"));
        const QString core = step.core ? tr("core at %1").arg(text(printQuantity(*step.core, Unit::hertz))) : QString();
        html +=
            QString(
                "<p style='margin:0'>%1. %2%3</p><p class='what' style='margin:0 0 6px 0'><span class='figure'>%4</span> %5</p>")
                .arg(++number)
                .arg(escaped(step.say), wait.toHtmlEscaped(), fields.toHtmlEscaped(), core.toHtmlEscaped());
        all += fields.isEmpty() ? QString() : fields + "  // " + text(step.say) + wait + "\n";
    }
    if (!way.trouble.empty()) {
        html += QString("<p style='color:%1'>%2</p>")
                    .arg(theme_.broken.name(), tr("The way ends here: %1").arg(escaped(way.trouble)));
    } else if (way.steps.empty()) {
        html += "<p>" + tr("Nothing is to be written.") + "</p>";
    }
    html += QString("<p style='margin:4px 0'><a href='copy/%1'>%2</a></p>").arg(copies_.size()).arg(tr("copy all"));
    copies_ << all;
    return html + waysThereHtml();
}

/// What a source takes with it when it fails while the take runs.
QString WorkingsPanel::failsHtml(const std::string& source) const {
    const auto node = document_.part().findNode(source);
    if (!node || !document_.part().isSource(*node)) {
        return {};
    }
    const auto& fallback = document_.part().sources[*node].failsTo;
    QString html =
        QString("<p style='margin:0 0 8px 0'><b>%1</b></p><p style='margin:0 0 8px 0'>%2</p>")
            .arg(tr("If %1 fails").arg(escaped(source)),
                 fallback ? tr("The hardware puts %1 on %2 by itself.").arg(escaped(fallback->first), escaped(fallback->second))
                          : tr("Nothing takes its place: what hangs on it stands still."));
    const std::string& take = document_.plan().active;
    const std::vector<Moved> moved =
        ripple(derive(document_.part(), document_.plan(), take),
               derive(document_.part(), afterFailure(document_.part(), document_.plan(), take, source), take));
    for (const Moved& each : moved) {
        html +=
            QString("<p style='margin:0 0 6px 0'>%1 <span class='small' style='color:%2'>%3</span><br>"
                    "<span class='what'>%4 \u2192 %5</span></p>")
                .arg(escaped(each.name), theme_.of(each.after).name(), text(stateName(each.after)),
                     each.was.empty() ? tr("nothing") : escaped(each.was), each.is.empty() ? tr("nothing") : escaped(each.is));
    }
    html += moved.empty() ? "<p>" + tr("Nothing moves.") + "</p>" : QString();
    return html + QString("<p style='margin:8px 0 0 0'><a href='line/%1'>%2</a></p>")
                      .arg(escaped(source), tr("back to %1").arg(escaped(source)));
}

QString WorkingsPanel::modeHtml(const ModeFigure& mode) {
    QString html = QString("<p style='margin:0 0 8px 0'><b>%1</b></p>").arg(escaped(mode.name));
    Workings steps;
    for (const Contribution& each : mode.current.contributions) {
        const std::string ampere =
            each.typ.empty() ? phrase("unknown") : printQuantity(each.typ[document_.figures().grid.nominal], Unit::ampere);
        steps.push_back({each.name, {}, each.formula, ampere, {{each.name, {}, each.target, {}}}});
    }
    steps.push_back({phrase("current"),
                     phrase("sum, typical and largest"),
                     {},
                     printRange(mode.ampere.nominal, mode.ampere.max, Unit::ampere),
                     {}});
    if (mode.wakeUp) {
        for (const WakePiece& piece : mode.wakeUp->pieces) {
            steps.push_back({piece.say,
                             phrase("to its end, typical and longest"),
                             {},
                             printRange(piece.endTyp, piece.endMax, Unit::second),
                             {}});
        }
    }
    return html + waysOutHtml() + orderHtml(mode) + "<p style='margin:10px 0 4px 0'><b>" + tr("What it draws and how it wakes") +
           "</b></p>" + stepsHtml(steps);
}

/// What has to be done around a rest in the mode.
QString WorkingsPanel::orderHtml(const ModeFigure& mode) {
    const SleepOrder order = sleepOrder(document_.part(), document_.plan(), document_.figures(), mode.id);
    QString html;
    const auto list = [&](const QString& title, const std::vector<SleepStep>& steps) {
        if (steps.empty()) {
            return;
        }
        html += "<p style='margin:10px 0 4px 0'><b>" + title + "</b></p>";
        int number = 0;
        for (const SleepStep& step : steps) {
            html += QString("<p style='margin:0 0 1px 0%1'>%2 %3</p>")
                        .arg(step.isTrouble ? "; color:" + theme_.broken.name() : QString())
                        .arg(++number)
                        .arg(escaped(step.say));
            QString below = escaped(step.why);
            for (const FieldValue& field : step.fields) {
                below += (below.isEmpty() ? "" : "<br>") + escaped(fieldText(field.field) + " = " + hexText(field));
            }
            html += below.isEmpty() ? QString() : "<p class='what'>" + below + "</p>";
        }
    };
    list(tr("Before it rests"), order.before);
    list(tr("After it wakes"), order.after);
    return html;
}

/// The timers that could end the rest that a promise asks for, on all their clocks.
QString WorkingsPanel::wakeTimersHtml(const PromiseFigure& promise) {
    QString html;
    const auto& promises = document_.figures().promises;
    for (std::size_t i = 0; i < promises.size(); ++i) {
        const auto* wakes = document_.plan().promises[i].line.ask.as<WakesAsk>();
        if (promises[i].name != promise.name || wakes == nullptr || !wakes->every || !document_.part().findMode(wakes->mode)) {
            continue;
        }
        Workings steps;
        for (const WakeTimer& timer :
             wakeTimers(document_.part(), document_.plan(), document_.figures(), wakes->mode, *wakes->every)) {
            std::string settings;
            for (const Setting& setting : timer.settings) {
                settings += (settings.empty() ? "" : " \u00d7 ") + printFactor(setting.value);
            }
            steps.push_back({phrase("{} on {}", timer.peripheral, timer.clock),
                             timer.why.empty()
                                 ? phrase("{} \u2026 {} at the corners", printError(timer.error.min), printError(timer.error.max))
                                 : timer.why,
                             phrase("{} periods", settings),
                             printQuantity(timer.got.nominal, Unit::second) + ", " + printError(timer.error.nominal),
                             {{timer.clock, {}, Target::line(timer.clock), {}}}});
        }
        html = "<p style='margin:10px 0 4px 0'><b>" + tr("What could wake it then") + "</b></p>" + stepsHtml(steps);
    }
    return html;
}

/// A job: what it says, and what draws in its share of the charge.
QString WorkingsPanel::jobHtml(const Job& job) {
    QString html = QString("<p style='margin:0 0 8px 0'><b>%1</b></p><p class='small'>%2</p>")
                       .arg(escaped(job.name), escaped(printJobClauses(job)));
    const auto& rhythm = document_.figures().rhythm;
    Workings latest;
    for (const LatencyFigure& latency : rhythm ? rhythm->latencies : std::vector<LatencyFigure>()) {
        if (latency.target == Target::job(job.name)) {
            latest = latency.workings;
        }
    }
    for (const RhythmFigure::Share& share : rhythm ? rhythm->shares : std::vector<RhythmFigure::Share>()) {
        if (share.target != Target::job(job.name)) {
            continue;
        }
        Workings steps{{phrase("share of the time"), {}, {}, printQuantity(share.timeShare, Unit::ratio, 4), {}},
                       {phrase("share of the charge"), {}, {}, printQuantity(share.chargeShare, Unit::ratio, 4), {}}};
        for (const auto& piece : share.pieces) {
            steps.push_back({piece.name,
                             phrase("its part of the average"),
                             {},
                             printQuantity(piece.ampere, Unit::ampere),
                             {{piece.name, {}, piece.target, {}}}});
        }
        steps.push_back({phrase("all"), phrase("of the average"), {}, printQuantity(share.ampere, Unit::ampere), {}});
        steps.insert(steps.end(), latest.begin(), latest.end());
        html += stepsHtml(steps);
    }
    return html;
}

/// Looked for beside the interface, when the window has been still for a moment: it takes a hundred derivations.
void WorkingsPanel::findWaysOut() {
    if (!document_.isOpen()) {
        return;
    }
    finding_.start([this, part = document_.part(), plan = document_.plan(), figures = document_.figures(),
                    target = target_](const std::stop_token& token) -> std::function<void()> {
        return [this, ways = waysOutOf(part, plan, figures, target, token)] {
            ways_ = ways;
            areWaysSought_ = true;
            if (!ways_.empty() || target_.is(Target::Room::promise)) {
                renderAbove();
            }
        };
    });
}

void WorkingsPanel::startOver() {
    finding_.stop();
    ways_.clear();
    areWaysSought_ = false;
    noted_.reset();
    renderAbove();
    still_->start();
}

/// What comes or goes stands above the arithmetic: where that is read already, it stays where it is.
void WorkingsPanel::renderAbove() {
    const int whole = verticalScrollBar()->maximum();
    const int place = verticalScrollBar()->value();
    render();
    if (place > 0) {
        verticalScrollBar()->setValue(std::max(place + verticalScrollBar()->maximum() - whole, 1));
    }
}

QString WorkingsPanel::styleSheet() const {
    const QString small = QString("font-size: %1pt").arg(faceFont(Face::small).pointSizeF());
    return QString("a { color: %1; text-decoration: none; font-weight: bold } a.number { font-weight: normal } "
                   ".what { color: %2; %5; margin: 0 0 1px 0 } .note { color: %3; %5; margin: 0 0 8px 0 } .small { %5 } "
                   ".figure { font-family: 'JetBrains Mono', monospace; font-size: %4pt }")
        .arg(theme_.thread.name(), theme_.muted.name(), theme_.strained.name())
        .arg(faceFont(Face::figure).pointSizeF())
        .arg(small);
}

QString WorkingsPanel::targetHtml() {
    if (!document_.isOpen()) {
        return {};
    }
    const Figures& figures = document_.figures();
    const std::string& name = target_.name;
    const auto mode = document_.part().findMode(name);
    if (target_.is(Target::Room::line) && figures.findLine(name) != nullptr) {
        const bool isCore = document_.part().findNode(name) == document_.part().core;
        return lineHtml(*figures.findLine(name)) + (isCore ? waysThereHtml() : QString());
    }
    if (target_.is(Target::Room::way)) {
        return wayHtml(name);
    }
    if (target_.is(Target::Room::fails)) {
        return failsHtml(name);
    }
    if (target_.is(Target::Room::promise) && figures.findPromise(name) != nullptr) {
        return promiseHtml(*figures.findPromise(name)) + wakeTimersHtml(*figures.findPromise(name));
    }
    if (target_.is(Target::Room::mode) && mode && !figures.modes.empty()) {
        return modeHtml(figures.modes[*mode]);
    }
    for (const Job& job : document_.plan().jobs) {
        if (target_ == Target::job(job.name)) {
            return jobHtml(job);
        }
    }
    if (target_ == Target::rhythm("average") && figures.rhythm) {
        return "<p><b>" + tr("Average current") + "</b></p>" + stepsHtml(figures.rhythm->averageWorkings);
    }
    if (target_ == Target::rhythm("life") && figures.rhythm) {
        return "<p><b>" + tr("Battery") + "</b></p>" + stepsHtml(figures.rhythm->lifeWorkings);
    }
    return {};
}

/// Shows the target; nothing is laid out anew where nothing changed.
void WorkingsPanel::render() {
    if (!wasPainted_) {
        return; // the window comes first
    }
    copies_.clear();
    QString html = targetHtml();
    if (html.isEmpty()) {
        html = "<p class='what'>" + tr("Select a clock or a promise to see its arithmetic.") + "</p>";
    }
    const QString style = styleSheet();
    if (html == shownHtml_ && style == shownStyle_) {
        return;
    }
    shownHtml_ = html;
    shownStyle_ = style;
    setFont(faceFont(Face::word));
    document()->setDefaultStyleSheet(style);
    const int place = verticalScrollBar()->value();
    setHtml(html);
    verticalScrollBar()->setValue(place);
}

} // namespace wisetick::app
