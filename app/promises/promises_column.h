#pragma once

#include "document/document.h"
#include "paint/painted_view.h"

class QLabel;
class QLineEdit;

namespace wisetick::app {

class LineOffers;

/// The promises as cards: mark, name, what is got, what was asked, and the gauge.
class PromiseCards : public PaintedView {
    Q_OBJECT

public:
    explicit PromiseCards(Document& document, QWidget* parent = nullptr);
    void select(const QString& name);
    QString selected() const;
    /// Where a promise's card stands, in the viewport.
    QRect cardRect(std::size_t index) const;

    std::vector<SpokenRow> spokenRows() override;

signals:
    void selectionChanged(const QString& name);
    void removeWanted(const QString& name);
    void editWanted(const QString& name);

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    QList<RowCommand> rowCommands() override;
    void selectAt(const QPointF& at) override;
    bool viewportEvent(QEvent* event) override;

private:
    int cardHeight() const;
    void follow();
    void layOut() override;
    void selectIndex(std::size_t index);
    void paintCard(QPainter& painter, const QRect& card, const PromiseFigure& promise, bool isSelected) const;

    Document& document_;
    std::optional<std::size_t> selected_;
    Promise selectedPromise_; ///< which it is, wherever it stands after an edit
    QPoint pressedAt_;
};

/// The column on the left: a count, the entry line with its error under the word, and the cards.
class PromisesColumn : public QWidget {
    Q_OBJECT

public:
    explicit PromisesColumn(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    QLineEdit* entry() const { return entry_; }
    PromiseCards* cards() const { return cards_; }
    /// What is wrong with the line that was typed; empty where nothing is.
    QString trouble() const;
    /// What the entry offers at its cursor.
    QStringList completions() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    void enter();
    void complete();
    void showTrouble(const QString& line, const TextError& error);
    void showCount();
    void edit(const QString& name);

    Document& document_;
    Theme theme_ = lightTheme();
    QLabel* title_;
    QLabel* count_;
    QLineEdit* entry_;
    QLabel* trouble_;
    LineOffers* offers_; ///< what may stand at the cursor of the entry
    PromiseCards* cards_;
    /// The promise that the entry is to change, and where it stands; none: what is typed is a new one.
    std::optional<std::pair<std::size_t, Promise>> editing_;
};

} // namespace wisetick::app
