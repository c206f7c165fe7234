#include "board/board_view.h"
#include "evaluate/evaluate.h"
#include "files/plan_writer.h"
#include "promises/promises_column.h"
#include "window_fixture.h"

#include <QAbstractButton>
#include <QDialog>
#include <QRandomGenerator>
#include <QRegularExpression>
#include <QSaveFile>
#include <QTimer>

namespace wisetick::test {

/// Keys, clicks and drags at random on every example. Whatever is done: what the window shows, the document and the text that
/// would be saved agree, and undo leads back to where it began. WISETICK_RANDOM=SECONDS plays longer; the seed of a failure is
/// told.
class AppRandom : public WindowFixture {
    Q_OBJECT

    QRandomGenerator random_;
    QTimer leave_; ///< whatever asks for a file

    int below(int count) { return static_cast<int>(random_.bounded(count)); }

    QWidget* anyWidget() {
        QList<QWidget*> shown;
        for (QWidget* each : window_->findChildren<QWidget*>()) {
            if (each->isVisible() && each->isEnabled() && each->width() > 4 && each->height() > 4 &&
                each->window() == window_.get() && qobject_cast<QMenuBar*>(each) == nullptr) {
                shown << each;
            }
        }
        return shown.isEmpty() ? nullptr : shown[below(static_cast<int>(shown.size()))];
    }

    /// Keys that move, edit or open something in a view; none that asks for a file, prints, or ends the window.
    void pressAnyKey() {
        static const QList<QKeySequence> keys{{"Up"},         {"Down"},     {"Left"},
                                              {"Right"},      {"Home"},     {"End"},
                                              {"PgUp"},       {"PgDown"},   {"Return"},
                                              {"Esc"},        {"Tab"},      {"Shift+Tab"},
                                              {"Space"},      {"Del"},      {"Ins"},
                                              {"+"},          {"-"},        {"F2"},
                                              {"Ctrl+Z"},     {"Ctrl+Y"},   {"Ctrl+Return"},
                                              {"Ctrl+L"},     {"Ctrl+B"},   {"Ctrl+P"},
                                              {"Alt+1"},      {"Alt+2"},    {"Alt+3"},
                                              {"Alt+4"},      {"Alt+5"},    {"Alt+6"},
                                              {"Alt+7"},      {"Alt+8"},    {"Ctrl+Shift+T"},
                                              {"Alt+Up"},     {"Alt+Down"}, {"Shift+Right"},
                                              {"Ctrl+Right"}, {"Ctrl+F"},   {"m"},
                                              {"r"},          {"w"}};
        const QKeyCombination key = keys[below(static_cast<int>(keys.size()))][0];
        QWidget* target = QApplication::focusWidget();
        if (target == nullptr || target->window() != window_.get()) {
            target = anyWidget();
        }
        if (target != nullptr) {
            QTest::keyClick(target, key.key(), key.keyboardModifiers());
        }
    }

    void typeAnything() {
        static const QStringList texts{"4",
                                       "÷ 2",
                                       "from rc",
                                       "8 MHz",
                                       "1 %",
                                       "9600",
                                       "0",
                                       "-5",
                                       "1e40",
                                       "nan",
                                       "3 V",
                                       "zzz",
                                       "",
                                       "48M",
                                       "10 ms",
                                       "every 1 s for 1 ms",
                                       "uart1 talks 115200",
                                       "\u202E",
                                       "'\"<b>&"};
        QWidget* target = QApplication::focusWidget();
        if (auto* line = qobject_cast<QLineEdit*>(target); line != nullptr && line->window() == window_.get()) {
            line->insert(texts[below(static_cast<int>(texts.size()))]);
            QTest::keyClick(line, below(3) == 0 ? Qt::Key_Escape : Qt::Key_Return);
        }
    }

    void clickAnywhere() {
        QWidget* target = anyWidget();
        if (target == nullptr) {
            return;
        }
        const QPoint at(below(target->width()), below(target->height()));
        switch (below(5)) {
        case 0: {
            const QPoint to(below(target->width()), below(target->height()));
            QTest::mousePress(target, Qt::LeftButton, {}, at);
            QTest::mouseMove(target, to);
            QTest::mouseRelease(target, Qt::LeftButton, {}, to);
            break;
        }
        case 1: QTest::mouseDClick(target, Qt::LeftButton, {}, at); break;
        case 2: QTest::mouseClick(target, Qt::LeftButton, Qt::ShiftModifier, at); break;
        default: QTest::mouseClick(target, Qt::LeftButton, {}, at); break;
        }
    }

    /// What is saved is what is open, and the figures are those of it.
    void checkAgreement(const std::string& before) {
        if (!document().isOpen()) {
            return;
        }
        const std::string text = savePlan(document().plan(), before);
        const PlanFile back = readPlan(text, "plan", &document().part());
        QVERIFY2(back.plan.has_value(), (lines(back.diagnostics) + "\n" + text).c_str());
        QVERIFY2(*back.plan == document().plan(), text.c_str());
        settle();
        const Figures figures = evaluate(document().part(), document().plan(), document().plan().active);
        QCOMPARE(document().figures().promises.size(), figures.promises.size());
        for (std::size_t i = 0; i < figures.promises.size(); ++i) {
            QCOMPARE(document().figures().promises[i].name, figures.promises[i].name);
            QCOMPARE(document().figures().promises[i].settings, figures.promises[i].settings);
            QCOMPARE(document().figures().promises[i].state, figures.promises[i].state);
        }
    }

public:
    AppRandom() {
        connect(&leave_, &QTimer::timeout, this, [] {
            if (auto* asks = qobject_cast<QDialog*>(QApplication::activeModalWidget())) {
                asks->reject();
            }
            if (auto* menu = QApplication::activePopupWidget()) { // one that is waited for
                menu->close();
            }
        });
        leave_.start(50);
    }

private slots:
    void nothingBreaks_data() {
        QTest::addColumn<QString>("example");
        for (const char* name : {"orchard-sprayer", "river-gauge", "lagoon-buoy", "spindle-balancer", "door-sensor"}) {
            QTest::newRow(name) << name;
        }
    }

    void nothingBreaks() { play(false); }

    /// Another program writes the file meanwhile, breaks it, takes it away; the plan is saved and read anew in between. What
    /// another one wrote is never written over unseen, and undo still leads back to where it began.
    void filesChangeMeanwhile_data() { nothingBreaks_data(); }
    void filesChangeMeanwhile() { play(true); }

private:
    /// What another program may do to a file.
    void changeFile(const QString& path, const QByteArray& bytes) {
        static const QRegularExpression supply("name = \"[^\"]*\"");
        QFile file(path);
        if (below(5) == 0) {
            file.remove();
            return;
        }
        QByteArray written = bytes;
        switch (below(4)) {
        case 0: written += "# written elsewhere " + QByteArray::number(below(1000)) + "\n"; break;
        case 1: written = QString::fromUtf8(bytes).replace(supply, QString("name = \"other %1\"").arg(below(9))).toUtf8(); break;
        case 2: written = bytes.left(below(static_cast<int>(bytes.size()))); break;
        default: break;
        }
        if (below(2) == 0) { // as programs do that put a new file in its place
            QSaveFile whole(path);
            QVERIFY(whole.open(QFile::WriteOnly));
            whole.write(written);
            QVERIFY(whole.commit());
        } else {
            QVERIFY(file.open(QFile::WriteOnly | QFile::Truncate));
            file.write(written);
        }
    }

    static QByteArray onDisk(const QString& path) {
        QFile file(path);
        return file.open(QFile::ReadOnly) ? file.readAll() : QByteArray();
    }

    /// Saves or reads anew; what stands in the file afterwards.
    QByteArray saveOrReload(const QString& path) {
        const QByteArray before = onDisk(path);
        if (below(2) == 0) {
            const bool isRead = !hasErrors(document().reload());
            const PlanFile there = readPlan(before.toStdString(), "plan", &document().part());
            [&] { QVERIFY(!isRead || *there.plan == document().plan()); }();
            return before;
        }
        const bool isSaved = document().save(path, false).isDone();
        const QByteArray after = onDisk(path);
        if (isSaved) {
            const PlanFile there = readPlan(after.toStdString(), "plan", &document().part());
            [&] { QVERIFY(there.plan && *there.plan == document().plan() && !document().isModified()); }();
        } else {
            [&] { QCOMPARE(after, before); }();
        }
        return after;
    }

    void play(bool filesChange) {
        QFETCH(QString, example);
        const int seconds = qEnvironmentVariableIntValue("WISETICK_RANDOM");
        const quint32 seed =
            qEnvironmentVariableIsSet("WISETICK_SEED") ? qEnvironmentVariable("WISETICK_SEED").toUInt() : 20261201U;
        random_.seed(seed);
        openExample(example);
        const Plan begun = document().plan();
        QFile file(folder_->filePath(example + ".plan.toml"));
        QVERIFY(file.open(QFile::ReadOnly));
        const QByteArray bytes = file.readAll();
        file.close();
        QByteArray last = bytes; // that somebody wrote
        QElapsedTimer clock;
        clock.start();
        int steps = 0;
        for (; seconds > 0 ? clock.elapsed() < seconds * 1000 : steps < 400; ++steps) {
            switch (below(8)) {
            case 0:
            case 1: clickAnywhere(); break;
            case 2: typeAnything(); break;
            default: pressAnyKey(); break;
            }
            if (steps % 16 == 0) {
                QCoreApplication::processEvents();
            }
            if (filesChange && below(40) == 0) {
                QCOMPARE(onDisk(file.fileName()), last); // nobody else writes it
                changeFile(file.fileName(), bytes);
                last = onDisk(file.fileName());
            } else if (filesChange && below(40) == 0) {
                QCOMPARE(onDisk(file.fileName()), last);
                last = saveOrReload(file.fileName());
            }
            QVERIFY2(window_->isVisible() && document().isOpen(), qPrintable(QString("seed %1, step %2").arg(seed).arg(steps)));
            if (steps % 50 == 49) {
                checkAgreement(bytes.toStdString());
                if (QTest::currentTestFailed()) {
                    qWarning() << "seed" << seed << "step" << steps;
                    return;
                }
            }
        }
        for (int i = 0; i < 100000 && document().canUndo(); ++i) {
            document().undo();
        }
        QVERIFY(document().plan() == begun);
        QCOMPARE(savePlan(document().plan(), bytes.toStdString()), bytes.toStdString()); // to the byte
        QCOMPARE(onDisk(file.fileName()), last); // nothing was written that nobody asked for
        QVERIFY(QApplication::focusWidget() == nullptr || QApplication::focusWidget()->isVisible());
    }
};

} // namespace wisetick::test

using wisetick::test::AppRandom;
QTEST_MAIN(AppRandom)
#include "app_random.moc"
