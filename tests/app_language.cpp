#include "board/board_view.h"
#include "evaluate/evaluate.h"
#include "language/language.h"
#include "paint/text.h"
#include "part_editor/part_editor.h"
#include "part_editor/part_questions_dialog.h"
#include "promises/promises_column.h"
#include "seek/seek_panel.h"
#include "window_fixture.h"
#include "workings/workings_panel.h"

#include <QAbstractButton>
#include <QAccessible>
#include <QAction>
#include <QDirIterator>
#include <QLabel>
#include <QRegularExpression>
#include <QXmlStreamReader>

namespace wisetick::test {

/// The window in other languages than the one of its source.
class AppLanguage : public WindowFixture {
    Q_OBJECT

    static QString contentOf(const QString& path) {
        QFile file(path);
        return file.open(QFile::ReadOnly) ? QString::fromUtf8(file.readAll()) : QString();
    }

    static QSet<QString> wordsOf(const QString& text) {
        static const QRegularExpression word("\\b[A-Za-z_][A-Za-z_0-9]+");
        QSet<QString> words;
        for (auto each = word.globalMatch(text); each.hasNext();) {
            words << each.next().captured();
        }
        return words;
    }

    /// What is in no brackets of the made-up language.
    static QString bare(const QString& text) {
        QString left;
        int depth = 0;
        for (const QChar sign : text) {
            depth += sign == QChar(0x27E6) ? 1 : 0;
            if (depth == 0) {
                left += sign;
            }
            depth -= sign == QChar(0x27E7) && depth > 0 ? 1 : 0;
        }
        return left;
    }

    static void addTexts(QAccessibleInterface* item, QStringList& texts, int depth = 0) {
        if (item == nullptr || depth > 12) {
            return;
        }
        for (const QAccessible::Text which : {QAccessible::Name, QAccessible::Value, QAccessible::Description}) {
            texts << item->text(which);
        }
        for (int i = 0; i < item->childCount(); ++i) {
            addTexts(item->child(i), texts, depth + 1);
        }
    }

    static QStringList allTexts(QWidget* root) {
        QStringList texts;
        addTexts(QAccessible::queryAccessibleInterface(root), texts);
        for (const QTextBrowser* browser : root->findChildren<QTextBrowser*>()) {
            texts << browser->toPlainText();
        }
        for (const QLabel* label : root->findChildren<QLabel*>()) {
            texts << QString(label->text()).remove(QRegularExpression("<[^>]*>|&nbsp;"));
        }
        for (const QAbstractButton* button : root->findChildren<QAbstractButton*>()) {
            texts << button->text() << button->toolTip();
        }
        for (const QAction* action : root->findChildren<QAction*>()) {
            texts << action->text();
        }
        for (const QLineEdit* line : root->findChildren<QLineEdit*>()) {
            texts << line->placeholderText();
        }
        return texts;
    }

    QString workings() { return window_->workings()->toPlainText(); }

    static std::unique_ptr<MainWindow> windowOn(const QString& path) {
        auto window = std::make_unique<MainWindow>(Shelf{{}, sourceDir() + "/parts"}, path);
        window->leaveNoTrace();
        window->resize(1280, 800);
        window->show();
        return window;
    }

private slots:
    void cleanup() { QVERIFY(Language::speak("en")); }

    /// In a language in which every text stands in brackets, nothing but names, numbers and what is typed stands outside.
    void everythingIsTranslated_data() {
        QTest::addColumn<QString>("example");
        for (const char* name : {"orchard-sprayer", "river-gauge", "spindle-balancer"}) {
            QTest::newRow(name) << name;
        }
    }

    void everythingIsTranslated() {
        QFETCH(QString, example);
        const QString folder = QString::fromStdString(sourceDir());
        // names and what is typed: words of plan and part
        QSet<QString> known = wordsOf(contentOf(folder + "/examples/" + example + ".plan.toml"));
        QDirIterator parts(folder + "/parts", {"*.toml"}, QDir::Files);
        while (parts.hasNext()) {
            known += wordsOf(contentOf(parts.next()));
        }
        // units, keys and words of the grammar stay as typed
        for (const char* word : {"toml", "MHz",  "kHz",  "Hz",  "ppm",   "ppb",  "year",   "years",   "days",   "kbit",
                                 "Mbit", "bit",  "byte", "min", "exact", "Ctrl", "Shift",  "Alt",     "Return", "Del",
                                 "Wise", "Tick", "mAh",  "ms",  "ns",    "us",   "within", "exactly", "in",     "take",
                                 "mA",   "nA",   "uA",   "kB",  "KiB",   "MiB",  "KB",     "cycles",  "Enter",  "bytes"}) {
            known << word;
        }
        QVERIFY(Language::speak("pseudo"));
        window_ = windowOn(folder + "/examples/" + example + ".plan.toml");
        settle();
        for (const LineFigure& line : document().figures().lines) {
            known += wordsOf(QString::fromStdString(line.id + " " + line.name)); // also those that templates make
        }
        for (const Peripheral& each : document().part().peripherals) {
            known += wordsOf(QString::fromStdString(each.id + " " + each.name));
        }
        for (const Source& each : document().part().sources) {
            known += wordsOf(QString::fromStdString(each.id + " " + each.name));
        }
        QStringList texts;
        for (const char* view : {"board", "clocks", "promises", "sleep", "rhythm", "handover", "takes", "shelf", "bench"}) {
            window_->showView(view);
            QTest::qWait(20);
            texts << allTexts(window_.get());
        }
        for (const PromiseFigure& promise : document().figures().promises) {
            window_->promises()->cards()->select(QString::fromStdString(promise.name));
            texts << workings();
        }
        window_->showView("clocks");
        for (const LineFigure& line : document().figures().lines) {
            window_->find<ClocksView>()->select(QString::fromStdString(line.id));
            texts << workings();
        }
        window_->goTo(Target::seek()); // which refuses that
        auto* seek = window_->find<SeekPanel>();
        QVERIFY(seek != nullptr);
        seek->asked()->enterLine("core = 999 MHz");
        QTRY_VERIFY(!seek->isBusy());
        texts << allTexts(seek);
        window_->editPart(document().partPath());
        QVERIFY(window_->partEditor() != nullptr);
        window_->partEditor()->select("core");
        for (const auto tab : {PartEditor::Tab::text, PartEditor::Tab::tree, PartEditor::Tab::fields, PartEditor::Tab::modes,
                               PartEditor::Tab::unknown}) {
            window_->partEditor()->showTab(tab);
            texts << allTexts(window_->partEditor());
        }
        PartQuestions questions;
        texts << allTexts(&questions);
        texts.removeDuplicates();
        QVERIFY(texts.size() > 300);
        QMap<QString, QString> found;
        for (const QString& each : texts) {
            for (const QString& word : wordsOf(bare(each))) {
                if (word.size() > 2 && !known.contains(word) && word.toUpper() != word) {
                    for (const QString& line : each.split('\n')) {
                        found[word] = wordsOf(bare(line)).contains(word) ? line : found.value(word);
                    }
                }
            }
        }
        for (auto each = found.begin(); each != found.end(); ++each) {
            qWarning().noquote() << each.key() << "in" << each.value().left(160);
        }
        QCOMPARE(found.size(), 0);
    }

    void germanIsSpoken() {
        QVERIFY(Language::known().contains("de"));
        QVERIFY(Language::speak("de"));
        window_ = windowOn(path());
        settle();
        const QString why = text(document().figures().findPromise("modem")->why);
        QVERIFY2(why.startsWith("die n\u00e4chste ") && why.contains(", verlangt "), qPrintable(why));
        QVERIFY2(allTexts(window_.get()).contains("Platine"), qPrintable(allTexts(window_.get()).mid(0, 30).join(" | ")));
        QVERIFY(!Language::speak("xx")); // that is not here: what is spoken stays
        QCOMPARE(Language::spoken(), QString("de"));
    }

    /// What leaves the plan is the same in every language.
    void filesAreTheSameInEveryLanguage() {
        const Figures english = evaluate(document().part(), document().plan(), document().plan().active);
        QVERIFY(Language::speak("de"));
        const Figures german = evaluate(document().part(), document().plan(), document().plan().active);
        QCOMPARE(german.findPromise("modem")->why, english.findPromise("modem")->why);
        QCOMPARE(text(german.findPromise("modem")->why) == text(std::string(english.findPromise("modem")->why)), false);
    }

    /// Nothing is left out, and what is filled in has its place.
    void germanIsComplete() {
        QFile file(QString::fromStdString(sourceDir()) + "/app/translations/wisetick_de.ts");
        QVERIFY(file.open(QFile::ReadOnly));
        static const QRegularExpression places("%\\d|%n|(?<!\\{)\\{\\d?\\}(?!\\})");
        const auto placesOf = [](const QString& text) {
            int count = 0;
            QStringList numbered;
            for (auto each = places.globalMatch(text); each.hasNext();) {
                const QString place = each.next().captured();
                place.startsWith('{') ? void(++count) : void(numbered << place);
            }
            numbered.sort();
            return numbered.join(' ') + " " + QString::number(count);
        };
        QXmlStreamReader xml(&file);
        QString source;
        int messages = 0;
        while (xml.readNextStartElement() || !xml.atEnd()) {
            if (!xml.isStartElement()) {
                continue;
            }
            if (xml.name() == u"source") {
                source = xml.readElementText();
                ++messages;
            } else if (xml.name() == u"translation") {
                QVERIFY2(!xml.attributes().hasAttribute("type"), qPrintable(source));
                if (xml.attributes().isEmpty() && !source.contains("%n")) {
                    const QString said = xml.readElementText();
                    QVERIFY2(!said.isEmpty(), qPrintable(source));
                    QCOMPARE(placesOf(said), placesOf(source));
                    QCOMPARE(said.startsWith(' '), source.startsWith(' '));
                }
            }
        }
        QVERIFY(messages > 2000);
    }
};

} // namespace wisetick::test

using wisetick::test::AppLanguage;
QTEST_MAIN(AppLanguage)
#include "app_language.moc"
