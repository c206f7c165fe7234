#include "shell/main_window.h"

#include "board/shelf_view.h"
#include "clocks/clocks_view.h"
#include "desk/desk_view.h"
#include "part_editor/part_editor.h"
#include "plan/take_edits.h"
#include "promises/promises_column.h"
#include "rhythm/rhythm_view.h"
#include "shell/command_palette.h"
#include "shell/head.h"
#include "shell/help.h"
#include "shell/notice.h"
#include "takes/takes_window.h"
#include "workings/workings_panel.h"

#include <QAction>
#include <QApplication>
#include <QClipboard>
#include <QDir>
#include <QFileInfo>
#include <QLineEdit>
#include <QMimeData>

namespace wisetick::app {

namespace {

QString text(const std::string& value) {
    return QString::fromStdString(value);
}

} // namespace

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
        // on the shelf the part that is selected there, else the plan's
        const QString shelved = isShown(shelfView_) ? shelfView_->selectedPart() : QString();
        const QString path = shelved.isEmpty() ? document_.partPath() : shelved;
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
    addCommand(tr("Go to Board"), QKeySequence("Alt+1"), [this] { showView("board"); });
    addCommand(tr("Go to Clocks"), QKeySequence("Alt+2"), [this] { showView("clocks"); });
    addCommand(tr("Go to Promises: the desk"), QKeySequence("Alt+3"), [this] { showView("promises"); });
    addCommand(tr("Go to Sleep"), QKeySequence("Alt+4"), [this] { showView("sleep"); });
    addCommand(tr("Go to Rhythm"), QKeySequence("Alt+5"), [this] { showView("rhythm"); });
    addCommand(tr("New job"), QKeySequence("Ctrl+J"), [this] {
        showView("rhythm");
        rhythm_->editLine(true);
    });
    addCommand(tr("Pin the selected way, or free it"), QKeySequence("Ctrl+P"), [this] {
        showView("promises");
        desk_->pinOrFree();
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
}

void MainWindow::addClockCommands() {
    addCommand(tr("Find a clock"), QKeySequence("Ctrl+F"), [this] {
        find_->setFocus();
        find_->selectAll();
    });
    addCommand(tr("Lock or free the clock"), QKeySequence("Ctrl+B"), [this] { clocks_->toggleLock(); });
    addCommand(tr("Fold or unfold the branch"), QKeySequence("Ctrl+Shift+B"), [this] { clocks_->foldBranch(); });
    addCommand(tr("Hide or show what is off"), QKeySequence("Ctrl+Shift+O"), [this] {
        clocks_->hideOff(!clocks_->hidesOff());
        sayView();
    });
    addCommand(tr("Only what feeds the promise, or all"), QKeySequence("Ctrl+Shift+F"), [this] {
        showsFeeding_ = !showsFeeding_;
        clocks_->showWhatFeeds(showsFeeding_ ? promises_->cards()->selected() : QString());
        sayView();
    });
    addCommand(tr("Fit the axis"), QKeySequence("Ctrl+0"), [this] { clocks_->fit(); });
    addCommand(tr("Needles of the next take as ghosts"), QKeySequence("Ctrl+Shift+G"), [this] {
        // none, then each other take in turn
        QStringList takes{QString()};
        for (const Take& take : document_.isOpen() ? document_.plan().takes : std::vector<Take>()) {
            if (take.name != document_.plan().active) {
                takes << text(take.name);
            }
        }
        clocks_->showGhost(takes[(takes.indexOf(clocks_->ghost()) + 1) % takes.size()]);
        sayView();
    });
    addCommand(tr("Takes: compare, add, copy, rename, delete"), QKeySequence("Ctrl+T"), [this] {
        if (document_.isOpen()) {
            TakesWindow takes(document_, theme_, this);
            takes.exec();
        }
    });
    addCommand(tr("The order of writing, from reset"), QKeySequence("Ctrl+Shift+R"), [this] { workings_->show("way/reset"); });
    addCommand(tr("What if its source fails"), QKeySequence("Ctrl+Shift+X"), [this] {
        const auto node = document_.isOpen() ? document_.part().findNode(clocks_->selected().toStdString()) : std::nullopt;
        if (!node) {
            return;
        }
        NodeIndex source = *node;
        while (const auto& parent = document_.figures().lines[source].parent) {
            source = *parent;
        }
        workings_->show("fails/" + text(document_.part().nodeId(source)));
    });
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
    addCommand(tr("Copy the clocks as a picture"), QKeySequence("Ctrl+Shift+C"),
               [this] { QApplication::clipboard()->setPixmap(clocks_->picture()); });
    addCommand(tr("Copy the clocks as SVG"), QKeySequence("Ctrl+Alt+C"), [this] {
        const QByteArray svg = clocks_->svg();
        auto* copied = new QMimeData;
        copied->setData("image/svg+xml", svg);
        copied->setText(QString::fromUtf8(svg));
        QApplication::clipboard()->setMimeData(copied);
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

void MainWindow::editPart(const QString& path) {
    if (partEditor_ != nullptr && !partEditor_->close()) {
        return; // its changes are still wanted
    }
    delete partEditor_;
    partEditor_ = new PartEditor(ownParts_, document_.isOpen() ? document_.plan() : Plan(), theme_, this);
    partEditor_->setAttribute(Qt::WA_DeleteOnClose);
    connect(partEditor_, &PartEditor::saved, this, &MainWindow::takeSavedPart);
    connect(partEditor_, &QObject::destroyed, this, [this] { partEditor_ = nullptr; });
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
    PartFile file = content ? readPart(*content, path.toStdString()) : PartFile();
    if (document_.isOpen() && file.part && file.part->id == document_.part().id) {
        const Diagnostics faults = document_.takePart(std::move(*file.part));
        if (!faults.empty()) {
            showFaults(faults);
            notice_->tell("part", tr("The plan does not stand on the part as it was saved; it stays on the part as it was opened."),
                          {{tr("Close the list"), [this] { showFaults({}); }}});
        }
    }
    if (shelfView_ != nullptr) {
        shelfView_->readAgain();
    }
}

} // namespace wisetick::app
