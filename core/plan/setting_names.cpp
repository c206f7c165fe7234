#include "plan/setting_names.h"

namespace wisetick {

const std::vector<std::string>& settingNames() {
    static const std::vector<std::string> names = [] {
        // in the order in which the kinds set them
        std::vector<std::string> list{"divide",   "sample", "bits", "oversample", "single",    "divisor",
                                      "one_wire", "dummy",  "size", "shift",      "prescaler", "counts"};
        constexpr int kMostChannels = 64;
        for (int channel = 1; channel <= kMostChannels; ++channel) {
            list.push_back("compare" + std::to_string(channel));
        }
        for (const char* name :
             {"window",      "early",          "post",      "chain",     "repeats",  "dead",  "first", "second",
              "calibration", "alarm",          "low",       "high",      "setup",    "hold",  "seg1",  "seg2",
              "sjw",         "data_prescaler", "data_seg1", "data_seg2", "data_sjw", "delay", "turns"}) {
            list.emplace_back(name);
        }
        return list;
    }();
    return names;
}

} // namespace wisetick
