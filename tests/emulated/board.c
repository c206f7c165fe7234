/* What is written for a take, run on an emulated core: its registers are functions that see each look at them, so that what shows
 * "ready" does so only after some looks, or never. Says what stands in the registers at the end, and what came of it. */
#include <stdint.h>

#include "board_registers.h"

#include "clocks.c"

static int host(int operation, const void *argument)
{
    register int r0 __asm__("r0") = operation;
    register const void *r1 __asm__("r1") = argument;
    __asm__ volatile("svc 0x123456" : "+r"(r0) : "r"(r1) : "memory");
    return r0;
}

static void say(const char *text)
{
    (void)host(4, text);
}

static void say_number(uint32_t value)
{
    static const char digits[] = "0123456789abcdef";
    char text[11] = "0x00000000";
    int i;
    for (i = 0; i < 8; ++i) {
        text[2 + i] = digits[(value >> (28 - 4 * i)) & 0xFu];
    }
    say(text);
}

int main(void)
{
    const int came_to = TAKE_ALL();
    unsigned i;
    for (i = 0; i < REGISTER_COUNT; ++i) {
        say(board[i].name);
        say(" = ");
        say_number(board[i].value);
        say(" # ");
        say_number(board[i].looks);
        say("\n");
    }
    say("# came to ");
    say_number((uint32_t)came_to);
    say("\n");
    (void)host(0x18, (const void *)0x20026); /* the program ended as it should */
    return 0;
}

__asm__(".global start\nstart:\n    ldr sp, =0x48000000\n    bl main\n1:  b 1b\n.ltorg\n");
