#pragma once

#include <algorithm>
#include <cstddef>
#include <list>
#include <utility>

namespace wisetick {

/// The few values that were worked out last, where the same are asked for again and again. What `of` gives lives until three
/// others were made.
template <class Key, class Value>
class Recent {
public:
    template <class Make>
    const Value& of(const Key& key, const Make& make) {
        const auto known = std::find_if(list_.begin(), list_.end(), [&](const auto& each) { return each.first == key; });
        if (known != list_.end()) {
            list_.splice(list_.begin(), list_, known);
        } else {
            list_.emplace_front(key, make());
            list_.resize(std::min(list_.size(), kMost));
        }
        return list_.front().second;
    }

private:
    static constexpr std::size_t kMost = 4;
    std::list<std::pair<Key, Value>> list_; ///< the last one first
};

} // namespace wisetick
