#pragma once

#include "desk/pictures.h"

#include <QStringList>

#include <vector>

namespace wisetick::app {

/// The ways of a promise as rows of text, best first.
struct WayTable {
    struct Row {
        State state = State::broken;
        QStringList cells;
        bool isTaken = false;
        std::size_t way = 0; ///< index into the desk's ways
    };
    QStringList heads;
    std::vector<bool> areFigures; ///< by column: set in the face of figures, at the right
    std::vector<Row> rows;
};

WayTable wayTable(const DeskScene& scene);

/// "prescaler 1, counts 4000".
QString settingsText(const std::vector<Setting>& settings);

} // namespace wisetick::app
