#include "derive/meeting_row.h"

#include "base/text.h"

namespace wisetick {

PromiseFigure cannotDoThat(const MeetingScene& scene, PromiseFigure figure) {
    figure.why = phrase("{} is a {} and can't do that", scene.subject.peripheral->id, kindName(scene.subject.peripheral->kind));
    return figure;
}

bool canBeAsked(const KindRow& kind, const AskRow& ask) {
    const std::vector<Meeting>& rows = kind.meetings();
    return std::any_of(rows.begin(), rows.end(), [&](const Meeting& each) { return each.ask == &ask; });
}

const Meeting* meetingOf(const Ask& ask, const PeripheralKind& kind) {
    if (kind.row() == nullptr) {
        return nullptr;
    }
    for (const Meeting& meeting : kind.row()->meetings()) {
        if (meeting.ask == ask.row()) {
            return &meeting;
        }
    }
    return nullptr;
}

PromiseFigure judgeSubject(const PromiseContext& context, const Subject& subject, const Ask& ask,
                           const std::vector<Setting>& pinned, PromiseFigure figure) {
    const MeetingScene scene{context, subject, ask, pinned};
    const Meeting* meeting = meetingOf(ask, subject.peripheral->kind);
    return meeting == nullptr ? cannotDoThat(scene, std::move(figure)) : meeting->judge(scene, std::move(figure));
}

std::vector<Way> subjectWays(const PromiseContext& context, const Subject& subject, const Ask& ask,
                             const std::vector<Setting>& pinned, std::size_t most) {
    const Meeting* meeting = meetingOf(ask, subject.peripheral->kind);
    return meeting == nullptr ? std::vector<Way>() : meeting->ways({context, subject, ask, pinned}, most);
}

RateWindows subjectRates(const PromiseContext& context, const Subject& subject, const Ask& ask) {
    const Meeting* meeting = meetingOf(ask, subject.peripheral->kind);
    return meeting == nullptr ? RateWindows::none() : meeting->rates({context, subject, ask, {}});
}

} // namespace wisetick
