#include "desk/way_table.h"

#include "picture/picture_text.h"
#include "promise/can.h"
#include "promise/pwm.h"
#include "quantity/quantity_print.h"

#include <QObject>

#include <algorithm>

namespace wisetick::app {

namespace {

struct Cell {
    QString head;
    QString value;
};

QString percent(const Rational& share) {
    const std::string exact = exactDecimal(share * 100, 5);
    return text((exact.empty() ? "\u2248" + roundedDecimal(share * 100, 4) : exact) + " %");
}

/// A bit of CAN in one cell: "1 × (1 + 63 + 16)".
QString bitText(const CanBit& bit) {
    return QString::fromUtf8("%1 \u00d7 (1 + %2 + %3)").arg(bit.prescaler).arg(bit.seg1).arg(bit.seg2);
}

/// What a way sets, a cell each; long lists are put together.
std::vector<Cell> settingCells(const DeskScene& scene, const Way& way) {
    std::vector<Cell> cells;
    if (const auto* ask = scene.line.ask.as<CanAsk>()) {
        const auto* can = scene.desk.peripheral->kind.as<CanKind>();
        if (can != nullptr && scene.desk.clock) {
            const CanTiming timing = canTimingOf(*can, *ask, *scene.desk.clock, way.settings);
            cells.push_back({QObject::tr("nominal"), bitText(timing.nominal)});
            cells.push_back({QObject::tr("sampled"), text(printQuantity(timing.nominal.samplePoint(), Unit::ratio, 4))});
            if (timing.data) {
                cells.push_back({QObject::tr("data"), bitText(*timing.data)});
                cells.push_back({QObject::tr("sampled"), text(printQuantity(timing.data->samplePoint(), Unit::ratio, 4))});
            }
            cells.push_back({QObject::tr("allows"), text(printTolerance(canTolerance(timing)))});
        }
        return cells;
    }
    const std::string compare = compareName(scene.desk.channel);
    for (const Setting& setting : way.settings) {
        const bool isCompare = setting.name == compare;
        cells.push_back({isCompare ? QObject::tr("compare") : text(setting.name), text(printFactor(setting.value))});
    }
    if (scene.line.ask.is<DrivesAsk>()) {
        const Rational counts = settingOf(way, "counts");
        cells.push_back({QObject::tr("duty"), percent(settingOf(way, compare) / counts)});
        cells.push_back({QObject::tr("step"), percent(1 / counts)});
    }
    return cells;
}

QString worstText(const Bounds& error) {
    return text(printError(abs(error.min) > abs(error.max) ? error.min : error.max));
}

QString fieldsText(const std::vector<FieldValue>& fields) {
    QStringList list;
    for (const FieldValue& field : fields) {
        if (field.holdsAs != "holds 1 for on") {
            list << text(hexText(field));
        }
    }
    return list.join(' ');
}

} // namespace

QString settingsText(const std::vector<Setting>& settings) {
    QStringList list;
    for (const Setting& setting : settings) {
        list << text(setting.name + " " + printFactor(setting.value));
    }
    return list.join(", ");
}

WayTable wayTable(const DeskScene& scene) {
    WayTable table;
    const Unit unit = scene.figure.unit;
    for (std::size_t i = 0; i < scene.desk.ways.size(); ++i) {
        const Way& way = scene.desk.ways[i];
        WayTable::Row row{way.state, {}, way.settings == scene.figure.settings, i};
        QStringList heads;
        for (const Cell& cell : settingCells(scene, way)) {
            heads << cell.head;
            row.cells << cell.value;
        }
        heads << QObject::tr("got") << QObject::tr("error") << QObject::tr("at worst") << QObject::tr("fields");
        row.cells << text(printQuantity(way.got.nominal, unit, 6)) << text(printError(way.error.nominal))
                  << (scene.figure.isWorstKnown ? worstText(way.error) : QObject::tr("unknown"))
                  << fieldsText(scene.desk.fields[i]);
        if (i == 0) {
            table.heads = heads;
        }
        if (heads == table.heads) { // a way with other controls would stand in the wrong columns
            table.rows.push_back(std::move(row));
        }
    }
    return table;
}

} // namespace wisetick::app
