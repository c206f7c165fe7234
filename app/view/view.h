#pragma once

#include "document/document.h"
#include "paint/theme.h"
#include "picture/report_picture.h"

#include <QKeySequence>
#include <QPixmap>
#include <QWidget>

#include <functional>
#include <vector>

namespace wisetick::app {

/// What a view may want of the window that it stands in.
class ViewHost {
public:
    virtual ~ViewHost() = default;
    /// Shows the target's arithmetic in the workings.
    virtual void explain(const Target& target) = 0;
    /// Selects the target wherever it is shown.
    virtual void goTo(const Target& target) = 0;
    virtual void showView(const QString& name) = 0;
    virtual void beginPlan(const QString& partId) = 0;
    virtual void takePlan(const QString& path) = 0;
    /// Opens the editor on a part file; on a new part where the path is empty.
    virtual void editPart(const QString& path) = 0;
    /// Begins the tour on the example.
    virtual void beginTour() = 0;
    /// Says for a moment that something was done.
    virtual void tellDone(const QString& what) = 0;
    /// The plans that were open last, the newest first.
    virtual QStringList recent() const = 0;
    /// Where the documents are.
    virtual QString documents() const = 0;
    /// Puts a panel below view and workings, half as high as both; the ripple is not shown meanwhile. nullptr: takes it away.
    virtual void showBelow(QWidget* panel) = 0;
    virtual QString selectedPromise() const = 0;
    virtual const Shelf& shelf() const = 0;
    /// Where the plans are that ship with the program.
    virtual QString examples() const = 0;
};

/// One view of the centre. It shows what the document holds and sends it edits.
class View : public QObject {
    Q_OBJECT

public:
    View(Document& document, ViewHost& host) : document_(document), host_(host) {}

    virtual QWidget* widget() = 0;
    virtual void setTheme(const Theme& theme) = 0;
    /// A line beside the title: what is seen, or what of it is hidden or added just now.
    virtual QString hint() const = 0;
    /// What stands right of the hint; nullptr where nothing does.
    virtual QWidget* tool() { return nullptr; }
    /// Shows what the target names; false where it is none of its.
    virtual bool open(const Target& target) { return target.isNothing(); }
    /// Another promise is selected; none where it is empty.
    virtual void followPromise(const QString&) {}
    /// What the workings show when the view is entered; nothing: what they showed before.
    virtual Target subject() { return {}; }
    virtual void entered() {}
    virtual void left() {}
    /// The page of the documents about what has the focus; empty where it has none of its own.
    virtual QString helpPage(const QWidget*) const { return {}; }
    virtual bool isBusy() const { return false; }
    /// The file of the part that is selected in it; empty where none is.
    virtual QString partPath() const { return {}; }
    /// Takes a file of its kind that was dropped on the window.
    virtual void takeFile(const QString&) {}
    /// A part file was written.
    virtual void partSaved() {}
    /// The view as it is, whole and not only its visible part.
    virtual QPixmap picture() { return widget()->grab(); }
    /// What it shows of the plan as pictures for a report; they are drawn before the plan changes.
    virtual ReportPictures reportPictures(const Theme&) { return {}; }

signals:
    void hintChanged();

protected:
    Document& document_;
    ViewHost& host_;
};

/// A command of a view; it is among all commands of the window. Where `enters` it is, the view is shown first.
struct ViewCommand {
    QString name;
    QKeySequence keys;
    std::function<void(View&)> run;
    bool enters = false;
};

/// What the window knows of a view before it is made.
struct ViewKind {
    QString name;  ///< "clocks", as the command line calls it
    QString title; ///< over it, and in the trail
    int key = 0;   ///< Alt and this number; 0: it has no step in the trail
    QString step;  ///< whose step it stands under where it has none
    /// The worst of what it shows, as the mark of its step.
    std::function<State(const Document&)> state;
    /// Whether it shows such a target.
    std::function<bool(const Document&, const Target&)> opens;
    std::function<View*(Document&, ViewHost&)> make;
    std::vector<ViewCommand> commands = {};
    QStringList endings = {}; ///< of files that it takes
};

/// The worst state of the promises whose asks are such.
State worstPromise(const Document& document, const std::function<bool(const Ask&)>& isMeant);

} // namespace wisetick::app
