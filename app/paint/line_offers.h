#pragma once

#include "paint/theme.h"

#include <QObject>
#include <QString>

#include <vector>

class QLineEdit;
class QListView;
class QStandardItemModel;

namespace wisetick::app {

/// What may stand at the cursor of a line that is typed, offered in a list below it.
class LineOffers : public QObject {
    Q_OBJECT

public:
    struct Offer {
        QString say;
        QString line; ///< the whole line that it makes
    };

    explicit LineOffers(QLineEdit* line);
    void setTheme(const Theme& theme);
    /// The list opens by itself when the line is typed on, and closes where nothing is offered.
    void show(const std::vector<Offer>& offers);
    /// Opens the list.
    void open();
    bool isOpen() const;
    QStringList texts() const;

private:
    void make();
    void style();

    QLineEdit* line_;
    Theme theme_ = lightTheme();
    QListView* list_ = nullptr; ///< made when something is offered for the first time
    QStandardItemModel* model_ = nullptr;
};

} // namespace wisetick::app
