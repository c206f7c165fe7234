#include "quantity/rational.h"

#include "base/text.h"

#include <boost/multiprecision/cpp_int.hpp>
#include <boost/rational.hpp>

#include <algorithm>
#include <array>
#include <atomic>
#include <cmath>
#include <limits>
#include <numeric>

namespace wisetick {

namespace {

using Wide = Rational::Wide;
using Integer =
    boost::multiprecision::number<boost::multiprecision::cpp_int_backend<256, 256, boost::multiprecision::signed_magnitude,
                                                                         boost::multiprecision::checked, void>>;

constexpr std::int64_t kLargest = std::numeric_limits<std::int64_t>::max();

bool fits(Wide value) {
    return value <= kLargest && value >= -static_cast<Wide>(kLargest);
}

bool fits(const Integer& value) {
    return value <= kLargest && value >= -Integer(kLargest);
}

Integer toInteger(Wide value) {
    const bool negative = value < 0;
    const Wide magnitude = negative ? -value : value;
    Integer result = static_cast<std::uint64_t>(magnitude >> 64);
    result <<= 64;
    result += static_cast<std::uint64_t>(magnitude);
    return negative ? Integer(-result) : result;
}

/// Whether both lie in 0 … 2^32 − 1: dividing such numbers takes a third of the time.
bool areSmall(std::int64_t a, std::int64_t b) {
    return ((static_cast<std::uint64_t>(a) | static_cast<std::uint64_t>(b)) >> 32) == 0;
}

/// The quotient, towards zero.
std::int64_t quotient(std::int64_t value, std::int64_t divisor) {
    if (divisor == 1) {
        return value;
    }
    return areSmall(value, divisor) ? static_cast<std::uint32_t>(value) / static_cast<std::uint32_t>(divisor) : value / divisor;
}

/// The greatest common divisor. One division first brings numbers of different sizes near each other.
std::int64_t commonDivisor(std::int64_t a, std::int64_t b) {
    if (a == 0 || b == 0) {
        return std::gcd(a, b);
    }
    const std::int64_t more = std::max(std::abs(a), std::abs(b));
    const std::int64_t less = std::min(std::abs(a), std::abs(b));
    if (less == 1) {
        return 1;
    }
    const std::int64_t rest =
        areSmall(more, less) ? static_cast<std::uint32_t>(more) % static_cast<std::uint32_t>(less) : more % less;
    return rest == 0 ? less : std::gcd(rest, less);
}

template <class Compute>
auto checked(Compute compute) {
    try {
        return compute();
    } catch (const std::domain_error&) {
        throw;
    } catch (const std::exception& error) {
        throw RationalOverflow(error.what());
    }
}

} // namespace

struct Rational::Big {
    using Fraction = boost::rational<Integer>;

    Big(Fraction fraction) : value(std::move(fraction)) {} // NOLINT(google-explicit-constructor): it is one
    Big(const Integer& numerator, const Integer& denominator) : value(numerator, denominator) {}
    const Integer& numerator() const { return value.numerator(); }
    const Integer& denominator() const { return value.denominator(); }

    Fraction value;
};

struct Rational::BigPointer::Shared {
    Big value;
    std::atomic<int> users = 1;
};

Rational::BigPointer::BigPointer(const Big& value) : shared_(new Shared{value}) {}

const Rational::Big& Rational::BigPointer::operator*() const {
    return shared_->value;
}

void Rational::BigPointer::keep() const {
    shared_->users.fetch_add(1, std::memory_order_relaxed);
}

void Rational::BigPointer::release() {
    if (shared_->users.fetch_sub(1, std::memory_order_acq_rel) == 1) {
        delete shared_;
    }
}

Rational::Rational(std::int64_t numerator, std::int64_t denominator) {
    constexpr std::int64_t kLeast = std::numeric_limits<std::int64_t>::min(); // has no negative in 64 bits
    if (denominator == 0 || numerator == kLeast || denominator == kLeast) {
        if (denominator == 0) {
            throw std::domain_error(phrase("denominator of 0"));
        }
        *this = bigOf(numerator, denominator);
        return;
    }
    const std::int64_t common = commonDivisor(numerator, denominator);
    const std::int64_t sign = denominator < 0 ? -1 : 1;
    numerator_ = quotient(sign * numerator, common);
    denominator_ = quotient(sign * denominator, common);
}

Rational Rational::wide(Wide whole) {
    return fits(whole) ? Rational(static_cast<std::int64_t>(whole)) : fromBig(Big(toInteger(whole), Integer(1)));
}

Rational Rational::unsignedWhole(std::uint64_t whole) {
    return fromBig(Big(Integer(whole), Integer(1)));
}

Rational Rational::fromBig(const Big& value) {
    Rational result;
    if (fits(value.numerator()) && fits(value.denominator())) {
        result.numerator_ = static_cast<std::int64_t>(value.numerator());
        result.denominator_ = static_cast<std::int64_t>(value.denominator());
    } else {
        result.big_ = BigPointer(value);
    }
    return result;
}

Rational::Big Rational::toBig() const {
    return big_ ? *big_ : Big(Integer(numerator_), Integer(denominator_));
}

Rational Rational::numerator() const {
    return big_ ? fromBig(Big(big_->numerator(), Integer(1))) : small(numerator_, 1);
}

Rational Rational::denominator() const {
    return big_ ? fromBig(Big(big_->denominator(), Integer(1))) : small(denominator_, 1);
}

Rational Rational::floor() const {
    if (isWhole()) {
        return *this;
    }
    if (!big_) {
        const std::int64_t towardsZero = quotient(numerator_, denominator_);
        return numerator_ < 0 ? Rational(towardsZero - 1) : Rational(towardsZero);
    }
    const Integer towardsZero = big_->numerator() / big_->denominator();
    return fromBig(Big(sign() < 0 ? Integer(towardsZero - 1) : towardsZero, Integer(1)));
}

Rational Rational::ceil() const {
    return -((-*this).floor());
}

Rational Rational::rounded() const {
    const Rational below = floor();
    const Rational rest = *this - below;
    const Rational half(1, 2);
    if (rest != half) {
        return rest < half ? below : below + 1;
    }
    return (below / 2).isWhole() ? below : below + 1;
}

std::optional<std::int64_t> Rational::toInt64() const {
    if (big_ || denominator_ != 1) {
        return std::nullopt;
    }
    return numerator_;
}

std::optional<Wide> Rational::toWide() const {
    if (!isWhole()) {
        return std::nullopt;
    }
    if (!big_) {
        return numerator_;
    }
    const Integer magnitude = boost::multiprecision::abs(big_->numerator());
    if ((magnitude >> 127) != 0) {
        return std::nullopt;
    }
    const Wide high = static_cast<Wide>(static_cast<std::uint64_t>(magnitude >> 64));
    const Wide value = (high << 64) | static_cast<std::uint64_t>(magnitude & Integer(~std::uint64_t{0}));
    return sign() < 0 ? -value : value;
}

double Rational::toDouble() const {
    if (!big_) {
        return static_cast<double>(numerator_) / static_cast<double>(denominator_);
    }
    return big_->numerator().convert_to<double>() / big_->denominator().convert_to<double>();
}

std::optional<int> Rational::decimalPlaces() const {
    const auto places = [](auto rest) -> std::optional<int> {
        int twos = 0;
        int fives = 0;
        for (; rest % 2 == 0; rest /= 2) {
            ++twos;
        }
        for (; rest % 5 == 0; rest /= 5) {
            ++fives;
        }
        return rest == 1 ? std::optional(std::max(twos, fives)) : std::nullopt;
    };
    return big_ ? places(big_->denominator()) : places(denominator_);
}

std::string Rational::toString() const {
    if (!big_) {
        return denominator_ == 1 ? std::to_string(numerator_) : std::to_string(numerator_) + "/" + std::to_string(denominator_);
    }
    return isWhole() ? big_->numerator().str() : big_->numerator().str() + "/" + big_->denominator().str();
}

Rational Rational::operator-() const {
    return big_ ? fromBig(Big(-big_->value)) : small(-numerator_, denominator_);
}

Rational& Rational::operator+=(const Rational& other) {
    if (!big_ && !other.big_) {
        if (other.numerator_ == 0) {
            return *this;
        }
        if (denominator_ == 1 && other.denominator_ == 1) {
            const Wide sum = static_cast<Wide>(numerator_) + other.numerator_;
            if (fits(sum)) {
                numerator_ = static_cast<std::int64_t>(sum);
                return *this;
            }
        }
        const std::int64_t common =
            denominator_ == other.denominator_ ? denominator_ : commonDivisor(denominator_, other.denominator_);
        const std::int64_t part = quotient(denominator_, common);
        const std::int64_t otherPart = quotient(other.denominator_, common);
        std::int64_t left = 0; // 64 bits do nearly always, and are divided several times faster
        std::int64_t right = 0;
        std::int64_t sum = 0;
        if (!__builtin_mul_overflow(numerator_, otherPart, &left) && !__builtin_mul_overflow(other.numerator_, part, &right) &&
            !__builtin_add_overflow(left, right, &sum) && sum != std::numeric_limits<std::int64_t>::min()) {
            const std::int64_t reduce = common == 1 ? 1 : commonDivisor(sum, common);
            std::int64_t denominator = 0;
            if (!__builtin_mul_overflow(quotient(denominator_, reduce), otherPart, &denominator)) {
                numerator_ = quotient(sum, reduce);
                denominator_ = denominator;
                return *this;
            }
        }
        Wide numerator = static_cast<Wide>(numerator_) * otherPart + static_cast<Wide>(other.numerator_) * part;
        std::int64_t reduce = 1;
        if (common != 1) {
            reduce = commonDivisor(static_cast<std::int64_t>(numerator % common), common);
            numerator /= reduce;
        }
        const Wide denominator = static_cast<Wide>(denominator_ / reduce) * otherPart;
        if (fits(numerator) && fits(denominator)) {
            numerator_ = static_cast<std::int64_t>(numerator);
            denominator_ = static_cast<std::int64_t>(denominator);
        } else {
            *this = checked([&] { return fromBig(Big(toInteger(numerator), toInteger(denominator))); });
        }
        return *this;
    }
    *this = checked([&] { return fromBig(toBig().value + other.toBig().value); });
    return *this;
}

Rational& Rational::operator-=(const Rational& other) {
    return *this += -other;
}

Rational& Rational::operator*=(const Rational& other) {
    if (!big_ && !other.big_) {
        if (other.numerator_ == 1 && other.denominator_ == 1) {
            return *this;
        }
        if (numerator_ == 1 && denominator_ == 1) {
            numerator_ = other.numerator_;
            denominator_ = other.denominator_;
            return *this;
        }
        const std::int64_t first = other.denominator_ == 1 ? 1 : commonDivisor(numerator_, other.denominator_);
        const std::int64_t second = denominator_ == 1 ? 1 : commonDivisor(other.numerator_, denominator_);
        const Wide numerator = static_cast<Wide>(quotient(numerator_, first)) * quotient(other.numerator_, second);
        const Wide denominator = static_cast<Wide>(quotient(denominator_, second)) * quotient(other.denominator_, first);
        if (fits(numerator) && fits(denominator)) {
            numerator_ = static_cast<std::int64_t>(numerator);
            denominator_ = static_cast<std::int64_t>(denominator);
        } else {
            *this = checked([&] { return fromBig(Big(toInteger(numerator), toInteger(denominator))); });
        }
        return *this;
    }
    *this = checked([&] { return fromBig(toBig().value * other.toBig().value); });
    return *this;
}

Rational& Rational::operator/=(const Rational& other) {
    if (other.isZero()) {
        throw std::domain_error(phrase("division by 0"));
    }
    Rational inverse;
    if (other.big_) {
        inverse = checked([&] { return fromBig(Big(other.big_->denominator(), other.big_->numerator())); });
    } else {
        const bool negative = other.numerator_ < 0;
        inverse.numerator_ = negative ? -other.denominator_ : other.denominator_;
        inverse.denominator_ = negative ? -other.numerator_ : other.numerator_;
    }
    return *this *= inverse;
}

bool Rational::isBigWhole() const {
    return big_->denominator() == 1;
}

int Rational::bigSign() const {
    return big_->numerator().sign();
}

bool Rational::isSameBig(const Rational& a, const Rational& b) {
    return a.big_->value == b.big_->value;
}

Rational Rational::bigOf(std::int64_t numerator, std::int64_t denominator) {
    return fromBig(Big(Integer(numerator), Integer(denominator)));
}

std::strong_ordering Rational::compareBig(const Rational& a, const Rational& b) {
    if (a == b) {
        return std::strong_ordering::equal;
    }
    // boost::rational compares by continued fractions, which cannot overflow
    return a.toBig().value < b.toBig().value ? std::strong_ordering::less : std::strong_ordering::greater;
}

Rational abs(const Rational& value) {
    return value.sign() < 0 ? -value : value;
}

Rational commonDivisor(const Rational& a, const Rational& b) {
    if (!a.big_ && !b.big_) {
        return std::gcd(a.numerator_, b.numerator_);
    }
    return Rational::fromBig(Rational::Big(boost::multiprecision::gcd(a.toBig().numerator(), b.toBig().numerator()), Integer(1)));
}

Rational commonMultiple(const Rational& a, const Rational& b) {
    return a.isZero() || b.isZero() ? Rational(0) : abs(a / commonDivisor(a, b) * b);
}

Rational powerOfTen(int exponent) {
    constexpr int kFits = 18; // in 64 bits
    static constexpr auto kPowers = [] {
        std::array<std::int64_t, kFits + 1> powers{1};
        for (std::size_t i = 1; i < powers.size(); ++i) {
            powers[i] = powers[i - 1] * 10;
        }
        return powers;
    }();
    const int size = exponent < 0 ? -exponent : exponent;
    if (size <= kFits) {
        const std::int64_t power = kPowers[static_cast<std::size_t>(size)];
        return exponent < 0 ? Rational(1, power) : Rational(power);
    }
    const Rational half = powerOfTen(exponent / 2);
    return half * half * powerOfTen(exponent % 2);
}

Rational quantised(double value, const Rational& scale) {
    const double steps = std::round(value / scale.toDouble());
    if (!std::isfinite(steps) || std::abs(steps) > 9.0e18) {
        throw RationalOverflow(phrase("a physical figure is out of range"));
    }
    return Rational(static_cast<std::int64_t>(steps)) * scale;
}

Rational shortened(const Rational& value, Rounding rounding) {
    static const Rational longest = Rational::wide(Rational::Wide{1} << 96);
    if (value.denominator() <= longest) {
        return value;
    }
    constexpr int kBits = 60;
    int exponent = 0;
    std::frexp(value.toDouble(), &exponent); // |value| < 2^exponent
    Rational scale = 1;                      // steps of 2^(exponent - kBits)
    for (int bits = kBits - exponent; bits > 0; bits -= kBits) {
        scale *= Rational(std::int64_t{1} << std::min(bits, kBits));
    }
    const Rational steps = value * scale;
    const Rational whole =
        rounding == Rounding::down ? steps.floor() : (rounding == Rounding::up ? steps.ceil() : steps.rounded());
    return whole / scale;
}

Rational roundDown(const Rational& value, int digits) {
    const int exponent = static_cast<int>(std::floor(std::log10(value.toDouble())));
    const Rational step = powerOfTen(exponent - digits + 1);
    const Rational down = (value / step).floor() * step;
    return down.sign() > 0 ? down : value;
}

} // namespace wisetick
