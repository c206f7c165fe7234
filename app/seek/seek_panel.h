#pragma once

#include "paint/theme.h"
#include "seek/seek_question.h"
#include "seek/seek_work.h"
#include "shell/background.h"
#include "shell/document.h"

#include <QWidget>

#include <set>

class QLabel;
class QLineEdit;
class QStackedWidget;
class QTimer;

namespace wisetick::app {

class FoundList;
class FoundPlot;
class PillButton;
class RefusalView;
class SeekChips;
struct ChipGroup;

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
    /// Reads a line as the entry does; what is wrong with it is said below the entry.
    void enterLine(const QString& line);
    /// Adds a wish for the line at that rate, exactly.
    void wish(const QString& line, const Rational& hertz);
    /// Adds a wish for the line at its present rate.
    void wishAsItIs(const QString& line);
    /// The promise is hard from now on.
    void keepPromise(const QString& name);

    QLineEdit* entry() const { return entry_; }
    SeekChips* chips() const { return chips_; }
    FoundList* list() const { return list_; }
    FoundPlot* plot() const { return plot_; }
    RefusalView* refusal() const { return refusal_; }
    PillButton* cancelButton() const { return cancel_; }
    PillButton* takeButton() const { return take_; }
    PillButton* newButton() const { return new_; }
    PillButton* closeButton() const { return close_; }
    const SeekQuestion& asked() const { return asked_; }
    bool isBusy() const { return background_.isBusy(); }
    /// What is wrong with the line that was typed; empty where nothing is.
    QString trouble() const;
    /// What is said at the foot: whether these are all.
    QString foot() const;
    /// How far it is, while it searches.
    QString progress() const;
    /// The line that is edited takes the keys.
    void focusEntry();
    /// The takes, or why there are none, take the keys.
    void focusFound();

signals:
    /// It is to be hidden.
    void closed();
    /// These figures are to be shown as hollow needles; nullptr ends it.
    void ghostWanted(const Figures* figures);
    /// The rows of these are in question.
    void rowsMarked(const std::set<NodeIndex>& nodes);
    /// A take was taken, as one edit; of a new one its name.
    void taken(const QString& newName);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    enum class Group { wishes, promises, locks, prefers, crystals, mayChange, lifted };

    void takeDocument();
    void enter();
    void showTrouble(const QString& typed, const TextError& error);
    void showChips();
    ChipGroup groupOf(Group group) const;
    void press(std::size_t group, std::size_t chip);
    void remove(std::size_t group, std::size_t chip);
    void open(std::size_t group, std::size_t chip);
    void drop(const QString& target);
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
    SeekQuestion asked_;
    bool isOpen_ = false;
    std::optional<std::size_t> edited_; ///< the wish whose line is in the entry
    std::vector<Group> groups_;         ///< as shown
    std::optional<SeekAsked> under_;    ///< what the last search was about
    bool isStale_ = false;              ///< what is shown belongs to an earlier question
    bool isCancelled_ = false;
    std::optional<SeekAnswer> answer_; ///< of the last search, once it ended
    SeekProgress progressed_;
    QString said_; ///< what was done last
    std::optional<std::size_t> hovered_;
    QLabel* title_;
    QLabel* hint_;
    QLabel* progress_;
    PillButton* cancel_;
    QLineEdit* entry_;
    QLabel* trouble_;
    SeekChips* chips_;
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
