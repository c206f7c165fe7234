#include "bench/bench_view.h"
#include "bench/bench_work.h"
#include "plan/take_edits.h"
#include "window_fixture.h"

#include <malloc.h>

namespace wisetick::test {

namespace {

/// Bytes that are in use.
double inUse() {
    return static_cast<double>(mallinfo2().uordblks) + static_cast<double>(mallinfo2().hblkhd);
}

/// Bytes that are in use at rest: what follows an edit is worked out on threads, whose half megabyte comes and goes. The least of
/// two seconds, many times as long as they work.
double inUseAtRest() {
    double least = inUse();
    for (int look = 0; look < 100; ++look) {
        QTest::qWait(20);
        least = std::min(least, inUse());
    }
    return least;
}

int wanted(const char* name, int usual) {
    return qEnvironmentVariableIsSet(name) ? qEnvironmentVariableIntValue(name) : usual;
}

} // namespace

/// A window that is open all day does not grow: WISETICK_EDITS=10000, WISETICK_OPENS=1000 and WISETICK_CAPTURES=600 play longer.
class AppMemory : public WindowFixture {
    Q_OBJECT

    void edit(int number) {
        document().edit("bus_a",
                        [number](Plan& plan) { return setDivide(plan, "A", "bus_a", Rational(number % 2 == 0 ? 2 : 4)); });
    }

private slots:
    void editsTakeNothing() {
        if (test::kIsSanitized) {
            QSKIP("the memory is the sanitizer's");
        }
        openExample("orchard-sprayer");
        settle();
        const int edits = wanted("WISETICK_EDITS", 600);
        const int warm = 300; // more than the history keeps whole
        for (int i = 0; i < warm; ++i) {
            edit(i);
            QApplication::processEvents();
        }
        settle();
        const double before = inUseAtRest();
        for (int i = 0; i < edits; ++i) {
            edit(i);
            QApplication::processEvents();
        }
        settle();
        const double grown = inUseAtRest() - before;
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
        if (test::kIsSanitized) {
            QSKIP("the memory is the sanitizer's");
        }
        const int opens = wanted("WISETICK_OPENS", 60);
        const auto openOne = [&](int number) {
            openExample(number % 2 == 0 ? "orchard-sprayer" : "river-gauge");
            QApplication::processEvents();
        };
        for (int i = 0; i < 20; ++i) {
            openOne(i);
        }
        settle();
        const double before = inUseAtRest();
        for (int i = 0; i < opens; ++i) {
            openOne(i);
        }
        settle();
        const double grown = inUseAtRest() - before;
        qInfo("%d opens: %.0f KB more, %.1f MB in all", opens, grown / 1024, inUse() / 1048576);
        QVERIFY2(grown < 512 * 1024.0 + opens * 256.0, "what an opening leaves");
    }

    /// A folder that a program exports captures into all night: the newest is read each time, and the others make room.
    void aWatchedFolderTakesNothing() {
        if (test::kIsSanitized) {
            QSKIP("the memory is the sanitizer's");
        }
        openExample("orchard-sprayer");
        settle();
        QTest::keyClick(window_.get(), Qt::Key_6, Qt::AltModifier);
        auto& work = window_->find<BenchView>()->work();
        const QString exported = folder_->filePath("exported");
        QVERIFY(QDir().mkpath(exported));
        QDateTime at = QDateTime::currentDateTime();
        const auto exportOne = [&](int number) {
            QString dump = "$timescale 1 us $end\n$var wire 1 ! tick $end\n$enddefinitions $end\n#0\n0!\n";
            for (int edge = 1; edge < 20000; ++edge) {
                dump += QString("#%1\n%2!\n").arg(edge * 500 + number % 7).arg(edge % 2);
            }
            QFile file(exported + QString("/%1.vcd").arg(number, 5, 10, QChar('0')));
            QVERIFY(file.open(QFile::WriteOnly));
            file.write(dump.toLatin1());
            file.close();
            at = at.addSecs(60); // one a minute: which is the newest is told by the file's time
            QVERIFY(file.open(QFile::ReadWrite));
            QVERIFY(file.setFileTime(at, QFileDevice::FileModificationTime));
            file.close();
            QTRY_VERIFY(!work.isBusy() && work.capture() != nullptr && !work.laid().empty() &&
                        work.laid()[work.looked()].path == file.fileName());
        };
        work.watchFolder(exported);
        const int captures = wanted("WISETICK_CAPTURES", 8);
        const int warm = 14; // more than lie beside one another
        for (int i = 1; i <= warm; ++i) {
            exportOne(i);
        }
        const double before = inUseAtRest();
        for (int i = 1; i <= captures; ++i) {
            exportOne(warm + i);
            QVERIFY(work.laid().size() <= 12);
        }
        const double grown = inUseAtRest() - before;
        qInfo("%d captures: %.0f KB more, %.1f MB in all", captures, grown / 1024, inUse() / 1048576);
        // each has words of its own, of which as many are kept laid out as a day of painting needs
        const double words = std::min(captures * 20 * 1024.0, 8 * 1048576.0);
        QVERIFY2(grown < 768 * 1024.0 + words, "what a capture leaves");
    }
};

} // namespace wisetick::test

using wisetick::test::AppMemory;
QTEST_MAIN(AppMemory)
#include "app_memory.moc"
