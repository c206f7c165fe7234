#include "window_fixture.h"

#include "part_editor/fields_page.h"
#include "part_editor/part_editor.h"
#include "part_editor/part_outline.h"
#include "part_editor/part_questions_dialog.h"
#include "part_editor/part_side.h"
#include "part_editor/part_tree.h"
#include "part_editor/paste_panel.h"

#include <QClipboard>
#include <QHeaderView>
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QMimeData>
#include <QPushButton>
#include <QTableWidget>
#include <QTextDocument>
#include <QTimer>
#include <QTreeWidgetItemIterator>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

/// The workshop: every change beside the text is a change of the text.
class AppWorkshop : public WindowFixture {
    Q_OBJECT

    PartEditor* editor() { return window_->partEditor(); }
    std::string content() { return editor()->text()->text().toStdString(); }

    void openPart() {
        QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/parts/marram-20.part.toml",
                            folder_->filePath("marram-20.part.toml")));
        QFile(folder_->filePath("marram-20.part.toml")).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        window_->editPart(folder_->filePath("marram-20.part.toml"));
        QVERIFY(editor() != nullptr);
        editor()->showTab(PartEditor::Tab::tree);
    }

    QTableWidgetItem* valueOf(const QString& key) {
        QTableWidget* table = editor()->side()->properties();
        for (int row = 0; row < table->rowCount(); ++row) {
            if (table->item(row, 0)->text() == key) {
                return table->item(row, 1);
            }
        }
        return nullptr;
    }

    void pasteText(const QString& text) {
        QApplication::clipboard()->setText(text);
        QTest::keyClick(editor(), Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
    }

private slots:
    void cleanup() {
        if (editor() != nullptr) {
            editor()->text()->setModified(false); // it is closed without a question
        }
    }

    void aValueIsTypedBesideTheText() {
        openPart();
        const std::string before = content();
        editor()->select("bus_a");
        QCOMPARE(editor()->tree()->selected(), QString("bus_a"));
        int line = 0;
        int column = 0;
        editor()->text()->getCursorPosition(&line, &column);
        QVERIFY(editor()->text()->text(line).startsWith("id = \"bus_a\""));
        QVERIFY(valueOf("divide") != nullptr);
        QCOMPARE(valueOf("divide")->text(), QString("{ from = 1, to = 8 }"));
        valueOf("divide")->setText("[1, 2, 4]");
        QCOMPARE(content(), replaced(before, "divide = { from = 1, to = 8 }\nfields = { divide = \"CLK.BUS[2:0]\" }",
                                     "divide = [1, 2, 4]\nfields = { divide = \"CLK.BUS[2:0]\" }"));
        QVERIFY(editor()->status().contains("11 lines"));
        editor()->text()->undo(); // one step
        QCOMPARE(content(), before);
        editor()->text()->redo();
        editor()->select("bus_a");
        valueOf("name")->setText(""); // taken away
        QVERIFY(valueOf("name") == nullptr);
        // a key more
        QTableWidget* table = editor()->side()->properties();
        const int last = table->rowCount() - 1;
        table->item(last, 0)->setText("ripple");
        table->item(last, 1)->setText("\"0.1 %\"");
        QVERIFY(content().find("ripple = \"0.1 %\"\n") != std::string::npos);
        QVERIFY(valueOf("ripple") != nullptr);
        // a value that is none is a fault in the text, and nothing is lost
        valueOf("ripple")->setText("often");
        QTRY_VERIFY(editor()->faults()->isVisibleTo(editor()));
        editor()->text()->undo();
        QTRY_VERIFY(!editor()->faults()->isVisibleTo(editor()));
    }

    void theTreeFollowsTheCursor() {
        openPart();
        QVERIFY(editor()->text()->findFirst("id = \"uart2\"", false, true, false, false, true, 0, 0));
        QTRY_COMPARE(editor()->tree()->selected(), QString("uart2"));
        QVERIFY(valueOf("clock") != nullptr);
        QTest::keyClick(editor()->tree(), Qt::Key_Up);
        QCOMPARE(editor()->tree()->selected(), QString("uart1")); // both are fed by bus_a
        int line = 0;
        int column = 0;
        editor()->text()->getCursorPosition(&line, &column);
        QVERIFY(editor()->text()->text(line).startsWith("id = \"uart1\""));
    }

    QLineEdit* rowEditor() { return editor()->tree()->viewport()->findChild<QLineEdit*>(); }

    /// A row of the tree is typed over where it stands.
    /// In the text Tab indents; the keys of the tabs lead out of it, and back.
    void theKeysOfTheTabsTakeTheFocus() {
        openPart();
        editor()->text()->setFocus();
        const auto press = [&](int number) { // as its key does, which goes to the active window alone
            for (QAbstractButton* each : editor()->findChildren<QAbstractButton*>()) {
                if (each->shortcut() == QKeySequence(QString("Alt+%1").arg(number))) {
                    each->click();
                    return;
                }
            }
            QFAIL("no tab has that key");
        };
        press(2);
        QCOMPARE(editor()->focusWidget(), editor()->tree());
        QTest::keyClick(editor()->tree(), Qt::Key_Down);
        QVERIFY(!editor()->tree()->selected().isEmpty());
        press(4);
        QCOMPARE(editor()->focusWidget(), editor()->modes());
        press(5);
        QCOMPARE(editor()->focusWidget(), editor()->unknown());
        press(1);
        QCOMPARE(editor()->focusWidget(), editor()->text());
        QVERIFY(!editor()->isModified());
    }

    void aRowIsEditedInItsPlace() {
        openPart();
        const std::string before = content();
        editor()->select("bus_a");
        editor()->tree()->setFocus();
        QTest::keyClick(editor()->tree(), Qt::Key_Return);
        QVERIFY(rowEditor() != nullptr);
        QCOMPARE(rowEditor()->text(), QString::fromUtf8("from core ÷ 1 … 8"));
        // what is wrong stays open, and is said
        rowEditor()->setText(QString::fromUtf8("from core ÷ 1, two"));
        QTest::keyClick(rowEditor(), Qt::Key_Return);
        QVERIFY(rowEditor() != nullptr && rowEditor()->isVisible());
        QVERIFY2(editor()->status().contains("'two' is no factor"), qPrintable(editor()->status()));
        QCOMPARE(content(), before);
        rowEditor()->setText(QString::fromUtf8("from core ÷ 1, 2, 4 draws 5 uA/MHz"));
        QTest::keyClick(rowEditor(), Qt::Key_Return);
        QTRY_VERIFY(content() != before);
        const PartFile file = readPart(content(), "part");
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        const Line& bus = file.part->lineAt(*file.part->findNode("bus_a"));
        QCOMPARE(bus.divide.count(), 3);
        QCOMPARE(editor()->tree()->selected(), QString("bus_a"));
        QTRY_VERIFY(rowEditor() == nullptr);
        editor()->text()->undo(); // one step
        QCOMPARE(content(), before);
        // Escape leaves all as it was, F2 opens too
        editor()->tree()->setFocus();
        QTest::keyClick(editor()->tree(), Qt::Key_F2);
        QVERIFY(rowEditor() != nullptr);
        rowEditor()->setText("nonsense");
        QTest::keyClick(rowEditor(), Qt::Key_Return);
        QTest::keyClick(rowEditor(), Qt::Key_Escape);
        QTRY_VERIFY(rowEditor() == nullptr);
        QCOMPARE(content(), before);
        QVERIFY(editor()->status().contains("11 lines"));
    }

    void theOutlineGoesThere() {
        openPart();
        PartOutline outline(editor()->text()->text(), lightTheme());
        QVERIFY(outline.list()->count() > 40);
        QTest::keyClicks(outline.search(), "line bus");
        QTest::keyClick(outline.search(), Qt::Key_Down);
        QCOMPARE(outline.list()->currentItem()->text(), QString("line  bus_b"));
        QTest::keyClick(outline.search(), Qt::Key_Return);
        QCOMPARE(outline.result(), static_cast<int>(QDialog::Accepted));
        QVERIFY(editor()->text()->text(outline.line()).startsWith("[[line]]"));
        QVERIFY(editor()->text()->text(outline.line() + 1).contains("bus_b"));
        QTimer::singleShot(0, this, [] {
            auto* shown = qobject_cast<PartOutline*>(QApplication::activeModalWidget());
            QTest::keyClicks(shown->search(), "bus_b");
            QTest::keyClick(shown->search(), Qt::Key_Return);
        });
        QTest::keyClick(editor(), Qt::Key_G, Qt::ControlModifier);
        QTRY_COMPARE(editor()->tree()->selected(), QString("bus_b"));
    }

    /// All fields of the description: what they are, whose they are; dragged or put where the text stands.
    void fieldsHaveAPage() {
        const QString top = QString::fromStdString(sourceDir()) + "/parts/gorse-12";
        for (const char* ending : {".svd", ".part.toml"}) {
            QVERIFY(QFile::copy(top + ending, folder_->filePath(QString("gorse-12") + ending)));
            QFile(folder_->filePath(QString("gorse-12") + ending)).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        }
        window_->editPart(folder_->filePath("gorse-12.part.toml"));
        FieldsPage* page = editor()->fieldsPage();
        QVERIFY(!page->list()->isVisibleTo(page)); // the part names none yet
        editor()->edit(QString::fromStdString(replaced(content(), "\nsupply =", "\nregisters = \"gorse-12.svd\"\nsupply =")));
        editor()->showTab(PartEditor::Tab::fields);
        QVERIFY(page->list()->isVisibleTo(page));
        QVERIFY(page->list()->topLevelItemCount() > 30);
        page->search()->setText("clk.div bus_e");
        QTreeWidgetItem* found = nullptr;
        for (QTreeWidgetItemIterator item(page->list(), QTreeWidgetItemIterator::NotHidden); *item != nullptr; ++item) {
            if ((*item)->parent() != nullptr) {
                QVERIFY(found == nullptr);
                found = *item;
            }
        }
        QVERIFY(found != nullptr);
        QCOMPARE(found->text(0), QString("[6:4]"));
        QCOMPARE(found->text(2), QString("bus_e"));
        emit page->list()->itemActivated(found, 2); // whose it is
        QCOMPARE(editor()->tree()->selected(), QString("bus_e"));
        editor()->text()->setCursorPosition(0, 0);
        emit page->list()->itemActivated(found, 0);
        QVERIFY(content().starts_with("\"CLK.DIV[6:4]\""));
        editor()->text()->undo();
        const std::unique_ptr<QMimeData> dragged(page->list()->model()->mimeData(
            {page->list()->model()->index(page->list()->indexOfTopLevelItem(found->parent()), 0)}));
        QCOMPARE(dragged->text(), QString("\"CLK.DIV\""));
    }

    void thingsAreInsertedAndRemoved() {
        openPart();
        const std::string before = content();
        editor()->select("uart1");
        editor()->insert("peripheral", "uart1");
        const PartFile more = readPart(content(), "part");
        QVERIFY2(!more.part || more.part->findPeripheral("uart4"), "like uart1, with the first id that is free");
        QCOMPARE(editor()->tree()->selected().isEmpty(), false);
        QVERIFY(content().find("id = \"uart4\"") != std::string::npos);
        editor()->text()->undo();
        QCOMPARE(content(), before);
        editor()->insert("line", "bus_a");
        editor()->insert("source", {});
        const PartFile with = readPart(content(), "part");
        QVERIFY2(with.part.has_value(), lines(with.diagnostics).c_str());
        QVERIFY(with.part->findNode("line1") && with.part->findNode("rc1"));
        QCOMPARE(with.part->nodeId(with.part->lineAt(*with.part->findNode("line1")).from[0]), std::string("bus_a"));
        editor()->select("line1");
        QTest::keyClick(editor()->tree(), Qt::Key_Delete);
        editor()->remove("rc1");
        QCOMPARE(content(), before);
        // Insert asks what
        editor()->select("bus_b");
        bool wasAsked = false;
        QTimer::singleShot(0, this, [&] {
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            wasAsked = menu != nullptr && menu->actions().size() == 3;
            if (menu != nullptr) {
                menu->actions()[1]->trigger();
                menu->close();
            }
        });
        QTest::keyClick(editor()->tree(), Qt::Key_Insert);
        QVERIFY(wasAsked);
        QVERIFY(content().find("from = \"bus_b\"\ndivide = [1, 2, 4]") != std::string::npos);
    }

    void tablesArePasted() {
        openPart();
        const std::string before = content();
        pasteText("no table");
        QVERIFY(!editor()->pastePanel()->isVisibleTo(editor()));
        QVERIFY(editor()->status().contains("no table"));
        pasteText("Peripheral\ttyp (\u00b5A/MHz)\tmax (\u00b5A/MHz)\nuart1\t3.1\t3.9\nUART2\t3.0\t3.8\nuart 9\t1\t2\n");
        PastePanel* panel = editor()->pastePanel();
        QVERIFY(panel->isVisibleTo(editor()));
        QCOMPARE(panel->takeButton()->text(), QString("take 2 rows, 1 unclear"));
        panel->ref()->setText("8");
        QApplication::processEvents(); // the panel is laid out
        QTest::mouseClick(panel->takeButton(), Qt::LeftButton);
        const PartFile file = readPart(content(), "part");
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        QVERIFY2(content().find("per_mhz = { typ = \"3.1 uA\", max = \"3.9 uA\" }") != std::string::npos,
                 content().substr(content().find("id = \"uart1\""), 900).c_str());
        QVERIFY(content().find("ref = \"8\"") != std::string::npos);
        QCOMPARE(panel->takeButton()->text(), QString("take 0 rows, 3 unclear")); // all of it stands there now
        QVERIFY(!panel->takeButton()->isEnabled());
        editor()->text()->undo();
        QCOMPARE(content(), before);
    }

    void htmlOfABrowserIsPasted() {
        openPart();
        auto* data = new QMimeData;
        data->setHtml("<table><tr><th>source</th><th>typ</th><th>max</th></tr><tr><td>fast internal RC</td><td>2 us</td><td>5 "
                      "us</td></tr></table>");
        data->setText("source typ max");
        QApplication::clipboard()->setMimeData(data);
        editor()->pasteTable();
        QCOMPARE(editor()->pastePanel()->takeButton()->text(), QString("take 1 rows"));
    }

    void whatIsUnknownIsRanked() {
        openPart();
        editor()->showTab(PartEditor::Tab::unknown);
        const int before = editor()->unknown()->topLevelItemCount();
        editor()->select("rcs"); // the slow RC loses its tolerance
        QVERIFY(valueOf("tolerance") != nullptr);
        valueOf("tolerance")->setText("");
        QVERIFY(editor()->unknown()->topLevelItemCount() > before);
        QTRY_VERIFY_WITH_TIMEOUT(!editor()->isRanking(), 20000);
        const QTreeWidgetItem* first = editor()->unknown()->topLevelItem(0);
        QVERIFY2(first->text(4).contains("of rcs"), qPrintable(first->text(4))); // the plan's watchdog runs on it
        QVERIFY(first->text(0).toInt() >= 1 && first->text(1).toInt() >= 1 && first->text(2).toInt() >= 2);
        for (int row = 1; row < editor()->unknown()->topLevelItemCount(); ++row) {
            const QTreeWidgetItem* item = editor()->unknown()->topLevelItem(row);
            QVERIFY(item->text(0).toInt() <= editor()->unknown()->topLevelItem(row - 1)->text(0).toInt());
        }
        QVERIFY(editor()->side()->unknown()->item(0)->text().contains("rcs"));
        editor()->showTab(PartEditor::Tab::modes);
        QCOMPARE(editor()->modes()->topLevelItemCount(), static_cast<int>(readPart(marramText(), "part").part->modes.size()));
    }

    /// Measured a second way, by laying each text out as a document: no row is lower, and no column narrower, than what stands
    /// there.
    void nothingIsCutByLargeLetters() {
        const QFont before = QApplication::font();
        const auto back = qScopeGuard([&] { QApplication::setFont(before); });
        QFont large = before;
        large.setPointSizeF(13);
        QApplication::setFont(large);
        for (const char* name : {"gorse-12.part.toml", "gorse-12.svd"}) {
            const QString path = folder_->filePath(name);
            QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/parts/" + name, path));
            QFile(path).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        }
        window_->editPart(folder_->filePath("gorse-12.part.toml"));
        editor()->resize(1280, 800);
        editor()->edit(QString::fromStdString(replaced(content(), "supply = {", "registers = \"gorse-12.svd\"\nsupply = {") +
                                              "\n[[register]]\nname = \"T8HIGH\"\naddress = 0x5001_0000\n\n[[register]]\nname = "
                                              "\"T8LOW\"\naddress = 0x5001_0004\n"));
        const std::pair<PartEditor::Tab, QTreeWidget*> lists[] = {{PartEditor::Tab::tree, editor()->tree()},
                                                                  {PartEditor::Tab::fields, editor()->fieldsPage()->list()},
                                                                  {PartEditor::Tab::modes, editor()->modes()},
                                                                  {PartEditor::Tab::unknown, editor()->unknown()}};
        for (const auto& [tab, list] : lists) {
            editor()->showTab(tab);
            QTRY_VERIFY(!editor()->isRanking());
            QTRY_VERIFY(!list->itemDelegate()->findChild<QTimer*>()->isActive()); // rows are laid out once the columns stand
            QVERIFY(list->header()->length() <= list->viewport()->width());
            int wrapped = 0;
            for (QTreeWidgetItemIterator each(list, QTreeWidgetItemIterator::NotHidden); *each != nullptr; ++each) {
                for (int column = 0; column < list->columnCount(); ++column) {
                    const QModelIndex index = list->indexFromItem(*each, column);
                    QTextDocument text;
                    text.setDocumentMargin(0);
                    text.setDefaultFont((*each)->data(column, Qt::FontRole).isValid() ? (*each)->font(column) : list->font());
                    text.setPlainText((*each)->text(column));
                    const QRect place = list->visualRect(index);
                    text.setTextWidth(place.width() - 6);
                    const QString said =
                        QString("%1 wide, %2 high: %3").arg(place.width()).arg(place.height()).arg((*each)->text(column));
                    QVERIFY2(text.size().height() <= place.height() + 1, qPrintable(said));
                    QVERIFY2(text.idealWidth() <= place.width(), qPrintable(said));
                    wrapped += text.size().height() > 2 * QFontMetricsF(text.defaultFont()).height() - 2 ? 1 : 0;
                }
            }
            QVERIFY2(wrapped > 0 || tab == PartEditor::Tab::modes, qPrintable(list->accessibleName()));
        }
    }

    void fieldsOfADescriptionAreFound() {
        const std::string svd =
            "<?xml version=\"1.0\"?><device schemaVersion=\"1.3\"><name>T</name><version>1</version><description>t</description>"
            "<addressUnitBits>8</addressUnitBits><width>32</width><peripherals><peripheral><name>CLK</"
            "name><baseAddress>0x40000000</baseAddress><registers>"
            "<register><name>BUS</name><addressOffset>0</addressOffset><fields><field><name>DIVA</name><description>divider of "
            "bus A</description><bitRange>[2:0]</bitRange></field>"
            "<field><name>DIVB</name><description>divider of bus "
            "B</description><bitRange>[5:3]</bitRange></field></fields></register></registers></peripheral></peripherals></"
            "device>";
        QFile file(folder_->filePath("t.svd"));
        QVERIFY(file.open(QFile::WriteOnly));
        file.write(svd.c_str());
        file.close();
        openPart();
        QVERIFY(editor()->side()->search()->isHidden());
        editor()->edit(
            QString::fromStdString(replaced(content(), "core = \"core\"\n", "core = \"core\"\nregisters = \"t.svd\"\n")));
        QCOMPARE(editor()->side()->fields()->count(), 2);
        editor()->side()->search()->setText("bus divb");
        QCOMPARE(editor()->side()->fields()->count(), 1);
        QVERIFY(editor()->side()->fields()->item(0)->text().startsWith("CLK.BUS[5:3]"));
        editor()->text()->setCursorPosition(0, 0);
        emit editor()->side()->fields()->itemActivated(editor()->side()->fields()->item(0));
        QVERIFY(content().starts_with("\"CLK.BUS[5:3]\""));
    }

    /// The cursor behind the first such text.
    void putCursor(const QString& behind) {
        QVERIFY2(editor()->text()->findFirst(behind, false, true, false, false, true, 0, 0), qPrintable(behind));
        int line = 0;
        int column = 0;
        editor()->text()->getCursorPosition(&line, &column);
        editor()->text()->setCursorPosition(line, column);
    }

    void theTextHelps() {
        openPart();
        editor()->setHelp(KeyHelp(fileText(sourceDir() + "/docs/part-files.md")));
        PartText* text = editor()->text();
        const std::string before = content();
        // what can stand there
        putCursor("clock = [\"bus_");
        QStringList offered;
        for (const TextOffer& offer : text->offers()) {
            offered << QString::fromStdString(offer.text);
        }
        QVERIFY2(offered.contains("bus_a") && offered.contains("bus_b") && !offered.contains("core"),
                 qPrintable(offered.join(" ")));
        QVERIFY(text->complete());
        emit text->userListActivated(1, "bus_b");
        QVERIFY(content().find("clock = [\"bus_b\", \"bus_b\"") != std::string::npos);
        text->undo();
        QCOMPARE(content(), before);
        // what it means
        putCursor("tolerance");
        int line = 0;
        int column = 0;
        text->getCursorPosition(&line, &column);
        QVERIFY2(text->meaningAt(line, column - 2).contains("tightest step"), qPrintable(text->meaningAt(line, column - 2)));
        // where it is made
        putCursor("clock = [\"bus_a");
        QCOMPARE(text->idUnderCursor(), QString("bus_a"));
        QTest::keyClick(text, Qt::Key_F12);
        text->getCursorPosition(&line, &column);
        QVERIFY(text->text(line).startsWith("id = \"bus_a\""));
        // called otherwise, everywhere, and taken back in one step
        QCOMPARE(text->rename("bus_x"), QString());
        const PartFile file = readPart(content(), "part");
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        QVERIFY(file.part->findNode("bus_x") && !file.part->findNode("bus_a"));
        QCOMPARE(file.part->peripherals.size(), readPart(before, "part").part->peripherals.size());
        text->undo();
        QCOMPARE(content(), before);
        putCursor("clock = [\"bus_a");
        QVERIFY(text->rename("Bus").contains("is no id"));
        QVERIFY(text->rename("bus_b").contains("already"));
        // what was likely meant
        text->setText(QString::fromStdString(replaced(before, "kind = \"uart\"", "kind = \"uatr\"")));
        QTRY_VERIFY(editor()->faults()->isVisibleTo(editor()));
        putCursor("uatr");
        QTest::keyClick(text, Qt::Key_Period, Qt::ControlModifier);
        QCOMPARE(content(), before);
        QVERIFY(!text->mend());
    }

    /// What is called otherwise in the part is so in the plan that stands on it, once the part is saved.
    void plansFollowWhatIsCalledOtherwise() {
        QVERIFY(QFile::copy(QString::fromStdString(sourceDir()) + "/parts/marram-20.part.toml",
                            folder_->filePath("marram-20.part.toml")));
        QFile(folder_->filePath("marram-20.part.toml")).setPermissions(QFile::ReadOwner | QFile::WriteOwner);
        QVERIFY(window_->openPlan(path())); // a part beside the plan comes before the shelf
        window_->editPart(document().partPath());
        const std::size_t promises = document().plan().promises.size();
        putCursor("id = \"uart1");
        QCOMPARE(editor()->text()->rename("console"), QString());
        putCursor("id = \"bus_a");
        QCOMPARE(editor()->text()->rename("bus_x"), QString());
        editor()->text()->undo(); // which is not meant any more
        QCOMPARE(editor()->save(), QString());
        QCOMPARE(document().plan().promises.size(), promises);
        QVERIFY(document().part().findPeripheral("console").has_value());
        QCOMPARE(document().figures().findPromise("modem")->text, std::string("modem: console talks 921600 within 1.5 %"));
        QVERIFY(document().part().findNode("bus_a").has_value());
        QVERIFY(document().isModified());
        const Plan now = document().plan();
        document().undo(); // to a plan that knows no console
        QCOMPARE(document().plan() == now, true);
        settle();
        document().keep();
    }

    void aPartIsBegunByQuestions() {
        PartQuestions questions;
        questions.id()->setText("My Part");
        questions.accept();
        QVERIFY(questions.trouble()->text().contains("is no id"));
        QVERIFY(questions.made().isEmpty());
        questions.id()->setText("heath-9");
        questions.accept();
        QCOMPARE(questions.result(), static_cast<int>(QDialog::Accepted));
        const PartFile file = readPart(questions.made().toStdString(), "part");
        QVERIFY2(file.part.has_value(), lines(file.diagnostics).c_str());
        QCOMPARE(file.part->id, std::string("heath-9"));
    }
};

QTEST_MAIN(AppWorkshop)
#include "app_workshop.moc"
