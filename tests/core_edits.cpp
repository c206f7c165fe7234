#include "files/plan_reader.h"
#include "files/plan_tables.h"
#include "files/plan_text.h"
#include "files/plan_writer.h"
#include "files/whole_file.h"
#include "plan/board_edits.h"
#include "plan/job_edits.h"
#include "plan/plan_check.h"
#include "plan/promise_edits.h"
#include "plan/take_edits.h"
#include "support.h"

#include <QTemporaryDir>

#include <csignal>
#include <filesystem>
#include <set>
#include <sys/resource.h>
#include <sys/wait.h>
#include <thread>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// 200 on each example, or as many as WISETICK_EDITS says; fewer on those that take long to read. Of 2000 they are more than
/// ten thousand on all together.
int editsOn(const Plan& plan) {
    constexpr std::size_t kMany = 25; // promises
    const int wanted = qEnvironmentVariableIsSet("WISETICK_EDITS") ? qEnvironmentVariableIntValue("WISETICK_EDITS") : 200;
    return plan.promises.size() > kMany ? wanted / 5 : wanted;
}

Promise promiseOf(const std::string& text, const Part& part) {
    const auto line = readPromiseLine(text, &part);
    if (!line) {
        qFatal("%s: %s", text.c_str(), sayText(line.error()).c_str());
    }
    return {text, *line};
}

std::string pinsOf(const Plan& plan) {
    std::string all;
    for (const Take& take : plan.takes) {
        for (const PinnedWay& pinned : take.pinned) {
            all += take.name + ":" + pinned.promise + " ";
        }
    }
    return all;
}

/// A comment of its own above every table and every key.
std::string commented(const std::string& text) {
    std::istringstream lines(text);
    std::string result;
    int count = 0;
    bool isInside = false; // a value of several lines
    for (std::string line; std::getline(lines, line);) {
        const bool isKey = !line.empty() && line[0] != '#' && line[0] != ' ' && line[0] != ']';
        if (isKey && !isInside) {
            result += "# remark " + std::to_string(++count) + ";\n";
        }
        isInside = line.ends_with("[") && line.find('=') != std::string::npos ? true : (line == "]" ? false : isInside);
        result += line + "\n";
    }
    return result;
}

/// What a table holds and whose it is, whatever its place among the others.
std::map<std::string, std::string> tablesByPath(const Plan& plan) {
    std::map<std::string, std::string> tables;
    std::string identity;
    for (const FlatSection& section : planTables(plan)) {
        const std::size_t hash = section.path.find('#');
        const std::size_t dot = hash == std::string::npos ? hash : section.path.find('.', hash);
        if (hash != std::string::npos && dot == std::string::npos) {
            identity = section.identity;
        }
        const std::string own =
            hash == std::string::npos ? section.path : identity + (dot == std::string::npos ? "" : section.path.substr(dot));
        tables[section.path] = own + "\n" + sectionText(section);
    }
    return tables;
}

/// Comments of tables that stand in both plans as they are, and are not in the text that was saved.
std::string lostComments(const Plan& before, const std::string& oldText, const Plan& after, const std::string& newText) {
    const auto old = tablesByPath(before);
    std::map<std::string, int> count; // of two that are the same nobody can tell which one is gone
    for (const auto& [path, table] : old) {
        ++count[table];
    }
    std::set<std::string> fresh;
    for (const auto& [path, table] : tablesByPath(after)) {
        fresh.insert(table);
    }
    std::string lost;
    for (const TextSection& section : mapPlanText(oldText).sections) {
        const auto table = old.find(section.path);
        if (table == old.end() || count[table->second] > 1 || !fresh.contains(table->second)) {
            continue; // it was touched
        }
        const std::string part = oldText.substr(section.begin, section.end - section.begin);
        for (std::size_t at = part.find("# remark"); at != std::string::npos; at = part.find("# remark", at + 1)) {
            const std::string remark = part.substr(at, part.find(';', at) + 1 - at);
            if (newText.find(remark) == std::string::npos) {
                lost += remark + " of " + section.path + "\n";
            }
        }
    }
    return lost;
}

/// Makes edits of every kind on whatever the plan holds just then.
class RandomEdits {
public:
    RandomEdits(Random& random, const Part& part, const Plan& plan) : random_(random), part_(part) {
        for (const Promise& promise : plan.promises) {
            said_.push_back(promise);
            said_.push_back(promise);
            said_.back().line.name.clear();
            said_.back().text = printPromiseLine(said_.back().line);
        }
    }

    /// One edit; `what` says which. What it gives is what the edit gave.
    std::string make(Plan& plan, std::string& what) {
        switch (random_.whole(0, 7)) {
        case 0: return promises(plan, what);
        case 1: return takes(plan, what);
        case 2: return controls(plan, what);
        case 3: return sleep(plan, what);
        case 4: return pins(plan, what);
        case 5: return jobs(plan, what);
        case 6: return fittings(plan, what);
        default: return board(plan, what);
        }
    }

private:
    std::size_t place(std::size_t count) { return static_cast<std::size_t>(random_.whole(0, static_cast<std::int64_t>(count))); }
    std::string takeName(const Plan& plan) { return random_.pick(plan.takes).name; }
    std::string freshName() { return "n" + std::to_string(random_.whole(1, 30)); }

    std::string promises(Plan& plan, std::string& what) {
        const std::size_t count = plan.promises.size();
        Promise promise = said_.empty() ? Promise{} : random_.pick(said_);
        if (random_.whole(0, 3) == 0) {
            promise.line.name = freshName();
            promise.text = printPromiseLine(promise.line);
        }
        switch (count == 0 ? 0 : random_.whole(0, 4)) {
        case 0: what = "add " + promise.text; return said_.empty() ? "nothing" : addPromise(plan, promise);
        case 1: what = "put " + promise.text; return said_.empty() ? "nothing" : putPromise(plan, promise);
        case 2: {
            const std::size_t at = place(count - 1);
            what = "replace " + std::to_string(at) + " by " + promise.text;
            return replacePromise(plan, at, promise);
        }
        case 3: {
            const std::size_t at = place(count - 1);
            what = "remove " + std::to_string(at);
            return removePromise(plan, at);
        }
        default: {
            const std::size_t from = place(count - 1);
            const std::size_t to = place(count - 1);
            what = "move promise " + std::to_string(from) + " to " + std::to_string(to);
            return movePromise(plan, from, to);
        }
        }
    }

    std::string takes(Plan& plan, std::string& what) {
        const std::string take = takeName(plan);
        const std::string name = freshName();
        what = "take " + take + " " + name;
        switch (random_.whole(0, 5)) {
        case 0: what += " add"; return plan.takes.size() > 5 ? "enough" : addTake(plan, name);
        case 1: what += " copy"; return plan.takes.size() > 5 ? "enough" : copyTake(plan, take, name);
        case 2: what += " rename"; return renameTake(plan, take, name);
        case 3: what += " delete"; return deleteTake(plan, take);
        case 4: what += " move"; return moveTake(plan, take, random_.coin() ? 1 : -1);
        default: what += " activate"; return activateTake(plan, take);
        }
    }

    std::string controls(Plan& plan, std::string& what) {
        const std::string take = takeName(plan);
        const Line& line = random_.pick(part_.lines);
        what = "control of " + line.id + " in " + take;
        const auto any = [&](const FactorSet& set) { return set.at(random_.whole(0, set.count() - 1)); };
        switch (random_.whole(0, 6)) {
        case 0: return line.divide.empty() ? "none" : setDivide(plan, take, line.id, any(line.divide));
        case 1: return line.multiply.empty() ? "none" : setMultiply(plan, take, line.id, any(line.multiply));
        case 2: return line.from.size() < 2 ? "none" : setFrom(plan, take, line.id, part_.nodeId(random_.pick(line.from)));
        case 3: what += " lock"; return lockControl(plan, take, line.id);
        case 4: what += " unlock"; return unlockLine(plan, take, line.id);
        case 5: what += " cleared"; return setChoice(plan, take, {line.id, {}, {}, {}, {}});
        default: what += " on"; return setChoice(plan, take, {line.id, {}, {}, {}, random_.coin()});
        }
    }

    std::string sleep(Plan& plan, std::string& what) {
        const std::string take = takeName(plan);
        const Mode& mode = random_.pick(part_.modes);
        what = "rest of " + take + " " + mode.id;
        if (random_.coin() || mode.options.empty()) {
            return restIn(plan, take, random_.coin() ? mode.id : std::string());
        }
        const ModeOption& option = random_.pick(mode.options);
        return setModeOption(plan, take, mode.id, option.id, random_.coin() ? random_.pick(option.values).id : std::string());
    }

    std::string pins(Plan& plan, std::string& what) {
        const std::vector<std::string> names = promiseNames(plan);
        if (names.empty()) {
            return "none";
        }
        const std::string take = takeName(plan);
        const std::string name = random_.pick(names);
        what = "pin " + name + " in " + take;
        return random_.whole(0, 3) == 0 ? freeWay(plan, take, name)
                                        : pinWay(plan, take, {name, {{"prescaler", random_.whole(1, 9)}, {"counts", 100}}});
    }

    std::string jobs(Plan& plan, std::string& what) {
        const std::string name = freshName();
        Job fresh;
        fresh.name = name;
        fresh.every = random_.whole(1, 50);
        fresh.lasts = Rational(1, random_.whole(2, 999));
        fresh.take = random_.coin() ? takeName(plan) : std::string();
        if (plan.jobs.empty() || (plan.jobs.size() < 8 && random_.whole(0, 4) == 0)) {
            what = "add job " + name;
            return addJob(plan, fresh);
        }
        const Job& job = random_.pick(plan.jobs);
        const std::string at = job.name;
        what = "job " + at;
        switch (random_.whole(0, 6)) {
        case 0:
            what += " follows";
            fresh.after = random_.pick(plan.jobs).name;
            fresh.every = 0;
            return addJob(plan, fresh);
        case 1: what += " replaced by " + name; return replaceJob(plan, at, fresh);
        case 2: what += " removed"; return wisetick::removeJob(plan, at);
        case 3: what += " moved"; return moveJob(plan, at, place(plan.jobs.size()));
        case 4: what += " phase"; return setJobPhase(plan, at, Rational(random_.whole(-99, 99), 7));
        case 5: what += " length"; return setJobLength(plan, at, Rational(1, random_.whole(1, 99)));
        default: what += " period"; return setJobPeriod(plan, at, random_.whole(1, 99));
        }
    }

    std::string fittings(Plan& plan, std::string& what) {
        const Source& source = random_.pick(part_.sources);
        what = "source " + source.id;
        if (source.kind == SourceKind::none) { // no clock: there is nothing on the board to tell
            return "nothing";
        }
        if (source.kind == SourceKind::rc) {
            return random_.coin() ? noteMeasured(plan, {source.id, random_.whole(1000, 9000000), Rational(1, 1000)})
                                  : forgetMeasured(plan, source.id);
        }
        if (random_.whole(0, 3) == 0) {
            return unfit(plan, source.id);
        }
        Fitted fitted = fittedOf(plan, source.id);
        fitted.rate = random_.whole(1000000, 40000000);
        fitted.tolerance = ToleranceBudget{Rational(random_.whole(0, 100), 1000000), 0, 0, 0};
        fitted.isBudget = random_.coin();
        fitted.load = random_.coin() ? std::optional(Rational(12, 1000000000000)) : std::nullopt;
        if (random_.coin()) {
            fitted.parabola = Parabola{Rational(-35, 1000000000), 25};
        }
        return fit(plan, fitted);
    }

    std::string board(Plan& plan, std::string& what) {
        const auto end = static_cast<SpanEnd>(random_.whole(0, 2));
        what = "board";
        switch (random_.whole(0, 7)) {
        case 0: what += " supply"; return setSupply(plan, end, Rational(random_.whole(-5, 50), 10));
        case 1: what += " temperature"; return setTemperature(plan, end, random_.whole(-40, 85));
        case 2: what += " draws"; return setAlwaysDrawn(plan, Rational(random_.whole(-1, 9), 1000));
        case 3: {
            what += " battery";
            Battery battery = plan.board.battery.value_or(Battery{});
            battery.capacity = random_.whole(0, 9000);
            battery.usable = {{-20, Rational(1, 2)}, {25, 1}};
            battery.inSeries = random_.whole(1, 4);
            battery.curve = {{0, 2}, {Rational(1, 2), 3}};
            battery.endsAt = random_.coin() ? std::optional(Rational(2)) : std::nullopt;
            return setBattery(plan, random_.whole(0, 3) == 0 ? std::nullopt : std::optional(battery));
        }
        case 4: {
            what += " regulator";
            const Regulator regulator{Rational(random_.whole(0, 11), 10), Rational(1, 1000000)};
            return setRegulator(plan, random_.whole(0, 3) == 0 ? std::nullopt : std::optional(regulator));
        }
        case 5: {
            if (part_.options.empty()) {
                return "none";
            }
            const OptionWord& option = random_.pick(part_.options);
            what += " option " + option.id;
            return setOption(plan, option.id, random_.coin() ? random_.pick(option.values).id : std::string());
        }
        case 6:
            what += " wire";
            return part_.pins.empty() ? "none"
                                      : wire(plan, random_.pick(part_.pins), random_.coin() ? freshName() : std::string());
        default: what += " name"; return renamePlan(plan, random_.coin() ? "" : "Plan \"" + freshName() + "\"");
        }
    }

    Random& random_;
    const Part& part_;
    std::vector<Promise> said_;
};

} // namespace

/// Edits of plans: what they refuse, what follows them, and that nothing is lost on the way through a file.
class CoreEdits : public QObject {
    Q_OBJECT

private slots:
    /// What a take pins is named by its promise: it goes with it.
    void pinsGoWithTheirPromise() {
        LoadedPlan loaded = orchard();
        Plan plan = *loaded.plan;
        QCOMPARE(pinWay(plan, "A", {"tick", {{"prescaler", 80}, {"counts", 1000}}}), std::string());
        QCOMPARE(pinsOf(plan), std::string("A:tick "));
        QCOMPARE(pinWay(plan, "A", {"nobody", {}}), std::string("there is no promise 'nobody'"));
        Plan renamed = plan;
        Promise tick = renamed.promises[3];
        QCOMPARE(tick.line.name, std::string("tick"));
        tick.line.name = "beat";
        tick.text = printPromiseLine(tick.line);
        QCOMPARE(replacePromise(renamed, 3, tick), std::string());
        QCOMPARE(pinsOf(renamed), std::string("A:beat "));
        QCOMPARE(removePromise(renamed, 3), std::string());
        QCOMPARE(pinsOf(renamed), std::string());
        QVERIFY(checkPlan(renamed, &*loaded.part).empty());
        // another ask of another subject: nothing of the old way holds
        QCOMPARE(replacePromise(plan, 3, promiseOf("tick: uart3 talks 9600", *loaded.part)), std::string());
        QCOMPARE(pinsOf(plan), std::string());
    }

    /// Promises without a name are called after their subject and place: "uart2-2" is "uart2" once the first is gone.
    void shiftedNamesAreFollowed() {
        const LoadedPlan loaded = orchard();
        Plan plan = *loaded.plan;
        plan.promises.clear();
        for (const char* text : {"uart2 talks 9600", "uart2 talks 19200", "uart2 talks 38400"}) {
            QCOMPARE(addPromise(plan, promiseOf(text, *loaded.part)), std::string());
        }
        QCOMPARE(pinWay(plan, "A", {"uart2-2", {{"divisor", 7}}}), std::string());
        QCOMPARE(pinWay(plan, "B", {"uart2-3", {{"divisor", 8}}}), std::string());
        Plan removed = plan;
        QCOMPARE(removePromise(removed, 0), std::string());
        QCOMPARE(pinsOf(removed), std::string("A:uart2 B:uart2-2 "));
        Plan moved = plan;
        QCOMPARE(movePromise(moved, 2, 0), std::string());
        QCOMPARE(pinsOf(moved), std::string("A:uart2-3 B:uart2 "));
        QCOMPARE(movePromise(moved, 0, 2), std::string());
        QVERIFY(moved == plan);
        // a given name that was another's by place
        Plan taken = plan;
        QCOMPARE(addPromise(taken, promiseOf("uart2-2: uart3 talks 9600", *loaded.part)), std::string());
        QCOMPARE(pinsOf(taken), std::string("A:uart2-3 B:uart2-4 "));
        QCOMPARE(addPromise(taken, promiseOf("uart2-2: uart3 talks 9600", *loaded.part)),
                 std::string("there is a promise 'uart2-2' already"));
        QCOMPARE(removePromise(taken, 99), std::string("there is no promise 100"));
    }

    void jobsAreFollowed() {
        Plan plan = *orchard().plan;
        Job job = plan.jobs.front();
        const std::string first = job.name;
        Job follower;
        follower.name = "after";
        follower.after = first;
        follower.lasts = Rational(1, 100);
        QCOMPARE(addJob(plan, follower), std::string());
        QCOMPARE(wisetick::removeJob(plan, first), "the job 'after' follows this one; change that one first");
        job.name = "renamed";
        QCOMPARE(replaceJob(plan, first, job), std::string());
        QCOMPARE(plan.jobs.back().after, std::string("renamed"));
        job.after = "after";
        job.every = 0;
        QCOMPARE(replaceJob(plan, "renamed", job), std::string("jobs that follow each other in a ring; one comes by itself"));
        follower.after = "renamed";
        follower.take = "nowhere";
        follower.name = "other";
        QCOMPARE(addJob(plan, follower), std::string("there is no take 'nowhere'"));
        QCOMPARE(addJob(plan, plan.jobs.front()), std::string("there is a job 'renamed' already"));
        QVERIFY(checkPlan(plan, nullptr).empty());
    }

    /// A fault is found in the plan with the same words, and at the same key, as in its file.
    void thePlanAndItsFileHaveTheSameFaults_data() {
        QTest::addColumn<std::string>("what");
        QTest::addColumn<std::string>("by");
        QTest::newRow("active") << std::string("active = \"A\"") << std::string("active = \"Z\"");
        QTest::newRow("a mode") << std::string("rests_in = \"deep\"") << std::string("rests_in = \"deeper\"");
        QTest::newRow("a lock") << std::string("locks = [") << std::string("locks = [\"reef\", ");
        QTest::newRow("a take of a job") << std::string("take = \"B\"") << std::string("take = \"C\"");
        QTest::newRow("a crystal") << std::string("[board.fitted.xtm]") << std::string("[board.fitted.xtn]");
        QTest::newRow("a range") << std::string("min = \"3.2 V\"") << std::string("min = \"4.2 V\"");
    }
    void thePlanAndItsFileHaveTheSameFaults() {
        QFETCH(std::string, what);
        QFETCH(std::string, by);
        const LoadedPlan loaded = orchard();
        const std::string text = replaced(loaded.text, what, by);
        const PlanFile file = readPlan(text, "plan", &*loaded.part);
        QVERIFY(!file.plan);
        QCOMPARE(file.diagnostics.size(), std::size_t{1});
        QVERIFY(file.diagnostics.front().place.line > 0);
        const PlanFile unchecked = readPlan(text, "plan", nullptr); // what only the part knows is no fault here
        if (unchecked.plan) {
            const Diagnostics faults = checkPlan(*unchecked.plan, &*loaded.part);
            QCOMPARE(faults.size(), std::size_t{1});
            QCOMPARE(sayText(faults.front()), sayText(file.diagnostics.front()));
            QCOMPARE(faults.front().place.path, file.diagnostics.front().place.path);
        }
    }

    /// Thousands of edits of every kind on each example, each saved and read again.
    void whateverIsEditedIsThereAgain_data() {
        QTest::addColumn<std::string>("file");
        for (const auto& entry : std::filesystem::directory_iterator(sourceDir() + "/examples")) {
            if (entry.path().string().ends_with(".plan.toml")) { // not what one hands over, nor a window's lock
                QTest::newRow(entry.path().stem().c_str()) << entry.path().string();
            }
        }
    }
    void whateverIsEditedIsThereAgain() {
        QFETCH(std::string, file);
        Random random;
        const LoadedPlan loaded = loadPlan(file, {sourceDir() + "/parts"});
        QVERIFY(loaded.plan && loaded.part);
        const Part& part = *loaded.part;
        Plan plan = *loaded.plan;
        std::string text = commented(loaded.text);
        QVERIFY(readPlan(text, "plan", &part).plan == plan);
        RandomEdits edits(random, part, plan);
        int made = 0;
        const int count = editsOn(plan);
        for (int i = 0; i < count; ++i) {
            Plan next = plan;
            std::string what;
            const std::string why = edits.make(next, what);
            if (!why.empty()) {
                QVERIFY2(next == plan, (what + " was refused and changed the plan").c_str());
                continue;
            }
            ++made;
            QVERIFY2(checkPlan(next, &part).empty(), (what + ": " + whyNotWhole(next, &part)).c_str());
            const auto saved = textToSave(next, text, part);
            QVERIFY2(saved.has_value(), (what + ": " + (saved ? "" : lines(saved.error()))).c_str());
            const std::string lost = lostComments(plan, text, next, *saved);
            QVERIFY2(lost.empty(), (what + " lost " + lost).c_str());
            if (i % 10 == 0) { // and back again
                const std::string undone = savePlan(plan, *saved);
                QVERIFY2(readPlan(undone, "plan", &part).plan == plan, what.c_str());
            }
            plan = std::move(next);
            text = *saved;
        }
        QVERIFY2(made > count / 3, std::to_string(made).c_str());
    }

    /// What only changes a value comes back byte for byte.
    void whatIsSetBackIsTheSameText() {
        const LoadedPlan loaded = orchard();
        Plan plan = *loaded.plan;
        QCOMPARE(setDivide(plan, "A", "bus_a", 8), std::string());
        const std::string other = savePlan(plan, loaded.text);
        QVERIFY(other != loaded.text);
        QCOMPARE(setDivide(plan, "A", "bus_a", 4), std::string());
        QCOMPARE(savePlan(plan, other), loaded.text);
    }

    /// Nothing is written that could not be read again.
    void whatCanNotBeReadIsNotWritten() {
        const LoadedPlan loaded = orchard();
        Plan plan = *loaded.plan;
        plan.takes.front().pinned.push_back({"nobody", {}});
        const auto saved = textToSave(plan, loaded.text, *loaded.part);
        QVERIFY(!saved);
        QCOMPARE(sayText(saved.error().front()).substr(0, 27), std::string("no promise 'nobody'; expect"));
    }

    /// Every key that a plan file may have is written again: nothing that is read goes by saving.
    void everyKeyIsWritten() {
        const std::string text = fileText(sourceDir() + "/tests/data/every-key.plan.toml");
        const PlanFile file = readPlan(text, "plan", nullptr);
        QCOMPARE(lines(file.diagnostics), std::string());
        const PlanFile again = readPlan(writePlan(*file.plan), "again", nullptr);
        QVERIFY(again.plan == file.plan);
        // a key that is taken away changes the plan: none is read and forgotten
        std::istringstream stream(text);
        int checked = 0;
        std::string before;
        for (std::string line; std::getline(stream, line); before += line + "\n") {
            const bool isKey = line.find(" = ") != std::string::npos && line.rfind("note", 0) != 0;
            if (!isKey) {
                continue;
            }
            const std::string rest = text.substr(before.size() + line.size() + 1);
            const PlanFile without = readPlan(before + rest, "plan", nullptr);
            QVERIFY2(!(without.plan == file.plan), line.c_str());
            ++checked;
        }
        QVERIFY2(checked > 60, std::to_string(checked).c_str());
        // and a change of something else leaves each of them and each note as it is
        Plan changed = *file.plan;
        QCOMPARE(renamePlan(changed, "Other"), std::string());
        QCOMPARE(savePlan(changed, text), replaced(text, "name = \"Every key\"", "name = \"Other\""));
    }

    /// A file is written whole or not at all, whenever the program is killed.
    void aKilledSaveLosesNothing() {
        QTemporaryDir folder;
        const std::string path = folder.filePath("a.plan.toml").toStdString();
        const std::vector<std::string> contents{std::string(300000, 'a') + "end", std::string(9, 'b') + "end"};
        QCOMPARE(writeWholeFile(path, contents[0]), std::string());
        Random random;
        int changes = 0;
        std::string last = contents[0];
        for (int round = 0; round < 40 || (changes == 0 && round < 200); ++round) { // later where the disk is slow
            const pid_t child = fork();
            if (child == 0) {
                for (std::size_t i = 0;; ++i) {
                    writeWholeFile(path, contents[i % 2]);
                }
            }
            std::this_thread::sleep_for(std::chrono::microseconds(random.whole(100, 8000 + 1000 * round)));
            kill(child, SIGKILL);
            waitpid(child, nullptr, 0);
            const std::string now = fileText(path);
            QVERIFY(now == contents[0] || now == contents[1]);
            changes += now != last ? 1 : 0;
            last = now;
        }
        QVERIFY(changes > 0);
    }

    void whatCanNotBeWrittenStays() {
        QTemporaryDir folder;
        const std::string path = folder.filePath("a.plan.toml").toStdString();
        QCOMPARE(writeWholeFile(path, "old"), std::string());
        std::filesystem::permissions(path, std::filesystem::perms(0640));
        // no room: files may not grow
        rlimit before{};
        getrlimit(RLIMIT_FSIZE, &before);
        const auto handler = std::signal(SIGXFSZ, SIG_IGN);
        rlimit none = before;
        none.rlim_cur = 1000;
        setrlimit(RLIMIT_FSIZE, &none);
        const std::string why = writeWholeFile(path, std::string(5000, 'x'));
        setrlimit(RLIMIT_FSIZE, &before);
        std::signal(SIGXFSZ, handler);
        QVERIFY2(why.find("can't be written: File too large") != std::string::npos, why.c_str());
        QCOMPARE(fileText(path), std::string("old"));
        QCOMPARE(QDir(folder.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot),
                 QStringList{"a.plan.toml"});
        // a link stays one, and permissions are kept
        const std::string link = folder.filePath("link.plan.toml").toStdString();
        std::filesystem::create_symlink("a.plan.toml", link);
        QCOMPARE(writeWholeFile(link, "new"), std::string());
        QVERIFY(std::filesystem::is_symlink(link));
        QCOMPARE(fileText(path), std::string("new"));
        QCOMPARE(std::filesystem::status(path).permissions(), std::filesystem::perms(0640));
        QVERIFY(writeWholeFile("/nowhere/at/all", "x").find("No such file") != std::string::npos);
        QVERIFY(writeWholeFile("/dev/full", "x").find("it is no file") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(CoreEdits)
#include "core_edits.moc"
