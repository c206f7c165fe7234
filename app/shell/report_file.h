#pragma once

#include "document/document.h"

class QByteArray;

namespace wisetick::app {

/// Writes the plan for people into a file, whole or not at all: HTML, or by its ending PDF (A4, with page numbers) or Markdown.
/// `clocks`: the picture of the clocks as SVG. Why it could not be written; empty where it was.
QString writeReportFile(const Document& document, const QByteArray& clocks, const QString& path);

} // namespace wisetick::app
