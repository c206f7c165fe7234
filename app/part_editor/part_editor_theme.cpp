// The colours and fonts of the workshop.

#include "clocks/clocks_view.h"
#include "paint/controls.h"
#include "paint/text.h"
#include "part_editor/fields_page.h"
#include "part_editor/panel_palette.h"
#include "part_editor/part_editor.h"
#include "part_editor/part_side.h"
#include "part_editor/part_tree.h"
#include "part_editor/paste_panel.h"
#include "part_editor/tab_button.h"

#include <QButtonGroup>
#include <QLabel>
#include <QListWidget>
#include <QTreeWidget>

namespace wisetick::app {

void PartEditor::setTheme(const Theme& theme) {
    theme_ = theme;
    QPalette palette = panelPalette(this->palette(), theme, theme.panel);
    palette.setColor(QPalette::AlternateBase, theme.paper);
    setPalette(palette);
    for (QWidget* each : std::initializer_list<QWidget*>{left_, faults_, tabs_, tree_, modes_, unknown_, hint_}) {
        each->setPalette(palette);
    }
    for (QAbstractButton* button : tabGroup_->buttons()) {
        button->setPalette(palette);
        static_cast<TabButton*>(button)->setTheme(theme);
    }
    QPalette dark = palette;
    dark.setColor(QPalette::Window, theme.head);
    dark.setColor(QPalette::WindowText, theme.headInk);
    head_->setPalette(dark);
    title_->setPalette(dark);
    dark.setColor(QPalette::WindowText, theme.headMuted);
    status_->setPalette(dark);
    title_->setFont(faceFont(Face::bold));
    status_->setFont(faceFont(Face::small));
    hint_->setFont(faceFont(Face::small));
    for (QTreeWidget* list : {modes_, unknown_}) {
        static_cast<SlimScrollBar*>(list->verticalScrollBar())->setTheme(theme);
    }
    static_cast<SlimScrollBar*>(faults_->verticalScrollBar())->setTheme(theme);
    text_->setTheme(theme);
    clocks_->setTheme(theme);
    tree_->setTheme(theme);
    side_->setTheme(theme);
    paste_->setTheme(theme);
    fields_->setTheme(theme);
}

} // namespace wisetick::app
