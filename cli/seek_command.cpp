#include "seek_command.h"
#include "handover/figures_json.h"

#include "files/plan_writer.h"
#include "files/shelf.h"
#include "files/toml_reader.h"
#include "files/whole_file.h"
#include "loading.h"
#include "plan/take_edits.h"
#include "seek/crystals.h"
#include "seek/seek_line.h"
#include "seek_report.h"

#include <algorithm>
#include <chrono>

namespace wisetick::cli {

namespace {

/// Makes the question of what was typed; what is wrong is reported.
class QuestionReader {
public:
    QuestionReader(const Console& console, const Loaded& loaded, const SeekOptions& seek)
        : console_(console), loaded_(loaded), seek_(seek) {}

    std::optional<Question> read() {
        question_.most = seek_.top;
        const bool isRead = readWishes() && readPromises() && readScope() && readAllLifted() && readPreferred() && readCrystal();
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
    /// What is wrong with an option, in a line.
    bool fail(const TextError& error) {
        console_.err << sayText(error) << '\n';
        return false;
    }

    bool readWishes() {
        const std::vector<std::string> promises = promiseNames(loaded_.plan);
        for (const std::string& text : seek_.wishes) {
            const auto line = readSeekLine(text, loaded_.part, promises);
            if (!line) {
                reportWord(console_, text, line.error());
                return false;
            }
            if (const auto* wish = std::get_if<Wish>(&*line)) {
                question_.wishes.push_back(*wish);
            } else if (const auto* sought = std::get_if<SoughtName>(&*line)) {
                addPromises({sought->promise}, false);
            } else if (const auto* mayChange = std::get_if<MayChange>(&*line)) {
                question_.mayChange = mayChange->ids;
            } else {
                question_.crystal = std::get<CrystalQuestion>(*line);
            }
        }
        return true;
    }

    /// Names that the plan has.
    void addPromises(const std::vector<std::string>& names, bool isSoft) {
        const std::vector<std::string> known = promiseNames(loaded_.plan);
        for (const std::string& name : names) {
            const auto index = static_cast<std::size_t>(std::find(known.begin(), known.end(), name) - known.begin());
            const auto same = std::find_if(question_.promises.begin(), question_.promises.end(),
                                           [&](const SoughtPromise& each) { return each.index == index; });
            if (same != question_.promises.end()) {
                same->isSoft = isSoft;
            } else {
                question_.promises.push_back({index, isSoft});
            }
        }
    }

    bool readPromises() {
        const std::vector<std::string> known = promiseNames(loaded_.plan);
        const auto kept = readPromiseNames(seek_.kept, known);
        const auto ifPossible = readPromiseNames(seek_.ifPossible, known);
        const auto but = readPromiseNames(seek_.keptBut, known);
        if (!kept || !ifPossible || !but) {
            return fail(!kept ? kept.error() : (!but ? but.error() : ifPossible.error()));
        }
        if (!but->empty()) {
            std::vector<std::string> others = known;
            std::erase_if(others,
                          [&](const std::string& name) { return std::find(but->begin(), but->end(), name) != but->end(); });
            addPromises(others, false);
        } else if (seek_.keepsPromises) {
            addPromises(kept->empty() ? known : *kept, false);
        }
        addPromises(*ifPossible, true);
        return true;
    }

    bool readScope() {
        for (const std::string& text : seek_.mayChange) {
            const auto read = readMayChange(text, loaded_.part);
            if (!read) {
                return fail(read.error());
            }
            question_.mayChange.insert(question_.mayChange.end(), read->ids.begin(), read->ids.end());
        }
        return true;
    }

    bool readAllLifted() {
        for (const std::string& text : seek_.lifted) {
            const auto read = readLifted(text, loaded_.part, *findTake(loaded_.plan, loaded_.take));
            if (!read) {
                return fail(read.error());
            }
            question_.lifted.push_back(*read);
        }
        return true;
    }

    bool readPreferred() {
        if (!seek_.prefers.empty()) {
            const auto read = readPreferences(seek_.prefers);
            if (!read) {
                return fail(read.error());
            }
            question_.prefers = *read;
        }
        return true;
    }

    bool readCrystal() {
        if (!seek_.crystal.empty()) {
            const auto read = readCrystalQuestion(seek_.crystal, loaded_.part);
            if (!read) {
                reportWord(console_, seek_.crystal, read.error());
                return false;
            }
            question_.crystal = *read;
        }
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
    const auto present = textToEdit(options, loaded);
    const auto text =
        present ? textToSave(withFound(withActive(loaded.plan, loaded.active), found, name), *present, loaded.part) : present;
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
           const Question& question, const SeekResult& result, const SeekControl& control) {
    const Space space = spaceOf(loaded.part, loaded.plan, loaded.take, question);
    const auto refusal = whyNone(space, {seek.allConflicts, true, true}, control);
    const auto crystals = crystalsThatDo(loaded.part, loaded.plan, loaded.take, question, control);
    // what was cut before anything was found, or seen to collide, tells nothing
    const bool isDecided = result.isComplete() || (refusal && !refusal->conflicts.empty());
    const int code = isDecided ? kBroken : kUndecided;
    if (options.isJson) {
        nlohmann::ordered_json json = foundJson(loaded.part, loaded.plan, question, result);
        if (refusal) {
            json["refusal"] = refusalJson(space, *refusal);
        }
        for (const CrystalOffer& offer : crystals) {
            for (const Rational& rate : offer.hertz) {
                json["crystals"][loaded.part.sources[offer.source].id].push_back(rate.toString());
            }
        }
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
        return code;
    }
    if (refusal && isDecided) {
        console.out << refusalReport(space, *refusal, console.style);
    } else if (!result.isComplete()) {
        console.out << "Nothing was found; the search was cut " << (result.cut.empty() ? "before its end" : result.cut)
                    << ". There may be takes: let it go on for longer (--within), or let less change.\n";
    } else {
        console.out << "There are takes, but none keeps the promises that are judged on whole takes: averages, lives,\n"
                       "what is chained or triggered, and what must hold in a mode too. Let them be kept only if possible.\n";
    }
    for (const CrystalOffer& offer : crystals) {
        console.out << "\nNothing is fitted for " << loaded.part.sources[offer.source].id << ". It can be kept with "
                    << offerSaid(loaded.part, offer) << ".\n";
    }
    return code;
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
        return refuse(console, options, *loaded, seek, *question, result, control);
    }
    for (const auto& [option, place] : {std::pair("--choose", seek.choose), std::pair("--unfold", seek.unfold)}) {
        if (place > result.found.size()) {
            console.err << option << ' ' << place << ": there is no such take; " << result.found.size() << " were found\n";
            return kBadInput;
        }
    }
    const std::size_t chosen = std::max<std::size_t>(seek.choose, 1);
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
        console.out << json.dump(2, ' ', false, kAnyBytes) << "\n";
    }
    return seek.write.empty() ? kHolds : writeTake(console, options, *loaded, seek, result.found[chosen - 1]);
}

} // namespace wisetick::cli
