#include "shell/report_file.h"

#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "evaluate/takes_that_count.h"
#include "files/whole_file.h"
#include "handover/report.h"
#include "paint/text.h"
#include "shell/report_pages.h"

#include <QBuffer>
#include <QPdfWriter>

namespace wisetick::app {

namespace {

/// The active take first, then the others that count, each with its workings.
std::vector<ReportBlock> blocksOf(const Part& part, const Plan& plan) {
    std::vector<Figures> takes;
    for (const std::string& name : takesThatCount(plan)) {
        Figures figures = evaluate(part, plan, name);
        addWorkings(part, plan, figures);
        takes.push_back(takes.empty() ? std::move(figures) : ownOf(plan, std::move(figures), takes.front(), false));
    }
    return reportOf(part, plan, takes);
}

/// As SVG, without what stands before the picture itself, so that it can stand inside a page.
std::map<std::string, std::string> bareSvgs(const ReportPictures& pictures) {
    std::map<std::string, std::string> all;
    for (const auto& [name, picture] : pictures) {
        const QByteArray svg = svgOf(picture);
        all[name] = svg.mid(std::max<qsizetype>(svg.indexOf("<svg"), 0)).toStdString();
    }
    return all;
}

QByteArray pdfOf(const Document& document, const ReportPictures& pictures) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    buffer.open(QIODevice::WriteOnly);
    QPdfWriter writer(&buffer);
    writer.setPageSize(QPageSize(QPageSize::A4));
    writer.setResolution(ReportPages::kDotsPerInch);
    writer.setTitle(text(document.plan().name));
    printReportPages(document, pictures, writer);
    return bytes;
}

} // namespace

void printReportPages(const Document& document, const ReportPictures& pictures, QPagedPaintDevice& paper) {
    ReportPages(blocksOf(document.part(), document.plan()), pictures).print(paper);
}

QString writeReportFile(const Document& document, const ReportPictures& pictures, const QString& path) {
    std::string content;
    if (path.endsWith(".pdf")) {
        content = pdfOf(document, pictures).toStdString();
    } else {
        const std::vector<ReportBlock> blocks = blocksOf(document.part(), document.plan());
        content = path.endsWith(".md") ? reportMarkdown(blocks) : reportHtml(blocks, bareSvgs(pictures));
    }
    return text(writeWholeFile(path.toStdString(), content));
}

} // namespace wisetick::app
