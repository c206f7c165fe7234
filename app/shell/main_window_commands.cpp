#include "shell/main_window.h"

#include "paint/find_line.h"
#include "paint/text.h"
#include "part_editor/part_editor.h"
#include "part_editor/part_questions_dialog.h"
#include "plan/take_edits.h"
#include "promises/promises_column.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/notice.h"
#include "shell/report_file.h"
#include "shell/report_pages.h"
#include "shell/views.h"
#include "takes/takes_view.h"
#include "workings/workings_panel.h"

#include <QAction>
#include <QApplication>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QLineEdit>
#include <QMenu>
#include <QPrintDialog>
#include <QPrinter>

#include <algorithm>

namespace wisetick::app {

QAction* MainWindow::addCommand(Menu menu, const QString& name, const QKeySequence& keys, const std::function<void()>& run) {
    auto* action = new QAction(name, this);
    action->setObjectName(keys.toString(QKeySequence::PortableText)); // the same in every language
    action->setShortcut(keys);
    connect(action, &QAction::triggered, this, run);
    addAction(action);
    menus_[static_cast<std::size_t>(menu)]->addAction(action);
    ownKeys_[action] = keys;
    return action;
}

QAction* MainWindow::addPlanCommand(Menu menu, const QString& name, const QKeySequence& keys, const std::function<void()>& run) {
    QAction* action = addCommand(menu, name, keys, run);
    ofPlan_ << action;
    return action;
}

void MainWindow::addCommands() {
    addFileCommands();
    addEditCommands();
    addWindowCommands();
}

void MainWindow::addFileCommands() {
    QMenu* menu = menus_[static_cast<std::size_t>(Menu::file)];
    addCommand(Menu::file, tr("New plan: the parts shelf"), QKeySequence("Ctrl+N"), [this] { showView("shelf"); });
    addCommand(Menu::file, tr("Open a plan"), QKeySequence::Open, [this] { chooseAndOpen(); });
    addCommand(Menu::file, tr("Open a recent plan"), QKeySequence("Ctrl+R"), [this] { chooseRecent(); });
    addCommand(Menu::file, tr("Another window"), QKeySequence("Ctrl+Alt+Shift+N"), [this] { another(); });
    menu->addSeparator();
    save_ = addCommand(Menu::file, tr("Save"), QKeySequence::Save, [this] { save(); });
    addPlanCommand(Menu::file, tr("Save as"), QKeySequence("Ctrl+Shift+S"), [this] { saveAs(); });
    menu->addSeparator();
    addPlanCommand(Menu::file, tr("Write a report for people: HTML, PDF or Markdown"), QKeySequence("Ctrl+Alt+R"),
                   [this] { askForReport(); });
    addPlanCommand(Menu::file, tr("Print the report"), QKeySequence("Ctrl+Alt+P"), [this] { askForPrinter(); });
    menu->addSeparator();
    addCommand(Menu::file, tr("New part"), QKeySequence("Ctrl+Shift+N"), [this] { editPart({}); });
    addCommand(Menu::file, tr("New part by a few questions"), QKeySequence("Ctrl+Alt+Q"), [this] { askPart(); });
    addCommand(Menu::file, tr("Edit the part"), QKeySequence("Ctrl+E"), [this] {
        // what is selected in the view, such as on the shelf, else the plan's
        const QString selected = shown_->view->partPath();
        const QString path = selected.isEmpty() ? document_.partPath() : selected;
        if (!path.isEmpty()) {
            editPart(path);
        }
    });
    menu->addSeparator();
    addCommand(Menu::file, tr("Settings"), QKeySequence("Ctrl+,"), [this] { showSettings(); });
    menu->addSeparator();
    addCommand(Menu::file, tr("Close the window"), QKeySequence("Ctrl+W"), [this] { close(); });
    addCommand(Menu::file, tr("Quit"), QKeySequence("Ctrl+Q"), [this] { quit(); });
}

void MainWindow::addEditCommands() {
    undo_ = addCommand(Menu::edit, tr("Undo"), QKeySequence("Ctrl+Z"), [this] { document_.undo(); });
    redo_ = addCommand(Menu::edit, tr("Redo"), QKeySequence("Ctrl+Shift+Z"), [this] { document_.redo(); });
    addPlanCommand(Menu::edit, tr("All that was done: go back to any of it"), QKeySequence("Ctrl+Alt+Z"),
                   [this] { showHistory(); });
    keep_ = addCommand(Menu::edit, tr("Keep"), QKeySequence("Ctrl+Return"), [this] { document_.keep(); });
    menus_[static_cast<std::size_t>(Menu::edit)]->addSeparator();
    addPlanCommand(Menu::edit, tr("Find in the view, or a clock"), QKeySequence("Ctrl+F"), [this] {
        if (qobject_cast<FindLine*>(shown_->view->tool()) == nullptr) {
            showView(kFirstView);
        }
        if (auto* line = qobject_cast<FindLine*>(shown_->view->tool())) {
            line->setFocus();
            line->selectAll();
        }
    });
    addPlanCommand(Menu::plan, tr("Type a promise"), QKeySequence("Ctrl+L"), [this] {
        promises_->entry()->setFocus();
        promises_->entry()->selectAll();
    });
    addPlanCommand(Menu::plan, tr("Takes: compare, add, copy, rename, delete"), QKeySequence("Ctrl+T"),
                   [this] { openTakes({}); });
    addPlanCommand(Menu::plan, tr("Next take"), QKeySequence("Ctrl+Shift+T"), [this] {
        const auto& takes = document_.plan().takes;
        const auto active =
            std::find_if(takes.begin(), takes.end(), [&](const Take& each) { return each.name == document_.plan().active; });
        const std::string next = active + 1 == takes.end() ? takes.front().name : (active + 1)->name;
        document_.edit(tr("take %1 active").arg(text(next)), [next](Plan& plan) { return activateTake(plan, next); });
    });
    menus_[static_cast<std::size_t>(Menu::plan)]->addSeparator(); // those of the views
}

void MainWindow::addWindowCommands() {
    QMenu* menu = menus_[static_cast<std::size_t>(Menu::view)];
    addCommand(Menu::view, tr("Go to the promises"), QKeySequence("Ctrl+Shift+L"), [this] { promises_->cards()->setFocus(); });
    addCommand(Menu::view, tr("Go to the workings"), QKeySequence("Ctrl+Shift+W"), [this] { workings_->setFocus(); });
    addCommand(Menu::view, tr("Go to the vitals"), QKeySequence("Ctrl+Shift+H"), [this] { head_->setFocus(); });
    menu->addSeparator();
    addCommand(Menu::view, tr("Light or dark"), QKeySequence("Ctrl+Shift+D"), [this] {
        Settings other = settings_; // the user's choice holds from here on
        other.look = theme_.isDark ? Settings::Look::light : Settings::Look::dark;
        applySettings(other);
    });
    addCommand(Menu::view, tr("High contrast"), QKeySequence("Ctrl+Alt+H"), [this] {
        Settings other = settings_;
        other.look = other.look == Settings::Look::contrast ? Settings::Look::asDesktop : Settings::Look::contrast;
        applySettings(other);
    });
    addCommand(Menu::view, tr("Larger letters"), QKeySequence::ZoomIn, [this] {
        Settings other = settings_;
        other.fontPoints = std::min(QApplication::font().pointSizeF() + 1, 40.0);
        applySettings(other);
    });
    addCommand(Menu::view, tr("Smaller letters"), QKeySequence::ZoomOut, [this] {
        Settings other = settings_;
        other.fontPoints = std::max(QApplication::font().pointSizeF() - 1, 6.0);
        applySettings(other);
    });
    menu->addSeparator();
    addCommand(Menu::view, tr("Show or hide the menu bar"), QKeySequence("Ctrl+Shift+M"), [this] {
        Settings other = settings_;
        other.hasMenuBar = !other.hasMenuBar;
        applySettings(other);
    });
    addCommand(Menu::view, tr("Go to the menus"), QKeySequence("F10"), [this] { openMenus(); });
    menu->addSeparator();
    addCommand(Menu::help, tr("Help on what has the focus"), QKeySequence("F1"), [this] { showHelp(helpPage()); });
    addCommand(Menu::help, tr("All commands"), QKeySequence("Ctrl+Shift+P"), [this] { showPalette(); });
    addCommand(Menu::help, tr("A tour of seven steps on the example"), QKeySequence("Shift+F1"), [this] { beginTour(); });
    addCommand(Menu::help, tr("Welcome"), QKeySequence("Ctrl+Shift+F1"), [this] { showView(kWelcome); });
}

void MainWindow::openTakes(const QString& selected) {
    if (document_.isOpen()) {
        showView("takes");
        find<TakesView>()->select(selected);
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
        tellDone(tr("Sent to the printer"));
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
    } else {
        tellDone(tr("Written: %1").arg(QFileInfo(path).fileName()));
    }
}

void MainWindow::chooseRecent() {
    QList<QAction*> actions;
    for (const QString& path : recentPlans()) {
        actions << new QAction(path);
        connect(actions.back(), &QAction::triggered, this, [this, path] {
            if (mayLeave()) {
                openPlan(path);
            }
        });
    }
    auto* list = new CommandPalette(actions, theme_, this);
    list->setWords(tr("Type a part of a path"),
                   actions.isEmpty() ? tr("no plan was open before") : tr("no path has these letters"));
    for (QAction* action : std::as_const(actions)) {
        action->setParent(list);
    }
    list->open();
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
    Diagnostics ignored; // without the page keys are not explained
    partEditor_->setHelp(KeyHelp(readTextFile((documents_ + "/part-files.md").toStdString(), ignored).value_or("")));
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

/// A part is begun by what a few questions bring.
void MainWindow::askPart() {
    PartQuestions questions(this);
    if (questions.exec() != QDialog::Accepted) {
        return;
    }
    editPart({});
    if (partEditor_ != nullptr) {
        partEditor_->edit(questions.made());
    }
}

/// A part that was saved is taken by the plan that stands on it, and by the shelf.
void MainWindow::takeSavedPart(const QString& path) {
    Diagnostics diagnostics;
    const auto content = readTextFile(path.toStdString(), diagnostics);
    PartFile file = content ? readPart(*content, path.toStdString(), QFileInfo(path).path().toStdString()) : PartFile();
    if (document_.isOpen() && file.part && file.part->id == document_.part().id) {
        const auto renamed =
            partEditor_ == nullptr ? std::vector<std::pair<std::string, std::string>>() : partEditor_->text()->takeRenamed();
        const Diagnostics faults = document_.takePart(std::move(*file.part), renamed);
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
