#pragma once

#include "paint/theme.h"
#include "shell/doc_index.h"

#include <QFrame>
#include <QPointer>

#include <functional>

class QAction;
class QLineEdit;
class QListWidget;

namespace wisetick::app {

/// The property of a command that names the view with which it stands together.
constexpr const char* kGroup = "group";

/// As a command is called where it stands alone: "Bench: Open a capture".
QString wholeName(const QAction& command);

/// A list over the window, found by typing: every action with its keys, and below them where the documents have the words. It
/// goes when something was chosen, at Escape, and when something else gets the focus.
class CommandPalette : public QFrame {
    Q_OBJECT

public:
    CommandPalette(const QList<QAction*>& actions, const Theme& theme, QWidget* window);
    /// Finds places in the documents too; `show` opens one.
    void addDocuments(std::function<const DocIndex&()> index, std::function<void(const DocPlace&)> show);
    /// What the empty line says, and what is said where nothing has the letters.
    void setWords(const QString& placeholder, const QString& nothing);
    /// Shows it over the window with the focus in it; it deletes itself when it goes.
    void open(int current = 0);
    QListWidget* list() const { return list_; }
    QLineEdit* search() const { return search_; }

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

private:
    void filter();
    void run();
    void leave();
    void place();

    QList<QAction*> actions_;
    std::function<const DocIndex&()> index_;
    std::function<void(const DocPlace&)> showPlace_;
    QList<DocPlace> places_;
    Theme theme_;
    QString nothing_;
    QLineEdit* search_;
    QListWidget* list_;
    QPointer<QWidget> before_; ///< that had the focus
};

} // namespace wisetick::app
