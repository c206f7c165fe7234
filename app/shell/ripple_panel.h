#pragma once

#include "document/document.h"
#include "paint/controls.h"
#include "paint/spoken_rows.h"

#include <QWidget>

namespace wisetick::app {

/// What moved since the last Keep, before → after, worst first, with Keep and Undo.
class RipplePanel : public QWidget, public SpokenRows {
    Q_OBJECT

public:
    explicit RipplePanel(Document& document, QWidget* parent = nullptr);
    void setTheme(const Theme& theme);
    QSize sizeHint() const override;
    std::vector<SpokenRow> spokenRows() override;
    QPushButton* keepButton() const { return keep_; }
    QPushButton* undoButton() const { return undo_; }

signals:
    void targetWanted(const Target& target);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void changeEvent(QEvent* event) override;

private:
    int rowHeight() const;
    int headHeight() const;
    int rowsThatFit() const;
    void refresh();
    void scroll(int rows);
    void placeButtons();

    Document& document_;
    Theme theme_ = lightTheme();
    int first_ = 0; ///< the first result that is shown
    PillButton* keep_;
    PillButton* undo_;
};

} // namespace wisetick::app
