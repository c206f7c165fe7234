#include "seek/refusal_view.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <QEvent>

#include <algorithm>

namespace wisetick::app {

RefusalView::RefusalView(QWidget* parent) : QTextBrowser(parent) {
    setFrameShape(QFrame::NoFrame);
    setOpenLinks(false);
    setAccessibleName(tr("Why nothing fits"));
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    document()->setDocumentMargin(12);
    connect(this, &QTextBrowser::anchorClicked, this, &RefusalView::follow);
}

void RefusalView::setTheme(const Theme& theme) {
    theme_ = theme;
    static_cast<SlimScrollBar*>(verticalScrollBar())->setTheme(theme);
    QPalette palette = this->palette();
    palette.setColor(QPalette::Base, theme.paper);
    palette.setColor(QPalette::Text, theme.ink);
    palette.setColor(QPalette::Link, theme.thread);
    setPalette(palette);
    render();
}

void RefusalView::show(const RefusalShown& refusal, const Question& question) {
    refusal_ = refusal;
    question_ = question;
    render();
    verticalScrollBar()->setValue(0);
}

void RefusalView::render() {
    document()->setDefaultStyleSheet(
        QString("a { color: %1; text-decoration: none; font-weight: bold } .small { font-size: %2pt; color: %3 } "
                ".broken { color: %4 } p { margin: 0 0 4px 0 }")
            .arg(theme_.thread.name())
            .arg(faceFont(Face::small).pointSizeF())
            .arg(theme_.muted.name(), theme_.broken.name()));
    QString html;
    const bool isOne = refusal_.conflict.size() == 1; // all is said of it in the title
    if (!refusal_.conflict.empty()) {
        const QString title = isOne ? tr("Nothing fits: this can't be kept") : tr("Nothing fits: these can't be kept together");
        html += "<p class='broken'><b>" + title + "</b></p>";
    }
    if (!refusal_.other.empty()) {
        html += "<p class='broken'>" + escaped(refusal_.other) + "</p>";
    }
    for (std::size_t i = 0; i < refusal_.conflict.size(); ++i) {
        html += QString("<p>%1 <a href='lift/%2'>%3</a></p>").arg(escaped(refusal_.conflict[i].say)).arg(i).arg(tr("lift"));
    }
    if (!refusal_.explained.empty() && !isOne) {
        html += "<p class='small' style='margin-top:4px'>" + escaped(refusal_.explained) + "</p>";
    }
    if (!refusal_.conflict.empty() && !refusal_.isSmallest) {
        html += "<p class='small'>" + tr("There may be a smaller set.") + "</p>";
    }
    for (std::size_t i = 0; i < refusal_.crystals.size(); ++i) { // first what is easiest to mend
        html += "<p style='margin-top:8px'><b>" +
                tr("Nothing is fitted for %1; with one of these it can be kept").arg(escaped(refusal_.sources[i])) +
                "</b></p><p>";
        for (std::size_t k = 0; k < refusal_.crystals[i].hertz.size(); ++k) {
            html += QString("<a href='crystal/%1/%2'>%3</a> &nbsp; ")
                        .arg(i)
                        .arg(k)
                        .arg(tr("fit %1").arg(escaped(printQuantity(refusal_.crystals[i].hertz[k], Unit::hertz))));
        }
        html += "</p>";
    }
    const auto collides = [&](std::size_t wish) {
        return std::any_of(refusal_.conflict.begin(), refusal_.conflict.end(), [&](const RefusedPiece& piece) {
            return piece.demanded == Demanded{Demanded::Kind::wish, wish};
        });
    };
    QString title = "<p style='margin-top:8px'><b>" + tr("The nearest of each wish, if all others stay") + "</b></p>";
    for (std::size_t i = 0; i < refusal_.nearest.size(); ++i) {
        const Nearest& each = refusal_.nearest[i];
        if (!each.hertz && !collides(each.wish)) {
            continue; // it is not what is in the way
        }
        html += title;
        title.clear();
        html += "<p>" + escaped(printWish(question_.wishes[each.wish])) + ": ";
        if (each.hertz) {
            html += QString("<b>%1</b>%2 <a href='nearest/%3'>%4</a>")
                        .arg(escaped(printQuantity(*each.hertz, Unit::hertz)),
                             (each.error ? " <span class='small'>" + escaped(printError(*each.error)) + "</span>" : QString()) +
                                 (each.isAlone ? " <span class='small'>" + tr("alone") + "</span>" : QString()))
                        .arg(i)
                        .arg(tr("wish this"));
        } else {
            html += tr("not at all");
        }
        html += "</p>";
    }
    if (!refusal_.lifts.empty()) {
        html += "<p style='margin-top:8px'><b>" + tr("Lifted alone it would help") + "</b></p>";
    }
    for (std::size_t i = 0; i < refusal_.lifts.size(); ++i) {
        html += QString("<p>%1 <a href='help/%2'>%3</a></p>").arg(escaped(refusal_.lifts[i].say)).arg(i).arg(tr("lift"));
    }
    setHtml(html);
}

void RefusalView::follow(const QUrl& link) {
    const QString path = link.toString();
    const auto index = static_cast<std::size_t>(path.section('/', 1, 1).toInt());
    if (path.startsWith("lift/")) {
        emit liftWanted(refusal_.conflict[index]);
    } else if (path.startsWith("crystal/")) {
        const auto which = static_cast<std::size_t>(path.section('/', 2).toInt());
        emit crystalWanted(text(refusal_.sources[index]), refusal_.crystals[index].hertz[which]);
    } else if (path.startsWith("help/")) {
        emit liftWanted(refusal_.lifts[index]);
    } else {
        emit nearestWanted(refusal_.nearest[index].wish);
    }
}

void RefusalView::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        render();
    }
    QTextBrowser::changeEvent(event);
}

void RefusalView::paintEvent(QPaintEvent* event) {
    QTextBrowser::paintEvent(event);
    if (hasFocus()) {
        QPainter painter(viewport());
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

void RefusalView::focusInEvent(QFocusEvent* event) {
    QTextBrowser::focusInEvent(event);
    viewport()->update();
}

void RefusalView::focusOutEvent(QFocusEvent* event) {
    QTextBrowser::focusOutEvent(event);
    viewport()->update();
}

} // namespace wisetick::app
