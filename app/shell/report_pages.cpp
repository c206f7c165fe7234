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
constexpr qreal kMargin = 15;    ///< mm
constexpr qreal kFootHeight = 8; ///< mm, at the bottom of the text's area
constexpr qreal kTextPoints = 9;
constexpr qreal kUnits = 4; ///< to a point, in which the document is set
constexpr qreal kDots = 72 * kUnits;
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

QSizeF ReportPages::intrinsicSize(QTextDocument*, int, const QTextFormat& format) {
    const auto found = pictures_.find(format.stringProperty(kPictureName).toStdString());
    if (found == pictures_.end()) {
        return {};
    }
    const ReportPicture& picture = found->second;
    const qreal height = picture.cuts.empty()
                             ? picture.size.height()
                             : picture.headHeight + format.doubleProperty(kPictureTo) - format.doubleProperty(kPictureFrom);
    return QSizeF(picture.size.width(), height) * scaleOf(picture);
}

void ReportPages::drawObject(QPainter* painter, const QRectF& rect, QTextDocument*, int, const QTextFormat& format) {
    const auto found = pictures_.find(format.stringProperty(kPictureName).toStdString());
    if (found == pictures_.end()) {
        return;
    }
    const ReportPicture& picture = found->second;
    painter->save();
    painter->translate(rect.topLeft());
    const qreal scale = rect.width() / picture.size.width();
    painter->scale(scale, scale);
    painter->setClipRect(QRectF(0, 0, picture.size.width(), rect.height() / scale), Qt::IntersectClip);
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
    format.setCellPadding(1.5 * kUnits);
    format.setCellSpacing(0);
    format.setHeaderRowCount(1);
    format.setWidth(QTextLength(QTextLength::PercentageLength, 100));
    format.setTopMargin(4 * kUnits);
    format.setBottomMargin(8 * kUnits);
    const Theme& theme = lightTheme();
    cursor.insertBlock(spaced(0, 0), letters(2, theme.ink));
    QTextTable* table = cursor.insertTable(static_cast<int>(block.rows.size()), columns, format);
    for (std::size_t row = 0; row < block.rows.size(); ++row) {
        for (std::size_t column = 0; column < block.rows[row].size(); ++column) {
            QTextTableCell cell = table->cellAt(static_cast<int>(row), static_cast<int>(column));
            QTextTableCellFormat look;
            look.setBottomBorderStyle(QTextFrameFormat::BorderStyle_Solid);
            look.setBottomBorder(0.4 * kUnits);
            look.setBottomBorderBrush(theme.line);
            cell.setFormat(look);
            QTextCursor into = cell.firstCursorPosition();
            QTextBlockFormat side;
            const bool isNumber = column < block.isNumber.size() && block.isNumber[column];
            side.setAlignment(isNumber ? Qt::AlignRight : Qt::AlignLeft);
            into.setBlockFormat(side);
            into.insertText(text(block.rows[row][column]), letters(kTextPoints - 1.5, row == 0 ? theme.muted : theme.ink));
        }
    }
    // what stands behind a table takes no room, or it would make a page of its own
    QTextCursor behind(&document_);
    behind.movePosition(QTextCursor::End);
    QTextBlockFormat flat;
    flat.setLineHeight(1, QTextBlockFormat::FixedHeight);
    behind.setBlockFormat(flat);
}

void ReportPages::addPicture(const ReportBlock& block) {
    if (!pictures_.contains(block.anchor)) {
        return;
    }
    const ReportPicture& picture = pictures_.at(block.anchor);
    QTextCursor cursor(&document_);
    cursor.movePosition(QTextCursor::End);
    QTextCharFormat format;
    format.setObjectType(kPictureObject);
    format.setProperty(kPictureName, text(block.anchor));
    const qreal room = document_.pageSize().height() * kMostOfAPage / scaleOf(picture) - picture.headHeight;
    qreal from = picture.headHeight;
    for (std::size_t i = 0; i < std::max<std::size_t>(picture.cuts.size(), 1); ++i) {
        const bool isLast = i + 1 >= picture.cuts.size();
        if (!isLast && picture.cuts[i + 1] - from <= room) {
            continue;
        }
        format.setProperty(kPictureFrom, from);
        format.setProperty(kPictureTo, picture.cuts.empty() ? picture.size.height() : picture.cuts[i]);
        cursor.insertBlock(spaced(6, 2));
        cursor.insertText(QString(QChar::ObjectReplacementCharacter), format);
        from = picture.cuts.empty() ? 0 : picture.cuts[i];
    }
    cursor.insertBlock(spaced(0, 8));
    cursor.insertText(text(block.text), letters(kTextPoints - 1.5, lightTheme().muted));
}

void ReportPages::addBlock(const ReportBlock& block) {
    const Theme& theme = lightTheme();
    QTextCursor cursor(&document_);
    cursor.movePosition(QTextCursor::End);
    const QColor colour = block.state ? theme.of(*block.state) : theme.ink;
    switch (block.kind) {
    case ReportBlock::Kind::heading: {
        const bool isShort = block.anchor == "takes" || block.anchor == "findings";
        QTextBlockFormat format = spaced(block.level > 2 ? 14 : isShort ? 24 : 0, 6);
        if (block.level == 2 && !isShort) {
            format.setPageBreakPolicy(QTextFormat::PageBreak_AlwaysBefore);
        }
        cursor.insertBlock(format);
        entries_.push_back({text(block.text), block.level, QTextCursor(cursor), {}});
        entries_.back().at.setKeepPositionOnInsert(true);
        cursor.insertText(block.state ? markOf(*block.state) : QString(), letters(block.level == 2 ? 16 : 11, colour, true));
        cursor.insertText(text(block.text), letters(block.level == 2 ? 16 : 11, theme.ink, true));
        break;
    }
    case ReportBlock::Kind::paragraph:
        if (!block.text.empty()) {
            cursor.insertBlock(spaced(0, 4));
            cursor.insertText(block.state ? markOf(*block.state) : QString(), letters(kTextPoints, colour));
            cursor.insertText(text(block.text), letters(kTextPoints, theme.ink));
        }
        break;
    case ReportBlock::Kind::table:
        if (block.rows.size() > 1) {
            addTable(block);
        }
        break;
    case ReportBlock::Kind::picture: addPicture(block); break;
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
    bool isFront = true;
    for (const ReportBlock& block : blocks_) {
        isFront = isFront && !(block.kind == ReportBlock::Kind::heading && block.level > 1);
        if (!isFront) {
            addBlock(block);
        }
    }
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
