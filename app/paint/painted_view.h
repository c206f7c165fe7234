#pragma once

#include "paint/spoken_rows.h"
#include "paint/theme.h"

#include <QAbstractScrollArea>
#include <QKeySequence>

#include <functional>

namespace wisetick::app {

/// What can be done with what is selected, and the key that does it.
struct RowCommand {
    QString name;
    QKeySequence keys;
    std::function<void()> run = {}; ///< empty: the view is sent the key
};

/// What every painted view and list shares: slim scroll bars, a focus that is seen, its theme, being made anew when what it shows
/// changed and laid out anew at another size or font, rows that are spoken, and a menu on the right button.
class PaintedView : public QAbstractScrollArea, public SpokenRows {
    Q_OBJECT

public:
    /// `name` is what assistive technology calls it.
    explicit PaintedView(const QString& name, QWidget* parent = nullptr);
    virtual void setTheme(const Theme& theme);

protected:
    /// Places what is shown: the size or the font changed.
    virtual void layOut() = 0;
    /// Makes what is shown from what it shows, and lays it out.
    virtual void remake() { layOut(); }
    /// What it shows changed: it is made anew when it is next painted or asked for.
    void setStale();
    /// Makes it now if it is stale.
    void make();
    /// What the menu on the right button, and of the menu key, offers for what is selected; where it is nothing there is no menu.
    virtual QList<RowCommand> rowCommands() { return {}; }
    /// Selects what stands there in the viewport, and does nothing else: the right button was pressed on it.
    virtual void selectAt(const QPointF&) {}
    /// How high the whole is, and how far a step of the wheel goes.
    void setContentHeight(qreal height, qreal step);
    /// Scrolls as little as shows the rectangle of the viewport, with some room around it.
    void scrollToShow(const QRectF& rect, qreal above = 0, qreal below = 1);

    void resizeEvent(QResizeEvent* event) override;
    void changeEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    bool viewportEvent(QEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

    Theme theme_ = lightTheme();

private:
    bool isStale_ = true;
};

} // namespace wisetick::app
