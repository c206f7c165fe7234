#pragma once

#include "paint/target_drag.h"
#include "seek/asked_column.h"
#include "seek/found_list.h"
#include "seek/refusal_view.h"
#include "seek/seek_chips.h"
#include "seek/seek_panel.h"
#include "window_fixture.h"

#include <QDropEvent>
#include <QTextBlock>

namespace wisetick::test {

using namespace wisetick::app;

/// A window with what a user of Seek does there, by keyboard and mouse.
class SeekFixture : public WindowFixture {
protected:
    SeekPanel& panel() { return *window_->find<SeekPanel>(); }
    SeekChips& chips() { return *panel().asked()->chips(); }
    FoundList& list() { return *panel().list(); }

    /// Opens Seek by its key and asks these.
    void ask(const QStringList& lines) {
        settle();
        QTest::keyClick(window_.get(), Qt::Key_K, Qt::ControlModifier);
        QVERIFY(window_->find<SeekPanel>() != nullptr && panel().isVisible());
        for (const QString& line : lines) {
            type(panel().asked()->entry(), line);
            QCOMPARE(panel().asked()->trouble(), QString());
        }
        QTRY_VERIFY(!panel().isBusy());
    }

    /// The place of the chip that shows the text.
    std::optional<SeekChips::Place> chip(const QString& text) {
        const auto& groups = chips().groups();
        for (std::size_t group = 0; group < groups.size(); ++group) {
            for (std::size_t i = 0; i < groups[group].chips.size(); ++i) {
                if (groups[group].chips[i].text == text) {
                    return SeekChips::Place{group, i};
                }
            }
        }
        return std::nullopt;
    }
    Chip::Look lookOf(const QString& text) {
        const auto place = chip(text);
        return chips().groups()[place->group].chips[place->chip].look;
    }
    void click(const QString& text) {
        const auto place = chip(text);
        QVERIFY2(place.has_value(), text.toUtf8());
        chips().select(*place);
        QTest::mouseClick(chips().viewport(), Qt::LeftButton, {}, chips().chipRect(*place).center().toPoint());
    }

    void drop(const Target& target) {
        const std::unique_ptr<QMimeData> data(targetData(target));
        QDragEnterEvent enter({20, 20}, Qt::CopyAction, data.get(), Qt::LeftButton, {});
        QApplication::sendEvent(chips().viewport(), &enter);
        QVERIFY(enter.isAccepted());
        QDropEvent drop({20, 20}, Qt::CopyAction, data.get(), Qt::LeftButton, {});
        QApplication::sendEvent(chips().viewport(), &drop);
        QVERIFY(drop.isAccepted());
    }

    /// Follows the link with that text in the words about why nothing fits, by keys.
    void followLink(const QString& said, const QString& link) {
        RefusalView* refusal = panel().refusal();
        refusal->setFocus();
        for (int tabs = 0; tabs < 40; ++tabs) {
            QTest::keyClick(refusal, Qt::Key_Tab);
            const QTextCursor cursor = refusal->textCursor();
            if (cursor.selectedText() == link && cursor.block().text().contains(said)) {
                QTest::keyClick(refusal, Qt::Key_Return);
                return;
            }
        }
        QFAIL("there is no such link");
    }
};

} // namespace wisetick::test
