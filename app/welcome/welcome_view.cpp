#include "welcome/welcome_view.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "paint/tip.h"

#include <QEvent>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QScrollArea>
#include <QVBoxLayout>

namespace wisetick::app {

namespace {

constexpr int kWelcomeSide = 32;
constexpr int kWordsWide = 400; ///< of the column of words
constexpr qsizetype kMostRecent = 6;

} // namespace

WelcomeView::WelcomeView(QWidget* parent)
    : QWidget(parent), title_(new QLabel(tr("What firmware promises, held against what its clocks give"))),
      words_(new QLabel(tr("Say what the firmware needs: a baud rate, a period, a wake-up, a battery's life. Wise Tick works out "
                           "exactly what the clock settings of the part give, over temperature and tolerance, and says which "
                           "promises are kept and why. Where one is broken it finds settings that keep them all, shows what else "
                           "would move, and writes the code."))),
      recentTitle_(new QLabel(tr("Open before"))), scrolls_(new QScrollArea(this)), left_(new QWidget) {
    setAccessibleName(tr("Welcome"));
    title_->setWordWrap(true);
    words_->setWordWrap(true);
    auto* column = new QVBoxLayout(left_);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(10);
    column->addWidget(title_);
    column->addWidget(words_);
    column->addSpacing(6);
    const auto add = [&](const QString& name, void (WelcomeView::*wanted)()) {
        auto* button = new PillButton(name);
        button->setAutoDefault(true);
        connect(button, &QPushButton::clicked, this, wanted);
        column->addWidget(button, 0, Qt::AlignLeft);
        buttons_ << button;
    };
    add(tr("Open the example"), &WelcomeView::exampleWanted);
    add(tr("A tour of seven steps"), &WelcomeView::tourWanted);
    add(tr("Begin a plan on a part"), &WelcomeView::planWanted);
    add(tr("Type a part of your own"), &WelcomeView::partWanted);
    column->addSpacing(6);
    column->addWidget(recentTitle_);
    recent_ = new QVBoxLayout;
    recent_->setSpacing(4);
    column->addLayout(recent_);
    column->addStretch();
    scrolls_->setWidget(left_);
    scrolls_->setWidgetResizable(true);
    scrolls_->setFocusPolicy(Qt::NoFocus); // what stands in it takes it
    scrolls_->setFrameShape(QFrame::NoFrame);
    scrolls_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scrolls_->setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    setFocusProxy(buttons_.front());
    setRecent({});
}

void WelcomeView::setTheme(const Theme& theme) {
    theme_ = theme;
    style();
}

void WelcomeView::setPicture(const QString& path) {
    picture_ = QPixmap(path);
    update();
}

void WelcomeView::setRecent(const QStringList& paths) {
    qDeleteAll(links_);
    links_.clear();
    for (const QString& path : paths.mid(0, kMostRecent)) {
        auto* link = new QLabel;
        link->setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
        link->setToolTip(tipText(path));
        link->setAccessibleName(path); // several may have one name
        link->setProperty("path", path);
        connect(link, &QLabel::linkActivated, this, [this, path] { emit openWanted(path); });
        recent_->addWidget(link);
        links_ << link;
    }
    recentTitle_->setVisible(!links_.isEmpty());
    style();
}

void WelcomeView::style() {
    QPalette colours = palette();
    colours.setColor(QPalette::WindowText, theme_.ink);
    colours.setColor(QPalette::Window, theme_.paper);
    setPalette(colours);
    static_cast<SlimScrollBar*>(scrolls_->verticalScrollBar())->setTheme(theme_);
    title_->setFont(faceFont(Face::title));
    words_->setFont(faceFont(Face::word));
    recentTitle_->setFont(faceFont(Face::bold));
    for (QLabel* label : {title_, words_, recentTitle_}) {
        label->setPalette(colours);
    }
    for (PillButton* button : std::as_const(buttons_)) {
        button->setTheme(theme_, button == buttons_.front());
    }
    for (QLabel* link : std::as_const(links_)) {
        const QString path = link->property("path").toString();
        link->setFont(faceFont(Face::word));
        link->setText(QString("<a href='open' style='color:%1; text-decoration:none'>%2</a>")
                          .arg(theme_.thread.name(), QFileInfo(path).fileName().toHtmlEscaped()));
    }
    update();
}

void WelcomeView::resizeEvent(QResizeEvent*) {
    const int wide = std::min(width() - 2 * kWelcomeSide, std::max(kWordsWide, static_cast<int>(lineHeight(Face::word) * 22)));
    for (QLabel* label : {title_, words_}) { // as high as their words need
        label->setMinimumHeight(label->heightForWidth(wide - 12));
    }
    scrolls_->setGeometry(kWelcomeSide, kWelcomeSide, wide, height() - 2 * kWelcomeSide);
}

void WelcomeView::changeEvent(QEvent* event) {
    if (event->type() == QEvent::FontChange) {
        style();
        resizeEvent(nullptr);
    }
    QWidget::changeEvent(event);
}

/// The picture fills what the words leave, whole and never larger than it is.
void WelcomeView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), theme_.paper);
    const qreal left = scrolls_->geometry().right() + kWelcomeSide;
    const QRectF room(left, kWelcomeSide, width() - left - kWelcomeSide, height() - 2.0 * kWelcomeSide);
    if (picture_.isNull() || room.width() < 200) {
        return;
    }
    const QSizeF size = QSizeF(picture_.size()).scaled(room.size(), Qt::KeepAspectRatio).boundedTo(picture_.size());
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    const QRectF place(room.topLeft(), size);
    painter.drawPixmap(place, picture_, QRectF(picture_.rect()));
    painter.setPen(theme_.line);
    painter.drawRect(place);
}

} // namespace wisetick::app
