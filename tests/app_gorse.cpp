#include "window_fixture.h"

#include "evaluate/evaluate.h"
#include "evaluate/lint_expects.h"
#include "handover/emit.h"
#include "part_editor/part_editor.h"
#include "part_editor/part_outline.h"
#include "part_editor/part_questions_dialog.h"
#include "part_editor/part_tree.h"
#include "part_editor/paste_panel.h"
#include "quantity/quantity_print.h"

#include <QCheckBox>
#include <QClipboard>
#include <QInputDialog>
#include <QPushButton>
#include <QSpinBox>
#include <QTimer>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

namespace {

/// A command of the session, with the lines up to its dot.
struct SessionStep {
    QStringList words;
    QStringList lines;
};

QList<SessionStep> readSession(const QString& text) {
    static const QStringList withLines{"questions", "paste", "over", "fill", "head"};
    QList<SessionStep> steps;
    bool isInside = false;
    for (const QString& line : text.split('\n')) {
        if (isInside) {
            isInside = line != ".";
            if (isInside) {
                steps.back().lines << line;
            }
        } else if (!line.isEmpty() && !line.startsWith('#')) {
            steps << SessionStep{line.split(' '), {}};
            isInside = withLines.contains(steps.back().words.front());
        }
    }
    return steps;
}

/// The figures of a plan on a part that people and firmware get: rates, verdicts, fields, currents, wake-ups.
std::string figuresSaid(const Part& part, const Plan& plan, const std::string& take) {
    const Figures figures = evaluate(part, plan, take);
    std::string said;
    const auto bounds = [&](const auto& range, Unit unit) {
        return range ? printQuantity(range->min, unit, 12) + " " + printQuantity(range->nominal, unit, 12) + " " +
                           printQuantity(range->max, unit, 12)
                     : std::string("none");
    };
    std::vector<std::string> lines;
    for (const LineFigure& line : figures.lines) {
        lines.push_back(line.id + " " + bounds(line.hertz, Unit::hertz) + " " + std::string(stateName(line.state)) + "\n");
    }
    std::sort(lines.begin(), lines.end());
    for (const std::string& line : lines) {
        said += line;
    }
    for (const PromiseFigure& promise : figures.promises) {
        said += promise.name + " " + std::string(stateName(promise.state)) + " " + bounds(promise.got, promise.unit) + " " +
                bounds(promise.error, Unit::ratio) + "\n";
    }
    for (const ModeFigure& mode : figures.modes) {
        said += mode.id + " " + printQuantity(mode.ampere.min, Unit::ampere, 12) + " " +
                printQuantity(mode.ampere.nominal, Unit::ampere, 12) + " " + printQuantity(mode.ampere.max, Unit::ampere, 12) +
                " " + std::string(mode.current.unknown) +
                (mode.wakeUp ? " wakes " + printQuantity(mode.wakeUp->firstInstruction.nominal, Unit::second, 12) + " " +
                                   printQuantity(mode.wakeUp->firstInstruction.max, Unit::second, 12)
                             : std::string()) +
                "\n";
    }
    if (figures.rhythm && figures.rhythm->average) {
        said += "average " + printQuantity(figures.rhythm->average->nominal, Unit::ampere, 12) + "\n";
    }
    std::vector<std::string> fields;
    for (const EmittedField& each : emittedFields(part, plan, figures)) {
        fields.push_back(fieldText(each.value.field) + " = " + std::to_string(each.value.held) + "\n");
    }
    std::sort(fields.begin(), fields.end());
    for (const std::string& field : fields) {
        said += field;
    }
    return said;
}

/// The lines that are in one of both only.
QString differences(const std::string& a, const std::string& b) {
    const QStringList mine = QString::fromStdString(a).split('\n');
    const QStringList theirs = QString::fromStdString(b).split('\n');
    QString said;
    for (const QString& line : mine) {
        said += theirs.contains(line) ? QString() : "mine: " + line + "\n";
    }
    for (const QString& line : theirs) {
        said += mine.contains(line) ? QString() : "shipped: " + line + "\n";
    }
    return said;
}

} // namespace

/// gorse-12 made anew in the workshop from its datasheet, as tests/workshop/gorse-12.session says: by keyboard and clipboard, the
/// questions first. What comes of it equals the part that ships in every figure; what it took is counted.
class AppGorse : public WindowFixture {
    Q_OBJECT

    int keys_ = 0;
    int typed_ = 0; ///< of the keys those that are letters of the text
    std::map<QString, int> keysBy_;

    PartEditor* editor() { return window_->partEditor(); }
    PartText* text() { return editor()->text(); }

    void key(QWidget* at, Qt::Key which, Qt::KeyboardModifiers with = Qt::NoModifier, int times = 1) {
        for (int i = 0; i < times; ++i) {
            QTest::keyClick(at, which, with);
            ++keys_;
        }
    }

    void type(QWidget* at, const QString& words) {
        for (const QChar sign : words) {
            if (sign == '\n') {
                QTest::keyClick(at, Qt::Key_Return);
            } else {
                QTest::keyClicks(at, QString(sign));
            }
        }
        keys_ += static_cast<int>(words.size());
        typed_ += static_cast<int>(words.size());
    }

    /// Types lines into the text, without the blanks that it puts before them by itself.
    void typeLines(const QStringList& lines) {
        for (qsizetype i = 0; i < lines.size(); ++i) {
            if (i > 0) {
                QTest::keyClick(text(), Qt::Key_Return);
                ++keys_;
                int line = 0;
                int column = 0;
                text()->getCursorPosition(&line, &column);
                const int wanted = static_cast<int>(lines[i].size() - QStringView(lines[i]).trimmed().size());
                for (; column > wanted; --column) {
                    key(text(), Qt::Key_Backspace, Qt::NoModifier);
                }
                type(text(), lines[i].mid(column));
                continue;
            }
            type(text(), lines[i]);
        }
    }

    /// Through the outline, to the head of the thing's table.
    void go(const QString& id) {
        QTimer::singleShot(0, this, [&] {
            auto* outline = qobject_cast<PartOutline*>(QApplication::activeModalWidget());
            QVERIFY(outline != nullptr);
            const QString wanted = " " + id;
            type(outline->search(), id);
            while (outline->list()->currentItem() != nullptr && !outline->list()->currentItem()->text().endsWith(wanted)) {
                const QString before = outline->list()->currentItem()->text();
                key(outline->search(), Qt::Key_Down);
                QVERIFY2(outline->list()->currentItem()->text() != before, qPrintable(id));
            }
            key(outline->search(), Qt::Key_Return);
        });
        key(editor(), Qt::Key_G, Qt::ControlModifier);
    }

    WordTable tableOf(const QString& id, const TextWords& words) {
        for (const WordTable& entry : words.entries) {
            if (entry.id == id.toStdString()) {
                return entry;
            }
        }
        qFatal("no table %s", qPrintable(id));
    }

    void questions(const QStringList& lines) {
        QTimer::singleShot(0, this, [&] {
            auto* asked = qobject_cast<PartQuestions*>(QApplication::activeModalWidget());
            QVERIFY(asked != nullptr);
            const auto fill = [&](QWidget* field, const QString& with) { // what stands there is selected when one tabs into it
                field->setFocus(Qt::TabFocusReason);
                ++keys_;
                if (auto* line = qobject_cast<QLineEdit*>(field)) {
                    line->selectAll();
                }
                if (auto* box = qobject_cast<QSpinBox*>(field)) {
                    box->selectAll();
                }
                type(field, with);
            };
            const QList<QLineEdit*> edits = asked->findChildren<QLineEdit*>(Qt::FindChildrenRecursively);
            const auto edit = [&](const char* is) {
                for (QLineEdit* each : edits) {
                    if (each->text() == is) {
                        return each;
                    }
                }
                qFatal("no field holds %s", is);
            };
            fill(edit("my-part"), lines[0]);
            fill(edit("1.8 V"), lines[1]);
            fill(edit("3.6 V"), lines[2]);
            fill(edit("-40 C"), lines[3]);
            fill(edit("85 C"), lines[4]);
            fill(edit("8 MHz"), lines[5]);
            const QStringList crystal = lines[6].split(' ');
            fill(edit("4 MHz"), crystal[1] + " " + crystal[2]);
            fill(edit("32 MHz"), crystal[3] + " " + crystal[4]);
            for (QCheckBox* box : asked->findChildren<QCheckBox*>()) {
                if (box->text().contains("watch")) {
                    key(box, Qt::Key_Space);
                }
            }
            fill(asked->tiers(), lines[8]);
            const QList<QSpinBox*> boxes = asked->findChildren<QSpinBox*>();
            for (int i = 0; i < 3; ++i) {
                fill(boxes[i], lines[9 + i]);
            }
            for (const QString& each : lines[12].split(' ')) {
                for (QSpinBox* box : boxes) {
                    if (box->accessibleName() == "How many of kind " + each.section('=', 0, 0) &&
                        QString::number(box->value()) != each.section('=', 1)) {
                        fill(box, each.section('=', 1));
                    }
                }
            }
            fill(edit("idle, deep"), lines[13]);
            fill(asked->registers(), lines[14]);
            key(asked->registers(), Qt::Key_Return);
            if (asked->isVisible()) {
                asked->accept();
            }
        });
        key(window_.get(), Qt::Key_Q, Qt::ControlModifier | Qt::AltModifier);
        QVERIFY(editor() != nullptr);
    }

    void rename(const QString& id, const QString& name) {
        go(id);
        key(text(), Qt::Key_Down);
        key(text(), Qt::Key_End);
        key(text(), Qt::Key_Left);
        QTimer::singleShot(0, this, [&] {
            auto* asked = qobject_cast<QInputDialog*>(QApplication::activeModalWidget());
            QVERIFY(asked != nullptr);
            auto* line = asked->findChild<QLineEdit*>();
            type(line, name); // over what stands there, which is selected
            key(line, Qt::Key_Return);
        });
        key(text(), Qt::Key_F2);
    }

    void paste(const QString& chapter, const QStringList& lines) {
        QApplication::clipboard()->setText(lines.join('\n'));
        key(editor(), Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
        PastePanel* panel = editor()->pastePanel();
        QVERIFY2(panel->isVisibleTo(editor()), qPrintable(editor()->status()));
        panel->ref()->setFocus(Qt::BacktabFocusReason);
        panel->ref()->selectAll();
        ++keys_;
        type(panel->ref(), chapter);
        keys_ += 2; // tabs to the button
        panel->takeButton()->setFocus(Qt::TabFocusReason);
        QVERIFY(panel->takeButton()->isEnabled());
        key(panel->takeButton(), Qt::Key_Space);
    }

    /// The tables from the first to the last id are selected, and typed over.
    void over(const QStringList& ids, const QStringList& lines) {
        go(ids.front());
        const TextWords words = readWords(text()->text().toStdString());
        const int count = tableOf(ids.back(), words).to - tableOf(ids.front(), words).from;
        key(text(), Qt::Key_Down, Qt::ShiftModifier, count);
        key(text(), Qt::Key_Delete);
        typeLines(lines);
        key(text(), Qt::Key_Return);
    }

    /// Each line in the place of the one of its key, or of the remark that holds its place; else below the id.
    void fill(const QString& id, const QStringList& lines) {
        for (const QString& line : lines) {
            const QString name = line.section(" = ", 0, 0);
            const WordTable table = tableOf(id, readWords(text()->text().toStdString()));
            go(id);
            for (int at = table.from; at < table.to; ++at) {
                const QString there = text()->text(at);
                if (there.startsWith(name + " = ") || there.startsWith("# " + name + " = ")) {
                    key(text(), Qt::Key_Down, Qt::NoModifier, at - table.from);
                    key(text(), Qt::Key_End, Qt::ShiftModifier);
                    break;
                }
                if (at + 1 == table.to) {
                    key(text(), Qt::Key_Down);
                    key(text(), Qt::Key_End);
                    key(text(), Qt::Key_Return);
                }
            }
            type(text(), line);
        }
    }

    void head(const QStringList& lines) {
        key(text(), Qt::Key_Home, Qt::ControlModifier);
        int row = 0;
        while (!text()->text(row).startsWith("registers")) {
            ++row;
        }
        key(text(), Qt::Key_Down, Qt::NoModifier, row);
        key(text(), Qt::Key_End);
        key(text(), Qt::Key_Return);
        typeLines(lines);
    }

    void play(const SessionStep& step) {
        const int before = keys_;
        const QString& what = step.words.front();
        const QString first = step.words.value(1);
        if (what == "questions") {
            questions(step.lines);
        } else if (what == "rename") {
            rename(first, step.words[2]);
        } else if (what == "paste") {
            paste(first, step.lines);
        } else if (what == "over") {
            over(step.words.mid(1), step.lines);
        } else if (what == "fill") {
            fill(first, step.lines);
        } else if (what == "head") {
            head(step.lines);
        } else {
            qFatal("no command %s", qPrintable(what));
        }
        keysBy_[what] += keys_ - before;
    }

private slots:
    void gorseIsMadeAnew() {
        if (test::kIsSanitized) {
            QSKIP("fifteen thousand keys; the parts of it are tested one by one");
        }
        const std::string top = sourceDir();
        window_->setOwnParts(folder_->path());
        QVERIFY(QFile::copy(QString::fromStdString(top) + "/parts/gorse-12.svd", folder_->filePath("gorse-12.svd")));
        for (const SessionStep& step : readSession(QString::fromStdString(fileText(top + "/tests/workshop/gorse-12.session")))) {
            play(step);
            if (QTest::currentTestFailed()) {
                return;
            }
        }
        const std::string made = text()->text().toStdString();
        if (qEnvironmentVariableIsSet("WISETICK_MADE")) {
            QFile copy(qEnvironmentVariable("WISETICK_MADE"));
            QVERIFY(copy.open(QFile::WriteOnly));
            copy.write(made.c_str());
        }
        const PartFile mine = readPart(made, "mine", folder_->path().toStdString());
        QVERIFY2(mine.part.has_value(), lines(mine.diagnostics).c_str());
        QVERIFY2(editor()->save().isEmpty(), qPrintable(editor()->status()));
        const PartFile shipped = readPart(fileText(top + "/parts/gorse-12.part.toml"), "shipped", top + "/parts");
        const std::string planText = fileText(top + "/examples/lagoon-buoy.plan.toml");
        const PlanFile onMine = readPlan(planText, "plan", &*mine.part);
        const PlanFile onShipped = readPlan(planText, "plan", &*shipped.part);
        QVERIFY2(onMine.plan.has_value(), lines(onMine.diagnostics).c_str());
        for (const Take& take : onShipped.plan->takes) {
            const std::string a = figuresSaid(*mine.part, *onMine.plan, take.name);
            const std::string b = figuresSaid(*shipped.part, *onShipped.plan, take.name);
            QVERIFY(a.size() > 2000);
            QVERIFY2(a == b, qPrintable(differences(a, b)));
        }
        QVERIFY(lintExpects(*mine.part, shipped.expects).empty() && shipped.expects.size() == 3); // the datasheet's own examples
        QCOMPARE(idsOf(mine.part->peripherals).size(), idsOf(shipped.part->peripherals).size());
        QCOMPARE(mine.part->waits.size(), shipped.part->waits.size());
        for (const OwnedField& each : shipped.fields) {
            const bool isThere = std::any_of(mine.fields.begin(), mine.fields.end(), [&](const OwnedField& other) {
                return other.field == each.field && other.owner == each.owner && other.control == each.control;
            });
            QVERIFY2(isThere, (each.owner + "." + each.control).c_str());
        }
        for (const auto& [what, keys] : keysBy_) {
            qInfo("%s: %d keys", qPrintable(what), keys);
        }
        qInfo("%d keys, %d of them letters; the part that ships has %d letters", keys_, typed_,
              static_cast<int>(fileText(top + "/parts/gorse-12.part.toml").size()));
    }
};

QTEST_MAIN(AppGorse)
#include "app_gorse.moc"
