#pragma once

#include <QList>
#include <QStringList>

namespace wisetick::app {

/// A place in the documents: a page, a heading of it, and the line that was meant.
struct DocPlace {
    QString page;    ///< "rhythm.md", "parts/README.md"
    QString title;   ///< of the page
    QString heading; ///< above the line; the title itself at the beginning of a page
    QString line;    ///< as it reads, without its marks
};

/// The documents that ship, read once, and searched by words.
class DocIndex {
public:
    explicit DocIndex(QString folder);

    /// Pages with their titles, those that one begins with first.
    const QList<DocPlace>& pages() const { return pages_; }
    QStringList headingsOf(const QString& page) const;
    /// Where all the words stand, in whatever order: in headings first, then in lines; no more than `most`, at most three of a
    /// page.
    QList<DocPlace> find(const QString& words, int most) const;

private:
    QString folder_;
    QList<DocPlace> pages_;
    QList<DocPlace> lines_;
};

} // namespace wisetick::app
