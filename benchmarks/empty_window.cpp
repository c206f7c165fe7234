// The least that a Qt program with a window can do: what the start of the real one is held against.

#include <QApplication>
#include <QMainWindow>

#include <cstdlib>

namespace {

struct Window : QMainWindow {
    bool isPainted = false;
    void paintEvent(QPaintEvent* event) override {
        QMainWindow::paintEvent(event);
        isPainted = true;
    }
};

} // namespace

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    Window window;
    window.resize(1280, 800);
    window.show();
    while (!window.isPainted) {
        QApplication::processEvents();
    }
    std::_Exit(0); // as the real one does with --once
}
