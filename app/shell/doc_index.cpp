#include "shell/doc_index.h"

#include <QDirIterator>
#include <QFile>
#include <QMap>
#include <QRegularExpression>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kMostOfPage = 3;
const QStringList kFirst{"window.md", "promise-lines.md", "plan-files.md", "part-files.md", "seek.md", "bench.md"};

/// A line without the marks of Markdown.
QString plain(QString line) {
    static const QRegularExpression links(R"(!?\[([^\]]*)\]\([^)]*\))");
    static const QRegularExpression marks(R"([*`|#>])");
    return line.replace(links, "\\1").remove(marks).simplified();
}

} // namespace

DocIndex::DocIndex(QString folder) : folder_(std::move(folder)) {
    QStringList paths;
    for (QDirIterator all(folder_, {"*.md"}, QDir::Files, QDirIterator::Subdirectories); all.hasNext();) {
        paths << QDir(folder_).relativeFilePath(all.next());
    }
    std::sort(paths.begin(), paths.end(), [](const QString& a, const QString& b) {
        const auto rank = [](const QString& path) {
            const auto place = kFirst.indexOf(path);
            return std::pair(place < 0 ? kFirst.size() + path.count('/') : place, path);
        };
        return rank(a) < rank(b);
    });
    for (const QString& path : paths) {
        QFile file(QDir(folder_).filePath(path));
        if (!file.open(QIODevice::ReadOnly)) {
            continue;
        }
        DocPlace at{path, path, path, {}};
        bool isFenced = false;
        for (const QString& line : QString::fromUtf8(file.readAll()).split('\n')) {
            isFenced = isFenced != line.startsWith("```");
            if (!isFenced && line.startsWith('#')) {
                at.heading = plain(line);
                at.title = at.title == path ? at.heading : at.title;
            }
            at.line = plain(line);
            if (!at.line.isEmpty()) {
                lines_ << at;
            }
        }
        pages_ << DocPlace{path, at.title, at.title, {}};
    }
}

QStringList DocIndex::headingsOf(const QString& page) const {
    QStringList headings;
    for (const DocPlace& each : lines_) {
        if (each.page == page && each.line == each.heading) {
            headings << each.heading;
        }
    }
    return headings;
}

QList<DocPlace> DocIndex::find(const QString& words, int most) const {
    const QStringList wanted = words.simplified().split(' ', Qt::SkipEmptyParts);
    QList<DocPlace> headings;
    QList<DocPlace> others;
    QMap<QString, int> ofPage;
    for (const DocPlace& each : lines_) {
        const auto has = [&](const QString& text) {
            return std::all_of(wanted.begin(), wanted.end(),
                               [&](const QString& word) { return text.contains(word, Qt::CaseInsensitive); });
        };
        if (wanted.isEmpty() || !has(each.title + " " + each.heading + " " + each.line)) {
            continue;
        }
        const bool isHeading = each.line == each.heading;
        if (isHeading || (has(each.line) && ofPage[each.page]++ < kMostOfPage)) {
            (isHeading ? headings : others) << each;
        }
    }
    return (headings + others).mid(0, most);
}

} // namespace wisetick::app
