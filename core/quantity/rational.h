#pragma once

#include <compare>
#include <concepts>
#include <cstdint>
#include <limits>
#include <optional>
#include <stdexcept>
#include <string>
#include <utility>

namespace wisetick {

/// Thrown when an exact figure needs more than 256 bits. Whoever makes a named figure catches it and says
/// which figure it was.
class RationalOverflow : public std::overflow_error {
public:
    using std::overflow_error::overflow_error;
};

/// An exact fraction in lowest terms with a positive denominator. Values that fit 64 bits take a fast path;
/// all others are Boost rationals over checked 256-bit integers, so that nothing ever wraps. Boost stays in the source: its
/// headers are long.
class Rational {
public:
    __extension__ using Wide = __int128;

    Rational() = default;
    template <std::integral Whole>
    Rational(Whole whole) // NOLINT(google-explicit-constructor): whole numbers are rationals
    {
        if constexpr (std::same_as<Whole, std::uint64_t>) {
            *this = unsignedWhole(whole);
        } else {
            *this = small(static_cast<std::int64_t>(whole), 1);
        }
    }
    /// numerator ÷ denominator. Throws std::domain_error if the denominator is 0.
    Rational(std::int64_t numerator, std::int64_t denominator);
    static Rational wide(Wide whole);

    /// Of its lowest terms: whole numbers.
    Rational numerator() const;
    Rational denominator() const;
    bool isWhole() const { return big_ ? isBigWhole() : denominator_ == 1; }
    int sign() const { return big_ ? bigSign() : (numerator_ > 0 ? 1 : (numerator_ < 0 ? -1 : 0)); }
    bool isZero() const { return numerator_ == 0 && !big_; }

    Rational floor() const;
    Rational ceil() const;
    /// The nearest whole number, ties to even.
    Rational rounded() const;
    /// The value if it is whole and fits.
    std::optional<std::int64_t> toInt64() const;
    std::optional<Wide> toWide() const;
    double toDouble() const;
    /// How many decimals its decimal form has; nothing if that never ends.
    std::optional<int> decimalPlaces() const;
    /// "num/den", or "num" for whole numbers.
    std::string toString() const;

    Rational operator-() const;
    Rational& operator+=(const Rational& other);
    Rational& operator-=(const Rational& other);
    Rational& operator*=(const Rational& other);
    /// Throws std::domain_error if `other` is 0.
    Rational& operator/=(const Rational& other);

    friend Rational operator+(Rational a, const Rational& b) { return a += b; }
    friend Rational operator-(Rational a, const Rational& b) { return a -= b; }
    friend Rational operator*(Rational a, const Rational& b) { return a *= b; }
    friend Rational operator/(Rational a, const Rational& b) { return a /= b; }
    friend bool operator==(const Rational& a, const Rational& b) {
        if (!a.big_ && !b.big_) {
            return a.numerator_ == b.numerator_ && a.denominator_ == b.denominator_;
        }
        return a.big_ && b.big_ && isSameBig(a, b); // the form is canonical: big only where 64 bits do not do
    }
    friend std::strong_ordering operator<=>(const Rational& a, const Rational& b) {
        if (a.big_ || b.big_) {
            return compareBig(a, b);
        }
        const Wide left = static_cast<Wide>(a.numerator_) * b.denominator_;
        const Wide right = static_cast<Wide>(b.numerator_) * a.denominator_;
        return left < right ? std::strong_ordering::less
                            : (left > right ? std::strong_ordering::greater : std::strong_ordering::equal);
    }

private:
    struct Big; ///< a fraction that needs more than 64 bits

    /// Shares a Big that never changes, or has none. That it has none takes one comparison and nothing else: so it nearly always
    /// is.
    class BigPointer {
    public:
        BigPointer() = default;
        explicit BigPointer(const Big& value);
        BigPointer(const BigPointer& other) : shared_(other.shared_) {
            if (shared_ != nullptr) [[unlikely]] {
                keep();
            }
        }
        BigPointer(BigPointer&& other) noexcept : shared_(std::exchange(other.shared_, nullptr)) {}
        BigPointer& operator=(BigPointer other) noexcept {
            std::swap(shared_, other.shared_);
            return *this;
        }
        ~BigPointer() {
            if (shared_ != nullptr) [[unlikely]] {
                release();
            }
        }
        explicit operator bool() const { return shared_ != nullptr; }
        const Big& operator*() const;
        const Big* operator->() const { return &**this; }

    private:
        struct Shared;
        void keep() const;
        void release();

        Shared* shared_ = nullptr;
    };

    // what is seldom needed stands apart, and keeps out of the way of the rest
    bool isBigWhole() const;
    int bigSign() const;
    static bool isSameBig(const Rational& a, const Rational& b);
    static std::strong_ordering compareBig(const Rational& a, const Rational& b);
    static Rational bigOf(std::int64_t numerator, std::int64_t denominator);
    static Rational unsignedWhole(std::uint64_t whole);
    static Rational small(std::int64_t numerator, std::int64_t denominator) {
        if (numerator == std::numeric_limits<std::int64_t>::min()) { // has no negative in 64 bits
            return bigOf(numerator, denominator);
        }
        Rational result;
        result.numerator_ = numerator;
        result.denominator_ = denominator;
        return result;
    }
    static Rational fromBig(const Big& value);
    Big toBig() const;
    friend Rational commonDivisor(const Rational& a, const Rational& b);

    std::int64_t numerator_ = 0;
    std::int64_t denominator_ = 1;
    BigPointer big_; // set only where 64 bits do not do
};

Rational abs(const Rational& value);

/// The greatest common divisor and the least common multiple of two whole numbers, ≥ 0; gcd(0, n) = n.
Rational commonDivisor(const Rational& a, const Rational& b);
Rational commonMultiple(const Rational& a, const Rational& b);

/// 10^exponent.
Rational powerOfTen(int exponent);

/// The double rounded to the nearest whole multiple of `scale`: how physical reals (logarithms, leakage) enter
/// exact arithmetic; a current with a scale of 10^-12, for example. Throws RationalOverflow if it is not finite
/// or more than 9·10^18 multiples away from 0.
Rational quantised(double value, const Rational& scale);

enum class Rounding { down, nearest, up };

/// The value itself, unless its denominator takes more than 96 bits: then a fraction of a power of two near it, at most 2^-58 of
/// it away, on the side that is asked for. So sums of many fractions without a common denominator stay within 256 bits; what
/// takes fewer bits is never changed.
Rational shortened(const Rational& value, Rounding rounding);

/// The largest number of `digits` decimal digits that is not above the value, which must be above 0.
Rational roundDown(const Rational& value, int digits);

} // namespace wisetick
