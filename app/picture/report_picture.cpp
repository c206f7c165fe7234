#include "picture/report_picture.h"

#include "paint/text.h"

#include <QBuffer>
#include <QSvgGenerator>

namespace wisetick::app {

namespace {

constexpr qreal kBetween = 16;
constexpr int kDotsPerInch = 96;

} // namespace

ReportPicture stacked(std::vector<Picture> pictures, const Theme& theme, qreal width) {
    const qreal title = lineHeight(Face::bold) + 8;
    qreal height = kBetween;
    for (const Picture& picture : pictures) {
        height += title + picture.height + kBetween;
    }
    ReportPicture whole{pictures.front().title, QSizeF(width, height), {}};
    whole.paint = [pictures = std::move(pictures), theme, size = whole.size, title](QPainter& painter) {
        painter.fillRect(QRectF(QPointF(), size), theme.paper);
        painter.setRenderHint(QPainter::Antialiasing);
        qreal top = kBetween;
        for (const Picture& picture : pictures) {
            paintPicture(painter, picture, QRectF(kReportSide, top + title, size.width() - 2 * kReportSide, picture.height),
                         theme);
            top += title + picture.height + kBetween;
        }
    };
    return whole;
}

QByteArray svgOf(const ReportPicture& picture) {
    QByteArray bytes;
    QBuffer buffer(&bytes);
    QSvgGenerator generator;
    generator.setOutputDevice(&buffer);
    generator.setViewBox(QRectF(QPointF(), picture.size));
    generator.setSize(picture.size.toSize());
    generator.setTitle(picture.title.toHtmlEscaped()); // it writes it as it stands
    generator.setResolution(kDotsPerInch);             // letters are as large beside the lines as on the screen
    QPainter painter(&generator);
    picture.paint(painter);
    painter.end();
    return bytes;
}

} // namespace wisetick::app
