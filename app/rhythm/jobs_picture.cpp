#include "rhythm/jobs_picture.h"

#include "paint/text.h"
#include "rhythm/lanes.h"

#include <QCoreApplication>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr qreal kJobNames = 150;
constexpr qreal kLane = 24;
constexpr qreal kJobGoesOn = 20;
constexpr qreal kJobDraws = 104;
constexpr qreal kJobGap = 10;
constexpr std::size_t kMostRuns = 400;

QString said(const char* words) {
    return QCoreApplication::translate("JobsPicture", words);
}

struct JobsDrawing {
    const Part& part;
    const Plan& plan;
    const Figures& figures;

    double span() const {
        double longest = 0;
        for (const Job& job : plan.jobs) {
            longest = std::max(longest, job.every.toDouble());
        }
        return longest > 0 ? 3 * longest : figures.rhythm->trace->span();
    }

    void drawLane(QPainter& painter, const QRectF& rect, std::size_t lane, const TimeAxis& axis, const Theme& theme) const {
        const Job& job = plan.jobs[lane];
        drawText(painter, QRectF(rect.left() - kJobNames, rect.top(), kJobNames - kJobGap, rect.height()), Qt::AlignLeft,
                 text(job.name), Face::bold, theme.ink);
        painter.setPen(QPen(theme.line, 1));
        painter.setBrush(theme.panel);
        painter.drawRoundedRect(rect.adjusted(0.5, 1.5, -0.5, -1.5), 3, 3);
        const double length = lengthOf(job, plan, part, figures);
        const double every = job.every.toDouble();
        const QColor colour = job.brings.isZero() ? laneColour(lane, theme) : theme.strained;
        if (every > 0 && axis.length() / every > static_cast<double>(kMostRuns)) {
            drawText(painter, rect.adjusted(8, 0, -8, 0), Qt::AlignLeft,
                     said(phraseMark("%1 times in what is shown")).arg(std::lround(axis.length() / every)), Face::small,
                     theme.muted);
            return;
        }
        painter.setPen(Qt::NoPen);
        painter.setBrush(colour);
        for (const auto& [from, to] : runsIn(plan, lane, length, figures.rhythm->trace.get(), axis.from, axis.to, kMostRuns)) {
            const qreal left = std::max(axis.at(from), rect.left());
            const qreal right = std::min(axis.at(to), rect.right());
            painter.drawRect(QRectF(left, rect.top() + 5, std::max<qreal>(right - left, 1.5), rect.height() - 10));
        }
    }

    void draw(QPainter& painter, const QRectF& area, const Theme& theme) const {
        TimeAxis axis{0, span(), area.left() + kJobNames, area.right()};
        const qreal first = area.top() + lineHeight(Face::small) + 6;
        const qreal goesOn = first + kLane * static_cast<qreal>(plan.jobs.size()) + kJobGap;
        axis.draw(painter,
                  QRectF(axis.left, area.top(), axis.right - axis.left, goesOn + kJobGoesOn + kJobGap + kJobDraws - area.top()),
                  theme);
        std::vector<std::size_t> lanes;
        for (std::size_t lane = 0; lane < plan.jobs.size(); ++lane) {
            drawLane(painter, QRectF(axis.left, first + kLane * static_cast<qreal>(lane), axis.right - axis.left, kLane), lane,
                     axis, theme);
            if (plan.jobs[lane].brings.isZero()) {
                lanes.push_back(lane);
            }
        }
        const auto name = [&](qreal top, const char* words) {
            drawText(painter, QRectF(area.left(), top, kJobNames - kJobGap, kJobGoesOn), Qt::AlignLeft, said(words), Face::bold,
                     theme.ink);
        };
        name(goesOn, phraseMark("goes on"));
        paintGoesOn(painter, QRectF(axis.left, goesOn, axis.right - axis.left, kJobGoesOn), axis, *figures.rhythm->trace, lanes,
                    theme);
        const qreal draws = goesOn + kJobGoesOn + kJobGap;
        drawText(painter, QRectF(area.left(), draws, 60, kJobGoesOn), Qt::AlignLeft, said(phraseMark("draws")), Face::bold,
                 theme.ink);
        paintDraws(painter, QRectF(axis.left, draws, axis.right - axis.left, kJobDraws), axis, *figures.rhythm->trace, theme);
    }
};

} // namespace

Picture jobsPicture(const Part& part, const Plan& plan, const Figures& figures) {
    const JobsDrawing drawing{part, plan, figures};
    Picture picture;
    picture.title = said(phraseMark("Jobs"));
    picture.hint = said(phraseMark("three of the longest periods"));
    picture.height =
        lineHeight(Face::small) + 6 + kLane * static_cast<qreal>(plan.jobs.size()) + kJobGap + kJobGoesOn + kJobGap + kJobDraws;
    picture.paint = [drawing](QPainter& painter, const QRectF& area, const Theme& theme) { drawing.draw(painter, area, theme); };
    return picture;
}

} // namespace wisetick::app
