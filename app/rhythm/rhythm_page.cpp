#include "rhythm/rhythm_page.h"

#include "picture/report_picture.h"
#include "rhythm/jobs_picture.h"
#include "rhythm/rhythm_view.h"

namespace wisetick::app {

namespace {

class RhythmPage : public View {
public:
    RhythmPage(Document& document, ViewHost& host) : View(document, host), view_(new RhythmView(document)) {
        connect(view_, &RhythmView::targetWanted, this, [this](const Target& target) { host_.explain(target); });
    }

    QWidget* widget() override { return view_; }
    void setTheme(const Theme& theme) override { view_->setTheme(theme); }
    QString hint() const override { return tr("each lane a job; what it draws is played below; + and \u2212 zoom"); }
    bool open(const Target& target) override {
        const auto& jobs = document_.isOpen() ? document_.plan().jobs : std::vector<Job>();
        for (std::size_t i = 0; i < jobs.size(); ++i) {
            if (target == Target::job(jobs[i].name)) {
                view_->selectLane(i);
            }
        }
        return true;
    }
    Target subject() override {
        return !document_.isOpen() ? Target() : Target::rhythm(document_.plan().board.battery ? "life" : "average");
    }
    QString helpPage(const QWidget*) const override { return "rhythm.md"; }
    bool isBusy() const override { return view_->isBusy(); }
    ReportPictures reportPictures(const Theme& theme) override {
        if (!document_.isOpen() || document_.plan().jobs.empty() || !document_.figures().rhythm) {
            return {};
        }
        const RhythmFigure& rhythm = *document_.figures().rhythm;
        std::vector<Picture> pictures;
        if (rhythm.trace && rhythm.trace->size() > 0) {
            pictures.push_back(jobsPicture(document_.part(), document_.plan(), document_.figures()));
        }
        pictures.push_back(chargePicture(document_.plan().jobs, rhythm, 0));
        return {{"rhythm", stacked(pictures, theme)}};
    }
    void beginJob() { view_->editLine(true); }

private:
    RhythmView* view_;
};

} // namespace

ViewKind rhythmKind() {
    ViewKind kind;
    kind.name = "rhythm";
    kind.title = QObject::tr("Rhythm");
    kind.key = 5;
    kind.state = [](const Document& document) {
        return worstPromise(document, [](const Ask& ask) { return ask.is<AverageAsk>() || ask.is<LastsAsk>(); });
    };
    kind.opens = [](const Document&, const Target& target) {
        return target.is(Target::Room::rhythm) || target.is(Target::Room::job);
    };
    kind.make = [](Document& document, ViewHost& host) -> View* { return new RhythmPage(document, host); };
    kind.commands = {
        {QObject::tr("New job"), QKeySequence("Ctrl+J"), [](View& view) { static_cast<RhythmPage&>(view).beginJob(); }, true}};
    return kind;
}

} // namespace wisetick::app
