#include "sleep/sleep_page.h"

#include "paint/text.h"
#include "picture/report_picture.h"
#include "sleep/sleep_view.h"

namespace wisetick::app {

namespace {

class SleepPage : public View {
public:
    SleepPage(Document& document, ViewHost& host) : View(document, host), view_(new SleepView(document)) {
        connect(view_, &SleepView::targetWanted, this, [this](const Target& target) {
            if (target.is(Target::Room::promise)) {
                host_.goTo(target);
            } else {
                host_.explain(target);
            }
        });
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return tr("what goes on in each mode, and what may wake it; Enter rests there"); }
    bool open(const Target& target) override {
        view_->select(text(target.name));
        return true;
    }
    Target subject() override { return document_.isOpen() ? Target::mode(view_->selected().toStdString()) : Target(); }
    ReportPictures reportPictures(const Theme& theme) override {
        ReportPictures pictures;
        if (!document_.isOpen() || document_.figures().modes.empty()) {
            return pictures;
        }
        const Figures& figures = document_.figures();
        for (const ModeFigure& mode : figures.modes) {
            std::vector<Picture> drawn =
                modePictures(document_.plan(), figures, mode, sweepSupply(document_.part(), document_.plan(), figures, mode.id));
            drawn.push_back(drawBars(figures, mode, {}));
            pictures["mode/" + mode.id] = stacked(std::move(drawn), theme);
        }
        const std::vector<BestRest> best = bestRests(restCosts(document_.part(), figures));
        const std::vector<JobRest> jobs = jobRests(document_.part(), document_.plan(), figures, best);
        pictures["rests"] = stacked({restLengths(best, jobs, document_.take().restsIn)}, theme);
        return pictures;
    }
    QString helpPage(const QWidget*) const override { return "sleep.md"; }

private:
    SleepView* view_;
};

} // namespace

ViewKind sleepKind() {
    ViewKind kind;
    kind.name = "sleep";
    kind.title = QObject::tr("Sleep");
    kind.key = 4;
    kind.state = [](const Document& document) {
        return worstPromise(document, [](const Ask& ask) { return ask.is<WakesAsk>(); });
    };
    kind.opens = [](const Document& document, const Target& target) {
        return document.isOpen() && target.is(Target::Room::mode);
    };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new SleepPage(document, host); };
    return kind;
}

} // namespace wisetick::app
