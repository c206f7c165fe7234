#include "plan/job_line.h"

#include "base/text.h"
#include "base/trimmed.h"
#include "quantity/quantity_print.h"
#include "quantity/quantity_read.h"

#include <algorithm>
#include <array>
#include <string_view>

namespace wisetick {

namespace {

constexpr std::array<std::string_view, 14> kClauses{"every",  "about",   "after",   "from", "late up to",  "for",  "draws",
                                                    "brings", "in take", "in mode", "by",   "done within", "uses", "and"};

/// Reads the clauses of one job from left to right.
class JobReader {
public:
    explicit JobReader(std::string_view text) : text_(text) {}

    tl::expected<Job, TextError> read() {
        const std::size_t colon = nameEnd();
        if (colon == std::string_view::npos || trimmed(text_.substr(0, colon)).empty()) {
            return tl::unexpected(TextError{
                0, std::min(text_.size(), text_.find(' ')), "no name", "a name and a colon, 'report: every 10 min for 4 s'", {}});
        }
        job_.name = std::string(trimmed(text_.substr(0, colon)));
        at_ = text_[colon] == ':' ? colon + 1 : colon;
        while (!error_ && skipTo()) {
            clause();
        }
        if (!error_ && pace_ != 1) {
            error_ = here(pace_ == 0 ? "no 'every', 'about' or 'after'" : "more than one of 'every', 'about' and 'after'",
                          "one of them: 'every 10 min', 'about 40 s' or 'after listen'");
        }
        if (!error_ && !job_.lasts && !job_.cycles) {
            error_ = here("how long it takes is missing", "'for 4 s' or 'for 180000 cycles'");
        }
        if (!error_ && !job_.jitter.isZero() && (job_.isRandom || !job_.after.empty() || job_.jitter > job_.every)) {
            error_ = here("a job that can't be so late", "'late up to' a time below its period");
        }
        if (error_) {
            return tl::unexpected(*error_);
        }
        return job_;
    }

private:
    /// Where the name ends: at the colon, and where that was forgotten before the first word that says how often.
    std::size_t nameEnd() const {
        std::size_t end = text_.find(':');
        if (end == std::string_view::npos) {
            for (const std::string_view pace : {" every ", " about ", " after "}) {
                end = std::min(end, text_.find(pace));
            }
        }
        return end;
    }

    TextError here(Text found, Text expected) const {
        return {at_,
                std::min<std::size_t>(wordLength(), text_.size() - std::min(at_, text_.size())),
                std::move(found),
                std::move(expected),
                {}};
    }

    bool skipTo() {
        while (at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == ',')) {
            ++at_;
        }
        return at_ < text_.size();
    }

    std::size_t wordLength() const {
        std::size_t end = at_;
        while (end < text_.size() && text_[end] != ' ' && text_[end] != ',') {
            ++end;
        }
        return end - at_;
    }

    std::string word() {
        skipTo();
        const std::size_t length = at_ < text_.size() ? wordLength() : 0;
        std::string found(text_.substr(std::min(at_, text_.size()), length));
        at_ += length;
        return found;
    }

    bool opens(std::string_view words) {
        if (text_.substr(at_, words.size()) != words) {
            return false;
        }
        const std::size_t end = at_ + words.size();
        if (end < text_.size() && text_[end] != ' ' && text_[end] != ',') {
            return false;
        }
        at_ = end;
        return true;
    }

    Rational quantity(Unit unit, const char* example) {
        skipTo();
        const std::size_t length = at_ < text_.size() ? quantityLength(text_.substr(at_)) : 0;
        if (length == 0) {
            error_ = here(at_ < text_.size() ? "'" + std::string(text_.substr(at_, wordLength())) + "'" : "the end of the line",
                          example);
            return {};
        }
        const auto value = readQuantity(text_.substr(at_, length), unit);
        if (!value) {
            error_ = value.error();
            error_->position += at_;
            return {};
        }
        if (value->sign() < 0) {
            error_ = here("a figure below 0", example);
            return {};
        }
        at_ += length;
        return *value;
    }

    /// A name may be of several words; it ends at a comma, or where a clause begins.
    std::string name(const char* example) {
        std::string found = word();
        while (at_ < text_.size() && text_[at_] == ' ' && skipsToName()) {
            found += ' ' + word();
        }
        if (found.empty()) {
            error_ = here("the end of the line", example);
        }
        return found;
    }

    /// Whether a word follows that no clause begins with; the place is then before it.
    bool skipsToName() {
        const std::size_t before = at_;
        while (at_ < text_.size() && text_[at_] == ' ') {
            ++at_;
        }
        const std::size_t start = at_;
        const bool isName =
            start < text_.size() && text_[start] != ',' &&
            std::none_of(kClauses.begin(), kClauses.end(), [&](std::string_view clause) { return opens(clause); });
        at_ = isName ? start : before;
        return isName;
    }

    void lasting() {
        skipTo();
        const std::size_t start = at_;
        std::size_t digits = at_;
        while (digits < text_.size() && text_[digits] >= '0' && text_[digits] <= '9') {
            ++digits;
        }
        at_ = digits;
        skipTo();
        if (digits > start && (opens("cycles") || opens("cycle"))) {
            const auto count = readFactor(text_.substr(start, digits - start));
            job_.cycles = count ? *count : Rational(0);
            return;
        }
        at_ = start;
        job_.lasts = quantity(Unit::second, "a time such as '4 s', or '180000 cycles'");
    }

    Rational above(const Rational& value, const char* example) {
        if (!error_ && value.isZero()) {
            error_ = here("0", example);
        }
        return value;
    }

    void clause() {
        if (opens("every")) {
            ++pace_;
            job_.every = above(quantity(Unit::second, "a time such as '10 min'"), "a period above 0");
        } else if (opens("about")) {
            ++pace_;
            job_.isRandom = true;
            job_.every = above(quantity(Unit::second, "a time such as '40 s'"), "a mean interval above 0");
        } else if (opens("after")) {
            ++pace_;
            job_.after = name("the name of another job");
        } else if (opens("from")) {
            job_.phase = quantity(Unit::second, "a time such as '5 s'");
        } else if (opens("late up to")) {
            job_.jitter = quantity(Unit::second, "a time such as '2 s'");
        } else if (opens("for")) {
            lasting();
        } else if (opens("draws")) {
            job_.draws = quantity(Unit::ampere, "a current such as '21 mA'");
        } else if (opens("brings")) {
            job_.brings = quantity(Unit::ampere, "a current such as '3 mA'");
        } else if (opens("in take")) {
            job_.take = name("the name of a take");
        } else if (opens("in mode")) {
            job_.mode = name("the name of a mode");
        } else if (opens("by")) {
            job_.by = name("the timer that times it, or 'outside'");
        } else if (opens("done within")) {
            job_.doneWithin = above(quantity(Unit::second, "a time such as '5 ms'"), "a time above 0");
        } else if (opens("uses") || opens("and")) {
            job_.uses.push_back(name("a peripheral"));
        } else {
            error_ = here("'" + std::string(text_.substr(at_, wordLength())) + "'",
                          "every, about, after, from, late up to, by, for, done within, draws, brings, in take, in mode or uses");
        }
    }

    std::string_view text_;
    std::size_t at_ = 0;
    int pace_ = 0;
    Job job_;
    std::optional<TextError> error_;
};

} // namespace

tl::expected<Job, TextError> readJobLine(std::string_view text) {
    return JobReader(text).read();
}

std::string printJobPace(const Job& job) {
    const auto time = [](const Rational& value) { return printReadable(value, Unit::second); };
    return (!job.after.empty() ? "after " + job.after : (job.isRandom ? "about " : "every ") + time(job.every)) +
           (job.lasts ? " for " + time(*job.lasts) : " for " + job.cycles.value_or(Rational(0)).toString() + " cycles");
}

std::string printJobClauses(const Job& job) {
    const auto time = [](const Rational& value) { return printReadable(value, Unit::second); };
    std::string text = printJobPace(job);
    text += job.phase.isZero() ? "" : ", from " + time(job.phase);
    text += job.jitter.isZero() ? "" : ", late up to " + time(job.jitter);
    text += job.by.empty() ? "" : ", by " + job.by;
    text += job.doneWithin ? ", done within " + time(*job.doneWithin) : "";
    text += job.draws.isZero() ? "" : ", draws " + printReadable(job.draws, Unit::ampere);
    text += job.brings.isZero() ? "" : ", brings " + printReadable(job.brings, Unit::ampere);
    text += job.take.empty() ? "" : ", in take " + job.take;
    text += job.mode.empty() ? "" : ", in mode " + job.mode;
    for (std::size_t i = 0; i < job.uses.size(); ++i) {
        text += (i == 0 ? ", uses " : " and ") + job.uses[i];
    }
    return text;
}

std::string printJobLine(const Job& job) {
    return job.name + ": " + printJobClauses(job);
}

} // namespace wisetick
