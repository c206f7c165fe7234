#pragma once

#include <QString>
#include <QStringList>
#include <QTranslator>

namespace wisetick::app {

/// The words of a language, for texts of the interface (`tr`) and of the core (`phrase`) alike: one list for all, so the
/// same words are the same everywhere.
class Language : public QTranslator {
public:
    /// "en": as the source is written. "pseudo": every text in brackets and a third longer, to see what is not
    /// translated, or cut.
    explicit Language(const QString& code);

    /// Whether it is there.
    bool isKnown() const { return isKnown_; }

    QString translate(const char* context, const char* source, const char* disambiguation = nullptr, int n = -1) const override;
    bool isEmpty() const override { return code_ == "en"; }

    /// The codes of all that ship, "en" among them.
    static QStringList known();

    /// Speaks it from now on: in this program, what is painted next. False: there is no such language.
    static bool speak(const QString& code);

    /// What is spoken now.
    static QString spoken();

private:
    QString code_;
    bool isKnown_ = false;
};

} // namespace wisetick::app
