#pragma once

#include "paint/theme.h"

#include <QMap>
#include <QString>

class QFont;

namespace wisetick::app {

/// What the user chose, kept between starts.
struct Settings {
    enum class Look { asDesktop, light, dark, contrast };

    Look look = Look::asDesktop;
    double fontPoints = 0;       ///< of the window's letters; 0: as the desktop has them
    int digits = 4;              ///< of the vitals
    int asideAfter = 2;          ///< s, from an edit until it is written aside
    QString ownParts;            ///< the folder for parts of the user's own; empty: where programs keep such
    QString language;            ///< spoken from the next start on, "de"; empty: as the desktop
    bool hasMenuBar = true;      ///< without, F10 shows it for a moment
    bool hasMotion = true;       ///< false: nothing fades
    bool reopens = true;         ///< what was open last is opened at the start
    QMap<QString, QString> keys; ///< of commands whose keys were changed, by the keys they ship with
    bool operator==(const Settings&) const = default;

    static Settings read();
    void write() const;
    /// The theme that is wanted; of the desktop's where it is as the desktop.
    const Theme& theme() const;
};

/// The theme nearest to what the desktop shows.
const Theme& desktopTheme();

} // namespace wisetick::app
