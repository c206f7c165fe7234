#include "terminal_rate.h"

#include <asm/termbits.h> // rates of any value; it does not go with <termios.h>
#include <sys/ioctl.h>

namespace wisetick::cli {

long terminalRate(int terminal) {
    termios2 form{};
    return ioctl(terminal, TCGETS2, &form) == 0 ? static_cast<long>(form.c_ospeed) : 0;
}

void makeRaw(int terminal) {
    termios2 form{};
    if (ioctl(terminal, TCGETS2, &form) != 0) {
        return;
    }
    form.c_iflag = 0;
    form.c_oflag = 0;
    form.c_lflag = 0;
    form.c_cflag &= ~static_cast<unsigned>(CSIZE | PARENB);
    form.c_cflag |= CS8 | CREAD | CLOCAL;
    ioctl(terminal, TCSETS2, &form);
}

} // namespace wisetick::cli
