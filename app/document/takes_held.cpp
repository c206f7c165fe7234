#include "document/takes_held.h"

namespace wisetick::app {

TakesHeld::TakesHeld(Document& document, QObject* parent) : QObject(parent), document_(document) {
    connect(&document_, &Document::changed, this, &TakesHeld::follow);
    connect(&document_, &Document::replaced, this, [this] {
        working_.stop();
        list_.clear();
    });
    connect(&working_, &Background::failed, &document_, &Document::troubleBeside);
}

void TakesHeld::follow() {
    working_.stop();
    if (!document_.isOpen() || document_.isPreviewing()) {
        return;
    }
    std::vector<std::string> names;
    for (const Take& take : document_.plan().takes) {
        names.push_back(take.name);
    }
    if (names != names_) {
        list_.clear();
        names_ = std::move(names);
    }
    if (!document_.figures().rhythm) {
        return; // it changes once more when the jobs are played
    }
    working_.start([this, part = document_.part(), plan = document_.plan(), active = document_.figures(),
                    generation = document_.generation()](const std::stop_token& token) -> std::function<void()> {
        const GoOn goOn = [&token] { return !token.stop_requested(); };
        return [this, generation, list = takesHold(part, plan, active, goOn)] {
            if (generation == document_.generation()) {
                list_ = list;
                emit changed();
            }
        };
    });
}

} // namespace wisetick::app
