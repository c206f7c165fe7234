#include "shell/settings.h"

#include <QApplication>
#include <QPalette>
#include <QSettings>

#include <algorithm>

namespace wisetick::app {

namespace {

constexpr int kMostDigits = 9;
constexpr int kLongestAside = 600;
constexpr double kLargestFont = 40;
const QStringList kLooks{"desktop", "light", "dark", "contrast"};

} // namespace

Settings Settings::read() {
    const QSettings kept;
    Settings settings;
    const auto look = kLooks.indexOf(kept.value("settings/look").toString());
    settings.look = look > 0 ? static_cast<Look>(look) : Look::asDesktop;
    settings.fontPoints = std::clamp(kept.value("settings/font", 0).toDouble(), 0.0, kLargestFont);
    settings.digits = std::clamp(kept.value("settings/digits", settings.digits).toInt(), 2, kMostDigits);
    settings.asideAfter = std::clamp(kept.value("settings/aside", settings.asideAfter).toInt(), 1, kLongestAside);
    settings.ownParts = kept.value("settings/parts").toString();
    settings.language = kept.value("settings/language").toString();
    settings.hasMenuBar = kept.value("settings/menus", true).toBool();
    settings.hasMotion = kept.value("settings/motion", true).toBool();
    settings.reopens = kept.value("settings/reopens", true).toBool();
    const QStringList keys = kept.value("settings/keys").toStringList(); // shipped, own, shipped, own, …
    for (int i = 0; i + 1 < keys.size(); i += 2) {
        settings.keys[keys[i]] = keys[i + 1];
    }
    return settings;
}

void Settings::write() const {
    QSettings kept;
    kept.setValue("settings/look", kLooks[static_cast<int>(look)]);
    kept.setValue("settings/font", fontPoints);
    kept.setValue("settings/digits", digits);
    kept.setValue("settings/aside", asideAfter);
    kept.setValue("settings/parts", ownParts);
    kept.setValue("settings/language", language);
    kept.setValue("settings/menus", hasMenuBar);
    kept.setValue("settings/motion", hasMotion);
    kept.setValue("settings/reopens", reopens);
    QStringList list;
    for (auto each = keys.begin(); each != keys.end(); ++each) {
        list << each.key() << each.value();
    }
    kept.setValue("settings/keys", list);
}

const Theme& desktopTheme() {
    return QApplication::palette().color(QPalette::Window).lightness() < 128 ? darkTheme() : lightTheme();
}

const Theme& Settings::theme() const {
    switch (look) {
    case Look::light: return lightTheme();
    case Look::dark: return darkTheme();
    case Look::contrast: return contrastTheme();
    case Look::asDesktop: break;
    }
    return desktopTheme();
}

} // namespace wisetick::app
