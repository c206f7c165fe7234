#pragma once

#include "document/document.h"
#include "paint/theme.h"
#include "seek/seek_question.h"

#include <QWidget>

class QLabel;
class QLineEdit;

namespace wisetick::app {

class LineOffers;
class SeekChips;
struct ChipGroup;

/// What is asked of Seek: a line to type into, and all of it as chips.
class AskedColumn : public QWidget {
    Q_OBJECT

public:
    explicit AskedColumn(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);

    const SeekQuestion& asked() const { return asked_; }
    Question question() const { return asked_.question(document_.plan()); }
    QLineEdit* entry() const { return entry_; }
    SeekChips* chips() const { return chips_; }
    /// What is wrong with the line that was typed; empty where nothing is.
    QString trouble() const;
    /// What is offered at the cursor of the line.
    QStringList completions() const;
    /// The line takes the keys.
    void focusEntry();

    /// Takes over what came and went in the document.
    void follow();
    /// Reads a line as the entry does; what is wrong with it is said below the entry.
    void enterLine(const QString& line);
    /// Adds a wish for the line at that rate, exactly.
    void wish(const QString& line, const Rational& hertz);
    /// Adds a wish for the line at its present rate.
    void wishAsItIs(const QString& line);
    /// In place of the wish for the same.
    void wishInstead(const Wish& old, const Rational& hertz);
    /// The promise is hard from now on.
    void keepPromise(const QString& name);
    /// The wish or promise does not count from now on.
    void setAside(const Wish& wish);
    void setAside(const std::string& promise);
    void lift(const Lifted& lifted);

signals:
    /// Something else is asked from now on.
    void changed();
    /// Return in an empty line, or Down: the answers shall take the keys.
    void entered();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    enum class Group { wishes, promises, locks, prefers, crystals, mayChange, lifted };

    void enter();
    void complete();
    void drop(const Target& target);
    void showTrouble(const QString& typed, const TextError& error);
    void tellChange();
    void showChips();
    ChipGroup groupOf(Group group) const;
    void press(std::size_t group, std::size_t chip);
    void remove(std::size_t group, std::size_t chip);
    void open(std::size_t group, std::size_t chip);

    Document& document_;
    Theme theme_ = lightTheme();
    SeekQuestion asked_;
    std::optional<std::size_t> edited_; ///< the wish whose line is in the entry
    std::vector<Group> groups_;         ///< as shown
    QLineEdit* entry_;
    LineOffers* offers_;
    QLabel* trouble_;
    SeekChips* chips_;
};

} // namespace wisetick::app
