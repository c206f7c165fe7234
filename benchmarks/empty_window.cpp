// The least that a Qt program with a window can do: what the start of the real one is held against. As `word_window` it has a
// menu and one word too: what a first text costs anybody.

#include <QApplication>
#include <QLabel>
#include <QMainWindow>
#include <QMenuBar>

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
#ifdef WITH_A_WORD
    QApplication::setFont(QFont("Noto Sans"));
    window.setCentralWidget(new QLabel("48 MHz"));
    window.menuBar()->addMenu("File");
#endif
    window.show();
    while (!window.isPainted) {
        QApplication::processEvents();
    }
    std::_Exit(0); // as the real one does with --once
}
