#include "base/text.h"
#include "support.h"

namespace wisetick::test {

/// Texts that know of what they are made.
class CoreText : public QObject {
    Q_OBJECT

    static std::string german(const Text& text) {
        return text.in([](const char* phrase) -> std::string {
            const std::string_view words(phrase);
            return words == "no take '{}'"          ? "keine Fassung \u201e{}\u201c"
                   : words == "{} is fed by {}"     ? "{1} speist {0}"
                   : words == "unknown"             ? "unbekannt"
                   : words == "in braces {{n}}, {}" ? "in Klammern {{n}}, {}"
                                                    : "";
        });
    }

private slots:
    void phrasesAreEnglishStrings() {
        const Text text = phrase("{} of {} in {}", 3, std::string("bus_a"), 'A');
        QCOMPARE(text, std::string("3 of bus_a in A"));
        QCOMPARE(phrase("100 %"), std::string("100 %"));
        QCOMPARE(phrase("{{ say = {} }}", "x"), std::string("{ say = x }"));
    }

    void phrasesAreSaidInAnotherLanguage() {
        QCOMPARE(german(phrase("no take '{}'", "B")), std::string("keine Fassung \u201eB\u201c"));
        QCOMPARE(german(phrase("{} is fed by {}", "core", "pll")), std::string("pll speist core"));
        QCOMPARE(german(phrase("in braces {{n}}, {}", 5)), std::string("in Klammern {n}, 5"));
        QCOMPARE(german("raw"), std::string("raw"));
        QCOMPARE(german(phrase("nobody translated {}", "it")), std::string("nobody translated it"));
    }

    void argumentsAreSaidToo() {
        QCOMPARE(german(phrase("no take '{}'", phrase("unknown"))), std::string("keine Fassung \u201eunbekannt\u201c"));
    }

    void joinedTextsKeepTheirPhrases() {
        Text text = "bus_a: ";
        text += phrase("unknown");
        text += std::string(", 4 MHz");
        text += '!';
        const Text more = text + "; " + phrase("no take '{}'", "B") + std::string(".");
        QCOMPARE(more, std::string("bus_a: unknown, 4 MHz!; no take 'B'."));
        QCOMPARE(german(more), std::string("bus_a: unbekannt, 4 MHz!; keine Fassung \u201eB\u201c."));
        QCOMPARE(german(text), std::string("bus_a: unbekannt, 4 MHz!")); // copies do not share what is added
        Text twice = phrase("unknown");
        twice += twice;
        QCOMPARE(german(twice), std::string("unbekanntunbekannt"));
        QCOMPARE(german(std::string("x ") + phrase("unknown")), std::string("x unbekannt"));
        QCOMPARE(german("x " + phrase("unknown")), std::string("x unbekannt"));
    }

    void whatWasChangedAsAStringStaysAsItIs() {
        Text text = phrase("unknown");
        text[0] = 'U';
        QCOMPARE(german(text), std::string("Unknown"));
        Text shorter = phrase("no take '{}'", "B");
        shorter.erase(0, 3);
        QCOMPARE(german(shorter), std::string("take 'B'"));
    }
};

} // namespace wisetick::test

using wisetick::test::CoreText;
QTEST_APPLESS_MAIN(CoreText)
#include "core_text.moc"
