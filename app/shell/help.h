#pragma once

#include "paint/theme.h"

#include <QDialog>

class QTextBrowser;

namespace wisetick::app {

/// Shows a page of the project's documents inside the application; links lead from page to page.
class Help : public QDialog {
    Q_OBJECT

public:
    /// `folder` holds the pages.
    Help(const QString& folder, const QString& page, const Theme& theme, QWidget* parent);
    QString shown() const;

private:
    void showPage(const QString& page);

    QString folder_;
    Theme theme_;
    QTextBrowser* browser_;
};

} // namespace wisetick::app
