#pragma once

#include <QObject>

class QLocalServer;

namespace wisetick::app {

/// Lets another start of this program, of the same user on this machine, ask for the window of a plan that is open here. It is
/// reached by a name made of this process's number; nothing goes over a network.
class WindowServer : public QObject {
    Q_OBJECT

public:
    explicit WindowServer(QObject* parent = nullptr);
    /// Asks a process for the window of a plan; false where it has none, or does not answer.
    static bool raise(qint64 process, const QString& plan);
    /// The same for whichever process has the plan open, if one has; none of this process.
    static bool raiseElsewhere(const QString& plan);

private:
    void answer();

    QLocalServer* server_;
};

} // namespace wisetick::app
