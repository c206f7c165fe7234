#include "language/said.h"

#include "language/language.h"

#include <QCoreApplication>

namespace wisetick::app {

QString text(const Text& said) {
    if (!said.hasPhrases() || Language::spoken() == "en") {
        return QString::fromStdString(said);
    }
    return QString::fromStdString(
        said.in([](const char* phrase) { return QCoreApplication::translate("wisetick", phrase).toStdString(); }));
}

} // namespace wisetick::app
