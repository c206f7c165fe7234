#include "shell/notice.h"

#include "paint/text.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include <algorithm>

namespace wisetick::app {

Notice::Notice(QWidget* parent) : QWidget(parent), label_(new QLabel), row_(new QHBoxLayout(this)) {
    setAutoFillBackground(true);
    label_->setWordWrap(true);
    label_->setTextFormat(Qt::PlainText);
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

void Notice::tell(const QString& topic, const QString& what, const QList<Choice>& choices) {
    const Told told{topic, what, choices.isEmpty() ? QList<Choice>{{tr("Close"), [] {}}} : choices};
    const auto same = std::find_if(told_.begin(), told_.end(), [&](const Told& each) { return each.topic == topic; });
    if (same != told_.end()) {
        *same = told;
    } else {
        told_ << told;
    }
    showFirst();
}

void Notice::withdraw(const QString& topic) {
    told_.removeIf([&](const Told& each) { return each.topic == topic || each.topic.startsWith(topic + "/"); });
    showFirst();
}

void Notice::showFirst() {
    for (QWidget* button : std::as_const(buttons_)) {
        button->hide();
        button->deleteLater(); // it may be the one that was just pressed
    }
    buttons_.clear();
    setVisible(!told_.isEmpty());
    if (told_.isEmpty()) {
        return;
    }
    const Told& first = told_.front();
    label_->setText(first.what);
    label_->setFont(faceFont(Face::word));
    for (const Choice& choice : first.choices) {
        auto* button = new QPushButton(choice.name);
        connect(button, &QPushButton::clicked, this, [this, topic = first.topic, run = choice.run] {
            withdraw(topic);
            run();
        });
        row_->addWidget(button);
        button->show();
        buttons_ << button;
    }
}

QString Notice::text() const {
    return isVisibleTo(parentWidget()) ? label_->text() : QString();
}

} // namespace wisetick::app
