#pragma once

#include "derive/figures.h"
#include "seek/conflict.h"

#include <optional>
#include <string>
#include <vector>

namespace wisetick::app {

/// How much something counts that is asked of Seek.
enum class Standing { hard, ifPossible, aside };

/// What is asked of Seek in the window: wishes and promises with their standing, what may change, what is lifted, what could be
/// fitted, and what is preferred. It outlives the edits of the plan.
class SeekQuestion {
public:
    struct AskedWish {
        Wish wish;
        Standing standing = Standing::hard;
    };
    struct AskedPromise {
        std::string name;
        Standing standing = Standing::hard;
    };
    struct Preferred {
        Preference preference;
        bool isUsed = false;
    };

    /// Takes the promises of the plan: those that are new are hard where they are kept now, else if possible; what is no longer
    /// there is forgotten.
    void follow(const Part& part, const Plan& plan, const Figures& figures);

    /// Reads a line: a wish, a promise's name, "only pll, usb may change", "xtm of 8 MHz, 12 MHz". A wish takes the place of
    /// the one at `replaced`, or of one for the same line and kind. What is wrong with it, or nothing.
    std::optional<TextError> enter(const std::string& typed, const Part& part, std::optional<std::size_t> replaced = {});
    void addWish(const Wish& wish);

    std::vector<AskedWish>& wishes() { return wishes_; }
    const std::vector<AskedWish>& wishes() const { return wishes_; }
    std::vector<AskedPromise>& promises() { return promises_; }
    const std::vector<AskedPromise>& promises() const { return promises_; }
    std::vector<Preferred>& prefers() { return prefers_; }
    const std::vector<Preferred>& prefers() const { return prefers_; }
    void movePreference(std::size_t from, std::size_t to);
    std::vector<std::string>& mayChange() { return mayChange_; }
    const std::vector<std::string>& mayChange() const { return mayChange_; }
    const std::vector<Lifted>& lifted() const { return lifted_; }
    void lift(const Lifted& lifted);
    void restore(const Lifted& lifted);
    bool isLifted(const Lifted& lifted) const;
    /// Which rates could be fitted for that source; asked again it is as fitted.
    void toggleCrystal(const Part& part, const std::string& source);
    const std::optional<CrystalQuestion>& crystal() const { return crystal_; }
    AskedPromise* findPromise(const std::string& name);

    /// Whether anything is asked at all.
    bool isEmpty() const;
    Question question(const Plan& plan) const;

private:
    std::vector<AskedWish> wishes_;
    std::vector<AskedPromise> promises_;
    std::vector<Preferred> prefers_{{Preference::changes, true},
                                    {Preference::current, true},
                                    {Preference::wakeUp, false},
                                    {Preference::oscillator, false},
                                    {Preference::core, false}};
    std::vector<std::string> mayChange_;
    std::vector<Lifted> lifted_;
    std::optional<CrystalQuestion> crystal_;
};

} // namespace wisetick::app
