#pragma once

#include "handover/report.h"
#include "picture/report_picture.h"

#include <QTextCursor>
#include <QTextDocument>
#include <QTextObjectInterface>

#include <functional>
#include <memory>

class QPagedPaintDevice;

namespace wisetick::app {

/// A report set as pages: the title on the first, contents with page numbers, each long chapter from a page of its own, and the
/// pictures as lines, no wider than the text and no higher than a page.
class ReportPages : public QObject, public QTextObjectInterface {
    Q_OBJECT
    Q_INTERFACES(QTextObjectInterface)

public:
    ReportPages(std::vector<ReportBlock> blocks, ReportPictures pictures);

    /// What a paper must count to an inch: that of a screen, for which the pictures' letters are.
    static constexpr int kDotsPerInch = 96;
    /// Sets it for the paper, and paints all of it there.
    void print(QPagedPaintDevice& paper);
    /// After it was printed.
    int pageCount() const { return document_.pageCount(); }
    /// The page of a chapter or of what is below it, from 1; 0 where it has none.
    int pageOf(const QString& title) const;
    /// The contents as they are printed: "Promises 6".
    QStringList contents() const;

    QSizeF intrinsicSize(QTextDocument* document, int position, const QTextFormat& format) override;
    void drawObject(QPainter* painter, const QRectF& rect, QTextDocument* document, int position,
                    const QTextFormat& format) override;

private:
    void set();
    void addFrontAndContents();
    using Blocks = std::vector<const ReportBlock*>;
    using Texts = std::vector<std::unique_ptr<QTextDocument>>;
    void addBlock(const ReportBlock& block);
    void addBlocks(const Blocks& blocks);
    static void addText(QTextCursor& cursor, const ReportBlock& block, const std::function<void(const QTextBlockFormat&)>& begin);
    void beginBlock(QTextCursor& cursor, const QTextBlockFormat& format);
    void addTable(const ReportBlock& block);
    void addPicture(const ReportBlock& block, const Blocks& above);
    void addChapters();
    int addOwnText(const Blocks& blocks);
    void enter(const Blocks& blocks);
    qreal heightOf(const QTextFormat& format, int which) const;
    void numberContents();
    int pageAt(int position) const;
    qreal scaleOf(const ReportPicture& picture) const;

    struct Entry {
        QString title;
        int level = 2;
        QTextCursor at = {};     ///< where its heading stands
        QTextCursor number = {}; ///< where its page is said
    };

    std::vector<ReportBlock> blocks_;
    ReportPictures pictures_;
    QTextDocument document_;
    std::vector<Entry> entries_;
    bool isBehindTable_ = false; ///< the last block is the empty one that a table leaves
    Texts texts_;                ///< what stands above or below a picture and must stay on its page
};

} // namespace wisetick::app
