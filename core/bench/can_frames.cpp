#include "bench/can_frames.h"

#include "base/text.h"
#include "quantity/quantity_print.h"

#include <fmt/format.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <optional>

namespace wisetick {

namespace {

constexpr std::array<std::uint8_t, 7> kLongLengths{12, 16, 20, 24, 32, 48, 64};
constexpr int kStuffAfter = 5;
constexpr int kFixedStuffAfter = 4;
constexpr int kShortId = 11;
constexpr int kLowId = 18; ///< of a long one, behind the first eleven
constexpr int kEndOfFrame = 7;
constexpr double kRestBits = 8.5;         ///< the end of a frame and its delimiter are eight recessive bits
constexpr std::size_t kMostShortSum = 16; ///< bytes of an FD frame with the shorter checksum
const Rational kCanDrift(4, 10'000'000);  ///< a share, by which a clock moves from one frame to the next

struct Checksum {
    int width = 15;
    std::uint32_t polynomial = 0x4599;
    std::uint32_t initial = 0;
};

Checksum checksumOf(bool isFd, std::size_t bytes) {
    if (!isFd) {
        return {};
    }
    return bytes <= kMostShortSum ? Checksum{17, 0x1685B, 1U << 16U} : Checksum{21, 0x102899, 1U << 20U};
}

/// How many stuff bits there were, modulo 8, in the code in which neighbours differ by one bit, and its parity.
std::array<bool, 4> stuffCount(std::int64_t stuffed) {
    const auto count = static_cast<unsigned>(stuffed % 8);
    const unsigned gray = count ^ (count >> 1U);
    const std::array<bool, 3> bits{(gray & 4U) != 0, (gray & 2U) != 0, (gray & 1U) != 0};
    return {bits[0], bits[1], bits[2], (bits[0] != bits[1]) != bits[2]};
}

/// Lays the bits of a frame one behind the other, with the stuff bits that belong between them.
class CanWriter {
public:
    explicit CanWriter(const CanFrame& frame) : frame_(frame) {}

    std::vector<CanBusBit> write() {
        put(false); // start of frame
        putHead();
        const std::size_t count = frame_.isRemote ? 0 : canBytes(frame_.length, frame_.isFd);
        for (std::size_t i = 0; i < count; ++i) {
            putBits(i < frame_.bytes.size() ? frame_.bytes[i] : 0, 8);
        }
        const Checksum sum = checksumOf(frame_.isFd, count);
        if (frame_.isFd) {
            putFixed(sum);
        } else {
            putBits(canChecksum(plain_, sum.width, sum.polynomial, sum.initial), sum.width);
            if (same_ == kStuffAfter) {
                lay(!last_);
            }
        }
        areStuffed_ = false;
        put(true); // delimiter
        bits_.back().endsSwitch = isFast_;
        isFast_ = false;
        put(false); // acknowledged
        put(true);
        for (int i = 0; i < kEndOfFrame; ++i) {
            put(true);
        }
        return std::move(bits_);
    }

private:
    void putHead() {
        const std::uint32_t first = frame_.isLong ? frame_.id >> static_cast<unsigned>(kLowId) : frame_.id;
        putBits(first, kShortId);
        if (frame_.isLong) {
            put(true); // in place of the remote bit
            put(true); // identifier extension
            putBits(frame_.id & ((1U << static_cast<unsigned>(kLowId)) - 1), kLowId);
        }
        put(!frame_.isFd && frame_.isRemote);
        if (!frame_.isLong) {
            put(false);
        }
        put(frame_.isFd);
        if (frame_.isFd) {
            put(false);
            put(frame_.isFast);
            bits_.back().endsSwitch = frame_.isFast;
            isFast_ = frame_.isFast;
            put(frame_.isPassive);
        } else if (frame_.isLong) {
            put(false);
        }
        putBits(frame_.length, 4);
    }

    void putBits(std::uint32_t value, int width) {
        for (int i = width - 1; i >= 0; --i) {
            put(((value >> static_cast<unsigned>(i)) & 1U) != 0);
        }
    }

    void put(bool isRecessive) {
        if (areStuffed_ && same_ == kStuffAfter) {
            lay(!last_);
            ++stuffed_;
            withStuff_.push_back(last_);
        }
        plain_.push_back(isRecessive);
        withStuff_.push_back(isRecessive);
        lay(isRecessive);
    }

    void lay(bool isRecessive) {
        same_ = !bits_.empty() && isRecessive == last_ ? same_ + 1 : 1;
        last_ = isRecessive;
        bits_.push_back({isRecessive, isFast_, false});
    }

    /// The checksum of FD: the count of stuff bits before it, and a stuff bit before every four bits.
    void putFixed(const Checksum& sum) {
        std::vector<bool> field;
        for (const bool bit : stuffCount(stuffed_)) {
            field.push_back(bit);
            withStuff_.push_back(bit);
        }
        const std::uint32_t value = canChecksum(withStuff_, sum.width, sum.polynomial, sum.initial);
        for (int i = sum.width - 1; i >= 0; --i) {
            field.push_back(((value >> static_cast<unsigned>(i)) & 1U) != 0);
        }
        for (std::size_t i = 0; i < field.size(); ++i) {
            if (i % kFixedStuffAfter == 0) {
                lay(!last_);
            }
            lay(field[i]);
        }
    }

    const CanFrame& frame_;
    std::vector<CanBusBit> bits_;
    std::vector<bool> plain_;     ///< without stuff bits
    std::vector<bool> withStuff_; ///< with them
    std::int64_t stuffed_ = 0;
    bool areStuffed_ = true;
    bool isFast_ = false;
    bool last_ = true;
    int same_ = 0;
};

/// Gives one bit of the line after the other, sampled, and synchronised at each edge to dominant.
class CanSampler {
public:
    CanSampler(const Capture& capture, const Track& track, const CanRates& timing)
        : end_(static_cast<double>(capture.end)), walk_(track.edges, 0) {
        const auto ticks = [&](const Rational& rate) { return rate.isZero() ? 0 : (1 / (rate * capture.tick)).toDouble(); };
        slow_ = {ticks(timing.bitsPerSecond), timing.sample.toDouble()};
        fast_ = {ticks(timing.dataBitsPerSecond), timing.dataSample.toDouble()};
        hasEdge_ = walk_.next(edge_);
    }

    /// Goes to the next edge to dominant; behind a frame that broke, and at first, the line must have rested before.
    bool findStart(bool mustRest) {
        isFast_ = false;
        while (hasEdge_) {
            const Edge edge = edge_;
            const bool wasIdle =
                level_ == LogicLevel::high && (!mustRest || static_cast<double>(edge.tick - changed_) > kRestBits * slow_.ticks);
            step();
            if (edge.level == LogicLevel::low && wasIdle) {
                begins_ = static_cast<double>(edge.tick);
                start_ = edge.tick;
                isFirst_ = true;
                falling_ = {edge.tick};
                return true;
            }
        }
        return false;
    }

    /// The level of the next bit at its sample point: true is recessive; nothing at the end of what was recorded.
    std::optional<bool> next() {
        const Bit& bit = isFast_ ? fast_ : slow_;
        const double sampled = begins_ + bit.ticks * bit.sample;
        if (sampled > end_) {
            return std::nullopt;
        }
        while (hasEdge_ && static_cast<double>(edge_.tick) <= sampled) {
            const auto at = static_cast<double>(edge_.tick);
            if (edge_.level == LogicLevel::low && level_ == LogicLevel::high) {
                if (!isFirst_ && std::abs(at - begins_) < bit.ticks / 2) {
                    begins_ = at; // what the edge says
                }
                falling_.push_back(edge_.tick);
            }
            step();
        }
        isFirst_ = false;
        sampledAt_ = begins_ + bit.ticks * bit.sample;
        // an edge in what is left of the bit moves the next one, where it comes early
        begins_ += bit.ticks;
        const Bit& coming = isFast_ ? fast_ : slow_;
        if (hasEdge_ && edge_.level == LogicLevel::low && level_ == LogicLevel::high &&
            static_cast<double>(edge_.tick) < begins_ && begins_ - static_cast<double>(edge_.tick) < coming.ticks / 2) {
            begins_ = static_cast<double>(edge_.tick);
        }
        return level_ == LogicLevel::high;
    }

    /// The rest of the bit that was sampled last is one of the other rate.
    void switchRate(bool toFast) {
        if (fast_.ticks <= 0 || toFast == isFast_) {
            return;
        }
        isFast_ = toFast;
        const Bit& now = isFast_ ? fast_ : slow_;
        begins_ = sampledAt_ + now.ticks * (1 - now.sample);
    }

    std::int64_t start() const { return start_; }
    double begins() const { return begins_; }
    /// The edges to dominant of the frame so far.
    const std::vector<std::int64_t>& falling() const { return falling_; }

private:
    struct Bit {
        double ticks = 0;
        double sample = 0;
    };

    void step() {
        level_ = edge_.level;
        changed_ = edge_.tick;
        hasEdge_ = walk_.next(edge_);
    }

    double end_;
    EdgeList::Walk walk_;
    Edge edge_;
    bool hasEdge_ = false;
    LogicLevel level_ = LogicLevel::unknown;
    Bit slow_;
    Bit fast_;
    bool isFast_ = false;
    bool isFirst_ = true;
    double begins_ = 0;
    double sampledAt_ = 0;
    std::int64_t start_ = 0;
    std::int64_t changed_ = 0; ///< when the level came that stands
    std::vector<std::int64_t> falling_;
};

/// Reads one frame from its start bit on.
class CanReader {
public:
    explicit CanReader(CanSampler& line) : line_(line) {}

    /// False where what was recorded ends in it.
    bool read(CanRead& read) {
        read.tick = line_.start();
        frame_ = &read.frame;
        const bool isWhole = readAll(read);
        read.end = static_cast<std::int64_t>(line_.begins());
        read.fault = fault_;
        read.stuffBits = stuffed_;
        return isWhole || !fault_.empty();
    }

    /// Edges to dominant before the fast phase, and where the bit of the last one began, counted from the start.
    std::size_t slowEdges() const { return slowEdges_; }

private:
    bool readAll(CanRead& read) {
        if (!bit() || !readHead()) {
            return false;
        }
        const std::size_t count = frame_->isRemote ? 0 : canBytes(frame_->length, frame_->isFd);
        for (std::size_t i = 0; i < count; ++i) {
            const auto byte = number(8);
            if (!byte) {
                return false;
            }
            frame_->bytes.push_back(static_cast<std::uint8_t>(*byte));
        }
        const Checksum sum = checksumOf(frame_->isFd, count);
        if (!(frame_->isFd ? readFixed(sum) : readSum(sum))) {
            return false;
        }
        const auto delimiter = line_.next();
        line_.switchRate(false);
        const auto acknowledged = line_.next();
        const auto last = line_.next();
        if (!last) {
            return false;
        }
        read.isAcknowledged = !*acknowledged;
        bool isRecessive = *delimiter && *last;
        for (int i = 0; i < kEndOfFrame; ++i) {
            const auto bit = line_.next();
            if (!bit) {
                return false;
            }
            isRecessive = isRecessive && *bit;
        }
        fault_ = fault_.empty() && !isRecessive ? "form" : fault_;
        return true;
    }

    bool readHead() {
        const auto first = number(kShortId);
        const auto remote = bit();
        const auto isLong = bit();
        if (!isLong) {
            return false;
        }
        frame_->isLong = *isLong;
        frame_->id = *first;
        frame_->isRemote = *remote;
        std::optional<bool> isFd;
        if (frame_->isLong) {
            const auto low = number(kLowId);
            const auto isRemote = bit();
            isFd = bit();
            if (!isFd) {
                return false;
            }
            frame_->id = (*first << static_cast<unsigned>(kLowId)) | *low;
            frame_->isRemote = *isRemote;
        } else {
            isFd = bit();
        }
        frame_->isFd = isFd.value_or(false);
        if (frame_->isFd) {
            frame_->isRemote = false;
            const auto reserved = bit();
            const auto isFast = bit();
            if (!isFast) {
                return false;
            }
            fault_ = reserved.value_or(false) ? "form" : fault_;
            frame_->isFast = *isFast;
            if (frame_->isFast) {
                slowEdges_ = line_.falling().size();
                line_.switchRate(true);
            }
            frame_->isPassive = bit().value_or(false);
        } else if (frame_->isLong) {
            bit();
        }
        const auto length = number(4);
        frame_->length = static_cast<std::uint8_t>(length.value_or(0));
        return length.has_value();
    }

    bool readSum(const Checksum& sum) {
        const std::vector<bool> covered = plain_;
        const auto told = number(sum.width);
        if (told && *told != canChecksum(covered, sum.width, sum.polynomial, sum.initial)) {
            fault_ = "checksum";
        }
        if (told && same_ == kStuffAfter) { // the last stuff bit of the frame stands before the delimiter
            stuff();
        }
        return told.has_value();
    }

    bool readFixed(const Checksum& sum) {
        std::vector<bool> field;
        for (int i = 0; i < sum.width + 4; ++i) {
            if (i % kFixedStuffAfter == 0) {
                const bool before = last_;
                const auto stuff = line_.next();
                if (!stuff) {
                    return false;
                }
                fault_ = fault_.empty() && *stuff == before ? "stuffing" : fault_;
                last_ = *stuff;
            }
            const auto bit = line_.next();
            if (!bit) {
                return false;
            }
            last_ = *bit;
            field.push_back(*bit);
        }
        const auto count = stuffCount(stuffed_);
        std::uint32_t told = 0;
        for (std::size_t i = 0; i < field.size(); ++i) {
            if (i < count.size()) {
                fault_ = fault_.empty() && field[i] != count[i] ? "stuffing" : fault_;
                withStuff_.push_back(field[i]);
            } else {
                told = (told << 1U) | static_cast<std::uint32_t>(field[i]);
            }
        }
        if (fault_.empty() && told != canChecksum(withStuff_, sum.width, sum.polynomial, sum.initial)) {
            fault_ = "checksum";
        }
        return true;
    }

    bool stuff() {
        const auto sampled = line_.next();
        if (!sampled) {
            return false;
        }
        if (*sampled == last_) {
            fault_ = "stuffing";
            return false;
        }
        ++stuffed_;
        withStuff_.push_back(*sampled);
        last_ = *sampled;
        same_ = 1;
        return true;
    }

    /// The next bit of the frame, without stuff bits; nothing where it breaks off.
    std::optional<bool> bit() {
        if (isCut_ || (same_ == kStuffAfter && !stuff())) {
            isCut_ = true; // nothing behind it is of the frame
            return std::nullopt;
        }
        const auto sampled = line_.next();
        if (!sampled) {
            isCut_ = true;
            return std::nullopt;
        }
        same_ = !plain_.empty() && *sampled == last_ ? same_ + 1 : 1;
        last_ = *sampled;
        plain_.push_back(last_);
        withStuff_.push_back(last_);
        return sampled;
    }

    std::optional<std::uint32_t> number(int width) {
        std::uint32_t value = 0;
        for (int i = 0; i < width; ++i) {
            const auto each = bit();
            if (!each) {
                return std::nullopt;
            }
            value = (value << 1U) | static_cast<std::uint32_t>(*each);
        }
        return value;
    }

    CanSampler& line_;
    CanFrame* frame_ = nullptr;
    std::vector<bool> plain_;
    std::vector<bool> withStuff_;
    std::int64_t stuffed_ = 0;
    std::size_t slowEdges_ = std::numeric_limits<std::size_t>::max();
    bool last_ = true;
    int same_ = 0;
    bool isCut_ = false; ///< a stuff bit was none, or what was recorded ended
    std::string fault_;
};

} // namespace

std::size_t canBytes(std::uint8_t code, bool isFd) {
    if (code <= 8) {
        return code;
    }
    return isFd ? kLongLengths[std::min<std::size_t>(code, 15) - 9] : 8;
}

std::uint8_t canLengthCode(std::size_t bytes) {
    std::uint8_t code = 0;
    while (code < 15 && canBytes(code, true) < bytes) {
        ++code;
    }
    return code;
}

std::uint32_t canChecksum(const std::vector<bool>& bits, int width, std::uint32_t polynomial, std::uint32_t initial) {
    const std::uint32_t top = 1U << static_cast<unsigned>(width - 1);
    const std::uint32_t mask = (top - 1) | top;
    std::uint32_t rest = initial;
    for (const bool bit : bits) {
        const bool isOut = bit != ((rest & top) != 0);
        rest = (rest << 1U) & mask;
        rest = isOut ? rest ^ polynomial : rest;
    }
    return rest & mask;
}

std::vector<CanBusBit> canBits(const CanFrame& frame) {
    return CanWriter(frame).write();
}

std::vector<CanRead> readCan(const Capture& capture, const Track& track, const CanRates& timing) {
    std::vector<CanRead> frames;
    CanSampler line(capture, track, timing);
    bool mustRest = true;
    while (line.findStart(mustRest)) {
        CanRead read;
        if (!CanReader(line).read(read)) {
            break;
        }
        mustRest = !read.fault.empty();
        frames.push_back(std::move(read));
    }
    return frames;
}

MeasuredFigure measureCanBit(const Capture& capture, const Track& track, const CanRates& timing) {
    MeasuredFigure figure;
    const double bit = (1 / (timing.bitsPerSecond * capture.tick)).toDouble();
    CanSampler line(capture, track, timing);
    std::int64_t ticks = 0;
    std::int64_t bits = 0;
    std::optional<Bounds> lasts;
    const Rational open = 2 * capture.resolution();
    bool mustRest = true;
    while (line.findStart(mustRest)) {
        CanRead read;
        CanReader reader(line);
        if (!reader.read(read)) {
            break;
        }
        mustRest = !read.fault.empty();
        // both ends are edges of the sender to dominant; what is behind the checksum may be another node's
        const auto& falling = line.falling();
        const std::size_t slow = std::min(reader.slowEdges(), falling.size() - (read.isAcknowledged ? 1 : 0));
        if (!read.fault.empty() || slow < 2) {
            continue;
        }
        const std::int64_t apart = falling[slow - 1] - falling.front();
        std::int64_t whole = 0; // from edge to edge, so that a clock that is off miscounts none
        for (std::size_t i = 1; i < slow; ++i) {
            whole += std::llround(static_cast<double>(falling[i] - falling[i - 1]) / bit);
        }
        ticks += apart;
        bits += whole;
        const Rational own = capture.tick * Rational(apart);
        const Rational meanwhile = Rational(1) + kCanDrift;
        const Rational from = std::max(Rational(0), own - open) / (Rational(whole) * meanwhile);
        const Rational to = (own + open) * meanwhile / Rational(whole);
        lasts = lasts ? Bounds{std::max(lasts->min, from), from, std::min(lasts->max, to)} : Bounds{from, from, to};
    }
    if (bits == 0 || !lasts || lasts->min > lasts->max) {
        figure.why = bits == 0 ? phrase("no whole frame") : phrase("its bits are of different lengths");
        return figure;
    }
    const Rational mean = capture.tick * Rational(ticks) / Rational(bits);
    figure.count = bits;
    figure.value = Bounds{lasts->min, std::clamp(mean, lasts->min, lasts->max), lasts->max};
    figure.workings.push_back({phrase("bit"),
                               phrase("between edges to dominant \u00f7 bits"),
                               printQuantity(capture.tick * Rational(ticks), Unit::second) + " \u00f7 " + std::to_string(bits),
                               printQuantity(mean, Unit::second),
                               {}});
    return figure;
}

Text canText(const CanRead& read) {
    const CanFrame& frame = read.frame;
    std::string text = frame.isLong ? fmt::format("{:08x}", frame.id) : fmt::format("{:03x}", frame.id);
    text += frame.isFd ? (frame.isFast ? phrase(" FD fast") : phrase(" FD")) : "";
    text += frame.isRemote ? phrase(" asks for") : "";
    text += fmt::format(" {} {}", canBytes(frame.length, frame.isFd), frame.length == 1 ? "byte" : "bytes");
    for (const std::uint8_t byte : frame.bytes) {
        text += fmt::format(" {:02x}", byte);
    }
    return text +
           (read.fault.empty() ? (read.isAcknowledged ? "" : phrase(", not acknowledged")) : phrase(", broken: {}", read.fault));
}

} // namespace wisetick
