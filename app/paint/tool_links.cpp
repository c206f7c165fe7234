#include "paint/tool_links.h"

#include "paint/text.h"

#include <QFocusEvent>
#include <QTextDocument>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

ToolLinks::ToolLinks(const QString& accessibleName) {
    setTextFormat(Qt::RichText);
    setWordWrap(true); // they need no more room than there is
    setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
    setAccessibleName(accessibleName);
    connect(this, &QLabel::linkActivated, this, [this](const QString& link) {
        const auto run = links_.at(link.toUInt()).run; // which may set others
        run();
    });
}

/// By Tab to the first link, backwards to the last: a stop on none of them would be one too many.
void ToolLinks::focusInEvent(QFocusEvent* event) {
    QLabel::focusInEvent(event);
    if (event->reason() == Qt::TabFocusReason || event->reason() == Qt::BacktabFocusReason) {
        focusNextPrevChild(event->reason() == Qt::TabFocusReason);
    }
}

void ToolLinks::setLinks(std::vector<Link> links, const Theme& theme) {
    links_ = std::move(links);
    QStringList all;
    for (std::size_t i = 0; i < links_.size(); ++i) {
        all << QString("<a href='%1' style='color:%2; text-decoration:none'>%3</a>")
                   .arg(i)
                   .arg(theme.thread.name(), links_[i].name.toHtmlEscaped().replace(' ', "&nbsp;"));
    }
    setFont(faceFont(Face::small));
    setText(all.join(" &nbsp; "));
    QTextDocument plain;
    plain.setDefaultFont(font());
    plain.setHtml(text());
    setAccessibleDescription(plain.toPlainText());
    plain.setDocumentMargin(0);
    allInOne_ = static_cast<int>(std::ceil(plain.idealWidth())) + 2;
    widest_ = 0;
    for (const Link& link : links_) {
        widest_ = std::max(widest_, static_cast<int>(std::ceil(textWidth(Face::small, link.name))) + 4);
    }
    updateGeometry();
}

QSize ToolLinks::sizeHint() const {
    return {allInOne_, QLabel::heightForWidth(allInOne_)};
}

QSize ToolLinks::minimumSizeHint() const {
    return {widest_, QLabel::heightForWidth(allInOne_)};
}

} // namespace wisetick::app
