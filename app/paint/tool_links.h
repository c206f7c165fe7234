#pragma once

#include "paint/theme.h"

#include <QLabel>

#include <functional>
#include <vector>

namespace wisetick::app {

/// What can be done with a view, as a line of links beside its title; where there is no room for one line they stand in two.
class ToolLinks : public QLabel {
    Q_OBJECT

public:
    struct Link {
        QString name;
        std::function<void()> run;
    };

    explicit ToolLinks(const QString& accessibleName);
    void setLinks(std::vector<Link> links, const Theme& theme);

protected:
    void focusInEvent(QFocusEvent* event) override;

private:
    std::vector<Link> links_;
};

} // namespace wisetick::app
