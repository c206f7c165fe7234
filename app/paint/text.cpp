#include "paint/text.h"

#include <QApplication>
#include <QFontMetricsF>
#include <QHash>
#include <QStaticText>

#include <array>

namespace wisetick::app {

namespace {

constexpr std::size_t kFaces = 5;
constexpr qsizetype kMostKept = 1000; ///< texts of a face; each takes a kilobyte

struct KeptFace {
    QFont font;
    qreal height = 0;
    QHash<QString, QStaticText> texts;
};

/// All that is laid out for one application font.
struct Kept {
    QFont application;
    std::array<KeptFace, kFaces> faces;
};

QFont made(const QFont& application, const QStringList& families, double scale, bool isBold) {
    QFont font = application;
    font.setFamilies(families);
    font.setPointSizeF(application.pointSizeF() * scale);
    font.setBold(isBold);
    font.setHintingPreference(QFont::PreferNoHinting); // the same shapes at every scale
    return font;
}

KeptFace& kept(Face face) {
    static std::optional<Kept> all;
    const QFont now = QApplication::font();
    if (!all || all->application != now) {
        QStringList words{"Noto Sans", "Noto Sans Math"}; // the second has arrows and \u2248
        words += now.families();
        words.removeDuplicates();
        const auto entry = [](const QFont& font) { return KeptFace{font, 0, {}}; };
        all = Kept{now,
                   {entry(made(now, words, 1.0, false)), entry(made(now, words, 1.0, true)), entry(made(now, words, 0.85, false)),
                    entry(made(now, words, 1.0, true)), entry(made(now, {"JetBrains Mono", "monospace"}, 0.9, false))}};
    }
    return all->faces[static_cast<std::size_t>(face)];
}

const QStaticText& laidOut(KeptFace& face, const QString& text) {
    if (face.texts.size() > kMostKept) {
        face.texts.clear();
    }
    QStaticText& entry = face.texts[text];
    if (entry.text().isEmpty() && !text.isEmpty()) {
        entry.setTextFormat(Qt::PlainText);
        entry.setText(text);
        entry.prepare({}, face.font);
    }
    return entry;
}

} // namespace

const QFont& faceFont(Face face) {
    return kept(face).font;
}

qreal lineHeight(Face face) {
    KeptFace& keptFace = kept(face);
    if (keptFace.height == 0) { // a face is loaded when it is first needed
        keptFace.height = QFontMetricsF(keptFace.font).height();
    }
    return keptFace.height;
}

qreal textWidth(Face face, const QString& text) {
    return laidOut(kept(face), text).size().width();
}

void drawText(QPainter& painter, const QRectF& area, Qt::Alignment side, const QString& text, Face face, const QColor& colour) {
    KeptFace& keptFace = kept(face);
    const bool fits = textWidth(face, text) <= area.width();
    const QString shown = fits ? text : QFontMetricsF(keptFace.font).elidedText(text, Qt::ElideRight, area.width());
    const QStaticText& laid = laidOut(keptFace, shown);
    const qreal free = area.width() - laid.size().width();
    const qreal left = side & Qt::AlignRight ? free : (side & Qt::AlignHCenter ? free / 2 : 0);
    painter.setFont(keptFace.font);
    painter.setPen(colour);
    painter.drawStaticText(QPointF(area.left() + left, area.center().y() - lineHeight(face) / 2), laid);
}

void drawWrapped(QPainter& painter, const QRectF& area, Qt::Alignment side, const QString& text, Face face,
                 const QColor& colour) {
    if (textWidth(face, text) <= area.width()) { // laid out and kept
        drawText(painter, area, side, text, face, colour);
        return;
    }
    painter.setFont(faceFont(face));
    painter.setPen(colour);
    painter.drawText(area, static_cast<int>(side | Qt::AlignVCenter) | Qt::TextWordWrap, text);
}

qreal wrappedHeight(Face face, const QString& text, qreal width) {
    constexpr qreal kEndless = 100000;
    return textWidth(face, text) <= width
               ? lineHeight(face)
               : QFontMetricsF(faceFont(face)).boundingRect({0, 0, width, kEndless}, Qt::TextWordWrap, text).height();
}

} // namespace wisetick::app
