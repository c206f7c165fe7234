#include "clocks/clocks_layout.h"

#include "derive/controls.h"
#include "quantity/quantity_print.h"

#include <algorithm>
#include <cmath>

namespace wisetick::app {

ClockTags tagsOf(const Part& part, const Plan& plan, const Take& take) {
    Diagnostics ignored;
    const Controls controls = resolveControls(part, take, ignored);
    ClockTags tags;
    for (std::size_t i = 0; i < part.peripherals.size(); ++i) {
        tags.clocks.push_back(clockOf(part, controls, i));
    }
    for (const Promise& promise : plan.promises) {
        const auto peripheral = part.findPeripheral(peripheralOf(promise.line.subject));
        tags.promiseDevices.push_back(peripheral);
        tags.promiseNodes.push_back(peripheral ? tags.clocks[*peripheral] : part.findNode(promise.line.subject));
    }
    return tags;
}

ClocksLayout::ClocksLayout(const Figures& figures, const ClockTags& tags, const std::set<NodeIndex>& unfolded,
                           const std::vector<bool>& shown, const Measures& measures)
    : measures_(measures) {
    double low = 1e9;
    double high = 1;
    const auto take = [&](const std::optional<Rational>& hertz) {
        if (hertz && hertz->sign() > 0) {
            low = std::min(low, hertz->toDouble());
            high = std::max(high, hertz->toDouble());
        }
    };
    std::vector<ClockRow> byNode(figures.lines.size());
    for (std::size_t i = 0; i < tags.clocks.size(); ++i) {
        if (tags.clocks[i]) {
            byNode[*tags.clocks[i]].feeds.push_back(i);
        }
    }
    for (std::size_t i = 0; i < tags.promiseNodes.size(); ++i) {
        if (tags.promiseNodes[i]) {
            byNode[*tags.promiseNodes[i]].promises.push_back(i);
        }
    }
    for (NodeIndex node = 0; node < figures.lines.size(); ++node) {
        const LineFigure& line = figures.lines[node];
        take(line.hertz ? std::optional(line.hertz->nominal) : std::nullopt);
        take(line.limitMin);
        take(line.limitMax);
        if (!shown[node]) {
            continue;
        }
        byNode[node].node = node;
        rows_.push_back(byNode[node]);
        for (const std::size_t peripheral : unfolded.contains(node) ? byNode[node].feeds : std::vector<std::size_t>()) {
            ClockRow row{node, peripheral, {}, {}, 0};
            for (const std::size_t promise : byNode[node].promises) {
                if (tags.promiseDevices[promise] == peripheral) {
                    row.promises.push_back(promise);
                }
            }
            rows_.push_back(std::move(row));
        }
    }
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        rows_[i].top = measures.headHeight + static_cast<qreal>(i) * measures.rowHeight;
    }
    lowDecade_ = std::floor(std::log10(std::max(low, 1e-3)));
    highDecade_ = std::max(std::ceil(std::log10(high)), lowDecade_ + 1);
}

qreal ClocksLayout::height() const {
    return measures_.headHeight + static_cast<qreal>(rows_.size()) * measures_.rowHeight;
}

void ClocksLayout::keepAxisOf(const ClocksLayout& other) {
    lowDecade_ = other.lowDecade_;
    highDecade_ = other.highDecade_;
}

void ClocksLayout::zoom(double factor, qreal around) {
    const double share = (around - axisLeft()) / std::max(1.0, axisRight() - axisLeft());
    const double centre = lowDecade_ + share * (highDecade_ - lowDecade_);
    const double span = std::clamp((highDecade_ - lowDecade_) / factor, 0.2, 14.0);
    lowDecade_ = centre - share * span;
    highDecade_ = lowDecade_ + span;
}

std::vector<AxisLabel> ClocksLayout::axisLabels(const std::function<qreal(const QString&)>& widthOf) const {
    constexpr qreal kGap = 6;
    const int first = static_cast<int>(std::ceil(lowDecade_));
    std::vector<AxisLabel> labels;
    for (int decade = first; decade <= std::floor(highDecade_); ++decade) {
        const QString text = QString::fromStdString(printQuantity(powerOfTen(decade), Unit::hertz));
        labels.push_back({xOf(std::pow(10.0, decade)), widthOf(text), text});
    }
    const auto isNamed = [&](std::size_t index, int stride) { return (first + static_cast<int>(index)) % stride == 0; };
    const auto fits = [&](int stride) {
        qreal free = 0; // where the last label ends
        for (std::size_t i = 0; i < labels.size(); ++i) {
            if (isNamed(i, stride)) {
                if (labels[i].x - labels[i].width / 2 < free) {
                    return false;
                }
                free = labels[i].x + labels[i].width / 2 + kGap;
            }
        }
        return true;
    };
    int stride = 1; // evenly, and of few best at kHz, MHz and GHz
    while (stride < 12 && !fits(stride)) {
        ++stride;
    }
    for (std::size_t i = 0; i < labels.size(); ++i) {
        labels[i].text = isNamed(i, stride) ? labels[i].text : QString();
    }
    return labels;
}

qreal ClocksLayout::xOf(double hertz) const {
    const double decade = std::log10(std::max(hertz, 1e-9));
    return axisLeft() + (decade - lowDecade_) / (highDecade_ - lowDecade_) * (axisRight() - axisLeft());
}

double ClocksLayout::hertzAt(qreal x) const {
    const double share = (x - axisLeft()) / std::max(1.0, axisRight() - axisLeft());
    return std::pow(10.0, lowDecade_ + share * (highDecade_ - lowDecade_));
}

QRectF ClocksLayout::rowRect(std::size_t row) const {
    return {0, rows_[row].top, measures_.width, measures_.rowHeight};
}

std::optional<QPointF> ClocksLayout::needle(std::size_t row, const Figures& figures) const {
    const auto& hertz = figures.lines[rows_[row].node].hertz;
    if (!hertz || hertz->nominal.sign() <= 0) {
        return std::nullopt;
    }
    return QPointF(xOf(hertz->nominal), rowRect(row).center().y());
}

std::optional<std::size_t> ClocksLayout::rowAt(qreal y) const {
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        if (y >= rows_[i].top && y < rows_[i].top + measures_.rowHeight) {
            return i;
        }
    }
    return std::nullopt;
}

std::optional<std::size_t> ClocksLayout::rowOf(NodeIndex node) const {
    const auto found =
        std::find_if(rows_.begin(), rows_.end(), [&](const ClockRow& row) { return row.node == node && !row.peripheral; });
    return found == rows_.end() ? std::nullopt : std::optional(static_cast<std::size_t>(found - rows_.begin()));
}

} // namespace wisetick::app
