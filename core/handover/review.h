#pragma once

#include "derive/figures.h"

#include <map>
#include <string>
#include <vector>

namespace wisetick {

/// The finding with the file, line and column that its path stands at, where the plan has it.
Diagnostic located(Diagnostic finding, const std::map<std::string, Place>& places, const std::string& take);

/// One thing that a check has to say: a promise with its state, or a finding.
struct ReviewItem {
    std::string rule; ///< "promise", or "finding"
    std::string name; ///< of the promise; of a finding what it is about
    std::string take;
    State state = State::kept; ///< of a finding broken, strained, or kept for a note
    std::string say;           ///< empty where there is nothing to say
    Place place;
};

/// What the figures of the checked takes say, the active one first, each at its place in the plan's file.
std::vector<ReviewItem> reviewItems(const std::vector<Figures>& takes, const std::map<std::string, Place>& places);

/// All that is not as it shall be, as SARIF 2.1.0 (OASIS): a result each, broken as error, strained as warning, a note as note.
/// `version`: of this program.
std::string sarifOf(const std::vector<ReviewItem>& items, const std::string& version);

/// The promises and findings as the JUnit form that build servers read: a suite a take, a case a promise; what is broken is a
/// failure, with `isStrict` what is strained too; what is not asked there is skipped.
std::string junitOf(const std::vector<ReviewItem>& items, const std::string& planName, bool isStrict);

} // namespace wisetick
