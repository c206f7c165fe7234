#pragma once

#include "document/document.h"
#include "document/plan_lock.h"
#include "paint/theme.h"
#include "shell/settings.h"
#include "view/view.h"

#include <QMainWindow>
#include <QPointer>

#include <array>
#include <functional>
#include <map>
#include <memory>

class QLabel;
class QMenu;
class QPagedPaintDevice;
class QSplitter;
class QStackedWidget;
class QListWidget;

namespace wisetick::app {

class DocIndex;
class Head;
class Help;
class PromisesColumn;
class Notice;
class PartEditor;
class RipplePanel;
struct DocPlace;
class Toast;
class Tour;
class TrailButton;
class WorkingsPanel;

/// The window: menus, head and trail above, promises left, the view and the ripple in the middle, workings right. It knows the
/// views by their list alone. There may be several, one a plan.
class MainWindow : public QMainWindow, private ViewHost {
    Q_OBJECT

public:
    /// The plan at the path is read before anything is built, so it costs nothing while the fonts are being found; `awaitFonts`
    /// returns when they are. Who asks for a font before reads their whole configuration a second time.
    explicit MainWindow(Shelf shelf, const QString& path = {}, QWidget* parent = nullptr,
                        const std::function<void()>& awaitFonts = {});
    ~MainWindow() override;

    /// Opens a plan; its faults, if it has any, are listed and the window stays as it is. One that is open in another window, of
    /// this start of the program or of another one, has that window raised instead.
    bool openPlan(const QString& path);
    /// The window that shows a plan; nullptr where none does.
    static MainWindow* showing(const QString& path);
    /// Another window, on a plan where a path is given; it is gone when it is closed.
    MainWindow* another(const QString& path = {});
    /// Shows it above others, with the focus.
    void comeForward();
    /// From now on it keeps where it stands, what is open and how it looks, and takes over what was kept; without, nothing of the
    /// user's is read or written.
    void remember();
    /// What is opened is not among the recent plans.
    void leaveNoTrace() { leavesNoTrace_ = true; }
    /// The plans that were open when the program ended last.
    static QStringList openLast();
    const Settings& settings() const { return settings_; }
    void applySettings(const Settings& settings);
    /// Writes the plan for people: HTML, PDF or Markdown by the ending. Why not; empty where it was written.
    QString writeReport(const QString& path);
    /// The same on paper.
    void printReport(QPagedPaintDevice& paper);
    void setTheme(const Theme& theme);
    /// Selects the line, promise, mode, … wherever it is shown.
    void goTo(const Target& target) override;

    /// Shows a view in the middle, by its name in the list; an unknown one is the first.
    void showView(const QString& name) override;

    Document& document() { return document_; }
    /// The widget of that class in the window; nullptr where it was not made yet.
    template <class W>
    W* find() const {
        return findChild<W*>();
    }
    /// Whether a view still works something out.
    bool isBusy() const;
    PromisesColumn* promises() const { return promises_; }
    RipplePanel* ripplePanel() const { return ripple_; }
    WorkingsPanel* workings() const { return workings_; }
    QListWidget* faults() const { return faults_; }
    Notice* notice() const { return notice_; }
    Toast* toast() const { return toast_; }
    Help* help() const { return help_; }
    Tour* tour() const { return tour_; }
    /// Opens the example where it is not open, and begins the tour on it.
    void beginTour() override;
    /// The page of the documents about what has the focus.
    QString helpPage() const;
    /// Where the documents are; without, F1 says so.
    void setDocuments(const QString& folder) { documents_ = folder; }
    /// The folder for parts of the user's own; it should stand on the shelf.
    void setOwnParts(const QString& folder) { ownParts_ = folder; }
    /// Opens the editor on a part file; on a new part where the path is empty.
    void editPart(const QString& path) override;
    void askPart();
    /// The part that is being written; nullptr where none is.
    PartEditor* partEditor() const;
    /// Where the plans are that ship with the program; the shelf shows them below their parts.
    void setExamples(const QString& folder) { examples_ = folder; }
    /// Where plans without a file are written aside; offers what is left there of plans that were never saved.
    void setRecoveryFolder(const QString& folder);
    /// Says that something failed that never should, and writes what is not saved aside.
    void tellFault(const QString& why);
    /// The plans that were open last, the newest first.
    static QStringList recentPlans();

protected:
    void closeEvent(QCloseEvent* event) override;
    void changeEvent(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    enum class Menu { file, edit, view, plan, help };
    QAction* addCommand(Menu menu, const QString& name, const QKeySequence& keys, const std::function<void()>& run);
    /// A command that can only be given while a plan is open.
    QAction* addPlanCommand(Menu menu, const QString& name, const QKeySequence& keys, const std::function<void()>& run);
    void addCommands();
    void addFileCommands();
    void addEditCommands();
    void addWindowCommands();
    void makeMenus();
    void openMenus();
    void hideMenus();
    void openTakes(const QString& selected);
    void showPalette();
    void showHistory();
    void showHelp(const QString& page, const QString& heading = {});
    void showSettings();
    void applyKeys();
    void holdPlan();
    void quit();
    void keepState();
    void restoreKept();
    const DocIndex& docs();
    void askForReport();
    void askForPrinter();
    /// Of all views, light whatever the window is.
    ReportPictures reportPictures();
    void chooseAndOpen();
    void chooseRecent();
    void takeSavedPart(const QString& path);
    // what a view may want
    void explain(const Target& target) override;
    void beginPlan(const QString& partId) override;
    void takePlan(const QString& path) override;
    void showBelow(QWidget* panel) override;
    QString selectedPromise() const override;
    const Shelf& shelf() const override { return shelf_; }
    QString examples() const override { return examples_; }
    QString documents() const override { return documents_; }
    QStringList recent() const override { return recentPlans(); }
    void tellDone(const QString& what) override;

    /// A view as the window has it.
    struct Place {
        ViewKind kind;
        View* view = nullptr; ///< made when it is first shown
        TrailButton* step = nullptr;
    };
    void makeTrail();
    Place& placeOf(const QString& name);
    View& viewAt(Place& place);
    void orderTabs();
    void addViewCommands();
    void buildLayout(QWidget* viewHead);
    QWidget* makeViewHead();
    void makeFaults();
    void connectViews();
    bool showOpened(const QString& path, const Diagnostics& diagnostics);
    void showFaults(const Diagnostics& diagnostics);
    void fitFaults();
    void offerRecovery();
    bool save();
    bool saveAs();
    void nameAfter(const QString& path);
    bool saveTo(const QString& path, bool overwrites);
    void tellChangedOnDisk();
    void connectDocument();
    /// Asks about unsaved changes; false if the user wants to stay.
    bool mayLeave();
    void refresh();
    void styleTitles();
    /// What of the view is hidden or added just now, in words.
    void sayView();
    void showBesides();

    Document document_;
    PlanLock lock_;
    Settings settings_;
    bool remembers_ = false;
    bool leavesNoTrace_ = false;
    std::array<QMenu*, 5> menus_{};
    std::map<QAction*, QKeySequence> ownKeys_; ///< of the commands, as they come
    std::unique_ptr<DocIndex> docs_;
    Help* help_ = nullptr;
    QString recovery_;
    Shelf shelf_;
    QString documents_;
    QString examples_;
    QString ownParts_;
    Theme theme_ = lightTheme();
    bool isQuiet_ = false; ///< what is selected explains nothing
    Head* head_;
    QWidget* trail_;
    QLabel* trailKeys_;
    QLabel* viewTitle_;
    QLabel* viewHint_;
    QWidget* tools_; ///< what stands beside the title, by view
    QWidget* middle_;
    QSplitter* columns_; ///< promises, and the rest
    QSplitter* upper_;   ///< the view, and workings
    QSplitter* work_;    ///< view and workings above, what a view puts there below
    QWidget* below_ = nullptr;
    PromisesColumn* promises_;
    QStackedWidget* stack_;
    std::vector<Place> places_;
    Place* shown_ = nullptr;
    QPointer<PartEditor> partEditor_;
    RipplePanel* ripple_;
    WorkingsPanel* workings_;
    QLabel* workingsTitle_;
    QWidget* right_;
    QListWidget* faults_;
    Notice* notice_;
    Toast* toast_;
    Tour* tour_;
    QList<QAction*> ofPlan_; ///< commands for which a plan is needed
    QAction* undo_ = nullptr;
    QAction* redo_ = nullptr;
    QAction* keep_ = nullptr;
    QAction* save_ = nullptr;
};

} // namespace wisetick::app
