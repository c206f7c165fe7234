#include "shell/report_file.h"

#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"
#include "files/whole_file.h"
#include "handover/report.h"
#include "paint/text.h"

#include <QBuffer>
#include <QPainter>
#include <QPdfWriter>
#include <QSvgRenderer>
#include <QTextDocument>
#include <QUrl>

namespace wisetick::app {

namespace {

constexpr int kDotsPerInch = 150;

/// The active take first, then the others that count, each with its workings.
std::vector<Figures> figuresOfTakes(const Part& part, const Plan& plan) {
    std::vector<Figures> takes;
    for (const std::string& name : takesThatCount(plan)) {
        Figures figures = evaluate(part, plan, name);
        addWorkings(part, plan, figures);
        takes.push_back(takes.empty() ? std::move(figures) : ownOf(plan, std::move(figures), takes.front(), false));
    }
    return takes;
}

/// Without what stands before the picture itself, so that it can stand inside a page.
std::string bareSvg(const QByteArray& svg) {
    const qsizetype begin = svg.indexOf("<svg");
    return begin < 0 ? std::string() : svg.mid(begin).toStdString();
}

/// Pages of A4 with their numbers, the picture drawn at the width of the page.
QByteArray pdfOf(const std::vector<ReportBlock>& blocks, const QByteArray& clocks, const QString& title) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setPageSize(QPageSize(QPageSize::A4));
    writer.setPageMargins(QMarginsF(15, 15, 15, 15), QPageLayout::Millimeter);
    writer.setResolution(kDotsPerInch);
    writer.setTitle(title);
    QTextDocument document;
    document.setDefaultFont(QFont(faceFont(Face::word).family(), 9));
    QSvgRenderer renderer(clocks);
    std::map<std::string, std::string> pictures;
    if (renderer.isValid()) {
        const QSize size = renderer.defaultSize() * 2;
        QImage image(size, QImage::Format_RGB32);
        image.fill(Qt::white);
        QPainter painter(&image);
        renderer.render(&painter);
        painter.end();
        document.addResource(QTextDocument::ImageResource, QUrl("picture:clocks"), image);
        const int width = std::min(600, 600 * size.width() / std::max(size.height(), 1)); // it stands on one page
        pictures["clocks"] = "<p><img src=\"picture:clocks\" width=\"" + std::to_string(width) + "\"/></p>";
    }
    QString html = text(reportHtml(blocks, pictures));
    html.replace("<table>", "<table width=\"100%\">");
    const qsizetype style = html.indexOf("<style>"); // its own: that of a page on a screen is none of a printed one's
    html.remove(style, html.indexOf("</style>") - style);
    html.insert(style, "<style>table { margin: 6px 0; } th { color: #6E7880; font-weight: normal; text-align: left; } td, th { "
                       "padding: 2px 8px 2px 0; } .number { text-align: right; "
                       "} "
                       "a { color: #1E2830; text-decoration: none; } h2 { page-break-before: always; } .broken { color: #A8274A; "
                       "} .strained { color: #8A5B00; } .kept { color: #0B6E69; }");
    document.setHtml(html);
    document.print(&writer);
    return bytes;
}

} // namespace

QString writeReportFile(const Document& document, const QByteArray& clocks, const QString& path) {
    const std::vector<ReportBlock> blocks =
        reportOf(document.part(), document.plan(), figuresOfTakes(document.part(), document.plan()));
    std::string content;
    if (path.endsWith(".pdf")) {
        content = pdfOf(blocks, clocks, text(document.plan().name)).toStdString();
    } else if (path.endsWith(".md")) {
        content = reportMarkdown(blocks);
    } else {
        content = reportHtml(blocks, {{"clocks", bareSvg(clocks)}});
    }
    return text(writeWholeFile(path.toStdString(), content));
}

} // namespace wisetick::app
