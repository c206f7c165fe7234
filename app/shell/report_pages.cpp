#include "shell/report_pages.h"

#include "paint/text.h"
#include "paint/theme.h"

#include <QAbstractTextDocumentLayout>
#include <QPagedPaintDevice>
#include <QPainter>
#include <QTextBlock>
#include <QTextCursor>
#include <QTextTable>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kPictureObject = QTextFormat::UserObject + 1;
constexpr int kPictureName = QTextFormat::UserProperty + 1;
constexpr int kPictureFrom = QTextFormat::UserProperty + 2; ///< pixels, of a part
constexpr int kPictureTo = QTextFormat::UserProperty + 3;
constexpr int kTextAbove = QTextFormat::UserProperty + 4; ///< which of the texts; none: -1
constexpr int kTextBelow = QTextFormat::UserProperty + 5;
constexpr qreal kMargin = 15;    ///< mm
constexpr qreal kFootHeight = 8; ///< mm, at the bottom of the text's area
constexpr qreal kTextPoints = 9;
constexpr qreal kUnits = 4; ///< to a point, in which the document is set
constexpr qreal kDots = 72 * kUnits;
constexpr qreal kCellPadding = 1.5; ///< points
constexpr qreal kBehindTable = 10;  ///< points
constexpr qreal kAboveTitle = 130;  ///< points
constexpr qreal kMostOfAPage = 0.8; ///< that a picture takes
constexpr qreal kShrink = 0.62;     ///< points of a page for a pixel of a screen

qreal millimetres(qreal value) {
    return value / 25.4 * kDots;
}

QTextCharFormat letters(qreal size, const QColor& colour, bool isBold = false) {
    QTextCharFormat format;
    format.setFontFamilies({faceFont(Face::word).family()});
    format.setProperty(QTextFormat::FontPixelSize, qRound(size * kUnits));
    format.setForeground(colour);
    format.setFontWeight(isBold ? QFont::DemiBold : QFont::Normal);
    return format;
}

QTextBlockFormat spaced(qreal above, qreal below) {
    QTextBlockFormat format;
    format.setTopMargin(above * kUnits);
    format.setBottomMargin(below * kUnits);
    return format;
}

/// Of a block with nothing in it, so many points high.
QTextBlockFormat flat(qreal height) {
    QTextBlockFormat format;
    format.setLineHeight(height * kUnits, QTextBlockFormat::FixedHeight);
    return format;
}

QString markOf(State state) {
    switch (state) {
    case State::kept: return QStringLiteral("\u25CF ");
    case State::strained: return QStringLiteral("\u25D0 ");
    case State::broken: return QStringLiteral("\u25CB ");
    case State::pending:
    case State::elsewhere: return {};
    }
    return {};
}

/// A chapter begins on a page of its own, but for short ones.
bool startsPage(const ReportBlock& block) {
    return block.level == 2 && block.anchor != "takes" && block.anchor != "findings";
}

} // namespace

ReportPages::ReportPages(std::vector<ReportBlock> blocks, ReportPictures pictures)
    : blocks_(std::move(blocks)), pictures_(std::move(pictures)) {
    document_.documentLayout()->registerHandler(kPictureObject, this);
    QFont font = faceFont(Face::word);
    font.setPixelSize(qRound(kTextPoints * kUnits));
    document_.setDefaultFont(font);
    document_.setDocumentMargin(0);
}

/// Units of the document for a pixel of the picture; what can be cut is as wide as the page wherever it ends.
qreal ReportPages::scaleOf(const ReportPicture& picture) const {
    const QSizeF page = document_.pageSize();
    const qreal wide = std::min(kShrink * kUnits, page.width() / picture.size.width());
    return picture.cuts.empty() ? std::min(wide, page.height() * kMostOfAPage / picture.size.height()) : wide;
}

/// The height of a text of its own above or below a picture; 0 where there is none.
qreal ReportPages::heightOf(const QTextFormat& format, int which) const {
    const int text = format.intProperty(which);
    return text < 0 ? 0 : texts_[static_cast<std::size_t>(text)]->size().height();
}

QSizeF ReportPages::intrinsicSize(QTextDocument*, int, const QTextFormat& format) {
    const auto found = pictures_.find(format.stringProperty(kPictureName).toStdString());
    if (found == pictures_.end()) {
        return {};
    }
    const ReportPicture& picture = found->second;
    const qreal height = picture.cuts.empty()
                             ? picture.size.height()
                             : picture.headHeight + format.doubleProperty(kPictureTo) - format.doubleProperty(kPictureFrom);
    const QSizeF size = QSizeF(picture.size.width(), height) * scaleOf(picture);
    return {size.width(), size.height() + heightOf(format, kTextAbove) + heightOf(format, kTextBelow)};
}

void ReportPages::drawObject(QPainter* painter, const QRectF& rect, QTextDocument*, int, const QTextFormat& format) {
    const auto found = pictures_.find(format.stringProperty(kPictureName).toStdString());
    if (found == pictures_.end()) {
        return;
    }
    const ReportPicture& picture = found->second;
    const qreal above = heightOf(format, kTextAbove);
    const qreal below = heightOf(format, kTextBelow);
    const QRectF area = rect.adjusted(0, above, 0, -below);
    for (const auto& [which, top] : {std::pair(kTextAbove, rect.top()), std::pair(kTextBelow, area.bottom())}) {
        if (const int text = format.intProperty(which); text >= 0) {
            painter->save();
            painter->translate(rect.left(), top);
            texts_[static_cast<std::size_t>(text)]->drawContents(painter);
            painter->restore();
        }
    }
    painter->save();
    painter->translate(area.topLeft());
    const qreal scale = scaleOf(picture);
    painter->scale(scale, scale);
    painter->setClipRect(QRectF(0, 0, picture.size.width(), area.height() / scale), Qt::IntersectClip);
    if (picture.cuts.empty()) {
        picture.paint(*painter);
    } else {
        picture.paintPart(*painter, format.doubleProperty(kPictureFrom), format.doubleProperty(kPictureTo));
    }
    painter->restore();
}

int ReportPages::pageAt(int position) const {
    const QRectF rect = document_.documentLayout()->blockBoundingRect(document_.findBlock(position));
    return static_cast<int>((rect.bottom() - 1) / document_.pageSize().height()) + 1; // its top is where the break before it is
}

int ReportPages::pageOf(const QString& title) const {
    const auto entry = std::find_if(entries_.begin(), entries_.end(), [&](const Entry& each) { return each.title == title; });
    return entry == entries_.end() ? 0 : pageAt(entry->at.position());
}

QStringList ReportPages::contents() const {
    QStringList lines;
    for (const Entry& entry : entries_) {
        lines << entry.title + " " + entry.number.block().text();
    }
    return lines;
}

void ReportPages::addTable(const ReportBlock& block) {
    QTextCursor cursor(&document_);
    cursor.movePosition(QTextCursor::End);
    const int columns = static_cast<int>(block.rows.front().size());
    QTextTableFormat format;
    format.setBorder(0);
    format.setCellPadding(kCellPadding * kUnits);
    format.setCellSpacing(0);
    format.setHeaderRowCount(1);
    format.setWidth(QTextLength(QTextLength::PercentageLength, 100));
    const Theme& theme = lightTheme();
    // the room above is in its head, for an empty block takes none; room below that reaches into the next page would have the
    // head repeated there for nothing
    if (!std::exchange(isBehindTable_, false)) {
        cursor.insertBlock(QTextBlockFormat());
    }
    QTextTable* table = cursor.insertTable(static_cast<int>(block.rows.size()), columns, format);
    for (std::size_t row = 0; row < block.rows.size(); ++row) {
        for (std::size_t column = 0; column < block.rows[row].size(); ++column) {
            QTextTableCell cell = table->cellAt(static_cast<int>(row), static_cast<int>(column));
            QTextTableCellFormat look;
            look.setBottomBorderStyle(QTextFrameFormat::BorderStyle_Solid);
            look.setBottomBorder(0.4 * kUnits);
            look.setBottomBorderBrush(theme.line);
            look.setTopPadding((row == 0 ? kBehindTable : kCellPadding) * kUnits);
            cell.setFormat(look);
            QTextCursor into = cell.firstCursorPosition();
            QTextBlockFormat side;
            const bool isNumber = column < block.isNumber.size() && block.isNumber[column];
            side.setAlignment(isNumber ? Qt::AlignRight : Qt::AlignLeft);
            into.setBlockFormat(side);
            into.insertText(text(block.rows[row][column]), letters(kTextPoints - 1.5, row == 0 ? theme.muted : theme.ink));
        }
    }
    cursor.movePosition(QTextCursor::End);
    cursor.setBlockFormat(flat(0.25)); // what stands behind a table takes no room, or it would make a page of its own
    isBehindTable_ = true;
}

/// Begins a block at the end; behind a table there is one already, without any room above it.
void ReportPages::beginBlock(QTextCursor& cursor, const QTextBlockFormat& format) {
    const bool isBehindTable = std::exchange(isBehindTable_, false);
    if (isBehindTable && format.pageBreakPolicy() == QTextFormat::PageBreak_AlwaysBefore) {
        cursor.setBlockFormat(format);
        return;
    }
    if (isBehindTable) {
        cursor.setBlockFormat(flat(kBehindTable));
        cursor.insertText(QString(QChar::Nbsp)); // else it is taken for none
    }
    cursor.insertBlock(format);
}

/// A text of its own, as wide as the page; its number.
int ReportPages::addOwnText(const Blocks& blocks) {
    auto own = std::make_unique<QTextDocument>();
    own->documentLayout()->setPaintDevice(document_.documentLayout()->paintDevice());
    own->setDefaultFont(document_.defaultFont());
    own->setDocumentMargin(0);
    own->setTextWidth(document_.pageSize().width());
    QTextCursor cursor(own.get());
    for (const ReportBlock* block : blocks) {
        addText(cursor, *block, [&](const QTextBlockFormat& format) {
            block == blocks.front() ? cursor.setBlockFormat(format) : cursor.insertBlock(format);
        });
    }
    texts_.push_back(std::move(own));
    return static_cast<int>(texts_.size()) - 1;
}

/// A picture and what is said of it stay together, and so does `above` while that leaves room; a long one is cut over pages.
void ReportPages::addPicture(const ReportBlock& block, const Blocks& above) {
    const ReportPicture& picture = pictures_.at(block.anchor);
    ReportBlock said = block;
    said.kind = ReportBlock::Kind::picture;
    QTextCharFormat format;
    format.setObjectType(kPictureObject);
    format.setProperty(kPictureName, text(block.anchor));
    format.setProperty(kTextAbove, above.empty() ? -1 : addOwnText(above));
    format.setProperty(kTextBelow, -1);
    const int below = addOwnText({&said});
    const qreal page = document_.pageSize().height();
    if (picture.cuts.empty() &&
        heightOf(format, kTextAbove) + picture.size.height() * scaleOf(picture) + texts_.back()->size().height() > page) {
        format.setProperty(kTextAbove, -1);
        addBlocks(above);
    }
    QTextCursor cursor(&document_);
    const qreal room = page * kMostOfAPage / scaleOf(picture) - picture.headHeight;
    qreal from = picture.headHeight;
    for (std::size_t i = 0; i < std::max<std::size_t>(picture.cuts.size(), 1); ++i) {
        const bool isLast = i + 1 >= picture.cuts.size();
        if (!isLast && picture.cuts[i + 1] - from <= room) {
            continue;
        }
        format.setProperty(kPictureFrom, from);
        format.setProperty(kPictureTo, picture.cuts.empty() ? picture.size.height() : picture.cuts[i]);
        format.setProperty(kTextBelow, isLast ? below : -1);
        cursor.movePosition(QTextCursor::End);
        beginBlock(cursor, spaced(6, isLast ? 8 : 2));
        cursor.insertText(QString(QChar::ObjectReplacementCharacter), format);
        if (format.intProperty(kTextAbove) >= 0) {
            enter(above);
            format.setProperty(kTextAbove, -1);
        }
        from = picture.cuts.empty() ? 0 : picture.cuts[i];
    }
}

/// Writes a heading, a paragraph or what is said of a picture into the block that `begin` begins.
void ReportPages::addText(QTextCursor& cursor, const ReportBlock& block,
                          const std::function<void(const QTextBlockFormat&)>& begin) {
    const Theme& theme = lightTheme();
    const QColor colour = block.state ? theme.of(*block.state) : theme.ink;
    switch (block.kind) {
    case ReportBlock::Kind::heading: {
        const qreal size = block.level == 2 ? 16 : 11;
        QTextBlockFormat format = spaced(block.level > 2 ? 14 : startsPage(block) ? 0 : 24, 6);
        if (startsPage(block)) {
            format.setPageBreakPolicy(QTextFormat::PageBreak_AlwaysBefore);
        }
        begin(format);
        cursor.insertText(block.state ? markOf(*block.state) : QString(), letters(size, colour, true));
        cursor.insertText(text(block.text), letters(size, theme.ink, true));
        break;
    }
    case ReportBlock::Kind::paragraph:
        begin(spaced(0, 4));
        cursor.insertText(block.state ? markOf(*block.state) : QString(), letters(kTextPoints, colour));
        cursor.insertText(text(block.text), letters(kTextPoints, theme.ink));
        break;
    case ReportBlock::Kind::picture:
        begin(spaced(2, 0));
        cursor.insertText(text(block.text), letters(kTextPoints - 1.5, theme.muted));
        break;
    case ReportBlock::Kind::table: break;
    }
}

void ReportPages::addBlock(const ReportBlock& block) {
    if (block.kind == ReportBlock::Kind::table) {
        if (block.rows.size() > 1) {
            addTable(block);
        }
        return;
    }
    if (block.kind == ReportBlock::Kind::paragraph && block.text.empty()) {
        return;
    }
    QTextCursor cursor(&document_);
    cursor.movePosition(QTextCursor::End);
    addText(cursor, block, [&](const QTextBlockFormat& format) { beginBlock(cursor, format); });
    enter({&block});
}

void ReportPages::addBlocks(const Blocks& blocks) {
    for (const ReportBlock* block : blocks) {
        addBlock(*block);
    }
}

/// Notes where headings stand that were just written, or that the picture written next carries above it.
void ReportPages::enter(const Blocks& blocks) {
    for (const ReportBlock* block : blocks) {
        if (block->kind == ReportBlock::Kind::heading) {
            QTextCursor cursor(&document_);
            cursor.movePosition(QTextCursor::End);
            entries_.push_back({text(block->text), block->level, cursor, {}});
            entries_.back().at.setKeepPositionOnInsert(true);
        }
    }
}

/// All before the first chapter is the title page; the contents follow on the next one.
void ReportPages::addFrontAndContents() {
    const Theme& theme = lightTheme();
    QTextCursor cursor(&document_);
    bool isFirst = true;
    for (const ReportBlock& block : blocks_) {
        if (block.kind == ReportBlock::Kind::heading && block.level > 1) {
            break;
        }
        if (isFirst && block.kind == ReportBlock::Kind::heading) {
            cursor.setBlockFormat(spaced(0, kAboveTitle));
            cursor.insertBlock(spaced(0, 18));
            cursor.insertText(text(block.text), letters(30, theme.ink, true));
            isFirst = false;
        } else {
            addBlock(block);
        }
    }
    cursor.movePosition(QTextCursor::End);
    QTextBlockFormat format = spaced(0, 8);
    format.setPageBreakPolicy(QTextFormat::PageBreak_AlwaysBefore);
    cursor.insertBlock(format);
    cursor.insertText(tr("Contents"), letters(16, theme.ink, true));
}

/// A heading within a chapter waits, with what is said below it, for the picture that may follow.
void ReportPages::addChapters() {
    Blocks waiting;
    bool isFront = true;
    for (const ReportBlock& block : blocks_) {
        const bool isHeading = block.kind == ReportBlock::Kind::heading;
        isFront = isFront && !(isHeading && block.level > 1);
        if (isFront) {
            continue;
        }
        if (block.kind == ReportBlock::Kind::picture) {
            if (pictures_.contains(block.anchor)) {
                addPicture(block, std::exchange(waiting, {}));
            }
            continue;
        }
        if (isHeading || block.kind == ReportBlock::Kind::table) {
            addBlocks(std::exchange(waiting, {}));
        }
        const bool isEmpty = block.kind == ReportBlock::Kind::paragraph && block.text.empty();
        if ((isHeading && block.level > 2) || (!waiting.empty() && !isEmpty)) {
            waiting.push_back(&block);
        } else {
            addBlock(block);
        }
    }
    addBlocks(waiting);
}

void ReportPages::set() {
    addFrontAndContents();
    std::vector<const ReportBlock*> headings;
    for (const ReportBlock& block : blocks_) {
        if (block.kind == ReportBlock::Kind::heading && block.level > 1) {
            headings.push_back(&block);
        }
    }
    QTextCursor cursor(&document_);
    cursor.movePosition(QTextCursor::End);
    QTextTableFormat wide;
    wide.setBorder(0);
    wide.setCellPadding(kUnits);
    wide.setCellSpacing(0);
    wide.setColumnWidthConstraints(
        {QTextLength(QTextLength::PercentageLength, 90), QTextLength(QTextLength::PercentageLength, 10)});
    wide.setWidth(QTextLength(QTextLength::PercentageLength, 100));
    QTextTable* contents = headings.empty() ? nullptr : cursor.insertTable(static_cast<int>(headings.size()), 2, wide);
    for (std::size_t i = 0; i < headings.size(); ++i) {
        QTextCursor name = contents->cellAt(static_cast<int>(i), 0).firstCursorPosition();
        QTextBlockFormat indent;
        indent.setLeftMargin(headings[i]->level > 2 ? 14 * kUnits : 0);
        name.setBlockFormat(indent);
        const State* state = headings[i]->state ? &*headings[i]->state : nullptr;
        name.insertText(state == nullptr ? QString() : markOf(*state),
                        letters(kTextPoints, state == nullptr ? lightTheme().ink : lightTheme().of(*state)));
        name.insertText(text(headings[i]->text), letters(kTextPoints, lightTheme().ink, headings[i]->level == 2));
    }
    addChapters();
    for (std::size_t i = 0; i < entries_.size() && contents != nullptr; ++i) {
        entries_[i].number = contents->cellAt(static_cast<int>(i), 1).firstCursorPosition();
    }
}

/// What is said of the pages takes no room of its own: the lines stand already.
void ReportPages::numberContents() {
    std::vector<int> pages;
    for (const Entry& entry : entries_) {
        pages.push_back(pageAt(entry.at.position()));
    }
    for (std::size_t i = 0; i < entries_.size(); ++i) {
        QTextBlockFormat right;
        right.setAlignment(Qt::AlignRight);
        entries_[i].number.setBlockFormat(right);
        entries_[i].number.insertText(QString::number(pages[i]), letters(kTextPoints, lightTheme().ink));
    }
}

void ReportPages::print(QPagedPaintDevice& paper) {
    paper.setPageMargins(QMarginsF(kMargin, kMargin, kMargin, kMargin), QPageLayout::Millimeter);
    const QSizeF area = paper.pageLayout().paintRect(QPageLayout::Point).size() * kUnits;
    const QSizeF page(area.width(), area.height() - millimetres(kFootHeight));
    document_.setPageSize(page);
    QTextCursor all(&document_); // laid out once for all that is inserted
    all.beginEditBlock();
    set();
    all.endEditBlock();
    all.beginEditBlock();
    numberContents();
    all.endEditBlock();
    QPainter painter(&paper);
    const qreal scale = painter.device()->logicalDpiX() / kDots;
    painter.scale(scale, scale);
    QFont foot = faceFont(Face::word);
    foot.setPixelSize(qRound(8 * kUnits));
    const int count = document_.pageCount();
    for (int i = 0; i < count; ++i) {
        if (i > 0) {
            paper.newPage();
        }
        painter.save();
        painter.translate(0, -i * page.height());
        QAbstractTextDocumentLayout::PaintContext context;
        context.clip = QRectF(0, i * page.height(), page.width(), page.height());
        painter.setClipRect(context.clip);
        document_.documentLayout()->draw(&painter, context);
        painter.restore();
        if (i > 0) { // not on the title
            painter.setFont(foot);
            painter.setPen(lightTheme().muted);
            const QRectF below(0, area.height() - millimetres(kFootHeight) / 2, area.width(), millimetres(kFootHeight) / 2);
            painter.drawText(below, Qt::AlignLeft, text(blocks_.front().text));
            painter.drawText(below, Qt::AlignRight, tr("page %1 of %2").arg(i + 1).arg(count));
        }
    }
}

} // namespace wisetick::app
