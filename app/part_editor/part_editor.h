#pragma once

#include "document/document.h"
#include "part_editor/part_text.h"

#include <QWidget>

class QLabel;
class QListWidget;
class QTimer;

namespace wisetick::app {

class ClocksView;

/// A window in which a part file is written: its text with the faults under their places as one types, and beside it
/// the clocks of the last state without faults, on the plan that stands on the part or on a fresh one.
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
    PartText* text() const { return text_; }
    ClocksView* clocks() const { return clocks_; }
    QListWidget* faults() const { return faults_; }
    const QString& path() const { return path_; }
    /// What the line above the text says: whether the clocks follow.
    QString status() const;
    bool isModified() const { return text_->isModified(); }

signals:
    void saved(const QString& path);

protected:
    void closeEvent(QCloseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void check();
    void list(const Diagnostics& diagnostics);
    Plan planFor(const Part& part) const;
    void setTitle();

    QString ownParts_;
    Plan plan_;
    Theme theme_;
    QString path_;
    Origin origin_ = Origin::own;
    Document document_;
    QLabel* status_;
    QWidget* left_;
    PartText* text_;
    QListWidget* faults_;
    ClocksView* clocks_;
    Diagnostics diagnostics_;
    std::optional<Part> part_; ///< of the text as it stands; none while it has errors
    QTimer* soon_;
};

} // namespace wisetick::app
