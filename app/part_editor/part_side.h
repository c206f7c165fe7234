#pragma once

#include "files/svd.h"
#include "paint/theme.h"
#include "part/part.h"

#include <QWidget>

#include <optional>

class QLabel;
class QLineEdit;
class QListWidget;
class QTableWidget;

namespace wisetick::app {

/// Beside the text: what the selected thing says of itself, to be typed over; the fields of the registers' description, searched
/// by name and meaning; and what is unknown of the thing.
class PartSide : public QWidget {
    Q_OBJECT

public:
    explicit PartSide(QWidget* parent = nullptr);

    void setTheme(const Theme& theme);
    /// Shows the thing of that id as the text says it; the part is that of the text, or the last that could be read.
    void show(const QString& text, const QString& id, const Part* part);
    void setRegisters(std::optional<RegisterNames> registers);
    QTableWidget* properties() const { return properties_; }
    QLineEdit* search() const { return search_; }
    QListWidget* fields() const { return fields_; }
    QListWidget* unknown() const { return unknown_; }

signals:
    /// A key of the thing gets another value, as TOML; an empty one takes it away.
    void valueTyped(const QString& id, const QString& key, const QString& value);
    /// A field is wanted where the text stands: "CLK.BUS[2:0]".
    void fieldWanted(const QString& field);

private:
    void find();

    QString id_;
    bool isFilling_ = false;
    Theme theme_ = lightTheme();
    std::optional<RegisterNames> registers_;
    QLabel* title_;
    QTableWidget* properties_;
    QLabel* fieldsTitle_;
    QLineEdit* search_;
    QListWidget* fields_;
    QLabel* unknownTitle_;
    QListWidget* unknown_;
};

} // namespace wisetick::app
