#include "seek/found_plot.h"

#include "paint/text.h"
#include "quantity/quantity_print.h"

#include <qcustomplot.h>

#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr int kPlotDigits = 4;
constexpr qreal kPlotMark = 9;
constexpr qreal kNear = 12; ///< pixels from a mark that still mean it

/// "0.1 %", "100 %" of a power of ten of the share.
QString shareText(int power) {
    const double percent = std::pow(10.0, power + 2);
    return percent < 0.01 ? QString::fromUtf8("10%1 %").arg(QString::number(power + 2)) : QString::number(percent) + " %";
}

/// The least round step that cuts a stretch into no more than so many.
double roundStep(double stretch, double most) {
    const double power = std::pow(10.0, std::floor(std::log10(stretch / most)));
    for (const double step : {1.0, 2.0, 5.0}) {
        if (stretch / (step * power) <= most) {
            return step * power;
        }
    }
    return 10 * power;
}

QString ampereText(double ampere) {
    constexpr double kPico = 1e12;
    return QString::fromStdString(
        printQuantity(Rational(std::llround(ampere * kPico), static_cast<std::int64_t>(kPico)), Unit::ampere, kPlotDigits));
}

} // namespace

/// The marks, drawn over grid and front.
class FoundPlot::Marks : public QCPLayerable {
public:
    Marks(QCustomPlot* plot, const FoundPlot& owner) : QCPLayerable(plot), owner_(owner) {}

protected:
    void applyDefaultAntialiasingHint(QCPPainter* painter) const override { painter->setAntialiasing(true); }

    void draw(QCPPainter* painter) override {
        for (std::size_t i = owner_.points_.size(); i-- > 0;) { // the best on top
            const QPointF at = owner_.pixelOf(owner_.points_[i]);
            drawMark(*painter, QRectF(at.x() - kPlotMark / 2, at.y() - kPlotMark / 2, kPlotMark, kPlotMark),
                     owner_.points_[i].state, owner_.theme_);
        }
        ring(painter, owner_.hovered_, owner_.theme_.muted, 1.4);
        ring(painter, owner_.selected_, owner_.theme_.ink, 2);
    }

private:
    void ring(QCPPainter* painter, const std::optional<std::size_t>& entry, const QColor& colour, qreal width) const {
        if (entry && *entry < owner_.points_.size()) {
            const QPointF at = owner_.pixelOf(owner_.points_[*entry]);
            painter->setPen(QPen(colour, width));
            painter->setBrush(Qt::NoBrush);
            painter->drawRect(QRectF(at.x() - kPlotMark, at.y() - kPlotMark, 2 * kPlotMark, 2 * kPlotMark));
        }
    }

    const FoundPlot& owner_;
};

FoundPlot::FoundPlot(QWidget* parent) : QWidget(parent), plot_(new QCustomPlot(this)) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(plot_);
    setAccessibleName(tr("Worst error against current"));
    plot_->setMinimumSize(80, 60); // it can draw on nothing smaller
    plot_->setFocusPolicy(Qt::NoFocus);
    plot_->installEventFilter(this);
    plot_->setMouseTracking(true);
    frontLine_ = plot_->addGraph();
    frontLine_->setLineStyle(QCPGraph::lsStepLeft);
    frontLine_->setAdaptiveSampling(false);
    auto* marks = new Marks(plot_, *this); // the plot owns it
    marks->setLayer("overlay");
    styleAxes();
}

void FoundPlot::setTheme(const Theme& theme) {
    theme_ = theme;
    styleAxes();
    layOut();
}

void FoundPlot::styleAxes() {
    plot_->setBackground(QBrush(theme_.paper));
    frontLine_->setPen(QPen(theme_.thread, 1.2, Qt::DotLine));
    for (QCPAxis* axis : {plot_->xAxis, plot_->yAxis}) {
        axis->setBasePen(QPen(theme_.line, 1));
        axis->setTickPen(QPen(theme_.line, 1));
        axis->setSubTickPen(Qt::NoPen);
        axis->setTickLengthIn(0);
        axis->setTickLengthOut(4);
        axis->setTickLabelFont(faceFont(Face::small));
        axis->setTickLabelColor(theme_.muted);
        axis->setLabelFont(faceFont(Face::small));
        axis->setLabelColor(theme_.muted);
        axis->setLabelPadding(2);
        axis->setTickLabelPadding(4);
        axis->grid()->setPen(QPen(theme_.line, 1));
        axis->grid()->setZeroLinePen(QPen(theme_.line, 1));
    }
    plot_->xAxis->setLabel(tr("current in run"));
    plot_->yAxis->setLabel(tr("worst error of its tolerance"));
}

void FoundPlot::showEntries(const FoundEntries& entries) {
    points_.clear();
    for (const auto& entry : entries) {
        const Score& score = entry->found.score;
        Point point;
        point.isKnown = entry->figures.ampere.has_value();
        point.x = point.isKnown ? entry->figures.ampere->toDouble() : 0;
        point.y = score.ratios.empty() ? std::nan("") : std::log10(score.ratios.front().toDouble());
        point.state = score.broken > 0 ? State::broken : (score.strained > 0 ? State::strained : State::kept);
        points_.push_back(point);
    }
    hovered_.reset();
    selected_.reset();
    layOut();
}

/// The axes over all that is there; "exact" stands a step below the least error.
void FoundPlot::layOut() {
    double low = 0;
    double high = 0;
    bool isAnyOff = false;
    for (const Point& point : points_) {
        if (!std::isnan(point.y) && point.y > exactAt_) {
            low = isAnyOff ? std::min(low, point.y) : point.y;
            high = isAnyOff ? std::max(high, point.y) : point.y;
            isAnyOff = true;
        }
    }
    low = std::floor(low);
    high = std::max(isAnyOff ? std::ceil(high) : low, low + 1);
    const double before = exactAt_;
    exactAt_ = low - std::max(1.0, (high - low) / 4);
    highest_ = high;
    for (Point& point : points_) {
        point.y = std::isnan(point.y) || point.y == before ? exactAt_ : point.y;
    }
    const QSharedPointer<QCPAxisTickerText> shares(new QCPAxisTickerText);
    shares->addTick(exactAt_, tr("exact"));
    const int every = std::max(1, static_cast<int>(std::ceil((high - low) / 5)));
    for (int power = static_cast<int>(low); power <= static_cast<int>(high); power += every) {
        shares->addTick(power, shareText(power));
    }
    plot_->yAxis->setTicker(shares);
    const double room = (high - exactAt_) * 0.08;
    plot_->yAxis->setRange(exactAt_ - room, high + room);
    double least = 0;
    double most = 0;
    for (std::size_t i = 0; i < points_.size(); ++i) {
        least = i == 0 ? points_[i].x : std::min(least, points_[i].x);
        most = i == 0 ? points_[i].x : std::max(most, points_[i].x);
    }
    const double middle = (least + most) / 2;
    const double stretch = std::max({most - least, middle * 0.02, 1e-9});
    const QSharedPointer<QCPAxisTickerText> currents(new QCPAxisTickerText);
    const double from = middle - stretch * 0.6;
    const double to = middle + stretch * 0.6;
    const double labels = plot_->axisRect()->width() / (textWidth(Face::small, ampereText(to)) + 24); // that find room
    const double step = roundStep(to - from, std::clamp(labels, 1.0, 4.0));
    const bool isKnown = std::any_of(points_.begin(), points_.end(), [](const Point& point) { return point.isKnown; });
    for (double tick = std::ceil(from / step) * step; isKnown && tick <= to; tick += step) {
        currents->addTick(tick, ampereText(tick));
    }
    plot_->xAxis->setTicker(currents);
    plot_->xAxis->setRange(from, to);
    plot_->xAxis->setLabel(isKnown || points_.empty() ? tr("current in run") : tr("the current is not known"));
    findFront();
    replot();
}

/// What is not on screen is drawn when it comes there.
void FoundPlot::replot() {
    if (plot_->isVisible() && !plot_->size().isEmpty()) {
        plot_->replot(QCustomPlot::rpQueuedReplot);
    }
}

void FoundPlot::findFront() {
    std::vector<std::size_t> order(points_.size());
    for (std::size_t i = 0; i < order.size(); ++i) {
        order[i] = i;
    }
    std::stable_sort(order.begin(), order.end(), [&](std::size_t a, std::size_t b) {
        return points_[a].x != points_[b].x ? points_[a].x < points_[b].x : points_[a].y < points_[b].y;
    });
    front_.clear();
    for (const std::size_t i : order) {
        if (front_.empty() || points_[i].y < points_[front_.back()].y) {
            front_.push_back(i);
        }
    }
    QVector<double> xs;
    QVector<double> ys;
    for (const std::size_t i : front_) {
        xs << points_[i].x;
        ys << points_[i].y;
    }
    if (!front_.empty()) { // it goes on to both ends: nothing beyond it was found
        xs.prepend(xs.front());
        ys.prepend(plot_->yAxis->range().upper);
        xs.append(plot_->xAxis->range().upper);
        ys.append(ys.back());
    }
    frontLine_->setData(xs, ys);
}

QPointF FoundPlot::pixelOf(const Point& point) const {
    return {plot_->xAxis->coordToPixel(point.x), plot_->yAxis->coordToPixel(point.y)};
}

QPointF FoundPlot::markAt(std::size_t entry) const {
    return pixelOf(points_[entry]) + QPointF(plot_->pos());
}

std::optional<std::size_t> FoundPlot::entryNear(const QPointF& at) const {
    std::optional<std::size_t> nearest;
    double least = kNear;
    for (std::size_t i = 0; i < points_.size(); ++i) {
        const QPointF by = pixelOf(points_[i]) - at;
        const double distance = std::hypot(by.x(), by.y());
        if (distance < least) {
            least = distance;
            nearest = i;
        }
    }
    return nearest;
}

void FoundPlot::select(std::optional<std::size_t> entry) {
    selected_ = entry;
    replot();
}

void FoundPlot::hover(std::optional<std::size_t> entry) {
    if (entry != hovered_) {
        hovered_ = entry;
        replot();
    }
}

bool FoundPlot::eventFilter(QObject* watched, QEvent* event) {
    if (watched != plot_) {
        return QWidget::eventFilter(watched, event);
    }
    if (event->type() == QEvent::Show || event->type() == QEvent::Resize) {
        layOut(); // what finds room may be other labels
    } else if (event->type() == QEvent::MouseMove || event->type() == QEvent::Leave) {
        const auto entry =
            event->type() == QEvent::Leave ? std::nullopt : entryNear(static_cast<QMouseEvent*>(event)->position());
        if (entry != hovered_) {
            hover(entry);
            emit hoverChanged(entry ? static_cast<int>(*entry) : -1);
        }
    } else if (event->type() == QEvent::MouseButtonPress || event->type() == QEvent::MouseButtonDblClick) {
        if (const auto entry = entryNear(static_cast<QMouseEvent*>(event)->position())) {
            emit selected(*entry);
            if (event->type() == QEvent::MouseButtonDblClick) {
                emit taken();
            }
        }
    }
    return QWidget::eventFilter(watched, event);
}

void FoundPlot::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        styleAxes();
        layOut();
    }
    QWidget::changeEvent(event);
}

} // namespace wisetick::app
