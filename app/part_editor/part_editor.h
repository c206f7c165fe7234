#pragma once

#include "document/background.h"
#include "document/document.h"
#include "files/part_reader.h"
#include "part_editor/part_text.h"
#include "workshop/ranked_unknown.h"

#include <QWidget>

class QButtonGroup;
class QLabel;
class QListWidget;
class QMenu;
class QSplitter;
class QStackedWidget;
class QTimer;
class QTreeWidget;

namespace wisetick::app {

class ClocksView;
class FieldsPage;
class PartSide;
class PartTree;
class PastePanel;

/// The workshop: a window in which a part file is made. The text is the truth, with the faults under their places as one types;
/// beside it, by tabs, the clocks of the last state without faults (on the plan that stands on the part or on a fresh one), the
/// tree of sources, lines and peripherals, the fields of its registers, the modes, and what is unknown. Every change anywhere is
/// an edit of the text, undone as one.
class PartEditor : public QWidget {
    Q_OBJECT

public:
    /// `ownParts` is the folder for parts of the user's own. `plan` may be used while the part has its id.
    PartEditor(QString ownParts, Plan plan, const Theme& theme, QWidget* parent = nullptr);

    /// Opens a part file; an error text where it can't be read. One that ships is never written: saving makes it one of the
    /// user's own.
    enum class Origin { own, shipped };
    QString openFile(const QString& path, Origin origin = Origin::own);
    /// Begins a new part with the commented skeleton.
    void begin();
    /// Saves to its file; a new part, one that ships, and one whose file can't be written, go to the folder of the user's
    /// own under their id. An error text where that fails.
    QString save();

    void setTheme(const Theme& theme);
    /// What the keys of part files mean, by their page.
    void setHelp(const KeyHelp& help) { text_->setHelp(help); }
    /// What stands beside the text.
    enum class Tab { text, tree, fields, modes, unknown };
    void showTab(Tab tab);
    Tab tab() const;

    PartText* text() const { return text_; }
    PartTree* tree() const { return tree_; }
    PartSide* side() const { return side_; }
    PastePanel* pastePanel() const { return paste_; }
    FieldsPage* fieldsPage() const { return fields_; }
    QTreeWidget* modes() const { return modes_; }
    QTreeWidget* unknown() const { return unknown_; }
    /// Goes to the thing of that id: in the text, the tree and beside it.
    void select(const QString& id);
    /// Lists what the text makes; the chosen one is gone to.
    void showOutline();
    /// Lays the table that the clipboard holds below the tree; says so where it holds none.
    void pasteTable();
    /// Something of its own below that thing: a source, a line from it, or a peripheral like it. `kind` is a table of part files.
    void insert(const QString& kind, const QString& below);
    void remove(const QString& id);
    /// Takes the changed text as one edit.
    void edit(const QString& content);
    ClocksView* clocks() const { return clocks_; }
    QListWidget* faults() const { return faults_; }
    const QString& path() const { return path_; }
    /// What the line above the text says: whether the clocks follow.
    QString status() const;
    /// Whether it is still worked out which unknown figure would make most verdicts certain.
    bool isRanking() const { return ranking_.isBusy(); }
    bool isModified() const { return text_->isModified(); }

signals:
    void saved(const QString& path);

protected:
    void changeEvent(QEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QWidget* makeHead();
    QWidget* makeText();
    QWidget* makeTreePage();
    void connectAll();
    void check();
    void list(const Diagnostics& diagnostics);
    void showModes();
    void showUnknown();
    void listUnknown(const std::vector<RankedUnknown>& ranked);
    void follow();
    void settleText();
    void sayHow();
    void askInsert(const QString& below);
    void readRegisters();
    QString folder() const;
    QString freeId(const QString& like) const;
    Plan planFor(const Part& part) const;
    void setTitle();

    QString ownParts_;
    Plan plan_;
    Theme theme_;
    QString path_;
    Origin origin_ = Origin::own;
    Document document_;
    QLabel* title_;
    QLabel* status_;
    QWidget* head_;
    QWidget* tabs_;
    QButtonGroup* tabGroup_;
    QLabel* hint_;
    QWidget* left_;
    PartText* text_;
    QListWidget* faults_;
    ClocksView* clocks_;
    QStackedWidget* pages_;
    PartTree* tree_;
    PartSide* side_;
    PastePanel* paste_;
    FieldsPage* fields_;
    QTreeWidget* modes_;
    QTreeWidget* unknown_;
    QString selected_;      ///< the thing that the cursor, the tree or a table is at
    QString registersRead_; ///< the name that stands in the text
    bool isFollowing_ = false;
    Diagnostics diagnostics_;
    std::vector<OwnedField> owned_; ///< of the text as it stands, or the last that could be read
    std::optional<Part> part_;      ///< of the text as it stands; none while it has errors
    QTimer* soon_ = nullptr;
    Background ranking_; ///< by verdicts
};

} // namespace wisetick::app
