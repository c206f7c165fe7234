#include "shell/help.h"

#include "paint/text.h"
#include "paint/theme.h"

#include <QFile>
#include <QFileInfo>
#include <QTextBrowser>
#include <QUrl>
#include <QVBoxLayout>

namespace wisetick::app {

Help::Help(const QString& folder, const QString& page, QWidget* parent)
    : QDialog(parent), folder_(folder), browser_(new QTextBrowser) {
    setAttribute(Qt::WA_WindowPropagation);
    setWindowTitle(tr("Help"));
    resize(860, 640);
    browser_->setFrameShape(QFrame::NoFrame);
    browser_->setOpenLinks(false);
    browser_->document()->setDocumentMargin(20);
    browser_->setFont(faceFont(Face::word));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(browser_);
    connect(browser_, &QTextBrowser::anchorClicked, this, [this](const QUrl& link) { open(QFileInfo(link.path()).fileName()); });
    open(page);
}

QString Help::shown() const {
    return browser_->toPlainText();
}

void Help::open(const QString& page) {
    QFile file(folder_ + "/" + page);
    if (file.open(QIODevice::ReadOnly)) {
        browser_->setMarkdown(QString::fromUtf8(file.readAll()));
    } else {
        browser_->setPlainText(tr("The page %1 is not installed here.").arg(file.fileName()));
    }
}

} // namespace wisetick::app
