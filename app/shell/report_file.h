#pragma once

#include "document/document.h"
#include "picture/report_picture.h"

class QPagedPaintDevice;

namespace wisetick::app {

/// Writes the plan for people into a file, whole or not at all: HTML, or by its ending PDF or Markdown. Why it could not be
/// written; empty where it was.
QString writeReportFile(const Document& document, const ReportPictures& pictures, const QString& path);

/// The same as pages on paper: a title page, contents with page numbers, and the pictures drawn as lines.
void printReportPages(const Document& document, const ReportPictures& pictures, QPagedPaintDevice& paper);

} // namespace wisetick::app
