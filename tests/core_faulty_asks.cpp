#include "derive/bring_up.h"
#include "derive/derive.h"
#include "derive/desk.h"
#include "derive/workings_of.h"
#include "handover/emit.h"

#include "support.h"

#include <filesystem>

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// A value from far below to far above what any part can do.
std::string extreme(Random& random, const std::string& unit) {
    static const std::vector<std::string> numbers{"1e-30", "1e-12",     "1e-6", "0.001", "1/3",  "1",   "7",
                                                  "100",   "12345.678", "1e6",  "3e9",   "1e15", "1e30"};
    return random.pick(numbers) + " " + unit;
}

std::string count(Random& random) {
    return random.pick(std::vector<std::string>{"1", "2", "3", "17", "255", "256", "65536", "4294967296", "1000000000000000000"});
}

/// One line about the peripheral, of each ask that its kind can be given, with values that may be anything.
std::vector<std::string> linesAbout(const Peripheral& peripheral, Random& random) {
    const std::string& id = peripheral.id;
    const auto time = [&] { return extreme(random, "s"); };
    const auto rate = [&] { return extreme(random, "Hz"); };
    const auto maybe = [&](const std::string& clause) { return random.coin() ? ", " + clause : std::string(); };
    const std::string kind = kindName(peripheral.kind);
    const std::string tolerance =
        random.pick(std::vector<std::string>{"", " exactly", " within 1 %", " within 1e-20 %", " within 1e9 %"});
    if (kind == "uart") {
        return {id + " talks " + extreme(random, "bit/s") + tolerance + maybe("as 9E2") + maybe("also in idle")};
    }
    if (kind == "timer") {
        std::vector<std::string> lines{
            id + " fires every " + time() + tolerance + maybe("repeated") + maybe("chained") +
                maybe("late " + count(random) + " cycles") + maybe("handled in " + count(random) + " cycles"),
            id + " waits at least " + time(), id + " waits " + time() + tolerance,
            id + " wraps after at least " + time() + maybe("resolves " + time()), id + " resolves " + time()};
        const auto& timer = peripheral.kind.get<TimerKind>();
        for (std::size_t channel = 1; channel <= timer.channels.size(); ++channel) {
            lines.push_back(id + "." + std::to_string(channel) + " drives " + rate() + tolerance + " at " +
                            random.pick(std::vector<std::string>{"1e-20", "0.001", "33.3", "99.999", "100"}) + " % duty" +
                            maybe("steps under 1e-15 %") + maybe("dead " + time()));
        }
        return lines;
    }
    if (kind == "watchdog") {
        return {id + " bites after " + time() + tolerance + maybe("fed every " + time()) + maybe("at latest " + time()) +
                maybe("opens after " + time()) + maybe("warns " + time() + " before")};
    }
    if (kind == "rtc") {
        return {id + " drifts at most " + extreme(random, "ppm"), id + " fires every " + time() + tolerance,
                id + " fires every " + time() + tolerance + ", by alarm" + maybe("repeated"),
                "wakes from deep in at most " + time() + " by " + id + " every " + time()};
    }
    if (kind == "adc") {
        const std::string pace = random.coin() ? extreme(random, "samples/s") : "once in at most " + time();
        return {id + " takes " + pace + maybe("at " + count(random) + " bit") + maybe("from " + extreme(random, "ohm")) +
                maybe("over " + count(random) + " channels") + maybe("oversampled " + count(random) + " times")};
    }
    if (kind == "spi") {
        return {id + " clocks at most " + rate() + maybe("of " + count(random) + " byte") +
                maybe("after " + count(random) + " dummies") + maybe("reading " + count(random) + " byte in at most " + time()) +
                maybe("on " + count(random) + " lanes")};
    }
    if (kind == "i2c") {
        return {id + " talks " + rate() + maybe("with " + time() + " rise") + maybe("with " + time() + " fall"),
                id + " talks 400 kHz, pulled by " + extreme(random, "ohm") + " into " + extreme(random, "F")};
    }
    if (kind == "can") {
        return {id + " talks " + extreme(random, "bit/s") + tolerance + maybe("data " + extreme(random, "bit/s")) +
                    maybe("sample at " + random.pick(std::vector<std::string>{"1e-9", "50", "99.9", "100"}) + " %") +
                    maybe("over " + extreme(random, "m")) + maybe("with node delay " + time()) + maybe("jump " + count(random)),
                id + " holds " + count(random) + " filters, " + count(random) + " received, of " + count(random) + " byte"};
    }
    if (kind == "sound") {
        return {id + " plays " + rate() + tolerance + maybe("at " + count(random) + " bit")};
    }
    return {id + " waits " + time() + tolerance, id + " waits at least " + time()};
}

} // namespace

/// Whatever is asked of whatever there is: a reasoned answer, and never a number that does not fit.
class CoreFaultyAsks : public QObject {
    Q_OBJECT

private slots:
    void anythingIsAnswered_data() {
        QTest::addColumn<std::string>("part");
        for (const auto& entry : std::filesystem::directory_iterator(sourceDir() + "/parts")) {
            if (entry.path().extension() == ".toml") {
                QTest::newRow(entry.path().stem().c_str()) << entry.path().string();
            }
        }
    }
    void anythingIsAnswered() {
        QFETCH(std::string, part);
        const PartFile file = readPart(fileText(part), part);
        QVERIFY(file.part.has_value());
        Random random;
        int broken = 0;
        int asked = 0;
        for (int round = 0; round < 6; ++round) {
            for (const Peripheral& peripheral : file.part->peripherals) {
                if (file.part->peripherals.size() > 30 && random.whole(0, 3) != 0) {
                    continue; // of the largest part a quarter each time
                }
                for (const std::string& text : linesAbout(peripheral, random)) {
                    const auto line = readPromiseLine(text, &*file.part);
                    if (!line) { // as where the part has no such mode: said at the word
                        QVERIFY2(!line.error().found.empty() && line.error().position <= text.size(), text.c_str());
                        continue;
                    }
                    Plan plan = freshPlan(*file.part);
                    plan.promises.push_back({text, *line});
                    const Figures figures = derive(*file.part, plan, plan.active);
                    const PromiseFigure& figure = figures.promises[0];
                    ++asked;
                    broken += figure.state == State::broken ? 1 : 0;
                    QVERIFY2(figure.state == State::kept || !figure.why.empty(), text.c_str());
                    for (const FieldValue& value : figure.fields) {
                        const bool fits = value.held >= 0 && Rational(value.held) <= value.field.most();
                        QVERIFY2(fits,
                                 (text + ": " + value.control + " = " + value.setting + " in " + fieldText(value.field)).c_str());
                    }
                    QVERIFY2(!figure.error ||
                                 (figure.error->min <= figure.error->nominal && figure.error->nominal <= figure.error->max),
                             text.c_str());
                    if (round % 4 == 0) { // what the window and the handover make of it
                        promiseWorkings(*file.part, plan, figures, 0);
                        const Desk desk = deskOf(*file.part, plan, figures, 0, 8);
                        if (desk.clock) {
                            const Rational& now = desk.clock->hertz.nominal;
                            QVERIFY(desk.rates.spans(now / 2, now * 2, 12).size() <= 12);
                            QVERIFY2(figure.state == State::broken || desk.rates.contains(now), text.c_str());
                        }
                        bringUp(*file.part, plan, figure, 0);
                    }
                }
            }
        }
        QVERIFY(asked > 40);
        QVERIFY(broken > asked / 4);
    }
};

QTEST_APPLESS_MAIN(CoreFaultyAsks)
#include "core_faulty_asks.moc"
