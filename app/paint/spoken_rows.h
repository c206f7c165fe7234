#pragma once

#include <QRect>
#include <QString>

#include <vector>

class QWidget;

namespace wisetick::app {

/// A row of a painted widget as assistive technology is told of it.
struct SpokenRow {
    QString name;
    QString value;
    QRect place; ///< in the viewport, or the widget where it has none
    bool isSelected = false;
};

/// A widget that paints rows and says which: each becomes an accessible list item with role, name, value and selection.
class SpokenRows {
public:
    virtual ~SpokenRows() = default;
    virtual std::vector<SpokenRow> spokenRows() = 0;
};

/// From here on the rows of every such widget are accessible.
void speakRows();

/// What was spoken of the widget is not so any more. Painting it says so too.
void forgetSpokenRows(QWidget* widget);

/// Tells that another row is selected now.
void sayRowSelected(QWidget* widget, std::size_t row);

} // namespace wisetick::app
