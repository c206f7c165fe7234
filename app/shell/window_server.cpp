#include "shell/window_server.h"

#include "document/plan_lock.h"
#include "shell/main_window.h"

#include <QCoreApplication>
#include <QLocalServer>
#include <QLocalSocket>

namespace wisetick::app {

namespace {

constexpr int kPatience = 1500; ///< ms
constexpr qint64 kLongestPath = 8192;

QString serverName(qint64 process) {
    return QString("wisetick-%1").arg(process);
}

} // namespace

WindowServer::WindowServer(QObject* parent) : QObject(parent), server_(new QLocalServer(this)) {
    server_->setSocketOptions(QLocalServer::UserAccessOption);
    const QString name = serverName(QCoreApplication::applicationPid());
    QLocalServer::removeServer(name); // of a process that had this number before
    server_->listen(name);
    connect(server_, &QLocalServer::newConnection, this, &WindowServer::answer);
}

void WindowServer::answer() {
    QLocalSocket* socket = server_->nextPendingConnection();
    connect(socket, &QLocalSocket::disconnected, socket, &QObject::deleteLater);
    connect(socket, &QLocalSocket::readyRead, socket, [socket] {
        if (!socket->canReadLine()) {
            if (socket->bytesAvailable() > kLongestPath) {
                socket->abort();
            }
            return;
        }
        const QString plan = QString::fromUtf8(socket->readLine()).chopped(1);
        MainWindow* window = MainWindow::showing(plan);
        if (window != nullptr) {
            window->comeForward();
        }
        socket->write(window != nullptr ? "here\n" : "none\n");
        socket->flush();
        socket->disconnectFromServer();
    });
}

bool WindowServer::raise(qint64 process, const QString& plan) {
    QLocalSocket socket;
    socket.connectToServer(serverName(process));
    if (!socket.waitForConnected(kPatience)) {
        return false;
    }
    socket.write(plan.toUtf8() + "\n");
    socket.flush();
    while (!socket.canReadLine() && socket.waitForReadyRead(kPatience)) {
    }
    return socket.readLine() == "here\n";
}

bool WindowServer::raiseElsewhere(const QString& plan) {
    PlanLock lock;
    const auto holder = lock.take(plan);
    return holder && holder->process != 0 && holder->process != QCoreApplication::applicationPid() &&
           raise(holder->process, plan);
}

} // namespace wisetick::app
