#pragma once

#include "paint/theme.h"
#include "document/document.h"

#include <QMainWindow>

class QLabel;
class QSplitter;
class QLineEdit;
class QStackedWidget;
class QListWidget;

namespace wisetick::app {

class BoardView;
class ClocksView;
class DeskView;
class Head;
class PromisesColumn;
class Notice;
class PartEditor;
class RhythmView;
class RipplePanel;
class SeekPanel;
class ShelfView;
class SleepView;
class TrailButton;
class WorkingsPanel;

/// The window: head and trail above, promises left, the view and the ripple in the middle, workings right.
class MainWindow : public QMainWindow {
    Q_OBJECT

public:
    /// The plan at the path is read before anything is built, so it costs nothing while the fonts are being found.
    explicit MainWindow(Shelf shelf, const QString& path = {}, QWidget* parent = nullptr);

    /// Opens a plan; its faults, if it has any, are listed and the window stays as it is.
    bool openPlan(const QString& path);
    void setTheme(const Theme& theme);
    /// Selects "line/bus_a", "promise/modem", … wherever it is shown.
    void goTo(const QString& target);

    /// Shows a view in the middle: "board", "shelf" (the parts shelf), "clocks", "promises",
    /// "sleep" or "rhythm".
    void showView(const QString& name);

    Document& document() { return document_; }
    ClocksView* clocks() const { return clocks_; }
    /// Made when it is first shown; nullptr until then.
    BoardView* board() const { return board_; }
    /// Made when it is first shown; nullptr until then.
    DeskView* desk() const { return desk_; }
    /// Made when it is first shown; nullptr until then.
    SleepView* sleep() const { return sleep_; }
    /// Made when it is first shown; nullptr until then.
    RhythmView* rhythm() const { return rhythm_; }
    /// Made when it is first shown; nullptr until then.
    ShelfView* shelfView() const { return shelfView_; }
    /// Made when it is first opened; nullptr until then.
    SeekPanel* seek() const { return seek_; }
    /// Opens Seek below the Clocks view; its entry takes the keys.
    void openSeek();
    PromisesColumn* promises() const { return promises_; }
    RipplePanel* ripplePanel() const { return ripple_; }
    WorkingsPanel* workings() const { return workings_; }
    /// The field that finds a clock by name.
    QLineEdit* findField() const { return find_; }
    QListWidget* faults() const { return faults_; }
    Notice* notice() const { return notice_; }
    /// The page of the documents about what has the focus.
    QString helpPage() const;
    /// Where the documents are; without, F1 says so.
    void setDocuments(const QString& folder) { documents_ = folder; }
    /// The folder for parts of the user's own; it should stand on the shelf.
    void setOwnParts(const QString& folder) { ownParts_ = folder; }
    /// Opens the editor on a part file; on a new part where the path is empty.
    void editPart(const QString& path);
    /// The part that is being written; nullptr where none is.
    PartEditor* partEditor() const { return partEditor_; }
    /// Where the plans are that ship with the program; the shelf shows them below their parts.
    void setExamples(const QString& folder) { examples_ = folder; }
    /// Where plans without a file are written aside; offers what is left there of plans that were never saved.
    void setRecoveryFolder(const QString& folder);
    /// The plans that were open last, the newest first.
    static QStringList recentPlans();

protected:
    void closeEvent(QCloseEvent* event) override;
    void changeEvent(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    QAction* addCommand(const QString& name, const QKeySequence& keys, const std::function<void()>& run);
    void addCommands();
    void chooseAndOpen();
    void chooseRecent();
    void beginPlan(const QString& partId);
    void takeSavedPart(const QString& path);
    QWidget* viewNamed(const QString& name);
    bool isShown(const QWidget* view) const;
    bool showOpened(const QString& path, const Diagnostics& diagnostics);
    void showFaults(const Diagnostics& diagnostics);
    void fitFaults();
    void offerRecovery();
    bool save();
    bool saveAs();
    bool saveTo(const QString& path, bool overwrites);
    void tellChangedOnDisk();
    void connectDocument();
    /// Asks about unsaved changes; false if the user wants to stay.
    bool mayLeave();
    template <class A>
    State stateOf() const;
    void refresh();
    void styleTitles();
    void addClockCommands();
    void addSeekCommands();
    void showSeek();
    void hideSeek();
    /// What of the clocks is hidden or added just now, in words.
    void sayView();

    Document document_;
    Shelf shelf_;
    QString documents_;
    QString examples_;
    QString ownParts_;
    Theme theme_ = lightTheme();
    bool followsDesktop_ = true;
    bool showsFeeding_ = false; ///< only what feeds the selected promise
    Head* head_;
    QWidget* trail_;
    TrailButton* trailBoard_;
    TrailButton* trailClocks_;
    TrailButton* trailPromises_;
    TrailButton* trailSleep_;
    TrailButton* trailRhythm_;
    QLabel* trailKeys_;
    QLabel* viewTitle_;
    QLabel* viewHint_;
    QLineEdit* find_;
    QWidget* middle_;
    QSplitter* work_; ///< view and workings above, Seek below
    PromisesColumn* promises_;
    QStackedWidget* views_;
    ClocksView* clocks_;
    BoardView* board_ = nullptr;
    DeskView* desk_ = nullptr;
    ShelfView* shelfView_ = nullptr;
    SleepView* sleep_ = nullptr;
    RhythmView* rhythm_ = nullptr;
    SeekPanel* seek_ = nullptr;
    PartEditor* partEditor_ = nullptr;
    RipplePanel* ripple_;
    WorkingsPanel* workings_;
    QLabel* workingsTitle_;
    QWidget* right_;
    QListWidget* faults_;
    Notice* notice_;
    QAction* undo_ = nullptr;
    QAction* redo_ = nullptr;
    QAction* keep_ = nullptr;
    QAction* save_ = nullptr;
    QAction* saveAs_ = nullptr;
};

} // namespace wisetick::app
