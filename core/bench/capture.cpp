#include "bench/capture.h"

namespace wisetick {

const Track* Capture::findTrack(const std::string& wanted) const {
    const Track* found = nullptr;
    bool isAlone = true;
    for (const Track& track : tracks) {
        if (track.name == wanted) {
            return &track;
        }
        const bool endsSo = track.name.size() > wanted.size() && track.name.ends_with(wanted) &&
                            track.name[track.name.size() - wanted.size() - 1] == '.';
        isAlone = isAlone && !(endsSo && found != nullptr);
        found = endsSo ? &track : found;
    }
    return isAlone ? found : nullptr;
}

} // namespace wisetick
