#include "rhythm/trace.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace wisetick {

Trace::Trace(std::vector<TraceState> states, const std::vector<Stretch>& stretches, double span)
    : states_(std::move(states)), span_(span) {
    std::vector<std::pair<float, float>> level;
    double charge = 0;
    for (const Stretch& stretch : stretches) {
        const auto found = std::find_if(states_.begin(), states_.end(), [&](const TraceState& state) {
            return state.doing == stretch.doing && state.which == stretch.which;
        });
        if (found == states_.end() || stretch.to <= stretch.from) {
            continue;
        }
        const auto index = static_cast<std::uint16_t>(found - states_.begin());
        const auto ampere = static_cast<float>(found->ampere);
        charge += (stretch.to - stretch.from) * found->ampere;
        ends_.push_back(stretch.to);
        state_.push_back(index);
        charge_.push_back(charge);
        level.emplace_back(ampere, ampere);
    }
    while (!level.empty()) {
        levels_.push_back(level);
        if (level.size() == 1) {
            break;
        }
        std::vector<std::pair<float, float>> next;
        for (std::size_t i = 0; i < level.size(); i += 2) {
            const auto& right = level[std::min(i + 1, level.size() - 1)];
            next.emplace_back(std::min(level[i].first, right.first), std::max(level[i].second, right.second));
        }
        level = std::move(next);
    }
}

std::size_t Trace::indexAt(double time) const {
    const auto found = std::upper_bound(ends_.begin(), ends_.end(), time);
    return std::min(static_cast<std::size_t>(found - ends_.begin()), ends_.size() - 1);
}

std::size_t Trace::stateAt(double time) const {
    return ends_.empty() ? 0 : state_[indexAt(std::fmod(time, span_))];
}

/// C drawn from 0 to a time within the span.
double Trace::chargeTo(double time) const {
    const std::size_t index = indexAt(time);
    const double before = index == 0 ? 0 : charge_[index - 1];
    const double start = index == 0 ? 0 : ends_[index - 1];
    return before + (time - start) * states_[state_[index]].ampere;
}

/// One column that lies within the span.
TraceColumn Trace::column(double from, double to) const {
    std::size_t first = indexAt(from);
    std::size_t last = indexAt(std::nextafter(to, from));
    TraceColumn column;
    if (last - first < 16) { // what takes the most of its time
        double longest = -1;
        for (std::size_t i = first; i <= last; ++i) {
            const double time = std::min(ends_[i], to) - std::max(i == 0 ? 0 : ends_[i - 1], from);
            if (time > longest) {
                longest = time;
                column.state = state_[i];
            }
        }
    } else { // of places all over it
        constexpr int kPlaces = 15;
        std::map<std::size_t, int> times;
        for (int place = 0; place < kPlaces; ++place) {
            ++times[state_[indexAt(from + (to - from) * (place + 0.5) / kPlaces)]];
        }
        column.state =
            std::max_element(times.begin(), times.end(), [](const auto& a, const auto& b) { return a.second < b.second; })->first;
    }
    column.mean = to > from ? (chargeTo(to) - chargeTo(from)) / (to - from) : states_[column.state].ampere;
    float least = levels_[0][first].first;
    float most = least;
    const auto take = [&](const std::pair<float, float>& ends) {
        least = std::min(least, ends.first);
        most = std::max(most, ends.second);
    };
    for (std::size_t level = 0; first <= last; ++level) { // pairs of neighbours from both ends
        if (first % 2 == 1) {
            take(levels_[level][first++]);
        }
        if (first <= last && last % 2 == 0) {
            take(levels_[level][last]);
            if (last == 0) {
                break;
            }
            --last;
        }
        if (first > last) {
            break;
        }
        first /= 2;
        last /= 2;
    }
    column.least = static_cast<double>(least);
    column.most = static_cast<double>(most);
    return column;
}

std::vector<TraceColumn> Trace::columns(double from, double to, std::size_t count) const {
    std::vector<TraceColumn> list;
    if (ends_.empty() || count == 0 || !(to > from) || !(span_ > 0)) {
        return list;
    }
    const double width = (to - from) / static_cast<double>(count);
    for (std::size_t i = 0; i < count; ++i) {
        const double start = std::fmod(from + width * static_cast<double>(i), span_);
        const double end = start + width;
        if (width >= span_) {
            list.push_back(column(0, span_));
        } else if (end <= span_) {
            list.push_back(column(start, end));
        } else { // over the end, into the next time round
            const TraceColumn left = column(start, span_);
            const TraceColumn right = column(0, end - span_);
            const double share = (span_ - start) / width;
            list.push_back({std::min(left.least, right.least), std::max(left.most, right.most),
                            left.mean * share + right.mean * (1 - share), share > 0.5 ? left.state : right.state});
        }
    }
    return list;
}

std::vector<std::pair<double, double>> Trace::runsOf(std::size_t job, double from, double to, std::size_t most) const {
    std::vector<std::pair<double, double>> runs;
    if (ends_.empty() || !(span_ > 0)) {
        return runs;
    }
    double base = std::floor(from / span_) * span_;
    std::size_t index = indexAt(from - base);
    for (; runs.size() < most;) {
        const double start = base + (index == 0 ? 0 : ends_[index - 1]);
        if (start >= to) {
            break;
        }
        const TraceState& state = states_[state_[index]];
        if (state.doing == Doing::job && state.which == job) {
            runs.emplace_back(start, base + ends_[index]);
        }
        if (++index == ends_.size()) {
            index = 0;
            base += span_;
        }
    }
    return runs;
}

} // namespace wisetick
