#include "shell/main_window.h"

#include "paint/text.h"
#include "part_editor/part_editor.h"
#include "plan/take_edits.h"
#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "shell/report_file.h"
#include "shell/report_pages.h"
#include "takes/takes_window.h"
#include "workings/workings_panel.h"

#include <QAction>
#include <QApplication>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QLineEdit>
#include <QPrintDialog>
#include <QPrinter>

namespace wisetick::app {

QAction* MainWindow::addCommand(const QString& name, const QKeySequence& keys, const std::function<void()>& run) {
    auto* action = new QAction(name, this);
    action->setShortcut(keys);
    connect(action, &QAction::triggered, this, run);
    addAction(action);
    return action;
}

void MainWindow::addCommands() {
    addCommand(tr("New plan: the parts shelf"), QKeySequence("Ctrl+N"), [this] { showView("shelf"); });
    addCommand(tr("Edit the part"), QKeySequence("Ctrl+E"), [this] {
        // what is selected in the view, such as on the shelf, else the plan's
        const QString selected = shown_->view->partPath();
        const QString path = selected.isEmpty() ? document_.partPath() : selected;
        if (!path.isEmpty()) {
            editPart(path);
        }
    });
    addCommand(tr("New part"), QKeySequence("Ctrl+Shift+N"), [this] { editPart({}); });
    addCommand(tr("Open a recent plan"), QKeySequence("Ctrl+R"), [this] { chooseRecent(); });
    addCommand(tr("Help on what has the focus"), QKeySequence("F1"), [this] {
        Help help(documents_, helpPage(), theme_, this);
        help.exec();
    });
    addCommand(tr("Open a plan"), QKeySequence::Open, [this] { chooseAndOpen(); });
    save_ = addCommand(tr("Save"), QKeySequence::Save, [this] { save(); });
    saveAs_ = addCommand(tr("Save as"), QKeySequence("Ctrl+Shift+S"), [this] { saveAs(); });
    undo_ = addCommand(tr("Undo"), QKeySequence("Ctrl+Z"), [this] { document_.undo(); });
    redo_ = addCommand(tr("Redo"), QKeySequence("Ctrl+Shift+Z"), [this] { document_.redo(); });
    keep_ = addCommand(tr("Keep"), QKeySequence("Ctrl+Return"), [this] { document_.keep(); });
    addCommand(tr("Type a promise"), QKeySequence("Ctrl+L"), [this] {
        promises_->entry()->setFocus();
        promises_->entry()->selectAll();
    });
    addCommand(tr("Go to the promises"), QKeySequence("Ctrl+Shift+L"), [this] { promises_->cards()->setFocus(); });
    addCommand(tr("Go to the workings"), QKeySequence("Ctrl+Shift+W"), [this] { workings_->setFocus(); });
    addCommand(tr("Go to the vitals"), QKeySequence("Ctrl+Shift+H"), [this] { head_->setFocus(); });
    addCommand(tr("Light or dark"), QKeySequence("Ctrl+Shift+D"), [this] {
        followsDesktop_ = false; // the user's choice holds from here on
        setTheme(theme_.isDark ? lightTheme() : darkTheme());
    });
    addCommand(tr("All commands"), QKeySequence("Ctrl+Shift+P"), [this] {
        CommandPalette palette(actions(), theme_, this);
        palette.exec();
    });
    addCommand(tr("Quit"), QKeySequence("Ctrl+Q"), [this] { close(); });
    addCommand(tr("Write a report for people: HTML, PDF or Markdown"), QKeySequence("Ctrl+Alt+R"), [this] { askForReport(); });
    addCommand(tr("Print the report"), QKeySequence("Ctrl+Alt+P"), [this] { askForPrinter(); });
    addTakeCommands();
}

void MainWindow::openTakes(const QString& selected) {
    if (document_.isOpen()) {
        TakesWindow takes(document_, theme_, this);
        takes.select(selected);
        takes.exec();
    }
}

QString MainWindow::writeReport(const QString& path) {
    if (!document_.isOpen()) {
        return tr("no plan is open");
    }
    return writeReportFile(document_, reportPictures(), path);
}

void MainWindow::printReport(QPagedPaintDevice& paper) {
    printReportPages(document_, reportPictures(), paper);
}

void MainWindow::askForPrinter() {
    if (!document_.isOpen()) {
        return;
    }
    QPrinter printer(QPrinter::HighResolution);
    printer.setDocName(text(document_.plan().name));
    if (QPrintDialog(&printer, this).exec() == QDialog::Accepted) {
        printer.setResolution(ReportPages::kDotsPerInch);
        printReport(printer);
    }
}

void MainWindow::askForReport() {
    const QString path = QFileDialog::getSaveFileName(this, tr("Report for people: .html, .pdf or .md"),
                                                      QFileInfo(document_.path()).completeBaseName() + ".html");
    if (path.isEmpty()) {
        return;
    }
    const QString why = writeReport(path);
    if (!why.isEmpty()) {
        notice_->tell("saving", why);
    }
}

void MainWindow::addTakeCommands() {
    addCommand(tr("Takes: compare, add, copy, rename, delete"), QKeySequence("Ctrl+T"), [this] { openTakes({}); });
    addCommand(tr("Next take"), QKeySequence("Ctrl+Shift+T"), [this] {
        if (!document_.isOpen()) {
            return;
        }
        const auto& takes = document_.plan().takes;
        const auto active =
            std::find_if(takes.begin(), takes.end(), [&](const Take& each) { return each.name == document_.plan().active; });
        const std::string next = active + 1 == takes.end() ? takes.front().name : (active + 1)->name;
        document_.edit(tr("take %1 active").arg(text(next)), [next](Plan& plan) { return activateTake(plan, next); });
    });
}

void MainWindow::chooseRecent() {
    QList<QAction*> actions;
    QObject owner;
    for (const QString& path : recentPlans()) {
        auto* action = new QAction(path, &owner);
        connect(action, &QAction::triggered, this, [this, path] {
            if (mayLeave()) {
                openPlan(path);
            }
        });
        actions << action;
    }
    CommandPalette palette(actions, theme_, this);
    palette.exec();
}

PartEditor* MainWindow::partEditor() const {
    return partEditor_;
}

void MainWindow::editPart(const QString& path) {
    if (partEditor_ != nullptr && !partEditor_->close()) {
        return; // its changes are still wanted
    }
    delete partEditor_;
    partEditor_ = new PartEditor(ownParts_, document_.isOpen() ? document_.plan() : Plan(), theme_, this);
    partEditor_->setAttribute(Qt::WA_DeleteOnClose);
    connect(partEditor_, &PartEditor::saved, this, &MainWindow::takeSavedPart);
    const QString folder = QFileInfo(path).canonicalPath();
    const bool isShipped = std::any_of(shelf_.begin(), shelf_.end(), [&](const std::filesystem::path& each) {
        const QString shelved = QString::fromStdString(each.string());
        return shelved != ownParts_ && QDir(shelved).canonicalPath() == folder;
    });
    const auto origin = isShipped ? PartEditor::Origin::shipped : PartEditor::Origin::own;
    if (path.isEmpty()) {
        partEditor_->begin();
    } else if (const QString trouble = partEditor_->openFile(path, origin); !trouble.isEmpty()) {
        partEditor_->close();
        notice_->tell("part", trouble);
        return;
    }
    partEditor_->show();
    partEditor_->activateWindow();
    partEditor_->text()->setFocus();
}

/// A part that was saved is taken by the plan that stands on it, and by the shelf.
void MainWindow::takeSavedPart(const QString& path) {
    Diagnostics diagnostics;
    const auto content = readTextFile(path.toStdString(), diagnostics);
    PartFile file = content ? readPart(*content, path.toStdString(), QFileInfo(path).path().toStdString()) : PartFile();
    if (document_.isOpen() && file.part && file.part->id == document_.part().id) {
        const Diagnostics faults = document_.takePart(std::move(*file.part));
        if (!faults.empty()) {
            showFaults(faults);
            notice_->tell("part",
                          tr("The plan does not stand on the part as it was saved; it stays on the part as it was opened."),
                          {{tr("Close the list"), [this] { showFaults({}); }}});
        }
    }
    for (const Place& place : places_) {
        if (place.view != nullptr) {
            place.view->partSaved();
        }
    }
}

} // namespace wisetick::app
