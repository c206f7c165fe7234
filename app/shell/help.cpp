#include "shell/help.h"

#include "paint/controls.h"
#include "paint/text.h"

#include <QFile>
#include <QFileInfo>
#include <QGuiApplication>
#include <QTextBrowser>
#include <QTextDocument>
#include <QUrl>
#include <QVBoxLayout>

namespace wisetick::app {

Help::Help(const QString& folder, const QString& page, const Theme& theme, QWidget* parent)
    : QDialog(parent), folder_(folder), theme_(theme), browser_(new QTextBrowser) {
    setAttribute(Qt::WA_WindowPropagation);
    setWindowTitle(tr("Help"));
    resize(860, 640);
    browser_->setFrameShape(QFrame::NoFrame);
    browser_->setAccessibleName(tr("Page"));
    auto* bar = new SlimScrollBar(Qt::Vertical);
    bar->setTheme(theme);
    browser_->setVerticalScrollBar(bar);
    browser_->setOpenLinks(false);
    browser_->document()->setDocumentMargin(20);
    browser_->setFont(faceFont(Face::word));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(browser_);
    connect(browser_, &QTextBrowser::anchorClicked, this,
            [this](const QUrl& link) { showPage(QFileInfo(link.path()).fileName()); });
    showPage(page);
}

QString Help::shown() const {
    return browser_->toPlainText();
}

void Help::showPage(const QString& page) {
    QFile file(folder_ + "/" + page);
    if (file.open(QIODevice::ReadOnly)) {
        QTextDocument text;
        text.setMarkdown(QString::fromUtf8(file.readAll()));
        // links in the colour of the theme, tables without boxes in boxes
        browser_->setHtml(text.toHtml()
                              .replace(QGuiApplication::palette().color(QPalette::Link).name(), theme_.thread.name())
                              .replace("<table border=\"1\"", "<table border=\"0\" cellpadding=\"4\""));
    } else {
        browser_->setPlainText(tr("The page %1 is not installed here.").arg(file.fileName()));
    }
}

} // namespace wisetick::app
