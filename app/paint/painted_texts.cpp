#include "paint/painted_texts.h"

#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainter>
#include <QRegion>
#include <QWidget>

#include <cmath>

namespace wisetick::app {

namespace {

constexpr int kNotesDpi = 96;
constexpr double kMillimetresOfAnInch = 25.4;

/// Notes texts, and draws nothing.
class TextEngine : public QPaintEngine {
public:
    TextEngine() : QPaintEngine(QPaintEngine::AllFeatures) {}
    bool begin(QPaintDevice*) override { return true; }
    bool end() override { return true; }
    void updateState(const QPaintEngineState&) override {}
    void drawPixmap(const QRectF&, const QPixmap&, const QRectF&) override {}
    void drawPath(const QPainterPath&) override {}
    void drawPolygon(const QPointF*, int, PolygonDrawMode) override {}
    Type type() const override { return User; }

    void drawTextItem(const QPointF& at, const QTextItem& item) override {
        const QPointF place = painter()->deviceTransform().map(at);
        const bool goesOn = !texts.empty() && std::abs(place.y() - end_.y()) < 1 && std::abs(place.x() - end_.x()) < 1;
        if (goesOn) {
            texts.back() += item.text();
        } else {
            texts << item.text();
        }
        end_ = place + QPointF(item.width(), 0);
    }

    QStringList texts;

private:
    QPointF end_ = {-1, -1};
};

class TextNotes : public QPaintDevice {
public:
    explicit TextNotes(const QSize& size) : size_(size) {}
    const QStringList& texts() const { return engine_.texts; }
    QPaintEngine* paintEngine() const override { return &engine_; }

protected:
    int metric(PaintDeviceMetric metric) const override {
        switch (metric) {
        case PdmWidth: return size_.width();
        case PdmHeight: return size_.height();
        case PdmWidthMM: return static_cast<int>(size_.width() * kMillimetresOfAnInch / kNotesDpi);
        case PdmHeightMM: return static_cast<int>(size_.height() * kMillimetresOfAnInch / kNotesDpi);
        case PdmNumColors: return 1 << 24;
        case PdmDepth: return 32;
        case PdmDevicePixelRatio: return 1;
        case PdmDevicePixelRatioScaled: return static_cast<int>(devicePixelRatioFScale());
        default: return kNotesDpi;
        }
    }

private:
    QSize size_;
    mutable TextEngine engine_;
};

} // namespace

QStringList paintedTexts(const QSize& size, const std::function<void(QPainter&)>& paint) {
    TextNotes notes(size);
    QPainter painter(&notes);
    paint(painter);
    painter.end();
    return notes.texts();
}

QStringList paintedTexts(QWidget& widget) {
    TextNotes notes(widget.size());
    widget.render(&notes, QPoint(), QRegion(), QWidget::DrawChildren);
    return notes.texts();
}

} // namespace wisetick::app
