// The least that a Qt program with a window can do: what the start of the real one is held against.

#include <QApplication>
#include <QMainWindow>

int main(int argc, char** argv) {
    QApplication application(argc, argv);
    QMainWindow window;
    window.resize(1280, 800);
    window.show();
    window.repaint();
    QApplication::processEvents();
    return 0;
}
