#pragma once

#include "paint/theme.h"
#include "shell/doc_index.h"

#include <QDialog>

class QLineEdit;
class QListWidget;
class QTextBrowser;

namespace wisetick::app {

/// The project's documents inside the application: contents left, found by words over all pages, and the page, whose links lead
/// from page to page; Alt+Left leads back.
class Help : public QDialog {
    Q_OBJECT

public:
    /// `folder` holds the pages.
    Help(const QString& folder, const QString& page, const Theme& theme, QWidget* parent);
    /// The text of the page that is shown.
    QString shown() const;
    /// Shows a page from that heading on; from its beginning where there is none.
    void showPage(const QString& page, const QString& heading = {});
    const QString& page() const { return page_; }
    QLineEdit* search() const { return search_; }
    QListWidget* contents() const { return contents_; }
    /// Leads to the page before.
    void goBack();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void load(const QString& page, const QString& heading);
    void list();
    void showWhere();
    void markWords();
    void openRow(int row);
    void follow(const QUrl& link);

    QString folder_;
    Theme theme_;
    DocIndex index_;
    QLineEdit* search_;
    QListWidget* contents_;
    QTextBrowser* browser_;
    QList<DocPlace> listed_;
    QString page_;
    QList<std::pair<QString, QString>> before_; ///< pages and headings that were shown
};

} // namespace wisetick::app
