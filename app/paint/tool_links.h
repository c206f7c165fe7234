#pragma once

#include "paint/theme.h"

#include <QLabel>

#include <functional>
#include <vector>

namespace wisetick::app {

/// What can be done with a view, as a line of links beside its title; where there is no room for one line they stand in several.
class ToolLinks : public QLabel {
    Q_OBJECT

public:
    struct Link {
        QString name;
        std::function<void()> run;
    };

    explicit ToolLinks(const QString& accessibleName);
    void setLinks(std::vector<Link> links, const Theme& theme);

    QSize sizeHint() const override;
    QSize minimumSizeHint() const override;

protected:
    void focusInEvent(QFocusEvent* event) override;

private:
    std::vector<Link> links_;
    int allInOne_ = 0; ///< how wide they are in one line, px
    int widest_ = 0;   ///< the widest of them
};

} // namespace wisetick::app
