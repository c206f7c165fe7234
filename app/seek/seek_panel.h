#pragma once

#include "document/background.h"
#include "document/document.h"
#include "paint/theme.h"
#include "seek/asked_column.h"
#include "seek/seek_work.h"

#include <QWidget>

#include <set>

class QLabel;
class QStackedWidget;
class QTimer;

namespace wisetick::app {

class FoundList;
class FoundPlot;
class PillButton;
class RefusalView;

/// Seek: what is asked on the left, found takes in the middle and as marks on the right. It searches beside the interface as soon
/// as something that is asked changes, or the plan does.
class SeekPanel : public QWidget {
    Q_OBJECT

public:
    explicit SeekPanel(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);

    /// Begins: what was asked last is asked still.
    void begin();
    /// Ends without a change: what is under way is told to stop.
    void end();
    AskedColumn* asked() const { return asked_; }
    FoundList* list() const { return list_; }
    FoundPlot* plot() const { return plot_; }
    RefusalView* refusal() const { return refusal_; }
    PillButton* cancelButton() const { return cancel_; }
    PillButton* takeButton() const { return take_; }
    PillButton* newButton() const { return new_; }
    PillButton* closeButton() const { return close_; }
    bool isBusy() const { return background_.isBusy(); }
    /// What is said at the foot: whether these are all.
    QString foot() const;
    /// How far it is, while it searches.
    QString progress() const;
    /// The takes, or why there are none, take the keys.
    void focusFound();

signals:
    /// It is to be hidden.
    void closed();
    /// These figures are to be shown as hollow needles; nullptr ends it.
    void ghostWanted(const Figures* figures);
    /// The rows of these are in question.
    void rowsMarked(const std::set<NodeIndex>& nodes);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    void layOut();
    void connectParts();
    void takeDocument();
    void askAnew();
    void search();
    void hear(const SeekNews& news);
    void hearAnswer(const SeekAnswer& answer);
    void cancel();
    void showEntries(const FoundEntries& entries);
    void sayState();
    void showGhost();
    void unfold(std::size_t entry);
    void take(bool isNew);
    void lift(const RefusedPiece& piece);
    void wishNearest(std::size_t wish);

    Document& document_;
    Theme theme_ = lightTheme();
    bool isOpen_ = false;
    std::optional<SeekAsked> under_; ///< what the last search was about
    bool isStale_ = false;           ///< what is shown belongs to an earlier question
    bool isCancelled_ = false;
    std::optional<SeekAnswer> answer_; ///< of the last search, once it ended
    SeekProgress progressed_;
    QString said_; ///< what was done last
    std::optional<std::size_t> hovered_;
    QLabel* title_;
    QLabel* hint_;
    QLabel* progress_;
    PillButton* cancel_;
    AskedColumn* asked_;
    QStackedWidget* middle_;
    FoundList* list_;
    RefusalView* refusal_;
    FoundPlot* plot_;
    QLabel* foot_;
    PillButton* take_;
    PillButton* new_;
    PillButton* close_;
    QTimer* stale_;
    Background background_;
    Background unfolding_;
};

} // namespace wisetick::app
