#include "clocks/clocks_view.h"

#include "clocks/clocks_picture.h"
#include "clocks/control_text.h"
#include "derive/controls.h"
#include "derive/demand.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "plan/take_edits.h"
#include "quantity/quantity_print.h"

#include <QLabel>
#include <QLineEdit>
#include <QPaintEvent>

#include <algorithm>
#include <cmath>

namespace wisetick::app {

namespace {

constexpr int kGrid = 4;

} // namespace

ClocksView::ClocksView(Document& document, QWidget* parent) : PaintedView(tr("Clocks"), parent), document_(document) {
    editor_ = new QLineEdit(viewport());
    editor_->setAccessibleName(tr("Control of the row"));
    editor_->hide();
    editor_->installEventFilter(this);
    trouble_ = new QLabel(viewport());
    trouble_->setWordWrap(true);
    trouble_->setTextFormat(Qt::RichText);
    trouble_->setAttribute(Qt::WA_NoMousePropagation); // a click beside a link does nothing to the row behind
    trouble_->setFocusPolicy(Qt::NoFocus);             // the editor keeps the keys: its arrows go through what is offered
    trouble_->hide();
    connect(trouble_, &QLabel::linkActivated, this, [this](const QString& offer) {
        editor_->setText(offer);
        endEdit(true);
    });
    viewport()->setMouseTracking(true);
    connect(&document_, &Document::changed, this, [this] { layOut(); });
    layOut();
}

QString ClocksView::selected() const {
    return layout_.rows().empty() ? QString() : text(document_.figures().lines[layout_.rows()[selectedRow_].node].id);
}

void ClocksView::select(const QString& lineId) {
    const auto node = document_.part().findNode(lineId.toStdString());
    const auto row = node ? layout_.rowOf(*node) : std::nullopt;
    if (row) {
        selectRow(*row);
    }
}

ClocksLayout::Measures ClocksView::measure() const {
    ClocksLayout::Measures measures;
    measures.width = viewport()->width();
    measures.rowHeight = std::ceil((lineHeight(Face::word) + lineHeight(Face::small) + 2) / kGrid) * kGrid;
    measures.headHeight = std::ceil((lineHeight(Face::small) + 2 * kGrid) / kGrid) * kGrid;
    qreal names = 0;
    qreal rates = textWidth(Face::bold, "\u2248166.67 MHz");
    for (const LineFigure& line : document_.figures().lines) {
        names = std::max({names, textWidth(Face::bold, text(line.name)),
                          textWidth(Face::small, text(line.control)) + 3 * kGrid + textWidth(Face::small, idBesideName(line))});
        rates = std::max(rates, textWidth(Face::small, limitText(line)));
    }
    measures.nameWidth = std::min(names + 13 * kGrid, measures.width * 0.34);
    measures.rateWidth = std::min(rates + 6 * kGrid, measures.width * 0.28);
    return measures;
}

void ClocksView::layOut() {
    if (!document_.isOpen()) {
        layout_ = ClocksLayout();
        viewport()->update();
        return;
    }
    const bool hadRows = !layout_.rows().empty();
    const ClockRow kept = hadRows ? layout_.rows()[std::min(selectedRow_, layout_.rows().size() - 1)] : ClockRow();
    const Figures& figures = document_.figures();
    const ClocksLayout before = layout_;
    const ClockTags tags = tagsOf(document_.part(), document_.plan(), document_.take());
    filter_.feedFound.clear();
    for (const std::size_t device : foundDevices()) {
        if (const auto& clock = tags.clocks[device]) {
            filter_.feedFound.insert(*clock);
        }
    }
    std::set<NodeIndex> unfolded = unfolded_;
    unfolded.insert(filter_.feedFound.begin(), filter_.feedFound.end()); // what was found is seen
    layout_ = ClocksLayout(figures, tags, unfolded, shownNodes(figures, filter_), measure());
    if (drag_) {
        layout_.keepAxisOf(before); // or it would run away under the needle
    } else if (zoom_) {
        layout_.zoom(zoom_->first, zoom_->second);
    }
    // the same row stays selected, or its line's, or the one at its place
    const auto row = hadRows && kept.node < figures.lines.size() ? layout_.rowOf(kept.node) : std::nullopt;
    selectedRow_ = row.value_or(std::min(selectedRow_, std::max<std::size_t>(layout_.rows().size(), 1) - 1));
    for (std::size_t i = selectedRow_; kept.peripheral && i < layout_.rows().size(); ++i) {
        selectedRow_ = layout_.rows()[i].peripheral == kept.peripheral ? i : selectedRow_;
    }
    if (hadRows && !row) { // what was being edited is not shown any more: what was typed is meant for no other row
        editor_->hide();
        trouble_->hide();
    }
    hoveredRow_.reset();
    if (ghost_ && ghost_->lines.size() != figures.lines.size()) {
        ghost_.reset(); // of another part
    }
    std::erase_if(marked_, [&](NodeIndex node) { return node >= figures.lines.size(); });
    if (!ghostTake_.isEmpty() && !drag_) { // of a take of the plan, which may have changed
        const bool isThere = findTake(document_.plan(), ghostTake_.toStdString()) != nullptr;
        ghost_ = isThere ? std::optional(document_.figuresOfTake(ghostTake_.toStdString())) : std::nullopt;
    }
    Diagnostics ignored;
    const Take& take = document_.take();
    ownDemand_ = ownDemand(document_.part(), document_.plan(), take, resolveControls(document_.part(), take, ignored));
    setContentHeight(layout_.height(), 12);
    viewport()->update();
}

ClocksScene ClocksView::scene() const {
    return {document_.part(), document_.take(), document_.figures(), ghost_ ? &*ghost_ : nullptr,
            layout_,          unfolded_,        filter_.folded,      marked_,
            ownDemand_,       theme_,           selectedRow_,        hoveredRow_,
            hasFocus()};
}

QString ClocksView::saidOf(NodeIndex node) const {
    const LineFigure& line = document_.figures().lines[node];
    const Text own = node < ownDemand_.size() ? ownDemand_[node] : Text();
    const QString limit = limitText(line);
    const QString control = line.isSource ? sourceText(line) : text(line.control);
    const QString id = idBesideName(line);
    return (id.isEmpty() ? QString() : id + ", ") + (control.isEmpty() ? QString() : control + ", ") +
           tr("%1, %2").arg(line.hertz ? text(printQuantity(line.hertz->nominal, Unit::hertz)) : tr("no rate"),
                            line.isOn ? text(stateName(line.state)) : tr("off")) +
           (limit.isEmpty() ? QString() : ", " + limit) + (own.empty() ? QString() : ", " + tr("only %1").arg(text(own)));
}

std::vector<SpokenRow> ClocksView::spokenRows() {
    std::vector<SpokenRow> spoken;
    for (std::size_t i = 0; i < layout_.rows().size(); ++i) {
        const ClockRow& row = layout_.rows()[i];
        const LineFigure& line = document_.figures().lines[row.node];
        const QRect place = layout_.rowRect(i).translated(0, -verticalScrollBar()->value()).toRect();
        spoken.push_back({row.peripheral ? text(document_.part().peripherals[*row.peripheral].id) : text(line.name),
                          saidOf(row.node), place, i == selectedRow_});
    }
    return spoken;
}

void ClocksView::selectRow(std::size_t row) {
    endEdit(false);
    selectedRow_ = row;
    scrollTo(row);
    viewport()->update();
    const LineFigure& line = document_.figures().lines[layout_.rows()[row].node];
    setAccessibleDescription(text(line.name) + ": " + saidOf(layout_.rows()[row].node));
    sayRowSelected(this, row);
    emit selectionChanged(selected());
}

QRectF ClocksView::controlRect(std::size_t row) const {
    const QRectF rect = layout_.rowRect(row);
    return {rect.left() + 5 * kGrid, rect.center().y(), layout_.measures().nameWidth - 7 * kGrid, rect.height() / 2};
}

/// The editor into its row, and what is said about it below or above.
void ClocksView::placeEditor() {
    const QRectF row = layout_.rowRect(selectedRow_).translated(0, -verticalScrollBar()->value());
    editor_->setGeometry(QRectF(4 * kGrid, row.top() + 2, layout_.measures().nameWidth - 5 * kGrid, row.height() - 4).toRect());
    trouble_->setFixedWidth(static_cast<int>(layout_.axisRight() - layout_.axisLeft()));
    trouble_->adjustSize();
    const int below = static_cast<int>(row.bottom()) + 2;
    const bool fits = below + trouble_->height() <= viewport()->height();
    trouble_->move(static_cast<int>(layout_.axisLeft()), fits ? below : static_cast<int>(row.top()) - trouble_->height() - 2);
}

void ClocksView::beginEdit() {
    const ClockRow& row = layout_.rows()[selectedRow_];
    if (row.peripheral || !hasControl(document_.part(), row.node)) {
        return;
    }
    editor_->setFont(faceFont(Face::word));
    placeEditor();
    editor_->setText(text(document_.figures().lines[row.node].control));
    editor_->setPlaceholderText(tr("source, \u00f7 4 or 48M"));
    editor_->selectAll();
    editor_->show();
    editor_->setFocus();
}

void ClocksView::endEdit(bool isApplied) {
    trouble_->hide();
    if (!editor_->isVisible()) {
        return;
    }
    if (!isApplied) {
        beyond_.clear();
    }
    const QString typed = editor_->text();
    if (isApplied && typed != text(document_.figures().lines[layout_.rows()[selectedRow_].node].control)) {
        apply(typed);
        if (trouble_->isVisible() || !editor_->isVisible()) {
            return; // the text stays to be mended, or the keys are meant elsewhere
        }
    }
    const bool hadFocus = editor_->hasFocus();
    editor_->hide();
    if (hadFocus) { // else the keys are meant elsewhere
        setFocus();
    }
}

void ClocksView::apply(const QString& typed) {
    const ControlEdit edit = readControl(typed, document_.part(), document_.figures(), layout_.rows()[selectedRow_].node);
    if (edit.change) {
        document_.edit(edit.what, edit.change);
        return;
    }
    const QString line = selected();
    const bool isAgain = edit.beyond && beyond_ == line + " " + typed;
    beyond_ = edit.beyond ? line + " " + typed : QString();
    if (isAgain) {
        editor_->hide();
        emit seekWanted();
        return;
    }
    if (edit.beyond) {
        emit rateWanted(line, *edit.beyond); // a take that makes it is sought meanwhile
    }
    say(edit.why, edit.offers);
}

/// Says why something can't be set, below the row, and what is offered instead.
void ClocksView::say(const QString& why, const QStringList& offers) {
    trouble_->setStyleSheet(QString("QLabel { background: %1; color: %2; border: 1px solid %3; padding: 6px }")
                                .arg(theme_.panel.name(), theme_.broken.name(), theme_.line.name()));
    offers_ = offers;
    QStringList links;
    for (const QString& offer : offers_) {
        links << QString("<a href='%1' style='color:%2'>%1</a>").arg(offer.toHtmlEscaped(), theme_.thread.name());
    }
    trouble_->setText(why.toHtmlEscaped() +
                      (links.isEmpty() ? QString() : tr("; nearest: ") + links.join(tr(" or ")) + tr(" (\u2193 and Enter)")));
    trouble_->show();
    placeEditor();
    trouble_->raise();
}

/// Puts the next of what is offered into the editor; Enter then sets it.
void ClocksView::takeOffer(int direction) {
    if (!trouble_->isVisible() || offers_.isEmpty()) {
        return;
    }
    const qsizetype now = offers_.indexOf(editor_->text());
    const qsizetype next = now < 0 ? (direction > 0 ? 0 : offers_.size() - 1) : now + direction;
    editor_->setText(offers_[std::clamp<qsizetype>(next, 0, offers_.size() - 1)]);
}

void ClocksView::step(int direction) {
    const ClockRow& row = layout_.rows()[selectedRow_];
    const auto next = row.peripheral ? std::nullopt : nextSetting(document_.part(), document_.figures(), row.node, direction);
    if (!next) {
        return;
    }
    if (isLocked(document_.take(), document_.part().nodeId(row.node))) {
        say(tr("%1 is locked; Ctrl+B frees it").arg(selected()), {});
        return;
    }
    const ControlEdit edit = setControl(document_.part(), row.node, next->value);
    document_.edit(edit.what, edit.change);
}

void ClocksView::toggleFold(NodeIndex node) {
    if (!unfolded_.erase(node)) {
        unfolded_.insert(node);
    }
    const QString kept = selected();
    layOut();
    select(kept);
}

void ClocksView::foldBranch() {
    if (!layout_.rows().empty()) {
        const NodeIndex node = layout_.rows()[selectedRow_].node;
        if (!filter_.folded.erase(node)) {
            filter_.folded.insert(node);
        }
        layOut();
    }
}

void ClocksView::find(const QString& what) {
    filter_.find = what.trimmed();
    layOut();
    selectFound();
}

/// The peripherals whose id has what is sought.
std::vector<std::size_t> ClocksView::foundDevices() const {
    std::vector<std::size_t> found;
    const auto& devices = document_.part().peripherals;
    for (std::size_t i = 0; i < devices.size() && !filter_.find.isEmpty(); ++i) {
        if (text(devices[i].id).contains(filter_.find, Qt::CaseInsensitive)) {
            found.push_back(i);
        }
    }
    return found;
}

/// What is called just as was sought, else the first that has it, and not what only feeds it.
void ClocksView::selectFound() {
    if (filter_.find.isEmpty() || layout_.rows().empty()) {
        return;
    }
    const auto idOf = [&](const ClockRow& row) {
        return text(row.peripheral ? document_.part().peripherals[*row.peripheral].id : document_.figures().lines[row.node].id);
    };
    const auto isFound = [&](const ClockRow& row) {
        return row.peripheral ? idOf(row).contains(filter_.find, Qt::CaseInsensitive)
                              : isFoundAs(document_.figures().lines[row.node], filter_.find);
    };
    const auto& rows = layout_.rows();
    auto row = std::find_if(rows.begin(), rows.end(),
                            [&](const ClockRow& each) { return idOf(each).compare(filter_.find, Qt::CaseInsensitive) == 0; });
    if (row == rows.end() && isFound(rows[selectedRow_])) {
        return; // it stays
    }
    row = row != rows.end() ? row : std::find_if(rows.begin(), rows.end(), isFound);
    if (row != rows.end()) {
        selectRow(static_cast<std::size_t>(row - rows.begin()));
    }
}

void ClocksView::showAll() {
    filter_ = ClocksFilter();
    layOut();
}

void ClocksView::showWhatFeeds(const QString& promise) {
    filter_.feeding.reset();
    const ClockTags tags = document_.isOpen() ? tagsOf(document_.part(), document_.plan(), document_.take()) : ClockTags();
    for (std::size_t i = 0; i < tags.promiseNodes.size(); ++i) {
        if (text(document_.figures().promises[i].name) == promise) {
            filter_.feeding = tags.promiseNodes[i];
        }
    }
    layOut();
}

void ClocksView::hideOff(bool isHidden) {
    filter_.hidesOff = isHidden;
    layOut();
}

void ClocksView::toggleLock() {
    if (layout_.rows().empty()) {
        return;
    }
    const std::string id = selected().toStdString();
    const bool wasLocked = isLocked(document_.take(), id);
    document_.edit(text(id) + (wasLocked ? tr(" freed") : tr(" locked")),
                   [&](Plan& plan) { return (wasLocked ? unlockLine : lockControl)(plan, plan.active, id); });
}

void ClocksView::fit() {
    zoom_.reset();
    layOut();
}

void ClocksView::showGhost(const QString& take) {
    ghostTake_ = take;
    ghost_.reset();
    layOut();
}

void ClocksView::showGhost(const Figures* figures) {
    ghostTake_.clear();
    ghost_ = figures != nullptr ? std::optional(*figures) : std::nullopt;
    viewport()->update();
}

/// Scrolls no further than these rows need, the upper ones first.
void ClocksView::bringToView(const std::set<NodeIndex>& nodes) {
    for (auto node = nodes.rbegin(); node != nodes.rend(); ++node) {
        if (const auto row = layout_.rowOf(*node)) {
            scrollTo(*row);
        }
    }
}

void ClocksView::scrollTo(std::size_t row) {
    if (row >= layout_.rows().size()) {
        return;
    }
    const QRectF rect = layout_.rowRect(row);
    QScrollBar* bar = verticalScrollBar();
    if (rect.top() - layout_.measures().headHeight < bar->value()) {
        bar->setValue(static_cast<int>(rect.top() - layout_.measures().headHeight));
    } else if (rect.bottom() > bar->value() + viewport()->height()) {
        bar->setValue(static_cast<int>(rect.bottom()) - viewport()->height());
    }
}

void ClocksView::markRows(const std::set<NodeIndex>& nodes) {
    if (nodes != marked_) {
        marked_ = nodes;
        bringToView(nodes);
        viewport()->update();
    }
}

QPixmap ClocksView::picture() {
    const QSizeF size(viewport()->width(), layout_.height() + kGrid);
    QPixmap picture(size.toSize() * devicePixelRatioF());
    picture.setDevicePixelRatio(devicePixelRatioF());
    picture.fill(theme_.paper);
    QPainter painter(&picture);
    paintClocks(painter, scene(), size, 0);
    return picture;
}

ReportPicture ClocksView::reportPicture(const Theme& theme) {
    ReportPicture picture;
    const qreal width = viewport()->width();
    picture.title = text(document_.plan().name);
    picture.size = QSizeF(width, layout_.height() + kGrid);
    picture.headHeight = layout_.measures().headHeight;
    picture.paintPart = [this, theme, width](QPainter& painter, qreal from, qreal to) {
        ClocksScene drawn = scene();
        drawn.theme = theme;
        drawn.selected.reset();
        drawn.hovered.reset();
        const qreal head = layout_.measures().headHeight;
        const QSizeF size(width, head + to - from);
        painter.fillRect(QRectF(QPointF(), size), theme.paper);
        paintClocks(painter, drawn, size, from - head);
    };
    picture.paint = [part = picture.paintPart, picture](QPainter& painter) {
        part(painter, picture.headHeight, picture.size.height());
    };
    for (std::size_t row = 1; row < layout_.rows().size(); ++row) {
        picture.cuts.push_back(layout_.rowRect(row).top());
    }
    picture.cuts.push_back(picture.size.height());
    return picture;
}

void ClocksView::resizeEvent(QResizeEvent* event) {
    const QRectF row = layout_.rows().empty() ? QRectF() : layout_.rowRect(selectedRow_);
    const bool wasSeen =
        row.top() >= verticalScrollBar()->value() && row.bottom() <= verticalScrollBar()->value() + event->oldSize().height();
    layOut();
    if (wasSeen && !layout_.rows().empty()) { // what is worked on stays in view
        scrollTo(selectedRow_);
    }
    if (editor_->isVisible() || trouble_->isVisible()) {
        scrollTo(selectedRow_);
        placeEditor();
    }
}

void ClocksView::paintEvent(QPaintEvent* event) {
    QPainter painter(viewport());
    painter.fillRect(event->rect(), theme_.paper);
    if (!layout_.rows().empty()) {
        paintClocks(painter, scene(), viewport()->size(), verticalScrollBar()->value());
        return;
    }
    if (hasFocus()) {
        drawFocus(painter, viewport()->rect(), theme_);
    }
    painter.setPen(theme_.muted);
    painter.setFont(faceFont(Face::word));
    painter.drawText(viewport()->rect(), Qt::AlignCenter,
                     document_.isOpen() ? tr("No clock is shown: nothing fits the filter") : tr("Open a plan to see its clocks"));
}

} // namespace wisetick::app
