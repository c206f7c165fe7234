#include "clocks/clocks_layout.h"
#include "clocks/control_text.h"
#include "derive/controls.h"
#include "derive/workings_of.h"
#include "evaluate/evaluate.h"
#include "files/part_reader.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "paint/theme.h"
#include "promise/uart.h"
#include "quantity/number_links.h"
#include "support.h"

#include <QImage>
#include <QPainter>

#include <cmath>

using namespace wisetick;
using namespace wisetick::app;
using namespace wisetick::test;

namespace {

/// How much of a square is inked, and how much of its lower half.
struct Ink {
    double all = 0;
    double lower = 0;
    double upperRight = 0;
};

Ink inkOf(State state) {
    QImage image(40, 40, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter painter(&image);
    drawMark(painter, QRectF(0, 0, 40, 40), state, lightTheme());
    painter.end();
    Ink ink;
    for (int y = 0; y < 40; ++y) {
        for (int x = 0; x < 40; ++x) {
            const double dark = 1 - image.pixelColor(x, y).lightnessF();
            ink.all += dark;
            ink.lower += y >= 20 ? dark : 0;
            ink.upperRight += y < 14 && x >= 26 ? dark : 0;
        }
    }
    return ink;
}

/// Contrast of two colours by WCAG 2.1: (L1 + 0.05) ÷ (L2 + 0.05).
double contrast(const QColor& a, const QColor& b) {
    const auto luminance = [](const QColor& colour) {
        const auto channel = [](double value) {
            return value <= 0.03928 ? value / 12.92 : std::pow((value + 0.055) / 1.055, 2.4);
        };
        return 0.2126 * channel(colour.redF()) + 0.7152 * channel(colour.greenF()) + 0.0722 * channel(colour.blueF());
    };
    const double high = std::max(luminance(a), luminance(b));
    const double low = std::min(luminance(a), luminance(b));
    return (high + 0.05) / (low + 0.05);
}

ClocksLayout layoutOf(const Part& part, const Figures& figures, const std::set<NodeIndex>& unfolded = {}) {
    ClockTags tags;
    for (const Peripheral& peripheral : part.peripherals) {
        tags.clocks.push_back(peripheral.clock.front());
    }
    return {figures, tags, unfolded, std::vector<bool>(figures.lines.size(), true), {1000, 32, 24, 200, 150}};
}

} // namespace

/// Where things stand and how they look, without a window.
class AppPaint : public QObject {
    Q_OBJECT

    Edited edited_ = editedOrchard();
    Figures figures_ = evaluate(edited_.part, edited_.plan, "A");

private slots:
    /// A state is told by its shape, whatever its colour.
    void marksDifferInShape() {
        const Ink kept = inkOf(State::kept);
        const Ink strained = inkOf(State::strained);
        const Ink broken = inkOf(State::broken);
        QVERIFY(std::abs(kept.lower / kept.all - 0.5) < 0.05);         // a full disc
        QVERIFY(strained.lower / strained.all > 0.6);                  // a half disc, full below
        QVERIFY(broken.all < strained.all && strained.all < kept.all); // an open ring
        QVERIFY(inkOf(State::pending).all < broken.all);
    }

    /// Where a line has no room for all of it, whole parts of it are shown; never half a word of a later one.
    void aLineShowsWholeParts() {
        ElidedLabel label(QString::fromUtf8("2 broken \u00b7 14 strained \u00b7 30 kept"));
        const auto shownIn = [&](const QString& room) {
            label.resize(label.fontMetrics().horizontalAdvance(room) + 1, 20);
            return label.shown();
        };
        QCOMPARE(shownIn(label.text()), label.text());
        QCOMPARE(shownIn(QString::fromUtf8("2 broken \u00b7 14 strained \u00b7 30")),
                 QString::fromUtf8("2 broken \u00b7 14 strained"));
        QCOMPARE(shownIn("2 broken, more"), QString("2 broken"));
        QVERIFY(shownIn("2 bro").endsWith(QChar(0x2026)));
        label.setText("what stands there, and what follows; Enter edits a row");
        QCOMPARE(shownIn("what stands there, and what follows; Enter"), QString("what stands there, and what follows"));
    }

    void textCanBeRead_data() {
        QTest::addColumn<bool>("isDark");
        QTest::newRow("light") << false;
        QTest::newRow("dark") << true;
    }
    void textCanBeRead() {
        QFETCH(bool, isDark);
        const Theme& theme = isDark ? darkTheme() : lightTheme();
        for (const QColor& ground : {theme.paper, theme.panel, theme.selected}) {
            for (const QColor& ink : {theme.ink, theme.muted, theme.kept, theme.strained, theme.broken, theme.thread}) {
                QVERIFY2(contrast(ink, ground) >= 3.9, qPrintable(ink.name() + " on " + ground.name()));
            }
        }
        QVERIFY(contrast(theme.headInk, theme.head) > 7 && contrast(theme.headMuted, theme.head) > 4.5);
    }

    void theAxisIsLogarithmic() {
        const ClocksLayout layout = layoutOf(edited_.part, figures_);
        QCOMPARE(layout.lowDecade(), 4.0);  // 32.768 kHz
        QCOMPARE(layout.highDecade(), 9.0); // 500 MHz
        QCOMPARE(layout.xOf(1e4), layout.axisLeft());
        QCOMPARE(layout.xOf(1e9), layout.axisRight());
        QVERIFY(std::abs((layout.xOf(1e6) - layout.xOf(1e5)) - (layout.xOf(1e8) - layout.xOf(1e7))) < 1e-9);
    }

    void zoomingKeepsThePlaceUnderThePointer() {
        ClocksLayout layout = layoutOf(edited_.part, figures_);
        const qreal place = layout.xOf(4e7);
        layout.zoom(2, place);
        QVERIFY(std::abs(layout.xOf(4e7) - place) < 1e-6);
        QVERIFY(std::abs((layout.highDecade() - layout.lowDecade()) - 2.5) < 1e-9);
        for (int i = 0; i < 100; ++i) {
            layout.zoom(10, place);
        }
        QVERIFY(layout.highDecade() - layout.lowDecade() >= 0.19); // never to nothing
        for (int i = 0; i < 100; ++i) {
            layout.zoom(0.1, place);
        }
        QVERIFY(layout.highDecade() - layout.lowDecade() <= 14.01);
    }

    /// Labels of the axis never run into one another, however narrow it is.
    void axisLabelsKeepApart() {
        const QFontMetricsF metrics{QFont()};
        const std::vector<bool> all(figures_.lines.size(), true);
        for (const qreal width : {400.0, 480.0, 600.0, 1000.0, 2400.0}) {
            const ClocksLayout layout(figures_, ClockTags(), {}, all, {width, 32, 24, 150, 120});
            qreal free = 0;
            int shown = 0;
            for (const AxisLabel& label :
                 layout.axisLabels([&](const QString& text) { return metrics.horizontalAdvance(text); })) {
                if (!label.text.isEmpty()) {
                    QVERIFY(label.x - label.width / 2 >= free);
                    free = label.x + label.width / 2;
                    ++shown;
                }
            }
            QVERIFY(shown >= 1 && (width < 1000 || shown == 6)); // 10 kHz to 1 GHz where there is room
        }
    }

    void rowsStandInThePartsOrder() {
        const ClocksLayout folded = layoutOf(edited_.part, figures_);
        QCOMPARE(folded.rows().size(), edited_.part.nodeCount());
        const NodeIndex busA = *edited_.part.findNode("bus_a");
        const ClocksLayout unfolded = layoutOf(edited_.part, figures_, {busA});
        const std::size_t row = *unfolded.rowOf(busA);
        QCOMPARE(row, *folded.rowOf(busA));
        QCOMPARE(*unfolded.rows()[row + 1].peripheral, *edited_.part.findPeripheral("uart1"));
        QCOMPARE(*unfolded.rowAt(unfolded.rowRect(row).center().y()), row);
        QVERIFY(!unfolded.rowAt(unfolded.height() + 1).has_value());
        QVERIFY(!unfolded.rowAt(2).has_value()); // the head is no row
    }

    void reachIsAllThatTheControlGives() {
        const auto reach = [&](const char* id) { return reachOf(edited_.part, figures_, *edited_.part.findNode(id)); };
        const Reach bus = reach("bus_a");
        QCOMPARE(bus.settings.size(), std::size_t{8});
        QCOMPARE(bus.settings.front().hertz, Rational(160000000));
        QCOMPARE(bus.settings.back().hertz, Rational(20000000));
        const Reach vco = reach("vco");
        QVERIFY(vco.control == Reach::Control::multiply);
        QCOMPARE(vco.settings.size(), std::size_t{86});
        QCOMPARE(vco.settings.front().hertz, Rational(160000000));
        QVERIFY(reach("xtm").settings.empty());
        QVERIFY(reach("timers").settings.empty());
    }

    void controlsAreReadAsTyped_data() {
        QTest::addColumn<QString>("line");
        QTest::addColumn<QString>("typed");
        QTest::addColumn<QString>("what");
        QTest::addColumn<QString>("why");
        const auto row = [](const char* line, const char* typed, const char* what, const char* why) {
            QTest::addRow("%s: %s", line, typed)
                << QString(line) << QString::fromUtf8(typed) << QString::fromUtf8(what) << QString::fromUtf8(why);
        };
        row("bus_a", "4", "bus_a \u00f7 4", "");
        row("bus_a", "\u00f7 4 = 40 MHz", "bus_a \u00f7 4", ""); // as it was offered
        row("vco", "100", "vco \u00d7 100", "");
        row("core", "from xtm", "core from xtm", "");
        row("core", "20M", "core \u00f7 8", "");
        row("bus_a", "0x2", "bus_a \u00f7 3", ""); // what the field holds
        row("vco", "0x64", "vco \u00d7 100", "");
        row("core", "0x7", "core \u00f7 128", "");
        row("bus_a", "0x9", "", "no setting of bus_a makes its field hold 9");
        row("timers", "0x1", "", "timers has no field for a factor");
        row("bus_a", "* 4", "", "bus_a has no multiplier");
        row("bus_a", "0", "", "bus_a can't be set to \u00f7 0");
        row("xtm", "16M", "", "a source is set on the board");
        row("usb", "vco", "", "usb can't be fed from 'vco'");
        row("bus_a", "xtm", "", "bus_a has one source only");
        row("bus_a", "-5 MHz", "", "a rate is above 0");
        row("bus_a", "", "", "nothing; expected a rate such as '16 MHz'");
    }
    void controlsAreReadAsTyped() {
        QFETCH(QString, line);
        QFETCH(QString, typed);
        QFETCH(QString, what);
        QFETCH(QString, why);
        const ControlEdit edit = readControl(typed, edited_.part, figures_, *edited_.part.findNode(line.toStdString()));
        QCOMPARE(edit.what, what);
        QCOMPARE(edit.why, why);
        QCOMPARE(static_cast<bool>(edit.change), why.isEmpty());
    }

    void numbersAreFoundInSteps() {
        const Workings workings = promiseWorkings(edited_.part, edited_.plan, figures_, 1);
        const auto step = std::find_if(workings.begin(), workings.end(), [](const Step& each) { return each.what == "rate"; });
        const auto index = static_cast<std::size_t>(step - workings.begin());
        QCOMPARE(step->numbers, std::string("40 MHz \u00f7 (8 \u00d7 5)"));
        const std::vector<NumberLink> links = numberLinks(workings, index, step->numbers);
        QCOMPARE(links.size(), std::size_t{3});
        QCOMPARE(targetText(links[0].target), std::string("line/bus_a"));
        QCOMPARE(links[0].length, std::string("40 MHz").size());
        QCOMPARE(targetText(links[1].target), std::string("part/peripheral.uart1")); // 8 is what the port can do
        QCOMPARE(targetText(links[2].target), "step/" + std::to_string(index - 1));  // 5 was found in the step before
    }

    /// Whatever the digits, each number in the workings of the example has its link, but for the formula's own constants.
    void everyNumberIsALink() {
        int count = 0;
        const auto check = [&](const Workings& workings) {
            for (std::size_t i = 0; i < workings.size(); ++i) {
                const std::string& shown = workings[i].numbers.empty() ? workings[i].result : workings[i].numbers;
                const std::vector<NumberLink> links = numberLinks(workings, i, shown);
                std::string rest = shown;
                for (auto link = links.rbegin(); link != links.rend(); ++link) {
                    QVERIFY(!link->target.isNothing() && !link->name.empty());
                    rest.erase(link->from, link->length);
                    ++count;
                }
                for (const char* word : {"uart1", "uart2", "timer1", "timer5", "8N1", "\u2212 1"}) {
                    const std::size_t at = rest.find(word);
                    if (at != std::string::npos) {
                        rest.erase(at, std::string(word).size());
                    }
                }
                QVERIFY2(rest.find_first_of("0123456789") == std::string::npos, (shown + " leaves " + rest).c_str());
            }
        };
        addWorkings(edited_.part, edited_.plan, figures_);
        for (const LineFigure& line : figures_.lines) {
            check(line.workings);
        }
        for (const PromiseFigure& promise : figures_.promises) {
            check(promise.workings);
        }
        check(figures_.rhythm->averageWorkings);
        check(figures_.rhythm->lifeWorkings);
        QVERIFY(count > 100);
    }

    void placesAreSaidInWords() {
        QCOMPARE(placeInWords({"uart1", {}, at("part/peripheral.uart1"), "table 5-3"}),
                 std::string("the part file, peripheral.uart1, datasheet table 5-3"));
        QCOMPARE(placeInWords({"xtm", {}, at("plan/board.fitted.xtm.rate"), {}}),
                 std::string("the plan file, board.fitted.xtm.rate"));
        QCOMPARE(placeInWords({"report", {}, at("job/report"), {}}), std::string("the plan file, job report"));
    }

    /// A text that is too long is cut with an ellipsis and stays in its area.
    void textsAreCutToTheirArea() {
        QImage image(200, 30, QImage::Format_ARGB32_Premultiplied);
        const auto lastInk = [&](const QString& text, Qt::Alignment side) {
            image.fill(Qt::white);
            QPainter painter(&image);
            drawText(painter, QRectF(20, 0, 100, 30), side, text, Face::word, Qt::black);
            painter.end();
            std::pair<int, int> ink{200, -1};
            for (int x = 0; x < 200; ++x) {
                for (int y = 0; y < 30; ++y) {
                    if (image.pixelColor(x, y).lightness() < 200) {
                        ink = {std::min(ink.first, x), std::max(ink.second, x)};
                    }
                }
            }
            return ink;
        };
        const auto cut = lastInk("a very long name of a line that is in no way short", Qt::AlignLeft);
        QVERIFY(cut.first >= 20 && cut.second <= 120 && cut.second > 90);
        const auto right = lastInk("48 MHz", Qt::AlignRight);
        QVERIFY(right.second <= 120 && right.second >= 116 && right.first > 60);
        const auto middle = lastInk("48 MHz", Qt::AlignHCenter);
        QVERIFY(std::abs((middle.first - 20) - (120 - middle.second)) <= 3);
    }

    /// A source with several rates is set like any other row.
    void sourcesAreSetToOneOfTheirRates() {
        const PartFile file =
            readPart(replaced(marramText(), "rate = \"10 MHz\"", "rates = [\"5 MHz\", \"10 MHz\", \"40 MHz\"]"), "p");
        const Part& part = *file.part;
        const NodeIndex rcf = *part.findNode("rcf");
        const Figures figures = evaluate(part, edited_.plan, "A");
        QVERIFY(hasControl(part, rcf) && !hasControl(part, *part.findNode("xtm")));
        QCOMPARE(reachOf(part, figures, rcf).settings.size(), std::size_t{3});
        const ControlEdit edit = readControl("10M", part, figures, rcf);
        Plan plan = edited_.plan;
        edit.change(plan);
        QCOMPARE(evaluate(part, plan, "A").lines[rcf].hertz->nominal, Rational(10000000));
        QCOMPARE(readControl("12 MHz", part, figures, rcf).offers, QStringList({"10 MHz", "40 MHz"}));
        QVERIFY(!readControl("fast", part, figures, rcf).why.isEmpty());
        QCOMPARE(nextSetting(part, evaluate(part, plan, "A"), rcf, 1)->hertz, Rational(40000000));
        QVERIFY(!nextSetting(part, figures, rcf, -1).has_value());                         // it stands at the lowest
        QCOMPARE(nearestSetting(part, figures, rcf, 18000000)->hertz, Rational(10000000)); // nearest on a logarithmic axis
        QCOMPARE(nearestSetting(part, figures, rcf, 22000000)->hertz, Rational(40000000));
    }

    void derivationsAreSaidInASentence() {
        const auto sentence = [&](const char* id) { return sentenceOf(edited_.part, figures_, *edited_.part.findNode(id)); };
        QCOMPARE(sentence("bus_a"), QString::fromUtf8("bus A is core, 160 MHz, \u00f7 4: 40 MHz, at most 50 MHz"));
        QCOMPARE(
            sentence("vco"),
            QString::fromUtf8("pll oscillator is pll reference, 4 MHz, \u00d7 120: 480 MHz, at least 160 MHz, at most 500 MHz"));
        QCOMPARE(sentence("xtm"), QString("main crystal runs at 20 MHz"));
        QVERIFY(sentence("can_clk").endsWith("; off"));
    }

    /// The band of a gauge is what was asked.
    void gaugesKnowTheirTolerance() {
        const auto tolerance = [&](const char* name) { return gaugeTolerance(*figures_.findPromise(name)); };
        QVERIFY(std::abs(*tolerance("modem") - 0.015) < 1e-9);
        QVERIFY(std::abs(*tolerance("link") - 0.0025) < 1e-9);
        QVERIFY(std::abs(*tolerance("log") - 7.0 / 313) < 1e-9);
        QVERIFY(!tolerance("tick").has_value()); // exactly
    }
};

QTEST_MAIN(AppPaint)
#include "app_paint.moc"
