#include "language/language.h"

#include <QCoreApplication>
#include <QDir>
#include <QLibraryInfo>

#include <cstring>
#include <memory>

namespace wisetick::app {

namespace {

constexpr const char* kContext = "wisetick"; // of all texts

struct Spoken {
    QString code = "en";
    std::unique_ptr<Language> words;
    std::unique_ptr<QTranslator> ofQt; ///< the words of its own dialogs, where they are installed
};

Spoken& spokenNow() {
    static Spoken spoken;
    return spoken;
}

} // namespace

Language::Language(const QString& code) : code_(code) {
    isKnown_ = code == "en" || code == "pseudo" || load(":/translations/wisetick_" + code + ".qm");
}

QString Language::translate(const char* context, const char* source, const char* disambiguation, int n) const {
    if (code_ == "pseudo") {
        const QString words = QString::fromUtf8(source);
        return "\u27e6" + words + QString(words.size() / 3, QChar(0x00B7)) + "\u27e7";
    }
    // what Qt itself says has a context of its own: "QPlatformTheme"
    return std::strcmp(context, "QPlatformTheme") == 0 ? QString() : QTranslator::translate(kContext, source, disambiguation, n);
}

QStringList Language::known() {
    QStringList codes{"en"};
    for (const QString& file : QDir(":/translations").entryList({"wisetick_*.qm"})) {
        codes << file.mid(9, file.size() - 12);
    }
    return codes;
}

bool Language::speak(const QString& code) {
    auto words = std::make_unique<Language>(code);
    if (!words->isKnown()) {
        return false;
    }
    Spoken& now = spokenNow();
    for (QTranslator* each : {static_cast<QTranslator*>(now.words.get()), now.ofQt.get()}) {
        if (each != nullptr) {
            QCoreApplication::removeTranslator(each);
        }
    }
    now = {code, code == "en" ? nullptr : std::move(words), nullptr};
    if (now.words == nullptr) {
        return true;
    }
    if (code != "pseudo") {
        now.ofQt = std::make_unique<QTranslator>();
        if (now.ofQt->load("qtbase_" + code, QLibraryInfo::path(QLibraryInfo::TranslationsPath))) {
            QCoreApplication::installTranslator(now.ofQt.get());
        }
    }
    QCoreApplication::installTranslator(now.words.get());
    return true;
}

QString Language::spoken() {
    return spokenNow().code;
}

} // namespace wisetick::app
