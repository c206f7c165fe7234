#include "workings/workings_panel.h"

#include "evaluate/ways_out.h"
#include "quantity/quantity_print.h"

#include <QApplication>
#include <QClipboard>
#include <QScrollBar>
#include <QTimer>
#include <QUrl>

namespace wisetick::app {

namespace {

QString text(const std::string& value) {
    return QString::fromStdString(value);
}

QString escaped(const std::string& value) {
    return text(value).toHtmlEscaped();
}

} // namespace

WorkingsPanel::WorkingsPanel(Document& document, QWidget* parent) : QTextBrowser(parent), document_(document) {
    setFrameShape(QFrame::NoFrame);
    setOpenLinks(false);
    setAccessibleName(tr("Workings"));
    connect(this, &QTextBrowser::anchorClicked, this, &WorkingsPanel::follow);
    connect(&document_, &Document::changed, this, &WorkingsPanel::startOver);
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

void WorkingsPanel::show(const QString& target) {
    target_ = target;
    startOver();
    verticalScrollBar()->setValue(0);
}

void WorkingsPanel::follow(const QUrl& link) {
    const QString path = link.toString();
    if (path.startsWith("try/")) {
        const WayOut way = ways_[static_cast<std::size_t>(path.mid(4).toInt())];
        document_.edit(text(way.say), [way](Plan& plan) { takeWayOut(plan, plan.active, way); });
    } else if (path.startsWith("copy/")) {
        QApplication::clipboard()->setText(copies_.value(path.mid(5).toInt()));
    } else if (!path.startsWith("plan/") && !path.startsWith("part/")) {
        emit targetWanted(path);
    }
}

QString WorkingsPanel::stepsHtml(const Workings& workings) const {
    QString html;
    for (const Step& step : workings) {
        html += QString("<p style='margin:0 0 1px 0; color:%1; font-size:%2'>%3</p>")
                    .arg(theme_.muted.name(), "small", escaped(step.what + (step.formula.empty() ? "" : ": " + step.formula)));
        QString numbers = escaped(step.numbers);
        const bool isSame = step.numbers == step.result;
        if (!step.result.empty() && !isSame) {
            const bool isRange = step.numbers.find("\u2026") != std::string::npos; // no equation
            numbers += (numbers.isEmpty() ? "" : (isRange ? ": " : " = ")) + escaped(step.result);
        }
        QString links;
        for (const Origin& origin : step.origins) {
            const QString target = text(origin.target);
            if (target != target_ && !target.startsWith("plan/") && !target.startsWith("part/")) {
                links += QString(" <a href='%1'>%2</a>").arg(target.toHtmlEscaped(), escaped(origin.name));
            } else if (!origin.ref.empty()) {
                links += QString(" <span style='color:%1'>(datasheet %2)</span>").arg(theme_.muted.name(), escaped(origin.ref));
            }
        }
        html += QString("<p style='margin:0 0 8px 0'><span style='font-family:\"JetBrains Mono\",monospace'>%1</span>%2</p>")
                    .arg(numbers, links);
    }
    return html;
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
        html +=
            QString("<p style='margin:0'><span style='font-family:\"JetBrains Mono\",monospace'>%1 %2</span> <a "
                    "href='copy/%3'>%4</a></p><p style='margin:0 0 6px 0; "
                    "color:%5; font-size:small'>%6</p>")
                .arg(escaped(fieldText(field.field)), escaped(hexText(field)))
                .arg(copies_.size())
                .arg(tr("copy"), theme_.muted.name(),
                     escaped(field.control + " = " + field.setting + ", " + field.holdsAs + ": " + std::to_string(field.held)));
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
    const std::string why = !line.why.empty() ? line.why : line.stateWhy;
    if (!why.empty()) {
        html += QString("<p style='color:%1; margin:0 0 8px 0'>%2</p>")
                    .arg(theme_.of(line.state == State::kept ? State::strained : line.state).name(), escaped(why));
    }
    return html + stepsHtml(line.workings) + fieldsHtml(line.fields);
}

QString WorkingsPanel::promiseHtml(const PromiseFigure& promise) {
    QString html = QString("<p style='margin:0 0 8px 0'><b>%1</b> <span style='color:%2'>%3</span></p>")
                       .arg(escaped(promise.name), theme_.of(promise.state).name(), text(stateName(promise.state)));
    html += QString("<p style='margin:0 0 8px 0'>%1</p>").arg(escaped(promise.text));
    if (!promise.why.empty()) {
        html +=
            QString("<p style='color:%1; margin:0 0 8px 0'>%2</p>").arg(theme_.of(promise.state).name(), escaped(promise.why));
    }
    return html + waysOutHtml() + stepsHtml(promise.workings) + fieldsHtml(promise.fields);
}

QString WorkingsPanel::waysOutHtml() {
    QString html;
    for (std::size_t i = 0; i < ways_.size(); ++i) {
        const WayOut& way = ways_[i];
        QString breaks;
        for (const std::string& name : way.breaks) {
            breaks += (breaks.isEmpty() ? tr(", breaks ") : ", ") + text(name);
        }
        html += QString("<p style='margin:0 0 6px 0'>%1 <a href='try/%2'>%3</a><br><span style='color:%4; "
                        "font-size:small'>%5</span><span style='color:%6; "
                        "font-size:small'>%7</span></p>")
                    .arg(escaped(way.say))
                    .arg(i)
                    .arg(tr("try"), theme_.of(way.state).name(), escaped(stateName(way.state) + ": " + way.got),
                         theme_.broken.name(), breaks.toHtmlEscaped());
    }
    return html.isEmpty()
               ? html
               : QString("<p style='margin:4px 0 4px 0'><b>%1</b></p>").arg(tr("Ways out")) + html + "<p style='margin:0'></p>";
}

QString WorkingsPanel::modeHtml(const ModeFigure& mode) const {
    QString html = QString("<p style='margin:0 0 8px 0'><b>%1</b></p>").arg(escaped(mode.name));
    Workings steps;
    for (const Contribution& each : mode.current.contributions) {
        const std::string ampere =
            each.typ.empty() ? "unknown" : printQuantity(each.typ[document_.figures().grid.nominal], Unit::ampere);
        steps.push_back({each.name, {}, each.formula, ampere, {{each.name, {}, each.target, {}}}});
    }
    steps.push_back(
        {"current", "sum, typical and largest", {}, printRange(mode.ampere.nominal, mode.ampere.max, Unit::ampere), {}});
    if (mode.wakeUp) {
        for (const WakePiece& piece : mode.wakeUp->pieces) {
            steps.push_back(
                {piece.say, "to its end, typical and longest", {}, printRange(piece.endTyp, piece.endMax, Unit::second), {}});
        }
    }
    return html + stepsHtml(steps);
}

/// Looked for only when the window has been still for a moment: it takes a hundred derivations.
void WorkingsPanel::findWaysOut() {
    ways_.clear();
    const auto& promises = document_.figures().promises;
    for (std::size_t i = 0; document_.isOpen() && i < promises.size(); ++i) {
        const bool isMeant = target_ == "promise/" + text(promises[i].name);
        if (isMeant && (promises[i].state == State::broken || promises[i].state == State::strained)) {
            ways_ = waysOut(document_.part(), document_.plan(), document_.plan().active, i, 4);
        }
    }
    if (!ways_.empty()) {
        render();
    }
}

void WorkingsPanel::startOver() {
    ways_.clear();
    render();
    still_->start();
}

void WorkingsPanel::render() {
    copies_.clear();
    QString html;
    const QString name = target_.section('/', 1);
    if (document_.isOpen()) {
        const Figures& figures = document_.figures();
        const auto mode = document_.part().findMode(name.toStdString());
        if (target_.startsWith("line/") && figures.findLine(name.toStdString()) != nullptr) {
            html = lineHtml(*figures.findLine(name.toStdString()));
        } else if (target_.startsWith("promise/") && figures.findPromise(name.toStdString()) != nullptr) {
            html = promiseHtml(*figures.findPromise(name.toStdString()));
        } else if (target_.startsWith("mode/") && mode && !figures.modes.empty()) {
            html = modeHtml(figures.modes[*mode]);
        } else if (target_ == "rhythm/average" && figures.rhythm) {
            html = "<p><b>" + tr("Average current") + "</b></p>" + stepsHtml(figures.rhythm->averageWorkings);
        } else if (target_ == "rhythm/life" && figures.rhythm) {
            html = "<p><b>" + tr("Battery") + "</b></p>" + stepsHtml(figures.rhythm->lifeWorkings);
        }
    }
    if (html.isEmpty()) {
        html = QString("<p style='color:%1'>%2</p>")
                   .arg(theme_.muted.name(), tr("Select a clock or a promise to see its arithmetic."));
    }
    setFont(wordFont());
    document()->setDefaultStyleSheet(
        QString("a { color: %1; text-decoration: none; font-weight: bold }").arg(theme_.thread.name()));
    const int place = verticalScrollBar()->value();
    setHtml(html);
    verticalScrollBar()->setValue(place);
}

} // namespace wisetick::app
