#pragma once

#include "clocks/clocks_view.h"
#include "shell/main_window.h"
#include "support.h"
#include "workings/workings_panel.h"

#include <QApplication>
#include <QLineEdit>
#include <QSettings>
#include <QTemporaryDir>
#include <QTextBlock>
#include <QTextBrowser>

#include <memory>

namespace wisetick::test {

/// ms that a test waits at most for what is worked out beside the interface.
inline const int kPatience = kIsSanitized ? 90'000 : 15'000;
#undef QTRY_VERIFY
#define QTRY_VERIFY(expr) QTRY_VERIFY_WITH_TIMEOUT((expr), kPatience)
#undef QTRY_COMPARE
#define QTRY_COMPARE(expr, expected) QTRY_COMPARE_WITH_TIMEOUT((expr), (expected), kPatience)

using namespace wisetick::app;

/// A test's own change of a plan as an edit.
template <class Change>
PlanEdit changing(Change change) {
    return [change](Plan& plan) {
        change(plan);
        return std::string();
    };
}

/// A window on a copy of the example, for each test anew; nothing of the user's own is read or written.
class WindowFixture : public QObject {
    Q_OBJECT

protected:
    std::unique_ptr<QTemporaryDir> folder_;
    std::unique_ptr<MainWindow> window_;

    QString path() const { return folder_->filePath("orchard.plan.toml"); }
    Document& document() { return window_->document(); }
    State stateOf(const std::string& promise) { return document().figures().findPromise(promise)->state; }

    /// Until the jobs are played.
    void settle() { QTRY_VERIFY(document().figures().rhythm.has_value()); }

    /// Opens a copy of an example: what is edited is written aside beside the file.
    void openExample(const QString& name) {
        const QString copy = folder_->filePath(name + ".plan.toml");
        if (!QFile::exists(copy)) {
            QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/examples/" + name + ".plan.toml", copy));
            QFile(copy).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        }
        QVERIFY(window_->openPlan(copy));
    }

    void type(QWidget* widget, const QString& text) {
        widget->setFocus();
        QTest::keyClicks(widget, text);
        QTest::keyClick(widget, Qt::Key_Return);
    }

    /// Clicks the first link to that place, wherever it stands in the text; the test fails where there is none.
    void clickLink(QTextBrowser* browser, const QString& link) {
        for (QTextBlock block = browser->document()->begin(); block.isValid(); block = block.next()) {
            for (auto part = block.begin(); !part.atEnd(); ++part) {
                const QTextFragment fragment = part.fragment();
                if (fragment.charFormat().anchorHref() != link || fragment.text().trimmed().isEmpty()) {
                    continue;
                }
                QTextCursor at(browser->document());
                at.setPosition(fragment.position());
                browser->setTextCursor(at);
                browser->ensureCursorVisible();
                QRect place = browser->cursorRect(at);
                at.setPosition(fragment.position() + 1);
                place = place.united(browser->cursorRect(at));
                QTest::mouseClick(browser->viewport(), Qt::LeftButton, Qt::NoModifier, place.center());
                return;
            }
        }
        QFAIL(qPrintable("no link to " + link + " in: " + browser->toPlainText()));
    }

    /// Types into the selected row's own control.
    void typeControl(const QString& line, const QString& typed) {
        window_->find<ClocksView>()->select(line);
        window_->find<ClocksView>()->setFocus();
        QTest::keyClick(window_->find<ClocksView>(), Qt::Key_Return);
        QVERIFY(window_->find<ClocksView>()->editor()->isVisible());
        window_->find<ClocksView>()->editor()->clear();
        type(window_->find<ClocksView>()->editor(), typed);
    }

private slots:
    void initTestCase() {
        // nothing of the user's own is read or written
        QCoreApplication::setOrganizationName("Wise Tick test");
        QCoreApplication::setApplicationName("Wise Tick test");
        static QTemporaryDir settings;
        QSettings::setPath(QSettings::NativeFormat, QSettings::UserScope, settings.path());
    }

    void init() {
        folder_ = std::make_unique<QTemporaryDir>();
        QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/examples/orchard-sprayer.plan.toml", path()));
        QFile(path()).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        window_ = std::make_unique<MainWindow>(Shelf{sourceDir() + "/parts"});
        window_->setExamples(QString::fromStdString(sourceDir() + "/examples"));
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        QApplication::setActiveWindow(window_.get()); // a bare display has no window manager to do it
        QVERIFY(window_->openPlan(path()));
        QTRY_VERIFY(!window_->workings()->toPlainText().isEmpty()); // what stands beside the views is shown and painted
    }

    void cleanup() {
        if (!window_) {
            return;
        }
        document().keep();
        while (document().canUndo()) {
            document().undo(); // nothing is asked at closing
        }
        window_.reset();
    }
};

} // namespace wisetick::test
