#include "paint/spoken_rows.h"

#include <QAbstractScrollArea>
#include <QAccessible>
#include <QAccessibleWidget>
#include <QElapsedTimer>
#include <QEvent>
#include <QPointer>

#include <map>

namespace wisetick::app {

namespace {

constexpr qint64 kLongestHeld = 50; ///< ms that rows are held without being asked for anew

/// The rows of the widget that was asked last: a reader asks each row of a list for its name, place and state in turn, and making
/// them all for each would take the square of their number. They are made anew after every painting.
class HeldRows : public QObject {
public:
    static HeldRows& instance() {
        static HeldRows held;
        return held;
    }

    const std::vector<SpokenRow>& of(QObject* widget) {
        if (widget != widget_ || !age_.isValid() || age_.elapsed() > kLongestHeld) {
            hold(widget);
        }
        return rows_;
    }

    void forget(const QObject* widget) {
        if (widget == widget_) {
            age_.invalidate();
        }
    }

protected:
    bool eventFilter(QObject*, QEvent* event) override {
        if (event->type() == QEvent::Paint) {
            age_.invalidate();
        }
        return false;
    }

private:
    void hold(QObject* widget);

    QPointer<QObject> widget_;
    QPointer<QObject> surface_;
    QElapsedTimer age_;
    std::vector<SpokenRow> rows_;
};

const std::vector<SpokenRow>& rowsOf(QObject* widget) {
    return HeldRows::instance().of(widget);
}

/// What the places of the rows are measured in.
QWidget* surfaceOf(QWidget* widget) {
    auto* area = qobject_cast<QAbstractScrollArea*>(widget);
    return area == nullptr ? widget : area->viewport();
}

void HeldRows::hold(QObject* widget) {
    if (surface_ != nullptr) {
        surface_->removeEventFilter(this);
    }
    auto* rows = dynamic_cast<SpokenRows*>(widget);
    widget_ = widget;
    surface_ = rows == nullptr ? nullptr : surfaceOf(qobject_cast<QWidget*>(widget));
    rows_ = rows == nullptr ? std::vector<SpokenRow>() : rows->spokenRows();
    if (surface_ != nullptr) {
        surface_->installEventFilter(this);
    }
    age_.start();
}

/// One row. It holds no row itself: rows come and go with every edit.
class RowInterface : public QAccessibleInterface {
public:
    RowInterface(QWidget* widget, std::size_t index) : widget_(widget), index_(index) {}

    bool isValid() const override { return widget_ != nullptr && index_ < rowsOf(widget_).size(); }
    QObject* object() const override { return nullptr; }
    QAccessibleInterface* parent() const override { return QAccessible::queryAccessibleInterface(widget_); }
    QAccessibleInterface* child(int) const override { return nullptr; }
    QAccessibleInterface* childAt(int, int) const override { return nullptr; }
    int childCount() const override { return 0; }
    int indexOfChild(const QAccessibleInterface*) const override { return -1; }
    QAccessible::Role role() const override { return QAccessible::ListItem; }
    void setText(QAccessible::Text, const QString&) override {}

    QString text(QAccessible::Text which) const override {
        const SpokenRow row = here();
        return which == QAccessible::Name
                   ? row.name
                   : (which == QAccessible::Value || which == QAccessible::Description ? row.value : QString());
    }
    QRect rect() const override {
        const QWidget* surface = widget_ == nullptr ? nullptr : surfaceOf(widget_);
        const QRect place = here().place;
        return surface == nullptr ? QRect() : QRect(surface->mapToGlobal(place.topLeft()), place.size());
    }
    QAccessible::State state() const override {
        QAccessible::State state;
        state.invalid = !isValid();
        if (isValid()) {
            const SpokenRow row = here();
            state.selectable = true;
            state.focusable = true;
            state.selected = row.isSelected;
            state.focused = row.isSelected && widget_->hasFocus();
            state.offscreen = !surfaceOf(widget_)->rect().intersects(row.place);
        }
        return state;
    }

private:
    SpokenRow here() const {
        const auto& rows = rowsOf(widget_);
        return index_ < rows.size() ? rows[index_] : SpokenRow();
    }

    QPointer<QWidget> widget_;
    std::size_t index_;
};

/// A list of rows; then the widgets inside, such as an editor.
class RowsInterface : public QAccessibleWidget {
public:
    explicit RowsInterface(QWidget* widget) : QAccessibleWidget(widget, QAccessible::List) {}
    ~RowsInterface() override {
        for (const auto& [index, id] : ids_) {
            QAccessible::deleteAccessibleInterface(id);
        }
    }

    int childCount() const override { return rowCount() + QAccessibleWidget::childCount(); }
    QAccessibleInterface* child(int index) const override {
        const int count = rowCount();
        if (index >= count) {
            return QAccessibleWidget::child(index - count);
        }
        if (index < 0) {
            return nullptr;
        }
        const auto known = ids_.find(index);
        if (known != ids_.end()) {
            return QAccessible::accessibleInterface(known->second);
        }
        auto* row = new RowInterface(widget(), static_cast<std::size_t>(index));
        ids_[index] = QAccessible::registerAccessibleInterface(row);
        return row;
    }
    int indexOfChild(const QAccessibleInterface* child) const override {
        for (const auto& [index, id] : ids_) {
            if (QAccessible::accessibleInterface(id) == child) {
                return index;
            }
        }
        const int other = QAccessibleWidget::indexOfChild(child);
        return other < 0 ? other : rowCount() + other;
    }
    QAccessibleInterface* childAt(int x, int y) const override {
        for (int i = 0; i < rowCount(); ++i) {
            if (child(i)->rect().contains(x, y)) {
                return child(i);
            }
        }
        return QAccessibleWidget::childAt(x, y);
    }
    QAccessibleInterface* focusChild() const override {
        const auto rows = rowsOf(object()); // its own: asking for a child may make them anew
        for (std::size_t i = 0; widget()->hasFocus() && i < rows.size(); ++i) {
            if (rows[i].isSelected) {
                return child(static_cast<int>(i));
            }
        }
        return QAccessibleWidget::focusChild();
    }

private:
    int rowCount() const { return static_cast<int>(rowsOf(object()).size()); }

    mutable std::map<int, QAccessible::Id> ids_;
};

QAccessibleInterface* rowsInterface(const QString&, QObject* object) {
    auto* widget = qobject_cast<QWidget*>(object);
    return widget != nullptr && dynamic_cast<SpokenRows*>(object) != nullptr ? new RowsInterface(widget) : nullptr;
}

} // namespace

void speakRows() {
    QAccessible::installFactory(rowsInterface);
}

void forgetSpokenRows(QWidget* widget) {
    HeldRows::instance().forget(widget);
}

void sayRowSelected(QWidget* widget, std::size_t row) {
    forgetSpokenRows(widget);
    if (QAccessible::isActive()) {
        QAccessibleEvent event(widget, QAccessible::Focus);
        event.setChild(static_cast<int>(row));
        QAccessible::updateAccessibility(&event);
    }
}

} // namespace wisetick::app
