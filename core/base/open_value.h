#pragma once

#include <concepts>
#include <memory>
#include <typeinfo>
#include <utility>

namespace wisetick {

/// A type of an open set: it names the row that describes it.
template <class T, class Row>
concept DescribedBy = requires {
    { T::row() } -> std::same_as<const Row&>;
};

/// A value of one of an open set of types, each described by a row. Copies share what they hold until it is changed; threads may
/// read the same one.
template <class Row>
class OpenValue {
public:
    OpenValue() = default;
    template <DescribedBy<Row> T>
    OpenValue(T value) // NOLINT(google-explicit-constructor): each of its types is one
        : held_(std::make_shared<const HeldOf<T>>(std::move(value))) {}

    /// The row of what it holds; nullptr where it holds nothing.
    const Row* row() const { return held_ == nullptr ? nullptr : &held_->row(); }

    template <DescribedBy<Row> T>
    bool is() const {
        return held_ != nullptr && held_->tag == &HeldOf<T>::kTag;
    }
    /// What it holds, if it is a T.
    template <DescribedBy<Row> T>
    const T* as() const {
        return is<T>() ? &static_cast<const HeldOf<T>&>(*held_).value : nullptr;
    }
    /// The same. Throws std::bad_cast if it holds no T.
    template <DescribedBy<Row> T>
    const T& get() const {
        const T* value = as<T>();
        return value == nullptr ? throw std::bad_cast() : *value;
    }
    /// Its T to be changed, which from now on no copy shares. Throws std::bad_cast if it holds no T.
    template <DescribedBy<Row> T>
    T& change() {
        return hold(get<T>());
    }
    /// Lets it hold a new T.
    template <DescribedBy<Row> T>
    T& emplace() {
        return hold(T{});
    }

    /// Equal values of one type; those of a type without an equality only where they share it.
    bool operator==(const OpenValue& other) const {
        return held_ == other.held_ ||
               (held_ != nullptr && other.held_ != nullptr && held_->tag == other.held_->tag && held_->equals(*other.held_));
    }

private:
    struct Held {
        explicit Held(const void* itsTag) : tag(itsTag) {}
        Held(const Held&) = delete;
        Held& operator=(const Held&) = delete;
        virtual ~Held() = default;
        virtual const Row& row() const = 0;
        virtual bool equals(const Held& other) const = 0;
        const void* tag; ///< one address for each type
    };
    template <class T>
    struct HeldOf final : Held {
        explicit HeldOf(T its) : Held(&kTag), value(std::move(its)) {}
        const Row& row() const override { return T::row(); }
        bool equals(const Held& other) const override {
            if constexpr (std::equality_comparable<T>) {
                return value == static_cast<const HeldOf&>(other).value;
            } else {
                return false;
            }
        }
        inline static const char kTag = 0;
        T value;
    };

    template <class T>
    T& hold(T value) {
        auto held = std::make_shared<HeldOf<T>>(std::move(value));
        T& place = held->value;
        held_ = std::move(held);
        return place;
    }

    std::shared_ptr<const Held> held_;
};

} // namespace wisetick
