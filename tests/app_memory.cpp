#include "plan/take_edits.h"
#include "window_fixture.h"

#include <malloc.h>

namespace wisetick::test {

namespace {

/// Bytes that are in use.
double inUse() {
    return static_cast<double>(mallinfo2().uordblks) + static_cast<double>(mallinfo2().hblkhd);
}

int wanted(const char* name, int usual) {
    return qEnvironmentVariableIsSet(name) ? qEnvironmentVariableIntValue(name) : usual;
}

} // namespace

/// A window that is open all day does not grow: WISETICK_EDITS=10000 and WISETICK_OPENS=1000 play longer.
class AppMemory : public WindowFixture {
    Q_OBJECT

    void edit(int number) {
        document().edit("bus_a",
                        [number](Plan& plan) { return setDivide(plan, "A", "bus_a", Rational(number % 2 == 0 ? 2 : 4)); });
    }

private slots:
    void editsTakeNothing() {
#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
        QSKIP("the memory is the sanitizer's");
#endif
        openExample("orchard-sprayer");
        settle();
        const int edits = wanted("WISETICK_EDITS", 600);
        const int warm = 300; // more than the history keeps whole
        for (int i = 0; i < warm; ++i) {
            edit(i);
            QApplication::processEvents();
        }
        settle();
        const double before = inUse();
        for (int i = 0; i < edits; ++i) {
            edit(i);
            QApplication::processEvents();
        }
        settle();
        const double grown = inUse() - before;
        qInfo("%d edits: %.0f KB more, %.1f MB in all", edits, grown / 1024, inUse() / 1048576);
        constexpr double kOfAnEdit = 4000; // its plan as compressed text, its name: undo has no limit
        QVERIFY2(grown < 512 * 1024.0 + edits * kOfAnEdit, "what an edit leaves");
        // and all of them can be taken back
        const Plan last = document().plan();
        const std::size_t at = document().present();
        document().goTo(1);
        QVERIFY(document().plan() != last || edits % 2 == 0);
        document().goTo(at);
        QCOMPARE(document().plan() == last, true);
        for (const std::size_t entry : {std::size_t{2}, std::size_t{3}, at / 2, std::size_t{0}}) {
            document().goTo(entry);
        }
        QVERIFY(!document().isModified());
    }

    void opensTakeNothing() {
#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
        QSKIP("the memory is the sanitizer's");
#endif
        const int opens = wanted("WISETICK_OPENS", 60);
        const auto openOne = [&](int number) {
            openExample(number % 2 == 0 ? "orchard-sprayer" : "river-gauge");
            QApplication::processEvents();
        };
        for (int i = 0; i < 20; ++i) {
            openOne(i);
        }
        settle();
        const double before = inUse();
        for (int i = 0; i < opens; ++i) {
            openOne(i);
        }
        settle();
        const double grown = inUse() - before;
        qInfo("%d opens: %.0f KB more, %.1f MB in all", opens, grown / 1024, inUse() / 1048576);
        QVERIFY2(grown < 512 * 1024.0 + opens * 256.0, "what an opening leaves");
    }
};

} // namespace wisetick::test

using wisetick::test::AppMemory;
QTEST_MAIN(AppMemory)
#include "app_memory.moc"
