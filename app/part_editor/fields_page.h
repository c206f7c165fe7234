#pragma once

#include "files/part_reader.h"
#include "files/svd.h"
#include "paint/theme.h"

#include <QWidget>

#include <optional>
#include <vector>

class QLabel;
class QLineEdit;
class QTreeWidget;

namespace wisetick::app {

/// All registers and fields of the description that a part names: what each is for, how it is accessed, its codes, and what of
/// the part it belongs to. A field is put into the text with Enter or by dragging it there.
class FieldsPage : public QWidget {
    Q_OBJECT

public:
    explicit FieldsPage(QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    /// The description, and what of it belongs to something of the part.
    void show(const std::optional<RegisterNames>& registers, const std::vector<OwnedField>& owned);
    QLineEdit* search() const { return search_; }
    QTreeWidget* list() const { return list_; }

signals:
    /// A field is wanted where the text stands: "CLK.BUS[2:0]".
    void fieldWanted(const QString& field);
    /// Something of the part is gone to.
    void thingWanted(const QString& id);

private:
    void filter();

    QLabel* title_;
    QLineEdit* search_;
    QTreeWidget* list_;
};

} // namespace wisetick::app
