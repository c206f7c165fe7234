#pragma once

#include "document/background.h"
#include "document/document.h"
#include "evaluate/ways_out.h"
#include "paint/theme.h"

#include <QTextBrowser>
#include <QTimer>

namespace wisetick::app {

/// The arithmetic of the selected thing as numbered steps, each number a link to where it comes from; the other ways
/// that a promise could be kept, and the register fields with copy.
class WorkingsPanel : public QTextBrowser {
    Q_OBJECT

public:
    explicit WorkingsPanel(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    /// Shows the arithmetic of a line, promise, mode, job or of the rhythm, an order of writing, or what fails with a source.
    void show(const Target& target);
    const Target& target() const { return target_; }
    /// Whether ways out are still to be found.
    bool isBusy() const { return still_->isActive() || finding_.isBusy(); }

signals:
    /// A take that keeps this promise shall be sought.
    void seekWanted(const QString& promise);
    /// A link to another thing was followed.
    void targetWanted(const Target& target);

protected:
    void changeEvent(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

private:
    void render();
    void renderAbove();
    QString styleSheet() const;
    QString targetHtml();
    void follow(const QUrl& link);
    QString linkedHtml(const Workings& workings, std::size_t index, const Text& said) const;
    QString stepsHtml(const Workings& workings);
    void goToOrigin(std::size_t step, const Target& target);
    QString fieldsHtml(const std::vector<FieldValue>& fields);
    QString waysOutHtml();
    void findWaysOut();
    void startOver();
    QString lineHtml(const LineFigure& line);
    QString promiseHtml(const PromiseFigure& promise);
    QString bringUpHtml(const PromiseFigure& promise, std::size_t index);
    /// The order of writing to the active take: from "reset", or from another take.
    QString wayHtml(const std::string& from);
    QString failsHtml(const std::string& source) const;
    QString waysThereHtml() const;
    QString modeHtml(const ModeFigure& mode);
    QString orderHtml(const ModeFigure& mode);
    QString wakeTimersHtml(const PromiseFigure& promise);
    QString jobHtml(const Job& job);

    Document& document_;
    Theme theme_ = lightTheme();
    Target target_;
    std::vector<WayOut> ways_;
    Workings steps_;                                       ///< as shown
    std::optional<std::pair<std::size_t, QString>> noted_; ///< below which step something is said about a number
    QTimer* still_ = nullptr;
    Background finding_; ///< ways out
    bool wasPainted_ = false;
    bool areWaysSought_ = false; ///< else they are still to be found
    QString shownHtml_;
    QString shownStyle_;
    QStringList copies_; ///< what each copy link puts on the clipboard
};

} // namespace wisetick::app
