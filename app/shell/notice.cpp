#include "shell/notice.h"
#include "paint/text.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

namespace wisetick::app {

Notice::Notice(QWidget* parent) : QWidget(parent), label_(new QLabel), row_(new QHBoxLayout(this)) {
    setAutoFillBackground(true);
    label_->setWordWrap(true);
    row_->setContentsMargins(16, 6, 12, 6);
    row_->addWidget(label_, 1);
    hide();
}

void Notice::setTheme(const Theme& theme) {
    QPalette palette = this->palette();
    palette.setColor(QPalette::Window, theme.rail);
    palette.setColor(QPalette::WindowText, theme.ink);
    setPalette(palette);
}

void Notice::tell(const QString& what, const QList<Choice>& choices) {
    qDeleteAll(buttons_);
    buttons_.clear();
    label_->setText(what);
    label_->setFont(faceFont(Face::word));
    for (const Choice& choice : choices) {
        auto* button = new QPushButton(choice.name);
        connect(button, &QPushButton::clicked, this, [this, run = choice.run] {
            hide();
            run();
        });
        row_->addWidget(button);
        buttons_ << button;
    }
    show();
}

QString Notice::text() const {
    return isVisibleTo(parentWidget()) ? label_->text() : QString();
}

} // namespace wisetick::app
