#pragma once

#include "files/shelf.h"
#include "seek/seek.h"
#include "support.h"

namespace wisetick::test {

/// The plan of benchmarks/seek with that name.
inline LoadedPlan benchPlan(const std::string& name) {
    LoadedPlan loaded = loadPlan(sourceDir() + "/benchmarks/seek/" + name + ".plan.toml", {sourceDir() + "/parts"});
    if (!loaded.plan || !loaded.part) {
        qFatal("%s can't be read", name.c_str());
    }
    return loaded;
}

/// A question with these wishes.
inline Question asking(const Part& part, const std::vector<std::string>& wishes) {
    Question question;
    for (const std::string& text : wishes) {
        question.wishes.push_back(readWish(text, &part).value());
    }
    return question;
}

/// Hz of a line in a found take.
inline Rational rateOf(const FoundTake& found, const std::string& id) {
    for (const auto& [each, hertz] : found.rates) {
        if (each == id) {
            return hertz;
        }
    }
    qFatal("no rate of %s", id.c_str());
}

} // namespace wisetick::test
