#include "seek_command.h"

#include "base/nearest_name.h"
#include "files/plan_writer.h"
#include "files/shelf.h"
#include "files/toml_reader.h"
#include "files/whole_file.h"
#include "loading.h"
#include "plan/take_edits.h"
#include "seek_report.h"

#include <algorithm>
#include <chrono>
#include <fstream>
#include <sstream>

namespace wisetick::cli {

namespace {

std::vector<std::string> piecesOf(const std::string& text) {
    std::vector<std::string> pieces;
    std::istringstream stream(text);
    for (std::string piece; std::getline(stream, piece, ',');) {
        const std::size_t first = piece.find_first_not_of(' ');
        if (first != std::string::npos) {
            pieces.push_back(piece.substr(first, piece.find_last_not_of(' ') - first + 1));
        }
    }
    return pieces;
}

/// Makes the question of what was typed; what is wrong is reported.
class QuestionReader {
public:
    QuestionReader(const Console& console, const Loaded& loaded, const SeekOptions& seek)
        : console_(console), loaded_(loaded), seek_(seek) {}

    std::optional<Question> read() {
        question_.most = seek_.top;
        const bool isRead = readWishes() && readPromises() && readScope() && readLifted() && readPreferences() && readCrystal();
        if (!isRead) {
            return std::nullopt;
        }
        if (question_.wishes.empty() && question_.promises.empty()) {
            console_.err << "nothing is wished; expected a wish such as \"core = 160 MHz\", or --keep-promises\n";
            return std::nullopt;
        }
        return question_;
    }

private:
    bool fail(const std::string& found, const std::vector<std::string>& known, const std::string& typed) {
        const std::string mend = didYouMean(typed, known);
        console_.err << found << "; expected " << listNames(known) << (mend.empty() ? "" : "; " + mend) << "\n";
        return false;
    }

    bool readWishes() {
        for (const std::string& text : seek_.wishes) {
            const auto wish = readWish(text, &loaded_.part);
            if (!wish) {
                reportWord(console_, text, wish.error());
                return false;
            }
            question_.wishes.push_back(*wish);
        }
        return true;
    }

    bool addPromises(const std::vector<std::string>& names, bool isSoft) {
        const std::vector<std::string> known = promiseNames(loaded_.plan);
        for (const std::string& name : names) {
            const auto found = std::find(known.begin(), known.end(), name);
            if (found == known.end()) {
                return fail("no promise '" + name + "'", known, name);
            }
            const auto index = static_cast<std::size_t>(found - known.begin());
            const auto same = std::find_if(question_.promises.begin(), question_.promises.end(),
                                           [&](const SoughtPromise& each) { return each.index == index; });
            if (same != question_.promises.end()) {
                same->isSoft = isSoft;
            } else {
                question_.promises.push_back({index, isSoft});
            }
        }
        return true;
    }

    bool readPromises() {
        if (seek_.keepsPromises) {
            const std::vector<std::string> names = piecesOf(seek_.kept);
            if (!addPromises(names.empty() ? promiseNames(loaded_.plan) : names, false)) {
                return false;
            }
        }
        return addPromises(piecesOf(seek_.ifPossible), true);
    }

    bool readScope() {
        std::vector<std::string> known = nodeIds(loaded_.part);
        for (const Peripheral& peripheral : loaded_.part.peripherals) {
            known.push_back(peripheral.id);
        }
        for (const std::string& text : seek_.mayChange) {
            for (const std::string& id : piecesOf(text)) {
                if (id == "everything") {
                    continue;
                }
                if (std::find(known.begin(), known.end(), id) == known.end()) {
                    return fail("no source, line or peripheral '" + id + "'", known, id);
                }
                question_.mayChange.push_back(id);
            }
        }
        return true;
    }

    /// Each as a conflict names it.
    bool readLifted() {
        std::vector<std::pair<std::string, Lifted>> known;
        for (const std::string& id : nodeIds(loaded_.part)) {
            known.push_back({"limits of " + id, {Lifted::Kind::limit, id}});
        }
        for (const Rule& rule : loaded_.part.rules) {
            known.push_back({"rule " + rule.say, {Lifted::Kind::rule, rule.say}});
        }
        for (const std::string& lock : findTake(loaded_.plan, loaded_.take)->locks) {
            known.push_back({"lock on " + lock, {Lifted::Kind::lock, lock}});
        }
        for (const std::string& text : seek_.lifted) {
            const auto found = std::find_if(known.begin(), known.end(), [&](const auto& each) { return each.first == text; });
            if (found == known.end()) {
                std::vector<std::string> names;
                std::transform(known.begin(), known.end(), std::back_inserter(names),
                               [](const auto& each) { return each.first; });
                return fail("nothing is called '" + text + "' that can be lifted", names, text);
            }
            question_.lifted.push_back(found->second);
        }
        return true;
    }

    bool readPreferences() {
        if (seek_.prefers.empty()) {
            return true;
        }
        question_.prefers.clear();
        for (const std::string& name : piecesOf(seek_.prefers)) {
            const auto preference = readPreference(name);
            if (!preference) {
                return fail("no preference '" + name + "'", preferenceNames(), name);
            }
            question_.prefers.push_back(*preference);
        }
        return true;
    }

    bool readCrystal() {
        if (seek_.crystal.empty()) {
            return true;
        }
        const std::size_t colon = seek_.crystal.find(':');
        const std::string id =
            piecesOf(seek_.crystal.substr(0, colon)).empty() ? "" : piecesOf(seek_.crystal.substr(0, colon)).front();
        std::vector<std::string> known;
        for (const Source& source : loaded_.part.sources) {
            if (source.kind != SourceKind::rc) {
                known.push_back(source.id);
            }
        }
        if (std::find(known.begin(), known.end(), id) == known.end()) {
            return fail("nothing is fitted for '" + id + "'", known, id);
        }
        const Source& source = loaded_.part.sources[*loaded_.part.findNode(id)];
        const std::string rates = colon == std::string::npos ? "stock" : seek_.crystal.substr(colon + 1);
        const auto read = readCrystalRates(rates, source);
        if (!read) {
            reportWord(console_, rates, read.error());
            return false;
        }
        question_.crystal = CrystalQuestion{id, *read};
        return true;
    }

    const Console& console_;
    const Loaded& loaded_;
    const SeekOptions& seek_;
    Question question_;
};

/// Writes the plan with the take added after the one that was asked about.
int writeTake(const Console& console, const PlanOptions& options, const Loaded& loaded, const SeekOptions& seek,
              const FoundTake& found) {
    const std::string name = seek.name.empty() ? freeTakeName(loaded.plan) : seek.name;
    if (findTake(loaded.plan, name) != nullptr) {
        console.err << "there is a take '" << name << "' already; expected another name\n";
        return kBadInput;
    }
    Diagnostics trouble;
    const std::string present = readTextFile(options.plan, trouble).value_or(std::string());
    const auto text = textToSave(withFound(loaded.plan, found, name), present, loaded.part);
    if (!text) {
        return reportBadInput(console, text.error(), options.isJson);
    }
    if (const std::string why = writeWholeFile(seek.write, *text); !why.empty()) {
        console.err << why << '\n';
        return kBadInput;
    }
    (options.isJson ? console.err : console.out) << "\nTake " << name << " is added in " << seek.write << ".\n";
    return kHolds;
}

/// Goes on for so many seconds.
SeekControl controlFor(double seconds) {
    const auto end = std::chrono::steady_clock::now() + std::chrono::duration<double>(seconds);
    SeekControl control;
    control.goOn = [end] { return std::chrono::steady_clock::now() < end; };
    return control;
}

int refuse(const Console& console, const PlanOptions& options, const Loaded& loaded, const SeekOptions& seek,
           const Question& question, const SeekResult& result) {
    const Space space = spaceOf(loaded.part, loaded.plan, loaded.take, question);
    const auto refusal = whyNone(space, {seek.allConflicts, true, true}, controlFor(seek.within));
    if (options.isJson) {
        nlohmann::ordered_json json = foundJson(loaded.part, loaded.plan, question, result);
        if (refusal) {
            json["refusal"] = refusalJson(space, *refusal);
        }
        console.out << json.dump(2) << "\n";
        return kBroken;
    }
    if (refusal) {
        console.out << refusalReport(space, *refusal, console.style);
    } else if (!result.isComplete()) {
        console.out << "Nothing was found; the search was cut " << (result.cut.empty() ? "before its end" : result.cut) << ".\n";
    } else {
        console.out << "There are takes, but none keeps the promises that are judged on whole takes: averages, lives,\n"
                       "what is chained or triggered, and what must hold in a mode too. Let them be kept only if possible.\n";
    }
    return kBroken;
}

} // namespace

int runSeek(const Console& console, const PlanOptions& options, const SeekOptions& seek) {
    const auto loaded = load(console, options);
    if (!loaded) {
        return kBadInput;
    }
    const auto question = QuestionReader(console, *loaded, seek).read();
    if (!question) {
        return kBadInput;
    }
    const SeekControl control = controlFor(seek.within);
    const SeekResult result = wisetick::seek(loaded->part, loaded->plan, loaded->take, *question, control);
    if (result.found.empty()) {
        return refuse(console, options, *loaded, seek, *question, result);
    }
    const std::size_t chosen = std::min(std::max<std::size_t>(seek.choose, 1), result.found.size());
    nlohmann::ordered_json json;
    if (options.isJson) {
        json = foundJson(loaded->part, loaded->plan, *question, result);
    } else {
        console.out << foundReport(loaded->part, loaded->plan, *question, result, chosen, console.style);
    }
    if (seek.unfold > 0 && seek.unfold <= result.found.size()) {
        constexpr std::size_t kMostEquals = 100;
        const SeekResult same =
            unfold(loaded->part, loaded->plan, loaded->take, *question, result.found[seek.unfold - 1], kMostEquals);
        if (options.isJson) {
            json["equals"] = foundJson(loaded->part, loaded->plan, *question, same)["found"];
        } else {
            console.out << unfoldedReport(same, seek.unfold, console.style);
        }
    }
    if (options.isJson) {
        console.out << json.dump(2) << "\n";
    }
    return seek.write.empty() ? kHolds : writeTake(console, options, *loaded, seek, result.found[chosen - 1]);
}

} // namespace wisetick::cli
