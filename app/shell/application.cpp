#include "shell/application.h"

#include <QTimer>

namespace wisetick::app {

bool Application::notify(QObject* receiver, QEvent* event) {
    try {
        return QApplication::notify(receiver, event);
    } catch (const std::exception& error) {
        if (!isFailing_) { // telling it must not fail again and again
            isFailing_ = true;
            constexpr int kQuietFor = 1000; // ms
            QTimer::singleShot(kQuietFor, this, [this] { isFailing_ = false; });
            emit failed(QString::fromUtf8(error.what()));
        }
        return false;
    }
}

} // namespace wisetick::app
