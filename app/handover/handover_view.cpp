#include "handover/handover_view.h"

#include "paint/controls.h"
#include "paint/text.h"
#include "plan/handover_edits.h"

#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr qreal kHandoverLeft = 16;
constexpr std::size_t kWritingsAround = 2; ///< lines shown before and behind what differs

QString formText(const HandoverFile& file) {
    const std::map<std::string, QString> words{{"header", QObject::tr("constants and checks, C and C++")},
                                               {"prototypes", QObject::tr("prototypes of the functions")},
                                               {"c", QObject::tr("functions in bring-up order")},
                                               {"cpp", QObject::tr("constants, C++17")},
                                               {"rust", QObject::tr("constants, Rust")},
                                               {"dts", QObject::tr("device tree")},
                                               {"csv", QObject::tr("table of fields")},
                                               {"json", QObject::tr("fields as JSON")}};
    const auto found = words.find(file.form);
    const QString take = file.take.empty() ? QString() : QObject::tr(", take %1").arg(text(file.take));
    const QString from = file.from.empty() ? QString() : QObject::tr(" from %1").arg(text(file.from));
    return (found == words.end() ? text(file.form) : found->second) + take + from;
}

QString saidOf(const HandoverState& state) {
    const QString said = text(handoverSaid(state));
    return state.left.empty() ? said : QObject::tr("%1, %2 left out").arg(said).arg(state.left.size());
}

QString hexOf(std::uint64_t value) {
    return "0x" + QString::number(value, 16).toUpper();
}

} // namespace

HandoverList::HandoverList(HandoverWork& work, QWidget* parent) : PaintedView(tr("Handover"), parent), work_(work) {
    setVerticalScrollBar(new SlimScrollBar(Qt::Vertical));
    connect(&work_, &HandoverWork::changed, this, [this] {
        const auto& states = work_.states();
        const bool isFirst = !wasFilled_ && !states.empty();
        wasFilled_ = !states.empty();
        for (std::size_t i = states.size(); isFirst && i-- > 0;) { // begun with the first that wants something
            selected_ = states[i].how == HandoverState::How::asPlanned ? selected_ : i;
        }
        selected_ = std::min(selected_, states.empty() ? 0 : states.size() - 1);
        cutLines();
        layOut();
    });
}

QString HandoverList::selected() const {
    return selected_ < work_.states().size() ? text(work_.states()[selected_].file.path) : QString();
}

void HandoverList::select(const QString& path) {
    for (std::size_t i = 0; i < work_.states().size(); ++i) {
        if (text(work_.states()[i].file.path) == path) {
            selectIndex(i);
        }
    }
}

void HandoverList::selectIndex(std::size_t index) {
    selected_ = index;
    cutLines();
    layOut();
    scrollToShow(fileRect(index));
    sayRowSelected(this, index);
    setAccessibleDescription(selected() + ": " + saidOf(work_.states()[index]));
    emit selectionChanged(selected());
}

/// What differs, with a few lines around it; what was changed stands beside what it became.
void HandoverList::cutLines() {
    lines_.clear();
    if (selected_ >= work_.states().size()) {
        return;
    }
    const HandoverState& state = work_.states()[selected_];
    std::vector<Beside> all;
    std::size_t run = 0; ///< where the lines that differ just now begin
    for (const DiffLine& line :
         state.how == HandoverState::How::missing ? std::vector<DiffLine>() : diffOf(state.found, state.planned)) {
        if (line.side == DiffLine::Side::both) {
            all.push_back({line.text, line.text, true, false});
            run = all.size();
            continue;
        }
        const bool isFound = line.side == DiffLine::Side::found;
        const auto free = std::find_if(all.begin() + static_cast<std::ptrdiff_t>(run), all.end(),
                                       [&](const Beside& each) { return isFound ? !each.found : !each.planned; });
        Beside& row = free == all.end() ? all.emplace_back() : *free;
        (isFound ? row.found : row.planned) = line.text;
    }
    std::size_t last = 0; ///< behind the last line that is shown
    for (std::size_t i = 0; i < all.size(); ++i) {
        const auto from = all.begin() + static_cast<std::ptrdiff_t>(i > kWritingsAround ? i - kWritingsAround : 0);
        const auto to = all.begin() + static_cast<std::ptrdiff_t>(std::min(all.size(), i + kWritingsAround + 1));
        if (std::any_of(from, to, [](const Beside& line) { return !line.isSame; })) {
            lines_.push_back(all[i]);
            lines_.back().isBreak = i != last && i > 0;
            last = i + 1;
        }
    }
}

qreal HandoverList::rowHeight() const {
    return std::ceil((lineHeight(Face::word) + 10) / 4) * 4;
}

QRectF HandoverList::fileRect(std::size_t index) const {
    return {0, 4 + static_cast<qreal>(index) * rowHeight() - verticalScrollBar()->value(),
            static_cast<qreal>(viewport()->width()), rowHeight()};
}

/// What of the plan is not in the selected file, and why.
QString HandoverList::leftSaid() const {
    QStringList said;
    for (const LeftOut& left : selected_ < work_.states().size() ? work_.states()[selected_].left : std::vector<LeftOut>()) {
        said << text(leftOutText(left));
    }
    return said.join('\n');
}

qreal HandoverList::leftTop() const {
    return 4 + static_cast<qreal>(work_.states().size()) * rowHeight();
}

qreal HandoverList::leftHeight() const {
    const QString said = leftSaid();
    return said.isEmpty() ? 0 : wrappedHeight(Face::small, said, viewport()->width() - 2 * kHandoverLeft) + 12;
}

/// Of the lines of both sides; what stands on one side only has a row of its own.
qreal HandoverList::lineTop(std::size_t line) const {
    qreal top = leftTop() + leftHeight() + 1.5 * rowHeight();
    const qreal each = lineHeight(Face::figure) + 2;
    for (std::size_t i = 0; i < line && i < lines_.size(); ++i) {
        top += each + (lines_[i].isBreak ? each / 2 : 0);
    }
    return top;
}

qreal HandoverList::foundTop() const {
    return lineTop(lines_.size()) + rowHeight() * (lines_.empty() ? -0.5 : 0.5);
}

std::vector<const FoundField*> HandoverList::shownFields() const {
    std::vector<const FoundField*> shown;
    for (const bool isSame : {false, true}) {
        for (const FoundField& field : work_.found()) {
            if (field.found && field.isSame() == isSame) {
                shown.push_back(&field);
            }
        }
    }
    return shown;
}

void HandoverList::layOut() {
    const qreal found = work_.foundFile().isEmpty() ? 0 : (static_cast<qreal>(shownFields().size()) + 2) * rowHeight();
    setContentHeight(foundTop() + found + 8, rowHeight());
    viewport()->update();
}

/// What is said where there is nothing to list; empty where there is.
QString HandoverList::emptySaid() const {
    if (!work_.hasPlan()) {
        return tr("Open a plan to see what is made from it");
    }
    return work_.states().empty() && work_.foundFile().isEmpty()
               ? tr("No file is made from the plan yet: type one below, such as ../firmware/clocks.h")
               : QString();
}

std::vector<SpokenRow> HandoverList::spokenRows() {
    std::vector<SpokenRow> spoken;
    if (const QString empty = emptySaid(); !empty.isEmpty()) {
        spoken.push_back({empty, QString(), viewport()->rect(), false});
    }
    for (std::size_t i = 0; i < work_.states().size(); ++i) {
        const HandoverState& state = work_.states()[i];
        spoken.push_back(
            {text(state.file.path), formText(state.file) + ", " + saidOf(state), fileRect(i).toRect(), i == selected_});
    }
    if (const QString left = leftSaid(); !left.isEmpty()) {
        const QRectF rect(0, leftTop() - verticalScrollBar()->value(), viewport()->width(), leftHeight());
        spoken.push_back({left, QString(), rect.toRect(), false});
    }
    const std::vector<const FoundField*> fields = shownFields();
    for (std::size_t i = 0; i < fields.size(); ++i) {
        const QRectF rect(0, foundTop() + (static_cast<qreal>(i) + 1.5) * rowHeight() - verticalScrollBar()->value(),
                          viewport()->width(), rowHeight());
        spoken.push_back(
            {text(fieldText(fields[i]->planned.field)),
             tr("planned %1, found %2").arg(hexOf(static_cast<std::uint64_t>(fields[i]->planned.held)), hexOf(*fields[i]->found)),
             rect.toRect(), false});
    }
    return spoken;
}

void HandoverList::paintTitle(QPainter& painter, qreal top, const QString& title, const QString& say) const {
    painter.fillRect(QRectF(0, top - rowHeight() * 0.2, viewport()->width(), 1), theme_.line);
    const qreal width = textWidth(Face::bold, title);
    drawText(painter, QRectF(kHandoverLeft, top, width + 2, rowHeight()), Qt::AlignLeft, title, Face::bold, theme_.ink);
    drawText(painter, QRectF(kHandoverLeft + width + 12, top, viewport()->width() - width - 3 * kHandoverLeft, rowHeight()),
             Qt::AlignLeft, say, Face::small, theme_.muted);
}

void HandoverList::paintFiles(QPainter& painter) const {
    qreal paths = 0;
    for (const HandoverState& state : work_.states()) {
        paths = std::max(paths, textWidth(Face::figure, text(state.file.path)));
    }
    const qreal size = lineHeight(Face::word) * 0.5;
    const qreal left = kHandoverLeft + size + 8;
    paths = std::min(paths + 16, viewport()->width() * 0.42);
    for (std::size_t i = 0; i < work_.states().size(); ++i) {
        const HandoverState& state = work_.states()[i];
        const QRectF rect = fileRect(i);
        if (i == selected_) {
            painter.fillRect(rect, theme_.selected);
            if (hasFocus()) {
                painter.fillRect(QRectF(0, rect.top(), 3, rect.height()), theme_.kept);
            }
        }
        const State mark = markOf(state);
        drawMark(painter, QRectF(kHandoverLeft, rect.center().y() - size / 2, size, size), mark, theme_);
        drawText(painter, QRectF(left, rect.top(), paths - 8, rect.height()), Qt::AlignLeft, text(state.file.path), Face::figure,
                 theme_.ink);
        const QString said = saidOf(state);
        const qreal width = std::min(textWidth(Face::word, said) + 2, viewport()->width() - left - paths - kHandoverLeft);
        drawText(painter, QRectF(rect.right() - kHandoverLeft - width, rect.top(), width, rect.height()), Qt::AlignRight, said,
                 Face::word, mark == State::kept ? theme_.muted : theme_.of(mark));
        drawText(painter,
                 QRectF(left + paths, rect.top(), rect.right() - kHandoverLeft - width - 12 - left - paths, rect.height()),
                 Qt::AlignLeft, formText(state.file), Face::small, theme_.muted);
    }
    drawWrapped(painter,
                QRectF(kHandoverLeft, leftTop() + 6 - verticalScrollBar()->value(), viewport()->width() - 2 * kHandoverLeft,
                       leftHeight()),
                Qt::AlignLeft | Qt::AlignTop, leftSaid(), Face::small, theme_.ink);
}

void HandoverList::paintLines(QPainter& painter) const {
    if (lines_.empty()) {
        return;
    }
    const qreal scrolled = verticalScrollBar()->value();
    paintTitle(painter, lineTop(0) - rowHeight() * 1.1 - scrolled, selected(),
               tr("left as it stands there, right as the plan would write it"));
    const qreal half = (viewport()->width() - 2 * kHandoverLeft - 8) / 2;
    const qreal each = lineHeight(Face::figure) + 2;
    for (std::size_t i = 0; i < lines_.size(); ++i) {
        const qreal top = lineTop(i) + (lines_[i].isBreak ? each / 2 : 0) - scrolled;
        if (top + each < 0 || top > viewport()->height()) {
            continue;
        }
        if (lines_[i].isBreak) {
            painter.fillRect(QRectF(kHandoverLeft, top - each / 4, viewport()->width() - 2 * kHandoverLeft, 1), theme_.line);
        }
        const Beside& line = lines_[i];
        QColor tint = theme_.strained;
        tint.setAlphaF(0.18F);
        for (const bool isPlanned : {false, true}) {
            const std::optional<std::string>& own = isPlanned ? line.planned : line.found;
            if (!own) {
                continue;
            }
            const QRectF area(kHandoverLeft + (isPlanned ? half + 8 : 0), top, half, each);
            if (!line.isSame) {
                painter.fillRect(area, isPlanned ? tint : theme_.rail);
            }
            const QString sign = line.isSame ? QString("  ") : (isPlanned ? QString("+ ") : QString::fromUtf8("\u2212 "));
            const QRectF inside = area.adjusted(4, 0, -4, 0);
            drawText(painter, inside, Qt::AlignLeft, sign + fromWhatDiffers(line, text(*own), inside.width()), Face::figure,
                     line.isSame ? theme_.muted : theme_.ink);
        }
    }
}

QString HandoverList::fromWhatDiffers(const Beside& line, const QString& own, qreal width) {
    constexpr qsizetype kBefore = 12; // letters
    if (line.isSame || !line.found || !line.planned || textWidth(Face::figure, "+ " + own) <= width) {
        return own;
    }
    const auto at = std::mismatch(line.found->begin(), line.found->end(), line.planned->begin(), line.planned->end()).first;
    const QString same = QString::fromUtf8(line.found->data(), at - line.found->begin());
    const qsizetype begin = same.size() - kBefore;
    return begin <= 1 ? own : QString::fromUtf8("\u2026") + own.mid(begin);
}

void HandoverList::paintFound(QPainter& painter) const {
    if (work_.foundFile().isEmpty()) {
        return;
    }
    const std::vector<const FoundField*> fields = shownFields();
    const qreal top = foundTop() - verticalScrollBar()->value();
    paintTitle(painter, top, tr("As found"),
               tr("%1 against the active take: %2 of %3 fields found")
                   .arg(work_.foundFile())
                   .arg(fields.size())
                   .arg(work_.found().size()));
    const qreal size = lineHeight(Face::word) * 0.5;
    qreal names = 0;
    qreal numbers = 0;
    for (const FoundField* field : fields) {
        names = std::max(names, textWidth(Face::figure, text(fieldText(field->planned.field))));
        numbers = std::max({numbers, textWidth(Face::figure, hexOf(static_cast<std::uint64_t>(field->planned.held))),
                            textWidth(Face::figure, hexOf(*field->found))});
    }
    const qreal left = kHandoverLeft + size + 8;
    const qreal plan = left + names + 16;
    const qreal there = plan + numbers + 16;
    for (std::size_t i = 0; i < fields.size(); ++i) {
        const FoundField& field = *fields[i];
        const QRectF row(0, top + (static_cast<qreal>(i) + 1) * rowHeight(), viewport()->width(), rowHeight());
        if (row.bottom() < 0 || row.top() > viewport()->height()) {
            continue;
        }
        const bool isWorse =
            std::any_of(field.moves.begin(), field.moves.end(), [](const Moved& each) { return each.after == State::broken; });
        const State state = field.isSame() ? State::kept : (isWorse ? State::broken : State::strained);
        drawMark(painter, QRectF(kHandoverLeft, row.center().y() - size / 2, size, size), state, theme_);
        const auto at = [&](qreal x, qreal width) { return QRectF(x, row.top(), width, row.height()); };
        drawText(painter, at(left, names + 2), Qt::AlignLeft, text(fieldText(field.planned.field)), Face::figure, theme_.ink);
        drawText(painter, at(plan, numbers + 2), Qt::AlignLeft, hexOf(static_cast<std::uint64_t>(field.planned.held)),
                 Face::figure, theme_.muted);
        drawText(painter, at(there, numbers + 2), Qt::AlignLeft, hexOf(*field.found), Face::figure, theme_.ink);
        QString said = tr("as planned");
        if (!field.isSame()) {
            said = field.means.empty() ? text(field.planned.control) : text(field.planned.control + " " + field.means);
            said += tr(" instead of %1").arg(text(field.planned.setting));
            QStringList moved;
            for (const Moved& each : field.moves) {
                moved << text(each.name);
            }
            said += moved.isEmpty() ? QString() : tr(": %1 would move").arg(moved.join(", "));
        }
        drawText(painter, at(there + numbers + 16, row.right() - kHandoverLeft - there - numbers - 16), Qt::AlignLeft, said,
                 Face::small, field.isSame() ? theme_.muted : theme_.of(state));
    }
}

void HandoverList::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillRect(event->rect(), theme_.paper);
    const qreal room = viewport()->width() - 2 * kHandoverLeft;
    drawWrapped(painter, {kHandoverLeft, 8, room, std::max(rowHeight(), wrappedHeight(Face::word, emptySaid(), room))},
                Qt::AlignLeft, emptySaid(), Face::word, theme_.muted);
    paintFiles(painter);
    paintLines(painter);
    paintFound(painter);
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
}

void HandoverList::keyPressEvent(QKeyEvent* event) {
    const std::size_t count = work_.states().size();
    switch (event->key()) {
    case Qt::Key_Up:
        if (count > 0) {
            selectIndex(selected_ == 0 ? 0 : selected_ - 1);
        }
        break;
    case Qt::Key_Down:
        if (count > 0) {
            selectIndex(std::min(selected_ + 1, count - 1));
        }
        break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
        if (count > 0) {
            emit writeWanted(selected());
        }
        break;
    case Qt::Key_Delete:
        if (count > 0) {
            emit removeWanted(selected());
        }
        break;
    default: PaintedView::keyPressEvent(event);
    }
}

QList<RowCommand> HandoverList::rowCommands() {
    if (selected_ >= work_.states().size()) {
        return {};
    }
    return {{tr("Write the file"), QKeySequence("Return")}, {tr("Take it off the list"), QKeySequence("Del")}};
}

void HandoverList::selectAt(const QPointF& at) {
    for (std::size_t i = 0; i < work_.states().size(); ++i) {
        if (fileRect(i).contains(at)) {
            selectIndex(i);
        }
    }
}

void HandoverList::mousePressEvent(QMouseEvent* event) {
    selectAt(event->position());
}

void HandoverList::mouseDoubleClickEvent(QMouseEvent* event) {
    if (selected_ < work_.states().size() && fileRect(selected_).contains(event->position())) {
        emit writeWanted(selected());
    }
}

HandoverView::HandoverView(Document& document, QWidget* parent)
    : QWidget(parent), document_(document), work_(document), list_(new HandoverList(work_)), entry_(new QLineEdit),
      trouble_(new QLabel) {
    setAutoFillBackground(true);
    entry_->setAccessibleName(tr("A file more"));
    entry_->setFont(faceFont(Face::word));
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::PlainText);
    trouble_->hide();
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 4, 0, 8);
    layout->setSpacing(8);
    layout->addWidget(list_, 1);
    auto* below = new QVBoxLayout;
    below->setContentsMargins(static_cast<int>(kHandoverLeft), 0, static_cast<int>(kHandoverLeft), 0);
    below->addWidget(trouble_);
    below->addWidget(entry_);
    layout->addLayout(below);
    setFocusProxy(list_);
    const auto hint = [this] {
        entry_->setPlaceholderText(tr("../firmware/clocks.h as header, take %1").arg(text(document_.plan().active)));
        entry_->setVisible(document_.isOpen());
    };
    hint();
    connect(&document_, &Document::changed, this, hint);
    connect(entry_, &QLineEdit::returnPressed, this, &HandoverView::add);
    connect(entry_, &QLineEdit::textEdited, this, [this] { tell({}); });
    connect(list_, &HandoverList::writeWanted, this, [this](const QString& path) { write(path); });
    connect(list_, &HandoverList::removeWanted, this, [this](const QString& path) {
        tell(document_.edit(tr("%1 no longer handed over").arg(path),
                            [path = path.toStdString()](Plan& plan) { return removeHandover(plan, path); }));
    });
}

void HandoverView::setTheme(const Theme& theme) {
    list_->setTheme(theme);
    QPalette palette = this->palette();
    palette.setColor(QPalette::Window, theme.paper);
    palette.setColor(QPalette::WindowText, theme.broken);
    setPalette(palette);
}

QString HandoverView::trouble() const {
    return trouble_->isVisibleTo(this) ? trouble_->text() : QString();
}

void HandoverView::tell(const QString& trouble) {
    trouble_->setText(trouble);
    trouble_->setVisible(!trouble.isEmpty());
}

void HandoverView::write(const QString& path, OverEdited over) {
    tell(work_.write(path, over));
}

void HandoverView::add() {
    const std::string typed = entry_->text().toStdString();
    const auto file = readHandoverLine(typed);
    if (!file) {
        entry_->setSelection(static_cast<int>(QString::fromStdString(typed.substr(0, file.error().position)).size()),
                             static_cast<int>(file.error().length));
        tell(text(sayText(file.error())));
        return;
    }
    const QString why = document_.edit(tr("%1 handed over").arg(text(file->path)),
                                       [file = *file](Plan& plan) { return addHandover(plan, file); });
    tell(why);
    if (why.isEmpty()) {
        entry_->setText({});
    }
}

} // namespace wisetick::app
