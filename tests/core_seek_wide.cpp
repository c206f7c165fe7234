#include "files/plan_reader.h"
#include "seek_support.h"
#include "small_part.h"

using namespace wisetick;
using namespace wisetick::test;

namespace {

/// Two multipliers with fractions of 13 bits, three dividers from 1 to 128 behind each; `core` and `usb` may come from either.
std::string widePart(const std::string& limit) {
    std::string text =
        "format = \"wisetick-part/1\"\nid = \"wide\"\nname = \"Wide\"\nsupply = { min = \"1.8 V\", max = \"3.6 V\" }\n"
        "core = \"core\"\n\n[[source]]\nid = \"xt\"\nkind = \"crystal\"\nrange = [\"4 MHz\", \"48 MHz\"]\n"
        "\n[[source]]\nid = \"slow\"\nkind = \"rc\"\nrate = \"32768 Hz\"\ntolerance = [{ by = \"1 %\" }]\n"
        "\n[[source]]\nid = \"rc\"\nkind = \"rc\"\nrate = \"16 MHz\"\ntolerance = [{ by = \"1 %\" }]\n";
    for (const std::string name : {"a", "b"}) {
        text += "\n[[line]]\nid = \"mul-" + name + "\"\nfrom = [\"rc\", \"xt\"]\n" +
                "multiply = { from = 4, to = 512, step = \"1/8192\" }\nreset = { multiply = 8 }\n" + limit;
        for (const std::string line : {"p", "q", "r"}) {
            text +=
                "\n[[line]]\nid = \"" + name + "_" + line + "\"\nfrom = \"mul-" + name + "\"\ndivide = { from = 1, to = 128 }\n";
        }
    }
    return text + "\n[[line]]\nid = \"core\"\nfrom = [\"rc\", \"a_p\", \"b_p\"]\nlimit = { max = \"160 MHz\" }\n"
                  "\n[[line]]\nid = \"usb\"\nfrom = [\"a_q\", \"b_q\", \"core\"]\n"
                  "\n[[peripheral]]\nid = \"timer1\"\nkind = \"timer\"\nclock = \"slow\"\nbits = 16\nprescaler = [1, 8]\n"
                  "\n[[mode]]\nid = \"run\"\nruns = true\ndraws = \"5 mA\"\n";
}

/// All outputs are on, and a promise on the slow clock, which no question asks.
Edited wide(const std::string& limit) {
    std::string take = "[take.choices.usb]\nfrom = \"a_q\"\n";
    for (const char* line : {"a_p", "a_q", "a_r", "b_p", "b_q", "b_r"}) {
        take += std::string("[take.choices.") + line + "]\non = true\n";
    }
    std::string plan =
        replaced(smallPlan(said("timer1 fires every 1 s exactly"), {}, take), "part = \"plain\"", "part = \"wide\"");
    plan = replaced(plan, "\n[[promise]]", "\n[board.fitted.xt]\nrate = \"16 MHz\"\ntolerance = \"20 ppm\"\n\n[[promise]]");
    return readBoth(widePart(limit), plan);
}

} // namespace

/// Questions about a little of a large space: what nothing asks does not widen it.
class CoreSeekWide : public QObject {
    Q_OBJECT

private slots:
    /// 16 MHz × 18 ÷ 2 is 144 MHz, and ÷ 6 is 48 MHz: found, whatever else is on, and whether the multipliers have limits or not.
    void whatNothingAsksStaysAsItIs_data() {
        QTest::addColumn<std::string>("limit");
        QTest::newRow("limits") << std::string("limit = { min = \"100 MHz\", max = \"500 MHz\" }\n");
        QTest::newRow("none") << std::string();
    }
    void whatNothingAsksStaysAsItIs() {
        QFETCH(std::string, limit);
        const Edited edited = wide(limit);
        const SeekResult found =
            seek(edited.part, edited.plan, "A", asking(edited.part, {"core = 144 MHz", "usb = 48 MHz within 0.1 %"}), {});
        QVERIFY2(!found.found.empty(), found.cut.c_str());
        QCOMPARE(rateOf(found.found.front(), "core"), Rational(144000000));
        QCOMPARE(rateOf(found.found.front(), "usb"), Rational(48000000));
        QCOMPARE(found.found.front().score.changes,
                 std::int64_t{4}); // input and factor of a multiplier, a divider, the core's input
        // a narrower question finds no more
        const SeekResult narrow =
            seek(edited.part, edited.plan, "A",
                 asking(edited.part, {"core = 144 MHz", "usb = 48 MHz within 0.1 %", "mul-a = 288 MHz"}), {});
        QVERIFY(narrow.isComplete() && !narrow.found.empty());
        QVERIFY(compareScores(found.found.front().score, narrow.found.front().score, {Preference::changes}) !=
                std::strong_ordering::greater);
    }

    /// Ids may have a '-'.
    void idsWithADash() {
        const Edited edited = wide("");
        QCOMPARE(readWish("mul-a = 288 MHz", &edited.part)->line, std::string("mul-a"));
        QVERIFY(!readWish("mul-c = 288 MHz", &edited.part).has_value());
    }
};

QTEST_APPLESS_MAIN(CoreSeekWide)
#include "core_seek_wide.moc"
