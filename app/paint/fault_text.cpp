#include "paint/fault_text.h"

#include "language/said.h"

namespace wisetick::app {

QString faultHtml(const QString& line, const TextError& error, const Theme& theme) {
    const QByteArray bytes = line.toUtf8();
    const auto from = static_cast<qsizetype>(error.position);
    const auto length = static_cast<qsizetype>(error.length);
    const QString before = QString::fromUtf8(bytes.left(from)).toHtmlEscaped();
    const QString word = QString::fromUtf8(bytes.mid(from, length)).toHtmlEscaped();
    const QString after = QString::fromUtf8(bytes.mid(from + length)).toHtmlEscaped();
    return QString("<span style='color:%1'>%2<u><b style='color:%3'>%4</b></u>%5</span><br><span style='color:%3'>%6</span>")
        .arg(theme.muted.name(), before, theme.broken.name(), word.isEmpty() ? "&nbsp;&nbsp;" : word, after,
             text(sayText(error)).toHtmlEscaped());
}

} // namespace wisetick::app
